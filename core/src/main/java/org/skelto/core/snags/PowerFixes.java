package org.skelto.core.snags;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Feed;
import org.skelto.core.plan.power.Power;
import org.skelto.core.power.PowerNode;
import org.skelto.core.power.PowerTree;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.SiteModel;

/** Looks for the cheapest part of the catalogue with which a fault of the power tree is gone and no worse one comes. */
final class PowerFixes {
    /** Ratings of small fuses and breakers (IEC 60127 and 60898), A. */
    private static final double[] FUSES = {0.5, 1, 2, 3, 4, 5, 6, 10, 13, 16, 20, 25};

    private static final double SAME_V = 0.03;
    private static final int MOST_CELLS = 6;

    private final SiteModel site;
    private final Catalogue catalogue;
    private final Map<String, PowerNode> now;

    /** For the plan of a site, with its tree as it is. */
    PowerFixes(SiteModel site, Catalogue catalogue, Map<String, PowerNode> now) {
        this.site = site;
        this.catalogue = catalogue;
        this.now = now;
    }

    /** A change that helps. */
    record Change(String label, Edit edit) {}

    /** The change that takes a fault away from a unit, if a part does it. */
    Optional<Change> change(String id, String code) {
        Unit unit = site.plan().units().get(id);
        if (unit == null) {
            return Optional.empty();
        }
        return switch (code) {
            case "P1", "P2", "P3", "P10" -> supply(id, unit, code);
            case "P4" -> cable(id, unit, code);
            case "P5" -> unit.is(UnitKind.SWITCH) ? main(id, unit, code, PartKind.SWITCH) : Optional.empty();
            case "P6", "P11", "P13" -> cell(id, unit, code);
            case "P12" -> fuse(id, unit, code).or(() -> cable(id, unit, code));
            default -> Optional.empty();
        };
    }

    private Optional<Change> supply(String id, Unit unit, String code) {
        boolean maker = unit.kind() == UnitKind.SUPPLY && unit.boards() != null;
        Part old = catalogue
                .find(maker ? unit.boards().main() : unit.power().part())
                .orElse(null);
        if (old == null) {
            return Optional.empty();
        }
        Stream<Part> others = catalogue.all().stream()
                .filter(p ->
                        p.kind() == old.kind() || old.kind() == PartKind.REGULATOR && p.kind() == PartKind.CONVERTER)
                .filter(p -> Math.abs(p.figure(Quantity.OUTPUT_V, 0) / old.figure(Quantity.OUTPUT_V, 1) - 1) < SAME_V);
        return first(id, code, others, p -> maker ? withMain(unit, p) : withPower(unit, part(unit.power(), p)))
                .map(p -> new Change(
                        "Take instead: " + p.name(),
                        Edit.replace(Pointers.of("units", id) + (maker ? "/boards/main" : "/power/part"), p.id())));
    }

    private Optional<Change> main(String id, Unit unit, String code, PartKind kind) {
        return first(id, code, catalogue.all(kind).stream(), p -> withMain(unit, p))
                .map(p -> new Change(
                        "Take instead: " + p.name(), Edit.replace(Pointers.of("units", id) + "/boards/main", p.id())));
    }

    private Optional<Change> cable(String id, Unit unit, String code) {
        Feed feed = unit.power().feed();
        if (feed == null || feed.cable() == null) {
            return Optional.empty();
        }
        return first(
                        id,
                        code,
                        catalogue.all(PartKind.CABLE).stream(),
                        p -> withPower(unit, fed(unit.power(), new Feed(p.id(), feed.lengthM(), feed.fuseA()))))
                .map(p -> new Change(
                        "Take instead: " + p.name(),
                        Edit.replace(Pointers.of("units", id) + "/power/feed/cable", p.id())));
    }

    private Optional<Change> cell(String id, Unit unit, String code) {
        return first(id, code, catalogue.all(PartKind.BATTERY).stream(), p -> withPower(unit, part(unit.power(), p)))
                .map(p -> new Change(
                        "Take instead: " + p.name(), Edit.replace(Pointers.of("units", id) + "/power/part", p.id())))
                .or(() -> moreCells(id, unit, code));
    }

    /** More of the same cells side by side. */
    private Optional<Change> moreCells(String id, Unit unit, String code) {
        for (int count = unit.power().parts() + 1; count <= MOST_CELLS; count++) {
            Power p = unit.power();
            Power more = p.withCount(count);
            if (better(id, code, withPower(unit, more))) {
                return Optional.of(new Change(
                        "Take " + count + " side by side",
                        Edit.replace(Pointers.of("units", id) + "/power/count", count)));
            }
        }
        return Optional.empty();
    }

    /** The largest fuse that the cable bears, or one of twice what is taken where no cable is chosen. */
    private Optional<Change> fuse(String id, Unit unit, String code) {
        Feed feed = unit.power().feed() == null
                ? new Feed(null, null, null)
                : unit.power().feed();
        double worstA = now.get(id).worstA();
        return fuseFor(catalogue
                        .find(feed.cable())
                        .flatMap(c -> c.figure(Quantity.WIRE_MOST_A))
                        .orElse(Math.max(FUSES[0], 2 * worstA)))
                .filter(fuse -> fuse >= worstA)
                .map(fuse -> new Feed(feed.cable(), feed.lengthM(), fuse))
                .filter(fused -> better(id, code, withPower(unit, fed(unit.power(), fused))))
                .map(fused -> new Change(
                        "Put in a fuse of " + Text.number(fused.fuseA(), fused.fuseA() < 1 ? 1 : 0) + " A",
                        Edit.replace(Pointers.of("units", id) + "/power/feed", fused)));
    }

    /** The largest rating that a cable bears, A. */
    static Optional<Double> fuseFor(double bears) {
        double best = 0;
        for (double fuse : FUSES) {
            best = fuse <= bears ? fuse : best;
        }
        return best == 0 ? Optional.empty() : Optional.of(best);
    }

    private Optional<Part> first(
            String id, String code, Stream<Part> parts, java.util.function.Function<Part, Unit> with) {
        return parts.sorted(Comparator.comparing((Part p) -> p.price() == null ? Double.MAX_VALUE : p.price())
                        .thenComparing(Part::id))
                .filter(p -> better(id, code, with.apply(p)))
                .findFirst();
    }

    /** Whether a unit powered otherwise is rid of a fault, and nothing in the tree has a fault that it had not. */
    private boolean better(String id, String code, Unit unit) {
        Map<String, Unit> units = new TreeMap<>(site.plan().units());
        units.put(id, unit);
        Plan plan = site.plan().withUnits(units);
        Map<String, PowerNode> then = PowerTree.of(site, plan, catalogue);
        return codes(then.get(id)).stream().noneMatch(code::equals)
                && fits(plan, then, unit.housing())
                && then.values().stream().allMatch(n -> codes(now.get(n.id())).containsAll(codes(n)));
    }

    /** Whether what a box holds still fits in it, or did not before. */
    private boolean fits(Plan plan, Map<String, PowerNode> then, String housing) {
        if (housing == null) {
            return true;
        }
        HousingFit before = HousingFit.of(site.plan(), catalogue, now).get(housing);
        HousingFit after = HousingFit.of(plan, catalogue, then).get(housing);
        return (before.tooDeep() || !after.tooDeep())
                && (before.tooFull() || !after.tooFull())
                && (!after.tooWarm() || after.insideC() <= before.insideC());
    }

    private static List<String> codes(PowerNode node) {
        return node.faults().stream().map(PowerNode.PowerFault::code).toList();
    }

    private static Unit withMain(Unit unit, Part part) {
        return unit.withBoards(unit.boards().withMain(part.id()));
    }

    private static Unit withPower(Unit unit, Power power) {
        return unit.withPower(power);
    }

    private static Power part(Power p, Part part) {
        return p.withPart(part.id());
    }

    private static Power fed(Power p, Feed feed) {
        return p.withFeed(feed);
    }
}
