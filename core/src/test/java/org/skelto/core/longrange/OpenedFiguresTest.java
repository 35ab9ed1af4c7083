package org.skelto.core.longrange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.facts.Facts;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.links.LinkReport;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.power.Outposts;
import org.skelto.core.power.SunModel;
import org.skelto.core.quantity.Figure;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.Hills;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.Progress;

/** What a figure shows when it is opened gives the number again: its inputs put into its formula by hand. */
class OpenedFiguresTest {
    private static final SlabTables TABLES = new SlabTables();
    private static final Pattern NUMBER = Pattern.compile("−?\\d+(\\.\\d+)?");

    private static final Plan WEAK = Changed.with(
            Outpost.plan(),
            "/paths/hill/profile/1/elevationM",
            "330",
            "/paths/hill/covers",
            "[{\"kind\":\"TREES\",\"fromM\":600,\"toM\":800,\"heightM\":12}]",
            "/units/outpost/solar",
            "{\"panelW\":0.5,\"tiltDeg\":60,\"openShare\":0.6,\"sunShareSummer\":0.4,\"sunShareWinter\":0.2}");

    /** The first number of an input; every input is rounded to a decimal or two. */
    private static double number(Figure figure, String input) {
        String text = figure.inputs().get(input);
        assertTrue(text != null, () -> input + " is none of " + figure.inputs().keySet());
        Matcher m = NUMBER.matcher(text);
        assertTrue(m.find(), text);
        double value = Double.parseDouble(m.group().replace('−', '-'));
        return text.endsWith(" %") ? value / 100 : value;
    }

    private static double stair(Figure figure) {
        double left = 0;
        for (Map.Entry<String, String> e : figure.inputs().entrySet()) {
            left += (e.getKey().equals("receiver floor") ? -1 : 1) * number(figure, e.getKey());
        }
        return left;
    }

    @Test
    void aChangeOpensToTheStairOfItsWorseDirection() {
        List<WhatItTakes.Change> changes = WhatItTakes.of(
                        WEAK, SiteModel.of(WEAK), TABLES, "hill", Medium.CHIRP, null, 0.95)
                .changes();
        assertTrue(changes.size() > 4, changes.toString());
        int relays = 0;
        for (WhatItTakes.Change c : changes) {
            if (c.legs().isEmpty()) {
                assertEquals(c.marginDb(), stair(c.figure()), 0.6, c.text() + c.figure());
                assertTrue(c.figure().inputs().containsKey("trees"), c.figure().toString());
            }
            double worst = Double.POSITIVE_INFINITY;
            for (WhatItTakes.RelayLeg leg : c.legs()) {
                Figure f = leg.figure();
                double margin = number(f, "EIRP")
                        - number(f, "loss over the ground")
                        - number(f, "walls and antennas beside their beams, as they count now")
                        + number(f, "receiving antenna and feeder")
                        - number(f, "receiver floor");
                assertEquals(leg.marginDb(), margin, 0.3, f.toString());
                worst = Math.min(worst, leg.marginDb());
                relays++;
            }
            assertTrue(c.legs().isEmpty() || worst == c.marginDb());
        }
        assertEquals(2, relays);
    }

    @Test
    void aSettingOpensToWhatTheGridShows() {
        LinkReport report = new Facts(WEAK).links().get("outpost-far-gw");
        Explorer.Wanted wanted = new Explorer.Wanted(6, 20, 3, null);
        Catalogue parts = Catalogue.builtIn();
        for (Explorer.Setting s : Explorer.of(WEAK, parts, report, wanted).settings()) {
            assertTrue(Explorer.offers(s.spreadingFactor(), s.bandwidthKHz()));
            Explorer.SettingFigures f =
                    Explorer.figures(WEAK, parts, report, wanted, s.spreadingFactor(), s.bandwidthKHz());
            assertEquals(s.marginDb(), number(f.margin(), "arrives") - number(f.margin(), "receiver floor"), 0.2);
            assertEquals(
                    s.chance(),
                    Chance.of(number(f.chance(), "margin, worse direction"), number(f.chance(), "σ")),
                    0.01);
            assertEquals(s.airtimeMs(), airtime(s), 1e-6);
            assertEquals(Math.pow(2, s.spreadingFactor()) / s.bandwidthKHz(), number(f.airtime(), "Ts"), 6e-4);
            assertEquals(3 * s.airtimeMs(), number(f.interval(), "time on air of a message, all tries"), 0.06);
            assertEquals(
                    s.leastIntervalS(),
                    3 * s.airtimeMs() / 1000 / number(f.interval(), "duty cycle"),
                    1e-6 * s.leastIntervalS());
            double p = number(f.delivery(), "p, one try meets no other");
            assertEquals(s.delivery(), s.chance() * (1 - Math.pow(1 - p, 3)), 0.02);
            assertEquals(
                    s.ackMs(),
                    number(f.answer(), "time on air")
                            + number(f.answer(), "turnaround")
                            + number(f.answer(), "answer of 4 bytes"),
                    0.2);
            double average = number(f.battery(), "average of a cycle");
            double capacity = number(f.battery(), "capacity");
            double lost = capacity * number(f.battery(), "self-discharge in a year") / 8766 * 1000;
            double years = capacity * 1000 * number(f.battery(), "usable, with the cold") / (average + lost) / 8766;
            double whole = Math.min(years, number(f.battery(), "shelf life"));
            assertEquals(s.years(), whole, 0.02 * whole);
        }
        assertFalse(Explorer.offers(5, 125));
        assertFalse(Explorer.offers(9, 126));
    }

    /** Symbols counted one by one as the recommendation of the modulation says, not by the formula of the core. */
    private static double airtime(Explorer.Setting s) {
        double symbol = Math.pow(2, s.spreadingFactor()) / s.bandwidthKHz();
        int lost = symbol > 16 ? 2 : 0;
        boolean implicit = s.spreadingFactor() == 6;
        int bits = 8 * 20 + 16 - 4 * s.spreadingFactor() + 8 + (implicit ? 0 : 20);
        int symbols = 8;
        while (bits > 0) {
            bits -= 4 * (s.spreadingFactor() - lost);
            symbols += s.codingRate();
        }
        return (8 + 4.25 + symbols) * symbol;
    }

    @Test
    void aPlaceOfTheMapSaysWhatTheMapSaysThere() {
        ElevationGrid grid = Hills.grid(161, 20, 40, 0.5, 3);
        var radio = Outpost.plan().units().get("far-gw").radio(Medium.CHIRP).orElseThrow();
        double[] walls = new double[24];
        Random random = new Random(11);
        for (int i = 0; i < walls.length; i++) {
            walls[i] = random.nextInt(15);
        }
        RelaySearch.EndPoint end = new RelaySearch.EndPoint(1013, 820, 6, 0, radio, walls);
        RelaySearch.MarginMap map = RelaySearch.of(grid, end, null, radio, 3, 10, Progress.NONE, 2);
        int near = 0;
        int tried = 400;
        for (int i = 0; i < tried; i++) {
            int c = random.nextInt(161);
            int r = random.nextInt(161);
            double within = random.nextDouble() * 9;
            RelaySearch.PlaceMargin place =
                    RelaySearch.at(grid, end, radio, 3, 6, Math.min(grid.x(160), grid.x(c) + within), grid.y(r));
            assertEquals(grid.x(c), place.xM(), 1e-6);
            near += Math.abs(place.marginDb() - map.marginDb()[r * map.columns() + c] / 10.0) <= 0.15 ? 1 : 0;
            Figure f = place.figure();
            assertEquals(
                    place.marginDb(),
                    number(f, "what may be lost on the way")
                            - number(f, "loss over the ground")
                            - number(f, "walls and the antenna's own pattern in that direction"),
                    0.2,
                    f.toString());
        }
        assertTrue(near >= 0.97 * tried, near + " of " + tried);
    }

    @Test
    void monthsRegulatorsAndOtherRadiosOpenToTheirYears() {
        Outposts.OutpostEnergy energy = Outposts.of(WEAK, Catalogue.builtIn()).get("outpost");
        assertEquals(12, energy.months().size());
        for (SunModel.MonthOfSun m : energy.months()) {
            Figure f = m.figure();
            assertEquals(
                    m.sunWh(),
                    number(f, "on the panel at 60°, with the sky that it sees")
                            * number(f, "panel")
                            * number(f, "into the battery"),
                    0.01 * Math.max(1, m.sunWh()));
        }
        energy.regulators()
                .forEach(r -> assertEquals(r.averageUa(), number(r.figure(), "average of a cycle"), 0.06, r.what()));
        assertEquals(energy.averageUa(), average(energy.averageFigure()), 0.02 * energy.averageUa());
        assertTrue(energy.radios().stream().allMatch(r -> r.figure() != null));
    }

    private static double average(Figure f) {
        double sum = 0;
        double awakeMs = 0;
        double cycleMs = 0;
        double asleepUa = 0;
        for (String text : f.inputs().values()) {
            String[] words = text.split(" ");
            if (words[1].equals("mA")) {
                sum += Double.parseDouble(words[0]) * 1000 * Double.parseDouble(words[3]);
                awakeMs += Double.parseDouble(words[3]);
            } else {
                asleepUa = Double.parseDouble(words[0]);
                cycleMs = 1000 * Double.parseDouble(words[6]);
            }
        }
        return (sum + asleepUa * (cycleMs - awakeMs)) / cycleMs;
    }

    @Test
    void everyModelAndEveryWayOfACommandCanBeOpened() {
        PathReport report =
                PathReport.of(WEAK, SiteModel.of(WEAK), TABLES, "hill", null).orElseThrow();
        Outdoors.ModelLoss ground = report.models().get(1);
        assertEquals(
                ground.lossDb(),
                ground.figure().inputs().keySet().stream()
                        .mapToDouble(k -> number(ground.figure(), k))
                        .sum(),
                0.2);
        assertEquals(report.models().get(0).lossDb(), number(ground.figure(), "free space"), 0.06);
        for (Routes.CommandRoute route :
                Routes.of(WEAK, SiteModel.of(WEAK), TABLES, new Facts(WEAK).outages(), "far-gw", "outpost")) {
            if (route.legs().isEmpty()) {
                continue;
            }
            double ms = number(route.figure(), "the hub decides");
            double chance = 1;
            for (Map.Entry<String, String> e : route.figure().inputs().entrySet()) {
                if (e.getKey().contains("→")) {
                    String[] words = e.getValue().replace(",", "").split(" ");
                    ms += Double.parseDouble(words[1]) + Double.parseDouble(words[4]);
                    chance *=
                            e.getValue().contains("over 99.9") ? 1 : Double.parseDouble(words[words.length - 2]) / 100;
                }
            }
            assertEquals(
                    route.confirmedMs(),
                    ms,
                    route.legs().size() + 0.5,
                    route.figure().toString());
            assertEquals(route.chance(), chance, 0.02);
        }
    }
}
