package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.network.Network;

/** A block of 32 addresses for the boards of a floor: the first one, by 32, in which nothing is given. */
public record AddAddressBlock(String floor) implements Command {
    private static final int LENGTH = 32;

    /** Families have their addresses below. */
    private static final int FIRST = 64;

    @Override
    public Proposal on(Plan plan) {
        if (floor == null || !plan.floors().containsKey(floor)) {
            throw new Refused("floor", "is not in the plan");
        }
        Network network = plan.network();
        if (network.addressing().floors().containsKey(floor)) {
            throw new Refused("floor", "has a block already");
        }
        Ipv4Subnet subnet = Ipv4Subnet.parse(network.subnet());
        List<Long> taken = new ArrayList<>();
        plan.units().values().stream()
                .map(Unit::ipv4)
                .filter(address -> address != null)
                .forEach(address -> taken.add(Ipv4Subnet.number(address) - subnet.base()));
        network.addressing().resting().keySet().forEach(a -> taken.add(Ipv4Subnet.number(a) - subnet.base()));
        long last = subnet.lastHost() - subnet.base();
        for (long from = FIRST; from < last; from += LENGTH) {
            long first = from;
            long to = Math.min(from + LENGTH - 1, last);
            boolean free = taken.stream().noneMatch(host -> host >= first && host <= to)
                    && network.addressing().floors().values().stream()
                            .noneMatch(block -> block.from() <= to && block.to() >= first)
                    && !meets(network, subnet, first, to);
            if (free) {
                return new Proposal(
                        "block of " + plan.floors().get(floor).name(),
                        List.of(Edit.add(
                                Pointers.of("network", "addressing", "floors", floor),
                                new AddressBlock((int) first, (int) to))));
            }
        }
        throw new Refused("floor", "finds no " + LENGTH + " free addresses in a row; a larger subnet would have them");
    }

    private static boolean meets(Network network, Ipv4Subnet subnet, long from, long to) {
        return Ipv4Subnet.number(network.poolFrom()) - subnet.base() <= to
                && Ipv4Subnet.number(network.poolTo()) - subnet.base() >= from;
    }
}
