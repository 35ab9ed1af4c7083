package org.skelto.server.problems;

import org.skelto.core.plan.Problem;
import tools.jackson.databind.DatabindException;

/** Where and why a document could not be read. */
public final class Reading {
    private Reading() {}

    public static Problem problem(DatabindException bad) {
        return new Problem(ProblemAdvice.pointer(bad), ProblemAdvice.message(bad));
    }
}
