package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http;

/** What a person does with a new plan, with paper, with a second window, without a mouse and on a phone. */
class FirstMinutesTest extends Journey {
    private int actions;

    /** One action of a person: a press, or something typed or pasted. */
    private void act(Runnable action) {
        actions++;
        action.run();
    }

    private void stage(String name) {
        page.locator("nav .stage")
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
    }

    @Test
    void aJudgedFlatOfFourRoomsTakesFewerThanFortyActions() {
        page.navigate(skelto.url + "/plans");
        act(() -> button("New plan").click());
        act(() -> page.getByRole(AriaRole.DIALOG).getByLabel("Name").fill("Four rooms"));
        act(() -> button("Make the plan").click());
        act(() -> button("Lists, pictures, files").click());
        act(() -> page.getByLabel(Pattern.compile("Rooms of .*a line each"))
                .fill("hall 4x1.6\nliving room 5x4\nbedroom 4x3.5\nbathroom 2.4x2"));
        act(() -> button("Lay them out").click());
        assertThat(page.locator(".roomnames")).containsText("bathroom");
        act(() -> stage("Devices"));
        act(() -> button("Templates").click());
        assertThat(page.getByLabel("Template for bedroom")).hasValue("built-in:Bedroom");
        act(() -> button("Place 4 templates").click());
        act(() -> stage("Controllers"));
        act(() -> button("Make a network: router, hub, access points, links").click());
        // what it would bring is asked about, if it brings anything
        settled(4);
        act(() -> stage("Overview"));
        Locator sheet = page.getByLabel("Stage overview");
        assertThat(sheet).containsText("4 rooms on 1 floor");
        assertThat(sheet).containsText("25 of 25 devices attached");
        assertThat(sheet.getByText("nothing yet")).hasCount(2);
        assertThat(page.getByLabel("Suppose internet gone")).isVisible();
        assertThat(sheet).containsText("EUR");
        assertTrue(actions <= 40, actions + " actions");
        // everything that is missing is said where it is missing, and nothing is lost though everything works
        stage("Links");
        assertThat(dock()).not().containsText("has no link");
        String id = page.url().replaceAll(".*/plans/([^/]+)/.*", "$1");
        // each step is one undo
        for (int i = 0; i < 3; i++) {
            page.locator("header button")
                    .filter(new Locator.FilterOptions().setHasText("Undo:"))
                    .click();
            settled(5 + i);
        }
        assertEquals(
                0,
                new Http(skelto)
                        .get("/api/plans/" + id)
                        .json()
                        .at("/plan/rooms")
                        .size());
        new Http(skelto).delete("/api/plans/" + id);
    }

    @Test
    void aStageGoesToPaperAsItStandsOnTheScreen() throws IOException {
        view("outages?without=mains");
        assertThat(page.locator(".sentence")).containsText("Without");
        String sentence = page.locator(".sentence b").innerText();
        String href = page.locator(".print a").first().getAttribute("href");
        byte[] pdf =
                page.request().get(URI.create(skelto.url + href).toString()).body();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertTrue(text.contains(sentence), sentence + " on " + text.substring(0, 300));
            for (Locator row : page.locator(".panel tbody tr th, .panel tbody tr td:nth-child(2)")
                    .all()
                    .subList(0, 6)) {
                String words = row.innerText().replaceAll("\\s+", " ").strip();
                assertTrue(words.isEmpty() || text.contains(words), words);
            }
        }
    }

    @Test
    void twoWindowsShowOnePlan() {
        view("site");
        Page other = page.context().newPage();
        other.navigate(page.url());
        other.getByLabel("Type a room").fill("shed room 2x2 @ 40,40 brick");
        other.keyboard().press("Enter");
        assertThat(other.getByText("edit 2, safe on disk")).isVisible();
        settled(2);
        assertThat(page.locator("header")).containsText("Taken in from another window: room shed room");
        // a field that both change: whoever is second is told, and nothing is lost
        Locator mine = page.getByLabel("This floor");
        String before = mine.inputValue();
        mine.focus();
        page.keyboard().type("X");
        other.getByLabel("This floor").fill("Theirs");
        other.keyboard().press("Tab");
        assertThat(other.getByText("edit 3, safe on disk")).isVisible();
        settled(3);
        mine.press("Tab");
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("changed elsewhere meanwhile");
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("Theirs");
        assertTrue(mine.inputValue().contains("X"), before + " became " + mine.inputValue());
        mine.press("Enter");
        settled(4);
        assertThat(other.getByLabel("This floor")).hasValue(Pattern.compile(".*X.*"));
    }

    @Test
    void everythingIsReachedWithoutAMouse() {
        view("links");
        page.keyboard().press("Tab");
        assertThat(page.getByText("To the panel")).isFocused();
        page.keyboard().press("Enter");
        assertThat(page.locator("#panel")).isFocused();
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Ctrl K");
        page.keyboard().press("Escape");
        page.keyboard().press("Alt+9");
        assertThat(page.getByLabel("Stage outages")).isVisible();
        page.keyboard().press("Control+k");
        page.keyboard().type("shopping");
        page.keyboard().press("Enter");
        assertThat(page.getByLabel("Stage build")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Parts and cost")))
                .hasAttribute("aria-pressed", "true");
        page.keyboard().press("Control+k");
        page.keyboard().type("night");
        page.keyboard().press("Enter");
        assertThat(page.locator("html")).hasAttribute("data-theme", "dark");
    }

    @Test
    void onAPhoneNothingHasToBeScrolledSideways() {
        page.setViewportSize(390, 780);
        for (String view : List.of("overview", "outages?without=mains", "build?part=wiring", "devices")) {
            page.navigate(skelto.url + "/plans/" + mill + "/" + view);
            assertThat(page.locator("#panel")).isVisible();
            assertThat(page.getByLabel("Stage", new Page.GetByLabelOptions().setExact(true)))
                    .isVisible();
            page.locator("#panel table, #panel svg").first().waitFor();
            int wide = (Integer) page.evaluate("() => document.documentElement.scrollWidth");
            assertTrue(wide <= 390, view + " is " + wide + " wide");
            if (!view.equals("devices")) {
                int panel = (Integer) page.evaluate("() => document.querySelector('#panel').scrollWidth");
                assertTrue(panel <= 390, "the panel of " + view + " is " + panel + " wide");
            }
        }
        page.getByLabel("Stage", new Page.GetByLabelOptions().setExact(true)).selectOption("site");
        assertThat(page.getByLabel("Stage site")).isVisible();
    }

    @Test
    void theGuideOpensAtTheStageWithItsPictures() {
        view("outages");
        page.locator(".print").getByText("Guide").click();
        assertThat(page.getByRole(
                        AriaRole.HEADING,
                        new Page.GetByRoleOptions().setLevel(1).setName("Outages")))
                .isVisible();
        // its address can be kept and opened again
        page.reload();
        assertThat(page.locator("main img").first()).isVisible();
        assertTrue((Boolean) page.evaluate("() => document.querySelector('main img').naturalWidth > 600"));
        page.locator("nav").getByText("Weekend builder").click();
        assertThat(page.locator("main")).containsText("Duplicate");
    }

    @Test
    void templatesAreKeptAndPlacedInAnotherPlan() {
        view("devices?part=templates");
        Locator keep = page.locator("form").last();
        keep.getByLabel(Pattern.compile("Keep as a template what")).selectOption("hall");
        keep.getByLabel("Called").fill("my hall");
        button("Keep template").click();
        assertThat(panel()).containsText("my hall is kept");
        page.getByLabel("Template for Scullery")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("my hall (own)"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Place \\d+ template")))
                .click();
        settled(2);
        button("Remove template my hall").click();
        assertThat(button("Remove template my hall")).hasCount(0);
    }
}
