package org.skelto.core.configuration;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.AfterPower;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.UnitKind;

/**
 * What one controller must be told.
 *
 * @param unit its id
 * @param host its name on the network
 * @param where floor and room in words, or null while it has no place
 * @param boards names of its parts, by the names that stand on them
 * @param indicators what its lamps and sounds mean, by what stands on them
 * @param devices that it works, in the order of their ids
 * @param secrets that it is told; never what they are
 */
@RecordBuilder
public record ControllerConfiguration(
        String unit,
        String name,
        UnitKind kind,
        String host,
        @Nullable String where,
        Map<String, String> boards,
        Map<String, String> indicators,
        NetworkSettings network,
        List<DeviceSettings> devices,
        List<SecretReference> secrets)
        implements ControllerConfigurationBuilder.With {
    /**
     * How it is found and whom it speaks with.
     *
     * @param address its IPv4 address, or null when it has none
     * @param onLoan whether the router lends it that address; else it is fixed on the unit
     * @param broker address of the message broker, or null without one
     * @param hub id of the hub that serves it, or null
     */
    @RecordBuilder
    public record NetworkSettings(
            @Nullable String address,
            boolean onLoan,
            @Nullable String hardwareAddress,
            @Nullable Integer nodeId,
            String subnet,
            @Nullable String router,
            @Nullable String broker,
            @Nullable String hub)
            implements ControllerConfigurationNetworkSettingsBuilder.With {}

    /**
     * A device on it.
     *
     * @param topic under which its messages lie, or null
     * @param aliases topics that it had and still answers to, with the day until which
     * @param rest physical state it takes when its power goes
     * @param afterPower what it does when power returns, or null when nobody said
     * @param staggerS seconds that it waits then, or null
     */
    @RecordBuilder
    public record DeviceSettings(
            String device,
            String name,
            DeviceKind kind,
            Criticality criticality,
            @Nullable String topic,
            Map<String, String> aliases,
            RestState rest,
            @Nullable AfterPower afterPower,
            @Nullable Double staggerS,
            List<TerminalSettings> terminals,
            List<MessageSettings> messages)
            implements ControllerConfigurationDeviceSettingsBuilder.With {}

    /**
     * A connection of a device.
     *
     * @param connection its name on the device, such as {@code switch} or {@code sense}
     * @param does what the terminal does for it, in words
     * @param terminal as {@code board/pin}, or null while none is chosen
     * @param behind the relay or driver that is wired to that pin, or null
     * @param inverted whether it is on, or closed, while the pin is low
     * @param start what an output does while the board starts, or null
     */
    @RecordBuilder
    public record TerminalSettings(
            String connection,
            String does,
            @Nullable String terminal,
            @Nullable String behind,
            boolean inverted,
            Pull pull,
            @Nullable String start)
            implements ControllerConfigurationTerminalSettingsBuilder.With {}

    /** What holds an input while its contact is open. */
    public enum Pull {
        NONE,
        /** The pin's own pull-up. */
        UP,
        /** A resistor beside the board: the pin has none. */
        RESISTOR
    }

    /**
     * A kind of message of a device.
     *
     * @param sent whether the controller sends it; else it is told it
     * @param intervalS seconds after which it comes again at the latest, or null
     * @param deadBand a reading that moved by less is no change, in its unit, or null
     * @param watchdogS seconds of silence after which whoever listens must notice, or null
     */
    @RecordBuilder
    public record MessageSettings(
            MessageAspect kind,
            String topic,
            boolean sent,
            int delivery,
            boolean retained,
            boolean lastWill,
            @Nullable Integer intervalS,
            @Nullable Double deadBand,
            @Nullable Integer watchdogS)
            implements ControllerConfigurationMessageSettingsBuilder.With {}

    /** What is known of a secret. */
    public enum SecretState {
        /** Nobody said that it was set. */
        NOT_SET,
        /** As it came. */
        FACTORY,
        SET
    }

    /**
     * A secret that the controller is told, by its name: what it is, is written down elsewhere.
     *
     * @param key of the register of credentials
     * @param name in words
     */
    public record SecretReference(String key, String name, SecretState state) {}
}
