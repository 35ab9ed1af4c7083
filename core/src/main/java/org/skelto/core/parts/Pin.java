package org.skelto.core.parts;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * A pin of a board.
 *
 * @param name as printed on the board
 * @param abilities what it can do, and what it is tied to
 * @param highS seconds for which it is high while the board starts; 0 when it stays as it is
 * @param lowS seconds for which it is driven low while the board starts
 */
public record Pin(
        @Words(least = 1, most = 20) String name,
        Set<Ability> abilities,
        @Within(least = 0, most = 3600, unit = "s") double highS,
        @Within(least = 0, most = 3600, unit = "s") double lowS) {
    /** What a pin can do, and what holds it. */
    public enum Ability {
        IN,
        OUT,
        /** Pulse width. */
        PWM,
        /** Reads a voltage. */
        AN,
        /** Reads a voltage, but not while the radio sends. */
        AN_RADIO,
        /** Tells a change at once. */
        IRQ,
        /** Wakes the board from sleep. */
        WAKE,
        /** Must be high while the board starts. */
        STRAP_HIGH,
        /** Must be low while the board starts. */
        STRAP_LOW,
        /** Data of the two-wire bus, while one is used. */
        SDA,
        /** Clock of the two-wire bus, while one is used. */
        SCL,
        /** Speaks with whoever programs the board. */
        CONSOLE,
        /** Taken by a radio on the board. */
        RADIO;

        /** How files write it. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    public Pin {
        java.util.Objects.requireNonNull(name, "name");
        abilities = abilities == null || abilities.isEmpty()
                ? Set.of()
                : Collections.unmodifiableSet(EnumSet.copyOf(abilities));
    }

    public boolean can(Ability ability) {
        return abilities.contains(ability);
    }

    /** Whether a level held at its input can keep the board from starting. */
    public boolean strap() {
        return can(Ability.STRAP_HIGH) || can(Ability.STRAP_LOW);
    }

    /** Whether it is free for devices at all: not taken by a radio. */
    public boolean usable() {
        return !can(Ability.RADIO) && (can(Ability.IN) || can(Ability.OUT) || analogue());
    }

    /** Whether an open contact leaves it floating: what can only read has no pull-up of its own. */
    public boolean floats() {
        return can(Ability.IN) && !can(Ability.OUT);
    }

    /** Whether it reads voltages, if only while the radio is silent. */
    public boolean analogue() {
        return can(Ability.AN) || can(Ability.AN_RADIO);
    }

    /** Whether it is part of the two-wire bus when one is used. */
    public boolean bus() {
        return can(Ability.SDA) || can(Ability.SCL);
    }
}
