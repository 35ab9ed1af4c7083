package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.house.Component.Kind;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerSource;

/** All components of a plan, in the order of the Without strip. */
public final class Components {
    private Components() {}

    /** Every component by id. */
    public static Map<String, Component> of(Plan plan) {
        List<Component> all = new ArrayList<>();
        if (plan.circuits().size() > 1) {
            all.add(new Component(Component.MAINS, "mains", Kind.MAINS));
        }
        plan.circuits().forEach((id, c) -> all.add(new Component(Component.circuit(id), c.name(), Kind.CIRCUIT)));
        if (plan.units().values().stream().anyMatch(Unit::internetEntry)) {
            all.add(new Component(Component.INTERNET, "internet", Kind.INTERNET));
        }
        plan.services().forEach((id, s) -> all.add(new Component(Component.service(id), s.name(), Kind.SERVICE)));
        plan.units().forEach((id, u) -> {
            all.add(new Component(Component.unit(id), u.name(), kind(u)));
            if (u.internetEntry()) {
                all.add(new Component(Component.line(id), "line of " + u.name(), Kind.LINE));
            }
            if (u.power().source() == PowerSource.SUPPLY && u.power().from() != null) {
                all.add(new Component(Component.feed(id), "supply cable of " + u.name(), Kind.FEED));
            }
            if (u.is(UnitKind.HUB)) {
                all.add(new Component(Component.rules(id), "rules on " + u.name(), Kind.RULES));
            }
            if (u.broker()) {
                all.add(new Component(Component.broker(id), "broker on " + u.name(), Kind.BROKER));
            }
        });
        plan.links()
                .forEach((id, l) -> all.add(new Component(
                        Component.link(id),
                        (l.medium().cable() ? "cable " : "link ")
                                + plan.units().get(l.from()).name() + " – "
                                + plan.units().get(l.to()).name(),
                        Kind.LINK)));
        plan.devices().forEach((id, d) -> {
            if (d.circuit() != null || d.known().supply() != null) {
                all.add(new Component(Component.wire(id), "wire of " + d.name(), Kind.WIRE));
            }
        });
        all.sort(Comparator.comparing(Component::kind));
        Map<String, Component> byId = new LinkedHashMap<>();
        all.forEach(c -> byId.put(c.id(), c));
        return byId;
    }

    /** Every board that could hang and every contact that could weld, by id. */
    static Map<String, Component> faults(Plan plan) {
        Map<String, Component> all = new LinkedHashMap<>();
        plan.units().forEach((id, u) -> {
            if (u.kind() != UnitKind.SUPPLY) {
                all.put(Component.hangs(id), new Component(Component.hangs(id), u.name() + " hanging", Kind.HANGS));
            }
        });
        plan.devices().forEach((id, d) -> {
            if (d.unit() != null) {
                all.put(
                        Component.welded(id),
                        new Component(Component.welded(id), "the contact of " + d.name(), Kind.WELDED));
            }
        });
        return all;
    }

    private static Kind kind(Unit unit) {
        return switch (unit.kind()) {
            case KEYPAD, HANDSET, WALL_TABLET, ASSISTANT, CAMERA, RECORDER, INFRARED_SENDER, COUPLER -> Kind.OWN_RADIO;
            case ROUTER -> Kind.ROUTER;
            case SWITCH -> Kind.SWITCH;
            case ACCESS_POINT -> Kind.ACCESS_POINT;
            case GATEWAY -> Kind.GATEWAY;
            case HUB -> Kind.HUB;
            case CONTROLLER -> Kind.CONTROLLER;
            case PANEL -> Kind.PANEL;
            case SUPPLY -> Kind.SUPPLY;
            case SELF_CONTAINED -> Kind.OWN_RADIO;
        };
    }
}
