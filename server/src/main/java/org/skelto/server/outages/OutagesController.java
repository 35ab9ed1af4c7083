package org.skelto.server.outages;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.SurvivalFacts;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.LostHours;
import org.skelto.core.house.ManyOutages;
import org.skelto.core.house.MeanTimes;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.proposals.HoursSaved;
import org.skelto.core.proposals.MakeItSurvive;
import org.skelto.core.survival.OutageMatrix;
import org.skelto.core.survival.OutageMatrix.Grouping;
import org.skelto.core.survival.PeopleTold;
import org.skelto.core.survival.Promises;
import org.skelto.core.survival.StartOrder;
import org.skelto.core.survival.WaysOut;
import org.skelto.server.jobs.Jobs;
import org.skelto.server.jobs.Started;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.skelto.server.tables.Csv;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What of a plan survives which outages. */
@RestController
@RequestMapping("/api/plans/{id}/outages")
class OutagesController {
    private static final long SEEK_MS = 18_000;
    private static final int MOST_ORDER = 3;
    private static final String NO_DEVICE = "There is no such device in the plan.";

    private final Jobs jobs;
    private final Plans plans;

    OutagesController(Jobs jobs, Plans plans) {
        this.jobs = jobs;
        this.plans = plans;
    }

    /** Every device against every outage that matters, perhaps beside the plan as it was at the end of a day. */
    @GetMapping("/matrix")
    OutageMatrix matrix(
            OpenPlan open,
            @RequestParam(defaultValue = "ROOM") Grouping by,
            @RequestParam(required = false) @Nullable LocalDate since) {
        Plan before = since == null ? null : plans.asOf(open.id(), since);
        return OutageMatrix.of(
                open.plan(),
                open.figures().outages(),
                by,
                before == null ? null : open.supposing(before).outages());
    }

    /** The same as a table: a line for each device, a column for each outage. */
    @GetMapping(path = "/csv", produces = "text/csv")
    ResponseEntity<String> csv(OpenPlan open) {
        OutageMatrix matrix = OutageMatrix.of(open.plan(), open.figures().outages(), Grouping.NONE, null);
        List<String> head = new ArrayList<>(List.of("device", "name"));
        matrix.columns()
                .forEach(
                        c -> head.add(c.same().isEmpty() ? c.name() : c.name() + " = " + String.join(" = ", c.same())));
        List<Object[]> lines = new ArrayList<>();
        matrix.rows()
                .forEach(row -> row.devices().forEach(id -> {
                    List<Object> line = new ArrayList<>(
                            List.of(id, open.plan().devices().get(id).name()));
                    row.states().chars().forEach(s -> line.add(State.values()[s - '0'].words()));
                    lines.add(line.toArray());
                }));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(open.plan().name(), "plan") + "-outages.csv")
                                .build()
                                .toString())
                .body(Csv.of(head.toArray(new String[0]), lines));
    }

    /** A device in one outage, with the reason. */
    @GetMapping("/state")
    DeviceState state(OpenPlan open, @RequestParam String device, Outage outage) {
        DeviceState state = open.figures().outages().at(outage).get(device);
        if (state == null) {
            throw Refusal.of(HttpStatus.NOT_FOUND, NO_DEVICE);
        }
        return state;
    }

    /** Every promise, judged. */
    @GetMapping("/promises")
    List<Promises.JudgedPromise> promises(OpenPlan open) {
        return open.figures().get(SurvivalFacts.PROMISES);
    }

    /**
     * What loses a job.
     *
     * @param confidence that the links of its best way hold, 0 to 1: how sure the design is, not a share of hours; null where
     *     nothing gives it now
     * @param sets the least sets of failures
     */
    record LeastFailures(String device, Job job, @Nullable Double confidence, List<ManyOutages.LeastSet> sets) {}

    @GetMapping("/least")
    LeastFailures least(
            OpenPlan open,
            @RequestParam String device,
            @RequestParam Job job,
            @RequestParam(defaultValue = "3") int order) {
        Outages outages = open.figures().outages();
        if (!open.plan().devices().containsKey(device)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, NO_DEVICE);
        }
        if (order < 1 || order > MOST_ORDER) {
            throw Refusal.invalid(
                    "So many failures at once are not looked at.", List.of(new Problem("/order", "must be 1 to 3")));
        }
        return new LeastFailures(
                device, job, outages.confidence(device, job), outages.many().least(device, job, order));
    }

    /** Who learns of what while an outage lasts. */
    @GetMapping("/told")
    List<PeopleTold> told(OpenPlan open, Outage outage) {
        return PeopleTold.of(open.plan(), open.figures().outages(), outage);
    }

    /** Who gets out and in, what stands open, what still closes and sounds. */
    @GetMapping("/ways-out")
    List<WaysOut> waysOut(OpenPlan open, Outage outage) {
        return WaysOut.of(open.plan(), open.figures().outages(), outage);
    }

    /** What starts when the outage ends, in which order it is of use, and what outputs do meanwhile. */
    @GetMapping("/return")
    StartOrder afterwards(OpenPlan open, Outage outage) {
        return StartOrder.of(open.plan(), open.figures().outages(), outage);
    }

    /** How often things fail and for how long. */
    @GetMapping("/mean-times")
    List<MeanTimes> meanTimes(OpenPlan open) {
        return List.copyOf(MeanTimes.of(open.plan()).values());
    }

    /** Hours a year of every job, the worst first. */
    record YearlyHours(List<LostHours.LostJob> jobs) {}

    /** Starts working out how many hours a year each job is lost; what comes out is a {@link YearlyHours}. */
    @PostMapping("/hours")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ResponseEntity<Started> hours(OpenPlan open) {
        Outages outages = open.figures().outages();
        return started(jobs.start(open.who(), open.id(), progress -> {
            List<LostHours.LostJob> lost = LostHours.of(outages, progress);
            return new YearlyHours(lost.stream()
                    .sorted(Comparator.comparingDouble(LostHours.LostJob::hours).reversed())
                    .toList());
        }));
    }

    /** What changes save of the hours of one job. */
    record SavedHours(List<HoursSaved> changes) {}

    /** Starts working out which changes save a job the most hours for the money; what comes out is a {@link SavedHours}. */
    @PostMapping("/saved-hours")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ResponseEntity<Started> savedHours(OpenPlan open, @RequestParam String device, @RequestParam Job job) {
        if (!open.plan().devices().containsKey(device)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, NO_DEVICE);
        }
        return started(jobs.start(
                open.who(),
                open.id(),
                progress -> new SavedHours(HoursSaved.of(open.figures(), open.consequences(), device, job, progress))));
    }

    /** Starts seeking the cheapest changes that keep all promises; what comes out is a {@link MakeItSurvive.SurvivalAnswer}. */
    @PostMapping("/survive")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ResponseEntity<Started> survive(OpenPlan open) {
        if (open.plan().promises().isEmpty()) {
            throw Refusal.of(HttpStatus.CONFLICT, "Nothing is promised yet: say first what has to survive what.");
        }
        return started(jobs.start(
                open.who(),
                open.id(),
                progress -> MakeItSurvive.of(
                        open.figures(), open.consequences(), progress, SEEK_MS, System::currentTimeMillis)));
    }

    /** The shapes of what the jobs give, for those who read the API's description. */
    record Shapes(YearlyHours hours, SavedHours saved, MakeItSurvive.SurvivalAnswer survive) {}

    @GetMapping("/shapes")
    Shapes shapes(OpenPlan open) {
        return new Shapes(
                new YearlyHours(List.of()),
                new SavedHours(List.of()),
                new MakeItSurvive.SurvivalAnswer(List.of(), List.of(), 0, 0, 0, true));
    }

    private static ResponseEntity<Started> started(UUID job) {
        return ResponseEntity.accepted()
                .location(URI.create("/api/jobs/" + job))
                .body(new Started(job));
    }
}
