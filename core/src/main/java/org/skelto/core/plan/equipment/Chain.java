package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * The line that boards are chained on.
 *
 * @param cable id of its part in the catalogue, or null when not chosen
 * @param lengthM 0 to 1500 m
 * @param rateK clock of the two-wire bus in kHz, or kbit/s of RS-485, 1 to 10 000
 * @param periodMs in which every board must be asked once, 1 to 3 600 000, or null when nobody said
 * @param pullUpOhm pull-up of the two-wire bus besides the boards' own, 100 to 1e6 Ω, or null
 * @param ends how many ends of RS-485 are terminated, 0 to 2
 * @param reference whether a common reference runs along with RS-485
 */
@RecordBuilder
public record Chain(
        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String cable,

        @Within(least = 0, most = 1500, unit = "m") double lengthM,
        @Within(least = 1, most = 10_000) double rateK,

        @Nullable @Within(least = 1, most = 3_600_000, unit = "ms")
        Double periodMs,

        @Nullable @Within(least = 100, most = 1e6, unit = "Ω")
        Double pullUpOhm,

        @Within(least = 0, most = 2) int ends,
        boolean reference)
        implements ChainBuilder.With {}
