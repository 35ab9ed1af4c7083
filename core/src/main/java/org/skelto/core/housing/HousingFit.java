package org.skelto.core.housing;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
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
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.site.Housing;
import org.skelto.core.power.PowerNode;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * How a wall box or enclosure is filled.
 *
 * @param parts names of what is in it
 * @param wallBox whether things are stacked in it rather than laid side by side
 * @param stackMm depth of the stack, or of the deepest part, with wires
 * @param depthMm of the box, or 0 when its part is not known
 * @param filled share of an enclosure's floor that is taken
 * @param heatW with the typical mix of loads
 * @param riseK of the air inside, measured or reckoned
 * @param mains whether mains come in
 * @param low whether low voltage comes in
 * @param mixed which of its units bring what
 */
@RecordBuilder
public record HousingFit(
        List<String> parts,
        boolean wallBox,
        double stackMm,
        double depthMm,
        double filled,
        double heatW,
        double riseK,
        double insideC,
        boolean measured,
        boolean separated,
        boolean mains,
        boolean low,
        String mixed,
        Figure heat)
        implements HousingFitBuilder.With {
    /** Share of an enclosure's floor that may be taken; the rest is for wires and air. */
    public static final double MOST_FILLED = 0.7;

    /** Depth that wires need behind or before a stack, mm. */
    private static final double WIRES_MM = 10;

    /** Air that electronics bear for years, °C; typical. */
    public static final double WARM_C = 50;

    private static final double ROOM_C = 25;
    private static final double BOX_K_PER_W = 10;

    /** All of a plan, by id. */
    public static Map<String, HousingFit> of(Plan plan, Catalogue catalogue, Map<String, PowerNode> power) {
        Map<String, HousingFit> all = new TreeMap<>();
        plan.housings()
                .forEach((id, housing) ->
                        all.put(id, of(plan, id, catalogue.find(housing.part()).orElse(null), catalogue, power)));
        return all;
    }

    /** One of them, if it were made of this part. */
    public static HousingFit of(Plan plan, String id, Part box, Catalogue catalogue, Map<String, PowerNode> power) {
        ComputingBudget.step();
        Housing housing = plan.housings().get(id);
        List<Part> parts = new ArrayList<>();
        List<Double> heats = new ArrayList<>();
        List<String> mains = new ArrayList<>();
        List<String> low = new ArrayList<>();
        plan.units().forEach((unitId, unit) -> {
            if (id.equals(unit.housing())) {
                parts(unit)
                        .map(catalogue::find)
                        .flatMap(java.util.Optional::stream)
                        .forEach(part -> {
                            parts.add(part);
                            heats.add(heat(part, power.get(unitId)));
                        });
                if (mains(plan, unitId, unit)) {
                    mains.add(unit.name());
                }
                if (low(plan, unitId, unit)) {
                    low.add(unit.name());
                }
            }
        });
        boolean wallBox = box != null && box.kind() == PartKind.WALL_BOX;
        double stack = wallBox
                ? parts.stream()
                        .mapToDouble(p -> p.figure(Quantity.DEPTH_MM, 0))
                        .sum()
                : parts.stream()
                        .mapToDouble(p -> p.figure(Quantity.DEPTH_MM, 0))
                        .max()
                        .orElse(0);
        double floor = box == null
                ? Double.POSITIVE_INFINITY
                : box.figure(Quantity.WIDTH_MM, 0) * box.figure(Quantity.HEIGHT_MM, 0);
        double taken = parts.stream()
                .mapToDouble(p -> p.figure(Quantity.WIDTH_MM, 0) * p.figure(Quantity.HEIGHT_MM, 0))
                .sum();
        double heat = heats.stream().mapToDouble(h -> h).sum();
        double perWatt = box == null ? BOX_K_PER_W : box.figure(Quantity.THERMAL_K_PER_W, BOX_K_PER_W);
        boolean measured = housing.riseK() != null;
        double rise = measured ? housing.riseK() : heat * perWatt;
        return HousingFitBuilder.builder()
                .parts(parts.stream().map(Part::name).toList())
                .wallBox(wallBox)
                .stackMm(parts.isEmpty() ? 0 : stack + WIRES_MM)
                .depthMm(box == null ? 0 : box.figure(Quantity.DEPTH_MM, 0))
                .filled(wallBox || floor == 0 ? 0 : taken / floor)
                .heatW(heat)
                .riseK(rise)
                .insideC(ROOM_C + rise)
                .measured(measured)
                .separated(box != null && box.is(Trait.SEPARATED))
                .mains(!mains.isEmpty())
                .low(!low.isEmpty())
                .mixed("mains: " + String.join(", ", mains) + "; low voltage: " + String.join(", ", low))
                .heat(Figure.of(
                        measured ? "measured" : "W · K/W",
                        measured
                                ? "typed by the person"
                                : "losses of supplies with the typical mix of loads, and heat of other parts; catalogue",
                        box == null && !measured,
                        "heat",
                        Text.number(heat, 2) + " W",
                        "box",
                        Text.number(perWatt, 1) + " K/W",
                        "rise",
                        Text.number(rise, 1) + " K",
                        "air around",
                        Text.number(ROOM_C, 0) + " °C"))
                .build();
    }

    /** What a supply loses with the typical mix is known from what it feeds; of other parts the heat is a figure. */
    private static double heat(Part part, PowerNode node) {
        return node != null && node.gives() != null && node.gives().part().equals(part.name())
                ? node.gives().typicalLossW()
                : part.figure(Quantity.HEAT_W, 0);
    }

    /** Whether the air in it is warmer than electronics bear for years. */
    public boolean tooWarm() {
        return insideC > WARM_C;
    }

    /** Whether what is in it is deeper than the box. */
    public boolean tooDeep() {
        return depthMm > 0 && stackMm > depthMm;
    }

    /** Whether what is in it takes too much of the floor. */
    public boolean tooFull() {
        return filled > MOST_FILLED;
    }

    private static Stream<String> parts(Unit unit) {
        Stream<String> boards = unit.boards() == null
                ? Stream.of()
                : Stream.concat(
                        Stream.of(unit.boards().main()),
                        unit.boards().more().values().stream().map(Attached::part));
        return Stream.concat(boards, Stream.ofNullable(unit.power().part()));
    }

    private static boolean mains(Plan plan, String id, Unit unit) {
        return unit.power().source() == PowerSource.MAINS
                || plan.devices().values().stream().anyMatch(d -> id.equals(d.unit()) && d.circuit() != null);
    }

    /** Low-voltage wires that come in from outside: of sensors and buttons, of a bus, or of a supply elsewhere. */
    private static boolean low(Plan plan, String id, Unit unit) {
        return unit.power().fed()
                || plan.devices().values().stream()
                        .anyMatch(d -> id.equals(d.unit())
                                && d.circuit() == null
                                && (d.kind().family() == DeviceKind.Family.SENSOR
                                        || d.known().volts() != null));
    }
}
