package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Reading;

/**
 * One thing that came about while rules were carried out.
 *
 * @param event what happened from outside ({@link Kind#EVENT}), or null
 * @param rule id of the rule that fired, was kept back or acted, or null
 * @param trigger which of its triggers let it fire, counted from 0, or −1
 * @param action what it did, or null
 * @param device id of the device that it did it to, or null
 * @param reading that the device has then, or null
 */
@RecordBuilder
public record Happening(
        Kind kind,
        Instant at,
        @Nullable HouseEvent event,
        @Nullable String rule,
        int trigger,
        @Nullable Action action,
        @Nullable String device,
        @Nullable Reading reading)
        implements HappeningBuilder.With {
    /** What came about. */
    public enum Kind {
        /** Something happened from outside. */
        EVENT,
        /** A trigger of a rule was met, and its conditions too. */
        FIRED,
        /** A trigger of a rule was met, its conditions or an interlock kept it back. */
        KEPT_BACK,
        /** A rule did something to a device, told somebody or set a mode. */
        ACTED,
        /** What was switched for a time went back. */
        WENT_BACK,
        /** Rules set one another off without end; the rest of the instant was left out. */
        ENDLESS
    }
}
