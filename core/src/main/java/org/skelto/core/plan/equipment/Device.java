package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.SortedSet;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;

/**
 * A thing switched, moved, sensed or sounded.
 *
 * @param place null when it has none yet, or when it is a self-contained unit and stands where that unit stands
 * @param unit id of the controller it sits on or of the self-contained unit it is, or null when not attached yet
 * @param channel channel of the controller, from 1, or null
 * @param circuit id of the mains circuit that feeds the load itself, or null when it needs none
 * @param hand how it can be worked without any controller
 * @param rest physical state it takes when its power goes
 * @param ways the ways that the person plans, besides the hand
 * @param wallControls ids of the push-buttons that work it
 * @param exitRoute whether people leave the house through it
 * @param outsideDoor whether it closes the house to the outside
 * @param obstacleDetection whether a powered gate or door has certified obstacle detection
 * @param topic message topic, or null when none is assigned
 * @param rating the harshest place that it is made for, or null when not known
 * @param sound how loud a sounder is, or null when not known
 * @param heardIn ids of the rooms in which a sounder must be heard
 * @param wiring terminals of its controller's boards, or null when they are not chosen yet
 * @param works what it takes and how it is worked, or null when nothing is known
 */
@RecordBuilder
public record Device(
        String name,
        DeviceKind kind,
        Place place,
        Criticality criticality,
        Hand hand,
        RestState rest,
        String unit,
        Integer channel,
        String circuit,
        SortedSet<Way> ways,
        SortedSet<String> wallControls,
        boolean exitRoute,
        boolean outsideDoor,
        boolean obstacleDetection,
        String topic,
        Exposure rating,
        Sound sound,
        SortedSet<String> heardIn,
        Wiring wiring,
        ActuationSpec works)
        implements DeviceBuilder.With {
    public Device {
        criticality = criticality == null && kind != null ? kind.criticality() : criticality;
        hand = hand == null ? Hand.NONE : hand;
        rest = rest == null ? RestState.STAYS : rest;
        ways = Copies.sorted(ways);
        wallControls = Copies.sorted(wallControls);
        heardIn = Copies.sorted(heardIn);
    }

    /** True when it guards property or life. */
    public boolean guards() {
        return criticality.compareTo(Criticality.PROTECTIVE) >= 0;
    }

    /** This device on another unit, connected to nothing there yet. */
    public Device attachedTo(String other) {
        return with(d -> d.unit(other).channel(null).wiring(null));
    }

    /** What is known of how it works. */
    public ActuationSpec known() {
        return works == null ? ActuationSpec.UNKNOWN : works;
    }
}
