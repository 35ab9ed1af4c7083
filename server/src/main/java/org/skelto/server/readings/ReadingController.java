package org.skelto.server.readings;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelto.core.calibration.Calibrator;
import org.skelto.core.calibration.Fit;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.SiteModel;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.Changes;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Readings over HTTP. */
@RestController
@RequestMapping("/api/plans/{id}")
class ReadingController {
    private final Readings readings;
    private final KeptFigures kept;
    private final Clock clock = Clock.systemUTC();

    ReadingController(Readings readings, KeptFigures kept) {
        this.readings = readings;
        this.kept = kept;
    }

    /** A reading beside the prediction by tables, null when its floor or transmitter is gone. */
    public record Shown(UUID id, Reading reading, @Nullable Double predictedDbm) {}

    /** Where the stand-in measures. */
    public record Here(Medium medium, String floor, double xM, double yM, double heightM) {
        /** The same for the same place in every run. */
        long scatter() {
            return 31L * Objects.hash(medium.name(), floor, xM, yM, heightM);
        }
    }

    /** How many readings were touched. */
    public record Count(int readings) {}

    @GetMapping("/readings")
    List<Shown> list(OpenPlan open) {
        Plan plan = open.plan();
        Calibrator.Predictions predictions = Calibrator.predictions(SiteModel.of(plan), kept.tables());
        return readings.of(open.id()).stream()
                .map(line -> new Shown(
                        line.id(),
                        line.reading(),
                        Readings.problem(line.reading(), plan, "") == null
                                ? predictions.byTablesDbm(line.reading())
                                : null))
                .toList();
    }

    /** Stores readings that were taken by hand. */
    @PostMapping("/readings")
    @ResponseStatus(HttpStatus.CREATED)
    Count add(@Changes OpenPlan open, @RequestBody List<Reading> taken) {
        readings.add(open.who(), open.id(), open.plan(), taken);
        return new Count(taken.size());
    }

    /** Stores readings from a pasted table. */
    @PostMapping(path = "/readings/csv", consumes = "text/csv")
    @ResponseStatus(HttpStatus.CREATED)
    Count paste(@Changes OpenPlan open, @RequestBody String table) {
        Plan plan = open.plan();
        List<Reading> taken = ReadingFile.read(table, plan, now());
        readings.add(open.who(), open.id(), plan, taken);
        return new Count(taken.size());
    }

    @GetMapping(path = "/readings/csv", produces = "text/csv")
    ResponseEntity<String> csv(OpenPlan open) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"readings.csv\"")
                .body(ReadingFile.write(readings.of(open.id()).stream()
                        .map(Readings.Line::reading)
                        .toList()));
    }

    /** Measures with the stand-in and stores what it heard. */
    @PostMapping("/readings/stand-in")
    @ResponseStatus(HttpStatus.CREATED)
    List<Reading> standIn(@Changes OpenPlan open, @RequestBody Here here) {
        Plan plan = open.plan();
        if (here.medium() == null || !here.medium().radio()) {
            throw Refusal.invalid("Which radio?", List.of(new Problem("/medium", "names no radio")));
        }
        if (here.floor() == null || !plan.floors().containsKey(here.floor())) {
            throw Refusal.invalid("Which floor?", List.of(new Problem("/floor", "names no floor of the plan")));
        }
        if (!(Math.abs(here.xM()) < 1e5 && Math.abs(here.yM()) < 1e5 && Math.abs(here.heightM()) < 100)) {
            throw Refusal.invalid("Where?", List.of(new Problem("/xM", "must lie on the site, in metres")));
        }
        long scatter = readings.count(open.id()) + here.scatter();
        List<Reading> heard =
                StandIn.at(plan, here.medium(), here.floor(), here.xM(), here.yM(), here.heightM(), now(), scatter);
        readings.add(open.who(), open.id(), plan, heard);
        return heard;
    }

    @DeleteMapping("/readings/{reading}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@Changes OpenPlan open, @PathVariable UUID reading) {
        readings.delete(open.id(), reading);
    }

    @DeleteMapping("/readings")
    Count deleteAll(@Changes OpenPlan open) {
        return new Count(readings.deleteAll(open.id()));
    }

    /** Takes the newest deletion back. */
    @PostMapping("/readings/restore")
    Count restore(@Changes OpenPlan open) {
        return new Count(readings.undelete(open.id()));
    }

    /** What the readings teach; nothing is stored until the calibration is put into the plan by an edit. */
    @GetMapping("/calibration")
    Fit calibration(OpenPlan open) {
        Plan plan = open.plan();
        List<Reading> fitting = readings.fitting(open.id(), plan);
        if (fitting.size() < Calibrator.LEAST_READINGS) {
            throw Refusal.of(
                    HttpStatus.CONFLICT,
                    "At least " + Calibrator.LEAST_READINGS + " readings are needed to learn from; there are "
                            + fitting.size() + ".");
        }
        return Calibrator.fit(SiteModel.of(plan), kept.tables(), fitting, now().toString());
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }
}
