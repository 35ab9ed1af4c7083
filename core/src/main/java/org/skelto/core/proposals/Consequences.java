package org.skelto.core.proposals;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.State;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/**
 * What a change would leave behind in a plan. Where it would bring a stop or a fix that has a fix of its own on the very things
 * that change, that one goes along, so that a proposal comes whole.
 */
public final class Consequences {
    /** A change and the fixes of what it brings, and of what those bring. */
    private static final int ROUNDS = 3;

    private final Facts now;
    private final BiFunction<Plan, List<Edit>, Plan> edited;
    private final List<Snag> before;

    /**
     * What would follow from changes of a plan.
     *
     * @param now what follows from it as it is
     * @param edited a plan after edits, with all that follows them by itself, as names do
     */
    public Consequences(Facts now, BiFunction<Plan, List<Edit>, Plan> edited) {
        this.now = now;
        this.edited = edited;
        this.before = pressing(Checks.snags(now));
    }

    /**
     * A change weighed.
     *
     * @param edits those asked for, and those that go along
     * @param along labels of the fixes that go along
     * @param brings stops and fixes that it would leave behind all the same, worst first; none for what may be proposed
     */
    public record Weighed(List<Edit> edits, List<String> along, List<Brought> brings) {
        /** Whether nothing speaks against proposing it. */
        public boolean lawful() {
            return brings.isEmpty();
        }

        /** What it brings, in words, or null. */
        public @Nullable String told() {
            return brings.isEmpty()
                    ? null
                    : "it would bring: "
                            + brings.stream()
                                    .map(b -> b.title() + " (" + b.code() + ")")
                                    .distinct()
                                    .limit(3)
                                    .collect(Collectors.joining("; "))
                            + (brings.size() > 3 ? " and more" : "");
        }
    }

    /** A snag that a change would bring. */
    public record Brought(String code, Severity severity, String title, String figures, List<String> subjects) {}

    /** Weighs a change; without edits it brings nothing. */
    public Weighed weighed(List<Edit> edits) {
        Weighed best = null;
        List<Edit> all = new ArrayList<>(edits);
        List<String> along = new ArrayList<>();
        Set<String> touched = things(edits);
        for (int round = 0; round <= ROUNDS && !edits.isEmpty(); round++) {
            ComputingBudget.step();
            List<Snag> brought = brought(all);
            Weighed weighed = new Weighed(List.copyOf(all), List.copyOf(along), told(brought));
            best = best == null || weighed.brings.size() < best.brings.size() ? weighed : best;
            Optional<Snag.Fix> fix = brought.stream()
                    .flatMap(s -> s.fixes().stream())
                    .filter(f -> !f.edits().isEmpty() && touched.containsAll(things(f.edits())))
                    .findFirst();
            if (fix.isEmpty()) {
                break;
            }
            all.addAll(fix.get().edits());
            along.add(fix.get().label());
        }
        return best == null ? new Weighed(edits, List.of(), List.of()) : best;
    }

    /** Pointers of what edits change: units, devices, links. A fix that changes others is a change of its own. */
    private static Set<String> things(List<Edit> edits) {
        return edits.stream()
                .map(e -> e.path().split("/", 4))
                .map(p -> String.join("/", List.of(p).subList(0, Math.min(3, p.length))))
                .collect(Collectors.toSet());
    }

    /** The plan after edits. */
    Plan after(List<Edit> edits) {
        return edited.apply(now.plan(), edits);
    }

    /** What follows from the plan after edits, or null where they cannot be made. */
    @Nullable
    Facts possible(List<Edit> edits) {
        Plan plan;
        try {
            plan = after(edits);
        } catch (ComputingBudget.Exhausted | Progress.Cancelled e) {
            throw e;
        } catch (RuntimeException e) {
            // refused, by whoever keeps plans
            return null;
        }
        return now.after(plan);
    }

    /** What changes would leave behind once these edits are made. */
    Consequences then(List<Edit> edits) {
        return new Consequences(now.after(after(edits)), edited);
    }

    Facts facts() {
        return now;
    }

    private List<Snag> brought(List<Edit> edits) {
        List<Snag> then = pressing(Checks.snags(now.after(after(edits))));
        return then.stream()
                .filter(s -> !toldBefore(s) && !lostBefore(s) && !stoppedBefore(s, then))
                .toList();
    }

    /** What could not work at all and now works badly is better than it was. */
    private boolean stoppedBefore(Snag snag, List<Snag> then) {
        if (snag.severity() == Severity.STOP || snag.subjects().isEmpty()) {
            return false;
        }
        String subject = snag.subjects().get(0);
        return before.stream()
                .filter(b -> b.severity() == Severity.STOP && b.subjects().contains(subject))
                .anyMatch(b -> then.stream().noneMatch(t -> t.key().equals(b.key())));
    }

    /** A snag tells things that are alike together; it is not new where fewer of them are left. */
    private boolean toldBefore(Snag snag) {
        Set<String> told = before.stream()
                .filter(b -> b.code().equals(snag.code()))
                .filter(b -> b.severity().compareTo(snag.severity()) <= 0)
                .flatMap(b -> b.subjects().stream())
                .collect(Collectors.toSet());
        return before.stream().anyMatch(b -> b.key().equals(snag.key()))
                || !snag.subjects().isEmpty() && told.containsAll(snag.subjects());
    }

    /** What did nothing before may be lost without some box now; that is told anew, and no harm of the change. */
    private boolean lostBefore(Snag snag) {
        return snag.code().matches("O[1249]")
                && now.outages().now().entrySet().stream()
                        .filter(e -> e.getValue().state().compareTo(State.LOST) >= 0)
                        .anyMatch(e -> tells(snag, e.getKey()));
    }

    private boolean tells(Snag snag, String device) {
        Device told = now.plan().devices().get(device);
        return told != null
                && (snag.subjects().contains("/devices/" + device)
                        || snag.figures().contains(told.name()));
    }

    private static List<Brought> told(List<Snag> snags) {
        return snags.stream()
                .map(s -> new Brought(s.code(), s.severity(), s.title(), s.figures(), s.subjects()))
                .sorted(Comparator.comparing(Brought::severity))
                .toList();
    }

    private static List<Snag> pressing(List<Snag> snags) {
        return snags.stream().filter(s -> s.severity() != Severity.LOOK).toList();
    }
}
