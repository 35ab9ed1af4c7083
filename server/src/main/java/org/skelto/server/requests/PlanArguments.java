package org.skelto.server.requests;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.people.People;
import org.skelto.server.people.Person;
import org.skelto.server.people.Right;
import org.skelto.server.plans.PlanEdit;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Gives handlers the plan that a request is about, in the hands of whoever asks. */
@Configuration
class PlanArguments implements HandlerMethodArgumentResolver, WebMvcConfigurer {
    private static final Set<Class<?>> GIVEN = Set.of(OpenPlan.class, PlanEdit.class, BinnedPlan.class, Person.class);

    private final People people;
    private final Plans plans;
    private final KeptFigures kept;

    PlanArguments(People people, Plans plans, KeptFigures kept) {
        this.people = people;
        this.plans = plans;
        this.kept = kept;
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return GIVEN.contains(parameter.getParameterType());
    }

    /**
     * @throws Refusal with 404 when there is no such plan for whoever asks, 403 when they may see but not change it, 428
     *     when an edit does not say which revision it is for
     */
    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            ModelAndViewContainer container,
            NativeWebRequest request,
            WebDataBinderFactory binders) {
        HttpServletRequest sent = request.getNativeRequest(HttpServletRequest.class);
        Person who = people.asking(sent);
        Class<?> wanted = parameter.getParameterType();
        if (wanted == Person.class) {
            return who;
        }
        UUID plan = plan(sent);
        allow(who, plan, wanted != OpenPlan.class || parameter.hasParameterAnnotation(Changes.class));
        if (wanted == OpenPlan.class) {
            return new OpenPlan(who, plans.get(plan), plans, kept);
        }
        return wanted == BinnedPlan.class
                ? new BinnedPlan(who, plan)
                : new PlanEdit(who, plan, revision(sent.getHeader(HttpHeaders.IF_MATCH)));
    }

    private void allow(Person who, UUID plan, boolean changes) {
        Set<Right> rights = people.rights(who, plan);
        if (!rights.contains(Right.READ)) {
            // whether there is such a plan is none of their business
            throw Plans.unknown();
        }
        if (changes && !rights.contains(Right.EDIT)) {
            throw Refusal.of(HttpStatus.FORBIDDEN, "You may look at this plan, not change it. Nothing was changed.");
        }
    }

    private static UUID plan(HttpServletRequest request) {
        Map<?, ?> path = (Map<?, ?>) request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        String id = String.valueOf(path.get("id"));
        try {
            return UUID.fromString(id);
        } catch (IllegalArgumentException e) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "The id of a plan is a UUID.");
        }
    }

    private static long revision(String ifMatch) {
        if (ifMatch == null) {
            throw Refusal.of(
                    HttpStatus.PRECONDITION_REQUIRED, "An edit must say which revision it is for, with If-Match.");
        }
        if (!ifMatch.matches("\"\\d{1,18}\"")) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "If-Match must be a revision number in quotes.");
        }
        return Long.parseLong(ifMatch.substring(1, ifMatch.length() - 1));
    }
}
