package org.skelto.server.paper;

/** A format of paper, millimetres upright. */
public enum PaperSize {
    A4(210, 297),
    LETTER(215.9, 279.4);

    private static final double MARGIN_MM = 15;
    private static final double HEAD_MM = 34;

    private final double widthMm;
    private final double heightMm;

    PaperSize(double widthMm, double heightMm) {
        this.widthMm = widthMm;
        this.heightMm = heightMm;
    }

    double widthMm(boolean landscape) {
        return landscape ? heightMm : widthMm;
    }

    double heightMm(boolean landscape) {
        return landscape ? widthMm : heightMm;
    }

    /** What a drawing may fill across. */
    double innerWidthMm(boolean landscape) {
        return widthMm(landscape) - 2 * MARGIN_MM;
    }

    /** What a drawing may fill upright, below the title block and above its legend. */
    double innerHeightMm(boolean landscape) {
        return heightMm(landscape) - 2 * MARGIN_MM - HEAD_MM;
    }
}
