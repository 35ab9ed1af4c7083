package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;

/** From what a device takes to what has to be bought, cut and wired. */
class BuildJourneyTest extends Journey {
    @TempDir
    Path folder;

    @Test
    void aDeviceIsDescribedAndItsContactIsJudged() {
        view("devices?select=/devices/study-lamp");
        page.getByLabel("Watts").fill("4000");
        page.keyboard().press("Tab");
        settled(2);
        page.getByLabel("Kind of load").selectOption("RESISTIVE");
        settled(3);
        page.getByLabel("When power returns").selectOption("ON");
        settled(4);
        page.getByLabel("Switch by hand").selectOption("LATCH");
        settled(5);
        assertThat(dock()).containsText("nobody said which wins");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("The switch wins"))
                .first()
                .click();
        settled(6);
        assertThat(dock()).not().containsText("nobody said which wins");
        page.getByLabel("Watts").fill("-3");
        page.keyboard().press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT).first()).containsText("must lie between 0 and 50000");
        assertThat(page.getByLabel("Watts")).hasValue("-3");
        page.getByLabel("Watts").press("Escape");
        assertThat(page.getByLabel("Watts")).hasValue("4000");
        assertEquals("LATCH", plan().at("/devices/study-lamp/works/control").asString());
    }

    @Test
    void aSupplyIsPutInAndFeedsABoardWhoseCableIsTooThin() {
        view("controllers");
        page.getByLabel("Kind").selectOption("SUPPLY");
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("annexe supply");
        button("Add unit").click();
        settled(2);
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Boards of annexe supply"))
                .getByLabel("Part")
                .selectOption("rail-12");
        settled(3);
        view("controllers?select=/units/annexe-board");
        page.getByLabel("Main board").selectOption("broad-22");
        settled(4);
        power().locator("select").first().selectOption("SUPPLY");
        settled(5);
        assertThat(page.getByLabel("Fed by")).hasValue("annexe-supply");
        page.getByLabel("Converter before it").selectOption("step-5");
        settled(6);
        power().getByLabel("Cable").selectOption("cable-alarm");
        settled(7);
        page.getByLabel("Length, m").fill("45");
        page.keyboard().press("Tab");
        settled(8);
        assertThat(dock()).containsText("nothing protects its cable");
        assertThat(dock()).containsText("loses much of its voltage");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take instead"))
                .first()
                .click();
        settled(9);
        assertThat(dock()).not().containsText("loses much of its voltage");
        button("Power").click();
        assertThat(panel()).containsText("annexe supply");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("after 45 m"))
                .click();
        assertThat(page.locator(".p-popover")).containsText("V_end");
    }

    private Locator power() {
        return page.getByRole(
                AriaRole.GROUP, new Page.GetByRoleOptions().setName("Power").setExact(true));
    }

    @Test
    void theBusTellsItsLimitsAsItGrows() {
        view("controllers?part=lines");
        var bus = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("two-wire board bus of meal relay board"));
        assertThat(bus).containsText("336 of 400 pF");
        bus.getByLabel("Length, m").fill("9");
        page.keyboard().press("Tab");
        settled(2);
        assertThat(bus).containsText("too much capacitance");
        assertThat(dock()).containsText("too much capacitance");
        view("controllers?part=boxes");
        assertThat(panel()).containsText("mains and low voltage together");
        page.getByLabel("Measured rise, K").first().fill("12");
        page.keyboard().press("Tab");
        settled(3);
        assertThat(panel()).containsText("37 °C");
    }

    @Test
    void anotherBoardShowsWhatItWouldChangeBeforeItDoes() {
        view("controllers?select=/units/scullery-relays");
        page.getByLabel("Replace the board by").selectOption("plain-12");
        var diff = page.getByRole(
                AriaRole.REGION, new Page.GetByRoleOptions().setName("What the other board would change"));
        assertThat(diff).containsText("Name, address, hardware address and devices stay");
        assertThat(diff.locator("tbody tr")).hasCount(5);
        assertEquals("slim-9", plan().at("/units/scullery-relays/boards/main").asString());
        button("Replace the board").click();
        settled(2);
        assertThat(diff).hasCount(0);
        assertEquals("plain-12", plan().at("/units/scullery-relays/boards/main").asString());
    }

    @Test
    void whatItCostsFollowsTheBudgetAndThePricesThatComeIn() throws IOException {
        view("build");
        assertThat(panel()).containsText("EUR left");
        page.getByLabel("Budget").fill("500");
        page.keyboard().press("Tab");
        settled(2);
        assertThat(panel().locator(".totals")).containsText("over");
        Download list = page.waitForDownload(() -> page.getByText("List as CSV").click());
        Path file = folder.resolve("list.csv");
        list.saveAs(file);
        String table = Files.readString(file);
        assertTrue(table.startsWith("part,name,supplier"), table);
        Path bad = folder.resolve("bad.csv");
        Files.writeString(bad, "part,price\nrail-12,cheap\n");
        page.locator("input[type=file]").setInputFiles(bad);
        assertThat(panel().locator("[role=alert]")).containsText("/line 2/price");
        Files.writeString(bad, "part,price\nrail-12,129\n");
        page.locator("input[type=file]").setInputFiles(bad);
        assertThat(panel().locator("[role=status]")).containsText("Prices of 1 parts");
        assertThat(panel()).containsText("129.00");
        new Http(skelto).delete("/api/parts/rail-12");

        button("Which board").click();
        assertThat(panel()).containsText("One controller for each room");
        button("Cables").click();
        page.getByLabel("Find").fill("hall lamp");
        assertThat(panel().locator("tbody tr")).hasCount(1);
        assertThat(panel().locator("tbody tr")).containsText("main/E2 relays/2");
        button("Wiring diagram").click();
        page.getByLabel("Drawn").selectOption("unit:hall-board");
        assertThat(panel().locator("svg.sheet")).hasCount(1);
        int drawn = panel().locator("svg.sheet .mains").count();
        assertTrue(drawn > 4);
        page.getByLabel("mains", new Page.GetByLabelOptions().setExact(true)).uncheck();
        assertThat(panel().locator("svg.sheet .mains")).hasCount(0);
        button("Terminal plan of hall board").click();
        assertThat(panel().locator("table")).containsText("relays/1 common");
    }

    @Test
    void cautionsAreReadAndRemembered() {
        new Http(skelto).patch("/api/plans/" + mill, 1L, "[{\"op\":\"remove\",\"path\":\"/cautions/EXIT\"}]");
        view("devices?part=cautions");
        assertThat(dock()).containsText("cautions about ways out");
        button("I have read this").click();
        settled(3);
        assertThat(dock()).not().containsText("cautions about ways out");
        assertThat(panel()).containsText("Acknowledged, ");
        assertTrue(plan().at("/cautions/EXIT").asString().startsWith("20"));
    }

    @Test
    void aCalculatorFollowsWhatIsTypedAndNamesWhatCannotBe() {
        page.navigate(skelto.url + "/calculators");
        button("Heat of a linear regulator").click();
        assertThat(page.locator("output").first()).hasText("2.450");
        page.getByLabel("Current, A").fill("0.5");
        assertThat(page.locator("output").first()).hasText("3.500");
        page.getByLabel("Current, A").fill("much");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("must be a number");
        assertThat(page.locator("output")).hasCount(0);
        button("Battery life").click();
        assertThat(page.locator("output")).hasCount(2);
        button("Add a line").click();
        assertThat(page.getByLabel("takes, mA")).hasCount(3);
        assertThat(page).hasURL(java.util.regex.Pattern.compile("/calculators/battery-life$"));
    }
}
