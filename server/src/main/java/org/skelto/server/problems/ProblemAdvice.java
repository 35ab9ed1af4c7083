package org.skelto.server.problems;

import jakarta.persistence.PersistenceException;
import java.util.List;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.skelto.core.calculator.BadInput;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;

/** Turns every failure into one problem document. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler(Refusal.class)
    ResponseEntity<ProblemDetail> refused(Refusal refusal) {
        return answer(refusal.status(), refusal.getMessage(), refusal.problems());
    }

    @ExceptionHandler(BadInput.class)
    ResponseEntity<ProblemDetail> badInput(BadInput bad) {
        return answer(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "An input cannot be used.",
                List.of(new Problem(bad.pointer(), bad.getMessage())));
    }

    @ExceptionHandler({ComputingBudget.Exhausted.class, Fact.Unavailable.class})
    ResponseEntity<ProblemDetail> tooMuchToCompute(RuntimeException e) {
        LOG.warn("not worked out: {}", e.getMessage());
        String why = e instanceof Fact.Unavailable ? "The " + e.getMessage() : "This was given up: " + e.getMessage();
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, why + ". Nothing was changed.", List.of());
    }

    /** A part of the address that is no text, such as a lone %ff. */
    @ExceptionHandler(InvalidParameterException.class)
    ResponseEntity<ProblemDetail> unreadableAddress(InvalidParameterException e) {
        return answer(HttpStatus.BAD_REQUEST, "The address cannot be read. Nothing was changed.", List.of());
    }

    /** Whatever the database refuses or cannot do, told by what the person can do about it. */
    @ExceptionHandler({DataAccessException.class, TransactionException.class, PersistenceException.class})
    ResponseEntity<ProblemDetail> database(Exception e) {
        DatabaseTrouble trouble = DatabaseTrouble.of(e);
        if (trouble == DatabaseTrouble.UNKNOWN) {
            return unexpected(e);
        }
        LOG.warn(
                "{}: {}",
                trouble.words(),
                NestedExceptionUtils.getMostSpecificCause(e).getMessage());
        ResponseEntity<ProblemDetail> answer = answer(trouble.status(), trouble.words(), List.of());
        return trouble == DatabaseTrouble.BUSY
                ? ResponseEntity.status(trouble.status())
                        .header(HttpHeaders.RETRY_AFTER, "2")
                        .body(answer.getBody())
                : answer;
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> unexpected(Exception e) {
        LOG.error("unexpected failure", e);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something went wrong in Skelto itself. Nothing was changed.",
                List.of());
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        if (e.getCause() instanceof StreamConstraintsException over) {
            return widen(answer(Reading.status(over), Reading.limit(over) + " Nothing was changed.", List.of()));
        }
        if (e.getCause() instanceof JacksonException bad && !bad.getPath().isEmpty()) {
            return widen(answer(
                    HttpStatus.UNPROCESSABLE_CONTENT,
                    "The document cannot be read.",
                    List.of(new Problem(pointer(bad), message(bad)))));
        }
        String where = e.getCause() instanceof JacksonException bad ? Reading.place(bad) : "";
        return widen(answer(HttpStatus.BAD_REQUEST, "This is not a JSON document" + where + ".", List.of()));
    }

    /** What the framework itself refuses names no place, and says so in the same form. */
    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ResponseEntity<Object> answer = super.handleExceptionInternal(e, body, headers, status, request);
        if (answer != null && answer.getBody() instanceof ProblemDetail problem) {
            problem.setProperty("errors", List.of());
        }
        return answer;
    }

    /** JSON pointer to where reading stopped. */
    public static String pointer(JacksonException bad) {
        StringBuilder pointer = new StringBuilder();
        for (JacksonException.Reference step : bad.getPath()) {
            pointer.append(Pointers.of(
                    step.getPropertyName() != null ? step.getPropertyName() : String.valueOf(step.getIndex())));
        }
        return pointer.toString();
    }

    /** What is wrong there, without the names of classes. */
    public static String message(JacksonException bad) {
        String text = bad.getOriginalMessage();
        if (bad instanceof tools.jackson.databind.exc.UnrecognizedPropertyException) {
            return "is not a property of this format";
        }
        if (bad instanceof tools.jackson.databind.exc.InvalidFormatException wrong) {
            Class<?> type = wrong.getTargetType();
            return type.isEnum()
                    ? "must be one of " + List.of(type.getEnumConstants()) + ", not \"" + wrong.getValue() + "\""
                    : "has the wrong type: " + kind(type) + " is wanted";
        }
        if (bad instanceof tools.jackson.databind.exc.MismatchedInputException wrong) {
            return text.contains("Null value") || text.contains("missing") || text.contains("null value")
                    ? "is missing"
                    : "has the wrong type: " + kind(wrong.getTargetType()) + " is wanted";
        }
        if (bad instanceof tools.jackson.core.exc.InputCoercionException wrong) {
            return "has the wrong type: " + kind(wrong.getTargetType()) + " is wanted";
        }
        return text.contains("Duplicate") ? "stands twice in the document" : "cannot be read here";
    }

    private static String kind(Class<?> type) {
        if (type == null) {
            return "another kind of value";
        }
        if (type == int.class || type == Integer.class || type == long.class) {
            return "a whole number";
        }
        if (type == double.class || type == Double.class) {
            return "a number";
        }
        if (type == boolean.class || type == Boolean.class) {
            return "true or false";
        }
        if (type == String.class || type.isEnum()) {
            return "a text";
        }
        return java.util.Collection.class.isAssignableFrom(type) || type.isArray() ? "a list" : "an object";
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String detail, List<Problem> problems) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setProperty("errors", problems);
        return ResponseEntity.status(status).body(problem);
    }

    private static ResponseEntity<Object> widen(ResponseEntity<ProblemDetail> answer) {
        return ResponseEntity.status(answer.getStatusCode()).body(answer.getBody());
    }
}
