package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.OUTAGES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.State;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.snags.Check.Code;

/** H3, H4, H7, O1, O2, O3, O4, O8. */
final class OutageChecks {
    static final Check CHECK = Check.reading(
            "snags of outages",
            List.of(
                    Code.of("H3", Stage.OUTAGES, "hub on a radio", Severity.FIX),
                    Code.of("H4", Stage.OUTAGES, "nothing takes over", Severity.LOOK),
                    Code.of("H7", Stage.OUTAGES, "one service carries every message", Severity.LOOK),
                    Code.of("O1", Stage.OUTAGES, "lost without the internet", Severity.FIX),
                    Code.of("O2", Stage.OUTAGES, "lost without the hub", Severity.FIX),
                    Code.of("O3", Stage.OUTAGES, "unsafe without mains", Severity.STOP),
                    Code.of("O4", Stage.OUTAGES, "one box takes protective devices away", Severity.FIX),
                    Code.of("O8", Stage.OUTAGES, "router, broker and hub in one box", Severity.FIX),
                    Code.of("O9", Stage.OUTAGES, "lost though nothing has failed", Severity.FIX)),
            List.of(
                    PlanPart.LINKS,
                    PlanPart.CIRCUITS,
                    PlanPart.SERVICES,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_POWER,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS,
                    PlanPart.DEVICE_WIRING),
            List.of(HouseFacts.OUTAGES, HouseFacts.SHARED),
            OutageChecks::run);

    /** As the model of the house says it. */
    private static final String NO_HUB = "no hub serves it";

    private OutageChecks() {}

    static void run(CheckContext c) {
        hubs(c);
        messages(c);
        internet(c);
        withoutHubs(c);
        mains(c);
        security(c);
        oneBox(c);
        lost(c);
    }

    private static void hubs(CheckContext c) {
        List<Map.Entry<String, Unit>> hubs = c.units(UnitKind.HUB).toList();
        for (Map.Entry<String, Unit> hub : hubs) {
            for (Map.Entry<String, Link> link : c.plan.links().entrySet()) {
                if (link.getValue().from().equals(hub.getKey())
                        && link.getValue().medium().radio()) {
                    c.snag("H3", FIX, OUTAGES, hub.getValue().name() + " hangs on a radio")
                            .figures("its link to "
                                    + c.plan.units().get(link.getValue().to()).name() + " is a radio")
                            .leadsTo("One busy frequency channel silences every rule in the house.")
                            .at(CheckContext.unit(hub.getKey()), CheckContext.link(link.getKey()))
                            .add();
                }
            }
            long served = c.plan.devices().values().stream()
                    .filter(d -> d.unit() != null
                            && hub.getKey().equals(c.plan.units().get(d.unit()).hub()))
                    .count();
            if (hubs.size() == 1 && served > 0) {
                c.snag(
                                "H4",
                                LOOK,
                                OUTAGES,
                                "Nothing takes over from " + hub.getValue().name())
                        .figures(served + " devices are served by one hub")
                        .leadsTo("While it is away every rule and app stands still.")
                        .at(CheckContext.unit(hub.getKey()))
                        .add();
            }
        }
    }

    private static void messages(CheckContext c) {
        long push = c.plan.services().values().stream()
                .filter(s -> s.kind() == ServiceKind.PUSH)
                .count();
        long told = c.plan.devices().values().stream()
                .filter(d -> d.ways().contains(Way.MESSAGE))
                .count();
        if (push == 1 && told > 1) {
            c.snag("H7", LOOK, OUTAGES, "One service carries every message to a person")
                    .figures(told + " devices, 1 service")
                    .leadsTo("On the day it is down nobody is told of anything.")
                    .at("/services")
                    .add();
        }
    }

    private static void internet(CheckContext c) {
        Map<String, DeviceState> states = c.outages().without(Set.of(Component.INTERNET));
        states.forEach((id, state) -> {
            Device d = c.plan.devices().get(id);
            boolean worse = state.state().compareTo(State.LOST) >= 0
                    && c.now().get(id).state().compareTo(State.LOST) < 0;
            if (worse && state.job() != Job.ALERT_AWAY) {
                List<Way> ways = new ArrayList<>(d.ways());
                ways.add(Way.HOME_APP);
                c.snag("O1", FIX, OUTAGES, d.name() + " is lost without the internet")
                        .figures(state.job().words() + ": " + state.sentence())
                        .leadsTo("It could be worked inside the house, but no such way is planned.")
                        .at(CheckContext.device(id))
                        .fix("Plan the home app too", Edit.replace(CheckContext.device(id, "/ways"), ways))
                        .add();
            }
        });
    }

    private static void withoutHubs(CheckContext c) {
        Set<String> hubs =
                c.units(UnitKind.HUB).map(e -> Component.unit(e.getKey())).collect(Collectors.toSet());
        if (hubs.isEmpty()) {
            return;
        }
        c.outages().without(hubs).forEach((id, state) -> {
            Device d = c.plan.devices().get(id);
            boolean acts = d.kind().family() != DeviceKind.Family.SENSOR;
            boolean worse = state.state().compareTo(State.LOST) >= 0
                    && c.now().get(id).state().compareTo(State.LOST) < 0;
            if (acts && worse) {
                var draft = c.snag("O2", FIX, OUTAGES, d.name() + " is lost without the hub and nothing is at hand")
                        .figures(state.job().words() + ": " + state.sentence())
                        .leadsTo("A failed update of one box takes it away.")
                        .at(CheckContext.device(id));
                if (d.kind().family() != DeviceKind.Family.SOUNDER && d.hand() == Hand.NONE) {
                    boolean barrier = d.kind().family() == DeviceKind.Family.BARRIER;
                    draft.fix(
                            barrier ? "It gets a key and a handle" : "It gets a switch by hand",
                            Edit.replace(CheckContext.device(id, "/hand"), barrier ? Hand.MECHANICAL : Hand.SWITCH));
                }
                draft.add();
            }
        });
    }

    private static void mains(CheckContext c) {
        Set<String> circuits =
                c.plan.circuits().keySet().stream().map(Component::circuit).collect(Collectors.toSet());
        circuits.add(Component.MAINS);
        c.outages().without(circuits).forEach((id, state) -> {
            if (state.state() == State.UNSAFE && c.now().get(id).state() != State.UNSAFE) {
                Device d = c.plan.devices().get(id);
                var draft = c.snag("O3", STOP, OUTAGES, d.name() + " is unsafe without mains")
                        .figures(state.job().words() + ": " + state.sentence())
                        .leadsTo("A power cut turns it into a danger.")
                        .at(CheckContext.device(id));
                if (d.kind() == DeviceKind.GATE) {
                    draft.fix(
                            "It gets a release by hand",
                            Edit.replace(CheckContext.device(id, "/hand"), Hand.MECHANICAL));
                } else if (d.rest() == RestState.OPEN) {
                    draft.fix(DeviceChecks.shutLabel(c, d), DeviceChecks.shut(c, CheckContext.device(id), d));
                }
                draft.add();
            }
        });
    }

    private static void security(CheckContext c) {
        List<String> guards = c.plan.devices().entrySet().stream()
                .filter(e -> e.getValue().guards())
                .map(Map.Entry::getKey)
                .toList();
        c.outages().components().values().stream()
                .filter(component -> component.kind().group() == Component.Group.NETWORK)
                .forEach(component -> {
                    Set<String> leaning = c.outages().leaningOn(component.id());
                    List<String> asked =
                            guards.stream().filter(leaning::contains).toList();
                    if (asked.size() < 2) {
                        return;
                    }
                    Map<String, DeviceState> states = c.outages().without(Set.of(component.id()), asked);
                    List<String> silent = states.entrySet().stream()
                            .filter(e -> e.getValue().state().compareTo(State.LOST) >= 0
                                    && c.now().get(e.getKey()).state().compareTo(State.LOST) < 0)
                            .map(Map.Entry::getKey)
                            .toList();
                    if (silent.size() >= 2) {
                        c.snag(
                                        "O4",
                                        FIX,
                                        OUTAGES,
                                        component.name() + " alone takes " + silent.size() + " protective devices away")
                                .figures(silent.stream()
                                        .map(id -> c.plan.devices().get(id).name())
                                        .collect(Collectors.joining(", ")))
                                .leadsTo("Pulling one plug blinds the house.")
                                .at(CheckContext.unit(component.id().substring("unit:".length())))
                                .add();
                    }
                });
    }

    private static void oneBox(CheckContext c) {
        c.plan.units().forEach((id, unit) -> {
            if (unit.is(UnitKind.HUB) && unit.broker() && unit.internetEntry()) {
                c.snag("O8", FIX, OUTAGES, unit.name() + " carries router, broker and hub in one box")
                        .leadsTo("One failed supply takes the network, the messages and the rules together.")
                        .at(CheckContext.unit(id))
                        .add();
            }
        });
    }

    /** What is lost though nothing has failed, by what is missing. */
    private static void lost(CheckContext c) {
        Map<String, Map<String, DeviceState.JobState>> byReason = new TreeMap<>();
        c.now()
                .forEach((id, state) -> state.jobs().stream()
                        .filter(j -> j.state() == State.LOST)
                        .findFirst()
                        .ifPresent(j -> byReason.computeIfAbsent(
                                        j.sentence()
                                                .substring(
                                                        j.sentence().indexOf(": ") < 0
                                                                ? 0
                                                                : j.sentence().indexOf(": ") + 2),
                                        k -> new TreeMap<>())
                                .put(id, j)));
        byReason.forEach((reason, devices) -> {
            String first = devices.keySet().iterator().next();
            boolean hubless = reason.equals(NO_HUB);
            String title = devices.size() == 1
                    ? c.plan.devices().get(first).name() + " is lost though everything works"
                    : hubless
                            ? "No hub serves " + devices.size() + " devices"
                            : devices.size() + " devices are lost though everything works";
            var draft = c.snag("O9", FIX, OUTAGES, title)
                    .figures(devices.entrySet().stream()
                                    .map(e -> c.plan.devices().get(e.getKey()).name() + ", "
                                            + e.getValue().job().words())
                                    .collect(Collectors.joining("; "))
                            + ": " + reason)
                    .leadsTo("They never do what they are planned for.")
                    .at(devices.keySet().stream().map(CheckContext::device).toArray(String[]::new));
            if (hubless) {
                serve(c, devices.keySet(), draft);
            }
            draft.add();
        });
    }

    /** Whether none of the devices is lost any more once a hub serves their units. */
    private static boolean helps(CheckContext c, Set<String> devices, Set<String> units, String hub) {
        Map<String, String> hubs = new TreeMap<>();
        units.forEach(u -> hubs.put(u, hub));
        return c.outages().served(hubs).without(Set.of(), devices).values().stream()
                .allMatch(s -> s.state().compareTo(State.LOST) < 0);
    }

    /** Offers the first hub that all units in question have a way to. */
    private static void serve(CheckContext c, Set<String> devices, CheckContext.Draft draft) {
        Set<String> units = devices.stream()
                .map(id -> c.plan.devices().get(id).unit())
                .filter(u -> u != null && c.plan.units().get(u).hub() == null)
                .collect(Collectors.toCollection(TreeSet::new));
        c.units(UnitKind.HUB)
                .filter(h -> !units.isEmpty()
                        && units.stream()
                                .allMatch(u -> !c.outages().way(u, h.getKey()).isEmpty()
                                        && !c.outages().way(h.getKey(), u).isEmpty())
                        && helps(c, devices, units, h.getKey()))
                .findFirst()
                .ifPresent(h -> draft.fix(
                        "Let " + h.getValue().name() + " serve them",
                        units.stream()
                                .map(u -> Edit.replace(CheckContext.unit(u, "/hub"), h.getKey()))
                                .toArray(Edit[]::new)));
    }
}
