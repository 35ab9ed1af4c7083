package org.skelto.core.rules;

import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Around;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.SiteModel;

/** Which devices an action is about. */
public final class RuleTargets {
    private RuleTargets() {}

    /** Ids of the devices of an action that the plan has, in order; none for a message, a pause, a mode or a rule. */
    public static List<String> of(Plan plan, Action action) {
        if (action.all() == null) {
            return action.device() != null && plan.devices().containsKey(action.device())
                    ? List.of(action.device())
                    : List.of();
        }
        return plan.devices().entrySet().stream()
                .filter(e -> e.getValue().kind() == action.all() && lies(plan, e.getValue(), action))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static boolean lies(Plan plan, Device device, Action action) {
        if (action.room() == null && action.floor() == null) {
            return true;
        }
        Place place = SiteModel.placeOf(plan, device);
        if (place == null || place.room() == null) {
            return false;
        }
        if (action.room() != null) {
            return place.room().equals(action.room());
        }
        Room room = plan.rooms().get(place.room());
        Around around = action.around();
        return room != null
                && room.floor().equals(action.floor())
                && (around == null
                        || Math.hypot(place.xM() - around.xM(), place.yM() - around.yM()) <= around.radiusM());
    }
}
