package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** Drawing the real house, seeing where signal reaches, measuring, and being told where the next box goes. */
@ExtendWith({RunningSkelto.class, Browser.class})
class CoverageJourneyTest {
    private Skelto skelto;
    private Page page;
    private String mill;
    private final List<String> errors = new ArrayList<>();

    @BeforeEach
    void openAWindowOnACopyOfTheMill(Skelto running, Browser.Windows windows) {
        skelto = running;
        page = windows.open();
        page.onPageError(errors::add);
        Http http = new Http(skelto);
        String demo = http.get("/api/plans").json().get(0).get("id").asString();
        mill = http.post("/api/plans/" + demo + "/copy", "{\"name\":\"Covered\"}")
                .json()
                .get("id")
                .asString();
    }

    @AfterEach
    void nothingBrokeUnseen() {
        page.context().close();
        assertEquals(List.of(), errors);
    }

    private void open(String view) {
        page.navigate(skelto.url + "/plans/" + mill + "/" + view);
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void settled(int edit) {
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("edit " + edit)))
                .containsText("safe on disk");
    }

    @Test
    void contoursFollowTheHandTheOutageAndTheCursor() {
        open("links?floor=meal-floor&radio=WIFI_2G4&part=rooms");
        assertThat(page.locator(".contour").first()).isAttached();
        assertThat(page.locator(".panel")).containsText("Lathe room");
        Locator lines = page.locator(".contours");
        String before = lines.innerHTML();

        Locator box = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("lathe AP, access point"));
        var at = box.boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse().move(at.x - 40, at.y - 20);
        page.mouse().move(at.x - 70, at.y - 40);
        page.waitForCondition(() -> !lines.innerHTML().equals(before));
        page.mouse().up();
        settled(2);

        page.mouse().move(at.x - 120, at.y - 100);
        assertThat(page.locator(".bar .at")).containsText("dBm");
        assertThat(page.locator(".bar .at")).containsText("chance");

        open("links?floor=meal-floor&radio=WIFI_2G4&part=rooms&without=unit:lathe-ap");
        assertThat(page.locator(".panel tbody tr").first()).containsText("meal floor AP");
        assertThat(page.locator(".panel tbody").first()).not().containsText("lathe AP");
    }

    /** The snag leads to the place, the place is dragged, and its figures follow. */
    @Test
    void aPlaceToWorkFromIsShownByItsSnagAndCanBeMoved() {
        open("links?floor=meal-floor&part=rooms");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show: A phone will not do at pit steps"))
                .click();
        assertThat(page.locator("tr.chosen")).containsText("pit steps");
        assertThat(page.locator(".tabs button.current")).containsText("Wheel pit");
        Locator mark =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Place to work from pit steps"));
        assertThat(mark).hasAttribute("aria-pressed", "true");
        String before = page.locator("tr.chosen").innerText();
        var at = mark.boundingBox();
        page.mouse().move(at.x + at.width / 2, at.y + at.height / 2);
        page.mouse().down();
        page.mouse().move(at.x - 30, at.y + 20);
        page.mouse().move(at.x - 50, at.y + 35);
        page.mouse().up();
        settled(2);
        assertThat(page.locator("tr.chosen")).not().hasText(before);
        mark.focus();
        page.keyboard().press("ArrowRight");
        settled(3);
        page.getByLabel("How sure it must be").selectOption("COMFORT");
        settled(4);

        open("site?floor=meal-floor&part=existing");
        Locator outlet =
                page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Outlet outlet by the range"));
        outlet.focus();
        page.keyboard().press("ArrowDown");
        settled(5);
        page.keyboard().press("Enter");
        assertThat(page.locator("tr.chosen input").first()).hasValue("outlet by the range");
        page.getByLabel("Height, m").fill("0.45");
        page.keyboard().press("Tab");
        settled(6);
        JsonNode place = new Http(skelto).get("/api/plans/" + mill).json().at("/plan/fittings/meal-outlet/place");
        assertEquals(0.45, place.get("heightM").asDouble());
        assertEquals(7.1, place.get("yM").asDouble(), 1e-9);
    }

    @Test
    void theNextBoxIsFoundExplainedAndPutInAsOneEdit() {
        open("links?floor=wheel-pit&part=next");
        button("Find places").click();
        assertThat(page.locator(".panel")).containsText("proven: no cheaper choice covers as much");
        assertThat(page.locator(".panel tbody tr")).hasCount(3);
        assertThat(page.locator(".overlay .box.looked")).hasCount(1);
        button("Put it into the plan").click();
        settled(2);
        assertThat(page.locator(".dock")).not().containsText("pit sender misses its margin");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo: box in")))
                .click();
        settled(3);
        assertThat(page.locator(".dock")).containsText("pit sender misses its margin");
    }

    @Test
    void aWalkThroughTheHouseTeachesItsWalls() {
        page.setViewportSize(390, 780);
        page.navigate(skelto.url + "/plans/" + mill + "/walk");
        page.getByLabel("Floor")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Meal floor"));
        int taken = 0;
        for (String room : List.of("Hall", "Scullery", "Lathe room", "Meal floor")) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + room)))
                    .click();
            for (int i = 0; i < 2; i++) {
                page.locator("main svg").click(new Locator.ClickOptions().setPosition(60 + 90 * i, 60 + 50 * i));
                button("Measure with the simulated phone").click();
                taken++;
                assertThat(page.locator(".list li")).not().hasCount(2 * i);
            }
            button("Other room").click();
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Hall")))
                .click();
        page.getByLabel("Level of meal floor AP, dBm").fill("+63");
        button("Store what I read").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("must lie between −120 and 0 dBm");
        // nothing is wider than the phone
        assertTrue((Boolean) page.evaluate("document.documentElement.scrollWidth <= window.innerWidth"));
        assertTrue(taken == 8);

        page.setViewportSize(1280, 800);
        open("links?floor=meal-floor&part=walk");
        assertThat(page.locator(".panel")).containsText("held back");
        button("Use what they teach").click();
        settled(2);
        assertThat(page.locator(".panel")).containsText("Predictions go by calibration");
        button("Compare with tables").click();
        settled(3);
        assertThat(page.locator(".panel")).containsText("Predictions go by tables");
    }

    @Test
    void aWallIsDescribedADoorPutInAndAListOfRoomsLaidOut() {
        open("site?floor=bin-loft&part=walls");
        page.getByLabel("Own wall or slab").fill("Old flint");
        button("Add").click();
        settled(2);
        page.getByLabel("Measured, 2.4 GHz, dB").fill("17,5");
        page.keyboard().press("Tab");
        settled(3);
        assertThat(page.locator(".panel tbody tr").first()).containsText("17.5");

        open("site?floor=bin-loft&select=/rooms/west-bed");
        page.getByLabel("Construction of wall 1")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Old flint"));
        settled(4);
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("window in wall 1").setExact(true))
                .click();
        settled(5);
        assertThat(page.locator(".panel")).containsText("window in wall 1");

        open("site?floor=bin-loft&part=files");
        page.getByLabel("Rooms of Bin loft").fill("Linen\t1,2\t2\nBox room\t2\t2.2\nbad");
        button("Lay them out").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Line 3 cannot be read");
        page.getByLabel("Rooms of Bin loft").fill("Linen\t1,2\t2\nBox room\t2\t2.2");
        button("Lay them out").click();
        settled(6);
        assertThat(page.locator(".roomnames")).containsText("Box room");
    }

    @Test
    void aPictureLiesUnderTheSheetAndTheSheetLeavesAsSvg() throws Exception {
        open("site?floor=bin-loft&part=files");
        byte[] svg = ("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 300'><script>alert(1)</script>"
                        + "<rect width='400' height='300' fill='#ddd'/></svg>")
                .getBytes(StandardCharsets.UTF_8);
        page.getByLabel("PNG, JPEG, SVG or PDF").setInputFiles(new FilePayload("plan.svg", "image/svg+xml", svg));
        settled(2);
        assertThat(page.locator(".sheet svg image")).isAttached();
        button("Mark a known length").click();
        var sheet = page.locator(".sheet > svg").boundingBox();
        page.mouse().click(sheet.x + 300, sheet.y + 120);
        page.mouse().click(sheet.x + 400, sheet.y + 120);
        page.getByLabel("It is, m").fill("5");
        button("Scale the picture").click();
        settled(3);
        page.getByLabel("PNG, JPEG, SVG or PDF")
                .setInputFiles(new FilePayload("x.png", "image/png", "no picture".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("cannot be read as PNG, JPEG, SVG or PDF");

        Download file = page.waitForDownload(() -> button("This sheet as SVG").click());
        String text = Files.readString(file.path());
        var document = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(file.path().toFile());
        assertEquals("svg", document.getDocumentElement().getTagName());
        assertTrue(text.contains("West bedroom") && !text.contains("class="));
    }

    @Test
    void theCutThroughTheHouseShowsTheRayOfTheSelectedLink() {
        open("links?select=/links/pit-sender-meal-ap&cut=yes");
        assertThat(page.locator(".sheet svg")).containsText("Cut from pit sender to meal floor AP");
        assertThat(page.locator(".ray")).isAttached();
        assertThat(page.locator(".sheet svg")).containsText("Stone floor +2.80");
    }
}
