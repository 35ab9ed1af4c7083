package org.skelto.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.build.CableLine.Layer;
import org.skelto.core.build.Shape.Kind;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Driver;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.Need;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;

/**
 * Draws how a unit is wired: what feeds it on the left, its boards in the middle with a row for each terminal in use, the
 * devices on the right. Every wire names the cable that it runs in.
 */
public final class WiringDiagram {
    private static final double WIDTH = 277;
    private static final double ROW = 8;
    private static final double TOP = 24;
    private static final double FEED = 62;
    private static final double LIVE = 78;
    private static final double BOARD_LEFT = 104;
    private static final double BOARD_RIGHT = 158;
    private static final double DEVICE_LEFT = 198;
    private static final double DEVICE_RIGHT = 252;
    private static final double RETURN = 264;
    private static final double GAP = 6;
    private static final double BYPASS = 6;

    /** Letters that fit into a board. */
    private static final int LONGEST = 36;

    private final Plan plan;
    private final String id;
    private final Unit unit;
    private final Catalogue catalogue;
    private final List<Wired.Connection> needs;
    private final Map<String, PowerNode> power;
    private final List<CableLine> cables;
    private final List<Shape> shapes = new ArrayList<>();
    private final Map<String, Double> pinRows = new LinkedHashMap<>();
    private final TerminalRows terminals = new TerminalRows();
    private final Map<String, List<Double>> live = new LinkedHashMap<>();
    private final Map<String, List<Double>> back = new LinkedHashMap<>();
    private String otherWay;
    private String otherTerminal;
    private double otherAt;
    private double y = TOP;
    private int lane;

    private WiringDiagram(
            Plan plan,
            String id,
            Catalogue catalogue,
            Wired wired,
            Map<String, PowerNode> power,
            List<CableLine> cables) {
        this.plan = plan;
        this.id = id;
        this.unit = plan.units().get(id);
        this.catalogue = catalogue;
        this.needs = wired.needs().stream().filter(n -> n.terminal() != null).toList();
        this.power = power;
        this.cables = cables;
    }

    /** A sheet for each unit whose boards are chosen, by id. */
    public static Map<String, Sheet> of(
            Plan plan,
            Catalogue catalogue,
            Map<String, Wired> wired,
            Map<String, PowerNode> power,
            List<CableLine> cables) {
        Map<String, Sheet> sheets = new TreeMap<>();
        wired.forEach((id, w) -> sheets.put(id, new WiringDiagram(plan, id, catalogue, w, power, cables).sheet()));
        return sheets;
    }

    // ------------------------------------------------------------------ shapes

    private void line(Layer layer, double... points) {
        shape(Kind.LINE, layer, null, points);
    }

    private void text(Kind kind, Layer layer, double x, double at, String text) {
        shape(kind, layer, text, x, at);
    }

    private void shape(Kind kind, Layer layer, String text, double... points) {
        ComputingBudget.step();
        shapes.add(
                new Shape(kind, layer, java.util.Arrays.stream(points).boxed().toList(), text));
    }

    // ------------------------------------------------------------------ the sheet

    private Sheet sheet() {
        ComputingBudget.step();
        text(Kind.TITLE, null, 10, 10, unit.name());
        text(Kind.SMALL, null, 10, 16, where() + "; " + plan.name());
        feed();
        board(BoardSet.MAIN, name(unit.boards().main()), rowsOf(BoardSet.MAIN));
        unit.boards().more().forEach((name, board) -> {
            y += GAP;
            if (board.behindShifter()) {
                text(Kind.SMALL_RIGHT, Layer.LOW_VOLTAGE, BOARD_LEFT - 15, y + 2, "level shifter");
            }
            driver(board.driver());
            board(name, name(board.part()), rowsOf(name));
            bus(name, board);
        });
        bars();
        double height = y + 12;
        text(
                Kind.SMALL,
                null,
                10,
                height - 4,
                "Isolate, lock off and prove dead before opening. Estimates, never a certificate; fixed wiring is for a "
                        + "licensed electrician where the law asks.");
        return new Sheet(id, unit.name(), WIDTH, height, List.copyOf(shapes), terminals.rows());
    }

    private String where() {
        if (unit.place() == null) {
            return "nowhere yet";
        }
        String housing = unit.housing() == null
                ? ""
                : ", in " + plan.housings().get(unit.housing()).name();
        return (unit.place().room() != null
                        ? plan.rooms().get(unit.place().room()).name()
                        : unit.place().spot() != null
                                ? plan.spots().get(unit.place().spot()).name()
                                : "")
                + housing;
    }

    private String name(String part) {
        return catalogue.find(part).map(Part::name).orElse(part);
    }

    /** Connections whose last terminal is on a board, in the order of its terminals. */
    private List<Wired.Connection> rowsOf(String board) {
        return needs.stream()
                .filter(n -> last(n.terminal()).startsWith(board + "/"))
                .sorted(Comparator.comparing((Wired.Connection n) -> order(last(n.terminal())))
                        .thenComparing(n -> last(n.terminal())))
                .toList();
    }

    private static String last(String terminal) {
        return terminal.substring(terminal.lastIndexOf(' ') + 1);
    }

    private static int order(String terminal) {
        String digits = terminal.replaceAll("\\D", "");
        return digits.isEmpty() || digits.length() > 6 ? 0 : Integer.parseInt(digits);
    }

    private static String shortName(String terminal) {
        return terminal.substring(terminal.indexOf('/') + 1);
    }

    private void feed() {
        PowerNode node = power.get(id);
        String from = switch (unit.power().source()) {
            case MAINS ->
                unit.power().circuit() == null ? "mains" : circuit(unit.power().circuit());
            case BATTERY -> "battery";
            case ETHERNET, SUPPLY ->
                unit.power().from() == null
                        ? "nothing yet"
                        : plan.units().get(unit.power().from()).name();
        };
        String through = unit.power().part() == null ? "" : name(unit.power().part());
        Layer layer =
                unit.power().source() == org.skelto.core.plan.power.PowerSource.MAINS ? Layer.MAINS : Layer.LOW_VOLTAGE;
        shape(Kind.BOX, layer, null, 10, y, FEED, y + 2 * ROW);
        text(Kind.TEXT, layer, 13, y + 6, from);
        text(Kind.SMALL, layer, 13, y + 12, through);
        line(Layer.LOW_VOLTAGE, FEED, y + ROW, BOARD_LEFT, y + ROW);
        String volts = node == null ? "" : Text.number(node.volts(), node.volts() < 10 ? 1 : 0) + " V, ";
        String worst = node == null ? "" : "up to " + Text.number(node.worstA(), 2) + " A";
        text(Kind.SMALL, Layer.LOW_VOLTAGE, FEED + 2, y + ROW - 1.5, volts + worst + cable("/units/" + id));
    }

    private String circuit(String circuit) {
        Circuit known = plan.circuits().get(circuit);
        return known.name() + (known.breakerA() == null ? "" : ", " + Text.number(known.breakerA(), 0) + " A");
    }

    /** The cable that brings a unit its power, as it is written on the wire. */
    private String cable(String to) {
        return cables.stream()
                .filter(c -> c.to().equals(to) && c.layer() == Layer.LOW_VOLTAGE
                        || c.from().equals(to)
                                && unit.power().from() != null
                                && c.to().equals("/units/" + unit.power().from()))
                .map(c -> "  " + c.id())
                .findFirst()
                .orElse("");
    }

    private String cableOf(String device, boolean mains) {
        return cables.stream()
                .filter(c -> c.to().equals("/devices/" + device) && mains == (c.layer() == Layer.MAINS))
                .map(CableLine::id)
                .findFirst()
                .orElse("");
    }

    private void board(String board, String title, List<Wired.Connection> rows) {
        List<Wired.Connection> pins = board.equals(BoardSet.MAIN)
                ? needs.stream().filter(n -> n.terminal().contains(" ")).toList()
                : List.of();
        int count = Math.max(2, rows.size() + pins.size());
        double bottom = y
                + 9
                + count * ROW
                + BYPASS * rows.stream().filter(this::byHand).count();
        shape(Kind.BOX, null, null, BOARD_LEFT, y, BOARD_RIGHT, bottom);
        text(Kind.SMALL, null, BOARD_LEFT + 2, y + 5, cut(board.equals(BoardSet.MAIN) ? title : board + ": " + title));
        double at = y + 9 + ROW / 2;
        for (Wired.Connection pin : pins) {
            String name = pin.terminal().split(" ")[0];
            text(Kind.TEXT, null, BOARD_LEFT + 3, at + 1.5, shortName(name));
            text(Kind.SMALL_RIGHT, null, BOARD_RIGHT - 3, at + 1.5, "drives " + last(pin.terminal()));
            pinRows.put(pin.terminal(), at);
            drives(name, pin.terminal().split(" ")[1]);
            at += ROW;
        }
        for (Wired.Connection row : rows) {
            at += byHand(row) ? BYPASS : 0;
            row(row, at);
            at += ROW;
        }
        y = bottom;
    }

    /** What is wired by hand before the coils of a board. */
    private void driver(Driver driver) {
        if (driver != null && driver.baseOhm() != null) {
            text(Kind.SMALL_RIGHT, Layer.LOW_VOLTAGE, BOARD_LEFT - 15, y + 2, "each way: transistor, " + base(driver));
            text(
                    Kind.SMALL_RIGHT,
                    Layer.LOW_VOLTAGE,
                    BOARD_LEFT - 15,
                    y + 6,
                    driver.diode() ? "diode across the coil" : "no diode planned");
        } else if (driver != null && driver.diode()) {
            text(Kind.SMALL_RIGHT, Layer.LOW_VOLTAGE, BOARD_LEFT - 15, y + 2, "diode across the coil");
        }
    }

    private static String base(Driver driver) {
        return Text.number(driver.baseOhm(), 0) + " Ω before its base";
    }

    /** The wires from a pin to what it drives, over the transistor that is wired by hand where there is one. */
    private void drives(String pin, String to) {
        Attached board = unit.boards().more().get(to.split("/")[0]);
        Driver driver = board == null ? null : board.driver();
        if (driver == null || driver.baseOhm() == null) {
            terminals.wire(pin, to, "");
            return;
        }
        terminals.wire(pin, "transistor for " + to + ", " + base(driver), "");
        terminals.wire(to + " coil +", "supply of the coil" + (driver.diode() ? "; band end of the diode" : ""), "");
        terminals.wire(
                to + " coil −", "collector of the transistor" + (driver.diode() ? "; other end of the diode" : ""), "");
        terminals.wire("0 V", "emitter of the transistor for " + to, "");
    }

    private void row(Wired.Connection row, double at) {
        ComputingBudget.step();
        Device d = plan.devices().get(row.device());
        boolean mains = d.circuit() != null && !row.kind().reads();
        Layer layer = mains ? Layer.MAINS : Layer.LOW_VOLTAGE;
        String terminal = last(row.terminal());
        boolean lined = row.kind() == Need.Kind.RELAY;
        text(Kind.TEXT, null, BOARD_LEFT + 3, lined ? at - 0.8 : at + 1.5, shortName(terminal));
        String cable = cableOf(row.device(), mains);
        if (row.kind() == Need.Kind.RELAY) {
            contact(at);
            String from = mains ? d.circuit() : "";
            live.computeIfAbsent(from, k -> new ArrayList<>()).add(at);
            terminals.wire(terminal + " common", mains ? circuit(d.circuit()) : "low voltage", "");
            if (row.device().equals(otherWay) && at - otherAt < ROW + 0.1) {
                boolean second = row.need().equals("down") || row.need().equals("shut");
                interlock(
                        from,
                        second ? otherAt : at,
                        second ? otherTerminal : terminal,
                        second ? at : otherAt,
                        second ? terminal : otherTerminal);
            }
            otherWay = row.device();
            otherAt = at;
            otherTerminal = terminal;
            if (byHand(row)) {
                bypass(at);
            }
        } else if (row.kind() == Need.Kind.DIMMER) {
            text(Kind.SMALL, Layer.CONTACTS, BOARD_LEFT + 24, at + 1.5, "dims");
            live.computeIfAbsent(mains ? d.circuit() : "", k -> new ArrayList<>())
                    .add(at);
        }
        line(layer, BOARD_RIGHT, at, DEVICE_LEFT, at);
        text(Kind.SMALL, layer, BOARD_RIGHT + 3, at - 1.2, cable + (row.need().isEmpty() ? "" : "  " + row.need()));
        shape(Kind.BOX, layer, null, DEVICE_LEFT, at - 3.2, DEVICE_RIGHT, at + 3.2);
        text(Kind.SMALL, layer, DEVICE_LEFT + 2, at + 1.3, d.name());
        if (row.kind() == Need.Kind.INPUT
                && d.kind().family() == org.skelto.core.plan.equipment.DeviceKind.Family.SENSOR) {
            line(Layer.CONTACTS, DEVICE_RIGHT - 12, at, DEVICE_RIGHT - 9, at, DEVICE_RIGHT - 4, at - 2.2);
            line(Layer.CONTACTS, DEVICE_RIGHT - 4, at, DEVICE_RIGHT, at);
        }
        back.computeIfAbsent(mains ? d.circuit() : "", k -> new ArrayList<>()).add(at);
        line(layer, DEVICE_RIGHT, at, RETURN + (mains ? 4 : 0), at);
        terminals.wire(terminal, d.name() + (row.need().isEmpty() ? "" : ", " + row.need()), cable);
        Double pin = pinRows.get(row.terminal());
        if (pin != null) {
            double x = BOARD_LEFT - 3 - 1.4 * (lane++ % 8);
            shape(Kind.CONTROL, Layer.LOW_VOLTAGE, null, BOARD_LEFT, pin, x, pin, x, at - 2, BOARD_LEFT, at - 2);
        }
    }

    /** Whether a switch at hand lies beside the contact of a connection. */
    private boolean byHand(Wired.Connection row) {
        Device d = plan.devices().get(row.device());
        return row.kind() == Need.Kind.RELAY && d.circuit() != null && d.hand() == Hand.SWITCH;
    }

    private static String cut(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST - 1) + "…";
    }

    /** A contact that closes, between the common on the left and the output on the right of a board. */
    private void contact(double at) {
        line(Layer.CONTACTS, BOARD_LEFT, at, BOARD_LEFT + 24, at, BOARD_LEFT + 33, at - 3);
        line(Layer.CONTACTS, BOARD_LEFT + 33, at, BOARD_RIGHT, at);
    }

    /** The second way of a drive is fed over the first way's resting contact: both are never on together. */
    private void interlock(String from, double first, String firstTerminal, double second, String secondTerminal) {
        live.get(from).remove(second);
        terminals.only(secondTerminal + " common", firstTerminal + " normally closed");
        terminals.wire(firstTerminal + " normally closed", secondTerminal + " common", "");
        double middle = (first + second) / 2;
        line(Layer.CONTACTS, BOARD_LEFT + 33, first + 2, BOARD_LEFT + 37, first + 2, BOARD_LEFT + 37, middle);
        line(
                Layer.CONTACTS,
                BOARD_LEFT + 37,
                middle,
                BOARD_LEFT - 2,
                middle,
                BOARD_LEFT - 2,
                second,
                BOARD_LEFT,
                second);
    }

    /** A switch at hand beside the contact: either of the two switches the load on. */
    private void bypass(double at) {
        double up = at - 6;
        line(Layer.CONTACTS, BOARD_LEFT - 2, at, BOARD_LEFT - 2, up, BOARD_LEFT + 24, up, BOARD_LEFT + 33, up - 3);
        line(Layer.CONTACTS, BOARD_LEFT + 33, up, BOARD_RIGHT + 2, up, BOARD_RIGHT + 2, at);
        text(Kind.SMALL_RIGHT, Layer.CONTACTS, BOARD_LEFT + 23, up - 0.8, "switch by hand");
    }

    private void bus(String name, Attached board) {
        Part part = catalogue.find(board.part()).orElse(null);
        if (part == null) {
            return;
        }
        if (part.is(org.skelto.core.parts.Trait.BUS) || part.is(org.skelto.core.parts.Trait.SERIAL)) {
            double x = DEVICE_LEFT - 5;
            double from = TOP + 5;
            double to = y - 4;
            shape(Kind.CONTROL, Layer.BUS, null, BOARD_RIGHT, from, x, from, x, to, BOARD_RIGHT, to);
            String address = board.address() == null
                    ? ""
                    : part.is(org.skelto.core.parts.Trait.BUS)
                            ? String.format(" 0x%02X", board.address())
                            : " " + board.address();
            text(Kind.SMALL_RIGHT, Layer.BUS, x - 1.5, to - 1.5, "bus" + address);
            terminals.wire("main bus", name, "");
        }
    }

    /** Live bars on the left and neutral or 0 V bars on the right, one for each circuit. */
    private void bars() {
        int number = 0;
        for (Map.Entry<String, List<Double>> bar : live.entrySet()) {
            boolean mains = !bar.getKey().isEmpty();
            Layer layer = mains ? Layer.MAINS : Layer.LOW_VOLTAGE;
            double x = LIVE + 4.0 * number++;
            double top = bar.getValue().stream().mapToDouble(v -> v).min().orElse(0);
            double bottom = bar.getValue().stream().mapToDouble(v -> v).max().orElse(0);
            line(layer, x, top - 5, x, bottom);
            text(Kind.SMALL_RIGHT, layer, x - 2, top - 4, mains ? "L  " + circuit(bar.getKey()) : "low voltage");
            for (double at : bar.getValue()) {
                shape(Kind.DOT, layer, null, x, at);
                line(layer, x, at, BOARD_LEFT, at);
            }
        }
        back.forEach((circuit, rows) -> {
            boolean mains = !circuit.isEmpty();
            Layer layer = mains ? Layer.MAINS : Layer.LOW_VOLTAGE;
            double x = RETURN + (mains ? 4 : 0);
            double top = rows.stream().mapToDouble(v -> v).min().orElse(0);
            double bottom = rows.stream().mapToDouble(v -> v).max().orElse(0);
            line(layer, x, top, x, bottom + 4);
            rows.forEach(at -> shape(Kind.DOT, layer, null, x, at));
            text(Kind.SMALL_RIGHT, layer, x + 2, bottom + 7, mains ? "N" : "0 V");
        });
    }
}
