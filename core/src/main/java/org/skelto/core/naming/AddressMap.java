package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.AddressFamily;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.work.ComputingBudget;

/**
 * The subnet as its addresses are used. Hosts are counted from the subnet's own number, which is host 0.
 *
 * @param subnet as the plan has it
 * @param hosts how many numbers it has, with its own and the last, which are nobody's
 * @param poolFrom first host that the router gives out by itself, or -1 where the pool does not lie in the subnet
 * @param poolTo last such host
 * @param held hosts that are reserved, by host
 * @param outside units with an address outside the subnet
 * @param blocks what each family and each floor takes from
 * @param free hosts that can still be reserved
 * @param enough the smallest subnet in which all units and a tenth more would find an address, when this one is too small
 */
@RecordBuilder
public record AddressMap(
        String subnet,
        long hosts,
        long poolFrom,
        long poolTo,
        List<Held> held,
        List<String> outside,
        List<Block> blocks,
        long free,
        @Nullable String enough)
        implements AddressMapBuilder.With {
    /** What stands behind an address. */
    public enum Role {
        ROUTER,
        INFRASTRUCTURE,
        HUB,
        GATEWAY,
        CONTROLLER,
        OTHER,
        /** It was somebody's and rests before it is given again. */
        RESTING
    }

    /**
     * An address that is reserved, or rests.
     *
     * @param units whose it is; none when it rests, several when it is given twice
     * @param trouble why it cannot stay so, or null
     * @param until day from which a resting one may be given again, or null
     */
    public record Held(
            long host,
            String address,
            Role role,
            List<String> units,
            @Nullable String trouble,
            @Nullable String until) {}

    /**
     * What units of a kind or a floor take the next free address of.
     *
     * @param what in words
     * @param floor whose boards take it, or null for a family
     * @param family whose first host it is, or null for a floor
     * @param from first host
     * @param to last host, or null where it has no end but the next
     */
    public record Block(
            String what,
            @Nullable String floor,
            @Nullable AddressFamily family,
            long from,
            @Nullable Long to) {}

    /** The map of a plan. */
    public static AddressMap of(Plan plan) {
        Ipv4Subnet subnet = Ipv4Subnet.parse(plan.network().subnet());
        long hosts = subnet.lastHost() - subnet.base() + 2;
        long from = Ipv4Subnet.number(plan.network().poolFrom());
        long to = Ipv4Subnet.number(plan.network().poolTo());
        boolean pooled = from <= to && subnet.contains(from) && subnet.contains(to);
        Map<Long, List<String>> owners = new TreeMap<>();
        List<String> outside = new ArrayList<>();
        plan.units().forEach((id, unit) -> {
            ComputingBudget.step();
            if (unit.ipv4() == null) {
                return;
            }
            long address = Ipv4Subnet.number(unit.ipv4());
            if (subnet.contains(address)) {
                owners.computeIfAbsent(address, a -> new ArrayList<>()).add(id);
            } else {
                outside.add(id);
            }
        });
        Map<Long, Held> held = new TreeMap<>();
        owners.forEach((address, units) -> held.put(
                address,
                new Held(
                        address - subnet.base(),
                        Ipv4Subnet.dotted(address),
                        role(plan.units().get(units.get(0))),
                        units,
                        trouble(units, pooled && address >= from && address <= to),
                        null)));
        plan.network().addressing().resting().forEach((address, until) -> {
            long number = Ipv4Subnet.number(address);
            if (subnet.contains(number) && !held.containsKey(number)) {
                held.put(number, new Held(number - subnet.base(), address, Role.RESTING, List.of(), null, until));
            }
        });
        long pool = pooled ? to - from + 1 : 0;
        long inPool = pooled
                ? held.keySet().stream().filter(a -> a >= from && a <= to).count()
                : 0;
        long free = Math.max(0, hosts - 2 - pool - (held.size() - inPool));
        return AddressMapBuilder.builder()
                .subnet(plan.network().subnet())
                .hosts(hosts)
                .poolFrom(pooled ? from - subnet.base() : -1)
                .poolTo(pooled ? to - subnet.base() : -1)
                .held(List.copyOf(held.values()))
                .outside(outside)
                .blocks(blocks(plan))
                .free(free)
                .enough(enough(plan, subnet, pool, outside.size(), free))
                .build();
    }

    private static @Nullable String trouble(List<String> units, boolean pooled) {
        return units.size() > 1
                ? "given " + units.size() + " times"
                : pooled ? "inside what the router gives out by itself" : null;
    }

    static Role role(Unit unit) {
        return switch (unit.kind()) {
            case ROUTER -> Role.ROUTER;
            case SWITCH, ACCESS_POINT -> Role.INFRASTRUCTURE;
            case HUB -> Role.HUB;
            case GATEWAY -> Role.GATEWAY;
            case CONTROLLER, PANEL, SELF_CONTAINED -> Role.CONTROLLER;
            default -> Role.OTHER;
        };
    }

    private static List<Block> blocks(Plan plan) {
        List<Block> blocks = new ArrayList<>();
        plan.network()
                .addressing()
                .floors()
                .forEach((floor, block) -> blocks.add(new Block(
                        "boards of " + plan.floors().get(floor).name(), floor, null, block.from(), (long) block.to())));
        for (AddressFamily family : AddressFamily.values()) {
            blocks.add(new Block(
                    family.words(), null, family, plan.network().addressing().first(family), null));
        }
        return blocks;
    }

    /** Where there is no room for all, the subnet of which the pool leaves enough. */
    private static @Nullable String enough(Plan plan, Ipv4Subnet subnet, long pool, int outside, long free) {
        Needs needs = Needs.of(plan);
        long waiting = outside
                + needs.addresses().stream()
                        .filter(id -> plan.units().get(id).ipv4() == null)
                        .count();
        if (waiting <= free) {
            return null;
        }
        long addressed = needs.addresses().size();
        double wanted = 2 + pool + addressed * 1.1;
        int prefix = subnet.prefixLength();
        while (prefix > Ipv4Subnet.WIDEST && (1L << 32 - prefix) < wanted) {
            prefix--;
        }
        long mask = -1L << 32 - prefix & 0xffff_ffffL;
        return Ipv4Subnet.dotted(subnet.base() & mask) + "/" + prefix;
    }

    /** A unit whose address is not of its block, and the one that it would get there. */
    public record Renumbered(String unit, String name, String from, String to) {}

    /** What numbering anew by the rule would change: units whose address lies outside the block of their floor. */
    public static List<Renumbered> renumbered(Plan plan) {
        Map<String, Unit> moved = new TreeMap<>();
        Ipv4Subnet subnet = Ipv4Subnet.parse(plan.network().subnet());
        plan.units().forEach((id, unit) -> {
            AddressBlock block = NameAssigner.floorBlock(plan, unit);
            if (block != null && unit.ipv4() != null) {
                long host = Ipv4Subnet.number(unit.ipv4()) - subnet.base();
                if (host < block.from() || host > block.to()) {
                    moved.put(id, unit);
                }
            }
        });
        if (moved.isEmpty()) {
            return List.of();
        }
        Map<String, Unit> units = new TreeMap<>(plan.units());
        moved.forEach((id, unit) -> units.put(id, unit.withIpv4(null)));
        Plan anew = NameAssigner.assign(plan.withUnits(units));
        List<Renumbered> all = new ArrayList<>();
        moved.forEach((id, unit) -> {
            String to = anew.units().get(id).ipv4();
            if (to != null && !to.equals(unit.ipv4())) {
                all.add(new Renumbered(id, unit.name(), String.valueOf(unit.ipv4()), to));
            }
        });
        return all;
    }
}
