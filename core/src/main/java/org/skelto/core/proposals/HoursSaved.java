package org.skelto.core.proposals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Component;
import org.skelto.core.house.LostHours;
import org.skelto.core.house.LostHours.LostJob;
import org.skelto.core.house.LostHours.LostShare;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.survival.Promises.BrokenPromise;
import org.skelto.core.survival.PromisesBrokenPromiseBuilder;
import org.skelto.core.work.Progress;

/**
 * What a change saves of the hours that a job is lost.
 *
 * @param beforeH hours a year lost now
 * @param afterH the same with the change
 * @param perTen hours saved for ten of the plan's currency; endless for what costs nothing
 */
public record HoursSaved(SurvivalChange change, double beforeH, double afterH, double perTen) {
    /** Changes are thought of for so many of the things that take most. */
    private static final int WORST = 10;

    /** A backup is thought of for so many hours. */
    private static final double BACKUP_H = 8;

    private static final double TEN = 10;

    /** Less is not told: it is less than a minute. */
    private static final double LEAST_H = 0.01;

    /** Changes for a job, those that save most for the money first. */
    public static List<HoursSaved> of(
            Facts facts, Consequences consequences, String device, Job job, Progress progress) {
        Outages outages = facts.outages();
        LostJob now = LostHours.of(outages, device, job, progress);
        if (now == null) {
            return List.of();
        }
        List<SurvivalChange> changes = new SurvivalChanges(facts)
                .of(now.shares().stream()
                        .limit(WORST)
                        .map(LostShare::component)
                        .filter(outages.components()::containsKey)
                        .map(component -> without(facts, device, component))
                        .toList());
        List<HoursSaved> saved = new ArrayList<>();
        for (int i = 0; i < changes.size(); i++) {
            progress.check();
            progress.at((double) i / changes.size(), changes.get(i).label());
            Facts possible = consequences.possible(changes.get(i).edits());
            LostJob then = possible == null ? null : LostHours.of(possible.outages(), device, job, Progress.NONE);
            if (then != null && now.hours() - then.hours() > LEAST_H) {
                double cost = changes.get(i).cost();
                double hours = now.hours() - then.hours();
                saved.add(new HoursSaved(
                        changes.get(i), now.hours(), then.hours(), cost == 0 ? Double.MAX_VALUE : hours * TEN / cost));
            }
        }
        saved.sort(Comparator.comparingDouble(HoursSaved::perTen)
                .thenComparingDouble(s -> -s.afterH)
                .reversed());
        return saved;
    }

    /** The device with a component gone: where the mains are, for as long as a backup is thought of. */
    private static BrokenPromise without(Facts facts, String device, String component) {
        boolean power = component.equals(Component.MAINS) || component.startsWith("circuit:");
        return PromisesBrokenPromiseBuilder.builder()
                .device(device)
                .name(Objects.requireNonNull(facts.plan().devices().get(device)).name())
                .state(State.LOST)
                .outage(component)
                .without(Set.of(component))
                .hours(power ? BACKUP_H : 0)
                .sentence("")
                .build();
    }
}
