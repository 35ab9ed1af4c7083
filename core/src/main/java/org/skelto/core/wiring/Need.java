package org.skelto.core.wiring;

import java.util.List;
import org.skelto.core.plan.Device;

/**
 * One connection that a device asks of its controller.
 *
 * @param name of the connection on the device, such as {@code switch}, {@code up}, {@code sense}
 */
public record Need(String device, String name, Kind kind) {
    /** What a terminal must be able to do. */
    public enum Kind {
        /** Contacts of a relay. */
        RELAY,
        /** A dimmer's output. */
        DIMMER,
        /** Reads on or off. */
        INPUT,
        /** Counts pulses, which must not be missed. */
        COUNTER,
        /** Reads a voltage. */
        ANALOGUE,
        /** Speaks both ways on one wire. */
        WIRE;

        /** In words. */
        public String words() {
            return switch (this) {
                case RELAY -> "a relay";
                case DIMMER -> "a dimmer output";
                case INPUT -> "an input";
                case COUNTER -> "an input that tells every pulse";
                case ANALOGUE -> "an analogue input";
                case WIRE -> "a pin that reads and writes";
            };
        }

        /** Whether it reads rather than switches. */
        public boolean reads() {
            return this != RELAY && this != DIMMER;
        }
    }

    /** What a device asks for, by its kind. */
    public static List<Need> of(String id, Device device) {
        return switch (device.kind()) {
            case LAMP, SOCKET, FAN, HEATER, PUMP, SIREN -> List.of(new Need(id, "switch", Kind.RELAY));
            case DIMMED_LAMP -> List.of(new Need(id, "dim", Kind.DIMMER));
            case BLIND -> List.of(new Need(id, "up", Kind.RELAY), new Need(id, "down", Kind.RELAY));
            case LOCK -> List.of(new Need(id, "release", Kind.RELAY));
            case GATE -> List.of(new Need(id, "press", Kind.RELAY));
            case VALVE -> List.of(new Need(id, "turn", Kind.RELAY));
            case MOTION, CONTACT, LEAK, PUSH_BUTTON -> List.of(new Need(id, "sense", Kind.INPUT));
            case TEMPERATURE -> List.of(new Need(id, "wire", Kind.WIRE));
            case LEVEL -> List.of(new Need(id, "level", Kind.ANALOGUE));
            case METER -> List.of(new Need(id, "pulse", Kind.COUNTER));
        };
    }
}
