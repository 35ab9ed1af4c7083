package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** A house from nothing, with what a person gets wrong on the way. */
@ExtendWith({RunningSkelto.class, Browser.class})
class FirstHouseTest {
    private Skelto skelto;
    private Page page;
    private String id;
    private final List<String> errors = new ArrayList<>();

    @BeforeEach
    void beginAHouse(Skelto running, Browser.Windows windows) {
        skelto = running;
        page = windows.open();
        page.onPageError(errors::add);
        String body = "{\"name\":\"First house\",\"region\":\"EU\",\"mainsVoltageV\":230,\"place\":null}";
        id = new Http(skelto).post("/api/plans", body).json().get("id").asString();
        String rooms =
                "[{\"op\":\"add\",\"path\":\"/rooms/den\",\"value\":{\"floor\":\"ground\",\"name\":\"Den\",\"xM\":0,"
                        + "\"yM\":0,\"widthM\":5,\"depthM\":4}},{\"op\":\"add\",\"path\":\"/rooms/nook\",\"value\":{\"floor\":"
                        + "\"ground\",\"name\":\"Nook\",\"xM\":5,\"yM\":0,\"widthM\":2,\"depthM\":4}}]";
        new Http(skelto).patch("/api/plans/" + id, 1L, rooms);
    }

    @AfterEach
    void nothingBrokeUnseen() {
        page.context().close();
        assertEquals(List.of(), errors);
    }

    private void open(String view) {
        page.navigate(skelto.url + "/plans/" + id + "/" + view);
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void stage(String name) {
        page.locator("nav .stage")
                .filter(new Locator.FilterOptions().setHasText(name))
                .click();
    }

    private void settled(int edit) {
        assertThat(page.getByText("edit " + edit + ", safe on disk")).isVisible();
    }

    private void add(String kind, String name, String press) {
        Locator form = page.locator("form").first();
        form.getByLabel("Kind").selectOption(kind);
        form.getByLabel("Name").fill(name);
        button(press).click();
        assertThat(page.locator(".inspect h3")).containsText(name);
    }

    private void attachTo(String controller) {
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Controller"))
                .fill(controller);
        page.keyboard().press("Enter");
    }

    @Test
    void everyUnitGetsItsLinkAtOnceAndTheStripSaysWhatHangsOnIt() {
        open("controllers");
        add("ROUTER", "way in", "Add unit");
        add("HUB", "brain", "Add unit");
        add("ACCESS_POINT", "den AP", "Add unit");
        add("CONTROLLER", "board", "Add unit");
        stage("Devices");
        add("LAMP", "desk lamp", "Add device");
        attachTo("board");
        assertThat(page.getByLabel("Channel")).hasValue("1");
        add("BLIND", "den blind", "Add device");
        attachTo("board");
        assertThat(page.getByLabel("Channel")).hasValue("2");

        stage("Links");
        button("All links").click();
        assertThat(page.locator(".panel")).containsText("3 without a link: board, brain, den AP");
        button("Choose for all of them").click();
        assertThat(page.locator(".panel tbody tr")).hasCount(3);
        assertThat(page.getByRole(AriaRole.STATUS).last()).containsText("2 hold");

        page.locator(".strip")
                .getByText("router", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.locator(".panel")).containsText("way in is out");
        assertThat(page.getByRole(AriaRole.STATUS).last()).containsText("0 hold");
        button("Undo: links chosen for all").click();
        assertThat(page.locator(".panel")).containsText("3 without a link");
    }

    @Test
    void aNumberThatCannotBeIsToldBesideItsFieldAndNothingIsLost() {
        open("site?select=/rooms/den");
        Locator width = page.getByLabel("Length of wall 1, m").last();
        width.fill("wide");
        width.press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("\"wide\" is not a number. The plan holds 5");
        assertThat(width).hasValue("wide");
        width.fill("-3");
        width.press("Tab");
        // told where it was caused, and what was typed is there to be mended
        assertThat(page.locator(".panel").getByRole(AriaRole.ALERT)).containsText("length must be 0.05 to 1000 m");
        assertThat(page.locator(".message")).hasCount(0);
        assertThat(width).hasValue("-3");
        width.press("Escape");
        assertThat(width).hasValue("5");
        page.getByLabel("Type a room").fill("hall 0x9");
        page.keyboard().press("Enter");
        assertThat(page.locator(".panel")).containsText("The width must lie between 0.3 and 200 m, not 0.");
        assertThat(page.getByLabel("Type a room")).hasValue("hall 0x9");
        width.fill("5,4");
        width.press("Tab");
        settled(3);
        assertThat(width).hasValue("5.4");
    }

    @Test
    void aThingDraggedOrNudgedThroughAWallBelongsToTheNextRoom() {
        open("devices");
        add("LAMP", "wandering lamp", "Add device");
        assertEquals("den", roomOf("wandering-lamp"));
        Locator mark = page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^wandering lamp, lamp:")));
        var from = mark.boundingBox();
        var nook = page.locator(".roomnames g")
                .filter(new Locator.FilterOptions().setHasText("Nook"))
                .boundingBox();
        page.mouse().move(from.x + from.width / 2, from.y + from.height / 2);
        page.mouse().down();
        page.mouse().move(nook.x, nook.y + 40);
        page.mouse().move(nook.x + nook.width / 2, nook.y + 40);
        page.mouse().up();
        settled(4);
        assertEquals("nook", roomOf("wandering-lamp"));
        mark.focus();
        for (int edit = 5; edit < 30 && roomOf("wandering-lamp").equals("nook"); edit++) {
            page.keyboard().press("ArrowLeft");
            settled(edit);
        }
        assertEquals("den", roomOf("wandering-lamp"));
    }

    private String roomOf(String device) {
        return new Http(skelto)
                .get("/api/plans/" + id)
                .json()
                .at("/plan/devices/" + device + "/place/room")
                .asString();
    }

    @Test
    void buildingsSpotsAndCircuitsAreNamedMovedAndTakenAway() {
        open("site?floor=site");
        page.locator("form select").selectOption("spots");
        page.locator("form").getByLabel("Name").fill("well");
        button("Add").click();
        settled(3);
        page.getByLabel("East, m of well").fill("120");
        page.getByLabel("East, m of well").press("Tab");
        settled(4);
        assertThat(page.locator("svg[role=group]")).containsText("well");
        page.getByLabel("Region, for the radio limits").selectOption("US");
        settled(5);
        button("Remove well").click();
        settled(6);
        stage("Controllers");
        page.getByLabel("New mains circuit").fill("shed");
        button("Add circuit").click();
        settled(7);
        page.getByLabel("Name of circuit shed").fill("garden shed");
        page.keyboard().press("Tab");
        settled(8);
        button("Remove circuit garden shed").click();
        settled(9);
        assertTrue(new Http(skelto)
                .get("/api/plans/" + id)
                .json()
                .at("/plan/circuits/shed")
                .isMissingNode());
    }

    @Test
    void theOtherEndOfALinkAndTheLengthOfACableAreChosenByHand() {
        Http http = new Http(skelto);
        String mill = http.get("/api/plans").json().get(0).get("id").asString();
        id = http.post("/api/plans/" + mill + "/copy", "{\"name\":\"Other ends\"}")
                .json()
                .get("id")
                .asString();
        open("links?select=/units/annexe-board");
        page.getByLabel("Other end of the link of annexe board").selectOption("meal-ap");
        settled(2);
        assertThat(page.locator(".one")).containsText("chosen by hand");
        assertThat(page.locator(".stair")).containsText("Brick 110");
        open("links?select=/units/hub");
        page.getByLabel("Length by hand, m").fill("130");
        page.keyboard().press("Tab");
        settled(3);
        assertThat(page.locator(".one")).containsText("over the 100.00 m of twisted pair");
        assertThat(page.locator(".strip")).containsText("With everything working1 hold");
    }

    /** As a spreadsheet puts it on the clipboard. */
    private void paste(String text) {
        page.evaluate(
                "text => { const data = new DataTransfer(); data.setData('text/plain', text);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
                        + " {clipboardData: data, bubbles: true, cancelable: true})); }",
                text);
    }

    @Test
    void sixtyLinesFromASpreadsheetBecomeDevicesThatAreChangedTogether() {
        open("devices");
        StringBuilder lines = new StringBuilder();
        for (int i = 1; i <= 60; i++) {
            lines.append("lamp of shelf ")
                    .append(i)
                    .append("\tlamp\t")
                    .append(i % 2 == 0 ? "Den" : "Nook")
                    .append('\n');
        }
        lines.append("odd one\tteleporter\tDen\n");
        Locator grid = page.getByRole(AriaRole.GRID);
        grid.locator("th[data-at='-1 0']").focus();
        paste(lines.toString());
        settled(3);
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("\"teleporter\" is no kind of device");
        assertThat(grid).hasAttribute("aria-rowcount", "61");

        // one cell by keys, in its own unit
        grid.locator("[data-at='0 0']").focus();
        page.keyboard().press("F2");
        page.keyboard().type("first lamp");
        page.keyboard().press("Enter");
        settled(4);
        assertThat(grid).containsText("first lamp");

        // all of them at once, and one undo
        page.keyboard().press("Control+a");
        assertThat(page.getByRole(AriaRole.TOOLBAR)).containsText("60 selected");
        page.getByLabel("Change what").selectOption("criticality");
        page.keyboard().press("Tab");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("to, for all"))
                .fill("routine");
        page.keyboard().press("Enter");
        settled(5);
        assertThat(grid.getByText("routine")).hasCount(60);
        button("Undo: Criticality of 60 rows").click();
        settled(6);
        assertThat(grid.getByText("routine")).hasCount(0);

        // what is selected goes together
        button("Remove").click();
        settled(7);
        assertThat(grid).hasAttribute("aria-rowcount", "1");
    }

    @Test
    void whatIsInARoomIsCopiedToAnother() {
        open("devices");
        add("LAMP", "den lamp", "Add device");
        settled(3);
        open("site?select=/rooms/den");
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Copy what is in it to"))
                .fill("nook");
        page.keyboard().press("Enter");
        settled(4);
        stage("Devices");
        assertThat(page.getByRole(AriaRole.GRID)).containsText("Nook lamp");
        button("Undo: Den copied to nook").click();
        settled(5);
        assertThat(page.getByRole(AriaRole.GRID)).not().containsText("Nook lamp");
    }
}
