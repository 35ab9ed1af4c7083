package org.skelto.core.power;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Wiring;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * What one unit takes by itself, without what it feeds.
 *
 * @param volts at its input
 * @param leastV least voltage at which it works, or null
 * @param mostV greatest that it bears, or null
 */
@RecordBuilder
record Draw(double volts, Double leastV, Double mostV, double typicalW, double worstW, boolean assumed, Figure figure)
        implements DrawBuilder.With {

    /** Volts, watts most of the time, watts at worst: typical of each kind. */
    private static final Map<UnitKind, double[]> USUAL = new java.util.EnumMap<>(Map.of(
            UnitKind.ROUTER, new double[] {12, 8, 14},
            UnitKind.SWITCH, new double[] {54, 5, 8},
            UnitKind.ACCESS_POINT, new double[] {48, 6, 12},
            UnitKind.GATEWAY, new double[] {48, 3, 6},
            UnitKind.HUB, new double[] {5, 5, 12},
            UnitKind.CONTROLLER, new double[] {5, 0.6, 2},
            UnitKind.PANEL, new double[] {12, 5, 12},
            UnitKind.SELF_CONTAINED, new double[] {3, 0.001, 0.3},
            UnitKind.SUPPLY, new double[] {230, 0, 0}));

    static {
        USUAL.put(UnitKind.KEYPAD, new double[] {12, 0.5, 1.5});
        USUAL.put(UnitKind.HANDSET, new double[] {3, 0.001, 0.2});
        USUAL.put(UnitKind.WALL_TABLET, new double[] {12, 6, 12});
        USUAL.put(UnitKind.ASSISTANT, new double[] {12, 2, 8});
        USUAL.put(UnitKind.CAMERA, new double[] {48, 5, 9});
        USUAL.put(UnitKind.RECORDER, new double[] {12, 15, 30});
        USUAL.put(UnitKind.INFRARED_SENDER, new double[] {5, 0.5, 1.5});
        USUAL.put(UnitKind.COUPLER, new double[] {230, 0.5, 1});
    }

    double typicalA() {
        return typicalW / volts;
    }

    double worstA() {
        return worstW / volts;
    }

    static Draw of(Plan plan, String id, Catalogue catalogue) {
        ComputingBudget.step();
        Unit unit = plan.units().get(id);
        if (unit.draws() != null) {
            double volts = unit.draws().volts();
            return DrawBuilder.builder()
                    .volts(volts)
                    .leastV(unit.draws().leastV())
                    .typicalW(unit.draws().typicalA() * volts)
                    .worstW(unit.draws().worstA() * volts)
                    .assumed(false)
                    .figure(Figure.of(
                            "as typed",
                            "measured, or the sheet of the unit",
                            false,
                            "typical",
                            Text.number(unit.draws().typicalA(), 3) + " A",
                            "at worst",
                            Text.number(unit.draws().worstA(), 3) + " A"))
                    .build();
        }
        Part main = unit.boards() == null
                ? null
                : catalogue.find(unit.boards().main()).orElse(null);
        if (main == null || !main.figures().containsKey(Quantity.SUPPLY_V)) {
            double[] usual = USUAL.get(unit.kind());
            return DrawBuilder.builder()
                    .volts(usual[0])
                    .typicalW(usual[1])
                    .worstW(usual[2])
                    .assumed(unit.kind() != UnitKind.SUPPLY)
                    .figure(Figure.of(
                            "typical of its kind",
                            "assumed: choose its part, or type what it takes",
                            true,
                            "typical",
                            Text.number(usual[1], 1) + " W",
                            "at worst",
                            Text.number(usual[2], 1) + " W"))
                    .build();
        }
        return made(plan, id, main, catalogue);
    }

    /** The sum over its parts: the main one, boards, coils and the low-voltage loads that it feeds itself. */
    private static Draw made(Plan plan, String id, Part main, Catalogue catalogue) {
        Unit unit = plan.units().get(id);
        double volts = main.figure(Quantity.SUPPLY_V, 5);
        Map<String, double[]> watts = new TreeMap<>();
        if (unit.kind() != UnitKind.SUPPLY) {
            watts.put(main.name(), own(main));
        }
        unit.boards()
                .more()
                .forEach((name, board) -> catalogue.find(board.part()).ifPresent(part -> {
                    double[] own = own(part);
                    double coils = used(plan, id, name, part)
                            * part.figure(Quantity.COIL_A, 0)
                            * part.figure(Quantity.SUPPLY_V, volts);
                    watts.put(name, own);
                    if (coils > 0 && !part.is(Trait.BISTABLE)) {
                        watts.put("coils of " + name, new double[] {0, coils});
                    }
                }));
        plan.devices().forEach((device, d) -> {
            if (id.equals(d.unit()) && fedByBoard(d, catalogue)) {
                watts.put(d.name(), load(d, catalogue));
            }
        });
        double typical = 0;
        double worst = 0;
        String[] inputs = new String[2 * watts.size()];
        int at = 0;
        for (Map.Entry<String, double[]> e : watts.entrySet()) {
            typical += e.getValue()[0];
            worst += e.getValue()[1];
            inputs[at++] = e.getKey();
            inputs[at++] = Text.number(e.getValue()[0], 2) + " to " + Text.number(e.getValue()[1], 2) + " W";
        }
        return DrawBuilder.builder()
                .volts(volts)
                .leastV(main.figure(Quantity.SUPPLY_LEAST_V).orElse(null))
                .mostV(main.figure(Quantity.SUPPLY_MOST_V).orElse(null))
                .typicalW(typical)
                .worstW(worst)
                .assumed(false)
                .figure(Figure.of(
                        "sum of V · I of its parts, all relays that are used on and the radio sending",
                        "catalogue",
                        false,
                        inputs))
                .build();
    }

    /** Channels of a board that devices are wired to: the others draw nothing. All of them where nothing is wired yet. */
    private static long used(Plan plan, String id, String board, Part part) {
        List<Wiring> wired = plan.devices().values().stream()
                .filter(d -> id.equals(d.unit()) && d.wiring() != null)
                .map(Device::wiring)
                .toList();
        return wired.isEmpty()
                ? part.channels()
                : wired.stream()
                        .flatMap(w -> w.terminals().values().stream())
                        .flatMap(terminal -> Stream.of(terminal.split(" ")))
                        .filter(terminal -> terminal.startsWith(board + "/"))
                        .distinct()
                        .count();
    }

    private static double[] own(Part part) {
        double volts = part.figure(Quantity.SUPPLY_V, 5);
        double typical = part.figure(Quantity.TYPICAL_A, 0) * volts;
        return new double[] {typical, Math.max(typical, part.figure(Quantity.PEAK_A, 0) * volts)};
    }

    /** Whether a controller's own supply carries the load, too. */
    static boolean fedByBoard(Device d, Catalogue catalogue) {
        return d.circuit() == null
                && d.known().supply() == null
                && d.kind().family() != DeviceKind.Family.SENSOR
                && Loads.volts(d, catalogue) < Loads.MAINS_FROM_V
                && Loads.watts(d, catalogue) > 0;
    }

    /** Watts of a low-voltage load most of the time and at worst: what holds by current takes it always. */
    static double[] load(Device d, Catalogue catalogue) {
        double watts = Loads.watts(d, catalogue);
        boolean holds = d.kind() == DeviceKind.LOCK && d.rest() == RestState.OPEN;
        return new double[] {holds ? watts : 0, watts};
    }

    /** Whether a unit's part takes its power off an Ethernet cable itself; true when the part is not known. */
    static boolean takesEthernet(Unit unit, Catalogue catalogue) {
        BoardSet boards = unit.boards();
        Part main = boards == null ? null : catalogue.find(boards.main()).orElse(null);
        Part part = catalogue.find(unit.power().part()).orElse(null);
        return unit.power().source() == PowerSource.ETHERNET
                && (part != null && part.kind() == PartKind.SPLITTER
                        || main == null
                        || main.is(Trait.ETHERNET_POWERED)
                        || main.kind() != PartKind.BOARD);
    }
}
