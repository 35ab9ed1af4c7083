package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Choosing boards, having pins assigned, and putting one right by hand. */
class BoardJourneyTest extends Journey {
    @TempDir
    java.nio.file.Path folder;

    private void open(String unit) {
        view("controllers?select=/units/" + unit);
    }

    private Locator terminal(String connection) {
        return page.getByLabel("Terminal of " + connection);
    }

    @Test
    void aButtonOnABootStrapPinIsFoundAndMovedByHandOrGivenBack() {
        open("scullery-relays");
        assertThat(page.locator(".dock")).containsText("P3 must be high while the board starts");
        assertThat(page.locator("svg[role=img] .bad")).hasCount(1);
        terminal("scullery button, sense").fill("main/P8");
        page.keyboard().press("Tab");
        settled(2);
        assertThat(page.locator(".dock")).containsText("P8 cannot be an input");
        terminal("scullery button, sense").fill("pin seven");
        page.keyboard().press("Tab");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is not a terminal such as main/G4");
        assertThat(terminal("scullery button, sense")).hasValue("pin seven");
        page.keyboard().press("Shift+Tab");
        terminal("scullery button, sense").press("Escape");
        assertThat(terminal("scullery button, sense")).hasValue("main/P8");

        button("Fixed; let scullery button be assigned").click();
        settled(3);
        button("Assign channels").click();
        settled(4);
        assertThat(terminal("scullery button, sense")).hasValue("main/P7");
        assertThat(page.locator(".dock")).not().containsText("scullery button");
        assertThat(page.locator("svg[role=img] .bad")).hasCount(0);
        button("Assign channels").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("where it fits best already");
    }

    @Test
    void boardsAreChosenPinsAssignedAndTheBusHoldsItsPins() {
        open("annexe-board");
        assertThat(page.locator("svg[role=img]")).hasCount(0);
        page.getByLabel("Main board").selectOption("plain-12");
        settled(2);
        assertThat(page.locator(".dock")).containsText("the controller has no relay board");
        page.getByLabel("Add a board").selectOption("relay-4-bus");
        settled(3);
        assertThat(page.locator(".dock")).not().containsText("no relay board");
        assertThat(page.locator("svg[role=img] .held")).hasCount(2);
        button("Assign channels").click();
        settled(4);
        assertThat(terminal("workshop heater, switch")).hasValue("relays/1");
        assertThat(terminal("workshop lamp, switch")).hasValue("relays/2");
        assertEquals(
                32, plan().at("/units/annexe-board/boards/more/relays/address").asInt());
        button("Remove board relays").click();
        settled(5);
        assertThat(page.locator(".dock")).containsText("relays/1 is no terminal that could be a relay");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Undo: remove board relays"))
                .click();
        settled(6);
        assertThat(page.locator(".dock")).not().containsText("relays/1");
        button("Detach workshop lamp").click();
        settled(7);
        assertTrue(plan().at("/devices/workshop-lamp/wiring").isNull());
    }

    @Test
    void ownPartsComeInAsAListAndAreOfferedForControllers() throws java.io.IOException {
        open("annexe-board");
        button("Catalogue").click();
        assertThat(page.locator(".panel tbody tr").first()).isVisible();
        page.getByLabel("Find").fill("relay active low");
        assertThat(page.locator(".panel tbody tr")).hasCount(3);
        java.nio.file.Path list = folder.resolve("own.csv");
        java.nio.file.Files.writeString(list, "id,name,kind,price\nx,,BOARD,cheap\n");
        page.locator("input[type=file]").setInputFiles(list);
        assertThat(page.locator(".panel [role=alert]")).containsText("/line 2/name");
        java.nio.file.Files.writeString(
                list, "id,name,kind,price,pins\ndrawer-2,=Drawer board,BOARD,0,D1 in out; D2 in out\n");
        page.locator("input[type=file]").setInputFiles(list);
        assertThat(page.locator(".panel [role=status]")).containsText("1 parts taken in");
        page.getByLabel("Find").fill("drawer");
        assertThat(page.locator(".panel tbody tr")).containsText("=Drawer board");
        button("Units").click();
        page.getByLabel("Main board").selectOption("drawer-2");
        settled(2);
        assertThat(page.locator("svg[role=img]")).containsText("D2");
        button("Catalogue").click();
        page.getByLabel("Find").fill("drawer");
        button("Remove =Drawer board").click();
        assertThat(page.locator(".panel tbody tr")).hasCount(0);
        assertThat(page.locator(".dock")).containsText("made of parts that the catalogue does not have");
    }
}
