package org.skelto.core.house;

import static org.skelto.core.house.Formula.all;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
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
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.work.ComputingBudget;

/** Turns what a person planned for a device into its jobs and the formulas of their ways. */
final class WayBuilder {
    private final Plan plan;
    private final Catalogue parts;
    private final Brains brains;

    /** Pairs of units of which the first speaks to the second over a planned link. */
    private final Set<String> bound = new HashSet<>();

    /** Push-buttons that work a device on their own board. */
    private final Set<String> wired = new HashSet<>();

    WayBuilder(Plan plan, Catalogue parts, @Nullable Set<String> phonePoints) {
        this.plan = plan;
        this.parts = parts;
        this.brains = new Brains(plan, phonePoints);
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
        Rest rest = new Rest(device, parts, up(device), feed(id, device));
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
        return Rest.stuck(device, new Rest(device, parts, up(device), feed(id, device)));
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
            case KEEP_OUT -> d.hand() != Hand.NONE && new Rest(d, parts, Formula.ALWAYS, Formula.ALWAYS).stays();
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
                            ? new PlannedWay("at hand, by a switch", true, feed(id, d))
                            : new PlannedWay(
                                    job == Job.LET_IN ? "by key" : "at hand, without power", true, Formula.ALWAYS));
        }
        boolean asks = job == Job.REPORT
                || job == Job.ALERT_HOME
                || job == Job.ALERT_AWAY
                || job == Job.SEE
                || job == Job.RECORD;
        String hub = hub(d);
        for (Way way : d.ways()) {
            if (!serves(way, job)) {
                continue;
            }
            switch (way) {
                case WALL_CONTROL -> walls(ways, id, d);
                case RULE ->
                    ways.add(new PlannedWay(
                            asks ? "to the hub" : "rule",
                            false,
                            asks ? report(d) : all(command(id, d), brains.rules(hub))));
                case HOME_APP ->
                    ways.add(new PlannedWay(
                            "home app", false, all(asks ? report(d) : command(id, d), brains.nearby(hub))));
                case AWAY_APP ->
                    ways.add(new PlannedWay(
                            "away app", false, all(asks ? report(d) : command(id, d), brains.away(hub))));
                case SPOKEN ->
                    ways.add(new PlannedWay(
                            "spoken",
                            false,
                            all(
                                    asks ? report(d) : command(id, d),
                                    brains.nearby(hub),
                                    brains.service(hub, ServiceKind.SPOKEN))));
                case MESSAGE -> messages(ways, d, hub);
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

    /** Each service that carries messages is a way of its own. */
    private void messages(List<PlannedWay> ways, Device d, String hub) {
        Map<String, Formula> services = brains.services(hub, ServiceKind.PUSH);
        if (services.isEmpty()) {
            ways.add(new PlannedWay("message to a person", false, new Never("no service for it is in the plan")));
        }
        services.forEach((name, formula) -> ways.add(new PlannedWay(
                services.size() == 1 ? "message to a person" : "message over " + name,
                false,
                all(report(d), brains.rules(hub), formula))));
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
        if (button.unit() != null && button.unit().equals(d.unit())) {
            any.add(power(id, d));
        } else if (button.unit() != null && d.unit() != null && bound(button.unit(), d.unit())) {
            any.add(all(power(id, d), new Reaches(button.unit(), d.unit())));
        }
        if (any.isEmpty() || d.ways().contains(Way.RULE)) {
            String hub = hub(d);
            any.add(all(report(button), command(id, d), brains.rules(hub)));
        }
        return new Any(any);
    }

    /** Whether a link is planned from one unit to another, so that one can be taught to the other. */
    private boolean bound(String one, String other) {
        return bound.contains(one + " " + other);
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

    private Formula power(String id, Device d) {
        return all(up(d), feed(id, d));
    }

    private Formula command(String id, Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(power(id, d), brains.box(hub, d.unit()), new Reaches(hub, d.unit()));
    }

    private Formula report(Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(up(d), brains.box(hub, d.unit()), new Reaches(d.unit(), hub));
    }

    private String hub(Device d) {
        return d.unit() == null ? null : plan.units().get(d.unit()).hub();
    }
}
