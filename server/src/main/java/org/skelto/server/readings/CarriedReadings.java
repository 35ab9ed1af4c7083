package org.skelto.server.readings;

import java.util.List;
import java.util.UUID;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.Problem;
import org.skelto.server.plans.Carried;
import org.skelto.server.problems.Refusal;
import org.springframework.stereotype.Component;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Readings travel with their plan. */
@Component
class CarriedReadings implements Carried {
    private static final int LONGEST_ID = 64;

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
    public JsonNode export(UUID plan) {
        List<Reading> all =
                readings.of(plan).stream().map(Readings.Line::reading).toList();
        return all.isEmpty() ? null : mapper.valueToTree(all);
    }

    @Override
    public void restore(UUID plan, JsonNode content) {
        Reading[] all;
        try {
            all = mapper.treeToValue(content, Reading[].class);
        } catch (DatabindException e) {
            Problem problem = org.skelto.server.problems.Reading.problem(e);
            throw refused(problem.pointer(), problem.message());
        }
        for (int i = 0; i < all.length; i++) {
            Reading r = all[i];
            boolean sound = r != null
                    && r.floor() != null
                    && r.floor().length() <= LONGEST_ID
                    && r.unit() != null
                    && r.unit().length() <= LONGEST_ID
                    && r.medium() != null
                    && r.at() != null
                    && r.dbm() >= -120
                    && r.dbm() <= 0
                    && Double.isFinite(r.xM() + r.yM() + r.heightM());
            if (!sound) {
                throw refused("/" + i, "is not a reading");
            }
        }
        readings.restore(plan, List.of(all));
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The readings of this file cannot be taken. Nothing was changed.",
                List.of(new Problem("/readings" + place, message)));
    }
}
