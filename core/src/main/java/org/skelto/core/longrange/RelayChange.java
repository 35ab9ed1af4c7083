package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.longrange.WhatItTakes.Change;
import org.skelto.core.longrange.WhatItTakes.RelayLeg;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.Terrain;
import org.skelto.core.site.Point;
import org.skelto.core.work.ComputingBudget;

/** A relay between the ends, at the best place along the path. */
final class RelayChange {
    private static final double COST = 140;

    /** Height of its antenna, metres. */
    private static final double ANTENNA_M = 3;

    private static final int PLACES = 120;

    /** A relay hears both ways: its antenna sends all round, a half-wave dipole. */
    private static final double ROUND_DBI = 2.15;

    private final LinkWhatIf trial;

    private RelayChange(LinkWhatIf trial) {
        this.trial = trial;
    }

    static List<Change> of(LinkWhatIf trial) {
        ComputingBudget.step();
        return new RelayChange(trial).best();
    }

    private List<Change> best() {
        Terrain ground = Outdoors.terrain(trial.path);
        double length = ground.lengthM();
        String from = trial.path.from();
        String to = trial.path.to();
        Radio heard = trial.radio(trial.link.to());
        Radio first = alike(trial.radio(from), heard);
        Radio last = alike(trial.radio(to), heard);
        // it is set as the receiving end is, on which others hang, and the sending end follows
        Radio relay = bare(heard).withAir(heard.settings().mast(ANTENNA_M));
        double firstM = trial.antennaM(from);
        double lastM = trial.antennaM(to);
        double best = Double.NEGATIVE_INFINITY;
        double where = 0;
        for (int i = 1; i < PLACES; i++) {
            ComputingBudget.step();
            double d = length * i / PLACES;
            double worse = Math.min(
                    trial.legDb(0, d, first, firstM, relay, ANTENNA_M),
                    trial.legDb(d, length, relay, ANTENNA_M, last, lastM));
            if (worse > best) {
                best = worse;
                where = d;
            }
        }
        if (best <= trial.now.marginDb()) {
            return List.of();
        }
        LinkWhatIf.Leg one = trial.leg(0, where, first, firstM, relay, ANTENNA_M);
        LinkWhatIf.Leg two = trial.leg(where, length, relay, ANTENNA_M, last, lastM);
        RelayLeg near = leg(trial.name(from), "relay", where, one);
        RelayLeg far = leg("relay", trial.name(to), length - where, two);
        double chance = near.chance() * far.chance();
        return List.of(WhatItTakesChangeBuilder.builder()
                .text("a relay " + Text.number(where, 0) + " m from " + trial.name(from) + ", where the ground is "
                        + Text.number(ground.heightM(where), 0) + " m high, antenna at " + Text.number(ANTENNA_M, 0)
                        + " m")
                .why(
                        "it must listen always, so it needs power all day: a cable that is laid to it, or a panel and a battery of"
                                + " its own; everything is sent twice")
                .cost(COST)
                .marginDb(best)
                .chance(chance)
                .meets(chance >= trial.now.target())
                .figure(one.marginDb() < two.marginDb() ? one.figure() : two.figure())
                .legs(List.of(near, far))
                .edits(edits(where, heard))
                .build());
    }

    private RelayLeg leg(String from, String to, double lengthM, LinkWhatIf.Leg leg) {
        return new RelayLeg(
                from, to, lengthM, leg.marginDb(), Chance.of(leg.marginDb(), trial.now.sigmaDb()), leg.figure());
    }

    private List<Edit> edits(double where, Radio like) {
        Plan plan = trial.plan;
        Unit first = plan.units().get(trial.path.from());
        Point a = trial.site.position(first).orElseThrow();
        Point b = trial.site.position(plan.units().get(trial.path.to())).orElseThrow();
        Terrain ground = Outdoors.terrain(trial.path);
        double length = ground.lengthM();
        double share = where / length;
        double firstGround = a.zM() - Antennas.aboveGroundM(plan, first, bare(trial.radio(trial.path.from())));
        double z = firstGround + ground.heightM(where) - ground.heightsM()[0];
        String spot = Slugs.free("relay", plan.spots().keySet());
        String unit = Slugs.free("relay", plan.units().keySet());
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.add(
                Pointers.of("spots", spot),
                new Spot(
                        "Relay",
                        LinkWhatIf.cm(a.xM() + share * (b.xM() - a.xM())),
                        LinkWhatIf.cm(a.yM() + share * (b.yM() - a.yM())),
                        LinkWhatIf.cm(z),
                        Exposure.FREEZING)));
        String hub = plan.units().get(trial.link.from()).hub();
        edits.add(Edit.add(
                Pointers.of("units", unit),
                UnitBuilder.builder()
                        .name("relay")
                        .kind(UnitKind.CONTROLLER)
                        .place(new Place(null, spot, 0, 0, ANTENNA_M))
                        .power(Power.mains(null))
                        .channels(0)
                        .maxClients(0)
                        .internetEntry(false)
                        .broker(false)
                        .hub(hub)
                        .radios(Map.of("chirp", bare(like)))
                        .build()));
        String outer = trial.link.from();
        Radio sends = trial.radio(outer);
        if (!alike(sends, like).equals(sends)) {
            edits.add(Edit.replace(trial.at(outer, "/frequencyMHz"), like.frequencyMHz()));
            edits.add(Edit.replace(trial.at(outer, "/chirp"), like.chirp()));
        }
        boolean outerFirst = trial.path.from().equals(outer);
        if (trial.linkId != null) {
            edits.add(Edit.replace(Pointers.of("links", trial.linkId) + "/to", unit));
        } else {
            edits.add(Edit.add(
                    Pointers.of(
                            "links", Slugs.free(outer + "-relay", plan.links().keySet())),
                    Link.of(outer, unit, trial.link.medium(), trial.link.direction(), null, "over a relay")));
        }
        edits.add(Edit.add(
                Pointers.of(
                        "links",
                        Slugs.free(unit + "-" + trial.link.to(), plan.links().keySet())),
                Link.of(unit, trial.link.to(), trial.link.medium(), trial.link.direction(), null, "relay")));
        RadioPath one = Outdoors.part(trial.path, 0, where);
        RadioPath two = Outdoors.part(trial.path, where, length);
        Set<String> taken = new TreeSet<>(plan.paths().keySet());
        String firstId = Slugs.free(outerFirst ? outer + "-relay" : "relay-" + trial.link.to(), taken);
        taken.add(firstId);
        String lastId = Slugs.free(outerFirst ? "relay-" + trial.link.to() : outer + "-relay", taken);
        edits.add(Edit.add(Pointers.of("paths", firstId), between(one, trial.path.from(), unit)));
        edits.add(Edit.add(Pointers.of("paths", lastId), between(two, unit, trial.path.to())));
        return edits;
    }

    private static Radio alike(Radio radio, Radio other) {
        return radio.set(other.frequencyMHz(), other.chirp());
    }

    private static Radio bare(Radio radio) {
        Radio low = radio.withAir(radio.settings().mast(null));
        return low.beam() == null ? low : low.withBeam(null).withAntennaGainDbi(ROUND_DBI);
    }

    private static RadioPath between(RadioPath part, String from, String to) {
        List<GroundPoint> points = part.profile().stream()
                .map(p -> new GroundPoint(LinkWhatIf.cm(p.distanceM()), LinkWhatIf.cm(p.elevationM())))
                .toList();
        return part.over(points, part.covers(), part.source()).joining(from, to).withLearned(null);
    }
}
