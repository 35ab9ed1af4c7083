package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** What a thing rests in is said once, and Outages tells what follows. */
class HouseJourneyTest extends Journey {
    @Test
    void aBoltOnANormallyClosedContactOutlivesItsBoardAndOpensWithItsSupply() {
        view("outages?without=unit:hall-board&select=/devices/river-lock");
        assertThat(panel()).containsText("keep out: unsafe");
        assertThat(panel()).containsText("the outside door stands open");
        view("devices?select=/devices/river-lock");
        page.getByLabel("Contact while its board is dead").selectOption("NORMALLY_CLOSED");
        settled(2);
        view("outages?without=unit:hall-board&select=/devices/river-lock");
        assertThat(panel()).containsText("keep out: reduced");
        assertThat(panel()).containsText("the position it rests in");
        view("outages?without=unit:rail-12&select=/devices/river-lock");
        assertThat(panel()).containsText("keep out: unsafe");
        assertThat(panel()).containsText("let out: reduced");
    }

    @Test
    void whatIsAskedOfADeviceIsSaidAndOnlyThatCounts() {
        view("devices?select=/devices/river-lock");
        page.getByLabel("what its kind and ways make of it").uncheck();
        settled(2);
        assertThat(page.getByLabel("keep out", new Page.GetByLabelOptions().setExact(true)))
                .isChecked();
        page.getByLabel("let out", new Page.GetByLabelOptions().setExact(true)).uncheck();
        settled(3);
        assertEquals("[\"KEEP_OUT\"]", plan().at("/devices/river-lock/jobs").toString());
        view("outages?select=/devices/river-lock");
        Locator ways = page.getByLabel("Ways of the selected device");
        assertThat(ways).containsText("keep out: holds");
        assertThat(ways).not().containsText("let out");
    }

    @Test
    void cablesAndLinksFoldIntoOneToggleAndOneOfThemCanBeSupposedGone() {
        view("outages");
        page.locator(".strip").getByText("cables").click();
        page.getByText("supply cable of", new Page.GetByTextOptions().setExact(false))
                .first()
                .click();
        assertThat(page.locator(".strip .partly")).hasCount(1);
        assertThat(page.getByText("Without supply cable of")).isVisible();
    }

    @Test
    void anOutageOnTheClockTellsWhatRunsOutWhenAndEachPressIsAStepBack() {
        view("outages");
        page.locator(".strip")
                .getByText("mains", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByText("Without mains", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        Locator lasts = page.getByLabel("Lasts, h");
        lasts.fill("-3");
        lasts.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("nothing was changed");
        lasts.fill("8");
        lasts.press("Enter");
        assertThat(page.getByText("Without mains, after 8 h")).isVisible();
        Locator clock = page.getByLabel("How long the outage lasts");
        assertThat(clock).containsText("entry router ran out");
        assertThat(clock.getByLabel("Moment")).hasAttribute("aria-valuetext", "at the end");
        clock.getByText("after 4 h").first().click();
        assertThat(page.getByText("Without mains, after 4 h")).isVisible();
        page.goBack();
        assertThat(page.getByText("Without mains, after 8 h")).isVisible();
        page.goBack();
        assertThat(page.getByText("Without mains", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(lasts).hasValue("");
        page.goForward();
        assertThat(page.getByText("Without mains, after 8 h")).isVisible();
        page.reload();
        assertThat(page.getByText("Without mains, after 8 h")).isVisible();
    }

    @Test
    void aWayOpensToItsRouteOnTheDrawingAndToWhatItHangsOnAlone() {
        view("outages?floor=meal-floor&select=/devices/hall-lamp");
        Locator ways = page.getByLabel("Ways of the selected device");
        ways.getByText("home app", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(ways.getByLabel("Its route")).containsText("loft switch to hall board over cable");
        assertThat(ways).containsText("Hangs alone on");
        assertThat(ways).containsText("loft switch");
        assertThat(page.locator(".routed").first()).isAttached();
        view("outages?floor=meal-floor&select=/devices/hall-lamp&without=unit:loft-switch");
        ways.getByText("rule", new Locator.GetByTextOptions().setExact(true)).click();
        assertThat(ways).containsText("Broken: hall board has no power: loft switch is out");
        assertThat(page.locator(".routed")).hasCount(0);
    }

    @Test
    void controlSchemesAreComparedAndOneIsChosen() {
        view("devices?select=/devices/hall-lamp");
        Locator part = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Controlled by"));
        part.getByText("Compare").click();
        Locator table = part.getByRole(AriaRole.TABLE);
        assertThat(table).containsText("Needs an alarm panel");
        assertThat(table).containsText("outside service, no hub");
        assertThat(part).containsText("Whatever is chosen ends without");
        part.getByLabel("direct request").check();
        settled(2);
        assertEquals("[\"REQUEST\"]", plan().at("/devices/hall-lamp/control").toString());
        view("outages?without=unit:hub&select=/devices/hall-lamp");
        Locator ways = page.getByLabel("Ways of the selected device");
        assertThat(ways).containsText("home app");
        assertThat(ways).containsText("none of the control schemes chosen for it gives that");
        assertThat(ways.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("home app"))
                        .first())
                .containsText("works");
        view("devices?select=/devices/hall-lamp");
        part.getByLabel("what its ways, wires and links make of it").check();
        settled(3);
        assertEquals("null", plan().at("/devices/hall-lamp/control").toString());
    }

    @Test
    void aWiredContactIsLaidByHandAndARoleAdded() {
        view("links?select=/units/hall-board");
        page.getByLabel("Link by").selectOption("CONTACT");
        page.getByLabel("By wired contact to").selectOption("lathe-board");
        settled(2);
        Locator input = page.getByLabel("On its input");
        input.fill("99");
        input.press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("must lie between 1 and 64");
        input.fill("3");
        input.press("Enter");
        settled(3);
        assertEquals(3, plan().at("/links/hall-board-lathe-room-board/input").asInt());
        view("controllers?select=/units/hall-board");
        page.getByText("Also is").click();
        page.getByLabel("hub", new Page.GetByLabelOptions().setExact(true)).check();
        settled(4);
        assertEquals("[\"HUB\"]", plan().at("/units/hall-board/roles").toString());
        assertThat(panel()).containsText("controller, hub");
    }
}
