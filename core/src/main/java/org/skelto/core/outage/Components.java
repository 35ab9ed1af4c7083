package org.skelto.core.outage;

import java.util.LinkedHashMap;
import java.util.Map;
import org.skelto.core.outage.Component.Group;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.UnitKind;

/** All components of a plan, in the order of the Without strip. */
public final class Components {
    private Components() {}

    /** Every component by id. */
    public static Map<String, Component> of(Plan plan) {
        Map<String, Component> all = new LinkedHashMap<>();
        if (plan.circuits().size() > 1) {
            put(all, Component.MAINS, "mains", Group.POWER);
        }
        plan.circuits().forEach((id, c) -> put(all, Component.circuit(id), c.name(), Group.POWER));
        if (plan.units().values().stream().anyMatch(u -> u.internetEntry())) {
            put(all, Component.INTERNET, "internet", Group.WAY_IN);
        }
        plan.services().forEach((id, s) -> put(all, Component.service(id), s.name(), Group.WAY_IN));
        for (UnitKind kind : UnitKind.values()) {
            Group group = switch (kind) {
                case ROUTER, SWITCH, ACCESS_POINT, GATEWAY -> Group.NETWORK;
                case HUB -> Group.BRAINS;
                case CONTROLLER, SELF_CONTAINED -> Group.OUTPOSTS;
            };
            plan.units().forEach((id, u) -> {
                if (u.kind() == kind) {
                    boolean hub = kind == UnitKind.HUB;
                    if (hub) {
                        put(all, Component.hub(id), u.name(), Group.BRAINS);
                    }
                    put(all, Component.unit(id), hub ? u.name() + " box" : u.name(), group);
                }
            });
        }
        plan.units().forEach((id, u) -> {
            if (u.broker()) {
                put(all, Component.broker(id), "broker on " + u.name(), Group.BRAINS);
            }
        });
        return all;
    }

    private static void put(Map<String, Component> all, String id, String name, Group group) {
        all.put(id, new Component(id, name, group));
    }
}
