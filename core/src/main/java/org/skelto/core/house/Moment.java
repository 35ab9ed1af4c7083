package org.skelto.core.house;

import java.util.List;

/**
 * A moment at which something changes while an outage lasts.
 *
 * @param atH hours after it began; what runs out then still works at that moment
 * @param when the same in words, by the clock where it is said when the outage begins
 * @param words what goes: "the hub goes dark: its backup has run out"
 * @param units that go dark or lose their addresses
 * @param changes devices whose state changes
 */
public record Moment(double atH, String when, String words, List<String> units, List<StateChange> changes) {
    /** A device whose state changes. */
    public record StateChange(String device, String name, State before, State after, String sentence) {}

    public Moment {
        units = List.copyOf(units);
        changes = List.copyOf(changes);
    }
}
