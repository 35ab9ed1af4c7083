package org.skelto.core.plan.equipment;

import static org.skelto.core.plan.equipment.Criticality.COMFORT;
import static org.skelto.core.plan.equipment.Criticality.PROTECTIVE;
import static org.skelto.core.plan.equipment.Criticality.ROUTINE;
import static org.skelto.core.plan.equipment.Criticality.VITAL;

/** What a device is, with the family of jobs it has and how critical it is unless the person says otherwise. */
public enum DeviceKind {
    LAMP(Family.LOAD, COMFORT, true),
    DIMMED_LAMP(Family.LOAD, COMFORT, true),
    /** A low-voltage light strip, dimmed by pulse width. */
    LIGHT_STRIP(Family.LOAD, COMFORT, false),
    SOCKET(Family.LOAD, COMFORT, true),
    FAN(Family.LOAD, COMFORT, true),
    HEATER(Family.LOAD, ROUTINE, true),
    PUMP(Family.LOAD, ROUTINE, true),
    BLIND(Family.LOAD, COMFORT, true),
    /** Something that shows: a display, a signal lamp, a sign. */
    DISPLAY(Family.LOAD, COMFORT, false),
    LOCK(Family.BARRIER, PROTECTIVE, false),
    GATE(Family.BARRIER, PROTECTIVE, true),
    /** A powered door, such as a garage's. */
    POWERED_DOOR(Family.BARRIER, PROTECTIVE, true),
    VALVE(Family.VALVE, PROTECTIVE, false),
    SIREN(Family.SOUNDER, PROTECTIVE, false),
    CHIME(Family.SOUNDER, COMFORT, false),
    MOTION(Family.SENSOR, COMFORT, false),
    CONTACT(Family.SENSOR, PROTECTIVE, false),
    /** Something or someone on the drive or path. */
    BEAM(Family.SENSOR, PROTECTIVE, false),
    SMOKE(Family.SENSOR, VITAL, false),
    TEMPERATURE(Family.SENSOR, COMFORT, false),
    HUMIDITY(Family.SENSOR, COMFORT, false),
    LIGHT_LEVEL(Family.SENSOR, COMFORT, false),
    LEVEL(Family.SENSOR, ROUTINE, false),
    LEAK(Family.SENSOR, PROTECTIVE, false),
    PUSH_BUTTON(Family.SENSOR, COMFORT, false),
    METER(Family.SENSOR, COMFORT, false),
    CAMERA(Family.CAMERA, PROTECTIVE, false);

    /** Devices of one family have the same jobs. */
    public enum Family {
        LOAD,
        BARRIER,
        VALVE,
        SOUNDER,
        SENSOR,
        CAMERA
    }

    private final Family family;
    private final Criticality criticality;
    private final boolean mains;

    DeviceKind(Family family, Criticality criticality, boolean mains) {
        this.family = family;
        this.criticality = criticality;
        this.mains = mains;
    }

    public Family family() {
        return family;
    }

    /** How critical a device of this kind is unless the person says otherwise. */
    public Criticality criticality() {
        return criticality;
    }

    /** Whether it moves something that can crush or shut, and tells where it is only by sensors. */
    public boolean moves() {
        return this == BLIND || this == GATE || this == POWERED_DOOR || this == VALVE;
    }

    /** Whether it tells who is at home, and where. */
    public boolean personal() {
        return switch (this) {
            case MOTION, CONTACT, BEAM, LOCK, CAMERA -> true;
            default -> false;
        };
    }

    /** Whether devices of this kind are usually fed from the mains. */
    public boolean mains() {
        return mains;
    }
}
