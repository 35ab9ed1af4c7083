package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Check.Code;

/**
 * P19 to P21: where people could be hurt by where electricity goes. Skelto cannot see residual-current devices, earths and
 * vents; each is asked for once and accepted with what is there.
 */
final class ProtectionChecks {
    static final Check CHECK = Check.of(
            "snags of protection",
            List.of(
                    Code.of("P19", Stage.CONTROLLERS, "mains in a wet room: residual current and zones", Severity.LOOK),
                    Code.of(
                            "P20",
                            Stage.CONTROLLERS,
                            "outside cable or mast: earth and surge protection",
                            Severity.LOOK),
                    Code.of("P21", Stage.CONTROLLERS, "lead cells in a room: ventilation", Severity.LOOK)),
            List.of(HouseFacts.LINKS),
            ProtectionChecks::run);

    private static final int NAMED = 6;

    private ProtectionChecks() {}

    static void run(CheckContext c) {
        wet(c);
        outside(c);
        lead(c);
    }

    private static void wet(CheckContext c) {
        Map<String, List<String>> byRoom = new TreeMap<>();
        c.plan.devices().values().forEach(d -> {
            Place place = SiteModel.placeOf(c.plan, d);
            if (d.circuit() != null && damp(c, place)) {
                byRoom.computeIfAbsent(place.room(), r -> new ArrayList<>()).add(d.name());
            }
        });
        byRoom.forEach((room, names) -> c.snag(
                        "P19",
                        LOOK,
                        CONTROLLERS,
                        "Mains in a wet room: " + c.plan.rooms().get(room).name())
                .figures(CheckContext.some(NAMED, names))
                .leadsTo(
                        "A fault there can kill. Residual-current protection of 30 mA and the zones around bath and shower are"
                                + " for an electrician to confirm; accept this with what is there.")
                .at(Pointers.of("rooms", room))
                .add());
    }

    private static boolean damp(CheckContext c, Place place) {
        return place != null
                && place.room() != null
                && c.plan.rooms().get(place.room()).exposure() == Exposure.DAMP;
    }

    private static void outside(CheckContext c) {
        List<String> names = new ArrayList<>();
        List<String> at = new ArrayList<>();
        c.plan.links().forEach((id, link) -> {
            LinkReport report = c.links().get(id);
            if (!link.medium().radio() && report != null && report.placed() && !report.indoor()) {
                names.add(c.plan.units().get(link.from()).name() + " to "
                        + c.plan.units().get(link.to()).name());
                at.add(CheckContext.link(id));
            }
        });
        c.plan.units().forEach((id, unit) -> {
            if (unit.radios().values().stream().anyMatch(r -> r.settings().mastM() != null)) {
                names.add("the mast of " + unit.name());
                at.add(CheckContext.unit(id));
            }
        });
        if (!names.isEmpty()) {
            c.snag("P20", LOOK, CONTROLLERS, "Copper leaves the house: nobody said how it is earthed")
                    .figures(CheckContext.some(NAMED, names))
                    .leadsTo(
                            "A stroke of lightning nearby comes in along it. Earth masts, and put surge protection where cables come in;"
                                    + " between buildings fibre has neither need. Ask a licensed electrician, and accept this with what is"
                                    + " there.")
                    .at(at.toArray(String[]::new))
                    .add();
        }
    }

    private static void lead(CheckContext c) {
        Map<String, Unit> units = new TreeMap<>(c.plan.units());
        units.values()
                .removeIf(u -> u.place() == null
                        || u.place().room() == null
                        || c.parts
                                .find(u.power().part())
                                .filter(p ->
                                        p.kind() == PartKind.BATTERY && !p.is(Trait.LITHIUM) && !p.is(Trait.PRIMARY))
                                .isEmpty());
        if (!units.isEmpty()) {
            c.snag("P21", LOOK, CONTROLLERS, "Lead cells stand in a room")
                    .figures(CheckContext.some(
                            NAMED, units.values().stream().map(Unit::name).toList()))
                    .leadsTo(
                            "Charged too far they give off gas that explodes. Let their box breathe to the open, away from sparks, and fuse"
                                    + " them at the cells.")
                    .at(units.keySet().stream().map(CheckContext::unit).toArray(String[]::new))
                    .add();
        }
    }
}
