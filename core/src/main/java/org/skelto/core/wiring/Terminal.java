package org.skelto.core.wiring;

import java.util.Set;
import org.skelto.core.parts.Pin;

/**
 * A place where a device can be connected: a pin of the main board, or a channel of a board on its bus.
 *
 * @param board name of the board in the controller
 * @param name of the pin, or number of the channel
 * @param pin of the main board, or null
 * @param serves needs that a channel serves; empty for pins, whose abilities say it
 */
record Terminal(String board, String name, Pin pin, Set<Need.Kind> serves) {
    String id() {
        return board + "/" + name;
    }

    /** Whether it can do what is needed. */
    boolean can(Need.Kind need) {
        if (pin == null) {
            return serves.contains(need);
        }
        return switch (need) {
            case RELAY -> pin.can(Pin.Ability.OUT);
            case DIMMER -> pin.can(Pin.Ability.PWM);
            case INPUT -> pin.can(Pin.Ability.IN);
            case COUNTER -> pin.can(Pin.Ability.IN) && pin.can(Pin.Ability.IRQ);
            case ANALOGUE -> pin.analogue();
            case WIRE -> pin.can(Pin.Ability.IN) && pin.can(Pin.Ability.OUT);
        };
    }
}
