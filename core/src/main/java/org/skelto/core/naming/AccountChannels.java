package org.skelto.core.naming;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.SiteModel;

/** Numbers of devices on the account of an outside service: a room takes stretches of {@value #LENGTH}, so that they tell it. */
final class AccountChannels {
    static final int LENGTH = 16;

    /** Devices anywhere else. */
    private static final String NOWHERE = "";

    private final Plan plan;
    private final Set<Integer> taken = new HashSet<>();

    /** Which place a stretch belongs to, by its number. */
    private final Map<Integer, String> stretches = new HashMap<>();

    AccountChannels(Plan plan) {
        this.plan = plan;
        plan.devices().values().forEach(d -> {
            if (d.accountChannel() != null) {
                taken.add(d.accountChannel());
                stretches.putIfAbsent(stretch(d.accountChannel()), place(d));
            }
        });
    }

    /** Whether a device is on an account. */
    static boolean on(Device device) {
        return device.control() != null && device.control().contains(ControlScheme.SERVICE);
    }

    private static int stretch(int channel) {
        return (channel - 1) / LENGTH;
    }

    private String place(Device device) {
        Place place = SiteModel.placeOf(plan, device);
        return place == null || place.room() == null ? NOWHERE : place.room();
    }

    /** Its number, or the next free of a stretch of its room where it needs one; null where it needs none. */
    @Nullable
    Integer of(Device device) {
        if (device.accountChannel() != null || !on(device)) {
            return device.accountChannel();
        }
        String place = place(device);
        for (int stretch = 0; ; stretch++) {
            String owner = stretches.get(stretch);
            if (owner != null && !owner.equals(place)) {
                continue;
            }
            for (int channel = stretch * LENGTH + 1; channel <= (stretch + 1) * LENGTH; channel++) {
                if (taken.add(channel)) {
                    stretches.put(stretch, place);
                    return channel;
                }
            }
        }
    }
}
