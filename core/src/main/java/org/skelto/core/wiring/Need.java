package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Drive;
import org.skelto.core.work.ComputingBudget;

/**
 * One connection that a device asks of its controller.
 *
 * @param name of the connection on the device, such as {@code switch}, {@code up}, {@code sense}
 */
public record Need(String device, String name, Kind kind) {
    /** The inputs of a device's end sensors. */
    private static final String[] END = {"endshut", "endopen", "endthree", "endfour"};

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

    /** What a device asks for: by its kind and drive, and an input for each sensor that it has. */
    public static List<Need> of(String id, Device device) {
        ComputingBudget.step();
        List<Need> needs = new ArrayList<>(driven(id, device));
        int ends = device.known().endSensors() == null ? 0 : device.known().endSensors();
        for (int end = 0; end < ends; end++) {
            needs.add(new Need(id, END[end], Kind.INPUT));
        }
        if (device.known().lock() != null && device.known().lock().doorContact()) {
            needs.add(new Need(id, "door", Kind.INPUT));
        }
        return needs;
    }

    /** Whether what is connected is a bare contact: its input floats while it is open unless something pulls it up. */
    static boolean contact(Need need, Device device) {
        return bareContact(need.kind, need.name, device);
    }

    /** The same of a connection by its kind and its name on the device. */
    public static boolean bareContact(Kind kind, String name, Device device) {
        return kind == Kind.INPUT
                && (device.kind() == DeviceKind.PUSH_BUTTON
                        || device.kind() == DeviceKind.CONTACT
                        || !name.equals("sense"));
    }

    private static List<Need> driven(String id, Device device) {
        boolean both = device.known().drive() == Drive.TWO_WAY;
        return switch (device.kind()) {
            case LAMP, SOCKET, FAN, HEATER, PUMP, SIREN, CHIME, DISPLAY -> List.of(new Need(id, "switch", Kind.RELAY));
            case DIMMED_LAMP, LIGHT_STRIP -> List.of(new Need(id, "dim", Kind.DIMMER));
            case BLIND -> twoWay(id, "up", "down");
            case LOCK -> List.of(new Need(id, "release", Kind.RELAY));
            case GATE, POWERED_DOOR -> both ? twoWay(id, "open", "shut") : List.of(new Need(id, "press", Kind.RELAY));
            case VALVE -> both ? twoWay(id, "open", "shut") : List.of(new Need(id, "turn", Kind.RELAY));
            case MOTION, CONTACT, LEAK, PUSH_BUTTON, BEAM, SMOKE -> List.of(new Need(id, "sense", Kind.INPUT));
            case TEMPERATURE, HUMIDITY -> List.of(new Need(id, "wire", Kind.WIRE));
            case LEVEL, LIGHT_LEVEL -> List.of(new Need(id, "level", Kind.ANALOGUE));
            case METER -> List.of(new Need(id, "pulse", Kind.COUNTER));
            case CAMERA -> List.of();
        };
    }

    private static List<Need> twoWay(String id, String one, String other) {
        return List.of(new Need(id, one, Kind.RELAY), new Need(id, other, Kind.RELAY));
    }
}
