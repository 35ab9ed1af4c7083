package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;

/**
 * Something that happens to the house, from outside of its rules.
 *
 * @param device id of the device that it happens to, or null
 * @param reading that it takes
 * @param number that it measures
 * @param press how it is pressed
 * @param mode id of a mode that somebody sets
 * @param value that the mode takes, the name of a code, or the number of a presence source
 */
@RecordBuilder
public record HouseEvent(
        Kind kind,
        @Nullable String device,
        @Nullable Reading reading,
        @Nullable Double number,
        @Nullable Press press,
        @Nullable String mode,
        @Nullable String value)
        implements HouseEventBuilder.With {
    /** What happens. */
    public enum Kind {
        READING,
        NUMBER,
        PRESS,
        /** A code is read; its name is the value. */
        CODE,
        /** Somebody or something is before a sensor, or no longer: it says so as it is built, late, or not while it warms up. */
        SEES,
        /** A phone is seen or gone: the number of the presence source is the value. */
        PHONE,
        FALLS_SILENT,
        POWER_RETURNS,
        MODE,
        ARRIVES,
        LEAVES
    }

    /** A device takes a reading. */
    public static HouseEvent reading(String device, Reading reading) {
        return HouseEventBuilder.builder()
                .kind(Kind.READING)
                .device(device)
                .reading(reading)
                .build();
    }

    /** A device measures a number. */
    public static HouseEvent number(String device, double number) {
        return HouseEventBuilder.builder()
                .kind(Kind.NUMBER)
                .device(device)
                .number(number)
                .build();
    }

    /** A push-button is pressed. */
    public static HouseEvent press(String device, Press press) {
        return HouseEventBuilder.builder()
                .kind(Kind.PRESS)
                .device(device)
                .press(press)
                .build();
    }

    /** A code is typed or read at a device. */
    public static HouseEvent code(String device, String name) {
        return HouseEventBuilder.builder()
                .kind(Kind.CODE)
                .device(device)
                .value(name)
                .build();
    }

    /** Somebody is before a sensor, or nobody any more. */
    public static HouseEvent sees(String device, boolean somebody) {
        return HouseEventBuilder.builder()
                .kind(Kind.SEES)
                .device(device)
                .reading(somebody ? Reading.ACTIVE : Reading.IDLE)
                .build();
    }

    /** A phone is seen, or gone. */
    public static HouseEvent phone(int source, boolean seen) {
        return HouseEventBuilder.builder()
                .kind(Kind.PHONE)
                .value(String.valueOf(source))
                .reading(seen ? Reading.ACTIVE : Reading.IDLE)
                .build();
    }

    /** Nothing is heard of a device from now on. */
    public static HouseEvent silent(String device) {
        return HouseEventBuilder.builder()
                .kind(Kind.FALLS_SILENT)
                .device(device)
                .build();
    }

    /** A mode is set by somebody. */
    public static HouseEvent mode(String mode, String value) {
        return HouseEventBuilder.builder()
                .kind(Kind.MODE)
                .mode(mode)
                .value(value)
                .build();
    }

    /** What needs no more words: power, coming and leaving. */
    public static HouseEvent plain(Kind kind) {
        return HouseEventBuilder.builder().kind(kind).build();
    }
}
