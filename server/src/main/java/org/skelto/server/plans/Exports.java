package org.skelto.server.plans;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.skelto.core.plan.Plan;
import org.skelto.server.problems.Reading;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Plans as files: the document and all that is kept beside it. */
@Service
@Transactional
public class Exports {
    private final Plans plans;
    private final List<Carried> carried;
    private final JsonMapper mapper;

    Exports(Plans plans, List<Carried> carried, JsonMapper mapper) {
        this.plans = plans;
        this.carried = carried.stream()
                .sorted(java.util.Comparator.comparing(Carried::property))
                .toList();
        this.mapper = mapper;
    }

    /** The file of a plan. */
    @Transactional(readOnly = true)
    public ObjectNode export(UUID id) {
        ObjectNode file = mapper.valueToTree(plans.get(id).plan());
        for (Carried part : carried) {
            JsonNode content = part.export(id);
            if (content != null) {
                file.set(part.property(), content);
            }
        }
        return file;
    }

    /** A new plan from a file; all of it or nothing. */
    public PlanState restore(JsonNode file) {
        if (!(file instanceof ObjectNode document)) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "There is no plan in the request.");
        }
        Map<Carried, JsonNode> beside = new HashMap<>();
        for (Carried part : carried) {
            JsonNode content = document.remove(part.property());
            if (content != null && !content.isNull()) {
                beside.put(part, content);
            }
        }
        PlanState made = plans.create(read(document));
        beside.forEach((part, content) -> part.restore(made.id(), content));
        return made;
    }

    /** A new plan like another, with all that is kept beside it. */
    public PlanState copy(UUID id, String name) {
        ObjectNode file = export(id);
        file.put("name", name);
        return restore(file);
    }

    private Plan read(ObjectNode document) {
        try {
            return mapper.treeToValue(document, Plan.class);
        } catch (DatabindException e) {
            throw Refusal.invalid("This is not a valid plan. Nothing was changed.", List.of(Reading.problem(e)));
        }
    }
}
