package org.skelto.server.jobs;

import java.util.UUID;
import org.skelto.server.people.Person;
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
    private final Jobs jobs;
    private final Watchers watchers;

    JobController(Jobs jobs, Watchers watchers) {
        this.jobs = jobs;
        this.watchers = watchers;
    }

    @GetMapping
    Job.View job(Person who, @PathVariable UUID id) {
        return find(who, id).view();
    }

    /** Tells every change as an event of type {@code job}; the stream ends when the job does. */
    @io.swagger.v3.oas.annotations.Hidden
    @GetMapping(path = "/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(Person who, @PathVariable UUID id) {
        return watchers.watch(find(who, id));
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void cancel(Person who, @PathVariable UUID id) {
        find(who, id).cancel();
    }

    private Job find(Person who, UUID id) {
        return jobs.find(who, id)
                .orElseThrow(() -> Refusal.of(HttpStatus.NOT_FOUND, "There is no such job, or it is long over."));
    }
}
