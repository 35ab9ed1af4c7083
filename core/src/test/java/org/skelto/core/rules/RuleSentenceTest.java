package org.skelto.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.snags.Snag;

class RuleSentenceTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "leak-shuts-the-water | When leak strip gets wet or bath leak probe gets wet, then shut water stop valve,"
                        + " then tell by phone message service \"water in the mill\".",
                "hall-lamp-on-arrival | When hall motion sees something move or front door contact opens, only if it is dark,"
                        + " then switch hall lamp on for 6 min, unless stair smoke sounder sounds.",
                "window-left-open | When scullery window opens for 20 min, only if east bedroom thermometer is below 15 °C,"
                        + " then tell by phone message service \"the scullery window is open\"."
                        + " Not again within 1 h.",
                "pit-pump | When pit level rises above 60 %, then switch pit pump on for 15 min.",
                "cistern-silent | When cistern level has said nothing for 45 min, then tell by phone message service"
                        + " \"no word from the cistern\".",
                "shutters-at-dusk | When it is 20 min after the sun sets, only if it is between 16:00 and 22:30 on Fri, Sat,"
                        + " Sun, then shut meal floor blind, then wait 20 s, then shut millstone blind."
            })
    void theRulesOfTheMillReadAsSentences(String id, String text) {
        Plan mill = Demos.mill();
        RuleSentence sentence = RuleSentence.of(mill, id, mill.rules().get(id));
        assertEquals(text, sentence.text());
        assertEquals(List.of(), sentence.gone());
    }

    private static Rule rule(Trigger trigger, Action action) {
        return RuleBuilder.builder()
                .name("a rule")
                .host("hub")
                .when(trigger == null ? List.of() : List.of(trigger))
                .onlyIf(List.of())
                .then(action == null ? List.of() : List.of(action))
                .unless(List.of())
                .build();
    }

    private static Trigger becomes(String device) {
        return TriggerBuilder.builder()
                .kind(Trigger.Kind.BECOMES)
                .device(device)
                .reading(Reading.ACTIVE)
                .build();
    }

    private static Action set(String device) {
        return ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device(device)
                .reading(Reading.ACTIVE)
                .build();
    }

    private static List<Snag> of(String code, Plan plan) {
        return Assessment.of(new Facts(plan, new SlabTables(), List.of(), Catalogue.builtIn()), Set.of())
                .snags()
                .stream()
                .filter(s -> s.code().equals(code))
                .toList();
    }

    /** A part leads to where it stands in the rule, and to the thing that it names. */
    @Test
    void partsLeadToWhatTheyName() {
        RuleSentence s = RuleSentence.of(Plans.sound(), "r", rule(becomes("probe"), set("lamp")));
        assertEquals("hub", s.host());
        RuleSentence.SentencePart when = s.parts().get(1);
        assertEquals("/rules/r/when/0", when.of());
        assertEquals("/devices/probe", when.thing());
        assertEquals("switch lamp on", s.parts().get(3).text());
        assertEquals("/rules/r/then/0", s.parts().get(3).of());
    }

    @Test
    void aRuleThatNamesWhatIsGoneIsKeptAndTold() {
        Plan plan = Plans.sound().withRules(Map.of("r", rule(becomes("ghost"), set("lamp"))));
        Snag snag = of("U21", plan).get(0);
        assertEquals("ghost", snag.figures());
        assertEquals(
                List.of(), of("U21", Changed.after(plan, snag.fixes().get(0).edits())));
        assertEquals(List.of(), of("U21", Plans.sound().withRules(Map.of("r", rule(becomes("probe"), set("lamp"))))));
    }

    @Test
    void anUnfinishedRuleIsAWish() {
        for (Rule wish : List.of(
                rule(null, set("lamp")),
                rule(becomes("probe"), null),
                rule(becomes("probe"), set("lamp")).withHost(null))) {
            Plan plan = Plans.sound().withRules(Map.of("r", wish));
            Snag snag = of("U22", plan).get(0);
            assertEquals(
                    List.of(), of("U22", Changed.after(plan, snag.fixes().get(0).edits())));
            assertTrue(RuleSentence.of(plan, "r", wish).text().endsWith("."));
        }
        assertNull(RuleSentence.of(Plans.sound(), "r", rule(null, null).withHost("nobody"))
                .host());
    }

    /** Whatever is left open, every trigger, term and action of every kind of device reads as something. */
    @ParameterizedTest
    @EnumSource(DeviceKind.class)
    void everythingReads(DeviceKind kind) {
        Map<String, Device> devices = new TreeMap<>(Plans.sound().devices());
        devices.computeIfPresent("lamp", (id, d) -> d.withKind(kind));
        Plan plan = Plans.sound().withDevices(devices);
        for (Reading reading : Reading.values()) {
            Rule rule = RuleBuilder.builder()
                    .name("all of it")
                    .host("hub")
                    .when(Arrays.stream(Trigger.Kind.values())
                            .map(k -> TriggerBuilder.builder()
                                    .kind(k)
                                    .device("lamp")
                                    .reading(reading)
                                    .build())
                            .toList())
                    .onlyIf(Arrays.stream(Term.Kind.values())
                            .map(k -> TermBuilder.builder()
                                    .kind(k)
                                    .not(reading == Reading.IDLE)
                                    .device("lamp")
                                    .reading(reading)
                                    .build())
                            .toList())
                    .then(Arrays.stream(Action.Kind.values())
                            .map(k -> ActionBuilder.builder()
                                    .kind(k)
                                    .device("lamp")
                                    .reading(reading)
                                    .build())
                            .toList())
                    .unless(List.of())
                    .build();
            String text = RuleSentence.of(plan, "r", rule).text();
            assertFalse(text.contains("null") || text.contains("  "), text);
            assertTrue(text.startsWith("When lamp "), text);
        }
    }
}
