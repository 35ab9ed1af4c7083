package org.skelto.server.jobs;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;
import org.skelto.server.load.Budgets;
import org.skelto.server.people.Person;
import org.skelto.server.problems.Refusal;

class JobsTest {
    private final Budgets budgets = mock(Budgets.class);
    private Jobs jobs;
    private Watchers watchers;
    private final CountDownLatch go = new CountDownLatch(1);

    @BeforeEach
    void begin() {
        when(budgets.job(any())).thenAnswer(call -> {
            BooleanSupplier cancelled = call.getArgument(0);
            return ComputingBudget.of(Long.MAX_VALUE, Long.MAX_VALUE, System::nanoTime, cancelled);
        });
        jobs = new Jobs(budgets);
        watchers = new Watchers(jobs);
        watchers.start();
    }

    /** Who asks. */
    private static final Person ME = new Person("me");

    @AfterEach
    void end() {
        go.countDown();
        watchers.stop();
    }

    private Object waits(Progress progress) {
        try {
            go.await(20, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return "done";
    }

    private Job.State state(UUID job) {
        return jobs.find(ME, job).orElseThrow().view().state();
    }

    private void until(BooleanSupplier true_) throws InterruptedException {
        for (int i = 0; i < 400 && !true_.getAsBoolean(); i++) {
            Thread.sleep(10);
        }
        assertTrue(true_.getAsBoolean());
    }

    @Test
    void onePersonsJobsDoNotBlockAnothers() throws InterruptedException {
        UUID greedy = UUID.randomUUID();
        List<UUID> theirs = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            theirs.add(jobs.start(ME, greedy, this::waits));
        }
        UUID mine = jobs.start(ME, UUID.randomUUID(), progress -> "at once");
        until(() -> state(mine) == Job.State.DONE);
        assertEquals(
                5, theirs.stream().filter(j -> state(j) == Job.State.WAITING).count(), "one at a time");
        go.countDown();
        for (UUID job : theirs) {
            until(() -> state(job) == Job.State.DONE);
        }
    }

    @Test
    void twoPeopleOnOnePlanDoNotWaitForEachOtherNorSeeEachOthersJobs() throws InterruptedException {
        UUID plan = UUID.randomUUID();
        UUID mine = jobs.start(ME, plan, this::waits);
        Person other = new Person("other");
        UUID theirs = jobs.start(other, plan, progress -> "at once");
        until(() -> jobs.find(other, theirs).orElseThrow().view().state() == Job.State.DONE);
        assertEquals(Job.State.RUNNING, state(mine));
        assertTrue(jobs.find(ME, theirs).isEmpty());
        assertTrue(jobs.find(other, mine).isEmpty());
    }

    @Test
    void whoStartsMoreThanASixthWaitingJobIsTold() {
        UUID greedy = UUID.randomUUID();
        Refusal refusal = assertThrows(Refusal.class, () -> {
            for (int i = 0; i < 12; i++) {
                jobs.start(ME, greedy, this::waits);
            }
        });
        assertTrue(refusal.getMessage().contains("Try again soon"));
    }

    @Test
    void aCancelledJobEndsInItsInnerLoopAndOneThatWaitsAtOnce() throws InterruptedException {
        UUID plan = UUID.randomUUID();
        CountDownLatch began = new CountDownLatch(1);
        UUID runs = jobs.start(ME, plan, progress -> {
            began.countDown();
            for (; ; ) {
                ComputingBudget.step();
            }
        });
        UUID waits = jobs.start(ME, plan, this::waits);
        assertTrue(began.await(5, TimeUnit.SECONDS));
        jobs.find(ME, waits).orElseThrow().cancel();
        assertEquals(Job.State.CANCELLED, state(waits));
        jobs.find(ME, runs).orElseThrow().cancel();
        until(() -> state(runs) == Job.State.CANCELLED);
    }

    @Test
    void aJobDoesNotWaitForThoseWhoWatchIt() throws InterruptedException {
        AtomicInteger told = new AtomicInteger();
        UUID job = jobs.start(ME, UUID.randomUUID(), progress -> {
            for (int i = 0; i < 50; i++) {
                progress.at(i / 50.0, "step " + i);
            }
            return "done";
        });
        watchers.watch(jobs.find(ME, job).orElseThrow());
        jobs.find(ME, job).orElseThrow().watch(view -> told.incrementAndGet());
        until(() -> state(job) == Job.State.DONE);
        assertTrue(told.get() >= 1);
    }

    @Test
    void stoppingEndsJobsAndStreams() throws InterruptedException {
        UUID job = jobs.start(ME, UUID.randomUUID(), progress -> {
            for (; ; ) {
                ComputingBudget.step();
            }
        });
        watchers.watch(jobs.find(ME, job).orElseThrow());
        watchers.stop();
        until(() -> state(job) == Job.State.CANCELLED);
        assertFalse(watchers.isRunning());
        assertThrows(Refusal.class, () -> watchers.watch(jobs.find(ME, job).orElseThrow()));
    }
}
