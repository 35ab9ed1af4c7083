package org.skelto.core.plan.radio;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Within;

/**
 * What a unit sends over its long-range or sub-GHz radio.
 *
 * @param fields in the order in which they are packed, at most {@value #MOST_FIELDS}
 * @param intervalS from one message to the next, 1 to 31 557 600 s, or null when it only sends what happens
 * @param tries how often a message is sent, 1 to 10, or null for 1
 * @param acknowledged whether the receiver answers, or null when nobody said
 * @param command how commands to or from it are written, or null when it has none
 * @param rateKbps data rate of on-off or frequency-shift keying, 0.1 to 1000 kbit/s, or null for {@value #USUAL_KBPS}
 * @param implicitHeader whether a chirp frame leaves out its header, or null for no
 * @param preambleSymbols of a chirp frame, 6 to 65 535, or null for 8
 * @param spacingS from the start of one try to that of the next, 0.001 to 3600 s, or null for back to back
 */
@RecordBuilder
public record Message(
        @Count(most = Message.MOST_FIELDS, of = "fields") List<MessageField> fields,

        @Nullable @Within(least = 1, most = 31_557_600, unit = "s")
        Double intervalS,

        @Nullable @Within(least = 1, most = 10) Integer tries,
        @Nullable Boolean acknowledged,
        @Nullable Command command,

        @Nullable @Within(least = 0.1, most = 1000, unit = "kbit/s")
        Double rateKbps,

        @Nullable Boolean implicitHeader,
        @Nullable @Within(least = 6, most = 65_535) Integer preambleSymbols,

        @Nullable @Within(least = 0.001, most = 3600, unit = "s")
        Double spacingS)
        implements MessageBuilder.With {
    public static final int MOST_FIELDS = 60;

    /** Bytes that a frame takes at most. */
    public static final int MOST_BYTES = 255;

    /** Data rate of simple keying, typical, kbit/s. */
    public static final double USUAL_KBPS = 4.8;

    /** How a command is written. */
    public enum Command {
        /** What it should be: a repeat does no harm. */
        STATE,
        /** Change to the other: a repeat undoes it. */
        TOGGLE
    }

    /** Nothing said. */
    public static final Message NONE = MessageBuilder.builder().build();

    public Message {
        fields = fields == null ? List.of() : Copies.list(fields);
    }

    public int triesOrOne() {
        return tries == null ? 1 : tries;
    }

    /** Bytes of all fields, packed without gaps; 0 when no field is designed. */
    public int bytes() {
        return (fields.stream().mapToInt(MessageField::width).sum() + 7) / 8;
    }

    /** Whether repeats can be known as such. */
    public boolean counts() {
        return fields.stream().anyMatch(f -> f.kind() == MessageField.Kind.COUNTER);
    }
}
