package org.skelto.core.house;

/**
 * What statements about many outages are reckoned with. A statement is a number: a bit for each of 64 outages, or a node of a
 * decision diagram over all of them.
 */
interface Algebra {
    /** What never holds, in every algebra. */
    long NONE = 0;

    /** What always holds. */
    long all();

    long and(long one, long other);

    long or(long one, long other);

    long not(long one);

    /** What a statement adds to a known one: {@link #NONE} where nothing, else at least that. */
    long beyond(long one, long known);

    /** 64 outages side by side, a bit each. */
    final class Lanes implements Algebra {
        static final int WIDTH = 64;

        @Override
        public long all() {
            return -1;
        }

        @Override
        public long and(long one, long other) {
            return one & other;
        }

        @Override
        public long or(long one, long other) {
            return one | other;
        }

        @Override
        public long not(long one) {
            return ~one;
        }

        @Override
        public long beyond(long one, long known) {
            return one & ~known;
        }
    }
}
