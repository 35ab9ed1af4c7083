package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.NAMES;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import org.skelto.core.naming.Needs;
import org.skelto.core.naming.SpokenNames;
import org.skelto.core.naming.Topics;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.Ipv4Subnet;
import org.skelto.core.snags.Check.Code;

/** N1, N3, N4, N5, N6, T1, T2, T3, T10, T11, T15. */
final class NameChecks {
    static final Check CHECK = Check.of(
            "snags of names",
            List.of(
                    Code.of("N1", Stage.NAMES, "duplicate address, hardware address or node id", Severity.STOP),
                    Code.of("N2", Stage.NAMES, "reservations without a router", Severity.FIX),
                    Code.of(
                            "N3",
                            Stage.NAMES,
                            "reservation in the pool or outside the subnet, or blocks that overlap",
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("N4", Stage.NAMES, "subnet full", Severity.STOP),
                    Code.of(
                            "N5",
                            Stage.NAMES,
                            "hardware address for groups or not locally administered",
                            Severity.STOP,
                            Severity.LOOK),
                    Code.of("N6", Stage.NAMES, "node ids used up", Severity.STOP),
                    Code.of("T1", Stage.NAMES, "illegal topic", Severity.STOP),
                    Code.of("T2", Stage.NAMES, "duplicate topic, also by case", Severity.STOP),
                    Code.of("T3", Stage.NAMES, "topic root too generic", Severity.LOOK),
                    Code.of("T10", Stage.NAMES, "spoken names that are taken for one another", Severity.LOOK),
                    Code.of("T11", Stage.NAMES, "same spoken name twice", Severity.FIX),
                    Code.of("T15", Stage.NAMES, "named by a number only", Severity.LOOK)),
            List.of(),
            NameChecks::run);

    private static final Set<String> GENERIC =
            Set.of("home", "house", "test", "sensors", "devices", "topic", "root", "main", "iot");

    private NameChecks() {}

    static void run(CheckContext c) {
        addresses(c);
        Needs needs = Needs.of(c.plan);
        c.plan.units().forEach((id, unit) -> unit(c, needs, id, unit));
        topics(c);
        root(c);
        SpokenNames.of(c.plan).clashes().forEach(clash -> spoken(c, clash));
    }

    private static void spoken(CheckContext c, SpokenNames.Clash clash) {
        boolean same = clash.why() == SpokenNames.Why.SAME;
        String title = same
                ? "Two devices are spoken to as \"" + clash.name() + "\""
                : "\"" + clash.name() + "\" is taken for \"" + clash.otherName() + "\" when it is said";
        var snag = c.snag(same ? "T11" : "T10", same ? FIX : LOOK, NAMES, title)
                .figures(same ? clash.words() : clash.words() + ", alike to " + Math.round(100 * clash.alike()) + " %")
                .leadsTo("The assistant does the other thing, or asks which one is meant each time.")
                .at(
                        clash.other() == null
                                ? new String[] {CheckContext.device(clash.device())}
                                : new String[] {CheckContext.device(clash.device()), CheckContext.device(clash.other())
                                });
        if (clash.alias()) {
            TreeSet<String> others =
                    new TreeSet<>(c.plan.devices().get(clash.device()).alsoCalled());
            others.remove(clash.name());
            snag.fix("Do not call it so", Edit.replace(CheckContext.device(clash.device(), "/alsoCalled"), others));
        } else if (clash.instead() != null) {
            snag.fix(
                    "Call it \"" + clash.instead() + "\"",
                    Edit.replace(CheckContext.device(clash.device(), "/name"), clash.instead()));
        }
        snag.add();
    }

    private static <V> void duplicates(
            CheckContext c, String what, String field, Function<Unit, V> value, String consequence) {
        Map<V, List<String>> owners = new TreeMap<>();
        c.plan.units().forEach((id, unit) -> {
            if (value.apply(unit) != null) {
                owners.computeIfAbsent(value.apply(unit), k -> new ArrayList<>())
                        .add(id);
            }
        });
        owners.forEach((name, ids) -> {
            if (ids.size() > 1) {
                List<String> others = ids.subList(1, ids.size());
                List<String> names =
                        ids.stream().map(id -> c.plan.units().get(id).name()).toList();
                c.snag("N1", STOP, NAMES, String.join(" and ", names) + " have the same " + what)
                        .figures(String.valueOf(name))
                        .leadsTo(consequence)
                        .at(ids.stream().map(CheckContext::unit).toArray(String[]::new))
                        .fix(
                                giveOthers(names),
                                others.stream()
                                        .map(id -> Edit.replace(CheckContext.unit(id, "/" + field), null))
                                        .toArray(Edit[]::new))
                        .add();
            }
        });
    }

    /** The first keeps what it has. */
    private static String giveOthers(List<String> names) {
        return names.size() == 2 ? "Give " + names.get(1) + " another one" : "Give each other one its own";
    }

    private static void addresses(CheckContext c) {
        duplicates(c, "address", "ipv4", Unit::ipv4, "Each answers for the other, now and then.");
        duplicates(c, "hardware address", "mac", Unit::mac, "The switch sends one's messages to the other.");
        duplicates(c, "node id", "nodeId", Unit::nodeId, "Readings of one appear as the other's.");
        Ipv4Subnet subnet = Ipv4Subnet.parse(c.plan.network().subnet());
        long from = Ipv4Subnet.number(c.plan.network().poolFrom());
        long to = Ipv4Subnet.number(c.plan.network().poolTo());
        if (from > to || !subnet.contains(from) || !subnet.contains(to)) {
            c.snag("N3", FIX, NAMES, "The dynamic pool does not lie in the subnet")
                    .figures(c.plan.network().poolFrom() + " to "
                            + c.plan.network().poolTo() + " in "
                            + c.plan.network().subnet())
                    .leadsTo("Guests get no address, or one that leads nowhere.")
                    .at("/network")
                    .add();
        }
        blocks(c);
        c.plan.units().forEach((id, unit) -> {
            if (unit.ipv4() == null) {
                return;
            }
            long address = Ipv4Subnet.number(unit.ipv4());
            if (address >= from && address <= to || !subnet.contains(address)) {
                c.snag(
                                "N3",
                                FIX,
                                NAMES,
                                unit.name()
                                        + (subnet.contains(address)
                                                ? " is reserved inside the dynamic pool"
                                                : " has an address outside the subnet"))
                        .figures(unit.ipv4() + "; pool " + c.plan.network().poolFrom() + " to "
                                + c.plan.network().poolTo() + ", subnet "
                                + c.plan.network().subnet())
                        .leadsTo("The router may give its address to a guest, or cannot reach it at all.")
                        .at(CheckContext.unit(id))
                        .fix("Assign one by the rule", Edit.replace(CheckContext.unit(id, "/ipv4"), null))
                        .add();
            }
        });
    }

    /** Blocks of floors that lie over one another. */
    private static void blocks(CheckContext c) {
        List<Map.Entry<String, AddressBlock>> all =
                List.copyOf(c.plan.network().addressing().floors().entrySet());
        for (int i = 0; i < all.size(); i++) {
            for (int j = 0; j < i; j++) {
                AddressBlock one = all.get(j).getValue();
                AddressBlock other = all.get(i).getValue();
                if (one.from() <= other.to() && other.from() <= one.to()) {
                    String at = Pointers.of(
                            "network", "addressing", "floors", all.get(i).getKey());
                    c.snag(
                                    "N3",
                                    LOOK,
                                    NAMES,
                                    "The blocks of "
                                            + c.plan.floors()
                                                    .get(all.get(j).getKey())
                                                    .name()
                                            + " and "
                                            + c.plan.floors()
                                                    .get(all.get(i).getKey())
                                                    .name()
                                            + " overlap")
                            .figures(one.from() + " to " + one.to() + " and " + other.from() + " to " + other.to())
                            .leadsTo("A number does not tell the floor any more.")
                            .at(
                                    Pointers.of(
                                            "network",
                                            "addressing",
                                            "floors",
                                            all.get(j).getKey()),
                                    at)
                            .fix(
                                    "No block for "
                                            + c.plan.floors()
                                                    .get(all.get(i).getKey())
                                                    .name(),
                                    Edit.remove(at))
                            .add();
                }
            }
        }
    }

    private static void unit(CheckContext c, Needs needs, String id, Unit unit) {
        if (unit.ipv4() == null && needs.addresses().contains(id)) {
            c.snag("N4", STOP, NAMES, "No address is left for " + unit.name())
                    .figures("subnet " + c.plan.network().subnet() + " without its dynamic pool is full")
                    .leadsTo("It cannot be reserved and may not be found after a restart.")
                    .at(CheckContext.unit(id))
                    .add();
        }
        if (unit.nodeId() == null && needs.nodes().contains(id)) {
            c.snag("N6", STOP, NAMES, "No node id is left for " + unit.name())
                    .figures("ids 1 to 254 are taken")
                    .leadsTo("Its readings cannot be told from others'.")
                    .at(CheckContext.unit(id))
                    .add();
        }
        if (unit.mac() != null) {
            int first = Integer.parseInt(unit.mac().substring(0, 2), 16);
            boolean multicast = (first & 1) == 1;
            boolean local = (first & 2) == 2;
            if (multicast || !local) {
                c.snag(
                                "N5",
                                multicast ? STOP : LOOK,
                                NAMES,
                                unit.name() + " has a hardware address that is "
                                        + (multicast ? "for groups" : "not locally administered"))
                        .figures(unit.mac() + ", first octet "
                                + Integer.toBinaryString(first | 256).substring(1))
                        .leadsTo(
                                multicast
                                        ? "No switch delivers to it."
                                        : "Fine if it is burned into the part; if made up, it may be somebody's.")
                        .at(CheckContext.unit(id))
                        .fix("Assign one by the rule", Edit.replace(CheckContext.unit(id, "/mac"), null))
                        .add();
            }
        }
    }

    private static void topics(CheckContext c) {
        Map<String, List<String>> owners = new TreeMap<>();
        c.plan.devices().forEach((id, d) -> {
            if (d.topic() == null) {
                return;
            }
            owners.computeIfAbsent(d.topic().toLowerCase(Locale.ROOT), k -> new ArrayList<>())
                    .add(id);
            String fault = Topics.fault(d.topic());
            if (fault != null) {
                c.snag("T1", STOP, NAMES, d.name() + " has an illegal topic")
                        .figures("\"" + d.topic() + "\" " + fault)
                        .leadsTo("The broker refuses to carry it.")
                        .at(CheckContext.device(id))
                        .fix("Assign one by the rule", Edit.replace(CheckContext.device(id, "/topic"), null))
                        .add();
            }
        });
        owners.forEach((topic, ids) -> {
            if (ids.size() > 1) {
                List<String> others = ids.subList(1, ids.size());
                List<String> names =
                        ids.stream().map(id -> c.plan.devices().get(id).name()).toList();
                c.snag("T2", STOP, NAMES, String.join(" and ", names) + " have the same topic")
                        .figures(topic + (same(c, ids) ? "" : ", differing in case only"))
                        .leadsTo("A command for one moves the other, and their states overwrite each other.")
                        .at(ids.stream().map(CheckContext::device).toArray(String[]::new))
                        .fix(
                                giveOthers(names),
                                others.stream()
                                        .map(id -> Edit.replace(CheckContext.device(id, "/topic"), null))
                                        .toArray(Edit[]::new))
                        .add();
            }
        });
        c.plan.devices().forEach((id, d) -> {
            if (d.name().matches("[0-9 ]+")) {
                c.snag("T15", LOOK, NAMES, "The device \"" + d.name() + "\" is named by a number only")
                        .leadsTo("In a year nobody knows which one it is.")
                        .at(CheckContext.device(id))
                        .add();
            }
        });
    }

    private static boolean same(CheckContext c, List<String> ids) {
        return ids.stream()
                        .map(id -> c.plan.devices().get(id))
                        .map(Device::topic)
                        .distinct()
                        .count()
                == 1;
    }

    private static void root(CheckContext c) {
        String root = c.plan.network().topicRoot();
        if (GENERIC.contains(root.toLowerCase(Locale.ROOT))) {
            c.snag("T3", LOOK, NAMES, "The topic root is too generic")
                    .figures("\"" + root + "\"")
                    .leadsTo("On a shared broker another house's messages land in this one.")
                    .at("/network/topicRoot")
                    .add();
        }
        boolean wifi = c.units(UnitKind.ROUTER).findAny().isEmpty()
                && c.plan.units().values().stream().anyMatch(u -> u.ipv4() != null);
        if (wifi) {
            c.snag("N2", FIX, NAMES, "Addresses are reserved, but there is no router to keep them")
                    .leadsTo("Nothing hands out the reservations.")
                    .at("/units")
                    .add();
        }
    }
}
