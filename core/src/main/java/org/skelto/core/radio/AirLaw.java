package org.skelto.core.radio;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelto.core.plan.Radio;
import org.skelto.core.plan.Region;

/**
 * What the region table says of a radio and of what it sends. An aid, never the law: check with your regulator.
 *
 * @param row that covers it, or null
 * @param broken rules that are broken, in words
 * @param unknown what the table does not say, in words
 * @param leastIntervalS between messages, or null when no rule of the table limits it
 * @param dutyPercent share of time on air in percent, or null without an interval
 */
public record AirLaw(
        RegionLimits.BandLimit row,
        List<String> broken,
        List<String> unknown,
        Double leastIntervalS,
        Double dutyPercent) {
    public AirLaw {
        broken = List.copyOf(broken);
        unknown = List.copyOf(unknown);
    }

    /** Judges a radio of a region with what it sends. */
    public static AirLaw of(Region region, Radio radio, Traffic traffic) {
        Double interval = traffic.intervalS();
        Optional<RegionLimits.BandLimit> found = RegionLimits.rowFor(region, radio, interval != null);
        List<String> broken = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        Double duty = interval == null ? null : 100 * Air.duty(traffic.messageMs(), interval);
        if (found.isEmpty()) {
            if (RegionLimits.judges(region, radio.medium())) {
                broken.add(Text.mhz(radio.frequencyMHz()) + " is in no band for it in " + region);
            } else {
                unknown.add("the table has no row for it in " + region);
            }
            return new AirLaw(null, broken, unknown, null, duty);
        }
        RegionLimits.BandLimit row = found.get();
        double excess = row.excessDb(radio);
        if (excess > RegionLimits.ROUNDING_DB) {
            broken.add("power " + Text.db(excess) + " over " + row.words());
        }
        Double least = null;
        if (row.dutyPercent() == null) {
            unknown.add("the table states no duty cycle for " + row.band());
        } else if (row.dutyLimited()) {
            least = Air.leastIntervalS(traffic.messageMs(), row.dutyPercent());
            if (duty != null && duty > row.dutyPercent()) {
                broken.add("on air " + Text.number(duty, 2) + " %, at most " + Text.number(row.dutyPercent(), 1)
                        + " % in " + row.band());
            }
        }
        if (row.mostOnMs() != null && traffic.airtimeMs() > row.mostOnMs()) {
            broken.add("on air " + Text.number(traffic.airtimeMs(), 0) + " ms at a stretch, at most "
                    + Text.number(row.mostOnMs(), 0) + " ms");
        }
        if (row.restS() != null) {
            double on = traffic.messageMs() / 1000;
            double rest = Math.max(row.restS(), row.restTimes() * on);
            least = Math.max(least == null ? 0 : least, on + rest);
            if (interval != null && interval < on + rest) {
                broken.add("silent " + Text.number(Math.max(0, interval - on), 1) + " s, at least "
                        + Text.number(rest, 1) + " s after " + Text.number(on, 2) + " s on air");
            }
        }
        return new AirLaw(row, broken, unknown, least, duty);
    }

    public boolean lawful() {
        return broken.isEmpty();
    }
}
