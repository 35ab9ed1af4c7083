package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Ipv4Subnet;

/**
 * A list of what is on the network already, such as leases, addresses or neighbours, held against the plan.
 *
 * @param found its lines that can be read
 * @param troubles its lines that cannot, at most {@value #MOST_TOLD} of them
 * @param gone ids of units that have an address in the plan and are not in the list
 */
public record LeaseList(List<Leased> found, List<UnreadLine> troubles, List<String> gone) {
    /** So many lines are read at most. */
    public static final int MOST_LINES = ForeignTable.MOST_LINES;

    private static final int MOST_TOLD = 50;
    private static final Pattern PAIR = Pattern.compile("[0-9a-f]{2}");
    private static final int PAIRS = 6;

    private static final List<String> ADDRESS = List.of("address", "ip", "ipv4", "ip address");
    private static final List<String> HARDWARE =
            List.of("hardwareaddress", "hardware address", "mac", "mac address", "lladdr");
    private static final List<String> NAME = List.of("host", "hostname", "host name", "name");

    /** What a line says beside the plan. */
    public enum Verdict {
        SAME,
        DIFFERENT,
        /** Nothing in the plan has it. */
        NEW
    }

    /**
     * A line.
     *
     * @param line its number, the header being 1
     * @param address as listed, or null
     * @param hardwareAddress six pairs of small letters, or null
     * @param host its name, cut where it is long, or null
     * @param unit id of the unit that it is, or null
     * @param words what is different, in words; empty where nothing is
     * @param adopt the edits by which the plan takes it over
     */
    @RecordBuilder
    public record Leased(
            long line,
            @Nullable String address,
            @Nullable String hardwareAddress,
            @Nullable String host,
            @Nullable String unit,
            Verdict verdict,
            String words,
            List<Edit> adopt)
            implements LeaseListLeasedBuilder.With {}

    /** A line that cannot be read, and why. */
    public record UnreadLine(long line, String message) {}

    /** It is no such list at all. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(String why) {
            super(why);
        }
    }

    /**
     * Holds a list against a plan.
     *
     * @param text a table with a header, separated by comma, semicolon or tab, with a column of addresses, hardware addresses or both
     * @throws Unreadable when it is none, or has more than {@value #MOST_LINES} lines
     */
    public static LeaseList of(Plan plan, String text) throws Unreadable {
        ForeignTable table;
        try {
            table = ForeignTable.of(text, Map.of("address", ADDRESS, "hardware", HARDWARE, "name", NAME));
        } catch (ForeignTable.Unreadable e) {
            throw new Unreadable(e.getMessage());
        }
        if (!table.columns().contains("address") && !table.columns().contains("hardware")) {
            throw new Unreadable("has no column of addresses or hardware addresses in its first line");
        }
        Comparison comparison = new Comparison(plan);
        table.rows()
                .forEach(row -> comparison.line(row.line(), row.get("address"), row.get("hardware"), row.get("name")));
        return comparison.list();
    }

    /** Six pairs as the plan writes them, or null when they are none. */
    static @Nullable String hardware(String said) {
        String digits = said.toLowerCase(Locale.ROOT).replaceAll("[:.-]", "");
        if (digits.length() != 2 * PAIRS) {
            return null;
        }
        Matcher pairs = PAIR.matcher(digits);
        StringBuilder out = new StringBuilder();
        while (pairs.find()) {
            out.append(out.isEmpty() ? "" : ":").append(pairs.group());
        }
        return out.length() == 3 * PAIRS - 1 ? out.toString() : null;
    }

    /** One list beside one plan. */
    private static final class Comparison {
        private final Plan plan;
        private final Ipv4Subnet subnet;
        private final Map<String, String> byAddress = new HashMap<>();
        private final Map<String, String> byHardware = new HashMap<>();
        private final Map<String, String> byName = new HashMap<>();
        private final Map<String, Long> seen = new HashMap<>();
        private final List<Leased> found = new ArrayList<>();
        private final List<UnreadLine> troubles = new ArrayList<>();
        private final Set<String> there = new HashSet<>();

        Comparison(Plan plan) {
            this.plan = plan;
            this.subnet = Ipv4Subnet.parse(plan.network().subnet());
            plan.units().forEach((id, unit) -> {
                if (unit.ipv4() != null) {
                    byAddress.putIfAbsent(unit.ipv4(), id);
                }
                if (unit.mac() != null) {
                    byHardware.putIfAbsent(unit.mac(), id);
                }
                byName.putIfAbsent(HostNames.of(id), id);
                byName.putIfAbsent(Slugs.slug(unit.name(), id), id);
            });
        }

        void line(long number, @Nullable String address, @Nullable String hardware, @Nullable String name) {
            String pairs = hardware == null ? null : hardware(hardware);
            String why = null;
            if (address == null && hardware == null) {
                why = "has neither an address nor a hardware address";
            } else if (address != null && !Ipv4Subnet.isAddress(address)) {
                why = "\"" + ForeignTable.shown(address) + "\" is no IPv4 address";
            } else if (hardware != null && pairs == null) {
                why = "\"" + ForeignTable.shown(hardware) + "\" is no hardware address of six pairs";
            } else {
                why = twice(number, address, pairs);
            }
            if (why == null) {
                found.add(compared(number, address, pairs, name == null ? null : ForeignTable.shown(name)));
            } else if (troubles.size() < MOST_TOLD) {
                troubles.add(new UnreadLine(number, why));
            }
        }

        private @Nullable String twice(long number, @Nullable String address, @Nullable String hardware) {
            for (String one : new String[] {address, hardware}) {
                Long before = one == null ? null : seen.putIfAbsent(one, number);
                if (before != null) {
                    return one + " stands in line " + before + " already";
                }
            }
            return null;
        }

        private Leased compared(
                long number, @Nullable String address, @Nullable String hardware, @Nullable String name) {
            String id = hardware == null ? null : byHardware.get(hardware);
            if (id == null && address != null) {
                id = byAddress.get(address);
            }
            if (id == null && name != null) {
                id = byName.get(Slugs.slug(name, "unit"));
            }
            LeaseListLeasedBuilder line = LeaseListLeasedBuilder.builder()
                    .line(number)
                    .address(address)
                    .hardwareAddress(hardware)
                    .host(name)
                    .unit(id)
                    .adopt(List.of());
            if (id == null) {
                boolean outside = address != null && !subnet.contains(Ipv4Subnet.number(address));
                return line.verdict(Verdict.NEW)
                        .words(
                                outside
                                        ? "nothing in the plan has it, and it lies outside the subnet"
                                        : "nothing in the plan has it")
                        .build();
            }
            there.add(id);
            return differing(line, id, plan.units().get(id), address, hardware);
        }

        private Leased differing(
                LeaseListLeasedBuilder line,
                String id,
                Unit unit,
                @Nullable String address,
                @Nullable String hardware) {
            List<Edit> adopt = new ArrayList<>();
            List<String> words = new ArrayList<>();
            if (address != null && !address.equals(unit.ipv4())) {
                words.add("the plan says " + (unit.ipv4() == null ? "no address" : unit.ipv4()));
                adopt.add(Edit.replace(Pointers.of("units", id, "ipv4"), address));
            }
            if (hardware != null && !hardware.equals(unit.mac())) {
                words.add("the plan says " + (unit.mac() == null ? "no hardware address" : unit.mac()));
                adopt.add(Edit.replace(Pointers.of("units", id, "mac"), hardware));
            }
            return line.verdict(adopt.isEmpty() ? Verdict.SAME : Verdict.DIFFERENT)
                    .words(String.join("; ", words))
                    .adopt(adopt)
                    .build();
        }

        LeaseList list() {
            List<String> gone = plan.units().entrySet().stream()
                    .filter(e -> e.getValue().ipv4() != null && !there.contains(e.getKey()))
                    .map(Map.Entry::getKey)
                    .toList();
            return new LeaseList(found, troubles, gone);
        }
    }
}
