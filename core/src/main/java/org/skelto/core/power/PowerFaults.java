package org.skelto.core.power;

import java.util.List;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Feed;
import org.skelto.core.power.PowerNode.CableRun;
import org.skelto.core.power.PowerNode.PowerFault;
import org.skelto.core.quantity.Text;

/** What is wrong with a supply, with a cable that feeds a unit, and with what arrives at its end. */
final class PowerFaults {
    /** Share of a supply's rating that may be taken. */
    static final double HEADROOM = 0.8;

    /** A cell that drives less needs no fuse at its terminal, A. */
    static final double LEAST_FUSED_A = 2;

    /** Share of its voltage that a cable may lose. */
    private static final double DROP = 0.05;

    /** Air around a part in the open, and in a wall box or enclosure, °C. */
    private static final double ROOM_C = 25;

    private static final double BOXED_C = 40;

    private PowerFaults() {}

    /** P1, P2 and P10: a supply that gives more than it should; nothing is said while its rating is not known. */
    static void headroom(Unit unit, double volts, double worstA, Double ratedW, Double share, List<PowerFault> faults) {
        if (share != null && share > HEADROOM) {
            boolean over = share > 1;
            boolean hub = unit.is(UnitKind.HUB);
            faults.add(new PowerFault(
                    hub ? "P10" : over ? "P2" : "P1",
                    over,
                    hub
                            ? unit.name() + " needs more than its supply gives with headroom"
                            : unit.name() + (over ? " is overloaded" : " has little headroom"),
                    Text.number(worstA, 2) + " A of " + Text.number(ratedW / volts, 2) + " A at "
                            + Text.number(volts, 1) + " V: " + Text.share(share),
                    over
                            ? "With everything on its voltage sags, and what it feeds starts anew or hangs."
                            : "When everything is on at once, or in a warm box, its voltage sags."));
        }
    }

    /** P4 of a device that is fed by itself; nothing is said while its supply is not known. */
    static void voltage(Device device, double volts, double given, List<PowerFault> faults) {
        if (!Double.isNaN(given) && Math.abs(given - volts) > DROP * 2 * volts) {
            faults.add(new PowerFault(
                    "P4",
                    true,
                    device.name() + " is made for another voltage than it gets",
                    "made for " + Text.number(volts, 1) + " V, gets " + Text.number(given, 1) + " V",
                    given > volts ? "It burns." : "It does not work, or not always."));
        }
    }

    /** P3 of a linear regulator; gives the temperature of its junction, °C. */
    static Double regulator(Unit unit, Part part, double inputV, double amps, List<PowerFault> faults) {
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

    static void drop(Unit unit, CableRun run, List<PowerFault> faults) {
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

    static PowerFault unfused(Unit unit, Part cell) {
        return new PowerFault(
                "P12",
                true,
                unit.name() + ": its battery has no fuse at its terminal",
                cell.name() + " drives up to " + Text.number(cell.figure(Quantity.PULSE_A, 0), 0) + " A",
                "A pinched cable glows until it burns.");
    }

    static void protection(
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
                    Text.number(volts, 1) + " V and " + Text.number(amps, 2) + " A; " + cable.name() + " is rated "
                            + Text.number(bearsV, 0) + " V and " + Text.number(bears, 1) + " A",
                    "It gets hot in the wall."));
        } else if (feed.fuseA() != null && feed.fuseA() > bears) {
            faults.add(new PowerFault(
                    "P12",
                    true,
                    unit.name() + ": its fuse is above the rating of its cable",
                    Text.number(feed.fuseA(), 2) + " A before " + cable.name() + ", rated " + Text.number(bears, 1)
                            + " A",
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
                            + "; " + cable.name() + " is rated " + Text.number(bears, 1) + " A",
                    "In a short the cable gets hot in the wall, and nothing switches off."));
        }
    }

    /** Whether the voltage that arrives is one that the unit, or the converter before it, works with. */
    static void arrives(
            Unit unit,
            Draw draw,
            Part converter,
            boolean converts,
            double startV,
            double endV,
            List<PowerFault> faults) {
        Double least = converts ? converter.figure(Quantity.SUPPLY_LEAST_V).orElse(null) : draw.leastV();
        Double most = converts ? converter.figure(Quantity.SUPPLY_MOST_V).orElse(null) : draw.mostV();
        String code = unit.is(UnitKind.HUB) ? "P10" : "P4";
        if (most != null && startV > most * 1.001) {
            faults.add(new PowerFault(
                    code,
                    true,
                    unit.name() + " gets more voltage than it is rated for",
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

    /** P5 of a switch or router that feeds units through its ports, so many watts at worst. */
    static void ports(Unit unit, Part main, int children, double worst, List<PowerFault> faults) {
        String name = unit.name();
        double total = main.figure(Quantity.RATED_W, Double.POSITIVE_INFINITY);
        int ports = (int) main.figure(Quantity.PORTS, 0);
        if (children > ports) {
            faults.add(new PowerFault(
                    "P5",
                    true,
                    name + " has not enough ports that give power",
                    children + " units, " + ports + " ports",
                    "The last ones stay dark."));
        }
        if (worst > total * PowerFaults.HEADROOM) {
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
}
