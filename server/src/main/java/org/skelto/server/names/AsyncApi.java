package org.skelto.server.names;

import java.util.List;
import java.util.Map;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.naming.Contract.PayloadPart;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.naming.Contracts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The messages of the house as an AsyncAPI 3.0.0 document, seen from the devices: what they send and what they receive. */
final class AsyncApi {
    private static final int BROKER_PORT = 1883;

    private AsyncApi() {}

    static ObjectNode of(Plan plan, Map<String, Contract> contracts, long revision, JsonMapper mapper) {
        ObjectNode document = mapper.createObjectNode();
        document.put("asyncapi", "3.0.0");
        document.putObject("info")
                .put("title", plan.name())
                .put("version", Long.toString(revision))
                .put("description", "Messages of the devices of the house, by the plan.");
        document.put("defaultContentType", "application/json");
        plan.units().values().stream()
                .filter(Unit::broker)
                .findFirst()
                .ifPresent(broker -> document.putObject("servers")
                        .putObject("broker")
                        .put("host", (broker.ipv4() == null ? "broker" : broker.ipv4()) + ":" + BROKER_PORT)
                        .put("protocol", "mqtt")
                        .put("description", broker.name()));
        ObjectNode channels = document.putObject("channels");
        ObjectNode operations = document.putObject("operations");
        ObjectNode messages = document.putObject("components").putObject("messages");
        List.of(contracts, Contracts.ofUnits(plan))
                .forEach(all -> all.forEach((id, contract) -> {
                    if (contract.transport() == Transport.BROKER) {
                        contract.aspects().forEach(a -> {
                            // topics are one each, and so is what is made of what lies under a thing's own
                            String leaf = a.address()
                                    .substring(String.valueOf(contract.topic()).length() + 1);
                            String key = (all == contracts ? "" : "unit-") + id + "-" + leaf.replace('/', '-');
                            message(messages.putObject(key), contract, a, mapper);
                            ObjectNode channel = channels.putObject(key).put("address", a.address());
                            channel.putObject("messages").putObject(key).put("$ref", "#/components/messages/" + key);
                            operation(operations.putObject(key), a, key);
                        });
                    }
                }));
        return document;
    }

    private static void operation(ObjectNode operation, Aspect a, String key) {
        operation.put("action", a.spoken() ? "send" : "receive").put("summary", a.sent());
        operation.putObject("channel").put("$ref", "#/channels/" + key);
        operation.putArray("messages").addObject().put("$ref", "#/channels/" + key + "/messages/" + key);
        operation
                .putObject("bindings")
                .putObject("mqtt")
                .put("qos", a.delivery())
                .put("retain", a.retained())
                .put("bindingVersion", "0.2.0");
    }

    private static void message(ObjectNode message, Contract contract, Aspect a, JsonMapper mapper) {
        message.put("title", contract.name() + ", " + a.kind().name().toLowerCase(java.util.Locale.ROOT));
        message.set("payload", schema(a.payload(), mapper));
        message.putArray("examples").addObject().set("payload", mapper.readTree(a.example()));
    }

    /** The payload as a JSON Schema (draft 7). */
    static ObjectNode schema(List<PayloadPart> payload, JsonMapper mapper) {
        if (payload.size() == 1 && payload.get(0).name().isEmpty()) {
            return part(payload.get(0), mapper);
        }
        ObjectNode schema = mapper.createObjectNode().put("type", "object");
        ObjectNode properties = schema.putObject("properties");
        ArrayNode required = mapper.createArrayNode();
        payload.forEach(p -> {
            properties.set(p.name(), part(p, mapper));
            required.add(p.name());
        });
        schema.set("required", required);
        return schema.put("additionalProperties", false);
    }

    private static ObjectNode part(PayloadPart part, JsonMapper mapper) {
        ObjectNode schema = mapper.createObjectNode();
        switch (part.type()) {
            case BOOLEAN -> schema.put("type", "boolean");
            case NUMBER -> {
                schema.put("type", "number");
                if (part.least() != null) {
                    schema.put("minimum", part.least());
                }
                if (part.most() != null) {
                    schema.put("maximum", part.most());
                }
            }
            case TEXT -> {
                schema.put("type", "string");
                if (!part.values().isEmpty()) {
                    ArrayNode values = schema.putArray("enum");
                    part.values().forEach(values::add);
                }
            }
        }
        String unit = part.unit() == null || part.unit().isEmpty() ? "" : ", " + part.unit();
        return schema.put("description", part.meaning() + unit);
    }
}
