package org.skelto.server.longrange;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.GridPaths;
import org.skelto.core.ground.ProfileFile;
import org.skelto.core.ground.Relief;
import org.skelto.core.ground.Unreadable;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.longrange.RelaySearch;
import org.skelto.core.longrange.RelaySearchMarginMapBuilder;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Chance;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.ground.Grounds;
import org.skelto.server.jobs.Jobs;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.Changes;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The ground of a plan: heights around it, profiles out of files, and maps over it. */
@RestController
@RequestMapping("/api/plans/{id}/ground")
class GroundController {
    private static final int THREADS = 2;
    private static final int DIRECTIONS = 72;

    private final Grounds grounds;
    private final Jobs jobs;
    private final KeptFigures kept;

    GroundController(Grounds grounds, Jobs jobs, KeptFigures kept) {
        this.kept = kept;
        this.grounds = grounds;
        this.jobs = jobs;
    }

    /** Lines of equal height around what stands on the site; none while there are no heights. */
    @GetMapping("/relief")
    Relief relief(OpenPlan open) {
        return grounds.relief(open.id(), open.figures().site());
    }

    /**
     * A profile that was read, as a path to be stored with an edit.
     *
     * @param read points of the file
     * @param asideM how far a track leaves its straight line, metres
     */
    public record TakenProfile(RadioPath path, int read, double asideM) {}

    /**
     * What a map is asked for.
     *
     * @param unit whose antenna it starts from
     * @param medium of its radio
     * @param other the end that a relay must reach too, or null for the map of one antenna
     * @param heightM of the antenna at each place, 0.5 to 50 m
     * @param chance that is wanted
     */
    public record MapAsk(
            String unit, Medium medium, @Nullable String other, double heightM, double chance) {}

    /** A job that was started. */
    public record MapStarted(UUID job) {}

    /** Takes in an ASCII grid or an HGT tile, sent as it is, in place of the heights that were there. */
    @PutMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Grounds.GroundInfo put(
            @Changes OpenPlan open, @RequestParam String name, @RequestBody(required = false) byte[] file) {
        Plan plan = open.plan();
        if (file == null || file.length == 0) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "The file is empty.");
        }
        return grounds.put(open.who(), open.id(), plan, name, file);
    }

    /** The heights as an ASCII grid. */
    @GetMapping(path = "/file", produces = MediaType.TEXT_PLAIN_VALUE)
    ResponseEntity<byte[]> file(OpenPlan open) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"heights.asc\"")
                .body(grounds.file(open.id()));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@Changes OpenPlan open) {
        grounds.remove(open.id());
    }

    /** A profile between two units from the heights around the site. */
    @PostMapping("/profile")
    TakenProfile profile(OpenPlan open, @RequestParam String from, @RequestParam String to) {
        Plan plan = open.plan();
        SiteModel site = SiteModel.of(plan);
        Point a = place(plan, site, from, "/from");
        Point b = place(plan, site, to, "/to");
        ElevationGrid grid = grid(open);
        for (Point p : List.of(a, b)) {
            if (!grid.holds(p.xM(), p.yM())) {
                throw Refusal.of(
                        HttpStatus.CONFLICT,
                        plan.units().get(p == a ? from : to).name() + " does not stand on the grid of heights.");
            }
        }
        return GridPaths.between(plan, from, to, grid)
                .map(GroundController::taken)
                .orElseThrow(() ->
                        Refusal.of(HttpStatus.CONFLICT, "The two stand on the same spot; there is no ground between."));
    }

    private static TakenProfile taken(RadioPath path) {
        return new TakenProfile(path, path.profile().size(), 0);
    }

    /**
     * The ground under every far link that has none yet, as far as the grid knows it; with {@code anew} that under the
     * paths that were cut out of a grid before.
     */
    @PostMapping("/profiles")
    List<TakenProfile> profiles(OpenPlan open, @RequestParam(defaultValue = "false") boolean anew) {
        Plan plan = open.plan();
        ElevationGrid grid = grid(open);
        Stream<Optional<RadioPath>> cut = anew
                ? plan.paths().values().stream()
                        .filter(p -> RadioPath.GRID.equals(p.source()))
                        .map(p -> GridPaths.between(plan, p.from(), p.to(), grid))
                : open.figures().longRange().stream()
                        .filter(LongRange.FarLink::openAir)
                        .map(r -> GridPaths.between(plan, r.from(), r.to(), grid));
        return cut.flatMap(Optional::stream).map(GroundController::taken).toList();
    }

    /** A profile between two units from a typed or pasted table of distance and height. */
    @PostMapping(path = "/profile/csv", consumes = "text/csv")
    TakenProfile csv(OpenPlan open, @RequestParam String from, @RequestParam String to, @RequestBody String table) {
        Plan plan = open.plan();
        units(plan, from, to);
        try {
            return taken(ProfileFile.csv(table), from, to, "table");
        } catch (Unreadable e) {
            throw refused(e);
        }
    }

    /** A profile between two units from a GPX track, sent as it is. */
    @PostMapping(path = "/profile/gpx", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    TakenProfile gpx(OpenPlan open, @RequestParam String from, @RequestParam String to, @RequestBody byte[] file) {
        Plan plan = open.plan();
        units(plan, from, to);
        try {
            return taken(ProfileFile.gpx(file), from, to, "GPX track");
        } catch (Unreadable e) {
            throw refused(e);
        }
    }

    private static TakenProfile taken(ProfileFile.Profile profile, String from, String to, String source) {
        return new TakenProfile(
                RadioPath.overGround(from, to, profile.points(), source), profile.read(), profile.asideM());
    }

    private static Refusal refused(Unreadable e) {
        return Refusal.invalid(
                "The profile cannot be taken in. What was there is kept.",
                List.of(new Problem(e.place(), e.getMessage())));
    }

    private static void units(Plan plan, String from, String to) {
        List<Problem> problems = new ArrayList<>();
        if (!plan.units().containsKey(from)) {
            problems.add(new Problem("/from", "names no unit of the plan"));
        }
        if (!plan.units().containsKey(to) || from.equals(to)) {
            problems.add(new Problem("/to", "names no other unit of the plan"));
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("Between which units?", problems);
        }
    }

    private static Point place(Plan plan, SiteModel site, String unit, String at) {
        Unit u = plan.units().get(unit);
        if (u == null) {
            throw Refusal.invalid("Between which units?", List.of(new Problem(at, "names no unit of the plan")));
        }
        return site.position(u)
                .orElseThrow(() -> Refusal.of(HttpStatus.CONFLICT, u.name() + " has no place in the plan yet."));
    }

    private ElevationGrid grid(OpenPlan open) {
        return grounds.grid(open.id(), open.plan().place())
                .orElseThrow(() -> Refusal.of(
                        HttpStatus.CONFLICT,
                        "Take in a grid of heights first (Long range, Ground); one in degrees also needs the site's "
                                + "latitude and longitude."));
    }

    /** Starts the map of the margin to everywhere; what comes out is a {@link RelaySearch.MarginMap}. */
    @PostMapping("/map")
    @ResponseStatus(HttpStatus.ACCEPTED)
    ResponseEntity<MapStarted> map(OpenPlan open, @RequestBody MapAsk ask) {
        Plan plan = open.plan();
        SiteModel site = SiteModel.of(plan);
        check(plan, ask);
        ElevationGrid grid = grid(open);
        RelaySearch.EndPoint one = end(plan, site, grid, ask.unit(), ask.medium(), "/unit");
        RelaySearch.EndPoint other =
                ask.other() == null ? null : end(plan, site, grid, ask.other(), ask.medium(), "/other");
        double needed = Chance.marginDb(ask.chance(), Chance.OUTDOOR_SIGMA_DB);
        UUID job = jobs.start(
                open.who(),
                open.id(),
                progress -> RelaySearch.of(grid, one, other, one.radio(), ask.heightM(), needed, progress, THREADS));
        return ResponseEntity.accepted()
                .location(URI.create("/api/jobs/" + job))
                .body(new MapStarted(job));
    }

    /** The margin at one place of the map, and how it comes about; {@code x} and {@code y} in metres on the site. */
    @PostMapping("/map/place")
    RelaySearch.PlaceMargin place(
            OpenPlan open, @RequestParam double x, @RequestParam double y, @RequestBody MapAsk ask) {
        Plan plan = open.plan();
        SiteModel site = SiteModel.of(plan);
        check(plan, ask);
        ElevationGrid grid = grid(open);
        if (!grid.holds(x, y)) {
            throw Refusal.invalid("Which place?", List.of(new Problem("/x", "and y must lie on the grid of heights")));
        }
        RelaySearch.EndPoint end = end(plan, site, grid, ask.unit(), ask.medium(), "/unit");
        return RelaySearch.at(grid, end, end.radio(), ask.heightM(), Chance.OUTDOOR_SIGMA_DB, x, y);
    }

    /** The shape of what a map job gives, for those who read the API's description. */
    @GetMapping("/map/shape")
    RelaySearch.MarginMap shape(OpenPlan open) {
        return RelaySearchMarginMapBuilder.builder()
                .columns(0)
                .rows(0)
                .westM(0)
                .southM(0)
                .eastStepM(0)
                .northStepM(0)
                .marginDb(new int[0])
                .lines(List.of())
                .candidates(List.of())
                .holdsShare(0)
                .seconds(0)
                .build();
    }

    private static void check(Plan plan, MapAsk ask) {
        List<Problem> problems = new ArrayList<>();
        if (ask.unit() == null || !plan.units().containsKey(ask.unit())) {
            problems.add(new Problem("/unit", "names no unit of the plan"));
        }
        if (ask.other() != null
                && (!plan.units().containsKey(ask.other()) || ask.other().equals(ask.unit()))) {
            problems.add(new Problem("/other", "names no other unit of the plan"));
        }
        if (ask.medium() == null || !ask.medium().radio()) {
            problems.add(new Problem("/medium", "names no radio"));
        }
        if (!(ask.heightM() >= 0.5 && ask.heightM() <= 50)) {
            problems.add(new Problem("/heightM", "must lie between 0.5 and 50 m"));
        }
        if (!(ask.chance() > 0.5 && ask.chance() <= 0.9999)) {
            problems.add(new Problem("/chance", "must lie above 0.5 and at most 0.9999"));
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("The question is not complete.", problems);
        }
    }

    private RelaySearch.EndPoint end(
            Plan plan, SiteModel site, ElevationGrid grid, String id, Medium medium, String at) {
        Unit unit = plan.units().get(id);
        Radio radio = unit.radio(medium)
                .orElseThrow(() -> Refusal.invalid(
                        "The map cannot be drawn.",
                        List.of(new Problem(at, unit.name() + " has no radio of that kind"))));
        Point p = place(plan, site, id, at);
        if (!grid.holds(p.xM(), p.yM())) {
            throw Refusal.of(HttpStatus.CONFLICT, unit.name() + " does not stand on the grid of heights.");
        }
        return new RelaySearch.EndPoint(
                p.xM(),
                p.yM(),
                Antennas.aboveGroundM(plan, unit, radio),
                Antennas.groundM(plan, unit.place()),
                radio,
                Antennas.aroundDb(site, kept.tables(), unit, radio, DIRECTIONS));
    }
}
