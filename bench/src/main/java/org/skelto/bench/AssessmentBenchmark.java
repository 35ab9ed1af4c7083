package org.skelto.bench;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Carrying;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.rules.RuleReaches;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.work.ComputingBudget;
import tools.jackson.databind.json.JsonMapper;

/**
 * What an edit costs on the mill and on the large house with facts that are kept, against the same from nothing; and one more
 * outage on kept facts, which is what pressing the strip costs, against computing everything for each outage.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class AssessmentBenchmark {
    private Plan mill;
    private Plan large;
    private final SlabTables tables = new SlabTables();
    private Facts figures;
    private Facts largeFacts;
    private List<String> components;
    private Map<String, org.skelto.core.power.Store> stores;
    private int steps;

    @Setup
    public void load() throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/demo/marrowby-leat.skelto.json")) {
            mill = new JsonMapper().readValue(in, Plan.class);
        }
        large = ThornfellLodge.plan();
        figures = new Facts(mill, tables);
        Assessment.of(figures, Set.of());
        largeFacts = new Facts(large, tables);
        Assessment.of(largeFacts, Set.of());
        stores = org.skelto.core.power.Store.all(figures.power());
        components = new ArrayList<>(figures.outages().components().keySet());
    }

    /** A unit of the mill was moved: only what hangs on its place is worked out, as the server does from edit to edit. */
    @Benchmark
    public Assessment aMovedUnitOnKeptFacts() {
        return Assessment.of(figures.after(moved(mill, "meal-ap")), Set.of());
    }

    /** The same from nothing. */
    @Benchmark
    public Assessment aMovedUnitPlain() {
        return Assessment.of(new Facts(moved(mill, "meal-ap"), tables), Set.of());
    }

    /** A unit of the large house was moved. */
    @Benchmark
    public Assessment largeHouseOnKeptFacts() {
        return Assessment.of(largeFacts.after(moved(large, "hub")), Set.of());
    }

    /** The same from nothing. */
    @Benchmark
    public Assessment largeHousePlain() {
        return Assessment.of(new Facts(moved(large, "hub"), tables), Set.of());
    }

    private Plan moved(Plan plan, String unit) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        Place p = units.get(unit).place();
        steps = (steps + 1) % 50;
        units.put(
                unit,
                units.get(unit).withPlace(new Place(p.room(), p.spot(), p.xM() + steps / 100.0, p.yM(), p.heightM())));
        return plan.withUnits(units);
    }

    /** The same within a budget, as the server always asks for it: what looking at the budget in every inner loop costs. */
    @Benchmark
    public Assessment wholeAssessmentWithinABudget() {
        return ComputingBudget.of(Long.MAX_VALUE, 20_000_000_000L, System::nanoTime)
                .run(() -> Assessment.of(new Facts(mill), Set.of()));
    }

    @Benchmark
    public Assessment oneOutageOnKeptFigures() {
        return Assessment.of(figures, Set.of("internet", "hub:hub"));
    }

    @Benchmark
    public Assessment oneOutagePlain() {
        return Assessment.of(new Facts(mill), Set.of("internet", "hub:hub"));
    }

    /** Who feels each component fail alone: only what leans on it is judged again. */
    @Benchmark
    public Map<Component, Integer> theStrip() {
        return new Outages(
                        mill,
                        org.skelto.core.parts.Catalogue.builtIn(),
                        new org.skelto.core.house.HouseInputs(
                                Carrying.EVERYTHING, List.of(), stores, null, RuleReaches.of(mill)))
                .shared();
    }

    /** The same by judging every device without each component. */
    @Benchmark
    public Map<String, Long> theStripPlain() {
        Outages outages = new Outages(
                mill,
                org.skelto.core.parts.Catalogue.builtIn(),
                new org.skelto.core.house.HouseInputs(
                        Carrying.EVERYTHING, List.of(), stores, null, RuleReaches.of(mill)));
        Map<String, DeviceState> now = outages.without(Set.of());
        Map<String, Long> felt = new HashMap<>();
        for (String component : components) {
            Map<String, DeviceState> after = outages.without(Set.of(component));
            felt.put(
                    component,
                    after.keySet().stream()
                            .filter(id -> working(after.get(id)) < working(now.get(id)))
                            .count());
        }
        return felt;
    }

    private static long working(DeviceState state) {
        return state.jobs().stream()
                .flatMap(job -> job.ways().stream())
                .filter(DeviceState.WayState::works)
                .count();
    }
}
