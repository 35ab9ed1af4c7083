package org.skelto.core.build;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.build.CableLine.Core;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Cable;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** The cables that are in the walls already, and what is still free in them. */
final class WallCables {
    /** An end that is so near a fitting of the house is served by it, metres. */
    private static final double NEAR_M = 2.5;

    private final SiteModel site;
    private final Plan plan;
    private final Map<String, Integer> free = new HashMap<>();

    WallCables(SiteModel site) {
        this.site = site;
        this.plan = site.plan();
        plan.cables().forEach((id, cable) -> free.put(id, cable.freePairs()));
    }

    /** Takes pairs of a cable between fittings near both ends, of the one that wastes least; its id, if there is any. */
    Optional<String> take(Place from, Place to, boolean pair, List<Core> cores) {
        ComputingBudget.step();
        boolean pairs = pair && cores.stream().anyMatch(c -> c.carries().startsWith("data"));
        int needed = pairs ? cores.size() : (cores.size() + 1) / 2;
        Map<String, Cable> fits = new TreeMap<>(plan.cables());
        fits.entrySet().removeIf(e -> {
            Cable c = e.getValue();
            boolean data = c.kind() != null && c.kind().contains("pair");
            boolean thin = data || c.kind() != null && c.kind().contains("alarm");
            return free.get(e.getKey()) < needed
                    || (pairs ? !data : !thin)
                    || !(near(from, c.from()) && near(to, c.to()) || near(from, c.to()) && near(to, c.from()));
        });
        Optional<String> best = fits.keySet().stream().min(Comparator.comparing(free::get));
        best.ifPresent(id -> free.merge(id, -needed, Integer::sum));
        return best;
    }

    private boolean near(Place place, String fitting) {
        Fitting at = fitting == null ? null : plan.fittings().get(fitting);
        Optional<Point> one = site.position(place);
        Optional<Point> other = at == null ? Optional.empty() : site.position(at.place());
        if (one.isEmpty() || other.isEmpty()) {
            return false;
        }
        double dx = one.get().xM() - other.get().xM();
        double dy = one.get().yM() - other.get().yM();
        double dz = one.get().zM() - other.get().zM();
        return Math.sqrt(dx * dx + dy * dy + dz * dz) <= NEAR_M;
    }
}
