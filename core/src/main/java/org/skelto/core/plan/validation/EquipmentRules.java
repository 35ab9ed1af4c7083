package org.skelto.core.plan.validation;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;

/** Units are served by hubs, boards have names of their own, radios have what their modulation needs, links lead elsewhere. */
final class EquipmentRules {
    private final Plan plan;
    private final ValidationErrors found;

    EquipmentRules(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        plan.units().forEach(this::unit);
        plan.links().forEach(this::link);
    }

    private void unit(String id, Unit unit) {
        String at = Pointers.of("units", id);
        Unit hub = unit.hub() == null ? null : plan.units().get(unit.hub());
        if (hub != null && !hub.is(UnitKind.HUB)) {
            found.add(at + "/hub", "names a unit that is not a hub");
        }
        if (unit.boards() != null && unit.boards().more().containsKey(BoardSet.MAIN)) {
            found.add(
                    at + "/boards/more/" + BoardSet.MAIN,
                    "needs a name of 1 to 40 letters, digits and hyphens that is not \"main\"");
        }
        unit.radios().forEach((name, radio) -> radio(at + "/radios" + Pointers.of(name), radio));
    }

    private void radio(String at, Radio radio) {
        if (radio.medium() == Medium.CHIRP && radio.chirp() == null) {
            found.add(at + "/chirp", "is missing: a chirp radio needs its settings");
        }
        if (radio.medium() != Medium.CHIRP && radio.sensitivityDbm() == null) {
            found.add(at + "/sensitivityDbm", "is missing: only a chirp radio's follows from its settings");
        }
    }

    private void link(String id, Link link) {
        if (link.from().equals(link.to())) {
            found.add(Pointers.of("links", id) + "/to", "a link cannot lead to where it starts");
        }
    }
}
