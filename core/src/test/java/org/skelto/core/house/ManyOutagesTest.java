package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.Demos;
import org.skelto.core.Modelled;
import org.skelto.core.Outpost;
import org.skelto.core.Plans;
import org.skelto.core.RandomEdits;
import org.skelto.core.Workshop;
import org.skelto.core.links.PossibleLinks;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.survival.FailureKind;
import org.skelto.core.plan.survival.FailureRate;
import org.skelto.core.work.Progress;

/** Many outages at once against each of them worked out by itself, and chances against the sum over all states of a house. */
class ManyOutagesTest {
    private static final int FOLD = Boolean.getBoolean("skelto.long") ? 10 : 1;
    private static final double[] CHANCES = {0, 0.52, 0.85, 0.92, 0.97, 0.995, 0.999, 1};
    private static final double[] ATS = {0.5, 1, 2, 7.5, 30, 700};

    static Stream<Plan> houses() {
        return Stream.of(Demos.flat(), Demos.mill(), Workshop.plan(), Outpost.plan());
    }

    private static double dice(String what, int seed) {
        return CHANCES[Math.floorMod(what.hashCode() * 31 + seed, CHANCES.length)];
    }

    private static Outages model(Plan plan, int seed) {
        List<PossibleLink> possible = new ArrayList<>();
        if (seed % 2 == 1) {
            for (Link link : PossibleLinks.of(plan)) {
                double chance = dice(link.from() + link.to() + link.medium(), seed);
                if (chance > 0) {
                    possible.add(new PossibleLink(link, chance, null));
                }
            }
        }
        return Modelled.outages(plan, (link, sender) -> seed == 0 ? 1 : dice(link + sender, seed), possible, null);
    }

    @ParameterizedTest
    @MethodSource("houses")
    void sixtyFourSideBySideSayWhatEachSaysByItself(Plan house) {
        Random random = new Random(house.devices().size());
        RandomEdits edits = new RandomEdits(house.units().size());
        Plan plan = house;
        for (int round = 0; round < FOLD * (house.devices().size() > 20 ? 8 : 60); round++) {
            Outages outages = model(plan, round);
            List<String> all = new ArrayList<>(outages.components().keySet());
            all.addAll(outages.faults().keySet());
            List<Outage> columns = new ArrayList<>(List.of(Outage.of(Set.of())));
            if (round == 0) {
                all.forEach(id -> columns.add(Outage.of(Set.of(id))));
            }
            for (int i = 0; i < 70; i++) {
                Set<String> gone = new HashSet<>();
                for (int n = random.nextInt(4); n >= 0 && !all.isEmpty(); n--) {
                    gone.add(all.get(random.nextInt(all.size())));
                }
                double at = ATS[random.nextInt(ATS.length)];
                columns.add(
                        random.nextInt(3) > 0 ? Outage.of(gone) : new Outage(gone, at + random.nextInt(3), null, at));
            }
            same(outages, columns);
            plan = edits.next(plan);
        }
    }

    /** Half of the house at once, a year long, begun on the night on which clocks change, at its end and halfway. */
    @Test
    void whatNobodyWouldSupposeIsAnsweredAsWell() {
        Outages outages = model(Demos.mill(), 0);
        Set<String> many = outages.components().keySet().stream().limit(40).collect(Collectors.toSet());
        Set<String> every = outages.components().keySet();
        LocalDateTime night = LocalDateTime.of(2027, 3, 28, 2, 30);
        List<Outage> columns = new ArrayList<>();
        for (Set<String> gone : List.of(many, every, Set.of(Component.MAINS))) {
            columns.add(Outage.of(gone));
            columns.add(new Outage(gone, 8784.0, night, 8784));
            columns.add(new Outage(gone, 8784.0, night, 4392));
        }
        same(outages, columns);
        assertEquals(
                Set.of(State.LOST, State.UNSAFE, State.BY_HAND, State.REDUCED),
                outages.without(every).values().stream().map(DeviceState::state).collect(Collectors.toSet()));
    }

    private static void same(Outages outages, List<Outage> columns) {
        ManyOutages.Matrix matrix = outages.many().matrix(columns);
        for (int c = 0; c < columns.size(); c++) {
            Map<String, DeviceState> plain = outages.at(columns.get(c));
            for (int d = 0; d < matrix.devices().size(); d++) {
                String id = matrix.devices().get(d);
                Outage outage = columns.get(c);
                assertEquals(plain.get(id).state(), matrix.states()[d][c], () -> id + " in " + outage);
            }
        }
        String device = matrix.devices().isEmpty()
                ? null
                : matrix.devices().get(columns.size() % matrix.devices().size());
        if (device != null) {
            Map<Job, State[]> jobs = outages.many().jobs(device, columns);
            for (int c = 0; c < columns.size(); c++) {
                for (DeviceState.JobState job :
                        outages.at(columns.get(c)).get(device).jobs()) {
                    assertEquals(job.state(), jobs.get(job.job())[c], device);
                }
            }
        }
    }

    /** Small houses of which a few kinds of things fail, often enough that states with many failures count. */
    private static Plan failing(Plan plan, Random random) {
        Map<FailureKind, FailureRate> rates = new EnumMap<>(FailureKind.class);
        for (FailureKind kind : FailureKind.values()) {
            rates.put(kind, new FailureRate(0, 0, null));
        }
        List<FailureKind> kinds = new ArrayList<>(List.of(FailureKind.values()));
        java.util.Collections.shuffle(kinds, random);
        Map<FailureKind, Integer> counts = new EnumMap<>(FailureKind.class);
        Outages outages = model(plan, 0);
        outages.components().values().forEach(c -> counts.merge(MeanTimes.kind(c.kind()), 1, Integer::sum));
        counts.put(FailureKind.BACKUP, outages.backups().size());
        int total = 0;
        for (FailureKind kind : kinds) {
            int count = counts.getOrDefault(kind, 0);
            if (total + count <= 8) {
                total += count;
                rates.put(kind, new FailureRate(1 + random.nextInt(40), 1 + random.nextInt(60), 300.0));
            }
        }
        return plan.withFailureRates(rates);
    }

    /** One state that a component may be in: it works, or it has been out since at least so long. */
    private record Part(Set<String> gone, Set<String> empty, Set<String> addressless, double chance) {}

    private static List<List<Part>> parts(Outages outages) {
        Map<FailureKind, MeanTimes> times = MeanTimes.of(outages.plan());
        Map<String, LostHours.Clock> clocks = LostHours.clocks(outages, times);
        List<List<Part>> all = new ArrayList<>();
        outages.components().forEach((id, component) -> {
            FailureRate rate = outages.plan().failureRates().get(MeanTimes.kind(component.kind()));
            double hours = rate.perYear() * rate.repairH();
            boolean radio = component.kind() == Component.Kind.LINK
                    && !outages.plan().links().get(id.substring(5)).medium().cable();
            if (hours == 0 || radio) {
                return;
            }
            double out = hours / (8766 + hours);
            List<Part> part = new ArrayList<>(List.of(new Part(Set.of(), Set.of(), Set.of(), 1 - out)));
            double[] at = clocks.containsKey(id) ? clocks.get(id).at() : new double[0];
            Set<String> empty = new TreeSet<>();
            Set<String> addressless = new TreeSet<>();
            for (int k = 0; k <= at.length; k++) {
                if (k > 0) {
                    // as the outage of it alone is told after that moment
                    PowerState then =
                            outages.power(new Outage(Set.of(id), Outage.LONGEST_H, null, Math.nextUp(at[k - 1])));
                    outages.plan().units().keySet().forEach(u -> {
                        if (outages.backups().contains(u) && !then.standby(u)) {
                            empty.add(u);
                        }
                        if (then.addressLost(u) != null) {
                            addressless.add(u);
                        }
                    });
                }
                double from = k == 0 ? 1 : Math.exp(-at[k - 1] / rate.repairH());
                double to = k == at.length ? 0 : Math.exp(-at[k] / rate.repairH());
                part.add(new Part(Set.of(id), Set.copyOf(empty), Set.copyOf(addressless), out * (from - to)));
            }
            all.add(part);
        });
        FailureRate backup = outages.plan().failureRates().get(FailureKind.BACKUP);
        double dead = Math.min(1, backup.perYear() * (backup.testDays() == null ? 0 : backup.testDays()) / 2 / 365.25);
        if (dead > 0) {
            outages.backups()
                    .forEach(u -> all.add(List.of(
                            new Part(Set.of(), Set.of(), Set.of(), 1 - dead),
                            new Part(Set.of(), Set.of(u), Set.of(), dead))));
        }
        return all;
    }

    private static void add(Outages outages, List<List<Part>> parts, int next, Part so, Map<String, double[]> lost) {
        if (so.chance == 0) {
            return;
        }
        if (next < parts.size()) {
            for (Part part : parts.get(next)) {
                add(
                        outages,
                        parts,
                        next + 1,
                        new Part(
                                both(so.gone, part.gone),
                                both(so.empty, part.empty),
                                both(so.addressless, part.addressless),
                                so.chance * part.chance),
                        lost);
            }
            return;
        }
        outages.ran(so.gone, so.empty, so.addressless)
                .forEach((id, state) -> state.jobs().forEach(job -> {
                    double[] sums = lost.computeIfAbsent(id + " " + job.job(), k -> new double[2]);
                    sums[0] += job.state().compareTo(State.LOST) >= 0 ? so.chance : 0;
                    sums[1] += job.state() == State.BY_HAND ? so.chance : 0;
                }));
    }

    private static Set<String> both(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    @Test
    void theChanceThatAJobIsLostIsTheSumOverAllStatesOfTheHouse() {
        Random random = new Random(5);
        RandomEdits edits = new RandomEdits(5);
        Plan plan = Plans.sound();
        int compared = 0;
        for (int i = 0; i < 500; i++) {
            plan = i % 25 == 0 ? i % 50 == 0 ? Plans.sound() : Workshop.plan() : edits.next(plan);
            Outages outages = model(failing(plan, random), i % 3);
            List<List<Part>> parts = parts(outages);
            if (parts.stream().mapToLong(List::size).reduce(1, (a, b) -> a * b) > 6000) {
                continue;
            }
            Map<String, double[]> lost = new HashMap<>();
            add(outages, parts, 0, new Part(Set.of(), Set.of(), Set.of(), 1), lost);
            for (LostHours.LostJob job : LostHours.of(outages, Progress.NONE)) {
                double[] sums = lost.get(job.device() + " " + job.job());
                assertEquals(sums[0], job.hours() / 8766, 1e-9, job::toString);
                assertEquals(sums[1], job.byHandH() / 8766, 1e-9, job::toString);
                assertEquals(job.hours(), job.low(), 1e-6, "what the plan says has no band");
                compared++;
            }
            // a few failures at a time: what they leave out is told
            for (LostHours.LostJob job : LostHours.of(outages, Progress.NONE, 0)) {
                double hours = lost.get(job.device() + " " + job.job())[0] * 8766;
                assertTrue(job.hours() <= hours + 1e-6 && hours <= job.hours() + job.missing() + 1e-6, job::toString);
            }
        }
        assertTrue(compared > 1000, "so many jobs were compared: " + compared);
    }

    @Test
    void aShareIsWhatIsSavedWhenTheThingNeverFails() {
        Plan plan = failing(Workshop.plan(), new Random(11));
        Outages outages = model(plan, 0);
        List<LostHours.LostJob> before = LostHours.of(outages, Progress.NONE);
        List<LostHours.LostJob> few = LostHours.of(outages, Progress.NONE, 0);
        for (FailureKind kind : FailureKind.values()) {
            Map<FailureKind, FailureRate> rates = new EnumMap<>(plan.failureRates());
            rates.put(kind, new FailureRate(0, 0, null));
            List<LostHours.LostJob> after = LostHours.of(model(plan.withFailureRates(rates), 0), Progress.NONE);
            for (int j = 0; j < before.size(); j++) {
                List<LostHours.LostShare> of = before.get(j).shares().stream()
                        .filter(s -> kind == kind(outages, s.component()))
                        .toList();
                if (of.size() == 1) {
                    assertEquals(
                            before.get(j).hours() - after.get(j).hours(),
                            of.get(0).hours(),
                            1e-6);
                    double same = few.get(j).shares().stream()
                            .filter(s -> s.component().equals(of.get(0).component()))
                            .mapToDouble(LostHours.LostShare::hours)
                            .sum();
                    assertEquals(of.get(0).hours(), same, few.get(j).missing() * 2 + 1e-6);
                }
            }
        }
    }

    private static FailureKind kind(Outages outages, String component) {
        return component.startsWith("backup:")
                ? FailureKind.BACKUP
                : MeanTimes.kind(outages.components().get(component).kind());
    }

    @Test
    void leastSetsAreThoseOfWhichNoPartIsEnough() {
        RandomEdits edits = new RandomEdits(9);
        Plan plan = Plans.sound();
        int seen = 0;
        for (int i = 0; i < 12 * FOLD; i++) {
            plan = edits.next(plan);
            Outages outages = model(plan, i % 3);
            List<String> components =
                    outages.components().keySet().stream().limit(14).toList();
            List<OutageProgram.JobNode> jobs = outages.many().program().allJobs;
            List<LeastSets> found = outages.many().leastSets(jobs, components, 3);
            Map<String, Set<Set<String>>> plain = plainly(outages, components);
            for (int j = 0; j < jobs.size(); j++) {
                Set<Set<String>> sets = found.get(j).sets().stream()
                        .map(set -> Arrays.stream(set).mapToObj(components::get).collect(Collectors.toSet()))
                        .collect(Collectors.toSet());
                Set<Set<String>> expected = plain.getOrDefault(
                        jobs.get(j).device() + " " + jobs.get(j).job(), Set.of());
                assertEquals(expected, found.get(j).always() ? Set.of(Set.of()) : sets, "seed " + i);
                seen += sets.size();
            }
        }
        assertTrue(seen > 50, "so many sets: " + seen);
    }

    private static Map<String, Set<Set<String>>> plainly(Outages outages, List<String> components) {
        List<Set<String>> all = new ArrayList<>(List.of(Set.of()));
        for (int size = 1; size <= 3; size++) {
            for (Set<String> less : List.copyOf(all)) {
                if (less.size() == size - 1) {
                    components.forEach(c -> {
                        Set<String> more = both(less, Set.of(c));
                        if (more.size() > less.size() && !all.contains(more)) {
                            all.add(more);
                        }
                    });
                }
            }
        }
        Map<String, Set<Set<String>>> least = new LinkedHashMap<>();
        for (Set<String> gone : all) {
            outages.without(gone)
                    .forEach((id, state) -> state.jobs().forEach(job -> {
                        Set<Set<String>> known = least.computeIfAbsent(id + " " + job.job(), k -> new HashSet<>());
                        if (job.state().compareTo(State.LOST) >= 0
                                && known.stream().noneMatch(gone::containsAll)) {
                            known.add(gone);
                        }
                    }));
        }
        return least;
    }
}
