package org.skelto.core.naming;

import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.AddressFamily;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.plan.network.TopicLevel;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Fills in the names that a plan lacks. Assigning twice gives the same as assigning once. */
public final class NameAssigner {
    /** First three octets of every assigned hardware address: locally administered, unicast (IEEE 802). */
    private static final String MAC_PREFIX = "02:5b:1e";

    private static final int MOST_NODES = 254;

    private final Plan plan;
    private final Needs needs;
    private final Set<Long> addresses = new HashSet<>();
    private final Set<String> macs = new HashSet<>();
    private final Set<Integer> nodes = new HashSet<>();
    private final Set<String> topics = new HashSet<>();
    private final AccountChannels channels;

    private NameAssigner(Plan plan) {
        this.plan = plan;
        this.needs = Needs.of(plan);
        this.channels = new AccountChannels(plan);
        plan.units().values().forEach(unit -> {
            if (unit.ipv4() != null) {
                addresses.add(Ipv4Subnet.number(unit.ipv4()));
            }
            if (unit.mac() != null) {
                macs.add(unit.mac());
            }
            if (unit.nodeId() != null) {
                nodes.add(unit.nodeId());
            }
        });
        plan.network().addressing().resting().keySet().forEach(a -> addresses.add(Ipv4Subnet.number(a)));
        plan.devices().values().forEach(device -> {
            if (device.topic() != null) {
                topics.add(device.topic().toLowerCase(Locale.ROOT));
            }
            device.aliases().keySet().forEach(alias -> topics.add(alias.toLowerCase(Locale.ROOT)));
        });
    }

    /** The plan with all names filled in that can be. */
    public static Plan assign(Plan plan) {
        NameAssigner assigner = new NameAssigner(plan);
        Map<String, Unit> units = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            Unit named = assigner.named(id, unit);
            if (named != unit) {
                units.put(id, named);
            }
        });
        Map<String, Device> devices = new TreeMap<>();
        plan.devices().forEach((id, device) -> {
            Device named = assigner.named(device);
            if (named != device) {
                devices.put(id, named);
            }
        });
        return plan.with(p -> p.units(with(plan.units(), units)).devices(with(plan.devices(), devices)));
    }

    /** The very same map when nothing in it changes, so that whoever compares sees it at once. */
    private static <V> Map<String, V> with(Map<String, V> all, Map<String, V> changed) {
        if (changed.isEmpty()) {
            return all;
        }
        Map<String, V> now = new TreeMap<>(all);
        now.putAll(changed);
        return now;
    }

    /** What the rules say of a device's topic or a unit's needs. */
    public record NameRow(@Nullable String topicByRule, boolean needsAddress, boolean needsNodeId) {}

    /** What the rules say of every unit and device, by JSON pointer. */
    public static Map<String, NameRow> rules(Plan plan) {
        Map<String, NameRow> rules = new TreeMap<>();
        Needs needs = Needs.of(plan);
        plan.units().keySet().forEach(id -> {
            ComputingBudget.step();
            rules.put(
                    "/units/" + id,
                    new NameRow(
                            null, needs.addresses().contains(id), needs.nodes().contains(id)));
        });
        plan.devices().forEach((id, d) -> rules.put("/devices/" + id, new NameRow(topicByRule(plan, d), false, false)));
        return rules;
    }

    private Unit named(String id, Unit unit) {
        ComputingBudget.step();
        boolean addressed =
                (unit.ipv4() == null || unit.mac() == null) && needs.addresses().contains(id);
        boolean numbered = unit.nodeId() == null && needs.nodes().contains(id);
        if (!addressed && !numbered) {
            return unit;
        }
        UnitBuilder named = UnitBuilder.builder(unit);
        if (addressed) {
            named.ipv4(unit.ipv4() == null ? freeAddress(unit) : unit.ipv4());
            named.mac(unit.mac() == null ? freeMac(id) : unit.mac());
        }
        if (numbered) {
            named.nodeId(freeNode());
        }
        return named.build();
    }

    /** The block of the floor that a board stands on, if it stands on one that has one. */
    static @Nullable AddressBlock floorBlock(Plan plan, Unit unit) {
        Place place = unit.place();
        if (plan.network().addressing().floors().isEmpty()
                || !unit.carries() && !unit.kind().alone()
                || place == null
                || place.room() == null) {
            return null;
        }
        Room room = plan.rooms().get(place.room());
        return room == null ? null : plan.network().addressing().floors().get(room.floor());
    }

    private @Nullable String freeAddress(Unit unit) {
        Ipv4Subnet subnet = Ipv4Subnet.parse(plan.network().subnet());
        AddressBlock floor = floorBlock(plan, unit);
        if (floor != null) {
            for (long host = floor.from(); host <= floor.to(); host++) {
                long address = subnet.base() + host;
                if (subnet.contains(address) && !pooled(address) && addresses.add(address)) {
                    return Ipv4Subnet.dotted(address);
                }
            }
        }
        UnitKind kind = unit.kind();
        long first = plan.network().addressing().first(AddressFamily.of(kind));
        long hosts = subnet.lastHost() - subnet.firstHost() + 1;
        long poolFrom = Ipv4Subnet.number(plan.network().poolFrom());
        long poolTo = Ipv4Subnet.number(plan.network().poolTo());
        for (long step = 0; step < hosts; step++) {
            ComputingBudget.step();
            long address = subnet.firstHost() + (first - 1 + step) % hosts;
            boolean pooled = address >= poolFrom && address <= poolTo;
            // the first host is the router's by custom
            boolean reserved = address == subnet.firstHost() && kind != UnitKind.ROUTER;
            if (pooled) {
                // on to the pool's end at once: a pool may hold millions
                step += poolTo - address;
            } else if (!reserved && addresses.add(address)) {
                return Ipv4Subnet.dotted(address);
            }
        }
        return null;
    }

    private boolean pooled(long address) {
        return address >= Ipv4Subnet.number(plan.network().poolFrom())
                && address <= Ipv4Subnet.number(plan.network().poolTo());
    }

    private String freeMac(String id) {
        CRC32 hash = new CRC32();
        hash.update(id.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        // one of as many as are taken, and one more, is free
        for (long number = hash.getValue(); number <= hash.getValue() + macs.size(); number++) {
            ComputingBudget.step();
            String mac =
                    String.format("%s:%02x:%02x:%02x", MAC_PREFIX, number >> 16 & 255, number >> 8 & 255, number & 255);
            if (macs.add(mac)) {
                return mac;
            }
        }
        throw new IllegalStateException("more hardware addresses than units");
    }

    private Integer freeNode() {
        for (int node = 1; node <= MOST_NODES; node++) {
            if (nodes.add(node)) {
                return node;
            }
        }
        return null;
    }

    private Device named(Device device) {
        ComputingBudget.step();
        Integer channel = channels.of(device);
        boolean numbered = channel != null && !channel.equals(device.accountChannel());
        if (device.topic() != null) {
            return numbered ? device.withAccountChannel(channel) : device;
        }
        String topic = Slugs.free(topicByRule(plan, device), topics);
        topics.add(topic);
        Device named = device.withTopic(topic);
        return numbered ? named.withAccountChannel(channel) : named;
    }

    /** The topic that the rule gives: root, then the levels of the plan, each a slug; building, room, device unless it says others. */
    public static String topicByRule(Plan plan, Device device) {
        ComputingBudget.step();
        Place place = SiteModel.placeOf(plan, device);
        StringBuilder topic = new StringBuilder(plan.network().topicRoot());
        Room room = place == null || place.room() == null ? null : plan.rooms().get(place.room());
        Spot spot = place == null || place.spot() == null ? null : plan.spots().get(place.spot());
        boolean unplaced = room == null && spot == null;
        for (TopicLevel level : plan.network().levels()) {
            String name = switch (level) {
                case BUILDING -> unplaced ? "unplaced" : building(plan, room);
                case FLOOR ->
                    room == null
                            ? null
                            : Slugs.slug(plan.floors().get(room.floor()).name(), "floor");
                case ROOM ->
                    room != null
                            ? Slugs.slug(room.name(), "room")
                            : spot != null ? Slugs.slug(spot.name(), "spot") : null;
                case KIND -> Slugs.slug(Wording.of(device.kind()), "device");
                case DEVICE -> Slugs.slug(device.name(), "device");
            };
            if (name != null) {
                topic.append('/').append(name);
            }
        }
        return topic.toString();
    }

    private static String building(Plan plan, @Nullable Room room) {
        return room == null
                ? "outside"
                : Slugs.slug(
                        plan.buildings()
                                .get(plan.floors().get(room.floor()).building())
                                .name(),
                        "building");
    }
}
