package org.skelto.core.plan.power;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * How a unit is powered.
 *
 * @param circuit id of the mains circuit, for {@link PowerSource#MAINS}
 * @param from id of the unit that feeds it, for {@link PowerSource#ETHERNET} and {@link PowerSource#SUPPLY}
 * @param backupH hours that its own backup carries it, 0 when it has none
 * @param wishH hours that it is meant to go on without the mains, or null when nobody said
 * @param part id of the part between source and unit, which is in no box of its own: a plug supply, cells, a splitter
 * @param count how many of them side by side, 1 to 100; null means one
 * @param series how many cells in a row make one of them, 1 to 20; null means one
 * @param feed the cable that brings its low voltage, or null when that is of no account
 * @param more further sources, any of which is enough
 */
@RecordBuilder
public record Power(
        PowerSource source,

        @Nullable @IdOf(value = "circuits", what = "a circuit")
        String circuit,

        @Nullable @IdOf(value = "units", what = "a unit") String from,
        @Within(least = 0, most = 10_000, unit = "h") double backupH,

        @Nullable @Within(least = 0, most = 10_000, unit = "h")
        Double wishH,

        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String part,

        @Nullable @Within(least = 1, most = 100) Integer count,
        @Nullable @Within(least = 1, most = 20) Integer series,
        @Nullable Feed feed,
        @Count(most = 4, of = "sources") List<Source> more)
        implements PowerBuilder.With {
    public Power {
        more = more == null ? List.of() : Copies.list(more);
    }

    /** Power of which only the source is known. */
    public static Power of(PowerSource source, @Nullable String circuit, @Nullable String from, double backupH) {
        return PowerBuilder.builder()
                .source(source)
                .circuit(circuit)
                .from(from)
                .backupH(backupH)
                .build();
    }

    public static Power mains(String circuit) {
        return of(PowerSource.MAINS, circuit, null, 0);
    }

    public static Power battery() {
        return of(PowerSource.BATTERY, null, null, 0);
    }

    /** Low voltage from a supply unit. */
    public static Power supply(String from, Feed feed) {
        return PowerBuilder.builder()
                .source(PowerSource.SUPPLY)
                .from(from)
                .feed(feed)
                .build();
    }

    /** Whether another unit feeds it. */
    public boolean fed() {
        return source == PowerSource.ETHERNET || source == PowerSource.SUPPLY;
    }

    /** All its sources, the first one first. */
    public List<Source> sources() {
        List<Source> all = new java.util.ArrayList<>(List.of(new Source(source, circuit, from)));
        all.addAll(more);
        return all;
    }

    /** Whether cells are all that it has, so that it sleeps whenever it can. */
    public boolean onCells() {
        return sources().stream().allMatch(s -> s.source() == PowerSource.BATTERY);
    }

    /** How many cells in a row make one of the parts that stand side by side. */
    public int inSeries() {
        return series == null ? 1 : series;
    }

    /** How many parts stand side by side. */
    public int parts() {
        return count == null ? 1 : count;
    }
}
