package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * What a person wants otherwise than usual of the messages of a device about one thing; null leaves the usual.
 *
 * @param delivery 0 at most once, 1 at least once, 2 exactly once
 * @param retained whether the broker keeps the last one for whoever comes later
 * @param lastWill whether the broker sends it when the speaker is lost
 * @param intervalS seconds after which it comes again at the latest, 1 to 604 800
 * @param deadBand a reading that moved by less is no change, in the unit of the reading, 0 to 1 000 000
 * @param storedOnceS whoever records it stores one reading in so many seconds, 1 to 86 400
 * @param watchdogS seconds of silence after which whoever listens must notice, 1 to 2 678 400
 */
@RecordBuilder
public record MessageChoice(
        @Nullable @Within(least = 0, most = 2) Integer delivery,
        @Nullable Boolean retained,
        @Nullable Boolean lastWill,

        @Nullable @Within(least = 1, most = 604_800, unit = "s")
        Integer intervalS,

        @Nullable @Within(least = 0, most = 1_000_000) Double deadBand,

        @Nullable @Within(least = 1, most = 2_678_400, unit = "s")
        Integer watchdogS,

        @Nullable @Within(least = 1, most = 86_400, unit = "s")
        Integer storedOnceS)
        implements MessageChoiceBuilder.With {}
