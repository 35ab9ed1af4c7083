package org.skelto.core.radio;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Construction;

/**
 * Tables of the loss of walls, made when first asked for and kept: a house uses a dozen. Safe for several threads; when
 * more than {@value #MOST} are kept it starts afresh.
 */
public final class SlabTables {
    private static final int MOST = 3000;

    private record Key(Construction construction, double frequencyMHz) {}

    private final Map<Key, SlabTable> kept = new ConcurrentHashMap<>();

    /** The table of a construction of a plan: what was measured wins over what was learned, that over its layers. */
    public SlabTable table(Plan plan, String construction, double frequencyMHz) {
        Construction made = plan.construction(construction);
        RadioBand band = RadioBand.of(frequencyMHz);
        Double measured = made.measuredDb().get(band);
        if (measured != null) {
            return SlabTable.flat(measured);
        }
        Double learned = CalibratedLoss.wallDb(plan, construction, band);
        return learned == null ? byLayers(made, frequencyMHz) : SlabTable.flat(learned);
    }

    /** The table that follows from the layers alone. */
    public SlabTable byLayers(Construction construction, double frequencyMHz) {
        if (kept.size() > MOST) {
            kept.clear();
        }
        return kept.computeIfAbsent(
                new Key(construction, frequencyMHz), k -> SlabTable.of(k.construction, k.frequencyMHz));
    }
}
