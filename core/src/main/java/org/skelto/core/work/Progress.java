package org.skelto.core.work;

/** Told how far long work is, and asked whether it should stop. */
public interface Progress {
    /** Work that nobody watches. */
    Progress NONE = new Progress() {
        @Override
        public void at(double share, String doing) {
            // nobody watches
        }

        @Override
        public boolean cancelled() {
            return false;
        }
    };

    /**
     * How far it is.
     *
     * @param share 0 to 1
     * @param doing in words
     */
    void at(double share, String doing);

    boolean cancelled();

    /** Ends the work when it was cancelled. */
    default void check() {
        if (cancelled()) {
            throw new Cancelled();
        }
    }

    /** The work was cancelled. */
    final class Cancelled extends RuntimeException {
        private static final long serialVersionUID = 1L;

        public Cancelled() {
            super("cancelled", null, false, false);
        }
    }
}
