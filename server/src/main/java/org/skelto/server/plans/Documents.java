package org.skelto.server.plans;

import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonException;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonReader;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import jakarta.json.spi.JsonProvider;
import java.io.StringReader;
import java.math.BigDecimal;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.UnaryOperator;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.work.ComputingBudget;
import org.skelto.server.problems.Reading;
import org.skelto.server.problems.Refusal;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectReader;
import tools.jackson.databind.json.JsonMapper;

/** Plans as documents: reading, checking, patching and the patch between two of them. */
@Component
public class Documents {
    private static final int MOST_OPERATIONS = 5000;

    /** Beyond this many decimal places a number is left as it stands: stripping it could be made to take for ever. */
    private static final int PLAIN_SCALE = 100;

    /** Asked for once: each look-up searches the whole class path. */
    private static final JsonProvider JSON = JsonProvider.provider();

    /** Documents whose trees are held, characters together and each: the trees take some ten times as many bytes. */
    private static final int MOST_HELD = 6_000_000;

    private static final int LARGEST_HELD = 2_000_000;

    /** A plan with its tree: a drag patches the same plan over and over, and every edit begins with the tree of the last. */
    private final class Known {
        private final Plan plan;
        private final JsonObject tree;
        private final int length;
        private final DocumentSizes sizes = new DocumentSizes(null);
        private String patch;
        private Plan after;

        Known(Plan plan, JsonObject tree, int length) {
            this.plan = plan;
            this.tree = tree;
            this.length = length;
        }

        /** The tree after a patch. */
        synchronized JsonObject applied(String asked) {
            sizes.of(tree);
            return Documents.this.applied(tree, operations(asked), new DocumentSizes(sizes));
        }

        synchronized Plan patched(String asked) {
            if (!asked.equals(patch)) {
                after = read(plan, tree, applied(asked));
                patch = asked;
            }
            return after;
        }
    }

    /** The trees used last, the newest first. */
    private final Deque<Known> held = new ArrayDeque<>();

    private final JsonMapper mapper;
    private final ObjectReader patches;
    private final Rereader rereader;
    private final Rewriter rewriter = new Rewriter(JSON, this::part);
    private final long largest;

    /** @param largest bytes of a document that are read at most */
    public Documents(JsonMapper mapper, @Value("${skelto.largest-plan-bytes}") long largest) {
        this.mapper = mapper;
        this.patches = mapper.reader().with(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS);
        this.largest = largest;
        this.rereader = new Rereader(mapper);
    }

    String write(Plan plan) {
        return mapper.writeValueAsString(plan);
    }

    Plan readStored(String document) {
        return mapper.readValue(document, Plan.class);
    }

    /** The plan with its names filled in, refused when it is not well-formed. */
    public Plan accepted(Plan plan) {
        return accepted(plan, null);
    }

    private static Plan accepted(Plan plan, Plan before) {
        if (plan == null) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "There is no plan in the request.");
        }
        List<Problem> problems = PlanValidator.problems(plan, before);
        if (!problems.isEmpty()) {
            throw Refusal.invalid("This is not a valid plan. Nothing was changed.", problems);
        }
        return NameAssigner.assign(plan);
    }

    /**
     * An edit made.
     *
     * @param document the plan after it, as it is stored
     * @param forward the JSON Patch that makes it, names filled in included
     * @param inverse the one that takes it back
     */
    record Change(Plan plan, String document, String forward, String inverse) {}

    /**
     * What a JSON Patch makes of a plan; the plan given is not changed.
     *
     * @param follows what goes along with the edit
     */
    Change change(Plan plan, String patch, UnaryOperator<Plan> follows) {
        Known before = known(plan);
        JsonObject patched = before.applied(patch);
        Change made = change(before, follows.apply(read(plan, before.tree, patched)));
        forget(before);
        return made;
    }

    /** What a stored patch makes of the plan it was stored for. */
    Change replayed(Plan plan, String patch) {
        Known before = known(plan);
        try (JsonReader reader = JSON.createReader(new StringReader(patch))) {
            JsonObject after =
                    JSON.createPatch(normal(reader.readArray()).asJsonArray()).apply(before.tree);
            return change(before, read(plan, before.tree, after));
        }
    }

    /** All of a plan replaced by another, as one edit. */
    Change replaced(Plan plan, Plan other) {
        return change(known(plan), accepted(other));
    }

    private Change change(Known before, Plan after) {
        String document = write(after);
        fits(document);
        JsonObject tree = rewriter.tree(after, before.plan, before.tree);
        hold(new Known(after, tree, document.length()));
        return new Change(after, document, difference(before.tree, tree), difference(tree, before.tree));
    }

    /** The tree of a part of a plan. */
    private JsonValue part(Object value) {
        try (JsonReader reader = JSON.createReader(new StringReader(mapper.writeValueAsString(value)))) {
            return normal(reader.readValue());
        }
    }

    private Known known(Plan plan) {
        synchronized (held) {
            for (Known one : held) {
                if (one.plan == plan) {
                    held.remove(one);
                    held.addFirst(one);
                    return one;
                }
            }
        }
        String document = write(plan);
        return hold(new Known(plan, tree(document), document.length()));
    }

    /** The tree of a plan that an edit has just replaced: trees of past revisions only fill the memory. */
    private void forget(Known one) {
        synchronized (held) {
            held.remove(one);
        }
    }

    private Known hold(Known one) {
        if (one.length <= LARGEST_HELD) {
            synchronized (held) {
                held.addFirst(one);
                while (held.stream().mapToInt(k -> k.length).sum() > MOST_HELD) {
                    held.removeLast();
                }
            }
        }
        return one;
    }

    private static String difference(JsonObject from, JsonObject to) {
        return Differences.between(JSON, from, to).toString();
    }

    /** The plan after a JSON Patch, without what follows from it; the plan given is not changed. */
    /** Edits as a JSON patch. */
    /** Edits as a patch of a document. */
    public String patch(List<Edit> edits) {
        return mapper.writeValueAsString(edits);
    }

    /** The plan after a patch of its document. */
    public Plan patched(Plan plan, String patch) {
        return known(plan).patched(patch);
    }

    private Plan read(Plan plan, JsonObject before, JsonObject after) {
        try {
            Plan known = rereader.read(plan, before, after);
            return accepted(known != null ? known : mapper.readValue(after.toString(), Plan.class), plan);
        } catch (JacksonException e) {
            throw Refusal.invalid(
                    "The edit would leave no valid plan. Nothing was changed.", List.of(Reading.problem(e)));
        }
    }

    /** Applies one operation after the other, so that the first that does not fit can be named. */
    private JsonObject applied(JsonObject tree, JsonArray operations, DocumentSizes sizes) {
        JsonObject now = tree;
        for (JsonValue operation : operations) {
            try {
                now = JSON.createPatch(JSON.createArrayBuilder().add(operation).build())
                        .apply(now);
            } catch (JsonException | ClassCastException | NullPointerException e) {
                throw misfit(operation);
            }
            if (sizes.of(now) > largest) {
                throw tooLarge();
            }
            ComputingBudget.step();
        }
        return now;
    }

    private static Refusal misfit(JsonValue operation) {
        JsonObject op = operation instanceof JsonObject o ? o : JsonValue.EMPTY_JSON_OBJECT;
        String path = op.get("path") instanceof JsonString p ? p.getString() : "";
        boolean test =
                op.get("op") instanceof JsonString name && name.getString().equals("test");
        return Refusal.of(
                test ? HttpStatus.CONFLICT : HttpStatus.BAD_REQUEST,
                "The edit does not fit the plan. Nothing was changed.",
                List.of(new Problem(
                        path,
                        test
                                ? "is not what the edit expects there"
                                : "cannot be edited like that: the plan has no such place, or this is no operation of"
                                        + " JSON Patch")));
    }

    /** Refuses a document that is longer than a plan may be. */
    void fits(String document) {
        if (document.length() > largest) {
            throw tooLarge();
        }
    }

    private Refusal tooLarge() {
        return Refusal.of(
                HttpStatus.CONTENT_TOO_LARGE,
                "The plan would be larger than " + largest / 1024 / 1024
                        + " MB, the most that a plan may be without its pictures and heights. Nothing was changed.");
    }

    private JsonArray operations(String patch) {
        JsonNode operations;
        try {
            operations = patches.readTree(patch);
        } catch (StreamConstraintsException e) {
            throw Refusal.of(Reading.status(e), Reading.limit(e) + " Nothing was changed.");
        } catch (JacksonException e) {
            throw Refusal.of(
                    HttpStatus.BAD_REQUEST,
                    "The edit is not a JSON Patch document" + Reading.place(e) + ". Nothing was changed.");
        }
        if (!operations.isArray()) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "The edit is not a JSON Patch document. Nothing was changed.");
        }
        if (operations.size() > MOST_OPERATIONS) {
            throw Refusal.of(
                    HttpStatus.CONTENT_TOO_LARGE,
                    "An edit may have at most " + MOST_OPERATIONS + " operations. Nothing was changed.");
        }
        return converted(operations).asJsonArray();
    }

    /** A tree of one library as one of the other, numbers in one form. */
    private static JsonValue converted(JsonNode node) {
        if (node.isObject()) {
            JsonObjectBuilder object = JSON.createObjectBuilder();
            node.properties().forEach(e -> object.add(e.getKey(), converted(e.getValue())));
            return object.build();
        }
        if (node.isArray()) {
            JsonArrayBuilder array = JSON.createArrayBuilder();
            node.forEach(element -> array.add(converted(element)));
            return array.build();
        }
        if (node.isNumber()) {
            return number(JSON.createValue(node.decimalValue()));
        }
        if (node.isBoolean()) {
            return node.asBoolean() ? JsonValue.TRUE : JsonValue.FALSE;
        }
        return node.isString() ? JSON.createValue(node.asString()) : JsonValue.NULL;
    }

    private static JsonObject tree(String document) {
        try (JsonReader reader = JSON.createReader(new StringReader(document))) {
            return normal(reader.readObject()).asJsonObject();
        }
    }

    /** Numbers in one form, so that 1.5 and 1.50 are the same to a test operation. */
    private static JsonValue normal(JsonValue value) {
        return switch (value.getValueType()) {
            case OBJECT -> {
                JsonObjectBuilder object = JSON.createObjectBuilder();
                value.asJsonObject().forEach((key, v) -> object.add(key, normal(v)));
                yield object.build();
            }
            case ARRAY -> {
                JsonArrayBuilder array = JSON.createArrayBuilder();
                value.asJsonArray().forEach(v -> array.add(normal(v)));
                yield array.build();
            }
            case NUMBER -> number((JsonNumber) value);
            default -> value;
        };
    }

    private static JsonValue number(JsonNumber value) {
        BigDecimal number = value.bigDecimalValue();
        if (Math.abs((long) number.scale()) > PLAIN_SCALE) {
            return value;
        }
        BigDecimal stripped = number.stripTrailingZeros();
        return JSON.createValue(stripped.scale() < 0 ? stripped.setScale(0) : stripped);
    }
}
