package org.skelto.server.plans;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import java.util.function.BiConsumer;
import org.skelto.core.plan.Plan;
import org.skelto.server.people.Person;
import org.skelto.server.problems.Reading;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Plans as files: the document and all that is kept beside it. */
@Service
public class Exports {
    private final Plans plans;
    private final List<PlanAttachment> carried;
    private final JsonMapper mapper;
    private final TransactionOperations transaction;

    Exports(Plans plans, List<PlanAttachment> carried, JsonMapper mapper, TransactionOperations transaction) {
        this.plans = plans;
        this.carried = carried.stream()
                .sorted(Comparator.comparing(PlanAttachment::property))
                .toList();
        this.mapper = mapper;
        this.transaction = transaction;
    }

    /** The file of a plan. */
    @Transactional(readOnly = true)
    public ObjectNode export(UUID id) {
        ObjectNode file = mapper.valueToTree(plans.get(id).plan());
        for (PlanAttachment part : carried) {
            JsonNode content = part.export(id);
            if (content != null) {
                file.set(part.property(), content);
            }
        }
        return file;
    }

    /** A new plan from a file; all of it or nothing. All of it is read before anything is stored. */
    public PlanState restore(Person who, JsonNode file) {
        if (!(file instanceof ObjectNode document)) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "There is no plan in the request.");
        }
        List<BiConsumer<Person, UUID>> beside = new ArrayList<>();
        List<JsonNode> contents =
                carried.stream().map(part -> document.remove(part.property())).toList();
        Plan plan = plans.checked(read(document));
        for (int i = 0; i < contents.size(); i++) {
            if (contents.get(i) != null && !contents.get(i).isNull()) {
                beside.add(carried.get(i).prepare(contents.get(i)));
            }
        }
        return transaction.execute(status -> {
            PlanState made = plans.create(who, plan);
            beside.forEach(part -> part.accept(who, made.id()));
            return made;
        });
    }

    /** A new plan like another, with all that is kept beside it. */
    @Transactional
    public PlanState copy(Person who, UUID id, String name) {
        return copy(who, id, plans.get(id).plan(), name);
    }

    /** A new plan like another was once, with all that is kept beside it now. */
    @Transactional
    public PlanState copy(Person who, UUID beside, Plan document, String name) {
        ObjectNode named = mapper.valueToTree(document);
        named.put("name", name);
        PlanState made = plans.create(who, read(named));
        carried.forEach(part -> part.copy(who, beside, made.id()));
        return made;
    }

    private Plan read(ObjectNode document) {
        try {
            return mapper.treeToValue(document, Plan.class);
        } catch (JacksonException e) {
            throw Refusal.invalid("This is not a valid plan. Nothing was changed.", List.of(Reading.problem(e)));
        }
    }
}
