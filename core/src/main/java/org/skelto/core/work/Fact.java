package org.skelto.core.work;

import java.util.Optional;
import java.util.function.Supplier;

/**
 * Something that was worked out of a plan, or why it could not be: one fact that fails takes along only what needs it.
 *
 * @param <T> what it is
 */
public final class Fact<T> {
    /**
     * A fact that there is not.
     *
     * @param fact what was to be worked out, as it is called on the screen
     * @param why in words
     */
    public record Failure(String fact, String why) {}

    private final String name;
    private final T value;
    private final RuntimeException cause;

    private Fact(String name, T value, RuntimeException cause) {
        this.name = name;
        this.value = value;
        this.cause = cause;
    }

    /**
     * Works a fact out, with those it needs, with at most half of what may still be computed: others have the other half.
     *
     * @param name what it is called on the screen, such as "outages"
     */
    public static <T> Fact<T> of(String name, Supplier<T> work) {
        try {
            return new Fact<>(name, ComputingBudget.within(ComputingBudget.half(), work), null);
        } catch (Progress.Cancelled e) {
            throw e;
        } catch (Unavailable e) {
            // a part of it that goes by the same name has told the reason already
            return new Fact<>(name, null, e.fact.equals(name) ? (RuntimeException) e.getCause() : e);
        } catch (RuntimeException e) {
            return new Fact<>(name, null, e);
        } catch (StackOverflowError e) {
            return new Fact<>(name, null, new IllegalStateException("nested too deeply", e));
        }
    }

    /**
     * What was worked out.
     *
     * @throws Unavailable when it could not be
     */
    public T get() {
        if (cause != null) {
            throw new Unavailable(name, cause);
        }
        return value;
    }

    /** The same fact with an equal value, so that who compares sees at once that it is the same. */
    public Fact<T> with(T equal) {
        return new Fact<>(name, equal, null);
    }

    public T orElse(T otherwise) {
        return cause == null ? value : otherwise;
    }

    /** Why there is nothing, if so. */
    public Optional<Failure> failure() {
        return Optional.ofNullable(cause).map(c -> new Failure(name, why(c)));
    }

    /** A mistake of the program behind it, for its log. */
    public Optional<RuntimeException> mistake() {
        return Optional.ofNullable(cause)
                .filter(c -> !(c instanceof ComputingBudget.Exhausted || c instanceof Unavailable));
    }

    private static String why(RuntimeException cause) {
        return cause instanceof ComputingBudget.Exhausted || cause instanceof Unavailable
                ? cause.getMessage()
                : "Skelto itself made a mistake; the server's log tells more";
    }

    /** A fact was asked for that could not be worked out. */
    public static final class Unavailable extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final String fact;

        private Unavailable(String fact, RuntimeException cause) {
            super(fact + " could not be worked out: " + why(cause), cause, false, false);
            this.fact = fact;
        }
    }
}
