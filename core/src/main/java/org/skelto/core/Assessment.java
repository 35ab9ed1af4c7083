package org.skelto.core;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.CableSchedule;
import org.skelto.core.build.PartsList;
import org.skelto.core.build.Purchasing;
import org.skelto.core.build.Sheet;
import org.skelto.core.build.WiringDiagram;
import org.skelto.core.calibration.Reading;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.mesh.Meshes;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.outage.Component;
import org.skelto.core.outage.DeviceState;
import org.skelto.core.outage.Outages;
import org.skelto.core.outage.State;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.site.Place;
import org.skelto.core.power.Backups;
import org.skelto.core.power.Outposts;
import org.skelto.core.power.PowerNode;
import org.skelto.core.power.PowerTree;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallGap;
import org.skelto.core.site.WallPiece;
import org.skelto.core.snags.Review;
import org.skelto.core.snags.ReviewSeenBuilder;
import org.skelto.core.snags.Snag;
import org.skelto.core.snags.Stage;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.sound.Sounders;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Chains;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.core.wiring.Wired;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;

/**
 * Everything that follows from a plan: geometry, links, snags, names, and the states without some components. The
 * parts that do not depend on the outage are computed once, see {@link Figures}.
 *
 * @param positions where units and devices are, by JSON pointer
 * @param wired what is connected to what in the controllers whose boards are chosen, by id
 * @param troubles units that are dark or cut off from their hub, by id
 * @param failures what could not be worked out, and why; the rest stands
 */
@RecordBuilder
public record Assessment(
        List<WallPiece> walls,
        List<WallGap> gaps,
        Map<String, Position> positions,
        Map<String, LinkReport> links,
        List<Snag> snags,
        Map<String, NameRow> names,
        List<StripItem> strip,
        String sentence,
        Map<State, Integer> counts,
        Map<String, DeviceState> states,
        Map<String, Outages.UnitTrouble> troubles,
        Map<String, Wired> wired,
        List<StageSummary> stages,
        List<Fact.Failure> failures)
        implements AssessmentBuilder.With {

    /** A place as drawings need it: on the site, and the floor it is on or null outdoors. */
    public record Position(
            double xM, double yM, double zM, @Nullable String floor) {}

    /** What the rule would say of a device's topic or a unit's needs. */
    public record NameRow(@Nullable String topicByRule, boolean needsAddress, boolean needsNodeId) {}

    /** A toggle of the Without strip. */
    public record StripItem(
            String id, String name, Component.Kind kind, Component.Group group, int felt, boolean out) {}

    /** A stage of the rail: how many snags it holds, and what is done of how much. */
    public record StageSummary(Stage stage, int snags, List<String> done) {}

    /** The parts of an assessment that are the same under every outage. */
    public static final class Figures {
        private final Plan plan;
        private final Fact<SiteModel> site;
        private final Fact<Map<String, LinkReport>> links;
        private final Fact<Outages> outages;
        private final List<Fact<List<Snag>>> reviewed;
        private final List<Snag> snags;
        private final Fact<Map<Component, Integer>> shared;
        private final SlabTables tables;
        private final Catalogue parts;
        private final Fact<List<MeshReport>> meshes;
        private final Fact<Map<String, SoundReport>> sounds;
        private final Fact<Map<String, DemandReport>> demands;
        private final Fact<Map<String, Wired>> wired;
        private final Fact<Map<String, PowerNode>> power;
        private final Fact<Map<String, HousingFit>> housings;
        private final Fact<List<ChainReport>> chains;

        public Figures(Plan plan) {
            this(plan, new SlabTables());
        }

        /** With tables of the loss of walls that are kept from plan to plan. */
        public Figures(Plan plan, SlabTables tables) {
            this(plan, tables, List.of());
        }

        /** With readings whose floors and transmitters are in the plan. */
        public Figures(Plan plan, SlabTables tables, List<Reading> readings) {
            this(plan, tables, readings, Catalogue.builtIn());
        }

        /** With parts of one's own. */
        public Figures(Plan plan, SlabTables tables, List<Reading> readings, Catalogue parts) {
            this.plan = plan;
            this.tables = tables;
            this.parts = parts;
            this.site = Fact.of("geometry of the house", () -> SiteModel.of(plan));
            this.links = Fact.of("links", () -> new LinkAssessor(site(), tables).all());
            this.outages = Fact.of("outages", () -> {
                Map<String, LinkReport> judged = links();
                Outages made =
                        new Outages(plan, (link, sender) -> judged.get(link).carries(sender));
                made.now();
                return made;
            });
            this.meshes = Fact.of("mesh routes", () -> Meshes.withoutSeparateRoutes(site(), tables));
            this.sounds = Fact.of("sounders", () -> Sounders.of(site()));
            this.demands = Fact.of("places to work from", () -> DemandReport.of(site(), tables));
            this.wired = Fact.of("channels", () -> PinAssigner.of(plan, parts));
            this.power = Fact.of("power", () -> PowerTree.of(site(), parts));
            this.housings = Fact.of("enclosures", () -> HousingFit.of(plan, parts, power()));
            this.chains = Fact.of("buses", () -> Chains.of(plan, parts));
            this.reviewed = Review.snags(ReviewSeenBuilder.builder()
                    .plan(plan)
                    .tables(tables)
                    .readings(readings)
                    .parts(parts)
                    .site(site)
                    .links(links)
                    .outages(outages)
                    .meshes(meshes)
                    .sounds(sounds)
                    .demands(demands)
                    .wired(wired)
                    .power(power)
                    .housings(housings)
                    .chains(chains)
                    .build());
            this.snags = Review.sorted(reviewed);
            this.shared = Fact.of("what devices share", () -> outages.get().shared());
        }

        private List<Fact<?>> facts() {
            List<Fact<?>> all = new ArrayList<>(
                    List.of(site, links, outages, meshes, sounds, demands, wired, power, housings, chains, shared));
            all.addAll(reviewed);
            return all;
        }

        /** What could not be worked out, and why. */
        public List<Fact.Failure> failures() {
            return facts().stream().flatMap(f -> f.failure().stream()).toList();
        }

        /** Mistakes of the program that were met on the way, for its log. */
        public List<RuntimeException> mistakes() {
            return facts().stream().flatMap(f -> f.mistake().stream()).toList();
        }

        /** How messages travel in each mesh, with the count of separate routes. */
        public List<MeshReport> meshes() {
            return Meshes.of(site(), tables);
        }

        /** Which rooms hear which sounder. */
        public Map<String, SoundReport> sounds() {
            return sounds.get();
        }

        /** The places from which handsets and phones must work. */
        public Map<String, DemandReport> demands() {
            return demands.get();
        }

        /** Where every unit's power comes from, by id. */
        public Map<String, PowerNode> power() {
            return power.get();
        }

        /** Every cable with what its cores carry. */
        public List<CableLine> cables() {
            return CableSchedule.of(site(), parts, wired.get(), power());
        }

        /** How each unit whose boards are chosen is wired, by id. */
        public Map<String, Sheet> wiring() {
            return WiringDiagram.of(plan, parts, wired.get(), power(), cables());
        }

        /** What has to be bought, as of a day. */
        public PartsList partsList(LocalDate today) {
            return Purchasing.of(plan, parts, power(), cables(), today);
        }

        /** How long the path of what guards goes on without the mains. */
        public List<Backups.BackupPath> backups() {
            return Backups.of(plan, power(), outages.get()::way);
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

        /** The loss of walls, kept from plan to plan. */
        public SlabTables tables() {
            return tables;
        }

        /** The parts that the plan is judged with. */
        public Catalogue parts() {
            return parts;
        }

        /** All links of the plan judged, by id. */
        public Map<String, LinkReport> links() {
            return links.get();
        }

        /** How each wall box and enclosure is filled, by id. */
        public Map<String, HousingFit> housings() {
            return housings.get();
        }

        /** The lines that boards are chained on. */
        public List<ChainReport> chains() {
            return chains.get();
        }

        /** The geometry of the plan. */
        public SiteModel site() {
            return site.get();
        }

        /** Units that are dark or cut off without these components. */
        public Set<String> lame(Set<String> without) {
            return outages.get()
                    .units(without.stream().map(this::known).collect(Collectors.toSet()))
                    .keySet();
        }

        /** Ids of all components that may be supposed gone. */
        public Set<String> components() {
            return outages.get().components().keySet();
        }

        /** The whole assessment without these components. */
        public Assessment without(Set<String> asked) {
            Fact<Supposed> supposed = Fact.of("this outage", () -> supposed(asked));
            Fact<Map<String, Position>> positions = Fact.of("positions", this::positions);
            Fact<Map<String, NameRow>> names = Fact.of("names", this::names);
            List<Fact.Failure> failed = new ArrayList<>(failures());
            List.of(supposed, positions, names).forEach(f -> f.failure().ifPresent(failed::add));
            Supposed now = supposed.orElse(Supposed.UNKNOWN);
            return AssessmentBuilder.builder()
                    .walls(site.failure().isPresent() ? List.of() : site().walls())
                    .gaps(site.failure().isPresent() ? List.of() : site().gaps())
                    .positions(positions.orElse(Map.of()))
                    .links(links.orElse(Map.of()))
                    .snags(snags)
                    .names(names.orElse(Map.of()))
                    .strip(now.strip())
                    .sentence(now.sentence())
                    .counts(now.counts())
                    .states(now.states())
                    .troubles(now.troubles())
                    .wired(wired.orElse(Map.of()))
                    .stages(stages())
                    .failures(failed)
                    .build();
        }

        /** What an outage does. */
        private record Supposed(
                List<StripItem> strip,
                String sentence,
                Map<State, Integer> counts,
                Map<String, DeviceState> states,
                Map<String, Outages.UnitTrouble> troubles) {
            private static final Supposed UNKNOWN =
                    new Supposed(List.of(), "What still works could not be worked out", Map.of(), Map.of(), Map.of());
        }

        private Supposed supposed(Set<String> asked) {
            Set<String> failed = asked.stream().map(this::known).collect(Collectors.toSet());
            Map<String, DeviceState> states = outages.get().without(failed);
            Map<State, Integer> counts = new EnumMap<>(State.class);
            for (State state : State.values()) {
                counts.put(state, 0);
            }
            states.values().forEach(s -> counts.merge(s.state(), 1, Integer::sum));
            return new Supposed(
                    strip(failed),
                    sentence(failed, counts),
                    counts,
                    states,
                    outages.get().units(failed));
        }

        /** A unit may be named by its bare id. */
        private String known(String id) {
            String unit = Component.unit(id);
            return !components().contains(id) && components().contains(unit) ? unit : id;
        }

        private Map<String, Position> positions() {
            Map<String, Position> all = new TreeMap<>();
            plan.units().forEach((id, unit) -> position(all, "/units/" + id, unit.place()));
            plan.devices().forEach((id, d) -> position(all, "/devices/" + id, SiteModel.placeOf(plan, d)));
            return all;
        }

        private void position(Map<String, Position> all, String pointer, Place place) {
            ComputingBudget.step();
            site().position(place)
                    .ifPresent((Point p) -> all.put(
                            pointer, new Position(round(p.xM()), round(p.yM()), round(p.zM()), site().floorOf(place))));
        }

        private static double round(double metres) {
            return Math.round(metres * 1000) / 1000.0;
        }

        private Map<String, NameRow> names() {
            Map<String, NameRow> rows = new TreeMap<>();
            plan.units()
                    .keySet()
                    .forEach(id -> rows.put(
                            "/units/" + id,
                            new NameRow(
                                    null, NameAssigner.needsAddress(plan, id), NameAssigner.needsNodeId(plan, id))));
            plan.devices()
                    .forEach((id, d) ->
                            rows.put("/devices/" + id, new NameRow(NameAssigner.topicByRule(plan, d), false, false)));
            return rows;
        }

        private List<StripItem> strip(Set<String> failed) {
            List<StripItem> items = new ArrayList<>();
            Map<Component, Integer> felt = shared.get();
            outages.get().components().values().stream()
                    .filter(c -> felt.containsKey(c) || failed.contains(c.id()))
                    .forEach(c -> items.add(new StripItem(
                            c.id(),
                            c.name(),
                            c.kind(),
                            c.kind().group(),
                            felt.getOrDefault(c, 0),
                            failed.contains(c.id()))));
            return items;
        }

        private String sentence(Set<String> failed, Map<State, Integer> counts) {
            String without = failed.isEmpty()
                    ? "With everything working"
                    : "Without "
                            + outages.get().components().values().stream()
                                    .filter(c -> failed.contains(c.id()))
                                    .map(Component::name)
                                    .collect(Collectors.joining(" and "));
            return without + ": " + counts.get(State.HOLDS) + " hold, " + counts.get(State.REDUCED) + " reduced, "
                    + counts.get(State.BY_HAND) + " by hand, " + counts.get(State.LOST) + " lost, "
                    + counts.get(State.UNSAFE) + " unsafe";
        }

        private List<StageSummary> stages() {
            List<StageSummary> all = new ArrayList<>();
            for (Stage stage : Stage.values()) {
                int count = (int) snags.stream()
                        .filter(s -> s.stage() == stage && s.accepted() == null)
                        .count();
                all.add(new StageSummary(stage, count, done(stage)));
            }
            return all;
        }

        private List<String> done(Stage stage) {
            long attached = plan.devices().values().stream()
                    .map(Device::unit)
                    .filter(java.util.Objects::nonNull)
                    .count();
            return switch (stage) {
                case SITE ->
                    List.of(
                            count(plan.rooms().size(), "room") + " on "
                                    + count(plan.floors().size(), "floor"),
                            count(plan.buildings().size(), "building") + ", "
                                    + count(plan.spots().size(), "spot") + " outside");
                case DEVICES ->
                    List.of(
                            count(plan.devices().size(), "device"),
                            plan.devices().values().stream()
                                            .filter(Device::guards)
                                            .count() + " guard property or life");
                case CONTROLLERS ->
                    List.of(
                            count(plan.units().size(), "unit"),
                            attached + " of " + count(plan.devices().size(), "device") + " attached",
                            plan.units().values().stream()
                                            .filter(u -> u.power().source() == PowerSource.BATTERY)
                                            .count()
                                    + " on batteries");
                case LINKS ->
                    List.of(
                            count(plan.links().size(), "link"),
                            links.orElse(Map.of()).values().stream()
                                            .filter(LinkReport::meets)
                                            .count() + " of them at target");
                case LONG_RANGE ->
                    List.of(
                            count(plan.paths().size(), "path") + " with ground",
                            links.orElse(Map.of()).values().stream()
                                            .filter(l -> l.medium() == org.skelto.core.plan.radio.Medium.CHIRP)
                                            .count()
                                    + " links by long-range chirp");
                case NAMES ->
                    List.of(
                            plan.units().values().stream()
                                            .filter(u -> u.ipv4() != null)
                                            .count() + " addresses reserved",
                            plan.devices().values().stream()
                                            .filter(d -> d.topic() != null)
                                            .count() + " topics assigned");
                case OUTAGES -> List.of(count(shared.orElse(Map.of()).size(), "shared component"));
                case BUILD ->
                    List.of(
                            count(
                                            (int) plan.units().values().stream()
                                                    .filter(u -> u.boards() != null)
                                                    .count(),
                                            "unit")
                                    + " with parts chosen",
                            plan.wallWork() == null || plan.wallWork().closesOn() == null
                                    ? "no day on which walls close"
                                    : "walls close on " + plan.wallWork().closesOn());
            };
        }

        private static String count(int number, String thing) {
            return number + " " + thing + (number == 1 ? "" : "s");
        }
    }
}
