package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
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

/** Addresses as a sheet of cells, topics as a tree, and the files that other programs read. */
@ExtendWith({RunningSkelto.class, Browser.class})
class NamesJourneyTest {
    private Http http;
    private String id;
    private String url;
    private Page page;

    @BeforeEach
    void aMillOfItsOwn(Skelto skelto, Browser.Windows windows) {
        http = new Http(skelto);
        id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        url = skelto.url + "/plans/" + id + "/";
        page = windows.open();
    }

    @AfterEach
    void clear() {
        page.context().close();
        http.delete("/api/plans/" + id);
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(name)));
    }

    @Test
    void aClashStandsOutABlockIsGivenToAFloorAndNumberingAnewIsShownFirst() {
        page.navigate(url + "names");
        Locator clash = button("\\.6 192\\.168\\.40\\.6 lathe AP and meal floor AP: given 2 times");
        assertThat(clash).hasText("!");
        clash.click();
        assertThat(clash).hasAttribute("aria-pressed", "true");
        assertTrue(page.url().contains("select=/units/lathe-ap") || page.url().contains("select=%2Funits%2Flathe-ap"));
        page.getByLabel("A block for the boards of").selectOption("meal-floor");
        assertThat(page.getByText("Boards of Meal floor")).isVisible();
        page.getByText(Pattern.compile("units stand outside the block")).click();
        assertThat(page.getByText(Pattern.compile("must be told their new address one by one")))
                .isVisible();
        button("Number these anew").click();
        assertThat(page.getByText(Pattern.compile("units stand outside the block")))
                .hasCount(0);
        assertThat(button("\\.64 192\\.168\\.40\\.64 ")).isVisible();
        button("Undo: number").click();
        assertThat(page.getByText(Pattern.compile("units stand outside the block")))
                .isVisible();
    }

    @Test
    void aTopicIsFoundItsDeviceLightsUpAndItsContractIsRead() {
        page.navigate(url + "names?part=messages");
        page.getByLabel("Find a topic").fill("front door lock");
        button("^front-door-lock$").click();
        assertThat(page.getByText("front door lock: who says what to whom")).isVisible();
        Locator contract = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Contract"));
        assertThat(contract).containsText("acknowledgement");
        assertThat(contract).containsText("at least once, retained");
        assertThat(page.getByRole(
                        AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^hall board sends"))))
                .isVisible();
        // the drawing and the tree choose the same thing
        page.getByLabel("Find a topic").fill("");
        button("^hall siren, siren").first().focus();
        page.keyboard().press("Enter");
        assertThat(page.getByText("hall siren: who says what to whom")).isVisible();
        assertThat(button("^hall-siren$")).hasAttribute("aria-pressed", "true");
    }

    @Test
    void aControllerIsToldWhatHangsOnItAndHeldAgainstAnother() throws Exception {
        page.navigate(url + "names?part=controllers&select=/units/hall-board");
        Locator text = page.getByLabel("As it is written");
        assertThat(text).containsText("sense: main/E11, inverted");
        page.getByLabel("Written as").selectOption("header");
        assertThat(text).containsText("#define FRONT_CONTACT_SENSE_INVERTED 1");
        Download header = page.waitForDownload(() -> button("Save it").click());
        assertEquals("hall-board.h", header.suggestedFilename());
        page.getByLabel("Written as").selectOption("own");
        page.getByLabel("Template, kept in this browser").fill("{{name}} at {{network.address}}");
        assertThat(text).hasText("hall board at 192.168.40.33");
        page.getByLabel("Template, kept in this browser").fill("{{#devices}}");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("The template cannot be used");
        page.getByLabel("Beside it").selectOption("loft-board");
        Locator pair = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Two controllers"));
        assertThat(pair).containsText("192.168.40.33");
        assertThat(pair).not().containsText("must differ, and does not");
        Download sheet = page.waitForDownload(
                () -> page.getByText("Sheet for the box, PDF").click());
        assertEquals(
                "%PDF",
                Files.readString(sheet.path(), java.nio.charset.StandardCharsets.ISO_8859_1)
                        .substring(0, 4));
    }

    @Test
    void whatIsThereIsComparedAndAdopted() {
        page.navigate(url + "names?part=leases");
        Locator list = page.getByLabel("List, pasted");
        list.fill("nothing\nof it");
        button("^Compare$").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("no column of addresses");
        list.fill("ip,mac,host\n192.168.40.98,,router\n192.168.40.250,02:aa:bb:cc:dd:ee,visitor\n192.168.40.999,,\n");
        button("^Compare$").click();
        assertThat(page.getByText("the plan says 192.168.40.1")).isVisible();
        assertThat(page.getByText("nothing in the plan has it")).isVisible();
        assertThat(page.getByText("Line 4: \"192.168.40.999\" is no IPv4 address"))
                .isVisible();
        button("^Adopt$").click();
        assertThat(page.getByText("the plan says 192.168.40.1")).hasCount(0);
        assertThat(button("Undo: adopt entry router")).isVisible();
    }

    @Test
    void namesThatSoundAlikeAreToldAndGetOnesThatDoNot() {
        long revision = http.get("/api/plans/" + id).json().get("revision").asLong();
        String spoken = "[{\"op\":\"replace\",\"path\":\"/devices/east-lamp/ways\",\"value\":[\"SPOKEN\"]}]";
        assertEquals(200, http.patch("/api/plans/" + id, revision, spoken).status());
        page.navigate(url + "names?part=spoken");
        Locator instead = button("^Call it “").first();
        assertThat(page.getByText("they sound the same, ASTPTRMLMP").first()).isVisible();
        instead.click();
        assertThat(page.getByText(Pattern.compile("None of 4"))).isVisible();
        // by the ear of another language they were never alike
        button("Undo: call it").click();
        assertThat(page.getByText("they sound the same, ASTPTRMLMP").first()).isVisible();
        page.getByLabel("The house is spoken to in").selectOption("de");
        assertThat(page.getByText(Pattern.compile("they sound the same"))).hasCount(0);
    }

    @Test
    void anotherNameShowsAllThatItChangesAndOldTopicsAreForgottenLater() {
        page.navigate(url + "names?part=rename&select=/rooms/meal");
        Locator name = page.getByLabel("Called “Meal floor” now, then");
        name.fill("Grain store");
        assertThat(page.getByText("leat/mill/grain-store/table-lamp")).isVisible();
        assertThat(page.getByText("Controllers that must be given their file anew"))
                .isVisible();
        name.press("Enter");
        assertThat(button("Undo: rename Meal floor to Grain store")).isVisible();
        Locator forget = page.getByLabel("Forget leat/mill/meal-floor/table-lamp of table lamp");
        forget.click();
        assertThat(forget).hasCount(0);
        page.navigate(url + "names?part=messages&select=/devices/range-fan");
        assertThat(page.getByText("leat/mill/meal-floor/range-fan")).isVisible();
        button("Change command").click();
        page.getByLabel("The broker keeps the last").selectOption("yes");
        assertThat(page.getByText("The broker keeps the command to range fan")).isVisible();
        button("^Do not keep it$").click();
        assertThat(page.getByText("The broker keeps the command to range fan")).hasCount(0);
    }

    @Test
    void secretsAreKnownOfAndAPassphraseIsJudgedWithoutLeavingThePage() {
        page.navigate(url + "names?part=secrets");
        List<String> sent = new ArrayList<>();
        page.onRequest(r -> sent.add(r.url() + r.postData()));
        Locator typed = page.getByLabel("How strong is a passphrase?");
        typed.fill("Sommer2024!");
        assertThat(page.getByText("Weak:")).isVisible();
        typed.fill("tumble gravel otter nineteen quilt");
        assertThat(page.getByText("Strong:")).isVisible();
        page.getByLabel("State of the password of the house hub").selectOption("FACTORY");
        assertThat(page.getByText("A password is still the factory's")).isVisible();
        page.getByLabel("At the broker may write and read").selectOption("SHARED");
        assertThat(page.getByText("All boards have one secret at the broker")).isVisible();
        button("^Give each unit a secret of its own").first().click();
        assertThat(page.getByText("All boards have one secret at the broker")).hasCount(0);
        Locator opened = page.getByLabel("Opened to the internet");
        opened.getByLabel("Port", new Locator.GetByLabelOptions().setExact(true))
                .fill("443");
        opened.getByRole(AriaRole.COMBOBOX).selectOption("hub");
        button("^Write it down as open").click();
        assertThat(page.getByText("Port 443 of house hub is open to the internet without need"))
                .isVisible();
        Locator need = opened.getByLabel("What port 443 of house hub is for");
        need.fill("the weather page of the village");
        need.press("Enter");
        assertThat(page.getByText(
                        "Port 443 of house hub is open to the internet", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        button("^Close it$").first().click();
        assertThat(opened).containsText("Nothing is passed on from outside");
        button("not known were changed today").click();
        assertThat(page.getByText("1 of them not confirmed changed")).isVisible();
        assertTrue(sent.stream().noneMatch(r -> r.contains("Sommer") || r.contains("otter")));
    }

    @Test
    void limitsOfAccountsGroupsChipsAndLevelsAreTyped() {
        page.navigate(url + "names?part=traffic");
        Locator limit = page.getByLabel("Messages that phone message service carries a month");
        limit.fill("50");
        limit.press("Enter");
        assertThat(page.getByText("More messages than phone message service carries in a month"))
                .isVisible();
        page.navigate(url + "names?part=spoken");
        page.getByLabel("A new group").fill("hall lamp");
        button("^Add it$").click();
        assertThat(page.getByText("a group is called so").first()).isVisible();
        page.getByLabel("Its list of names, pasted").fill("name\nhall lamb\n");
        button("^Compare$").click();
        button("^Keep what is entered there").click();
        assertThat(page.getByText("hall lamp is called \"hall lamb\" elsewhere"))
                .isVisible();
        page.navigate(url + "names?select=/units/hall-board");
        page.getByLabel("Identifier of the chip of hall board").fill("A1B2C3D4");
        button("^Make its hardware address$").click();
        assertThat(page.getByLabel("Hardware address of hall board")).hasValue("02:00:a1:b2:c3:d4");
        page.navigate(url + "names?part=rename");
        page.getByLabel(Pattern.compile("^\\s*What")).selectOption("/network/topicLevels");
        page.getByLabel("Level 1").selectOption("");
        assertThat(page.getByText("leat/bath/bath-fan")).isVisible();
        button("^Rename now$").click();
        assertThat(button("Undo: levels of all topics")).isVisible();
    }

    @Test
    void theFilesAreSaved() throws Exception {
        page.navigate(url + "names?part=give");
        Download hosts = page.waitForDownload(() -> page.getByText("Hosts file").click());
        assertEquals("marrowby-leat-hosts", hosts.suggestedFilename());
        assertTrue(Files.readString(hosts.path()).contains("192.168.40.1\trouter"));
        Download messages = page.waitForDownload(
                () -> page.getByText("Messages, AsyncAPI 3").click());
        assertTrue(Files.readString(messages.path()).contains("\"asyncapi\" : \"3.0.0\""));
    }
}
