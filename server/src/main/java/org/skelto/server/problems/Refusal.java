package org.skelto.server.problems;

import java.util.List;
import org.skelto.core.plan.validation.Problem;
import org.springframework.http.HttpStatus;

/** A request that is refused for a reason that the person can act on. Nothing has been stored. */
public final class Refusal extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<Problem> problems;

    private Refusal(HttpStatus status, String message, List<Problem> problems) {
        super(message);
        this.status = status;
        this.problems = problems;
    }

    public static Refusal of(HttpStatus status, String message) {
        return new Refusal(status, message, List.of());
    }

    public static Refusal of(HttpStatus status, String message, List<Problem> problems) {
        return new Refusal(status, message, problems);
    }

    public static Refusal invalid(String message, List<Problem> problems) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, message, problems);
    }

    HttpStatus status() {
        return status;
    }

    public List<Problem> problems() {
        return problems;
    }
}
