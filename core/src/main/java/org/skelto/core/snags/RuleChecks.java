package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.OUTAGES;
import static org.skelto.core.snags.Stage.RULES;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Presence;
import org.skelto.core.plan.rules.PresenceSource;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.rules.RuleHost;
import org.skelto.core.rules.RuleSentence;
import org.skelto.core.rules.RuleTargets;
import org.skelto.core.snags.Check.Code;

/** U3 to U7, U9 to U11, U13, U15, U18, U20 to U22: each rule by itself, where it runs, and what nobody watches. */
final class RuleChecks {
    static final Check CHECK = Check.of(
            "snags of rules",
            List.of(
                    Code.of("H1", RULES, "more devices than the hub takes", FIX),
                    Code.of("O5", OUTAGES, "nobody is told when the internet is out", LOOK),
                    Code.of("U3", RULES, "protective rule in an outside service", FIX),
                    Code.of("U4", RULES, "rule out of reach of what it hears or works", FIX),
                    Code.of("U5", RULES, "interlock only in the hub", LOOK),
                    Code.of("U6", RULES, "mode set before what shuts has shut", LOOK),
                    Code.of("U7", RULES, "sensor that rules lean on and nobody watches", LOOK),
                    Code.of("U9", RULES, "outside door that nobody is told of when it stays open", LOOK),
                    Code.of("U10", RULES, "presence from nothing or from one weak source", FIX, LOOK),
                    Code.of("U11", RULES, "rule by the sun or by coming home without place or line", FIX),
                    Code.of("U13", RULES, "dangerous action on one short press", LOOK),
                    Code.of("U14", RULES, "code that can be recorded opens something", LOOK),
                    Code.of("U15", RULES, "silence awaited from what only people set off", FIX),
                    Code.of("U18", RULES, "switched on and nothing turns it off", FIX, LOOK),
                    Code.of("U20", RULES, "rule that asks for a clock where none goes on", LOOK),
                    Code.of("U21", RULES, "rule names what is not in the plan", FIX),
                    Code.of("U22", RULES, "rule without a trigger, an action or a unit to run in", LOOK)),
            List.of(HouseFacts.OUTAGES),
            RuleChecks::run);

    /** Pauses before a mode in which a thing that moves has shut, s; source: usual travel times of gates and blinds. */
    private static final int SHUT_S = 20;

    /** For so long an outside door may stand open before somebody is told, s. */
    private static final int LEFT_OPEN_S = 600;

    /** For so long nothing may be heard of a sensor, s. */
    private static final int SILENT_S = 6 * 3600;

    private final CheckContext c;
    private final Map<String, Rule> active = new LinkedHashMap<>();

    private RuleChecks(CheckContext c) {
        this.c = c;
        c.plan.rules().forEach((id, rule) -> {
            if (!rule.off()) {
                active.put(id, rule);
            }
        });
    }

    static void run(CheckContext c) {
        RuleChecks checks = new RuleChecks(c);
        checks.active.forEach(checks::rule);
        checks.hubs();
        if (!checks.active.isEmpty()) {
            checks.presence();
            checks.watched();
            checks.leftOpen();
            checks.cutOff();
        }
    }

    private static Edit rest(String id) {
        return Edit.replace(Pointers.of("rules", id, "off"), true);
    }

    private void rule(String id, Rule rule) {
        RuleSentence sentence = RuleSentence.of(c.plan, id, rule);
        if (!sentence.gone().isEmpty()) {
            c.snag("U21", FIX, RULES, "The rule \"" + rule.name() + "\" names what is not in the plan")
                    .figures(CheckContext.some(4, sentence.gone()))
                    .leadsTo("It does not fire as it stands.")
                    .at(Pointers.of("rules", id))
                    .fix("Let it rest until it is mended", rest(id))
                    .add();
        }
        boolean called = active.values().stream()
                .flatMap(r -> r.then().stream())
                .anyMatch(a -> a.kind() == Action.Kind.RULE && id.equals(a.rule()));
        String missing = rule.when().isEmpty() && !called
                ? "nothing lets it fire"
                : rule.then().isEmpty()
                        ? "it does nothing"
                        : rule.host() == null ? "no unit is chosen for it to run in" : null;
        if (missing != null) {
            c.snag("U22", LOOK, RULES, "The rule \"" + rule.name() + "\" is not finished")
                    .figures(missing)
                    .leadsTo("It is a wish, not yet a rule.")
                    .at(Pointers.of("rules", id))
                    .fix("Let it rest until it is", rest(id))
                    .add();
        }
        if (sentence.gone().isEmpty() && missing == null) {
            hosted(id, rule);
        }
        sun(id, rule);
        press(id, rule);
        recorded(id, rule);
        silent(id, rule);
        shutting(id, rule);
        staysOn(id, rule);
    }

    // --- where it runs

    private void hosted(String id, Rule rule) {
        String host = rule.host();
        if (host == null) {
            return;
        }
        RuleHost.Kind kind = RuleHost.kind(c.plan, rule, host);
        String broken = RuleHost.broken(c.plan, c.outages(), rule, host);
        String name = RuleSentence.of(c.plan, id, rule).host();
        boolean guards = RuleHost.done(c.plan, rule).stream().anyMatch(this::guards);
        if (kind == RuleHost.Kind.OUTSIDE_SERVICE && guards) {
            better(
                            c.snag("U3", FIX, RULES, "\"" + rule.name() + "\" guards the house from outside of it")
                                    .figures("It runs in " + name + ".")
                                    .leadsTo("It is gone whenever the line or the service is.")
                                    .at(Pointers.of("rules", id)),
                            id,
                            rule)
                    .add();
        } else if (broken != null) {
            better(
                            c.snag("U4", FIX, RULES, "\"" + rule.name() + "\" cannot run in " + name)
                                    .figures(broken)
                                    .leadsTo("It never does what it says.")
                                    .at(Pointers.of("rules", id)),
                            id,
                            rule)
                    .add();
        }
        if (RuleHost.forgetsTime(c.plan, rule, host)) {
            c.snag("U20", LOOK, RULES, "\"" + rule.name() + "\" asks for the time in " + name)
                    .figures("A controller knows the time only after something has told it.")
                    .leadsTo("After a restart without the network it acts at the wrong time or not at all.")
                    .at(Pointers.of("rules", id))
                    .add();
        }
        boolean moves = RuleHost.done(c.plan, rule).stream()
                .map(d -> c.plan.devices().get(d))
                .anyMatch(d -> d != null && (d.kind().moves() || d.kind() == DeviceKind.HEATER));
        if (kind == RuleHost.Kind.HUB && moves && !rule.unless().isEmpty()) {
            c.snag("U5", LOOK, RULES, "The interlock of \"" + rule.name() + "\" is only in the hub")
                    .figures("It runs in " + name + ", not in the board that moves the thing.")
                    .leadsTo("Whatever else works the board passes it by.")
                    .at(Pointers.of("rules", id))
                    .add();
        }
    }

    private boolean guards(String device) {
        Device d = c.plan.devices().get(device);
        return d != null && (d.criticality() == Criticality.VITAL || d.criticality() == Criticality.PROTECTIVE);
    }

    /** Offers the best place for a rule that runs where it should not. */
    private CheckContext.Draft better(CheckContext.Draft draft, String id, Rule rule) {
        String best = RuleHost.best(c.plan, c.outages(), rule);
        if (best != null) {
            draft.fix(
                    "Let it run in " + c.plan.units().get(best).name(),
                    Edit.replace(Pointers.of("rules", id, "host"), best));
        } else {
            draft.fix("Let it rest", rest(id));
        }
        return draft;
    }

    // --- what it asks

    private void sun(String id, Rule rule) {
        boolean sun = rule.when().stream().anyMatch(t -> t.kind() == Trigger.Kind.SUN)
                || terms(rule).anyMatch(t -> t.kind() == Term.Kind.DARK);
        if (sun && c.plan.place() == null) {
            c.snag("U11", FIX, RULES, "\"" + rule.name() + "\" asks for the sun, and nobody said where the house is")
                    .figures("Reckoned with sunrise at 6:00 and sunset at 18:00.")
                    .leadsTo("It acts hours too early or too late.")
                    .at(Pointers.of("rules", id))
                    .add();
        }
    }

    private static Stream<Term> terms(Rule rule) {
        return Stream.concat(rule.onlyIf().stream(), rule.unless().stream());
    }

    private void presence() {
        List<String> asking = new ArrayList<>();
        active.forEach((id, rule) -> {
            boolean asks = rule.when().stream()
                            .anyMatch(t -> t.kind() == Trigger.Kind.ARRIVES || t.kind() == Trigger.Kind.LEAVES)
                    || terms(rule).anyMatch(t -> t.kind() == Term.Kind.HOME);
            if (asks) {
                asking.add(id);
            }
        });
        if (asking.isEmpty()) {
            return;
        }
        String at = Pointers.of("rules", asking.get(0));
        Presence presence = c.plan.state().presence();
        List<PresenceSource> sources = presence == null ? List.of() : presence.sources();
        if (sources.isEmpty()) {
            c.snag("U10", FIX, RULES, "Rules ask who is at home, and nothing tells")
                    .figures(asking.size() + " rules")
                    .leadsTo("They never fire, or always.")
                    .at(at)
                    .add();
        } else if (sources.size() < 2) {
            c.snag("U10", LOOK, RULES, "Who is at home hangs on one weak source")
                    .figures(
                            sources.get(0).kind() == PresenceSource.Kind.PHONE_IN_NETWORK
                                    ? "A phone that sleeps looks like one that left."
                                    : "One source.")
                    .leadsTo("Lights go off and alarms go on while people are at home.")
                    .at(at)
                    .add();
        }
        boolean located = sources.stream().anyMatch(s -> s.kind() == PresenceSource.Kind.PHONE_LOCATION);
        boolean line = c.plan.units().values().stream().anyMatch(Unit::internetEntry);
        if (located && !line) {
            c.snag("U11", FIX, RULES, "Coming home is told by a phone's place, and there is no line to the internet")
                    .figures("The place comes by a service outside.")
                    .leadsTo("Nobody ever comes home, as far as the house knows.")
                    .at(at)
                    .add();
        }
    }

    private void press(String id, Rule rule) {
        for (int i = 0; i < rule.when().size(); i++) {
            Trigger t = rule.when().get(i);
            boolean one = t.kind() == Trigger.Kind.PRESSED && (t.press() == null || t.press() == Press.SHORT);
            String opens = one && rule.onlyIf().isEmpty() ? opened(rule) : null;
            if (opens != null) {
                c.snag("U13", LOOK, RULES, "One short press: \"" + rule.name() + "\" opens " + opens)
                        .figures("Nothing else must be so for it.")
                        .leadsTo("A child, a sleeve or a knock is enough.")
                        .at(Pointers.of("rules", id))
                        .fix(
                                "Ask for a long press",
                                Edit.replace(Pointers.of("rules", id, "when", String.valueOf(i), "press"), Press.LONG))
                        .add();
                return;
            }
        }
    }

    /** A push-button that sends a code by sub-GHz radio and hears nothing: what it says can be recorded and sent again. */
    private void recorded(String id, Rule rule) {
        String opens = opened(rule);
        if (opens == null) {
            return;
        }
        rule.when().stream()
                .filter(t -> t.kind() == Trigger.Kind.PRESSED || t.kind() == Trigger.Kind.CODE)
                .map(t -> t.device() == null ? null : c.plan.devices().get(t.device()))
                .filter(d ->
                        d != null && d.unit() != null && bareCode(c.plan.units().get(d.unit())))
                .findFirst()
                .ifPresent(d -> c.snag(
                                "U14",
                                LOOK,
                                RULES,
                                "A code that can be recorded opens " + opens + ": \"" + rule.name() + "\"")
                        .figures(d.name() + " sends by sub-GHz radio and hears no challenge")
                        .leadsTo("Who listens once can open it later, unless its code changes with every press.")
                        .at(Pointers.of("rules", id))
                        .add());
    }

    private static boolean bareCode(@Nullable Unit unit) {
        return unit != null
                && !unit.radios().isEmpty()
                && unit.radios().values().stream().allMatch(r -> r.medium() == Medium.SUB_GHZ);
    }

    private @Nullable String opened(Rule rule) {
        return rule.then().stream()
                .filter(a -> a.reading() == Reading.ACTIVE)
                .flatMap(a -> RuleTargets.of(c.plan, a).stream())
                .map(d -> c.plan.devices().get(d))
                .filter(d -> d != null
                        && (d.kind().family() == DeviceKind.Family.BARRIER
                                || d.kind().family() == DeviceKind.Family.VALVE))
                .map(Device::name)
                .findFirst()
                .orElse(null);
    }

    private void silent(String id, Rule rule) {
        for (int i = 0; i < rule.when().size(); i++) {
            Trigger t = rule.when().get(i);
            Device d = t.device() == null ? null : c.plan.devices().get(t.device());
            if (t.kind() == Trigger.Kind.SILENT && d != null && d.kind() == DeviceKind.PUSH_BUTTON) {
                CheckContext.Draft draft = c.snag(
                                "U15", FIX, RULES, "\"" + rule.name() + "\" awaits word of " + d.name())
                        .figures("It speaks only when somebody presses it.")
                        .leadsTo("It alarms whenever nobody pressed it for a while.")
                        .at(Pointers.of("rules", id), Pointers.of("devices", String.valueOf(t.device())));
                if (rule.when().size() > 1) {
                    draft.fix("Leave it out", Edit.remove(Pointers.of("rules", id, "when", String.valueOf(i))));
                } else {
                    draft.fix("Let it rest", rest(id));
                }
                draft.add();
                return;
            }
        }
    }

    // --- what it does

    private void shutting(String id, Rule rule) {
        int paused = SHUT_S;
        for (int i = 0; i < rule.then().size(); i++) {
            Action a = rule.then().get(i);
            boolean shuts = a.reading() == Reading.IDLE
                    && RuleTargets.of(c.plan, a).stream()
                            .map(d -> c.plan.devices().get(d))
                            .anyMatch(d ->
                                    d != null && (d.kind().moves() || d.kind().family() == DeviceKind.Family.BARRIER));
            if (shuts) {
                paused = 0;
            } else if (a.kind() == Action.Kind.WAIT) {
                paused += a.forS() == null ? 0 : a.forS();
            } else if (a.kind() == Action.Kind.MODE && paused < SHUT_S) {
                Action pause = ActionBuilder.builder()
                        .kind(Action.Kind.WAIT)
                        .forS(SHUT_S - paused)
                        .build();
                c.snag("U6", LOOK, RULES, "\"" + rule.name() + "\" sets a mode before what it shuts has shut")
                        .figures(paused + " s are left for it, " + SHUT_S + " s are usual")
                        .leadsTo("The house believes itself shut while a door is still on its way.")
                        .at(Pointers.of("rules", id))
                        .fix(
                                "Wait " + (SHUT_S - paused) + " s before it",
                                Edit.add(Pointers.of("rules", id, "then", String.valueOf(i)), pause))
                        .add();
                return;
            }
        }
    }

    /** What a rule switches on for good while no rule, and perhaps no person, can switch it off. */
    private void staysOn(String id, Rule rule) {
        for (int i = 0; i < rule.then().size(); i++) {
            Action a = rule.then().get(i);
            boolean on = a.reading() == Reading.ACTIVE && a.forS() == null && a.kind() == Action.Kind.SET;
            String device = on && a.device() != null && c.plan.devices().containsKey(a.device()) ? a.device() : null;
            Device d = device == null ? null : c.plan.devices().get(device);
            if (device == null || d == null || d.kind().family() == DeviceKind.Family.BARRIER || turnedOff(device)) {
                continue;
            }
            boolean people = d.hand() != Hand.NONE
                    || d.ways().stream().anyMatch(w -> w != Way.RULE && w != Way.MESSAGE && w != Way.ALONE);
            boolean costly = switch (d.kind()) {
                case HEATER, PUMP, SIREN, VALVE, SOCKET, FAN -> true;
                default -> false;
            };
            if (people && !costly) {
                continue;
            }
            c.snag("U18", people ? LOOK : FIX, RULES, "\"" + rule.name() + "\" switches " + d.name() + " on for good")
                    .figures(people ? "Only a person turns it off." : "No rule and no person turns it off.")
                    .leadsTo("It runs until somebody notices.")
                    .at(Pointers.of("rules", id), Pointers.of("devices", device))
                    .fix(
                            "For 30 min only",
                            Edit.replace(Pointers.of("rules", id, "then", String.valueOf(i), "forS"), 1800))
                    .add();
        }
    }

    private boolean turnedOff(String device) {
        return active.values().stream()
                .flatMap(r -> r.then().stream())
                .filter(a -> a.reading() == Reading.IDLE || a.percent() != null && a.percent() == 0 || a.forS() != null)
                .anyMatch(a -> a.kind() != Action.Kind.WAIT
                        && RuleTargets.of(c.plan, a).contains(device));
    }

    // --- what nobody watches

    private @Nullable String messageService() {
        return c.plan.services().entrySet().stream()
                .filter(e -> e.getValue().kind() == ServiceKind.PUSH)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    private @Nullable String hub() {
        return c.plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    private void watched() {
        Set<String> watched = new HashSet<>();
        Set<String> leant = new TreeSet<>();
        active.values()
                .forEach(r -> r.when().forEach(t -> {
                    if (t.device() != null && t.kind() == Trigger.Kind.SILENT) {
                        watched.add(t.device());
                    } else if (t.device() != null
                            && RuleHost.done(c.plan, r).stream().anyMatch(this::guards)) {
                        leant.add(t.device());
                    }
                }));
        leant.removeAll(watched);
        leant.removeIf(id -> {
            Device d = c.plan.devices().get(id);
            Unit unit = d == null || d.unit() == null ? null : c.plan.units().get(d.unit());
            // a wired one falls silent with its board, which is watched by its own availability
            return d == null
                    || unit == null
                    || !unit.kind().alone()
                    || d.kind() == DeviceKind.PUSH_BUTTON
                    || d.kind().family() != DeviceKind.Family.SENSOR;
        });
        if (leant.isEmpty()) {
            return;
        }
        CheckContext.Draft draft = c.snag("U7", LOOK, RULES, "Protective rules lean on sensors that nobody watches")
                .figures(names(leant))
                .leadsTo("A flat cell or a torn cable looks just like nothing happening.")
                .at(Pointers.of("devices", leant.iterator().next()));
        offer(
                draft,
                "A rule that watches them",
                "watchdog",
                "Sensors silent",
                leant.stream()
                        .map(d -> TriggerBuilder.builder()
                                .kind(Trigger.Kind.SILENT)
                                .device(d)
                                .forS(SILENT_S)
                                .build())
                        .toList(),
                "a sensor says nothing any more");
        draft.add();
    }

    private String names(Set<String> devices) {
        return CheckContext.some(
                6,
                devices.stream()
                        .map(d -> c.plan.devices().containsKey(d)
                                ? c.plan.devices().get(d).name()
                                : d)
                        .toList());
    }

    private void leftOpen() {
        Set<String> open = new TreeSet<>();
        c.plan.devices().forEach((id, d) -> {
            boolean told = active.values().stream()
                    .anyMatch(r -> r.when().stream()
                                    .anyMatch(t -> id.equals(t.device())
                                            && t.kind() == Trigger.Kind.BECOMES
                                            && t.forS() != null
                                            && t.forS() > 0)
                            && r.then().stream().anyMatch(a -> a.kind() == Action.Kind.TELL));
            if (d.kind() == DeviceKind.CONTACT && d.outsideDoor() && !told) {
                open.add(id);
            }
        });
        if (open.isEmpty()) {
            return;
        }
        CheckContext.Draft draft = c.snag("U9", LOOK, RULES, "Nobody is told when an outside door stays open")
                .figures(names(open))
                .leadsTo("It stands open all night.")
                .at(Pointers.of("devices", open.iterator().next()));
        offer(
                draft,
                "A rule that tells after 10 min",
                "left-open",
                "Left open",
                open.stream()
                        .limit(20)
                        .map(d -> TriggerBuilder.builder()
                                .kind(Trigger.Kind.BECOMES)
                                .device(d)
                                .reading(Reading.ACTIVE)
                                .forS(LEFT_OPEN_S)
                                .build())
                        .toList(),
                "a door stands open");
        draft.add();
    }

    /** Messages to people all go by one line: when it is out, that is not told either. */
    private void cutOff() {
        boolean tells = active.values().stream()
                .anyMatch(r -> !RuleHost.services(c.plan, r).isEmpty());
        boolean second = c.plan.network().lines().size() > 1
                && Boolean.TRUE.equals(c.plan.network().failover());
        if (tells && !second) {
            c.snag("O5", LOOK, OUTAGES, "Nobody is told when the internet is out")
                    .figures("All messages to people go by one line.")
                    .leadsTo("A break-in or a leak in that time stays in the house.")
                    .at("/network")
                    .add();
        }
    }

    private void hubs() {
        c.plan.units().forEach((id, hub) -> {
            int most = hub.maxClients();
            if (!hub.is(UnitKind.HUB) || most == 0) {
                return;
            }
            long served = c.plan.units().values().stream()
                    .filter(u -> id.equals(u.hub()))
                    .count();
            if (served > most) {
                c.snag("H1", FIX, RULES, hub.name() + " serves more units than it takes")
                        .figures(served + " units, " + most + " at most")
                        .leadsTo("The last ones are not taken on, or push others out.")
                        .at(Pointers.of("units", id))
                        .add();
            }
        });
    }

    /** Offers a rule that tells somebody, where there is a service to tell by and a hub to run it that reaches all. */
    private void offer(
            CheckContext.Draft draft, String label, String id, String name, List<Trigger> when, String text) {
        String service = messageService();
        String hub = hub();
        if (service == null || hub == null) {
            return;
        }
        Rule rule = RuleBuilder.builder()
                .name(name)
                .host(hub)
                .when(when.subList(0, Math.min(20, when.size())))
                .then(List.of(ActionBuilder.builder()
                        .kind(Action.Kind.TELL)
                        .service(service)
                        .text(text)
                        .build()))
                .build();
        String free = id;
        for (int i = 2; c.plan.rules().containsKey(free); i++) {
            free = id + "-" + i;
        }
        if (RuleHost.broken(c.plan, c.outages(), rule, hub) == null) {
            draft.fix(label, Edit.add(Pointers.of("rules", free), rule));
        }
    }
}
