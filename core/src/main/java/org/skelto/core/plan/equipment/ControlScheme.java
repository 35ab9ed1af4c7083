package org.skelto.core.plan.equipment;

/** By what a device is commanded or heard, besides the hand; a house may mix them. */
public enum ControlScheme {
    /** Its own controller acts on its own inputs. */
    OWN("own controller"),
    /** Unit to unit, taught to each other, without a hub. */
    BOUND("bound"),
    /** An alarm panel that it is wired to or that its unit reaches. */
    PANEL("panel"),
    HUB("hub"),
    /** Its board speaks to a service outside, without a hub. */
    SERVICE("outside service"),
    /** Its board is asked directly at its address. */
    REQUEST("direct request");

    private final String words;

    ControlScheme(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
