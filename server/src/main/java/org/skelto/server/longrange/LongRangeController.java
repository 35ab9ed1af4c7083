package org.skelto.server.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.GridPaths;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.Explorer;
import org.skelto.core.longrange.FieldTest;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.longrange.PathReport;
import org.skelto.core.longrange.Payload;
import org.skelto.core.longrange.Routes;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.power.Outposts;
import org.skelto.core.quantity.Figure;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.SiteModel;
import org.skelto.server.assessments.KeptFigures;
import org.skelto.server.ground.Grounds;
import org.skelto.server.plans.PlanState;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Paths, settings, messages, shared air, energy and field tests of a plan. */
@RestController
@RequestMapping("/api/plans/{id}/long-range")
class LongRangeController {
    private final Plans plans;
    private final KeptFigures kept;
    private final Grounds grounds;
    private final FieldReadings readings;

    LongRangeController(Plans plans, KeptFigures kept, Grounds grounds, FieldReadings readings) {
        this.plans = plans;
        this.kept = kept;
        this.grounds = grounds;
        this.readings = readings;
    }

    /**
     * What there is.
     *
     * @param ground the heights around the site, or null
     */
    public record Overview(List<LongRange.FarLink> rows, Grounds.@Nullable GroundInfo ground, RegionTable law) {}

    /** The rows of a region's table. */
    public record RegionTable(Region region, String date, String advice, List<RegionLimits.BandLimit> rows) {}

    /**
     * A unit's message.
     *
     * @param airtimeMs of a frame with the radio's present settings
     * @param answerMs of its acknowledgement
     * @param reminders what to set on the radio itself, in words; keys are never kept here
     */
    @RecordBuilder
    public record MessageView(
            String unit,
            String name,
            Medium medium,
            Payload payload,
            int bytes,
            boolean assumed,
            double airtimeMs,
            Figure airtimeFigure,
            double answerMs,
            Figure answerFigure,
            @Nullable Double intervalS,
            int tries,
            @Nullable Double leastIntervalS,
            Figure intervalFigure,
            List<String> broken,
            List<String> unknown,
            List<String> reminders)
            implements LongRangeControllerMessageViewBuilder.With {}

    /** A reading beside its prediction. */
    public record FieldLine(UUID id, FieldTest.FieldCompared compared) {}

    /** The field test of a path. */
    public record FieldReport(List<FieldLine> lines, FieldTest.Lesson lesson) {}

    /** How many readings were stored. */
    public record FieldStored(int readings) {}

    private static final String ADVICE = "An aid with a date, never the law: check with your regulator.";

    @GetMapping
    Overview overview(@PathVariable UUID id) {
        PlanState state = plans.get(id);
        var figures = kept.of(id, state.revision(), state.plan());
        Region region = state.plan().region();
        return new Overview(
                figures.longRange(),
                grounds.info(id, state.plan()).orElse(null),
                new RegionTable(region, RegionLimits.DATE, ADVICE, RegionLimits.rows(region)));
    }

    /** All long-range and sub-GHz senders together. */
    @GetMapping("/air")
    List<SharedAir.SubBand> air(@PathVariable UUID id) {
        return SharedAir.of(plans.get(id).plan());
    }

    /** Where the energy of units on batteries goes. */
    @GetMapping("/energy")
    Map<String, Outposts.OutpostEnergy> energy(@PathVariable UUID id) {
        return Outposts.of(plans.get(id).plan(), kept.parts());
    }

    /** What a unit sends. */
    @GetMapping("/messages/{unit}")
    MessageView message(@PathVariable UUID id, @PathVariable String unit) {
        Plan plan = plans.get(id).plan();
        Unit u = known(plan, unit, "");
        Radio radio = u.radios().values().stream()
                .filter(r -> Traffic.counts(r.medium()))
                .findFirst()
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.CONFLICT, u.name() + " has no long-range and no sub-GHz radio to send with."));
        Traffic traffic = Traffic.of(u, radio);
        AirLaw law = AirLaw.of(plan.region(), radio, traffic);
        return LongRangeControllerMessageViewBuilder.builder()
                .unit(unit)
                .name(u.name())
                .medium(radio.medium())
                .payload(Payload.of(u.says()))
                .bytes(traffic.bytes())
                .assumed(traffic.assumed())
                .airtimeMs(traffic.airtimeMs())
                .airtimeFigure(Traffic.airtimeFigure(radio.chirp(), u.says(), traffic.bytes()))
                .answerMs(Traffic.airtimeMs(radio.chirp(), u.says(), Explorer.ACK_BYTES))
                .answerFigure(Traffic.airtimeFigure(radio.chirp(), u.says(), Explorer.ACK_BYTES))
                .intervalS(traffic.intervalS())
                .tries(traffic.tries())
                .leastIntervalS(law.leastIntervalS())
                .intervalFigure(law.intervalFigure(traffic.messageMs()))
                .broken(law.broken())
                .unknown(law.unknown())
                .reminders(reminders(radio))
                .build();
    }

    private static List<String> reminders(Radio radio) {
        List<String> all = new ArrayList<>();
        Integer network = radio.settings().networkId();
        all.add(
                network == null || network == 0
                        ? "Choose a network id of your own and set it on both ends."
                        : "Network id " + network + ": set it on both ends.");
        all.add(
                Boolean.TRUE.equals(radio.settings().keyChanged())
                        ? "A key of your own is set. It is kept where you keep passwords, never here."
                        : "Set a key of your own on both ends before it goes up. The key is never kept here.");
        return all;
    }

    private static Unit known(Plan plan, String unit, String at) {
        Unit u = plan.units().get(unit);
        if (u == null) {
            if (at.isEmpty()) {
                throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
            }
            throw Refusal.invalid("Which unit?", List.of(new Problem(at, "names no unit of the plan")));
        }
        return u;
    }

    /** A path as it is drawn and judged. */
    @GetMapping("/paths/{path}")
    PathReport path(@PathVariable UUID id, @PathVariable String path, @RequestParam(required = false) Medium medium) {
        PlanState state = plans.get(id);
        return report(state.plan(), kept.of(id, state.revision(), state.plan()).site(), path, medium);
    }

    /** What it would be after an edit; nothing is stored. */
    @PostMapping(path = "/paths/{path}/preview", consumes = "application/json-patch+json")
    PathReport preview(
            @PathVariable UUID id,
            @PathVariable String path,
            @RequestParam(required = false) Medium medium,
            @RequestBody String patch) {
        Plan plan = plans.previewed(plans.get(id), patch);
        return report(plan, SiteModel.of(plan), path, medium);
    }

    private PathReport report(Plan plan, SiteModel site, String path, Medium medium) {
        there(plan, path);
        return PathReport.of(plan, site, kept.tables(), path, medium)
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.CONFLICT,
                        "Both ends of the path need a place and a radio of the same kind before it can be judged."));
    }

    private static void there(Plan plan, String path) {
        if (!plan.paths().containsKey(path)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such path in the plan.");
        }
    }

    /** Every setting of the chirp link over a path. */
    @GetMapping("/paths/{path}/settings")
    Explorer.SettingGrid settings(
            @PathVariable UUID id,
            @PathVariable String path,
            @RequestParam(defaultValue = "5") int codingRate,
            @RequestParam(required = false) Integer payloadBytes,
            @RequestParam(required = false) Integer tries,
            @RequestParam(required = false) Double frequencyMHz) {
        PlanState state = plans.get(id);
        Explorer.Wanted wanted = new Explorer.Wanted(codingRate, payloadBytes, tries, frequencyMHz);
        return Explorer.of(state.plan(), kept.parts(), explored(state, path, wanted), wanted);
    }

    /** How the figures of one setting come about. */
    @GetMapping("/paths/{path}/settings/{spreadingFactor}/{bandwidthKHz}")
    Explorer.SettingFigures figures(
            @PathVariable UUID id,
            @PathVariable String path,
            @PathVariable int spreadingFactor,
            @PathVariable double bandwidthKHz,
            @RequestParam(defaultValue = "5") int codingRate,
            @RequestParam(required = false) Integer payloadBytes,
            @RequestParam(required = false) Integer tries,
            @RequestParam(required = false) Double frequencyMHz) {
        PlanState state = plans.get(id);
        if (!Explorer.offers(spreadingFactor, bandwidthKHz)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "The grid has no such setting.");
        }
        Explorer.Wanted wanted = new Explorer.Wanted(codingRate, payloadBytes, tries, frequencyMHz);
        return Explorer.figures(
                state.plan(), kept.parts(), explored(state, path, wanted), wanted, spreadingFactor, bandwidthKHz);
    }

    /** The link over a path as it is, for a question about its settings that makes sense. */
    private LinkReport explored(PlanState state, String path, Explorer.Wanted wanted) {
        Plan plan = state.plan();
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
        LinkReport report = report(
                        plan, kept.of(state.id(), state.revision(), plan).site(), path, Medium.CHIRP)
                .report();
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
        return budgeted(report);
    }

    private static LinkReport budgeted(LinkReport report) {
        if (report.marginDb() == null) {
            throw Refusal.of(HttpStatus.CONFLICT, "The link has no budget yet: " + report.trouble());
        }
        return report;
    }

    /** What would give a link over a path the margin it lacks, and how far it would reach. */
    @GetMapping("/paths/{path}/changes")
    WhatItTakes.Takes changes(
            @PathVariable UUID id,
            @PathVariable String path,
            @RequestParam(required = false) Medium medium,
            @RequestParam(defaultValue = "0.95") double chance) {
        PlanState state = plans.get(id);
        Plan plan = state.plan();
        if (!(chance > 0.5 && chance <= 0.9999)) {
            throw Refusal.invalid(
                    "Which chance is wanted?",
                    List.of(new Problem("/chance", "must lie above 0.5 and at most 0.9999")));
        }
        var figures = kept.of(id, state.revision(), plan);
        PathReport report = report(plan, figures.site(), path, medium);
        budgeted(report.report());
        ElevationGrid grid = grounds.grid(id, plan.place()).orElse(null);
        return WhatItTakes.of(plan, figures.site(), kept.tables(), path, report.medium(), grid, chance);
    }

    /** How a command goes from one unit to another, straight and through the hub. */
    @GetMapping("/routes")
    List<Routes.CommandRoute> routes(@PathVariable UUID id, @RequestParam String from, @RequestParam String to) {
        PlanState state = plans.get(id);
        known(state.plan(), from, "/from");
        known(state.plan(), to, "/to");
        if (from.equals(to)) {
            throw Refusal.invalid("Where to?", List.of(new Problem("/to", "is where it starts")));
        }
        SiteModel site = kept.of(id, state.revision(), state.plan()).site();
        return Routes.of(laid(id, state, from, to), site, kept.tables(), from, to);
    }

    /** The plan with the ground between two units that no path joins yet, as far as the grid of heights knows it. */
    private Plan laid(UUID id, PlanState state, String from, String to) {
        Plan plan = state.plan();
        if (plan.path(from, to).isPresent()) {
            return plan;
        }
        return grounds.grid(id, plan.place())
                .flatMap(grid -> GridPaths.between(plan, from, to, grid))
                .map(path -> {
                    Map<String, RadioPath> paths = new TreeMap<>(plan.paths());
                    paths.put(Slugs.free("way", paths.keySet()), path);
                    return plan.withPaths(paths);
                })
                .orElse(plan);
    }

    /** The field test of a path, with what it teaches. */
    @GetMapping("/paths/{path}/readings")
    FieldReport readings(@PathVariable UUID id, @PathVariable String path) {
        PlanState state = plans.get(id);
        Plan plan = state.plan();
        there(plan, path);
        List<FieldReadings.Kept> all = readings.of(id, path);
        FieldTest.Lesson lesson = FieldTest.of(
                plan,
                kept.of(id, state.revision(), plan).site(),
                kept.tables(),
                path,
                all.stream().map(FieldReadings.Kept::reading).toList(),
                Instant.now().truncatedTo(ChronoUnit.SECONDS).toString());
        List<FieldLine> lines = new ArrayList<>();
        for (int i = 0; i < lesson.readings().size(); i++) {
            lines.add(new FieldLine(all.get(i).id(), lesson.readings().get(i)));
        }
        return new FieldReport(lines, lesson);
    }

    /** Stores readings that were taken by hand. */
    @PostMapping("/paths/{path}/readings")
    @ResponseStatus(HttpStatus.CREATED)
    FieldStored add(@PathVariable UUID id, @PathVariable String path, @RequestBody List<FieldTest.FieldReading> taken) {
        Plan plan = plans.get(id).plan();
        there(plan, path);
        readings.add(id, plan, path, taken);
        return new FieldStored(taken.size());
    }

    /** Stores readings from a pasted table. */
    @PostMapping(path = "/paths/{path}/readings/csv", consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    FieldStored paste(@PathVariable UUID id, @PathVariable String path, @RequestBody String table) {
        Plan plan = plans.get(id).plan();
        there(plan, path);
        List<FieldTest.FieldReading> taken = readings.read(table, plan, path);
        readings.add(id, plan, path, taken);
        return new FieldStored(taken.size());
    }

    @GetMapping(path = "/paths/{path}/readings/csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@PathVariable UUID id, @PathVariable String path) {
        there(plans.get(id).plan(), path);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"field-test.csv\"")
                .body(FieldReadings.write(readings.of(id, path)).getBytes(StandardCharsets.UTF_8));
    }

    @DeleteMapping("/readings/{reading}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id, @PathVariable UUID reading) {
        readings.delete(id, reading);
    }
}
