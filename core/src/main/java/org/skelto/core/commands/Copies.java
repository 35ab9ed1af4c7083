package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.site.Place;

/**
 * Copies of units and devices that belong together. What one names among them its copy names among the copies; addresses,
 * numbers and topics are left to be given anew.
 */
final class Copies {
    private final Plan plan;
    private final Set<String> ids;
    private final Set<String> names;
    private final Set<String> links;
    private final List<Edit> edits = new ArrayList<>();

    Copies(Plan plan) {
        this.plan = plan;
        this.ids = Asked.ids(plan);
        this.names = Asked.names(plan);
        this.links = new TreeSet<>(plan.links().keySet());
    }

    /** A list without what a caller left out. */
    static List<String> known(@Nullable List<@Nullable String> ids) {
        return ids == null
                ? List.of()
                : ids.stream().filter(Objects::nonNull).map(id -> (String) id).toList();
    }

    List<Edit> edits() {
        return edits;
    }

    /**
     * Copies these.
     *
     * @param renamed what the copy of something of a name is called, made free where it is taken
     * @param placed where the copy of something at a place stands
     * @return id of each copy by the id that it was made of
     */
    Map<String, String> of(
            Set<String> units, Set<String> devices, UnaryOperator<String> renamed, UnaryOperator<Place> placed) {
        Map<String, String> copies = new LinkedHashMap<>();
        Map<String, String> called = new LinkedHashMap<>();
        units.forEach(id -> called(id, unit(id).name(), renamed, copies, called));
        devices.stream()
                .filter(id -> !copies.containsKey(id))
                .forEach(id -> called(id, device(id).name(), renamed, copies, called));
        copies.forEach((id, copy) -> {
            String name = Objects.requireNonNull(called.get(id));
            if (units.contains(id)) {
                edits.add(Edit.add(Pointers.of("units", copy), copy(unit(id), name, copies, placed)));
            }
            if (devices.contains(id)) {
                edits.add(Edit.add(Pointers.of("devices", copy), copy(device(id), name, copies, placed)));
            }
        });
        plan.links().forEach((id, link) -> {
            if (units.contains(link.from())) {
                String copy = Slugs.free(id, links);
                links.add(copy);
                edits.add(Edit.add(
                        Pointers.of("links", copy),
                        Link.of(
                                copies.getOrDefault(link.from(), link.from()),
                                copies.getOrDefault(link.to(), link.to()),
                                link.medium(),
                                link.direction(),
                                null,
                                link.why())));
            }
        });
        return copies;
    }

    private void called(
            String id,
            String name,
            UnaryOperator<String> renamed,
            Map<String, String> copies,
            Map<String, String> called) {
        String free = Asked.freeName(renamed.apply(name), names);
        called.put(id, free);
        copies.put(id, Asked.freeId(free, ids));
    }

    private Unit unit(String id) {
        return Asked.of(plan.units(), id, "unit", "a unit");
    }

    private Device device(String id) {
        return Asked.of(plan.devices(), id, "devices", "a device");
    }

    private static @Nullable String mapped(@Nullable String id, Map<String, String> copies) {
        return id == null ? null : copies.getOrDefault(id, id);
    }

    private static Unit copy(Unit unit, String name, Map<String, String> copies, UnaryOperator<Place> placed) {
        return unit.with(u -> u.name(name)
                .place(unit.place() == null ? null : placed.apply(unit.place()))
                .power(unit.power().withFrom(mapped(unit.power().from(), copies)))
                .internetEntry(false)
                .ipv4(null)
                .mac(null)
                .nodeId(null));
    }

    private static Device copy(Device device, String name, Map<String, String> copies, UnaryOperator<Place> placed) {
        TreeSet<String> controls = new TreeSet<>();
        device.wallControls().forEach(c -> controls.add(copies.getOrDefault(c, c)));
        boolean alongside = device.unit() == null || copies.containsKey(device.unit());
        return device.with(d -> d.name(name)
                .place(device.place() == null ? null : placed.apply(device.place()))
                .unit(mapped(device.unit(), copies))
                // on the very same controller its terminals are taken
                .channel(alongside ? device.channel() : null)
                .wiring(alongside ? device.wiring() : null)
                .wallControls(controls)
                .works(
                        device.works() == null
                                ? null
                                : device.works()
                                        .withSupply(mapped(device.works().supply(), copies)))
                .topic(null));
    }
}
