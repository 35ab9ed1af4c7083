package org.skelto.core.links;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Judges the links of a plan. */
public final class LinkAssessor {
    /** Longest run of twisted pair, IEEE 802.3, metres. */
    public static final double CABLE_MOST_M = 100;

    private final Plan plan;
    private final SiteModel site;
    private final LossModel model;

    /** Judges the links of the plan of this site. */
    public LinkAssessor(SiteModel site, SlabTables tables) {
        this(site.plan(), site, tables);
    }

    /** Judges links of a plan that differs from the site's in its units and links only. */
    public LinkAssessor(Plan plan, SiteModel site, SlabTables tables) {
        this.plan = plan;
        this.site = site;
        this.model = Indoors.of(site, tables);
    }

    /** All links of the plan, by id. */
    public Map<String, LinkReport> all() {
        Map<String, LinkReport> reports = new TreeMap<>();
        plan.links().forEach((id, link) -> reports.put(id, report(id, link)));
        return reports;
    }

    /** The most critical device behind a unit decides what its links must reach. */
    public Criticality criticality(String unit) {
        ComputingBudget.step();
        return plan.devices().values().stream()
                .filter(d -> unit.equals(d.unit()))
                .map(org.skelto.core.plan.equipment.Device::criticality)
                .max(Comparator.naturalOrder())
                .orElse(Criticality.ROUTINE);
    }

    /** One link, which need not be in the plan yet. */
    public LinkReport report(String id, Link link) {
        ComputingBudget.step();
        Unit from = plan.units().get(link.from());
        Unit to = plan.units().get(link.to());
        Optional<Point> a = site.position(from);
        Optional<Point> b = site.position(to);
        double target = Chance.target(criticality(link.from()));
        if (a.isEmpty() || b.isEmpty()) {
            return without(id, link, null, (a.isEmpty() ? from : to).name() + " has no place yet", target);
        }
        if (!link.medium().radio()) {
            return new WireLinks(plan, site).report(id, link, from, to, target);
        }
        String trouble = Hearing.trouble(link, from, to);
        return trouble == null || Hearing.settingsOnly(link, from, to)
                ? radio(id, link, from, to, target, trouble)
                : without(id, link, a.get().distanceM(b.get()), trouble, target);
    }

    /** Radios that are only set differently have a budget, for when they are set alike. */
    private LinkReport radio(String id, Link link, Unit from, Unit to, double target, String trouble) {
        Radio out = from.radio(link.medium()).orElseThrow();
        Radio back = to.radio(link.medium()).orElseThrow();
        Optional<RadioPath> path = plan.path(link.from(), link.to());
        LossModel.Loss loss = learned(loss(from, out, to, back, path), link, out.frequencyMHz());
        List<LinkReport.Run> runs = new ArrayList<>();
        runs.add(new LinkReport.Run(link.from(), link.to(), Budget.of(out, loss, back)));
        boolean answered = link.twoWay() && out.receives();
        if (answered) {
            runs.add(new LinkReport.Run(link.to(), link.from(), Budget.of(back, loss, out)));
        }
        double margin =
                runs.stream().mapToDouble(r -> r.budget().marginDb()).min().orElseThrow();
        boolean tested = !loss.indoor() && path.isPresent() && learnedOf(path.get());
        double sigma = loss.indoor()
                ? CalibratedLoss.sigmaDb(plan, out.frequencyMHz())
                : tested ? path.get().learned().sigmaDb() : Chance.OUTDOOR_SIGMA_DB;
        double chance = Chance.of(margin, sigma);
        Figure figure = Figure.of(
                "Φ(margin / σ); slow fading only, fast fading is not in it",
                "log-normal shadowing; σ "
                        + (!loss.indoor()
                                ? tested ? "of the field test" : "6 dB outdoors"
                                : CalibratedLoss.used(plan)
                                        ? "of held-out readings"
                                        : "8 dB indoors before calibration"),
                false,
                "margin, worse direction",
                Text.db(margin),
                "σ",
                Text.db(sigma),
                "target",
                Text.percent(target));
        return LinkReportBuilder.builder()
                .link(id)
                .from(link.from())
                .to(link.to())
                .medium(link.medium())
                .direction(link.direction())
                .distanceM(loss.distanceM())
                .indoor(loss.indoor())
                .trouble(trouble)
                .placed(true)
                .runs(runs)
                .marginDb(margin)
                .chance(chance)
                .target(target)
                .neededDb(Chance.marginDb(target, sigma))
                .meets(trouble == null && chance >= target && link.twoWay() == answered)
                .chanceFigure(figure)
                .build();
    }

    private static boolean learnedOf(RadioPath path) {
        return path.learned() != null && path.learned().used();
    }

    /**
     * The loss between two radios: by the plan's indoor model, or over the ground between where that is known; then only
     * the walls at the ends are taken from the straight ray. What goes beside an antenna's beam is lost besides.
     */
    private LossModel.Loss loss(Unit from, Radio out, Unit to, Radio back, Optional<RadioPath> path) {
        LossModel.Loss straight = model.loss(
                Antennas.clearOfHouse(site, from, out),
                Antennas.place(from, out),
                Antennas.clearOfHouse(site, to, back),
                Antennas.place(to, back),
                out.frequencyMHz());
        Point a = Antennas.point(site, from, out).orElseThrow();
        Point b = Antennas.point(site, to, back).orElseThrow();
        List<LossModel.Part> beams = new ArrayList<>();
        AntennaPattern.part(out, from.name(), a, b).ifPresent(beams::add);
        AntennaPattern.part(back, to.name(), b, a).ifPresent(beams::add);
        if (path.isEmpty() || straight.indoor()) {
            return straight.with(beams);
        }
        Outdoors ground = outdoors(path.get(), out.frequencyMHz(), out.medium());
        List<LossModel.Part> parts = new ArrayList<>(ground.parts());
        straight.parts().stream().filter(p -> !p.what().equals("free space")).forEach(parts::add);
        return new LossModel.Loss(ground.distanceM(), false, parts).with(beams);
    }

    /** The ground of a path between the antennas of its units' radios of a medium. */
    public Outdoors outdoors(RadioPath path, double frequencyMHz, Medium medium) {
        return new Outdoors(path, heightM(path.from(), medium), heightM(path.to(), medium), frequencyMHz);
    }

    private double heightM(String unit, Medium medium) {
        Unit u = plan.units().get(unit);
        return Antennas.aboveGroundM(plan, u, u.radio(medium).orElseThrow());
    }

    /** What readings taught about both ends' radios, as parts of the loss. */
    private LossModel.Loss learned(LossModel.Loss loss, Link link, double frequencyMHz) {
        List<LossModel.Part> parts = new ArrayList<>(loss.parts());
        for (String end : List.of(link.from(), link.to())) {
            double offset = CalibratedLoss.offsetDb(plan, end, frequencyMHz);
            if (offset != 0) {
                parts.add(new LossModel.Part(
                        "learned of " + plan.units().get(end).name(),
                        -offset,
                        Figure.of("offset of this radio, learned from readings", "calibration of this plan", false)));
            }
        }
        return new LossModel.Loss(loss.distanceM(), loss.indoor(), parts);
    }

    private static LinkReport without(String id, Link link, Double distance, String trouble, double target) {
        return LinkReportBuilder.builder()
                .link(id)
                .from(link.from())
                .to(link.to())
                .medium(link.medium())
                .direction(link.direction())
                .distanceM(distance)
                .indoor(false)
                .trouble(trouble)
                .placed(distance != null)
                .runs(List.of())
                .target(target)
                .neededDb(0)
                .meets(false)
                .build();
    }
}
