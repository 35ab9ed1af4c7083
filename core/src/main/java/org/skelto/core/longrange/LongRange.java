package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.power.Outposts;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** What there is of long range in a plan. */
public final class LongRange {
    /** A link of simple keying that is no longer than this is a matter of the house, metres. */
    private static final double FAR_M = 50;

    private LongRange() {}

    /**
     * A long-range link, or a path without one.
     *
     * @param link of the plan, or null
     * @param path of the plan, or null when the ground is not known
     * @param apartM straight, or null when an end has no place
     * @param marginDb of the worse direction, or null when there is no budget
     * @param openAir whether it is so far that the ground matters, and nobody knows the ground
     * @param trouble why it does not work as it is, or null
     * @param airtimeMs of a frame of the sending end, or null for other media
     * @param broken rules that its sending end breaks
     * @param deaf why its sending end cannot be reached at once, or null
     */
    @RecordBuilder
    public record FarLink(
            @Nullable String link,
            @Nullable String path,
            String from,
            String to,
            String fromName,
            String toName,
            @Nullable Medium medium,
            @Nullable Double apartM,
            @Nullable Double marginDb,
            @Nullable Double neededDb,
            @Nullable Double chance,
            double target,
            boolean meets,
            boolean openAir,
            @Nullable String trouble,
            @Nullable Double airtimeMs,
            List<String> broken,
            List<String> unknown,
            @Nullable String deaf)
            implements LongRangeFarLinkBuilder.With {}

    /** All of them: links first, in the order of their ids, then paths that no link runs over. */
    public static List<FarLink> rows(Plan plan, SiteModel site, Map<String, LinkReport> links) {
        List<FarLink> rows = new ArrayList<>();
        plan.links().forEach((id, link) -> {
            if (far(plan, site, link)) {
                rows.add(row(plan, id, path(plan, link.from(), link.to()), link.from(), link.to(), links.get(id)));
            }
        });
        plan.paths().forEach((id, path) -> {
            if (rows.stream().noneMatch(r -> id.equals(r.path()))) {
                rows.add(row(plan, null, id, path.from(), path.to(), null));
            }
        });
        return rows;
    }

    /** Whether a link is one of long range: chirp, or simple keying out of the house, or one over known ground. */
    public static boolean far(Plan plan, SiteModel site, Link link) {
        if (!link.medium().radio()) {
            return false;
        }
        if (link.medium() == Medium.CHIRP || plan.path(link.from(), link.to()).isPresent()) {
            return true;
        }
        if (link.medium() != Medium.SUB_GHZ) {
            return false;
        }
        Unit from = plan.units().get(link.from());
        Unit to = plan.units().get(link.to());
        var a = site.position(from);
        var b = site.position(to);
        return a.isPresent()
                && b.isPresent()
                && !Objects.equals(site.buildingOf(from.place()), site.buildingOf(to.place()))
                && apart(a.get(), b.get()) > FAR_M;
    }

    /** Whether a link is so far out of the house that the ground matters, and nobody knows the ground. */
    public static boolean openAir(Plan plan, LinkReport report) {
        return !report.runs().isEmpty()
                && !report.indoor()
                && report.distanceM() > FAR_M
                && plan.path(report.from(), report.to()).isEmpty();
    }

    private static double apart(Point a, Point b) {
        return a.distanceM(b);
    }

    /** The link of a medium that runs over a path, if the plan has one. */
    static Optional<Map.Entry<String, Link>> linkOver(Plan plan, RadioPath path, Medium medium) {
        return plan.links().entrySet().stream()
                .filter(e -> path.joins(e.getValue().from(), e.getValue().to())
                        && e.getValue().medium() == medium)
                .findFirst();
    }

    private static String path(Plan plan, String from, String to) {
        return plan.paths().entrySet().stream()
                .filter(e -> e.getValue().joins(from, to))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    private static FarLink row(Plan plan, String link, String path, String from, String to, LinkReport report) {
        ComputingBudget.step();
        Unit sender = plan.units().get(from);
        Medium medium = report == null ? null : report.medium();
        Radio radio = medium == null || !Traffic.counts(medium)
                ? null
                : sender.radio(medium).orElse(null);
        Traffic traffic = radio == null ? null : Traffic.of(sender, radio);
        AirLaw law = traffic == null ? null : AirLaw.of(plan.region(), radio, traffic);
        return LongRangeFarLinkBuilder.builder()
                .link(link)
                .path(path)
                .from(from)
                .to(to)
                .fromName(sender.name())
                .toName(plan.units().get(to).name())
                .medium(medium)
                .apartM(report == null ? null : report.distanceM())
                .marginDb(report == null ? null : report.marginDb())
                .neededDb(report == null ? null : report.neededDb())
                .chance(report == null ? null : report.chance())
                .target(report == null ? 0 : report.target())
                .meets(report != null && report.meets())
                .openAir(report != null && openAir(plan, report))
                .trouble(report == null ? "no link runs over it" : report.trouble())
                .airtimeMs(traffic == null ? null : traffic.airtimeMs())
                .broken(law == null ? List.of() : law.broken())
                .unknown(law == null ? List.of() : law.unknown())
                .deaf(sender.duty() == null ? null : Outposts.deaf(Traffic.timed(sender)))
                .build();
    }
}
