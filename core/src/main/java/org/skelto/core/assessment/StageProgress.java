package org.skelto.core.assessment;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.assessment.Assessment.StageSummary;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.snags.Snag;
import org.skelto.core.snags.Stage;

/** How far each stage of the rail is. */
final class StageProgress {
    private StageProgress() {}

    static List<StageSummary> of(Facts facts, List<Snag> snags) {
        List<StageSummary> all = new ArrayList<>();
        for (Stage stage : Stage.values()) {
            int count = (int) snags.stream()
                    .filter(s -> s.stage() == stage && s.accepted() == null)
                    .count();
            all.add(new StageSummary(stage, count, judged(facts.plan(), stage), done(facts, stage)));
        }
        return all;
    }

    /** Whether there is anything that could have a snag: an empty stage is not clear. */
    private static boolean judged(Plan plan, Stage stage) {
        return switch (stage) {
            case SITE -> !plan.rooms().isEmpty();
            case DEVICES, OUTAGES -> !plan.devices().isEmpty();
            case CONTROLLERS, LINKS, NAMES -> !plan.units().isEmpty();
            case LONG_RANGE ->
                !plan.paths().isEmpty() || plan.links().values().stream().anyMatch(l -> l.medium() == Medium.CHIRP);
            case BUILD -> !plan.units().isEmpty() || !plan.devices().isEmpty();
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
