package org.skelto.core.coverage;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Room;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

/**
 * What arrives along the long axis of a room, a metre above its floor, every quarter of a metre from its west or south end.
 *
 * @param alongM distance from that end, metres, rising
 * @param dbm the best level at each, or null where nothing sends
 * @param from name of the unit that is best at each, or null
 * @param levels that mean something for that radio, strongest first; the second is what is wanted
 */
public record LevelAlong(
        List<Double> alongM,
        List<@Nullable Double> dbm,
        List<@Nullable String> from,
        List<CoverageScenario.Level> levels) {
    private static final double STEP_M = 0.25;
    private static final int MOST = 240;

    /** Along a room of the plan; dark units are silent. */
    public static LevelAlong of(SiteModel site, SlabTables tables, Medium medium, String room, Set<String> dark) {
        Plan plan = site.plan();
        Room of = plan.rooms().get(room);
        Building building = plan.buildings().get(plan.floors().get(of.floor()).building());
        Bounds b = of.bounds();
        boolean east = b.widthM() >= b.depthM();
        double length = east ? b.widthM() : b.depthM();
        double step = Math.max(STEP_M, length / MOST);
        CoverageScenario reach = new CoverageScenario(site, medium);
        Probe.Listener listener = new Probe.Listener(site, tables, medium, of.floor(), dark);
        List<Double> along = new ArrayList<>();
        List<@Nullable Double> dbm = new ArrayList<>();
        List<@Nullable String> from = new ArrayList<>();
        for (double at = step / 2; at < length; at += step) {
            double x = building.xM() + (east ? b.westM() + at : (b.westM() + b.eastM()) / 2);
            double y = building.yM() + (east ? (b.southM() + b.northM()) / 2 : b.southM() + at);
            List<Probe.Heard> heard = listener.at(x, y).heard();
            along.add(at);
            dbm.add(heard.isEmpty() ? null : heard.get(0).levelDbm());
            from.add(heard.isEmpty() ? null : heard.get(0).name());
        }
        return new LevelAlong(along, dbm, from, reach.levels(reach.sources(dark)));
    }
}
