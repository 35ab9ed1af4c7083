package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.Wired;

/** C7, C8, C12, C13 and C14 of supplies: what is mounted in wall boxes and enclosures. */
final class HousingChecks {
    static final Check CHECK = Check.of(
            "snags of enclosures",
            List.of(
                    Code.of(
                            "C7",
                            Stage.CONTROLLERS,
                            "stack deeper than the wall box, or enclosure too small",
                            Severity.STOP),
                    Code.of("C8", Stage.CONTROLLERS, "hot inside", Severity.STOP, Severity.FIX),
                    Code.of("C12", Stage.CONTROLLERS, "mains and low voltage without separation", Severity.STOP),
                    Code.of("C13", Stage.CONTROLLERS, "no spare channel in a box that the wall closes", Severity.LOOK),
                    Code.of("C14", Stage.CONTROLLERS, "more wires than a terminal takes", Severity.FIX)),
            List.of(HouseFacts.HOUSINGS, HouseFacts.POWER, HouseFacts.WIRED),
            HousingChecks::run);

    /** Air that electronics do not bear, °C; typical. */
    private static final double HOT_C = 65;

    /** Output terminals of each pole of a supply; typical. */
    private static final int POLES = 2;

    private HousingChecks() {}

    static void run(CheckContext c) {
        c.housings().forEach((id, fit) -> housing(c, id, fit));
        c.plan.units().forEach((id, unit) -> {
            if (unit.kind() != UnitKind.SUPPLY || unit.boards() == null) {
                return;
            }
            long fed = c.power().values().stream()
                    .filter(n -> id.equals(n.parent()))
                    .count();
            double takes = POLES
                    * c.parts
                            .find(unit.boards().main())
                            .map(p -> p.figure(Quantity.WIRES_PER_TERMINAL, 2))
                            .orElse(2.0);
            if (fed > takes) {
                c.snag("C14", FIX, CONTROLLERS, "More wires at " + unit.name() + " than its terminals take")
                        .figures(fed + " cables leave it, " + Text.number(takes, 0) + " fit")
                        .leadsTo("One of them comes loose. A terminal block, with a fuse for each cable, joins them.")
                        .at(CheckContext.unit(id))
                        .add();
            }
        });
    }

    private static void housing(CheckContext c, String id, HousingFit fit) {
        String name = c.plan.housings().get(id).name();
        String at = Pointers.of("housings", id);
        if (fit.tooDeep() || fit.tooFull()) {
            var draft = c.snag(
                            "C7",
                            STOP,
                            CONTROLLERS,
                            fit.tooDeep() ? "The stack is deeper than " + name : name + " is too small")
                    .figures(
                            fit.tooDeep()
                                    ? Text.number(fit.stackMm(), 0) + " mm with wires, " + Text.number(fit.depthMm(), 0)
                                            + " mm deep"
                                    : Text.share(fit.filled()) + " of its floor, at most "
                                            + Text.share(HousingFit.MOST_FILLED))
                    .leadsTo("The cover does not close, or wires are pinched.")
                    .at(at);
            larger(c, id, fit)
                    .ifPresent(p -> draft.fix("Take instead: " + p.name(), Edit.replace(at + "/part", p.id())));
            draft.add();
        }
        if (fit.tooWarm()) {
            c.snag("C8", fit.insideC() > HOT_C ? STOP : FIX, CONTROLLERS, name + " gets hot inside")
                    .figures(Text.number(fit.heatW(), 1) + " W, " + Text.number(fit.riseK(), 0) + " K over the room: "
                            + Text.number(fit.insideC(), 0) + " °C, at most " + Text.number(HousingFit.WARM_C, 0)
                            + " °C"
                            + (fit.measured() ? ", measured" : ""))
                    .leadsTo("What is in it dies early, and supplies give less than their rating.")
                    .at(at)
                    .add();
        }
        if (fit.mains() && fit.low() && !fit.separated()) {
            var draft = c.snag(
                            "C12", STOP, CONTROLLERS, "Mains and low voltage meet in " + name + " without separation")
                    .figures(fit.mixed())
                    .leadsTo("A wire that comes loose puts mains on what people touch.")
                    .at(at);
            c.parts.all(PartKind.ENCLOSURE).stream()
                    .filter(p -> p.is(Trait.SEPARATED))
                    .min(Comparator.comparing(p -> p.price() == null ? Double.MAX_VALUE : p.price()))
                    .ifPresent(p -> draft.fix("Take instead: " + p.name(), Edit.replace(at + "/part", p.id())));
            draft.add();
        }
        if (c.plan.housings().get(id).closed()) {
            full(c, id, name, at);
        }
    }

    private static Optional<Part> larger(CheckContext c, String id, HousingFit fit) {
        PartKind kind = fit.wallBox() ? PartKind.WALL_BOX : PartKind.ENCLOSURE;
        return c.parts.all(kind).stream()
                .filter(p -> !fit.separated() || p.is(Trait.SEPARATED))
                .filter(p -> {
                    HousingFit then = HousingFit.of(c.plan, id, p, c.parts, c.power());
                    return !then.tooDeep()
                            && !then.tooFull()
                            && then.insideC() <= Math.max(HousingFit.WARM_C, fit.insideC());
                })
                .min(Comparator.comparing(p -> p.price() == null ? Double.MAX_VALUE : p.price()));
    }

    private static void full(CheckContext c, String id, String name, String at) {
        for (Map.Entry<String, Wired> e : c.wired().entrySet()) {
            if (id.equals(c.plan.units().get(e.getKey()).housing())
                    && e.getValue().free() == 0) {
                c.snag("C13", LOOK, CONTROLLERS, "No channel is spare in " + name + ", which the wall closes")
                        .figures(c.plan.units().get(e.getKey()).name() + ": every terminal is taken")
                        .leadsTo("One more lamp or switch means opening the wall.")
                        .at(at, CheckContext.unit(e.getKey()))
                        .add();
            }
        }
    }
}
