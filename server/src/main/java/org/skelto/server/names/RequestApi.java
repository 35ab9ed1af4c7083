package org.skelto.server.names;

import java.util.Locale;
import java.util.Map;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What a controller answers that is asked directly at its address, as an OpenAPI 3.0.3 document. */
final class RequestApi {
    private RequestApi() {}

    /** Whether anything on a unit is asked at its address. */
    static boolean asked(Map<String, Contract> contracts, String unit) {
        return contracts.values().stream()
                .anyMatch(c -> c.transport() == Transport.REQUEST && unit.equals(c.speaker()));
    }

    static ObjectNode of(Plan plan, String id, Map<String, Contract> contracts, long revision, JsonMapper mapper) {
        Unit unit = plan.units().get(id);
        ObjectNode document = mapper.createObjectNode();
        document.put("openapi", "3.0.3");
        document.putObject("info")
                .put("title", unit.name())
                .put("version", Long.toString(revision))
                .put(
                        "description",
                        "What it answers when it is asked at its address, by the plan " + plan.name() + ".");
        document.putArray("servers").addObject().put("url", "http://" + (unit.ipv4() == null ? id : unit.ipv4()));
        document.putObject("components")
                .putObject("securitySchemes")
                .putObject("password")
                .put("type", "http")
                .put("scheme", "basic");
        document.putArray("security").addObject().putArray("password");
        ObjectNode paths = document.putObject("paths");
        contracts.forEach((device, contract) -> {
            if (contract.transport() == Transport.REQUEST && id.equals(contract.speaker())) {
                contract.aspects().forEach(aspect -> {
                    if (aspect.kind() != org.skelto.core.plan.equipment.MessageAspect.AVAILABILITY) {
                        path(paths, device, contract, aspect, mapper);
                    }
                });
            }
        });
        return document;
    }

    private static void path(ObjectNode paths, String device, Contract contract, Aspect aspect, JsonMapper mapper) {
        String kind = aspect.kind().name().toLowerCase(Locale.ROOT);
        ObjectNode operation = paths.putObject("/" + device + "/" + kind).putObject(aspect.spoken() ? "get" : "put");
        operation.put("operationId", device + "-" + kind).put("summary", contract.name() + ", " + kind);
        if (!aspect.spoken()) {
            content(operation.putObject("requestBody").put("required", true), aspect, mapper);
        }
        ObjectNode responses = operation.putObject("responses");
        if (aspect.spoken()) {
            content(responses.putObject("200").put("description", aspect.sent()), aspect, mapper);
        } else {
            responses.putObject("204").put("description", "taken");
            responses.putObject("400").put("description", "not such a payload; nothing was done");
        }
        responses.putObject("401").put("description", "the password is missing or wrong");
    }

    private static void content(ObjectNode holder, Aspect aspect, JsonMapper mapper) {
        ObjectNode media = holder.putObject("content").putObject("application/json");
        media.set("schema", AsyncApi.schema(aspect.payload(), mapper));
        media.set("example", mapper.readTree(aspect.example()));
    }
}
