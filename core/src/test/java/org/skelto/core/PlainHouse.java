package org.skelto.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;

/**
 * The house worked out the plain way, from the words of the behaviour contract alone: every question is answered by
 * walking through the plan, nothing is shared with the model that it is compared with. Of states it says
 * {@code holds}, {@code reduced}, {@code by hand}, {@code lost} or {@code unsafe}.
 */
final class PlainHouse {
    private final Plan plan;
    private final Catalogue parts;
    private final Set<String> gone;
    private final Margins margins;

    private final Map<String, Set<String>> reached = new HashMap<>();
    private final Map<String, Map<String, Double>> steps = new HashMap<>();

    private double clockH;

    /** Hours after which the last of those that give out addresses had gone. */
    private double routersGoneH = Double.POSITIVE_INFINITY;

    /** Chance that a link must have to be used. */
    private double least;

    private final Set<String> alive = new HashSet<>();
    private final Set<String> full = new HashSet<>();
    private final Set<String> standby = new HashSet<>();

    /** What is given of links: the chance that what one end sends arrives, 0 where it never does. */
    interface Margins {
        double planned(String link, String sender);

        double unplanned(String from, String to, Medium medium);

        /** Whether a point of the wireless network covers a place to work from, or nobody marked any. */
        boolean phones(String point);
    }

    /** What is given: loads and cells, by unit; loads by {@code device:id} too. */
    interface Loads {
        double ownW(String unit);

        double takenW(String unitOrDevice);

        double cellsH(String unit);
    }

    PlainHouse(Plan plan, Catalogue parts, Margins margins, Loads loads, Set<String> gone, double atH) {
        this(plan, parts, margins, gone);
        Map<String, Double> energy = new TreeMap<>();
        plan.units().forEach((id, u) -> {
            if (u.power().sources().stream().anyMatch(s -> s.source() == PowerSource.BATTERY)) {
                energy.put(id, Math.max(loads.cellsH(id), backupH(id, u, loads)));
            }
        });
        PlainHouse whole = new PlainHouse(plan, parts, margins, Set.of());
        whole.light(energy);
        plan.units().forEach((id, u) -> {
            double h = backupH(id, u, loads);
            if (h > 0 && !energy.containsKey(id) && whole.alive.contains(id)) {
                energy.put(id, h);
            }
        });
        standby.addAll(energy.keySet());
        double clock = 0;
        clockH = atH;
        while (true) {
            List<String> draining = light(energy);
            boolean none = those(u -> has(u, UnitKind.ROUTER)).stream().noneMatch(this::runs);
            if (none && !those(u -> has(u, UnitKind.ROUTER)).isEmpty()) {
                routersGoneH = Math.min(routersGoneH, clock);
            }
            double step = draining.stream().mapToDouble(energy::get).min().orElse(Double.POSITIVE_INFINITY);
            if (clock + step >= atH) {
                return;
            }
            clock += step;
            draining.forEach(id -> energy.merge(id, -step, Double::sum));
            energy.values().removeIf(h -> h < 1e-9);
        }
    }

    private PlainHouse(Plan plan, Catalogue parts, Margins margins, Set<String> gone) {
        this.plan = plan;
        this.parts = parts;
        this.margins = margins;
        this.gone = gone;
    }

    /** Lights all that lives, and says which of the stores are used for it. */
    private List<String> light(Map<String, Double> energy) {
        alive.clear();
        full.clear();
        full.addAll(energy.keySet());
        shine();
        List<String> used = new ArrayList<>();
        while (true) {
            List<String> waiting =
                    energy.keySet().stream().filter(id -> !alive.contains(id)).toList();
            if (waiting.isEmpty()) {
                return used;
            }
            String next = waiting.stream()
                    .filter(id -> waiting.stream()
                            .noneMatch(up -> !up.equals(id)
                                    && above(up, id, new HashSet<>())
                                    && !above(id, up, new HashSet<>())))
                    .findFirst()
                    .orElseThrow();
            alive.add(next);
            used.add(next);
            shine();
        }
    }

    /** As many rounds as there are units are enough for power to arrive everywhere. */
    private void shine() {
        for (int round = 0; round <= plan.units().size(); round++) {
            plan.units().forEach((id, u) -> {
                if (u.power().sources().stream().anyMatch(s -> s.source() != PowerSource.BATTERY && gives(id, s))) {
                    alive.add(id);
                }
            });
        }
    }

    /** Whether one unit may feed another, in however many steps. */
    private boolean above(String up, String down, Set<String> seen) {
        return seen.add(down)
                && plan.units().keySet().stream()
                        .anyMatch(mid -> feeds(mid, down) && (mid.equals(up) || above(up, mid, seen)));
    }

    private boolean feeds(String up, String down) {
        return plan.units().get(down).power().sources().stream()
                .anyMatch(s -> s.source() == PowerSource.MAINS
                        ? plan.circuits().entrySet().stream()
                                .anyMatch(c -> up.equals(c.getValue().from())
                                        && (s.circuit() == null || s.circuit().equals(c.getKey())))
                        : s.source() != PowerSource.BATTERY && up.equals(s.from()));
    }

    /** Energy of the chosen part over all that it could have to feed, else the hours typed. */
    private double backupH(String id, Unit u, Loads loads) {
        Part part = u.boards() == null ? null : parts.find(u.boards().main()).orElse(null);
        if (part == null || part.kind() != PartKind.BACKUP) {
            part = parts.find(u.power().part()).orElse(null);
        }
        if (part == null || part.kind() != PartKind.BACKUP) {
            return u.power().backupH();
        }
        double watts = loads.ownW(id) + part.figure(Quantity.STANDBY_W, 0);
        for (String other : plan.units().keySet()) {
            boolean fed = plan.units().get(other).power().sources().stream()
                    .anyMatch(s -> s.source() == PowerSource.MAINS
                            ? s.circuit() != null
                                    && id.equals(
                                            plan.circuits().get(s.circuit()).from())
                            : s.source() != PowerSource.BATTERY && id.equals(s.from()));
            watts += fed ? loads.takenW(other) : 0;
        }
        for (Map.Entry<String, Device> d : plan.devices().entrySet()) {
            String supply = d.getValue().known().supply();
            String circuit = d.getValue().circuit();
            String from = supply != null
                    ? supply
                    : circuit == null ? null : plan.circuits().get(circuit).from();
            watts += id.equals(from) ? loads.takenW("device:" + d.getKey()) : 0;
        }
        double wattHours = part.figure(Quantity.ENERGY_WH, 0)
                * (u.power().count() == null ? 1 : u.power().count());
        return Math.min(
                100_000,
                wattHours
                        * part.figure(Quantity.USABLE, 0.7)
                        * part.figure(Quantity.EFFICIENCY, 0.85)
                        * cold(u)
                        / watts);
    }

    /** What the cold leaves of a backup: 60 % where it freezes, 85 % outdoors. */
    private double cold(Unit u) {
        Double coldest = u.duty() == null ? null : u.duty().coldestC();
        if (coldest != null) {
            return Math.max(0.1, Math.min(1, 1 - 0.5 * (20 - coldest) / 20));
        }
        Exposure where = u.place() == null
                ? Exposure.DRY
                : u.place().room() != null
                        ? plan.rooms().get(u.place().room()).exposure()
                        : u.place().spot() != null
                                ? plan.spots().get(u.place().spot()).exposure()
                                : Exposure.DRY;
        return where == Exposure.FREEZING ? 0.6 : where == Exposure.OUTDOOR ? 0.85 : 1;
    }

    private boolean there(String component) {
        return !gone.contains(component);
    }

    private boolean powered(String unit) {
        return alive.contains(unit) && there("unit:" + unit);
    }

    private boolean runs(String unit) {
        return powered(unit) && there("hangs:" + unit);
    }

    private boolean gives(String unit, Source s) {
        if (s.source() == PowerSource.BATTERY) {
            return full.contains(unit);
        }
        if (s.source() == PowerSource.MAINS) {
            return live(s.circuit());
        }
        if (s.from() == null || !powered(s.from())) {
            return false;
        }
        return s.source() == PowerSource.SUPPLY
                ? there("feed:" + unit)
                : plan.links().entrySet().stream()
                        .anyMatch(e -> e.getValue().medium() == Medium.ETHERNET
                                && ends(e.getValue()).equals(Set.of(unit, s.from()))
                                && there("link:" + e.getKey()));
    }

    private static Set<String> ends(Link link) {
        return new HashSet<>(Arrays.asList(link.from(), link.to()));
    }

    private boolean live(String circuit) {
        if (circuit == null) {
            return there("mains")
                    && (plan.circuits().isEmpty()
                            || plan.circuits().keySet().stream().anyMatch(this::live));
        }
        String from = plan.circuits().get(circuit).from();
        return there("circuit:" + circuit) && (from == null ? there("mains") : powered(from));
    }

    // ------------------------------------------------------------------ reach

    /** Whether messages get from one unit to another; where they get to from each is walked once. */
    private boolean reach(String from, String to) {
        return reach(from, to, false);
    }

    private boolean reach(String from, String to, boolean pastGateways) {
        return runs(from)
                && runs(to)
                && (from.equals(to)
                        || reached.computeIfAbsent(from + " " + least + pastGateways, k -> walk(from, pastGateways))
                                .contains(to));
    }

    /** Walks in every way there is, a step at a time, from what was reached over what. */
    private Set<String> walk(String from, boolean pastGateways) {
        Map<String, Integer> at = new HashMap<>(Map.of(from + " -", 0));
        boolean more = true;
        while (more) {
            more = false;
            for (String where : List.copyOf(at.keySet())) {
                String unit = where.substring(0, where.indexOf(' '));
                String over = where.substring(where.indexOf(' ') + 1);
                for (Map.Entry<String, Double> step :
                        steps.computeIfAbsent(unit, this::steps).entrySet()) {
                    String key = step.getKey();
                    Medium m = Medium.valueOf(key.substring(key.indexOf(' ') + 1));
                    int hops = !m.mesh() ? 0 : over.equals(m.name()) ? at.get(where) + 1 : 1;
                    boolean barred = pastGateways && has(unit, UnitKind.GATEWAY) && !over.equals("-");
                    if (good(step.getValue())
                            && !barred
                            && (over.equals("-") || passes(unit, Medium.valueOf(over), m))
                            && hops <= (m == Medium.MESH_G9959 ? 5 : 30)
                            && (!at.containsKey(key) || at.get(key) > hops)) {
                        at.put(key, hops);
                        more = true;
                    }
                }
            }
        }
        Set<String> units = new HashSet<>();
        at.keySet().forEach(key -> units.add(key.substring(0, key.indexOf(' '))));
        return units;
    }

    /** Whom a unit gets through to directly and over what, each with the chance of the better link. */
    private Map<String, Double> steps(String unit) {
        Map<String, Double> steps = new HashMap<>();
        plan.links().forEach((id, link) -> {
            String next = link.from().equals(unit) ? link.to() : link.to().equals(unit) ? link.from() : null;
            if (next != null
                    && runs(next)
                    && there("link:" + id)
                    && !(ip(link.medium()) && (nameless(unit) || nameless(next)))
                    && link.medium() != Medium.RS485
                    && (link.medium() != Medium.POWER_LINE || carrier(unit, next))
                    && (link.twoWay() || link.from().equals(unit))) {
                steps.merge(next + " " + link.medium(), margins.planned(id, unit), Math::max);
            }
        });
        bus(unit).forEach((next, worth) -> {
            if (!next.equals(unit) && runs(next)) {
                steps.put(next + " " + Medium.RS485, worth);
            }
        });
        plan.units().keySet().forEach(next -> {
            boolean unplanned = plan.links().values().stream()
                    .noneMatch(
                            l -> l.medium() == Medium.POWER_LINE && ends(l).contains(unit) && ends(l).contains(next));
            boolean placed = plan.units().get(unit).place() != null
                    && plan.units().get(next).place() != null;
            if (!next.equals(unit)
                    && runs(next)
                    && unplanned
                    && placed
                    && onCarrier(unit)
                    && onCarrier(next)
                    && carrier(unit, next)) {
                String[] both = {unit, next};
                Arrays.sort(both);
                steps.put(next + " " + Medium.POWER_LINE, margins.unplanned(both[0], both[1], Medium.POWER_LINE));
            }
        });
        plan.units()
                .keySet()
                .forEach(next -> plan.units().get(unit).media().forEach(m -> {
                    if (!next.equals(unit) && runs(next) && !(ip(m) && (nameless(unit) || nameless(next)))) {
                        steps.merge(next + " " + m, finds(unit, next, m), Math::max);
                    }
                }));
        return steps;
    }

    /** Every unit that the wires of a bus lead to from one, whoever lives on it, with the worst stretch of the best way along them. */
    private Map<String, Double> bus(String unit) {
        Map<String, Double> worth = new HashMap<>(Map.of(unit, 1.0));
        for (int round = 0; round <= plan.units().size(); round++) {
            plan.links().forEach((id, link) -> {
                if (link.medium() == Medium.RS485 && there("link:" + id)) {
                    stretch(worth, id, link.from(), link.to());
                    if (link.twoWay()) {
                        stretch(worth, id, link.to(), link.from());
                    }
                }
            });
        }
        return worth;
    }

    private void stretch(Map<String, Double> worth, String link, String here, String there) {
        double so = Math.min(worth.getOrDefault(here, 0.0), margins.planned(link, here));
        if (so > 0) {
            worth.merge(there, so, Math::max);
        }
    }

    private boolean onCarrier(String unit) {
        return plan.links().values().stream().anyMatch(l -> l.medium() == Medium.POWER_LINE && ends(l).contains(unit));
    }

    /** Whether what one unit puts on the mains wires gets to another. */
    private boolean carrier(String one, String other) {
        return sockets(one).stream()
                .anyMatch(a -> sockets(other).stream().anyMatch(b -> {
                    Circuit.Phase pa = a == null ? null : plan.circuits().get(a).phase();
                    Circuit.Phase pb = b == null ? null : plan.circuits().get(b).phase();
                    boolean coupled = plan.units().keySet().stream().anyMatch(u -> has(u, UnitKind.COUPLER) && runs(u));
                    return live(a) && live(b) && (pa == null || pb == null || pa == pb || coupled);
                }));
    }

    private List<String> sockets(String unit) {
        List<String> all = new ArrayList<>();
        for (Source s : plan.units().get(unit).power().sources()) {
            if (s.source() == PowerSource.MAINS
                    && (s.circuit() == null
                            || !Boolean.TRUE.equals(
                                    plan.circuits().get(s.circuit()).filtered()))) {
                all.add(s.circuit());
            }
        }
        return all;
    }

    private boolean has(String unit, UnitKind role) {
        return has(plan.units().get(unit), role);
    }

    private static boolean has(Unit u, UnitKind role) {
        return u.kind() == role || u.roles() != null && u.roles().contains(role);
    }

    private static boolean ip(Medium m) {
        return m == Medium.ETHERNET || m == Medium.WIFI_2G4 || m == Medium.WIFI_5G;
    }

    /** Whether a unit that is no box in between has lost the address that was lent to it. */
    private boolean nameless(String unit) {
        Unit u = plan.units().get(unit);
        boolean between = has(u, UnitKind.ROUTER) || has(u, UnitKind.SWITCH) || has(u, UnitKind.ACCESS_POINT);
        return !between && u.leaseH() != null && clockH > routersGoneH + u.leaseH();
    }

    private boolean good(double chance) {
        return chance > 0 && chance >= least;
    }

    /** The chance that one unit's radio gets through to another's though nobody planned a link between them; 0 where it does not. */
    private double finds(String from, String to, Medium m) {
        Unit a = plan.units().get(from);
        Unit b = plan.units().get(to);
        boolean planned =
                plan.links().values().stream().anyMatch(l -> l.medium() == m && ends(l).equals(Set.of(from, to)));
        if (planned || a.place() == null || b.place() == null || b.radio(m).isEmpty()) {
            return 0;
        }
        String[] both = {from, to};
        Arrays.sort(both);
        if (m.mesh()) {
            return steadyOrGateway(a) || steadyOrGateway(b) ? margins.unplanned(both[0], both[1], m) : 0;
        }
        if (m == Medium.WIFI_2G4 || m == Medium.WIFI_5G) {
            return roams(from, to, m) || roams(to, from, m) ? margins.unplanned(both[0], both[1], m) : 0;
        }
        boolean heard = !gateway(a) && gateway(b) && b.radio(m).get().receives();
        boolean beacon = m != Medium.BLE
                || !a.radio(m).get().receives()
                || plan.links().values().stream()
                        .anyMatch(l -> l.medium() == m && l.from().equals(from) && !l.twoWay());
        return heard && beacon ? margins.unplanned(both[0], both[1], m) : 0;
    }

    private static boolean gateway(Unit u) {
        return has(u, UnitKind.GATEWAY) || has(u, UnitKind.HUB);
    }

    private static boolean steadyOrGateway(Unit u) {
        return gateway(u) || u.power().sources().stream().anyMatch(s -> s.source() != PowerSource.BATTERY);
    }

    /** Whether a station joins the network that a point offers by name. */
    private boolean roams(String station, String point, Medium m) {
        Unit s = plan.units().get(station);
        Unit p = plan.units().get(point);
        if (point(s) || !point(p) || p.wireless() == null || p.wireless().name() == null) {
            return false;
        }
        String name = p.wireless().name();
        if (s.wireless() != null && s.wireless().joins() != null) {
            return name.equals(s.wireless().joins());
        }
        return plan.links().values().stream()
                .filter(l -> l.medium() == m && ends(l).contains(station))
                .map(l -> plan.units().get(l.from().equals(station) ? l.to() : l.from()))
                .anyMatch(o -> point(o)
                        && o.wireless() != null
                        && name.equals(o.wireless().name()));
    }

    private static boolean point(Unit u) {
        return has(u, UnitKind.ACCESS_POINT) || has(u, UnitKind.ROUTER);
    }

    private boolean passes(String id, Medium in, Medium out) {
        Unit u = plan.units().get(id);
        boolean box = has(u, UnitKind.ROUTER)
                || has(u, UnitKind.SWITCH)
                || has(u, UnitKind.ACCESS_POINT)
                || has(u, UnitKind.GATEWAY)
                || has(u, UnitKind.HUB) && Boolean.TRUE.equals(u.bridges())
                || has(u, UnitKind.INFRARED_SENDER) && out == Medium.INFRARED;
        if (box) {
            return true;
        }
        if (in != out || u.kind() == UnitKind.SUPPLY || in == Medium.RS485) {
            return false;
        }
        if ((in == Medium.CHIRP || in == Medium.SUB_GHZ) && Boolean.TRUE.equals(u.relays())) {
            return true;
        }
        Boolean said = u.radio(in).map(Radio::repeats).orElse(null);
        boolean steady = u.power().sources().stream().anyMatch(s -> s.source() != PowerSource.BATTERY);
        return in.mesh() ? steady && !Boolean.FALSE.equals(said) : Boolean.TRUE.equals(said);
    }

    // ------------------------------------------------------------------ rest

    private RestState nature(Device d) {
        String part = d.known().part();
        if (part != null && parts.find(part).isPresent()) {
            if (parts.find(part).get().is(Trait.FAIL_SAFE)) {
                return RestState.OPEN;
            }
            if (parts.find(part).get().is(Trait.FAIL_SECURE)) {
                return RestState.CLOSED;
            }
        }
        return d.rest();
    }

    private boolean stays(Device d) {
        return nature(d) != RestState.OPEN && nature(d) != RestState.CLOSED;
    }

    /** {@code shut}, {@code open} or {@code unknown}. */
    private String position(String id, Device d) {
        if (stays(d)) {
            return "unknown";
        }
        boolean failSafe = nature(d) == RestState.OPEN;
        String withPower = failSafe ? "shut" : "open";
        String without = failSafe ? "open" : "shut";
        if (!fed(id, d)) {
            return without;
        }
        if (!there("welded:" + id)) {
            return board(d) && d.kind() == DeviceKind.LOCK && withPower.equals("shut") ? "shut" : withPower;
        }
        if (d.unit() != null && powered(d.unit())) {
            return board(d) && d.kind() == DeviceKind.LOCK ? "shut" : "unknown";
        }
        ContactRest contact = d.known().contact();
        if (contact == ContactRest.BISTABLE) {
            return "unknown";
        }
        return contact == ContactRest.NORMALLY_CLOSED ? withPower : without;
    }

    private boolean board(Device d) {
        return d.unit() != null && runs(d.unit());
    }

    private boolean fed(String id, Device d) {
        if (d.known().supply() != null) {
            return there("wire:" + id) && runs(d.known().supply());
        }
        return d.circuit() != null ? there("wire:" + id) && live(d.circuit()) : board(d);
    }

    // ------------------------------------------------------------------ ways

    private String hub(Device d) {
        return d.unit() == null ? null : plan.units().get(d.unit()).hub();
    }

    private List<String> those(Predicate<Unit> test) {
        return plan.units().keySet().stream()
                .filter(id -> test.test(plan.units().get(id)))
                .toList();
    }

    /** Whether a unit needs no broker, or gets through to one that the hub gets through to as well. */
    private boolean brokered(String unit, String hub) {
        return plan.units().get(unit).talks() == Talks.REQUEST
                || those(Unit::broker).stream()
                        .anyMatch(b -> there("broker:" + b)
                                && runs(b)
                                && (b.equals(hub) || reach(b, hub) && reach(hub, b))
                                && (b.equals(unit) || reach(unit, b)));
    }

    /** Whether messages get from the hub to a unit, or back. */
    private boolean between(String hub, String unit, boolean command) {
        if (!runs(hub)) {
            return false;
        }
        boolean any = command ? reach(hub, unit) : reach(unit, hub);
        Unit u = plan.units().get(unit);
        if (those(Unit::broker).isEmpty() || u.talks() == Talks.REQUEST || unit.equals(hub)) {
            return any;
        }
        boolean onNetwork = u.media().stream().anyMatch(Medium::wifi)
                || plan.links().values().stream()
                        .anyMatch(l -> l.medium() == Medium.ETHERNET && ends(l).contains(unit));
        if (onNetwork) {
            return any && brokered(unit, hub);
        }
        return (command ? reach(hub, unit, true) : reach(unit, hub, true))
                || those(o -> has(o, UnitKind.GATEWAY)).stream()
                        .anyMatch(g -> brokered(g, hub)
                                && (command ? reach(hub, g) && reach(g, unit) : reach(unit, g) && reach(g, hub)));
    }

    private boolean works(String id, Device d) {
        return board(d) && fed(id, d) && there("welded:" + id);
    }

    private boolean commanded(String id, Device d) {
        return hub(d) != null && works(id, d) && between(hub(d), d.unit(), true);
    }

    private boolean heard(Device d) {
        return hub(d) != null && board(d) && between(hub(d), d.unit(), false);
    }

    /** By what a device is controlled; what nobody chose is the hub, or the panel that it sits on where no hub serves that. */
    private Set<ControlScheme> schemes(Device d) {
        if (d.control() != null) {
            return d.control();
        }
        boolean panel = d.unit() != null && has(d.unit(), UnitKind.PANEL) && hub(d) == null;
        return Set.of(panel ? ControlScheme.PANEL : ControlScheme.HUB);
    }

    private boolean panel(String unit, boolean command) {
        return unit != null
                && those(o -> has(o, UnitKind.PANEL)).stream()
                        .anyMatch(p -> runs(p) && (command ? reach(p, unit) : reach(unit, p)));
    }

    private boolean overService(String unit, ServiceKind kind) {
        return line(unit) && services(kind).stream().anyMatch(s -> there("service:" + s));
    }

    private boolean rules(String hub) {
        return hub != null && there("rules:" + hub);
    }

    /** Access points that count for phones, and wall tablets. */
    private List<String> screens() {
        return those(u -> true).stream()
                .filter(id -> has(id, UnitKind.WALL_TABLET)
                        || (has(id, UnitKind.ACCESS_POINT)
                                        || has(id, UnitKind.ROUTER)
                                                && plan.units().get(id).media().stream()
                                                        .anyMatch(Medium::wifi))
                                && margins.phones(id))
                .toList();
    }

    private boolean phoneAtHome(String unit) {
        return unit != null && screens().stream().anyMatch(s -> reach(s, unit));
    }

    private boolean spokenTo(String unit) {
        List<String> assistants = those(u -> has(u, UnitKind.ASSISTANT));
        boolean ear = assistants.isEmpty()
                ? phoneAtHome(unit)
                : assistants.stream().anyMatch(a -> overService(a, ServiceKind.SPOKEN));
        return ear && overService(unit, ServiceKind.SPOKEN);
    }

    private boolean line(String hub) {
        if (hub == null || !there("internet")) {
            return false;
        }
        List<String> order = new ArrayList<>(plan.network().lines());
        new TreeSet<>(plan.units().keySet()).forEach(id -> {
            if (!order.contains(id)) {
                order.add(id);
            }
        });
        order.removeIf(id -> !plan.units().get(id).internetEntry());
        boolean all = Boolean.TRUE.equals(plan.network().failover());
        return order.stream()
                .limit(all ? order.size() : 1)
                .anyMatch(id -> there("line:" + id) && runs(id) && (id.equals(hub) || reach(hub, id)));
    }

    private List<String> services(ServiceKind kind) {
        return plan.services().keySet().stream()
                .filter(s -> plan.services().get(s).kind() == kind)
                .toList();
    }

    private boolean away(String hub) {
        return line(hub)
                && (services(ServiceKind.REMOTE_ACCESS).stream().anyMatch(s -> there("service:" + s))
                        || plan.units().keySet().stream()
                                .anyMatch(u -> plan.units().get(u).endsTunnel()
                                        && (u.equals(hub) ? runs(u) : reach(u, hub) && reach(hub, u))));
    }

    private boolean wall(String id, Device d, Device button) {
        boolean both = button.unit() != null && d.unit() != null;
        boolean same = both && button.unit().equals(d.unit());
        boolean bound = both
                && !same
                && plan.links().values().stream()
                        .anyMatch(l -> l.from().equals(button.unit()) && l.to().equals(d.unit())
                                || l.twoWay()
                                        && l.to().equals(button.unit())
                                        && l.from().equals(d.unit()));
        boolean direct = both && reach(button.unit(), d.unit()) && works(id, d);
        boolean byHub = heard(button) && commanded(id, d) && rules(hub(d));
        boolean byPanel = both && board(button) && works(id, d) && panel(button.unit(), false) && panel(d.unit(), true);
        if (d.control() == null) {
            boolean onPanel = schemes(d).contains(ControlScheme.PANEL);
            boolean hubToo = !same && !bound && !(both && onPanel)
                    || !onPanel && d.ways().contains(Way.RULE);
            return same && works(id, d) || bound && direct || onPanel && byPanel || hubToo && byHub;
        }
        return schemes(d).stream().anyMatch(scheme -> switch (scheme) {
            case OWN -> same && works(id, d);
            case BOUND -> bound && direct;
            case PANEL -> byPanel;
            case HUB -> byHub;
            case REQUEST -> direct;
            case SERVICE ->
                both
                        && board(button)
                        && works(id, d)
                        && overService(button.unit(), ServiceKind.REMOTE_ACCESS)
                        && overService(d.unit(), ServiceKind.REMOTE_ACCESS);
        });
    }

    /** Whether a way but the wall control, the message and the own one works by a control scheme. */
    private boolean by(ControlScheme scheme, Way way, String id, Device d, boolean tells) {
        boolean there = tells ? board(d) : works(id, d);
        boolean hub = tells ? heard(d) : commanded(id, d);
        String u = d.unit();
        boolean chosen = d.control() != null;
        return switch (way) {
            case RULE ->
                switch (scheme) {
                    case OWN -> chosen && there;
                    case PANEL -> there && panel(u, !tells);
                    case HUB -> hub && (tells || rules(hub(d)));
                    case SERVICE -> there && overService(u, ServiceKind.REMOTE_ACCESS);
                    default -> false;
                };
            case HOME_APP ->
                switch (scheme) {
                    case HUB -> hub && phoneAtHome(hub(d));
                    case REQUEST -> there && phoneAtHome(u);
                    case SERVICE ->
                        there
                                && overService(u, ServiceKind.REMOTE_ACCESS)
                                && screens().stream().anyMatch(this::line);
                    default -> false;
                };
            case AWAY_APP ->
                switch (scheme) {
                    case HUB -> hub && away(hub(d));
                    case REQUEST -> there && those(Unit::endsTunnel).stream().anyMatch(t -> line(t) && reach(t, u));
                    case SERVICE -> there && overService(u, ServiceKind.REMOTE_ACCESS);
                    default -> false;
                };
            case SPOKEN ->
                switch (scheme) {
                    case HUB -> hub && spokenTo(hub(d));
                    case SERVICE -> there && spokenTo(u);
                    default -> false;
                };
            default -> throw new IllegalArgumentException(way.name());
        };
    }

    /** What works of the ways that serve a job: how many, and whether one not by hand. */
    private final Map<String, List<Rule>> ruled = new HashMap<>();

    /** Rules that fire and work a device. */
    private List<Rule> rulesOf(String device) {
        return ruled.computeIfAbsent(device, this::firing);
    }

    private List<Rule> firing(String device) {
        List<Rule> all = new ArrayList<>();
        plan.rules().forEach((id, rule) -> {
            boolean called = rule.when().isEmpty()
                    && plan.rules().values().stream()
                            .filter(r -> !r.off())
                            .flatMap(r -> r.then().stream())
                            .anyMatch(a -> a.kind() == Action.Kind.RULE && id.equals(a.rule()));
            boolean placed = rule.host() != null
                    && (plan.units().containsKey(rule.host()) || plan.services().containsKey(rule.host()));
            boolean works = !rule.off() && placed && rule.then().stream().anyMatch(a -> about(a, device));
            if (works && (called || !rule.when().isEmpty()) && nothingGone(rule)) {
                all.add(rule);
            }
        });
        return all;
    }

    private boolean about(Action a, String device) {
        if (a.all() == null) {
            return device.equals(a.device());
        }
        Device d = plan.devices().get(device);
        Place place = d.place() != null || d.unit() == null
                ? d.place()
                : plan.units().get(d.unit()).kind().alone()
                        ? plan.units().get(d.unit()).place()
                        : null;
        String room = place == null ? null : place.room();
        boolean here = a.room() != null
                ? a.room().equals(room)
                : a.floor() == null
                        || room != null && plan.rooms().get(room).floor().equals(a.floor());
        return d.kind() == a.all() && here;
    }

    private boolean nothingGone(Rule rule) {
        Set<String> devices = new TreeSet<>();
        Set<String> modes = new TreeSet<>();
        Set<String> others = new TreeSet<>();
        boolean blank = false;
        for (Trigger t : rule.when()) {
            switch (t.kind()) {
                case BECOMES, VALUE, PRESSED, SILENT -> blank |= !noted(devices, t.device());
                case MODE -> blank |= !noted(modes, t.mode());
                default -> {}
            }
        }
        List<Term> terms = new ArrayList<>(rule.onlyIf());
        terms.addAll(rule.unless());
        for (Term t : terms) {
            switch (t.kind()) {
                case IS, VALUE -> blank |= !noted(devices, t.device());
                case MODE -> blank |= !noted(modes, t.mode());
                case HOLDS -> blank |= !noted(others, t.rule());
                default -> {}
            }
        }
        for (Action a : rule.then()) {
            switch (a.kind()) {
                case SET, LEVEL, PULSE -> blank |= a.all() == null && !noted(devices, a.device());
                case MODE -> blank |= !noted(modes, a.mode());
                case RULE -> blank |= !noted(others, a.rule());
                default -> {}
            }
        }
        return !blank
                && plan.devices().keySet().containsAll(devices)
                && plan.state().modes().keySet().containsAll(modes)
                && plan.rules().keySet().containsAll(others);
    }

    private static boolean noted(Set<String> all, String id) {
        return id != null && (all.add(id) || true);
    }

    private boolean carriedOut(Rule rule, String id, Device d) {
        String host = rule.host();
        boolean inside = plan.units().containsKey(host);
        boolean hub = inside && has(host, UnitKind.HUB);
        boolean up = inside ? runs(host) && (!hub || rules(host)) : there("service:" + host);
        boolean asked = true;
        for (Term t : rule.onlyIf()) {
            asked &= t.device() == null || told(host, hub, inside, t.device());
        }
        for (Term t : rule.unless()) {
            asked &= t.device() == null || told(host, hub, inside, t.device());
        }
        boolean set = rule.when().isEmpty()
                || rule.when().stream().anyMatch(t -> t.device() == null || told(host, hub, inside, t.device()));
        boolean arrives = d.unit() != null
                && (d.unit().equals(host)
                        || (inside
                                ? hub ? between(host, d.unit(), true) : reach(host, d.unit())
                                : overService(d.unit(), ServiceKind.REMOTE_ACCESS)));
        return up && asked && set && arrives && works(id, d);
    }

    private boolean told(String host, boolean hub, boolean inside, String device) {
        Device d = plan.devices().get(device);
        if (!board(d)) {
            return false;
        }
        if (d.unit().equals(host)) {
            return true;
        }
        return inside
                ? hub ? between(host, d.unit(), false) : reach(d.unit(), host)
                : overService(d.unit(), ServiceKind.REMOTE_ACCESS);
    }

    private List<Boolean> ways(String id, Device d, Job job, List<Boolean> hands) {
        List<Boolean> works = new ArrayList<>();
        boolean tells = Set.of(Job.REPORT, Job.ALERT_HOME, Job.ALERT_AWAY, Job.SEE, Job.RECORD)
                .contains(job);
        for (Way way : d.ways()) {
            if (!serves(way, job)) {
                continue;
            }
            switch (way) {
                case WALL_CONTROL -> {
                    if (d.wallControls().isEmpty()) {
                        works.add(false);
                    }
                    d.wallControls()
                            .forEach(b -> works.add(wall(id, d, plan.devices().get(b))));
                }
                case RULE, HOME_APP, AWAY_APP, SPOKEN -> {
                    List<String> recorders = those(u -> has(u, UnitKind.RECORDER));
                    works.add(
                            job == Job.RECORD && !recorders.isEmpty() && d.unit() != null
                                    ? board(d) && recorders.stream().anyMatch(r -> reach(d.unit(), r))
                                    : way == Way.RULE
                                                    && !tells
                                                    && d.control() == null
                                                    && !rulesOf(id).isEmpty()
                                            ? rulesOf(id).stream().anyMatch(r -> carriedOut(r, id, d))
                                            : schemes(d).stream().anyMatch(s -> by(s, way, id, d, tells))
                                                    || d.control() == null
                                                            && way != Way.RULE
                                                            && by(ControlScheme.HUB, way, id, d, tells));
                }
                case MESSAGE -> messages(d, works);
                case ALONE -> works.add(tells ? board(d) : works(id, d));
            }
        }
        if (job == Job.REPORT && ownBoard(d)) {
            works.add(board(d));
        }
        boolean key = d.known().lock() != null && d.known().lock().hasKey();
        if (job == Job.LET_IN ? key : handy(d, job)) {
            hands.add(job == Job.LET_IN || d.hand() != Hand.SWITCH || fed(id, d));
        }
        return works;
    }

    private void messages(Device d, List<Boolean> works) {
        Set<ControlScheme> by = schemes(d);
        List<String> all = services(ServiceKind.PUSH);
        boolean sent = by.contains(ControlScheme.HUB)
                || by.contains(ControlScheme.SERVICE)
                || by.contains(ControlScheme.PANEL)
                        && d.unit() != null
                        && !those(u -> has(u, UnitKind.PANEL)).isEmpty();
        if (all.isEmpty() || !sent) {
            works.add(false);
            return;
        }
        for (String s : all) {
            boolean hub = by.contains(ControlScheme.HUB) && heard(d) && rules(hub(d)) && line(hub(d));
            boolean panel = by.contains(ControlScheme.PANEL)
                    && board(d)
                    && those(u -> has(u, UnitKind.PANEL)).stream()
                            .anyMatch(p -> runs(p) && reach(d.unit(), p) && line(p));
            boolean itself = by.contains(ControlScheme.SERVICE) && board(d) && line(d.unit());
            works.add((hub || panel || itself) && there("service:" + s));
        }
    }

    private boolean ownBoard(Device d) {
        return d.kind() == DeviceKind.PUSH_BUTTON
                && d.unit() != null
                && plan.devices().values().stream()
                        .anyMatch(o -> d.unit().equals(o.unit())
                                && o.wallControls().stream()
                                        .anyMatch(b -> plan.devices().get(b) == d));
    }

    private boolean handy(Device d, Job job) {
        boolean could =
                Set.of(Job.OPERATE, Job.SOUND, Job.CLOSE, Job.OPEN, Job.LET_OUT).contains(job)
                        || job == Job.KEEP_OUT && stays(d);
        return could && d.hand() != Hand.NONE;
    }

    private static boolean serves(Way way, Job job) {
        Map<Job, Set<Way>> table = new EnumMap<>(Job.class);
        Set<Way> told = Set.of(Way.WALL_CONTROL, Way.RULE, Way.HOME_APP, Way.AWAY_APP, Way.SPOKEN, Way.ALONE);
        for (Job j : List.of(Job.OPERATE, Job.SOUND, Job.CLOSE, Job.OPEN, Job.KEEP_OUT)) {
            table.put(j, told);
        }
        table.put(Job.REPORT, Set.of(Way.RULE, Way.ALONE));
        table.put(Job.ALERT_HOME, Set.of(Way.HOME_APP, Way.SPOKEN, Way.ALONE));
        table.put(Job.ALERT_AWAY, Set.of(Way.AWAY_APP, Way.MESSAGE));
        table.put(Job.LET_OUT, Set.of(Way.WALL_CONTROL, Way.ALONE, Way.HOME_APP, Way.AWAY_APP, Way.SPOKEN));
        table.put(Job.LET_IN, Set.of(Way.ALONE, Way.HOME_APP, Way.AWAY_APP, Way.SPOKEN));
        table.put(Job.SEE, Set.of(Way.HOME_APP, Way.AWAY_APP));
        table.put(Job.RECORD, Set.of(Way.RULE, Way.ALONE));
        return table.get(job).contains(way);
    }

    // ------------------------------------------------------------------ jobs

    private Set<Job> jobs(Device d) {
        if (d.jobs() != null) {
            return d.jobs();
        }
        Set<Job> jobs = new TreeSet<>();
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
            Map<DeviceKind.Family, List<Job>> of = Map.of(
                    DeviceKind.Family.LOAD, List.of(Job.OPERATE),
                    DeviceKind.Family.SENSOR, List.of(Job.REPORT, Job.ALERT_HOME, Job.ALERT_AWAY),
                    DeviceKind.Family.SOUNDER, List.of(Job.SOUND),
                    DeviceKind.Family.BARRIER, List.of(Job.KEEP_OUT, Job.LET_OUT, Job.LET_IN),
                    DeviceKind.Family.VALVE, List.of(Job.CLOSE, Job.OPEN),
                    DeviceKind.Family.CAMERA, List.of(Job.SEE, Job.RECORD));
            for (Job job : of.get(d.kind().family())) {
                boolean key = job == Job.LET_IN
                        && d.hand() != Hand.NONE
                        && d.known().lock() != null
                        && d.known().lock().hasKey();
                if (d.ways().stream().anyMatch(w -> serves(w, job)) || handy(d, job) || key) {
                    jobs.add(job);
                }
            }
            if (ownBoard(d)) {
                jobs.add(Job.REPORT);
            }
        }
        return jobs;
    }

    /** The state of each job of each device. */
    Map<String, Map<Job, String>> states() {
        Map<String, Map<Job, String>> all = new TreeMap<>();
        plan.devices().forEach((id, d) -> {
            Map<Job, String> states = new EnumMap<>(Job.class);
            jobs(d).forEach(job -> states.put(job, state(id, d, job)));
            all.put(id, states);
        });
        return all;
    }

    /** Of the ways that work, those that do not over good links alone, each with what its best route is worth in percent. */
    Map<Integer, Integer> weak(String id, Device d, Job job) {
        double target = switch (d.criticality()) {
            case COMFORT -> 0.9;
            case ROUTINE -> 0.95;
            case PROTECTIVE, VITAL -> 0.99;
        };
        List<Boolean> any = ways(id, d, job, new ArrayList<>());
        Map<Integer, Integer> weak = new TreeMap<>();
        least = target;
        List<Boolean> good = ways(id, d, job, new ArrayList<>());
        for (int i = 0; i < any.size(); i++) {
            if (any.get(i) && !good.get(i)) {
                int percent = 100;
                do {
                    percent--;
                    least = percent / 100.0;
                } while (!ways(id, d, job, new ArrayList<>()).get(i));
                weak.put(i, percent);
            }
        }
        least = 0;
        return weak;
    }

    /** Whether something guards life and cannot do it with nothing but itself and its own cells or standby. */
    boolean failsLife(String id) {
        Device d = plan.devices().get(id);
        Unit own = d.unit() == null ? null : plan.units().get(d.unit());
        boolean alone = own != null
                && own.kind().alone()
                && d.ways().contains(Way.ALONE)
                && standby.contains(d.unit())
                && (d.circuit() == null || d.kind().family() == DeviceKind.Family.SENSOR);
        return d.criticality() == Criticality.VITAL && !(alone && runs(d.unit()));
    }

    private String state(String id, Device d, Job job) {
        List<Boolean> hands = new ArrayList<>();
        List<Boolean> ways = ways(id, d, job, hands);
        String position = position(id, d);
        boolean opens = job == Job.LET_OUT || job == Job.LET_IN || job == Job.OPEN;
        boolean shuts = job == Job.KEEP_OUT || job == Job.CLOSE;
        boolean given = opens && position.equals("open") || shuts && position.equals("shut");
        boolean planned = !ways.isEmpty() || !hands.isEmpty();
        boolean all = !ways.contains(false)
                && !hands.contains(false)
                && weak(id, d, job).isEmpty();
        String state;
        if (planned ? all : given) {
            state = "holds";
        } else if (ways.contains(true) || given) {
            state = "reduced";
        } else {
            state = hands.contains(true) ? "by hand" : "lost";
        }
        boolean trapped = job == Job.LET_OUT && d.exitRoute() && state.equals("lost");
        boolean standsOpen = job == Job.KEEP_OUT && d.outsideDoor() && d.guards() && position.equals("open");
        boolean ends = d.known().endSensors() != null && d.known().endSensors() > 0;
        boolean stuck = (d.kind() == DeviceKind.GATE || d.kind() == DeviceKind.POWERED_DOOR)
                && d.hand() != Hand.MECHANICAL
                && stays(d)
                && (!fed(id, d) || ends && !board(d));
        return trapped || standsOpen || stuck ? "unsafe" : state;
    }
}
