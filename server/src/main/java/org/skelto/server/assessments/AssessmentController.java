package org.skelto.server.assessments;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.commands.Command;
import org.skelto.core.facts.Facts;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.RoomLine;
import org.skelto.core.site.SiteModel;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.server.plans.PlanState;
import org.skelto.server.plans.Plans;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Assessments of stored plans; the parts that no outage changes are kept for the last few revisions. */
@RestController
@RequestMapping("/api/plans/{id}")
class AssessmentController {
    private final Plans plans;
    private final KeptFigures kept;

    AssessmentController(Plans plans, KeptFigures kept) {
        this.plans = plans;
        this.kept = kept;
    }

    /** An assessment with the revision that it belongs to. */
    public record Assessed(long revision, Assessment assessment) {}

    /** A plan as it would be, and what would follow. */
    public record Preview(Plan plan, Assessment assessment) {}

    /** A typed line and the floor it is meant for. */
    public record TypedRoom(String floor, String text) {}

    /** Components in {@code without} that the plan does not have are passed over. */
    @GetMapping("/assessment")
    Assessed assessment(@PathVariable UUID id, @RequestParam(defaultValue = "") Set<String> without) {
        PlanState state = plans.get(id);
        return new Assessed(state.revision(), Assessment.of(kept.of(id, state.revision(), state.plan()), without));
    }

    /** What would follow from an edit; nothing is stored. */
    @PostMapping(path = "/preview", consumes = "application/json-patch+json")
    Preview preview(
            @PathVariable UUID id, @RequestParam(defaultValue = "") Set<String> without, @RequestBody String patch) {
        PlanState state = plans.get(id);
        Plan plan = plans.previewed(state, patch);
        Facts supposed = kept.supposing(id, state.revision(), state.plan(), plan);
        return new Preview(plan, Assessment.of(supposed, without));
    }

    /** The links that a unit could have, best first. */
    @GetMapping("/link-options/{unit}")
    List<LinkChooser.Option> linkOptions(@PathVariable UUID id, @PathVariable String unit) {
        Plan plan = plans.get(id).plan();
        SiteModel site = SiteModel.of(plan);
        if (!plan.units().containsKey(unit)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
        }
        if (site.position(plan.units().get(unit)).isEmpty()) {
            throw Refusal.of(HttpStatus.CONFLICT, "Give the unit a place first; a link depends on where it stands.");
        }
        return new LinkChooser(site, kept.tables()).options(unit);
    }

    /** Links for all units that have none, as one edit. */
    @PostMapping("/link-proposal")
    Command.Proposal linkProposal(@PathVariable UUID id) {
        Plan plan = plans.get(id).plan();
        return new Command.Proposal(
                "links chosen for all", new LinkChooser(SiteModel.of(plan), kept.tables()).chooseForAll());
    }

    /** The best terminals for the devices of one controller, or of all, as one edit. */
    @PostMapping("/terminal-proposal")
    Command.Proposal terminalProposal(@PathVariable UUID id, @RequestParam(required = false) String unit) {
        Plan plan = plans.get(id).plan();
        if (unit != null && !plan.units().containsKey(unit)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
        }
        if (unit != null && plan.units().get(unit).boards() == null) {
            throw Refusal.of(HttpStatus.CONFLICT, "Choose the controller's board first; its pins depend on it.");
        }
        String whose = unit == null ? "all controllers" : plan.units().get(unit).name();
        return new Command.Proposal("channels of " + whose, PinAssigner.edits(plan, kept.parts(), unit));
    }

    /** The edit that a typed room asks for. */
    @PostMapping("/typed-room")
    Command.Proposal typedRoom(@PathVariable UUID id, @RequestBody TypedRoom typed) {
        Plan plan = plans.get(id).plan();
        if (typed.text() == null || typed.floor() == null || !plan.floors().containsKey(typed.floor())) {
            throw Refusal.invalid("The floor is not in the plan.", List.of(new Problem("/floor", "names no floor")));
        }
        try {
            return new Command.Proposal(
                    "room " + typed.text().strip(), RoomLine.read(typed.text(), typed.floor(), plan));
        } catch (RoomLine.UnreadableLine e) {
            throw Refusal.invalid(e.getMessage(), List.of(new Problem("/text", e.getMessage())));
        }
    }
}
