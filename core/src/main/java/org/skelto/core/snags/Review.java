package org.skelto.core.snags;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelto.core.links.LinkReport;
import org.skelto.core.outage.Outages;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

/** Runs all checks on a plan. */
public final class Review {
    private Review() {}

    /** The snags of a plan, worst first, then by stage and code. */
    public static List<Snag> snags(SiteModel site, SlabTables tables, Map<String, LinkReport> links, Outages outages) {
        CheckContext context = new CheckContext(site, tables, links, outages);
        SiteChecks.run(context);
        DeviceChecks.run(context);
        RadioChecks.run(context);
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
