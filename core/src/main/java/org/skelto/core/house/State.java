package org.skelto.core.house;

/** State of a job or a device under an outage, from best to worst. */
public enum State {
    HOLDS("holds"),
    REDUCED("reduced"),
    BY_HAND("by hand"),
    LOST("lost"),
    UNSAFE("unsafe");

    private final String words;

    State(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
