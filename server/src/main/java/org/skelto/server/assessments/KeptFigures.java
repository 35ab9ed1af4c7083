package org.skelto.server.assessments;

import org.skelto.core.facts.Facts;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.radio.SlabTables;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The figures of the plans looked at last, for their newest revision only. Bounded by what the plans hold, so that a few
 * huge ones do not fill the memory. Nobody waits for another plan's figures.
 */
@Component
public class KeptFigures {
    /** Rooms, units, devices and links of all kept plans together. */
    private static final int MOST_THINGS = 20_000;

    private record Kept(long revision, long readings, Catalogue parts, int things, Facts figures) {}

    private static final Logger LOG = LoggerFactory.getLogger(KeptFigures.class);

    private final Measured measured;
    private final Shelf shelf;
    private final SlabTables tables = new SlabTables();
    private final Map<UUID, Kept> kept = new LinkedHashMap<>(16, 0.75f, true);

    KeptFigures(Measured measured, Shelf shelf) {
        this.measured = measured;
        this.shelf = shelf;
    }

    /** Tables of the loss of walls, kept for all plans. */
    public SlabTables tables() {
        return tables;
    }

    /** The parts of now. */
    public Catalogue parts() {
        return shelf.catalogue();
    }

    /** The figures of a revision, kept or worked out. */
    public Facts of(UUID id, long revision, Plan plan) {
        long readings = measured.version(id);
        Catalogue parts = shelf.catalogue();
        synchronized (kept) {
            Kept known = kept.get(id);
            if (known != null
                    && known.revision() == revision
                    && known.readings() == readings
                    && known.parts() == parts) {
                return known.figures();
            }
        }
        Facts figures = new Facts(plan, tables, measured.fitting(id, plan), parts);
        figures.mistakes().forEach(e -> LOG.error("a fact of plan {} could not be worked out", id, e));
        if (!figures.failures().isEmpty() && figures.mistakes().isEmpty()) {
            // it may have been the load of this moment: worked out anew when it is asked for again
            return figures;
        }
        int things = plan.rooms().size()
                + plan.units().size()
                + plan.devices().size()
                + plan.links().size();
        keep(id, new Kept(revision, readings, parts, things, figures));
        return figures;
    }

    private void keep(UUID id, Kept made) {
        synchronized (kept) {
            Kept known = kept.get(id);
            if (known == null || known.revision() <= made.revision()) {
                kept.put(id, made);
            }
            int things = kept.values().stream().mapToInt(Kept::things).sum();
            Iterator<Kept> eldest = kept.values().iterator();
            while (things > MOST_THINGS && kept.size() > 1) {
                things -= eldest.next().things();
                eldest.remove();
            }
        }
    }
}
