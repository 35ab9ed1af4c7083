package org.skelto.server.load;

import jakarta.annotation.PreDestroy;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import org.skelto.core.work.ComputingBudget;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/** Work of a request that mostly waits for something else, such as another process: it holds no turn meanwhile. */
@Component
public class Aside {
    private static final int AT_ONCE = 6;
    private static final int OF_ONE = 1;
    private static final int WAITING = 24;
    private static final long BUDGET_NANOS = 60_000_000_000L;

    private final Gate gate = new Gate(AT_ONCE, OF_ONE, WAITING);
    private final ExecutorService executor = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "aside");
        thread.setDaemon(true);
        return thread;
    });

    /**
     * Does work when there is room for it.
     *
     * @param who asks; one piece at a time for each
     * @throws Refusal with 429 when too much waits already
     */
    public <T> CompletableFuture<T> run(String who, Supplier<T> work) {
        CompletableFuture<T> result = new CompletableFuture<>();
        Gate.Ticket place = gate.enter(
                who,
                1,
                ticket -> executor.execute(() -> {
                    try {
                        result.complete(ComputingBudget.of(Long.MAX_VALUE, BUDGET_NANOS, System::nanoTime)
                                .run(work));
                    } catch (RuntimeException | StackOverflowError e) {
                        result.completeExceptionally(e);
                    } finally {
                        ticket.leave();
                    }
                }));
        if (place == null) {
            throw Refusal.of(
                    HttpStatus.TOO_MANY_REQUESTS, "Too many files are being taken in already. Try again soon.");
        }
        return result;
    }

    @PreDestroy
    void stop() {
        executor.shutdownNow();
    }
}
