package org.skelto.core.longrange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Outpost;
import org.skelto.core.RandomEdits;
import org.skelto.core.facts.Facts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.LongRange.FarLink;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.SiteModel;

/** Which links count as long range, what their rows say, and how commands go over them. */
class FarLinksTest {
    private static final SlabTables TABLES = new SlabTables();
    private static final String LINK = "{\"from\":\"%s\",\"to\":\"%s\",\"medium\":\"%s\",\"direction\":\"TWO_WAY\"}";

    /** The outpost with a keyed radio too, its hill at a distance north of the house, and no path known. */
    private static Plan apart(double northM) {
        Plan plan = Outpost.plan();
        return Changed.with(
                plan,
                "/units/outpost/radios/keyed",
                Changed.json(plan.units().get("far-gw").radios().get("keyed")),
                "/spots/hill/yM",
                Double.toString(northM),
                "/paths/hill",
                "-");
    }

    /** By the rule of the page: chirp always; simple keying between a building and another or a spot, over 50 m. */
    @ParameterizedTest
    @CsvSource({
        "CHIRP,   10, true",
        "CHIRP, 1500, true",
        "SUB_GHZ, 30, false",
        "SUB_GHZ, 60, true",
        "SUB_GHZ, 1500, true",
    })
    void isFar(Medium medium, double northM, boolean far) {
        Plan plan = Changed.with(apart(northM), "/links/trial", LINK.formatted("outpost", "far-gw", medium));
        Link link = plan.links().get("trial");
        assertEquals(far, LongRange.far(plan, SiteModel.of(plan), link));
    }

    @Test
    void withinOneBuildingOrWithoutAPlaceOrOverCableItIsNot() {
        Plan plan = apart(1500);
        SiteModel site = SiteModel.of(plan);
        assertFalse(LongRange.far(plan, site, plan.links().get("tag-far-gw")), "both in the house");
        assertFalse(LongRange.far(plan, site, plan.links().get("far-gw-switch")), "a cable");
        Plan nowhere = Changed.with(
                plan, "/links/trial", LINK.formatted("outpost", "far-gw", "SUB_GHZ"), "/units/outpost/place", "null");
        assertFalse(
                LongRange.far(nowhere, SiteModel.of(nowhere), nowhere.links().get("trial")));
        Plan near = Changed.with(
                Outpost.plan(),
                "/spots/hill/yM",
                "10",
                "/units/outpost/radios/keyed",
                Changed.json(plan.units().get("far-gw").radios().get("keyed")),
                "/links/trial",
                LINK.formatted("outpost", "far-gw", "SUB_GHZ"));
        assertTrue(
                LongRange.far(near, SiteModel.of(near), near.links().get("trial")),
                "whose ground is known is far, however near");
    }

    @Test
    void aPathWithoutALinkIsListedAsSuch() {
        Plan plan = Changed.with(Outpost.plan(), "/links/outpost-far-gw", "-");
        FarLink row = new Facts(plan).longRange().get(0);
        assertNull(row.link());
        assertEquals("hill", row.path());
        assertEquals("no link runs over it", row.trouble());
        assertNull(row.marginDb());
        assertFalse(row.meets());
        assertNotNull(row.deaf() == null ? row.fromName() : row.deaf());
    }

    static Stream<Plan> houses() {
        return Stream.of(Demos.mill(), Outpost.plan());
    }

    @ParameterizedTest
    @MethodSource("houses")
    void rowsSayWhatTheLinkReportsAndTheLawSay(Plan house) {
        Stream.iterate(house, new RandomEdits(5)::next).limit(50).forEach(plan -> {
            Facts facts = new Facts(plan);
            List<FarLink> rows = facts.longRange();
            Set<String> paths = new HashSet<>();
            Set<String> links = new HashSet<>();
            for (FarLink row : rows) {
                assertTrue(row.link() == null || links.add(row.link()), "a link has one row");
                if (row.path() != null) {
                    paths.add(row.path());
                    assertTrue(plan.paths().get(row.path()).joins(row.from(), row.to()));
                }
                if (row.link() == null) {
                    continue;
                }
                LinkReport report = facts.links().get(row.link());
                assertEquals(report.marginDb(), row.marginDb());
                assertEquals(report.meets(), row.meets());
                assertEquals(report.trouble(), row.trouble());
                assertEquals(report.chance(), row.chance());
                assertTrue(row.path() == null || !row.openAir(), "whose ground is known is not open air");
                if (Traffic.counts(row.medium())) {
                    var sender = plan.units().get(row.from());
                    sender.radio(row.medium())
                            .ifPresent(r -> assertEquals(
                                    AirLaw.of(plan.region(), r, Traffic.of(sender, r))
                                            .broken(),
                                    row.broken()));
                }
            }
            assertEquals(plan.paths().keySet(), paths, "no path is left out");
            plan.links().forEach((id, link) -> assertTrue(link.medium() != Medium.CHIRP || links.contains(id), id));
        });
    }

    @ParameterizedTest
    @MethodSource("houses")
    void aRouteIsTheSumOfItsLegs(Plan house) {
        Random random = new Random(3);
        List<String> units = new ArrayList<>(house.units().keySet());
        SiteModel site = SiteModel.of(house);
        for (int i = 0; i < 60; i++) {
            String from = units.get(random.nextInt(units.size()));
            String to = units.get(random.nextInt(units.size()));
            if (from.equals(to)) {
                continue;
            }
            for (Routes.CommandRoute route : Routes.of(house, site, TABLES, new Facts(house).outages(), from, to)) {
                double chance = 1;
                double once = route.name().contains("hub") && !route.name().contains("without") ? 30 : 0;
                boolean troubled = false;
                String at = house.units().get(from).name();
                for (Routes.Leg leg : route.legs()) {
                    assertEquals(at, leg.from(), "legs join");
                    at = leg.to();
                    chance *= leg.chance() == null ? 1 : leg.chance();
                    once += leg.commandMs() + leg.answerMs();
                    troubled |= leg.trouble() != null;
                }
                if (route.legs().isEmpty()) {
                    assertFalse(route.possible());
                    assertEquals(0, route.chance());
                    continue;
                }
                assertEquals(house.units().get(to).name(), at);
                assertEquals(!troubled, route.possible());
                assertEquals(chance, route.chance(), 1e-12);
                assertEquals(once, route.confirmedMs(), 1e-9);
                assertTrue(route.worstMs() >= route.confirmedMs() - 1e-9);
            }
        }
    }

    @Test
    void withoutAHubOrLinksNothingGoesThroughIt() {
        Plan plan = Changed.with(Outpost.plan(), "/links/far-gw-switch", "-");
        Routes.CommandRoute route = Routes.of(
                        plan, SiteModel.of(plan), TABLES, new Facts(plan).outages(), "far-gw", "outpost")
                .get(1);
        assertFalse(route.possible());
        assertTrue(route.why().contains("no link leads from"), route.why());
        // a sleeper that listens all the time keeps nobody waiting
        Plan awake = Changed.with(
                Outpost.plan(),
                "/units/outpost/duty/pulses",
                "[{\"name\":\"listen\",\"currentMa\":12,\"durationMs\":1800000,\"kind\":\"LISTEN\"}]");
        assertEquals(
                0,
                Routes.of(awake, SiteModel.of(awake), TABLES, new Facts(awake).outages(), "far-gw", "outpost")
                        .get(0)
                        .waitS());
    }

    private static Plan hill(String... changes) {
        return Changed.with(
                Changed.with(
                        Outpost.plan(),
                        "/paths/hill/profile/1/elevationM",
                        "330",
                        "/paths/hill/covers",
                        "[]",
                        "/units/outpost/radios/keyed",
                        Changed.json(
                                Outpost.plan().units().get("far-gw").radios().get("keyed"))),
                changes);
    }

    static Stream<Plan> weak() {
        String antenna = "/units/outpost/radios/chirp/";
        return Stream.of(
                hill(),
                hill(antenna + "txPowerDbm", "2", antenna + "antennaGainDbi", "-3"),
                hill(antenna + "antennaGainDbi", "6"),
                hill("/paths/hill/profile/1/elevationM", "600"),
                hill("/paths/hill/profile/1/elevationM", "120"),
                hill(antenna + "chirp/spreadingFactor", "12", "/units/far-gw/radios/chirp/chirp/spreadingFactor", "12"),
                hill(antenna + "chirp/bandwidthKHz", "500", "/units/far-gw/radios/chirp/chirp/bandwidthKHz", "500"),
                hill("/units/outpost/message/intervalS", "20"),
                hill("/region", "\"US\""));
    }

    @ParameterizedTest
    @MethodSource("weak")
    void aChangeKeepsWhatItPromises(Plan plan) {
        String other = LINK.formatted("outpost", "far-gw", "SUB_GHZ");
        for (Plan asked : List.of(plan, Changed.with(plan, "/links/outpost-far-gw", other))) {
            Medium medium = asked.links().get("outpost-far-gw").medium();
            var takes = WhatItTakes.of(asked, SiteModel.of(asked), TABLES, "hill", medium, null, 0.95);
            for (WhatItTakes.Change c : takes.changes()) {
                Plan done = Changed.after(asked, c.edits());
                Map<String, LinkReport> links = new Facts(done).links();
                if (c.legs().isEmpty()) {
                    assertEquals(c.marginDb(), links.get("outpost-far-gw").marginDb(), 0.05, c.text());
                    assertTrue(c.marginDb() > takes.marginDb(), c.text());
                    // what was lawful before is lawful after
                    if (broken(asked).isEmpty()) {
                        assertEquals(List.of(), broken(done), c.text());
                    }
                }
            }
        }
    }

    private static List<String> broken(Plan plan) {
        return new Facts(plan)
                .longRange().stream().flatMap(r -> r.broken().stream()).toList();
    }

    @Test
    void aLinkThatIsWellSetNeedsNothingMuch() {
        Plan plan = Outpost.plan();
        var takes = WhatItTakes.of(plan, SiteModel.of(plan), TABLES, "hill", Medium.CHIRP, null, 0.95);
        assertTrue(takes.marginDb() >= takes.neededDb());
    }
}
