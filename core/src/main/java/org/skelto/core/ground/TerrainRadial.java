package org.skelto.core.ground;

/**
 * One ray over the ground. For each main line that it crosses it knows which lines before that one stand out: seen from
 * the antenna, seen back from a receiver on that line, above the straight way between, and nearest to it; and the sums of
 * the smooth surface. Distances are in steps along the main direction; the earth's curve is scaled to them.
 *
 * <p>The curve is folded into the heights as {@code h − bulge u²}: a horizon over the curved earth is then a tangent to
 * the upper hull of what was passed, and so it is without the curve over the plain heights.
 */
final class TerrainRadial {
    /** Lines are looked at in blocks of so many. */
    private static final int BLOCK = 16;

    /** Ground that stays this far below the ray, in the parameter of the single edge, takes nothing on the ways beside. */
    private static final double FAR = 1.2;

    private final LossMap.Sheet sheet;
    private final LossMap.Ask ask;
    private final int first;
    private final int sign;
    private final int lines;
    private final double waves;

    final double[] h;
    final double[] u;
    final double[] sum1;
    final double[] sum2;
    final int[] ahead;
    final int[] back;
    final int[] rawAhead;
    final int[] rawBack;
    final int[] over;
    final int[] near;
    private final double[] folded;
    private final double[] blockTop;
    private final Hull curved;
    private final Hull plain;

    TerrainRadial(LossMap.Sheet sheet, LossMap.Ask ask, int first, int sign, int lines) {
        this.sheet = sheet;
        this.ask = ask;
        this.first = first;
        this.sign = sign;
        this.lines = lines;
        this.waves = InterpolatedDiffraction.wavelengthM(ask);
        h = new double[lines];
        u = new double[lines];
        sum1 = new double[lines];
        sum2 = new double[lines];
        ahead = new int[lines];
        back = new int[lines];
        rawAhead = new int[lines];
        rawBack = new int[lines];
        over = new int[lines];
        near = new int[lines];
        folded = new double[lines];
        blockTop = new double[lines / BLOCK + 1];
        curved = new Hull(lines);
        plain = new Hull(lines);
    }

    /**
     * Follows the ray.
     *
     * @param slope across per step along
     * @param start distance of the first line from the antenna, steps
     */
    void run(double slope, double start) {
        double stepKm = InterpolatedDiffraction.stepKm(sheet, slope);
        double bulge = InterpolatedDiffraction.bulge(ask) * stepKm * stepKm;
        double hts = sheet.groundM() + ask.fromHeightM();
        double bestAhead = Double.NEGATIVE_INFINITY;
        double bestRaw = Double.NEGATIVE_INFINITY;
        int argAhead = -1;
        int argRaw = -1;
        double s1 = 0;
        double s2 = 0;
        double beforeH = sheet.groundM();
        double beforeU = 0;
        curved.clear();
        plain.clear();
        for (int k = 0; k < lines; k++) {
            double at = start + k;
            double here = sheet.height(first + sign * k, sheet.side() + slope * at);
            double step = at - beforeU;
            s1 += step * (here + beforeH);
            s2 += step * (here * (2 * at + beforeU) + beforeH * (at + 2 * beforeU));
            sum1[k] = s1;
            sum2[k] = s2;
            h[k] = here;
            u[k] = at;
            double hrs = here + ask.toHeightM();
            ahead[k] = argAhead;
            rawAhead[k] = argRaw;
            if (k > 0) {
                double fold = bulge * at;
                back[k] = curved.tangent(at, hrs - fold * at);
                rawBack[k] = plain.tangent(at, hrs);
                double direct = (hrs - hts) / at;
                over[k] = plain.farthest(direct);
                near[k] = bestAhead + fold < direct ? nearest(k, hts, hrs, fold, stepKm) : -1;
            } else {
                back[k] = -1;
                rawBack[k] = -1;
                over[k] = -1;
                near[k] = -1;
            }
            double raw = (here - hts) / at;
            if (raw - bulge * at > bestAhead) {
                bestAhead = raw - bulge * at;
                argAhead = k;
            }
            if (raw > bestRaw) {
                bestRaw = raw;
                argRaw = k;
            }
            double low = here - bulge * at * at;
            folded[k] = low;
            int block = k / BLOCK;
            blockTop[block] = k % BLOCK == 0 ? low : Math.max(blockTop[block], low);
            curved.add(k, at, low);
            plain.add(k, at, here);
            beforeH = here;
            beforeU = at;
        }
    }

    /** The line at which the ground comes nearest to the direct ray, in Fresnel radii; −1 when it stays far below. */
    private int nearest(int k, double hts, double hrs, double fold, double stepKm) {
        double total = u[k];
        double lean = fold - (hrs - hts) / total;
        double scale = 0.002 * total / (waves * stepKm);
        // all squared with their signs; something is kept in hand for the ways beside
        double best = -FAR * FAR / scale;
        int found = -1;
        // what stood out for the line before mostly does for this one: most blocks then need no looking into
        int likely = k > 1 ? near[k - 1] : -1;
        for (int i : new int[] {likely, back[k], k - 1}) {
            if (i >= 0) {
                double clear = folded[i] + lean * u[i] - hts;
                double squared = clear * Math.abs(clear) / (u[i] * (total - u[i]));
                if (squared > best) {
                    best = squared;
                    found = i;
                }
            }
        }
        int blocks = (k - 1) / BLOCK + 1;
        for (int b = 0; b < blocks; b++) {
            int from = b * BLOCK;
            int to = Math.min(k, from + BLOCK) - 1;
            double top = blockTop[b] + Math.max(lean * u[from], lean * u[to]) - hts;
            if (top < 0) {
                // below the ray: the widest zone in the block decides
                double middle = Math.max(u[from], Math.min(u[to], total / 2));
                if (-top * top <= best * middle * (total - middle)) {
                    continue;
                }
            }
            for (int i = from; i <= to; i++) {
                double clear = folded[i] + lean * u[i] - hts;
                double squared = clear * Math.abs(clear) / (u[i] * (total - u[i]));
                if (squared > best) {
                    best = squared;
                    found = i;
                }
            }
        }
        return found;
    }

    /** The upper hull of points that come from left to right. */
    private static final class Hull {
        private final int[] index;
        private final double[] x;
        private final double[] y;
        private int size;

        Hull(int most) {
            index = new int[most];
            x = new double[most];
            y = new double[most];
        }

        void clear() {
            size = 0;
        }

        void add(int id, double atX, double atY) {
            while (size > 1
                    && (y[size - 1] - y[size - 2]) * (atX - x[size - 1])
                            <= (atY - y[size - 1]) * (x[size - 1] - x[size - 2])) {
                size--;
            }
            index[size] = id;
            x[size] = atX;
            y[size] = atY;
            size++;
        }

        /** The point that stands highest seen back from one to the right of all. */
        int tangent(double atX, double atY) {
            int low = 0;
            int high = size - 1;
            while (low < high) {
                int mid = (low + high) >>> 1;
                // the next one stands higher than this one
                boolean further = (y[mid + 1] - atY) * (atX - x[mid]) > (y[mid] - atY) * (atX - x[mid + 1]);
                if (further) {
                    low = mid + 1;
                } else {
                    high = mid;
                }
            }
            return index[low];
        }

        /** The point that is highest above a line of this slope. */
        int farthest(double slope) {
            int low = 0;
            int high = size - 1;
            while (low < high) {
                int mid = (low + high) >>> 1;
                if (y[mid + 1] - y[mid] > slope * (x[mid + 1] - x[mid])) {
                    low = mid + 1;
                } else {
                    high = mid;
                }
            }
            return index[low];
        }
    }
}
