package org.skelto.server.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartFile;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

class PartApiTest extends OnTheMill {
    private static final String OWN = "id,name,kind,price,supplyV,pins\n"
            + "drawer-6,Board from the drawer,BOARD,0,5,A1 in out; A2 in out strap-high; A3 in out\n"
            + "slim-9,My slim board,BOARD,4.1,5,Q1 in out; Q2 in out\n";

    private Answer take(String table) {
        return http.postAs("/api/parts/csv", table, "text/csv");
    }

    private String board(String unit) {
        return http.get(plan + "/assessment")
                .json()
                .at("/assessment/wired/" + unit + "/board")
                .asString();
    }

    @Test
    void ownPartsStandBeforeBuiltInOnesAndPlansAreJudgedWithThemAtOnce() {
        int before = http.get("/api/parts").json().size();
        assertTrue(board("scullery-relays").startsWith("Slim board"));
        assertEquals(201, take(OWN).status());
        assertEquals(before + 1, http.get("/api/parts").json().size());
        assertEquals("My slim board", board("scullery-relays"));
        assertEquals(204, http.delete("/api/parts/slim-9").status());
        assertTrue(board("scullery-relays").startsWith("Slim board"));
        assertEquals(404, http.delete("/api/parts/slim-9").status());
    }

    @Test
    void aPlanTakesTheOwnPartsThatItUsesAlongAndBringsThemBack() {
        take(OWN);
        String patch =
                "[{\"op\":\"replace\",\"path\":\"/units/annexe-board/boards\",\"value\":{\"main\":\"drawer-6\",\"more\":{}}}]";
        assertEquals(200, http.patch(plan, revision(), patch).status());
        String file = http.get(plan + "/export").text();
        http.delete("/api/parts/drawer-6");
        assertEquals("", board("annexe-board"));
        Answer back = http.post("/api/plans/import", file);
        assertEquals(201, back.status(), back.text());
        String again = "/api/plans/" + back.json().get("id").asString();
        assertEquals("Board from the drawer", board("annexe-board"));
        assertEquals(file, http.get(again + "/export").text());
        http.delete(again);
    }

    @Test
    void theTableGoesOutAndComesInAndAnythingWrongIsNamedAndChangesNothing() throws PartFile.Unreadable {
        assertEquals(
                Catalogue.builtIn().all().size(),
                PartFile.read(http.get("/api/parts/csv").text()).size());
        take(OWN);
        String own = http.get("/api/parts/csv?own=true").text();
        assertEquals(2, PartFile.read(own).size());
        Answer wrong = take("id,name,kind,price\nx,y,BOARD,cheap\n");
        assertEquals(422, wrong.status());
        assertEquals("/line 2/price", wrong.json().at("/errors/0/pointer").asString());
        StringBuilder many = new StringBuilder("id,name,kind\n");
        for (int i = 0; i < 100_000; i++) {
            many.append("p-").append(i).append(",part,SENSOR\n");
        }
        assertEquals(422, take(many.toString()).status());
        assertEquals(400, take("").status());
        assertEquals(own, http.get("/api/parts/csv?own=true").text());
    }

    @Test
    void hostilePartsInAPlanAreRefusedWithTheirPlace() {
        JsonNode file = http.get(plan + "/export").json();
        for (String parts : new String[] {
            "[null]",
            "[{}]",
            "{}",
            "[{\"id\":\"x\",\"name\":\"y\",\"kind\":\"BOARD\",\"price\":1e999}]",
            "[{\"id\":\"../x\",\"name\":\"y\",\"kind\":\"BOARD\"}]",
            "[{\"id\":\"x\",\"name\":\"y\",\"kind\":\"BOARD\",\"pins\":[null]}]",
            "[{\"id\":\"x\",\"name\":\"y\",\"kind\":\"BOARD\",\"figures\":{\"PEAK_A\":-1}}]"
        }) {
            String hostile = file.toString().replaceFirst("\\{", "{\"parts\":" + parts + ",");
            Answer refused = http.post("/api/plans/import", hostile);
            assertEquals(422, refused.status(), parts + refused.text());
            assertFalse(refused.json().get("errors").isEmpty(), parts);
        }
    }

    @Test
    void terminalsAreProposedOnlyWhereThereAreBoards() {
        assertEquals(404, http.post(plan + "/terminal-proposal?unit=nobody", "").status());
        assertEquals(
                409,
                http.post(plan + "/terminal-proposal?unit=annexe-board", "").status());
        JsonNode edits = http.post(plan + "/terminal-proposal", "").json().get("edits");
        // everything is in its place already but contacts on pins without a pull-up
        assertEquals(
                Set.of(
                        "/devices/front-contact/wiring",
                        "/devices/front-lock/wiring",
                        "/devices/meal-button/wiring",
                        "/devices/sluice-valve/wiring"),
                edits.valueStream().map(e -> e.get("path").asString()).collect(Collectors.toSet()));
        Answer empty = http.post(plan + "/weighed", "{\"edits\":[null]}");
        assertEquals(422, empty.status(), empty.text());
        Answer foreign = http.post(
                plan + "/weighed",
                "{\"edits\":[{\"op\":\"replace\",\"path\":\"/units/nobody/name\",\"value\":\"x\"}]}");
        assertEquals(400, foreign.status(), foreign.text());
        JsonNode dark = http.post(
                        plan + "/weighed",
                        "{\"edits\":[{\"op\":\"replace\",\"path\":\"/devices/front-lock/exitRoute\",\"value\":true},"
                                + "{\"op\":\"replace\",\"path\":\"/devices/front-lock/hand\",\"value\":\"NONE\"}]}")
                .json();
        assertEquals("Fit an inside handle", dark.at("/along/0").asString(), dark.toString());
        assertEquals(0, dark.get("brings").size());
        Answer nowhere = http.post(plan + "/weighed", "{\"edits\":[{\"op\":\"replace\",\"path\":\"\",\"value\":1}]}");
        assertTrue(nowhere.status() >= 400 && nowhere.status() < 500, nowhere.text());
        assertEquals(422, http.post(plan + "/weighed", "{}").status());
        for (Part part : Catalogue.builtIn().all()) {
            assertTrue(part.price() > 0, part::id);
        }
    }
}
