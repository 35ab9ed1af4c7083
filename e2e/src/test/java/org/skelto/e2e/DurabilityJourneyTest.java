package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.load.Budgets;
import org.skelto.server.testing.Http;

/** What a person sees when something goes wrong, and how it comes right again. */
class DurabilityJourneyTest extends Journey {
    private void plans() {
        page.navigate(skelto.url + "/plans");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Plans")))
                .isVisible();
    }

    private Locator row(String name) {
        return page.locator("main > ul li").filter(new Locator.FilterOptions().setHasText(name));
    }

    private void renamed(String name) {
        Http http = new Http(skelto);
        long revision = http.get("/api/plans/" + mill).json().get("revision").asLong();
        http.patch(
                "/api/plans/" + mill, revision, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + name + "\"}]");
    }

    @Test
    void aDeletedPlanIsFoundAndBroughtBack() throws Exception {
        renamed("Brought house");
        plans();
        row("Brought house").getByText("Delete").click();
        assertThat(page.getByText("Brought house is deleted.")).isVisible();
        plans();
        assertThat(row("Brought house")).hasCount(0);
        button("Show deleted plans").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Deleted plans")))
                .containsText(Pattern.compile("Brought house.*goes for good", Pattern.DOTALL));
        assertEquals(List.of(), AccessibilityTest.found(page));
        button("Bring back Brought house").click();
        assertThat(page.getByText("Brought house is back.")).isVisible();
        assertThat(row("Brought house")).hasCount(1);
    }

    @Test
    void aPlanReturnsToAnEarlierDayAndThatCanBeUndone() throws Exception {
        renamed("Gone house");
        plans();
        button("Earlier days of Gone house").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Nothing yet. On the first edit of a day");
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + skelto.database.port + "/postgres", "skelto", "");
                PreparedStatement back = connection.prepareStatement(
                        "update plan set updated_at = now() - interval '1 day' where id = ?")) {
            back.setObject(1, UUID.fromString(mill));
            back.execute();
        }
        renamed("Changed house");
        plans();
        button("Earlier days of Changed house").click();
        Locator days = page.getByRole(AriaRole.DIALOG);
        assertThat(days.locator("tbody tr")).hasCount(1);
        assertThat(days).containsText("Gone house");
        assertEquals(List.of(), AccessibilityTest.found(page));
        days.getByText("Return to it").click();
        assertThat(page.getByText("is again as it was at the end of")).isVisible();
        assertThat(row("Gone house")).hasCount(1);
        view("site");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(Pattern.compile("^Undo: return to the plan")))
                .click();
        settled(5);
        assertEquals("Changed house", plan().get("name").asString());
    }

    @Test
    void aPlanOfWhichNothingCanBeWorkedOutOpensAndSaysSo() throws Exception {
        renamed("Gone house");
        Budgets budgets = skelto.bean(Budgets.class);
        budgets.boundSteps(0);
        try {
            view("devices");
            Locator told = page.locator(".failures");
            assertThat(told).containsText("Not worked out: geometry of the house, links");
            assertThat(told).containsText("It takes more computing than one plan may ask for.");
            assertThat(panel()).containsText("hall lamp");
            assertEquals(List.of(), AccessibilityTest.found(page));
            // no snag found is not called clear
            assertThat(page.locator("nav")).not().containsText("clear");
            assertThat(page.locator("nav")).containsText("not known");
            assertThat(dock()).containsText("Not every check could be made");
            assertThat(page.getByRole(AriaRole.STATUS)
                            .filter(new Locator.FilterOptions().setHasText("What still works")))
                    .hasText(Pattern.compile("^\\s*What still works could not be worked out\\s*$"));
            budgets.boundSteps(Long.MAX_VALUE);
            button("Work them out again").click();
            assertThat(told).hasCount(0);
            assertThat(dock()).not().isEmpty();
        } finally {
            budgets.boundSteps(Long.MAX_VALUE);
        }
    }

    @Test
    void aPlanThatCouldNotBeOpenedOpensByItselfWhenTheServerIsBack() {
        skelto.database.stop();
        try {
            page.navigate(skelto.url + "/plans/" + mill + "/site");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("The database does not answer");
        } finally {
            skelto.database.start();
        }
        assertThat(page.getByRole(AriaRole.NAVIGATION))
                .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                        .setTimeout(20_000));
    }

    /** Captions for screen readers stand in lists that scroll; they once made the page itself scroll to blank. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "devices?select=/devices/front-lock",
                "controllers?select=/units/sluice-board",
                "links?select=/units/pit-sender",
                "site?select=/rooms/scullery",
                "names",
                "long-range?part=settings",
                "outages?without=internet",
                "build"
            })
    void thePageItselfDoesNotScroll(String view) {
        view(view);
        page.waitForTimeout(400);
        page.mouse().move(90, 400);
        page.mouse().wheel(0, 3000);
        page.waitForTimeout(200);
        assertEquals(
                "0 true",
                page.evaluate("() => document.scrollingElement.scrollTop + ' '"
                        + " + (document.scrollingElement.scrollHeight <= window.innerHeight)"));
    }
}
