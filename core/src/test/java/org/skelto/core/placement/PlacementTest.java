package org.skelto.core.placement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Houses;
import org.skelto.core.Plans;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.Progress;

class PlacementTest {
    /** Random problems of up to 12 candidates, against trying every subset. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void isAsCheapAsTryingEveryChoice(long seed) {
        Random random = new Random(seed);
        int candidates = 6 + random.nextInt(6);
        int demands = 8 + random.nextInt(8);
        boolean grouped = seed % 2 == 0;
        int times = seed % 3 == 0 ? 2 : 1;
        List<BitSet> covers = new ArrayList<>();
        double[] costs = new double[candidates];
        for (int c = 0; c < candidates; c++) {
            BitSet set = new BitSet();
            for (int d = 0; d < demands; d++) {
                set.set(d, random.nextInt(100) < 45);
            }
            covers.add(set);
            costs[c] = 1 + random.nextInt(3);
        }
        int[] wanted = new int[demands];
        int[] groups = new int[demands];
        for (int d = 0; d < demands; d++) {
            wanted[d] = times;
            groups[d] = grouped ? d % 2 : -1;
        }
        int[] spare = {2, 1};
        int[] blocks = times == 2
                ? java.util.stream.IntStream.range(0, candidates)
                        .map(c -> c / 2)
                        .toArray()
                : null;
        double best = Double.POSITIVE_INFINITY;
        for (int choice = 0; choice < 1 << candidates; choice++) {
            if (does(choice, covers, wanted, groups, spare, blocks)) {
                double cost = 0;
                for (int c = 0; c < candidates; c++) {
                    cost += (choice >> c & 1) * costs[c];
                }
                best = Math.min(best, cost);
            }
        }

        SetCover.Solution found =
                new SetCover(covers, costs, wanted, groups, spare, blocks).solve(Progress.NONE, 5000, List.of());
        if (Double.isInfinite(best)) {
            assertEquals(null, found);
            return;
        }
        assertEquals(best, found.cost(), 1e-9);
        assertTrue(found.proven());
        int chosen = found.chosen().stream().mapToInt(c -> 1 << c).sum();
        assertTrue(does(chosen, covers, wanted, groups, spare, blocks));
    }

    private static boolean does(
            int choice, List<BitSet> covers, int[] wanted, int[] groups, int[] spare, int[] blocks) {
        int[] missed = new int[spare.length];
        for (int d = 0; d < wanted.length; d++) {
            int by = 0;
            for (int c = 0; c < covers.size(); c++) {
                by += (choice >> c & 1) == 1 && covers.get(c).get(d) ? 1 : 0;
            }
            if (by < wanted[d]) {
                if (groups[d] < 0 || ++missed[groups[d]] > spare[groups[d]]) {
                    return false;
                }
            }
        }
        for (int c = 0; blocks != null && c + 1 < covers.size(); c++) {
            if ((choice >> c & 3) == 3 && blocks[c] == blocks[c + 1]) {
                return false;
            }
        }
        return true;
    }

    private static Plan far() {
        Map<String, Unit> units = new TreeMap<>();
        units.put("router", Plans.unit("router", UnitKind.ROUTER, 1).withPlace(new Place("r0", null, 1, 1, 1)));
        for (int room : new int[] {0, 9}) {
            units.put(
                    "board" + room,
                    Plans.unit("board" + room, UnitKind.CONTROLLER, 1, Medium.WIFI_2G4)
                            .withPlace(new Place("r" + room, null, 4 * room + 2, 2, 1)));
        }
        Plan row = Houses.row(10);
        Map<String, org.skelto.core.plan.site.Room> rooms = new TreeMap<>(row.rooms());
        rooms.replaceAll((id, r) -> r.shaped(r.corners(), java.util.Collections.nCopies(4, "stone-600")));
        return Houses.with(row, rooms, Map.of()).with(p -> p.units(units).devices(Map.of()));
    }

    private static PlacementResult ask(Plan plan, PlacementRequest ask, Progress progress) {
        return Placer.answer(SiteModel.of(plan), new SlabTables(), ask, progress, 10_000, System::currentTimeMillis);
    }

    @Test
    void twoBoardsWithNineStoneWallsBetweenThemNeedTwoBoxes() {
        PlacementRequest once = PlacementRequestBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .goal(PlacementRequest.Goal.FEWEST)
                .cover(PlacementRequest.Cover.DEVICES)
                .times(1)
                .keep(true)
                .boxCost(60)
                .outletCost(90)
                .build();
        PlacementResult answer = ask(far(), once, Progress.NONE);

        assertTrue(answer.proven());
        assertEquals(2, answer.placings().get(0).boxes().size());
        assertEquals(2, answer.placings().get(0).covered());
        // both boards have mains, so neither place needs a new outlet
        assertEquals(120, answer.placings().get(0).cost(), 1e-9);
        assertTrue(answer.placings().get(0).boxes().stream().allMatch(b -> b.near() != null));
        assertEquals(0, answer.before());
    }

    @Test
    void theChangeItMakesCoversWhatItSays() {
        Plan plan = far();
        PlacementRequest once = PlacementRequestBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .goal(PlacementRequest.Goal.FEWEST)
                .cover(PlacementRequest.Cover.DEVICES)
                .times(1)
                .keep(true)
                .boxCost(60)
                .outletCost(90)
                .build();
        Map<String, Unit> units = new TreeMap<>(plan.units());
        for (Edit edit : ask(plan, once, Progress.NONE).placings().get(0).edits()) {
            if (edit.value() instanceof Unit unit) {
                units.put(edit.path().substring("/units/".length()), unit);
            }
        }
        PlacementResult after = ask(plan.with(p -> p.units(units).devices(Map.of())), once, Progress.NONE);
        assertEquals(after.demands(), after.before());
        assertEquals(List.of(), after.placings().get(0).boxes());
    }

    @Test
    void everyRoomToNinetyFivePercent() {
        PlacementRequest rooms = PlacementRequestBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .goal(PlacementRequest.Goal.FEWEST)
                .cover(PlacementRequest.Cover.ROOMS)
                .times(1)
                .keep(true)
                .boxCost(60)
                .outletCost(0)
                .build();
        PlacementResult answer = ask(Houses.row(3), rooms, Progress.NONE);
        assertEquals(1, answer.placings().get(0).boxes().size());
        assertTrue(answer.placings().get(0).covered() >= 0.95 * answer.demands());
    }

    static Stream<Arguments> asked() {
        PlacementRequest some = PlacementRequestBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .goal(PlacementRequest.Goal.FEWEST)
                .cover(PlacementRequest.Cover.DEVICES)
                .times(1)
                .keep(true)
                .boxCost(60)
                .outletCost(90)
                .build();
        List<Arguments> all = new ArrayList<>();
        for (Plan plan : List.of(Demos.flat(), Demos.mill())) {
            for (Medium medium : Medium.values()) {
                if (medium.radio()) {
                    all.add(Arguments.of(plan, some.withMedium(medium).withKeep(false)));
                    all.add(Arguments.of(plan, some.withMedium(medium).withGoal(PlacementRequest.Goal.NEXT)));
                }
            }
            String building = plan.buildings().keySet().iterator().next();
            all.add(Arguments.of(plan, some.withBuilding(building).withKeep(false)));
            all.add(Arguments.of(plan, some.withTimes(2).withKeep(false)));
            all.add(Arguments.of(
                    plan, some.withCover(PlacementRequest.Cover.ROOMS).withBuilding(building)));
        }
        return all.stream();
    }

    /** Whatever is asked of a real house: boxes stand in rooms that are meant, cost what is said, and are a sound edit. */
    @ParameterizedTest
    @MethodSource
    void asked(Plan plan, PlacementRequest ask) {
        PlacementResult answer = ask(plan, ask, Progress.NONE);
        assertTrue(answer.before() <= answer.demands());
        double least = 0;
        for (PlacementResult.Placing placing : answer.placings()) {
            assertTrue(placing.covered() <= answer.demands());
            if (ask.keep()) {
                assertTrue(placing.covered() >= answer.before(), "nobody loses cover");
            }
            long outlets = placing.boxes().stream()
                    .filter(PlacementResult.Box::newOutlet)
                    .count();
            assertEquals(placing.boxes().size() * 60 + outlets * 90, placing.cost(), 1e-9);
            if (ask.goal() == PlacementRequest.Goal.NEXT) {
                assertEquals(1, placing.boxes().size());
            } else {
                assertTrue(placing.cost() >= least - 1e-9, "the cheapest comes first");
                least = placing.cost();
            }
            // throws when the plan that comes out is not well-formed
            Plan done = Changed.after(plan, placing.edits());
            for (PlacementResult.Box box : placing.boxes()) {
                Unit unit = done.units().get(box.unit());
                assertTrue(unit.radio(ask.medium()).isPresent());
                assertEquals(
                        ask.medium().wifi(),
                        unit.kind() == UnitKind.ACCESS_POINT,
                        "what serves Wi-Fi is an access point");
                assertTrue(done.rooms()
                        .get(box.room())
                        .contains(box.place().xM(), box.place().yM()));
                if (ask.building() != null) {
                    assertEquals(
                            ask.building(), SiteModel.of(done).buildingOf(unit.place()), "only where it was asked for");
                }
            }
        }
    }

    @Test
    void stopsWhenItIsCancelled() {
        Progress cancelled = new Progress() {
            @Override
            public void at(double share, String doing) {
                // nobody watches
            }

            @Override
            public boolean cancelled() {
                return true;
            }
        };
        PlacementRequest rooms = PlacementRequestBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .goal(PlacementRequest.Goal.FEWEST)
                .cover(PlacementRequest.Cover.ROOMS)
                .times(2)
                .keep(true)
                .boxCost(60)
                .outletCost(0)
                .build();
        assertThrows(Progress.Cancelled.class, () -> ask(Houses.row(3), rooms, cancelled));
    }
}
