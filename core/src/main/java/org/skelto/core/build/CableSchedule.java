package org.skelto.core.build;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.CRC32;
import org.skelto.core.build.CableLine.Core;
import org.skelto.core.build.CableLine.Layer;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.power.CableRuns;
import org.skelto.core.power.Electrics;
import org.skelto.core.power.Loads;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.SiteModel;
import org.skelto.core.wiring.Need;
import org.skelto.core.wiring.Wired;
import org.skelto.core.wiring.WiredContacts;
import org.skelto.core.work.ComputingBudget;

/** Every cable that the plan needs: Ethernet, low voltage, board buses, and the wires from controllers to devices. */
public final class CableSchedule {

    /** Letters and digits that are not mixed up when they are read from a cable. */
    private static final String SIGNS = "ACDEFHJKLMNPRTUVWXY34679";

    private final SiteModel site;
    private final Plan plan;
    private final Catalogue catalogue;
    private final Map<String, Wired> wired;
    private final Map<String, PowerNode> power;
    private final List<CableLine> lines = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private final WallCables walls;

    private CableSchedule(SiteModel site, Catalogue catalogue, Map<String, Wired> wired, Map<String, PowerNode> power) {
        this.site = site;
        this.plan = site.plan();
        this.catalogue = catalogue;
        this.wired = wired;
        this.power = power;
        this.walls = new WallCables(site);
    }

    /** The cables of a plan, by near end, then far end. */
    public static List<CableLine> of(
            SiteModel site, Catalogue catalogue, Map<String, Wired> wired, Map<String, PowerNode> power) {
        CableSchedule schedule = new CableSchedule(site, catalogue, wired, power);
        schedule.ethernet();
        schedule.supplies();
        schedule.buses();
        schedule.devices();
        schedule.contacts();
        schedule.lines.sort(Comparator.comparing(CableLine::fromName)
                .thenComparing(CableLine::toName)
                .thenComparing(CableLine::id));
        return List.copyOf(schedule.lines);
    }

    /** A short sign for a pair of ends: the same in every plan in which they are the same. */
    private String id(String key) {
        for (int attempt = 0; ; attempt++) {
            ComputingBudget.step();
            CRC32 crc = new CRC32();
            crc.update((key + "#" + attempt).getBytes(StandardCharsets.UTF_8));
            long rest = crc.getValue();
            StringBuilder id = new StringBuilder();
            for (int i = 0; i < 4; i++) {
                id.append(SIGNS.charAt((int) (rest % SIGNS.length())));
                rest /= SIGNS.length();
            }
            if (ids.add(id.toString())) {
                return id.toString();
            }
        }
    }

    private void ethernet() {
        plan.links().forEach((id, link) -> {
            if (link.medium() == Medium.ETHERNET) {
                Unit from = plan.units().get(link.from());
                Unit to = plan.units().get(link.to());
                boolean fed = from.power().source() == PowerSource.ETHERNET
                        && link.to().equals(from.power().from());
                List<String> carries = java.util.Collections.nCopies(4, fed ? "data and power" : "data");
                add(
                        "/units/" + link.from() + " /units/" + link.to(),
                        Pointers.of("units", link.from()),
                        from.name(),
                        from.place(),
                        Pointers.of("units", link.to()),
                        to.name(),
                        to.place(),
                        CoreColours.PAIR,
                        link.lengthM(),
                        cores(CoreColours.PAIR_COLOURS, carries, null),
                        Layer.BUS,
                        null,
                        0);
            }
        });
    }

    private void supplies() {
        plan.units().forEach((id, unit) -> {
            if (unit.power().source() != PowerSource.SUPPLY || unit.power().from() == null) {
                return;
            }
            Unit from = plan.units().get(unit.power().from());
            String cable = unit.power().feed() == null || unit.power().feed().cable() == null
                    ? CoreColours.LOW
                    : unit.power().feed().cable();
            PowerNode feeder = power.get(unit.power().from());
            String volts = feeder == null || feeder.gives() == null
                    ? ""
                    : " " + Text.number(feeder.gives().volts(), 0) + " V";
            PowerNode.CableRun run = power.get(id).run();
            add(
                    "/units/" + unit.power().from() + " /units/" + id + " power",
                    Pointers.of("units", unit.power().from()),
                    from.name(),
                    from.place(),
                    Pointers.of("units", id),
                    unit.name(),
                    unit.place(),
                    cable,
                    unit.power().feed() == null ? null : unit.power().feed().lengthM(),
                    cores(CoreColours.of(cable), List.of("+" + volts, "0 V"), null),
                    Layer.LOW_VOLTAGE,
                    run == null ? null : run.dropV(),
                    0);
        });
        plan.devices().forEach((id, d) -> {
            String supply = d.known().supply();
            if (supply != null
                    && (d.unit() == null || plan.units().get(d.unit()).kind().alone())) {
                Unit from = plan.units().get(supply);
                add(
                        "/units/" + supply + " /devices/" + id + " power",
                        Pointers.of("units", supply),
                        from.name(),
                        from.place(),
                        Pointers.of("devices", id),
                        d.name(),
                        SiteModel.placeOf(plan, d),
                        CoreColours.LOW,
                        null,
                        cores(CoreColours.LOW_COLOURS, List.of("+", "0 V"), null),
                        Layer.LOW_VOLTAGE,
                        null,
                        Loads.amps(d, catalogue));
            }
        });
    }

    private void buses() {
        plan.units().forEach((id, unit) -> {
            if (unit.boards() == null) {
                return;
            }
            chain(id, unit, unit.boards().bus(), "board bus", List.of("data", "clock", "supply", "0 V"));
            chain(id, unit, unit.boards().line(), "RS-485", List.of("A and B", "reference"));
        });
    }

    private void chain(
            String id, Unit unit, org.skelto.core.plan.equipment.Chain chain, String what, List<String> carries) {
        if (chain == null || chain.cable() == null) {
            return;
        }
        add(
                "/units/" + id + " " + what,
                Pointers.of("units", id),
                unit.name(),
                unit.place(),
                Pointers.of("units", id),
                what + " of " + unit.name(),
                unit.place(),
                chain.cable(),
                chain.lengthM(),
                cores(CoreColours.of(chain.cable()), carries, null),
                Layer.BUS,
                null,
                0);
    }

    /** From a controller to what is connected to it, unless both are one thing or stand in the same box. */
    private void devices() {
        plan.devices().forEach((id, d) -> {
            Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
            if (unit == null || !unit.drives() || d.place() == null) {
                return;
            }
            List<Wired.Connection> needs = wired.containsKey(d.unit())
                    ? wired.get(d.unit()).needs().stream()
                            .filter(n -> n.device().equals(id))
                            .toList()
                    : List.of();
            boolean mains = d.circuit() != null && Loads.volts(d, catalogue) >= Loads.MAINS_FROM_V;
            if (mains) {
                mains(id, d, unit, needs);
            }
            signals(id, d, unit, needs, mains);
        });
    }

    private void mains(String id, Device d, Unit unit, List<Wired.Connection> needs) {
        List<String> carries = new ArrayList<>();
        List<String> at = new ArrayList<>();
        List<Wired.Connection> driven =
                needs.stream().filter(n -> !n.kind().reads()).toList();
        carries.add(
                driven.isEmpty()
                        ? "switched live"
                        : "switched live, " + driven.get(0).need());
        at.add(driven.isEmpty() ? "" : terminal(driven.get(0)));
        carries.add("neutral");
        at.add("");
        carries.add("earth");
        at.add("");
        for (int i = 1; i < driven.size(); i++) {
            carries.add("switched live, " + driven.get(i).need());
            at.add(terminal(driven.get(i)));
        }
        if (d.kind() == DeviceKind.BLIND && driven.isEmpty()) {
            carries.add("switched live, other way");
            at.add("");
        }
        String cable = carries.size() > 3 ? CoreColours.MAINS_5 : CoreColours.MAINS;
        add(
                "/units/" + d.unit() + " /devices/" + id + " mains",
                Pointers.of("units", d.unit()),
                unit.name(),
                unit.place(),
                Pointers.of("devices", id),
                d.name(),
                d.place(),
                cable,
                null,
                cores(CoreColours.MAINS_COLOURS, carries, at),
                Layer.MAINS,
                null,
                Loads.amps(d, catalogue));
    }

    private static String terminal(Wired.Connection connection) {
        return connection.terminal() == null ? "" : connection.terminal();
    }

    private void signals(String id, Device d, Unit unit, List<Wired.Connection> needs, boolean mains) {
        List<String> carries = new ArrayList<>();
        List<String> at = new ArrayList<>();
        double amps = 0;
        for (Wired.Connection need : needs) {
            if (need.kind().reads()) {
                carries.add(need.need());
                at.add(terminal(need));
            } else if (!mains) {
                carries.add(need.need() + ", switched");
                at.add(terminal(need));
                amps = Loads.amps(d, catalogue);
            }
        }
        if (needs.isEmpty() && !mains) {
            Need.of(id, d).forEach(n -> {
                carries.add(n.name());
                at.add("");
            });
        }
        if (carries.isEmpty()) {
            return;
        }
        carries.add("0 V");
        at.add("");
        boolean supplied = d.kind() == DeviceKind.MOTION
                || d.kind() == DeviceKind.BEAM
                || d.kind() == DeviceKind.TEMPERATURE
                || d.kind() == DeviceKind.HUMIDITY
                || d.kind() == DeviceKind.LEVEL;
        if (supplied) {
            carries.add("supply");
            at.add("");
        }
        boolean load = carries.size() == 2 && amps > 0.3;
        String cable = load ? CoreColours.LOW : CoreColours.ALARM;
        add(
                "/units/" + d.unit() + " /devices/" + id,
                Pointers.of("units", d.unit()),
                unit.name(),
                unit.place(),
                Pointers.of("devices", id),
                d.name(),
                d.place(),
                cable,
                null,
                cores(CoreColours.of(cable), carries, at),
                Layer.LOW_VOLTAGE,
                null,
                amps);
    }

    /** Contacts from one unit to another share a cable as far as its pairs go. */
    private void contacts() {
        int pairs = CoreColours.ALARM_COLOURS.size() / 2;
        WiredContacts.cables(plan).forEach((ends, links) -> {
            for (int first = 0; first < links.size(); first += pairs) {
                ComputingBudget.step();
                List<Link> here = links.subList(first, Math.min(links.size(), first + pairs));
                List<String> carries = new ArrayList<>();
                for (Link link : here) {
                    String input = link.input() == null ? "an input" : "input " + link.input();
                    carries.add("contact to " + input);
                    carries.add("its return");
                }
                carries.addAll(java.util.Collections.nCopies(2 * (pairs - here.size()), "spare"));
                Unit from = plan.units().get(ends.get(0));
                Unit to = plan.units().get(ends.get(1));
                add(
                        "/units/" + ends.get(0) + " /units/" + ends.get(1) + " contacts" + (first == 0 ? "" : first),
                        Pointers.of("units", ends.get(0)),
                        from.name(),
                        from.place(),
                        Pointers.of("units", ends.get(1)),
                        to.name(),
                        to.place(),
                        CoreColours.ALARM,
                        here.stream()
                                .map(Link::lengthM)
                                .filter(java.util.Objects::nonNull)
                                .max(Comparator.naturalOrder())
                                .orElse(null),
                        cores(CoreColours.ALARM_COLOURS, carries, null),
                        Layer.CONTACTS,
                        null,
                        0);
            }
        });
    }

    private static List<Core> cores(List<String> colours, List<String> carries, List<String> at) {
        List<Core> cores = new ArrayList<>();
        for (int i = 0; i < carries.size(); i++) {
            String colour = i < colours.size() ? colours.get(i) : "core " + (i + 1);
            cores.add(new Core(colour, carries.get(i), at == null ? "" : at.get(i)));
        }
        return cores;
    }

    private void add(
            String key,
            String from,
            String fromName,
            Place fromPlace,
            String to,
            String toName,
            Place toPlace,
            String part,
            Double typedM,
            List<Core> cores,
            Layer layer,
            Double knownDropV,
            double amps) {
        Part cable = catalogue.find(part).orElse(null);
        Optional<String> existing = !part.equals(CoreColours.PAIR) && !part.equals(CoreColours.ALARM)
                ? Optional.empty()
                : walls.take(fromPlace, toPlace, part.equals(CoreColours.PAIR), cores);
        Double length = typedM != null
                ? typedM
                : CableRuns.lengthM(site, fromPlace, toPlace).orElse(null);
        Double drop = knownDropV;
        Figure figure = null;
        if (cable != null && drop == null && amps > 0 && length != null) {
            drop = amps * Electrics.loopOhm(length, cable.figure(Quantity.OHM_PER_KM, 0));
        }
        if (cable != null && drop != null && length != null) {
            figure = Figure.of(
                    "2 · L · I · R'",
                    "resistance of the cable by its class or sheet (IEC 60228)",
                    false,
                    "length",
                    Text.metres(length),
                    "current",
                    amps > 0 ? Text.number(amps, 3) + " A" : "see Power",
                    "one conductor",
                    Text.number(cable.figure(Quantity.OHM_PER_KM, 0), 1) + " Ω/km");
        }
        String kind = existing.map(e -> plan.cables().get(e).kind() + ", in the wall")
                .orElse(cable == null ? part : cable.name());
        lines.add(CableLineBuilder.builder()
                .id(id(key))
                .from(from)
                .fromName(fromName)
                .to(to)
                .toName(toName)
                .part(existing.isPresent() ? null : part)
                .kind(kind)
                .existing(existing.orElse(null))
                .lengthM(length)
                .typed(typedM != null)
                .cores(cores)
                .dropV(drop)
                .drop(figure)
                .layer(layer)
                .build());
    }
}
