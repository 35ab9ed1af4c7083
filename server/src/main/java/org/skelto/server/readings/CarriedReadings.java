package org.skelto.server.readings;

import java.util.List;
import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanAttachment;
import org.skelto.server.problems.Refusal;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Readings travel with their plan. */
@Component
class CarriedReadings implements PlanAttachment {
    private static final int LONGEST_ID = 64;

    /** A reading as it is written at most, bytes. */
    private static final long MOST_WRITTEN = 400;

    private final Readings readings;
    private final JsonMapper mapper;

    CarriedReadings(Readings readings, JsonMapper mapper) {
        this.readings = readings;
        this.mapper = mapper;
    }

    @Override
    public String property() {
        return "readings";
    }

    @Override
    public JsonNode schema(Function<Class<?>, JsonNode> records) {
        return PlanAttachment.list(records.apply(Reading.class), Readings.MOST);
    }

    @Override
    public JsonNode export(UUID plan) {
        List<Reading> all =
                readings.of(plan).stream().map(Readings.Line::reading).toList();
        return all.isEmpty() ? null : mapper.valueToTree(all);
    }

    @Override
    public long size(UUID plan) {
        return MOST_WRITTEN * readings.count(plan);
    }

    @Override
    public void purge(UUID plan) {
        readings.purge(plan);
    }

    @Override
    public BiConsumer<Person, UUID> prepare(JsonNode content) {
        Reading[] all;
        try {
            all = mapper.treeToValue(content, Reading[].class);
        } catch (JacksonException e) {
            Problem problem = org.skelto.server.problems.Reading.problem(e);
            throw refused(problem.pointer(), problem.message());
        }
        for (int i = 0; i < all.length; i++) {
            Reading r = all[i];
            boolean whole = r != null
                    && r.floor() != null
                    && r.floor().length() <= LONGEST_ID
                    && r.unit() != null
                    && r.unit().length() <= LONGEST_ID
                    && r.medium() != null
                    && r.at() != null
                    && r.dbm() >= -120
                    && r.dbm() <= 0
                    && Double.isFinite(r.xM() + r.yM() + r.heightM());
            if (!whole) {
                throw refused("/" + i, "is not a reading");
            }
        }
        List<Reading> sound = List.of(all);
        return (who, plan) -> readings.restore(who, plan, sound);
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The readings of this file cannot be taken. Nothing was changed.",
                List.of(new Problem("/readings" + place, message)));
    }
}
