package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.LONG_RANGE;

import java.util.List;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.OutdoorModel;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.snags.Check.Code;

/** R14: the ground under links over open land. */
final class GroundChecks {
    /** R14 hangs on the ends of links over open ground and on nothing else. */
    static final Check CHECK = Check.reading(
            "snags of the ground under links",
            List.of(Code.of(
                    "R14",
                    Stage.LONG_RANGE,
                    "ground in the first Fresnel zone, or a far link whose ground nobody knows",
                    Severity.FIX,
                    Severity.LOOK)),
            List.of(),
            List.of(HouseFacts.GROUND, HouseFacts.GEOMETRY),
            GroundChecks::run);

    private static final double MOST_MAST_M = 15;

    private GroundChecks() {}

    static void run(CheckContext c) {
        c.plan.links().forEach((id, link) -> ground(c, id, link));
    }

    /** R14: the ground reaches into the zone that a ray wants free. */
    private static void ground(CheckContext c, String id, Link link) {
        RadioPath path = c.plan.path(link.from(), link.to()).orElse(null);
        LinkReport report = c.links().get(id);
        if (LongRange.openAir(c.plan, report)) {
            c.snag(
                            "R14",
                            LOOK,
                            LONG_RANGE,
                            "No terrain profile between " + AirChecks.name(c, link.from()) + " and "
                                    + AirChecks.name(c, link.to()))
                    .figures(Text.metres(report.distanceM()) + " apart, judged as if there were nothing but air")
                    .leadsTo(
                            "A hill or a wood between them may take all of the margin. Take the terrain profile at Paths.")
                    .at(CheckContext.link(id), CheckContext.unit(link.from()))
                    .add();
        }
        if (path == null || report.runs().isEmpty() || path.model() != OutdoorModel.DIFFRACTION || report.indoor()) {
            return;
        }
        Radio radio = c.plan.units().get(link.from()).radio(link.medium()).orElseThrow();
        Outdoors ground = new LinkAssessor(c.site(), c.tables).outdoors(path, radio.frequencyMHz(), link.medium());
        Outdoors.Clearance worst = ground.clearance();
        if (worst.share() >= Outdoors.WISHED_SHARE) {
            return;
        }
        var draft = c.snag(
                        "R14",
                        report.meets() ? LOOK : FIX,
                        LONG_RANGE,
                        "The ground stands in the way of " + AirChecks.name(c, link.from()) + " and "
                                + AirChecks.name(c, link.to()))
                .figures("clearance " + Text.metres(worst.clearanceM()) + " at " + Text.metres(worst.distanceM()) + ", "
                        + Text.number(worst.share() * 100, 0) + " % of the first Fresnel zone, wished 60 %")
                .leadsTo(
                        worst.share() < 0
                                ? "The direct way is blocked; only what bends over the ground arrives."
                                : "Part of the wave is lost to the ground, and more of it when grass and trees grow.")
                .at(CheckContext.link(id), CheckContext.unit(link.from()));
        offer(c, draft, path, link, ground);
        draft.add();
    }

    private static void offer(CheckContext c, CheckContext.Draft draft, RadioPath path, Link link, Outdoors ground) {
        double from = height(c, path.from(), link.medium());
        double to = height(c, path.to(), link.medium());
        for (double more = 0.5; more <= MOST_MAST_M; more += 0.5) {
            for (String end : List.of(link.from(), link.to())) {
                boolean first = end.equals(path.from());
                Outdoors raised = ground.between(first ? from + more : from, first ? to : to + more);
                if (raised.clearance().share() >= Outdoors.WISHED_SHARE) {
                    double mast = Math.ceil(((first ? from : to) + more) * 10) / 10;
                    draft.fix(
                            "Antenna of " + AirChecks.name(c, end) + " on a mast of " + Text.number(mast, 1) + " m",
                            AirChecks.air(
                                    c,
                                    end,
                                    link.medium(),
                                    AirChecks.settings(c, end, link.medium()).mast(mast)));
                    return;
                }
            }
        }
    }

    private static double height(CheckContext c, String unit, Medium medium) {
        Unit u = c.plan.units().get(unit);
        return Antennas.aboveGroundM(c.plan, u, u.radio(medium).orElseThrow());
    }
}
