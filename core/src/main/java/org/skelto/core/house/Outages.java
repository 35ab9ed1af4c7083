package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.DeviceState.JobState;
import org.skelto.core.house.DeviceState.WayState;
import org.skelto.core.house.JobWays.PlannedWay;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.Chance;
import org.skelto.core.work.ComputingBudget;

/** Judges every device of a plan with a set of components gone. */
public final class Outages {
    private static final int WAYS_OF_A_DEVICE = 4;

    private final Plan plan;
    private final Catalogue parts;
    private final HouseInputs given;
    private final Map<String, List<JobWays>> jobs = new LinkedHashMap<>();
    private final Map<String, Formula> stuck = new HashMap<>();
    private final Hops hops;
    private final Feeds feeds;
    private final Map<String, Component> components;
    private final Map<String, Component> faults;
    private final Map<String, Component> named;
    private final House whole;
    private final House drawn;
    private volatile Map<String, DeviceState> now;
    private volatile ManyOutages many;
    private volatile Map<String, Map<String, Set<Formula>>> leans;

    /** The outages of a plan. */
    public Outages(Plan plan, Catalogue parts, HouseInputs given) {
        this.plan = plan;
        this.parts = parts;
        this.given = given;
        this.hops = new Hops(plan, given.carrying(), given.possible());
        this.feeds = new Feeds(plan, given.stores());
        this.components = Components.of(plan);
        this.faults = Components.faults(plan);
        this.named = new HashMap<>(components);
        named.putAll(faults);
        PowerState all = new PowerState(feeds, Set.of());
        this.whole = new House(plan, all, hops);
        this.drawn = new House(plan, all, new Hops(plan, Carrying.EVERYTHING, given.possible()), true);
        WayBuilder builder = new WayBuilder(plan, parts, given.phonePoints(), given.rules());
        plan.devices().forEach((id, device) -> {
            jobs.put(id, builder.jobs(id, device));
            Formula stops = builder.stuck(id, device);
            if (stops != null) {
                stuck.put(id, stops);
            }
        });
    }

    /** Those of a plan that differs from an earlier one in some of its devices: the house itself is taken over. */
    private Outages(Outages before, Plan plan) {
        this.plan = plan;
        this.parts = before.parts;
        this.given = before.given;
        this.hops = before.hops;
        this.feeds = before.feeds;
        this.whole = before.whole;
        this.drawn = before.drawn;
        this.components = Components.of(plan);
        this.faults = Components.faults(plan);
        this.named = new HashMap<>(components);
        named.putAll(faults);
        Set<String> changed = touched(before.plan, plan, given.rules());
        WayBuilder builder = new WayBuilder(plan, parts, given.phonePoints(), given.rules());
        plan.devices().forEach((id, device) -> {
            boolean again = changed.contains(id);
            jobs.put(id, again ? builder.jobs(id, device) : before.jobs.get(id));
            Formula stops = again ? builder.stuck(id, device) : before.stuck.get(id);
            if (stops != null) {
                stuck.put(id, stops);
            }
        });
        Map<String, DeviceState> states = new TreeMap<>(before.now());
        states.putAll(states(new Judge(plan, named, whole, whole, drawn), changed));
        this.now = Collections.unmodifiableMap(states);
    }

    /** Devices that differ, those that they work or are worked by, by a button or a rule. */
    private static Set<String> touched(Plan before, Plan after, List<RuleReach> rules) {
        Set<String> changed = new HashSet<>();
        after.devices().forEach((id, d) -> {
            if (!d.equals(before.devices().get(id))) {
                changed.add(id);
            }
        });
        Set<String> touched = new HashSet<>(changed);
        rules.stream()
                .filter(r -> !Collections.disjoint(r.triggers(), changed) || !Collections.disjoint(r.asked(), changed))
                .forEach(r -> touched.addAll(r.worked()));
        for (Plan plan : List.of(before, after)) {
            plan.devices().forEach((id, d) -> {
                if (changed.contains(id)) {
                    touched.addAll(d.wallControls());
                } else if (!Collections.disjoint(d.wallControls(), changed)) {
                    touched.add(id);
                }
            });
        }
        return touched;
    }

    /** The outages of a plan; of those of an earlier one is taken over what is the same. */
    public static Outages after(@Nullable Outages before, Plan plan, Catalogue parts, HouseInputs given) {
        return before != null && before.sameHouse(plan, parts, given)
                ? new Outages(before, plan)
                : new Outages(plan, parts, given);
    }

    /** As they would be if hubs served other units; links, places and power are as they are. */
    public Outages served(Map<String, String> hubs) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.replaceAll((id, unit) -> hubs.containsKey(id) ? unit.withHub(hubs.get(id)) : unit);
        return new Outages(plan.withUnits(units), parts, given);
    }

    private boolean sameHouse(Plan other, Catalogue otherParts, HouseInputs otherGiven) {
        return parts == otherParts
                && plan.units().equals(other.units())
                && plan.links().equals(other.links())
                && plan.circuits().equals(other.circuits())
                && plan.network().equals(other.network())
                && plan.services().equals(other.services())
                && plan.devices().keySet().equals(other.devices().keySet())
                && given.equals(otherGiven);
    }

    Plan plan() {
        return plan;
    }

    /** Whether stores may run down when a component goes. */
    public boolean drains(String component) {
        return feeds.feeds(Component.today(component));
    }

    /** Components by their names, joined. */
    public String names(Collection<String> ids) {
        return ids.stream()
                .sorted()
                .map(id -> components.containsKey(id) ? components.get(id).name() : id)
                .distinct()
                .collect(Collectors.joining(" + "));
    }

    /** Right after which hours of an outage something runs out, within it, the first ones of very many. */
    public List<Double> turns(Outage outage) {
        PowerState power = power(outage);
        Set<Double> at = new TreeSet<>(power.darkFrom().values());
        at.addAll(power.leaseEnds().values());
        return at.stream()
                .map(Math::nextUp)
                .filter(h -> h < outage.horizonH())
                .limit(Moments.MOST)
                .toList();
    }

    /** Whether something that closes is known to stand open. */
    public boolean standsOpen(String device, Outage outage) {
        Judge judge = judge(outage);
        return jobs.get(device).stream().anyMatch(j -> switch (j.job()) {
            case KEEP_OUT, CLOSE -> j.gone() != null && judge.holds(j.gone());
            case LET_OUT, LET_IN, OPEN -> j.rest() != null && judge.holds(j.rest());
            default -> false;
        });
    }

    /**
     * How sure the design is that the links hold on the best way of a job, 0 to 1: the worst link of the way of which that is best;
     * null where no way works.
     */
    public @Nullable Double confidence(String device, Job job) {
        return why(device, Outage.of(Set.of()), false).stream()
                .filter(route -> route.job() == job && route.works())
                .map(route -> route.steps().stream()
                        .mapToDouble(WayRoute.RouteStep::chance)
                        .min()
                        .orElse(1))
                .max(Comparator.naturalOrder())
                .orElse(null);
    }

    /** All that the ways of a job name by themselves. */
    Set<String> leaves(String device) {
        Named names = new Named(plan);
        Set<String> all = new HashSet<>();
        jobs.get(device).forEach(job -> job.ways().forEach(way -> names.leaves(way.formula(), all::add)));
        return all;
    }

    /** Whether a component fails now and then; of a link of radios is asked whether its design is right. */
    boolean fallible(Component component) {
        return component.kind() != Component.Kind.LINK
                || plan.links()
                        .get(component.id().substring("link:".length()))
                        .medium()
                        .cable();
    }

    /** Units with a backup that is charged; cells that are the only source are no backup. */
    List<String> backups() {
        return feeds.stores().entrySet().stream()
                .filter(e ->
                        plan.units().get(e.getKey()).power().sources().stream().anyMatch(s -> s.steady()))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The same house, to be worked out for many outages at once. */
    public ManyOutages many() {
        ManyOutages known = many;
        if (known == null) {
            List<String> ids = new ArrayList<>(components.keySet());
            ids.addAll(faults.keySet());
            known = new ManyOutages(this, new OutageProgram(plan, hops, feeds, ids, jobs, stuck, this::actsAlone));
            many = known;
        }
        return known;
    }

    /** All components that could be supposed gone. */
    public Map<String, Component> components() {
        return components;
    }

    /** Boards that could hang and contacts that could weld, by id; they concern one unit or device alone. */
    public Map<String, Component> faults() {
        return faults;
    }

    /** The jobs of a device with their ways. */
    public List<JobWays> jobs(String device) {
        return jobs.get(device);
    }

    /** The state of each device with everything working. */
    public Map<String, DeviceState> now() {
        Map<String, DeviceState> known = now;
        if (known == null) {
            known = Collections.unmodifiableMap(without(Set.of(), jobs.keySet()));
            now = known;
        }
        return known;
    }

    /** The state of each device without these components. */
    public Map<String, DeviceState> without(Set<String> failed) {
        return failed.isEmpty() ? now() : without(failed, jobs.keySet());
    }

    /** The state of each device at a moment of an outage. */
    public Map<String, DeviceState> at(Outage outage) {
        return outage.without().isEmpty() && outage.atH() == 0 ? now() : states(judge(outage), jobs.keySet());
    }

    /** The states of some devices without these components. */
    public Map<String, DeviceState> without(Set<String> failed, Collection<String> devices) {
        return states(judge(Outage.of(failed)), devices);
    }

    /** The states with components gone and stores run out, whenever that was. */
    Map<String, DeviceState> ran(Set<String> gone, Set<String> empty, Set<String> addressless) {
        PowerState power = new PowerState(feeds, gone, empty, addressless);
        return states(new Judge(plan, named, new House(plan, power, hops), whole, drawn), jobs.keySet());
    }

    private Map<String, DeviceState> states(Judge judge, Collection<String> devices) {
        Map<String, DeviceState> states = new TreeMap<>();
        devices.forEach(id -> states.put(id, device(id, plan.devices().get(id), jobs.get(id), judge)));
        return states;
    }

    /** What keeps each unit from its work at a moment of an outage; units without trouble are left out. */
    public Map<String, UnitTrouble> units(Outage outage) {
        Judge judge = judge(outage);
        Map<String, UnitTrouble> troubles = new TreeMap<>();
        plan.units().keySet().forEach(id -> {
            String trouble = judge.trouble(id);
            if (trouble != null) {
                troubles.put(id, new UnitTrouble(!judge.up(id), trouble));
            }
        });
        return troubles;
    }

    /**
     * A unit that cannot do its work.
     *
     * @param dark whether it is out or without power, rather than cut off from its hub
     * @param why the first thing that breaks it
     */
    public record UnitTrouble(boolean dark, String why) {}

    /** The units on a way from one unit to another with everything working, both included; none when there is no way. */
    public List<String> way(String from, String to) {
        return whole.way(from, to);
    }

    /** The planned ways of a device, opened, at a moment of an outage; each with its second-best route beside it. */
    public List<WayRoute> why(String device, Outage outage) {
        return why(device, outage, true);
    }

    private List<WayRoute> why(String device, Outage outage, boolean second) {
        House house = new House(plan, power(outage), hops);
        Judge judge = new Judge(plan, named, house, whole, drawn);
        Map<String, Judge> others = new HashMap<>();
        Routing routing = new Routing(
                plan,
                components,
                house,
                judge,
                gone -> others.computeIfAbsent(gone, c -> {
                    Set<String> more = new HashSet<>(outage.without());
                    more.add(c);
                    return judge(outage.without(more));
                }));
        Map<String, DeviceState> states = states(judge, List.of(device));
        List<WayRoute> routes = new ArrayList<>();
        List<JobState> jobStates = states.get(device).jobs();
        for (int j = 0; j < jobStates.size(); j++) {
            List<PlannedWay> planned = jobs.get(device).get(j).ways();
            for (int w = 0; w < planned.size(); w++) {
                Formula formula = planned.get(w).formula();
                WayRoute first =
                        routing.open(jobStates.get(j), jobStates.get(j).ways().get(w), formula);
                routes.add(second ? first.withSecond(routing.second(jobStates.get(j), first, formula)) : first);
            }
        }
        return routes;
    }

    /**
     * Why a rule could not run in a unit or an outside service with everything working, in words; null when it could.
     *
     * @param heard ids of devices that it hears
     * @param done ids of devices that it works
     * @param services ids of message services that it tells people by
     */
    public @Nullable String unhosted(
            String host, Collection<String> heard, Collection<String> done, Collection<String> services) {
        Judge judge = judge(Set.of());
        Formula formula =
                new WayBuilder(plan, parts, given.phonePoints(), List.of()).hosted(host, heard, done, services);
        return judge.holds(formula) ? null : judge.broken(formula);
    }

    /**
     * A rule in a unit, or in an outside service, as a way that is opened: whether it runs with everything working, what it
     * hangs on alone, and how long it takes.
     *
     * @param heard ids of devices that it hears
     * @param done ids of devices that it works
     * @param services ids of message services that it tells people by
     */
    public WayRoute hosted(
            String host, Collection<String> heard, Collection<String> done, Collection<String> services) {
        Judge judge = judge(Set.of());
        Formula formula =
                new WayBuilder(plan, parts, given.phonePoints(), given.rules()).hosted(host, heard, done, services);
        boolean works = judge.holds(formula);
        Routing routing = new Routing(plan, components, whole, judge, gone -> alone(gone, heard.size() + done.size()));
        JobState any = new JobState(Job.OPERATE, works ? State.HOLDS : State.LOST, "", false, List.of());
        return routing.open(any, new WayState("rule", works, null, works ? null : judge.broken(formula)), formula);
    }

    /** What each control scheme alone would make of a device. */
    public List<SchemeChoice> schemes(String device) {
        Map<Set<String>, Judge> judges = new HashMap<>();
        House house = new House(plan, power(Outage.of(Set.of())), hops);
        Judge judge = new Judge(plan, named, house, whole, drawn);
        Routing routing = new Routing(plan, components, house, judge, gone -> judge);
        JobState any = new JobState(Job.OPERATE, State.HOLDS, "", false, List.of());
        return new Schemes(
                        plan,
                        parts,
                        given.phonePoints(),
                        components,
                        gone -> gone.isEmpty() ? judge : judges.computeIfAbsent(gone, this::judge))
                .of(device, way -> routing.open(any, new WayState(way.name(), true, null, null), way.formula()));
    }

    /** The legs of the best route between two units with everything working; none when there is no route. */
    public List<RouteLeg> route(String from, String to) {
        return whole.route(from, to, false).stream()
                .map(l -> new RouteLeg(
                        l.from(),
                        l.to(),
                        l.hop().link(),
                        l.hop().medium(),
                        l.hop().chance()))
                .toList();
    }

    /** Why nothing gets from one unit to another with everything working, in words. */
    public String cut(String from, String to) {
        return judge(Set.of()).broken(new Formula.Reaches(from, to));
    }

    /**
     * A leg of a route.
     *
     * @param link id of the planned link, or null for one that radios make by themselves
     */
    public record RouteLeg(String from, String to, @Nullable String link, Medium medium, double chance) {}

    private Judge judge(Set<String> failed) {
        return judge(Outage.of(failed));
    }

    /** A judge of the house without one component, of which so many devices feel something. */
    private Judge alone(String component, int devices) {
        return new Judge(plan, named, whole.without(component), whole, drawn, devices);
    }

    private Judge judge(Outage outage) {
        if (outage.without().isEmpty() && outage.horizonH() == 0) {
            return new Judge(plan, named, whole, whole, drawn);
        }
        return new Judge(plan, named, new House(plan, power(outage), hops), whole, drawn);
    }

    PowerState power(Outage outage) {
        Set<String> gone = outage.without().stream().map(Component::today).collect(Collectors.toSet());
        return new PowerState(feeds, gone, outage.atH(), outage.horizonH());
    }

    /** What changes while an outage lasts because backups and cells run out, in the order of time. */
    public List<Moment> moments(Outage outage) {
        return outage.lastsH() == null ? List.of() : new Moments(plan, this).of(outage);
    }

    /**
     * Whether a device acts with nothing but itself and its own cells or rated standby: it is a unit of its own, planned to act
     * alone, and what it senses with needs no circuit besides.
     */
    public boolean actsAlone(Device device) {
        Unit unit = device.unit() == null ? null : plan.units().get(device.unit());
        return unit != null
                && unit.kind().alone()
                && keepsItself(device.unit())
                && (device.circuit() == null || device.kind().family() == DeviceKind.Family.SENSOR)
                && device.ways().contains(Way.ALONE);
    }

    /** Whether a unit has cells, or a backup that is charged. */
    public boolean keepsItself(String unit) {
        return feeds.stores().containsKey(unit);
    }

    private DeviceState device(String id, Device device, List<JobWays> jobs, Judge judge) {
        ComputingBudget.step();
        List<JobState> states =
                jobs.stream().map(job -> job(device, stuck.get(id), job, judge)).toList();
        if (device.criticality() == Criticality.VITAL && !(actsAlone(device) && judge.up(device.unit()))) {
            return new DeviceState(State.UNSAFE, vitalJob(states), vitalSentence(device, judge), states);
        }
        return states.stream()
                .max(Comparator.comparing(JobState::state))
                .map(worst -> new DeviceState(worst.state(), worst.job(), worst.sentence(), states))
                .orElseGet(() -> new DeviceState(State.HOLDS, null, "nothing is asked of it yet", List.of()));
    }

    private static Job vitalJob(List<JobState> states) {
        return states.stream()
                .max(Comparator.comparing(JobState::state))
                .map(JobState::job)
                .orElse(null);
    }

    private String vitalSentence(Device device, Judge judge) {
        if (actsAlone(device)) {
            return "it guards life and is gone: " + judge.trouble(device.unit());
        }
        return "it guards life and needs more than itself and its own battery";
    }

    private static JobState job(Device device, Formula stuck, JobWays job, Judge judge) {
        List<WayState> ways = new ArrayList<>();
        PlannedWay working = null;
        int works = 0;
        boolean automatic = false;
        String weak = null;
        String broken = null;
        double target = Chance.target(device.criticality());
        for (PlannedWay way : job.ways()) {
            double strength = judge.strength(way.formula());
            boolean holds = strength > 0;
            String reason = holds ? null : judge.broken(way.formula());
            Integer percent = holds && strength < target ? (int) Math.floor(strength * 100 + 1e-9) : null;
            ways.add(new WayState(way.name(), holds, percent, reason));
            if (percent != null && weak == null) {
                weak = way.name() + " works over a weak link, " + percent + " %";
            }
            if (holds) {
                works++;
                working = working == null || working.atHand() ? way : working;
                automatic |= !way.atHand();
            } else if (broken == null) {
                broken = way.name() + ": " + reason;
            }
        }
        boolean rests = job.rest() != null && judge.holds(job.rest());
        State state = state(job.ways().size(), works, automatic, rests, weak != null);
        String sentence = broken == null && weak != null ? weak : sentence(state, works, rests, working, broken);
        String danger = danger(device, stuck, job, state, judge);
        return danger == null
                ? new JobState(job.job(), state, sentence, rests, ways)
                : new JobState(job.job(), State.UNSAFE, broken == null ? danger : danger + "; " + broken, rests, ways);
    }

    /** The first that fits, from the best down. */
    private static State state(int planned, int works, boolean automatic, boolean rests, boolean weak) {
        if (!weak && (planned > 0 && works == planned || planned == 0 && rests)) {
            return State.HOLDS;
        }
        return automatic || rests ? State.REDUCED : works > 0 ? State.BY_HAND : State.LOST;
    }

    private static String sentence(State state, int works, boolean rests, PlannedWay working, String broken) {
        if (state == State.HOLDS) {
            return works == 0
                    ? "given by the position that it rests in"
                    : works == 1
                            ? working.name() + " works"
                            : works == 2 ? "both ways work" : "all " + works + " ways work";
        }
        if (working != null && (state == State.BY_HAND || !working.atHand())) {
            return working.name() + " still works; " + broken;
        }
        return rests
                ? "given by its rest state; " + broken
                : broken == null ? "nothing that gives it is planned" : broken;
    }

    /** Why this job's state endangers, or null. */
    private static String danger(Device device, Formula stuck, JobWays job, State state, Judge judge) {
        if (job.job() == Job.LET_OUT && state == State.LOST && device.exitRoute()) {
            return "people cannot get out here";
        }
        if (job.job() == Job.KEEP_OUT
                && device.outsideDoor()
                && device.guards()
                && job.gone() != null
                && judge.holds(job.gone())) {
            return "the outside door stands open";
        }
        return stuck != null && judge.holds(stuck) ? "it can stop in mid-travel and has no release" : null;
    }

    /**
     * The components that two or more devices depend on, with how many feel it when that component alone fails. A
     * component that only stands in for another counts when two or more devices name it.
     */
    public Map<Component, Integer> shared() {
        Map<String, Integer> byName = new HashMap<>();
        Named names = new Named(plan);
        jobs.values().forEach(list -> {
            Set<String> all = new HashSet<>();
            list.forEach(job -> job.ways().forEach(way -> names.leaves(way.formula(), all::add)));
            all.forEach(component -> byName.merge(component, 1, Integer::sum));
        });
        Map<String, Map<String, Set<Formula>>> leaning = leaning();
        Map<Component, Integer> shared = new LinkedHashMap<>();
        components.forEach((id, component) -> {
            Map<String, Set<Formula>> ways = leaning.get(id);
            boolean often = byName.getOrDefault(id, 0) >= 2;
            // what one device alone leans on need not be tried
            int felt = ways == null || ways.size() < 2 && !often ? 0 : felt(alone(id, ways.size()), ways);
            if (felt >= 2 || often) {
                shared.put(component, felt);
            }
        });
        return shared;
    }

    /**
     * The devices that may feel it when a component fails alone: those of whose ways one leans on it, and none else loses one. Where
     * a device rests is not asked.
     */
    public Set<String> leaningOn(String component) {
        return leaning().getOrDefault(component, Map.of()).keySet();
    }

    private static int felt(Judge without, Map<String, Set<Formula>> leaning) {
        int felt = 0;
        for (Set<Formula> ways : leaning.values()) {
            for (Formula way : ways) {
                if (!without.holds(way)) {
                    felt++;
                    break;
                }
            }
        }
        return felt;
    }

    /**
     * For each component the ways, by device, whose proof it is part of. Nothing else can be lost when it fails alone,
     * since ways never get better and a proof without it goes on holding.
     */
    private Map<String, Map<String, Set<Formula>>> leaning() {
        Map<String, Map<String, Set<Formula>>> known = leans;
        if (known == null) {
            known = leaned();
            leans = known;
        }
        return known;
    }

    private Map<String, Map<String, Set<Formula>>> leaned() {
        Judge now = judge(Set.of());
        Map<String, Map<String, Set<Formula>>> leaning = new HashMap<>();
        jobs.forEach((device, list) -> list.stream()
                .flatMap(job -> job.ways().stream())
                .map(PlannedWay::formula)
                .filter(now::holds)
                .forEach(way -> {
                    Set<String> proof = new HashSet<>();
                    now.proof(way, proof::add);
                    proof.forEach(component -> leaning.computeIfAbsent(component, k -> new HashMap<>())
                            .computeIfAbsent(
                                    device, k -> Collections.newSetFromMap(new IdentityHashMap<>(WAYS_OF_A_DEVICE)))
                            .add(way));
                }));
        return leaning;
    }
}
