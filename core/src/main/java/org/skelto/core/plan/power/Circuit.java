package org.skelto.core.plan.power;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * One mains circuit behind its own protective device.
 *
 * @param breakerA rating of that device, 0.5 to 200 A, or null when not known
 * @param from id of the unit with a backup that feeds it instead of the mains, or null
 * @param cable id of its cable's part in the catalogue, or null when not known
 * @param phase that it is on, or null when nobody said
 * @param filtered whether a filter keeps the carriers on the mains wires out of it; null means not
 */
public record Circuit(
        @Name String name,

        @Nullable @Within(least = 0.5, most = 200, unit = "A")
        Double breakerA,

        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String cable,

        @Nullable @IdOf(value = "units", what = "a backup") String from,
        @Nullable Phase phase,
        @Nullable Boolean filtered) {
    /** A conductor of a three-phase supply. */
    public enum Phase {
        L1,
        L2,
        L3
    }

    /** A circuit of which only the name is known. */
    public Circuit(String name) {
        this(name, null, null, null, null, null);
    }

    /** This circuit, fed by the mains alone. */
    public Circuit withoutBackup() {
        return new Circuit(name, breakerA, cable, null, phase, filtered);
    }
}
