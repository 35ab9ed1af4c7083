package org.skelto.core.placement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

/** Turns chosen places into units of the plan, linked and with a frequency channel of their own. */
final class BoxMaker {
    private static final List<Double> WIFI_MHZ = List.of(2412.0, 2437.0, 2462.0);

    /** What was made. */
    record Made(List<PlacementResult.Box> spots, List<Edit> edits) {}

    private final SiteModel site;
    private final Plan plan;
    private final SlabTables tables;
    private final Medium medium;

    BoxMaker(SiteModel site, SlabTables tables, PlacementRequest ask) {
        this.site = site;
        this.plan = site.plan();
        this.tables = tables;
        this.medium = ask.medium();
    }

    private UnitKind kind() {
        if (medium.wifi()) {
            return UnitKind.ACCESS_POINT;
        }
        return medium.mesh() && hasGateway() ? UnitKind.CONTROLLER : UnitKind.GATEWAY;
    }

    private boolean hasGateway() {
        return plan.units().values().stream()
                .anyMatch(u -> u.collects() && u.radio(medium).isPresent());
    }

    private String word() {
        return switch (kind()) {
            case ACCESS_POINT -> "AP";
            case CONTROLLER -> "repeater";
            default -> "gateway";
        };
    }

    /** The radio of a new box, set like those that stand already where settings must agree. */
    Radio radio() {
        Radio usual = RadioDefaults.radio(medium, plan.region(), UnitKind.GATEWAY);
        if (medium.wifi()) {
            return usual;
        }
        return plan.units().values().stream()
                .filter(u -> u.collects())
                .flatMap(u -> u.radio(medium).stream())
                .findFirst()
                .map(r -> usual.set(r.frequencyMHz(), r.chirp()))
                .orElse(usual);
    }

    /** The radio of a handset or a sensor. */
    Radio client() {
        return RadioDefaults.radio(medium, plan.region(), UnitKind.CONTROLLER);
    }

    /**
     * The edits that put boxes there.
     *
     * @param serving units that go over to a new box: unit id to the number of the place
     */
    Made make(List<Candidates.Candidate> chosen, Map<String, Integer> serving) {
        Plan now = plan;
        List<Edit> edits = new ArrayList<>();
        List<PlacementResult.Box> spots = new ArrayList<>();
        for (Candidates.Candidate spot : chosen) {
            String room = plan.rooms().get(spot.place().room()).name();
            String id = Slugs.free(
                    Slugs.slug(room + " " + word(), "box"), now.units().keySet());
            Unit unit = unit(room + " " + word(), spot.place(), now);
            edits.add(Edit.add(Pointers.of("units", id), unit));
            Map<String, Unit> units = new TreeMap<>(now.units());
            units.put(id, unit);
            now = now.withUnits(units);
            now = linked(now, id, edits);
            spots.add(PlacementResultBoxBuilder.builder()
                    .unit(id)
                    .room(spot.place().room())
                    .floor(plan.rooms().get(spot.place().room()).floor())
                    .xM(spot.at().xM())
                    .yM(spot.at().yM())
                    .zM(spot.at().zM())
                    .place(spot.place())
                    .near(spot.near())
                    .newOutlet(spot.near() == null)
                    .build());
        }
        serving.forEach(
                (unit, number) -> edits.addAll(served(unit, spots.get(number).unit())));
        return new Made(spots, edits);
    }

    private Unit unit(String name, Place place, Plan now) {
        String circuit = plan.circuits().isEmpty()
                ? null
                : plan.circuits().keySet().iterator().next();
        String hub = plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
        Radio radio = radio();
        if (medium == Medium.WIFI_2G4) {
            radio = radio.set(quietest(now), null);
        }
        boolean repeater = kind() == UnitKind.CONTROLLER;
        return UnitBuilder.builder()
                .name(name)
                .kind(kind())
                .place(place)
                .power(Power.mains(circuit))
                .channels(0)
                .maxClients(medium.wifi() ? 30 : 0)
                .internetEntry(false)
                .broker(false)
                .hub(repeater ? hub : null)
                .radios(Map.of(RadioDefaults.id(medium), radio))
                .build();
    }

    /** The Wi-Fi channel that the fewest access points use. */
    private static double quietest(Plan now) {
        return WIFI_MHZ.stream()
                .min(java.util.Comparator.comparingLong(mhz -> now.units().values().stream()
                        .filter(u -> u.is(UnitKind.ACCESS_POINT))
                        .flatMap(u -> u.radio(Medium.WIFI_2G4).stream())
                        .filter(r -> r.frequencyMHz() == mhz)
                        .count()))
                .orElseThrow();
    }

    private Plan linked(Plan now, String id, List<Edit> edits) {
        SiteModel with = SiteModel.of(now);
        return new LinkChooser(with, tables)
                .best(id)
                .map(option -> {
                    edits.addAll(option.edits());
                    return LinkChooser.linked(now, id, option.edits());
                })
                .orElse(now);
    }

    /** A unit's link of this radio leads to the new box. */
    private List<Edit> served(String unit, String box) {
        List<Edit> edits = new ArrayList<>();
        plan.links().forEach((id, link) -> {
            if (link.from().equals(unit) && link.medium() == medium) {
                edits.add(Edit.replace(Pointers.of("links", id, "to"), box));
                edits.add(Edit.replace(Pointers.of("links", id, "why"), "the proposed box hears it best"));
            }
        });
        if (edits.isEmpty()
                && plan.links().values().stream().noneMatch(l -> l.from().equals(unit))) {
            String id = Slugs.free(
                    Slugs.slug(unit + "-" + box, "link"), plan.links().keySet());
            edits.add(Edit.add(
                    Pointers.of("links", id),
                    Link.of(unit, box, medium, null, null, "the proposed box hears it best")));
        }
        return edits;
    }
}
