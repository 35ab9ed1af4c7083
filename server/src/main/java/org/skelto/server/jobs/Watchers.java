package org.skelto.server.jobs;

import java.io.IOException;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.skelto.server.problems.Refusal;
import org.springframework.context.SmartLifecycle;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Those who watch jobs. Events are sent by threads of their own, the newest state only: a watcher that does not read holds
 * up neither the job nor another watcher. When the server stops, its streams end first.
 */
@Component
class Watchers implements SmartLifecycle {
    private static final long PATIENCE_MS = 300_000;
    private static final int THREADS = 16;
    private static final int MOST = 400;

    private final Jobs jobs;
    private final Set<Watcher> watching = ConcurrentHashMap.newKeySet();
    private final ExecutorService senders = senders();
    private volatile boolean running;

    Watchers(Jobs jobs) {
        this.jobs = jobs;
    }

    private static ExecutorService senders() {
        ThreadPoolExecutor pool =
                new ThreadPoolExecutor(THREADS, THREADS, 1, TimeUnit.MINUTES, new LinkedBlockingQueue<>(), work -> {
                    Thread thread = new Thread(work, "events");
                    thread.setDaemon(true);
                    return thread;
                });
        pool.allowCoreThreadTimeOut(true);
        return pool;
    }

    SseEmitter watch(Job job) {
        if (!running || watching.size() >= MOST) {
            throw Refusal.of(HttpStatus.TOO_MANY_REQUESTS, "Too many pages watch work already. Try again soon.");
        }
        Watcher watcher = new Watcher(job);
        watching.add(watcher);
        watcher.emitter.onCompletion(watcher::gone);
        watcher.emitter.onTimeout(watcher.emitter::complete);
        watcher.emitter.onError(e -> watcher.gone());
        job.watch(watcher);
        return watcher.emitter;
    }

    /** One stream of events. */
    private final class Watcher implements Consumer<Job.View> {
        private final Job job;
        private final SseEmitter emitter = new SseEmitter(PATIENCE_MS);
        private final AtomicReference<Job.View> newest = new AtomicReference<>();
        private final AtomicBoolean sending = new AtomicBoolean();

        Watcher(Job job) {
            this.job = job;
        }

        @Override
        public void accept(Job.View view) {
            newest.set(view);
            if (sending.compareAndSet(false, true)) {
                try {
                    senders.execute(this::send);
                } catch (RejectedExecutionException e) {
                    gone();
                }
            }
        }

        private void send() {
            try {
                Job.View view = newest.getAndSet(null);
                if (view != null) {
                    emitter.send(SseEmitter.event().name("job").data(view, MediaType.APPLICATION_JSON));
                    if (view.ended()) {
                        emitter.complete();
                    }
                }
            } catch (IOException | IllegalStateException e) {
                gone();
            } finally {
                sending.set(false);
            }
            Job.View later = newest.get();
            if (later != null) {
                accept(later);
            }
        }

        private void gone() {
            job.unwatch(this);
            watching.remove(this);
        }
    }

    @Override
    public void start() {
        running = true;
    }

    @Override
    public void stop() {
        running = false;
        jobs.stop();
        for (Watcher watcher : watching) {
            watcher.emitter.complete();
        }
        senders.shutdown();
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** Before the web server, which waits for what is open. */
    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
