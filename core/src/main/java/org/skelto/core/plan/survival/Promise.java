package org.skelto.core.plan.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What has to work though something is out: "locks and heating survive 8 h without mains, and any one box".
 *
 * @param kinds devices of these kinds
 * @param devices ids of devices besides
 * @param from every device that matters at least so much, or null; where nothing of the three is said, every device
 * @param without ids of components that are out together
 * @param hours for how long, or null for the moment after
 * @param anyOne whether it must hold, too, whichever one component alone has gone
 * @param byItself whether working by hand is not enough
 */
@RecordBuilder
public record Promise(
        @Name String name,
        @Count(most = 40) SortedSet<DeviceKind> kinds,

        @Count(most = 3000) SortedSet<@IdOf(value = "devices", what = "a device") String> devices,

        @Nullable Criticality from,
        @Count(most = 200) SortedSet<@Words(most = Limits.NAME_LENGTH) String> without,

        @Nullable @Within(least = 0, most = 8784, unit = "h")
        Double hours,

        boolean anyOne,
        boolean byItself)
        implements PromiseBuilder.With {
    public Promise {
        kinds = Copies.sorted(kinds);
        devices = Copies.sorted(devices);
        without = Copies.sorted(without);
    }
}
