package org.skelto.core.house;

import static org.skelto.core.house.Formula.all;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
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
    private final List<String> gateways;
    private final List<String> panels;
    private final Map<String, Formula> built = new HashMap<>();
    private final Map<String, Boolean> networked = new HashMap<>();

    Brains(Plan plan, @Nullable Set<String> phonePoints) {
        this.plan = plan;
        this.phonePoints = phonePoints;
        this.brokers = those(Unit::broker);
        this.gateways = those(u -> u.is(UnitKind.GATEWAY));
        this.panels = those(u -> u.is(UnitKind.PANEL));
    }

    /** Ids of units of which something is true. */
    private List<String> those(Predicate<Unit> test) {
        return plan.units().entrySet().stream()
                .filter(e -> test.test(e.getValue()))
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

    /**
     * Messages get from a hub to a unit, or from it to the hub, with the box and the broker that they need: a unit on the house
     * network reaches a broker itself; for one behind gateways the gateway does; one that the hub's own radio reaches needs none.
     */
    Formula between(String hub, String unit, boolean command) {
        Unit u = plan.units().get(unit);
        Formula box = once("box " + hub, () -> new Up(hub));
        if (u.talks() == Talks.REQUEST || brokers.isEmpty() || unit.equals(hub)) {
            return all(box, way(hub, unit, command, false));
        }
        if (onNetwork(unit)) {
            return all(box, broker(hub, unit), way(hub, unit, command, false));
        }
        List<Formula> any = new ArrayList<>();
        List<Formula> others = new ArrayList<>();
        for (String gateway : gateways) {
            Formula over = command
                    ? all(broker(hub, gateway), new Reaches(hub, gateway), new Reaches(gateway, unit))
                    : all(broker(hub, gateway), new Reaches(unit, gateway), new Reaches(gateway, hub));
            (linked(unit, gateway) ? any : others).add(over);
        }
        any.add(linked(unit, hub) ? 0 : any.size(), way(hub, unit, command, true));
        any.addAll(others);
        return all(box, any.size() == 1 ? any.get(0) : new Any(any));
    }

    private static Formula way(String hub, String unit, boolean command, boolean direct) {
        return command ? new Reaches(hub, unit, direct) : new Reaches(unit, hub, direct);
    }

    private boolean linked(String unit, String other) {
        return plan.links().values().stream()
                .anyMatch(l -> l.from().equals(unit) && l.to().equals(other)
                        || l.from().equals(other) && l.to().equals(unit));
    }

    /** Whether a unit is on the house network itself: by cable or Wi-Fi rather than behind a gateway. */
    private boolean onNetwork(String id) {
        return networked.computeIfAbsent(
                id,
                k -> plan.units().get(k).media().stream().anyMatch(Medium::wifi)
                        || plan.links().values().stream()
                                .anyMatch(l -> l.medium() == Medium.ETHERNET
                                        && (l.from().equals(k) || l.to().equals(k))));
    }

    /** A broker that a hub and a unit reach. */
    private Formula broker(String hub, String unit) {
        if (plan.units().get(unit).talks() == Talks.REQUEST) {
            return Formula.ALWAYS;
        }
        return once("broker " + hub + " " + unit, () -> {
            List<Formula> any = new ArrayList<>();
            for (String broker : brokers) {
                List<Formula> parts = new ArrayList<>(List.of(new Needs(Component.broker(broker)), new Up(broker)));
                if (!broker.equals(hub)) {
                    parts.add(new Reaches(broker, hub));
                    parts.add(new Reaches(hub, broker));
                }
                if (!broker.equals(unit)) {
                    parts.add(new Reaches(unit, broker));
                }
                any.add(new Formula.All(parts));
            }
            return any.size() == 1 ? any.get(0) : new Any(any);
        });
    }

    /** The rules of a hub. */
    Formula rules(String hub) {
        return hub == null
                ? new Never("no hub serves it")
                : once("rules " + hub, () -> new Needs(Component.rules(hub)));
    }

    /** A phone where it must work from, or a wall tablet, reaches a unit. */
    Formula nearby(String unit) {
        return once("nearby " + unit, () -> {
            List<Formula> points = new ArrayList<>();
            screens().forEach(id -> {
                if (unit != null) {
                    points.add(new Reaches(id, unit));
                }
            });
            return !points.isEmpty() ? new Any(points) : new Never(NO_POINT);
        });
    }

    private static final String NO_POINT = "no access point covers a place to work from";

    /** Where a home app comes from: the access points, or routers with Wi-Fi, that cover a place to work from, and wall tablets. */
    private List<String> screens() {
        return those(u -> true).stream()
                .filter(id -> {
                    Unit unit = plan.units().get(id);
                    boolean serves = unit.is(UnitKind.ACCESS_POINT)
                            || unit.is(UnitKind.ROUTER) && unit.media().stream().anyMatch(Medium::wifi);
                    return unit.is(UnitKind.WALL_TABLET) || serves && (phonePoints == null || phonePoints.contains(id));
                })
                .toList();
    }

    /** Somebody in the house can speak to it: an assistant that gets to its service, or where none is planned a phone. */
    Formula spoken(String hub) {
        Formula service = service(hub, ServiceKind.SPOKEN);
        List<String> assistants = those(u -> u.is(UnitKind.ASSISTANT));
        if (assistants.isEmpty() || hub == null) {
            return all(nearby(hub), service);
        }
        return all(
                once(
                        "assistants",
                        () -> new Any(assistants.stream()
                                .map(a -> service(a, ServiceKind.SPOKEN))
                                .toList())),
                service);
    }

    /** A panel that a unit is, or gets through to, or that gets through to it. */
    Formula panel(String unit, boolean command) {
        List<Formula> any = new ArrayList<>();
        for (String panel : panels) {
            any.add(panel.equals(unit) ? new Up(unit) : all(new Up(panel), way(panel, unit, command, false)));
        }
        return any.isEmpty() ? new Never("no panel is in the plan") : new Any(any);
    }

    /** A message to a person, sent by a panel that a unit gets through to. */
    Map<String, Formula> panelMessages(String unit) {
        Map<String, List<Formula>> any = new LinkedHashMap<>();
        for (String panel : panels) {
            Formula way = panel.equals(unit) ? new Up(unit) : all(new Up(panel), new Reaches(unit, panel));
            services(panel, ServiceKind.PUSH)
                    .forEach((name, f) ->
                            any.computeIfAbsent(name, k -> new ArrayList<>()).add(all(way, f)));
        }
        Map<String, Formula> each = new LinkedHashMap<>();
        any.forEach((name, list) -> each.put(name, new Any(list)));
        return each;
    }

    /** A phone in the house that comes over the service to which the board speaks. */
    Formula nearbyOverService(String unit) {
        return all(service(unit, ServiceKind.REMOTE_ACCESS), once("screens out", () -> {
            List<Formula> any = screens().stream().map(this::lines).toList();
            return any.isEmpty() ? new Never(NO_POINT) : new Any(any);
        }));
    }

    /** From away, asking a board itself through a tunnel of the house's own. */
    Formula awayDirect(String unit) {
        List<Formula> any = those(Unit::endsTunnel).stream()
                .map(t -> all(lines(t), t.equals(unit) ? new Up(t) : new Reaches(t, unit)))
                .map(f -> (Formula) f)
                .toList();
        return any.isEmpty() ? new Never("no tunnel of its own leads into the house") : new Any(any);
    }

    /** What keeps what cameras see. */
    @Nullable
    Formula recorder(String unit) {
        List<Formula> any = those(u -> u.is(UnitKind.RECORDER)).stream()
                .map(r -> all(new Up(r), new Reaches(unit, r)))
                .map(f -> (Formula) f)
                .toList();
        return any.isEmpty() ? null : new Any(any);
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

    /** A message by a service, over a line. */
    Formula message(String host, String service) {
        return all(lines(host), new Needs(Component.service(service)));
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
