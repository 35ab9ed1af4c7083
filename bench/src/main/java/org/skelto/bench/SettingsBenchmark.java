package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.longrange.Explorer;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.Hills;
import org.skelto.core.site.SiteModel;

/** All 70 settings of a chirp link: from one budget, and plainly with the link judged anew over its ground for each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class SettingsBenchmark {
    private static final double[] BANDWIDTHS = {7.8, 10.4, 15.6, 20.8, 31.25, 41.7, 62.5, 125, 250, 500};

    private final ElevationGrid hills = Hills.grid(257, 20, 60, 0.5, 7);
    private final SlabTables tables = new SlabTables();
    private final Plan plan = plan();
    private final SiteModel site = SiteModel.of(plan);
    private final LinkReport report = new LinkAssessor(site, tables).all().get("far");

    private static Unit unit(String name, UnitKind kind, String spot) {
        return UnitBuilder.builder()
                .name(name)
                .kind(kind)
                .place(new Place(null, spot, 0, 0, 4))
                .power(Power.battery())
                .channels(0)
                .maxClients(0)
                .internetEntry(false)
                .broker(false)
                .radios(Map.of("chirp", RadioDefaults.radio(Medium.CHIRP, Region.EU, kind)))
                .build();
    }

    private Plan plan() {
        Plan fresh = Plan.fresh("bench", Region.EU, 230.0, null);
        Plan all = fresh.with(b -> b.cautionsRead(true)
                .spots(Map.of("a", new Spot("A", 400, 600, 0), "b", new Spot("B", 4000, 5200, 0)))
                .units(Map.of("out", unit("out", UnitKind.CONTROLLER, "b"), "in", unit("in", UnitKind.GATEWAY, "a")))
                .links(Map.of("far", Link.of("out", "in", Medium.CHIRP, null, null, null))));
        return all.withPaths(
                Map.of("p", RadioPath.overGround("in", "out", hills.profile(400, 600, 4000, 5200), "grid of heights")));
    }

    @Benchmark
    public Explorer.SettingGrid fromOneBudget() {
        return Explorer.of(plan, Catalogue.builtIn(), report, new Explorer.Wanted(5, null, null, null));
    }

    @Benchmark
    public List<LinkReport> eachAnew() {
        List<LinkReport> all = new ArrayList<>();
        for (int sf = 6; sf <= 12; sf++) {
            for (double khz : BANDWIDTHS) {
                Map<String, Unit> units = new TreeMap<>(plan.units());
                for (String id : List.of("out", "in")) {
                    Radio radio = units.get(id).radios().get("chirp");
                    units.put(
                            id,
                            units.get(id)
                                    .withRadios(
                                            Map.of("chirp", radio.set(radio.frequencyMHz(), new Chirp(sf, khz, 5)))));
                }
                all.add(new LinkAssessor(plan.withUnits(units), site, tables)
                        .report("far", plan.links().get("far")));
            }
        }
        return all;
    }
}
