package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** A rule is said, read and mended. */
@ExtendWith({RunningSkelto.class, Browser.class})
class RulesJourneyTest {
    @Test
    void aRuleIsPutTogetherFromPartsAndReadsAsASentence(Skelto skelto, Browser.Windows windows) {
        Page page = windows.open();
        String id = new Http(skelto).get("/api/plans").json().get(0).get("id").asString();
        page.navigate(skelto.url + "/plans/" + id + "/rules");
        page.getByLabel("A new rule is called").fill("Table lamp by the button");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add a rule"))
                .click();
        Locator card =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Rule Table lamp by the button"));
        assertThat(card).containsText("When nothing yet, then do nothing yet.");
        card.getByLabel("When…").selectOption("PRESSED");
        card.getByLabel("When 1, device").selectOption("meal-button");
        card.getByLabel("Then…").selectOption("SET");
        card.getByLabel("Then 1, device").selectOption("table-lamp");
        card.getByLabel("Then 1, for, s").fill("90");
        card.getByLabel("Then 1, for, s").press("Enter");
        card.getByLabel("Runs in").selectOption("meal-relays");
        assertThat(card).containsText("When meal floor button is pressed, then switch table lamp on for 90 s.");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo")))
                .click();
        assertThat(page.getByText("no unit is chosen for it to run in")).isVisible();
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("switch table lamp")))
                .click();
        assertThat(page).hasURL(Pattern.compile("select=.*table-lamp"));
        page.context().close();
    }

    @Test
    void aContradictionIsPlayedARuleIsMovedAndAReadyOneAdded(Skelto skelto, Browser.Windows windows) {
        Page page = windows.open();
        Http http = new Http(skelto);
        String id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=rules&select=/rules/quiet-hall");
        Locator story = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Found: Quiet hall and Hall lamp on arrival"));
        assertThat(story).containsText("reachable");
        Locator play = story.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Play the story"));
        play.click();
        assertThat(story.getByRole(AriaRole.LISTITEM)).hasCount(1);
        story.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("All of it"))
                .click();
        assertThat(story.getByRole(AriaRole.LISTITEM).last()).containsText("switch hall lamp off");
        // the offered way out leaves no contradiction behind
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=rules&select=/rules/quiet-hall");
        page.locator(".dock")
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("Let .Hall lamp on arrival. win")))
                .first()
                .click();
        assertThat(story).hasCount(0);
        assertThat(page.getByText("unless").first()).isVisible();
        // the week: Tuesday's heater is at its place by keyboard too
        assertThat(page.getByText("workshop heater").first()).isVisible();
        Locator moment = page.getByRole(AriaRole.SLIDER);
        moment.fill(String.valueOf(1440 + 8 * 60));
        assertThat(page.getByText("on by rules: workshop heater").first()).isVisible();
        // a rule of the hub that its own board can run is moved there
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=rules&select=/rules/pit-pump");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Where it can run"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Move it here"))
                .first()
                .click();
        assertThat(page.getByLabel("Runs in")).not().hasValue("pit-sender");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo")))
                .click();
        assertThat(page.getByLabel("Runs in")).hasValue("pit-sender");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Ready-made"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add Frost"))
                .click();
        assertThat(page).hasURL(Pattern.compile("select=.*frost"));
        page.context().close();
    }

    @Test
    void theStateOfTheHouseIsSaidAndWhoIsToldIsShown(Skelto skelto, Browser.Windows windows) {
        Page page = windows.open();
        Http http = new Http(skelto);
        String id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=state");
        page.getByLabel("A new mode and its values").fill("watch: off, on");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add the mode"))
                .click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Remove mode watch")))
                .isVisible();
        page.getByLabel("When this happens").selectOption("front-contact");
        Locator told = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("front door contact opens"));
        assertThat(told).containsText("keeper");
        // the clock is chosen from real zones only; what the server refuses is told and nothing is lost
        page.getByLabel("Time zone").selectOption("Europe/Vienna");
        Http.Answer now = http.get("/api/plans/" + id + "/export");
        assertThat(page.getByLabel("Time zone")).hasValue("Europe/Vienna");
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=buttons");
        assertThat(page.getByRole(AriaRole.TABLE)).containsText("Everything off for the night");
        org.junit.jupiter.api.Assertions.assertTrue(now.text().contains("watch"));
        page.context().close();
    }

    @Test
    void partsAreTypedARuleGoesToAnotherRoomAndACircleIsDrawn(Skelto skelto, Browser.Windows windows) {
        Page page = windows.open();
        Http http = new Http(skelto);
        String id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=rules&select=/rules/landing-light");
        Locator card = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Rule Landing light"));
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change its parts"))
                .click();
        Locator typed = card.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Then, typed"));
        typed.pressSequentially("every lamp on stone off");
        page.getByRole(
                        AriaRole.OPTION,
                        new Page.GetByRoleOptions()
                                .setName("switch every lamp on Stone floor off")
                                .setExact(true))
                .click();
        assertThat(card.locator(".sentence")).containsText("then switch every lamp on Stone floor off.");
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("only within a circle"))
                .click();
        card.getByLabel("Then 2, radius, m").fill("2.5");
        card.getByLabel("Then 2, radius, m").press("Enter");
        assertThat(card.locator(".sentence")).containsText("every lamp within 2.5 m of a point on Stone floor off");
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Then 2, take out"))
                .click();
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("For other rooms"))
                .click();
        card.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add it for Meal floor"))
                .click();
        Locator copy =
                page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Rule Landing light, Meal floor"));
        assertThat(copy.locator(".sentence"))
                .containsText("When meal floor button is pressed double, then set table lamp to 45 %");
        page.context().close();
    }

    @Test
    void sensorsSeeTheirWaysInAndAScreenAsksBeforeItActs(Skelto skelto, Browser.Windows windows, @TempDir Path folder)
            throws IOException {
        Page page = windows.open();
        Http http = new Http(skelto);
        String id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=sensors&select=/devices/hall-motion");
        assertThat(page.locator("polygon.sight.selected")).hasCount(1);
        Locator door = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("door of Hall"));
        assertThat(door).containsText("hall motion");
        Locator sensor = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("hall motion"));
        sensor.getByLabel("Towards").fill("180");
        sensor.getByLabel("Towards").press("Enter");
        assertThat(door).not().containsText("hall motion");

        page.navigate(skelto.url + "/plans/" + id + "/rules?part=screens");
        Locator hall = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("Hall").setExact(true));
        hall.getByLabel("asks first").first().uncheck();
        page.locator(".dock")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Ask before it acts"))
                .click();
        assertThat(hall.getByLabel("asks first").first()).isChecked();
        // a file that is none is told, and nothing is lost; one that was given out is taken in
        Path wrong = Files.writeString(folder.resolve("wrong.json"), "{\"format\":\"other\"}");
        page.getByLabel("or from a file").setInputFiles(wrong);
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("it is no control screen");
        Path file = Files.writeString(
                folder.resolve("screen.json"),
                http.get("/api/plans/" + id + "/screens/keeper/file").text());
        page.getByLabel("or from a file").setInputFiles(file);
        assertThat(page.locator("label.narrow select option")).hasCount(2);
        page.context().close();
    }
}
