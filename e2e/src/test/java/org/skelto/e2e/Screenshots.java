package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** Takes the pictures of the main views from the demo; run by {@code ./skelto screenshots}. */
@EnabledIfSystemProperty(named = "skelto.screenshots", matches = "true")
@ExtendWith({RunningSkelto.class, Browser.class})
class Screenshots {
    @Test
    void takesOneOfEachMainView(Skelto skelto, Browser.Windows windows) {
        String id = new Http(skelto).get("/api/plans").json().get(0).get("id").asString();
        Map<String, String> views = Map.ofEntries(
                Map.entry("overview", "/overview"),
                Map.entry("contract", "/names?floor=meal-floor&part=messages&select=/devices/range-fan"),
                Map.entry("controller", "/names?floor=meal-floor&part=controllers&select=/units/hall-board"),
                Map.entry("site", "/site?floor=meal-floor&select=/rooms/scullery"),
                Map.entry("power", "/controllers?part=power"),
                Map.entry("links", "/links?floor=meal-floor&select=/units/pit-sender"),
                Map.entry("coverage", "/links?floor=wheel-pit&radio=WIFI_2G4&part=rooms"),
                Map.entry("names", "/names"),
                Map.entry("outages", "/outages?floor=meal-floor&without=mains&for=PT8H"));
        Page page = windows.open();
        views.forEach((name, view) -> shoot(page, skelto.url, id, name, view));
        longRange(page, skelto.url + "/plans/" + id + "/long-range");
        page.navigate(skelto.url + "/plans/" + id + "/controllers?floor=meal-floor&select=/units/scullery-relays");
        page.locator("section[aria-label^=Boards] svg").waitFor();
        page.evaluate("() => { const panel = document.querySelector('.panel');"
                + " const board = panel.querySelector('section[aria-label^=Boards] .act');"
                + " panel.scrollTop += board.getBoundingClientRect().top - panel.getBoundingClientRect().top - 40; }");
        save(page, "pins");
        page.navigate(skelto.url + "/plans/" + id + "/devices?floor=meal-floor&select=/devices/front-lock");
        page.getByLabel("Door gap, mm").waitFor();
        page.evaluate("() => { document.querySelector('.panel').scrollTop = 190; }");
        save(page, "devices");
        outages(page, skelto);
        page.navigate(skelto.url + "/plans/" + id + "/build?part=wiring");
        page.getByLabel("Drawn").selectOption("unit:meal-relays");
        save(page, "wiring");
        page.navigate(skelto.url + "/plans/" + id + "/rules?part=rules&select=/rules/quiet-hall");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("All of it"))
                .click();
        page.getByText("workshop heater").first().waitFor();
        page.evaluate("() => { document.querySelector('.panel').scrollTop = 90; }");
        save(page, "rules");
        page.setViewportSize(390, 780);
        page.navigate(skelto.url + "/plans/" + id + "/walk");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Hall")))
                .click();
        save(page, "walk-phone");
    }

    private static void outages(Page page, Skelto skelto) {
        Http http = new Http(skelto);
        String id = http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        String at = skelto.url + "/plans/" + id + "/outages";
        page.navigate(at + "?part=matrix");
        page.getByRole(
                        AriaRole.GRIDCELL,
                        new Page.GetByRoleOptions().setName("river door lock without mains 24 h: unsafe"))
                .click();
        save(page, "matrix");
        page.navigate(at + "?part=hours");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("hall siren"))
                .first()
                .click();
        page.getByText("Least sets that lose it").waitFor();
        save(page, "hours");
        page.navigate(at + "?part=doors&without=mains&for=PT8H");
        page.getByText("Who is told").waitFor();
        save(page, "doors");
        page.navigate(at + "?part=promises");
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("What guards survives 8 h without the mains"))
                .click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Find the cheapest changes that keep them"))
                .click();
        page.getByLabel("Choice 1").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        save(page, "survive");
    }

    private static void longRange(Page page, String at) {
        page.navigate(at);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^sluice outpost → long")))
                .click();
        page.locator("h3", new Page.LocatorOptions().setHasText("sluice outpost, 612 m"))
                .waitFor();
        page.evaluate("() => { document.querySelector('.panel').scrollTop = 150; }");
        save(page, "profile");
    }

    private static void shoot(Page page, String url, String id, String name, String view) {
        page.navigate(url + "/plans/" + id + view);
        assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
        save(page, name);
    }

    private static void save(Page page, String name) {
        page.waitForTimeout(1200);
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("../docs/screenshots/" + name + ".png")));
    }
}
