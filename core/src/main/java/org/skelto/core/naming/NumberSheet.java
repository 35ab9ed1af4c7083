package org.skelto.core.naming;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;

/**
 * Numbers of one kind that a house gives out, as a sheet of cells.
 *
 * @param name what they are, in words
 * @param hex whether people write them in hexadecimal
 * @param from first number that there is
 * @param to last
 * @param taken those that are given, ascending
 */
public record NumberSheet(String name, boolean hex, int from, int to, List<GivenNumber> taken) {
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

    /** The sheets that a house uses: long-range node ids, and the addresses on the bus of each unit. */
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
            sheets.add(new NumberSheet("Long-range node ids", false, 1, MOST_NODES, taken(nodes, first)));
        }
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
                sheets.add(new NumberSheet("Bus of " + unit.name(), true, BUS_FROM, BUS_TO, taken(addresses, at)));
            }
        });
        return sheets;
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
