package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.HouseInputs;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.PossibleLink;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.power.Store;
import org.skelto.core.radio.SlabTables;

/** The model of the largest house: made, asked about one outage, after one edit; each beside the same from nothing. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class HouseBenchmark {
    private final SlabTables tables = new SlabTables();
    private Plan plan;
    private Facts facts;
    private List<PossibleLink> possible;
    private Map<String, Store> stores;
    private Outages outages;
    private List<String> components;
    private int step;

    @Setup
    public void load() {
        plan = org.skelto.core.sample.ThornfellLodge.plan();
        facts = new Facts(plan, tables);
        possible = facts.get(HouseFacts.POSSIBLE);
        stores = Store.all(facts.power());
        outages = facts.outages();
        components = new ArrayList<>(outages.components().keySet());
    }

    /** The model from link margins, loads and the plan, with all its states. */
    @Benchmark
    public Map<String, DeviceState> model() {
        Outages made = new Outages(
                plan,
                Catalogue.builtIn(),
                new HouseInputs(
                        (link, sender) ->
                                Objects.requireNonNull(facts.links().get(link)).chance(sender),
                        possible,
                        stores,
                        null,
                        List.of()));
        return made.now();
    }

    /** The same with the margins of every link and the power tree worked out first. */
    @Benchmark
    public Map<String, DeviceState> modelPlain() {
        return new Facts(plan, tables).outages().now();
    }

    /** All states without one component. */
    @Benchmark
    public Map<String, DeviceState> outage() {
        return outages.without(Set.of(components.get(step++ % components.size())));
    }

    /** The same on the clock: 8 hours without the mains, at the end. */
    @Benchmark
    public Map<String, DeviceState> outageOnTheClock() {
        return outages.at(new Outage(Set.of("mains"), 8.0, null, 8));
    }

    /** The model after one edit of a device. */
    @Benchmark
    public Map<String, DeviceState> edit() {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        String id = devices.keySet().iterator().next();
        Hand hand = step++ % 2 == 0 ? Hand.MECHANICAL : Hand.NONE;
        devices.put(id, devices.get(id).withHand(hand));
        return facts.after(plan.withDevices(devices)).outages().now();
    }
}
