package org.skelto.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.RandomEdits;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.PartKind;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/** What holds of the cables, the parts list and the drawings of every house, however it was changed. */
class BuildLawsTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);
    private static final Catalogue PARTS = Catalogue.builtIn();

    static Stream<Plan> houses() {
        return Stream.of(Demos.mill(), Demos.flat(), Workshop.plan());
    }

    /** Goes through sixty edits of a house, some of which take boards, wires or places away. */
    private static Stream<Plan> walked(Plan house) {
        RandomEdits edits = new RandomEdits(26);
        return Stream.iterate(house, edits::next).limit(60);
    }

    @ParameterizedTest
    @MethodSource("houses")
    void everyCableHasTwoEndsALengthThatReachesAndAPlaceInThePlan(Plan house) {
        walked(house).forEach(plan -> {
            SiteModel site = SiteModel.of(plan);
            List<CableLine> cables = new Facts(plan).cables();
            assertEquals(
                    cables.size(), cables.stream().map(CableLine::id).distinct().count());
            Map<String, Integer> used = new HashMap<>();
            for (CableLine c : cables) {
                Place from = place(plan, c.from());
                Place to = place(plan, c.to());
                var a = site.position(from);
                var b = site.position(to);
                if (!c.typed()) {
                    assertEquals(a.isPresent() && b.isPresent(), c.lengthM() != null, c.toName());
                    assertTrue(c.lengthM() == null || c.lengthM() >= straight(a.get(), b.get()), c.toName());
                }
                assertTrue(c.dropV() == null || c.dropV() >= 0);
                assertEquals(c.existing() == null, c.part() != null, "new or in the wall, never both");
                if (c.existing() != null) {
                    boolean pairs = c.cores().get(0).carries().startsWith("data");
                    int size = c.cores().size();
                    used.merge(c.existing(), pairs ? size : (size + 1) / 2, Integer::sum);
                }
                if (c.layer() == CableLine.Layer.MAINS) {
                    assertEquals("neutral", c.cores().get(1).carries());
                    assertEquals("green-yellow", c.cores().get(2).colour(), "earth");
                    assertNull(c.existing(), "mains runs in no old signal cable");
                }
            }
            used.forEach((id, pairs) ->
                    assertTrue(pairs <= plan.cables().get(id).freePairs(), "more pairs than are free in " + id));
        });
    }

    private static Place place(Plan plan, String pointer) {
        String id = pointer.substring(pointer.lastIndexOf('/') + 1);
        return pointer.startsWith("/units/")
                ? Objects.requireNonNull(plan.units().get(id), pointer).place()
                : SiteModel.placeOf(plan, Objects.requireNonNull(plan.devices().get(id), pointer));
    }

    private static double straight(Point a, Point b) {
        return a.distanceM(b);
    }

    @ParameterizedTest
    @MethodSource("houses")
    void whatIsBoughtIsWhatTheHouseIsMadeOf(Plan house) {
        walked(house).forEach(plan -> {
            Facts facts = new Facts(plan);
            PartsList list = facts.partsList(TODAY);
            Map<String, Double> needed =
                    list.lines().stream().collect(Collectors.toMap(PartsList.BuyLine::part, PartsList.BuyLine::needed));
            Map<String, Double> counted = new TreeMap<>();
            plan.units().values().forEach(u -> {
                if (u.boards() != null) {
                    counted.merge(u.boards().main(), 1.0, Double::sum);
                    u.boards().more().values().stream()
                            .map(Attached::part)
                            .forEach(p -> counted.merge(p, 1.0, Double::sum));
                }
            });
            counted.forEach((part, n) -> {
                if (PARTS.find(part).isPresent()) {
                    assertEquals(n, needed.get(part), part);
                }
            });
            Map<String, Double> metres = facts.cables().stream()
                    .filter(c -> c.part() != null && c.lengthM() != null)
                    .collect(Collectors.groupingBy(CableLine::part, Collectors.summingDouble(CableLine::lengthM)));
            metres.forEach((part, m) -> assertEquals(m, needed.get(part), 1e-6, part));
            double sum = 0;
            for (PartsList.BuyLine line : list.lines()) {
                assertTrue(line.buy() >= 0 && line.buy() >= line.needed() - line.owned(), line.name());
                assertEquals(line.price() == null, line.cost() == null);
                assertEquals(line.price() == null, list.unpriced().contains(line.name()));
                sum += line.cost() == null ? 0 : line.cost();
                assertTrue(!line.late() || line.orderBy() != null);
            }
            assertEquals(sum, list.total(), 1e-6);
            assertEquals(
                    plan.units().values().stream()
                            .filter(u -> u.boards() == null && !u.kind().alone())
                            .filter(u ->
                                    u.kind() != UnitKind.SUPPLY || u.power().part() == null)
                            .count(),
                    list.missing().stream()
                            .filter(m -> m.at().startsWith("/units/"))
                            .count());
            double before = 0;
            for (PartsList.SpendStep step : list.steps()) {
                assertEquals(before + step.cost(), step.sum(), 1e-6);
                before = step.sum();
            }
            assertEquals(list.total(), before, 1e-6, "the steps spend all of it");
        });
    }

    @ParameterizedTest
    @MethodSource("houses")
    void aDrawingShowsEveryTerminalThatIsUsedAndStaysOnItsSheet(Plan house) {
        walked(house)
                .forEach(plan -> new Facts(plan).wiring().forEach((unit, sheet) -> {
                    List<String> drawn = sheet.terminals().stream()
                            .map(Sheet.TerminalRow::terminal)
                            .toList();
                    plan.devices().values().forEach(d -> {
                        if (unit.equals(d.unit()) && d.wiring() != null) {
                            d.wiring().terminals().values().forEach(t -> {
                                String end = t.substring(t.lastIndexOf(' ') + 1);
                                assertTrue(
                                        drawn.stream().anyMatch(at -> at.equals(t) || at.startsWith(end)),
                                        t + " of " + d.name() + " is not among " + drawn);
                            });
                        }
                    });
                    sheet.shapes().forEach(shape -> {
                        for (int i = 0; i < shape.points().size(); i += 2) {
                            assertTrue(
                                    shape.points().get(i) >= 0 && shape.points().get(i) <= sheet.widthMm());
                            assertTrue(shape.points().get(i + 1) >= 0
                                    && shape.points().get(i + 1) <= sheet.heightMm());
                        }
                    });
                }));
    }

    private static CableLine to(Plan plan, String end, CableLine.Layer layer) {
        return new Facts(plan)
                .cables().stream()
                        .filter(c -> c.to().equals(end) && c.layer() == layer)
                        .findFirst()
                        .orElseThrow();
    }

    private static Plan device(String kind, String more) {
        return Changed.with(
                Workshop.plan(),
                "/units/bare",
                "{\"name\":\"bare\",\"kind\":\"CONTROLLER\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":3,\"heightM\":1},"
                        + "\"power\":{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0},\"channels\":0,"
                        + "\"maxClients\":0,\"internetEntry\":false,\"broker\":false}",
                "/devices/thing",
                "{\"name\":\"thing\",\"kind\":\"" + kind
                        + "\",\"unit\":\"board\",\"place\":{\"room\":\"east\",\"xM\":6,"
                        + "\"yM\":1,\"heightM\":1},\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":false"
                        + more + "}");
    }

    @Test
    void whatACableMustCarryByHand() {
        // a blind nobody wired yet still needs two switched lives beside neutral and earth: four of five cores
        CableLine blind = to(device("BLIND", ",\"circuit\":\"mains\""), "/devices/thing", CableLine.Layer.MAINS);
        assertEquals("cable-mains-5", blind.part());
        assertEquals(
                List.of("switched live, up", "neutral", "earth", "switched live, down"),
                blind.cores().stream().map(CableLine.Core::carries).toList());
        // the same where the controller's board is not chosen yet
        Plan bare = Changed.with(device("BLIND", ",\"circuit\":\"mains\""), "/devices/thing/unit", "\"bare\"");
        CableLine early = to(bare, "/devices/thing", CableLine.Layer.MAINS);
        assertEquals(
                List.of("switched live", "neutral", "earth", "switched live, other way"),
                early.cores().stream().map(CableLine.Core::carries).toList());
        // a motion detector: its signal, 0 V and a supply
        CableLine motion = to(device("MOTION", ""), "/devices/thing", CableLine.Layer.LOW_VOLTAGE);
        assertEquals("cable-alarm", motion.part());
        assertEquals(
                List.of("0 V", "supply"),
                motion.cores().stream()
                        .map(CableLine.Core::carries)
                        .skip(motion.cores().size() - 2)
                        .toList());
        // a contact is passive: its signal and 0 V
        CableLine contact = to(device("CONTACT", ""), "/devices/thing", CableLine.Layer.LOW_VOLTAGE);
        assertEquals(2, contact.cores().size());
        assertEquals("0 V", contact.cores().get(1).carries());
    }

    @Test
    void theDropOnASupplysCableIsThatOfThePowerTree() {
        Plan plan = Workshop.plan();
        CableLine feed = to(plan, "/units/board", CableLine.Layer.LOW_VOLTAGE);
        assertEquals(8, feed.lengthM(), "as it was typed");
        assertTrue(feed.typed());
        assertEquals(new Facts(plan).power().get("board").run().dropV(), feed.dropV(), 1e-12);
        assertNotNull(feed.drop());
        // with no feed said, the usual thin cable by the way it would run
        CableLine usual =
                to(Changed.with(plan, "/units/board/power/feed", "null"), "/units/board", CableLine.Layer.LOW_VOLTAGE);
        assertEquals("cable-low-075", usual.part());
        assertTrue(!usual.typed());
    }

    @Test
    void whatIsBoughtBesidesByHand() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/board/boards/more/relays",
                "{\"part\":\"relay-4-high\",\"shifted\":true}",
                "/devices/stop/works/part",
                "null",
                "/devices/stop/works/endSensors",
                "2");
        Map<String, Double> needed = new Facts(plan)
                .partsList(TODAY).lines().stream()
                        .collect(Collectors.toMap(PartsList.BuyLine::part, PartsList.BuyLine::needed));
        // four lines go through one level shifter; a valve of no known part needs its two end sensors
        assertEquals(1, needed.get("shift-4"));
        assertEquals(2, needed.get("end-sensor"));
        // the board's feed and the probe's cell are fused
        assertEquals(2, needed.get("fuse-holder"));
        assertTrue(PARTS.find("cable-low-15").orElseThrow().kind() == PartKind.CABLE);
        assertEquals(8, needed.get("cable-low-15"));
    }

    @Test
    void aDayThatIsNoneOrNotKnownAsksForNoOrderByThen() {
        Plan open = Changed.with(Workshop.plan(), "/wallWork", "{\"open\":true,\"closesOn\":null}");
        assertTrue(new Facts(open).partsList(TODAY).lines().stream().allMatch(l -> l.orderBy() == null && !l.late()));
        assertNull(new Facts(open).partsList(TODAY).firstOrder());
    }
}
