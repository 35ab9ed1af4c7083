package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
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
}
