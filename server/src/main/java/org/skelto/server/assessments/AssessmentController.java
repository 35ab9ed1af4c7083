package org.skelto.server.assessments;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.assessment.OutageView;
import org.skelto.core.assessment.PlanOverview;
import org.skelto.core.commands.Command;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Outage;
import org.skelto.core.house.SchemeChoice;
import org.skelto.core.house.WayRoute;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkEnds;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.proposals.Consequences;
import org.skelto.core.proposals.Proposals;
import org.skelto.core.site.RoomLine;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.Fact;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.problems.Refusal;
import org.skelto.server.requests.OpenPlan;
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
    /** So many snags are fixed at once at most. */
    private static final int MOST_FIXES = 200;

    private final KeptFigures kept;

    AssessmentController(KeptFigures kept) {
        this.kept = kept;
    }

    /** An assessment with the revision that it belongs to. */
    public record Assessed(long revision, Assessment assessment) {}

    /** What is supposed to be gone, with the revision that it belongs to. */
    public record SupposedOutage(long revision, OutageView view) {}

    /** A plan as it would be, and what would follow. */
    public record Preview(Plan plan, Assessment assessment) {}

    /** A change that somebody thinks of. */
    public record Asked(List<Edit> edits) {}

    /** A typed line and the floor it is meant for. */
    public record TypedRoom(String floor, String text) {}

    /** Components in {@code without} that the plan does not have are passed over; see {@link Outage} for the clock. */
    @GetMapping("/assessment")
    Assessed assessment(OpenPlan open, Outage outage) {
        return new Assessed(open.state().revision(), Assessment.of(open.figures(), outage));
    }

    /** That part of an assessment which another outage changes, without the rest of it. */
    @GetMapping("/outage")
    SupposedOutage outage(OpenPlan open, Outage outage) {
        Fact<OutageView> view = Fact.of("this outage", () -> OutageView.of(open.figures(), outage));
        if (view.failure().isPresent()) {
            throw Refusal.of(
                    HttpStatus.UNPROCESSABLE_ENTITY, view.failure().get().why());
        }
        return new SupposedOutage(open.state().revision(), view.get());
    }

    /** The first sheet of the plan, as of today. */
    @GetMapping("/overview")
    PlanOverview overview(OpenPlan open) {
        return PlanOverview.of(open.figures(), LocalDate.now());
    }

    /** Why a device works or not: each of its ways with its route, what breaks it and what it hangs on alone. */
    @GetMapping("/devices/{device}/ways")
    List<WayRoute> ways(OpenPlan open, @PathVariable String device, Outage outage) {
        if (!open.plan().devices().containsKey(device)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such device in the plan.");
        }
        return Assessment.ways(open.figures(), device, outage);
    }

    /** What each control scheme alone would make of a device: what it survives, how quick it is, what it costs. */
    @GetMapping("/devices/{device}/schemes")
    List<SchemeChoice> schemes(OpenPlan open, @PathVariable String device) {
        if (!open.plan().devices().containsKey(device)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such device in the plan.");
        }
        return Assessment.schemes(open.figures(), device);
    }

    /** What would follow from an edit; nothing is stored. */
    @PostMapping(path = "/preview", consumes = "application/json-patch+json")
    Preview preview(OpenPlan open, Outage outage, @RequestBody String patch) {
        Plan plan = open.edited(patch);
        Facts supposed = open.supposing(plan);
        return new Preview(plan, Assessment.of(supposed, outage));
    }

    /** What a change would leave behind, with the fixes that go along; nothing is stored. */
    @PostMapping("/weighed")
    Consequences.Weighed weighed(OpenPlan open, @RequestBody Asked asked) {
        if (asked.edits() == null
                || asked.edits().stream().anyMatch(e -> e == null || e.op() == null || e.path() == null)) {
            throw Refusal.invalid(
                    "Which change?",
                    List.of(new Problem("/edits", "must be a list of operations, each with its path")));
        }
        return open.consequences().weighed(asked.edits());
    }

    /** The links that a unit could have, best first. */
    @GetMapping("/link-options/{unit}")
    List<LinkChooser.Option> linkOptions(OpenPlan open, @PathVariable String unit) {
        Plan plan = open.plan();
        SiteModel site = SiteModel.of(plan);
        if (!plan.units().containsKey(unit)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
        }
        if (site.position(plan.units().get(unit)).isEmpty()) {
            throw Refusal.of(HttpStatus.CONFLICT, "Give the unit a place first; a link depends on where it stands.");
        }
        return open.proposals().links(unit);
    }

    /** Units that the far end of each link could be instead, by the link's id. */
    @GetMapping("/link-ends")
    Map<String, List<String>> linkEnds(OpenPlan open) {
        return LinkEnds.of(open.plan());
    }

    /** Links for all units that have none, as one edit. */
    @PostMapping("/link-proposal")
    Command.Proposal linkProposal(OpenPlan open) {
        return new Command.Proposal("links chosen for all", open.proposals().linksForAll());
    }

    /** The best terminals for the devices of one controller, or of all, as one edit. */
    @PostMapping("/terminal-proposal")
    Command.Proposal terminalProposal(OpenPlan open, @RequestParam(required = false) String unit) {
        Plan plan = open.plan();
        if (unit != null && !plan.units().containsKey(unit)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
        }
        if (unit != null && plan.units().get(unit).boards() == null) {
            throw Refusal.of(HttpStatus.CONFLICT, "Choose the controller's board first; its pins depend on it.");
        }
        String whose = unit == null ? "all controllers" : plan.units().get(unit).name();
        return new Command.Proposal(
                "channels of " + whose, open.proposals().terminals(unit).edits());
    }

    /** Snags by their keys. */
    public record SnagKeys(List<String> keys) {}

    /** The first fix of each of these snags, as one edit; what is left is told. */
    @PostMapping("/fix-proposal")
    Command.Proposal fixProposal(OpenPlan open, @RequestBody SnagKeys asked) {
        if (asked.keys() == null || asked.keys().isEmpty() || asked.keys().size() > MOST_FIXES) {
            throw Refusal.invalid(
                    "Nothing was changed.",
                    List.of(new Problem("/keys", "must be 1 to " + MOST_FIXES + " keys of snags")));
        }
        Proposals.FixedTogether fixed = open.proposals().fixes(asked.keys());
        int done = asked.keys().size() - fixed.left().size();
        return new Command.Proposal(
                "fix of " + (done == 1 ? "1 snag" : done + " snags"),
                fixed.edits(),
                fixed.left().isEmpty()
                        ? List.of()
                        : List.of(fixed.left().size()
                                + (fixed.left().size() == 1 ? " has" : " have")
                                + " no fix that could be made without bringing another snag."));
    }

    /** The edit that a typed room asks for. */
    @PostMapping("/typed-room")
    Command.Proposal typedRoom(OpenPlan open, @RequestBody TypedRoom typed) {
        Plan plan = open.plan();
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
