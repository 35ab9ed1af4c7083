package org.skelto.server.jobs;

import jakarta.annotation.PreDestroy;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import org.skelto.core.work.Progress;
import org.skelto.server.problems.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/**
 * Runs long work, two pieces at a time with a short queue. What is over is remembered for ten minutes by the instance that
 * ran it: a job belongs to the page that waits for it, never to the plan.
 */
@Service
public class Jobs {
    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);
    private static final int QUEUE = 20;
    private static final long REMEMBERED_MS = 600_000;

    private final ThreadPoolExecutor executor =
            new ThreadPoolExecutor(2, 2, 1, TimeUnit.MINUTES, new ArrayBlockingQueue<>(QUEUE), Jobs::thread);
    private final Map<UUID, Job> jobs = new LinkedHashMap<>();

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "job");
        thread.setDaemon(true);
        return thread;
    }

    /** Starts work; refused with 503 when too much waits already. */
    public UUID start(Function<Progress, Object> work) {
        Job job = new Job(System.currentTimeMillis());
        synchronized (jobs) {
            jobs.values().removeIf(j -> j.over() && job.madeAt - j.madeAt > REMEMBERED_MS);
            jobs.put(job.id, job);
        }
        try {
            job.runs(executor.submit(() -> run(job, work)));
        } catch (RejectedExecutionException e) {
            synchronized (jobs) {
                jobs.remove(job.id);
            }
            throw Refusal.of(HttpStatus.SERVICE_UNAVAILABLE, "Too much is being worked out already. Try again soon.");
        }
        return job.id;
    }

    private static void run(Job job, Function<Progress, Object> work) {
        try {
            job.check();
            job.end(Job.State.DONE, work.apply(job), null);
        } catch (Progress.Cancelled e) {
            job.end(Job.State.CANCELLED, null, null);
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            LOG.error("a job failed", e);
            job.end(Job.State.FAILED, null, "It could not be worked out. Nothing was changed.");
        }
    }

    Optional<Job> find(UUID id) {
        synchronized (jobs) {
            return Optional.ofNullable(jobs.get(id));
        }
    }

    @PreDestroy
    void stop() {
        synchronized (jobs) {
            jobs.values().forEach(Job::cancel);
        }
        executor.shutdownNow();
    }
}
