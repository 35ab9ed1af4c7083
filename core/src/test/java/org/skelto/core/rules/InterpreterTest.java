package org.skelto.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.plan.site.GeoPoint;

/** Rules carried out on a clock, by hand-made expectations. */
class InterpreterTest {
    private static final String LAMP = "hall-lamp";

    private static Plan plan(RuleBuilder... rules) {
        Map<String, Rule> all = new java.util.TreeMap<>();
        for (int i = 0; i < rules.length; i++) {
            all.put("r" + i, rules[i].name("rule " + i).host("hub").build());
        }
        return Demos.mill().withRules(all);
    }

    private static RuleBuilder rule(Trigger when, Action... then) {
        return RuleBuilder.builder()
                .when(List.of(when))
                .onlyIf(List.of())
                .then(List.of(then))
                .unless(List.of());
    }

    private static Trigger motion() {
        return TriggerBuilder.builder()
                .kind(Trigger.Kind.BECOMES)
                .device("hall-motion")
                .reading(Reading.ACTIVE)
                .build();
    }

    private static Trigger clock(String at) {
        return TriggerBuilder.builder().kind(Trigger.Kind.CLOCK).clock(at).build();
    }

    private static Action lamp(Reading reading, Integer forS) {
        return ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device(LAMP)
                .reading(reading)
                .forS(forS)
                .build();
    }

    private static Interpreter house(Plan plan, String from) {
        Sky sky = Sky.of(plan);
        return new Interpreter(plan, LiveRules.of(plan), sky, at(sky, from));
    }

    private static ZonedDateTime at(Sky sky, String time) {
        return LocalDateTime.parse(time).atZone(sky.zone());
    }

    private static void until(Interpreter house, String time) {
        house.until(LocalDateTime.parse(time).atZone(house.now().getZone()));
    }

    private static void moves(Interpreter house) {
        house.happen(HouseEvent.reading("hall-motion", Reading.ACTIVE));
        house.happen(HouseEvent.reading("hall-motion", Reading.IDLE));
    }

    private static long fired(Interpreter house, String rule) {
        return house.happened().stream()
                .filter(h -> h.kind() == Happening.Kind.FIRED && rule.equals(h.rule()))
                .count();
    }

    @Test
    void whatIsSwitchedForATimeGoesBackAndAgainLengthensIt() {
        Interpreter house = house(plan(rule(motion(), lamp(Reading.ACTIVE, 360))), "2026-11-02T18:00:00");
        moves(house);
        until(house, "2026-11-02T18:05:00");
        moves(house);
        until(house, "2026-11-02T18:10:59");
        assertEquals(Reading.ACTIVE, house.reading(LAMP));
        until(house, "2026-11-02T18:11:00");
        assertEquals(Reading.IDLE, house.reading(LAMP));
    }

    @Test
    void aRuleThatRestsIsKeptBackAndAPauseBeginsAnew() {
        Action pause = ActionBuilder.builder().kind(Action.Kind.WAIT).forS(30).build();
        Plan plan = plan(
                rule(motion(), lamp(Reading.ACTIVE, null)).restS(60), rule(motion(), pause, lamp(Reading.IDLE, null)));
        Interpreter house = house(plan, "2026-11-02T18:00:00");
        moves(house);
        until(house, "2026-11-02T18:00:20");
        moves(house);
        assertEquals(1, fired(house, "r0"));
        until(house, "2026-11-02T18:00:49");
        assertEquals(Reading.ACTIVE, house.reading(LAMP), "the pause began anew at 20 s");
        until(house, "2026-11-02T18:00:50");
        assertEquals(Reading.IDLE, house.reading(LAMP));
    }

    @Test
    void aBoundIsCrossedOnceUntilTheValueIsWellBack() {
        Trigger high = TriggerBuilder.builder()
                .kind(Trigger.Kind.VALUE)
                .device("east-temp")
                .above(25.0)
                .hysteresis(2.0)
                .build();
        Interpreter house = house(plan(rule(high, lamp(Reading.ACTIVE, null))), "2026-11-02T18:00:00");
        double[] measured = {24, 25, 25.1, 24.5, 26, 23.1, 26, 23, 25.5};
        long[] expected = {0, 0, 1, 1, 1, 1, 1, 1, 2};
        for (int i = 0; i < measured.length; i++) {
            house.happen(HouseEvent.number("east-temp", measured[i]));
            assertEquals(expected[i], fired(house, "r0"), "after " + measured[i]);
        }
    }

    @Test
    void conditionsAreAskedBeforeAnyRuleOfTheSameEventActs() {
        Trigger press = TriggerBuilder.builder()
                .kind(Trigger.Kind.PRESSED)
                .device("bed-button")
                .press(Press.SHORT)
                .build();
        Term on = TermBuilder.builder()
                .kind(Term.Kind.IS)
                .device(LAMP)
                .reading(Reading.ACTIVE)
                .build();
        Plan plan = plan(
                rule(press, lamp(Reading.ACTIVE, null)).unless(List.of(on)),
                rule(press, lamp(Reading.IDLE, null)).onlyIf(List.of(on)));
        Interpreter house = house(plan, "2026-11-02T18:00:00");
        for (Reading expected : List.of(Reading.ACTIVE, Reading.IDLE, Reading.ACTIVE)) {
            house.happen(HouseEvent.press("bed-button", Press.SHORT));
            assertEquals(expected, house.reading(LAMP));
        }
    }

    @Test
    void silenceFiresAfterItsTimeUnlessSomethingIsHeard() {
        Trigger silent = TriggerBuilder.builder()
                .kind(Trigger.Kind.SILENT)
                .device("east-temp")
                .forS(3600)
                .build();
        Interpreter house = house(plan(rule(silent, lamp(Reading.ACTIVE, null))), "2026-11-02T18:00:00");
        house.happen(HouseEvent.silent("east-temp"));
        until(house, "2026-11-02T18:59:59");
        house.happen(HouseEvent.number("east-temp", 19));
        until(house, "2026-11-02T23:00:00");
        assertEquals(0, fired(house, "r0"));
        house.happen(HouseEvent.silent("east-temp"));
        until(house, "2026-11-03T00:00:00");
        assertEquals(1, fired(house, "r0"));
    }

    /** At 01:30 on 29 March 2026 the clock in London jumps from 01:00 to 02:00; on 25 October 01:30 comes twice. */
    @Test
    void aTimeThatIsLeftOutOrComesTwiceFiresOnce() {
        Plan plan = plan(rule(clock("01:30"), lamp(Reading.ACTIVE, 60)));
        Interpreter spring = house(plan, "2026-03-28T12:00:00");
        until(spring, "2026-03-29T12:00:00");
        assertEquals(1, fired(spring, "r0"));
        Interpreter autumn = house(plan, "2026-10-24T12:00:00");
        until(autumn, "2026-10-25T12:00:00");
        assertEquals(1, fired(autumn, "r0"));
    }

    @Test
    void hoursOverMidnightBelongToTheDayOnWhichTheyBegin() {
        Set<DayOfWeek> friday = Set.of(DayOfWeek.FRIDAY);
        assertTrue(Interpreter.within("22:00", "06:00", new TreeSet<>(friday), DayOfWeek.FRIDAY, 22 * 60));
        assertTrue(Interpreter.within("22:00", "06:00", new TreeSet<>(friday), DayOfWeek.SATURDAY, 5 * 60 + 59));
        assertFalse(Interpreter.within("22:00", "06:00", new TreeSet<>(friday), DayOfWeek.SATURDAY, 6 * 60));
        assertFalse(Interpreter.within("22:00", "06:00", new TreeSet<>(friday), DayOfWeek.FRIDAY, 5 * 60));
        assertTrue(Interpreter.within("07:00", "07:00", new TreeSet<>(friday), DayOfWeek.SATURDAY, 6 * 60));
    }

    @Test
    void aCircleIsEndedAndTold() {
        Trigger on = motion().withDevice(LAMP);
        Trigger off = on.withReading(Reading.IDLE);
        Interpreter house = house(
                plan(rule(on, lamp(Reading.IDLE, null)), rule(off, lamp(Reading.ACTIVE, null))), "2026-11-02T18:00:00");
        house.happen(HouseEvent.reading(LAMP, Reading.ACTIVE));
        assertTrue(house.happened().stream().anyMatch(h -> h.kind() == Happening.Kind.ENDLESS));
        assertTrue(house.happened().size() < 2000);
    }

    @Test
    void aRuleThatNamesWhatIsGoneNeverFires() {
        Plan plan = plan(rule(motion(), lamp(Reading.ACTIVE, null).withDevice("gone")));
        assertEquals(Set.of(), LiveRules.of(plan).rules().keySet());
    }

    /** Greenwich on midsummer's day 2026: 04:43 and 21:21 by almanac; the polar circle has days without either. */
    @Test
    void theSunRisesAndSetsByTheAlmanac() {
        Plan greenwich = Demos.mill().withPlace(new GeoPoint(51.48, 0));
        Sky.Day midsummer = Sky.of(greenwich).day(LocalDate.of(2026, 6, 21));
        assertEquals(4 * 60 + 43, midsummer.riseMin(), 2);
        assertEquals(21 * 60 + 21, midsummer.setMin(), 2);
        Plan north = Demos.mill().withPlace(new GeoPoint(69.6, 19));
        Sky.Day polar = Sky.of(north).day(LocalDate.of(2026, 6, 21));
        assertNull(polar.riseMin());
        assertNull(polar.setMin());
        assertFalse(polar.dark(0));
        assertTrue(Sky.of(north).day(LocalDate.of(2026, 12, 21)).dark(720));
        assertNotNull(RuleAnalysis.of(north, Sky.of(north)));
        assertEquals(
                7,
                RuleWeek.of(north, Sky.of(north), LocalDate.of(2026, 6, 21))
                        .days()
                        .size());
    }
}
