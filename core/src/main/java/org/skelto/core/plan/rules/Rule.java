package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * Something that the house does on its own.
 *
 * @param host id of the unit or of the outside service that it runs in, or null while nobody chose one
 * @param off whether it rests
 * @param when what lets it fire: any one of these
 * @param onlyIf what must be so then
 * @param any whether one of {@code onlyIf} is enough; else all of them
 * @param then what it does, one after the other
 * @param unless what keeps it from acting: any one of these
 * @param restS seconds after it fired in which it does not fire again, 0 to 604 800, or null
 * @param repeatS seconds after which it fires again while the reading or value that set it off stays so, 10 to 604 800, or null
 * @param timesMonth how often it fires in a month, as far as somebody can tell, 0 to 100 000, or null to take it from its clock
 */
@RecordBuilder
public record Rule(
        @Name String name,
        @Nullable @Id String host,
        boolean off,
        @Count(most = 20, of = "triggers") List<Trigger> when,
        @Count(most = 20, of = "terms") List<Term> onlyIf,
        boolean any,
        @Count(most = 50, of = "actions") List<Action> then,
        @Count(most = 20, of = "terms") List<Term> unless,

        @Nullable @Within(least = 0, most = 604_800, unit = "s")
        Integer restS,

        @Nullable @Within(least = 10, most = 604_800, unit = "s")
        Integer repeatS,

        @Nullable @Within(least = 0, most = 100_000) Double timesMonth)
        implements RuleBuilder.With {
    /** A time of day. */
    public static final String CLOCK = "([01][0-9]|2[0-3]):[0-5][0-9]";

    /** What is said of a text that is none. */
    public static final String NO_CLOCK = "is not a time of day such as 21:40";

    public Rule {
        when = when == null ? List.of() : Copies.list(when);
        onlyIf = onlyIf == null ? List.of() : Copies.list(onlyIf);
        then = then == null ? List.of() : Copies.list(then);
        unless = unless == null ? List.of() : Copies.list(unless);
    }

    /** Whether a trigger, term or action of it is about a device. */
    public boolean names(String device) {
        return when.stream().anyMatch(t -> device.equals(t.device()))
                || onlyIf.stream().anyMatch(t -> device.equals(t.device()))
                || unless.stream().anyMatch(t -> device.equals(t.device()))
                || then.stream().anyMatch(a -> device.equals(a.device()));
    }
}
