package org.skelto.core.proposals;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Component;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages.UnitTrouble;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.survival.Promises.BrokenPromise;

/** Thinks of changes that may mend what does not survive an outage; whether they do is for the model of the house to say. */
final class SurvivalChanges {
    /** Where the catalogue says nothing: a switch, a key with a handle, a few hours of rewiring. */
    private static final double SWITCH_COST = 14;

    private static final double KEY_COST = 45;
    private static final double REWIRE_COST = 80;
    private static final double NO_COST = 0;
    private static final double BACKUP_USABLE = 0.7 * 0.8;
    private static final double BESIDE_M = 0.6;
    private static final int MOST_PACKS = 100;

    private static final Figure FREE =
            Figure.of("nothing is bought: a setting is changed", "docs/calculations.md", false);
    private static final Figure AVERAGE =
            Figure.of("average price of the network boxes of the catalogue", "prices of the catalogue", false);
    private static final Figure GUESSED =
            Figure.of("an estimate of ours, dated 2026: ask whoever sells or does it", "docs/calculations.md", false);

    private final Facts facts;
    private final Plan plan;
    private final Map<String, SurvivalChange> all = new LinkedHashMap<>();
    private final Map<Outage, Map<String, UnitTrouble>> dark = new HashMap<>();

    SurvivalChanges(Facts facts) {
        this.facts = facts;
        this.plan = facts.plan();
    }

    /** Changes for what is broken, each once. */
    List<SurvivalChange> of(Collection<BrokenPromise> broken) {
        for (BrokenPromise one : broken) {
            Device d = Objects.requireNonNull(plan.devices().get(one.device()));
            byHand(one.device(), d);
            ways(one.device(), d);
            bound(one.device(), d);
            rules(one.device(), d);
            power(one);
            for (String gone : one.without()) {
                twin(gone);
            }
        }
        line(broken);
        return List.copyOf(all.values());
    }

    private void put(String id, String label, double cost, boolean estimated, Edit... edits) {
        put(id, label, cost, estimated, cost > 0 ? GUESSED : FREE, false, Arrays.asList(edits));
    }

    private void move(String id, String label, double cost, Edit edit) {
        put(id, label, cost, cost > 0, cost > 0 ? GUESSED : FREE, true, List.of(edit));
    }

    private void put(
            String id, String label, double cost, boolean estimated, Figure figure, boolean moves, List<Edit> edits) {
        all.putIfAbsent(
                id,
                SurvivalChangeBuilder.builder()
                        .id(id)
                        .label(label)
                        .cost(cost)
                        .estimated(estimated)
                        .figure(figure)
                        .moves(moves)
                        .edits(edits)
                        .build());
    }

    private void byHand(String id, Device d) {
        if (d.hand() != Hand.NONE) {
            return;
        }
        boolean barrier = d.kind().family() == DeviceKind.Family.BARRIER;
        boolean load = d.kind().family() == DeviceKind.Family.LOAD || d.kind() == DeviceKind.VALVE;
        if (barrier || load) {
            put(
                    "hand " + id,
                    d.name() + (barrier ? " gets a key and a handle" : " gets a switch by hand"),
                    barrier ? KEY_COST : SWITCH_COST,
                    true,
                    Edit.replace(
                            Pointers.of("devices", id, "hand"),
                            barrier || d.kind() == DeviceKind.VALVE ? Hand.MECHANICAL : Hand.SWITCH));
        }
    }

    private void ways(String id, Device d) {
        Map<Way, String> more = new LinkedHashMap<>();
        if (actsOnInputs(id, d)) {
            more.put(Way.ALONE, " acts by its own board");
        }
        more.put(Way.HOME_APP, " can be worked from the home app");
        more.forEach((way, words) -> {
            if (!d.ways().contains(way)) {
                Set<Way> ways = new TreeSet<>(d.ways());
                ways.add(way);
                put(
                        way + " " + id,
                        d.name() + words,
                        NO_COST,
                        false,
                        Edit.replace(Pointers.of("devices", id, "ways"), ways));
            }
        });
    }

    /** Whether its board has inputs of its own to act on. */
    private boolean actsOnInputs(String id, Device d) {
        Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
        return unit != null
                && unit.is(UnitKind.CONTROLLER)
                && d.kind().family() != DeviceKind.Family.SENSOR
                && d.kind().family() != DeviceKind.Family.CAMERA
                && plan.devices().entrySet().stream()
                        .anyMatch(e -> !e.getKey().equals(id)
                                && Objects.equals(d.unit(), e.getValue().unit())
                                && e.getValue().kind().family() == DeviceKind.Family.SENSOR);
    }

    /** A button taught to what it works, over a medium that both speak. */
    private void bound(String id, Device d) {
        for (String button : d.wallControls()) {
            Device control = Objects.requireNonNull(plan.devices().get(button));
            String from = control.unit();
            if (from == null || d.unit() == null || from.equals(d.unit())) {
                continue;
            }
            Unit one = Objects.requireNonNull(plan.units().get(from));
            Unit other = Objects.requireNonNull(plan.units().get(d.unit()));
            one.media().stream()
                    .filter(m -> m.radio() && !m.wifi() && other.media().contains(m))
                    .findFirst()
                    .ifPresent(m -> put(
                            "bind " + button + " " + id,
                            control.name() + " is bound to " + d.name(),
                            NO_COST,
                            false,
                            Edit.add(
                                    Pointers.of(
                                            "links",
                                            free(
                                                    "bound-" + from + "-" + d.unit(),
                                                    plan.links().keySet())),
                                    Link.of(from, Objects.requireNonNull(d.unit()), m, null, null, null))));
        }
    }

    /** Rules that work a device run in its own board. */
    private void rules(String id, Device d) {
        if (d.unit() == null) {
            return;
        }
        plan.rules().forEach((rule, r) -> {
            boolean works = r.then().stream().anyMatch(a -> id.equals(a.device()));
            if (works && !d.unit().equals(r.host())) {
                move(
                        "host " + rule + " " + d.unit(),
                        "“" + r.name() + "” runs in "
                                + Objects.requireNonNull(plan.units().get(d.unit()))
                                        .name(),
                        NO_COST,
                        Edit.replace(Pointers.of("rules", rule, "host"), d.unit()));
            }
        });
    }

    /** A backup for what goes dark on the way to a device, where the mains enter; or another circuit. */
    private void power(BrokenPromise broken) {
        // to the end: what is mended at the beginning may go later
        var then = dark.computeIfAbsent(
                new Outage(broken.without(), broken.hours(), null, broken.hours()),
                o -> facts.outages().units(o));
        double hours = broken.hours() > 0 ? broken.hours() : 1;
        boolean one = broken.without().size() == 1 && !broken.without().contains(Component.MAINS);
        plan.units().forEach((id, unit) -> {
            var trouble = then.get(id);
            boolean unlit =
                    trouble != null && trouble.dark() && !broken.without().contains(Component.unit(id));
            boolean entered = unit.power().source() == PowerSource.MAINS;
            if (unlit
                    && entered
                    && facts.outages().leaningOn(Component.unit(id)).contains(broken.device())) {
                backup(id, unit, hours);
                plan.circuits().forEach((circuit, c) -> {
                    // where any one may go, another circuit is as bad
                    if (!one && !circuit.equals(unit.power().circuit()) && lives(circuit, broken)) {
                        move(
                                "circuit " + id + " " + circuit,
                                unit.name() + " moves to the circuit " + c.name(),
                                REWIRE_COST,
                                Edit.replace(Pointers.of("units", id, "power", "circuit"), circuit));
                    }
                });
            }
        });
    }

    /** Whether a circuit is fed by something of its own while an outage lasts. */
    private boolean lives(String circuit, BrokenPromise broken) {
        String from = Objects.requireNonNull(plan.circuits().get(circuit)).from();
        return from != null && !broken.without().contains(Component.circuit(circuit));
    }

    private void backup(String id, Unit unit, double hours) {
        PowerNode node = Objects.requireNonNull(facts.power().get(id));
        Part own = backupPart(unit);
        if (own != null && node.store() != null && node.store().hours() > 0) {
            int now = unit.power().parts();
            int count = (int) Math.ceil(now * hours / node.store().hours());
            if (count > now && count <= MOST_PACKS) {
                put(
                        "backup " + id,
                        (count - now) + " more of “" + own.name() + "” at " + unit.name() + ", " + Outage.words(hours),
                        (count - now) * Objects.requireNonNullElse(own.price(), 0.0),
                        own.price() == null,
                        Figure.of(
                                "packs for the hours − packs there are, × price",
                                "price of the part in the catalogue",
                                false,
                                "packs there are",
                                String.valueOf(now),
                                "they carry",
                                Text.number(node.store().hours(), 1) + " h",
                                "wanted",
                                Text.number(hours, 1) + " h",
                                "price",
                                own.price() == null ? "not known" : Text.number(own.price(), 2)),
                        false,
                        List.of(Edit.replace(Pointers.of("units", id, "power", "count"), count)));
            }
            return;
        }
        double watts = node.takenW();
        Part cheapest = facts.parts().all().stream()
                .filter(p -> p.kind() == PartKind.BACKUP && p.price() != null && p.figure(Quantity.OUTPUT_V, 0) > 48)
                .min(Comparator.comparingDouble(p -> Objects.requireNonNull(p.price())))
                .orElse(null);
        double wattHours = watts * hours / BACKUP_USABLE;
        double pack = cheapest == null ? 1 : cheapest.figure(Quantity.ENERGY_WH, 1);
        double count = Math.max(1, Math.ceil(wattHours / pack));
        double cost = cheapest == null ? 0 : count * Objects.requireNonNull(cheapest.price());
        Power power = unit.power();
        put(
                "backup " + id,
                "Backup for " + unit.name() + ", " + Outage.words(hours)
                        + (wattHours > 0 ? ": at least " + Math.round(Math.ceil(wattHours)) + " Wh" : ""),
                cost,
                true,
                Figure.of(
                        "power × hours ÷ (usable 0.7 × converted 0.8), in whole packs × price of a pack",
                        "the cheapest backup on mains of the catalogue; power: what the box and all that it feeds take",
                        false,
                        "power",
                        Text.number(watts, 2) + " W",
                        "hours",
                        Text.number(hours, 1) + " h",
                        "energy",
                        Text.number(wattHours, 0) + " Wh",
                        "pack",
                        cheapest == null
                                ? "none in the catalogue"
                                : cheapest.name() + ", " + Text.number(pack, 0) + " Wh",
                        "packs",
                        Text.number(count, 0)),
                false,
                List.of(Edit.replace(Pointers.of("units", id, "power", "backupH"), Math.max(power.backupH(), hours))));
    }

    private @Nullable Part backupPart(Unit unit) {
        return Stream.of(
                        unit.boards() == null ? null : unit.boards().main(),
                        unit.power().part())
                .filter(Objects::nonNull)
                .flatMap(part -> facts.parts().find(part).stream())
                .filter(part -> part.kind() == PartKind.BACKUP)
                .findFirst()
                .orElse(null);
    }

    /** Another box of the same kind beside one that fails, with links like its own. */
    private void twin(String component) {
        if (!component.startsWith("unit:")) {
            return;
        }
        String id = component.substring("unit:".length());
        Unit unit = plan.units().get(id);
        if (unit == null || !(unit.is(UnitKind.GATEWAY) || unit.is(UnitKind.ACCESS_POINT)) || unit.place() == null) {
            return;
        }
        String twin = free(id + "-2", plan.units().keySet());
        Place place = unit.place();
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.add(
                Pointers.of("units", twin),
                unit.with(u -> u.name(free(unit.name()))
                        .ipv4(null)
                        .mac(null)
                        .nodeId(null)
                        .place(new Place(
                                place.room(), place.spot(), place.xM() + BESIDE_M, place.yM(), place.heightM())))));
        plan.links().forEach((link, l) -> {
            if (l.medium() == Medium.ETHERNET && (l.from().equals(id) || l.to().equals(id))) {
                edits.add(Edit.add(
                        Pointers.of("links", free(link + "-2", plan.links().keySet())),
                        l.from().equals(id) ? l.withFrom(twin) : l.withTo(twin)));
            }
        });
        Double price = unit.boards() == null
                ? null
                : facts.parts().find(unit.boards().main()).map(Part::price).orElse(null);
        put(
                "twin " + id,
                "A second " + (unit.is(UnitKind.GATEWAY) ? "gateway" : "access point") + " beside " + unit.name(),
                price == null ? boxCost() : price,
                price == null,
                price == null
                        ? AVERAGE
                        : Figure.of("price of the same box", "price of the part in the catalogue", false),
                false,
                edits);
    }

    private double boxCost() {
        return facts.parts().all().stream()
                .filter(p -> p.kind() == PartKind.NETWORK_BOX && p.price() != null)
                .mapToDouble(p -> Objects.requireNonNull(p.price()))
                .average()
                .orElse(60);
    }

    /** Lines take over from one another. */
    private void line(Collection<BrokenPromise> broken) {
        long lines = plan.units().values().stream().filter(Unit::internetEntry).count();
        boolean line = broken.stream()
                .flatMap(b -> b.without().stream())
                .anyMatch(c -> c.startsWith("line:") || c.startsWith("unit:"));
        if (lines > 1 && line && !Boolean.TRUE.equals(plan.network().failover())) {
            put(
                    "failover",
                    "Another line takes over when the first fails",
                    NO_COST,
                    false,
                    Edit.add("/network/failover", true));
        }
        if (lines == 1 && line) {
            secondLine();
        }
    }

    /** A line of its own, over a box of its own, that takes over: beside the first, on the cable to the nearest switch or hub. */
    private void secondLine() {
        Map.Entry<String, Unit> first = plan.units().entrySet().stream()
                .filter(e -> e.getValue().internetEntry())
                .findFirst()
                .orElseThrow();
        Unit unit = first.getValue();
        Place place = unit.place();
        plan.links().values().stream()
                .filter(l -> l.medium() == Medium.ETHERNET)
                .flatMap(l -> l.from().equals(first.getKey())
                        ? Stream.of(l.to())
                        : l.to().equals(first.getKey()) ? Stream.of(l.from()) : Stream.of())
                .min(Comparator.comparing(
                        id -> !Objects.requireNonNull(plan.units().get(id)).is(UnitKind.SWITCH)))
                .filter(id -> place != null)
                .ifPresent(to -> {
                    String id = free("second-line", plan.units().keySet());
                    Place beside = Objects.requireNonNull(place);
                    put(
                            "line",
                            "A second line, over a box of its own, takes over when the first fails",
                            boxCost(),
                            true,
                            AVERAGE,
                            false,
                            List.of(
                                    Edit.add(
                                            Pointers.of("units", id),
                                            UnitBuilder.builder()
                                                    .name("second line")
                                                    .kind(UnitKind.ROUTER)
                                                    .place(new Place(
                                                            beside.room(),
                                                            beside.spot(),
                                                            beside.xM() + BESIDE_M,
                                                            beside.yM(),
                                                            beside.heightM()))
                                                    .power(unit.power())
                                                    .internetEntry(true)
                                                    .asksAgain(true)
                                                    .build()),
                                    Edit.add(
                                            Pointers.of(
                                                    "links",
                                                    free(
                                                            id + "-" + to,
                                                            plan.links().keySet())),
                                            Link.of(id, to, Medium.ETHERNET, null, null, null)),
                                    Edit.add("/network/failover", true)));
                });
    }

    private static String free(String wished, Set<String> taken) {
        String id = Slugs.slug(wished, "more");
        for (int n = 2; taken.contains(id); n++) {
            id = Slugs.slug(wished, "more") + "-" + n;
        }
        return id;
    }

    private String free(String name) {
        Set<String> taken = new TreeSet<>();
        plan.units().values().forEach(u -> taken.add(u.name()));
        String one = name + " 2";
        for (int n = 3; taken.contains(one); n++) {
            one = name + " " + n;
        }
        return one;
    }
}
