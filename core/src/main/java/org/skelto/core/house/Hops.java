package org.skelto.core.house;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.Chance;
import org.skelto.core.work.ComputingBudget;

/** Which unit speaks to which directly, and what passes on what it hears; the same under every outage. Units are numbered. */
final class Hops {
    /** From here on a link is good for any job: how much better it is makes no route better. */
    private static final double GOOD = Chance.target(Criticality.VITAL);

    private static final Hop[] NONE = {};

    /**
     * One step from a unit to another.
     *
     * @param at number of the other unit
     * @param link id of the planned link, or null for one that radios make by themselves
     * @param chance that it holds, over 0 and at most 1
     */
    record Hop(int at, String unit, String link, Medium medium, double chance) {
        /** The chance as far as it matters for the choice of a route. */
        double worth() {
            return chance >= GOOD ? 1 : chance;
        }
    }

    private final List<String> ids;
    private final Map<String, Integer> numbers = new HashMap<>();
    private final Map<String, List<String>> planned = new HashMap<>();
    private final Hop[][] speaksTo;
    private final Hop[][] hearsFrom;

    /** What passes on over any medium, over infrared only, and over each of a set of media within it. */
    private final boolean[] translates;

    private final boolean[] gateways;
    private final boolean[] lights;
    private final int[] repeats;

    Hops(Plan plan, Carrying carrying, List<PossibleLink> possible) {
        ComputingBudget.step();
        ids = List.copyOf(plan.units().keySet());
        int n = ids.size();
        translates = new boolean[n];
        gateways = new boolean[n];
        lights = new boolean[n];
        repeats = new int[n];
        for (int i = 0; i < n; i++) {
            numbers.put(ids.get(i), i);
            Unit unit = plan.units().get(ids.get(i));
            gateways[i] = unit.is(UnitKind.GATEWAY);
            translates[i] =
                    gateways[i] || bridges(unit) || unit.is(UnitKind.HUB) && Boolean.TRUE.equals(unit.bridges());
            lights[i] = unit.is(UnitKind.INFRARED_SENDER);
            for (Medium medium : Medium.values()) {
                if (unit.kind() != UnitKind.SUPPLY && unit.repeats(medium)) {
                    repeats[i] |= 1 << medium.ordinal();
                }
            }
        }
        List<List<Hop>> speaking = lists(n);
        List<List<Hop>> hearing = lists(n);
        plan.links().forEach((id, link) -> {
            planned.computeIfAbsent(pair(link.from(), link.to()), k -> new ArrayList<>())
                    .add(id);
            put(speaking, hearing, link, false, id, carrying.chance(id, link.from()));
            if (link.twoWay()) {
                put(speaking, hearing, link, true, id, carrying.chance(id, link.to()));
            }
        });
        for (PossibleLink p : possible) {
            put(speaking, hearing, p.link(), false, null, p.chance());
            if (p.link().twoWay()) {
                put(speaking, hearing, p.link(), true, null, p.chance());
            }
        }
        speaksTo = speaking.stream().map(l -> l.toArray(NONE)).toArray(Hop[][]::new);
        hearsFrom = hearing.stream().map(l -> l.toArray(NONE)).toArray(Hop[][]::new);
    }

    private static String pair(String one, String other) {
        return one.compareTo(other) < 0 ? one + " " + other : other + " " + one;
    }

    /** The links planned between two units, in either direction. */
    List<String> planned(String one, String other) {
        return planned.getOrDefault(pair(one, other), List.of());
    }

    private static List<List<Hop>> lists(int n) {
        List<List<Hop>> lists = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            lists.add(new ArrayList<>());
        }
        return lists;
    }

    private void put(
            List<List<Hop>> speaking, List<List<Hop>> hearing, Link link, boolean back, String id, double chance) {
        String from = back ? link.to() : link.from();
        String to = back ? link.from() : link.to();
        if (chance > 0) {
            speaking.get(number(from)).add(new Hop(number(to), to, id, link.medium(), chance));
            hearing.get(number(to)).add(new Hop(number(from), from, id, link.medium(), chance));
        }
    }

    /** Whether a unit passes on over any medium by its nature, without an address for it. */
    static boolean bridges(Unit unit) {
        return unit.is(UnitKind.ROUTER) || unit.is(UnitKind.SWITCH) || unit.is(UnitKind.ACCESS_POINT);
    }

    /**
     * Whether a unit passes on what it hears over one medium over another: boxes of the network bridge and gateways translate,
     * repeaters of a mesh repeat within it, infrared senders send; a station of a Wi-Fi network carries nobody, nor does a hub
     * that is no bridge.
     */
    boolean passes(int unit, Medium in, Medium out, boolean pastGateways) {
        return !(pastGateways && gateways[unit])
                && (translates[unit]
                        || lights[unit] && out == Medium.INFRARED
                        || in == out && (repeats[unit] >> in.ordinal() & 1) == 1);
    }

    /** Whether a unit passes on nothing that it hears, or says, over a medium. */
    boolean ends(int unit, Medium medium) {
        return !translates[unit]
                && !lights[unit]
                && medium != Medium.RS485
                && (repeats[unit] >> medium.ordinal() & 1) == 0;
    }

    int size() {
        return ids.size();
    }

    int number(String unit) {
        return numbers.get(unit);
    }

    String unit(int number) {
        return ids.get(number);
    }

    Hop[] hearing(int from) {
        return speaksTo[from];
    }

    Hop[] heardBy(int to) {
        return hearsFrom[to];
    }
}
