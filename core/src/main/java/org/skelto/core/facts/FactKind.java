package org.skelto.core.facts;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Something that follows from a plan: what it is called, what it reads and how it is worked out. Two kinds are the same only
 * when they are the very same object.
 *
 * @param <T> what is worked out; immutable, compared by value
 */
public final class FactKind<T> {
    private final String name;
    private final Set<PlanPart> reads;
    private final List<FactKind<?>> from;
    private final BiFunction<Facts, @Nullable T, T> work;

    private FactKind(String name, Set<PlanPart> reads, List<FactKind<?>> from, BiFunction<Facts, @Nullable T, T> work) {
        this.name = name;
        this.reads = reads;
        this.from = from;
        this.work = work;
    }

    /**
     * A fact that is worked out as a whole.
     *
     * @param name as the screen calls it when it cannot be worked out, such as "outages"
     * @param reads parts of the plan; what is not named here must not matter
     * @param from other facts, which matter by their value
     */
    public static <T> FactKind<T> of(
            String name, Collection<PlanPart> reads, List<FactKind<?>> from, Function<Facts, T> work) {
        return new FactKind<>(name, Set.copyOf(reads), List.copyOf(from), (facts, before) -> work.apply(facts));
    }

    /**
     * A fact that takes over what it can from itself as it was before.
     *
     * @param work gets the value of before, null when there is none
     */
    public static <T> FactKind<T> renewed(
            String name, Collection<PlanPart> reads, List<FactKind<?>> from, BiFunction<Facts, @Nullable T, T> work) {
        return new FactKind<>(name, Set.copyOf(reads), List.copyOf(from), work);
    }

    public String name() {
        return name;
    }

    Set<PlanPart> reads() {
        return reads;
    }

    List<FactKind<?>> from() {
        return from;
    }

    T work(Facts facts, @Nullable T before) {
        return work.apply(facts, before);
    }

    @Override
    public String toString() {
        return name;
    }
}
