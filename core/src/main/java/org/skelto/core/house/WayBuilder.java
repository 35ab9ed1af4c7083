package org.skelto.core.house;

import static org.skelto.core.house.Formula.all;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Needs;
import org.skelto.core.house.Formula.Never;
import org.skelto.core.house.Formula.Reaches;
import org.skelto.core.house.Formula.Up;
import org.skelto.core.house.JobWays.PlannedWay;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.work.ComputingBudget;

/** Turns what a person planned for a device into its jobs and the formulas of their ways. */
final class WayBuilder {
    /** Jobs in which the device speaks, rather than being told. */
    static final Set<Job> TELLING = Set.of(Job.REPORT, Job.ALERT_HOME, Job.ALERT_AWAY, Job.SEE, Job.RECORD);

    private final Plan plan;
    private final Catalogue parts;
    private final Brains brains;

    /** Pairs of units of which the first speaks to the second over a planned link. */
    private final Set<String> bound = new HashSet<>();

    /** Rules that work a device. */
    private final Map<String, List<RuleReach>> ruled = new HashMap<>();

    /** Push-buttons that work a device on their own board. */
    private final Set<String> wired = new HashSet<>();

    WayBuilder(Plan plan, Catalogue parts, @Nullable Set<String> phonePoints, List<RuleReach> rules) {
        this.plan = plan;
        this.parts = parts;
        this.brains = new Brains(plan, phonePoints);
        rules.forEach(r -> r.worked()
                .forEach(id -> ruled.computeIfAbsent(id, k -> new ArrayList<>()).add(r)));
        plan.links().values().forEach(l -> {
            bound.add(l.from() + " " + l.to());
            if (l.twoWay()) {
                bound.add(l.to() + " " + l.from());
            }
        });
        plan.devices()
                .values()
                .forEach(worked -> worked.wallControls().forEach(id -> {
                    Device button = plan.devices().get(id);
                    if (button.kind() == DeviceKind.PUSH_BUTTON
                            && button.unit() != null
                            && button.unit().equals(worked.unit())) {
                        wired.add(id);
                    }
                }));
    }

    /** The jobs that count for a device. */
    List<JobWays> jobs(String id, Device device) {
        ComputingBudget.step();
        Rest rest = rest(id, device);
        List<JobWays> jobs = new ArrayList<>();
        for (Job job : counted(id, device)) {
            List<PlannedWay> ways = ways(id, device, job, rest);
            switch (job) {
                case KEEP_OUT, CLOSE -> jobs.add(new JobWays(job, ways, rest.shut(), rest.open()));
                case LET_OUT, LET_IN, OPEN -> jobs.add(new JobWays(job, ways, rest.open(), rest.shut()));
                default -> jobs.add(new JobWays(job, ways, null, null));
            }
        }
        return jobs;
    }

    /** When a device is stuck in mid-travel, or null when it cannot be. */
    Formula stuck(String id, Device device) {
        return Rest.stuck(device, rest(id, device));
    }

    private Rest rest(String id, Device d) {
        Formula dead = d.unit() == null ? up(d) : new Formula.Powered(d.unit());
        return new Rest(d, parts, up(d), dead, feed(id, d), new Needs(Component.welded(id)));
    }

    /** What is asked of a device: as it is said, else what its kind must do, else what its ways serve. */
    private SortedSet<Job> counted(String id, Device d) {
        if (d.jobs() != null) {
            return d.jobs();
        }
        SortedSet<Job> jobs = new TreeSet<>();
        if (d.kind() == DeviceKind.LOCK || d.outsideDoor()) {
            jobs.add(Job.KEEP_OUT);
        }
        if (d.exitRoute()) {
            jobs.add(Job.LET_OUT);
        }
        if (d.kind() == DeviceKind.VALVE) {
            jobs.add(Job.CLOSE);
            if (!d.guards()) {
                jobs.add(Job.OPEN);
            }
        }
        if (jobs.isEmpty()) {
            for (Job job : possible(d.kind().family())) {
                if (d.ways().stream().anyMatch(w -> serves(w, job)) || d.hand() != Hand.NONE && byHand(d, job)) {
                    jobs.add(job);
                }
            }
            if (wired.contains(id)) {
                jobs.add(Job.REPORT);
            }
        }
        return jobs;
    }

    private static Set<Job> possible(DeviceKind.Family family) {
        return switch (family) {
            case LOAD -> EnumSet.of(Job.OPERATE);
            case SENSOR -> EnumSet.of(Job.REPORT, Job.ALERT_HOME, Job.ALERT_AWAY);
            case SOUNDER -> EnumSet.of(Job.SOUND);
            case BARRIER -> EnumSet.of(Job.KEEP_OUT, Job.LET_OUT, Job.LET_IN);
            case VALVE -> EnumSet.of(Job.CLOSE, Job.OPEN);
            case CAMERA -> EnumSet.of(Job.SEE, Job.RECORD);
        };
    }

    /** Which way serves which job. */
    private static boolean serves(Way way, Job job) {
        return switch (job) {
            case OPERATE, SOUND, CLOSE, OPEN, KEEP_OUT -> way != Way.MESSAGE;
            case REPORT -> way == Way.RULE || way == Way.ALONE;
            case ALERT_HOME -> way == Way.HOME_APP || way == Way.SPOKEN || way == Way.ALONE;
            case ALERT_AWAY -> way == Way.AWAY_APP || way == Way.MESSAGE;
            case LET_OUT -> way != Way.MESSAGE && way != Way.RULE;
            case LET_IN -> way == Way.ALONE || way == Way.HOME_APP || way == Way.AWAY_APP || way == Way.SPOKEN;
            case SEE -> way == Way.HOME_APP || way == Way.AWAY_APP;
            case RECORD -> way == Way.RULE || way == Way.ALONE;
        };
    }

    private boolean byHand(Device d, Job job) {
        return switch (job) {
            case OPERATE, SOUND, CLOSE, OPEN, LET_OUT -> d.hand() != Hand.NONE;
            // by hand it is only kept shut where the mechanism stays as it was left
            case KEEP_OUT -> d.hand() != Hand.NONE && Rest.stays(d, parts);
            // the thumbturn inside is no way in; a key outside is
            case LET_IN -> d.known().lock() != null && d.known().lock().hasKey();
            default -> false;
        };
    }

    private List<PlannedWay> ways(String id, Device d, Job job, Rest rest) {
        List<PlannedWay> ways = new ArrayList<>();
        if (byHand(d, job)) {
            boolean live = d.hand() == Hand.SWITCH && job != Job.LET_IN;
            ways.add(
                    live
                            ? new PlannedWay("by hand, by a switch", true, feed(id, d))
                            : new PlannedWay(
                                    job == Job.LET_IN ? "by key" : "by hand, without power", true, Formula.ALWAYS));
        }
        boolean asks = TELLING.contains(job);
        for (Way way : d.ways()) {
            if (!serves(way, job)) {
                continue;
            }
            switch (way) {
                case WALL_CONTROL -> walls(ways, id, d);
                case RULE -> ways.add(rule(id, d, job));
                case HOME_APP -> ways.add(new PlannedWay("home app", false, app(id, d, asks)));
                case AWAY_APP -> ways.add(new PlannedWay("away app", false, away(id, d, asks)));
                case SPOKEN -> ways.add(new PlannedWay("spoken", false, spoken(id, d, asks)));
                case MESSAGE -> messages(ways, d);
                case ALONE ->
                    ways.add(new PlannedWay(
                            job == Job.ALERT_HOME ? "local sound" : job == Job.RECORD ? "on itself" : "alone",
                            false,
                            asks ? up(d) : power(id, d)));
            }
        }
        if (job == Job.REPORT && wired.contains(id)) {
            ways.add(new PlannedWay("wired to its own board", false, up(d)));
        }
        if (ways.isEmpty() && job == Job.LET_OUT && d.exitRoute() && rest.open() == null) {
            ways.add(new PlannedWay("any", false, new Never("no way to open it from inside is planned")));
        }
        return ways;
    }

    /** What is left of what a device's control schemes offer. */
    private static Formula either(List<Formula> any) {
        return any.isEmpty()
                ? new Never("none of the control schemes chosen for it gives that")
                : any.size() == 1 ? any.get(0) : new Any(any);
    }

    private boolean chosen(Device d, ControlScheme scheme) {
        return d.control() != null ? d.control().contains(scheme) : scheme == usual(plan, d);
    }

    /** What serves a device besides its own board and bound buttons where nobody chose: its hub, or the panel that no hub serves. */
    static ControlScheme usual(Plan plan, Device d) {
        Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
        boolean panel = unit != null && unit.is(UnitKind.PANEL) && unit.hub() == null;
        return panel ? ControlScheme.PANEL : ControlScheme.HUB;
    }

    /** A rule works a device while its host is there, what it asks, one thing that sets it off, and the device. */
    private Formula by(RuleReach rule, String id, Device d) {
        List<Formula> all = new ArrayList<>();
        // told from the device outwards
        all.add(all(power(id, d), between(rule.host(), d, true)));
        all.add(runs(rule.host()));
        rule.asked().forEach(asked -> all.add(heard(rule.host(), asked)));
        if (!rule.byItself()) {
            all.add(either(
                    rule.triggers().stream().map(t -> heard(rule.host(), t)).toList()));
        }
        return new Formula.All(all);
    }

    /** Its host does its work. */
    private Formula runs(String host) {
        Unit unit = plan.units().get(host);
        if (unit == null) {
            return new Needs(Component.service(host));
        }
        return unit.is(UnitKind.HUB) ? all(new Up(host), brains.rules(host)) : new Up(host);
    }

    private Formula heard(String host, String device) {
        Device d = plan.devices().get(device);
        return all(up(d), between(host, d, false));
    }

    private PlannedWay rule(String id, Device d, Job job) {
        boolean asks = TELLING.contains(job);
        Formula recorder = job == Job.RECORD && d.unit() != null ? brains.recorder(d.unit()) : null;
        if (recorder != null) {
            return new PlannedWay("to the recorder", false, all(up(d), recorder));
        }
        if (!asks && d.control() == null && ruled.containsKey(id)) {
            return new PlannedWay(
                    "rule",
                    false,
                    either(ruled.get(id).stream().map(r -> by(r, id, d)).toList()));
        }
        Formula there = asks ? up(d) : power(id, d);
        List<Formula> any = new ArrayList<>();
        if (chosen(d, ControlScheme.OWN)) {
            any.add(there);
        }
        if (chosen(d, ControlScheme.PANEL)) {
            any.add(d.unit() == null ? up(d) : all(there, brains.panel(d.unit(), !asks)));
        }
        if (chosen(d, ControlScheme.HUB)) {
            any.add(asks ? report(d) : all(command(id, d), brains.rules(hub(d))));
        }
        if (chosen(d, ControlScheme.SERVICE)) {
            any.add(all(there, brains.service(d.unit(), ServiceKind.REMOTE_ACCESS)));
        }
        boolean hub = chosen(d, ControlScheme.HUB) && any.size() == 1;
        boolean panel = chosen(d, ControlScheme.PANEL) && any.size() == 1;
        return new PlannedWay(asks && hub ? "to the hub" : asks && panel ? "to the panel" : "rule", false, either(any));
    }

    private Formula app(String id, Device d, boolean asks) {
        Formula there = asks ? up(d) : power(id, d);
        List<Formula> any = new ArrayList<>();
        if (chosen(d, ControlScheme.HUB) || d.control() == null) {
            any.add(all(asks ? report(d) : command(id, d), brains.nearby(hub(d))));
        }
        if (chosen(d, ControlScheme.REQUEST)) {
            any.add(all(there, brains.nearby(d.unit())));
        }
        if (chosen(d, ControlScheme.SERVICE)) {
            any.add(d.unit() == null ? there : all(there, brains.nearbyOverService(d.unit())));
        }
        return either(any);
    }

    private Formula away(String id, Device d, boolean asks) {
        Formula there = asks ? up(d) : power(id, d);
        List<Formula> any = new ArrayList<>();
        if (chosen(d, ControlScheme.HUB) || d.control() == null) {
            any.add(all(asks ? report(d) : command(id, d), brains.away(hub(d))));
        }
        if (chosen(d, ControlScheme.REQUEST)) {
            any.add(d.unit() == null ? there : all(there, brains.awayDirect(d.unit())));
        }
        if (chosen(d, ControlScheme.SERVICE)) {
            any.add(all(there, brains.service(d.unit(), ServiceKind.REMOTE_ACCESS)));
        }
        return either(any);
    }

    private Formula spoken(String id, Device d, boolean asks) {
        List<Formula> any = new ArrayList<>();
        if (chosen(d, ControlScheme.HUB) || d.control() == null) {
            any.add(all(asks ? report(d) : command(id, d), brains.spoken(hub(d))));
        }
        if (chosen(d, ControlScheme.SERVICE)) {
            any.add(all(asks ? up(d) : power(id, d), brains.spoken(d.unit())));
        }
        return either(any);
    }

    /** Each service that carries messages is a way of its own. */
    private void messages(List<PlannedWay> ways, Device d) {
        Map<String, List<Formula>> services = new LinkedHashMap<>();
        if (chosen(d, ControlScheme.HUB)) {
            brains.services(hub(d), ServiceKind.PUSH)
                    .forEach((name, f) -> services.computeIfAbsent(name, k -> new ArrayList<>())
                            .add(all(report(d), brains.rules(hub(d)), f)));
        }
        if (chosen(d, ControlScheme.PANEL) && d.unit() != null) {
            brains.panelMessages(d.unit())
                    .forEach((name, f) -> services.computeIfAbsent(name, k -> new ArrayList<>())
                            .add(all(up(d), f)));
        }
        if (chosen(d, ControlScheme.SERVICE)) {
            brains.services(d.unit(), ServiceKind.PUSH)
                    .forEach((name, f) -> services.computeIfAbsent(name, k -> new ArrayList<>())
                            .add(all(up(d), f)));
        }
        if (services.isEmpty()) {
            boolean none = plan.services().values().stream().noneMatch(s -> s.kind() == ServiceKind.PUSH);
            ways.add(new PlannedWay(
                    "message to a person",
                    false,
                    none ? new Never("no service for it is in the plan") : either(List.of())));
        }
        services.forEach((name, any) -> ways.add(new PlannedWay(
                services.size() == 1 ? "message to a person" : "message over " + name, false, either(any))));
    }

    /** Each push-button is a way of its own: on the same board, bound to it, or through the hub where a rule is planned. */
    private void walls(List<PlannedWay> ways, String id, Device d) {
        if (d.wallControls().isEmpty()) {
            ways.add(new PlannedWay("wall control", false, new Never("no push-button is named")));
        }
        for (String control : d.wallControls()) {
            Device button = plan.devices().get(control);
            String name = d.wallControls().size() == 1 ? "wall control" : "wall control " + button.name();
            ways.add(new PlannedWay(name, false, wall(id, d, button)));
        }
    }

    private Formula wall(String id, Device d, Device button) {
        List<Formula> any = new ArrayList<>();
        boolean free = d.control() == null;
        boolean placed = button.unit() != null && d.unit() != null;
        boolean same = placed && button.unit().equals(d.unit());
        if (same && (free || chosen(d, ControlScheme.OWN))) {
            any.add(power(id, d));
        }
        if (placed && !same && bound(button.unit(), d.unit()) && (free || chosen(d, ControlScheme.BOUND))) {
            any.add(all(power(id, d), new Reaches(button.unit(), d.unit())));
        }
        if (placed && chosen(d, ControlScheme.PANEL)) {
            any.add(all(up(button), brains.panel(button.unit(), false), power(id, d), brains.panel(d.unit(), true)));
        }
        boolean byRule = chosen(d, ControlScheme.HUB) && (!free || d.ways().contains(Way.RULE));
        if (byRule || free && any.isEmpty()) {
            any.add(all(report(button), command(id, d), brains.rules(hub(d))));
        }
        if (placed && chosen(d, ControlScheme.REQUEST)) {
            any.add(all(up(button), power(id, d), new Reaches(button.unit(), d.unit())));
        }
        if (placed && chosen(d, ControlScheme.SERVICE)) {
            any.add(all(
                    up(button),
                    brains.service(button.unit(), ServiceKind.REMOTE_ACCESS),
                    power(id, d),
                    brains.service(d.unit(), ServiceKind.REMOTE_ACCESS)));
        }
        return either(any);
    }

    /** Whether a link is planned from one unit to another, so that one can be taught to the other. */
    private boolean bound(String one, String other) {
        return bound.contains(one + " " + other);
    }

    /**
     * What a rule needs to run in a unit, or in an outside service where there is no such unit.
     *
     * @param heard ids of devices that it hears
     * @param done ids of devices that it works
     * @param services ids of message services that it tells people by
     */
    Formula hosted(String host, Collection<String> heard, Collection<String> done, Collection<String> services) {
        List<Formula> all = new ArrayList<>();
        boolean inside = plan.units().containsKey(host);
        all.add(runs(host));
        heard.forEach(id -> all.add(heard(host, id)));
        done.forEach(id -> {
            Device d = plan.devices().get(id);
            all.add(all(power(id, d), between(host, d, true)));
        });
        if (inside) {
            services.forEach(id -> all.add(brains.message(host, id)));
        }
        return new Formula.All(all);
    }

    private Formula between(String host, Device d, boolean command) {
        if (d.unit() == null || d.unit().equals(host)) {
            return Formula.ALWAYS;
        }
        Unit unit = plan.units().get(host);
        if (unit == null) {
            return brains.service(d.unit(), ServiceKind.REMOTE_ACCESS);
        }
        return unit.is(UnitKind.HUB)
                ? brains.between(host, d.unit(), command)
                : command ? new Reaches(host, d.unit()) : new Reaches(d.unit(), host);
    }

    /** What feeds a load: its supply, else its circuit, else the unit that it sits on; over a whole cable. */
    private Formula feed(String id, Device d) {
        String supply = d.known().supply();
        if (supply != null) {
            return all(new Needs(Component.wire(id)), new Up(supply));
        }
        return d.circuit() != null ? all(new Needs(Component.wire(id)), new Formula.Live(d.circuit())) : up(d);
    }

    private static Formula up(Device d) {
        return d.unit() == null ? new Never("it is not attached to a controller") : new Up(d.unit());
    }

    /** Its board, its feed, and a contact that still opens and closes. */
    private Formula power(String id, Device d) {
        return all(up(d), feed(id, d), new Needs(Component.welded(id)));
    }

    private Formula command(String id, Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(power(id, d), brains.between(hub, d.unit(), true));
    }

    private Formula report(Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(up(d), brains.between(hub, d.unit(), false));
    }

    private String hub(Device d) {
        return d.unit() == null ? null : plan.units().get(d.unit()).hub();
    }
}
