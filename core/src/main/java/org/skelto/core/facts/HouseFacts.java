package org.skelto.core.facts;

import static org.skelto.core.facts.PlanPart.CIRCUITS;
import static org.skelto.core.facts.PlanPart.DEVICE_NAMES;
import static org.skelto.core.facts.PlanPart.DEVICE_PLACES;
import static org.skelto.core.facts.PlanPart.DEVICE_ROLES;
import static org.skelto.core.facts.PlanPart.DEVICE_WAYS;
import static org.skelto.core.facts.PlanPart.DEVICE_WIRING;
import static org.skelto.core.facts.PlanPart.HEAD;
import static org.skelto.core.facts.PlanPart.SERVICES;
import static org.skelto.core.facts.PlanPart.UNIT_BOARDS;
import static org.skelto.core.facts.PlanPart.UNIT_NAMES;
import static org.skelto.core.facts.PlanPart.UNIT_POWER;
import static org.skelto.core.facts.PlanPart.UNIT_RADIOS;
import static org.skelto.core.facts.PlanPart.UNIT_ROLES;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.coverage.DemandReport;
import org.skelto.core.house.Carrying;
import org.skelto.core.house.Component;
import org.skelto.core.house.HouseInputs;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.PossibleLink;
import org.skelto.core.house.RuleReach;
import org.skelto.core.housing.HousingFit;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkReport;
import org.skelto.core.links.PossibleLinks;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.mesh.MeshReport;
import org.skelto.core.mesh.Meshes;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.power.PowerNode;
import org.skelto.core.power.PowerTree;
import org.skelto.core.power.Store;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.ListeningWindow;
import org.skelto.core.rules.RuleAnalysis;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.rules.RuleReaches;
import org.skelto.core.rules.Sky;
import org.skelto.core.sight.Sights;
import org.skelto.core.site.SiteModel;
import org.skelto.core.sound.SoundReport;
import org.skelto.core.sound.Sounders;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Chains;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.core.wiring.Wired;

/** The facts of a house that others build on. */
public final class HouseFacts {
    /** Walls, panels and slabs. Ask {@link #site} for it: it knows where units stand now. */
    public static final FactKind<SiteModel> GEOMETRY =
            FactKind.of("geometry of the house", List.of(PlanPart.SITE), List.of(), f -> SiteModel.of(f.plan()));

    /** What a link is judged by. */
    private static final List<PlanPart> LINK_READS = List.of(
            PlanPart.LINKS,
            PlanPart.PATHS,
            PlanPart.INDOORS,
            PlanPart.EXISTING,
            PlanPart.CIRCUITS,
            HEAD,
            UNIT_NAMES,
            UNIT_ROLES,
            PlanPart.UNIT_PLACES,
            UNIT_POWER,
            UNIT_RADIOS,
            DEVICE_ROLES);

    private static final FactKind<PerItem<LinkReport>> JUDGED =
            FactKind.renewed("links", LINK_READS, List.of(GEOMETRY), (f, before) -> judged(f, before));

    /** All links judged, by id; only those are judged anew of which something changed. */
    public static final FactKind<Map<String, LinkReport>> LINKS =
            FactKind.of("links", List.of(), List.of(JUDGED), f -> f.get(JUDGED).values());

    /** For each sender and medium the chance that what it sends meets nothing else on the air. */
    private static final FactKind<Map<String, Map<Medium, Double>>> DELIVERIES = FactKind.of(
            "links",
            List.of(PlanPart.LINKS, UNIT_ROLES, UNIT_POWER, UNIT_RADIOS),
            List.of(),
            f -> SharedAir.deliveries(f.plan()));

    /** For each link the chance that what its nearer and its farther end send arrives. */
    private static final FactKind<Map<String, List<Double>>> CARRYING = FactKind.of(
            "links",
            List.of(PlanPart.LINKS, UNIT_ROLES, UNIT_POWER, UNIT_RADIOS),
            List.of(LINKS, DELIVERIES),
            f -> carrying(f));

    private static final FactKind<PerItem<PossibleLink>> UNPLANNED =
            FactKind.renewed("links", LINK_READS, List.of(GEOMETRY), (f, before) -> unplanned(f, before));

    /** Links that radios make by themselves and that carry. */
    public static final FactKind<List<PossibleLink>> POSSIBLE = FactKind.of(
            "links",
            List.of(),
            List.of(UNPLANNED, DELIVERIES),
            f -> f.get(UNPLANNED).values().values().stream()
                    .filter(link -> link.chance() > 0)
                    .map(link -> new PossibleLink(
                            link.link(),
                            Math.min(link.chance(), delivery(f, link.link().from(), link.link())),
                            link.marginDb()))
                    .toList());

    /** Of the places of units, those that lengths of supply cables and temperatures of batteries hang on. */
    private static final FactKind<Map<String, Object>> POWER_PLACES =
            FactKind.of("power", List.of(PlanPart.UNIT_PLACES, UNIT_POWER), List.of(), f -> powerPlaces(f.plan()));

    /** Where every unit's power comes from, by id. */
    public static final FactKind<Map<String, PowerNode>> POWER = FactKind.of(
            "power",
            List.of(
                    HEAD,
                    PlanPart.EXISTING,
                    CIRCUITS,
                    PlanPart.HOUSINGS,
                    UNIT_NAMES,
                    UNIT_ROLES,
                    UNIT_POWER,
                    UNIT_BOARDS,
                    UNIT_RADIOS,
                    PlanPart.LINKS,
                    DEVICE_NAMES,
                    DEVICE_ROLES,
                    DEVICE_WAYS,
                    DEVICE_WIRING),
            List.of(GEOMETRY, POWER_PLACES),
            f -> PowerTree.of(site(f), f.parts()));

    /** Backups and cells with their hours, by unit. */
    private static final FactKind<Map<String, Store>> STORES =
            FactKind.of("power", List.of(), List.of(POWER), f -> Store.all(f.get(POWER)));

    /** The places from which handsets and phones must work. */
    public static final FactKind<Map<String, DemandReport>> DEMANDS =
            FactKind.of("places to work from", PlanPart.ALL, List.of(), f -> DemandReport.of(site(f), f.tables()));

    /** Access points that cover a place to work from over Wi-Fi; empty where no such place is marked. */
    private static final FactKind<Optional<Set<String>>> PHONE_POINTS =
            FactKind.of("places to work from", List.of(PlanPart.INDOORS), List.of(DEMANDS), f -> phonePoints(f));

    /** In which room and on which floor each device is, as rules about a kind of thing ask. */
    private static final FactKind<Map<String, List<Object>>> ROOMS = FactKind.of(
            "rooms of devices",
            List.of(PlanPart.SITE, PlanPart.UNIT_PLACES, DEVICE_ROLES, DEVICE_PLACES, PlanPart.RULES),
            List.of(),
            HouseFacts::rooms);

    /** What rules need so as to work devices. */
    private static final FactKind<List<RuleReach>> RULE_REACHES = FactKind.of(
            "outages",
            List.of(PlanPart.RULES, SERVICES, UNIT_ROLES, DEVICE_ROLES),
            List.of(ROOMS),
            f -> RuleReaches.of(f.plan()));

    public static final FactKind<Outages> OUTAGES = FactKind.renewed(
            "outages",
            List.of(
                    PlanPart.LINKS,
                    // hours lost a year ask it how often things fail
                    PlanPart.PROMISES,
                    PlanPart.NETWORK,
                    CIRCUITS,
                    SERVICES,
                    UNIT_NAMES,
                    UNIT_ROLES,
                    UNIT_POWER,
                    PlanPart.UNIT_RADIOS,
                    DEVICE_NAMES,
                    DEVICE_ROLES,
                    DEVICE_WAYS,
                    DEVICE_WIRING),
            List.of(CARRYING, POSSIBLE, STORES, PHONE_POINTS, RULE_REACHES),
            (f, before) -> outages(f, before));

    /** What several devices feel when it is gone, and how many. */
    public static final FactKind<Map<Component, Integer>> SHARED = FactKind.of(
            "what devices share",
            List.of(),
            List.of(OUTAGES),
            f -> f.get(OUTAGES).shared());

    /** Units that are dark or cut off with everything working, by id. */
    public static final FactKind<Map<String, Outages.UnitTrouble>> TROUBLES = FactKind.of(
            "this outage", List.of(), List.of(OUTAGES), f -> f.get(OUTAGES).units(Outage.of(Set.of())));

    /** How messages travel in each mesh, without the count of separate routes. */
    public static final FactKind<List<MeshReport>> MESHES = FactKind.of(
            "mesh routes",
            List.of(PlanPart.LINKS, UNIT_ROLES, PlanPart.UNIT_PLACES, UNIT_POWER, UNIT_RADIOS),
            List.of(LINKS, UNPLANNED),
            f -> meshes(f, false));

    /** Sounders, each with its place. */
    private static final FactKind<Map<String, List<Object>>> SOUNDERS = FactKind.of(
            "sounders",
            List.of(DEVICE_NAMES, DEVICE_ROLES, DEVICE_PLACES, PlanPart.DEVICE_SURROUNDINGS, PlanPart.UNIT_PLACES),
            List.of(),
            f -> sounders(f.plan()));

    /** Which rooms hear which sounder, by device. */
    public static final FactKind<Map<String, SoundReport>> SOUNDS =
            FactKind.of("sounders", List.of(), List.of(GEOMETRY, SOUNDERS), f -> Sounders.of(site(f)));

    private static final FactKind<PerItem<Wired>> ASSIGNED = FactKind.renewed(
            "channels",
            List.of(UNIT_NAMES, UNIT_ROLES, UNIT_BOARDS, DEVICE_NAMES, DEVICE_ROLES, DEVICE_WAYS, DEVICE_WIRING),
            List.of(),
            (f, before) -> assigned(f, before));

    /** How the devices of controllers whose boards are chosen are connected, by unit. */
    public static final FactKind<Map<String, Wired>> WIRED = FactKind.of(
            "channels", List.of(), List.of(ASSIGNED), f -> f.get(ASSIGNED).values());

    /** What a repair of the power tree may read: the tree, and all that another tree would be made of. */
    public static final List<FactKind<?>> POWER_AND_PLACES = List.of(POWER, GEOMETRY, POWER_PLACES);

    /** How each wall box and enclosure is filled, by id. */
    public static final FactKind<Map<String, HousingFit>> HOUSINGS = FactKind.of(
            "enclosures", PlanPart.ALL, List.of(POWER), f -> HousingFit.of(f.plan(), f.parts(), f.get(POWER)));

    /** The lines that boards are chained on. */
    public static final FactKind<List<ChainReport>> CHAINS =
            FactKind.of("buses", PlanPart.ALL, List.of(), f -> Chains.of(f.plan(), f.parts()));

    /** For each unit the link that would be chosen for it, looked for only when somebody wants to know. */
    private static final FactKind<PerItem<Lazy<Optional<LinkChooser.Option>>>> BEST_LINKS =
            FactKind.renewed("links", LINK_READS, List.of(GEOMETRY), (f, before) -> bestLinks(f, before));

    /** What the rules of naming say of every unit and device, by JSON pointer. */
    public static final FactKind<Map<String, NameAssigner.NameRow>> NAME_RULES = FactKind.of(
            "names",
            List.of(PlanPart.NETWORK, PlanPart.SITE, PlanPart.LINKS, UNIT_ROLES, DEVICE_NAMES),
            List.of(whereabouts()),
            f -> NameAssigner.rules(f.plan()));

    /** For each link over known ground, all that its clearance hangs on. */
    public static final FactKind<Map<String, List<Object>>> GROUND = FactKind.of(
            "links",
            List.of(
                    HEAD,
                    PlanPart.INDOORS,
                    PlanPart.LINKS,
                    PlanPart.PATHS,
                    UNIT_NAMES,
                    UNIT_ROLES,
                    PlanPart.UNIT_PLACES,
                    UNIT_RADIOS),
            List.of(LINKS, GEOMETRY),
            f -> ground(f));

    /** The sun over the house, and its clock. */
    public static final FactKind<Sky> SKY = FactKind.renewed(
            "sun", List.of(HEAD, PlanPart.RULES), List.of(), (f, before) -> Sky.after(before, f.plan()));

    private static final FactKind<RuleAnalysis.Judged> RULES_JUDGED = FactKind.renewed(
            "rules against each other",
            List.of(PlanPart.RULES, SERVICES, DEVICE_NAMES, DEVICE_ROLES, DEVICE_WAYS, DEVICE_WIRING),
            List.of(SKY, ROOMS),
            (f, before) -> RuleAnalysis.after(before, f.plan(), f.get(SKY)));

    /** What the solver finds about the rules; only that is asked anew in which something changed. */
    public static final FactKind<List<RuleFinding>> RULE_FINDINGS = FactKind.of(
            "rules against each other",
            List.of(),
            List.of(RULES_JUDGED),
            f -> f.get(RULES_JUDGED).found());

    /** What sensors and cameras see, and the ways into the house. */
    public static final FactKind<Sights> SIGHTS = FactKind.of(
            "what sensors see",
            List.of(PlanPart.SITE, PlanPart.UNIT_PLACES, DEVICE_ROLES, DEVICE_PLACES, PlanPart.DEVICE_SIGHT),
            List.of(GEOMETRY),
            f -> Sights.of(f.plan(), site(f)));

    /** Those that the page shows or whose failure it tells. */
    public static final List<FactKind<?>> SHOWN = List.of(
            GEOMETRY,
            LINKS,
            OUTAGES,
            MESHES,
            SOUNDS,
            DEMANDS,
            WIRED,
            POWER,
            HOUSINGS,
            CHAINS,
            SHARED,
            RULE_FINDINGS,
            SIGHTS);

    private HouseFacts() {}

    /** The geometry of the plan, which knows where everything stands now. */
    public static SiteModel site(Facts facts) {
        return facts.get(GEOMETRY).around(facts.plan());
    }

    /** The link that would be chosen for a unit, if any will do. */
    public static Optional<LinkChooser.Option> bestLink(Facts facts, String unit) {
        Lazy<Optional<LinkChooser.Option>> best = facts.get(BEST_LINKS).values().get(unit);
        return best == null ? Optional.empty() : best.get();
    }

    private static PerItem<Lazy<Optional<LinkChooser.Option>>> bestLinks(
            Facts f, @Nullable PerItem<Lazy<Optional<LinkChooser.Option>>> before) {
        Plan plan = f.plan();
        LinkChooser chooser = new LinkChooser(site(f), f.tables());
        LinkAssessor assessor = new LinkAssessor(site(f), f.tables());
        Map<String, Unit> targets = new TreeMap<>(plan.units());
        targets.values().removeIf(u -> !LinkChooser.mayReceive(u));
        List<Object> common = List.of(targets, plan.links(), plan.paths(), surroundings(f));
        Map<String, List<Object>> inputs = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            List<Object> of = new ArrayList<>(List.of(unit, assessor.criticality(id)));
            of.addAll(common);
            inputs.put(id, of);
        });
        return PerItem.renewed(before, inputs, id -> new Lazy<>(() -> chooser.best(id)));
    }

    private static Map<String, List<Object>> rooms(Facts f) {
        Map<String, List<Object>> rooms = new TreeMap<>();
        boolean circles = f.plan().rules().values().stream()
                .anyMatch(r -> r.then().stream().anyMatch(a -> a.around() != null));
        f.plan().devices().forEach((id, d) -> {
            Place place = SiteModel.placeOf(f.plan(), d);
            Room room = place == null || place.room() == null
                    ? null
                    : f.plan().rooms().get(place.room());
            if (place != null && room != null) {
                List<Object> where = new ArrayList<>(List.of(place.room(), room.floor()));
                if (circles) {
                    where.addAll(List.of(place.xM(), place.yM()));
                }
                rooms.put(id, where);
            }
        });
        return rooms;
    }

    /** In which room or at which spot each device is. */
    private static FactKind<Map<String, List<Object>>> whereabouts() {
        return FactKind.of("names", List.of(PlanPart.UNIT_PLACES, DEVICE_ROLES, DEVICE_PLACES), List.of(), f -> {
            Map<String, List<Object>> where = new TreeMap<>();
            f.plan().devices().forEach((id, d) -> {
                Place place = SiteModel.placeOf(f.plan(), d);
                if (place != null) {
                    where.put(id, Arrays.asList(place.room(), place.spot()));
                }
            });
            return where;
        });
    }

    private static PerItem<LinkReport> judged(Facts f, @Nullable PerItem<LinkReport> before) {
        Plan plan = f.plan();
        LinkAssessor assessor = new LinkAssessor(site(f), f.tables());
        List<Object> surroundings = surroundings(f);
        Map<String, List<Object>> inputs = new TreeMap<>();
        plan.links()
                .forEach((id, link) -> inputs.put(
                        id,
                        Arrays.asList(
                                link,
                                plan.units().get(link.from()),
                                plan.units().get(link.to()),
                                assessor.criticality(link.from()),
                                plan.path(link.from(), link.to()).orElse(null),
                                wires(plan, link),
                                surroundings)));
        return PerItem.renewed(
                before, inputs, id -> assessor.report(id, plan.links().get(id)));
    }

    /** What every link is judged by, whatever its ends. */
    private static List<Object> surroundings(Facts f) {
        Plan plan = f.plan();
        return Arrays.asList(
                f.get(GEOMETRY), plan.calibration(), plan.indoorModel(), plan.routes(), plan.region(), plan.place());
    }

    private static Map<String, List<Double>> carrying(Facts f) {
        Map<String, List<Double>> carrying = new HashMap<>();
        f.plan()
                .links()
                .forEach((id, link) ->
                        carrying.put(id, List.of(carries(f, id, link.from(), link), carries(f, id, link.to(), link))));
        return carrying;
    }

    /** How messages travel in each mesh. */
    static List<MeshReport> meshes(Facts f, boolean separate) {
        double wanted = Chance.target(Criticality.ROUTINE);
        Map<Medium, List<MeshReport.Edge>> pairs = new EnumMap<>(Medium.class);
        f.plan().links().forEach((id, link) -> {
            LinkReport report = Objects.requireNonNull(f.get(LINKS).get(id));
            pair(
                    pairs,
                    link,
                    report.marginDb(),
                    Math.min(report.chance(link.from()), report.chance(link.to())),
                    wanted);
        });
        f.get(UNPLANNED).values().values().forEach(p -> pair(pairs, p.link(), p.marginDb(), p.chance(), wanted));
        return Meshes.of(f.plan(), pairs, separate);
    }

    private static void pair(
            Map<Medium, List<MeshReport.Edge>> pairs,
            Link link,
            @Nullable Double marginDb,
            double chance,
            double wanted) {
        if (link.medium().mesh() && marginDb != null && chance >= wanted) {
            boolean first = link.from().compareTo(link.to()) < 0;
            pairs.computeIfAbsent(link.medium(), m -> new ArrayList<>())
                    .add(new MeshReport.Edge(
                            first ? link.from() : link.to(), first ? link.to() : link.from(), marginDb));
        }
    }

    private static double carries(Facts f, String id, String sender, Link link) {
        return Math.min(
                Objects.requireNonNull(f.get(LINKS).get(id)).chance(sender),
                Math.min(window(f.plan(), sender, link.other(sender), link), delivery(f, sender, link)));
    }

    private static double delivery(Facts f, String sender, Link link) {
        return f.get(DELIVERIES).getOrDefault(sender, Map.of()).getOrDefault(link.medium(), 1.0);
    }

    /** The chance that what one end sends meets the other awake, in whole hundredths rounded down. */
    private static double window(Plan plan, String sender, String receiver, Link link) {
        Unit from = Objects.requireNonNull(plan.units().get(sender));
        boolean waits = from.sink();
        double chance =
                ListeningWindow.chance(from, Objects.requireNonNull(plan.units().get(receiver)), link.medium(), waits);
        return chance == 0 ? 0 : Math.max(1, Math.floor(chance * 100 + 1e-9)) / 100;
    }

    private static PerItem<PossibleLink> unplanned(Facts f, @Nullable PerItem<PossibleLink> before) {
        Plan plan = f.plan();
        LinkAssessor assessor = new LinkAssessor(site(f), f.tables());
        List<Object> surroundings = surroundings(f);
        Map<String, Link> links = new HashMap<>();
        Map<String, List<Object>> inputs = new TreeMap<>();
        for (Link link : PossibleLinks.of(plan)) {
            String id = PossibleLinks.name(link);
            links.put(id, link);
            inputs.put(
                    id,
                    Arrays.asList(
                            link,
                            radio(plan, link.from(), link),
                            radio(plan, link.to(), link),
                            plan.path(link.from(), link.to()).orElse(null),
                            wires(plan, link),
                            surroundings));
        }
        return PerItem.renewed(before, inputs, id -> {
            Link link = Objects.requireNonNull(links.get(id));
            LinkReport report = assessor.report(id, link);
            return new PossibleLink(link, report.chance(link.from()), report.marginDb());
        });
    }

    /** Of a unit what a link hangs on. */
    private static List<Object> radio(Plan plan, String unit, Link link) {
        Unit u = Objects.requireNonNull(plan.units().get(unit));
        return Arrays.asList(
                u.place(),
                u.radio(link.medium()).orElse(null),
                link.medium() == Medium.POWER_LINE ? u.power().sources() : null);
    }

    /** Of the mains wires what a link over them hangs on. */
    private static List<Object> wires(Plan plan, Link link) {
        return link.medium() == Medium.POWER_LINE
                ? List.of(plan.circuits(), plan.units().values().stream().anyMatch(u -> u.is(UnitKind.COUPLER)))
                : List.of();
    }

    /** The chances of links by the end that sends, the nearer one first. */
    private record Carried(Map<String, List<Double>> chances, Map<String, Link> links) implements Carrying {
        @Override
        public double chance(String link, String sender) {
            return Objects.requireNonNull(chances.get(link))
                    .get(Objects.requireNonNull(links.get(link)).from().equals(sender) ? 0 : 1);
        }
    }

    private static Outages outages(Facts f, @Nullable Outages before) {
        Carrying carries = new Carried(f.get(CARRYING), f.plan().links());
        Outages made = Outages.after(
                before,
                f.plan(),
                f.parts(),
                new HouseInputs(
                        carries,
                        f.get(POSSIBLE),
                        f.get(STORES),
                        f.get(PHONE_POINTS).orElse(null),
                        f.get(RULE_REACHES)));
        made.now();
        return made;
    }

    private static Optional<Set<String>> phonePoints(Facts f) {
        Set<String> points = new TreeSet<>();
        boolean marked = false;
        for (Map.Entry<String, DemandReport> e : f.get(DEMANDS).entrySet()) {
            if (Objects.requireNonNull(f.plan().demands().get(e.getKey()))
                    .medium()
                    .wifi()) {
                marked = true;
                points.addAll(e.getValue().covers());
            }
        }
        return marked ? Optional.of(points) : Optional.empty();
    }

    private static Map<String, List<Object>> sounders(Plan plan) {
        Map<String, List<Object>> sounders = new TreeMap<>();
        plan.devices().forEach((id, d) -> {
            if (d.kind().family() == DeviceKind.Family.SOUNDER) {
                sounders.put(id, Arrays.asList(d, SiteModel.placeOf(plan, d)));
            }
        });
        return sounders;
    }

    private static PerItem<Wired> assigned(Facts f, @Nullable PerItem<Wired> before) {
        Plan plan = f.plan();
        Map<String, List<Object>> inputs = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (PinAssigner.assigns(unit)) {
                inputs.put(id, new ArrayList<>(List.of(unit.name(), unit.kind(), unit.channels(), unit.boards())));
            }
        });
        plan.devices().forEach((id, d) -> {
            List<Object> of = d.unit() == null ? null : inputs.get(d.unit());
            if (of != null) {
                of.add(id);
                of.add(d);
                if (d.known().supply() != null) {
                    Unit supply =
                            Objects.requireNonNull(plan.units().get(d.known().supply()));
                    of.add(Arrays.asList(supply.name(), supply.boards()));
                }
            }
        });
        return PerItem.renewedTogether(before, inputs, changed -> PinAssigner.of(plan, f.parts(), changed));
    }

    private static Map<String, Object> powerPlaces(Plan plan) {
        Set<String> wired = new HashSet<>();
        plan.units().forEach((id, unit) -> {
            if (unit.power().from() != null) {
                wired.add(id);
                wired.add(unit.power().from());
            }
        });
        Map<String, Object> places = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            Place place = unit.place();
            if (place != null) {
                places.put(id, wired.contains(id) ? place : Arrays.asList(place.room(), place.spot()));
            }
        });
        return places;
    }

    private static Map<String, List<Object>> ground(Facts f) {
        Plan plan = f.plan();
        Map<String, LinkReport> reports = f.get(LINKS);
        Map<String, List<Object>> ground = new TreeMap<>();
        plan.links().forEach((id, link) -> {
            Object path = plan.path(link.from(), link.to()).orElse(null);
            LinkReport report = reports.get(id);
            if (path != null || report != null && !report.indoor()) {
                Unit from = plan.units().get(link.from());
                Unit to = plan.units().get(link.to());
                ground.put(id, Arrays.asList(link, from, to, path, report));
            }
        });
        return ground;
    }
}
