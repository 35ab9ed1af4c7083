package org.skelto.core.facts;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.CableSchedule;
import org.skelto.core.build.PartsList;
import org.skelto.core.build.Purchasing;
import org.skelto.core.build.Sheet;
import org.skelto.core.build.WiringDiagram;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.house.Backups;
import org.skelto.core.house.Outages;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.power.Outposts;
import org.skelto.core.power.PowerNode;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.Fact;

/**
 * The facts of one plan, each worked out when it is first asked for. {@link #after} makes those of a changed plan, which take
 * over what nothing that they read has changed: it costs O(what is read) to find that out.
 */
public final class Facts {
    /** A fact with the plan and the other facts that it was worked out from. */
    private record Known(Fact<?> fact, Plan plan, List<Reading> readings, Map<FactKind<?>, Object> from) {}

    private final Plan plan;
    private final SlabTables tables;
    private final List<Reading> readings;
    private final Catalogue parts;
    private final BiConsumer<String, RuntimeException> mistakes;
    private final Map<FactKind<?>, Known> before;
    private final Map<FactKind<?>, Known> known = new ConcurrentHashMap<>();
    private final Map<FactKind<?>, Object> turns = new ConcurrentHashMap<>();
    private volatile boolean exhausted;

    private Facts(
            Plan plan,
            SlabTables tables,
            List<Reading> readings,
            Catalogue parts,
            BiConsumer<String, RuntimeException> mistakes,
            Map<FactKind<?>, Known> before) {
        this.plan = plan;
        this.tables = tables;
        this.readings = readings;
        this.parts = parts;
        this.mistakes = mistakes;
        this.before = before;
    }

    public Facts(Plan plan) {
        this(plan, new SlabTables());
    }

    /** With tables of the loss of walls that are kept from plan to plan. */
    public Facts(Plan plan, SlabTables tables) {
        this(plan, tables, List.of(), Catalogue.builtIn());
    }

    /**
     * With parts of one's own.
     *
     * @param readings whose floors and transmitters are in the plan
     */
    public Facts(Plan plan, SlabTables tables, List<Reading> readings, Catalogue parts) {
        this(plan, tables, readings, parts, (fact, mistake) -> {}, Map.of());
    }

    /** The same, telling of each mistake of the program that is met: the fact's name and what was thrown. */
    public Facts telling(BiConsumer<String, RuntimeException> of) {
        return new Facts(plan, tables, readings, parts, of, before());
    }

    /** The facts of a changed plan. */
    public Facts after(Plan other) {
        return after(other, readings, parts);
    }

    /** The facts of a changed plan with other readings and parts. */
    public Facts after(Plan other, List<Reading> otherReadings, Catalogue otherParts) {
        Map<FactKind<?>, Known> kept = otherParts == parts ? before() : Map.of();
        return new Facts(other, tables, otherReadings, otherParts, mistakes, kept);
    }

    private Map<FactKind<?>, Known> before() {
        Map<FactKind<?>, Known> all = new IdentityHashMap<>(before);
        known.forEach((kind, one) -> {
            if (one.fact().failure().isEmpty()) {
                all.put(kind, one);
            }
        });
        return all;
    }

    public Plan plan() {
        return plan;
    }

    /** The loss of walls, kept from plan to plan. */
    public SlabTables tables() {
        return tables;
    }

    public List<Reading> readings() {
        return readings;
    }

    /** The parts that the plan is judged with. */
    public Catalogue parts() {
        return parts;
    }

    /** Whether something could not be worked out within what may be computed, and might be another time. */
    public boolean exhausted() {
        return exhausted;
    }

    /**
     * What was worked out.
     *
     * @throws Fact.Unavailable when it could not be
     */
    public <T> T get(FactKind<T> kind) {
        return fact(kind).get();
    }

    /** A fact, worked out now or before, or the reason why it could not be. */
    @SuppressWarnings("unchecked")
    public <T> Fact<T> fact(FactKind<T> kind) {
        Known one = known.get(kind);
        if (one == null) {
            synchronized (turns.computeIfAbsent(kind, k -> new Object())) {
                one = known.get(kind);
                if (one == null) {
                    one = find(kind);
                    known.put(kind, one);
                }
            }
        }
        return (Fact<T>) one.fact();
    }

    private <T> Known find(FactKind<T> kind) {
        Known old = before.get(kind);
        if (old != null && unchanged(kind, old)) {
            return new Known(old.fact(), plan, readings, old.from());
        }
        @SuppressWarnings("unchecked")
        T oldValue = old == null ? null : (T) old.fact().get();
        Fact<T> made = Fact.of(kind.name(), () -> kind.work(this, oldValue));
        made.mistake().ifPresent(m -> mistakes.accept(kind.name(), m));
        exhausted |= made.failure().isPresent() && made.mistake().isEmpty();
        if (old != null && made.failure().isEmpty() && made.get().equals(oldValue)) {
            made = made.with(oldValue);
        }
        Map<FactKind<?>, Object> from = new HashMap<>();
        for (FactKind<?> k : kind.from()) {
            Fact<?> of = fact(k);
            if (of.failure().isEmpty()) {
                from.put(k, of.get());
            }
        }
        return new Known(made, plan, readings, from);
    }

    private boolean unchanged(FactKind<?> kind, Known old) {
        return (!kind.reads().contains(PlanPart.READINGS) || old.readings().equals(readings))
                && kind.reads().stream().allMatch(part -> part.same(old.plan(), plan))
                && kind.from().stream().allMatch(k -> same(k, old.from().get(k)));
    }

    private boolean same(FactKind<?> kind, @Nullable Object old) {
        Fact<?> now = fact(kind);
        return now.failure().isEmpty() && (now.get() == old || Objects.equals(now.get(), old));
    }

    /** The geometry of the plan. */
    public SiteModel site() {
        return HouseFacts.site(this);
    }

    /** All links of the plan judged, by id. */
    public Map<String, LinkReport> links() {
        return get(HouseFacts.LINKS);
    }

    public Outages outages() {
        return get(HouseFacts.OUTAGES);
    }

    /** Which rooms hear which sounder. */
    public Map<String, SoundReport> sounds() {
        return get(HouseFacts.SOUNDS);
    }

    /** The places from which handsets and phones must work. */
    public Map<String, DemandReport> demands() {
        return get(HouseFacts.DEMANDS);
    }

    /** How devices are connected to the controllers whose boards are chosen, by unit. */
    public Map<String, Wired> wired() {
        return get(HouseFacts.WIRED);
    }

    /** Where every unit's power comes from, by id. */
    public Map<String, PowerNode> power() {
        return get(HouseFacts.POWER);
    }

    /** How each wall box and enclosure is filled, by id. */
    public Map<String, HousingFit> housings() {
        return get(HouseFacts.HOUSINGS);
    }

    /** The lines that boards are chained on. */
    public List<ChainReport> chains() {
        return get(HouseFacts.CHAINS);
    }

    /** How messages travel in each mesh, with the count of separate routes. */
    public List<MeshReport> meshes() {
        return HouseFacts.meshes(this, true);
    }

    /** Every cable with what its cores carry. */
    public List<CableLine> cables() {
        return CableSchedule.of(site(), parts, wired(), power());
    }

    /** How each unit whose boards are chosen is wired, by id. */
    public Map<String, Sheet> wiring() {
        return WiringDiagram.of(plan, parts, wired(), power(), cables());
    }

    /** What has to be bought, as of a day. */
    public PartsList partsList(LocalDate today) {
        return Purchasing.of(plan, parts, power(), cables(), today);
    }

    /** How long the path of what guards goes on without the mains. */
    public List<Backups.BackupPath> backups() {
        return Backups.of(plan, outages());
    }

    /** The long-range links of the plan. */
    public List<LongRange.FarLink> longRange() {
        return LongRange.rows(plan, site(), links());
    }

    /** All long-range and sub-GHz senders together. */
    public List<SharedAir.SubBand> sharedAir() {
        return SharedAir.of(plan);
    }

    /** Where the energy of units on batteries goes, by id. */
    public Map<String, Outposts.OutpostEnergy> outposts() {
        return Outposts.of(plan, parts);
    }
}
