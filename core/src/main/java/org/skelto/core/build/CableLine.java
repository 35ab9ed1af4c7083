package org.skelto.core.build;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.quantity.Figure;

/**
 * One cable of the schedule.
 *
 * @param id short and the same as long as its two ends are the same; it is printed on both ends
 * @param from JSON pointer of the thing at the near end
 * @param to JSON pointer of the thing at the far end
 * @param part id of the cable's part in the catalogue, or null for one that is in the wall already
 * @param existing id of the cable in the wall that is used, or null for a new one
 * @param lengthM to be cut, metres, or null when an end has no place
 * @param typed whether the length was typed rather than estimated
 * @param cores what each core or pair carries
 * @param dropV lost at worst, or null when nothing of account flows
 * @param layer what it belongs to
 */
@RecordBuilder
public record CableLine(
        String id,
        String from,
        String fromName,
        String to,
        String toName,
        @Nullable String part,
        String kind,
        @Nullable String existing,
        @Nullable Double lengthM,
        boolean typed,
        List<Core> cores,
        @Nullable Double dropV,
        @Nullable Figure drop,
        Layer layer)
        implements CableLineBuilder.With {
    /** What a cable or a wire belongs to. */
    public enum Layer {
        MAINS,
        LOW_VOLTAGE,
        BUS,
        CONTACTS
    }

    /**
     * A core.
     *
     * @param colour of the core or pair
     * @param carries in words
     * @param at terminal at the near end, or an empty string
     */
    public record Core(String colour, String carries, String at) {}
}
