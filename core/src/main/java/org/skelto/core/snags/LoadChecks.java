package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Driver;
import org.skelto.core.plan.equipment.LoadKind;
import org.skelto.core.power.Electrics;
import org.skelto.core.power.Loads;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.Need;
import org.skelto.core.wiring.Wired;

/** C10, C11, C14, C15, C16 and P9: loads against the contacts, dimmers and pins that work them. */
final class LoadChecks {
    static final Check CHECK = Check.of(
            "snags of loads",
            List.of(
                    Code.of(
                            "C10",
                            Stage.CONTROLLERS,
                            "contact under the load, its voltage or its inrush",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of("C11", Stage.CONTROLLERS, "one contact set for two circuits", Severity.STOP),
                    Code.of("C14", Stage.CONTROLLERS, "more wires than a terminal takes", Severity.FIX),
                    Code.of("C15", Stage.CONTROLLERS, "3.3 V and 5 V meet", Severity.FIX),
                    Code.of(
                            "C16",
                            Stage.CONTROLLERS,
                            "dimmer under its least load, of the wrong type, or over its watts",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "P9",
                            Stage.CONTROLLERS,
                            "coil driven without transistor, base current or diode",
                            Severity.STOP)),
            List.of(HouseFacts.WIRED),
            LoadChecks::run);

    private static final double SAME_LEVEL_V = 0.7;
    private static final double OVERDRIVE = 3;
    private static final double GAIN = 100;

    private final CheckContext c;
    private final String unit;
    private final Wired wired;
    private final BoardSet boards;

    private LoadChecks(CheckContext c, String unit, Wired wired) {
        this.c = c;
        this.unit = unit;
        this.wired = wired;
        this.boards = c.plan.units().get(unit).boards();
    }

    static void run(CheckContext c) {
        c.wired().forEach((id, wired) -> {
            LoadChecks checks = new LoadChecks(c, id, wired);
            wired.needs().stream().filter(n -> n.terminal() != null).forEach(checks::load);
            checks.outputs();
            checks.shared();
            checks.levels();
            checks.drivers();
        });
    }

    private String name() {
        return c.plan.units().get(unit).name();
    }

    /** The board that a terminal's relay, output or channel is on: the last one that it names. */
    private Part boardOf(String terminal) {
        String last = terminal.substring(terminal.lastIndexOf(' ') + 1);
        String board = last.substring(0, last.indexOf('/'));
        Attached attached = boards.more().get(board);
        String part = board.equals(BoardSet.MAIN) ? boards.main() : attached == null ? null : attached.part();
        return c.parts.find(part).orElse(null);
    }

    private void load(Wired.Connection connection) {
        Device d = c.plan.devices().get(connection.device());
        Part board = boardOf(connection.terminal());
        if (board == null || Loads.watts(d, c.parts) == 0) {
            return;
        }
        if (connection.kind() == Need.Kind.RELAY) {
            contact(connection, d, board);
        } else if (connection.kind() == Need.Kind.DIMMER) {
            dimmer(connection, d, board);
        }
    }

    private void contact(Wired.Connection connection, Device d, Part board) {
        double volts = Loads.volts(d, c.parts);
        double amps = Loads.amps(d, c.parts);
        double inrush = Loads.inrushA(d, c.parts).orElse(0.0);
        double bearsA = board.figure(Quantity.CONTACT_A, Double.POSITIVE_INFINITY);
        double bearsV = board.figure(Quantity.CONTACT_V, Double.POSITIVE_INFINITY);
        double bearsInrush = board.figure(Quantity.INRUSH_A, Double.POSITIVE_INFINITY);
        boolean over = amps > bearsA || volts > bearsV;
        if (over || inrush > bearsInrush) {
            c.snag(
                            "C10",
                            over ? STOP : FIX,
                            CONTROLLERS,
                            "Relay contact rating exceeded: " + d.name() + (over ? "" : ", at its inrush"))
                    .figures(
                            over
                                    ? Text.number(amps, 1) + " A at " + Text.number(volts, 0) + " V; " + board.name()
                                            + " is rated " + Text.number(bearsA, 1) + " A at " + Text.number(bearsV, 0)
                                            + " V"
                                    : Text.number(inrush, 0) + " A for a moment, " + board.name() + " is rated "
                                            + Text.number(bearsInrush, 0) + " A")
                    .leadsTo("It can weld closed, and the load can no longer be switched off. A contactor of the "
                            + "right size, switched by this relay, carries it.")
                    .at(CheckContext.device(connection.device()), CheckContext.unit(unit))
                    .add();
        }
    }

    private void dimmer(Wired.Connection connection, Device d, Part board) {
        double watts = Loads.watts(d, c.parts);
        double most = board.figure(Quantity.OUTPUT_W, Double.POSITIVE_INFINITY);
        double least = board.figure(Quantity.LEAST_LOAD_W, 0);
        LoadKind load = d.known().load();
        String type = wrongType(load, board);
        String trouble = watts > most
                ? d.name() + " takes more than its dimmer output gives"
                : watts < least
                        ? d.name() + " is too small a load for its dimmer"
                        : type == null ? null : d.name() + ": " + type;
        if (trouble != null) {
            c.snag("C16", watts > most || type != null ? STOP : FIX, CONTROLLERS, trouble)
                    .figures(Text.number(watts, 1) + " W; " + board.name() + ": " + Text.number(least, 0) + " to "
                            + (Double.isInfinite(most) ? "any" : Text.number(most, 0)) + " W"
                            + (load == null
                                    ? ""
                                    : ", load "
                                            + load.name()
                                                    .toLowerCase(java.util.Locale.ROOT)
                                                    .replace('_', ' ')))
                    .leadsTo(
                            watts > most || type != null
                                    ? "The dimmer or the lamp is damaged."
                                    : "It flickers, or does not go out.")
                    .at(CheckContext.device(connection.device()), CheckContext.unit(unit))
                    .add();
        }
    }

    private static String wrongType(LoadKind load, Part board) {
        if (load == null || board.is(Trait.PULSE_WIDTH)) {
            return null;
        }
        return switch (load) {
            case MOTOR, ELECTRONIC, COIL -> "cannot be dimmed";
            case ELECTRONIC_TRANSFORMER ->
                board.is(Trait.LEADING_EDGE) ? "needs a dimmer that cuts the trailing edge" : null;
            case MAGNETIC_TRANSFORMER ->
                board.is(Trait.TRAILING_EDGE) ? "needs a dimmer that cuts the leading edge" : null;
            default -> null;
        };
    }

    /** All outputs of one dimmer board together. */
    private void outputs() {
        Map<String, Double> watts = new TreeMap<>();
        wired.needs().stream()
                .filter(n -> n.terminal() != null && n.kind() == Need.Kind.DIMMER)
                .forEach(n -> {
                    String last = n.terminal().substring(n.terminal().lastIndexOf(' ') + 1);
                    watts.merge(
                            last.substring(0, last.indexOf('/')),
                            Loads.watts(c.plan.devices().get(n.device()), c.parts),
                            Double::sum);
                });
        watts.forEach((board, sum) -> {
            Part part = boardOf(board + "/1");
            double most =
                    part == null ? Double.POSITIVE_INFINITY : part.figure(Quantity.RATED_W, Double.POSITIVE_INFINITY);
            if (sum > most) {
                c.snag(
                                "C16",
                                STOP,
                                CONTROLLERS,
                                "The outputs of " + board + " on " + name() + " are over its watts together")
                        .figures(Text.number(sum, 0) + " W of " + Text.number(most, 0) + " W")
                        .leadsTo("It gets too hot with all lamps on.")
                        .at(CheckContext.unit(unit, "/boards/more" + Pointers.of(board)))
                        .add();
            }
        });
    }

    /** Loads that share one contact: of two circuits, or more wires than a terminal takes. */
    private void shared() {
        Map<String, List<String>> byContact = new TreeMap<>();
        wired.needs().stream()
                .filter(n -> n.terminal() != null && n.kind() == Need.Kind.RELAY)
                .forEach(n -> byContact
                        .computeIfAbsent(
                                n.terminal().substring(n.terminal().lastIndexOf(' ') + 1), k -> new ArrayList<>())
                        .add(n.device()));
        byContact.forEach((contact, devices) -> {
            long circuits = devices.stream()
                    .map(id -> c.plan.devices().get(id).circuit())
                    .filter(Objects::nonNull)
                    .distinct()
                    .count();
            String names = devices.stream()
                    .map(id -> c.plan.devices().get(id).name())
                    .reduce((a, b) -> a + ", " + b)
                    .orElse("");
            if (devices.size() > 1 && circuits > 1) {
                c.snag(
                                "C11",
                                STOP,
                                CONTROLLERS,
                                "One contact set of " + name() + " where " + circuits + " circuits need one each")
                        .figures(contact + ": " + names)
                        .leadsTo("Two circuits are joined: switched off at one breaker, a wire is live from the other.")
                        .at(CheckContext.device(devices.get(devices.size() - 1)), CheckContext.unit(unit))
                        .add();
            }
            Part board = boardOf(contact);
            double takes = board == null ? 2 : board.figure(Quantity.WIRES_PER_TERMINAL, 2);
            if (devices.size() > takes) {
                c.snag("C14", FIX, CONTROLLERS, "More wires on " + contact + " of " + name() + " than it takes")
                        .figures(devices.size() + " wires, " + Text.number(takes, 0) + " fit")
                        .leadsTo("One of them comes loose, and arcs. A terminal block beside it joins them safely.")
                        .at(CheckContext.device(devices.get(0)), CheckContext.unit(unit))
                        .add();
            }
        });
    }

    private void levels() {
        Double level = c.parts
                .find(boards.main())
                .flatMap(p -> p.figure(Quantity.LOGIC_V))
                .orElse(null);
        if (level == null) {
            return;
        }
        boards.more().forEach((name, board) -> {
            Double other = c.parts
                    .find(board.part())
                    .flatMap(p -> p.figure(Quantity.LOGIC_V))
                    .orElse(null);
            if (other != null && Math.abs(other - level) > SAME_LEVEL_V && !board.behindShifter()) {
                String at = CheckContext.unit(unit, "/boards/more" + Pointers.of(name));
                c.snag(
                                "C15",
                                FIX,
                                CONTROLLERS,
                                Text.number(level, 1) + " V and " + Text.number(other, 1) + " V meet at " + name
                                        + " of " + name())
                        .figures("no level shifter between them")
                        .leadsTo(
                                other > level
                                        ? "A relay stays half on because its input never gets high enough, and the higher "
                                                + "voltage reaches the board's pins and kills them in time."
                                        : "The lower board gets more than it is rated for.")
                        .at(at)
                        .fix("Put a level shifter between", Edit.replace(at + "/shifted", true))
                        .add();
            }
        });
    }

    private void drivers() {
        Map<String, String> troubles = new HashMap<>();
        double pinV = c.parts
                .find(boards.main())
                .map(p -> p.figure(Quantity.LOGIC_V, 3.3))
                .orElse(3.3);
        boards.more().forEach((name, board) -> {
            Part part = c.parts.find(board.part()).orElse(null);
            if (part == null || part.is(Trait.TRANSISTOR) || !part.figures().containsKey(Quantity.COIL_A)) {
                return;
            }
            double coilMa = 1000 * part.figure(Quantity.COIL_A, 0);
            String trouble = trouble(part, board.driver(), coilMa, pinV);
            if (trouble != null && troubles.put(name, trouble) == null) {
                double needed = Electrics.baseMa(coilMa, GAIN, OVERDRIVE);
                double ohm = standard(Electrics.baseOhm(pinV, needed));
                String at = CheckContext.unit(unit, "/boards/more" + Pointers.of(name));
                c.snag("P9", STOP, CONTROLLERS, "The coil of " + name + " on " + name() + " is not driven properly")
                        .figures(trouble)
                        .leadsTo("It does not pull in, or the pin and the transistor die of the coil's back voltage.")
                        .at(at)
                        .fix(
                                "A transistor with " + Text.number(ohm, 0) + " Ω before its base, and a diode",
                                Edit.replace(at + "/driver", new Driver(ohm, GAIN, true)))
                        .add();
            }
        });
    }

    private static String trouble(Part part, Driver driver, double coilMa, double pinV) {
        boolean direct = !part.is(Trait.ALTERNATING);
        if (driver == null || driver.baseOhm() == null) {
            return coilMa > Electrics.PIN_MA
                    ? "the coil takes " + Text.number(coilMa, 0) + " mA, a pin gives about "
                            + Text.number(Electrics.PIN_MA, 0) + " mA"
                    : direct && (driver == null || !driver.diode()) && !part.is(Trait.DIODE)
                            ? "no diode across the coil"
                            : null;
        }
        double baseMa = 1000 * (pinV - Electrics.BASE_V) / driver.baseOhm();
        double needed = Electrics.baseMa(coilMa, driver.gain(), 1);
        if (baseMa < needed) {
            return "base current " + Text.number(baseMa, 2) + " mA, at least " + Text.number(needed, 2) + " mA for "
                    + Text.number(coilMa, 0) + " mA in the coil";
        }
        if (baseMa > Electrics.PIN_MA) {
            return "base current " + Text.number(baseMa, 1) + " mA, a pin gives about "
                    + Text.number(Electrics.PIN_MA, 0) + " mA";
        }
        return direct && !driver.diode() && !part.is(Trait.DIODE) ? "no diode across the coil" : null;
    }

    /** The next smaller resistor of the E12 series. */
    static double standard(double ohm) {
        double[] series = {1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};
        double decade = Math.pow(10, Math.floor(Math.log10(ohm)));
        double best = decade;
        for (double step : series) {
            best = step * decade <= ohm * (1 + 1e-9) ? step * decade : best;
        }
        return best;
    }
}
