package org.skelto.core.power;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Feed;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.site.Place;
import org.skelto.core.power.PowerNode.CableRun;
import org.skelto.core.power.PowerNode.PowerFault;
import org.skelto.core.power.PowerNode.SupplyOutput;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * The tree of supplies of a plan: every unit with what it takes, what it makes for others, the cable that feeds it and
 * what is wrong with that. Currents are greatest simultaneous ones: all relays on, the radio sending.
 */
public final class PowerTree {
    /** Power that a port of unknown make gives at the far end (IEEE 802.3at). */
    private static final double USUAL_PORT_W = 25.5;

    /** Two of four pairs carry the power of 802.3af and at: half the resistance of one pair's loop. */
    private static final double TWO_PAIRS = 0.5;

    private static final double PAIR_OHM_PER_KM = 93.8;

    private final SiteModel site;
    private final Plan plan;
    private final Catalogue catalogue;
    private final Map<String, Draw> draws = new HashMap<>();
    private final Map<String, List<String>> fed = new HashMap<>();
    private final Map<String, double[]> taken = new HashMap<>();
    private final Map<String, PowerNode> nodes = new TreeMap<>();

    private PowerTree(SiteModel site, Plan plan, Catalogue catalogue) {
        this.site = site;
        this.plan = plan;
        this.catalogue = catalogue;
        plan.units().forEach((id, unit) -> {
            draws.put(id, Draw.of(plan, id, catalogue));
            unit.power().sources().forEach(source -> feeds(feeder(source), id));
        });
        plan.devices().forEach((id, device) -> {
            String supply = device.known().supply();
            feeds(supply == null ? feeder(device.circuit()) : supply, "device:" + id);
        });
        plan.units().keySet().forEach(this::node);
        plan.devices().forEach((id, device) -> {
            if (device.known().supply() != null) {
                nodes.put("device:" + id, device(id, device));
            }
        });
    }

    /** All nodes by id; what is fed in a ring takes nothing through it. */
    public static Map<String, PowerNode> of(SiteModel site, Catalogue catalogue) {
        return of(site, site.plan(), catalogue);
    }

    /** The same for a plan that is powered otherwise, its things standing where they stand on this site. */
    public static Map<String, PowerNode> of(SiteModel site, Plan plan, Catalogue catalogue) {
        return new LinkedHashMap<>(new PowerTree(site, plan, catalogue).nodes);
    }

    /** Every unit that could feed another counts what that takes: any of its sources may have to carry it alone. */
    private void feeds(String feeder, String id) {
        if (feeder != null) {
            List<String> all = fed.computeIfAbsent(feeder, k -> new ArrayList<>());
            if (!all.contains(id)) {
                all.add(id);
            }
        }
    }

    private String feeder(Source source) {
        return switch (source.source()) {
            case SUPPLY, ETHERNET -> source.from();
            case MAINS -> feeder(source.circuit());
            case BATTERY -> null;
        };
    }

    /** Whether a unit's only source leads back to itself. */
    private boolean ring(String id) {
        String at = id;
        for (int steps = 0; steps <= plan.units().size(); steps++) {
            ComputingBudget.step();
            List<Source> sources = plan.units().get(at).power().sources();
            at = sources.size() == 1 ? feeder(sources.get(0)) : null;
            if (at == null || at.equals(id)) {
                return at != null;
            }
        }
        return false;
    }

    /** The unit that feeds a circuit instead of the street, or null. */
    private String feeder(String circuit) {
        return circuit == null ? null : plan.circuits().get(circuit).from();
    }

    private Part part(String id) {
        return catalogue.find(id).orElse(null);
    }

    private Part main(Unit unit) {
        return unit.boards() == null ? null : part(unit.boards().main());
    }

    /** The part between source and unit that makes another voltage, or null. */
    private Part between(Unit unit) {
        Part part = part(unit.power().part());
        return part != null && part.figures().containsKey(Quantity.OUTPUT_V) && part.kind() != PartKind.BATTERY
                ? part
                : null;
    }

    /** The part by which a unit makes low voltage for others, or null. */
    private Part maker(Unit unit) {
        Part main = main(unit);
        return unit.kind() == UnitKind.SUPPLY && main != null && main.figures().containsKey(Quantity.OUTPUT_V)
                ? main
                : null;
    }

    /** The part that stores energy for a unit and all it feeds, or null. */
    private Part backup(Unit unit) {
        Part main = main(unit);
        Part between = between(unit);
        return main != null && main.kind() == PartKind.BACKUP
                ? main
                : between != null && between.kind() == PartKind.BACKUP ? between : null;
    }

    /** Voltage that a unit gives to those it feeds, or NaN when its part is not known. */
    private double outputV(String id) {
        Part maker = maker(plan.units().get(id));
        return maker == null ? Double.NaN : maker.figure(Quantity.OUTPUT_V, Double.NaN);
    }

    /** Watts at the input of a unit or a device that is fed, most of the time and at worst. */
    private double[] taken(String id) {
        double[] known = taken.get(id);
        if (known == null) {
            // units that feed each other in a ring take nothing through it
            taken.put(id, new double[2]);
            known = id.startsWith("device:")
                    ? Draw.load(plan.devices().get(id.substring("device:".length())), catalogue)
                    : input(id);
            taken.put(id, known);
        }
        return known;
    }

    private double[] input(String id) {
        ComputingBudget.step();
        Unit unit = plan.units().get(id);
        Draw draw = draws.get(id);
        double typical = draw.typicalW();
        double worst = draw.worstW();
        double[] given = given(id);
        Part maker = maker(unit);
        if (maker != null) {
            typical += in(maker, given[0], inputV(unit, maker));
            worst += in(maker, given[1], inputV(unit, maker));
        } else {
            typical += given[0];
            worst += given[1];
        }
        Part between = between(unit);
        if (between != null) {
            typical = in(between, typical, inputV(unit, between));
            worst = in(between, worst, inputV(unit, between));
        }
        return new double[] {typical, worst};
    }

    /** Voltage before a unit: of what feeds it, the mains, or what its part is made for. */
    private double inputV(Unit unit, Part part) {
        if (unit.power().source() == PowerSource.SUPPLY && unit.power().from() != null) {
            double volts = outputV(unit.power().from());
            if (!Double.isNaN(volts)) {
                return volts;
            }
        }
        if (unit.power().source() == PowerSource.BATTERY) {
            Part cell = part(unit.power().part());
            if (cell != null && cell.kind() == PartKind.BATTERY) {
                return cell.figure(Quantity.OUTPUT_V, 3);
            }
        }
        if (unit.power().source() == PowerSource.MAINS && plan.mainsVoltageV() != null) {
            return plan.mainsVoltageV();
        }
        return part.figure(Quantity.SUPPLY_V, 230);
    }

    /** What goes into a part so that so many watts come out. */
    private static double in(Part part, double watts, double inputV) {
        double standby = part.figure(Quantity.STANDBY_W, 0);
        if (part.kind() == PartKind.REGULATOR) {
            return watts * inputV / part.figure(Quantity.OUTPUT_V, inputV) + standby;
        }
        return watts / part.figure(Quantity.EFFICIENCY, 0.85) + standby;
    }

    /** Watts that a unit gives to all it feeds, with what their cables lose. */
    private double[] given(String id) {
        ComputingBudget.step();
        double typical = 0;
        double worst = 0;
        for (String child : fed.getOrDefault(id, List.of())) {
            double[] watts = taken(child);
            typical += watts[0];
            worst += watts[1];
            Unit unit = plan.units().get(child);
            if (unit != null && unit.power().source() == PowerSource.ETHERNET) {
                worst += pairLoss(child, watts[1]);
            }
        }
        return new double[] {typical, worst};
    }

    private double pairLoss(String child, double watts) {
        double lengthM = plan.links().values().stream()
                .filter(l -> l.from().equals(child) && l.lengthM() != null)
                .mapToDouble(l -> l.lengthM())
                .findFirst()
                .orElse(20);
        double ohm = TWO_PAIRS * Electrics.loopOhm(lengthM, PAIR_OHM_PER_KM);
        double endV = Electrics.endV(54, watts, ohm);
        return Double.isNaN(endV) ? 0 : Math.pow(watts / endV, 2) * ohm;
    }

    private void node(String id) {
        Unit unit = plan.units().get(id);
        Draw draw = draws.get(id);
        List<PowerFault> faults = new ArrayList<>();
        Part main = main(unit);
        Part maker = maker(unit);
        Part between = between(unit);
        Part making = maker == null ? between : maker;
        double[] given = maker == null ? new double[] {draw.typicalW(), draw.worstW()} : given(id);
        SupplyOutput output = making == null ? null : output(unit, making, given, faults);
        if (ring(id)) {
            faults.add(new PowerFault(
                    "P18",
                    true,
                    unit.name() + " is fed by itself, directly or through others",
                    "fed by "
                            + plan.units()
                                    .get(feeder(unit.power().sources().get(0)))
                                    .name(),
                    "Nothing in the ring ever gets power."));
        }
        if (unit.power().source() == PowerSource.ETHERNET) {
            ethernet(unit, draw, faults);
        }
        int children = fed.getOrDefault(id, List.of()).size();
        if (main != null && children > 0 && (unit.is(UnitKind.SWITCH) || unit.is(UnitKind.ROUTER))) {
            PowerFaults.ports(unit, main, children, given(id)[1], faults);
        }
        CableRun run = run(id, unit, draw, between, faults);
        PowerNode.CellLife cell =
                Cells.life(plan, catalogue, id, unit, part(unit.power().part()), faults);
        Store store = Store.of(plan, unit, backup(unit), cell, draw.typicalW() + given(id)[0], catalogue);
        double inputV = maker == null ? draw.volts() : inputV(unit, maker);
        double[] ports = maker == null ? given(id) : new double[2];
        double[] input =
                maker == null ? new double[] {draw.typicalW() + ports[0], draw.worstW() + ports[1]} : taken(id);
        nodes.put(
                id,
                PowerNodeBuilder.builder()
                        .id(id)
                        .name(unit.name())
                        .parent(unit.power().fed() ? unit.power().from() : null)
                        .source(source(unit))
                        .part(main == null ? null : main.name())
                        .volts(inputV)
                        .typicalA(input[0] / inputV)
                        .worstA(input[1] / inputV)
                        .takenW(taken(id)[0])
                        .takenWorstW(taken(id)[1])
                        .assumed(draw.assumed())
                        .draw(draw.figure())
                        .gives(output)
                        .run(run)
                        .cell(cell)
                        .store(store)
                        .faults(List.copyOf(faults))
                        .build());
    }

    private PowerNode device(String id, Device device) {
        double volts = Loads.volts(device, catalogue);
        double[] watts = Draw.load(device, catalogue);
        List<PowerFault> faults = new ArrayList<>();
        double given = outputV(device.known().supply());
        PowerFaults.voltage(device, volts, given, faults);
        return PowerNodeBuilder.builder()
                .id("device:" + id)
                .name(device.name())
                .parent(device.known().supply())
                .part(catalogue.find(device.known().part()).map(Part::name).orElse(null))
                .volts(volts)
                .typicalA(watts[0] / volts)
                .worstA(watts[1] / volts)
                .takenW(watts[0])
                .takenWorstW(watts[1])
                .assumed(false)
                .draw(Figure.of(
                        "W / V",
                        "as typed, or its part",
                        false,
                        "power",
                        Text.number(watts[1], 2) + " W",
                        "voltage",
                        Text.number(volts, 1) + " V"))
                .faults(faults)
                .build();
    }

    private String source(Unit unit) {
        return switch (unit.power().source()) {
            case MAINS ->
                unit.power().circuit() == null
                        ? "the mains"
                        : plan.circuits().get(unit.power().circuit()).name();
            case BATTERY -> "battery";
            case ETHERNET, SUPPLY -> unit.power().from() == null ? "nothing yet" : null;
        };
    }

    private SupplyOutput output(Unit unit, Part part, double[] watts, List<PowerFault> faults) {
        double volts = part.figure(Quantity.OUTPUT_V, 5);
        double inputV = inputV(unit, part);
        double worstA = watts[1] / volts;
        boolean alternating = part.is(Trait.ALTERNATING);
        double countedW = alternating ? watts[1] * Electrics.RECTIFIED : watts[1];
        Double ratedW = part.figure(Quantity.RATED_VA)
                .or(() -> part.figure(Quantity.RATED_A).map(a -> a * volts))
                .or(() -> part.figure(Quantity.RATED_W))
                .orElse(null);
        if (ratedW != null && part.kind() != PartKind.REGULATOR) {
            ratedW *= unit.power().parts();
        }
        Double share = ratedW == null ? null : countedW / ratedW;
        double lossW = in(part, watts[1], inputV) - watts[1];
        double typicalLossW = in(part, watts[0], inputV) - watts[0];
        Double junction = null;
        if (part.kind() == PartKind.REGULATOR) {
            junction = PowerFaults.regulator(unit, part, inputV, worstA, faults);
        }
        Figure figure = Figure.of(
                alternating
                        ? "sum of V · I of what it feeds · 1.8 for rectified loads / VA"
                        : "sum of V · I of what it feeds, at worst / rating",
                "greatest simultaneous currents; at most 80 % of the rating",
                false,
                "taken at worst",
                Text.number(watts[1], 2) + " W = " + Text.number(worstA, 3) + " A",
                "rating",
                ratedW == null ? "not known" : Text.number(ratedW, 1) + (alternating ? " VA" : " W"),
                "heat in it",
                Text.number(typicalLossW, 2) + " W typically, " + Text.number(lossW, 2) + " W at worst");
        PowerFaults.headroom(unit, volts, worstA, ratedW, share, faults);
        return PowerNodeSupplyOutputBuilder.builder()
                .part(part.name())
                .volts(volts)
                .typicalA(watts[0] / volts)
                .worstA(worstA)
                .ratedA(ratedW == null ? null : ratedW / volts)
                .share(share)
                .lossW(lossW)
                .typicalLossW(typicalLossW)
                .junctionC(junction)
                .figure(figure)
                .build();
    }

    private void ethernet(Unit unit, Draw draw, List<PowerFault> faults) {
        Part splitter = part(unit.power().part());
        if (splitter != null && splitter.is(Trait.PASSIVE_POE)) {
            faults.add(new PowerFault(
                    "P14",
                    false,
                    unit.name() + " gets its power by passive injection",
                    splitter.name(),
                    "Nothing asks first whether the other end bears the voltage: what is plugged in wrongly burns."));
        }
        if (!Draw.takesEthernet(unit, catalogue)) {
            faults.add(new PowerFault(
                    "P5",
                    true,
                    unit.name() + " cannot take its power from its cable",
                    "its board is not made for it, and no splitter is chosen",
                    "It stays dark."));
        }
        if (unit.power().from() != null) {
            Unit feeder = plan.units().get(unit.power().from());
            Part port = main(feeder);
            double most = port == null ? USUAL_PORT_W : port.figure(Quantity.PORT_W, USUAL_PORT_W);
            double worst = between(unit) == null ? draw.worstW() : in(between(unit), draw.worstW(), 54);
            if (worst > most) {
                faults.add(new PowerFault(
                        "P5",
                        true,
                        unit.name() + " takes more than a port of " + feeder.name() + " gives",
                        Text.number(worst, 1) + " W of " + Text.number(most, 1) + " W",
                        "The port switches off when everything is on."));
            }
        }
    }

    /** The cable to a unit: what it loses, whether enough arrives, and whether it is protected. */
    private CableRun run(String id, Unit unit, Draw draw, Part between, List<PowerFault> faults) {
        Feed feed = unit.power().feed();
        boolean supplied =
                unit.power().source() == PowerSource.SUPPLY && unit.power().from() != null;
        Part cell =
                unit.power().source() == PowerSource.BATTERY ? part(unit.power().part()) : null;
        double startV = supplied
                ? outputV(unit.power().from())
                : cell != null
                        ? cell.figure(Quantity.OUTPUT_V, Double.NaN)
                        : between == null ? Double.NaN : between.figure(Quantity.OUTPUT_V, Double.NaN);
        if (Double.isNaN(startV)) {
            return null;
        }
        Part maker = maker(unit);
        boolean converts = maker != null || between != null && supplied;
        double[] watts = supplied ? taken(id) : new double[] {draw.typicalW(), draw.worstW()};
        Part cable = feed == null ? null : part(feed.cable());
        double wanted = converts ? inputV(unit, maker == null ? between : maker) : draw.volts();
        double amps = converts ? watts[1] / startV : watts[1] / wanted;
        double endV = startV;
        CableRun run = null;
        if (cable != null) {
            boolean estimated = feed.lengthM() == null;
            double length = estimated ? estimate(unit) : feed.lengthM();
            double ohm = Electrics.loopOhm(length, cable.figure(Quantity.OHM_PER_KM, 0));
            endV = converts ? Electrics.endV(startV, watts[1], ohm) : startV - amps * ohm;
            double drop = Double.isNaN(endV) ? startV : startV - endV;
            run = PowerNodeCableRunBuilder.builder()
                    .cable(cable.name())
                    .lengthM(length)
                    .estimated(estimated)
                    .dropV(drop)
                    .dropShare(drop / startV)
                    .endV(Double.isNaN(endV) ? 0 : endV)
                    .figure(Figure.of(
                            converts ? "V − V_end, V_end = (V + √(V² − 4 P R)) / 2" : "2 · L · I · R'",
                            "resistance of the cable by its class or sheet (IEC 60228)",
                            false,
                            "length",
                            Text.metres(length) + (estimated ? ", estimated" : ""),
                            "current at worst",
                            Text.number(amps, 3) + " A",
                            "one conductor",
                            Text.number(cable.figure(Quantity.OHM_PER_KM, 0), 1) + " Ω/km",
                            "starts with",
                            Text.number(startV, 2) + " V"))
                    .build();
            PowerFaults.drop(unit, run, faults);
            PowerFaults.protection(
                    unit,
                    feed,
                    cable,
                    amps,
                    startV,
                    supplied ? part(mainOf(unit.power().from())) : cell,
                    faults);
        } else if (cell != null
                && cell.figure(Quantity.PULSE_A, 0) >= PowerFaults.LEAST_FUSED_A
                && (feed == null || feed.fuseA() == null)) {
            faults.add(PowerFaults.unfused(unit, cell));
        }
        PowerFaults.arrives(unit, draw, maker == null ? between : maker, converts, startV, endV, faults);
        return run;
    }

    private String mainOf(String id) {
        Unit unit = plan.units().get(id);
        return unit.boards() == null ? null : unit.boards().main();
    }

    private double estimate(Unit unit) {
        Place from = unit.power().from() == null
                ? null
                : plan.units().get(unit.power().from()).place();
        return CableRuns.lengthM(site, from, unit.place()).orElse(2.0);
    }
}
