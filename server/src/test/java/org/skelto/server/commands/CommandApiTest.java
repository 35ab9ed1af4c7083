package org.skelto.server.commands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** Commands answer with a patch that the plan takes as one edit, or with the field that is wrong. */
@ExtendWith(RunningSkelto.class)
class CommandApiTest {
    private Http http;
    private String plan;
    private JsonNode made;

    @BeforeEach
    void fromTheMill(Skelto skelto) {
        http = new Http(skelto);
        made = http.post("/api/demos/marrowby-leat", "").json();
        plan = "/api/plans/" + made.get("id").asString();
    }

    @AfterEach
    void away() {
        http.delete(plan);
    }

    private Answer command(String name, String asked) {
        return http.post(plan + "/commands/" + name, asked);
    }

    @Test
    void aUnitIsDuplicatedAsOneEditAndTakenBackAsOne() {
        String unit = made.at("/plan/units")
                .propertyStream()
                .filter(e -> e.getValue().get("kind").asString().equals("CONTROLLER"))
                .findFirst()
                .orElseThrow()
                .getKey();
        int before = made.at("/plan/units").size();
        JsonNode answer =
                command("duplicate-unit", "{\"unit\":\"" + unit + "\"}").json();
        Answer edited = http.patch(
                plan, made.get("revision").asLong(), answer.get("edits").toString());
        assertEquals(200, edited.status(), edited.text());
        assertEquals(before + 1, edited.json().at("/plan/units").size());
        long revision = edited.json().get("revision").asLong();
        JsonNode undone = http.postMatching(plan + "/undo", revision).json();
        assertEquals(before, undone.at("/plan/units").size(), "one undo takes it all back");
    }

    @Test
    void whatIsWrongIsNamed() {
        assertEquals(List.of("/kind"), command("add-device", "{}").places());
        assertEquals(422, command("add-unit", "{\"kind\":\"DRAGON\"}").status());
        assertEquals(
                List.of("/unit"),
                command("duplicate-unit", "{\"unit\":\"ghost\"}").places());
        assertEquals(
                List.of("/room"),
                command("move-room", "{\"room\":\"moon\",\"eastM\":1,\"northM\":0}")
                        .places());
        assertEquals(
                List.of("/corner"),
                command("remove-corner", "{\"room\":\"hall\",\"corner\":99}").places());
        assertEquals(
                List.of("/to"),
                command("copy-room-set", "{\"from\":\"hall\",\"to\":null}").places());
        assertEquals(
                List.of("/devices"),
                command("attach", "{\"devices\":[\"ghost\"],\"unit\":null}").places());
        assertEquals(
                404,
                http.post("/api/plans/00000000-0000-0000-0000-000000000000/commands/attach", "{\"devices\":[]}")
                        .status());
        assertTrue(command("add-device", "{\"kind\":\"LAMP\",\"room\":\"hall\"}")
                .json()
                .get("label")
                .asString()
                .startsWith("lamp"));
    }
}
