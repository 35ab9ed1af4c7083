package org.skelto.core.commands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.naming.AddressMap;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.sample.ThornfellLodge;

class AddressBlockTest {
    /** Blocks for one floor after the other, as far as there is room: none meets another, the pool or what is given. */
    @Test
    void blocksMeetNothingUntilNoneIsLeft() {
        for (Plan plan : List.of(Demos.mill(), Demos.flat(), ThornfellLodge.plan())) {
            Plan now = NameAssigner.assign(plan);
            AddressMap map = AddressMap.of(now);
            BitSet taken = new BitSet();
            map.held().forEach(h -> taken.set((int) h.host()));
            taken.set((int) map.poolFrom(), (int) map.poolTo() + 1);
            int blocks = 0;
            for (String floor : now.floors().keySet()) {
                AddAddressBlock command = new AddAddressBlock(floor);
                try {
                    now = Changed.after(now, command.on(now).edits());
                } catch (Command.Refused full) {
                    assertTrue(full.getMessage().contains("larger subnet"), full.getMessage());
                    break;
                }
                AddressBlock block = now.network().addressing().floors().get(floor);
                int next = taken.nextSetBit(block.from());
                assertTrue(next < 0 || next > block.to(), plan.name() + " " + block);
                assertTrue(block.to() < map.hosts() - 1);
                taken.set(block.from(), block.to() + 1);
                blocks++;
                Plan again = now;
                assertThrows(Command.Refused.class, () -> command.on(again));
            }
            assertTrue(blocks > 0, plan.name());
        }
        assertEquals(
                "floor",
                assertThrows(Command.Refused.class, () -> new AddAddressBlock("nowhere").on(Demos.mill()))
                        .field());
    }
}
