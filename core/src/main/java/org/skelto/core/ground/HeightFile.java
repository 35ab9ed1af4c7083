package org.skelto.core.ground;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.site.Earth;
import org.skelto.core.work.ComputingBudget;

/**
 * Grids of heights as files: the plain ASCII grid, and HGT tiles of one degree.
 *
 * <p>ASCII grid: six lines {@code ncols}, {@code nrows}, {@code xllcenter} or {@code xllcorner}, {@code yllcenter} or
 * {@code yllcorner}, {@code cellsize} and, if any height is missing, {@code NODATA_value}; then the heights in metres,
 * row by row from the north. Coordinates are degrees (WGS 84) when cells are smaller than {@value #DEGREES_BELOW}, else
 * metres on the site, east and north of its origin. HGT: whole metres, big-endian, row by row from the north, −32768
 * where none is known, named after its south-western corner such as {@code N52W003.hgt}.
 */
public final class HeightFile {
    /** Most bytes of a file that is worth reading. */
    public static final int MOST_BYTES = 26_000_000;

    private static final double DEGREES_BELOW = 0.05;
    private static final Pattern TILE =
            Pattern.compile("([NS])(\\d{2})([EW])(\\d{3})(\\.hgt)?", Pattern.CASE_INSENSITIVE);
    private static final int VOID = -32_768;
    private static final double LOWEST = -500;
    private static final double HIGHEST = 9000;

    /** More missing heights than this share are not filled in. */
    private static final double MOST_FILLED = 0.2;

    private HeightFile() {}

    /**
     * What a file holds.
     *
     * @param degrees whether west, south and step are degrees rather than metres on the site
     * @param west of the first column's centre
     * @param south of the first row's centre
     * @param heightM row by row from the south
     * @param filled how many heights were missing and taken from their neighbours
     */
    @RecordBuilder
    public record Heights(
            boolean degrees, int columns, int rows, double west, double south, double step, float[] heightM, int filled)
            implements HeightFileHeightsBuilder.With {

        /**
         * The grid on a site.
         *
         * @param origin where the site's origin lies; may be null for metres
         * @throws IllegalArgumentException when degrees have no origin to go by
         */
        public ElevationGrid on(GeoPoint origin) {
            if (!degrees) {
                return ElevationGridBuilder.builder()
                        .columns(columns)
                        .rows(rows)
                        .westM(west)
                        .southM(south)
                        .eastStepM(step)
                        .northStepM(step)
                        .heightM(heightM)
                        .build();
            }
            if (origin == null) {
                throw new IllegalArgumentException("the site has no latitude and longitude yet");
            }
            double[] corner = Earth.metres(origin, new GeoPoint(south, west));
            double[] next = Earth.metres(origin, new GeoPoint(south + step, west + step));
            return ElevationGridBuilder.builder()
                    .columns(columns)
                    .rows(rows)
                    .westM(corner[0])
                    .southM(corner[1])
                    .eastStepM(next[0] - corner[0])
                    .northStepM(next[1] - corner[1])
                    .heightM(heightM)
                    .build();
        }
    }

    /** Reads whichever of both it is; of a large tile the part around the site. */
    public static Heights read(String name, byte[] file, GeoPoint around) throws Unreadable {
        if (file.length > MOST_BYTES) {
            throw new Unreadable("", "is larger than " + MOST_BYTES / 1_000_000 + " MB");
        }
        return name != null && name.toLowerCase(Locale.ROOT).endsWith(".hgt") ? tile(name, file, around) : ascii(file);
    }

    private static Heights tile(String name, byte[] file, GeoPoint around) throws Unreadable {
        Matcher named = TILE.matcher(name);
        if (!named.matches()) {
            throw new Unreadable("", "is not named after its corner, such as N52W003.hgt: " + shown(name));
        }
        int side = (int) Math.round(Math.sqrt(file.length / 2.0));
        if (file.length != 2 * side * side || side != 1201 && side != 3601) {
            throw new Unreadable(
                    "",
                    "has " + file.length
                            + " bytes; a tile has 2 884 802 (1201 × 1201 heights) or 25 934 402 (3601 × 3601)");
        }
        double south = Integer.parseInt(named.group(2)) * (named.group(1).equalsIgnoreCase("S") ? -1 : 1);
        double west = Integer.parseInt(named.group(4)) * (named.group(3).equalsIgnoreCase("W") ? -1 : 1);
        if (south < -90 || south > 89 || west < -180 || west > 179) {
            throw new Unreadable("", "is named after a corner that is not on earth: " + shown(name));
        }
        double step = 1.0 / (side - 1);
        int size = Math.min(side, ElevationGrid.MOST_SIDE);
        int column = 0;
        int row = 0;
        if (side > size) {
            if (around == null
                    || around.latitudeDeg() < south
                    || around.latitudeDeg() > south + 1
                    || around.longitudeDeg() < west
                    || around.longitudeDeg() > west + 1) {
                throw new Unreadable(
                        "", "is a large tile; the part around the site is taken, but the site does not lie on it");
            }
            column = window((around.longitudeDeg() - west) / step, size, side);
            row = window((around.latitudeDeg() - south) / step, size, side);
        }
        ByteBuffer bytes = ByteBuffer.wrap(file).order(ByteOrder.BIG_ENDIAN);
        float[] heights = new float[size * size];
        for (int r = 0; r < size; r++) {
            for (int c = 0; c < size; c++) {
                int value = bytes.getShort(2 * ((side - 1 - row - r) * side + column + c));
                heights[r * size + c] = value == VOID ? Float.NaN : value;
            }
        }
        return filled(true, size, size, west + column * step, south + row * step, step, heights);
    }

    private static int window(double middle, int size, int side) {
        return (int) Math.max(0, Math.min(side - size, Math.round(middle - size / 2.0)));
    }

    private static Heights ascii(byte[] file) throws Unreadable {
        Words words = new Words(file);
        double[] head = new double[6];
        boolean[] known = new boolean[6];
        boolean xCorner = false;
        boolean yCorner = false;
        while (words.letter()) {
            String key = words.next().toLowerCase(Locale.ROOT);
            String at = "/line " + words.line();
            double value = number(words, at);
            int slot = switch (key) {
                case "ncols" -> 0;
                case "nrows" -> 1;
                case "xllcenter", "xllcorner" -> 2;
                case "yllcenter", "yllcorner" -> 3;
                case "cellsize" -> 4;
                case "nodata_value" -> 5;
                default -> throw new Unreadable(at, "is no line of the head of an ASCII grid: " + shown(key));
            };
            xCorner |= key.equals("xllcorner");
            yCorner |= key.equals("yllcorner");
            head[slot] = value;
            known[slot] = true;
        }
        for (int i = 0; i < 5; i++) {
            if (!known[i]) {
                throw new Unreadable(
                        "/line 1", "is not the head of an ASCII grid: ncols, nrows, xllcenter, yllcenter, cellsize");
            }
        }
        int columns = side(head[0], "ncols");
        int rows = side(head[1], "nrows");
        double step = head[4];
        boolean degrees = step < DEGREES_BELOW;
        if (!(step > 0) || step > 10_000) {
            throw new Unreadable("/cellsize", "must be above 0 and at most 10 000 m");
        }
        double west = head[2] + (xCorner ? step / 2 : 0);
        double south = head[3] + (yCorner ? step / 2 : 0);
        double most = degrees ? 360 : 1_000_000;
        if (!(Math.abs(west) <= most) || !(Math.abs(south) <= most)) {
            throw new Unreadable("/xllcenter", "lies nowhere near the site: coordinates are metres from its origin");
        }
        float[] heights = new float[columns * rows];
        for (int r = rows - 1; r >= 0; r--) {
            for (int c = 0; c < columns; c++) {
                if (words.end()) {
                    throw new Unreadable(
                            "/line " + words.line(),
                            "ends after " + ((rows - 1 - r) * columns + c) + " of " + columns * rows + " heights");
                }
                double value = number(words, null);
                boolean none = known[5] && value == head[5];
                if (!none && !(value >= LOWEST && value <= HIGHEST)) {
                    throw new Unreadable(
                            "/line " + words.line(), "holds a height that is none on earth: " + (float) value + " m");
                }
                heights[r * columns + c] = none ? Float.NaN : (float) value;
            }
        }
        if (!words.end()) {
            throw new Unreadable("/line " + words.line(), "holds more than " + columns * rows + " heights");
        }
        return filled(degrees, columns, rows, west, south, step, heights);
    }

    private static int side(double value, String what) throws Unreadable {
        if (value != Math.rint(value) || value < 2 || value > ElevationGrid.MOST_SIDE) {
            throw new Unreadable("/" + what, "must be a whole number from 2 to " + ElevationGrid.MOST_SIDE);
        }
        return (int) value;
    }

    private static double number(Words words, String at) throws Unreadable {
        String word = words.next();
        try {
            double value = Double.parseDouble(word);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // told below
        }
        throw new Unreadable(at == null ? "/line " + words.line() : at, "holds no number: " + shown(word));
    }

    private static Heights filled(
            boolean degrees, int columns, int rows, double west, double south, double step, float[] heights)
            throws Unreadable {
        int missing = 0;
        for (float h : heights) {
            missing += Float.isNaN(h) ? 1 : 0;
        }
        if (missing > MOST_FILLED * heights.length) {
            throw new Unreadable("", "lacks " + missing + " of " + heights.length + " heights");
        }
        for (int left = missing; left > 0; ) {
            left = fillOnce(heights, columns, rows);
        }
        return HeightFileHeightsBuilder.builder()
                .degrees(degrees)
                .columns(columns)
                .rows(rows)
                .west(west)
                .south(south)
                .step(step)
                .heightM(heights)
                .filled(missing)
                .build();
    }

    /** Gives every missing height that has a neighbour the mean of its neighbours; says how many are missing still. */
    private static int fillOnce(float[] heights, int columns, int rows) {
        float[] before = heights.clone();
        int left = 0;
        for (int i = 0; i < before.length; i++) {
            if (!Float.isNaN(before[i])) {
                continue;
            }
            int c = i % columns;
            int r = i / columns;
            double sum = 0;
            int n = 0;
            for (int[] o : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
                int x = c + o[0];
                int y = r + o[1];
                if (x >= 0 && x < columns && y >= 0 && y < rows && !Float.isNaN(before[y * columns + x])) {
                    sum += before[y * columns + x];
                    n++;
                }
            }
            if (n == 0) {
                left++;
            } else {
                heights[i] = (float) (sum / n);
            }
        }
        return left;
    }

    /** Writes heights as an ASCII grid, to a tenth of a metre. */
    public static String write(Heights h) {
        StringBuilder out = new StringBuilder(h.heightM().length * 6);
        out.append("ncols ").append(h.columns()).append('\n');
        out.append("nrows ").append(h.rows()).append('\n');
        out.append("xllcenter ").append(plain(h.west())).append('\n');
        out.append("yllcenter ").append(plain(h.south())).append('\n');
        out.append("cellsize ").append(plain(h.step())).append('\n');
        for (int r = h.rows() - 1; r >= 0; r--) {
            for (int c = 0; c < h.columns(); c++) {
                int tenths = Math.round(h.heightM()[r * h.columns() + c] * 10);
                if (c > 0) {
                    out.append(' ');
                }
                if (tenths < 0) {
                    out.append('-');
                }
                out.append(Math.abs(tenths) / 10);
                if (tenths % 10 != 0) {
                    out.append('.').append(Math.abs(tenths) % 10);
                }
            }
            out.append('\n');
        }
        return out.toString();
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    static String shown(String text) {
        return "\"" + (text.length() > 40 ? text.substring(0, 40) + "…" : text) + "\"";
    }

    /** The words of a file, without making a text of the whole. */
    private static final class Words {
        private final byte[] file;
        private int at;
        private int line = 1;

        Words(byte[] file) {
            this.file = file;
        }

        int line() {
            return line;
        }

        private void skip() {
            while (at < file.length && file[at] <= ' ' && file[at] >= 0) {
                ComputingBudget.step();
                line += file[at] == '\n' ? 1 : 0;
                at++;
            }
        }

        boolean end() {
            skip();
            return at >= file.length;
        }

        boolean letter() {
            return !end() && Character.isLetter(file[at]);
        }

        String next() {
            skip();
            int from = at;
            while (at < file.length && (file[at] > ' ' || file[at] < 0)) {
                at++;
            }
            return new String(file, from, Math.min(at - from, 60), java.nio.charset.StandardCharsets.ISO_8859_1);
        }
    }
}
