package org.skelto.core.ground;

/** A file of ground that cannot be read; says where and why. */
public final class Unreadable extends Exception {
    private static final long serialVersionUID = 1L;

    private final String place;

    Unreadable(String place, String message) {
        super(message);
        this.place = place;
    }

    /** Where in the file, as a pointer such as {@code /line 7}. */
    public String place() {
        return place;
    }
}
