package org.skelto.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Plans;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Pin;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Wiring;
import org.skelto.core.sample.ThornfellLodge;

class PinAssignerTest {
    private static final Catalogue PARTS = Catalogue.builtIn();
    private static final BoardSet SLIM = boards("slim-9", "relays", "relay-4-low");

    private static BoardSet boards(String main, String... more) {
        Map<String, Attached> boards = new TreeMap<>();
        for (int i = 0; i < more.length; i += 2) {
            boards.put(more[i], new Attached(more[i + 1], null));
        }
        return new BoardSet(main, boards);
    }

    /** The sound house with these boards in its controller and only these devices, named by kind and number. */
    private static Plan plan(BoardSet boards, DeviceKind... kinds) {
        Plan plan = Plans.sound();
        Map<String, Device> devices = new TreeMap<>();
        for (int i = 0; i < kinds.length; i++) {
            devices.put(
                    kinds[i].name().toLowerCase(java.util.Locale.ROOT) + i,
                    Plans.device("d" + i, kinds[i], Hand.SWITCH, RestState.STAYS, Set.of()));
        }
        Plan made = Plans.put(plan, "board", plan.units().get("board").withBoards(boards));
        return Plans.devices(made, old -> devices);
    }

    private static Wired wired(Plan plan) {
        return PinAssigner.of(plan, PARTS).get("board");
    }

    private static Plan assigned(Plan plan) {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        for (Edit edit : PinAssigner.edits(plan, PARTS, null)) {
            String id = edit.path().split("/")[2];
            devices.put(id, devices.get(id).withWiring((Wiring) edit.value()));
        }
        return Plans.devices(plan, old -> devices);
    }

    private static Map<String, String> terminals(Plan plan) {
        Map<String, String> all = new LinkedHashMap<>();
        wired(plan).needs().forEach(p -> all.put(p.device() + " " + p.need(), p.terminal()));
        return all;
    }

    private static Plan fixed(Plan plan, String device, String need, String terminal) {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.put(device, devices.get(device).withWiring(new Wiring(Map.of(need, terminal), true)));
        return Plans.devices(plan, old -> devices);
    }

    private static Pin pin(String board, String terminal) {
        String name = terminal.split(" ")[0].substring("main/".length());
        return PARTS.find(board).orElseThrow().pin(name).orElseThrow();
    }

    @Test
    void aButtonNeverGoesOnABootStrapPinWhileAnotherIsLeft() {
        Plan plan =
                assigned(plan(SLIM, DeviceKind.PUSH_BUTTON, DeviceKind.PUSH_BUTTON, DeviceKind.LAMP, DeviceKind.LAMP));
        terminals(plan)
                .forEach((need, terminal) -> assertFalse(pin("slim-9", terminal).strap(), need + terminal));
        assertTrue(wired(plan).needs().stream().allMatch(p -> p.trouble() == null));
    }

    @Test
    void whatMustNotPulseGetsTheQuietPin() {
        // P0 is low for 0.1 s at start, which an active-low relay takes for on
        Plan plan = assigned(plan(
                boards("slim-9", "relays", "relay-8-low"),
                DeviceKind.LAMP,
                DeviceKind.LAMP,
                DeviceKind.LAMP,
                DeviceKind.LAMP,
                DeviceKind.LOCK));
        assertEquals(0, pin("slim-9", terminals(plan).get("lock4 release")).lowS());
        assertTrue(terminals(plan).values().stream().allMatch(t -> t.contains(" relays/")));
        assertEquals(5, new HashSet<>(terminals(plan).values()).size());
    }

    @Test
    void aBusHoldsItsTwoPinsAndGivesItsChannels() {
        Plan plan =
                assigned(plan(boards("slim-9", "dimmers", "dimmer-2"), DeviceKind.DIMMED_LAMP, DeviceKind.PUSH_BUTTON));
        assertEquals("dimmers/1", terminals(plan).get("dimmed_lamp0 dim"));
        Map<String, String> held = wired(plan).pins().stream()
                .filter(p -> p.held() != null)
                .collect(Collectors.toMap(Wired.PinUse::name, Wired.PinUse::held));
        assertEquals(Map.of("P1", "the two-wire bus", "P2", "the two-wire bus"), held);
    }

    @Test
    void whatIsFixedByHandStaysAndItsFaultIsNamed() {
        Plan plan =
                fixed(plan(SLIM, DeviceKind.PUSH_BUTTON, DeviceKind.PUSH_BUTTON), "push_button0", "sense", "main/P3");
        Wired.Connection place = wired(plan).needs().get(0);
        assertEquals("C2", place.code());
        assertTrue(place.fixed());
        assertEquals("main/P3", terminals(assigned(plan)).get("push_button0 sense"));
    }

    @Test
    void ofAFixedDeviceOnlyWhatIsMissingIsFilledIn() {
        Plan plan =
                fixed(plan(boards("broad-22", "relays", "relay-4-high"), DeviceKind.BLIND), "blind0", "up", "main/G23");
        Map<String, String> after = terminals(assigned(plan));
        assertEquals("main/G23 relays/1", after.get("blind0 up"));
        assertTrue(after.get("blind0 down").endsWith(" relays/2"), after::toString);
        assertEquals(List.of(), PinAssigner.edits(assigned(plan), PARTS, null));
    }

    @ParameterizedTest
    @CsvSource({
        "PUSH_BUTTON,sense,main/P8,C3", "PUSH_BUTTON,sense,main/P1,", "LEVEL,level,main/A0,",
        "PUSH_BUTTON,sense,main/RX,C4", "PUSH_BUTTON,sense,main/X9,C3", "PUSH_BUTTON,sense,relays/1,C3",
        "LOCK,release,main/P0,C5", "LAMP,switch,main/P0,", "LAMP,switch,main/P4,C2"
    })
    void eachFaultHasItsCheck(DeviceKind kind, String need, String terminal, String code) {
        String id = kind.name().toLowerCase(java.util.Locale.ROOT) + "0";
        assertEquals(
                code,
                wired(fixed(plan(SLIM, kind), id, need, terminal))
                        .needs()
                        .get(0)
                        .code());
    }

    @Test
    void twoOnOnePinAndAPinOfTheBusAndAnInputThatIsDeafAreNamed() {
        Plan two =
                fixed(plan(SLIM, DeviceKind.PUSH_BUTTON, DeviceKind.PUSH_BUTTON), "push_button0", "sense", "main/P5");
        two = fixed(two, "push_button1", "sense", "main/P5");
        assertEquals(
                List.of("C4", "C4"),
                wired(two).needs().stream().map(Wired.Connection::code).toList());
        Plan bus = fixed(
                plan(boards("slim-9", "in", "inputs-8"), DeviceKind.PUSH_BUTTON), "push_button0", "sense", "main/P1");
        assertEquals("C4", wired(bus).needs().get(0).code());
        Plan deaf = fixed(plan(boards("broad-22"), DeviceKind.LEVEL), "level0", "level", "main/G25");
        assertEquals("C6", wired(deaf).needs().get(0).code());
        assertEquals(
                "main/G34",
                wired(plan(boards("broad-22"), DeviceKind.LEVEL)).needs().get(0).best());
    }

    @Test
    void withTooFewRelaysTheLeastCriticalGoesWithoutAndSaysWhy() {
        Plan plan = plan(
                boards("broad-22", "relays", "relay-4-high"),
                DeviceKind.LAMP,
                DeviceKind.LAMP,
                DeviceKind.LAMP,
                DeviceKind.LOCK,
                DeviceKind.HEATER);
        List<Wired.Connection> none =
                wired(plan).needs().stream().filter(p -> p.best() == null).toList();
        assertEquals(1, none.size());
        assertEquals("lamp2", none.get(0).device());
        assertEquals("all that could be a relay is taken", none.get(0).why());
        assertEquals(
                "the controller has no relay board",
                wired(plan(boards("broad-22"), DeviceKind.LAMP)).needs().get(0).why());
        Wired unknown = wired(plan(boards("no-such-board"), DeviceKind.LAMP));
        assertNull(unknown.board());
        assertEquals(List.of("no-such-board"), unknown.unknown());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void nothingMovesWhenADeviceIsAddedOrTakenAwayAndAssigningAgainChangesNothing(long seed) {
        Random random = new Random(seed);
        Plan plan = assigned(plan(random(random), kinds(random, 6)));
        assertEquals(List.of(), PinAssigner.edits(plan, PARTS, null));
        Map<String, String> before = terminals(plan);
        Map<String, Device> more = new TreeMap<>(plan.devices());
        more.put("zz-new", Plans.device("new", DeviceKind.PUSH_BUTTON, Hand.SWITCH, RestState.STAYS, Set.of()));
        Map<String, String> after = terminals(assigned(Plans.devices(plan, old -> more)));
        before.forEach((need, terminal) -> assertEquals(terminal, after.get(need), need));
        String gone = new TreeSet<>(plan.devices().keySet()).first();
        more.remove(gone);
        Map<String, String> less = terminals(assigned(Plans.devices(plan, old -> more)));
        before.forEach((need, terminal) -> {
            if (!need.startsWith(gone + " ") && terminal != null) {
                assertEquals(terminal, less.get(need), need);
            }
        });
    }

    private static BoardSet random(Random random) {
        List<String> mains = List.of("slim-9", "plain-12", "stout-16", "broad-22", "wide-34", "cable-14");
        List<String> relays = List.of("relay-4-low", "relay-8-high", "relay-4-bus", "relay-8-serial");
        List<String> others = List.of("dimmer-4", "inputs-8", "analogue-4", "strip-4");
        return boards(
                mains.get(random.nextInt(mains.size())),
                "r",
                relays.get(random.nextInt(relays.size())),
                "s",
                relays.get(random.nextInt(relays.size())),
                "o",
                others.get(random.nextInt(others.size())));
    }

    private static DeviceKind[] kinds(Random random, int count) {
        return random.ints(count, 0, DeviceKind.values().length)
                .mapToObj(i -> DeviceKind.values()[i])
                .toArray(DeviceKind[]::new);
    }

    private static double byLibrary(double[][] cost) {
        var graph = new SimpleWeightedGraph<Integer, DefaultWeightedEdge>(DefaultWeightedEdge.class);
        Set<Integer> rows = new HashSet<>();
        Set<Integer> columns = new HashSet<>();
        for (int r = 0; r < cost[0].length; r++) {
            rows.add(r);
            columns.add(-1 - r);
            graph.addVertex(r);
            graph.addVertex(-1 - r);
        }
        for (int r = 0; r < cost[0].length; r++) {
            for (int c = 0; c < cost[0].length; c++) {
                graph.setEdgeWeight(graph.addEdge(r, -1 - c), r < cost.length ? cost[r][c] + 2e5 : 0);
            }
        }
        double sum = new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, rows, columns)
                .getMatching()
                .getWeight();
        return sum - 2e5 * cost.length;
    }

    private static double sum(double[][] cost, int[] columnOf) {
        Set<Integer> used = new HashSet<>();
        double sum = 0;
        for (int r = 0; r < cost.length; r++) {
            assertTrue(used.add(columnOf[r]));
            sum += cost[r][columnOf[r]];
        }
        return sum;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void theMatchingIsAsCheapAsAnotherSolversOnAnyCosts(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 60; i++) {
            int rows = 1 + random.nextInt(9);
            double[][] cost = new double[rows][rows + random.nextInt(6)];
            for (double[] row : cost) {
                for (int c = 0; c < row.length; c++) {
                    row[c] = random.nextInt(4) == 0 ? 1e5 : random.nextInt(40) - 20;
                }
            }
            assertEquals(byLibrary(cost), sum(cost, Assignment.of(cost)), 1e-6);
        }
    }

    /** Blinds ask for two relays each, so devices with several connections are among them. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void everyControllersAssignmentIsAsCheapAsAnotherSolvers(long seed) {
        Random random = new Random(seed);
        Plan plan = plan(random(random), kinds(random, 2 + random.nextInt(14)));
        for (int round = 0; round < 2; round++) {
            for (PinAssigner one : PinAssigner.assigners(plan, PARTS).values()) {
                assertEquals(byLibrary(one.cost()), sum(one.cost(), one.columnOf()), 1e-6);
            }
            plan = assigned(plan);
        }
    }

    @Test
    void theLargeHouseIsAssignedWithoutASingleFault() {
        Plan plan = assigned(ThornfellLodge.plan());
        PinAssigner.of(plan, PARTS)
                .values()
                .forEach(w -> w.needs().forEach(p -> {
                    assertEquals(p.terminal(), p.best());
                    assertNull(p.trouble(), p::toString);
                }));
    }
}
