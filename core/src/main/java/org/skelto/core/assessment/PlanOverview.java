package org.skelto.core.assessment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.assessment.Assessment.StageSummary;
import org.skelto.core.build.PartsList;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Component;
import org.skelto.core.house.Outage;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.core.work.Fact;

/**
 * The first sheet of a plan: how far it is, what is worst, what three outages would do, what it costs and by when.
 *
 * @param floors each with its walls, for a small picture; the building with the most floors first, from the top down
 * @param stages in working order, each with its next step
 * @param worst the worst snags that nobody accepted, at most {@value #WORST}
 * @param stops how many snags are stops; likewise fixes and looks
 * @param outages what three of them would do
 * @param money null where money could not be worked out
 * @param failures what could not be worked out, and why
 */
@RecordBuilder
public record PlanOverview(
        List<SmallFloor> floors,
        List<StageSummary> stages,
        List<Snag> worst,
        int stops,
        int fixes,
        int looks,
        List<OutageLine> outages,
        @Nullable MoneyLine money,
        List<Fact.Failure> failures) {
    private static final int WORST = 5;

    /** A floor drawn small: walls and marks as metres on the site. */
    public record SmallFloor(String id, String name, List<SmallWall> walls, List<SmallMark> marks) {}

    /** A wall from one end to the other. */
    public record SmallWall(double axM, double ayM, double bxM, double byM) {}

    /** A thing; {@code unit} tells units from devices. */
    public record SmallMark(double xM, double yM, boolean unit) {}

    /**
     * What one outage would do.
     *
     * @param without ids of the components that fail
     * @param name of what fails
     */
    public record OutageLine(List<String> without, String name, Map<State, Integer> counts, String sentence) {}

    /**
     * Money and dates.
     *
     * @param total of all that is to be bought
     * @param budget or null
     * @param unchosen parts that are not chosen or have no price, so that they are not in the total
     * @param feesPerMonth of services
     * @param closesOn day on which the walls close, or null
     * @param firstOrder the earliest day on which something has to be ordered, or null
     */
    @RecordBuilder
    public record MoneyLine(
            String currency,
            double total,
            @Nullable Double budget,
            int unchosen,
            double feesPerMonth,
            @Nullable String closesOn,
            @Nullable String firstOrder) {}

    /** The overview as of a day. */
    public static PlanOverview of(Facts facts, LocalDate today) {
        List<Snag> snags = Checks.snags(facts);
        List<Snag> open = snags.stream().filter(s -> s.accepted() == null).toList();
        Fact<List<SmallFloor>> floors = Fact.of("the picture of the house", () -> floors(facts));
        Fact<List<OutageLine>> outages = Fact.of("what still works", () -> outages(facts));
        Fact<MoneyLine> budget = Fact.of("cost", () -> budget(facts.partsList(today)));
        List<Fact.Failure> failures = Assessment.failures(facts);
        List.of(floors, outages, budget).forEach(f -> f.failure().ifPresent(failures::add));
        return PlanOverviewBuilder.builder()
                .floors(floors.orElse(List.of()))
                .stages(StageProgress.of(facts, snags))
                .worst(open.stream()
                        .sorted(Comparator.comparing(Snag::severity))
                        .limit(WORST)
                        .toList())
                .stops(count(open, Severity.STOP))
                .fixes(count(open, Severity.FIX))
                .looks(count(open, Severity.LOOK))
                .outages(outages.orElse(List.of()))
                .money(budget.failure().isPresent() ? null : budget.get())
                .failures(failures)
                .build();
    }

    private static int count(List<Snag> snags, Severity severity) {
        return (int) snags.stream().filter(s -> s.severity() == severity).count();
    }

    private static List<SmallFloor> floors(Facts facts) {
        Plan plan = facts.plan();
        SiteModel site = facts.site();
        Map<String, List<SmallWall>> walls = new TreeMap<>();
        site.walls()
                .forEach(w -> walls.computeIfAbsent(w.floor(), f -> new ArrayList<>())
                        .add(new SmallWall(
                                Corner.cm(w.axM()), Corner.cm(w.ayM()), Corner.cm(w.bxM()), Corner.cm(w.byM()))));
        Map<String, List<SmallMark>> marks = new TreeMap<>();
        Assessment.positions(facts).forEach((pointer, p) -> {
            if (p.floor() != null) {
                marks.computeIfAbsent(p.floor(), f -> new ArrayList<>())
                        .add(new SmallMark(Corner.cm(p.xM()), Corner.cm(p.yM()), pointer.startsWith("/units/")));
            }
        });
        Map<String, Long> floorsOf = new TreeMap<>();
        plan.floors().values().forEach(f -> floorsOf.merge(f.building(), 1L, Long::sum));
        return plan.floors().entrySet().stream()
                .filter(e -> walls.containsKey(e.getKey()))
                .sorted(Comparator.comparing((Map.Entry<String, Floor> e) ->
                                -floorsOf.get(e.getValue().building()))
                        .thenComparing(e -> e.getValue().building())
                        .thenComparing(e -> -e.getValue().baseM()))
                .map(e -> new SmallFloor(
                        e.getKey(),
                        e.getValue().name(),
                        walls.get(e.getKey()),
                        marks.getOrDefault(e.getKey(), List.of())))
                .toList();
    }

    /** The internet, the brain that most hangs on and the mains; where a plan lacks one, what most hangs on instead. */
    private static List<OutageLine> outages(Facts facts) {
        if (facts.plan().devices().isEmpty()) {
            return List.of();
        }
        Map<String, Component> all = facts.outages().components();
        Map<Component, Integer> felt = facts.get(HouseFacts.SHARED);
        Map<String, Component> chosen = new LinkedHashMap<>();
        for (Component.Kind kind : List.of(Component.Kind.INTERNET, Component.Kind.HUB, Component.Kind.MAINS)) {
            most(all, felt, kind).ifPresent(c -> chosen.put(c.id(), c));
        }
        felt.entrySet().stream()
                .filter(e -> all.containsKey(e.getKey().id()))
                .sorted(Map.Entry.<Component, Integer>comparingByValue()
                        .reversed()
                        .thenComparing(e -> e.getKey().id()))
                .map(Map.Entry::getKey)
                .filter(c -> chosen.size() < 3)
                .forEach(c -> chosen.putIfAbsent(c.id(), c));
        return chosen.values().stream()
                .map(c -> {
                    OutageView view = OutageView.of(facts, Outage.of(Set.of(c.id())));
                    return new OutageLine(List.of(c.id()), c.name(), view.counts(), view.sentence());
                })
                .toList();
    }

    private static Optional<Component> most(
            Map<String, Component> all, Map<Component, Integer> felt, Component.Kind kind) {
        return all.values().stream()
                .filter(c -> c.kind() == kind)
                .max(Comparator.comparing((Component c) -> felt.getOrDefault(c, 0))
                        .thenComparing(Component::id, Comparator.reverseOrder()));
    }

    private static MoneyLine budget(PartsList list) {
        return PlanOverviewMoneyLineBuilder.builder()
                .currency(list.currency())
                .total(list.total())
                .budget(list.budget())
                .unchosen(list.missing().size() + list.unpriced().size())
                .feesPerMonth(list.feesPerMonth())
                .closesOn(list.closesOn())
                .firstOrder(list.firstOrder())
                .build();
    }
}
