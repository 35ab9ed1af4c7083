package org.skelto.core.radio;

import java.util.List;
import java.util.stream.Stream;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Figure;
import org.skelto.core.site.Point;

/** A model of the loss between two points of the site. */
public interface LossModel {
    /** One part of a loss, in dB, with what it comes from. */
    record Part(String what, double lossDb, Figure figure) {}

    /**
     * The loss as the person can follow it.
     *
     * @param indoor whether both ends are in the same building
     */
    record Loss(double distanceM, boolean indoor, List<Part> parts) {
        public Loss {
            parts = List.copyOf(parts);
        }

        /** All parts together, dB. */
        public double lossDb() {
            return parts.stream().mapToDouble(Part::lossDb).sum();
        }

        /** This loss with more parts. */
        public Loss with(List<Part> more) {
            return more.isEmpty()
                    ? this
                    : new Loss(
                            distanceM,
                            indoor,
                            Stream.concat(parts.stream(), more.stream()).toList());
        }

        public boolean extrapolated() {
            return parts.stream().anyMatch(p -> p.figure().extrapolated());
        }
    }

    /** The loss between two ends; the same both ways. */
    Loss loss(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz);

    /** The same as {@link #loss} as one number, dB, for those who ask often. */
    double lossDb(Point from, Place fromPlace, Point to, Place toPlace, double frequencyMHz);
}
