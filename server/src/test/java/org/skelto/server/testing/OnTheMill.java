package org.skelto.server.testing;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** A running Skelto with a copy of the mill, and what every test does with it; own parts are gone afterwards. */
@ExtendWith(RunningSkelto.class)
public abstract class OnTheMill {
    protected Skelto skelto;
    protected Http http;

    /** Where the copy is. */
    protected String plan;

    @BeforeEach
    void copyTheMill(Skelto running) {
        skelto = running;
        http = new Http(skelto);
        plan = "/api/plans/"
                + http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
    }

    @AfterEach
    void clear() {
        http.delete(plan);
        http.get("/api/parts")
                .json()
                .valueStream()
                .filter(p -> p.get("own").asBoolean())
                .forEach(p -> http.delete("/api/parts/" + p.at("/part/id").asString()));
    }

    protected long revision() {
        return http.get(plan).json().get("revision").asLong();
    }

    /** The whole of it as a file. */
    protected String document() {
        return http.get(plan + "/export").text();
    }

    protected JsonNode at(String pointer) {
        return Http.MAPPER.readTree(document()).at(pointer);
    }
}
