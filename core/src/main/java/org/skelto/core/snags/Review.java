package org.skelto.core.snags;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkReport;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.outage.Outages;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.power.PowerNode;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Wired;

/** Runs all checks on a plan. */
public final class Review {
    private Review() {}

    /** What has been worked out of a plan, for the checks to look at. */
    public record Seen(
            SiteModel site,
            SlabTables tables,
            Map<String, LinkReport> links,
            Outages outages,
            List<MeshReport> meshes,
            Map<String, SoundReport> sounds,
            Map<String, DemandReport> demands,
            List<Reading> readings,
            Catalogue parts,
            Map<String, Wired> wired,
            Map<String, PowerNode> power,
            Map<String, HousingFit> housings,
            List<ChainReport> chains) {}

    /** The snags of a plan, worst first, then by stage and code. */
    public static List<Snag> snags(Seen seen) {
        CheckContext context = new CheckContext(seen);
        SiteChecks.run(context);
        PlaceChecks.run(context);
        DeviceChecks.run(context);
        WorksChecks.run(context);
        WiringChecks.run(context);
        LoadChecks.run(context);
        HousingChecks.run(context);
        BusChecks.run(context);
        PowerChecks.run(context);
        RadioChecks.run(context);
        AirChecks.run(context);
        CoverageChecks.run(context);
        NameChecks.run(context);
        OutageChecks.run(context);
        return context.found().stream()
                .sorted(Comparator.comparing(Snag::severity)
                        .thenComparing(Snag::stage)
                        .thenComparing(Snag::code)
                        .thenComparing(Snag::key))
                .toList();
    }
}
