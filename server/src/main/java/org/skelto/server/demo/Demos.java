package org.skelto.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.server.people.Person;
import org.skelto.server.plans.Exports;
import org.skelto.server.plans.PlanState;
import org.skelto.server.problems.Refusal;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The made-up houses to begin from: two are files, the large one is generated. */
@Service
class Demos {
    /** The one that a first start comes with. */
    static final String FIRST = "marrowby-leat";

    private static final String GENERATED = "thornfell-lodge";

    private final Exports exports;
    private final JsonMapper mapper;

    Demos(Exports exports, JsonMapper mapper) {
        this.exports = exports;
        this.mapper = mapper;
    }

    /** A house to begin from. */
    public record Demo(String id, String name, String about) {}

    List<Demo> all() {
        return List.of(
                new Demo("sorrel-steps", "Sorrel Steps", "a four-room flat on a small budget, for the first minutes"),
                new Demo(
                        FIRST,
                        "Marrowby Leat",
                        "a watermill turned into a house, with a turbine hut, a sluice and a hill cistern"),
                new Demo(GENERATED, "Thornfell Lodge", "a guest house of 60 rooms and 500 devices, generated"));
    }

    /** A new plan like a demo. */
    PlanState make(Person who, String id) {
        if (all().stream().noneMatch(d -> d.id().equals(id))) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such demo.");
        }
        return exports.restore(
                who, id.equals(GENERATED) ? mapper.valueToTree(NameAssigner.assign(ThornfellLodge.plan())) : file(id));
    }

    private JsonNode file(String id) {
        try (InputStream in = new ClassPathResource("demo/" + id + ".skelto.json").getInputStream()) {
            return mapper.readTree(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
