package org.skelto.server.problems;

import org.skelto.core.plan.validation.Problem;
import org.springframework.http.HttpStatus;
import tools.jackson.core.JacksonException;
import tools.jackson.core.exc.StreamConstraintsException;

/** Where and why a document could not be read. */
public final class Reading {
    private Reading() {}

    /** Where a document breaks off or goes wrong, as a part of a sentence. */
    public static String place(JacksonException bad) {
        return bad.getLocation() == null || bad.getLocation().getLineNr() < 1
                ? ""
                : ": it breaks off or goes wrong at line " + bad.getLocation().getLineNr() + ", column "
                        + bad.getLocation().getColumnNr();
    }

    /** Too deep is no document anybody would write; too large is one that is refused for its size. */
    public static HttpStatus status(StreamConstraintsException over) {
        return over.getMessage().contains("nesting depth") ? HttpStatus.BAD_REQUEST : HttpStatus.CONTENT_TOO_LARGE;
    }

    /** Which limit of reading a document is over. */
    public static String limit(StreamConstraintsException over) {
        String text = over.getMessage();
        String what = text.contains("nesting depth")
                ? "is nested too deeply"
                : text.contains("oken count")
                        ? "has too many parts"
                        : text.contains("umber")
                                ? "has a number with too many digits"
                                : text.contains("ame length") ? "has a name that is too long" : "has too long a text";
        return "The document " + what + place(over) + ".";
    }

    public static Problem problem(JacksonException bad) {
        return new Problem(ProblemAdvice.pointer(bad), ProblemAdvice.message(bad));
    }
}
