package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http;
import tools.jackson.databind.JsonNode;

/** Will it reach, is it lawful, how long does the battery last: the long-range bench in a real browser. */
class LongRangeJourneyTest extends Journey {
    private Locator row(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
    }

    private JsonNode air() {
        return plan().at("/units/sluice-board/radios/chirp/air");
    }

    @Test
    void anAntennaIsDraggedUpAndEverythingFollows() {
        view("long-range");
        row("sluice outpost → long-range gateway").click();
        Locator handle = page.getByRole(
                AriaRole.SLIDER, new Page.GetByRoleOptions().setName(Pattern.compile("^Antenna of sluice outpost")));
        assertThat(panel()).containsText("blocked by");
        assertThat(panel()).containsText("ground");
        handle.scrollIntoViewIfNeeded();
        BoundingBox at = handle.boundingBox();
        String before = panel().locator("svg title").first().textContent();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse().move(at.x + at.width / 2, at.y - 40);
        // the figures follow before anything is stored
        page.waitForFunction("was => document.querySelector('.panel svg title').textContent !== was", before);
        settled(1);
        page.mouse().move(at.x + at.width / 2, at.y - 60);
        page.mouse().up();
        settled(2);
        assertTrue(air().get("mastM").asDouble() > 6, air().toString());
        handle.focus();
        page.keyboard().press("PageDown");
        settled(3);
        page.getByLabel("Predicted").selectOption("TWO_RAY");
        settled(4);
        assertThat(panel()).containsText("two rays");
        button("Antenna back at sluice outpost").click();
        settled(5);
        assertTrue(air().get("mastM").isNull());
    }

    @Test
    void groundIsTypedAndWhatDescendsIsRefused() {
        view("long-range");
        page.locator("form.inspect select").first().selectOption("gate-board");
        page.locator("form.inspect select").last().selectOption("sensor-gw");
        Locator points = page.getByLabel("Or points");
        points.fill("0, 212\n20, 213\n15, 212");
        button("Take in the points").click();
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("/line 3 does not lie beyond the point before it");
        assertThat(points).hasValue("0, 212\n20, 213\n15, 212");
        points.fill("0, 212.4\n15, 213\n33, 212");
        button("Take in the points").click();
        settled(2);
        assertThat(panel()).containsText("gate controller to sensor gateway, 33 m");
        button("Add trees, a building or water").click();
        settled(3);
        assertEquals("TREES", plan().at("/paths/sensor-gateway/covers/0/kind").asString());
        page.getByLabel("GPX track")
                .setInputFiles(new FilePayload(
                        "walk.gpx",
                        "application/gpx+xml",
                        "<!DOCTYPE g [<!ENTITY x SYSTEM 'file:///etc/passwd'>]><gpx/>"
                                .getBytes(StandardCharsets.UTF_8)));
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("walk.gpx");
        button("Take it from the grid of heights").click();
        settled(4);
        assertThat(panel()).containsText("points taken in");
    }

    @Test
    void groundIsLaidUnderAllAndItFollowsWhatMoves() {
        view("long-range");
        assertThat(dock()).containsText("No terrain profile between");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Take the terrain profile")))
                .click();
        settled(2);
        assertThat(dock()).not().containsText("No terrain profile between");
        row("paddle button → sluice outpost").click();
        assertThat(panel()).containsText("it goes along when an end moves");
        assertThat(panel()).containsText("paddle button to sluice outpost, 621 m");
        JsonNode before = plan().at("/paths/paddle-button/profile");
        new Http(skelto)
                .patch(
                        "/api/plans/" + mill,
                        2L,
                        "[{\"op\":\"replace\",\"path\":\"/units/sluice-board/place/yM\",\"value\":-60}]");
        page.reload();
        row("paddle button → sluice outpost").click();
        assertThat(panel()).not().containsText("paddle button to sluice outpost, 621 m");
        assertNotEquals(before, plan().at("/paths/paddle-button/profile"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo")))
                .click();
        assertThat(panel()).containsText("paddle button to sluice outpost, 621 m");
        settled(4);
        assertThat(opened("the loss, two rays")).containsText("plane ground, reflection −1");
    }

    @Test
    void aSettingIsChosenForAllThatTalkAndTheLawIsShown() {
        view("long-range?part=settings");
        page.getByLabel("Path").selectOption("sluice");
        assertThat(panel()).containsText("Best for reach");
        page.getByLabel("Payload, bytes").fill("300");
        page.keyboard().press("Tab");
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("/payloadBytes must lie between 1 and 255");
        page.getByLabel("Payload, bytes").fill("200");
        page.keyboard().press("Tab");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^SF12, 7.8 kHz")))
                .click();
        assertThat(panel()).containsText("temperature-compensated");
        // what would leave something behind is asked about first
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^SF12, 125 kHz")))
                .click();
        assertThat(panel()).containsText("Ruled out as a choice");
        button("Set 4 radios so").click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).containsText("Nothing was changed yet");
        button("Leave it").click();
        assertThat(page.getByRole(AriaRole.ALERTDIALOG)).hasCount(0);
        panel().getByLabel("Show").selectOption("interval");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^SF10, 125 kHz")))
                .click();
        assertThat(opened("the least lawful interval")).containsText("check with your regulator");
        page.keyboard().press("Escape");
        button("Set 4 radios so").click();
        settled(2);
        for (String unit : new String[] {"sluice-board", "chirp-gw", "cistern-board", "paddle-button"}) {
            assertEquals(
                    10,
                    plan().at("/units/" + unit + "/radios/chirp/chirp/spreadingFactor")
                            .asInt());
        }
    }

    @Test
    void whatItTakesIsDoneAndTheSnagGoes() {
        view("long-range?part=takes");
        page.getByLabel("Path").selectOption("sluice");
        assertThat(panel()).containsText("Missing:");
        assertThat(dock()).containsText("sluice outpost misses its margin");
        page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("enough$|enough ")))
                .first()
                .waitFor();
        panel().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Do it"))
                .first()
                .click();
        settled(2);
        assertThat(panel()).containsText("Nothing is missing");
        assertThat(dock()).not().containsText("sluice outpost misses its margin");
        page.getByLabel("How far with").selectOption("0.99");
        assertThat(panel()).containsText("With 99 %");
    }

    @Test
    void theMapShowsWhereARelayReachesBothEnds() {
        view("long-range?part=map");
        page.getByLabel("A relay must also reach").selectOption("sluice-board");
        button("Draw the map").click();
        assertThat(panel()).containsText("of the grid meets the wish");
        page.locator(".sheet svg").click();
        assertThat(panel()).containsText("to long-range gateway over");
        page.getByLabel("At, m east").fill("99999");
        page.keyboard().press("Tab");
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("must lie on the grid of heights");
        page.getByLabel("At, m east").fill("200");
        page.keyboard().press("Tab");
        assertThat(opened("the margin at this place")).containsText("loss over the ground");
        page.keyboard().press("Escape");
        panel().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Mark as a spot"))
                .first()
                .click();
        settled(2);
        assertTrue(plan().at("/spots/relay-site").isObject());
    }

    @Test
    void aMessageIsPackedAndACommandIsFollowedToItsLamp() {
        view("long-range?part=messages");
        page.getByLabel("What this unit sends").selectOption("cistern-board");
        assertThat(panel()).containsText("31 bits in 4 bytes");
        button("Add a value").click();
        settled(2);
        // 0 to 100 takes seven bits, 0 to 1000 takes ten
        assertThat(panel()).containsText("38 bits in 5 bytes");
        page.getByLabel("most, 5").fill("1000");
        page.keyboard().press("Tab");
        settled(3);
        assertThat(panel()).containsText("41 bits in 6 bytes");
        page.getByLabel("Commands say").selectOption("TOGGLE");
        settled(4);
        page.getByLabel("Tries").fill("3");
        page.keyboard().press("Tab");
        settled(5);
        assertThat(dock()).containsText("toggled over a link that repeats");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Command the wanted state"))
                .click();
        settled(6);
        assertThat(dock()).not().containsText("toggled over a link that repeats");
        page.getByLabel("What this unit sends").selectOption("sluice-board");
        page.getByLabel("Pressed at").selectOption("paddle-button");
        assertThat(panel()).containsText("bound directly, without hub");
        assertThat(panel()).containsText("it sleeps: up to 10 min more");
        page.getByLabel("Pressed at").selectOption("cistern-board");
        button("Add the link").click();
        settled(7);
        assertThat(panel()).not().containsText("no link of the plan yet");
        JsonNode bound = plan().at("/links/cistern-outpost-sluice-outpost");
        assertEquals("CHIRP", bound.get("medium").asString());
        assertEquals("TWO_WAY", bound.get("direction").asString());
    }

    @Test
    void energyAirFieldTestAndLawAnswer() {
        view("long-range?part=energy");
        page.getByLabel("Unit on a battery").selectOption("sluice-board");
        assertThat(panel()).containsText("Wi-Fi, wake and join");
        assertThat(panel()).containsText("With its panel it lasts through the year");
        page.getByLabel("Panel, W at full sun").fill("0.01");
        page.keyboard().press("Tab");
        settled(2);
        page.getByLabel("Cycle, s").fill("20");
        page.keyboard().press("Tab");
        settled(3);
        assertThat(panel()).containsText("dies in");
        view("long-range?part=air");
        assertThat(panel()).containsText("at most 1.0 % on air");
        assertThat(panel()).containsText("Taking turns");
        view("long-range?part=test");
        page.getByLabel("Path").selectOption("sluice");
        page.getByLabel("Or paste").fill("distanceM,dBm\n120,-72\n240,-80\n500,-117\n560,-112");
        button("Take in the table").click();
        // it is emptied once the readings are stored and shown
        assertThat(page.getByLabel("Or paste")).hasValue("");
        assertThat(panel()).containsText("each reading predicted from the others");
        button("Learn it").click();
        settled(4);
        assertThat(panel()).containsText("Learned from 11 readings");
        assertEquals(11, plan().at("/paths/sluice/learned/readings").asInt());
        view("long-range?part=ground");
        assertThat(panel()).containsText("check with your regulator");
        page.getByLabel("ASCII grid")
                .setInputFiles(new FilePayload("N52W003.hgt", "application/octet-stream", new byte[100]));
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("has 100 bytes");
        assertThat(panel()).containsText("136 × 96 heights");
        page.getByLabel("ASCII grid")
                .setInputFiles(new FilePayload(
                        "flat.asc",
                        "text/plain",
                        "ncols 2\nnrows 2\nxllcenter -4000\nyllcenter -4000\ncellsize 8000\n7 7\n7 7\n"
                                .getBytes(StandardCharsets.UTF_8)));
        assertThat(panel()).containsText("2 × 2 heights taken in");
        button("Cut 2 paths out of it anew").click();
        settled(5);
        assertThat(panel()).containsText("2 cut out anew.");
        assertEquals(7, plan().at("/paths/sluice/profile/0/elevationM").asDouble());
    }
}
