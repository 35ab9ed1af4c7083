package org.skelto.core.rules;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Reading;

/** The two readings of a device in the words of its kind. */
public final class ReadingWords {
    private ReadingWords() {}

    /**
     * The words of a kind, the active reading first.
     *
     * @param becomes as "opens", "shuts"
     * @param is as "is open", "is shut"
     * @param set as "open", "shut"
     */
    public record KindWords(List<String> becomes, List<String> is, List<String> set) {}

    /** The words of every kind. */
    public static Map<DeviceKind, KindWords> all() {
        Map<DeviceKind, KindWords> all = new EnumMap<>(DeviceKind.class);
        for (DeviceKind kind : DeviceKind.values()) {
            all.put(
                    kind,
                    new KindWords(
                            List.of(becomes(kind, Reading.ACTIVE), becomes(kind, Reading.IDLE)),
                            List.of(is(kind, Reading.ACTIVE), is(kind, Reading.IDLE)),
                            List.of(
                                    String.join(" ", set(kind, Reading.ACTIVE)).strip(),
                                    String.join(" ", set(kind, Reading.IDLE)).strip())));
        }
        return all;
    }

    /** How it is: "is on", "is open". */
    static String is(DeviceKind kind, Reading reading) {
        boolean active = reading == Reading.ACTIVE;
        return switch (kind) {
            case LAMP, DIMMED_LAMP, LIGHT_STRIP, SOCKET, FAN, HEATER, PUMP, DISPLAY -> active ? "is on" : "is off";
            case BLIND, GATE, POWERED_DOOR, VALVE, CONTACT -> active ? "is open" : "is shut";
            case LOCK -> active ? "is unlocked" : "is locked";
            case SIREN, CHIME -> active ? "sounds" : "is quiet";
            case MOTION -> active ? "sees something move" : "sees nothing move";
            case BEAM -> active ? "is broken" : "is whole";
            case SMOKE -> active ? "alarms" : "is quiet";
            case LEAK -> active ? "is wet" : "is dry";
            case PUSH_BUTTON -> active ? "is held" : "is let go";
            case CAMERA -> active ? "records" : "does not record";
            case TEMPERATURE, HUMIDITY, LIGHT_LEVEL, LEVEL, METER -> active ? "is high" : "is low";
        };
    }

    /** What it becomes: "goes on", "opens". */
    static String becomes(DeviceKind kind, Reading reading) {
        boolean active = reading == Reading.ACTIVE;
        return switch (kind) {
            case LAMP, DIMMED_LAMP, LIGHT_STRIP, SOCKET, FAN, HEATER, PUMP, DISPLAY -> active ? "goes on" : "goes off";
            case BLIND, GATE, POWERED_DOOR, VALVE, CONTACT -> active ? "opens" : "shuts";
            case LOCK -> active ? "unlocks" : "locks";
            case SIREN, CHIME -> active ? "sounds" : "falls quiet";
            case MOTION -> active ? "sees something move" : "sees nothing move any more";
            case BEAM -> active ? "is broken" : "is whole again";
            case SMOKE -> active ? "alarms" : "falls quiet";
            case LEAK -> active ? "gets wet" : "dries";
            case PUSH_BUTTON -> active ? "is held" : "is let go";
            case CAMERA -> active ? "records" : "stops to record";
            case TEMPERATURE, HUMIDITY, LIGHT_LEVEL, LEVEL, METER -> active ? "gets high" : "gets low";
        };
    }

    /** What is done to it, before and after its name: "switch", "on". */
    static String[] set(DeviceKind kind, Reading reading) {
        boolean active = reading == Reading.ACTIVE;
        return switch (kind) {
            case BLIND, GATE, POWERED_DOOR, VALVE -> new String[] {active ? "open" : "shut", ""};
            case LOCK -> new String[] {active ? "unlock" : "lock", ""};
            case SIREN, CHIME -> new String[] {active ? "sound" : "silence", ""};
            default -> new String[] {"switch", active ? "on" : "off"};
        };
    }
}
