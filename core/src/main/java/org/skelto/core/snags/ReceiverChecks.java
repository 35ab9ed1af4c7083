package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.LINKS;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Component;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** Who hears whom: R8 and R9, as the model of the house has it, and of {@link RadioChecks} R1 without a link and R12. */
final class ReceiverChecks {
    static final Check CHECK = Check.of(
            "snags of receivers",
            List.of(
                    Code.of("R8", Stage.LINKS, "guarding sensor heard by one gateway only", Severity.LOOK),
                    Code.of("R9", Stage.LINKS, "battery unit as repeater", Severity.STOP)),
            List.of(HouseFacts.OUTAGES, HouseFacts.TROUBLES, HouseFacts.POSSIBLE),
            ReceiverChecks::run);

    private ReceiverChecks() {}

    private static void run(CheckContext c) {
        c.plan.units().forEach((id, unit) -> repeater(c, id, unit));
        singleEars(c);
    }

    static void clients(CheckContext c, String id, Unit unit) {
        long clients = c.plan.links().values().stream()
                .filter(l -> l.to().equals(id) && l.medium().wifi())
                .count();
        if (unit.maxClients() > 0 && clients > unit.maxClients()) {
            var draft = c.snag("R12", FIX, LINKS, unit.name() + " serves " + clients + " clients")
                    .figures("it is built for " + unit.maxClients())
                    .leadsTo("The last ones to connect are thrown out again and again.")
                    .at(CheckContext.unit(id));
            List<Edit> moves = shareOut(c, id, (int) clients - unit.maxClients());
            if (!moves.isEmpty()) {
                draft.fix("Share out: " + moves.size() + " to others", moves.toArray(Edit[]::new));
            }
            draft.add();
        }
    }

    /** The clients that other access points with room serve best, as many as are too many; none when too few can go. */
    private static List<Edit> shareOut(CheckContext c, String id, int many) {
        LinkAssessor assessor = new LinkAssessor(c.site(), c.tables);
        java.util.Map<String, Integer> left = new java.util.TreeMap<>();
        c.units(UnitKind.ACCESS_POINT)
                .filter(e -> !e.getKey().equals(id))
                .forEach(e -> left.put(
                        e.getKey(),
                        (e.getValue().maxClients() == 0 ? 512 : e.getValue().maxClients())
                                - (int) c.plan.links().values().stream()
                                        .filter(l -> l.to().equals(e.getKey()))
                                        .count()));
        record Move(String link, String to, double marginDb) {}
        List<Move> moves = new ArrayList<>();
        c.plan.links().forEach((linkId, link) -> {
            if (link.to().equals(id) && link.medium().wifi()) {
                left.keySet().stream()
                        .map(to -> assessor.report(
                                linkId, Link.of(link.from(), to, link.medium(), link.direction(), null, null)))
                        .filter(LinkReport::meets)
                        .max(java.util.Comparator.comparingDouble(LinkReport::marginDb))
                        .ifPresent(r -> moves.add(new Move(linkId, r.to(), r.marginDb())));
            }
        });
        moves.sort(java.util.Comparator.comparingDouble(m -> -m.marginDb()));
        List<Edit> edits = new ArrayList<>();
        for (Move move : moves) {
            if (edits.size() < many && left.merge(move.to(), -1, Integer::sum) >= 0) {
                edits.add(Edit.replace(CheckContext.link(move.link(), "/to"), move.to()));
            }
        }
        return edits.size() < many ? List.of() : edits;
    }

    static void unlinked(CheckContext c, String id, Unit unit) {
        boolean talks = !unit.is(UnitKind.ROUTER)
                && unit.kind() != UnitKind.SUPPLY
                && unit.kind() != UnitKind.COUPLER
                && c.plan.links().values().stream().noneMatch(l -> l.from().equals(id) || l.to().equals(id));
        // what acts alone and tells nobody needs no link
        List<Device> on = c.devicesOn(id).map(Map.Entry::getValue).toList();
        boolean keepsToItself = unit.kind().alone()
                && !on.isEmpty()
                && on.stream().allMatch(d -> d.ways().equals(Set.of(Way.ALONE)));
        if (talks && !keepsToItself) {
            var draft = c.snag("R1", FIX, LINKS, unit.name() + " has no link")
                    .figures("0 links")
                    .leadsTo("Whatever is on it is cut off from the hub and the apps.")
                    .at(CheckContext.unit(id));
            RadioChecks.offer(c, id, draft);
            draft.add();
        }
    }

    private static void repeater(CheckContext c, String id, Unit unit) {
        if (unit.power().source() != PowerSource.BATTERY) {
            return;
        }
        List<String> cutOff = c.plan.links().values().stream()
                .filter(l -> l.to().equals(id) && l.medium().radio())
                .map(Link::from)
                .filter(from -> c.troubles().containsKey(from))
                .distinct()
                .map(from -> RadioChecks.name(c, from))
                .toList();
        if (!cutOff.isEmpty() && !unit.sink()) {
            c.snag("R9", STOP, LINKS, unit.name() + " runs on a battery and is used as a repeater")
                    .figures("cut off: " + String.join(", ", cutOff))
                    .leadsTo("A sleepy unit passes nothing on: what hangs on it is cut off.")
                    .at(CheckContext.unit(id))
                    .add();
        }
    }

    /** R8: what the loss of one gateway silences though the sensor lives. */
    private static void singleEars(CheckContext c) {
        Map<String, Map<String, Link>> heardBy = new TreeMap<>();
        c.plan.devices().forEach((id, d) -> {
            if (d.guards() && d.unit() != null && d.kind().family() == DeviceKind.Family.SENSOR) {
                List<Link> links = c.plan.links().values().stream()
                        .filter(l -> l.from().equals(d.unit()) && l.medium().radio())
                        .toList();
                // that nothing takes over from its hub is told at the hub
                if (links.size() == 1
                        && !links.get(0)
                                .to()
                                .equals(c.plan.units().get(d.unit()).hub())) {
                    heardBy.computeIfAbsent(links.get(0).to(), k -> new TreeMap<>())
                            .put(id, links.get(0));
                }
            }
        });
        heardBy.forEach((gateway, sensors) -> {
            String component = Component.unit(gateway);
            Set<String> leaning = c.outages().leaningOn(component);
            List<String> asked =
                    sensors.keySet().stream().filter(leaning::contains).toList();
            if (!asked.isEmpty()) {
                c.outages().without(Set.of(component), asked).forEach((id, state) -> {
                    if (state.state().compareTo(State.LOST) >= 0
                            && c.now().get(id).state().compareTo(State.LOST) < 0) {
                        singleEar(c, id, Objects.requireNonNull(sensors.get(id)));
                    }
                });
            }
        });
    }

    private static void singleEar(CheckContext c, String id, Link only) {
        Device d = c.plan.devices().get(id);
        var draft = c.snag("R8", LOOK, LINKS, d.name() + " is heard by one gateway only")
                .leadsTo("If " + RadioChecks.name(c, only.to()) + " fails, nobody learns what it sees.")
                .at(CheckContext.device(id), CheckContext.unit(d.unit()));
        second(c, only)
                .ifPresentOrElse(
                        second -> {
                            draft.figures("1 link; second best: " + RadioChecks.name(c, second.to()) + " with margin "
                                    + Text.db(second.marginDb()));
                            String linkId = org.skelto.core.plan.Slugs.free(
                                    only.from() + "-second", c.plan.links().keySet());
                            draft.fix(
                                    "Also link it to " + RadioChecks.name(c, second.to()),
                                    Edit.add(
                                            CheckContext.link(linkId),
                                            Link.of(
                                                    only.from(),
                                                    second.to(),
                                                    only.medium(),
                                                    only.direction(),
                                                    null,
                                                    "second path")));
                        },
                        () -> draft.figures("1 link; nothing else hears it with a margin"));
        draft.add();
    }

    /** Another that would hear it and that does not hear it by itself already. */
    private static Optional<LinkReport> second(CheckContext c, Link only) {
        LinkAssessor assessor = new LinkAssessor(c.site(), c.tables);
        return c.plan.units().entrySet().stream()
                .filter(e -> !e.getKey().equals(only.to()) && !e.getKey().equals(only.from()))
                .filter(e -> e.getValue().collects())
                .filter(e -> c.possible().stream()
                        .noneMatch(p -> p.link().joins(only.from()) && p.link().joins(e.getKey())))
                .filter(e -> e.getValue()
                        .radio(only.medium())
                        .filter(Radio::receives)
                        .isPresent())
                .map(e -> assessor.report(
                        "trial", Link.of(only.from(), e.getKey(), only.medium(), only.direction(), null, null)))
                .filter(LinkReport::meets)
                .max(java.util.Comparator.comparingDouble(LinkReport::marginDb));
    }
}
