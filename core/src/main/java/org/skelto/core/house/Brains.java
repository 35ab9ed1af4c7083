package org.skelto.core.house;

import static org.skelto.core.house.Formula.all;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Needs;
import org.skelto.core.house.Formula.Never;
import org.skelto.core.house.Formula.Reaches;
import org.skelto.core.house.Formula.Up;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.radio.Medium;

/**
 * What commands and reports need besides the way to the hub: the hub's box, a broker, its rules, phones, lines and services.
 * What many devices need is built once, so that it is judged once under each outage.
 */
final class Brains {
    private final Plan plan;
    private final List<String> brokers;
    private final @Nullable Set<String> phonePoints;
    private final Map<String, Formula> built = new HashMap<>();

    Brains(Plan plan, @Nullable Set<String> phonePoints) {
        this.plan = plan;
        this.phonePoints = phonePoints;
        this.brokers = plan.units().entrySet().stream()
                .filter(e -> e.getValue().broker())
                .map(Map.Entry::getKey)
                .toList();
    }

    private Formula once(String key, java.util.function.Supplier<Formula> make) {
        Formula known = built.get(key);
        if (known == null) {
            known = make.get();
            built.put(key, known);
        }
        return known;
    }

    /** The hub's box, and a broker that both it and the unit reach, once the plan has one. */
    Formula box(String hub, String unit) {
        Unit u = plan.units().get(unit);
        boolean asked = u.talks() == Talks.REQUEST || brokers.isEmpty() || unit.equals(hub);
        if (asked) {
            return once("box " + hub, () -> new Up(hub));
        }
        return once(
                "box " + hub + " " + (onNetwork(u) ? unit : "gateways"), () -> all(new Up(hub), broker(hub, u, unit)));
    }

    /** Whether a unit is on the house network itself: by cable or Wi-Fi rather than behind a gateway. */
    private boolean onNetwork(Unit unit) {
        return unit.media().stream().anyMatch(Medium::wifi)
                || plan.links().values().stream()
                        .anyMatch(l -> l.medium() == Medium.ETHERNET
                                && (plan.units().get(l.from()) == unit
                                        || plan.units().get(l.to()) == unit));
    }

    private Formula broker(String hub, Unit u, String unit) {
        List<Formula> any = new ArrayList<>();
        for (String broker : brokers) {
            List<Formula> parts = new ArrayList<>(List.of(new Needs(Component.broker(broker)), new Up(broker)));
            if (!broker.equals(hub)) {
                parts.add(new Reaches(broker, hub));
                parts.add(new Reaches(hub, broker));
            }
            if (onNetwork(u) && !broker.equals(unit)) {
                parts.add(new Reaches(unit, broker));
            }
            any.add(new Formula.All(parts));
        }
        return any.size() == 1 ? any.get(0) : new Any(any);
    }

    /** The rules of a hub. */
    Formula rules(String hub) {
        return hub == null
                ? new Never("no hub serves it")
                : once("rules " + hub, () -> new Needs(Component.rules(hub)));
    }

    /** A phone where it must work from reaches the hub through an access point, or a router with Wi-Fi, that covers such a place. */
    Formula nearby(String hub) {
        return once("nearby " + hub, () -> {
            List<Formula> points = new ArrayList<>();
            plan.units().forEach((id, unit) -> {
                boolean serves = unit.is(UnitKind.ACCESS_POINT)
                        || unit.is(UnitKind.ROUTER) && unit.media().stream().anyMatch(Medium::wifi);
                if (serves && hub != null && (phonePoints == null || phonePoints.contains(id))) {
                    points.add(new Reaches(id, hub));
                }
            });
            return !points.isEmpty()
                    ? new Any(points)
                    : new Never(
                            phonePoints == null
                                    ? "no access point is in the plan"
                                    : "no access point covers a place to work from");
        });
    }

    /** From away: a line, and a service or a tunnel of the house's own. */
    Formula away(String hub) {
        return once("away " + hub, () -> {
            List<Formula> ends =
                    new ArrayList<>(serviceNeeds(ServiceKind.REMOTE_ACCESS).values());
            plan.units().forEach((id, unit) -> {
                if (unit.endsTunnel() && hub != null) {
                    ends.add(id.equals(hub) ? new Up(id) : all(new Reaches(id, hub), new Reaches(hub, id)));
                }
            });
            return ends.isEmpty()
                    ? new Never("no service for it is in the plan")
                    : all(lines(hub), ends.size() == 1 ? ends.get(0) : new Any(ends));
        });
    }

    /** A service of a kind, over a line. */
    Formula service(String hub, ServiceKind kind) {
        Map<String, Formula> all = services(hub, kind);
        return all.isEmpty()
                ? new Never("no service for it is in the plan")
                : once("service " + hub + kind, () -> new Any(List.copyOf(all.values())));
    }

    /** Every service of a kind, over a line, by name. */
    Map<String, Formula> services(String hub, ServiceKind kind) {
        Map<String, Formula> over = new LinkedHashMap<>();
        serviceNeeds(kind)
                .forEach((name, need) ->
                        over.put(name, once("over " + hub + " " + kind + " " + name, () -> all(lines(hub), need))));
        return over;
    }

    private Map<String, Formula> serviceNeeds(ServiceKind kind) {
        Map<String, Formula> needs = new LinkedHashMap<>();
        plan.services().forEach((id, service) -> {
            if (service.kind() == kind) {
                needs.put(
                        needs.containsKey(service.name()) ? service.name() + " (" + id + ")" : service.name(),
                        new Needs(Component.service(id)));
            }
        });
        return needs;
    }

    /** A line to the internet: the first, or any where the next takes over. */
    private Formula lines(String hub) {
        return once("lines " + hub, () -> {
            List<String> entries = new ArrayList<>(plan.network().lines());
            plan.units().forEach((id, unit) -> {
                if (unit.internetEntry() && !entries.contains(id)) {
                    entries.add(id);
                }
            });
            entries.removeIf(id -> !plan.units().get(id).internetEntry());
            if (entries.isEmpty() || hub == null) {
                return new Never("the internet entry is not in the plan");
            }
            List<String> used = Boolean.TRUE.equals(plan.network().failover()) ? entries : entries.subList(0, 1);
            List<Formula> any = used.stream()
                    .map(id -> all(new Needs(Component.line(id)), id.equals(hub) ? new Up(id) : new Reaches(hub, id)))
                    .map(f -> (Formula) f)
                    .toList();
            return all(new Needs(Component.INTERNET), any.size() == 1 ? any.get(0) : new Any(any));
        });
    }
}
