package org.skelto.server.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import org.skelto.server.testing.Readers;
import tools.jackson.databind.JsonNode;

class RulesApiTest extends OnTheMill {
    @Test
    void aRuleIsKeptReadAsASentenceAndWrittenToBeHandedOver() {
        Map<String, Object> rule = Map.of(
                "name",
                "Lamp *by* button",
                "off",
                false,
                "any",
                false,
                "host",
                "hub",
                "when",
                List.of(Map.of("kind", "PRESSED", "device", "meal-button", "press", "LONG")),
                "then",
                List.of(Map.of("kind", "LEVEL", "device", "table-lamp", "percent", 30)));
        String patch =
                Http.MAPPER.writeValueAsString(List.of(Map.of("op", "add", "path", "/rules/by-button", "value", rule)));
        Http.Answer stored = http.patch(plan, revision(), patch);
        assertEquals(200, stored.status(), stored.text());
        JsonNode sentence = http.get(plan + "/rules/sentences")
                .json()
                .valueStream()
                .filter(s -> s.get("rule").asString().equals("by-button"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                "When meal floor button is pressed long, then set table lamp to 30 %.",
                sentence.get("text").asString());
        Http.Answer written = http.get(plan + "/rules/markdown");
        assertTrue(written.text().contains("## Lamp \\*by\\* button"), written.text());
        assertTrue(written.text().contains("Runs in house hub."));
        assertTrue(http.get(plan + "/rules/csv").text().contains("by-button,Lamp *by* button,house hub,"));
        assertEquals(
                "opens",
                http.get(plan + "/rules/words").json().at("/BLIND/becomes/0").asString());
    }

    @Test
    void whatIsWrongIsToldWithItsStoryAndAWeekIsShown() {
        JsonNode findings = http.get(plan + "/rules/findings").json();
        JsonNode cut = findings.valueStream()
                .filter(f -> f.get("kind").asString().equals("CUT_SHORT"))
                .findFirst()
                .orElseThrow();
        assertEquals("REACHABLE", cut.get("proof").asString());
        assertTrue(cut.at("/story/steps").size() > 2);
        JsonNode week = http.get(plan + "/rules/week?day=2026-03-25").json();
        assertEquals("Europe/London", week.get("zone").asString());
        assertEquals("2026-03-23", week.at("/days/0/date").asString());
        // the clock is put forward on the last Sunday of March
        assertEquals(23, week.at("/days/6/hours").asDouble());
        List<JsonNode> warm = week.get("bars")
                .valueStream()
                .filter(b -> b.get("device").asString().equals("workshop-heater"))
                .toList();
        assertEquals(
                List.of(1, 3, 5), warm.stream().map(b -> b.get("day").asInt()).toList());
        assertEquals(7 * 60 + 15, warm.get(0).get("fromMin").asInt());
        assertEquals(422, http.get(plan + "/rules/week?day=9999-12-31").status());
        assertEquals(400, http.get(plan + "/rules/week?day=someday").status());
        assertEquals(404, http.get(plan + "/rules/nobody/hosts").status());
        assertEquals(404, http.get(plan + "/rules/told/nobody").status());
    }

    @Test
    void placesToRunAreComparedAndReadyRulesAreOfferedAsTheyWouldRead() {
        JsonNode hosts = http.get(plan + "/rules/pit-pump/hosts").json();
        assertEquals("pit-sender", hosts.at("/0/host").asString());
        assertEquals("OWN_CONTROLLER", hosts.at("/0/kind").asString());
        JsonNode told = http.get(plan + "/rules/told/front-contact").json();
        assertEquals("home, day", told.at("/cases/0/when").asString());
        JsonNode buttons = http.get(plan + "/rules/buttons").json();
        assertTrue(
                buttons.valueStream().anyMatch(b -> b.get("device").asString().equals("bed-button")));
        JsonNode flood = http.get(plan + "/rules/ready")
                .json()
                .valueStream()
                .filter(r -> r.at("/ready/key").asString().startsWith("water"))
                .findFirst()
                .orElseThrow();
        assertTrue(flood.at("/sentences/0").asString().contains("then shut water stop valve"), flood.toString());
    }

    /** An independent reader takes the calendar, and comes to the days on which the rule fires. */
    @Test
    void whatTheClockSetsOffIsACalendar(@TempDir Path folder) throws Exception {
        Path file = Files.writeString(
                folder.resolve("rules.ics"), http.get(plan + "/rules/calendar").text());
        String read = Readers.ran("ical.mjs", file);
        List<String[]> events = read.lines()
                .map(line -> line.split("\\|"))
                .filter(e -> e.length == 4)
                .toList();
        String[] warm = events.stream()
                .filter(e -> e[0].equals("Workshop warm"))
                .findFirst()
                .orElseThrow();
        assertEquals("12600", warm[3]);
        for (String at : List.of(warm[1], warm[2])) {
            LocalDateTime time = LocalDateTime.parse(at);
            assertEquals(LocalTime.of(7, 15), time.toLocalTime());
            assertTrue(
                    Set.of(DayOfWeek.TUESDAY, DayOfWeek.THURSDAY, DayOfWeek.SATURDAY)
                            .contains(time.getDayOfWeek()),
                    at);
        }
        // blinds at dusk, on Fridays to Sundays of four weeks
        assertEquals(
                12,
                events.stream()
                        .filter(e -> e[0].equals("Blinds at dusk") && e[2].equals("once"))
                        .count());
    }

    @Test
    void aControlScreenIsMadeGivenOutAndTakenInAgain() {
        JsonNode made = http.get(plan + "/screens/made?rooms=hall").json();
        assertTrue(made.valueStream()
                .anyMatch(t -> t.get("of").asString().equals("front-lock")
                        && t.get("confirm").asBoolean()));
        assertTrue(made.size() < http.get(plan + "/screens/made").json().size());
        String screen = "{\"name\":\"Hall\",\"rooms\":[\"hall\"],\"tiles\":" + made + "}";
        assertEquals(200, put("/state/screens/hall-phone", screen).status());
        Http.Answer file = http.get(plan + "/screens/hall-phone/file");
        JsonNode said = file.json();
        assertEquals("skelto-screen/1", said.get("format").asString());
        assertEquals(made.size(), said.get("tiles").size(), "what stands on it goes along, in the order of the screen");
        // what was given out is taken in: it is the same then
        assertEquals(
                200, put("/state/screens/again", said.get("screen").toString()).status());
        assertEquals(
                said.get("screen"),
                http.get(plan + "/screens/again/file").json().get("screen"));
        assertEquals("%PDF", http.get(plan + "/screens/hall-phone/card").text().substring(0, 4));
        JsonNode state = http.get(plan + "/screens")
                .json()
                .valueStream()
                .filter(s -> s.get("screen").asString().equals("hall-phone"))
                .findFirst()
                .orElseThrow();
        assertEquals(0, state.get("missing").size());
        assertEquals(404, http.get(plan + "/screens/nobody/card").status());
        assertEquals(
                422,
                put("/state/screens/wrong", "{\"name\":\"\",\"tiles\":[{\"kind\":\"DOOR\",\"of\":\"x\"}]}")
                        .status());
    }

    private Http.Answer put(String path, String value) {
        return http.patch(plan, revision(), "[{\"op\":\"add\",\"path\":\"" + path + "\",\"value\":" + value + "}]");
    }

    @Test
    void partsAreTypedRulesAreCopiedSensorsSeeAndMessagesAreCounted() {
        JsonNode parts = http.get(plan + "/rules/parts?slot=ACTION&text=hall%20lamp%20on%206%20min")
                .json();
        assertEquals("switch hall lamp on for 6 min", parts.at("/0/text").asString());
        assertEquals(360, parts.at("/0/action/forS").asInt());
        assertEquals(400, http.get(plan + "/rules/parts?slot=WISH").status());
        assertEquals(
                200,
                http.get(plan + "/rules/parts?slot=TERM&text=" + "x".repeat(3000))
                        .status());
        JsonNode copies = http.get(plan + "/rules/landing-light/copies").json();
        assertEquals("meal-button", copies.at("/0/made/when/0/device").asString());
        assertEquals(404, http.get(plan + "/rules/nobody/copies").status());
        JsonNode sights = http.get(plan + "/rules/sights").json();
        assertEquals(2, sights.get("sensors").size());
        assertTrue(sights.get("openings")
                .valueStream()
                .anyMatch(o -> o.get("seenBy").toString().contains("hall-motion")));
        JsonNode messages = http.get(plan + "/rules/messages").json();
        JsonNode away = messages.get("rules")
                .valueStream()
                .filter(r -> r.get("rule").asString().equals("door-while-away"))
                .findFirst()
                .orElseThrow();
        // half a time a month, to two people
        assertEquals(1, away.get("messages").asDouble(), 1e-9);
        assertTrue(http.get(plan + "/rules/presence?speaking=0,1")
                .json()
                .get("home")
                .asBoolean());
        assertEquals(
                25,
                http.get(plan + "/rules/presence?speaking=0,1")
                        .json()
                        .get("staysMin")
                        .asInt());
        assertEquals(400, http.get(plan + "/rules/presence?speaking=all").status());
    }
}
