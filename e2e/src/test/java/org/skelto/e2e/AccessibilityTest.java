package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** The accessibility checker on every view, on light and dark paper. */
@ExtendWith({RunningSkelto.class, Browser.class})
class AccessibilityTest {
    private static final String RULES = "{runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']}";

    @ParameterizedTest
    @CsvSource({
        "'', false",
        "'', true",
        "site?floor=meal-floor&select=/rooms/scullery, false",
        "site?floor=meal-floor&select=/rooms/scullery, true",
        "site?floor=site, false",
        "devices?select=/devices/front-lock, false",
        "devices?select=/devices/front-lock, true",
        "controllers?select=/units/sluice-board, false",
        "controllers?select=/units/sluice-board, true",
        "overview, false",
        "overview, true",
        "overview?part=snags, false",
        "devices?part=templates, true",
        "/guide/first-plan, true",
        "devices?part=cautions, false",
        "controllers?part=parts, false",
        "controllers?part=power, false",
        "controllers?part=power, true",
        "controllers?part=lines, false",
        "controllers?part=boxes, true",
        "long-range, false",
        "long-range, true",
        "long-range?part=settings, false",
        "long-range?part=takes, false",
        "long-range?part=map, false",
        "long-range?part=air, true",
        "long-range?part=messages, false",
        "long-range?part=energy, true",
        "long-range?part=test, false",
        "long-range?part=ground, false",
        "build, false",
        "build, true",
        "build?part=boards, false",
        "build?part=cables, false",
        "build?part=wiring, true",
        "/calculators/battery-life, false",
        "/calculators/slab-loss, true",
        "links, false",
        "links?select=/units/pit-sender, false",
        "links?select=/units/pit-sender, true",
        "links?floor=meal-floor&radio=WIFI_2G4&part=rooms, false",
        "links?floor=meal-floor&radio=WIFI_2G4&part=rooms, true",
        "links?part=mesh, false",
        "links?part=channels, false",
        "links?part=walk, false",
        "links?part=next, false",
        "links?cut=yes&select=/links/pit-sender-meal-ap, true",
        "site?floor=meal-floor&part=walls, false",
        "site?floor=meal-floor&part=existing, false",
        "site?floor=meal-floor&part=files, true",
        "devices?part=sound, false",
        "names, false",
        "names, true",
        "'outages?without=internet,hub:hub&select=/devices/hall-lamp', false",
        "'outages?without=internet,hub:hub&select=/devices/hall-lamp', true",
    })
    void hasNothingThatTheCheckerFinds(String view, boolean dark, Skelto skelto, Browser.Windows windows)
            throws IOException {
        Page page = dark ? windows.openDark() : windows.open();
        String id = new Http(skelto).get("/api/plans").json().get(0).get("id").asString();
        page.navigate(
                skelto.url + (view.startsWith("/") ? view : "/plans" + (view.isEmpty() ? "" : "/" + id + "/" + view)));
        if (view.isEmpty()) {
            assertThat(page.getByText("Marrowby Leat").first()).isVisible();
        } else {
            assertThat(page.getByRole(AriaRole.NAVIGATION)).isVisible();
        }
        if (!view.isEmpty() && !view.startsWith("/")) {
            page.locator("#panel .panel-body").first().waitFor();
        }
        page.waitForTimeout(300);
        Object found = found(page);
        page.context().close();
        assertEquals(List.of(), found);
    }

    /** What the checker finds on a page as it stands. */
    static Object found(Page page) throws IOException {
        page.evaluate(Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js")));
        return page.evaluate("async () => (await axe.run(document, " + RULES + ")).violations.map(v => v.id + ': '"
                + " + v.nodes.map(n => n.target.join(' ') + ' ' + n.failureSummary).slice(0, 3).join(' | '))");
    }
}
