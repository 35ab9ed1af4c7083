package org.skelto.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Screen;
import org.skelto.core.plan.rules.Tile;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Snag;

/** Parts that are typed, rules for other rooms, control screens and what people are told in a month. */
class RulePartsTest {
    private static final Plan MILL = NameAssigner.assign(Demos.mill());

    private static RulePart first(RulePart.Slot slot, String typed) {
        return RulePart.typed(MILL, slot, typed).get(0);
    }

    @Test
    void whatIsTypedIsFoundAmongTheThingsOfThePlan() {
        assertEquals(
                "switch hall lamp on for 6 min",
                first(RulePart.Slot.ACTION, "hall lamp on 6 min").text());
        assertEquals(
                "hall motion sees something move",
                first(RulePart.Slot.TRIGGER, "hall mot see").text());
        assertEquals(
                List.of("it is 06:45"),
                RulePart.typed(MILL, RulePart.Slot.TRIGGER, "6:45").stream()
                        .map(RulePart::text)
                        .toList());
        assertEquals(
                "it is between 22:00 and 06:30",
                first(RulePart.Slot.TERM, "22:00 to 6:30").text());
        assertEquals(
                "somebody is at home", first(RulePart.Slot.TERM, "somebody").text());
        Trigger cold = Objects.requireNonNull(
                first(RulePart.Slot.TRIGGER, "boiler falls below 4.5").trigger());
        assertEquals(4.5, cold.below());
        Action until = Objects.requireNonNull(
                first(RulePart.Slot.ACTION, "unlock front 18:00").action());
        assertEquals(List.of("front-lock", "18:00"), List.of(until.device(), until.until()));
        assertEquals(List.of(), RulePart.typed(MILL, RulePart.Slot.TRIGGER, "xyzzy"));
        assertEquals(12, RulePart.typed(MILL, RulePart.Slot.ACTION, "").size());
    }

    /** Whatever is typed: what is offered can be stored, and reads as it was offered. */
    @Test
    void nonsenseIsAnsweredAndWhatIsOfferedCanBeStored() {
        Random random = new Random(3);
        String letters = "abe lm 0123456789:.,%-−hmins\"'<>é🫖";
        for (int i = 0; i < 300; i++) {
            StringBuilder typed = new StringBuilder();
            for (int n = random.nextInt(14); n > 0; n--) {
                typed.append(letters.charAt(random.nextInt(letters.length())));
            }
            for (RulePart.Slot slot : RulePart.Slot.values()) {
                List<RulePart> offers = RulePart.typed(MILL, slot, typed.toString());
                if (offers.isEmpty()) {
                    continue;
                }
                RulePart part = offers.get(random.nextInt(offers.size()));
                Rule rule = MILL.rules().get("smoke").with(r -> {
                    r.when(part.trigger() == null ? MILL.rules().get("smoke").when() : List.of(part.trigger()));
                    r.onlyIf(part.term() == null ? List.of() : List.of(part.term()));
                    r.then(part.action() == null ? MILL.rules().get("smoke").then() : List.of(part.action()));
                });
                Map<String, Rule> rules = new TreeMap<>(MILL.rules());
                rules.put("typed", rule);
                assertEquals(List.of(), PlanValidator.problems(MILL.withRules(rules)), typed + " → " + part.text());
                assertTrue(RuleSentence.of(MILL, "typed", rule).text().contains(part.text()), part.text());
            }
        }
    }

    @Test
    void aRuleForAnotherRoomIsAboutItsThingsAndKeepsTheRest() {
        Rule landing = MILL.rules().get("landing-light");
        Facts facts = new Facts(MILL);
        RuleCopy copy = RuleCopy.all(MILL, facts.outages(), Sky.of(MILL), landing).stream()
                .filter(c -> c.room().equals("meal"))
                .findFirst()
                .orElseThrow();
        assertEquals("Landing light, Meal floor", copy.made().name());
        assertEquals("meal-button", copy.made().when().get(0).device());
        // a short press of it is taken
        assertEquals(Press.DOUBLE, copy.made().when().get(0).press());
        assertEquals(landing.then().get(0).forS(), copy.made().then().get(0).forS());
        assertEquals("meal-relays", copy.made().host());
        // an interlock is never lost on the way
        Rule paddle = MILL.rules().get("high-water");
        RuleCopy.all(MILL, facts.outages(), Sky.of(MILL), paddle)
                .forEach(c -> assertNull(c.made(), c.roomName() + ": " + c.says()));
    }

    // --- control screens

    private static Plan with(Screen... screens) {
        Map<String, Screen> all = new TreeMap<>();
        for (int i = 0; i < screens.length; i++) {
            all.put("s" + i, screens[i]);
        }
        return MILL.withState(MILL.state().withScreens(all));
    }

    private static Set<String> codes(Plan plan) {
        Set<String> codes = new TreeSet<>();
        Checks.snags(new Facts(plan)).stream()
                .map(Snag::code)
                .filter(c -> c.matches("U2[4-7]"))
                .forEach(codes::add);
        return codes;
    }

    @Test
    void aScreenOfTheWholeHouseHasAllThatAnAppWorksAndAsksBeforeItHurts() {
        List<Tile> tiles = ControlScreen.tiles(MILL, Set.of());
        Plan plan = with(new Screen("Phone", null, "keeper", new TreeSet<>(), tiles));
        ControlScreen screen =
                ControlScreen.all(plan, new Facts(plan).outages()).get(0);
        assertEquals("phone of keeper", screen.on());
        assertEquals(List.of(), screen.missing());
        assertTrue(screen.tiles().stream().noneMatch(ControlScreen.TileState::dangerous));
        Tile lock = tiles.stream()
                .filter(t -> t.of().equals("front-lock"))
                .findFirst()
                .orElseThrow();
        assertTrue(lock.confirm());
        assertTrue(tiles.stream().anyMatch(t -> t.kind() == Tile.Kind.MODE && t.of().equals("house")));
        assertEquals(Set.of(), codes(plan));
    }

    @Test
    void whatIsWrongWithAScreenIsToldAndMended() {
        Tile lock = new Tile(Tile.Kind.DEVICE, "front-lock", null, false);
        Tile gone = new Tile(Tile.Kind.DEVICE, "gone", "old lamp", false);
        Tile sensor = new Tile(Tile.Kind.DEVICE, "hall-motion", null, false);
        Plan plan = with(new Screen("Hall", null, null, new TreeSet<>(), List.of(lock, gone, sensor)));
        assertEquals(Set.of("U24", "U25", "U26", "U27"), codes(plan));
        for (Snag snag : Checks.snags(new Facts(plan))) {
            if (snag.code().equals("U24") || snag.code().equals("U25")) {
                Plan mended =
                        org.skelto.core.Changed.after(plan, snag.fixes().get(0).edits());
                assertTrue(!codes(mended).contains(snag.code()), snag.title());
            }
        }
        Plan tablet = with(new Screen("Tablet", "gone", null, new TreeSet<>(), List.of(lock)));
        assertEquals(
                "the tablet that it was made for is not in the plan",
                ControlScreen.all(tablet, new Facts(tablet).outages())
                        .get(0)
                        .tiles()
                        .get(0)
                        .broken());
    }

    // --- messages a month

    @Test
    void messagesAreCountedByRuleServiceAndPerson() {
        Rule morning = MILL.rules()
                .get("study-late")
                .with(r -> r.name("Morning word").then(List.of(tell("keeper"), tell("neighbour"), tell("keeper"))));
        Person mute = new Person("mute", new TreeSet<>(), null);
        Map<String, Person> people = new TreeMap<>(MILL.state().people());
        people.put("mute", mute);
        Plan plan = MILL.with(p -> p.rules(Map.of(
                        "morning", morning,
                        "said", morning.with(r -> r.timesMonth(2.0).then(List.of(tell("neighbour"), tell("mute")))),
                        "rests", morning.withOff(true)))
                .state(MILL.state().withPeople(people)));
        RuleMessages messages = RuleMessages.of(plan);
        // every day of 30.4: three messages; twice as somebody said: one, as nothing reaches the other
        assertEquals(3 * 30.4 + 2, messages.services().get("push"), 1e-9);
        assertEquals(2 * 30.4, messages.people().get("keeper"), 1e-9);
        assertEquals(30.4 + 2, messages.people().get("neighbour"), 1e-9);
        assertEquals(
                List.of("morning", "said"),
                messages.rules().stream().map(RuleMessages.RuleTells::rule).toList());
        // not more often than its rest allows
        assertEquals(30.4 / 7, RuleMessages.timesMonth(plan, morning.withRestS(7 * 86_400)), 1e-9);
    }

    private static Action tell(String person) {
        return MILL.rules().get("smoke").then().stream()
                .filter(a -> a.kind() == Action.Kind.TELL)
                .findFirst()
                .orElseThrow()
                .withPerson(person);
    }
}
