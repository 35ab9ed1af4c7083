package org.skelto.server.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

/** Reports of the mill, and questions for places that make no sense. */
class ReportApiTest extends OnTheMill {
    private static final String ASK = "{\"medium\":\"WIFI_2G4\",\"goal\":\"FEWEST\",\"cover\":\"DEVICES\",\"times\":1,"
            + "\"keep\":true,\"building\":null,\"boxCost\":60,\"outletCost\":90}";

    @ParameterizedTest
    @ValueSource(
            strings = {
                "meshes",
                "sounds",
                "power",
                "chains",
                "housings",
                "demands",
                "channels",
                "placement/shape",
                "parts-list"
            })
    void everyReportOfTheMillIsThere(String report) {
        Http.Answer answer = http.get(plan + "/" + report);
        assertEquals(200, answer.status(), answer.text());
        assertFalse(answer.json().isEmpty(), report);
    }

    @Test
    void theTreeOfPowerHoldsEveryUnitOnce() {
        List<String> ids = new ArrayList<>(http.get(plan + "/power")
                .json()
                .get("nodes")
                .valueStream()
                .map(n -> n.get("id").asString())
                .sorted()
                .toList());
        List<String> units = at("/units").propertyNames().stream().sorted().toList();
        assertTrue(ids.containsAll(units), ids.toString());
        assertEquals(ids.size(), ids.stream().distinct().count());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"medium\":\"WIFI_2G4\" | \"medium\":\"ETHERNET\" | /medium",
                "\"medium\":\"WIFI_2G4\" | \"medium\":null | /medium",
                "\"building\":null | \"building\":\"castle\" | /building",
                "\"goal\":\"FEWEST\" | \"goal\":null | /goal",
                "\"cover\":\"DEVICES\" | \"cover\":null | /cover",
                "\"times\":1 | \"times\":0 | /times",
                "\"times\":1 | \"times\":3 | /times",
                "\"boxCost\":60 | \"boxCost\":-1 | /boxCost",
                "\"outletCost\":90 | \"outletCost\":1e9 | /outletCost",
            })
    void aQuestionThatMakesNoSenseIsRefusedNamingWhatIsWrong(String was, String is, String place) {
        Http.Answer answer = http.post(plan + "/placement", ASK.replace(was.strip(), is.strip()));
        assertEquals(422, answer.status(), answer.text());
        assertEquals(List.of(place.strip()), answer.places());
    }

    @Test
    void allThatIsWrongIsNamedAtOnceAndAnEmptyPlanIsToldToDrawFirst() {
        Http.Answer all =
                http.post(plan + "/placement", "{\"keep\":true,\"times\":7,\"boxCost\":-1,\"outletCost\":-1}");
        assertEquals(List.of("/medium", "/goal", "/cover", "/times", "/boxCost", "/outletCost"), all.places());
        JsonNode empty = http.post("/api/plans", "{\"name\":\"empty\",\"region\":\"EU\"}")
                .json();
        String path = "/api/plans/" + empty.get("id").asString();
        Http.Answer answer = http.post(path + "/placement", ASK);
        assertEquals(409, answer.status(), answer.text());
        assertTrue(answer.text().contains("Draw a room first"));
        http.delete(path);
    }
}
