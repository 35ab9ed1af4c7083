package org.skelto.core.radio;

import java.util.List;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * Indoor loss by distance exponent, Recommendation ITU-R P.1238 for homes: {@code 20 log f + N log d + Lf(n) − 28}, f in
 * MHz, d in m above 1, N = {@value #EXPONENT}; the floor term is per floor between: 4 dB below 2 GHz, 5 dB around
 * 2.4 GHz, 7 dB around 5 GHz. Links that leave a building go by walls.
 */
public final class DistanceExponent implements LossModel {
    static final double EXPONENT = 28;
    private static final double CONSTANT_DB = 28;

    private final SiteModel site;
    private final LossModel outside;

    public DistanceExponent(SiteModel site, LossModel outside) {
        this.site = site;
        this.outside = outside;
    }

    /**
     * Loss without floors, dB.
     *
     * @param frequencyMHz above 0
     * @param distanceM below 1 m the loss at 1 m
     */
    public static double lossDb(double frequencyMHz, double distanceM) {
        return 20 * Math.log10(frequencyMHz) + EXPONENT * Math.log10(Math.max(1, distanceM)) - CONSTANT_DB;
    }

    /** Loss per floor between the ends, dB. */
    public static double floorDb(double frequencyMHz) {
        return switch (RadioBand.of(frequencyMHz)) {
            case BELOW_600_MHZ, SUB_GHZ -> 4;
            case AROUND_2_4_GHZ -> 5;
            case AROUND_5_GHZ -> 7;
        };
    }

    @Override
    public double lossDb(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz) {
        String building = site.buildingOf(fromPlace);
        if (building == null || !building.equals(site.buildingOf(toPlace))) {
            return outside.lossDb(from, fromPlace, to, toPlace, frequencyMHz);
        }
        return lossDb(frequencyMHz, from.distanceM(to))
                + site.floorsBetween(from.zM(), to.zM(), building) * floorDb(frequencyMHz);
    }

    @Override
    public Loss loss(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz) {
        String building = site.buildingOf(fromPlace);
        if (building == null || !building.equals(site.buildingOf(toPlace))) {
            return outside.loss(from, fromPlace, to, toPlace, frequencyMHz);
        }
        double distanceM = from.distanceM(to);
        int floors = site.floorsBetween(from.zM(), to.zM(), building);
        Part part = new Part(
                "distance and floors",
                lossDb(frequencyMHz, distanceM) + floors * floorDb(frequencyMHz),
                Figure.of(
                        "20 log f + N log d + Lf(n) − 28",
                        "ITU-R P.1238, residential",
                        distanceM < 1,
                        "distance",
                        Text.metres(distanceM),
                        "frequency",
                        Text.mhz(frequencyMHz),
                        "N",
                        Text.number(EXPONENT, 0),
                        "floors between",
                        Integer.toString(floors),
                        "per floor",
                        Text.db(floorDb(frequencyMHz))));
        return new Loss(distanceM, true, List.of(part));
    }
}
