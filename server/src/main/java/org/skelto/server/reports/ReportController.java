package org.skelto.server.reports;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelto.core.channels.ChannelPlan;
import org.skelto.core.channels.Channels;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.house.Backups;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.placement.PlacementRequest;
import org.skelto.core.placement.PlacementResult;
import org.skelto.core.placement.PlacementResultBuilder;
import org.skelto.core.placement.Placer;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.power.PowerNode;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.sound.Speech;
import org.skelto.core.wiring.ChainReport;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.jobs.Jobs;
import org.skelto.server.jobs.Started;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Reports over HTTP. */
@RestController
@RequestMapping("/api/plans/{id}")
class ReportController {
    private static final long SOLVER_MS = 20_000;

    private final KeptFigures kept;
    private final Jobs jobs;

    ReportController(KeptFigures kept, Jobs jobs) {
        this.kept = kept;
        this.jobs = jobs;
    }

    /** The power tree and the paths of what guards. */
    public record PowerReport(List<PowerNode> nodes, List<Backups.BackupPath> paths) {}

    @GetMapping("/meshes")
    List<MeshReport> meshes(OpenPlan open) {
        return open.figures().meshes();
    }

    @GetMapping("/sounds")
    Map<String, SoundReport> sounds(OpenPlan open) {
        return open.figures().sounds();
    }

    /** In which rooms each speaking assistant hears a person. */
    @GetMapping("/hearing")
    Map<String, List<Speech.HeardRoom>> hearing(OpenPlan open) {
        return Speech.of(open.figures().site());
    }

    /** Where every unit's power comes from, and how long the paths of what guards go on without the mains. */
    @GetMapping("/power")
    PowerReport power(OpenPlan open) {
        var figures = open.figures();
        return new PowerReport(List.copyOf(figures.power().values()), figures.backups());
    }

    /** The lines that boards are chained on. */
    @GetMapping("/chains")
    List<ChainReport> chains(OpenPlan open) {
        return open.figures().chains();
    }

    /** How each wall box and enclosure is filled. */
    @GetMapping("/housings")
    Map<String, HousingFit> housings(OpenPlan open) {
        return open.figures().housings();
    }

    @GetMapping("/demands")
    Map<String, DemandReport> demands(OpenPlan open) {
        return open.figures().demands();
    }

    @GetMapping("/channels")
    ChannelPlan channels(OpenPlan open) {
        return Channels.of(SiteModel.of(open.plan()), kept.tables());
    }

    /** Starts looking for places for boxes; what comes out is an {@link PlacementResult}. */
    @PostMapping("/placement")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ResponseEntity<Started> place(OpenPlan open, @RequestBody PlacementRequest ask) {
        SiteModel site = SiteModel.of(open.plan());
        check(ask, site.plan());
        if (site.plan().rooms().isEmpty()) {
            throw Refusal.of(HttpStatus.CONFLICT, "Draw a room first: boxes are placed in rooms.");
        }
        UUID job = jobs.start(
                open.who(),
                open.id(),
                progress -> open.proposals()
                        .placings(Placer.answer(
                                site, kept.tables(), ask, progress, SOLVER_MS, System::currentTimeMillis)));
        return ResponseEntity.accepted()
                .location(URI.create("/api/jobs/" + job))
                .body(new Started(job));
    }

    /** The shape of what a placement job gives, for those who read the API's description. */
    @GetMapping("/placement/shape")
    PlacementResult shape(OpenPlan open) {
        return PlacementResultBuilder.builder()
                .placings(List.of())
                .demands(0)
                .candidates(0)
                .before(0)
                .impossible(List.of())
                .proven(true)
                .gap(0)
                .seconds(0)
                .build();
    }

    private static void check(PlacementRequest ask, Plan plan) {
        List<Problem> problems = new ArrayList<>();
        if (ask.medium() == null || !ask.medium().radio()) {
            problems.add(new Problem("/medium", "names no radio"));
        }
        if (ask.building() != null && !plan.buildings().containsKey(ask.building())) {
            problems.add(new Problem("/building", "names no building of the plan"));
        }
        if (ask.goal() == null) {
            problems.add(new Problem("/goal", "is missing"));
        }
        if (ask.cover() == null) {
            problems.add(new Problem("/cover", "is missing"));
        }
        if (ask.times() < 1 || ask.times() > 2) {
            problems.add(new Problem("/times", "must be 1 or 2"));
        }
        if (!(ask.boxCost() >= 0 && ask.boxCost() <= 1e6)) {
            problems.add(new Problem("/boxCost", "must lie between 0 and 1 000 000"));
        }
        if (!(ask.outletCost() >= 0 && ask.outletCost() <= 1e6)) {
            problems.add(new Problem("/outletCost", "must lie between 0 and 1 000 000"));
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("The question is not complete.", problems);
        }
    }
}
