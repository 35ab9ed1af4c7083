package org.skelto.server.load;

import java.util.function.BooleanSupplier;
import org.skelto.core.work.ComputingBudget;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** How much one request and one job may compute. */
@Component
public class Budgets {
    private final long requestNanos;
    private final long jobNanos;
    private volatile long steps = Long.MAX_VALUE;

    Budgets(
            @Value("${skelto.budget.request-ms:20000}") long requestMs,
            @Value("${skelto.budget.job-ms:180000}") long jobMs) {
        this.requestNanos = requestMs * 1_000_000;
        this.jobNanos = jobMs * 1_000_000;
    }

    /** Bounds the steps of whatever begins from now on as well; for tests and for an emergency. */
    public void boundSteps(long most) {
        steps = most;
    }

    ComputingBudget request() {
        return ComputingBudget.of(steps, requestNanos, System::nanoTime);
    }

    /** For a job that ends as soon as it is cancelled. */
    public ComputingBudget job(BooleanSupplier cancelled) {
        return ComputingBudget.of(steps, jobNanos, System::nanoTime, cancelled);
    }
}
