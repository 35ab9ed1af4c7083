package org.skelto.server.names;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.naming.Contract;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.naming.Contract.Transport;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.HostNames;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;

/** The naming of the house as the network's own servers read it. */
final class NetworkFiles {
    private static final int SECONDS_OF_AN_HOUR = 3600;

    private NetworkFiles() {}

    private static StringBuilder head(Plan plan, long revision) {
        return new StringBuilder("# ")
                .append(Slugs.slug(plan.name(), "plan"))
                .append(", edit ")
                .append(revision)
                .append('\n');
    }

    /** The pool and a reservation for every unit with an address and a hardware address; what clashes is a comment. */
    static String reservations(Plan plan, long revision) {
        StringBuilder out = head(plan, revision)
                .append("dhcp-range=")
                .append(plan.network().poolFrom())
                .append(',')
                .append(plan.network().poolTo())
                .append(",24h\n");
        Set<String> given = new HashSet<>();
        plan.units().forEach((id, unit) -> {
            if (unit.ipv4() != null && unit.mac() != null) {
                boolean twice = !given.add(unit.ipv4()) | !given.add(unit.mac());
                out.append(twice ? "# left out, since another unit has the same: " : "")
                        .append("dhcp-host=")
                        .append(unit.mac())
                        .append(',')
                        .append(HostNames.of(id))
                        .append(',')
                        .append(unit.ipv4())
                        .append(lease(unit))
                        .append('\n');
            }
        });
        return out.toString();
    }

    private static String lease(Unit unit) {
        return unit.leaseH() == null ? "" : "," + Math.max(120, Math.round(unit.leaseH() * SECONDS_OF_AN_HOUR));
    }

    /**
     * For each unit that speaks at the broker what it may write and read, and no more: the topics of its own devices, with
     * those that they had and still answer to; for whoever
     * listens, the topics of those that it listens to.
     */
    static String access(Plan plan, Map<String, Contract> contracts, long revision) {
        Map<String, Set<String>> lines = new TreeMap<>();
        contracts.values().forEach(contract -> {
            if (contract.transport() == Transport.BROKER) {
                contract.aspects().forEach(aspect -> {
                    allow(lines, contract, aspect, aspect.address());
                    String leaf = aspect.address()
                            .substring(String.valueOf(contract.topic()).length());
                    contract.aliases().keySet().forEach(old -> allow(lines, contract, aspect, old + leaf));
                });
            }
        });
        Contracts.ofUnits(plan)
                .values()
                .forEach(contract ->
                        contract.aspects().forEach(aspect -> allow(lines, contract, aspect, aspect.address())));
        StringBuilder out = head(plan, revision);
        lines.forEach((unit, allowed) -> {
            out.append("\nuser ").append(HostNames.of(unit)).append('\n');
            allowed.forEach(line -> out.append(line).append('\n'));
        });
        return out.toString();
    }

    private static void allow(Map<String, Set<String>> lines, Contract contract, Aspect aspect, String topic) {
        // a topic that no broker takes, or that would be a line of its own, is nobody's
        if (topic.matches(".*[#+\\p{Cntrl}].*")) {
            return;
        }
        if (contract.speaker() != null) {
            lines.computeIfAbsent(contract.speaker(), k -> new TreeSet<>())
                    .add("topic " + (aspect.spoken() ? "write " : "read ") + topic);
        }
        for (String listener : contract.listeners()) {
            if (!listener.equals(contract.speaker())) {
                lines.computeIfAbsent(listener, k -> new TreeSet<>())
                        .add("topic " + (aspect.spoken() ? "read " : "write ") + topic);
            }
        }
    }
}
