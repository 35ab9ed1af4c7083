package org.skelto.core.outage;

import static org.skelto.core.outage.Formula.all;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.skelto.core.outage.Formula.All;
import org.skelto.core.outage.Formula.Any;
import org.skelto.core.outage.Formula.Live;
import org.skelto.core.outage.Formula.Needs;
import org.skelto.core.outage.Formula.Never;
import org.skelto.core.outage.Formula.NotPowered;
import org.skelto.core.outage.Formula.Reaches;
import org.skelto.core.outage.Formula.Up;
import org.skelto.core.outage.JobWays.PlannedWay;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.work.ComputingBudget;

/** Turns what a person planned for a device into its jobs and the formulas of their ways. */
final class WayBuilder {
    private final Plan plan;
    private final Formula network;

    // what many devices need is built once and judged once under each outage
    private final Map<String, Formula> brains = new HashMap<>();
    private final Map<String, Formula> nearby = new HashMap<>();
    private final Map<String, Formula> away = new HashMap<>();

    WayBuilder(Plan plan) {
        this.plan = plan;
        this.network = uplink();
    }

    /** The jobs that the person asked of this device. */
    List<JobWays> jobs(Device device) {
        ComputingBudget.step();
        List<JobWays> jobs = new ArrayList<>();
        switch (device.kind().family()) {
            case LOAD -> add(jobs, Job.OPERATE, device, null, operating(device, true));
            case SENSOR -> sensor(jobs, device);
            case SOUNDER -> add(jobs, Job.SOUND, device, null, operating(device, true));
            case BARRIER -> barrier(jobs, device);
            case CAMERA -> camera(jobs, device);
            case VALVE -> {
                Formula shut = device.rest() == RestState.CLOSED ? new NotPowered(power(device)) : null;
                add(jobs, Job.CLOSE, device, shut, operating(device, true));
                Formula open = device.rest() == RestState.OPEN ? new NotPowered(power(device)) : null;
                add(jobs, Job.OPEN, device, open, operating(device, false));
            }
        }
        return jobs;
    }

    private static void add(List<JobWays> jobs, Job job, Device device, Formula rest, List<PlannedWay> ways) {
        if (!ways.isEmpty()) {
            jobs.add(new JobWays(job, ways, rest));
        }
    }

    private void sensor(List<JobWays> jobs, Device d) {
        List<PlannedWay> know = new ArrayList<>();
        if (plan.devices().values().stream().anyMatch(worked -> wiredTo(worked, d))) {
            know.add(new PlannedWay("wired to its own board", false, up(d)));
        }
        way(know, d, Way.RULE, "to the hub", () -> report(d));
        add(jobs, Job.KNOW, d, null, know);
        List<PlannedWay> home = new ArrayList<>();
        way(home, d, Way.HOME_APP, "home app", () -> all(report(d), nearby(d)));
        way(home, d, Way.ALONE, "local sound", () -> up(d));
        add(jobs, Job.TELL_HOME, d, null, home);
        List<PlannedWay> away = new ArrayList<>();
        way(away, d, Way.AWAY_APP, "away app", () -> all(report(d), away(d, ServiceKind.REMOTE_ACCESS)));
        way(away, d, Way.MESSAGE, "message to a person", () -> all(report(d), away(d, ServiceKind.PUSH)));
        add(jobs, Job.TELL_AWAY, d, null, away);
    }

    private void camera(List<JobWays> jobs, Device d) {
        List<PlannedWay> see = new ArrayList<>();
        way(see, d, Way.HOME_APP, "home app", () -> all(report(d), nearby(d)));
        way(see, d, Way.AWAY_APP, "away app", () -> all(report(d), away(d, ServiceKind.REMOTE_ACCESS)));
        add(jobs, Job.SEE, d, null, see);
        List<PlannedWay> record = new ArrayList<>();
        way(record, d, Way.RULE, "on the hub", () -> report(d));
        way(record, d, Way.ALONE, "on itself", () -> up(d));
        add(jobs, Job.RECORD, d, null, record);
    }

    /** Whether a device is worked by this push-button on the same board. */
    private boolean wiredTo(Device worked, Device button) {
        return button.unit() != null
                && button.unit().equals(worked.unit())
                && worked.wallControls().stream().anyMatch(id -> plan.devices().get(id) == button);
    }

    private void barrier(List<JobWays> jobs, Device d) {
        Formula stays = d.rest() == RestState.OPEN ? power(d) : Formula.ALWAYS;
        jobs.add(new JobWays(Job.KEEP_OUT, List.of(new PlannedWay("stays shut", false, stays)), null));
        Formula falls = d.rest() == RestState.OPEN ? new NotPowered(power(d)) : null;
        List<PlannedWay> out = new ArrayList<>();
        hand(out, d);
        way(out, d, Way.WALL_CONTROL, "wall control", () -> wall(d));
        way(out, d, Way.HOME_APP, "home app", () -> all(command(d), nearby(d)));
        if (out.isEmpty() && d.exitRoute()) {
            out.add(new PlannedWay("any", false, new Never("no way to open it from inside is planned")));
        }
        add(jobs, Job.LET_OUT, d, falls, out);
        List<PlannedWay> in = new ArrayList<>(operating(d, false));
        add(jobs, Job.LET_IN, d, falls, in);
    }

    private List<PlannedWay> operating(Device d, boolean withAlone) {
        List<PlannedWay> ways = new ArrayList<>();
        hand(ways, d);
        way(ways, d, Way.WALL_CONTROL, "wall control", () -> wall(d));
        way(ways, d, Way.RULE, "rule", () -> command(d));
        way(ways, d, Way.HOME_APP, "home app", () -> all(command(d), nearby(d)));
        way(ways, d, Way.AWAY_APP, "away app", () -> all(command(d), away(d, ServiceKind.REMOTE_ACCESS)));
        way(ways, d, Way.SPOKEN, "spoken", () -> all(command(d), nearby(d), away(d, ServiceKind.SPOKEN)));
        if (withAlone) {
            way(ways, d, Way.ALONE, "alone", () -> all(power(d)));
        }
        return ways;
    }

    private static void way(List<PlannedWay> ways, Device d, Way way, String name, Supplier<Formula> formula) {
        if (d.ways().contains(way)) {
            ways.add(new PlannedWay(name, false, formula.get()));
        }
    }

    private static void hand(List<PlannedWay> ways, Device d) {
        if (d.hand() == Hand.MECHANICAL) {
            ways.add(new PlannedWay("at hand, without power", true, Formula.ALWAYS));
        } else if (d.hand() == Hand.SWITCH) {
            ways.add(new PlannedWay("at hand, by a switch", true, feed(d)));
        }
    }

    /** What feeds the load itself. */
    private static Formula feed(Device d) {
        return d.circuit() == null ? Formula.ALWAYS : new Live(d.circuit());
    }

    private static Formula up(Device d) {
        return d.unit() == null ? new Never("it is not attached to a controller") : new Up(d.unit());
    }

    private static Formula power(Device d) {
        return all(up(d), feed(d));
    }

    private Formula wall(Device d) {
        List<Formula> buttons = new ArrayList<>();
        for (String id : d.wallControls()) {
            Device button = plan.devices().get(id);
            boolean direct = button.unit() != null && button.unit().equals(d.unit());
            buttons.add(direct ? power(d) : all(report(button), command(d)));
        }
        return buttons.isEmpty() ? new Never("no push-button is named") : new Any(buttons);
    }

    private Formula command(Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(power(d), brains(hub), new Reaches(hub, d.unit()));
    }

    private Formula report(Device d) {
        String hub = hub(d);
        return hub == null
                ? all(up(d), new Never("no hub serves it"))
                : all(up(d), brains(hub), new Reaches(d.unit(), hub));
    }

    private String hub(Device d) {
        return d.unit() == null ? null : plan.units().get(d.unit()).hub();
    }

    private Formula brains(String hub) {
        return brains.computeIfAbsent(hub, this::brainsOf);
    }

    private Formula brainsOf(String hub) {
        List<Formula> parts = new ArrayList<>(List.of(new Up(hub), new Needs(Component.hub(hub))));
        String broker = plan.units().get(hub).broker()
                ? hub
                : plan.units().entrySet().stream()
                        .filter(e -> e.getValue().broker())
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElse(null);
        if (broker != null) {
            parts.add(new Needs(Component.broker(broker)));
            if (!broker.equals(hub)) {
                parts.add(new Reaches(broker, hub));
                parts.add(new Reaches(hub, broker));
            }
        }
        return new All(parts);
    }

    /** A phone in the house must reach the hub through some access point. */
    private Formula nearby(Device d) {
        return nearby.computeIfAbsent(String.valueOf(hub(d)), key -> nearbyOf(hub(d)));
    }

    private Formula nearbyOf(String hub) {
        List<Formula> points = new ArrayList<>();
        plan.units().forEach((id, unit) -> {
            if (unit.kind() == UnitKind.ACCESS_POINT && hub != null) {
                points.add(new Reaches(id, hub));
            }
        });
        return points.isEmpty() ? new Never("no access point is in the plan") : new Any(points);
    }

    private Formula away(Device d, ServiceKind kind) {
        return away.computeIfAbsent(hub(d) + " " + kind, key -> awayOf(hub(d), kind));
    }

    private Formula awayOf(String hub, ServiceKind kind) {
        List<Formula> services = new ArrayList<>();
        plan.services().forEach((id, service) -> {
            if (service.kind() == kind) {
                services.add(new Needs(Component.service(id)));
            }
        });
        if (services.isEmpty()) {
            return new Never("no service for it is in the plan");
        }
        List<Formula> entries = new ArrayList<>();
        plan.units().forEach((id, unit) -> {
            if (unit.internetEntry() && hub != null) {
                entries.add(new Reaches(hub, id));
            }
        });
        return all(network, new Any(entries), new Any(services));
    }

    private Formula uplink() {
        boolean entry = plan.units().values().stream().anyMatch(Unit::internetEntry);
        return entry ? new Needs(Component.INTERNET) : new Never("the internet entry is not in the plan");
    }
}
