package org.skelto.server.plans;

import java.net.URI;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.format.Limits;
import org.skelto.server.load.Aside;
import org.skelto.server.problems.Refusal;
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
import org.springframework.web.bind.annotation.RequestHeader;
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
    ResponseEntity<PlanState> create(@RequestBody NewPlan asked) {
        return created(plans.create(Plan.fresh(asked.name(), asked.region(), asked.mainsVoltageV(), asked.place())));
    }

    /** Takes in an exported document as a new plan. */
    @PostMapping("/import")
    @ResponseStatus(HttpStatus.CREATED)
    CompletableFuture<ResponseEntity<PlanState>> importPlan(@RequestBody JsonNode file) {
        return aside.run("import " + UUID.randomUUID(), () -> created(exports.restore(file)));
    }

    @GetMapping("/{id}")
    ResponseEntity<PlanState> get(@PathVariable UUID id) {
        return tagged(plans.get(id));
    }

    @GetMapping("/{id}/export")
    ResponseEntity<JsonNode> export(@PathVariable UUID id) {
        Plan plan = plans.get(id).plan();
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(plan.name(), "plan") + ".skelto.json")
                                .build()
                                .toString())
                .body(exports.export(id));
    }

    @GetMapping("/{id}/revisions")
    List<RevisionLine> history(@PathVariable UUID id) {
        return plans.history(id);
    }

    @PostMapping("/{id}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> copy(@PathVariable UUID id, @RequestBody Name name) {
        return created(exports.copy(id, name.name()));
    }

    @PatchMapping(path = "/{id}", consumes = "application/json-patch+json")
    ResponseEntity<PlanState> edit(
            @PathVariable UUID id,
            @RequestHeader(name = "If-Match", required = false) String ifMatch,
            @RequestParam(defaultValue = "edit") String label,
            @RequestBody String patch) {
        return tagged(plans.edit(id, revision(ifMatch), patch, label));
    }

    @PostMapping("/{id}/undo")
    ResponseEntity<PlanState> undo(
            @PathVariable UUID id, @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        return tagged(plans.undo(id, revision(ifMatch)));
    }

    @PostMapping("/{id}/redo")
    ResponseEntity<PlanState> redo(
            @PathVariable UUID id, @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        return tagged(plans.redo(id, revision(ifMatch)));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id) {
        plans.delete(id);
    }

    /** Plans that were deleted and can still be brought back. */
    @GetMapping("/deleted")
    List<DeletedPlan> deleted() {
        return plans.deleted();
    }

    /** The days of whose end the plan is kept. */
    @GetMapping("/{id}/days")
    List<PlanDay> days(@PathVariable UUID id) {
        return plans.days(id);
    }

    /** Makes the plan again what it was then, as an edit. */
    @PostMapping("/{id}/days/{day}/return")
    ResponseEntity<PlanState> returnTo(
            @PathVariable UUID id,
            @PathVariable LocalDate day,
            @RequestHeader(name = "If-Match", required = false) String ifMatch) {
        return tagged(plans.returnTo(id, revision(ifMatch), day));
    }

    /** A new plan like it was then. */
    @PostMapping("/{id}/days/{day}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    ResponseEntity<PlanState> copyOf(@PathVariable UUID id, @PathVariable LocalDate day) {
        Plan then = plans.asOf(id, day);
        String name = then.name().substring(0, Math.min(then.name().length(), Limits.NAME_LENGTH - 13));
        return created(exports.copy(id, then, name + " (" + day + ")"));
    }

    @PostMapping("/{id}/restore")
    ResponseEntity<PlanState> restore(@PathVariable UUID id) {
        return tagged(plans.restore(id));
    }

    private static long revision(String ifMatch) {
        if (ifMatch == null) {
            throw Refusal.of(
                    HttpStatus.PRECONDITION_REQUIRED, "An edit must say which revision it is for, with If-Match.");
        }
        if (!ifMatch.matches("\"\\d{1,18}\"")) {
            throw Refusal.of(HttpStatus.BAD_REQUEST, "If-Match must be a revision number in quotes.");
        }
        return Long.parseLong(ifMatch.substring(1, ifMatch.length() - 1));
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
