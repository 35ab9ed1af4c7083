package org.skelto.server.requests;

import java.net.URI;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.format.Limits;
import org.skelto.server.load.Aside;
import org.skelto.server.people.Person;
import org.skelto.server.plans.DeletedPlan;
import org.skelto.server.plans.Exports;
import org.skelto.server.plans.NewPlan;
import org.skelto.server.plans.PlanDay;
import org.skelto.server.plans.PlanEdit;
import org.skelto.server.plans.PlanState;
import org.skelto.server.plans.PlanSummary;
import org.skelto.server.plans.Plans;
import org.skelto.server.plans.RevisionLine;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** The plans over HTTP. */
@RestController
@RequestMapping("/api/plans")
class PlanController {
    private final Plans plans;

    private final Exports exports;
    private final Aside aside;

    PlanController(Plans plans, Exports exports, Aside aside) {
        this.aside = aside;
        this.plans = plans;
        this.exports = exports;
    }

    /** A new name. */
    public record Name(String name) {}

    @GetMapping
    List<PlanSummary> list() {
        return plans.list();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> create(Person who, @RequestBody NewPlan asked) {
        return created(
                plans.create(who, Plan.fresh(asked.name(), asked.region(), asked.mainsVoltageV(), asked.place())));
    }

    /** Takes in an exported document as a new plan. */
    @PostMapping("/import")
    @ResponseStatus(HttpStatus.CREATED)
    CompletableFuture<ResponseEntity<PlanState>> importPlan(Person who, @RequestBody JsonNode file) {
        return aside.run("import " + UUID.randomUUID(), () -> created(exports.restore(who, file)));
    }

    @GetMapping("/{id}")
    ResponseEntity<PlanState> get(OpenPlan open) {
        return tagged(open.state());
    }

    @GetMapping("/{id}/export")
    ResponseEntity<JsonNode> export(OpenPlan open) {
        Plan plan = open.plan();
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(plan.name(), "plan") + ".skelto.json")
                                .build()
                                .toString())
                .body(exports.export(open.id()));
    }

    @GetMapping("/{id}/revisions")
    List<RevisionLine> history(OpenPlan open) {
        return plans.history(open.id());
    }

    @PostMapping("/{id}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> copy(OpenPlan open, @RequestBody Name name) {
        return created(exports.copy(open.who(), open.id(), name.name()));
    }

    @PatchMapping(path = "/{id}", consumes = "application/json-patch+json")
    ResponseEntity<PlanState> edit(
            PlanEdit edit, @RequestParam(defaultValue = "edit") String label, @RequestBody String patch) {
        return tagged(plans.edit(edit, patch, label));
    }

    @PostMapping("/{id}/undo")
    ResponseEntity<PlanState> undo(PlanEdit edit) {
        return tagged(plans.undo(edit));
    }

    @PostMapping("/{id}/redo")
    ResponseEntity<PlanState> redo(PlanEdit edit) {
        return tagged(plans.redo(edit));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@Changes OpenPlan open) {
        plans.delete(open.id());
    }

    /** Plans that were deleted and can still be brought back. */
    @GetMapping("/deleted")
    List<DeletedPlan> deleted() {
        return plans.deleted();
    }

    /** The days of whose end the plan is kept. */
    @GetMapping("/{id}/days")
    List<PlanDay> days(OpenPlan open) {
        return plans.days(open.id());
    }

    /** Makes the plan again what it was then, as an edit. */
    @PostMapping("/{id}/days/{day}/return")
    ResponseEntity<PlanState> returnTo(PlanEdit edit, @PathVariable LocalDate day) {
        return tagged(plans.returnTo(edit, day));
    }

    /** A new plan like it was then. */
    @PostMapping("/{id}/days/{day}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> copyOf(OpenPlan open, @PathVariable LocalDate day) {
        Plan then = plans.asOf(open.id(), day);
        String name = then.name().substring(0, Math.min(then.name().length(), Limits.NAME_LENGTH - 13));
        return created(exports.copy(open.who(), open.id(), then, name + " (" + day + ")"));
    }

    @PostMapping("/{id}/restore")
    ResponseEntity<PlanState> restore(BinnedPlan binned) {
        return tagged(plans.restore(binned.id()));
    }

    private static ResponseEntity<PlanState> tagged(PlanState state) {
        return ResponseEntity.ok().eTag("\"" + state.revision() + "\"").body(state);
    }

    private static ResponseEntity<PlanState> created(PlanState state) {
        return ResponseEntity.created(URI.create("/api/plans/" + state.id()))
                .eTag("\"" + state.revision() + "\"")
                .body(state);
    }
}
