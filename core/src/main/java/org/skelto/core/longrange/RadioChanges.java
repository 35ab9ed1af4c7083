package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.WhatItTakes.Change;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Beam;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.Point;
import org.skelto.core.work.ComputingBudget;

/** Changes of the radios themselves: slower chirps, more power, better antennas. */
final class RadioChanges {
    /** Half the beam of an antenna that is pointed, degrees, and the most gain of one that sends all round; typical. */
    private static final double HALF_BEAM = 20;

    private static final double ROUND_MOST_DBI = 8;
    private static final double ANTENNA_COST = 25;
    private static final double ANTENNA_COST_PER_DB = 4;

    private final LinkWhatIf trial;
    private final List<Change> changes = new ArrayList<>();

    private RadioChanges(LinkWhatIf trial) {
        this.trial = trial;
    }

    static List<Change> of(LinkWhatIf trial) {
        RadioChanges search = new RadioChanges(trial);
        search.settings();
        search.power();
        search.antennas();
        search.turned();
        return search.changes;
    }

    private boolean lawful(String unit, Radio radio) {
        Unit u = trial.plan.units().get(unit);
        Traffic traffic = Traffic.counts(trial.link.medium()) ? Traffic.of(u, radio) : null;
        return traffic == null || AirLaw.of(trial.plan.region(), radio, traffic).lawful();
    }

    /** Slower chirps: higher spreading factors, narrower bandwidths; everything that talks with either end goes along. */
    private void settings() {
        if (trial.link.medium() != Medium.CHIRP) {
            return;
        }
        Chirp chirp = trial.radio(trial.link.from()).chirp();
        Set<String> along = Explorer.along(trial.plan, trial.link.from(), trial.link.to());
        LinkReport best = null;
        Chirp chosen = null;
        for (int sf = chirp.spreadingFactor() + 1; sf <= 12; sf++) {
            Chirp slower = new Chirp(sf, chirp.bandwidthKHz(), chirp.codingRateDenominator());
            LinkReport then = set(along, slower);
            if (then != null && (best == null || !LinkWhatIf.enough(best))) {
                best = then;
                chosen = slower;
            }
        }
        slower(
                best,
                chosen,
                chirp,
                along,
                "SF" + chirp.spreadingFactor() + " → SF" + (chosen == null ? 0 : chosen.spreadingFactor()));
        LinkReport narrow = null;
        Chirp narrower = null;
        for (double khz : new double[] {250, 125, 62.5}) {
            if (khz < chirp.bandwidthKHz() && (narrow == null || !LinkWhatIf.enough(narrow))) {
                Chirp slower = new Chirp(chirp.spreadingFactor(), khz, chirp.codingRateDenominator());
                LinkReport then = set(along, slower);
                if (then != null) {
                    narrow = then;
                    narrower = slower;
                }
            }
        }
        slower(
                narrow,
                narrower,
                chirp,
                along,
                Text.number(chirp.bandwidthKHz(), 0) + " → "
                        + (narrower == null ? "" : Text.number(narrower.bandwidthKHz(), 1)) + " kHz");
    }

    private void slower(LinkReport then, Chirp chosen, Chirp before, Set<String> along, String text) {
        if (chosen == null) {
            return;
        }
        Unit unit = trial.plan.units().get(trial.link.from());
        int bytes = Traffic.of(unit, trial.radio(trial.link.from())).bytes();
        double times = Traffic.airtimeMs(chosen, unit.says(), bytes) / Traffic.airtimeMs(before, unit.says(), bytes);
        int others = along.size() - 2;
        trial.add(
                changes,
                text,
                Text.number(times, 1) + " times as long on the air"
                        + (others > 0 ? "; " + others + (others == 1 ? " other goes" : " others go") + " along" : ""),
                0,
                then,
                along.stream()
                        .map(u -> Edit.replace(trial.at(u, "/chirp"), chosen))
                        .toList());
    }

    private LinkReport set(Set<String> units, Chirp chirp) {
        ComputingBudget.step();
        Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
        for (String unit : units) {
            Radio r = trial.radio(unit);
            if (!lawful(unit, r.set(r.frequencyMHz(), chirp))) {
                return null;
            }
            changed.put(unit, x -> x.set(x.frequencyMHz(), chirp));
        }
        return trial.with(changed);
    }

    /** As much power as the law allows, at both ends. */
    private void power() {
        Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
        List<Edit> edits = new ArrayList<>();
        double most = 0;
        for (String unit : trial.ends()) {
            Radio r = trial.radio(unit);
            double more = headroomDb(unit, r);
            if (more >= 0.5) {
                double power = Math.min(r.txPowerDbm() + more, 30);
                changed.put(unit, x -> x.sending(power, x.antennaGainDbi()));
                edits.add(Edit.replace(trial.at(unit, "/txPowerDbm"), power));
                most = Math.max(most, more);
            }
        }
        if (!changed.isEmpty()) {
            trial.add(
                    changes,
                    "power up to the limit, " + Text.db(most) + " more",
                    "the radio must have it; more current from the battery",
                    5,
                    trial.with(changed),
                    edits);
        }
    }

    /** How much more the law allows, dB, to a tenth below; negative when it is over already. */
    private double headroomDb(String unit, Radio radio) {
        Unit u = trial.plan.units().get(unit);
        boolean periodic =
                Traffic.counts(trial.link.medium()) && Traffic.of(u, radio).intervalS() != null;
        return RegionLimits.rowFor(trial.plan.region(), radio, periodic)
                .map(row -> Math.floor(-row.excessDb(radio) * 10) / 10)
                .orElse(0.0);
    }

    /** A better antenna, the power lowered by what it would radiate too much. */
    private void antennas() {
        for (String unit : trial.ends()) {
            antenna(List.of(unit));
        }
        antenna(trial.ends());
    }

    /** Whether a unit also talks with others that are beside the beam of an antenna pointed along the path. */
    private boolean aside(String unit) {
        String other = partner(unit);
        double along = bearing(unit, other);
        return trial.plan.links().values().stream()
                .filter(l -> l.medium() == trial.link.medium())
                .filter(l -> l.from().equals(unit) || l.to().equals(unit))
                .map(l -> l.from().equals(unit) ? l.to() : l.from())
                .filter(u -> !u.equals(other))
                .mapToDouble(u -> Math.abs(Math.IEEEremainder(bearing(unit, u) - along, 360)))
                .anyMatch(turn -> !(turn <= HALF_BEAM));
    }

    /** Degrees from north over east, or not a number where an end has no place. */
    private double bearing(String from, String to) {
        Point a = trial.site.position(trial.plan.units().get(from)).orElse(null);
        Point b = trial.site.position(trial.plan.units().get(to)).orElse(null);
        return a == null || b == null ? Double.NaN : AntennaPattern.bearingDeg(a, b);
    }

    private String partner(String unit) {
        return unit.equals(trial.link.from()) ? trial.link.to() : trial.link.from();
    }

    /** A pointed antenna along the path; its beam is as it was otherwise. */
    private Beam along(String unit) {
        double bearing = Math.rint(bearing(unit, partner(unit)));
        Beam now = trial.radio(unit).beam();
        return now == null ? Beam.facing(bearing) : new Beam(bearing, now.widthDeg(), now.backDb());
    }

    /** Antennas that point elsewhere, turned along the path. */
    private void turned() {
        for (String unit : trial.ends()) {
            Beam now = trial.radio(unit).beam();
            if (now == null) {
                continue;
            }
            Beam beam = along(unit);
            trial.add(
                    changes,
                    "turn the antenna of " + trial.name(unit) + " to " + Text.number(beam.facingDeg(), 0) + "°",
                    "it points to " + Text.number(now.facingDeg(), 0) + "° now",
                    0,
                    trial.with(Map.of(unit, x -> x.withBeam(beam))),
                    List.of(Edit.replace(trial.at(unit, "/beam"), beam)));
        }
    }

    private void antenna(List<String> units) {
        boolean round = units.stream().anyMatch(u -> trial.radio(u).beam() != null || aside(u));
        for (double db : round ? new double[] {3, 6} : new double[] {3, 6, 9}) {
            Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
            List<Edit> edits = new ArrayList<>();
            double lowered = 0;
            for (String unit : units) {
                Radio r = trial.radio(unit);
                Radio better = r.sending(r.txPowerDbm(), r.antennaGainDbi() + db);
                double over = Math.max(0, -headroomDb(unit, better));
                double power = Math.max(-40, r.txPowerDbm() - Math.ceil(over * 10) / 10);
                lowered = Math.max(lowered, r.txPowerDbm() - power);
                Beam beam = round ? r.beam() : along(unit);
                changed.put(unit, x -> x.sending(power, x.antennaGainDbi() + db).withBeam(beam));
                edits.add(Edit.replace(trial.at(unit, "/antennaGainDbi"), r.antennaGainDbi() + db));
                if (!round) {
                    edits.add(Edit.replace(trial.at(unit, "/beam"), beam));
                }
                edits.add(Edit.replace(trial.at(unit, "/txPowerDbm"), power));
            }
            LinkReport then = trial.with(changed);
            boolean last = db == (round ? 6 : 9);
            if (round && units.stream().anyMatch(u -> trial.radio(u).antennaGainDbi() + db > ROUND_MOST_DBI)) {
                // upright antennas that send all round do not come with more
                return;
            }
            if (LinkWhatIf.enough(then) || last) {
                trial.add(
                        changes,
                        "antenna +" + Text.number(db, 0) + " dB at "
                                + (units.size() == 2 ? "both ends" : trial.name(units.get(0))),
                        (lowered > 0
                                        ? "power lowered by " + Text.db(lowered)
                                                + " to stay lawful, so it gains in hearing; "
                                        : "")
                                + (round
                                        ? "upright and all round, as others hang on it in other directions"
                                        : "pointed at the other end"),
                        units.size() * (ANTENNA_COST + ANTENNA_COST_PER_DB * db),
                        then,
                        edits);
                return;
            }
        }
    }
}
