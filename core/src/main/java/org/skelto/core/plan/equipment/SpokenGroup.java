package org.skelto.core.plan.equipment;

import java.util.SortedSet;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Name;

/** Several devices that are spoken to by one name. */
public record SpokenGroup(@Name String name, SortedSet<@IdOf(value = "devices", what = "a device") String> devices) {
    public SpokenGroup {
        devices = Copies.sorted(devices);
    }
}
