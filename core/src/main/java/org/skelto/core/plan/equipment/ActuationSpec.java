package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;

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
 */
@RecordBuilder
public record ActuationSpec(
        String part,
        String supply,
        Double volts,
        Double watts,
        LoadKind load,
        Double inrushA,
        Double travelS,
        Drive drive,
        Integer endSensors,
        HandControl control,
        AfterPower afterPower,
        Double staggerS,
        StateConflictPolicy winner,
        Gestures gestures,
        Lockwork lock)
        implements ActuationSpecBuilder.With {
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
