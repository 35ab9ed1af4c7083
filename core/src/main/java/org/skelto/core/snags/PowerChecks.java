package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** P1 to P6, P10 to P14 and P18: what the power tree found, with parts that would do. */
final class PowerChecks {
    static final Check CHECK = Check.reading(
            "snags of power",
            List.of(
                    Code.of("P1", Stage.CONTROLLERS, "supply over 80 %, over 100 %", Severity.STOP, Severity.FIX),
                    Code.of("P2", Stage.CONTROLLERS, "supply over 80 %, over 100 %", Severity.STOP, Severity.FIX),
                    Code.of(
                            "P3",
                            Stage.CONTROLLERS,
                            "linear regulator too hot or in dropout",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "P4",
                            Stage.CONTROLLERS,
                            "voltage lost on the cable, or the wrong one arrives",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "P5",
                            Stage.CONTROLLERS,
                            "Ethernet power of a port, of all ports, or a unit that cannot take it",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of("P6", Stage.CONTROLLERS, "battery life under the wish", Severity.STOP, Severity.FIX),
                    Code.of("P10", Stage.CONTROLLERS, "hub supply under its need", Severity.STOP, Severity.FIX),
                    Code.of(
                            "P11",
                            Stage.CONTROLLERS,
                            "lithium cell without protection, or charged below freezing, also by a panel",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "P12",
                            Stage.CONTROLLERS,
                            "no overcurrent device, one above the cable's rating, or a cable not made for what it carries",
                            Severity.STOP),
                    Code.of("P13", Stage.CONTROLLERS, "cell cannot carry the pulse", Severity.STOP, Severity.FIX),
                    Code.of("P14", Stage.CONTROLLERS, "passive Ethernet power", Severity.STOP, Severity.FIX),
                    Code.of("P18", Stage.CONTROLLERS, "units that feed each other in a ring", Severity.STOP)),
            List.of(
                    PlanPart.HEAD,
                    PlanPart.EXISTING,
                    PlanPart.CIRCUITS,
                    PlanPart.HOUSINGS,
                    PlanPart.LINKS,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_POWER,
                    PlanPart.UNIT_BOARDS,
                    PlanPart.UNIT_RADIOS,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS,
                    PlanPart.DEVICE_WIRING),
            HouseFacts.POWER_AND_PLACES,
            PowerChecks::run);

    /** Looking for a better part costs a tree for each one tried. */
    private static final int MOST_OFFERS = 24;

    private PowerChecks() {}

    static void run(CheckContext c) {
        PowerFixes fixes = new PowerFixes(c.site(), c.parts, c.power());
        int offers = 0;
        for (PowerNode node : c.power().values()) {
            for (PowerNode.PowerFault fault : merged(node)) {
                boolean device = node.id().startsWith("device:");
                String at = device
                        ? CheckContext.device(node.id().substring("device:".length()))
                        : CheckContext.unit(node.id());
                var draft = c.snag(fault.code(), fault.stop() ? STOP : FIX, CONTROLLERS, fault.text())
                        .figures(fault.figures())
                        .leadsTo(fault.leadsTo())
                        .at(at);
                if (!device && offers++ < MOST_OFFERS) {
                    Optional<PowerFixes.Change> change = fixes.change(node.id(), fault.code());
                    change.ifPresent(ch -> draft.fix(ch.label(), ch.edit()));
                }
                draft.add();
            }
        }
        c.plan.circuits().forEach((id, circuit) -> breaker(c, id, circuit));
    }

    /** The faults of one code as one, the worst first. */
    private static Collection<PowerNode.PowerFault> merged(PowerNode node) {
        Map<String, PowerNode.PowerFault> byCode = new LinkedHashMap<>();
        node.faults().stream()
                .sorted(Comparator.comparing(PowerNode.PowerFault::stop).reversed())
                .forEach(f -> byCode.merge(
                        f.code(),
                        f,
                        (a, b) -> new PowerNode.PowerFault(
                                a.code(), a.stop(), a.text(), a.figures() + "; " + b.figures(), a.leadsTo())));
        return byCode.values();
    }

    private static void breaker(CheckContext c, String id, Circuit circuit) {
        Double bears = c.parts
                .find(circuit.cable())
                .flatMap((Part p) -> p.figure(Quantity.WIRE_MOST_A))
                .orElse(null);
        if (bears == null || circuit.breakerA() == null || circuit.breakerA() <= bears) {
            return;
        }
        String at = Pointers.of("circuits", id);
        var draft = c.snag("P12", STOP, CONTROLLERS, circuit.name() + ": its breaker is above the rating of its cable")
                .figures(Text.number(circuit.breakerA(), 1) + " A before a cable rated " + Text.number(bears, 1) + " A")
                .leadsTo("Overloaded, the cable burns in the wall before anything switches off. Fixed wiring is for a "
                        + "licensed electrician where the law asks.")
                .at(at);
        PowerFixes.fuseFor(bears)
                .ifPresent(a ->
                        draft.fix("Protect it with " + Text.number(a, 0) + " A", Edit.replace(at + "/breakerA", a)));
        draft.add();
    }
}
