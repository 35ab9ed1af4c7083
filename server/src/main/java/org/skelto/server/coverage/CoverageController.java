package org.skelto.server.coverage;

import java.util.List;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.coverage.FloorCoverage;
import org.skelto.core.coverage.LevelAlong;
import org.skelto.core.coverage.Probe;
import org.skelto.core.house.Outage;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.SiteModel;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** What the floors of a plan receive. */
@RestController
@RequestMapping("/api/plans/{id}/coverage")
class CoverageController {
    private static final int CELLS = 40_000;

    /** While something is dragged the grid is coarser, so that it follows the hand. */
    private static final int CELLS_DRAGGED = 6_000;

    private final KeptFigures kept;
    private final JsonMapper mapper;

    CoverageController(KeptFigures kept, JsonMapper mapper) {
        this.kept = kept;
        this.mapper = mapper;
    }

    /** The radios that the plan has something to map for. */
    @GetMapping
    List<Medium> media(OpenPlan open) {
        return CoverageScenario.media(open.figures().site());
    }

    /** The coverage of a floor by a radio as a document. */
    @GetMapping(path = "/{medium}/{floor}", produces = MediaType.APPLICATION_JSON_VALUE)
    FloorCoverage coverage(OpenPlan open, @PathVariable Medium medium, @PathVariable String floor, Outage outage) {
        return mapped(open, medium, floor, outage, null, CELLS).coverage();
    }

    /** The same with its grid, as CoverageBytes writes it. */
    @GetMapping(path = "/{medium}/{floor}/grid", produces = CoverageBytes.MEDIA_TYPE)
    ResponseEntity<byte[]> grid(OpenPlan open, @PathVariable Medium medium, @PathVariable String floor, Outage outage) {
        return bytes(mapped(open, medium, floor, outage, null, CELLS));
    }

    /** What it would be after an edit, on a coarser grid; nothing is stored. */
    @PostMapping(
            path = "/{medium}/{floor}/preview",
            consumes = "application/json-patch+json",
            produces = CoverageBytes.MEDIA_TYPE)
    ResponseEntity<byte[]> preview(
            OpenPlan open,
            @PathVariable Medium medium,
            @PathVariable String floor,
            Outage outage,
            @RequestBody String patch) {
        Plan plan = open.edited(patch);
        return bytes(mapped(open, medium, floor, outage, plan, CELLS_DRAGGED));
    }

    /** What arrives at a point of a floor, a metre above it, from the best two. */
    @GetMapping("/{medium}/{floor}/at")
    Probe at(
            OpenPlan open,
            @PathVariable Medium medium,
            @PathVariable String floor,
            @RequestParam double xM,
            @RequestParam double yM,
            Outage outage) {
        check(open.plan(), medium, floor);
        if (!Double.isFinite(xM) || !Double.isFinite(yM)) {
            throw Refusal.invalid("The point is not a pair of numbers.", List.of(new Problem("/xM", "must be finite")));
        }
        var figures = open.figures();
        return Probe.at(figures.site(), kept.tables(), medium, floor, xM, yM, Assessment.unreached(figures, outage));
    }

    /** What arrives along the long axis of a room. */
    @GetMapping("/{medium}/along/{room}")
    LevelAlong along(OpenPlan open, @PathVariable Medium medium, @PathVariable String room, Outage outage) {
        Room of = open.plan().rooms().get(room);
        if (of == null) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such room in the plan.");
        }
        check(open.plan(), medium, of.floor());
        var figures = open.figures();
        return LevelAlong.of(figures.site(), kept.tables(), medium, room, Assessment.unreached(figures, outage));
    }

    private FloorCoverage.Mapped mapped(
            OpenPlan open, Medium medium, String floor, Outage outage, Plan other, int cells) {
        check(other == null ? open.plan() : other, medium, floor);
        var figures = open.figures();
        SiteModel site = other == null ? figures.site() : SiteModel.of(other);
        return FloorCoverage.of(site, kept.tables(), medium, floor, Assessment.unreached(figures, outage), cells);
    }

    private static void check(Plan plan, Medium medium, String floor) {
        if (!medium.radio()) {
            throw Refusal.of(HttpStatus.NOT_FOUND, medium + " is no radio; it has no coverage.");
        }
        if (!plan.floors().containsKey(floor)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such floor in the plan.");
        }
        if (plan.rooms().values().stream().noneMatch(r -> r.floor().equals(floor))) {
            throw Refusal.of(HttpStatus.CONFLICT, "This floor has no room yet, so there is nothing to map.");
        }
    }

    private ResponseEntity<byte[]> bytes(FloorCoverage.Mapped mapped) {
        byte[] body = CoverageBytes.of(mapper.writeValueAsString(mapped.coverage()), mapped.map());
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(CoverageBytes.MEDIA_TYPE))
                .body(body);
    }
}
