package org.skelto.server.jobs;

import java.io.IOException;
import java.util.UUID;
import java.util.function.Consumer;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Jobs over HTTP. */
@RestController
@RequestMapping("/api/jobs/{id}")
class JobController {
    private static final long PATIENCE_MS = 300_000;

    private final Jobs jobs;

    JobController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping
    Job.View job(@PathVariable UUID id) {
        return find(id).view();
    }

    /** Tells every change as an event of type {@code job}; the stream ends when the job does. */
    @io.swagger.v3.oas.annotations.Hidden
    @GetMapping(path = "/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable UUID id) {
        Job job = find(id);
        SseEmitter emitter = new SseEmitter(PATIENCE_MS);
        Consumer<Job.View> watcher = new Consumer<>() {
            @Override
            public void accept(Job.View view) {
                try {
                    emitter.send(SseEmitter.event().name("job").data(view, MediaType.APPLICATION_JSON));
                    if (job.over()) {
                        emitter.complete();
                    }
                } catch (IOException | IllegalStateException e) {
                    // who watched is gone
                    job.unwatch(this);
                }
            }
        };
        emitter.onCompletion(() -> job.unwatch(watcher));
        emitter.onTimeout(emitter::complete);
        job.watch(watcher);
        return emitter;
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cancel(@PathVariable UUID id) {
        find(id).cancel();
    }

    private Job find(UUID id) {
        return jobs.find(id)
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no such job, or it is long over."));
    }
}
