package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.Map;
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
        Map<String, String> views = Map.of(
                "plans", "",
                "site", "/site?floor=meal-floor&select=/rooms/scullery",
                "devices", "/devices?floor=meal-floor&select=/devices/front-lock",
                "controllers", "/controllers?floor=meal-floor&select=/units/hall-board",
                "links", "/links?floor=meal-floor&select=/units/pit-sender",
                "names", "/names",
                "outages", "/outages?floor=meal-floor&without=internet,unit:hub");
        Page page = windows.open();
        views.forEach((name, view) -> shoot(page, skelto.url, id, name, view));
        Page dark = windows.openDark();
        shoot(dark, skelto.url, id, "outages-dark", views.get("outages"));
    }

    private static void shoot(Page page, String url, String id, String name, String view) {
        page.navigate(url + "/plans" + (view.isEmpty() ? "" : "/" + id + view));
        if (view.isEmpty()) {
            assertThat(page.getByText("Marrowby Leat").first()).isVisible();
        } else {
            assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
        }
        page.waitForTimeout(400);
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("../docs/screenshots/" + name + ".png")));
    }
}
