package org.skelto.core.assessment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.FactKind;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Moment;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.SchemeChoice;
import org.skelto.core.house.State;
import org.skelto.core.house.WayRoute;
import org.skelto.core.links.LinkReport;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallGap;
import org.skelto.core.site.WallPiece;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Snag;
import org.skelto.core.snags.Stage;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;

/**
 * What the page shows of a plan: geometry, links, snags, names, and the states without some components.
 *
 * @param positions where units and devices are, by JSON pointer
 * @param wired what is connected to what in the controllers whose boards are chosen, by id
 * @param troubles units that are dark or cut off from their hub, by id
 * @param outage what is supposed to have failed, and the moment that is told
 * @param moments at which something changes while the outage lasts; none when it is not said how long
 * @param failures what could not be worked out, and why; the rest stands
 */
@RecordBuilder
public record Assessment(
        List<WallPiece> walls,
        List<WallGap> gaps,
        Map<String, Position> positions,
        Map<String, LinkReport> links,
        List<Snag> snags,
        Map<String, NameAssigner.NameRow> names,
        Outage outage,
        List<StripItem> strip,
        String sentence,
        Map<State, Integer> counts,
        Map<String, DeviceState> states,
        Map<String, Outages.UnitTrouble> troubles,
        List<Moment> moments,
        Map<String, Wired> wired,
        List<StageSummary> stages,
        List<Fact.Failure> failures)
        implements AssessmentBuilder.With {

    /** A place as drawings need it: on the site, and the floor it is on or null outdoors. */
    public record Position(
            double xM, double yM, double zM, @Nullable String floor) {}

    /** A toggle of the Without strip. */
    public record StripItem(
            String id, String name, Component.Kind kind, Component.Group group, int felt, boolean out) {}

    /**
     * A stage of the rail.
     *
     * @param snags that nobody accepted
     * @param judged whether there is anything that could have a snag
     * @param done what is done of how much
     * @param next the next step
     */
    public record StageSummary(Stage stage, int snags, boolean judged, List<String> done, String next) {}

    /** The whole assessment without these components; those that the plan does not have are passed over. */
    public static Assessment of(Facts facts, Set<String> without) {
        return of(facts, Outage.of(without));
    }

    /** The same at a moment of an outage. */
    public static Assessment of(Facts facts, Outage supposed) {
        Fact<SiteModel> site = facts.fact(HouseFacts.GEOMETRY);
        Fact<OutageView> outage = Fact.of("this outage", () -> OutageView.of(facts, supposed));
        Fact<Map<String, Position>> positions = Fact.of("positions", () -> positions(facts));
        Fact<Map<String, NameAssigner.NameRow>> names = facts.fact(HouseFacts.NAME_RULES);
        List<Snag> snags = Checks.snags(facts);
        OutageView now = outage.orElse(OutageView.UNKNOWN);
        List<Fact.Failure> failures = failures(facts);
        List.of(outage, positions, names).forEach(f -> f.failure().ifPresent(failures::add));
        return AssessmentBuilder.builder()
                .walls(site.failure().isPresent() ? List.of() : site.get().walls())
                .gaps(site.failure().isPresent() ? List.of() : site.get().gaps())
                .positions(positions.orElse(Map.of()))
                .links(facts.fact(HouseFacts.LINKS).orElse(Map.of()))
                .snags(snags)
                .names(names.orElse(Map.of()))
                .outage(now.outage())
                .strip(now.strip())
                .sentence(now.sentence())
                .counts(now.counts())
                .states(now.states())
                .troubles(now.troubles())
                .moments(now.moments())
                .wired(facts.fact(HouseFacts.WIRED).orElse(Map.of()))
                .stages(StageProgress.of(facts, snags))
                .failures(failures)
                .build();
    }

    /** What each control scheme alone would make of a device. */
    public static List<SchemeChoice> schemes(Facts facts, String device) {
        return facts.outages().schemes(device);
    }

    /** The planned ways of a device, opened. */
    public static List<WayRoute> ways(Facts facts, String device, Outage outage) {
        return OutageView.ways(facts.outages(), device, outage);
    }

    /** Units that are dark or cut off from their hub without these components. */
    public static Set<String> unreached(Facts facts, Outage outage) {
        return OutageView.unreached(facts.outages(), outage);
    }

    /** What of that which the page shows could not be worked out, and why. */
    public static List<Fact.Failure> failures(Facts facts) {
        Map<String, Fact.Failure> byName = new LinkedHashMap<>();
        List<FactKind<?>> kinds = new ArrayList<>(HouseFacts.SHOWN);
        Checks.ALL.forEach(check -> kinds.add(check.found()));
        kinds.forEach(kind -> facts.fact(kind).failure().ifPresent(f -> byName.putIfAbsent(f.fact(), f)));
        return new ArrayList<>(byName.values());
    }

    static Map<String, Position> positions(Facts facts) {
        Plan plan = facts.plan();
        SiteModel site = facts.site();
        Map<String, Position> all = new TreeMap<>();
        plan.units().forEach((id, unit) -> position(site, all, "/units/" + id, unit.place()));
        plan.devices().forEach((id, d) -> position(site, all, "/devices/" + id, SiteModel.placeOf(plan, d)));
        return all;
    }

    private static void position(SiteModel site, Map<String, Position> all, String pointer, @Nullable Place place) {
        ComputingBudget.step();
        site.position(place)
                .ifPresent((Point p) -> all.put(
                        pointer, new Position(round(p.xM()), round(p.yM()), round(p.zM()), site.floorOf(place))));
    }

    private static double round(double metres) {
        return Math.round(metres * 1000) / 1000.0;
    }
}
