package org.skelto.core.radio;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;

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
                broken.add(RegionLimits.uncovered(region, radio));
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

    /**
     * How the least interval comes about.
     *
     * @param messageMs time on air of all frames of a message
     */
    public Figure intervalFigure(double messageMs) {
        List<String> inputs =
                new ArrayList<>(List.of("time on air of a message, all tries", Text.number(messageMs, 1) + " ms"));
        if (row != null) {
            inputs.addAll(List.of(
                    "band",
                    row.band(),
                    "duty cycle",
                    row.dutyPercent() == null
                            ? "not in the table"
                            : row.dutyLimited()
                                    ? "at most " + Text.number(row.dutyPercent(), 1) + " %"
                                    : "none stated"));
            if (row.restS() != null) {
                inputs.addAll(List.of(
                        "silence after it",
                        Text.number(row.restTimes(), 0) + " times as long, at least " + Text.number(row.restS(), 0)
                                + " s"));
            }
        }
        return Figure.of(
                "time on air / duty cycle, or time on air and the silence after it, whichever is longer",
                row == null
                        ? "no row of the region's table of " + RegionLimits.DATE + " covers it"
                        : row.source() + ", table of " + RegionLimits.DATE + "; check with your regulator",
                false,
                inputs.toArray(String[]::new));
    }

    public boolean lawful() {
        return broken.isEmpty();
    }
}
