package org.skelto.core.assessment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelto.core.assessment.Assessment.StageSummary;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.snags.Snag;
import org.skelto.core.snags.Stage;

/** How far each stage of the rail is. */
final class StageProgress {
    private StageProgress() {}

    static List<StageSummary> of(Facts facts, List<Snag> snags) {
        List<StageSummary> all = new ArrayList<>();
        for (Stage stage : Stage.values()) {
            List<Snag> open = snags.stream()
                    .filter(s -> s.stage() == stage && s.accepted() == null)
                    .toList();
            all.add(new StageSummary(
                    stage,
                    open.size(),
                    judged(facts.plan(), stage),
                    done(facts, stage),
                    next(facts.plan(), stage, open)));
        }
        return all;
    }

    /** Whether there is anything that could have a snag: an empty stage is not clear. */
    private static boolean judged(Plan plan, Stage stage) {
        return switch (stage) {
            case SITE -> !plan.rooms().isEmpty();
            case DEVICES, OUTAGES -> !plan.devices().isEmpty();
            case RULES -> !plan.rules().isEmpty();
            case CONTROLLERS, LINKS, NAMES -> !plan.units().isEmpty();
            case LONG_RANGE ->
                !plan.paths().isEmpty() || plan.links().values().stream().anyMatch(l -> l.medium() == Medium.CHIRP);
            case BUILD -> !plan.units().isEmpty() || !plan.devices().isEmpty();
        };
    }

    /** What to do next: first what is missing, then the worst snag, then what the stage is for. */
    private static String next(Plan plan, Stage stage, List<Snag> open) {
        Optional<String> missing = missing(plan, stage);
        if (missing.isPresent()) {
            return missing.get();
        }
        return open.stream()
                .min(Comparator.comparing(Snag::severity))
                .map(worst -> worst.title() + (open.size() == 1 ? "." : " and " + (open.size() - 1) + " more."))
                .orElseGet(() -> then(stage));
    }

    private static Optional<String> missing(Plan plan, Stage stage) {
        long waiting =
                plan.devices().values().stream().filter(d -> d.unit() == null).count();
        return Optional.ofNullable(
                switch (stage) {
                    case SITE -> plan.rooms().isEmpty() ? "Type or draw the rooms." : null;
                    case DEVICES ->
                        plan.devices().isEmpty() ? "Put in what is switched, moved, sensed and sounded." : null;
                    case CONTROLLERS ->
                        plan.units().isEmpty()
                                ? "Put in boards and network boxes, or let a network be made."
                                : waiting > 0 ? "Attach " + count((int) waiting, "device") + " to a controller." : null;
                    case LINKS ->
                        plan.units().size() > 1 && plan.links().isEmpty()
                                ? "Choose for each unit how it reaches the next thing."
                                : plan.units().isEmpty() ? "Links follow from the units." : null;
                    case LONG_RANGE ->
                        judged(plan, stage)
                                ? null
                                : "Only for what is too far for the house's radios: a field, a spring, a gate.";
                    case NAMES -> plan.units().isEmpty() ? "Names and addresses follow from the units." : null;
                    case RULES ->
                        plan.devices().isEmpty()
                                ? "Rules follow from the devices."
                                : plan.rules().isEmpty() ? "Say what the house does on its own." : null;
                    case OUTAGES -> plan.devices().isEmpty() ? "Outages follow from the devices." : null;
                    case BUILD ->
                        plan.units().values().stream().anyMatch(u -> u.drives() && u.boards() == null)
                                ? "Choose the boards: parts, wiring and cost follow."
                                : judged(plan, stage) ? null : "Parts, wiring and cost follow from units and devices.";
                });
    }

    private static String then(Stage stage) {
        return switch (stage) {
            case SITE -> "Rooms stand. Check what the walls are made of.";
            case DEVICES -> "Say what matters most: criticality and how each is controlled.";
            case CONTROLLERS -> "Every device has its controller.";
            case LINKS -> "Walk the house and measure where it matters.";
            case LONG_RANGE -> "Test each link in the field.";
            case NAMES -> "Change what must differ; the rest is given by rule.";
            case RULES -> "Read each rule aloud and ask who would be surprised.";
            case OUTAGES -> "Press anything on the strip above and see what still works.";
            case BUILD -> "Order before the walls close, then wire sheet by sheet.";
        };
    }

    private static List<String> done(Facts facts, Stage stage) {
        Plan plan = facts.plan();
        Map<String, LinkReport> links = facts.fact(HouseFacts.LINKS).orElse(Map.of());
        int shared = facts.fact(HouseFacts.SHARED).orElse(Map.of()).size();
        long attached = plan.devices().values().stream()
                .map(Device::unit)
                .filter(java.util.Objects::nonNull)
                .count();
        return switch (stage) {
            case SITE ->
                List.of(
                        count(plan.rooms().size(), "room") + " on "
                                + count(plan.floors().size(), "floor"),
                        count(plan.buildings().size(), "building") + ", "
                                + count(plan.spots().size(), "spot") + " outside");
            case DEVICES ->
                List.of(
                        count(plan.devices().size(), "device"),
                        plan.devices().values().stream().filter(Device::guards).count() + " guard property or life");
            case CONTROLLERS ->
                List.of(
                        count(plan.units().size(), "unit"),
                        attached + " of " + count(plan.devices().size(), "device") + " attached",
                        plan.units().values().stream()
                                        .filter(u -> u.power().source() == PowerSource.BATTERY)
                                        .count()
                                + " on batteries");
            case LINKS ->
                List.of(
                        count(plan.links().size(), "link"),
                        links.values().stream().filter(LinkReport::meets).count() + " of them at target");
            case LONG_RANGE ->
                List.of(
                        count(plan.paths().size(), "terrain profile"),
                        count(
                                        (int) links.values().stream()
                                                .filter(l -> l.medium() == Medium.CHIRP)
                                                .count(),
                                        "link")
                                + " by long-range chirp");
            case NAMES ->
                List.of(
                        plan.units().values().stream()
                                        .filter(u -> u.ipv4() != null)
                                        .count() + " addresses reserved",
                        plan.devices().values().stream()
                                        .filter(d -> d.topic() != null)
                                        .count() + " topics assigned");
            case RULES ->
                List.of(
                        count(plan.rules().size(), "rule"),
                        plan.rules().values().stream().filter(Rule::off).count() + " of them rest");
            case OUTAGES -> List.of(count(shared, "shared component"));
            case BUILD ->
                List.of(
                        count(
                                        (int) plan.units().values().stream()
                                                .filter(u -> u.boards() != null)
                                                .count(),
                                        "unit")
                                + " with parts chosen",
                        plan.wallWork() == null || plan.wallWork().closesOn() == null
                                ? "no day on which walls close"
                                : "walls close on " + plan.wallWork().closesOn());
        };
    }

    private static String count(int number, String thing) {
        return number + " " + thing + (number == 1 ? "" : "s");
    }
}
