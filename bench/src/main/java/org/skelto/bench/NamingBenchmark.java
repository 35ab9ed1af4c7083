package org.skelto.bench;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.AddressMap;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.naming.Needs;
import org.skelto.core.naming.Renaming;
import org.skelto.core.naming.SpokenLanguage;
import org.skelto.core.naming.SpokenNames;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Check;
import org.skelto.core.snags.Checks;

/** The naming of a house of 500 devices from nothing, and of 4 and 16 times as many, to see how it grows. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 1)
@Measurement(iterations = 5, time = 1)
public class NamingBenchmark {
    private static final Set<String> NAMES =
            Set.of("snags of names", "snags of messages", "snags of access", "snags of accounts");

    @Param({"1", "4", "16"})
    private int times;

    private Plan bare;
    private Plan named;
    private Plan spoken;

    @Setup
    public void build() {
        bare = bare(ThornfellLodge.plan(), times);
        named = NameAssigner.assign(bare);
        Map<String, Device> all = new TreeMap<>(named.devices());
        all.replaceAll((id, d) -> d.withWays(new TreeSet<>(List.of(Way.SPOKEN))));
        spoken = named.withDevices(all);
        if (!Needs.of(named).addresses().equals(plainNeeds(named))) {
            throw new IllegalStateException("both must find the same units");
        }
    }

    /** The house so many times over, with no name given. */
    private static Plan bare(Plan one, int times) {
        Map<String, Unit> units = new TreeMap<>();
        Map<String, Device> devices = new TreeMap<>();
        Map<String, Link> links = new TreeMap<>();
        for (int n = 0; n < times; n++) {
            String end = n == 0 ? "" : "-" + n;
            one.units()
                    .forEach((id, u) -> units.put(
                            id + end,
                            u.with(b ->
                                    b.ipv4(null).mac(null).nodeId(null).hub(u.hub() == null ? null : u.hub() + end))));
            one.devices()
                    .forEach((id, d) -> devices.put(
                            id + end, d.with(b -> b.topic(null).unit(d.unit() == null ? null : d.unit() + end))));
            one.links()
                    .forEach((id, l) -> links.put(
                            id + end, l.with(b -> b.from(l.from() + end).to(l.to() + end))));
        }
        return one.with(p -> p.units(units)
                .devices(devices)
                .links(links)
                .network(one.network()
                        .with(n ->
                                n.subnet("10.20.0.0/16").poolFrom("10.20.250.0").poolTo("10.20.250.255"))));
    }

    /** Every address, hardware address, node id and topic given. */
    @Benchmark
    public Plan given() {
        return NameAssigner.assign(bare);
    }

    /** The contract of every device. */
    @Benchmark
    public Map<String, Contract> contracts() {
        return Contracts.of(named);
    }

    @Benchmark
    public AddressMap addressMap() {
        return AddressMap.of(named);
    }

    /** Who needs an address: one look at each link. */
    @Benchmark
    public Set<String> needs() {
        return Needs.of(named).addresses();
    }

    /** The same by looking at all links for each unit. */
    @Benchmark
    public Set<String> needsPlain() {
        return plainNeeds(named);
    }

    /** All of it: given, contracts and map made, and every check of names, messages, access and accounts run. */
    @Benchmark
    public int whole() {
        Plan all = NameAssigner.assign(bare);
        Facts facts = new Facts(all, new SlabTables(), List.of(), Catalogue.builtIn());
        int found = Contracts.of(all).size() + AddressMap.of(all).held().size();
        for (Check check : Checks.ALL) {
            if (NAMES.contains(check.name())) {
                found += facts.fact(check.found()).orElse(List.of()).size();
            }
        }
        return found;
    }

    /** What another root would change, all over the house. */
    @Benchmark
    public Renaming renaming() {
        return Renaming.of(named, Renaming.ROOT, "elsewhere", "2027-03-31");
    }

    /** The same by naming the whole house once more under the other root and comparing. */
    @Benchmark
    public long renamingPlain() {
        Map<String, Device> devices = new TreeMap<>(named.devices());
        devices.replaceAll((id, d) -> d.withTopic(null));
        Plan other = NameAssigner.assign(
                named.with(p -> p.devices(devices).network(named.network().withTopicRoot("elsewhere"))));
        Map<String, Contract> before = Contracts.of(named);
        Map<String, Contract> after = Contracts.of(other);
        return before.entrySet().stream()
                .filter(e -> !e.getValue().equals(after.get(e.getKey())))
                .count();
    }

    /** Every device spoken to: each word is held against each other once. */
    @Benchmark
    public SpokenNames spokenNames() {
        return SpokenNames.of(spoken);
    }

    /** The same by holding every name against every other, word by word. */
    @Benchmark
    public int spokenNamesPlain() {
        SpokenLanguage language = SpokenLanguage.of("en").orElseThrow();
        List<List<String>> names = spoken.devices().values().stream()
                .map(d -> language.words(d.name()))
                .toList();
        int taken = 0;
        for (List<String> one : names) {
            for (List<String> other : names) {
                taken += one.size() == other.size() && taken(language, one, other) ? 1 : 0;
            }
        }
        return taken;
    }

    private static boolean taken(SpokenLanguage language, List<String> one, List<String> other) {
        for (int i = 0; i < one.size(); i++) {
            if (SpokenNames.alike(language.sound(one.get(i)), language.sound(other.get(i))) < SpokenNames.ALIKE
                    && SpokenNames.alike(one.get(i), other.get(i)) < SpokenNames.ALIKE) {
                return false;
            }
        }
        return true;
    }

    private static Set<String> plainNeeds(Plan plan) {
        Set<String> found = new HashSet<>();
        plan.units().forEach((id, unit) -> {
            boolean linked = plan.links().values().stream()
                    .filter(l -> l.medium() == Medium.ETHERNET
                            || l.medium() == Medium.WIFI_2G4
                            || l.medium() == Medium.WIFI_5G)
                    .anyMatch(l -> l.from().equals(id) || l.to().equals(id));
            boolean speaks = switch (unit.kind()) {
                case ROUTER, SWITCH, ACCESS_POINT, HUB, GATEWAY -> true;
                case SUPPLY, COUPLER -> false;
                default -> linked;
            };
            if (speaks) {
                found.add(id);
            }
        });
        return found;
    }
}
