package org.skelto.core.placement;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** What an ask wants covered: the devices of a radio and the places to work from, or points all over the rooms. */
final class Demands {
    private static final int MOST = 600;
    private static final double ROOM_SHARE = 0.95;

    /** Something that must be covered: by two-way radio with a margin for its criticality, or a point by level. */
    @RecordBuilder
    record Demand(String name, String unit, Radio radio, Place place, Point at, double target, int room)
            implements DemandsDemandBuilder.With {}

    private final SiteModel site;
    private final Plan plan;
    private final PlacementRequest ask;
    private final Radio client;
    private final List<Demand> demands = new ArrayList<>();
    private int rooms;

    /** @param client radio of whoever works from a place */
    Demands(SiteModel site, SlabTables tables, PlacementRequest ask, Radio client) {
        this.site = site;
        this.plan = site.plan();
        this.ask = ask;
        this.client = client;
        find(new LinkAssessor(site, tables));
    }

    List<Demand> all() {
        return demands;
    }

    int size() {
        return demands.size();
    }

    Demand get(int number) {
        return demands.get(number);
    }

    /** How many rooms the points lie in; 0 when devices are meant. */
    int rooms() {
        return rooms;
    }

    private void find(LinkAssessor assessor) {
        if (ask.cover() == PlacementRequest.Cover.DEVICES) {
            plan.units().forEach((id, unit) -> {
                if (!unit.collects() && unit.radio(ask.medium()).isPresent() && meant(unit.place())) {
                    demand(unit.name(), id, unit.radio(ask.medium()).get(), unit.place(), assessor.criticality(id));
                }
            });
            plan.demands().values().forEach(d -> {
                if (d.medium() == ask.medium() && meant(d.place())) {
                    demand(d.name(), null, client, d.place(), d.criticality());
                }
            });
            return;
        }
        double step = 0.5;
        Map<String, List<Point>> samples = Candidates.samples(site, step);
        while (step < 1 && samples.values().stream().mapToInt(List::size).sum() > MOST) {
            ComputingBudget.step();
            step += 0.25;
            samples = Candidates.samples(site, step);
        }
        for (Map.Entry<String, List<Point>> room : samples.entrySet()) {
            if (!meant(new Place(room.getKey(), null, 0, 0, 0))) {
                continue;
            }
            for (Point at : room.getValue()) {
                demands.add(DemandsDemandBuilder.builder()
                        .name(plan.rooms().get(room.getKey()).name())
                        .place(new Place(room.getKey(), null, 0, 0, CoverageScenario.HEIGHT_M))
                        .at(at)
                        .target(0)
                        .room(rooms)
                        .build());
            }
            rooms++;
        }
    }

    /** Whether a place is in the building that is meant; outdoors counts when all are. */
    boolean meant(Place place) {
        return ask.building() == null || ask.building().equals(site.buildingOf(place));
    }

    private void demand(String name, String unit, Radio radio, Place place, Criticality criticality) {
        site.position(place)
                .ifPresent(at -> demands.add(DemandsDemandBuilder.builder()
                        .name(name)
                        .unit(unit)
                        .radio(radio)
                        .place(place)
                        .at(at)
                        .target(Chance.target(criticality))
                        .room(-1)
                        .build()));
    }

    /** Points of the room of a demand that need not be covered. */
    int spare(int demand) {
        int room = demands.get(demand).room;
        long points = demands.stream().filter(d -> d.room == room).count();
        return (int) Math.floor(points * (1 - ROOM_SHARE) + 1e-9);
    }
}
