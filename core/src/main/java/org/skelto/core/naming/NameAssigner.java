package org.skelto.core.naming;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.Ipv4Subnet;
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

    private NameAssigner(Plan plan) {
        this.plan = plan;
        this.needs = Needs.of(plan);
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

    /** First host of each family that has one of its own, in words, by host. */
    static final Map<String, Integer> FAMILIES = families();

    private static Map<String, Integer> families() {
        Map<String, Integer> families = new LinkedHashMap<>();
        families.put("router", block(UnitKind.ROUTER));
        families.put("switches", block(UnitKind.SWITCH));
        families.put("access points", block(UnitKind.ACCESS_POINT));
        families.put("hubs", block(UnitKind.HUB));
        families.put("gateways", block(UnitKind.GATEWAY));
        families.put("panels", block(UnitKind.PANEL));
        families.put("recorders", block(UnitKind.RECORDER));
        families.put("controllers and hand units", block(UnitKind.CONTROLLER));
        families.put("self-contained devices and cameras", block(UnitKind.SELF_CONTAINED));
        return families;
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

    /** First host of a kind's block within the subnet, so that the number tells what stands behind it. */
    private static int block(UnitKind kind) {
        return switch (kind) {
            case ROUTER -> 1;
            case SWITCH -> 2;
            case ACCESS_POINT -> 6;
            case HUB -> 16;
            case GATEWAY -> 20;
            case PANEL -> 28;
            case RECORDER -> 30;
            case CONTROLLER, SUPPLY, KEYPAD, HANDSET, WALL_TABLET, ASSISTANT, INFRARED_SENDER, COUPLER -> 32;
            case SELF_CONTAINED, CAMERA -> 100;
        };
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
        long hosts = subnet.lastHost() - subnet.firstHost() + 1;
        long poolFrom = Ipv4Subnet.number(plan.network().poolFrom());
        long poolTo = Ipv4Subnet.number(plan.network().poolTo());
        for (long step = 0; step < hosts; step++) {
            ComputingBudget.step();
            long address = subnet.firstHost() + (block(kind) - 1 + step) % hosts;
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
        if (device.topic() != null) {
            return device;
        }
        String topic = Slugs.free(topicByRule(plan, device), topics);
        topics.add(topic);
        return device.withTopic(topic);
    }

    /** The topic that the rule gives: root, building or spot, room, device; each level a slug. */
    public static String topicByRule(Plan plan, Device device) {
        ComputingBudget.step();
        Place place = SiteModel.placeOf(plan, device);
        String where = "unplaced";
        if (place != null && place.room() != null) {
            var room = plan.rooms().get(place.room());
            String building = plan.buildings()
                    .get(plan.floors().get(room.floor()).building())
                    .name();
            where = Slugs.slug(building, "building") + "/" + Slugs.slug(room.name(), "room");
        } else if (place != null && place.spot() != null) {
            Spot spot = plan.spots().get(place.spot());
            where = "outside/" + Slugs.slug(spot.name(), "spot");
        }
        return plan.network().topicRoot() + "/" + where + "/" + Slugs.slug(device.name(), "device");
    }
}
