package org.skelto.core;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.PossibleLink;
import org.skelto.core.house.State;
import org.skelto.core.links.PossibleLinks;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.power.Typical;

/** The model of the house says what the plain evaluator says, on every demo and on random houses under random failures. */
class PlainHouseTest {
    private static final Catalogue PARTS = Catalogue.builtIn();

    private static final int FOLD = Boolean.getBoolean("skelto.long") ? 10 : 1;

    /** Moments looked at, hours after an outage began. */
    private static final double[] ATS = {0, 0, 0, 0.5, 1, 2, 7.5, 30, 700};

    static Stream<Plan> houses() {
        return Stream.of(Demos.flat(), Demos.mill(), Workshop.plan(), Outpost.plan());
    }

    @ParameterizedTest
    @MethodSource("houses")
    void everyComponentAloneAndRandomHousesUnderRandomFailures(Plan house) {
        for (String component :
                Modelled.outages(house, (link, sender) -> true).components().keySet()) {
            compare(house, Set.of(component), 0, 0);
        }
        RandomEdits edits = new RandomEdits(house.devices().size());
        Random random = new Random(17);
        Plan plan = house;
        for (int i = 0; i < FOLD * (house.devices().size() > 20 ? 12 : 200); i++) {
            plan = edits.next(plan);
            Outages outages = Modelled.outages(plan, (link, sender) -> true);
            List<String> all = new ArrayList<>(outages.components().keySet());
            all.addAll(outages.faults().keySet());
            Set<String> failed = new HashSet<>();
            for (int n = random.nextInt(4); n > 0 && !all.isEmpty(); n--) {
                failed.add(all.get(random.nextInt(all.size())));
            }
            compare(plan, failed, random.nextInt(1000), ATS[random.nextInt(ATS.length)]);
            if (i % 40 == 39) {
                // begins again, so that houses do not all end in ruins
                plan = house;
            }
        }
    }

    /** What links are worth, by chance: some nothing, some little; 0 lets all that are planned carry and no others. */
    private record Dice(int seed) implements PlainHouse.Margins {
        private static final double[] CHANCES = {0, 0.52, 0.85, 0.92, 0.97, 0.995, 0.995, 0.999, 1};

        @Override
        public double planned(String link, String sender) {
            return seed == 0 ? 1 : CHANCES[Math.floorMod((link + sender).hashCode() * 31 + seed, CHANCES.length)];
        }

        @Override
        public boolean phones(String point) {
            return seed % 3 != 1 || Math.floorMod(point.hashCode() + seed, 2) == 0;
        }

        @Override
        public double unplanned(String from, String to, Medium medium) {
            return seed == 0
                    ? 0
                    : CHANCES[Math.floorMod((from + to + medium).hashCode() * 31 + seed * 7, CHANCES.length)];
        }
    }

    /** With some seeds places to work from are marked, which some points cover. */
    private static Set<String> phonePoints(Plan plan, Dice dice) {
        if (dice.seed % 3 != 1) {
            return null;
        }
        Set<String> points = new HashSet<>(plan.units().keySet());
        points.removeIf(id -> !dice.phones(id));
        return points;
    }

    private static Outages model(Plan plan, Dice dice) {
        List<PossibleLink> possible = new ArrayList<>();
        for (Link link : PossibleLinks.of(plan)) {
            boolean inOrder = link.from().compareTo(link.to()) < 0;
            double chance =
                    dice.unplanned(inOrder ? link.from() : link.to(), inOrder ? link.to() : link.from(), link.medium());
            if (chance > 0) {
                possible.add(new PossibleLink(link, chance, null));
            }
        }
        return Modelled.outages(plan, dice::planned, possible, phonePoints(plan, dice));
    }

    /** Looks at a moment of an outage, and at the first moments at which something runs out in it, and right after. */
    private static void compare(Plan plan, Set<String> failed, int seed, double atH) {
        Dice dice = new Dice(seed);
        Outages model = model(plan, dice);
        Typical typical = Typical.of(plan);
        Outage outage = new Outage(failed, Outage.LONGEST_H, null, atH);
        same(plan, model, typical, dice, atH == 0 ? Outage.of(failed) : outage);
        if (atH > 0 && atH < 100) {
            model.moments(outage).stream().limit(2).forEach(moment -> {
                same(plan, model, typical, dice, outage.at(moment.atH() - 1e-6));
                same(plan, model, typical, dice, outage.at(moment.atH() + 1e-6));
            });
        }
    }

    private static void same(Plan plan, Outages outages, Typical typical, Dice dice, Outage outage) {
        PlainHouse plain = new PlainHouse(plan, PARTS, dice, loads(typical), outage.without(), outage.atH());
        Map<String, Map<Job, String>> states = plain.states();
        Map<String, DeviceState> model = outages.at(outage);
        assertEquals(states.keySet(), model.keySet());
        model.forEach((id, state) -> {
            Map<Job, String> jobs = new EnumMap<>(Job.class);
            for (DeviceState.JobState job : state.jobs()) {
                jobs.put(job.job(), job.state().words());
                List<Integer> weak = job.ways().stream()
                        .map(DeviceState.WayState::weakPercent)
                        .filter(Objects::nonNull)
                        .toList();
                assertEquals(
                        List.copyOf(plain.weak(id, plan.devices().get(id), job.job())
                                .values()),
                        weak,
                        () -> job.job() + " of " + id + " in " + outage);
            }
            assertEquals(states.get(id), jobs, () -> id + " in " + outage);
            boolean unsafe = plain.failsLife(id) || jobs.containsValue(State.UNSAFE.words());
            assertEquals(unsafe, state.state() == State.UNSAFE, () -> id + " in " + outage);
        });
    }

    private static PlainHouse.Loads loads(Typical typical) {
        return new PlainHouse.Loads() {
            @Override
            public double ownW(String unit) {
                return typical.ownW().get(unit);
            }

            @Override
            public double takenW(String unitOrDevice) {
                return typical.takenW().get(unitOrDevice);
            }

            @Override
            public double cellsH(String unit) {
                return typical.cellsH().get(unit);
            }
        };
    }

    @Test
    void thePlainEvaluatorSharesNothingWithTheModel() {
        JavaClasses classes = new ClassFileImporter().importClasses(PlainHouse.class);
        ArchRuleDefinition.noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.skelto.core.house..", "org.skelto.core.power..")
                .check(classes);
    }
}
