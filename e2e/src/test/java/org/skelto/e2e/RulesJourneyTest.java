package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
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
        Locator told = page.getByRole(AriaRole.TABLE);
        assertThat(told).containsText("front door contact opens");
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
}
