package org.skelto.core.longrange;

import org.skelto.core.longrange.WhatItTakes.Reach;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.Outdoors;

/** How far a link would reach on the ground of its path. */
final class RangeEstimate {
    private static final int PLACES = 200;

    private RangeEstimate() {}

    static Reach of(LinkWhatIf trial, double chance) {
        boolean outerFirst = trial.path.from().equals(trial.link.from());
        Radio outer = trial.radio(trial.link.from());
        Radio inner = trial.radio(trial.link.to());
        double outerM = trial.antennaM(trial.link.from());
        double innerM = trial.antennaM(trial.link.to());
        double length = Outdoors.terrain(trial.path).lengthM();
        double needed = Chance.marginDb(chance, trial.now.sigmaDb());
        double unbroken = 0;
        double farthest = 0;
        boolean whole = true;
        for (int i = 1; i <= PLACES; i++) {
            double d = length * i / PLACES;
            double margin = outerFirst
                    ? trial.legDb(length - d, length, outer, outerM, inner, innerM)
                    : trial.legDb(0, d, inner, innerM, outer, outerM);
            boolean holds = margin >= needed;
            whole &= holds;
            unbroken = whole ? d : unbroken;
            farthest = holds ? d : farthest;
        }
        double spare = trial.marginDb(outer, inner, 0) - needed;
        double oneMetre = FreeSpace.lossDb(outer.frequencyMHz(), 1);
        double flat = Math.min(1e7, Math.max(0, Math.pow(10, (spare - oneMetre) / 20)));
        return new Reach(
                chance,
                unbroken,
                farthest,
                flat,
                Figure.of(
                        "the distance at which free space alone takes all that is to spare",
                        "ITU-R P.525; link budget of the worse direction",
                        false,
                        "to spare at no loss",
                        Text.db(spare),
                        "of that for the chance, Φ⁻¹ · σ",
                        Text.db(needed),
                        "free space at 1 m",
                        Text.db(oneMetre)));
    }
}
