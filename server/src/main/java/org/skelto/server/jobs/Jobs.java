package org.skelto.server.jobs;

import java.util.ArrayDeque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;
import org.skelto.core.work.Progress;
import org.skelto.server.load.Budgets;
import org.skelto.server.people.Person;
import org.skelto.server.problems.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;

/**
 * Runs long work: one piece at a time for each who asks, several who ask side by side, the rest in a queue that takes them
 * in turn. What is over is remembered for ten minutes by the instance that ran it: a job belongs to the page that waits for
 * it, never to the plan.
 */
@Service
public class Jobs {
    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);

    /** Jobs at once. They share the processors: more at once make each slower, but nobody waits for the end of another's. */
    private static final int AT_ONCE = 6;

    private static final int WAITING = 60;
    private static final int WAITING_OF_ONE = 6;
    private static final long REMEMBERED_MS = 600_000;

    /** Somebody with a plan: two people on one plan do not wait for each other, nor one person's two plans. */
    private record Asker(Person who, UUID plan) {}

    private record Waiting(Job job, Function<Progress, Object> work) {}

    private final Budgets budgets;
    private final ExecutorService executor = Executors.newCachedThreadPool(Jobs::thread);
    private final Map<UUID, Job> jobs = new LinkedHashMap<>();

    /** What waits, by who asked, those first whose turn is next. */
    private final Map<Asker, Queue<Waiting>> waiting = new LinkedHashMap<>();

    private final Map<Asker, Job> running = new HashMap<>();

    Jobs(Budgets budgets) {
        this.budgets = budgets;
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "job");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    }

    /**
     * Starts work; refused with 429 when too much waits already.
     *
     * @param who asks for it, and is the only one who may watch and cancel it
     * @param plan that it is about
     */
    public UUID start(Person who, UUID plan, Function<Progress, Object> work) {
        Job job = new Job(who, System.currentTimeMillis());
        synchronized (jobs) {
            jobs.values().removeIf(j -> j.over() && job.madeAt - j.madeAt > REMEMBERED_MS);
            waiting.values().forEach(q -> q.removeIf(w -> w.job().over()));
            waiting.values().removeIf(Queue::isEmpty);
            int all = waiting.values().stream().mapToInt(Queue::size).sum();
            Queue<Waiting> own = waiting.computeIfAbsent(new Asker(who, plan), p -> new ArrayDeque<>());
            if (all >= WAITING || own.size() >= WAITING_OF_ONE) {
                throw Refusal.of(HttpStatus.TOO_MANY_REQUESTS, "Too much is being worked out already. Try again soon.");
            }
            own.add(new Waiting(job, work));
            jobs.put(job.id, job);
            next();
        }
        return job.id;
    }

    /** Lets run what may; called with the lock held. */
    private void next() {
        for (Iterator<Map.Entry<Asker, Queue<Waiting>>> all = waiting.entrySet().iterator();
                all.hasNext() && running.size() < AT_ONCE; ) {
            Map.Entry<Asker, Queue<Waiting>> one = all.next();
            if (!running.containsKey(one.getKey())) {
                Waiting first = one.getValue().remove();
                all.remove();
                running.put(one.getKey(), first.job());
                executor.execute(() -> run(one.getKey(), one.getValue(), first));
            }
        }
    }

    private void run(Asker asker, Queue<Waiting> rest, Waiting now) {
        try {
            run(now.job(), now.work());
        } finally {
            synchronized (jobs) {
                running.remove(asker);
                // the others who wait come first
                rest.removeIf(w -> w.job().over());
                if (!rest.isEmpty()) {
                    Queue<Waiting> newer = waiting.remove(asker);
                    if (newer != null) {
                        rest.addAll(newer);
                    }
                    waiting.put(asker, rest);
                }
                next();
            }
        }
    }

    private void run(Job job, Function<Progress, Object> work) {
        try {
            job.check();
            job.at(0, "begun");
            Object result = budgets.job(job::cancelled).run(() -> work.apply(job));
            job.end(Job.State.DONE, result, null);
        } catch (Progress.Cancelled e) {
            job.end(Job.State.CANCELLED, null, null);
        } catch (ComputingBudget.Exhausted | Fact.Unavailable e) {
            LOG.warn("a job was given up: {}", e.getMessage());
            job.end(Job.State.FAILED, null, "It was given up: " + e.getMessage() + ". Nothing was changed.");
        } catch (RuntimeException | StackOverflowError e) {
            LOG.error("a job failed", e);
            job.end(Job.State.FAILED, null, "It could not be worked out. Nothing was changed.");
        }
    }

    /** A job, for the one who asked for it. */
    Optional<Job> find(Person who, UUID id) {
        synchronized (jobs) {
            return Optional.ofNullable(jobs.get(id)).filter(j -> j.who.equals(who));
        }
    }

    /** Ends all work; whoever watches is told. */
    void stop() {
        synchronized (jobs) {
            waiting.clear();
            jobs.values().forEach(Job::cancel);
        }
        executor.shutdownNow();
    }
}
