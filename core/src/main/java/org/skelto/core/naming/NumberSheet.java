package org.skelto.core.naming;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.UnitKind;

/**
 * Numbers of one kind that a house gives out, as a sheet of cells.
 *
 * @param name what they are, in words
 * @param written as people write them
 * @param from first number that there is
 * @param to last
 * @param taken those that are given, ascending
 */
public record NumberSheet(String name, Writing written, int from, int to, List<GivenNumber> taken) {
    /** How a number is written. */
    public enum Writing {
        DECIMAL,
        HEX,
        /** A letter for each sixteen, then a number from 1: 1 is A1, 17 is B1. */
        LETTER
    }

    private static final int CODES = 256;
    private static final int LETTER = 16;
    private static final int MOST_NODES = 254;
    private static final int BUS_FROM = 0x08;
    private static final int BUS_TO = 0x77;

    /**
     * A number that is given.
     *
     * @param owners names of what has it
     * @param at pointer of the first of them
     * @param trouble why it cannot stay so, or null
     */
    public record GivenNumber(
            int number,
            List<String> owners,
            String at,
            @Nullable String trouble) {}

    /**
     * The sheets that a house uses: long-range node ids, zones of panels, codes on the power line, channels of an account, and
     * the addresses on the bus of each unit.
     */
    public static List<NumberSheet> of(Plan plan) {
        List<NumberSheet> sheets = new ArrayList<>();
        Map<Integer, List<String>> nodes = new TreeMap<>();
        Map<Integer, String> first = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (unit.nodeId() != null) {
                nodes.computeIfAbsent(unit.nodeId(), n -> new ArrayList<>()).add(unit.name());
                first.putIfAbsent(unit.nodeId(), Pointers.of("units", id));
            }
        });
        if (!nodes.isEmpty()) {
            sheets.add(new NumberSheet("Long-range node ids", Writing.DECIMAL, 1, MOST_NODES, taken(nodes, first)));
        }
        zones(plan, sheets);
        powerLine(plan, sheets);
        account(plan, sheets);
        plan.units().forEach((id, unit) -> {
            if (unit.boards() == null) {
                return;
            }
            Map<Integer, List<String>> addresses = new TreeMap<>();
            Map<Integer, String> at = new TreeMap<>();
            unit.boards().more().forEach((name, board) -> {
                if (board.address() != null) {
                    addresses
                            .computeIfAbsent(board.address(), a -> new ArrayList<>())
                            .add(name);
                    at.putIfAbsent(board.address(), Pointers.of("units", id));
                }
            });
            if (!addresses.isEmpty()) {
                sheets.add(
                        new NumberSheet("Bus of " + unit.name(), Writing.HEX, BUS_FROM, BUS_TO, taken(addresses, at)));
            }
        });
        return sheets;
    }

    private static void zones(Plan plan, List<NumberSheet> sheets) {
        plan.units().forEach((id, unit) -> {
            if (!unit.is(UnitKind.PANEL) || unit.channels() == 0) {
                return;
            }
            Map<Integer, List<String>> zones = new TreeMap<>();
            Map<Integer, String> at = new TreeMap<>();
            plan.devices().forEach((device, d) -> {
                if (id.equals(d.unit()) && d.channel() != null) {
                    zones.computeIfAbsent(d.channel(), z -> new ArrayList<>()).add(d.name());
                    at.putIfAbsent(d.channel(), Pointers.of("devices", device));
                }
            });
            int last = Math.max(
                    unit.channels(),
                    zones.keySet().stream().max(Integer::compare).orElse(0));
            List<GivenNumber> taken = taken(zones, at).stream()
                    .map(z -> z.number() > unit.channels()
                            ? new GivenNumber(z.number(), z.owners(), z.at(), "there is no such zone")
                            : z)
                    .toList();
            sheets.add(new NumberSheet("Zones and outputs of " + unit.name(), Writing.DECIMAL, 1, last, taken));
        });
    }

    private static void powerLine(Plan plan, List<NumberSheet> sheets) {
        Map<Integer, List<String>> codes = new TreeMap<>();
        Map<Integer, String> at = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            String code = unit.boards() == null ? null : unit.boards().code();
            if (code != null) {
                int number = (code.charAt(0) - 'A') * LETTER + Integer.parseInt(code.substring(1));
                codes.computeIfAbsent(number, n -> new ArrayList<>()).add(unit.name());
                at.putIfAbsent(number, Pointers.of("units", id));
            }
        });
        if (!codes.isEmpty()) {
            sheets.add(new NumberSheet("Codes on the power line", Writing.LETTER, 1, CODES, taken(codes, at)));
        }
    }

    private static void account(Plan plan, List<NumberSheet> sheets) {
        Map<Integer, List<String>> channels = new TreeMap<>();
        Map<Integer, String> at = new TreeMap<>();
        plan.devices().forEach((id, d) -> {
            if (d.accountChannel() != null) {
                channels.computeIfAbsent(d.accountChannel(), n -> new ArrayList<>())
                        .add(d.name());
                at.putIfAbsent(d.accountChannel(), Pointers.of("devices", id));
            }
        });
        if (!channels.isEmpty()) {
            int most = channels.keySet().stream().max(Integer::compare).orElse(1);
            int last = (most + AccountChannels.LENGTH - 1) / AccountChannels.LENGTH * AccountChannels.LENGTH;
            sheets.add(new NumberSheet("Channels of the account", Writing.DECIMAL, 1, last, taken(channels, at)));
        }
    }

    private static List<GivenNumber> taken(Map<Integer, List<String>> owners, Map<Integer, String> at) {
        List<GivenNumber> all = new ArrayList<>();
        owners.forEach((number, names) -> all.add(new GivenNumber(
                number,
                List.copyOf(names),
                String.valueOf(at.get(number)),
                names.size() > 1 ? "given " + names.size() + " times" : null)));
        return all;
    }
}
