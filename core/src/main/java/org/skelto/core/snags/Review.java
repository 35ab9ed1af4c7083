package org.skelto.core.snags;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkReport;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.outage.Outages;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.power.PowerNode;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;

/** Runs all checks on a plan. */
public final class Review {
    private Review() {}

    /** What has been worked out of a plan, for the checks to look at. */
    @RecordBuilder
    public record Seen(
            Plan plan,
            SlabTables tables,
            List<Reading> readings,
            Catalogue parts,
            Fact<SiteModel> site,
            Fact<Map<String, LinkReport>> links,
            Fact<Outages> outages,
            Fact<List<MeshReport>> meshes,
            Fact<Map<String, SoundReport>> sounds,
            Fact<Map<String, DemandReport>> demands,
            Fact<Map<String, Wired>> wired,
            Fact<Map<String, PowerNode>> power,
            Fact<Map<String, HousingFit>> housings,
            Fact<List<ChainReport>> chains)
            implements ReviewSeenBuilder.With {}

    /** Checks that look at one concern. */
    private record Checks(String name, Consumer<CheckContext> run) {}

    private static final List<Checks> ALL = List.of(
            new Checks("snags of the site", SiteChecks::run),
            new Checks("snags of places", PlaceChecks::run),
            new Checks("snags of devices", DeviceChecks::run),
            new Checks("snags of how devices are worked", WorksChecks::run),
            new Checks("snags of wiring", WiringChecks::run),
            new Checks("snags of loads", LoadChecks::run),
            new Checks("snags of enclosures", HousingChecks::run),
            new Checks("snags of buses", BusChecks::run),
            new Checks("snags of power", PowerChecks::run),
            new Checks("snags of radio links", RadioChecks::run),
            new Checks("snags of shared air", AirChecks::run),
            new Checks("snags of coverage", CoverageChecks::run),
            new Checks("snags of names", NameChecks::run),
            new Checks("snags of outages", OutageChecks::run));

    /**
     * The snags of a plan, worst first, then by stage and code; one fact for each kind of checks, so that one that fails
     * leaves the others.
     */
    public static List<Fact<List<Snag>>> snags(Seen seen) {
        CheckContext context = new CheckContext(seen);
        List<Fact<List<Snag>>> all = new ArrayList<>();
        for (Checks checks : ALL) {
            all.add(Fact.of(checks.name(), () -> {
                ComputingBudget.step();
                int before = context.found().size();
                checks.run().accept(context);
                return List.copyOf(
                        context.found().subList(before, context.found().size()));
            }));
        }
        return all;
    }

    /** All that was found, worst first, then by stage and code. */
    public static List<Snag> sorted(List<Fact<List<Snag>>> found) {
        return found.stream()
                .flatMap(f -> f.orElse(List.of()).stream())
                .sorted(Comparator.comparing(Snag::severity)
                        .thenComparing(Snag::stage)
                        .thenComparing(Snag::code)
                        .thenComparing(Snag::key))
                .toList();
    }
}
