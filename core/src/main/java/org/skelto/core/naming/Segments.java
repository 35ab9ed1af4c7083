package org.skelto.core.naming;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Talks;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.work.ComputingBudget;

/**
 * The segments of the network: what is in each by which name, and what must be let through from one to another.
 *
 * @param segments by name, the house's own first
 * @param crossings what the router must let through for the messages of the plan to arrive
 */
public record Segments(List<Segment> segments, List<Crossing> crossings) {
    /** The name of the segment of all that is not said to be in another. */
    public static final String HOUSE = "the house's own";

    static final int BROKER_PORT = 1883;
    static final int PAGES_PORT = 443;
    static final int REQUEST_PORT = 80;
    static final int STREAM_PORT = 554;

    /** A segment. */
    public record Segment(String name, List<NamedUnit> units) {}

    /**
     * A unit by its names; its multicast name is heard in its own segment alone.
     *
     * @param services what it answers to, by port
     */
    public record NamedUnit(String unit, String host, String multicast, Map<Integer, String> services) {}

    /**
     * What is let through.
     *
     * @param from segment that begins the connection
     * @param to segment that it leads to
     * @param port of the unit that it leads to
     * @param what it is for
     * @param senders ids of the units that begin it
     * @param receiver id of the unit that it leads to
     */
    public record Crossing(String from, String to, int port, String what, List<String> senders, String receiver) {}

    /** Those of a plan. */
    public static Segments of(Plan plan, Map<String, Contract> contracts) {
        Map<String, String> of = segments(plan);
        Needs needs = Needs.of(plan);
        Map<String, List<NamedUnit>> named = new TreeMap<>(Segments::houseFirst);
        plan.units().forEach((id, unit) -> {
            ComputingBudget.step();
            if (needs.addresses().contains(id)) {
                named.computeIfAbsent(of.getOrDefault(id, HOUSE), s -> new ArrayList<>())
                        .add(new NamedUnit(id, HostNames.of(id), HostNames.multicast(id), services(unit)));
            }
        });
        return new Segments(
                named.entrySet().stream()
                        .map(e -> new Segment(e.getKey(), List.copyOf(e.getValue())))
                        .toList(),
                crossings(of, contracts));
    }

    private static int houseFirst(String one, String other) {
        if (one.equals(other)) {
            return 0;
        }
        return one.equals(HOUSE) ? -1 : other.equals(HOUSE) ? 1 : one.compareTo(other);
    }

    /** The segment of each unit that is in another than the house's own: clients of an access point are in its segment. */
    private static Map<String, String> segments(Plan plan) {
        Map<String, String> of = new HashMap<>();
        for (Link link : plan.links().values()) {
            if (link.medium().wifi()) {
                put(plan, of, link.from(), link.to());
                put(plan, of, link.to(), link.from());
            }
        }
        return of;
    }

    private static void put(Plan plan, Map<String, String> of, String point, String client) {
        Unit offering = plan.units().get(point);
        String segment = offering == null || offering.wireless() == null
                ? null
                : offering.wireless().segment();
        if (segment != null && !segment.isBlank() && !of.containsKey(client)) {
            of.put(client, segment);
        }
    }

    private static Map<Integer, String> services(Unit unit) {
        Map<Integer, String> services = new TreeMap<>();
        if (unit.broker()) {
            services.put(BROKER_PORT, "messages");
        }
        if (unit.collects() || unit.is(UnitKind.PANEL) || unit.is(UnitKind.RECORDER)) {
            services.put(PAGES_PORT, "its pages");
        }
        if (unit.is(UnitKind.CAMERA)) {
            services.put(STREAM_PORT, "its picture");
        }
        if (unit.talks() == Talks.REQUEST) {
            services.put(REQUEST_PORT, "requests");
        }
        return services;
    }

    private static List<Crossing> crossings(Map<String, String> of, Map<String, Contract> contracts) {
        Map<List<Object>, TreeSet<String>> senders = new HashMap<>();
        contracts.values().forEach(contract -> {
            ComputingBudget.step();
            if (contract.transport() == Transport.BROKER) {
                cross(of, senders, contract.speaker(), contract.broker(), BROKER_PORT);
                contract.listeners().forEach(l -> cross(of, senders, l, contract.broker(), BROKER_PORT));
            } else if (contract.transport() == Transport.REQUEST) {
                contract.listeners().forEach(l -> cross(of, senders, l, contract.speaker(), REQUEST_PORT));
            }
        });
        List<Crossing> all = new ArrayList<>();
        senders.forEach((way, units) -> all.add(new Crossing(
                (String) way.get(0),
                (String) way.get(1),
                (Integer) way.get(2),
                way.get(2).equals(BROKER_PORT) ? "messages to the broker" : "requests",
                List.copyOf(units),
                (String) way.get(3))));
        all.sort(java.util.Comparator.comparing(Crossing::from)
                .thenComparing(Crossing::to)
                .thenComparing(Crossing::receiver)
                .thenComparing(Crossing::port));
        return all;
    }

    private static void cross(
            Map<String, String> of,
            Map<List<Object>, TreeSet<String>> senders,
            @Nullable String sender,
            @Nullable String receiver,
            int port) {
        if (sender == null || receiver == null) {
            return;
        }
        String from = of.getOrDefault(sender, HOUSE);
        String to = of.getOrDefault(receiver, HOUSE);
        if (!Objects.equals(from, to)) {
            senders.computeIfAbsent(List.of(from, to, port, receiver), k -> new TreeSet<>())
                    .add(sender);
        }
    }
}
