package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What a rule does.
 *
 * @param device id of the device, or null for a message and a pause
 * @param reading that it is to take ({@link Kind#SET})
 * @param percent how bright or how far open ({@link Kind#LEVEL}), 0 to 100
 * @param times how often it pulses ({@link Kind#PULSE}), 1 to 100
 * @param forS seconds after which it goes back by itself ({@link Kind#SET}, {@link Kind#LEVEL}), or that the rule waits
 *     ({@link Kind#WAIT}), 1 to 604 800; null means that it stays
 * @param until time of day at which it goes back by itself, in place of {@code forS}
 * @param service id of the message service that tells a person ({@link Kind#TELL})
 * @param text what the person reads
 * @param all every device of this kind, in place of one device
 * @param room id of the room in which those are, or null
 * @param floor id of the floor on which those are, or null; with neither it is the whole house
 * @param around the circle on that floor in which those are, or null for all of it
 * @param mode id of the mode of the house ({@link Kind#MODE})
 * @param value that the mode takes
 * @param rule id of the rule that is carried out as well, if its conditions allow it ({@link Kind#RULE})
 * @param person id of the person who is told, by the services that reach this person ({@link Kind#TELL})
 */
@RecordBuilder
public record Action(
        Kind kind,
        @Nullable @Id String device,
        @Nullable Reading reading,
        @Nullable @Within(least = 0, most = 100, unit = "%") Double percent,
        @Nullable @Within(least = 1, most = 100) Integer times,

        @Nullable @Within(least = 1, most = 604_800, unit = "s")
        Integer forS,

        @Nullable @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK)
        String until,

        @Nullable @Id String service,
        @Nullable @Words(most = Limits.TEXT_LENGTH) String text,
        @Nullable DeviceKind all,
        @Nullable @Id String room,
        @Nullable @Id String floor,
        @Nullable Around around,
        @Nullable @Id String mode,
        @Nullable @Words(most = Limits.NAME_LENGTH) String value,
        @Nullable @Id String rule,
        @Nullable @Id String person)
        implements ActionBuilder.With {
    /** What is done. */
    public enum Kind {
        /** A device takes a reading. */
        SET,
        /** A device is dimmed, or opened so far. */
        LEVEL,
        /** A device is switched on and off. */
        PULSE,
        /** A person is told. */
        TELL,
        /** The rule waits. */
        WAIT,
        /** A mode of the house takes a value. */
        MODE,
        /** Another rule is carried out. */
        RULE
    }
}
