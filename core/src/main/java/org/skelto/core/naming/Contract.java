package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.MessageAspect;

/**
 * What a device says and is told on the house network, where, and how.
 *
 * @param device its id
 * @param topic under which all of it lies
 * @param transport how its messages travel
 * @param speaker id of the unit that puts its messages on the house network: its own, or the gateway that hears its radio
 * @param broker id of the unit with the broker, or null without one
 * @param listeners ids of units that listen to it and command it: the hub that serves it, tablets, assistants, recorders
 * @param aliases topics that it had and still answers to, with the day until which
 * @param personal whether it tells who is at home; then its listeners are all who may see it
 * @param keptDays how long what it says is kept, or null when nobody said
 * @param trouble why its messages reach nobody yet, or null
 */
@RecordBuilder
public record Contract(
        String device,
        String name,
        @Nullable String topic,
        Transport transport,
        @Nullable String speaker,
        @Nullable String broker,
        List<String> listeners,
        List<Aspect> aspects,
        Map<String, String> aliases,
        boolean personal,
        @Nullable Integer keptDays,
        @Nullable String trouble)
        implements ContractBuilder.With {
    /** How messages travel. */
    public enum Transport {
        BROKER,
        /** Asked at the address of its unit. */
        REQUEST,
        /** An account of an outside service. */
        SERVICE
    }

    /**
     * One kind of message.
     *
     * @param address its topic
     * @param spoken whether the device's side sends it; else it is sent to the device
     * @param delivery 0 at most once, 1 at least once, 2 exactly once
     * @param retained whether the broker keeps the last one for whoever comes later
     * @param lastWill whether the broker sends it when the speaker is lost
     * @param sent when it is sent, in words
     * @param intervalS seconds after which it comes again at the latest, or null
     * @param deadBand a reading that moved by less is no change, in its unit, or null where all that changes is told
     * @param watchdogS seconds of silence after which whoever listens must notice, or null
     * @param storedOnceS whoever records it stores one in so many seconds, or null for every one
     * @param chosen whether something of it was chosen otherwise than usual
     * @param bytes of one message to the broker: headers, topic and the example payload
     */
    @RecordBuilder
    public record Aspect(
            MessageAspect kind,
            String address,
            boolean spoken,
            List<PayloadPart> payload,
            String example,
            int delivery,
            boolean retained,
            boolean lastWill,
            String sent,
            @Nullable Integer intervalS,
            @Nullable Double deadBand,
            @Nullable Integer watchdogS,
            @Nullable Integer storedOnceS,
            boolean chosen,
            int bytes)
            implements ContractAspectBuilder.With {}

    /** The type of a part of a payload. */
    public enum PayloadType {
        BOOLEAN,
        NUMBER,
        TEXT
    }

    /**
     * A part of a payload, which is a JSON object; a payload of one part without a name is that value alone.
     *
     * @param unit of a number, or null
     * @param least of a number, or null
     * @param most of a number, or null
     * @param values that a text may be; empty for any
     */
    @RecordBuilder
    public record PayloadPart(
            String name,
            PayloadType type,
            @Nullable String unit,
            @Nullable Double least,
            @Nullable Double most,
            List<String> values,
            String meaning)
            implements ContractPayloadPartBuilder.With {
        static PayloadPart truth(String name, String meaning) {
            return ContractPayloadPartBuilder.builder()
                    .name(name)
                    .type(PayloadType.BOOLEAN)
                    .values(List.of())
                    .meaning(meaning)
                    .build();
        }

        static PayloadPart number(String name, String unit, double least, double most, String meaning) {
            return ContractPayloadPartBuilder.builder()
                    .name(name)
                    .type(PayloadType.NUMBER)
                    .unit(unit)
                    .least(least)
                    .most(most)
                    .values(List.of())
                    .meaning(meaning)
                    .build();
        }

        static PayloadPart text(String name, String meaning, String... values) {
            return ContractPayloadPartBuilder.builder()
                    .name(name)
                    .type(PayloadType.TEXT)
                    .values(List.of(values))
                    .meaning(meaning)
                    .build();
        }

        /** The part as it looks in a payload. */
        String example() {
            return switch (type) {
                case BOOLEAN -> "true";
                case NUMBER -> {
                    double low = least == null ? 0 : least;
                    double high = most == null ? 100 : most;
                    double middle = low < 0 ? Math.min(21, high) : Math.rint(low + (high - low) * 0.4);
                    yield middle == Math.rint(middle) ? Long.toString((long) middle) : Double.toString(middle);
                }
                case TEXT -> '"' + (values.isEmpty() ? "a1" : values.get(0)) + '"';
            };
        }
    }
}
