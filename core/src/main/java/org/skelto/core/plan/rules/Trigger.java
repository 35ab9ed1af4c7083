package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What lets a rule fire. Which of the fields count hangs on the kind. A device that is gone is kept, so that the rule can be
 * mended; until then it does not fire.
 *
 * @param device id of the device, or null for the clock, the sun and the mains
 * @param reading that it takes ({@link Kind#BECOMES})
 * @param above value that it rises over ({@link Kind#VALUE}), −1 000 000 to 1 000 000 in the unit of the device, or null
 * @param below value that it falls under, or null
 * @param hysteresis by how much it must come back before it can fire again, 0 to 1 000 000
 * @param forS seconds that it stays so ({@link Kind#BECOMES}, {@link Kind#VALUE}) or that nothing is heard ({@link Kind#SILENT}), 0 to 604 800
 * @param press how it is pressed ({@link Kind#PRESSED})
 * @param clock time of day ({@link Kind#CLOCK}), as 21:40
 * @param sun what it does ({@link Kind#SUN})
 * @param offsetMin minutes after that, or before where negative, −720 to 720
 * @param mode id of the mode of the house ({@link Kind#MODE})
 * @param value that the mode takes; the name of the code, never the code itself ({@link Kind#CODE})
 */
@RecordBuilder
public record Trigger(
        Kind kind,
        @Nullable @Id String device,
        @Nullable Reading reading,

        @Nullable @Within(least = -1_000_000, most = 1_000_000)
        Double above,

        @Nullable @Within(least = -1_000_000, most = 1_000_000)
        Double below,

        @Nullable @Within(least = 0, most = 1_000_000) Double hysteresis,

        @Nullable @Within(least = 0, most = 604_800, unit = "s")
        Integer forS,

        @Nullable Press press,

        @Nullable @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK)
        String clock,

        @Nullable Sun sun,

        @Nullable @Within(least = -720, most = 720, unit = "min")
        Integer offsetMin,

        @Nullable @Id String mode,
        @Nullable @Words(most = Limits.NAME_LENGTH) String value)
        implements TriggerBuilder.With {
    /** What it waits for. */
    public enum Kind {
        /** A device takes a reading. */
        BECOMES,
        /** A measured value crosses a bound. */
        VALUE,
        /** A push-button is pressed. */
        PRESSED,
        /** A code is typed, or a tag or finger is read, at a device. */
        CODE,
        /** A time of day. */
        CLOCK,
        /** The sun rises or sets. */
        SUN,
        /** Nothing was heard of a device for so long. */
        SILENT,
        /** The mains is back after an outage. */
        POWER_RETURNS,
        /** A mode of the house takes a value. */
        MODE,
        /** The first comes home. */
        ARRIVES,
        /** The last one leaves. */
        LEAVES
    }
}
