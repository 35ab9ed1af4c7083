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
import org.skelto.core.plan.Device;
import org.skelto.core.plan.Feed;
import org.skelto.core.plan.Place;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.PowerSource;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;
import org.skelto.core.power.PowerNode.CableRun;
import org.skelto.core.power.PowerNode.PowerFault;
import org.skelto.core.power.PowerNode.SupplyOutput;
import org.skelto.core.radio.Figure;
import org.skelto.core.radio.Text;
import org.skelto.core.site.SiteModel;

/**
 * The tree of supplies of a plan: every unit with what it takes, what it makes for others, the cable that feeds it and
 * what is wrong with that. Currents are greatest simultaneous ones: all relays on, the radio sending.
 */
public final class PowerTree {
    /** Share of a supply's rating that is left free. */
    private static final double HEADROOM = 0.8;

    /** Share of its voltage that a cable may lose. */
    private static final double DROP = 0.05;

    /** Air around a part in the open, and in a wall box or enclosure, °C. */
    private static final double ROOM_C = 25;

    private static final double BOXED_C = 40;

    /** Power that a port of unknown make gives at the far end (IEEE 802.3at). */
    private static final double USUAL_PORT_W = 25.5;

    /** Two of four pairs carry the power of 802.3af and at: half the resistance of one pair's loop. */
    private static final double TWO_PAIRS = 0.5;

    private static final double PAIR_OHM_PER_KM = 93.8;

    /** Cells inside a backup supply. */
    private static final double BACKUP_CELL_V = 12;

    private static final double LEAST_FUSED_A = 2;

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
            if (unit.power().fed() && unit.power().from() != null) {
                fed.computeIfAbsent(unit.power().from(), k -> new ArrayList<>()).add(id);
            }
        });
        plan.devices().forEach((id, device) -> {
            if (device.known().supply() != null) {
                fed.computeIfAbsent(device.known().supply(), k -> new ArrayList<>())
                        .add("device:" + id);
            }
        });
        plan.units().keySet().forEach(this::node);
        plan.devices().forEach((id, device) -> {
            if (device.known().supply() != null) {
                nodes.put("device:" + id, device(id, device));
            }
        });
    }

    /** All nodes by id; the plan is one that the validator lets pass, so that nothing feeds itself. */
    public static Map<String, PowerNode> of(SiteModel site, Catalogue catalogue) {
        return of(site, site.plan(), catalogue);
    }

    /** The same for a plan that is powered otherwise, its things standing where they stand on this site. */
    public static Map<String, PowerNode> of(SiteModel site, Plan plan, Catalogue catalogue) {
        return new LinkedHashMap<>(new PowerTree(site, plan, catalogue).nodes);
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

    /** Voltage that a unit gives to those it feeds, or NaN when its part is not known. */
    private double outputV(String id) {
        Part maker = maker(plan.units().get(id));
        return maker == null ? Double.NaN : maker.figure(Quantity.OUTPUT_V, Double.NaN);
    }

    /** Watts at the input of a unit or a device that is fed, most of the time and at worst. */
    private double[] taken(String id) {
        double[] known = taken.get(id);
        if (known == null) {
            known = id.startsWith("device:")
                    ? Draw.load(plan.devices().get(id.substring("device:".length())), catalogue)
                    : input(id);
            taken.put(id, known);
        }
        return known;
    }

    private double[] input(String id) {
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
        if (unit.power().source() == PowerSource.ETHERNET) {
            ethernet(unit, draw, faults);
        }
        if (unit.kind() == UnitKind.SWITCH || unit.kind() == UnitKind.ROUTER) {
            ports(id, main, faults);
        }
        CableRun run = run(id, unit, draw, between, faults);
        PowerNode.CellLife cell = Cells.life(plan, site, unit, part(unit.power().part()), faults);
        Part backup = main != null && main.kind() == PartKind.BACKUP
                ? main
                : between != null && between.kind() == PartKind.BACKUP ? between : null;
        Double hours = null;
        Figure backupFigure = null;
        if (backup != null && given[0] > 0) {
            double wattHours = backup.figure(Quantity.CAPACITY_AH, 0)
                    * BACKUP_CELL_V
                    * unit.power().parts();
            double usable = backup.figure(Quantity.USABLE, 0.7);
            double efficiency = backup.figure(Quantity.EFFICIENCY, 0.85);
            hours = Electrics.backupH(wattHours, usable, efficiency, given[0]);
            backupFigure = Figure.of(
                    "Wh · usable · efficiency / W",
                    "catalogue; cells of 12 V; typical load",
                    false,
                    "holds",
                    Text.number(wattHours, 0) + " Wh",
                    "usable",
                    Text.share(usable),
                    "efficiency",
                    Text.share(efficiency),
                    "load",
                    Text.number(given[0], 1) + " W");
        }
        double inputV = maker == null ? draw.volts() : inputV(unit, maker);
        double[] ports = maker == null ? given(id) : new double[2];
        double[] input =
                maker == null ? new double[] {draw.typicalW() + ports[0], draw.worstW() + ports[1]} : taken(id);
        nodes.put(
                id,
                new PowerNode(
                        id,
                        unit.name(),
                        unit.power().fed() ? unit.power().from() : null,
                        source(unit),
                        main == null ? null : main.name(),
                        inputV,
                        input[0] / inputV,
                        input[1] / inputV,
                        taken(id)[0],
                        taken(id)[1],
                        draw.assumed(),
                        draw.figure(),
                        output,
                        run,
                        cell,
                        hours,
                        backupFigure,
                        List.copyOf(faults)));
    }

    private PowerNode device(String id, Device device) {
        double volts = Loads.volts(device, catalogue);
        double[] watts = Draw.load(device, catalogue);
        List<PowerFault> faults = new ArrayList<>();
        double given = outputV(device.known().supply());
        if (!Double.isNaN(given) && Math.abs(given - volts) > DROP * 2 * volts) {
            faults.add(new PowerFault(
                    "P4",
                    true,
                    device.name() + " is made for another voltage than it gets",
                    "made for " + Text.number(volts, 1) + " V, gets " + Text.number(given, 1) + " V",
                    given > volts ? "It burns." : "It does not work, or not always."));
        }
        return new PowerNode(
                "device:" + id,
                device.name(),
                device.known().supply(),
                null,
                catalogue.find(device.known().part()).map(Part::name).orElse(null),
                volts,
                watts[0] / volts,
                watts[1] / volts,
                watts[0],
                watts[1],
                false,
                Figure.of(
                        "W / V",
                        "as typed, or its part",
                        false,
                        "power",
                        Text.number(watts[1], 2) + " W",
                        "voltage",
                        Text.number(volts, 1) + " V"),
                null,
                null,
                null,
                null,
                null,
                faults);
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
        Double junction = null;
        if (part.kind() == PartKind.REGULATOR) {
            junction = regulator(unit, part, inputV, worstA, faults);
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
                Text.number(lossW, 2) + " W");
        if (share != null && share > HEADROOM) {
            boolean over = share > 1;
            boolean hub = unit.kind() == UnitKind.HUB;
            faults.add(new PowerFault(
                    hub ? "P10" : over ? "P2" : "P1",
                    over,
                    hub
                            ? unit.name() + " needs more than its supply gives with headroom"
                            : unit.name() + (over ? " gives more than it can" : " has little headroom"),
                    Text.number(worstA, 2) + " A of " + Text.number(ratedW / volts, 2) + " A at "
                            + Text.number(volts, 1) + " V: " + Text.share(share),
                    over
                            ? "With everything on its voltage sags, and what it feeds starts anew or hangs."
                            : "When everything is on at once, or in a warm box, its voltage sags."));
        }
        return new SupplyOutput(
                part.name(),
                volts,
                watts[0] / volts,
                worstA,
                ratedW == null ? null : ratedW / volts,
                share,
                lossW,
                junction,
                figure);
    }

    private Double regulator(Unit unit, Part part, double inputV, double amps, List<PowerFault> faults) {
        double outV = part.figure(Quantity.OUTPUT_V, 5);
        double ambient = unit.housing() == null ? ROOM_C : BOXED_C;
        double heat = (inputV - outV) * amps;
        double junction = ambient + heat * part.figure(Quantity.THERMAL_K_PER_W, 0);
        double most = part.figure(Quantity.HIGHEST_C, 125);
        double dropout = part.figure(Quantity.DROPOUT_V, 0);
        if (inputV - outV < dropout) {
            faults.add(new PowerFault(
                    "P3",
                    true,
                    unit.name() + ": the regulator is in dropout",
                    Text.number(inputV, 1) + " V in, " + Text.number(outV, 1) + " V out, needs "
                            + Text.number(dropout, 1) + " V between",
                    "Its output follows its input, and the board is no longer regulated."));
        } else if (junction > most) {
            faults.add(new PowerFault(
                    "P3",
                    true,
                    unit.name() + ": the regulator gets too hot",
                    Text.number(heat, 2) + " W · " + Text.number(part.figure(Quantity.THERMAL_K_PER_W, 0), 0)
                            + " K/W in air of " + Text.number(ambient, 0) + " °C: " + Text.number(junction, 0)
                            + " °C, at most " + Text.number(most, 0) + " °C",
                    "It switches itself off when everything is on, or burns. A switching converter stays cool."));
        }
        return junction;
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

    private void ports(String id, Part main, List<PowerFault> faults) {
        List<String> children = fed.getOrDefault(id, List.of());
        if (main == null || children.isEmpty()) {
            return;
        }
        String name = plan.units().get(id).name();
        double worst = given(id)[1];
        double total = main.figure(Quantity.RATED_W, Double.POSITIVE_INFINITY);
        int ports = (int) main.figure(Quantity.PORTS, 0);
        if (children.size() > ports) {
            faults.add(new PowerFault(
                    "P5",
                    true,
                    name + " has not enough ports that give power",
                    children.size() + " units, " + ports + " ports",
                    "The last ones stay dark."));
        }
        if (worst > total * HEADROOM) {
            faults.add(new PowerFault(
                    "P5",
                    worst > total,
                    name + (worst > total ? " cannot feed all its ports" : " has little power left for its ports"),
                    Text.number(worst, 1) + " W with cable losses, of " + Text.number(total, 0) + " W in total",
                    worst > total
                            ? "It switches the least important port off when everything is on."
                            : "One more unit is too many."));
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
            run = new CableRun(
                    cable.name(),
                    length,
                    estimated,
                    drop,
                    drop / startV,
                    Double.isNaN(endV) ? 0 : endV,
                    Figure.of(
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
                            Text.number(startV, 2) + " V"));
            drop(unit, run, faults);
            protection(
                    unit,
                    feed,
                    cable,
                    amps,
                    startV,
                    supplied ? part(mainOf(unit.power().from())) : cell,
                    faults);
        } else if (cell != null
                && cell.figure(Quantity.PULSE_A, 0) >= LEAST_FUSED_A
                && (feed == null || feed.fuseA() == null)) {
            faults.add(unfused(unit, cell));
        }
        arrives(unit, draw, maker == null ? between : maker, converts, startV, endV, faults);
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

    private static void drop(Unit unit, CableRun run, List<PowerFault> faults) {
        if (run.dropShare() > DROP) {
            faults.add(new PowerFault(
                    "P4",
                    false,
                    unit.name() + " loses much of its voltage on its cable",
                    Text.number(run.dropV(), 2) + " V on " + Text.metres(run.lengthM()) + " of " + run.cable() + ": "
                            + Text.share(run.dropShare()) + ", at most " + Text.share(DROP),
                    "With everything on it starts anew or its lamps dim. Thicker cable, a nearer supply or a higher "
                            + "voltage with a converter at the end helps."));
        }
    }

    private static PowerFault unfused(Unit unit, Part cell) {
        return new PowerFault(
                "P12",
                true,
                unit.name() + ": its battery has no fuse at its terminal",
                cell.name() + " drives up to " + Text.number(cell.figure(Quantity.PULSE_A, 0), 0) + " A",
                "A pinched cable glows until it burns.");
    }

    private static void protection(
            Unit unit, Feed feed, Part cable, double amps, double volts, Part source, List<PowerFault> faults) {
        double bears = cable.figure(Quantity.WIRE_MOST_A, Double.POSITIVE_INFINITY);
        double bearsV = cable.figure(Quantity.WIRE_MOST_V, Double.POSITIVE_INFINITY);
        boolean battery = source != null && source.kind() == PartKind.BATTERY;
        double gives = source == null
                ? Double.POSITIVE_INFINITY
                : source.figure(battery ? Quantity.PULSE_A : Quantity.RATED_A, Double.POSITIVE_INFINITY);
        if (volts > bearsV || amps > bears) {
            faults.add(new PowerFault(
                    "P12",
                    true,
                    unit.name() + ": its cable is not made for what it carries",
                    Text.number(volts, 1) + " V and " + Text.number(amps, 2) + " A; " + cable.name() + " bears "
                            + Text.number(bearsV, 0) + " V and " + Text.number(bears, 1) + " A",
                    "It gets hot in the wall."));
        } else if (feed.fuseA() != null && feed.fuseA() > bears) {
            faults.add(new PowerFault(
                    "P12",
                    true,
                    unit.name() + ": its fuse is larger than its cable bears",
                    Text.number(feed.fuseA(), 2) + " A before " + cable.name() + ", which bears "
                            + Text.number(bears, 1) + " A",
                    "In a short the cable burns before the fuse."));
        } else if (feed.fuseA() == null && battery && gives >= LEAST_FUSED_A) {
            faults.add(unfused(unit, source));
        } else if (feed.fuseA() == null && gives > bears) {
            faults.add(new PowerFault(
                    "P12",
                    true,
                    unit.name() + ": nothing protects its cable",
                    (Double.isInfinite(gives)
                                    ? "the supply's rating is not known"
                                    : "the supply gives " + Text.number(gives, 1) + " A")
                            + "; " + cable.name() + " bears " + Text.number(bears, 1) + " A",
                    "In a short the cable gets hot in the wall, and nothing switches off."));
        }
    }

    /** Whether the voltage that arrives is one that the unit, or the converter before it, works with. */
    private void arrives(
            Unit unit,
            Draw draw,
            Part converter,
            boolean converts,
            double startV,
            double endV,
            List<PowerFault> faults) {
        Double least = converts ? converter.figure(Quantity.SUPPLY_LEAST_V).orElse(null) : draw.leastV();
        Double most = converts ? converter.figure(Quantity.SUPPLY_MOST_V).orElse(null) : draw.mostV();
        String code = unit.kind() == UnitKind.HUB ? "P10" : "P4";
        if (most != null && startV > most * 1.001) {
            faults.add(new PowerFault(
                    code,
                    true,
                    unit.name() + " gets more voltage than it bears",
                    Text.number(startV, 1) + " V, at most " + Text.number(most, 1) + " V",
                    "It burns."));
        } else if (least != null && !(endV >= least)) {
            faults.add(new PowerFault(
                    code,
                    true,
                    unit.name() + " gets less voltage than it needs",
                    Double.isNaN(endV)
                            ? "the cable cannot carry its power at all"
                            : Text.number(endV, 2) + " V arrives, at least " + Text.number(least, 2) + " V",
                    "It starts anew whenever everything is on, or never starts."));
        }
    }
}
