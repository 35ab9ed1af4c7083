package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.GridPaths;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.WhatItTakes.Change;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Point;
import org.skelto.core.work.ComputingBudget;

/** Changes of where the antennas are: on masts, outside, or at another place. */
final class AntennaChanges {
    private static final double MAST_COST = 30;
    private static final double MAST_COST_PER_M = 12;
    private static final double MOVE_COST = 20;
    private static final double MOVE_COST_PER_M = 0.5;
    private static final double MAST_MOST_M = 15;

    /** Of a mast outside a house: high enough that nobody reaches the antenna. */
    private static final double LEAST_MAST_M = 2.5;

    /** Loss of a low-loss coaxial feeder below 1 GHz, dB/m, and of its two connectors; typical. */
    private static final double FEEDER_DB_PER_M = 0.15;

    private static final double FEEDER_DB = 0.5;
    private static final double FEEDER_INDOORS_M = 3;
    private static final double MAST_STEP_M = 0.1;
    private static final double MOVE_MOST_M = 120;
    private static final double MOVE_STEP_M = 10;

    private static final String[] WINDS = {
        "north", "north-north-east", "north-east", "east-north-east", "east", "east-south-east", "south-east",
        "south-south-east", "south", "south-south-west", "south-west", "west-south-west", "west", "west-north-west",
        "north-west", "north-north-west"
    };

    private final LinkWhatIf trial;
    private final ElevationGrid grid;
    private final List<Change> changes = new ArrayList<>();

    private AntennaChanges(LinkWhatIf trial, ElevationGrid grid) {
        this.trial = trial;
        this.grid = grid;
    }

    /** The grid may be null: then nothing is said about moving. */
    static List<Change> of(LinkWhatIf trial, ElevationGrid grid) {
        AntennaChanges search = new AntennaChanges(trial, grid);
        search.masts();
        search.bothOutside();
        search.move();
        return search.changes;
    }

    /** The least height of a mast at either end. */
    private void masts() {
        for (String unit : trial.ends()) {
            if (indoors(unit)) {
                outside(unit);
                continue;
            }
            double height = trial.antennaM(unit);
            LinkReport most = raised(unit, height + MAST_MOST_M);
            double more = MAST_MOST_M;
            if (LinkWhatIf.enough(most)) {
                // the loss need not fall all the way up, so the lowest height is looked for from below
                for (double step = MAST_STEP_M; step <= MAST_MOST_M; step += step < 2 ? MAST_STEP_M : 0.5) {
                    ComputingBudget.step();
                    LinkReport then = raised(unit, height + step);
                    if (LinkWhatIf.enough(then)) {
                        most = then;
                        more = step;
                        break;
                    }
                }
            }
            double mast = Math.round((height + more) * 10) / 10.0;
            trial.add(
                    changes,
                    "raise the antenna of " + trial.name(unit) + " by " + Text.number(mast - height, 1) + " m to "
                            + Text.number(mast, 1) + " m",
                    "working at height; earth the mast, mind its feeder's loss",
                    MAST_COST + MAST_COST_PER_M * mast,
                    raised(unit, mast),
                    List.of(Edit.replace(
                            trial.at(unit, "/air"), trial.radio(unit).settings().mast(mast))));
        }
    }

    private boolean indoors(String unit) {
        return trial.plan.units().get(unit).place().room() != null
                && trial.radio(unit).settings().mastM() == null;
    }

    /** The antenna of a box indoors at a mast outside, over a feeder whose loss counts. */
    private void outside(String unit) {
        for (double mast = LEAST_MAST_M; mast <= MAST_MOST_M; mast += 0.5) {
            ComputingBudget.step();
            double tenths = mast;
            double feeder = trial.radio(unit).feederLossDb() + FEEDER_DB + FEEDER_DB_PER_M * (mast + FEEDER_INDOORS_M);
            double loss = Math.round(feeder * 10) / 10.0;
            LinkReport then = trial.with(
                    Map.of(unit, r -> r.withAir(r.settings().mast(tenths)).withFeederLossDb(loss)));
            if (LinkWhatIf.enough(then) || mast + 0.5 > MAST_MOST_M) {
                trial.add(
                        changes,
                        "the antenna of " + trial.name(unit) + " outside, " + Text.number(mast, 1)
                                + " m above the ground",
                        "working at height; earth the mast; its feeder of about "
                                + Text.number(mast + FEEDER_INDOORS_M, 0) + " m takes " + Text.db(loss)
                                + ", which is counted",
                        MAST_COST + MAST_COST_PER_M * mast,
                        then,
                        List.of(
                                Edit.replace(
                                        trial.at(unit, "/air"),
                                        trial.radio(unit).settings().mast(tenths)),
                                Edit.replace(trial.at(unit, "/feederLossDb"), loss)));
                return;
            }
        }
    }

    /** Both antennas outside: in stone houses the walls take more than the ground. */
    private void bothOutside() {
        for (double mast = 2; mast <= MAST_MOST_M; mast += 0.5) {
            ComputingBudget.step();
            Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
            List<Edit> edits = new ArrayList<>();
            double metres = 0;
            for (String unit : trial.ends()) {
                double height = Math.max(mast, trial.antennaM(unit));
                double tenths = Math.round(height * 10) / 10.0;
                metres += tenths;
                changed.put(unit, r -> r.withAir(r.settings().mast(tenths)));
                edits.add(Edit.replace(
                        trial.at(unit, "/air"), trial.radio(unit).settings().mast(tenths)));
            }
            LinkReport then = trial.with(changed);
            if (LinkWhatIf.enough(then) || mast + 0.5 > MAST_MOST_M) {
                trial.add(
                        changes,
                        "both antennas outside, at least " + Text.number(mast, 1) + " m above the ground",
                        "working at height; earth the masts, mind their feeders' loss",
                        2 * MAST_COST + MAST_COST_PER_M * metres,
                        then,
                        edits);
                return;
            }
        }
    }

    private LinkReport raised(String unit, double heightM) {
        return trial.with(Map.of(unit, r -> r.withAir(r.settings().mast(heightM))));
    }

    /** The nearest better place for an end that stands outdoors, by the grid of heights. */
    private void move() {
        for (String unit : trial.ends()) {
            Unit u = trial.plan.units().get(unit);
            // what measures or works something is where that is
            boolean bound =
                    u.kind().alone() || trial.plan.devices().values().stream().anyMatch(d -> unit.equals(d.unit()));
            if (grid == null || u.place().spot() == null || bound) {
                continue;
            }
            Point here = trial.site.position(u).orElseThrow();
            if (GridPaths.between(trial.plan, trial.path.from(), trial.path.to(), grid)
                    .isEmpty()) {
                continue;
            }
            Change found = null;
            for (double by = MOVE_STEP_M; by <= MOVE_MOST_M && (found == null || !found.meets()); by += MOVE_STEP_M) {
                found = better(found, moved(unit, u, here, by));
            }
            if (found != null && found.marginDb() > trial.now.marginDb() + 0.5) {
                changes.add(found);
            }
        }
    }

    private static Change better(Change one, Change other) {
        return one == null || other != null && other.marginDb() > one.marginDb() + 0.5 ? other : one;
    }

    private Change moved(String unit, Unit u, Point here, double byM) {
        ComputingBudget.step();
        Change best = null;
        for (int i = 0; i < 16; i++) {
            double x = here.xM() + byM * Math.sin(Math.PI * i / 8);
            double y = here.yM() + byM * Math.cos(Math.PI * i / 8);
            if (!grid.holds(x, y)) {
                continue;
            }
            Place p = u.place();
            Place place = new Place(
                    null,
                    p.spot(),
                    LinkWhatIf.cm(p.xM() + x - here.xM()),
                    LinkWhatIf.cm(p.yM() + y - here.yM()),
                    p.heightM());
            Map<String, Unit> units = new TreeMap<>(trial.plan.units());
            units.put(unit, u.withPlace(place));
            Plan standing = GridPaths.anew(trial.plan, trial.plan.withUnits(units), List.of(trial.pathId), grid);
            LinkReport then = trial.in(standing);
            if (best == null || then.marginDb() > best.marginDb()) {
                best = trial.change(
                        "move " + u.name() + " " + Text.number(byM, 0) + " m to the " + WINDS[i],
                        "by the grid of heights; trees and buildings stay where they are marked",
                        MOVE_COST + MOVE_COST_PER_M * byM,
                        then,
                        List.of(
                                Edit.replace(Pointers.of("units", unit) + "/place", place),
                                Edit.replace(
                                        Pointers.of("paths", trial.pathId),
                                        standing.paths().get(trial.pathId))));
            }
        }
        return best;
    }
}
