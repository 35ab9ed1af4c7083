package org.skelto.core.radio;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Crossing;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * The multi-wall model: free space, every wall and slab that the straight ray crosses, and a clutter term. Between
 * buildings and outdoors the same sum is free space with the end walls; the ground and the trees between are not in it.
 */
public final class MultiWall implements LossModel {
    private final Plan plan;
    private final SiteModel site;
    private final SlabTables tables;

    public MultiWall(SiteModel site, SlabTables tables) {
        this.plan = site.plan();
        this.site = site;
        this.tables = tables;
    }

    @Override
    public Loss loss(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz) {
        ComputingBudget.step();
        List<Part> parts = new ArrayList<>();
        double distanceM = from.distanceM(to);
        parts.add(new Part(
                "free space",
                FreeSpace.lossDb(frequencyMHz, distanceM),
                Figure.of(
                        "20 log10(4π d f / c)",
                        "ITU-R P.525",
                        distanceM < FreeSpace.LEAST_M,
                        "distance",
                        Text.metres(distanceM),
                        "frequency",
                        Text.mhz(frequencyMHz))));
        for (Crossing crossing : site.crossings(from, to)) {
            parts.add(part(crossing, frequencyMHz));
        }
        double clutterDb = clutterDb(plan, fromPlace, toPlace);
        if (clutterDb > 0) {
            parts.add(new Part(
                    "clutter",
                    clutterDb,
                    Figure.of(
                            "the fuller of the two rooms: empty 0, furnished 1.5, crowded 3 dB",
                            "rule of the multi-wall model",
                            false)));
        }
        String building = site.buildingOf(fromPlace);
        boolean indoor = building != null && building.equals(site.buildingOf(toPlace));
        return new Loss(distanceM, indoor, parts);
    }

    @Override
    public double lossDb(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz) {
        ComputingBudget.step();
        double sum = FreeSpace.lossDb(frequencyMHz, from.distanceM(to)) + clutterDb(plan, fromPlace, toPlace);
        for (Crossing crossing : site.crossings(from, to)) {
            sum += tables.table(plan, crossing.construction(), frequencyMHz).lossDb(crossing.cosIncidence());
        }
        return sum;
    }

    /** The clutter term between two places: that of the fuller of the two rooms, dB; outdoors has none. */
    public static double clutterDb(Plan plan, Place one, Place other) {
        return Math.max(clutterDb(plan, one), clutterDb(plan, other));
    }

    private static double clutterDb(Plan plan, Place place) {
        return place.room() == null
                ? 0
                : plan.rooms().get(place.room()).clutter().lossDb();
    }

    private Part part(Crossing crossing, double frequencyMHz) {
        Construction construction = plan.construction(crossing.construction());
        double lossDb =
                tables.table(plan, crossing.construction(), frequencyMHz).lossDb(crossing.cosIncidence());
        RadioBand band = RadioBand.of(frequencyMHz);
        if (construction.measuredDb().containsKey(band)) {
            return part(crossing, lossDb, "measured loss, as typed", "the construction in the plan");
        }
        if (CalibratedLoss.wallDb(plan, crossing.construction(), band) != null) {
            return part(crossing, lossDb, "loss learned from walk-test readings", "calibration of this plan");
        }
        String layers = construction.layers().stream()
                .map(l -> l.material().name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ') + " "
                        + Text.number(l.thicknessMm(), l.thicknessMm() < 1 ? 2 : l.thicknessMm() % 1 == 0 ? 0 : 1)
                        + " mm")
                .reduce((a, b) -> a + " + " + b)
                .orElse("");
        return new Part(
                crossing.what(),
                lossDb,
                Figure.of(
                        "−10 log10 mean |T|² of a slab, both polarisations, thickness ±10 %, layers summed",
                        "ITU-R P.2040, single slab",
                        Slab.extrapolated(construction, frequencyMHz),
                        "layers",
                        layers,
                        "incidence",
                        Text.number(crossing.incidenceDeg(), 0) + "°",
                        "frequency",
                        Text.mhz(frequencyMHz),
                        "reinforcement",
                        Text.db(construction.extraDb())));
    }

    private static Part part(Crossing crossing, double lossDb, String formula, String source) {
        return new Part(crossing.what(), lossDb, Figure.of(formula, source, false));
    }
}
