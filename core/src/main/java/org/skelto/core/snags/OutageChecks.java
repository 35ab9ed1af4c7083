package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.OUTAGES;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
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
                    Code.of("H3", Stage.OUTAGES, "hub on a radio, or on the supply of what it guards", Severity.FIX),
                    Code.of("H4", Stage.OUTAGES, "nothing takes over", Severity.LOOK),
                    Code.of("H7", Stage.OUTAGES, "one service carries every message", Severity.LOOK),
                    Code.of("O1", Stage.OUTAGES, "lost or unsafe without the internet", Severity.STOP, Severity.FIX),
                    Code.of("O2", Stage.OUTAGES, "lost or unsafe without the hub", Severity.STOP, Severity.FIX),
                    Code.of("O3", Stage.OUTAGES, "unsafe without mains", Severity.STOP),
                    Code.of(
                            "O4",
                            Stage.OUTAGES,
                            "one component takes protective devices away",
                            Severity.FIX,
                            Severity.LOOK),
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

    /** Of these each is one thing that may fail; lines, services and the mains have checks of their own. */
    private static final Set<Component.Kind> STOPS_SECURITY = EnumSet.of(
            Component.Kind.CIRCUIT,
            Component.Kind.SUPPLY,
            Component.Kind.ROUTER,
            Component.Kind.SWITCH,
            Component.Kind.ACCESS_POINT,
            Component.Kind.GATEWAY,
            Component.Kind.LINK,
            Component.Kind.HUB,
            Component.Kind.PANEL,
            Component.Kind.CONTROLLER);

    private static final int NAMED = 4;

    private OutageChecks() {}

    static void run(CheckContext c) {
        hubs(c, security(c));
        messages(c);
        internet(c);
        withoutHubs(c);
        mains(c);
        oneBox(c);
        lost(c);
    }

    private static void hubs(CheckContext c, Set<String> told) {
        List<Map.Entry<String, Unit>> hubs = c.units(UnitKind.HUB).toList();
        // a second hub that serves nothing takes nothing over
        long serving = hubs.stream().filter(h -> served(c, h.getKey()) > 0).count();
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
            supplied(c, hub.getKey());
            long served = served(c, hub.getKey());
            if (serving == 1 && served > 0 && !told.contains(Component.unit(hub.getKey()))) {
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

    /** H3: a circuit or supply that takes the hub, and what it guards, together. */
    private static void supplied(CheckContext c, String hub) {
        c.outages().components().values().stream()
                .filter(x -> x.kind() == Component.Kind.CIRCUIT || x.kind() == Component.Kind.SUPPLY)
                .forEach(feed -> {
                    List<String> silent = c.outages().leaningOn(feed.id()).stream()
                            .filter(id -> watched(c, id, hub))
                            .toList();
                    if (silent.isEmpty() || !dark(c.outages().units(Outage.of(Set.of(feed.id()))), hub)) {
                        return;
                    }
                    Set<String> lost = c.outages().without(Set.of(feed.id()), silent).entrySet().stream()
                            .filter(e -> firstLost(c, e.getKey(), e.getValue()) != null)
                            .map(e -> c.plan.devices().get(e.getKey()).name())
                            .collect(Collectors.toCollection(TreeSet::new));
                    if (!lost.isEmpty()) {
                        c.snag(
                                        "H3",
                                        FIX,
                                        OUTAGES,
                                        c.plan.units().get(hub).name() + " hangs on the same "
                                                + (feed.kind() == Component.Kind.CIRCUIT ? "circuit" : "supply")
                                                + " as what it guards")
                                .figures(feed.name() + ": " + CheckContext.some(NAMED, List.copyOf(lost)))
                                .leadsTo("When that trips they stop, and the hub that should tell it is dark too."
                                        + " Another circuit, or a backup of an hour.")
                                .at(CheckContext.unit(hub), pointer(feed))
                                .add();
                    }
                });
    }

    private static boolean dark(Map<String, Outages.UnitTrouble> troubles, String unit) {
        Outages.UnitTrouble trouble = troubles.get(unit);
        return trouble != null && trouble.dark();
    }

    /** Whether a hub serves what guards and draws its power from the mains itself. */
    private static boolean watched(CheckContext c, String id, String hub) {
        Device d = c.plan.devices().get(id);
        return d.guards()
                && d.circuit() != null
                && d.unit() != null
                && hub.equals(c.plan.units().get(d.unit()).hub());
    }

    private static long served(CheckContext c, String hub) {
        return c.plan.devices().values().stream()
                .filter(d -> d.unit() != null
                        && hub.equals(c.plan.units().get(d.unit()).hub()))
                .count();
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
                boolean unsafe = state.state() == State.UNSAFE;
                c.snag(
                                "O1",
                                unsafe ? STOP : FIX,
                                OUTAGES,
                                d.name() + (unsafe ? " is unsafe" : " is lost") + " without the internet")
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
                boolean unsafe = state.state() == State.UNSAFE;
                var draft = c.snag(
                                "O2",
                                unsafe ? STOP : FIX,
                                OUTAGES,
                                d.name()
                                        + (unsafe
                                                ? " is unsafe without the hub"
                                                : " is lost without the hub and cannot be worked by hand"))
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

    /**
     * O4: components of which each alone takes the same protective devices away are told together. A box of the alarm is made to be
     * the one that acts and tells when it is out; where only reports stop nothing opens and nothing floods.
     *
     * @return the components that were told
     */
    private static Set<String> security(CheckContext c) {
        Map<String, Map<String, Job>> losing = new TreeMap<>();
        c.outages().components().values().stream()
                .filter(component -> STOPS_SECURITY.contains(component.kind()))
                .forEach(component -> {
                    Map<String, Job> silent = silenced(c, component);
                    if (silent.size() >= 2) {
                        losing.put(component.id(), silent);
                    }
                });
        Map<Set<String>, List<Component>> alike = new LinkedHashMap<>();
        losing.forEach((id, silent) -> {
            if (!boxSaysIt(c, id, silent.keySet(), losing)) {
                alike.computeIfAbsent(silent.keySet(), k -> new ArrayList<>())
                        .add(c.outages().components().get(id));
            }
        });
        alike.forEach((silent, components) -> {
            Map<String, List<String>> byJob = new TreeMap<>();
            losing.get(components.get(0).id())
                    .forEach((id, job) -> byJob.computeIfAbsent(job.words(), k -> new ArrayList<>())
                            .add(c.plan.devices().get(id).name()));
            boolean mild = byJob.keySet().equals(Set.of(Job.REPORT.words()))
                    || components.stream().allMatch(one -> one.kind() == Component.Kind.PANEL);
            String names = components.stream().map(Component::name).collect(Collectors.joining(", "));
            c.snag(
                            "O4",
                            mild ? LOOK : FIX,
                            OUTAGES,
                            (components.size() == 1 ? names + " alone takes " : "Each of " + names + " alone takes ")
                                    + silent.size() + " protective devices away")
                    .figures(byJob.entrySet().stream()
                            .map(e -> e.getKey() + ": " + String.join(", ", e.getValue()))
                            .collect(Collectors.joining("; ")))
                    .leadsTo("Pulling one plug, or one fault, takes all of them.")
                    .at(components.stream().map(OutageChecks::pointer).toArray(String[]::new))
                    .add();
        });
        return alike.values().stream().flatMap(List::stream).map(Component::id).collect(Collectors.toSet());
    }

    private static String pointer(Component component) {
        String id = component.id().substring(component.id().indexOf(':') + 1);
        return switch (component.kind()) {
            case CIRCUIT -> Pointers.of("circuits", id);
            case LINK -> CheckContext.link(id);
            default -> CheckContext.unit(id);
        };
    }

    /** A cable is not told where the box at one end takes the same away. */
    private static boolean boxSaysIt(
            CheckContext c, String id, Set<String> silent, Map<String, Map<String, Job>> losing) {
        Link link = id.startsWith("link:") ? c.plan.links().get(id.substring("link:".length())) : null;
        return link != null
                && Stream.of(link.from(), link.to())
                        .anyMatch(end -> losing.getOrDefault(Component.unit(end), Map.of())
                                .keySet()
                                .containsAll(silent));
    }

    /** What guards and loses more than its messages to people away when a component fails, each with the first job that it loses. */
    private static Map<String, Job> silenced(CheckContext c, Component component) {
        List<String> asked = c.outages().leaningOn(component.id()).stream()
                .filter(id -> c.plan.devices().get(id).guards())
                .toList();
        Map<String, Job> silenced = new TreeMap<>();
        if (asked.size() >= 2) {
            c.outages().without(Set.of(component.id()), asked).forEach((id, state) -> {
                Job lost = firstLost(c, id, state);
                if (lost != null) {
                    silenced.put(id, lost);
                }
            });
        }
        return silenced;
    }

    /** The first job that a device loses beside its messages to people away; null when it loses none that it has now. */
    private static @Nullable Job firstLost(CheckContext c, String id, DeviceState state) {
        Set<Job> now = c.now().get(id).jobs().stream()
                .filter(j -> j.state().compareTo(State.LOST) < 0)
                .map(DeviceState.JobState::job)
                .collect(Collectors.toSet());
        return state.jobs().stream()
                .filter(j -> j.state().compareTo(State.LOST) >= 0)
                .map(DeviceState.JobState::job)
                .filter(job -> job != Job.ALERT_AWAY && now.contains(job))
                .findFirst()
                .orElse(null);
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
