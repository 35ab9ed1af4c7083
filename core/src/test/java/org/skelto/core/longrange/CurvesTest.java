package org.skelto.core.longrange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.coverage.LevelAlong;
import org.skelto.core.coverage.Probe;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Room;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

/** Curves go through the very figures that the plan has when it is made so. */
class CurvesTest {
    private static final SlabTables TABLES = new SlabTables();

    private static LinkReport report(Plan plan, String path) {
        return PathReport.of(plan, SiteModel.of(plan), TABLES, path, Medium.CHIRP)
                .orElseThrow()
                .report();
    }

    private static Plan with(Plan plan, String unit, java.util.function.UnaryOperator<Radio> change) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        Unit of = units.get(unit);
        Map<String, Radio> radios = new TreeMap<>(of.radios());
        radios.computeIfPresent(of.radioId(Medium.CHIRP).orElseThrow(), (n, r) -> change.apply(r));
        units.put(unit, of.withRadios(radios));
        return plan.withUnits(units);
    }

    @Test
    void theMarginAtEachHeightIsThatOfAPlanWithSuchAMast() {
        Plan plan = Demos.mill();
        int tried = 0;
        for (String path : plan.paths().keySet()) {
            MarginCurves curves = MarginCurves.of(plan, SiteModel.of(plan), TABLES, path, Medium.CHIRP);
            assertEquals(report(plan, path).marginDb(), curves.marginDb(), 1e-9);
            assertEquals(2, curves.heights().size());
            for (MarginCurves.HeightCurve curve : curves.heights()) {
                for (int i = 0; i < curve.heightM().size(); i += 7) {
                    double metres = curve.heightM().get(i);
                    Plan raised =
                            with(plan, curve.unit(), r -> r.withAir(r.settings().mast(metres)));
                    assertEquals(
                            report(raised, path).marginDb(), curve.marginDb().get(i), 1e-9, path + " at " + metres);
                    tried++;
                }
            }
            // a factor more gives two and a half decibels or so, as the receiver floor falls
            for (int i = 1; i < curves.spreading().size(); i++) {
                double gained = curves.spreading().get(i).marginDb()
                        - curves.spreading().get(i - 1).marginDb();
                assertTrue(gained > 1.5 && gained < 3.5, "a factor gives " + gained + " dB");
            }
        }
        assertTrue(tried > 8, tried + " heights");
    }

    @Test
    void theLevelAlongARoomIsWhatArrivesAtEachPlace() {
        Plan plan = Demos.mill();
        SiteModel site = SiteModel.of(plan);
        for (String id : plan.rooms().keySet()) {
            LevelAlong along = LevelAlong.of(site, TABLES, Medium.WIFI_2G4, id, Set.of());
            Room room = plan.rooms().get(id);
            var building = plan.buildings().get(plan.floors().get(room.floor()).building());
            boolean east = room.bounds().widthM() >= room.bounds().depthM();
            assertEquals(along.alongM().size(), along.dbm().size());
            assertEquals(3, along.levels().size());
            int middle = along.alongM().size() / 2;
            double at = along.alongM().get(middle);
            double x = building.xM()
                    + (east
                            ? room.bounds().westM() + at
                            : (room.bounds().westM() + room.bounds().eastM()) / 2);
            double y = building.yM()
                    + (east
                            ? (room.bounds().southM() + room.bounds().northM()) / 2
                            : room.bounds().southM() + at);
            Probe probe = Probe.at(site, TABLES, Medium.WIFI_2G4, room.floor(), x, y, Set.of());
            assertEquals(probe.heard().get(0).levelDbm(), along.dbm().get(middle), 1e-9, id);
            assertEquals(probe.heard().get(0).name(), along.from().get(middle));
        }
    }
}
