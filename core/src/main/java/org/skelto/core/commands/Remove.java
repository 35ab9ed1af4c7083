package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.SpokenGroup;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.power.Power;

/**
 * Units and devices go, with their links and the ground under them; what hung on them hangs on nothing yet. The unit of a
 * device with a radio of its own goes with its last device, and its device with it.
 */
public record Remove(List<String> units, List<String> devices) implements Command {
    public Remove {
        units = Copies.known(units);
        devices = Copies.known(devices);
    }

    @Override
    public Proposal on(Plan plan) {
        Set<String> gone = new TreeSet<>(devices);
        Set<String> boxes = new TreeSet<>(units);
        gone.forEach(id -> Asked.of(plan.devices(), id, "devices", "a device"));
        boxes.forEach(id -> Asked.of(plan.units(), id, "units", "a unit"));
        if (gone.isEmpty() && boxes.isEmpty()) {
            throw new Refused("devices", "names nothing");
        }
        together(plan, gone, boxes);
        List<Edit> edits = new ArrayList<>();
        entries(edits, "links", plan.links(), l -> boxes.contains(l.from()) || boxes.contains(l.to()) ? null : l);
        entries(edits, "paths", plan.paths(), p -> boxes.contains(p.from()) || boxes.contains(p.to()) ? null : p);
        entries(edits, "circuits", plan.circuits(), c -> named(c.from(), boxes) ? c.withoutBackup() : c);
        entriesOf(edits, "devices", plan.devices(), gone, d -> left(d, gone, boxes));
        entriesOf(edits, "units", plan.units(), boxes, u -> left(u, boxes));
        entries(edits, "spokenGroups", plan.spokenGroups(), g -> left(g, gone));
        Network network = plan.network();
        if (network.lines().stream().anyMatch(boxes::contains)) {
            edits.add(Edit.replace(
                    "/network",
                    network.over(network.lines().stream()
                            .filter(l -> !boxes.contains(l))
                            .toList())));
        }
        return new Proposal("remove " + told(plan, gone, boxes), edits);
    }

    /** What is one thing to its owner goes as one. */
    private static void together(Plan plan, Set<String> gone, Set<String> boxes) {
        Set<String> alone = new HashSet<>();
        plan.units().forEach((id, unit) -> {
            if (unit.kind().alone()) {
                alone.add(id);
            }
        });
        plan.devices().forEach((id, d) -> {
            if (d.unit() != null && alone.contains(d.unit()) && boxes.contains(d.unit())) {
                gone.add(id);
            }
        });
        Set<String> used = new HashSet<>();
        plan.devices().forEach((id, d) -> {
            if (d.unit() != null && !gone.contains(id)) {
                used.add(d.unit());
            }
        });
        gone.forEach(id -> {
            String unit = Asked.of(plan.devices(), id, "devices", "a device").unit();
            if (unit != null && alone.contains(unit) && !used.contains(unit)) {
                boxes.add(unit);
            }
        });
    }

    private static SpokenGroup left(SpokenGroup group, Set<String> gone) {
        if (group.devices().stream().noneMatch(gone::contains)) {
            return group;
        }
        TreeSet<String> devices = new TreeSet<>(group.devices());
        devices.removeAll(gone);
        return new SpokenGroup(group.name(), devices);
    }

    private static boolean named(@Nullable String id, Set<String> gone) {
        return id != null && gone.contains(id);
    }

    private static Device left(Device d, Set<String> gone, Set<String> boxes) {
        Device then =
                named(d.unit(), boxes) ? d.with(b -> b.unit(null).channel(null).wiring(null)) : d;
        ActuationSpec works = then.works();
        if (works != null && named(works.supply(), boxes)) {
            then = then.withWorks(works.withSupply(null));
        }
        if (then.wallControls().stream().noneMatch(gone::contains)) {
            return then;
        }
        TreeSet<String> controls = new TreeSet<>(then.wallControls());
        controls.removeAll(gone);
        return then.withWallControls(controls);
    }

    private static Unit left(Unit unit, Set<String> boxes) {
        Power power = unit.power();
        if (named(power.from(), boxes)) {
            power = power.withFrom(null);
        }
        if (power.more().stream().anyMatch(s -> named(s.from(), boxes))) {
            power = power.withMore(
                    power.more().stream().filter(s -> !named(s.from(), boxes)).toList());
        }
        Unit then = power == unit.power() ? unit : unit.withPower(power);
        return named(then.hub(), boxes) ? then.withHub(null) : then;
    }

    private static <V> void entriesOf(
            List<Edit> edits, String map, Map<String, V> all, Set<String> gone, UnaryOperator<V> left) {
        gone.forEach(id -> edits.add(Edit.remove(Pointers.of(map, id))));
        all.forEach((id, thing) -> {
            V then = gone.contains(id) ? thing : left.apply(thing);
            if (then != thing) {
                edits.add(Edit.replace(Pointers.of(map, id), then));
            }
        });
    }

    private static <V> void entries(
            List<Edit> edits, String map, Map<String, V> all, java.util.function.Function<V, @Nullable V> left) {
        all.forEach((id, thing) -> {
            V then = left.apply(thing);
            if (then == null) {
                edits.add(Edit.remove(Pointers.of(map, id)));
            } else if (then != thing) {
                edits.add(Edit.replace(Pointers.of(map, id), then));
            }
        });
    }

    private static String told(Plan plan, Set<String> gone, Set<String> boxes) {
        Set<String> names = new TreeSet<>();
        gone.forEach(id ->
                names.add(Asked.of(plan.devices(), id, "devices", "a device").name()));
        boxes.forEach(
                id -> names.add(Asked.of(plan.units(), id, "units", "a unit").name()));
        return names.size() <= 2 ? String.join(" and ", names) : names.size() + " things";
    }
}
