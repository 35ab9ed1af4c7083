package org.skelto.server.requests;

import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.media.UUIDSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanEdit;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.HandlerMethod;

/** Describes the arguments of {@link PlanArguments} in the OpenAPI document as what a request must send for them. */
@Configuration
class PlanParameters {
    static {
        SpringDocUtils.getConfig()
                .addRequestWrapperToIgnore(OpenPlan.class, PlanEdit.class, BinnedPlan.class, Person.class);
    }

    @Bean
    OperationCustomizer whatPlansAreAskedWith() {
        return PlanParameters::described;
    }

    private static Operation described(Operation operation, HandlerMethod handler) {
        List<Class<?>> types = Arrays.stream(handler.getMethodParameters())
                .<Class<?>>map(p -> p.getParameterType())
                .toList();
        List<Parameter> first = new ArrayList<>();
        if (types.contains(OpenPlan.class) || types.contains(PlanEdit.class) || types.contains(BinnedPlan.class)) {
            first.add(parameter("path", "id", true, new UUIDSchema()));
        }
        List<Parameter> own = operation.getParameters() == null ? List.of() : operation.getParameters();
        List<Parameter> last = types.contains(PlanEdit.class)
                ? List.of(parameter("header", "If-Match", false, new StringSchema()))
                : List.of();
        List<Parameter> all = Stream.of(first, own, last).flatMap(List::stream).toList();
        operation.setParameters(all.isEmpty() ? null : new ArrayList<>(all));
        return operation;
    }

    private static Parameter parameter(String in, String name, boolean required, Schema<?> schema) {
        return new Parameter().in(in).name(name).required(required).schema(schema);
    }
}
