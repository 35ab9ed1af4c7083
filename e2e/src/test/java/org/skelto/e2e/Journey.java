package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** A window on a copy of the mill, and what every journey does with it. */
@ExtendWith({RunningSkelto.class, Browser.class})
abstract class Journey {
    Skelto skelto;
    Page page;
    String mill;
    private final List<String> errors = new ArrayList<>();

    @BeforeEach
    void openAWindowOnACopyOfTheMill(Skelto running, Browser.Windows windows) {
        skelto = running;
        page = windows.open();
        page.onPageError(errors::add);
        mill = new Http(skelto)
                .post("/api/demos/marrowby-leat", "")
                .json()
                .get("id")
                .asString();
    }

    @AfterEach
    void nothingBrokeUnseen() {
        page.context().close();
        new Http(skelto).delete("/api/plans/" + mill);
        assertEquals(List.of(), errors);
    }

    void view(String stage) {
        page.navigate(skelto.url + "/plans/" + mill + "/" + stage);
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
    }

    Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** Waits until so many edits are stored. */
    void settled(int edit) {
        assertThat(page.getByText("edit " + edit + ", safe on disk")).isVisible();
    }

    Locator dock() {
        return page.locator(".dock");
    }

    Locator panel() {
        return page.locator(".panel");
    }

    /** Opens how a number comes about; its card closes when the page scrolls, so that has to be over before the click. */
    Locator opened(String name) {
        Locator figure = page.getByTitle("How " + name + " comes about");
        figure.scrollIntoViewIfNeeded();
        page.evaluate("() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))");
        figure.click();
        return page.locator(".card");
    }

    JsonNode plan() {
        return new Http(skelto).get("/api/plans/" + mill).json().get("plan");
    }
}
