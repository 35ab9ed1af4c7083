package org.skelto.core.plan;

/** What can hurt someone, and is acknowledged by whoever plans it. */
public enum Caution {
    MAINS("Mains can kill: isolate, lock off and prove dead, never work alone, keep mains and low voltage apart, use "
            + "enclosed and rated parts, follow local code, and leave fixed wiring to a licensed electrician where "
            + "the law asks."),
    LITHIUM("Lithium cells need protection and correct charging. They are never charged below freezing, and burn when "
            + "they are crushed, shorted or charged wrongly."),
    EXIT("A way out must open by hand, without power, without a key and without a phone."),
    POWERED_DOOR("Powered gates and doors need their own certified obstacle detection; interlocks in a plan never "
            + "replace it."),
    LIFE_SAFETY("Smoke, gas and water protection must be certified and work alone. A plan adds to it and is never part "
            + "of it.");

    private final String text;

    Caution(String text) {
        this.text = text;
    }

    /** What it says. */
    public String text() {
        return text;
    }
}
