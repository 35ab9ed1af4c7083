package org.skelto.server.longrange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.GridPaths;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.Explorer;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.longrange.MarginCurves;
import org.skelto.core.longrange.PathReport;
import org.skelto.core.longrange.Routes;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.power.Outposts;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.site.SiteModel;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.ground.Grounds;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Paths, settings, routes, shared air and energy of a plan. */
@RestController
@RequestMapping("/api/plans/{id}/long-range")
class LongRangeController {
    private final KeptFigures kept;
    private final Grounds grounds;

    LongRangeController(KeptFigures kept, Grounds grounds) {
        this.kept = kept;
        this.grounds = grounds;
    }

    /**
     * What there is.
     *
     * @param ground the heights around the site, or null
     */
    public record Overview(List<LongRange.FarLink> rows, Grounds.@Nullable GroundInfo ground, RegionTable law) {}

    /** The rows of a region's table. */
    public record RegionTable(Region region, String date, String advice, List<RegionLimits.BandLimit> rows) {}

    private static final String ADVICE = "An aid with a date, never the law: check with your regulator.";

    @GetMapping
    Overview overview(OpenPlan open) {
        var figures = open.figures();
        Region region = open.plan().region();
        return new Overview(
                figures.longRange(),
                grounds.info(open.id(), open.plan()).orElse(null),
                new RegionTable(region, RegionLimits.DATE, ADVICE, RegionLimits.rows(region)));
    }

    /** All long-range and sub-GHz senders together. */
    @GetMapping("/air")
    List<SharedAir.SubBand> air(OpenPlan open) {
        return SharedAir.of(open.plan());
    }

    /** Where the energy of units on batteries goes. */
    @GetMapping("/energy")
    Map<String, Outposts.OutpostEnergy> energy(OpenPlan open) {
        return Outposts.of(open.plan(), kept.parts());
    }

    /** A path as it is drawn and judged. */
    @GetMapping("/paths/{path}")
    PathReport path(OpenPlan open, @PathVariable String path, @RequestParam(required = false) Medium medium) {
        return report(open.plan(), open.figures().site(), path, medium);
    }

    /** What it would be after an edit; nothing is stored. */
    @PostMapping(path = "/paths/{path}/preview", consumes = "application/json-patch+json")
    PathReport preview(
            OpenPlan open,
            @PathVariable String path,
            @RequestParam(required = false) Medium medium,
            @RequestBody String patch) {
        Plan plan = open.edited(patch);
        return report(plan, SiteModel.of(plan), path, medium);
    }

    private PathReport report(Plan plan, SiteModel site, String path, Medium medium) {
        Looked.path(plan, path);
        return PathReport.of(plan, site, kept.tables(), path, medium)
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.CONFLICT,
                        "Both ends of the path need a place and a radio of the same kind before it can be judged."));
    }

    /** Every setting of the chirp link over a path. */
    @GetMapping("/paths/{path}/settings")
    Explorer.SettingGrid settings(
            OpenPlan open,
            @PathVariable String path,
            @RequestParam(defaultValue = "5") int codingRate,
            @RequestParam(required = false) Integer payloadBytes,
            @RequestParam(required = false) Integer tries,
            @RequestParam(required = false) Double frequencyMHz) {
        Explorer.Wanted wanted = new Explorer.Wanted(codingRate, payloadBytes, tries, frequencyMHz);
        return open.proposals().settings(explored(open, path, wanted), wanted);
    }

    /** How the figures of one setting come about. */
    @GetMapping("/paths/{path}/settings/{spreadingFactor}/{bandwidthKHz}")
    Explorer.SettingFigures figures(
            OpenPlan open,
            @PathVariable String path,
            @PathVariable int spreadingFactor,
            @PathVariable double bandwidthKHz,
            @RequestParam(defaultValue = "5") int codingRate,
            @RequestParam(required = false) Integer payloadBytes,
            @RequestParam(required = false) Integer tries,
            @RequestParam(required = false) Double frequencyMHz) {
        if (!Explorer.offers(spreadingFactor, bandwidthKHz)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "The grid has no such setting.");
        }
        Explorer.Wanted wanted = new Explorer.Wanted(codingRate, payloadBytes, tries, frequencyMHz);
        return Explorer.figures(
                open.plan(), kept.parts(), explored(open, path, wanted), wanted, spreadingFactor, bandwidthKHz);
    }

    /** The link over a path as it is, for a question about its settings that makes sense. */
    private LinkReport explored(OpenPlan open, String path, Explorer.Wanted wanted) {
        Plan plan = open.plan();
        List<Problem> problems = new ArrayList<>();
        if (wanted.codingRate() < 5 || wanted.codingRate() > 8) {
            problems.add(new Problem("/codingRate", "must be 5 to 8, for 4/5 to 4/8"));
        }
        Integer bytes = wanted.payloadBytes();
        if (bytes != null && (bytes < 1 || bytes > 255)) {
            problems.add(new Problem("/payloadBytes", "must lie between 1 and 255 bytes, not " + bytes));
        }
        if (wanted.tries() != null && (wanted.tries() < 1 || wanted.tries() > 10)) {
            problems.add(new Problem("/tries", "must lie between 1 and 10"));
        }
        LinkReport report =
                report(plan, open.figures().site(), path, Medium.CHIRP).report();
        Double mhz = wanted.frequencyMHz();
        if (mhz != null) {
            Radio radio = plan.units().get(report.from()).radio(Medium.CHIRP).orElseThrow();
            boolean finite = Double.isFinite(mhz) && mhz >= 100 && mhz <= 7200;
            if (!finite || !RegionLimits.inBand(plan.region(), radio.set(mhz, radio.chirp()))) {
                problems.add(new Problem("/frequencyMHz", "lies in no band for long-range chirp in " + plan.region()));
            }
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("The settings cannot be worked out. Nothing was changed.", problems);
        }
        budgeted(report);
        return Explorer.basis(plan, open.figures().site(), kept.tables(), path, wanted);
    }

    private static LinkReport budgeted(LinkReport report) {
        if (report.marginDb() == null) {
            throw Refusal.of(HttpStatus.CONFLICT, "The link has no budget yet: " + report.trouble());
        }
        return report;
    }

    /** The margin of the link over a path against antenna heights and spreading factor. */
    @GetMapping("/paths/{path}/curves")
    MarginCurves curves(OpenPlan open, @PathVariable String path, @RequestParam(required = false) Medium medium) {
        var figures = open.figures();
        PathReport report = report(open.plan(), figures.site(), path, medium);
        budgeted(report.report());
        return MarginCurves.of(open.plan(), figures.site(), kept.tables(), path, report.medium());
    }

    /** What would give a link over a path the margin it lacks, and how far it would reach. */
    @GetMapping("/paths/{path}/changes")
    WhatItTakes.Takes changes(
            OpenPlan open,
            @PathVariable String path,
            @RequestParam(required = false) Medium medium,
            @RequestParam(defaultValue = "0.95") double chance) {
        Plan plan = open.plan();
        if (!(chance > 0.5 && chance <= 0.9999)) {
            throw Refusal.invalid(
                    "Which chance is wanted?",
                    List.of(new Problem("/chance", "must lie above 0.5 and at most 0.9999")));
        }
        var figures = open.figures();
        PathReport report = report(plan, figures.site(), path, medium);
        budgeted(report.report());
        ElevationGrid grid = grounds.grid(open.id(), plan.place()).orElse(null);
        return open.proposals()
                .takes(WhatItTakes.of(plan, figures.site(), kept.tables(), path, report.medium(), grid, chance));
    }

    /** How a command goes from one unit to another, straight and through the hub. */
    @GetMapping("/routes")
    List<Routes.CommandRoute> routes(OpenPlan open, @RequestParam String from, @RequestParam String to) {
        Looked.unit(open.plan(), from, "/from");
        Looked.unit(open.plan(), to, "/to");
        if (from.equals(to)) {
            throw Refusal.invalid("Where to?", List.of(new Problem("/to", "is where it starts")));
        }
        SiteModel site = open.figures().site();
        return Routes.of(
                laid(open, from, to), site, kept.tables(), open.figures().outages(), from, to);
    }

    /** The plan with the ground between two units that no path joins yet, as far as the grid of heights knows it. */
    private Plan laid(OpenPlan open, String from, String to) {
        Plan plan = open.plan();
        if (plan.path(from, to).isPresent()) {
            return plan;
        }
        return grounds.grid(open.id(), plan.place())
                .flatMap(grid -> GridPaths.between(plan, from, to, grid))
                .map(path -> {
                    Map<String, RadioPath> paths = new TreeMap<>(plan.paths());
                    paths.put(Slugs.free("way", paths.keySet()), path);
                    return plan.withPaths(paths);
                })
                .orElse(plan);
    }
}
