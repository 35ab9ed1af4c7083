package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertSame;

import jakarta.json.Json;
import jakarta.json.JsonObject;
import jakarta.json.JsonValue;
import jakarta.json.spi.JsonProvider;
import java.io.StringReader;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Room;
import org.skelto.core.sample.ThornfellLodge;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

class RereaderTest {
    private final JsonMapper mapper = JsonMapper.builder()
            .addModule(new SimpleModule().addDeserializer(Room.class, new RoomReader()))
            .build();
    private final Plan plan = ThornfellLodge.plan();
    private final JsonObject tree = tree(mapper.writeValueAsString(plan));

    private static JsonObject tree(String document) {
        return Json.createReader(new StringReader(document)).readObject();
    }

    private JsonObject patched(String patch) {
        return Json.createPatch(Json.createReader(new StringReader(patch)).readArray())
                .apply(tree);
    }

    private JsonValue written(Object value) {
        return Json.createReader(new StringReader(mapper.writeValueAsString(value)))
                .readValue();
    }

    @Test
    void whatIsTheSameInBothPlansIsTheSameTree() {
        JsonObject after = patched("[{\"op\":\"replace\",\"path\":\"/units/hub/place/xM\",\"value\":2.5}]");
        JsonObject written = new Rewriter(JsonProvider.provider(), this::written).tree(partly(after), plan, tree);
        assertSame(tree.get("rooms"), written.get("rooms"));
        assertSame(
                tree.getJsonObject("units").get("router"),
                written.getJsonObject("units").get("router"));
    }

    private Plan partly(JsonObject after) {
        return new Rereader(mapper).read(plan, tree, after);
    }

    @Test
    void whatAPatchDoesNotTouchIsTakenOverAsItIs() {
        Plan moved = partly(patched("[{\"op\":\"replace\",\"path\":\"/units/hub/place/xM\",\"value\":2.5}]"));
        assertEquals(2.5, moved.units().get("hub").place().xM());
        assertSame(plan.units().get("router"), moved.units().get("router"));
        assertSame(plan.devices().get("ground-1-d0"), moved.devices().get("ground-1-d0"));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void readPartByPartItIsTheSamePlanAsReadWhole(long seed) {
        Random random = new Random(seed);
        List<String> patches = List.of(
                "{\"op\":\"replace\",\"path\":\"/rooms/ground-%d/corners/1/xM\",\"value\":%d.25}",
                "{\"op\":\"remove\",\"path\":\"/devices/first-%d-d%d\"}",
                "{\"op\":\"replace\",\"path\":\"/units/second-%d-board/channels\",\"value\":%d}",
                "{\"op\":\"copy\",\"from\":\"/devices/ground-%d-d1\",\"path\":\"/devices/new-%d\"}",
                "{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Lodge %d %d\"}",
                "{\"op\":\"replace\",\"path\":\"/place\",\"value\":{\"latitudeDeg\":%d,\"longitudeDeg\":%d}}",
                "{\"op\":\"replace\",\"path\":\"/indoorModel\",\"value\":\"EXPONENT\"}",
                "{\"op\":\"replace\",\"path\":\"/links\",\"value\":{}}",
                "{\"op\":\"add\",\"path\":\"/cautions/LITHIUM\",\"value\":\"read %d.%d.\"}",
                "{\"op\":\"remove\",\"path\":\"/stairwells\"}");
        for (String form : patches) {
            JsonObject after = patched("[" + form.formatted(1 + random.nextInt(19), random.nextInt(8)) + "]");
            Plan changed = partly(after);
            assertEquals(mapper.readValue(after.toString(), Plan.class), changed, form);
            assertEquals(
                    tree(mapper.writeValueAsString(changed)),
                    new Rewriter(JsonProvider.provider(), this::written).tree(changed, plan, tree),
                    form + ": written part by part it is the same document");
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[{\"op\":\"add\",\"path\":\"/extra\",\"value\":1}]",
                "[{\"op\":\"replace\",\"path\":\"/units/hub/channels\",\"value\":\"many\"}]",
                "[{\"op\":\"remove\",\"path\":\"/cautionsRead\"}]",
                "[{\"op\":\"replace\",\"path\":\"/rooms\",\"value\":[]}]"
            })
    void whatIsWrongIsLeftToTheReaderOfTheWhole(String patch) {
        assertNull(partly(patched(patch)));
    }
}
