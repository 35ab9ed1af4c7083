package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** The accessibility checker on every view, on light and dark paper. */
@ExtendWith({RunningSkelto.class, Browser.class})
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AccessibilityTest {
    private static final String RULES = "{runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']}";

    /** One window for all views, which remembers the program and nothing else. */
    private Page page;

    @AfterAll
    void closed() {
        if (page != null) {
            page.context().close();
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "site?floor=meal-floor&select=/rooms/scullery",
                "site?floor=site",
                "devices?select=/devices/front-lock",
                "controllers?select=/units/sluice-board",
                "overview",
                "overview?part=snags",
                "devices?part=templates",
                "/guide/first-plan",
                "devices?part=cautions",
                "controllers?part=parts",
                "controllers?part=power",
                "controllers?part=lines",
                "controllers?part=boxes",
                "long-range",
                "long-range?part=settings",
                "long-range?part=takes",
                "long-range?part=map",
                "long-range?part=air",
                "long-range?part=messages",
                "long-range?part=energy",
                "long-range?part=test",
                "long-range?part=ground",
                "build",
                "build?part=boards",
                "build?part=cables",
                "build?part=wiring",
                "/calculators/battery-life",
                "/calculators/slab-loss",
                "links",
                "links?select=/units/pit-sender",
                "links?floor=meal-floor&radio=WIFI_2G4&part=rooms",
                "links?part=mesh",
                "links?part=channels",
                "links?part=walk",
                "links?part=next",
                "links?cut=yes&select=/links/pit-sender-meal-ap",
                "site?floor=meal-floor&part=walls",
                "site?floor=meal-floor&part=existing",
                "site?floor=meal-floor&part=files",
                "devices?part=sound",
                "names",
                "names?part=messages&select=/devices/front-lock",
                "names?part=topics",
                "names?part=spoken",
                "names?part=leases",
                "names?part=rename&select=/rooms/meal",
                "names?part=secrets",
                "names?part=traffic",
                "rules",
                "rules?part=buttons",
                "rules?part=state",
                "rules?part=sensors",
                "rules?part=screens",
                "rules?part=ready",
                "names?part=controllers&select=/units/hall-board",
                "outages?without=internet,hub:hub&select=/devices/hall-lamp",
                "outages?part=matrix",
                "outages?part=hours",
                "outages?part=promises",
                "outages?part=doors&without=mains&for=PT8H",
            })
    void hasNothingThatTheCheckerFinds(String view, Skelto skelto, Browser.Windows windows) throws IOException {
        if (page == null) {
            page = windows.open();
        }
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
        // around a panel nothing differs from one part of a stage to another
        String where = view.contains("part=") ? "'#panel'" : "document";
        Object onLight = found(page, where, RULES);
        // on dark paper nothing else differs than the colours
        page.evaluate("document.documentElement.dataset.theme = 'dark'");
        Object onDark = found(page, where, "{runOnly: {type: 'rule', values: ['color-contrast']}}");
        page.evaluate("() => { localStorage.clear(); sessionStorage.clear(); }");
        assertEquals(List.of(), onLight);
        assertEquals(List.of(), onDark, "on dark paper");
    }

    /** What the checker finds on a page as it stands. */
    static Object found(Page page) throws IOException {
        return found(page, "document", RULES);
    }

    private static Object found(Page page, String where, String rules) throws IOException {
        if (Boolean.FALSE.equals(page.evaluate("() => 'axe' in window"))) {
            page.evaluate(Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js")));
        }
        return page.evaluate("async () => (await axe.run(" + where + ", " + rules + ")).violations.map(v => v.id + ': '"
                + " + v.nodes.map(n => n.target.join(' ') + ' ' + n.failureSummary).slice(0, 3).join(' | '))");
    }
}
