package org.skelto.server.geometry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryCollection;
import org.locationtech.jts.io.ParseException;
import org.locationtech.jts.io.geojson.GeoJsonReader;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningSkelto.class)
class GeometryApiTest {
    private Http http;
    private String mill;

    @BeforeEach
    void findTheMill(Skelto skelto) {
        http = new Http(skelto);
        mill = "/api/plans/" + http.get("/api/plans").json().get(0).get("id").asString();
    }

    @Test
    void anIndependentReaderAcceptsTheGeoJson() throws ParseException {
        Geometry all = new GeoJsonReader().read(http.get(mill + "/geojson").text());
        JsonNode plan = http.get(mill).json().get("plan");
        assertEquals(
                plan.get("rooms").size()
                        + plan.get("spots").size()
                        + plan.get("openings").size(),
                ((GeometryCollection) all).getNumGeometries());
        // the mill's hall, 5.4 x 4.2 m
        double area = 0;
        for (int i = 0; i < all.getNumGeometries(); i++) {
            area = Math.max(area, all.getGeometryN(i).getArea());
        }
        assertEquals(6.2 * 8.4, area, 1e-6);
    }

    @Test
    void whatIsWrittenIsReadBackWithoutLoss() {
        String file = http.get(mill + "/geojson").text();
        Answer edits = http.post(mill + "/geojson", file);
        assertEquals(200, edits.status(), edits.text());
        Answer after =
                http.postAs(mill + "/preview", edits.json().get("edits").toString(), "application/json-patch+json");
        assertEquals(http.get(mill).json().at("/plan/rooms"), after.json().at("/plan/rooms"));
        assertEquals(http.get(mill).json().at("/plan/spots"), after.json().at("/plan/spots"));
    }

    private static String polygon(String ring, String properties) {
        return "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{" + properties
                + "},\"geometry\":{\"type\":\"Polygon\",\"coordinates\":[[" + ring + "]]}}]}";
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "[0,0],[4,0],[0,4],[4,4],[0,0] | '' | /features/0/geometry/coordinates/0",
                "[0,0],[4,0],[4,4],[0,4] | '' | /features/0/geometry/coordinates/0",
                "[0,0],[4,0],[4,\"x\"],[0,0] | '' | /features/0/geometry/coordinates/0/2",
                "[0,0],[4,0],[4,1e9],[0,0] | '' | /features/0/geometry/coordinates/0/2",
                "[-2.94,52.31],[-2.9399,52.31],[-2.9399,52.3101],[-2.94,52.31] | '' | /features",
                "[0,0],[4,0],[4,4],[0,0] | \"walls\":[\"jelly\",\"jelly\",\"jelly\"] | /features/0/properties/walls/0",
                "[0,0],[4,0],[4,4],[0,0] | \"walls\":[\"brick-110\"] | /features/0/properties/walls",
            })
    void saysWhatIsWrongWithAFileAndWhere(String ring, String properties, String place) {
        Answer refused =
                http.post(mill + "/geojson?floor=bin-loft", polygon(ring, properties == null ? "" : properties));
        assertEquals(422, refused.status(), refused.text());
        assertEquals(List.of(place), refused.places());
    }

    @Test
    void aListOfRoomsAndAPlaceByDegreesAnswerWithEdits() {
        Answer rooms = http.post(mill + "/typed-rooms", "{\"floor\":\"bin-loft\",\"text\":\"box room 2x2\\nbroken\"}");
        assertEquals(422, rooms.status());
        assertTrue(rooms.text().contains("Line 2"), rooms.text());
        // 0.001° of latitude is 111.19 m
        Answer moved = http.post(
                mill + "/placed-by-degrees",
                "{\"path\":\"/spots/gate\",\"place\":{\"latitudeDeg\":52.311,\"longitudeDeg\":-2.94}}");
        assertEquals(111.19, moved.json().at("/edits/1/value").asDouble(), 0.01);
        assertEquals(
                422,
                http.post(
                                mill + "/placed-by-degrees",
                                "{\"path\":\"/rooms/hall\",\"place\":{\"latitudeDeg\":52,\"longitudeDeg\":-2.94}}")
                        .status());
    }

    @Test
    void aCutAlongALinkHoldsBothItsEnds() {
        JsonNode cut = http.get(mill + "/section?link=pit-sender-meal-ap").json();
        List<String> units = cut.get("units")
                .valueStream()
                .map(u -> u.get("unit").asString())
                .toList();
        assertTrue(units.containsAll(List.of("pit-sender", "meal-ap")), units.toString());
        assertEquals(404, http.get(mill + "/section?link=none").status());
        assertEquals(422, http.get(mill + "/section?fromXM=0").status());
    }
}
