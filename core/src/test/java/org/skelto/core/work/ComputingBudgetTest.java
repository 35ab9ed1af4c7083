package org.skelto.core.work;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assertions.fail;

import java.time.Duration;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.calculator.Calculators;
import org.skelto.core.channels.Channels;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Outage;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.mesh.Meshes;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Snag;
import org.skelto.core.wiring.PinAssigner;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

class ComputingBudgetTest {
    private static final JsonMapper MAPPER = new JsonMapper();
    private static final Plan LODGE = NameAssigner.assign(ThornfellLodge.plan());
    private static final Duration SECOND = Duration.ofSeconds(1);

    private static final Map<String, Function<Facts, Object>> REPORTS = reports();

    /** Facts of which all that the page shows has been asked for. */
    private static Facts asked(Plan plan) {
        Facts facts = new Facts(plan);
        Assessment.of(facts, Set.of());
        return facts;
    }

    private static Map<String, Function<Facts, Object>> reports() {
        Map<String, Function<Facts, Object>> all = new LinkedHashMap<>();
        all.put("meshes", Facts::meshes);
        all.put("sounds", Facts::sounds);
        all.put("demands", Facts::demands);
        all.put("power", Facts::power);
        all.put("cables", Facts::cables);
        all.put("wiring", Facts::wiring);
        all.put("parts list", f -> f.partsList(LocalDate.of(2026, 11, 27)));
        all.put("backups", Facts::backups);
        all.put("long range", Facts::longRange);
        all.put("links", Facts::links);
        all.put("housings", Facts::housings);
        all.put("chains", Facts::chains);
        all.put("cut off", f -> Assessment.unreached(f, Outage.of(Set.of("mains"))));
        return all;
    }

    /** What is worked out of a plan without its figures. */
    private static Map<String, Supplier<Object>> proposals(Plan plan, SiteModel site) {
        SlabTables tables = new SlabTables();
        return Map.of(
                "names", () -> NameAssigner.assign(plan),
                "geometry", () -> SiteModel.of(plan),
                "links for all", () -> new LinkChooser(site, tables).chooseForAll(),
                "channels", () -> Channels.of(site, tables),
                "pins", () -> PinAssigner.edits(plan, org.skelto.core.parts.Catalogue.builtIn(), null),
                "mesh", () -> Meshes.of(plan, Map.of(), true),
                "calculator", () -> Calculators.work("free-space", Map.of("frequencyMHz", 868.0, "distanceM", 10.0)));
    }

    @Test
    void withNothingToSpendEveryFactFailsInWordsAndAtOnce() {
        Assessment nothing = assertTimeoutPreemptively(
                SECOND,
                () -> ComputingBudget.ofSteps(0).run(() -> Assessment.of(new Facts(LODGE), Set.of("internet"))));
        assertEquals(List.of(), nothing.snags());
        assertTrue(nothing.states().isEmpty() && nothing.strip().isEmpty());
        Set<String> failed =
                Set.copyOf(nothing.failures().stream().map(Fact.Failure::fact).toList());
        assertTrue(
                failed.containsAll(Set.of("geometry of the house", "links", "power", "snags of devices")),
                failed.toString());
        assertTrue(
                nothing.failures().stream().allMatch(f -> f.why().contains("more computing than one plan may ask for")),
                nothing.failures().toString());
    }

    @Test
    void withNothingToSpendEveryReportAndProposalEndsAtOnce() {
        Facts figures = new Facts(LODGE);
        REPORTS.forEach((name, report) -> ends(name, () -> report.apply(figures)));
        SiteModel site = SiteModel.of(LODGE);
        proposals(LODGE, site).forEach(ComputingBudgetTest::ends);
    }

    /** Ends with a result, where it was kept, or because nothing is left; never later than a second. */
    private static void ends(String name, Supplier<Object> work) {
        assertTimeoutPreemptively(
                SECOND,
                () -> ComputingBudget.ofSteps(0).run(() -> {
                    try {
                        return work.get();
                    } catch (ComputingBudget.Exhausted | Fact.Unavailable e) {
                        return e;
                    }
                }),
                name);
    }

    @Test
    void theProposalsThemselvesRunOutOfAnEmptyBudget() {
        SiteModel site = SiteModel.of(LODGE);
        proposals(LODGE, site)
                .forEach((name, work) -> assertThrows(
                        ComputingBudget.Exhausted.class,
                        () -> ComputingBudget.ofSteps(0).run(work),
                        name));
    }

    /** Whatever the budget, what is there is right: a fact is either the same as without a bound, or told to be missing. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void aShortBudgetLeavesNoHalfAnswers(long seed) {
        Random random = new Random(seed);
        Facts whole = new Facts(LODGE);
        for (int i = 0; i < 6; i++) {
            long steps = (long) Math.pow(10, 1 + 6 * random.nextDouble());
            Facts some = ComputingBudget.ofSteps(steps).run(() -> asked(LODGE));
            Set<String> failed = Set.copyOf(
                    Assessment.failures(some).stream().map(Fact.Failure::fact).toList());
            if (!failed.contains("links") && !failed.contains("geometry of the house")) {
                assertEquals(whole.links(), some.links());
            }
            if (!failed.contains("power") && !failed.contains("geometry of the house")) {
                assertEquals(whole.power(), some.power());
            }
            List<Snag> all = Assessment.of(whole, Set.of()).snags();
            List<Snag> found = Assessment.of(some, Set.of()).snags();
            assertTrue(all.containsAll(found), () -> "with " + steps + " steps");
            assertTrue(failed.isEmpty() == (all.size() == found.size()) || !failed.isEmpty(), failed.toString());
        }
    }

    @Test
    void aTimeBoundReachesTheInnerLoops() {
        AtomicLong clock = new AtomicLong();
        ComputingBudget budget = ComputingBudget.of(Long.MAX_VALUE, 1000, () -> clock.getAndAdd(50));
        Facts figures = budget.run(() -> asked(LODGE));
        assertFalse(Assessment.failures(figures).isEmpty());
        assertTrue(clock.get() < 20_000, "it went on looking at the clock until " + clock.get());
    }

    @Test
    void whatNobodyWantsAnyMoreIsNotCalledAFailure() {
        ComputingBudget budget = ComputingBudget.of(Long.MAX_VALUE, Long.MAX_VALUE, System::nanoTime, () -> true);
        assertThrows(Progress.Cancelled.class, () -> budget.run(() -> asked(LODGE)));
    }

    @Test
    void aMistakeInOneFactLeavesTheOthersAndIsTold() {
        Fact<String> broken = Fact.of("sounders", () -> {
            throw new IllegalStateException("a mistake");
        });
        Fact<Integer> needs = Fact.of("coverage", () -> broken.get().length());
        assertTrue(broken.mistake().isPresent() && needs.mistake().isEmpty());
        assertEquals(
                "Skelto itself made a mistake; the server's log tells more",
                broken.failure().orElseThrow().why());
        assertTrue(needs.failure().orElseThrow().why().startsWith("sounders could not be worked out"));
        assertEquals(7, needs.orElse(7));
    }

    /** Names of which only the first forty characters count were once an endless search for a free number. */
    @Test
    void controllersWithTheSameLongBeginningGetNamesOfTheirOwn() {
        String name = "Controller behind the panelling of the long gallery, ";
        List<String> ids = LODGE.units().entrySet().stream()
                .filter(e -> e.getValue().kind().drives())
                .map(Map.Entry::getKey)
                .limit(12)
                .toList();
        Plan plan = LODGE;
        for (int i = 0; i < ids.size(); i++) {
            plan = renamed(plan, ids.get(i), name + "x".repeat(120 - name.length() - 2) + (10 + i));
        }
        for (int i = 0; i < ids.size(); i++) {
            Plan now = plan;
            List<Snag> same = assertTimeoutPreemptively(
                    Duration.ofSeconds(20),
                    () -> Assessment.of(new Facts(now), Set.of()).snags().stream()
                            .filter(s -> s.code().equals("C9"))
                            .toList());
            if (same.isEmpty()) {
                assertEquals(ids.size() - 1, i, "one fix for each but the first");
                return;
            }
            Edit fix = same.get(0).fixes().get(0).edits().get(0);
            plan = renamed(plan, fix.path().split("/")[2], (String) fix.value());
        }
        fail("the fixes do not come to an end");
    }

    private static Plan renamed(Plan plan, String id, String name) {
        JsonNode tree = MAPPER.valueToTree(plan);
        ((ObjectNode) tree.get("units").get(id)).put("name", name);
        return MAPPER.treeToValue(tree, Plan.class);
    }

    @Test
    void theLodgeIsFarWithinWhatOnePlanMayAskFor() {
        Assessment now = ComputingBudget.ofSteps(20_000_000).run(() -> Assessment.of(new Facts(LODGE), Set.of()));
        assertEquals(List.of(), now.failures());
        assertTrue(now.counts().get(State.HOLDS) > 0);
    }
}
