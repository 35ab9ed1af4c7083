package org.skelto.core.plan.equipment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.power.Draws;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.Solar;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Wireless;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;

/**
 * Anything with a place that is powered or talks.
 *
 * @param channels usable inputs and outputs of a controller, 0 to 64
 * @param maxClients radio clients that an access point is built for, 0 to 512, or 0 when it does not matter
 * @param internetEntry whether the house's way to the internet goes through it
 * @param broker whether the message broker runs on it
 * @param hub id of the hub that serves it, or null
 * @param radios list of its radios, at most one of each medium
 * @param ipv4 reserved address, or null when none is assigned
 * @param mac locally administered hardware address, or null
 * @param nodeId long-range node id, 1 to 254, or null
 * @param rating the harshest place that it is made for, or null when not known
 * @param wireless the wireless network that an access point offers, or null
 * @param boards the parts it is made of, or null when they are not chosen yet
 * @param draws what it takes, measured or from its sheet, or null to take it from its parts
 * @param duty how it spends its time on a battery, or null when nobody said
 * @param housing id of the wall box or enclosure that it is in, or null
 * @param message what it sends over a long-range or sub-GHz radio, or null when nobody said
 * @param solar the panel that charges its battery, or null
 * @param talks how it is spoken to on the house network; null means over the broker, once the plan has one
 * @param bridges whether a hub passes on what comes over Ethernet; null means not
 * @param tunnel whether a way in from outside of the house's own ends on it; null means not
 * @param roles what it is besides its kind, or null for nothing: a router that is a hub too, a hub with pins of its own
 * @param relays whether it passes on what it hears over its long-range or sub-GHz radio; null means not
 * @param indicators what its lamps and sounds mean, by what stands on them
 * @param leaseH for how many hours its reserved address is lent to it, 0.1 to 8784; null means that the address is fixed on the unit
 * @param startS seconds from when power is back until it has started, 0 to 3600, or null for what is typical of its kind
 * @param asksAgain whether it goes on asking for what was not there when it started, or null when nobody said
 */
@RecordBuilder
public record Unit(
        @Name String name,
        UnitKind kind,
        @Nullable Place place,
        Power power,
        @Within(least = 0, most = 64) int channels,
        @Within(least = 0, most = 512) int maxClients,
        boolean internetEntry,
        boolean broker,
        @Nullable @IdOf(value = "units", what = "a hub") String hub,
        @Count(most = 8, of = "radios") Map<String, Radio> radios,

        @Nullable @Matches(value = Matches.IPV4, says = Matches.NOT_AN_ADDRESS)
        String ipv4,

        @Nullable
        @Matches(
                value = "([0-9a-f]{2}:){5}[0-9a-f]{2}",
                says = "is not a hardware address of six lower-case pairs such as 02:5b:1e:00:00:01")
        String mac,

        @Nullable @Within(least = 1, most = 254) Integer nodeId,
        @Nullable Exposure rating,
        @Nullable Wireless wireless,
        @Nullable BoardSet boards,
        @Nullable Draws draws,
        @Nullable Duty duty,

        @Nullable @IdOf(value = "housings", what = "a wall box or enclosure")
        String housing,

        @Nullable Message message,
        @Nullable Solar solar,
        @Nullable Talks talks,
        @Nullable Boolean bridges,
        @Nullable Boolean tunnel,
        @Nullable @Count(most = 8, of = "roles") SortedSet<UnitKind> roles,
        @Nullable Boolean relays,

        @Nullable @Within(least = 0.1, most = 8784, unit = "h")
        Double leaseH,

        @Nullable @Within(least = 0, most = 3600, unit = "s")
        Integer startS,

        @Nullable Boolean asksAgain,

        @Count(most = 20, of = "indicators")
        Map<@Words(least = 1, most = Limits.NAME_LENGTH) String, @Words(most = Limits.NAME_LENGTH) String> indicators)
        implements UnitBuilder.With {
    public Unit {
        radios = Copies.sorted(radios);
        indicators = Copies.sorted(indicators);
        roles = roles == null || roles.isEmpty() ? null : Copies.sorted(roles);
    }

    /** Whether that is its kind or one of its roles. */
    public boolean is(UnitKind role) {
        return kind == role || roles != null && roles.contains(role);
    }

    private boolean any(Predicate<UnitKind> test) {
        return test.test(kind) || roles != null && roles.stream().anyMatch(test);
    }

    /** Whether it belongs to the network itself, by its kind or a role. */
    public boolean collects() {
        return any(UnitKind::collects);
    }

    /** Whether what radios say ends here: a gateway or a hub. */
    public boolean sink() {
        return is(UnitKind.GATEWAY) || is(UnitKind.HUB);
    }

    /**
     * Whether it says again what it hears over a medium: in a mesh what has steady power, unless its radio says no; else what is
     * said to do so.
     */
    public boolean repeats(Medium medium) {
        Boolean said = radio(medium).map(Radio::repeats).orElse(null);
        return medium.mesh()
                ? !Boolean.FALSE.equals(said) && power.sources().stream().anyMatch(Source::steady)
                : Boolean.TRUE.equals(said)
                        || (medium == Medium.CHIRP || medium == Medium.SUB_GHZ) && Boolean.TRUE.equals(relays);
    }

    /** Whether devices are connected to its terminals, by its kind or a role. */
    public boolean drives() {
        return any(UnitKind::drives);
    }

    /** Whether devices sit on it, by its kind or a role. */
    public boolean carries() {
        return any(UnitKind::carries);
    }

    /** A device that is a unit of its own, without a radio yet. */
    public static Unit selfContained(String name, Place place, Power power, String hub) {
        return UnitBuilder.builder()
                .name(name)
                .kind(UnitKind.SELF_CONTAINED)
                .place(place)
                .power(power)
                .hub(hub)
                .build();
    }

    /** Its radio of that medium. */
    public Optional<Radio> radio(Medium medium) {
        return radios.values().stream().filter(r -> r.medium() == medium).findFirst();
    }

    /** Id of its {@link #radio} of that medium. */
    public Optional<String> radioId(Medium medium) {
        return radios.entrySet().stream()
                .filter(e -> e.getValue().medium() == medium)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** All media it has a radio for, in the order of their ids. */
    public List<Medium> media() {
        return radios.values().stream().map(Radio::medium).distinct().toList();
    }

    /** Whether a tunnel of the house's own ends on it. */
    public boolean endsTunnel() {
        return Boolean.TRUE.equals(tunnel);
    }

    /** What it sends. */
    public Message says() {
        return message == null ? Message.NONE : message;
    }
}
