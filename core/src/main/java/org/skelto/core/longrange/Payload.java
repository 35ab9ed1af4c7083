package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.MessageField;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * How the fields of a message lie in its bytes: one after the other, the highest bit of each first, no gaps.
 *
 * @param slots in order
 * @param bits of all fields
 * @param bytes that they take, the last one filled with zeros
 * @param notes what is missing or wasteful, in words
 */
public record Payload(List<Slot> slots, int bits, int bytes, List<String> notes) {
    /**
     * Where a field lies.
     *
     * @param fromBit counted from the first byte's highest bit
     * @param holds what it can say, in words
     */
    public record Slot(String name, MessageField.Kind kind, int fromBit, int bits, String holds) {}

    public static Payload of(Message message) {
        List<Slot> slots = new ArrayList<>();
        int at = 0;
        for (MessageField field : message.fields()) {
            ComputingBudget.step();
            slots.add(new Slot(field.name(), field.kind(), at, field.width(), holds(field)));
            at += field.width();
        }
        return new Payload(slots, at, (at + 7) / 8, notes(message, at));
    }

    private static String holds(MessageField field) {
        double most = Math.pow(2, field.width());
        return switch (field.kind()) {
            case VALUE -> plain(field.least()) + " to " + plain(field.most()) + " in steps of " + plain(field.step());
            case FLAG -> "0 or 1";
            case NODE_ID -> Text.number(most, 0) + " units";
            case COUNTER -> "begins anew after " + Text.number(most, 0) + " messages";
            case CHECK -> "one change in " + Text.number(most, 0) + " goes unseen";
        };
    }

    private static String plain(double value) {
        return java.math.BigDecimal.valueOf(value)
                .stripTrailingZeros()
                .toPlainString()
                .replace('-', '−');
    }

    private static List<String> notes(Message message, int bits) {
        List<String> notes = new ArrayList<>();
        if (message.fields().stream().noneMatch(f -> f.kind() == MessageField.Kind.NODE_ID)) {
            notes.add("No node id: the receiver cannot tell whose message it is.");
        }
        if (!message.counts()) {
            notes.add(
                    "No counter: a repeat cannot be told from a second event, and a recorded message passes for new.");
        }
        if (message.command() == Message.Command.TOGGLE) {
            notes.add("The command toggles: a repeat flips it back. Send the wanted state instead.");
        }
        if (bits % 8 != 0) {
            notes.add(8 - bits % 8 + " bits of the last byte are spare.");
        }
        return notes;
    }
}
