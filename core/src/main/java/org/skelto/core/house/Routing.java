package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Formula.All;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Needs;
import org.skelto.core.house.Formula.Reaches;
import org.skelto.core.house.Hops.Hop;
import org.skelto.core.house.WayRoute.HangsOn;
import org.skelto.core.house.WayRoute.RouteStep;
import org.skelto.core.house.WayRoute.SecondRoute;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Traffic;
import org.skelto.core.work.ComputingBudget;

/** Opens a way: the route that it takes, in order, and what it hangs on alone. */
final class Routing {
    /** Deciding, or passing on by topic: a hub's rules and a broker, 5 to 20 ms, typical. */
    private static final double[] BOX_MS = {12, 20};

    /** A line and a service outside of the house; typical. */
    private static final double[] OUTSIDE_MS = {100, 500};

    private static final Comparator<SecondRoute> BETTER =
            Comparator.comparingDouble(SecondRoute::chance).reversed().thenComparingDouble(SecondRoute::typicalMs);

    private final Plan plan;
    private final Map<String, Component> components;
    private final House house;
    private final Judge judge;
    private final Function<String, Judge> without;

    /**
     * A routing in one outage.
     *
     * @param without judges the same outage with one component more gone
     */
    Routing(Plan plan, Map<String, Component> components, House house, Judge judge, Function<String, Judge> without) {
        this.plan = plan;
        this.components = components;
        this.house = house;
        this.judge = judge;
        this.without = without;
    }

    /** Opens one way of which it is known whether it works. */
    WayRoute open(DeviceState.JobState job, DeviceState.WayState way, Formula formula) {
        List<RouteStep> steps = way.works() ? steps(job.job(), formula) : List.of();
        List<HangsOn> alone = new ArrayList<>();
        if (way.works()) {
            Set<String> proof = new LinkedHashSet<>();
            judge.proof(formula, proof::add);
            for (String component : proof) {
                ComputingBudget.step();
                if (components.containsKey(component)
                        && !without.apply(component).holds(formula)) {
                    alone.add(new HangsOn(component, components.get(component).name()));
                }
            }
        }
        List<String> inputs = new ArrayList<>();
        for (RouteStep step : steps) {
            inputs.add(step.words());
            inputs.add(Text.number(step.typicalMs(), 1) + " to " + Text.number(step.worstMs(), 1) + " ms");
        }
        return WayRouteBuilder.builder()
                .job(job.job())
                .way(way.way())
                .works(way.works())
                .weakPercent(way.weakPercent())
                .brokenBy(way.brokenBy())
                .steps(steps)
                .alone(alone)
                .typicalMs(steps.stream().mapToDouble(RouteStep::typicalMs).sum())
                .worstMs(steps.stream().mapToDouble(RouteStep::worstMs).sum())
                .latency(Figure.of(
                        "Σ over the steps, typical and at worst",
                        "cable 0.5 ms; Wi-Fi 5 to 20, mesh hop 15 to 30, hub and broker 5 to 20 ms: typical; long range and sub-GHz by "
                                + "time on air; a sleeping unit's cycle at worst",
                        false,
                        inputs.toArray(String[]::new)))
                .build();
    }

    /**
     * The best route that is left when some part of the first is out: that of the strongest worst link, of equal ones the
     * quickest; null where nothing that the way does not hang on alone is on its route.
     */
    @Nullable
    SecondRoute second(DeviceState.JobState job, WayRoute first, Formula formula) {
        Set<String> proof = new LinkedHashSet<>();
        if (first.works()) {
            judge.proof(formula, proof::add);
        }
        first.alone().forEach(on -> proof.remove(on.component()));
        List<String> taken = first.steps().stream().map(RouteStep::words).toList();
        SecondRoute best = null;
        for (String id : proof) {
            ComputingBudget.step();
            Component component = components.get(id);
            if (component == null) {
                continue;
            }
            Judge other = without.apply(id);
            List<RouteStep> steps =
                    new Routing(plan, components, other.house(), other, without).steps(job.job(), formula);
            boolean another = !steps.stream().map(RouteStep::words).toList().equals(taken);
            SecondRoute second = new SecondRoute(
                    new HangsOn(id, component.name()),
                    other.strength(formula),
                    steps,
                    steps.stream().mapToDouble(RouteStep::typicalMs).sum(),
                    steps.stream().mapToDouble(RouteStep::worstMs).sum());
            if (another && (best == null || BETTER.compare(second, best) < 0)) {
                best = second;
            }
        }
        return best;
    }

    private List<RouteStep> steps(Job job, Formula formula) {
        boolean tells = WayBuilder.TELLING.contains(job);
        List<Placed> placed = new ArrayList<>();
        Set<Object> told = new HashSet<>();
        if (!tells) {
            answers(formula, told);
        }
        steps(formula, tells, placed, told);
        placed.sort(Comparator.comparingInt(Placed::order));
        List<RouteStep> all = new ArrayList<>();
        while (!placed.isEmpty()) {
            Placed next = placed.stream()
                    .filter(p -> p.order() == placed.get(0).order())
                    .filter(p -> placed.stream().noneMatch(other -> other != p && other.leadsTo(p)))
                    .findFirst()
                    .orElse(placed.get(0));
            placed.remove(next);
            all.addAll(next.steps());
        }
        return List.copyOf(all);
    }

    /** Steps with their place: what comes in from outside, what leads to the hub, what stands there, what leads on, what goes out. */
    private record Placed(int order, List<RouteStep> steps) {
        /** Whether another one goes on where this one ends. */
        boolean leadsTo(Placed other) {
            String end = steps.get(steps.size() - 1).to();
            return order == other.order
                    && end != null
                    && end.equals(other.steps.get(0).from());
        }
    }

    /** Towards what is told, what it answers over the same way is no step of its own. */
    private void answers(Formula formula, Set<Object> told) {
        Set<Reaches> all = new HashSet<>();
        reaches(formula, all);
        all.stream()
                .filter(r -> house.isHub(r.to()) && all.contains(new Reaches(r.to(), r.from())))
                .forEach(told::add);
    }

    private static void reaches(Formula formula, Set<Reaches> all) {
        if (formula instanceof All together) {
            together.parts().forEach(part -> reaches(part, all));
        } else if (formula instanceof Any any) {
            any.parts().forEach(part -> reaches(part, all));
        } else if (formula instanceof Reaches reaches) {
            all.add(reaches);
        }
    }

    private void steps(Formula formula, boolean tells, List<Placed> steps, Set<Object> told) {
        if (formula instanceof All all) {
            all.parts().forEach(part -> steps(part, tells, steps, told));
        } else if (formula instanceof Any any) {
            any.parts().stream()
                    .filter(judge::holds)
                    // of equal ones the first
                    .reduce((one, other) -> judge.strength(other) > judge.strength(one) ? other : one)
                    .ifPresent(part -> steps(part, tells, steps, told));
        } else if (formula instanceof Needs needs) {
            thing(needs.component(), tells, steps, told);
        } else if (formula instanceof Reaches reaches && told.add(reaches)) {
            int order = house.isHub(reaches.from()) ? 3 : inward(reaches) ? 1 : 3;
            List<RouteStep> legs = house.route(reaches.from(), reaches.to(), reaches.direct()).stream()
                    .map(this::step)
                    .toList();
            if (!legs.isEmpty()) {
                steps.add(new Placed(order, legs));
            }
        }
    }

    /** Rules, brokers, lines and services are passed; wires are only leant on. */
    private void thing(String id, boolean tells, List<Placed> steps, Set<Object> told) {
        Component component = components.get(id);
        if (component == null || !told.add(id)) {
            return;
        }
        boolean box = component.kind() == Component.Kind.RULES || component.kind() == Component.Kind.BROKER;
        if (box || component.kind() == Component.Kind.LINE || component.kind() == Component.Kind.SERVICE) {
            double[] ms = box ? BOX_MS : OUTSIDE_MS;
            steps.add(new Placed(
                    box ? 2 : tells ? 4 : 0,
                    List.of(WayRouteRouteStepBuilder.builder()
                            .chance(1)
                            .typicalMs(ms[0])
                            .worstMs(ms[1])
                            .words(component.name())
                            .build())));
        }
    }

    /** Whether a way leads towards what decides: a hub, or a gateway on the way there. */
    private boolean inward(Reaches reaches) {
        Unit to = plan.units().get(reaches.to());
        return house.isHub(reaches.to())
                || to.is(UnitKind.GATEWAY) && !plan.units().get(reaches.from()).is(UnitKind.GATEWAY);
    }

    private RouteStep step(House.Leg leg) {
        Hop hop = leg.hop();
        Unit from = plan.units().get(leg.from());
        Unit to = plan.units().get(leg.to());
        double[] ms = ms(hop.medium(), from);
        return WayRouteRouteStepBuilder.builder()
                .from(leg.from())
                .to(leg.to())
                .link(hop.link())
                .chance(hop.chance())
                .typicalMs(ms[0])
                .worstMs(ms[1] + sleepMs(to))
                .words(from.name() + " to " + to.name() + " over "
                        + (hop.medium() == Medium.ETHERNET ? "cable" : Wording.of(hop.medium()))
                        + (hop.link() == null ? ", found by itself" : ""))
                .build();
    }

    /** Typical and worst of one step, ms; radios whose time on air counts take that, with all their tries at worst. */
    private static double[] ms(Medium medium, Unit sender) {
        if (Traffic.counts(medium)) {
            Radio radio = sender.radio(medium).orElse(null);
            if (radio == null) {
                return new double[] {40, 200};
            }
            Traffic traffic = Traffic.of(sender, radio);
            return new double[] {traffic.airtimeMs(), traffic.airtimeMs() * Math.max(1, traffic.tries())};
        }
        return switch (medium) {
            case ETHERNET -> new double[] {0.5, 0.5};
            case WIFI_2G4, WIFI_5G -> new double[] {12, 20};
            case BLE -> new double[] {30, 100};
            // a frame of some 11 cycles of the mains and its repeat; half a poll period and the cycle of the bus; a
            // burst and its repeat
            case POWER_LINE -> new double[] {400, 800};
            case RS485 -> new double[] {30, 100};
            case INFRARED -> new double[] {70, 140};
            case CONTACT -> new double[] {20, 50};
            default -> new double[] {22, 30};
        };
    }

    /** A unit on cells that listens now and then hears at its next listening. */
    private static double sleepMs(Unit unit) {
        if (!unit.power().onCells() || unit.duty() == null) {
            return 0;
        }
        double listensMs = unit.duty().pulses().stream()
                .filter(p -> p.kind() == Pulse.Kind.LISTEN)
                .mapToDouble(Pulse::durationMs)
                .sum();
        return listensMs >= unit.duty().cycleS() * 1000 ? 0 : unit.duty().cycleS() * 1000;
    }
}
