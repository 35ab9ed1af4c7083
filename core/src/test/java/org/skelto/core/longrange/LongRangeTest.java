package org.skelto.core.longrange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.ElevationGridBuilder;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkReport;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.MessageField;
import org.skelto.core.power.Outposts;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Traffic;
import org.skelto.core.sample.Hills;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.Progress;

class LongRangeTest {
    private static final SlabTables TABLES = new SlabTables();
    /** A hill that takes some of the margin, not all. */
    private static final Plan HILL =
            Changed.with(Outpost.plan(), "/paths/hill/profile/1/elevationM", "168", "/paths/hill/covers", "[]");

    private static LinkReport link(Plan plan) {
        return new Facts(plan).links().get("outpost-far-gw");
    }

    private static WhatItTakes.Takes takes(Plan plan, ElevationGrid grid) {
        return WhatItTakes.of(plan, SiteModel.of(plan), TABLES, "hill", Medium.CHIRP, grid, 0.95);
    }

    @Test
    void theReportFollowsTheGroundAndBothWaysAreJudged() {
        Plan plan = Outpost.plan();
        PathReport report =
                PathReport.of(plan, SiteModel.of(plan), TABLES, "hill", null).orElseThrow();
        assertEquals(2, report.report().runs().size());
        assertEquals("outpost-far-gw", report.link());
        assertTrue(report.report().runs().get(0).budget().steps().stream()
                .anyMatch(s -> s.label().equals("ground")));
        assertEquals(12, report.from().heightM());
        assertTrue(report.from().onMast());
        assertTrue(report.notes().stream().anyMatch(n -> n.contains("receiver sleeps")));
        assertTrue(link(HILL).marginDb() < link(plan).marginDb() - 5);
        Plan shorter = Changed.with(plan, "/paths/hill/profile/2/distanceM", "1100");
        assertTrue(PathReport.of(shorter, SiteModel.of(shorter), TABLES, "hill", null).orElseThrow().notes().stream()
                .anyMatch(n -> n.contains("take it anew")));
    }

    @Test
    void whatIsOfferedAsEnoughIsEnoughWhenItIsDone() {
        Plan weak = Changed.with(HILL, "/paths/hill/profile/1/elevationM", "330");
        WhatItTakes.Takes answer = takes(weak, null);
        assertTrue(answer.marginDb() < answer.neededDb(), answer.marginDb() + " of " + answer.neededDb());
        List<WhatItTakes.Change> enough =
                answer.changes().stream().filter(WhatItTakes.Change::meets).toList();
        assertFalse(enough.isEmpty(), answer.toString());
        for (WhatItTakes.Change c : answer.changes()) {
            Plan done = Changed.after(weak, c.edits());
            Map<String, LinkReport> links = new Facts(done).links();
            assertEquals(
                    c.meets(),
                    links.values().stream()
                            .filter(l -> l.medium() == Medium.CHIRP)
                            .allMatch(LinkReport::meets),
                    c.text());
            if (c.legs().isEmpty()) {
                assertEquals(c.marginDb(), links.get("outpost-far-gw").marginDb(), 0.05, c.text());
            }
        }
        for (int i = 1; i < enough.size(); i++) {
            assertTrue(enough.get(i).cost() >= enough.get(i - 1).cost());
        }
    }

    @Test
    void withAGridItAlsoLooksForAPlaceNearby() {
        ElevationGrid flat = Hills.grid(200, 20, 0, 0.5, 1);
        ElevationGrid ground = ElevationGridBuilder.builder()
                .columns(200)
                .rows(200)
                .westM(-1000)
                .southM(-500)
                .eastStepM(20)
                .northStepM(20)
                .heightM(hill(flat))
                .build();
        Plan weak = Changed.with(HILL, "/paths/hill/profile/1/elevationM", "330");
        assertTrue(takes(weak, ground).changes().stream().anyMatch(c -> c.text().startsWith("move outpost")));
    }

    private static float[] hill(ElevationGrid grid) {
        float[] h = grid.heightM().clone();
        for (int i = 0; i < h.length; i++) {
            h[i] = 100 + i / 200 * 0.1f;
        }
        return h;
    }

    @Test
    void reachShrinksWithTheChanceThatIsWanted() {
        double before = Double.POSITIVE_INFINITY;
        for (double chance : new double[] {0.6, 0.9, 0.99, 0.9999}) {
            double reach = WhatItTakes.of(HILL, SiteModel.of(HILL), TABLES, "hill", Medium.CHIRP, null, chance)
                    .reach()
                    .flatM();
            assertTrue(reach < before);
            before = reach;
        }
    }

    @Test
    void theGridOfSettingsIsConsistentAndItsPicksAreTheBestOfTheirKind() {
        LinkReport report = link(HILL);
        Explorer.SettingGrid grid =
                Explorer.of(HILL, Catalogue.builtIn(), report, new Explorer.Wanted(5, null, null, null));
        assertEquals(70, grid.settings().size());
        Explorer.Setting now = grid.settings().stream()
                .filter(Explorer.Setting::now)
                .findFirst()
                .orElseThrow();
        assertEquals(report.marginDb(), now.marginDb(), 1e-9);
        assertEquals(report.chance(), now.chance(), 1e-9);
        assertNotNull(now.years());
        assertEquals(2, grid.radios().size());
        for (Explorer.Pick p : grid.picks()) {
            Explorer.Setting s = grid.settings().stream()
                    .filter(x -> x.spreadingFactor() == p.spreadingFactor() && x.bandwidthKHz() == p.bandwidthKHz())
                    .findFirst()
                    .orElseThrow();
            assertTrue(s.broken().isEmpty());
            if (!p.wish().equals("reach")) {
                assertTrue(s.meets());
                assertTrue(grid.settings().stream()
                        .filter(o -> o.meets()
                                && o.broken().isEmpty()
                                && o.bandwidthKHz() >= 62.5
                                && o.spreadingFactor() > 6)
                        .allMatch(o -> o.airtimeMs() >= s.airtimeMs() - 1e-9
                                || p.wish().equals("fast answer")));
            }
        }
        // slow settings with long messages every half minute break the duty cycle and say so
        Plan busy = Changed.with(HILL, "/units/outpost/message/intervalS", "30");
        assertTrue(
                Explorer.of(busy, Catalogue.builtIn(), report, new Explorer.Wanted(8, 200, 3, null)).settings().stream()
                        .filter(s -> s.spreadingFactor() == 12 && s.bandwidthKHz() == 125)
                        .allMatch(s -> s.broken().get(0).startsWith("on air")));
    }

    @Test
    void sendersThatAreAlikeMeetAsTheSourceSaysAndTakeTurnsWithoutMeeting() {
        Plan plan = Outpost.plan();
        String twin = Changed.json(plan.units().get("outpost"));
        int many = 6;
        plan = withTwins(plan, twin, many - 1);
        List<SharedAir.Sender> senders = SharedAir.of(plan).stream()
                .flatMap(b -> b.senders().stream())
                .filter(s -> s.medium() == Medium.CHIRP)
                .toList();
        assertEquals(many, senders.size());
        SharedAir.Sender one = senders.get(0);
        // three tries of each of the others are on the air, and for each message an answer of 123.904 ms:
        // (12 + 4.25) preamble and 8 + 2 × 5 symbols, less 4 of the 12, of 4.096 ms each
        double answerMs = (8 + 4.25 + 8 + 2 * 5) * 4.096;
        double alike = Math.pow(Air.frameSuccess(many, one.airtimeMs(), one.intervalS()), one.tries())
                * Math.exp(-(many - 1) * (one.airtimeMs() + answerMs) / 1000 / one.intervalS());
        assertEquals(alike, one.frameSuccess(), 1e-9);
        assertEquals(Air.delivery(alike, one.tries()), one.delivery(), 1e-9);
        List<Double> starts = new ArrayList<>(
                senders.stream().map(SharedAir.Sender::offsetS).sorted().toList());
        starts.add(starts.get(0) + one.intervalS());
        for (int i = 1; i < starts.size(); i++) {
            assertTrue(starts.get(i) - starts.get(i - 1) > one.airtimeMs() * one.tries() / 1000);
        }
    }

    private static Plan withTwins(Plan plan, String twin, int many) {
        for (int i = 0; i < many; i++) {
            plan = Changed.with(
                    plan,
                    "/units/twin" + i,
                    twin,
                    "/links/twin" + i,
                    "{\"from\":\"twin" + i + "\",\"to\":\"far-gw\",\"medium\":\"CHIRP\",\"direction\":\"TWO_WAY\"}");
        }
        return plan;
    }

    @Test
    void framesThatCollideMakeAWayWeak() {
        Plan plan = Changed.with(
                Outpost.plan(),
                "/units/outpost/message/tries",
                "1",
                "/units/outpost/message/acknowledged",
                "false",
                "/devices/level",
                "{\"name\":\"level\",\"kind\":\"LEVEL\",\"unit\":\"outpost\",\"criticality\":\"ROUTINE\",\"hand\":\"NONE\",\"rest\":\"STAYS\",\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":false,\"ways\":[\"RULE\"]}");
        assertEquals(State.HOLDS, level(plan).state(), level(plan).sentence());
        String twin = Changed.json(plan.units().get("outpost")).replace("\"intervalS\":1800.0", "\"intervalS\":20.0");
        plan = withTwins(plan, twin, 12);
        double frameMs = Traffic.of(
                        plan.units().get("outpost"),
                        plan.units().get("outpost").radio(Medium.CHIRP).orElseThrow())
                .airtimeMs();
        int percent = (int) (100 * Math.exp(-12 * 2 * frameMs / 1000 / 20));
        assertTrue(percent > 50 && percent < 95, "%d".formatted(percent));
        assertEquals(State.REDUCED, level(plan).state(), level(plan).sentence());
        assertTrue(
                level(plan).sentence().endsWith("over a weak link, " + percent + " %"),
                level(plan).sentence());
        // a relay says everything once more
        Plan relayed = Changed.with(plan, "/units/far-gw/relays", "true");
        int twice = (int) (100 * Math.exp(-12 * 4 * frameMs / 1000 / 20));
        assertTrue(
                level(relayed).sentence().endsWith(", " + twice + " %"),
                level(relayed).sentence());
    }

    private static DeviceState level(Plan plan) {
        return new Facts(plan).get(HouseFacts.OUTAGES).now().get("level");
    }

    @Test
    void fieldsTakeAsManyBitsAsTellTheirStepsApart() {
        Random random = new Random(5);
        for (int i = 0; i < 2000; i++) {
            double step = Math.pow(10, random.nextInt(5) - 3);
            long steps = 1 + random.nextInt(100_000);
            MessageField f = new MessageField("x", MessageField.Kind.VALUE, -3.0, -3.0 + steps * step, step, null);
            assertTrue(1L << f.width() >= steps + 1 && (f.width() == 1 || 1L << (f.width() - 1) < steps + 1));
        }
        Payload p = Payload.of(Outpost.plan().units().get("outpost").says());
        assertEquals(25, p.bits());
        assertEquals(4, p.bytes());
        assertEquals(16, p.slots().get(2).fromBit());
        assertTrue(Payload.of(Message.NONE).notes().get(0).contains("node id"));
    }

    private static FieldTest.FieldReading reading(double d, double dbm) {
        return FieldTestFieldReadingBuilder.builder()
                .path("hill")
                .sender("far-gw")
                .distanceM(d)
                .dbm(dbm)
                .at(Instant.EPOCH)
                .build();
    }

    @Test
    void aFieldTestLearnsTheOffsetOfItsPathAndTheLinkUsesIt() {
        Plan plan = Outpost.plan();
        double[] at = {200, 500, 800, 1100, 1400};
        double[] noise = {1, -1, 2, -2, 0};
        List<FieldTest.FieldReading> all = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            double predicted = FieldTest.of(
                            plan, SiteModel.of(plan), TABLES, "hill", List.of(reading(at[i], -80)), "now")
                    .readings()
                    .get(0)
                    .predictedDbm();
            all.add(reading(at[i], predicted - 7 + noise[i]));
        }
        FieldTest.Lesson lesson = FieldTest.of(plan, SiteModel.of(plan), TABLES, "hill", all, "2026-11-20T10:00:00Z");
        assertEquals(-7, lesson.learned().offsetDb(), 1e-9);
        assertEquals(3, lesson.learned().sigmaDb(), "never under 3 dB");
        assertTrue(lesson.afterDb() < lesson.beforeDb() / 2);
        assertNull(FieldTest.of(plan, SiteModel.of(plan), TABLES, "hill", all.subList(0, 2), "now")
                .learned());
        Plan taught = Changed.with(plan, "/paths/hill/learned", Changed.json(lesson.learned()));
        assertEquals(link(plan).marginDb() - 7, link(taught).marginDb(), 1e-9);
        // what was learned is not learned twice
        assertEquals(
                -7,
                FieldTest.of(taught, SiteModel.of(taught), TABLES, "hill", all, "now")
                        .learned()
                        .offsetDb(),
                1e-9);
    }

    @Test
    void aCommandGoesStraightOrThroughTheHubAndASleeperKeepsItWaiting() {
        List<Routes.CommandRoute> routes = Routes.of(
                Outpost.plan(),
                SiteModel.of(Outpost.plan()),
                TABLES,
                new Facts(Outpost.plan()).outages(),
                "far-gw",
                "outpost");
        assertTrue(routes.get(0).possible());
        assertEquals(1, routes.get(0).legs().size());
        assertTrue(routes.get(0).legs().get(0).planned());
        assertEquals(1800, routes.get(0).waitS());
        assertTrue(routes.get(1).possible(), routes.get(1).why());
        assertTrue(routes.get(1).legs().size() > 1);
        assertTrue(routes.get(1).confirmedMs() > routes.get(0).confirmedMs());
        // ends that are set differently never hear each other, whatever their margin
        Plan apart = Changed.with(Outpost.plan(), "/units/outpost/radios/chirp/chirp/spreadingFactor", "10");
        List<Routes.CommandRoute> none =
                Routes.of(apart, SiteModel.of(apart), TABLES, new Facts(apart).outages(), "far-gw", "outpost");
        none.forEach(route -> {
            assertFalse(route.possible());
            assertEquals(0, route.chance());
        });
        assertTrue(
                none.get(0).why().contains("radio settings do not match"),
                none.get(0).why());
        assertNotNull(none.get(0).legs().get(0).marginDb());
        assertTrue(
                none.get(1).why().startsWith("nothing gets from"), none.get(1).why());
        assertFalse(Routes.of(
                        Outpost.plan(),
                        SiteModel.of(Outpost.plan()),
                        TABLES,
                        new Facts(Outpost.plan()).outages(),
                        "tag",
                        "outpost")
                .get(0)
                .possible());
    }

    @Test
    void aWiFiReportEmptiesTheCellsFirstAndSendingLastsAsLongAsTheMessage() {
        Outposts.OutpostEnergy energy =
                Outposts.of(Outpost.plan(), Catalogue.builtIn()).get("outpost");
        assertTrue(energy.deaf().startsWith("receiver sleeps: listens 0.8 s"));
        double wifi = energy.radios().stream()
                .filter(r -> r.radio().startsWith("Wi-Fi"))
                .findFirst()
                .orElseThrow()
                .years();
        assertTrue(energy.radios().stream().allMatch(r -> r.years() >= wifi));
        double send = energy.states().get(1).durationMs();
        Plan slower = Changed.with(Outpost.plan(), "/units/outpost/radios/chirp/chirp/spreadingFactor", "12");
        Outposts.OutpostEnergy longer = Outposts.of(slower, Catalogue.builtIn()).get("outpost");
        assertTrue(longer.states().get(1).durationMs() > 6 * send);
        assertTrue(longer.years() < energy.years());
        assertEquals(
                energy.states().stream().mapToDouble(Outposts.StateShare::share).sum(), 1, 1e-9);
    }

    @Test
    void aRelayIsFoundWhereBothEndsAreHeard() {
        ElevationGrid grid = Hills.grid(129, 25, 30, 0.5, 9);
        var radio = Outpost.plan().units().get("far-gw").radio(Medium.CHIRP).orElseThrow();
        double[] noWalls = new double[36];
        RelaySearch.EndPoint one = new RelaySearch.EndPoint(200, 300, 6, 0, radio, noWalls);
        RelaySearch.EndPoint other = new RelaySearch.EndPoint(3000, 3800, 3, 0, radio, noWalls);
        RelaySearch.MarginMap map = RelaySearch.of(grid, one, other, radio, 4, 10, Progress.NONE, 2);
        assertFalse(map.candidates().isEmpty());
        for (RelaySearch.Candidate c : map.candidates()) {
            assertEquals(Math.min(c.oneDb(), c.otherDb()), c.worstDb());
            assertTrue(grid.holds(c.xM(), c.yM()));
        }
        double walled = RelaySearch.of(
                        grid,
                        new RelaySearch.EndPoint(200, 300, 6, 0, radio, full(20)),
                        null,
                        radio,
                        4,
                        10,
                        Progress.NONE,
                        2)
                .holdsShare();
        double open =
                RelaySearch.of(grid, one, null, radio, 4, 10, Progress.NONE, 2).holdsShare();
        assertTrue(walled < open);
    }

    private static double[] full(double db) {
        double[] all = new double[36];
        java.util.Arrays.fill(all, db);
        return all;
    }
}
