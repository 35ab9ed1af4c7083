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
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Around;
import org.skelto.core.plan.rules.Presence;
import org.skelto.core.plan.rules.PresenceSource;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.SiteModel;

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

    /** The mill with a motion sensor that holds for 20 s and warms up for 60 s. */
    private static Plan slow(Plan plan) {
        Map<String, Device> devices = new java.util.TreeMap<>(plan.devices());
        devices.computeIfPresent(
                "hall-motion",
                (id, d) -> d.withWorks(
                        ActuationSpec.UNKNOWN.with(w -> w.holdS(20.0).warmUpS(60.0))));
        return plan.withDevices(devices);
    }

    @Test
    void whatASensorSeesIsSaidForAWhileLongerAndNotWhileItWarmsUp() {
        Trigger empty = motion().withReading(Reading.IDLE);
        Interpreter house = house(slow(plan(rule(empty, lamp(Reading.ACTIVE, 600)))), "2026-11-02T18:00:00");
        house.happen(HouseEvent.sees("hall-motion", true));
        house.happen(HouseEvent.sees("hall-motion", false));
        until(house, "2026-11-02T18:00:15");
        // somebody passes again before it has let go
        house.happen(HouseEvent.sees("hall-motion", true));
        house.happen(HouseEvent.sees("hall-motion", false));
        until(house, "2026-11-02T18:00:34");
        assertEquals(0, fired(house, "r0"));
        until(house, "2026-11-02T18:00:35");
        assertEquals(1, fired(house, "r0"));

        Interpreter back = house(slow(plan(rule(motion(), lamp(Reading.ACTIVE, 600)))), "2026-11-02T18:00:00");
        back.happen(HouseEvent.plain(HouseEvent.Kind.POWER_RETURNS));
        until(back, "2026-11-02T18:00:59");
        moves(back);
        assertEquals(0, fired(back, "r0"));
        until(back, "2026-11-02T18:01:00");
        moves(back);
        assertEquals(1, fired(back, "r0"));
    }

    @Test
    void somebodyIsAtHomeWhenEnoughSourcesSpeakAndForAWhileAfter() {
        Presence presence = new Presence(
                List.of(
                        new PresenceSource(PresenceSource.Kind.PHONE_IN_NETWORK, null),
                        new PresenceSource(PresenceSource.Kind.DEVICE, "hall-motion"),
                        new PresenceSource(PresenceSource.Kind.LOCK_WORKED, "front-lock")),
                2,
                15);
        Trigger arrives = TriggerBuilder.builder().kind(Trigger.Kind.ARRIVES).build();
        Trigger leaves = TriggerBuilder.builder().kind(Trigger.Kind.LEAVES).build();
        Plan plan = plan(rule(arrives, lamp(Reading.ACTIVE, null)), rule(leaves, lamp(Reading.IDLE, null)));
        Interpreter house = house(plan.withState(plan.state().withPresence(presence)), "2026-11-02T18:00:00");
        house.happen(HouseEvent.sees("front-lock", true));
        assertFalse(house.home(), "one vote is not enough");
        until(house, "2026-11-02T18:10:00");
        house.happen(HouseEvent.phone(0, true));
        assertTrue(house.home());
        assertEquals(1, fired(house, "r0"));
        // the lock's vote ends 15 min after it was worked; the phone's alone is not enough
        until(house, "2026-11-02T18:14:59");
        assertTrue(house.home());
        until(house, "2026-11-02T18:15:00");
        assertFalse(house.home());
        assertEquals(1, fired(house, "r1"));
        assertEquals(
                new PresenceVote(true, 15),
                PresenceVote.of(plan.withState(plan.state().withPresence(presence)), Sky.of(plan), Set.of(0, 1)));
        assertEquals(
                new PresenceVote(false, 0),
                PresenceVote.of(plan.withState(plan.state().withPresence(presence)), Sky.of(plan), Set.of(1, 99, -1)));
    }

    @Test
    void aLockIsHeldOpenUntilATimeOfDayOverMidnightAndTheClockChange() {
        Action open = ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device("front-lock")
                .reading(Reading.ACTIVE)
                .until("07:30")
                .build();
        // 25 October 2026 has 25 hours in London
        Interpreter house = house(plan(rule(clock("22:00"), open)), "2026-10-24T21:59:00");
        until(house, "2026-10-25T07:29:59");
        assertEquals(Reading.ACTIVE, house.reading("front-lock"));
        until(house, "2026-10-25T07:30:00");
        assertEquals(Reading.IDLE, house.reading("front-lock"));
        assertEquals(
                "When it is 22:00, then unlock front door lock until 07:30.",
                RuleSentence.of(
                                Demos.mill(),
                                "x",
                                rule(clock("22:00"), open).name("x").build())
                        .text());
    }

    @Test
    void aCodeIsKnownByItsNameAndAGestureByHowLongItLasts() {
        Trigger family = TriggerBuilder.builder()
                .kind(Trigger.Kind.CODE)
                .device("front-lock")
                .value("family")
                .build();
        Trigger any = family.withValue(null);
        Trigger held = TriggerBuilder.builder()
                .kind(Trigger.Kind.PRESSED)
                .device("meal-button")
                .press(Press.HELD)
                .build();
        Interpreter house = house(
                plan(
                        rule(family, lamp(Reading.ACTIVE, null)),
                        rule(any, lamp(Reading.ACTIVE, null)),
                        rule(held, lamp(Reading.IDLE, null))),
                "2026-11-02T18:00:00");
        house.happen(HouseEvent.code("front-lock", "cleaner"));
        house.happen(HouseEvent.press("meal-button", Press.LONG));
        assertEquals(List.of(0L, 1L, 0L), List.of(fired(house, "r0"), fired(house, "r1"), fired(house, "r2")));
        house.happen(HouseEvent.code("front-lock", "family"));
        house.happen(HouseEvent.press("meal-button", Press.HELD));
        assertEquals(List.of(1L, 2L, 1L), List.of(fired(house, "r0"), fired(house, "r1"), fired(house, "r2")));
    }

    @Test
    void whatStandsWithinACircleIsWorkedAndNothingElse() {
        Plan mill = Demos.mill();
        Action all = ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .all(DeviceKind.LAMP)
                .floor("meal-floor")
                .reading(Reading.IDLE)
                .build();
        List<String> floor = RuleTargets.of(mill, all);
        double[] at = {9, 6};
        for (double radius : new double[] {0.1, 2, 3.5, 200}) {
            List<String> near = floor.stream()
                    .filter(id -> {
                        Place p = SiteModel.placeOf(mill, mill.devices().get(id));
                        return (p.xM() - at[0]) * (p.xM() - at[0]) + (p.yM() - at[1]) * (p.yM() - at[1])
                                <= radius * radius;
                    })
                    .toList();
            assertEquals(near, RuleTargets.of(mill, all.withAround(new Around(at[0], at[1], radius))));
        }
        assertTrue(floor.size() > 2);
    }

    @Test
    void aRuleFiresAgainWhileWhatSetItOffStaysSo() {
        Trigger open = TriggerBuilder.builder()
                .kind(Trigger.Kind.BECOMES)
                .device("front-contact")
                .reading(Reading.ACTIVE)
                .forS(600)
                .build();
        Term light = TermBuilder.builder()
                .kind(Term.Kind.BETWEEN)
                .from("18:20")
                .to("18:40")
                .build();
        Interpreter house = house(
                plan(
                        rule(open, lamp(Reading.ACTIVE, 60)).repeatS(900),
                        // kept back in the meantime, it goes on asking
                        rule(open, lamp(Reading.ACTIVE, 60)).repeatS(900).unless(List.of(light))),
                "2026-11-02T18:00:00");
        house.happen(HouseEvent.reading("front-contact", Reading.ACTIVE));
        until(house, "2026-11-02T18:39:59");
        assertEquals(2, fired(house, "r0"), "at 18:10 and 18:25");
        assertEquals(1, fired(house, "r1"));
        until(house, "2026-11-02T18:40:00");
        assertEquals(List.of(3L, 2L), List.of(fired(house, "r0"), fired(house, "r1")));
        house.happen(HouseEvent.reading("front-contact", Reading.IDLE));
        until(house, "2026-11-03T18:00:00");
        assertEquals(List.of(3L, 2L), List.of(fired(house, "r0"), fired(house, "r1")));
    }
}
