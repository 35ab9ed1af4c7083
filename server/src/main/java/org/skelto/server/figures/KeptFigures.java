package org.skelto.server.figures;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.skelto.core.calibration.Reading;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.radio.SlabTables;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The facts of the plans looked at last, for their newest revision only; those of a new revision take over what its edit left
 * as it was. Weighed by what the plans hold, so that a few huge ones do not fill the memory. Facts are worked out when they
 * are asked for, so that nobody waits here for another plan's.
 */
@Component
public class KeptFigures {
    /** Rooms, units, devices and links of all kept plans together. */
    static final int MOST_THINGS = 20_000;

    /** The newest facts of a plan, and those of the plan that was supposed last. */
    private record Kept(
            long revision, long readings, Catalogue parts, Facts facts, AtomicReference<@Nullable Facts> supposed) {
        Kept(long revision, long readings, Catalogue parts, Facts facts) {
            this(revision, readings, parts, facts, new AtomicReference<>());
        }

        boolean is(long asked, long version, Catalogue now) {
            return revision == asked && readings == version && parts == now && !facts.exhausted();
        }

        int things() {
            Plan plan = facts.plan();
            return 1
                    + plan.rooms().size()
                    + plan.units().size()
                    + plan.devices().size()
                    + plan.links().size();
        }
    }

    private static final Logger LOG = LoggerFactory.getLogger(KeptFigures.class);

    private final ReadingSource measured;
    private final CatalogueSource shelf;
    private final SlabTables tables = new SlabTables();
    private final Cache<UUID, Kept> kept = Caffeine.newBuilder()
            .maximumWeight(MOST_THINGS)
            .weigher((UUID id, Kept one) -> one.things())
            .executor(Runnable::run)
            .build();

    KeptFigures(ReadingSource measured, CatalogueSource shelf) {
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

    /** The facts of a revision, kept or new ones. */
    public Facts of(UUID id, long revision, Plan plan) {
        long version = measured.version(id);
        Catalogue parts = shelf.catalogue();
        Kept known = kept.getIfPresent(id);
        if (known != null && known.is(revision, version, parts)) {
            return known.facts();
        }
        List<Reading> readings = measured.fitting(id, plan);
        Kept now = kept.asMap().compute(id, (key, before) -> {
            if (before != null && (before.revision() > revision || before.is(revision, version, parts))) {
                return before;
            }
            return new Kept(revision, version, parts, following(id, before, plan, readings, parts));
        });
        // an older revision than the kept one is worked out for whoever asks, and not kept
        return now.is(revision, version, parts) ? now.facts() : following(id, now, plan, readings, parts);
    }

    /**
     * What would follow if the plan were another: facts of their own, which take over what the change leaves. What was
     * measured is not compared with them, as it was not measured there.
     */
    public Facts supposing(UUID id, long revision, Plan now, Plan other) {
        Facts facts = of(id, revision, now);
        Kept known = kept.getIfPresent(id);
        // readings stay while what they were taken with is there
        List<Reading> readings = facts.readings().stream()
                .filter(r ->
                        other.floors().containsKey(r.floor()) && other.units().containsKey(r.unit()))
                .toList();
        Facts supposed = facts.after(other, readings, facts.parts());
        if (known != null && known.facts() == facts) {
            known.supposed().set(supposed);
        }
        return supposed;
    }

    private Facts following(UUID id, Kept before, Plan plan, List<Reading> readings, Catalogue parts) {
        if (before == null) {
            return new Facts(plan, tables, readings, parts)
                    .telling((fact, e) -> LOG.error("{} of plan {} could not be worked out", fact, id, e));
        }
        Facts supposed = before.supposed().get();
        // a drag ends where it was followed to: that is worked out already
        boolean same = supposed != null
                && !supposed.exhausted()
                && supposed.parts() == parts
                && supposed.readings().equals(readings)
                && supposed.plan().equals(plan);
        return same ? supposed : before.facts().after(plan, readings, parts);
    }

    /** How many things the kept plans hold together. */
    int things() {
        kept.cleanUp();
        return kept.asMap().values().stream().mapToInt(Kept::things).sum();
    }
}
