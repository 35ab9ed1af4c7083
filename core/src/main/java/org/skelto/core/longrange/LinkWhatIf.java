package org.skelto.core.longrange;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.WhatItTakes.Change;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** A link over known ground, with what is asked of it again and again while changes are tried. */
final class LinkWhatIf {
    final Plan plan;
    final SiteModel site;
    final String pathId;
    final RadioPath path;
    final Link link;

    /** Of the plan, or null when no link runs over the path yet. */
    final String linkId;

    final LinkReport now;
    private final SlabTables tables;
    /** Of walls and antennas that are turned aside. */
    private final double wallsDb;

    /** A way over part of the ground with what is left over at its worse end. */
    record Leg(double marginDb, Figure figure) {}

    LinkWhatIf(Plan plan, SiteModel site, SlabTables tables, String pathId, Medium medium) {
        this.plan = plan;
        this.site = site;
        this.tables = tables;
        this.pathId = pathId;
        this.path = plan.paths().get(pathId);
        Map.Entry<String, Link> known = LongRange.linkOver(plan, path, medium).orElse(null);
        this.linkId = known == null ? null : known.getKey();
        this.link = known == null ? Link.of(path.from(), path.to(), medium, null, null, null) : known.getValue();
        this.now = in(plan);
        this.wallsDb = Math.max(0, overWhole() - now.marginDb());
    }

    /** The margin over the ground alone, without walls. */
    private double overWhole() {
        Outdoors whole = new LinkAssessor(plan, site, tables)
                .outdoors(path, radio(link.from()).frequencyMHz(), link.medium());
        return Budget.lesserMarginDb(radio(link.from()), radio(link.to()), whole.lossDb());
    }

    /** Whether the margin is there; ends that are set differently are judged as if they were set alike. */
    static boolean enough(LinkReport report) {
        return report.marginDb() != null && report.marginDb() >= report.neededDb();
    }

    /** The link in a plan that differs from this one. */
    LinkReport in(Plan other) {
        return new LinkAssessor(other, site, tables).report("trial", link);
    }

    /** The link with the radios of some units changed. */
    LinkReport with(Map<String, UnaryOperator<Radio>> changed) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        changed.forEach((id, change) -> {
            Map<String, Radio> radios = new TreeMap<>(units.get(id).radios());
            radios.computeIfPresent(radioName(id), (n, r) -> change.apply(r));
            units.put(id, units.get(id).withRadios(radios));
        });
        return in(plan.withUnits(units));
    }

    List<String> ends() {
        return List.of(link.from(), link.to());
    }

    Radio radio(String unit) {
        return plan.units().get(unit).radio(link.medium()).orElseThrow();
    }

    private String radioName(String unit) {
        return plan.units().get(unit).radioId(link.medium()).orElseThrow();
    }

    /** Pointer to something of a unit's radio. */
    String at(String unit, String more) {
        return Pointers.of("units", unit) + "/radios" + Pointers.of(radioName(unit)) + more;
    }

    String name(String unit) {
        return plan.units().get(unit).name();
    }

    /** Height of a unit's antenna above the ground, metres. */
    double antennaM(String unit) {
        return Antennas.aboveGroundM(plan, plan.units().get(unit), radio(unit));
    }

    /** Adds a change if it gives anything. */
    void add(List<Change> to, String text, String why, double cost, LinkReport then, List<Edit> edits) {
        if (then.marginDb() != null && then.marginDb() > now.marginDb() + 0.05) {
            to.add(change(text, why, cost, then, edits));
        }
    }

    /** A change after which the link is judged anew. */
    Change change(String text, String why, double cost, LinkReport then, List<Edit> edits) {
        return WhatItTakesChangeBuilder.builder()
                .text(text)
                .why(why)
                .cost(cost)
                .marginDb(then.marginDb())
                .chance(then.chance())
                .meets(enough(then))
                .figure(then.worse().budget().wholeFigure())
                .legs(List.of())
                .edits(edits)
                .build();
    }

    /**
     * The way over the ground between two distances from the path's first end. Walls count whole, as they do between the
     * ends now; a part has those of one end at most, so this is on the safe side.
     *
     * @param oneM height of the antenna at the nearer distance, likewise {@code otherM}
     */
    Leg leg(double from, double to, Radio one, double oneM, Radio other, double otherM) {
        Outdoors ground = ground(from, to, oneM, otherM);
        double loss = ground.lossDb();
        boolean back = Budget.marginDb(other, one, loss) < Budget.marginDb(one, other, loss);
        Radio sender = back ? other : one;
        Radio receiver = back ? one : other;
        double margin = Budget.marginDb(sender, receiver, loss) - wallsDb;
        return new Leg(
                margin,
                Figure.of(
                        "EIRP − loss over the ground − walls + receiving antenna and feeder − receiver floor, the worse"
                                + " direction",
                        "link budget; the path's model over this part of its ground",
                        false,
                        "EIRP",
                        Text.dbm(Budget.leavesDbm(sender)),
                        "over",
                        Text.metres(to - from) + ", antennas at " + Text.metres(oneM) + " and " + Text.metres(otherM),
                        "loss over the ground",
                        Text.db(loss),
                        "walls and antennas beside their beams, as they count now",
                        Text.db(wallsDb),
                        "receiving antenna and feeder",
                        Text.db(Budget.takesDb(receiver)),
                        "receiver floor",
                        Text.dbm(Budget.sensitivityDbm(receiver))));
    }

    /** The margin of {@link #leg} alone. */
    double legDb(double from, double to, Radio one, double oneM, Radio other, double otherM) {
        return marginDb(one, other, ground(from, to, oneM, otherM).lossDb());
    }

    /** The margin of the worse direction after a loss outdoors and the walls, dB. */
    double marginDb(Radio one, Radio other, double lossDb) {
        return Budget.lesserMarginDb(one, other, lossDb) - wallsDb;
    }

    private Outdoors ground(double from, double to, double oneM, double otherM) {
        ComputingBudget.step();
        return new Outdoors(
                Outdoors.part(path, from, to), oneM, otherM, radio(link.from()).frequencyMHz());
    }

    /** Coordinates are kept to the centimetre. */
    static double cm(double m) {
        return Math.round(m * 100) / 100.0;
    }
}
