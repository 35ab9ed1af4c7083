package org.skelto.core.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Workshop;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartFile;
import org.skelto.core.parts.PriceFile;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.wiring.WiredContacts;
import org.w3c.dom.Document;

class BuildTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

    private static List<CableLine> cables(Plan plan) {
        return new Facts(plan).cables();
    }

    private static PartsList list(Plan plan) {
        return new Facts(plan).partsList(TODAY);
    }

    private static Map<String, PartsList.BuyLine> lines(Plan plan) {
        return list(plan).lines().stream().collect(Collectors.toMap(PartsList.BuyLine::part, Function.identity()));
    }

    /** Five contacts from unit to unit: four fill a cable of eight cores, the fifth has three spare pairs beside it. */
    @Test
    void contactsBetweenTwoUnitsShareACableAndTakeTerminals() {
        Plan plan = Workshop.plan();
        for (int i = 1; i <= 5; i++) {
            plan = Changed.with(
                    plan,
                    "/links/contact" + i,
                    "{\"from\":\"probe\",\"to\":\"board\",\"medium\":\"CONTACT\",\"input\":" + Math.min(i, 4)
                            + (i < 4 ? "}" : ",\"joined\":\"SERIES\"}"));
        }
        List<CableLine> shared = cables(plan).stream()
                .filter(l -> l.layer() == CableLine.Layer.CONTACTS)
                .toList();
        assertEquals(
                Set.of(0L, 6L),
                shared.stream()
                        .map(l -> l.cores().stream()
                                .filter(c -> c.carries().equals("spare"))
                                .count())
                        .collect(Collectors.toSet()));
        assertTrue(shared.stream().allMatch(l -> l.cores().size() == 8 && l.lengthM() > 0));
        // the fourth and the fifth share an input
        assertEquals(new WiredContacts(0, 4), WiredContacts.of(plan).get("board"));
        assertEquals(new WiredContacts(5, 0), WiredContacts.of(plan).get("probe"));
        int free = new Facts(plan).wired().get("board").free();
        assertEquals(free < 4, hasNotEnough(plan), free + " terminals free");
        for (int i = 5; i <= free + 2; i++) {
            plan = Changed.with(
                    plan,
                    "/links/contact" + i,
                    "{\"from\":\"probe\",\"to\":\"board\",\"medium\":\"CONTACT\",\"input\":" + i + "}");
        }
        assertTrue(hasNotEnough(plan));
    }

    private static boolean hasNotEnough(Plan plan) {
        return Assessment.of(new Facts(plan), Set.of()).snags().stream()
                .anyMatch(s -> s.code().equals("C1") && s.title().contains("wired contacts"));
    }

    @Test
    void labelsAreUniqueAndStayWhenTheHouseGrows() {
        Plan lodge = ThornfellLodge.plan();
        List<CableLine> all = cables(lodge);
        assertTrue(all.size() > 400, String.valueOf(all.size()));
        assertEquals(all.size(), all.stream().map(CableLine::id).distinct().count());
        Plan wider = Changed.with(
                lodge,
                "/devices/aaa-first-of-all",
                Changed.json(lodge.devices().get("ground-1-d0").withName("a new lamp")));
        Set<String> labels = cables(wider).stream().map(CableLine::id).collect(Collectors.toSet());
        Set<String> gone = all.stream().map(CableLine::id).collect(Collectors.toSet());
        gone.removeAll(labels);
        assertEquals(Set.of(), gone, "labels on cables in walls stay true");
        assertTrue(labels.size() > all.size());
        Plan grown = Changed.with(
                Workshop.plan(),
                "/devices/extra",
                "{\"name\":\"a new lamp\",\"kind\":\"LAMP\",\"unit\":\"board\",\"circuit\":\"mains\","
                        + "\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1},\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false}");
        Set<String> old = cables(Workshop.plan()).stream().map(CableLine::id).collect(Collectors.toSet());
        Set<String> now = cables(grown).stream().map(CableLine::id).collect(Collectors.toSet());
        assertTrue(now.containsAll(old));
        assertEquals(old.size() + 1, now.size());
    }

    @Test
    void everyConnectionRunsInExactlyOneCoreWithItsTerminal() {
        Plan plan = Workshop.plan();
        List<String> terminals = cables(plan).stream()
                .flatMap(c -> c.cores().stream())
                .map(CableLine.Core::at)
                .filter(at -> !at.isEmpty())
                .sorted()
                .toList();
        assertEquals(List.of("dimmers/1", "main/G16 relays/2", "main/G17", "main/G4 relays/1"), terminals);
        assertEquals(terminals.size(), new HashSet<>(terminals).size());
    }

    @Test
    void aCableInTheWallIsUsedFirstAndOnlyAsFarAsItsPairsGo() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/fittings/a",
                "{\"name\":\"a\",\"kind\":\"DATA_POINT\",\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":2,\"heightM\":1.5}}",
                "/fittings/b",
                "{\"name\":\"b\",\"kind\":\"DATA_POINT\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":3,\"heightM\":1}}",
                "/cables/old",
                "{\"name\":\"old\",\"from\":\"b\",\"to\":\"a\",\"kind\":\"alarm cable\",\"pairs\":4,\"freePairs\":2}");
        CableLine stop = cables(plan).stream()
                .filter(c -> c.to().equals("/devices/stop"))
                .findFirst()
                .orElseThrow();
        assertEquals("old", stop.existing());
        assertNull(stop.part());
        Plan full = Changed.with(plan, "/cables/old/freePairs", "1");
        assertNull(cables(full).stream()
                .filter(c -> c.to().equals("/devices/stop"))
                .findFirst()
                .orElseThrow()
                .existing());
        // mains never goes into it
        assertTrue(cables(plan).stream()
                .filter(c -> c.layer() == CableLine.Layer.MAINS)
                .allMatch(c -> c.existing() == null));
    }

    @Test
    void aCableFollowsARouteThatPassesNearBothItsEnds() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/stop/place",
                "{\"room\":\"east\",\"xM\":4.5,\"yM\":0.5,\"heightM\":1.5}",
                "/devices/stop/works/endSensors",
                "1");
        Function<Plan, Double> length = p -> cables(p).stream()
                .filter(c -> c.to().equals("/devices/stop"))
                .findFirst()
                .orElseThrow()
                .lengthM();
        // the board stands at 6, 2 and as high: legs of 1.5 m and 1.5 m, two drops, a tenth more, rounded up
        assertEquals(Math.ceil((3 + 2.4) * 1.1), length.apply(plan));
        // round the room: 0.5 m in, 1 m + 3 m + 1.5 m + 3 m along, 0 m out
        Plan round = Changed.with(
                plan,
                "/routes/skirting",
                "{\"name\":\"skirting\",\"floor\":\"ground\",\"points\":[{\"xM\":6,\"yM\":2.5},{\"xM\":6,\"yM\":3.5},"
                        + "{\"xM\":4.5,\"yM\":3.5},{\"xM\":4.5,\"yM\":0.5}]}");
        assertEquals(Math.ceil((0.5 + 1 + 1.5 + 3 + 2.4) * 1.1), length.apply(round));
    }

    @Test
    void ownedPartsCostNothingSparesAreAddedAndTheTotalIsTheSum() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/owned/drawer",
                "{\"name\":\"relay board\",\"count\":1,\"part\":\"relay-4-high\"}",
                "/money",
                "{\"currency\":\"EUR\",\"budget\":200,\"spareShare\":0.5,\"energyPrice\":0.3,\"hourPrice\":0}");
        Map<String, PartsList.BuyLine> lines = lines(plan);
        // one needed, half a spare is one more, one is in the drawer
        assertEquals(1, lines.get("relay-4-high").buy());
        assertEquals(5.9, lines.get("relay-4-high").cost(), 1e-9);
        assertEquals(0, lines.get("hub-small").spare());
        // the valve tells its position itself
        assertFalse(lines.containsKey("end-sensor"));
        PartsList list = list(plan);
        assertEquals(
                list.lines().stream()
                        .mapToDouble(l -> l.cost() == null ? 0 : l.cost())
                        .sum(),
                list.total(),
                1e-9);
        assertEquals(list.total() / 3, list.perOutput(), 1e-9);
        PartsList.SpendStep last = list.steps().get(list.steps().size() - 1);
        assertEquals(list.total(), last.sum(), 1e-6);
        assertEquals(last.sum() <= 200, last.affordable());
        Set<String> unlocked =
                list.steps().stream().flatMap(s -> s.unlocks().stream()).collect(Collectors.toSet());
        assertEquals(Set.of("lamp", "spot", "stop", "probe"), unlocked);
    }

    @Test
    void whatIsSoldTogetherIsBoughtTogetherAndManyCostLess() throws PartFile.Unreadable {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/board/boards/more/relays/driver",
                "{\"baseOhm\":1000,\"gain\":100,\"diode\":true}");
        // four coils, sold in tens
        assertEquals(10, lines(plan).get("driver-set").buy());
        Part relay = Catalogue.builtIn().find("relay-4-high").orElseThrow();
        Map<Quantity, Double> figures = new EnumMap<>(relay.figures());
        figures.put(Quantity.PACK, 3.0);
        figures.put(Quantity.BREAK_FROM, 3.0);
        figures.put(Quantity.BREAK_PRICE, 4.0);
        Catalogue own = Catalogue.builtIn().with(List.of(relay.with(b -> b.figures(figures))));
        PartsList list = new Facts(Workshop.plan(), new SlabTables(), List.of(), own).partsList(TODAY);
        PartsList.BuyLine line = list.lines().stream()
                .filter(l -> l.part().equals("relay-4-high"))
                .findFirst()
                .orElseThrow();
        assertEquals(3, line.buy());
        assertEquals(12, line.cost(), 1e-9);
        assertEquals("4.00 each from 3 on", line.cheaper());
        // nobody wished for spares
        assertTrue(list.lines().stream().allMatch(l -> l.spare() == 0));
    }

    @Test
    void whatIsInNoTotalIsNamedWithItsLikelyPart() {
        Plan plan = Demos.mill();
        List<LikelyParts.Unchosen> missing = list(plan).missing();
        assertFalse(missing.isEmpty());
        for (LikelyParts.Unchosen m : missing) {
            if (m.likely() != null) {
                Plan then = Changed.after(plan, m.edits());
                assertEquals(missing.size() - 1, list(then).missing().size(), m.name());
            }
        }
        assertTrue(missing.stream().anyMatch(m -> m.likely() != null));
    }

    @Test
    void waysToBuildAreComparedForTheSameDevices() {
        Plan plan = Workshop.plan();
        List<PartsList.SchoolCost> all = list(plan).schools();
        assertTrue(all.stream().allMatch(s -> s.about().contains("for 4 devices")), all.toString());
        // a device whose controller has no board changes neither side
        Plan more = Changed.with(
                plan,
                "/units/bare",
                "{\"name\":\"bare\",\"kind\":\"CONTROLLER\",\"power\":{\"source\":\"MAINS\",\"circuit\":\"mains\","
                        + "\"backupH\":0},\"channels\":0,\"maxClients\":0,\"internetEntry\":false,\"broker\":false}",
                "/devices/more",
                "{\"name\":\"more\",\"kind\":\"SOCKET\",\"unit\":\"bare\",\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false}");
        List<PartsList.SchoolCost> then = list(more).schools();
        for (int i = 0; i < all.size(); i++) {
            assertEquals(
                    all.get(i).parts(), then.get(i).parts(), 1e-9, all.get(i).id());
            assertEquals(all.get(i).hours(), then.get(i).hours(), 1e-9);
        }
    }

    @Test
    void lastDaysToOrderFollowFromTheDayTheWallsClose() {
        Plan plan = Changed.with(Workshop.plan(), "/wallWork", "{\"open\":true,\"closesOn\":\"2026-12-01\"}");
        PartsList.BuyLine rail = lines(plan).get("rail-12");
        assertEquals("2026-11-24", rail.orderBy());
        assertTrue(rail.late());
        PartsList.BuyLine cabinet = lines(plan).get("ferrules");
        assertEquals("2026-11-27", cabinet.orderBy());
        assertFalse(cabinet.late());
        assertEquals("2026-11-21", list(plan).firstOrder());
    }

    @Test
    void pricesComeBackInAListAndBadLinesAreNamed() throws PartFile.Unreadable {
        List<Part> priced = PriceFile.read(
                "part,name,price,leadDays,extra\nrail-12,x,\"31,50\",9,1\nslim-9,y,,,\n", Catalogue.builtIn());
        assertEquals(1, priced.size());
        assertEquals(31.5, priced.get(0).price());
        assertEquals(9, priced.get(0).leadDays());
        assertEquals(60, priced.get(0).figures().get(org.skelto.core.parts.Quantity.DEPTH_MM));
        for (String[] bad : new String[][] {
            {"part,cost\nrail-12,3\n", "/line 1/price"},
            {"part,price\nno-such,3\n", "/line 2/part"},
            {"part,price\nrail-12,-3\n", "/line 2/price"},
            {"part,price\nrail-12,=1+1\n", "/line 2/price"},
            {"part,price\nrail-12,1\nrail-12,2\n", "/line 3/part"},
            {"part,price\nrail-12\n", "/line 2"},
            {"part,price\nrail-12,\n", "/line 2"},
        }) {
            PartFile.Unreadable refused = org.junit.jupiter.api.Assertions.assertThrows(
                    PartFile.Unreadable.class, () -> PriceFile.read(bad[0], Catalogue.builtIn()), bad[0]);
            assertEquals(bad[1], refused.problems().get(0).pointer(), bad[0]);
        }
    }

    @Test
    void theDrawingIsSoundXmlWithALayerForEachAndHostileNamesStayText() throws Exception {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/lamp/name",
                "\"<script>alert(1)</script> & \\\"lamp\\\" \\uD83E\\uDED6\"",
                "/units/board/name",
                "\"board </svg>\"");
        Map<String, Sheet> sheets = new Facts(plan).wiring();
        String svg = SvgSheet.of(List.copyOf(sheets.values()));
        var factory = javax.xml.parsers.DocumentBuilderFactory.newInstance();
        factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
        Document read = factory.newDocumentBuilder().parse(new org.xml.sax.InputSource(new java.io.StringReader(svg)));
        assertEquals(0, read.getElementsByTagName("script").getLength());
        Set<String> classes = new HashSet<>();
        for (int i = 0; i < read.getElementsByTagName("g").getLength(); i++) {
            var css = read.getElementsByTagName("g").item(i).getAttributes().getNamedItem("class");
            if (css != null) {
                classes.add(css.getNodeValue());
            }
        }
        assertTrue(classes.containsAll(Set.of("mains", "low", "bus", "contacts", "paper")), classes.toString());
        assertTrue(svg.contains("&lt;script&gt;"));
        // every connection is at a terminal, and the contact of the lamp has its common
        List<String> terminals = sheets.get("board").terminals().stream()
                .map(Sheet.TerminalRow::terminal)
                .toList();
        assertTrue(
                terminals.containsAll(
                        List.of("main/G4", "relays/1", "relays/1 common", "relays/2", "dimmers/1", "main/G17")),
                terminals.toString());
    }

    @Test
    void theSecondWayOfABlindIsFedOverTheRestingContactOfTheFirst() {
        Plan blind = Changed.with(
                Workshop.plan(),
                "/devices/blind",
                "{\"name\":\"blind\",\"kind\":\"BLIND\",\"unit\":\"board\",\"circuit\":\"mains\",\"place\":{\"room\":\"east\","
                        + "\"xM\":6,\"yM\":1,\"heightM\":1},\"exitRoute\":false,\"outsideDoor\":false,"
                        + "\"obstacleDetection\":false,\"wiring\":{\"terminals\":{\"up\":\"main/G17 relays/3\","
                        + "\"down\":\"main/G18 relays/4\"},\"fixed\":false}}");
        Map<String, String> to = new Facts(blind)
                .wiring().get("board").terminals().stream()
                        .collect(Collectors.toMap(Sheet.TerminalRow::terminal, Sheet.TerminalRow::to));
        assertEquals("relays/3 normally closed", to.get("relays/4 common"));
        assertEquals("Mains, 16 A", to.get("relays/3 common"));
    }

    /** The base of a hand-wired transistor, its emitter and the diode of the coil are drawn and listed. */
    @Test
    void aBareRelayComesWithTheWiresOfItsTransistor() {
        Plan bare = Changed.with(
                Workshop.plan(),
                "/units/board/boards/more/bare",
                "{\"part\":\"relay-bare\",\"driver\":{\"baseOhm\":560,\"gain\":100,\"diode\":true}}",
                "/devices/lamp/wiring",
                "{\"terminals\":{\"switch\":\"main/G18 bare/1\"},\"fixed\":false}");
        Sheet sheet = new Facts(bare).wiring().get("board");
        Map<String, String> to = sheet.terminals().stream()
                .collect(Collectors.toMap(Sheet.TerminalRow::terminal, Sheet.TerminalRow::to));
        assertEquals("transistor for bare/1, 560 Ω before its base", to.get("main/G18"));
        assertEquals("emitter of the transistor for bare/1", to.get("0 V"));
        assertEquals("collector of the transistor; other end of the diode", to.get("bare/1 coil −"));
        assertTrue(
                sheet.shapes().stream().anyMatch(s -> "each way: transistor, 560 Ω before its base".equals(s.text())));
    }

    @Test
    void nothingIsDrawnOutsideItsSheet() {
        new Facts(ThornfellLodge.plan())
                .wiring()
                .values()
                .forEach(sheet -> sheet.shapes().forEach(shape -> {
                    for (int i = 0; i < shape.points().size(); i += 2) {
                        double x = shape.points().get(i);
                        double y = shape.points().get(i + 1);
                        assertTrue(x >= 0 && x <= sheet.widthMm() && y >= 0 && y <= sheet.heightMm(), shape.toString());
                    }
                }));
    }
}
