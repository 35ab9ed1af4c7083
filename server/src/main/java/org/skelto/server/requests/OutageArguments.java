package org.skelto.server.requests;

import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outage;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Gives handlers the outage that a request supposes: {@code without=a,b}, how long it lasts with {@code for=PT8H}, when it begins
 * with {@code from=2027-01-15T18:00}, and the moment that is looked at with {@code at=PT2H}, which is the end when it is absent.
 */
@Configuration
class OutageArguments implements HandlerMethodArgumentResolver, WebMvcConfigurer {
    private static final double NANOS_AN_HOUR = 3600e9;

    static {
        SpringDocUtils.getConfig().addRequestWrapperToIgnore(Outage.class);
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Outage.class;
    }

    /**
     * @throws Refusal with 422 that names the parameter when a length, a moment or a date cannot be read or is out of range
     */
    @Override
    public Outage resolveArgument(
            MethodParameter parameter,
            ModelAndViewContainer container,
            NativeWebRequest request,
            WebDataBinderFactory binders) {
        Set<String> without = new LinkedHashSet<>();
        String[] sent = request.getParameterValues("without");
        for (String some : sent == null ? new String[0] : sent) {
            Arrays.stream(some.split(","))
                    .map(String::strip)
                    .filter(id -> !id.isEmpty())
                    .forEach(without::add);
        }
        Double lasts = hours("for", request.getParameter("for"), Outage.LONGEST_H, "at most 366 days");
        Double at = hours("at", request.getParameter("at"), lasts == null ? 0 : lasts, "within what for says");
        return new Outage(
                without, lasts, date(request.getParameter("from")), at != null ? at : lasts == null ? 0 : lasts);
    }

    private static @Nullable Double hours(String name, @Nullable String sent, double most, String says) {
        if (sent == null || sent.isBlank()) {
            return null;
        }
        double hours;
        try {
            Duration read = Duration.parse(sent);
            hours = (read.getSeconds() * 1e9 + read.getNano()) / NANOS_AN_HOUR;
        } catch (DateTimeException | ArithmeticException e) {
            throw refused(name, "must be a length of time such as PT8H or P1DT30M");
        }
        if (!(hours >= 0 && hours <= most)) {
            throw refused(name, "must be from PT0S, " + says);
        }
        return hours;
    }

    private static @Nullable LocalDateTime date(@Nullable String sent) {
        try {
            return sent == null || sent.isBlank() ? null : LocalDateTime.parse(sent);
        } catch (DateTimeException e) {
            throw refused("from", "must be a day and time such as 2027-01-15T18:00");
        }
    }

    private static Refusal refused(String name, String says) {
        return Refusal.invalid("The outage cannot be read.", List.of(new Problem("/" + name, says)));
    }

    @Bean
    OperationCustomizer whatAnOutageIsAskedWith() {
        return OutageArguments::described;
    }

    private static Operation described(Operation operation, HandlerMethod handler) {
        if (Arrays.stream(handler.getMethodParameters()).anyMatch(p -> p.getParameterType() == Outage.class)) {
            List<Parameter> all =
                    new ArrayList<>(operation.getParameters() == null ? List.of() : operation.getParameters());
            all.add(query("without", new ArraySchema().items(new StringSchema())));
            for (String name : List.of("for", "from", "at")) {
                all.add(query(name, new StringSchema()));
            }
            operation.setParameters(all);
        }
        return operation;
    }

    private static Parameter query(String name, Schema<?> schema) {
        return new Parameter().in("query").name(name).required(false).schema(schema);
    }
}
