package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.power.Loads;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** P15 to P18: circuits against their breakers, voltages that do not meet, backup hours typed beside those computed, no supply. */
final class SupplyChecks {
    static final Check CHECK = Check.of(
            "snags of supplies",
            List.of(
                    Code.of("P15", CONTROLLERS, "loads of a circuit over its breaker", FIX, LOOK),
                    Code.of("P16", CONTROLLERS, "voltage of a device does not fit what feeds it", STOP, FIX),
                    Code.of("P17", CONTROLLERS, "backup hours typed differ from those computed", LOOK),
                    Code.of("P18", CONTROLLERS, "low-voltage board on the mains without a supply chosen", LOOK)),
            List.of(HouseFacts.POWER),
            SupplyChecks::run);

    /** A load bears so much too little or too much of its voltage, typical of relays, strikes and lamps. */
    private static final double TOLERANCE = 0.15;

    /** From here on a load is destroyed rather than strained. */
    private static final double DESTROYS = 1.3;

    /** Share of a breaker that what runs for three hours or more may take where the code has the rule (NEC 210.20). */
    private static final double CONTINUOUS = 0.8;

    /** Hours that differ by less are the same. */
    private static final double SAME_HOURS = 0.2;

    private SupplyChecks() {}

    static void run(CheckContext c) {
        c.plan.circuits().forEach((id, circuit) -> breaker(c, id, circuit));
        c.plan.devices().forEach((id, d) -> voltage(c, id, d));
        c.plan.units().forEach((id, unit) -> {
            hours(c, id, unit);
            rectified(c, id);
        });
        noSupply(c);
    }

    /** A load of a circuit: what runs for hours, and what only may run at the same time. */
    private record Load(String name, double watts, boolean continuous) {}

    private static void breaker(CheckContext c, String id, Circuit circuit) {
        Double mainsV = c.plan.mainsVoltageV();
        if (circuit.breakerA() == null || mainsV == null) {
            return;
        }
        Map<String, Load> loads = new TreeMap<>();
        c.plan.devices().forEach((device, d) -> {
            double watts = Loads.watts(d, c.parts);
            if (id.equals(d.circuit()) && watts > 0 && Loads.volts(d, c.parts) >= Loads.MAINS_FROM_V) {
                loads.put("d" + device, new Load(d.name(), watts, d.kind() == DeviceKind.HEATER));
            }
        });
        c.plan.units().forEach((unit, u) -> {
            PowerNode node = c.power().get(unit);
            if (node != null
                    && u.power().source() == PowerSource.MAINS
                    && id.equals(u.power().circuit())) {
                loads.put("u" + unit, new Load(u.name(), node.takenWorstW(), true));
            }
        });
        double allA = loads.values().stream().mapToDouble(Load::watts).sum() / mainsV;
        double longA = loads.values().stream()
                        .filter(Load::continuous)
                        .mapToDouble(Load::watts)
                        .sum()
                / mainsV;
        double share = c.plan.region() == Region.US ? CONTINUOUS : 1;
        boolean trips = longA > circuit.breakerA() * share;
        if (!trips && allA <= circuit.breakerA()) {
            return;
        }
        String greatest = loads.values().stream()
                .sorted(Comparator.comparingDouble(Load::watts).reversed())
                .limit(4)
                .map(l -> l.name() + " " + Text.number(l.watts(), 0) + " W")
                .collect(Collectors.joining(", "));
        c.snag("P15", trips ? FIX : LOOK, CONTROLLERS, circuit.name() + " carries more than its breaker")
                .figures(Text.number(trips ? longA : allA, 1) + " A of " + Text.number(circuit.breakerA(), 0) + " A"
                        + (trips
                                ? share < 1
                                        ? ", of which what runs for hours may take 80 %"
                                        : ", by what runs for hours alone"
                                : ", all at once")
                        + ": " + greatest)
                .leadsTo(
                        trips
                                ? "It trips while they run, and everything on it goes dark."
                                : "It trips when they happen to run together. Have the use of the circuit judged by an electrician.")
                .at(Pointers.of("circuits", id))
                .add();
    }

    private static void voltage(CheckContext c, String id, Device d) {
        Fed fed = fed(c, d);
        double wanted = Loads.volts(d, c.parts);
        if (fed == null || Math.abs(fed.volts - wanted) <= TOLERANCE * wanted) {
            return;
        }
        boolean over = fed.volts > wanted;
        c.snag(
                        "P16",
                        over && fed.volts > DESTROYS * wanted ? STOP : FIX,
                        CONTROLLERS,
                        d.name() + " wants " + Text.number(wanted, 0) + " V and gets " + Text.number(fed.volts, 0)
                                + " V")
                .figures("fed by " + fed.by)
                .leadsTo(over ? "It gets too hot and burns out." : "It does not pull, or only now and then.")
                .at(CheckContext.device(id))
                .add();
    }

    /** Behind a transformer a converter or board that wants direct current is judged by the peak. */
    private static void rectified(CheckContext c, String id) {
        PowerNode node = c.power().get(id);
        PowerNode above =
                node == null || node.parent() == null ? null : c.power().get(node.parent());
        if (above == null || above.gives() == null) {
            return;
        }
        Unit unit = c.plan.units().get(id);
        Part transformer = own(c, c.plan.units().get(node.parent()));
        Part part = own(c, unit);
        boolean alternating = transformer != null && transformer.is(Trait.ALTERNATING);
        Double most = part == null || part.is(Trait.ALTERNATING)
                ? null
                : part.figure(Quantity.SUPPLY_MOST_V).orElse(null);
        double peak = Math.sqrt(2) * above.gives().volts();
        if (alternating && most != null && peak > most) {
            c.snag("P16", STOP, CONTROLLERS, unit.name() + ": the peak of its alternating supply is above its rating")
                    .figures(Text.number(above.gives().volts(), 0) + " V from " + above.name() + " peak at "
                            + Text.number(peak, 1) + " V, " + part.name() + " takes up to "
                            + Text.number(most, 1) + " V; unloaded it is more")
                    .leadsTo("Behind the rectifier it burns out at once.")
                    .at(CheckContext.unit(id))
                    .add();
        }
    }

    /** The part that takes the power in. */
    private static @Nullable Part own(CheckContext c, @Nullable Unit unit) {
        if (unit == null) {
            return null;
        }
        return c.parts
                .find(unit.power().part())
                .or(() -> c.parts.find(
                        unit.boards() == null ? null : unit.boards().main()))
                .orElse(null);
    }

    private record Fed(double volts, String by) {}

    /** What feeds a device of which the voltage is known, or null where either is not. */
    private static @Nullable Fed fed(CheckContext c, Device d) {
        boolean known = d.known().volts() != null
                || c.parts
                        .find(d.known().part())
                        .flatMap(p -> p.figure(Quantity.SUPPLY_V))
                        .isPresent();
        if (!known) {
            return null;
        }
        boolean low = Loads.volts(d, c.parts) < Loads.MAINS_FROM_V;
        if (d.known().supply() != null) {
            PowerNode node = c.power().get(d.known().supply());
            return node == null || node.gives() == null
                    ? null
                    : new Fed(node.gives().volts(), node.name());
        }
        Circuit circuit = d.circuit() == null ? null : c.plan.circuits().get(d.circuit());
        if (circuit == null || low || c.plan.mainsVoltageV() == null) {
            // a low-voltage load on a circuit has a transformer of its own
            return null;
        }
        return new Fed(c.plan.mainsVoltageV(), circuit.name());
    }

    private static void hours(CheckContext c, String id, Unit unit) {
        PowerNode node = c.power().get(id);
        double typed = unit.power().backupH();
        if (node == null
                || node.store() == null
                || node.store().typed()
                || node.store().cells()
                || typed == 0
                || Math.abs(node.store().hours() - typed) <= SAME_HOURS * typed) {
            return;
        }
        c.snag("P17", LOOK, CONTROLLERS, unit.name() + ": backup hours typed are not those of its part")
                .figures(Text.number(typed, 1) + " h typed, "
                        + Text.number(node.store().hours(), 1) + " h by its part and load")
                .leadsTo("The computed ones count; whoever reads the typed ones believes in too much or too little.")
                .at(CheckContext.unit(id))
                .fix("Forget the typed hours", Edit.replace(CheckContext.unit(id, "/power/backupH"), 0.0))
                .add();
    }

    /** All boards in one, since one purchase answers it. */
    private static void noSupply(CheckContext c) {
        Map<String, Unit> bare = new TreeMap<>(c.plan.units());
        bare.values().removeIf(unit -> !wantsSupply(c, unit));
        if (bare.isEmpty()) {
            return;
        }
        String first = bare.values().iterator().next().name();
        c.snag(
                        "P18",
                        LOOK,
                        CONTROLLERS,
                        bare.size() == 1
                                ? first + " has no supply chosen"
                                : bare.size() + " boards have no supply chosen")
                .figures(bare.values().stream().limit(6).map(Unit::name).collect(Collectors.joining(", "))
                        + (bare.size() > 6 ? " and " + (bare.size() - 6) + " more" : "")
                        + ": low voltage, but the plan says mains")
                .leadsTo("Heat, current and price of their supplies are not counted. Choose one at their power.")
                .at(bare.keySet().stream().map(CheckContext::unit).toArray(String[]::new))
                .add();
    }

    private static boolean wantsSupply(CheckContext c, Unit unit) {
        Part main = unit.boards() == null
                ? null
                : c.parts.find(unit.boards().main()).orElse(null);
        return main != null
                && main.kind() == PartKind.BOARD
                && unit.power().source() == PowerSource.MAINS
                && unit.power().part() == null
                && main.figure(Quantity.SUPPLY_V, Loads.MAINS_FROM_V) < Loads.MAINS_FROM_V;
    }
}
