package org.skelto.server.geometry;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.Earth;
import org.skelto.core.site.Point;
import org.skelto.core.site.RoomList;
import org.skelto.core.site.Section;
import org.skelto.core.site.SiteModel;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Geometry over HTTP. Whatever would change the plan answers with the edits; the page sends them as one. */
@RestController
@RequestMapping("/api/plans/{id}")
class GeometryController {
    private static final Map<RadioBand, Double> SHOWN_MHZ = Map.of(
            RadioBand.BELOW_600_MHZ,
            433.9,
            RadioBand.SUB_GHZ,
            868.3,
            RadioBand.AROUND_2_4_GHZ,
            2440.0,
            RadioBand.AROUND_5_GHZ,
            5200.0);

    private final KeptFigures kept;
    private final JsonMapper mapper;

    GeometryController(KeptFigures kept, JsonMapper mapper) {
        this.kept = kept;
        this.mapper = mapper;
    }

    /** A list of rooms, a line each, and the floor that they are for. */
    public record TypedRooms(String floor, String text) {}

    /** Edits that would do what was asked. */
    public record Edits(String label, List<Edit> edits) {}

    /** A building or spot, by JSON pointer, and where on earth it should be. */
    public record PlacedByDegrees(String path, GeoPoint place) {}

    /** Loss of a construction met at right angles, by band, dB. */
    public record ConstructionLoss(String id, Map<RadioBand, Double> lossDb) {}

    @PostMapping("/typed-rooms")
    Edits typedRooms(OpenPlan open, @RequestBody TypedRooms typed) {
        Plan plan = open.plan();
        if (typed.text() == null || typed.floor() == null || !plan.floors().containsKey(typed.floor())) {
            throw Refusal.invalid("The floor is not in the plan.", List.of(new Problem("/floor", "names no floor")));
        }
        try {
            List<Edit> edits = RoomList.read(typed.text(), typed.floor(), plan);
            if (edits.isEmpty()) {
                throw Refusal.invalid("The list holds no room.", List.of(new Problem("/text", "holds no room")));
            }
            return new Edits(edits.size() + " typed rooms", edits);
        } catch (RoomList.UnreadableList e) {
            throw Refusal.invalid(
                    "Line " + e.line() + " cannot be read. " + e.getMessage(),
                    List.of(new Problem("/text", "line " + e.line() + ": " + e.getMessage())));
        }
    }

    @GetMapping(path = "/geojson", produces = "application/geo+json")
    ResponseEntity<String> geoJson(OpenPlan open) {
        Plan plan = open.plan();
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"" + Slugs.slug(plan.name(), "plan") + ".geojson\"")
                .body(mapper.writeValueAsString(GeoJson.write(plan, mapper)));
    }

    /** The edits that a GeoJSON file asks for; rooms that name no floor go to the one given. */
    @PostMapping("/geojson")
    Edits readGeoJson(OpenPlan open, @RequestParam(required = false) String floor, @RequestBody JsonNode file) {
        List<Edit> edits = GeoJson.read(file, open.plan(), floor);
        return new Edits(edits.size() + " places from GeoJSON", edits);
    }

    /** The cut through a link, or along a line given by its ends on the site. */
    @GetMapping("/section")
    Section section(
            OpenPlan open,
            @RequestParam(required = false) String link,
            @RequestParam(required = false) Double fromXM,
            @RequestParam(required = false) Double fromYM,
            @RequestParam(required = false) Double toXM,
            @RequestParam(required = false) Double toYM) {
        SiteModel site = SiteModel.of(open.plan());
        if (link != null) {
            Link between = site.plan().links().get(link);
            if (between == null) {
                throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such link in the plan.");
            }
            Point a = end(site, between.from());
            Point b = end(site, between.to());
            return Section.of(site, a.xM(), a.yM(), b.xM(), b.yM());
        }
        for (Double number : new Double[] {fromXM, fromYM, toXM, toYM}) {
            if (number == null || !(Math.abs(number) <= 1e6)) {
                throw Refusal.invalid(
                        "A cut needs two points on the site.", List.of(new Problem("/fromXM", "must be metres")));
            }
        }
        return Section.of(site, fromXM, fromYM, toXM, toYM);
    }

    private static Point end(SiteModel site, String unit) {
        Unit u = site.plan().units().get(unit);
        return site.position(u)
                .orElseThrow(() -> Refusal.of(HttpStatus.CONFLICT, u.name() + " has no place in the plan yet."));
    }

    /** Puts a building or a spot to a place on earth, measured from the plan's own. */
    @PostMapping("/placed-by-degrees")
    Edits byDegrees(OpenPlan open, @RequestBody PlacedByDegrees asked) {
        Plan plan = open.plan();
        if (plan.place() == null) {
            throw Refusal.of(HttpStatus.CONFLICT, "Say first where on earth the site's origin lies.");
        }
        GeoPoint to = asked.place();
        if (to == null || !(Math.abs(to.latitudeDeg()) <= 90 && Math.abs(to.longitudeDeg()) <= 180)) {
            throw Refusal.invalid("That is no place on earth.", List.of(new Problem("/place", "must be degrees")));
        }
        String path = asked.path() == null ? "" : asked.path();
        String key = path.substring(path.lastIndexOf('/') + 1);
        boolean known = path.equals(Pointers.of("buildings", key))
                        && plan.buildings().containsKey(key)
                || path.equals(Pointers.of("spots", key)) && plan.spots().containsKey(key);
        if (!known) {
            throw Refusal.invalid(
                    "There is no such building or spot.", List.of(new Problem("/path", "leads to nothing")));
        }
        double[] metres = Earth.metres(plan.place(), to);
        if (Math.hypot(metres[0], metres[1]) > 100_000) {
            throw Refusal.invalid(
                    "That is more than 100 km from the site's origin.", List.of(new Problem("/place", "is too far")));
        }
        return new Edits(
                "place by degrees",
                List.of(
                        Edit.replace(path + "/xM", Corner.cm(metres[0])),
                        Edit.replace(path + "/yM", Corner.cm(metres[1]))));
    }

    /** Where on earth buildings and spots are, by JSON pointer; empty when the site's origin is not placed. */
    @GetMapping("/degrees")
    Map<String, GeoPoint> degrees(OpenPlan open) {
        Plan plan = open.plan();
        Map<String, GeoPoint> all = new TreeMap<>();
        if (plan.place() != null) {
            plan.buildings()
                    .forEach((key, b) ->
                            all.put(Pointers.of("buildings", key), Earth.degrees(plan.place(), b.xM(), b.yM())));
            plan.spots()
                    .forEach((key, s) ->
                            all.put(Pointers.of("spots", key), Earth.degrees(plan.place(), s.xM(), s.yM())));
        }
        return all;
    }

    /** What each construction of the plan takes from a wave that meets it at right angles. */
    @GetMapping("/constructions")
    List<ConstructionLoss> constructions(OpenPlan open) {
        Plan plan = open.plan();
        List<ConstructionLoss> losses = new ArrayList<>();
        plan.everyConstruction().forEach((key, made) -> {
            Map<RadioBand, Double> byBand = new LinkedHashMap<>();
            for (RadioBand band : RadioBand.values()) {
                byBand.put(
                        band,
                        made.open()
                                ? 0
                                : kept.tables()
                                        .table(plan, key, SHOWN_MHZ.get(band))
                                        .lossDb(1));
            }
            losses.add(new ConstructionLoss(key, byBand));
        });
        return losses;
    }
}
