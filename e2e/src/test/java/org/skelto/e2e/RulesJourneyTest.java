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
}
