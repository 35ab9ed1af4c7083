package org.skelto.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How long a person waits for the page, by the browser's own clock; reported and not judged. Run by {@code ./skelto marks}. */
@EnabledIfSystemProperty(named = "skelto.marks", matches = "true")
@ExtendWith({RunningSkelto.class, Browser.class})
class PageMarks {
    private static final int TIMES = 30;
    private static final int MOVE_MS = 25;
    private static final int ROWS = 5000;

    /** Waits in the page until something is so, frame by frame; milliseconds since a moment. */
    private static final String UNTIL = "async ([since, so]) => { const test = new Function('since', 'return ' + so);"
            + " while (!test(since)) await new Promise(r => requestAnimationFrame(r)); return performance.now() - since; }";

    private final List<String> report = new ArrayList<>();

    private interface Once {
        double ms(int turn);
    }

    private void measure(String what, double wanted, Once once) {
        List<Double> all = new ArrayList<>();
        once.ms(0);
        for (int i = 1; i <= TIMES; i++) {
            all.add(once.ms(i));
        }
        all.sort(null);
        report.add(String.format(
                Locale.ROOT,
                "%-58s p50 %4.0f ms, p95 %4.0f ms, wanted %3.0f ms",
                what,
                all.get(TIMES / 2),
                all.get((int) Math.ceil(TIMES * 0.95) - 1),
                wanted));
    }

    private static double until(Page page, double since, String so) {
        return ((Number) page.evaluate(UNTIL, List.of(since, so))).doubleValue();
    }

    private static double now(Page page) {
        return ((Number) page.evaluate("() => performance.now()")).doubleValue();
    }

    @Test
    void tellsHowLongAPersonWaits(Skelto skelto, Browser.Windows windows) throws IOException {
        Http http = new Http(skelto);
        String lodge =
                http.post("/api/demos/thornfell-lodge", "").json().get("id").asString();
        String at = skelto.url + "/plans/" + lodge;
        Page page = windows.open();
        page.navigate(at + "/devices?floor=first");
        page.locator("svg .device").first().waitFor();
        page.evaluate("() => window.addEventListener('pointerup', e => { window.released = e.timeStamp; }, true)");
        measure("release of the mouse to new figures, 500 devices", 500, turn -> {
            var box = page.locator("svg .device").nth(3).boundingBox();
            double x = box.x + box.width / 2;
            double y = box.y + box.height / 2;
            page.mouse().move(x, y);
            page.mouse().down();
            for (int step = 4; step < 14; step++) {
                page.mouse().move(x + (turn % 2 == 0 ? step : -step), y);
                page.waitForTimeout(MOVE_MS);
            }
            page.mouse().up();
            double since = ((Number) page.evaluate("() => window.released")).doubleValue();
            double took = ((Number) page.evaluate(
                            "async since => { let mark; while (!(mark = performance.getEntriesByName('skelto.figures').find(m =>"
                                    + " m.startTime > since))) await new Promise(r => requestAnimationFrame(r));"
                                    + " return mark.startTime - since; }",
                            since))
                    .doubleValue();
            assertThat(page.locator("header [role=status]").first()).containsText("safe on disk");
            return took;
        });
        measure("a press on the strip to the new sentence, 500 devices", 150, turn -> {
            String before = page.locator(".sentence").innerText();
            double since = now(page);
            page.evaluate("() => document.querySelector('.strip .toggle').click()");
            return until(
                    page,
                    since,
                    "document.querySelector('.sentence').innerText !== " + Http.MAPPER.writeValueAsString(before));
        });
        List<String> stages = List.of("Controllers", "Links", "Names", "Outages", "Build", "Site", "Devices");
        measure("a stage to its panel, 500 devices", 300, turn -> {
            String stage = stages.get(turn % stages.size());
            double since = now(page);
            page.evaluate(
                    "name => [...document.querySelectorAll('nav .stage')].find(b => b.innerText.startsWith(name)).click()",
                    stage);
            return until(
                    page,
                    since,
                    "document.querySelector('#panel').getAttribute('aria-label').toLowerCase().includes('"
                            + stage.toLowerCase(Locale.ROOT)
                            + "') && document.querySelector('#panel .panel-body')?.children.length > 0");
        });
        keys(page, at + "/devices", "a key in the table of 500 devices to the cell it leads to");
        page.route("**/assessment*", PageMarks::manySnags);
        keys(page, at + "/overview?part=snags", "a key in a table of " + ROWS + " snags to the cell it leads to");
        http.delete("/api/plans/" + lodge);
        report.forEach(System.out::println);
        Files.write(Path.of("target", "page-marks.txt"), report);
    }

    /** The assessment with its snags over and over. */
    private static void manySnags(Route route) {
        APIResponse answer = route.fetch();
        JsonNode assessed = Http.MAPPER.readTree(answer.text());
        ArrayNode snags = (ArrayNode) assessed.get("assessment").get("snags");
        int own = snags.size();
        for (int i = 0; snags.size() < ROWS; i++) {
            ObjectNode snag = (ObjectNode) snags.get(i % own).deepCopy();
            snags.add(snag.put("key", snag.get("key").asString() + "/" + i));
        }
        route.fulfill(new Route.FulfillOptions().setResponse(answer).setBody(Http.MAPPER.writeValueAsString(assessed)));
    }

    private void keys(Page page, String where, String what) {
        page.navigate(where);
        page.locator("table[role=grid] tbody tr").first().waitFor();
        page.locator("table[role=grid] tbody td[tabindex='0'], table[role=grid] [tabindex='0']")
                .first()
                .focus();
        measure(what, 200, turn -> {
            double since = now(page);
            page.keyboard().press(turn % 10 == 9 ? "PageDown" : turn % 10 == 8 ? "End" : "ArrowDown");
            return until(page, since, "document.activeElement?.closest('table[role=grid]') !== null");
        });
    }
}
