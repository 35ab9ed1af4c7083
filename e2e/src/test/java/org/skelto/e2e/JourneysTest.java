package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** Whole journeys of a person through the page. */
@ExtendWith({RunningSkelto.class, Browser.class})
class JourneysTest {
    @TempDir
    Path folder;

    private Skelto skelto;
    private Page page;
    private Browser.Windows windows;
    private final List<String> errors = new ArrayList<>();

    @BeforeEach
    void openAWindow(Skelto running, Browser.Windows opener) {
        skelto = running;
        windows = opener;
        page = opener.open();
        page.onPageError(errors::add);
        page.onConsoleMessage(m -> {
            // refused requests are logged by the browser itself; they are what some journeys are about
            if ("error".equals(m.type()) && !m.text().contains("Failed to load resource")) {
                errors.add(m.text());
            }
        });
    }

    @AfterEach
    void nothingBrokeUnseen() {
        page.context().close();
        assertEquals(List.of(), errors);
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator status(String text) {
        return page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText(text));
    }

    /** A plan of its own for one journey. */
    private String newPlan(String name) {
        String body = "{\"name\":\"" + name + "\",\"region\":\"EU\",\"mainsVoltageV\":230,\"place\":null}";
        return new Http(skelto).post("/api/plans", body).json().get("id").asString();
    }

    private void openPlan(String id, String stage) {
        page.navigate(skelto.url + "/plans/" + id + "/" + stage);
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
    }

    private void settled(int edit) {
        assertThat(status("edit " + edit + ", safe on disk")).isVisible();
    }

    @Test
    void aFirstVisitLeadsToTheMillAndItsFigures() {
        page.navigate(skelto.url);
        page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Marrowby Leat").setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.NAVIGATION)).containsText("Outages");
        assertThat(page.locator("nav")).not().containsText("Rehearse");

        page.getByRole(AriaRole.NAVIGATION).getByText("Links").click();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("pit sender").setExact(true))
                .click();
        assertThat(page.locator(".stair")).hasCount(1);
        assertThat(page.locator(".stair")).containsText("Reinforced slab 180 under Meal floor");
        page.getByTitle(Pattern.compile("How free space")).click();
        assertThat(page.getByText("Source: ITU-R P.525")).isVisible();
    }

    @Test
    void aSmallPlanIsBuiltByKeyboardAlone() {
        page.navigate(skelto.url);
        tabTo("New plan");
        page.keyboard().press("Enter");
        page.getByRole(AriaRole.DIALOG).waitFor();
        tabToField("Name");
        page.keyboard().type("Keyboard cottage");
        page.keyboard().press("Enter");
        page.waitForURL("**/site**");
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();

        tabToField("Type a room");
        page.keyboard().type("kitchen 4.2x3.6 @ 0,0 brick");
        page.keyboard().press("Enter");
        settled(2);
        tabToField("Type a room");
        page.keyboard().type("hall 3x3.6 @ 4.2,0 brick");
        page.keyboard().press("Enter");
        settled(3);

        tabTo("Controllers");
        page.keyboard().press("Enter");
        for (String[] unit : new String[][] {
            {"router", "way in"},
            {"switch", "cable box"},
            {"hub", "brain"},
            {"access", "kitchen AP"},
            {"controller", "board"}
        }) {
            tabToField("Kind");
            page.keyboard().type(unit[0]);
            tabToField("Name");
            page.keyboard().type(unit[1]);
            page.keyboard().press("Enter");
            assertThat(page.locator(".panel table").last()).containsText(unit[1]);
        }
        settled(8);

        tabTo("Devices");
        page.keyboard().press("Enter");
        tabToField("Name");
        page.keyboard().type("table lamp");
        page.keyboard().press("Enter");
        settled(9);

        tabTo("Controllers");
        page.keyboard().press("Enter");
        tabTo("board");
        page.keyboard().press("Enter");
        tabToField("Attach a device");
        page.keyboard().type("table");
        page.keyboard().press("Enter");
        settled(10);

        tabTo("Links");
        page.keyboard().press("Enter");
        tabTo("Choose for me");
        page.keyboard().press("Enter");
        settled(11);
        assertThat(page.locator(".panel")).containsText("chosen by Skelto");
        assertThat(page.locator(".stair")).hasCount(1);
    }

    /** Presses Tab until the focused button or link has that name. */
    private void tabTo(String name) {
        String here =
                "e => { const a = document.activeElement; return (a.innerText || a.getAttribute('aria-label') || '')"
                        + ".trim().split('\\n')[0]; }";
        tabUntil(here, name);
    }

    private void tabToField(String label) {
        String here = "e => { const a = document.activeElement;"
                + " return a.labels && a.labels.length ? a.labels[0].innerText.trim().split('\\n')[0] : ''; }";
        tabUntil(here, label);
    }

    private void tabUntil(String here, String wanted) {
        for (int i = 0; i < 250; i++) {
            if (String.valueOf(page.evaluate(here)).startsWith(wanted)) {
                return;
            }
            page.keyboard().press("Tab");
        }
        throw new AssertionError("no way by Tab to " + wanted);
    }

    @Test
    void anOutageShowsOnTheDrawingInTheTableAndInTheAddress() {
        String id = new Http(skelto).get("/api/plans").json().get(0).get("id").asString();
        openPlan(id, "outages");
        page.locator(".strip")
                .getByText("hub", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("Without house hub")))
                .isVisible();
        assertThat(page.locator("table").first()).containsText("house hub is out");
        assertTrue(page.url().contains("without=unit:hub"), page.url());
        int lost = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(": lost$")))
                .count();
        assertTrue(lost >= 2, lost + " lost on the drawing");
        page.reload();
        assertThat(page.locator(".strip .out")).hasText("hub");
        page.getByText("Restore all").click();
        assertThat(status("With everything working")).isVisible();
    }

    @Test
    void aFixIsOneClickAndUndoTakesItBackEvenAfterAReload() {
        String id = newPlan("Undo house");
        openPlan(id, "site");
        page.getByLabel("Type a room").fill("den 4x4 @ 0,0 brick");
        page.keyboard().press("Enter");
        settled(2);
        page.getByLabel("Type a room").fill("den two 4x4 @ 3,0 brick");
        page.keyboard().press("Enter");
        settled(3);
        button("stage site").click();
        assertThat(page.locator(".dock")).containsText("den and den two overlap");
        page.reload();
        assertThat(page.locator(".dock")).containsText("overlap");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Undo: room den two")))
                .click();
        settled(4);
        assertThat(page.locator(".dock")).not().containsText("overlap");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Redo: ")))
                .click();
        settled(5);
        assertThat(page.locator(".dock")).containsText("overlap");
    }

    @Test
    void aRoomIsDrawnAndMovedByHandWithTheFiguresFollowing() {
        String id = newPlan("Drawn house");
        openPlan(id, "site");
        button("Draw a room").click();
        var sheet = page.locator("svg[role=group]").boundingBox();
        page.mouse().move(sheet.x + 200, sheet.y + 100);
        page.mouse().down();
        page.mouse().move(sheet.x + 300, sheet.y + 150);
        page.mouse().move(sheet.x + 420, sheet.y + 260);
        page.mouse().up();
        settled(2);
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Room Room 1")))
                .isVisible();
        Locator width = page.getByLabel("Length of wall 1, m").last();
        double before = Double.parseDouble(width.inputValue());
        assertTrue(before > 0.5, "drawn " + before);
        var corner = page.locator(".corner").nth(1).boundingBox();
        page.mouse().move(corner.x + 6, corner.y + 6);
        page.mouse().down();
        page.mouse().move(corner.x + 40, corner.y + 6);
        page.mouse().move(corner.x + 70, corner.y + 6);
        assertThat(page.locator(".roomnames")).not().containsText(String.format("%.2f ×", before));
        page.mouse().up();
        settled(3);
        assertTrue(Double.parseDouble(width.inputValue()) > before);
    }

    @Test
    void aStaleEditInASecondWindowIsOfferedAgain() {
        String id = newPlan("Two windows");
        openPlan(id, "site");
        // it does not hear of the other's edit before its own
        page.route("**/api/plans/" + id, route -> {
            if (route.request().headers().containsKey("if-none-match")) {
                route.fulfill(new com.microsoft.playwright.Route.FulfillOptions().setStatus(304));
            } else {
                route.resume();
            }
        });
        Page other = page.context().newPage();
        other.navigate(skelto.url + "/plans/" + id + "/site");
        other.getByLabel("Type a room").fill("one 4x4 @ 0,0 brick");
        other.keyboard().press("Enter");
        assertThat(other.getByText("edit 2, safe on disk")).isVisible();

        // typing asks the server, so the first window's edit is a setting: it is sent for the revision it saw
        page.getByLabel("This floor").fill("Cellar");
        page.keyboard().press("Tab");
        Locator dialog = page.getByRole(AriaRole.DIALOG);
        assertThat(dialog).containsText("changed elsewhere");
        button("Make my edit on the newer plan").click();
        settled(3);
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Sheets")))
                .containsText("Cellar");
        assertThat(page.locator(".panel table")).containsText("one");
    }

    @Test
    void aPlanCanBeginFromAMadeUpHouse() {
        page.navigate(skelto.url);
        button("New plan").click();
        button("Sorrel Steps").click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("Sorrel Steps");
        assertThat(page.locator(".roomnames")).containsText("Living room");
        String id = page.url().replaceAll(".*/plans/([^/]+)/.*", "$1");
        new Http(skelto).delete("/api/plans/" + id);
    }

    @Test
    void malformedImportsSayWhyAndKeepWhatIsThere() {
        page.navigate(skelto.url);
        assertThat(page.getByText("Marrowby Leat").first()).isVisible();
        int before = page.locator("li").count();
        importFile("broken.json", "{\"format\": \"skelto-plan/1\", \"name\"");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("broken.json was not imported");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("line 1");
        importFile(
                "old.json", "{\"format\":\"skelto-plan/0\",\"name\":\"x\",\"region\":\"EU\",\"cautionsRead\":false}");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("/format");
        importFile("huge.json", " ".repeat(97 * 1024 * 1024));
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("larger than 96 MB");
        assertEquals(before, page.locator("li").count());
    }

    private void importFile(String name, String content) {
        try {
            Path file = java.nio.file.Files.writeString(folder.resolve(name), content);
            page.locator("input[type=file]").setInputFiles(file);
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void plansAreCopiedRenamedDeletedAndBroughtBackWithOddNames() {
        String odd = "<b>x</b> 🫖 بيت";
        newPlan(odd);
        page.navigate(skelto.url);
        assertThat(page.getByText(odd, new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        button("Copy " + odd).click();
        assertThat(page.getByText(odd + " copy")).isVisible();
        button("Rename " + odd + " copy").click();
        page.getByRole(AriaRole.DIALOG).locator("input").fill("Plain copy");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Plain copy")).isVisible();
        button("Delete Plain copy").click();
        assertThat(page.getByText("Plain copy is deleted.")).isVisible();
        page.getByText("Undo: bring it back").click();
        assertThat(page.getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName("Plain copy").setExact(true)))
                .isVisible();
    }

    @Test
    void namesTypedTwiceAreKeptAndTheSnagsFixAssignsAnother() {
        String id = new Http(skelto).get("/api/plans").json().get(0).get("id").asString();
        String copy = new Http(skelto)
                .post("/api/plans/" + id + "/copy", "{\"name\":\"Names\"}")
                .json()
                .get("id")
                .asString();
        openPlan(copy, "names");
        assertThat(page.locator(".dock")).containsText("lathe AP and meal floor AP have the same address");
        button("Give meal floor AP another one").click();
        settled(2);
        assertThat(page.locator(".dock")).not().containsText("same address");
        assertEquals(
                "192.168.40.7",
                page.getByLabel("Address of meal floor AP", new Page.GetByLabelOptions().setExact(true))
                        .inputValue());
        page.getByLabel("Address of house hub", new Page.GetByLabelOptions().setExact(true))
                .fill("999.1.1.1");
        page.keyboard().press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is not an IPv4 address");
        Locator hub = page.getByLabel("Address of house hub", new Page.GetByLabelOptions().setExact(true));
        assertThat(hub).hasValue("999.1.1.1");
        hub.press("Escape");
        assertThat(hub).hasValue("192.168.40.16");
    }

    @Test
    void withTheDatabaseGoneTheEditsWaitAndAreStoredByThemselvesWhenItIsBack() {
        String id = newPlan("Dark house");
        openPlan(id, "site");
        skelto.database.stop();
        try {
            page.getByLabel("This floor").fill("Cellar");
            page.keyboard().press("Tab");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("The database does not answer");
            assertThat(status("not saved")).isVisible();
            page.getByLabel("Height, m").fill("3.1");
            page.keyboard().press("Tab");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("2 edits wait to be stored.");
        } finally {
            skelto.database.start();
        }
        // nobody presses anything: it goes on by itself
        assertThat(page.getByRole(AriaRole.ALERT))
                .hasCount(
                        0,
                        new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions().setTimeout(20_000));
        settled(3);
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Sheets")))
                .containsText("Cellar");
        assertThat(page.getByLabel("Height, m")).hasValue("3.1");
    }

    private String millCopy(String name) {
        Http http = new Http(skelto);
        String id = http.get("/api/plans").json().get(0).get("id").asString();
        return http.post("/api/plans/" + id + "/copy", "{\"name\":\"" + name + "\"}")
                .json()
                .get("id")
                .asString();
    }

    @Test
    void aPlanGoesOutAsAFileAndComesBackTheSame() throws Exception {
        String id = millCopy("Outward");
        page.navigate(skelto.url);
        var file = page.waitForDownload(
                () -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Export Outward"))
                        .click());
        assertEquals("outward.skelto.json", file.suggestedFilename());
        String exported = java.nio.file.Files.readString(file.path());
        new Http(skelto).delete("/api/plans/" + id);
        page.reload();
        assertThat(page.getByText("Outward", new Page.GetByTextOptions().setExact(true)))
                .hasCount(0);
        importFile("outward.skelto.json", exported);
        page.getByText("Outward", new Page.GetByTextOptions().setExact(true)).click();
        page.waitForURL("**/overview**");
        String back = page.url().replaceAll(".*/plans/([^/]+)/.*", "$1");
        assertEquals(
                exported, new Http(skelto).get("/api/plans/" + back + "/export").text());
    }

    @Test
    void aLinkIsChosenByHandComparedAndTakenBack() {
        openPlan(millCopy("Links by hand"), "links?select=/units/study-board");
        assertThat(page.locator(".one")).containsText("mesh gateway");
        button("Compare all").click();
        assertThat(page.locator(".one table")).containsText("ruled out: one-way");
        page.getByLabel("Link by").selectOption("WIFI_2G4/TWO_WAY");
        settled(2);
        assertThat(page.locator(".one")).containsText("chosen by hand");
        assertThat(page.locator(".one .head")).containsText("Wi-Fi 2.4 GHz");
        button("Undo: link of study board by Wi-Fi 2.4 GHz").click();
        settled(3);
        assertThat(page.locator(".one .head")).containsText("802.15.4 mesh");
    }

    @Test
    void aDeviceWithItsOwnRadioIsAddedAndRemovedWithItsUnitAndLink() {
        String id = millCopy("Own radio");
        openPlan(id, "devices?floor=stone-floor");
        page.getByLabel("Kind").selectOption("LEAK");
        page.locator("form").first().getByLabel("Name").fill("study leak");
        page.getByLabel("has its own radio").check();
        button("Add device").click();
        settled(2);
        page.getByRole(AriaRole.NAVIGATION).getByText("Links").click();
        button("Choose for me").click();
        settled(3);
        assertThat(page.locator(".one")).containsText("sends rarely, so a battery carries it");
        page.getByRole(AriaRole.NAVIGATION).getByText("Devices").click();
        button("Remove device").click();
        settled(4);
        var plan = new Http(skelto).get("/api/plans/" + id).json().get("plan");
        assertEquals(
                false,
                plan.get("units").has("study-leak") || plan.get("devices").has("study-leak"));
        assertTrue(plan.get("links")
                .valueStream()
                .noneMatch(l -> l.get("from").asString().equals("study-leak")));
    }

    @Test
    void aSnagIsAcceptedWithAReasonAndReopened() {
        openPlan(millCopy("Accepting"), "names");
        button("Accept as it is: lathe AP and meal floor AP have the same address")
                .click();
        page.getByLabel("Why it may stay").fill("both are replaced next week");
        page.keyboard().press("Enter");
        settled(2);
        assertThat(page.locator(".dock")).containsText("Snags here: 4");
        page.getByText("show 1 accepted").click();
        assertThat(page.locator(".dock")).containsText("both are replaced next week");
        button("Reopen").click();
        settled(3);
        assertThat(page.locator(".dock")).containsText("Snags here: 5");
    }

    @Test
    void anythingIsFoundByKeyboardAndAnOutageIsUnderstoodByItsWays() {
        openPlan(millCopy("Finding"), "site");
        page.keyboard().press("Control+k");
        page.keyboard().type("outages stage");
        page.keyboard().press("Enter");
        page.waitForURL("**/outages**");
        page.keyboard().press("Control+k");
        page.keyboard().type("hall lamp device");
        page.keyboard().press("Enter");
        Locator ways = page.getByLabel("Ways of the selected device");
        assertThat(ways).containsText("all 4 ways work");
        page.locator(".strip")
                .getByText("mains", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(ways).containsText("hall lamp: lost");
        assertThat(ways).containsText("mill lights is dead");
    }
}
