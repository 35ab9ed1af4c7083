package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.SITE;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Room;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Overlap;
import org.skelto.core.snags.Check.Code;

/** S1 to S5. */
final class SiteChecks {
    static final Check CHECK = Check.of(
            "snags of the site",
            List.of(
                    Code.of("S1", Stage.SITE, "rooms overlap", Severity.FIX),
                    Code.of("S2", Stage.SITE, "no place on earth", Severity.LOOK),
                    Code.of("S3", Stage.SITE, "mains voltage not known", Severity.FIX),
                    Code.of("S5", Stage.SITE, "internet entry not placed", Severity.FIX)),
            List.of(),
            SiteChecks::run);

    /** Overlaps up to this depth are drawing slips of shared walls, metres. */
    private static final double SLIP_M = 0.02;

    private SiteChecks() {}

    static void run(CheckContext c) {
        overlaps(c);
        if (c.plan.place() == null) {
            c.snag("S2", LOOK, SITE, "The house has no place on earth")
                    .leadsTo("Sun times and distances to far places cannot be worked out.")
                    .at("/place")
                    .add();
        }
        if (c.plan.mainsVoltageV() == null) {
            double volts = c.plan.region() == Region.US ? 120 : c.plan.region() == Region.JP ? 100 : 230;
            c.snag("S3", FIX, SITE, "The mains voltage is not known")
                    .leadsTo("Loads, supplies and cables cannot be judged.")
                    .at("/mainsVoltageV")
                    .fix("Use " + Text.number(volts, 0) + " V", Edit.replace("/mainsVoltageV", volts))
                    .add();
        }
        boolean wants = !c.plan.services().isEmpty();
        boolean entry = c.plan.units().values().stream().anyMatch(u -> u.internetEntry());
        if (wants && !entry) {
            c.snag("S5", FIX, SITE, "Services are used, but the internet entry is not placed")
                    .figures(c.plan.services().size() + " services, no unit is the internet entry")
                    .leadsTo("Nothing can reach them, so every way over them is lost.")
                    .at("/services")
                    .add();
        }
    }

    private static void overlaps(CheckContext c) {
        List<Map.Entry<String, Room>> rooms = new ArrayList<>(c.plan.rooms().entrySet());
        for (int i = 0; i < rooms.size(); i++) {
            for (int j = i + 1; j < rooms.size(); j++) {
                Room a = rooms.get(i).getValue();
                Room b = rooms.get(j).getValue();
                double sharedM2 = a.floor().equals(b.floor()) ? Overlap.areaM2(a, b, SLIP_M) : 0;
                if (sharedM2 > 0) {
                    c.snag("S1", FIX, SITE, a.name() + " and " + b.name() + " overlap")
                            .figures("by " + Text.number(sharedM2, 2) + " m²")
                            .leadsTo("Walls inside the overlap are counted where none will stand.")
                            .at(
                                    Pointers.of("rooms", rooms.get(i).getKey()),
                                    Pointers.of("rooms", rooms.get(j).getKey()))
                            .add();
                }
            }
        }
    }
}
