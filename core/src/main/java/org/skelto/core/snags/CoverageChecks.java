package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.LINKS;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.calibration.Calibrator;
import org.skelto.core.calibration.Reading;
import org.skelto.core.channels.ChannelPlan;
import org.skelto.core.channels.Channels;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.snags.Check.Code;

/** R1 of places to work from, R10, R11, R13, R21 and N14. */
final class CoverageChecks {
    static final Check CHECK = Check.reading(
            "snags of coverage",
            List.of(
                    Code.of("R1", Stage.LINKS, "a place to work from hears no transmitter well enough", Severity.FIX),
                    Code.of("R10", Stage.LINKS, "too many hops", Severity.FIX),
                    Code.of("R11", Stage.LINKS, "one repeater's loss cuts others off", Severity.FIX),
                    Code.of(
                            "R13",
                            Stage.LINKS,
                            "frequency channels overlap, and better ones exist",
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("R21", Stage.LINKS, "readings far from the prediction", Severity.LOOK),
                    Code.of(
                            "N14",
                            Stage.LINKS,
                            "wireless name of another room, or a segment that cuts the hub off",
                            Severity.FIX,
                            Severity.LOOK)),
            EnumSet.allOf(PlanPart.class),
            List.of(HouseFacts.DEMANDS, HouseFacts.MESHES),
            CoverageChecks::run);

    /** Channels are worth a change when the whole house gets this much quieter, dB. */
    private static final double QUIETER_DB = 3;

    private static final int CHANNEL_STEPS = 20_000;
    private static final double MISFIT = 2.5;

    private CoverageChecks() {}

    static void run(CheckContext c) {
        c.demands().values().forEach(d -> demand(c, d));
        c.meshes().forEach(mesh -> mesh(c, mesh));
        channels(c);
        readings(c);
        c.units(UnitKind.ACCESS_POINT).forEach(e -> wireless(c, e.getKey(), e.getValue()));
    }

    private static void demand(CheckContext c, DemandReport report) {
        if (report.meets()) {
            return;
        }
        Demand demand = c.plan.demands().get(report.demand());
        String figures = report.marginDb() == null
                ? "no " + Wording.of(demand.medium()) + " transmitter in the plan"
                : "margin " + Text.db(report.marginDb()) + " to " + report.unitName() + ", confidence "
                        + Text.percent(report.chance()) + ", target " + Text.percent(report.target());
        c.snag("R1", FIX, LINKS, "A phone will not do at " + demand.name())
                .figures(figures)
                .leadsTo("Standing there, the app finds nothing to talk to.")
                .at(Pointers.of("demands", report.demand()))
                .add();
    }

    private static void mesh(CheckContext c, MeshReport mesh) {
        for (MeshReport.Node node : mesh.nodes()) {
            if (node.hops() > mesh.mostHops()) {
                c.snag("R10", FIX, LINKS, name(c, node.unit()) + " is " + node.hops() + " hops from its gateway")
                        .figures(
                                node.hops() + " hops; plan for " + mesh.mostHops() + " in " + Wording.of(mesh.medium()))
                        .leadsTo("Messages come late, and each hop may lose them.")
                        .at(CheckContext.unit(node.unit()))
                        .add();
            }
        }
        for (MeshReport.Cut cut : mesh.cuts()) {
            boolean gateway = c.plan.units().get(cut.unit()).kind() != UnitKind.CONTROLLER
                    && !c.plan.units().get(cut.unit()).kind().alone();
            if (!gateway) {
                String lost = String.join(
                        ", ", cut.loses().stream().map(id -> name(c, id)).toList());
                c.snag("R11", FIX, LINKS, "All of " + lost + " hangs on " + name(c, cut.unit()))
                        .figures(cut.loses().size() + " units have no other route in " + Wording.of(mesh.medium()))
                        .leadsTo("When it is unplugged or fails, they fall silent with it.")
                        .at(CheckContext.unit(cut.unit()))
                        .add();
            }
        }
    }

    private static void channels(CheckContext c) {
        ChannelPlan found = Channels.of(c.site(), c.tables, CHANNEL_STEPS);
        if (found.edits().isEmpty() || found.nowDbm() - found.thenDbm() < QUIETER_DB) {
            return;
        }
        List<String> disturbed = found.rows().stream()
                .filter(r -> r.disturbedBy() - r.disturbedThen() > 1)
                .map(r -> r.name() + " on " + r.now())
                .toList();
        String crowded = crowded(found.rows());
        c.snag(
                        "R13",
                        crowded == null ? LOOK : FIX,
                        LINKS,
                        crowded == null
                                ? "Frequency channels overlap"
                                : "All access points are on one frequency channel")
                .figures(String.join(", ", disturbed) + "; together they get " + Text.dbm(found.nowDbm())
                        + " of each other, " + (found.thenDbm() <= -149 ? "nothing" : Text.dbm(found.thenDbm()))
                        + " on the best channels")
                .leadsTo("They wait for each other, and the weaker one loses messages.")
                .at(CheckContext.unit(found.rows().get(0).unit()))
                .fix("Use the best channels", found.edits().toArray(Edit[]::new))
                .add();
    }

    /** The channel on which all access points of a whole house are, or null; two may be told apart by a wall. */
    private static @Nullable String crowded(List<ChannelPlan.Row> rows) {
        List<String> channels = rows.stream()
                .filter(r -> r.radio().equals(Wording.of(Medium.WIFI_2G4)))
                .map(ChannelPlan.Row::now)
                .toList();
        return channels.size() > 2 && channels.stream().distinct().count() == 1 ? channels.get(0) : null;
    }

    /** Readings of one transmitter in one room that lie far from the prediction on the mean. */
    private static void readings(CheckContext c) {
        Map<String, List<Double>> off = new TreeMap<>();
        Calibrator.Predictions predictions = Calibrator.predictions(c.site(), c.tables);
        for (Reading reading : c.readings) {
            String room = c.site().roomAt(reading.floor(), reading.xM(), reading.yM());
            if (room != null) {
                double predicted = predictions.nowDbm(reading);
                off.computeIfAbsent(reading.unit() + " " + room, k -> new ArrayList<>())
                        .add(reading.dbm() - predicted);
            }
        }
        off.forEach((key, values) -> {
            String unit = key.substring(0, key.indexOf(' '));
            String room = key.substring(key.indexOf(' ') + 1);
            double mean =
                    values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
            double frequency = c.plan.units().get(unit).radios().values().stream()
                    .findFirst()
                    .orElseThrow()
                    .frequencyMHz();
            if (Math.abs(mean)
                    > MISFIT * CalibratedLoss.sigmaDb(c.plan, frequency) / Math.sqrt(Math.min(4, values.size()))) {
                c.snag(
                                "R21",
                                LOOK,
                                LINKS,
                                name(c, unit) + " is read " + Text.db(Math.abs(mean))
                                        + (mean < 0 ? " under" : " over") + " the prediction in "
                                        + c.plan.rooms().get(room).name())
                        .figures(values.size() + (values.size() == 1 ? " reading" : " readings") + ", mean off by "
                                + Text.db(mean))
                        .leadsTo(
                                mean < 0
                                        ? "Something on the way is not in the drawing: a foil lining, a tank, a mirror."
                                        : "A wall is thinner than drawn, or there is an opening.")
                        .at(Pointers.of("rooms", room), CheckContext.unit(unit))
                        .add();
            }
        });
    }

    private static void wireless(CheckContext c, String id, Unit unit) {
        if (unit.wireless() == null) {
            return;
        }
        String said = unit.wireless().name();
        String here = unit.place() == null || unit.place().room() == null
                ? null
                : unit.place().room();
        if (said != null && here != null) {
            String other = c.plan.rooms().entrySet().stream()
                    .filter(r -> !r.getKey().equals(here))
                    .map(r -> r.getValue().name())
                    .filter(name -> names(said, name)
                            && !names(said, c.plan.rooms().get(here).name()))
                    .findFirst()
                    .orElse(null);
            if (other != null) {
                c.snag("N14", LOOK, LINKS, unit.name() + " is called \"" + said + "\" but does not stand there")
                        .figures("it stands in " + c.plan.rooms().get(here).name() + ", not in " + other)
                        .leadsTo("Whoever looks for trouble looks in the wrong room.")
                        .at(CheckContext.unit(id))
                        .add();
            }
        }
        String segment = unit.wireless().segment();
        long cut = c.plan.links().values().stream()
                .filter(l -> l.to().equals(id) && l.medium().wifi())
                .filter(l -> c.plan.units().get(l.from()).hub() != null)
                .count();
        if (segment != null && !segment.isBlank() && cut > 0) {
            c.snag("N14", FIX, LINKS, "The segment of " + unit.name() + " cuts its clients off from the hub")
                    .figures(cut + " clients land in \"" + segment + "\", the hub is in the house's own segment")
                    .leadsTo(
                            "Without a rule in the router that lets them through, they work over the internet or not at all.")
                    .at(CheckContext.unit(id))
                    .fix(
                            "Put it into the house's own segment",
                            Edit.replace(CheckContext.unit(id, "/wireless/segment"), null))
                    .add();
        }
    }

    private static boolean names(String said, String room) {
        return said.toLowerCase(Locale.ROOT).contains(room.toLowerCase(Locale.ROOT));
    }

    private static String name(CheckContext c, String unit) {
        return c.plan.units().get(unit).name();
    }
}
