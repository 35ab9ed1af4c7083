package org.skelto.core.radio;

import java.util.Optional;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Where the antennas of units are: at the unit, or on a mast outside it. */
public final class Antennas {
    /** No antenna lies lower over its ground than this; models of the ground mean nothing there, metres. */
    public static final double LEAST_M = 0.1;

    /** Beyond every house of a site. */
    private static final double FAR_M = 500;

    private static final Place OUTSIDE = new Place(null, null, 0, 0, 0);

    private Antennas() {}

    /** Where a radio's antenna is on the site, unless its unit has no place. */
    public static Optional<Point> point(SiteModel site, Unit unit, Radio radio) {
        return site.position(unit).map(p -> {
            Double mast = radio.settings().mastM();
            return mast == null ? p : new Point(p.xM(), p.yM(), groundM(site.plan(), unit.place()) + mast);
        });
    }

    /** Where walls begin to count: an antenna on a mast stands clear of its own building. */
    public static Point clearOfHouse(SiteModel site, Unit unit, Radio radio) {
        Point p = point(site, unit, radio).orElseThrow();
        String building = site.buildingOf(unit.place());
        if (radio.settings().mastM() == null || building == null) {
            return p;
        }
        double top = site.panels().stream()
                .filter(panel ->
                        site.plan().floors().get(panel.floor()).building().equals(building))
                .mapToDouble(org.skelto.core.site.Panel::toZM)
                .max()
                .orElse(p.zM());
        return new Point(p.xM(), p.yM(), Math.max(p.zM(), top));
    }

    /** The place that counts for what stands around an antenna: none when it is on a mast. */
    public static Place place(Unit unit, Radio radio) {
        return radio.settings().mastM() == null ? unit.place() : OUTSIDE;
    }

    /** Height of a radio's antenna above the ground outside, metres. */
    public static double aboveGroundM(Plan plan, Unit unit, Radio radio) {
        Double mast = radio.settings().mastM();
        if (mast != null) {
            return Math.max(LEAST_M, mast);
        }
        Place place = unit.place();
        double height = place.heightM();
        if (place.room() != null) {
            height += plan.floors().get(plan.rooms().get(place.room()).floor()).baseM();
        }
        return Math.max(LEAST_M, height);
    }

    /**
     * What walls around an antenna take of a level ray and what its own pattern does beside its beam, dB, in so many
     * directions evenly from north over east.
     */
    public static double[] aroundDb(SiteModel site, SlabTables tables, Unit unit, Radio radio, int directions) {
        double[] all = new double[directions];
        for (int i = 0; i < directions; i++) {
            ComputingBudget.step();
            all[i] = aroundDb(site, tables, unit, radio, 2 * Math.PI * i / directions);
        }
        return all;
    }

    /** The same in one direction, radians from north over east. */
    public static double aroundDb(SiteModel site, SlabTables tables, Unit unit, Radio radio, double bearing) {
        Point from = clearOfHouse(site, unit, radio);
        Point to = new Point(from.xM() + FAR_M * Math.sin(bearing), from.yM() + FAR_M * Math.cos(bearing), from.zM());
        return new MultiWall(site, tables).lossDb(from, place(unit, radio), to, OUTSIDE, radio.frequencyMHz())
                - FreeSpace.lossDb(radio.frequencyMHz(), FAR_M)
                + AntennaPattern.of(radio)
                        .map(p -> p.lossDb(Math.toDegrees(bearing)))
                        .orElse(0.0);
    }

    /** Height of the ground at a place above the site's datum, metres. */
    public static double groundM(Plan plan, Place place) {
        if (place.room() != null) {
            Floor floor = plan.floors().get(plan.rooms().get(place.room()).floor());
            Building building = plan.buildings().get(floor.building());
            return building.zM();
        }
        return plan.spots().get(place.spot()).zM();
    }
}
