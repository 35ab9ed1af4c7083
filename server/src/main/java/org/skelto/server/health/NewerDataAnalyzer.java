package org.skelto.server.health;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Tells of newer data in a sentence rather than a stack trace. */
final class NewerDataAnalyzer extends AbstractFailureAnalyzer<NewerData> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, NewerData cause) {
        return new FailureAnalysis(cause.getMessage(), "", cause);
    }
}
