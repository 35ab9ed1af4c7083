package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.WallWork;

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
 * @param jobs what is asked of it, or null for what its kind and its ways make of it
 * @param control by what it is commanded or heard, or null for what its ways, wires and links make of it
 * @param aliases topics that it had and still answers to, with the day until which, as 2027-03-31
 * @param alsoCalled other names by which it is spoken to
 * @param accountChannel its number on the account of an outside service, 1 to 9999, or null
 * @param enteredAs what it is called elsewhere: in the hub, the phone bridge, a service, by that place
 * @param keptDays how long what it says is kept by who records it, 0 to 3650 days, or null when nobody said
 * @param sight what a motion sensor or camera sees, or null when not known
 * @param messages what is wanted otherwise than usual of its messages
 */
@RecordBuilder
public record Device(
        @Name String name,
        DeviceKind kind,
        @Nullable Place place,
        @Otherwise("that of its kind") Criticality criticality,
        @Otherwise("NONE") Hand hand,
        @Otherwise("STAYS") RestState rest,
        @Nullable @IdOf(value = "units", what = "a unit") String unit,
        @Nullable @Within(least = 1, most = 64) Integer channel,

        @Nullable @IdOf(value = "circuits", what = "a circuit")
        String circuit,

        SortedSet<Way> ways,
        SortedSet<@IdOf(value = "devices", what = "a push-button") String> wallControls,
        boolean exitRoute,
        boolean outsideDoor,
        boolean obstacleDetection,
        @Nullable @Words(most = 4 * Limits.NAME_LENGTH) String topic,
        @Nullable Exposure rating,
        @Nullable Sound sound,
        SortedSet<@IdOf(value = "rooms", what = "a room") String> heardIn,
        @Nullable Wiring wiring,
        @Nullable ActuationSpec works,
        @Nullable SortedSet<Job> jobs,
        @Nullable SortedSet<ControlScheme> control,

        @Count(most = 20, of = "aliases")
        Map<
                        @Words(least = 1, most = 4 * Limits.NAME_LENGTH) String,
                        @Matches(value = "[0-9]{4}-[0-9]{2}-[0-9]{2}", says = WallWork.NO_DAY) String>
                aliases,

        @Count(most = 20, of = "names") SortedSet<@Words(least = 1, most = Limits.NAME_LENGTH) String> alsoCalled,
        Map<MessageAspect, MessageChoice> messages,
        @Nullable @Within(least = 1, most = 9999) Integer accountChannel,

        @Count(most = 10, of = "places")
        Map<@Words(least = 1, most = Limits.NAME_LENGTH) String, @Words(least = 1, most = Limits.NAME_LENGTH) String>
                enteredAs,

        @Nullable @Within(least = 0, most = 3650, unit = "days")
        Integer keptDays,

        @Nullable Sight sight)
        implements DeviceBuilder.With {
    public Device {
        criticality = criticality == null && kind != null ? kind.criticality() : criticality;
        hand = hand == null ? Hand.NONE : hand;
        rest = rest == null ? RestState.STAYS : rest;
        ways = Copies.sorted(ways);
        wallControls = Copies.sorted(wallControls);
        heardIn = Copies.sorted(heardIn);
        jobs = jobs == null ? null : Copies.sorted(jobs);
        control = control == null ? null : Copies.sorted(control);
        aliases = Copies.sorted(aliases);
        alsoCalled = Copies.sorted(alsoCalled);
        messages = Copies.sorted(messages);
        enteredAs = Copies.sorted(enteredAs);
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
