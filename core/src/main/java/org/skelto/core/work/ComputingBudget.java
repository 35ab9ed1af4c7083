package org.skelto.core.work;

import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.LongSupplier;
import java.util.function.Supplier;

/**
 * How much may still be computed: a number of steps, and a time. A step is what an inner loop does in one round, from
 * under a microsecond to a few hundred of them.
 *
 * <p>It is bound to the thread that computes, as a transaction is, because every loop of every model spends from it;
 * work handed to other threads takes it along by {@link #carried}. A thread without one computes without a bound.
 */
public final class ComputingBudget {
    /** The clock is looked at in every so many steps: a look costs as much as a short step. */
    private static final int LOOK = 8;

    private static final ThreadLocal<ComputingBudget> BOUND = new ThreadLocal<>();

    private final ComputingBudget whole;
    private final AtomicLong left;
    private final long untilNanos;
    private final LongSupplier clock;
    private final BooleanSupplier cancelled;

    private ComputingBudget(
            ComputingBudget whole, long steps, long untilNanos, LongSupplier clock, BooleanSupplier cancelled) {
        this.whole = whole;
        this.left = new AtomicLong(steps);
        this.untilNanos = untilNanos;
        this.clock = clock;
        this.cancelled = cancelled;
    }

    /**
     * A budget that begins now.
     *
     * @param steps at most so many, 0 or more
     * @param nanos at most so long, 0 or more
     * @param clock nanoseconds of a clock that only goes forwards
     */
    public static ComputingBudget of(long steps, long nanos, LongSupplier clock) {
        return of(steps, nanos, clock, () -> false);
    }

    /** A budget whose work also ends, with {@link Progress.Cancelled}, as soon as nobody wants it any more. */
    public static ComputingBudget of(long steps, long nanos, LongSupplier clock, BooleanSupplier cancelled) {
        return new ComputingBudget(
                null, steps, clock.getAsLong() + Math.min(nanos, Long.MAX_VALUE / 4), clock, cancelled);
    }

    /** A budget of steps alone, however long they take. */
    public static ComputingBudget ofSteps(long steps) {
        return new ComputingBudget(null, steps, Long.MAX_VALUE, () -> 0, () -> false);
    }

    /**
     * Half of what this thread has left, spent from the whole as well; null where it has no bound. What is already within
     * such a half has all of it: a chain of facts that need one another would be left with next to nothing otherwise.
     */
    static ComputingBudget half() {
        ComputingBudget now = BOUND.get();
        if (now == null || now.whole != null) {
            return now;
        }
        long time = now.clock.getAsLong();
        long until = now.untilNanos == Long.MAX_VALUE ? Long.MAX_VALUE : time + (now.untilNanos - time) / 2;
        return new ComputingBudget(now, now.left.get() / 2, until, now.clock, now.cancelled);
    }

    /** Does work within this budget. */
    public <T> T run(Supplier<T> work) {
        return within(this, work);
    }

    static <T> T within(ComputingBudget budget, Supplier<T> work) {
        ComputingBudget before = BOUND.get();
        bind(budget);
        try {
            return work.get();
        } finally {
            bind(before);
        }
    }

    private static void bind(ComputingBudget budget) {
        if (budget == null) {
            BOUND.remove();
        } else {
            BOUND.set(budget);
        }
    }

    /** The work as another thread must do it so that it spends from the budget of this one. */
    public static Runnable carried(Runnable work) {
        ComputingBudget here = BOUND.get();
        return () -> within(here, () -> {
            work.run();
            return null;
        });
    }

    /**
     * Spends one step.
     *
     * @throws Exhausted when nothing is left
     * @throws Progress.Cancelled when nobody wants the result any more
     */
    public static void step() {
        ComputingBudget now = BOUND.get();
        if (now != null) {
            now.spend();
        }
    }

    private void spend() {
        long rest = left.decrementAndGet();
        if (rest < 0) {
            throw new Exhausted();
        }
        if (whole != null) {
            whole.left.decrementAndGet();
        }
        if (rest % LOOK == 0) {
            if (cancelled.getAsBoolean()) {
                throw new Progress.Cancelled();
            }
            if (clock.getAsLong() - untilNanos > 0) {
                left.set(0);
                throw new Exhausted();
            }
        }
    }

    /** More would have to be computed than may be. */
    public static final class Exhausted extends RuntimeException {
        private static final long serialVersionUID = 1L;

        public Exhausted() {
            super("it takes more computing than one plan may ask for", null, false, false);
        }
    }
}
