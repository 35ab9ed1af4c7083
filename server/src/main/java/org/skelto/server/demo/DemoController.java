package org.skelto.server.demo;

import java.net.URI;
import java.util.List;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanState;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The demos over HTTP. */
@RestController
@RequestMapping("/api/demos")
class DemoController {
    private final Demos demos;

    DemoController(Demos demos) {
        this.demos = demos;
    }

    @GetMapping
    List<Demos.Demo> list() {
        return demos.all();
    }

    /** Makes a plan like a demo; it can be changed like any other. */
    @PostMapping("/{id}")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> make(Person who, @PathVariable String id) {
        PlanState made = demos.make(who, id);
        return ResponseEntity.created(URI.create("/api/plans/" + made.id()))
                .eTag("\"" + made.revision() + "\"")
                .body(made);
    }
}
