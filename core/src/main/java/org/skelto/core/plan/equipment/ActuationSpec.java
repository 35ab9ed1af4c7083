package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * What a device takes and how it is worked; what is null is not known yet.
 *
 * @param part id of its part in the catalogue
 * @param supply id of the supply unit that feeds it, when neither the mains nor its controller does
 * @param volts nominal voltage, 1 to 480 V
 * @param watts that it takes while on, 0 to 50 000 W
 * @param inrushA when it is switched on, 0 to 5000 A
 * @param travelS seconds from one end to the other, 0.1 to 3600
 * @param endSensors that tell its positions, 0 to 4
 * @param control how the switch at hand works
 * @param staggerS seconds that it waits after power has returned, 0 to 3600
 * @param winner what counts when a latching switch and the restored state disagree
 * @param holdS seconds that a sensor goes on telling after what it saw is gone, 0 to 86 400
 * @param contact what the contact that it hangs on does while the board is dead; null means normally open
 * @param warmUpS seconds after power has returned before a sensor can be believed, 0 to 3600
 * @param safeguards that stand beside it, or null when nobody said
 */
@RecordBuilder
public record ActuationSpec(
        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String part,

        @Nullable @IdOf(value = "units", what = "a supply") String supply,
        @Nullable @Within(least = 1, most = 480, unit = "V") Double volts,

        @Nullable @Within(least = 0, most = 50_000, unit = "W")
        Double watts,

        @Nullable LoadKind load,

        @Nullable @Within(least = 0, most = 5000, unit = "A")
        Double inrushA,

        @Nullable @Within(least = 0.1, most = 3600, unit = "s")
        Double travelS,

        @Nullable Drive drive,
        @Nullable @Within(least = 0, most = 4) Integer endSensors,
        @Nullable HandControl control,
        @Nullable AfterPower afterPower,

        @Nullable @Within(least = 0, most = 3600, unit = "s")
        Double staggerS,

        @Nullable StateConflictPolicy winner,
        @Nullable Gestures gestures,
        @Nullable Lockwork lock,

        @Nullable @Within(least = 0, most = 86_400, unit = "s")
        Double holdS,

        @Nullable @Within(least = 0, most = 3600, unit = "s")
        Double warmUpS,

        @Nullable ContactRest contact,
        @Nullable @Count(most = 6, of = "safeguards") SortedSet<Safeguard> safeguards)
        implements ActuationSpecBuilder.With {
    public ActuationSpec {
        safeguards = safeguards == null || safeguards.isEmpty() ? null : Copies.sorted(safeguards);
    }

    /** Whether it has a safeguard. */
    public boolean has(Safeguard safeguard) {
        return safeguards != null && safeguards.contains(safeguard);
    }

    /** Nothing is known. */
    public static final ActuationSpec UNKNOWN = ActuationSpecBuilder.builder().build();

    /** These with a voltage, a power and a kind of load. */
    public static ActuationSpec load(double volts, double watts, LoadKind load) {
        return ActuationSpecBuilder.builder()
                .volts(volts)
                .watts(watts)
                .load(load)
                .build();
    }
}
