package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outages;
import org.skelto.core.house.WayRoute;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.quantity.Figure;

/**
 * A place where a rule can run, and what becomes of it there.
 *
 * @param host id of the unit or the outside service
 * @param kind what it is
 * @param runs whether everything that the rule asks and works is in its reach with everything working
 * @param broken what is out of reach, or null
 * @param hangsOn ids of the components without each of which alone it does not run, with their names
 * @param forgetsTime whether it asks for the time of day where there is no clock that goes on without power and network
 * @param typicalMs from the first of its triggers to the first thing that it works
 * @param worstMs likewise, at worst
 * @param latency how that was worked out
 */
@RecordBuilder
public record RuleHost(
        String host,
        String name,
        Kind kind,
        boolean runs,
        @Nullable String broken,
        List<WayRoute.HangsOn> hangsOn,
        boolean forgetsTime,
        double typicalMs,
        double worstMs,
        Figure latency)
        implements RuleHostBuilder.With {
    /** What a rule runs in. */
    public enum Kind {
        /** The controller that all it asks and works is wired to. */
        OWN_CONTROLLER,
        /** A controller that hears the others directly. */
        BOUND,
        PANEL,
        HUB,
        OUTSIDE_SERVICE
    }

    /** The devices that a rule hears, those of its triggers first. */
    public static List<String> heard(Plan plan, Rule rule) {
        Set<String> all = new LinkedHashSet<>();
        rule.when().stream().map(Trigger::device).filter(Objects::nonNull).forEach(all::add);
        Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                .map(Term::device)
                .filter(Objects::nonNull)
                .forEach(all::add);
        all.retainAll(plan.devices().keySet());
        return List.copyOf(all);
    }

    /** The devices that it works. */
    public static List<String> done(Plan plan, Rule rule) {
        Set<String> all = new LinkedHashSet<>();
        rule.then().forEach(a -> all.addAll(RuleTargets.of(plan, a)));
        return List.copyOf(all);
    }

    /** The message services by which it tells people. */
    public static List<String> services(Plan plan, Rule rule) {
        Set<String> all = new TreeSet<>();
        for (Action a : rule.then()) {
            if (a.kind() != Action.Kind.TELL) {
                continue;
            }
            Person person = a.person() == null ? null : plan.state().people().get(a.person());
            if (person != null) {
                all.addAll(person.services());
            } else if (a.service() != null) {
                all.add(a.service());
            }
        }
        all.retainAll(plan.services().keySet());
        return List.copyOf(all);
    }

    /** Whether a rule asks for the time of day or the sun. */
    public static boolean asksTime(Rule rule) {
        return rule.when().stream().anyMatch(t -> t.kind() == Trigger.Kind.CLOCK || t.kind() == Trigger.Kind.SUN)
                || Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                        .anyMatch(t -> t.kind() == Term.Kind.BETWEEN || t.kind() == Term.Kind.DARK);
    }

    /** Whether a rule asks what the whole house knows: its modes, and who is at home. */
    private static boolean asksHouse(Rule rule) {
        return rule.when().stream()
                        .anyMatch(t -> t.kind() == Trigger.Kind.MODE
                                || t.kind() == Trigger.Kind.ARRIVES
                                || t.kind() == Trigger.Kind.LEAVES)
                || Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                        .anyMatch(t -> t.kind() == Term.Kind.MODE || t.kind() == Term.Kind.HOME)
                || rule.then().stream().anyMatch(a -> a.kind() == Action.Kind.MODE);
    }

    /** Why a rule could not run in a place with everything working, in words; null when it could. */
    public static @Nullable String broken(Plan plan, Outages outages, Rule rule, String host) {
        String broken = outages.unhosted(host, heard(plan, rule), done(plan, rule), services(plan, rule));
        Kind kind = kind(plan, rule, host);
        return broken == null && asksHouse(rule) && kind != Kind.HUB && kind != Kind.OUTSIDE_SERVICE
                ? "modes and presence are known to the hub, not to it"
                : broken;
    }

    /** What a place is to a rule. */
    public static Kind kind(Plan plan, Rule rule, String host) {
        Unit unit = plan.units().get(host);
        if (unit == null) {
            return Kind.OUTSIDE_SERVICE;
        }
        if (unit.is(UnitKind.HUB)) {
            return Kind.HUB;
        }
        boolean own = Stream.concat(heard(plan, rule).stream(), done(plan, rule).stream())
                .map(d -> plan.devices().get(d))
                .allMatch(d -> d != null && host.equals(d.unit()));
        return unit.kind() == UnitKind.PANEL ? Kind.PANEL : own ? Kind.OWN_CONTROLLER : Kind.BOUND;
    }

    /** Whether a rule asks for the time of day in a place that does not keep it. */
    public static boolean forgetsTime(Plan plan, Rule rule, String host) {
        Kind kind = kind(plan, rule, host);
        return asksTime(rule) && (kind == Kind.OWN_CONTROLLER || kind == Kind.BOUND);
    }

    /** A place inside the house where a rule runs and knows the time: its own controller before others; null when there is none. */
    public static @Nullable String best(Plan plan, Outages outages, Rule rule) {
        return places(plan, rule).stream()
                .filter(h -> plan.units().containsKey(h) && !forgetsTime(plan, rule, h))
                .filter(h -> broken(plan, outages, rule, h) == null)
                .min(Comparator.comparing(h -> kind(plan, rule, h)))
                .orElse(null);
    }

    /** One place. */
    public static RuleHost of(Plan plan, Outages outages, Rule rule, String host) {
        List<String> heard = heard(plan, rule);
        List<String> done = done(plan, rule);
        List<String> services = services(plan, rule);
        WayRoute all = outages.hosted(host, heard, done, services);
        WayRoute quick = outages.hosted(
                host,
                heard.isEmpty() ? List.of() : heard.subList(0, 1),
                done.isEmpty() ? List.of() : done.subList(0, 1),
                done.isEmpty() ? services : List.of());
        Unit unit = plan.units().get(host);
        Service service = plan.services().get(host);
        String broken = broken(plan, outages, rule, host);
        return RuleHostBuilder.builder()
                .host(host)
                .name(unit != null ? unit.name() : service != null ? service.name() : host)
                .kind(kind(plan, rule, host))
                .runs(broken == null)
                .broken(broken)
                .hangsOn(all.alone())
                .forgetsTime(forgetsTime(plan, rule, host))
                .typicalMs(quick.typicalMs())
                .worstMs(quick.worstMs())
                .latency(quick.latency())
                .build();
    }

    private static Set<String> places(Plan plan, Rule rule) {
        Set<String> hosts = new LinkedHashSet<>();
        Stream.concat(done(plan, rule).stream(), heard(plan, rule).stream())
                .map(d -> plan.devices().get(d))
                .filter(Objects::nonNull)
                .map(Device::unit)
                .filter(Objects::nonNull)
                .filter(u -> plan.units().containsKey(u)
                        && plan.units().get(u).kind().drives())
                .forEach(hosts::add);
        plan.units().forEach((id, u) -> {
            if (u.is(UnitKind.HUB) || u.kind() == UnitKind.PANEL) {
                hosts.add(id);
            }
        });
        if (rule.host() != null
                && (plan.units().containsKey(rule.host()) || plan.services().containsKey(rule.host()))) {
            hosts.add(rule.host());
        }
        return hosts;
    }

    /** All places that come into question, the best first: those that run, that hang on least, that know the time, that are quick. */
    public static List<RuleHost> all(Plan plan, Outages outages, Rule rule) {
        Set<String> hosts = places(plan, rule);
        List<RuleHost> all = new ArrayList<>();
        hosts.forEach(h -> all.add(of(plan, outages, rule, h)));
        all.sort(Comparator.comparing((RuleHost h) -> !h.runs())
                .thenComparing(RuleHost::forgetsTime)
                .thenComparing(h -> h.kind() == Kind.OUTSIDE_SERVICE)
                .thenComparingInt(h -> h.hangsOn().size())
                .thenComparingDouble(RuleHost::typicalMs));
        return all;
    }
}
