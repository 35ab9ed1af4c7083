package org.skelto.core.ground;

import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.SmoothEarth;

/**
 * The loss to a node between two rays: the ground on its own way at the lines that stand out on either ray, the smooth
 * surface from the sums of both. Keeps its working space, so one is for one thread.
 */
final class InterpolatedDiffraction {
    private static final double DB = 10 / Math.log(10);

    private final LossMap.Sheet sheet;
    private final LossMap.Ask ask;
    private final int first;
    private final int sign;
    private final SmoothEarth earth;
    private final double radiusKm;
    private final double wavelengthM;
    private final double freeAtKm;

    /** Lines that were looked at for the node at hand; a mark per line says so. */
    private final int[] seen;

    private int mark;

    private double slope;
    private double total;
    private double bulge;
    private double hts;
    private double hrs;
    private double stepKm;
    private double bestAhead;
    private double bestBack;
    private double bestOver;
    private double bestRawAhead;
    private double bestRawBack;
    private double greatestV;

    InterpolatedDiffraction(LossMap.Sheet sheet, LossMap.Ask ask, int first, int sign, int lines) {
        this.sheet = sheet;
        this.ask = ask;
        this.first = first;
        this.sign = sign;
        this.earth = new SmoothEarth(ask.frequencyMHz());
        this.radiusKm = ask.earthFactor() * Diffraction.EARTH_KM;
        this.wavelengthM = wavelengthM(ask);
        this.freeAtKm = FreeSpace.lossDb(ask.frequencyMHz(), 1000);
        this.seen = new int[lines];
    }

    static double wavelengthM(LossMap.Ask ask) {
        return FreeSpace.SPEED_OF_LIGHT / (ask.frequencyMHz() * 1e6);
    }

    /** Length of a step along the main direction on a ray of this slope, km. */
    static double stepKm(LossMap.Sheet sheet, double slope) {
        double across = slope * sheet.sideStepM();
        return Math.sqrt(sheet.mainStepM() * sheet.mainStepM() + across * across) / 1000;
    }

    /** Rise of the earth per km and km, metres. */
    static double bulge(LossMap.Ask ask) {
        return 500 / (ask.earthFactor() * Diffraction.EARTH_KM);
    }

    /**
     * Loss in dB to the node on a line.
     *
     * @param nodeSlope of its way
     * @param share how far it lies from the low to the high ray, 0 to 1
     */
    double lossDb(int line, int side, double u, double nodeSlope, double share, TerrainRadial low, TerrainRadial high) {
        slope = nodeSlope;
        total = u;
        stepKm = stepKm(sheet, nodeSlope);
        bulge = bulge(ask) * stepKm * stepKm;
        double ground = sheet.heightM()[side * sheet.mains() + first + sign * line];
        hts = sheet.groundM() + ask.fromHeightM();
        hrs = ground + ask.toHeightM();
        double d = u * stepKm;
        double rise = (hrs - hts) / 1000;
        double free = d * d + rise * rise > 1e-6
                ? freeAtKm + DB * Math.log(d * d + rise * rise)
                : FreeSpace.lossDb(ask.frequencyMHz(), 1);
        if (line == 0) {
            return free;
        }
        look(line, low, high);
        double bullington = bullington(d);
        // sums of the smooth surface between both rays, with the node's own height at the end
        double meant = low.h[line] + share * (high.h[line] - low.h[line]);
        double more = ground - meant;
        double before = low.u[line - 1];
        double v1 = low.sum1[line] + share * (high.sum1[line] - low.sum1[line]) + (u - before) * more;
        double v2 =
                low.sum2[line] + share * (high.sum2[line] - low.sum2[line]) + (u - before) * more * (2 * u + before);
        double atStart = (2 * v1 * u - v2) / (u * u);
        double atEnd = (v2 - v1 * u) / (u * u);
        if (bestOver > 0) {
            double part = bestRawAhead / (bestRawAhead + bestRawBack);
            atStart -= bestOver * part;
            atEnd -= bestOver * (1 - part);
        }
        double hte = hts - Math.min(atStart, sheet.groundM());
        double hre = hrs - Math.min(atEnd, ground);
        double sphere = earth.lossDb(d, hte, hre, radiusKm);
        if (sphere <= 0) {
            return free + bullington;
        }
        return free + bullington + Math.max(0, sphere - flat(low.u[0], before, hte, hre, d));
    }

    private void look(int line, TerrainRadial low, TerrainRadial high) {
        bestAhead = Double.NEGATIVE_INFINITY;
        bestBack = Double.NEGATIVE_INFINITY;
        bestOver = Double.NEGATIVE_INFINITY;
        bestRawAhead = Double.NEGATIVE_INFINITY;
        bestRawBack = Double.NEGATIVE_INFINITY;
        greatestV = Double.NEGATIVE_INFINITY;
        mark++;
        int last = line - 1;
        around(low, line, last);
        around(high, line, last);
    }

    private void around(TerrainRadial ray, int line, int last) {
        around(ray.ahead[line], last);
        around(ray.back[line], last);
        around(ray.rawAhead[line], last);
        around(ray.rawBack[line], last);
        around(ray.over[line], last);
        around(ray.near[line], last);
    }

    private void around(int at, int last) {
        if (at < 0) {
            return;
        }
        for (int i = Math.max(0, at - 1); i <= at + 1 && i <= last; i++) {
            if (seen[i] != mark) {
                seen[i] = mark;
                at(i);
            }
        }
    }

    private void at(int i) {
        int main = first + sign * i;
        double x = Math.abs(main - sheet.main());
        double rest = total - x;
        double h = sheet.height(main, sheet.side() + slope * x);
        double top = h + bulge * x * rest;
        bestAhead = Math.max(bestAhead, (top - hts) / x);
        bestBack = Math.max(bestBack, (top - hrs) / rest);
        double line = (hts * rest + hrs * x) / total;
        double above = h - line;
        bestOver = Math.max(bestOver, above);
        bestRawAhead = Math.max(bestRawAhead, above / x);
        bestRawBack = Math.max(bestRawBack, above / rest);
        // squared with its sign: one root at the end instead of one for each line
        double clear = top - line;
        greatestV = Math.max(greatestV, clear * Math.abs(clear) / (x * rest));
    }

    private double v(double squared) {
        double scaled = squared * 0.002 * total / (wavelengthM * stepKm);
        return scaled < 0 ? -Math.sqrt(-scaled) : Math.sqrt(scaled);
    }

    private double bullington(double totalKm) {
        double direct = (hrs - hts) / total;
        double corner = Diffraction.corner(hts, hrs, bestAhead, bestBack, total);
        double edge;
        if (bestAhead < direct || corner < 0) {
            edge = Diffraction.edgeDb(v(greatestV));
        } else {
            double over = hts + bestAhead * corner - (hts * (total - corner) + hrs * corner) / total;
            edge = Diffraction.edgeDb(v(over * Math.abs(over) / (corner * (total - corner))));
        }
        return edge == 0 ? 0 : Diffraction.corrected(edge, totalKm);
    }

    /** The Bullington construction over the smooth surface at height 0, whose highest lines need no looking for. */
    private double flat(double start, double end, double hte, double hre, double totalKm) {
        double ahead = Double.NEGATIVE_INFINITY;
        double back = Double.NEGATIVE_INFINITY;
        double at = start + Math.floor(Math.sqrt(Math.max(0, hte / bulge)) - start);
        for (int i = 0; i < 2; i++) {
            double x = Math.max(start, Math.min(end, at + i));
            ahead = Math.max(ahead, bulge * (total - x) - hte / x);
        }
        double from = start + Math.floor(total - Math.sqrt(Math.max(0, hre / bulge)) - start);
        for (int i = 0; i < 2; i++) {
            double x = Math.max(start, Math.min(end, from + i));
            back = Math.max(back, bulge * x - hre / (total - x));
        }
        double direct = (hre - hte) / total;
        double corner = Diffraction.corner(hte, hre, ahead, back, total);
        double edge;
        if (ahead < direct || corner < 0) {
            edge = Diffraction.edgeDb(v(grazing(start, end, hte, hre)));
        } else {
            double over = hte + ahead * corner - (hte * (total - corner) + hre * corner) / total;
            edge = Diffraction.edgeDb(v(over * Math.abs(over) / (corner * (total - corner))));
        }
        return edge == 0 ? 0 : Diffraction.corrected(edge, totalKm);
    }

    /** The greatest v² with its sign over the smooth surface: it rises to one place and falls beyond it. */
    private double grazing(double start, double end, double hte, double hre) {
        int low = 0;
        int high = (int) Math.round(end - start);
        while (high - low > 2) {
            int a = low + (high - low) / 3;
            int b = high - (high - low) / 3;
            if (smooth(start + a, hte, hre) < smooth(start + b, hte, hre)) {
                low = a + 1;
            } else {
                high = b;
            }
        }
        double best = Double.NEGATIVE_INFINITY;
        for (int i = low; i <= high; i++) {
            best = Math.max(best, smooth(start + i, hte, hre));
        }
        return best;
    }

    private double smooth(double x, double hte, double hre) {
        double rest = total - x;
        double clear = bulge * x * rest - (hte * rest + hre * x) / total;
        return clear * Math.abs(clear) / (x * rest);
    }
}
