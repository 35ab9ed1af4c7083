package org.skelto.core.radio;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * The region table: what power a radio may send with. It is an aid with a date, never the law: check with your
 * regulator. What is not in the table cannot be judged.
 */
public final class RegionLimits {
    /** When the table was last compared with its sources. */
    public static final String DATE = "2026-11-26";

    /** Less than this over a limit is rounding, dB. */
    public static final double ROUNDING_DB = 0.005;

    private static final double ERP_TO_EIRP_DB = 2.15;

    /** Width of an IEEE 802.11 frequency channel at 2.4 GHz, and of the narrow systems here, kHz. */
    private static final double NARROW_KHZ = 125;

    /** A width that ends on the edge of a band lies within it, MHz. */
    private static final double EDGE_MHZ = 1e-6;

    private static final List<BandLimit> ROWS = read();

    private RegionLimits() {}

    /** A rule that states no duty cycle, percent. */
    public static final double NO_DUTY = 100;

    /** What a row is for. */
    public enum Use {
        ANY,
        CONTROL,
        PERIODIC
    }

    /** What a limit is measured as. */
    public enum Kind {
        ERP,
        EIRP,
        CONDUCTED
    }

    /**
     * One row of the table.
     *
     * @param mostBandwidthKHz or null when there is no such limit
     * @param leastChannels over which it must hop, 0 when it may stay on one
     * @param dutyPercent greatest share of time on air; {@value #NO_DUTY} when the rule states none, null when that is not
     *     in the table
     * @param mostOnMs longest time on air at a stretch, or null
     * @param restTimes silence after it, as a multiple of that time, or null
     * @param restS least silence after it, or null
     */
    @RecordBuilder
    public record BandLimit(
            Region region,
            List<Medium> media,
            double fromMHz,
            double toMHz,
            double leastBandwidthKHz,
            @Nullable Double mostBandwidthKHz,
            int leastChannels,
            Use use,
            double limitDbm,
            Kind kind,
            @Nullable Double dutyPercent,
            @Nullable Double mostOnMs,
            @Nullable Double restTimes,
            @Nullable Double restS,
            String source)
            implements RegionLimitsBandLimitBuilder.With {

        /** Whether the share of time on air is limited. */
        public boolean dutyLimited() {
            return dutyPercent != null && dutyPercent < NO_DUTY;
        }

        /** The sub-band in words. */
        public String band() {
            return plain(fromMHz) + " to " + plain(toMHz) + " MHz";
        }

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

    private static String plain(double mhz) {
        return java.math.BigDecimal.valueOf(mhz).stripTrailingZeros().toPlainString();
    }

    /** The most generous row that covers this radio, if the table knows its band. */
    public static Optional<BandLimit> rowFor(Region region, Radio radio) {
        return rowFor(region, radio, false);
    }

    /**
     * The same for a radio that sends at intervals, whatever happens. A chirp is covered when all of its width lies within
     * the band; of other radios only the centre is known.
     */
    public static Optional<BandLimit> rowFor(Region region, Radio radio, boolean periodic) {
        ComputingBudget.step();
        double bandwidthKHz = radio.chirp() == null ? NARROW_KHZ : radio.chirp().bandwidthKHz();
        double besideMHz = radio.chirp() == null ? 0 : bandwidthKHz / 2000 - EDGE_MHZ;
        Integer hops = radio.settings().hopChannels();
        int channels = hops == null ? 1 : hops;
        return ROWS.stream()
                .filter(r -> r.region() == region && r.media().contains(radio.medium()))
                .filter(r -> radio.frequencyMHz() - besideMHz >= r.fromMHz()
                        && radio.frequencyMHz() + besideMHz <= r.toMHz())
                .filter(r -> bandwidthKHz >= r.leastBandwidthKHz()
                        && (r.mostBandwidthKHz() == null || bandwidthKHz <= r.mostBandwidthKHz()))
                .filter(r -> channels >= r.leastChannels())
                .filter(r -> r.use() == Use.ANY || r.use() == (periodic ? Use.PERIODIC : Use.CONTROL))
                .max(java.util.Comparator.comparingDouble(BandLimit::limitDbm));
    }

    /** The bands of a radio's medium that its centre lies in, whatever its width. */
    private static Stream<BandLimit> around(Region region, Radio radio) {
        return ROWS.stream()
                .filter(r -> r.region() == region && r.media().contains(radio.medium()))
                .filter(r -> radio.frequencyMHz() >= r.fromMHz() && radio.frequencyMHz() <= r.toMHz());
    }

    /** Whether the centre of a radio lies in any band for it. */
    public static boolean inBand(Region region, Radio radio) {
        return around(region, radio).findAny().isPresent();
    }

    /** Why no row covers a radio, in words. */
    public static String uncovered(Region region, Radio radio) {
        return around(region, radio)
                .findFirst()
                .filter(r -> radio.chirp() != null)
                .map(r -> {
                    double wide = radio.chirp().bandwidthKHz();
                    boolean tooWide = r.mostBandwidthKHz() != null && wide > r.mostBandwidthKHz();
                    return "its " + Text.number(wide, 1) + " kHz around " + Text.mhz(radio.frequencyMHz())
                            + (tooWide
                                    ? " are more than the " + Text.number(r.mostBandwidthKHz(), 0) + " kHz of "
                                    : " reach beyond ")
                            + r.band() + " in " + region;
                })
                .orElse(Text.mhz(radio.frequencyMHz()) + " is in no band for it in " + region);
    }

    /** The rows of a region. */
    public static List<BandLimit> rows(Region region) {
        return ROWS.stream().filter(r -> r.region() == region).toList();
    }

    /** Whether the table has any band for this medium in this region. */
    public static boolean judges(Region region, Medium medium) {
        return ROWS.stream().anyMatch(r -> r.region() == region && r.media().contains(medium));
    }

    private static List<BandLimit> read() {
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

    private static BandLimit row(String line) {
        // the source is the last column and the only one that may hold a comma
        String[] cells = line.split(",", 15);
        return RegionLimitsBandLimitBuilder.builder()
                .region(Region.valueOf(cells[0]))
                .media(Arrays.stream(cells[1].split("\\|")).map(Medium::valueOf).toList())
                .fromMHz(Double.parseDouble(cells[2]))
                .toMHz(Double.parseDouble(cells[3]))
                .leastBandwidthKHz(Double.parseDouble(cells[4]))
                .mostBandwidthKHz(number(cells[5]))
                .leastChannels(Integer.parseInt(cells[6]))
                .use(Use.valueOf(cells[7]))
                .limitDbm(Double.parseDouble(cells[8]))
                .kind(Kind.valueOf(cells[9]))
                .dutyPercent(cells[10].equals("none") ? Double.valueOf(NO_DUTY) : number(cells[10]))
                .mostOnMs(number(cells[11]))
                .restTimes(number(cells[12]))
                .restS(number(cells[13]))
                .source(cells[14].replace("\"", ""))
                .build();
    }

    private static Double number(String cell) {
        return cell.isEmpty() ? null : Double.valueOf(cell);
    }
}
