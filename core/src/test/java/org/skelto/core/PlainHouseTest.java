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
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.outage.Outages;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;

/** The model of the house says what the plain evaluator says, on every demo and on random houses under random failures. */
class PlainHouseTest {
    private static final Catalogue PARTS = Catalogue.builtIn();

    static Stream<Plan> houses() {
        return Stream.of(Demos.flat(), Demos.mill(), Workshop.plan(), Outpost.plan());
    }

    @ParameterizedTest
    @MethodSource("houses")
    void everyComponentAloneAndRandomHousesUnderRandomFailures(Plan house) {
        for (String component :
                new Outages(house, PARTS, (link, sender) -> true).components().keySet()) {
            compare(house, Set.of(component), 0);
        }
        RandomEdits edits = new RandomEdits(house.devices().size());
        Random random = new Random(17);
        Plan plan = house;
        for (int i = 0; i < (house.devices().size() > 20 ? 120 : 600); i++) {
            plan = edits.next(plan);
            List<String> all = new ArrayList<>(new Outages(plan, PARTS, (link, sender) -> true)
                    .components()
                    .keySet());
            Set<String> failed = new HashSet<>();
            for (int n = random.nextInt(4); n > 0 && !all.isEmpty(); n--) {
                failed.add(all.get(random.nextInt(all.size())));
            }
            compare(plan, failed, random.nextInt(1000));
            if (i % 40 == 39) {
                // begins again, so that houses do not all end in ruins
                plan = house;
            }
        }
    }

    /** Some links carry nothing in some directions, chosen by a seed; 0 lets all carry. */
    private static boolean carries(String link, String sender, int seed) {
        return seed == 0 || Math.floorMod((link + sender).hashCode() * 31 + seed, 9) != 0;
    }

    private static void compare(Plan plan, Set<String> failed, int seed) {
        Map<String, Map<Job, String>> model = new TreeMap<>();
        new Outages(plan, PARTS, (link, sender) -> carries(link, sender, seed))
                .without(failed)
                .forEach((id, state) -> {
                    Map<Job, String> jobs = new EnumMap<>(Job.class);
                    state.jobs().forEach(j -> jobs.put(j.job(), j.state().words()));
                    model.put(id, jobs);
                });
        Map<String, Map<Job, String>> plain =
                new PlainHouse(plan, PARTS, (link, sender) -> carries(link, sender, seed), failed).states();
        plain.forEach((id, jobs) -> assertEquals(jobs, model.get(id), () -> id + " without " + failed));
        assertEquals(plain.keySet(), model.keySet());
    }

    @Test
    void thePlainEvaluatorSharesNothingWithTheModel() {
        JavaClasses classes = new ClassFileImporter().importClasses(PlainHouse.class);
        ArchRuleDefinition.noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.skelto.core.outage..", "org.skelto.core.power..")
                .check(classes);
    }
}
