package org.skelto.core.radio;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.skelto.core.plan.Medium;
import org.skelto.core.plan.Radio;
import org.skelto.core.plan.Region;

/**
 * The region table: what power a radio may send with. It is an aid with a date, never the law: check with your
 * regulator. What is not in the table cannot be judged.
 */
public final class RegionLimits {
    /** When the table was last compared with its sources. */
    public static final String DATE = "2026-11-24";

    /** Less than this over a limit is rounding, dB. */
    public static final double ROUNDING_DB = 0.005;

    private static final double ERP_TO_EIRP_DB = 2.15;

    /** Width of an IEEE 802.11 frequency channel at 2.4 GHz, and of the narrow systems here, kHz. */
    private static final double NARROW_KHZ = 125;

    private static final List<Row> ROWS = read();

    private RegionLimits() {}

    /** What a limit is measured as. */
    public enum Kind {
        ERP,
        EIRP,
        CONDUCTED
    }

    /**
     * One row of the table.
     *
     * @param dutyPercent greatest share of time on air, or null when none is stated
     */
    public record Row(
            Region region,
            List<Medium> media,
            double fromMHz,
            double toMHz,
            double leastBandwidthKHz,
            double limitDbm,
            Kind kind,
            Double dutyPercent,
            String source) {

        /** How far a radio is over this limit, dB; not positive when it keeps it. */
        public double excessDb(Radio radio) {
            double eirp = radio.eirpDbm();
            return switch (kind) {
                case EIRP -> eirp - limitDbm;
                case ERP -> eirp - ERP_TO_EIRP_DB - limitDbm;
                case CONDUCTED -> radio.txPowerDbm() + Math.max(0, radio.antennaGainDbi() - 6) - limitDbm;
            };
        }

        /** The limit in words. */
        public String words() {
            return Text.number(limitDbm, limitDbm % 1 == 0 ? 0 : 1) + " dBm "
                    + (kind == Kind.CONDUCTED ? "conducted" : kind.name()) + " (" + source + ", table of " + DATE + ")";
        }
    }

    /** The most generous row that covers this radio, if the table knows its band. */
    public static Optional<Row> rowFor(Region region, Radio radio) {
        double bandwidthKHz = radio.chirp() == null ? NARROW_KHZ : radio.chirp().bandwidthKHz();
        return ROWS.stream()
                .filter(r -> r.region() == region && r.media().contains(radio.medium()))
                .filter(r -> radio.frequencyMHz() >= r.fromMHz() && radio.frequencyMHz() <= r.toMHz())
                .filter(r -> bandwidthKHz >= r.leastBandwidthKHz())
                .max(java.util.Comparator.comparingDouble(Row::limitDbm));
    }

    /** Whether the table has any band for this medium in this region. */
    public static boolean judges(Region region, Medium medium) {
        return ROWS.stream().anyMatch(r -> r.region() == region && r.media().contains(medium));
    }

    private static List<Row> read() {
        try (InputStream in = RegionLimits.class.getResourceAsStream("region-limits.csv");
                BufferedReader reader = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            return reader.lines()
                    .filter(line -> !line.startsWith("#") && !line.startsWith("region,"))
                    .map(RegionLimits::row)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Row row(String line) {
        // the source is the last column and the only one that may hold a comma
        String[] cells = line.split(",", 9);
        return new Row(
                Region.valueOf(cells[0]),
                Arrays.stream(cells[1].split("\\|")).map(Medium::valueOf).toList(),
                Double.parseDouble(cells[2]),
                Double.parseDouble(cells[3]),
                Double.parseDouble(cells[4]),
                Double.parseDouble(cells[5]),
                Kind.valueOf(cells[6]),
                cells[7].isEmpty() ? null : Double.valueOf(cells[7]),
                cells[8].replace("\"", ""));
    }
}
