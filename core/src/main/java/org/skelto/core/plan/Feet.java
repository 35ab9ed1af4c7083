package org.skelto.core.plan;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lengths as carpenters write them. */
public final class Feet {
    /** Metres of a foot. */
    public static final double FOOT_M = 0.3048;

    private static final double INCH_M = 0.0254;
    private static final String[] EIGHTHS = {"", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"};
    private static final int EIGHTHS_A_FOOT = 96;

    /** What {@link #metres} reads: 4.5, 4,5, 12' 6", 12 ft, 6 in. */
    public static final String LENGTH =
            "\\d+(?:[.,]\\d+)?(?:\\s*(?:'|ft)(?:\\s*\\d+(?:[.,]\\d+)?\\s*(?:\"|in)?)?|\\s*(?:\"|in))?";

    private static final Pattern PARTS = Pattern.compile("(-?\\d+(?:[.,]\\d+)?)\\s*('|ft|\"|in)?");

    private Feet() {}

    /** The metres of a length that {@link #LENGTH} matches or of a plain number; one without a unit is in the given measures. */
    public static double metres(String length, Measures measures) {
        Matcher parts = PARTS.matcher(length);
        double metres = 0;
        boolean feet = false;
        while (parts.find()) {
            double value = Double.parseDouble(parts.group(1).replace(',', '.'));
            String unit = parts.group(2);
            if (unit == null) {
                metres += value * (feet ? INCH_M : measures == Measures.FEET ? FOOT_M : 1);
            } else {
                feet = unit.equals("'") || unit.equals("ft");
                metres += value * (feet ? FOOT_M : INCH_M);
            }
        }
        return metres;
    }

    /** Feet, inches and eighths of the length, such as 12' 6⅛". */
    public static String of(double metres) {
        long eighths = Math.round(Math.abs(metres) / INCH_M * 8);
        long feet = eighths / EIGHTHS_A_FOOT;
        long inches = eighths % EIGHTHS_A_FOOT / 8;
        String part = EIGHTHS[(int) (eighths % 8)];
        String sign = metres < 0 && eighths > 0 ? "−" : "";
        if (feet > 0) {
            return sign + feet + "' " + inches + part + "\"";
        }
        return sign + (inches > 0 || part.isEmpty() ? inches : "") + part + "\"";
    }
}
