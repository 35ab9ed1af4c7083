package org.skelto.server.jobs;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.skelto.core.work.Progress;
import org.skelto.server.people.Person;

/** One piece of long work. Watchers are told of every change, at most every {@value #EVERY_MS} milliseconds. */
final class Job implements Progress {
    private static final long EVERY_MS = 80;

    /** How far a job is. */
    public enum State {
        WAITING,
        RUNNING,
        DONE,
        CANCELLED,
        FAILED
    }

    /**
     * A job as those who watch it see it.
     *
     * @param share 0 to 1
     * @param result what came out, once done
     * @param trouble why it failed, in words, or null
     */
    public record View(
            UUID id,
            State state,
            double share,
            String doing,
            Object result,
            @Nullable String trouble) {
        boolean ended() {
            return state == State.DONE || state == State.CANCELLED || state == State.FAILED;
        }
    }

    final UUID id = UUID.randomUUID();
    final Person who;
    final long madeAt;
    private final List<Consumer<View>> watchers = new ArrayList<>();
    private volatile boolean cancelled;
    private State state = State.WAITING;
    private double share;
    private String doing = "waiting for its turn";
    private Object result;
    private String trouble;
    private long toldAt;

    Job(Person who, long madeAt) {
        this.who = who;
        this.madeAt = madeAt;
    }

    synchronized View view() {
        return new View(id, state, share, doing, result, trouble);
    }

    /** Tells how it stands now and then of every change. */
    void watch(Consumer<View> watcher) {
        synchronized (this) {
            watchers.add(watcher);
        }
        watcher.accept(view());
    }

    synchronized void unwatch(Consumer<View> watcher) {
        watchers.remove(watcher);
    }

    synchronized boolean over() {
        return state == State.DONE || state == State.CANCELLED || state == State.FAILED;
    }

    /** What waits ends at once, what runs as soon as its loops look. */
    void cancel() {
        cancelled = true;
        boolean waiting;
        synchronized (this) {
            waiting = state == State.WAITING;
        }
        if (waiting) {
            end(State.CANCELLED, null, null);
        }
    }

    @Override
    public void at(double reached, String now) {
        synchronized (this) {
            if (over()) {
                return;
            }
            state = State.RUNNING;
            share = Math.max(share, Math.min(1, reached));
            doing = now;
            long time = System.currentTimeMillis();
            if (time - toldAt < EVERY_MS) {
                return;
            }
            toldAt = time;
        }
        tell();
    }

    @Override
    public boolean cancelled() {
        return cancelled;
    }

    void end(State how, Object outcome, String why) {
        synchronized (this) {
            if (over()) {
                return;
            }
            state = how;
            result = outcome;
            trouble = why;
            share = how == State.DONE ? 1 : share;
        }
        tell();
    }

    private void tell() {
        List<Consumer<View>> all;
        synchronized (this) {
            all = List.copyOf(watchers);
        }
        View now = view();
        all.forEach(w -> w.accept(now));
    }
}
