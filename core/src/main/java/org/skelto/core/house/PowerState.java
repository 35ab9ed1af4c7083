package org.skelto.core.house;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.Source;
import org.skelto.core.power.Store;
import org.skelto.core.work.ComputingBudget;

/**
 * Which circuits are live and which units have power, so many hours after a set of components has gone: the least set in which
 * every unit has a source that lives, so that a ring of units which feed each other, and which nothing else feeds, is dark.
 *
 * <p>Stores (backups and cells) run down on the clock. One begins when the last steady source of its unit has ended, those nearer to
 * the mains first; in a ring, the first by id. What runs out at a moment still works at that moment.
 */
final class PowerState {
    private final Feeds feeds;
    private final Set<String> failed;
    private final Set<String> goneUnits;
    private final Set<String> goneLinks;
    private final Set<String> hung;

    /** Units whose own store has not run out. */
    private final Set<String> stored;

    private final Set<String> powered;
    private final Map<String, Double> darkFrom = new TreeMap<>();
    private final Map<String, Double> emptyFrom = new TreeMap<>();
    private final Map<String, Double> leaseEnds = new TreeMap<>();
    private final Map<String, Double> lost = new HashMap<>();

    /** The house right after these components have gone: nothing has run down. */
    PowerState(Feeds feeds, Set<String> failed) {
        this(feeds, failed, 0, 0);
    }

    /**
     * The house at a moment of an outage.
     *
     * @param atH hours after it began
     * @param horizonH how long it lasts: until when it is told what runs out, hours; at least {@code atH}
     */
    PowerState(Feeds feeds, Set<String> failed, double atH, double horizonH) {
        this.feeds = feeds;
        this.failed = failed;
        this.goneUnits = of("unit:", failed);
        this.goneLinks = of("link:", failed);
        this.hung = of("hangs:", failed);
        this.stored = new TreeSet<>();
        this.powered = new HashSet<>();
        Map<String, Double> left = new TreeMap<>();
        feeds.stores().forEach((id, store) -> left.put(id, store.hours()));
        Set<String> shownPowered = null;
        Set<String> shownStored = null;
        Set<String> before = Set.of();
        double now = 0;
        while (true) {
            ComputingBudget.step();
            stored.clear();
            stored.addAll(left.keySet());
            powered.clear();
            Collection<String> drained = grow(left.keySet());
            for (String id : before) {
                if (!powered.contains(id)) {
                    darkFrom.put(id, now);
                }
            }
            double next = drained.stream().mapToDouble(left::get).min().orElse(Double.POSITIVE_INFINITY);
            if (shownPowered == null && now + next >= atH) {
                shownPowered = new HashSet<>(powered);
                shownStored = new TreeSet<>(stored);
            }
            now += next;
            if (now > horizonH) {
                break;
            }
            for (String id : drained) {
                double rest = left.get(id) - next;
                if (rest <= 1e-9) {
                    left.remove(id);
                    emptyFrom.put(id, now);
                } else {
                    left.put(id, rest);
                }
            }
            before = new HashSet<>(powered);
        }
        forgotten(atH, horizonH);
        powered.clear();
        powered.addAll(shownPowered == null ? Set.of() : shownPowered);
        stored.clear();
        stored.addAll(shownStored == null ? Set.of() : shownStored);
    }

    /**
     * The house with components gone and stores run out, whenever that was.
     *
     * @param empty units whose stores have run out
     * @param addressless units that have lost their addresses
     */
    PowerState(Feeds feeds, Set<String> failed, Set<String> empty, Set<String> addressless) {
        this.feeds = feeds;
        this.failed = failed;
        this.goneUnits = of("unit:", failed);
        this.goneLinks = of("link:", failed);
        this.hung = of("hangs:", failed);
        this.stored = new TreeSet<>(feeds.stores().keySet());
        this.stored.removeAll(empty);
        this.powered = new HashSet<>();
        grow(stored);
        addressless.forEach(unit -> lost.put(unit, 0.0));
    }

    /** The house right after one component has gone that feeds nothing: what has power has it still. */
    private PowerState(PowerState whole, String gone) {
        this.feeds = whole.feeds;
        this.failed = Set.of(gone);
        this.goneUnits = of("unit:", failed);
        this.goneLinks = of("link:", failed);
        this.hung = of("hangs:", failed);
        this.stored = whole.stored;
        this.powered = whole.powered;
    }

    /** The house right after one component has gone from a whole one. */
    static PowerState without(PowerState whole, String gone) {
        return whole.feeds.feeds(gone) ? new PowerState(whole.feeds, Set.of(gone)) : new PowerState(whole, gone);
    }

    private static Set<String> of(String kind, Set<String> failed) {
        Set<String> ids = new HashSet<>();
        for (String id : failed) {
            if (id.startsWith(kind)) {
                ids.add(id.substring(kind.length()));
            }
        }
        return ids;
    }

    /** Units that are gone or hang. */
    Set<String> still() {
        Set<String> all = new HashSet<>(goneUnits);
        all.addAll(hung);
        return all;
    }

    /** Whether the same units have power as in another state, by what it was made from. */
    boolean sharesPower(PowerState other) {
        return powered == other.powered;
    }

    /**
     * Addresses on loan are kept until the loan ends and nobody renews it: so many hours after the last router has gone. What
     * ends at a moment still works at it.
     */
    private void forgotten(double atH, double horizonH) {
        if (feeds.routers().isEmpty()) {
            return;
        }
        double noneFrom =
                feeds.routers().stream().mapToDouble(this::downFrom).max().orElseThrow();
        feeds.leases().forEach((id, hours) -> {
            double ends = noneFrom + hours;
            if (ends < horizonH) {
                leaseEnds.put(id, ends);
            }
            if (ends < atH) {
                lost.put(id, ends);
            }
        });
    }

    /** From when on a unit is out, hours; endless where it is not. */
    private double downFrom(String unit) {
        if (goneUnits.contains(unit) || hung.contains(unit)) {
            return 0;
        }
        Double dark = darkFrom.get(unit);
        return dark != null ? dark : powered.contains(unit) ? Double.POSITIVE_INFINITY : 0;
    }

    /** Hours after the beginning at which a unit lost its address, or null while it has it. */
    Double addressLost(String unit) {
        return lost.get(unit);
    }

    /** Hours after the beginning at which addresses on loan are lost within the outage, by unit. */
    Map<String, Double> leaseEnds() {
        return leaseEnds;
    }

    /** Everything that lives without stores, then those stores that are needed, one after the other; these run down. */
    private List<String> grow(Set<String> stores) {
        List<String> seeds = new ArrayList<>();
        for (String id : feeds.rooted()) {
            if (steady(id)) {
                seeds.add(id);
            }
        }
        spread(seeds);
        List<String> drained = new ArrayList<>();
        List<String> waiting = new ArrayList<>(stores);
        waiting.removeIf(powered::contains);
        while (!waiting.isEmpty()) {
            ComputingBudget.step();
            String first = first(waiting);
            waiting.remove(first);
            if (!powered.contains(first)) {
                drained.add(first);
                spread(List.of(first));
            }
        }
        return drained;
    }

    /** Of the stores that wait, one that no other waiting one stands above, but for those in a ring with it. */
    private String first(List<String> waiting) {
        for (String id : waiting) {
            if (feeds.storesAbove(id).stream()
                    .noneMatch(up -> !up.equals(id)
                            && waiting.contains(up)
                            && !powered.contains(up)
                            && !feeds.storesAbove(up).contains(id))) {
                return id;
            }
        }
        return waiting.get(0);
    }

    private void spread(List<String> lit) {
        Deque<String> open = new ArrayDeque<>();
        lit.forEach(id -> {
            if (powered.add(id)) {
                open.add(id);
            }
        });
        while (!open.isEmpty()) {
            ComputingBudget.step();
            for (String fed : feeds.fedBy(open.remove())) {
                if (!powered.contains(fed) && steady(fed)) {
                    powered.add(fed);
                    open.add(fed);
                }
            }
        }
    }

    private boolean steady(String unit) {
        return feeds.unit(unit).power().sources().stream().anyMatch(s -> s.steady() && lives(unit, s));
    }

    boolean works(String component) {
        return !failed.contains(component);
    }

    /** Whether a planned link is there. */
    boolean whole(String link) {
        return goneLinks.isEmpty() || !goneLinks.contains(link);
    }

    /** Whether a unit has power, there or not. */
    boolean powered(String unit) {
        return powered.contains(unit);
    }

    /** Whether a unit is there and has power. */
    boolean up(String unit) {
        return powered.contains(unit) && !goneUnits.contains(unit);
    }

    /** Whether a unit with power does nothing. */
    boolean hangs(String unit) {
        return hung.contains(unit);
    }

    /** Whether a unit's own backup or cells could carry it now. */
    boolean standby(String unit) {
        return stored.contains(unit);
    }

    /** Hours after the beginning from which each unit is dark that ran out of power within the outage. */
    Map<String, Double> darkFrom() {
        return darkFrom;
    }

    /** Hours after the beginning from which each store is empty that ran out within the outage. */
    Map<String, Double> emptyFrom() {
        return emptyFrom;
    }

    /** Whether one source of a unit gives power. */
    boolean lives(String unit, Source source) {
        return switch (source.source()) {
            case BATTERY -> stored.contains(unit);
            case MAINS -> live(source.circuit());
            case SUPPLY -> source.from() != null && up(source.from()) && works(Component.feed(unit));
            case ETHERNET -> source.from() != null && up(source.from()) && cable(unit, source.from()) != null;
        };
    }

    /** Id of a whole Ethernet cable between two units, or null. */
    String cable(String one, String other) {
        for (String link : feeds.cables(one, other)) {
            if (works(Component.link(link))) {
                return link;
            }
        }
        return null;
    }

    /** Whether a circuit is live; null is on no circuit in particular, which is dead when all are. */
    boolean live(String circuit) {
        if (circuit == null) {
            return works(Component.MAINS)
                    && (feeds.plan().circuits().isEmpty()
                            || feeds.plan().circuits().keySet().stream().anyMatch(this::live));
        }
        Circuit known = feeds.plan().circuits().get(circuit);
        return works(Component.circuit(circuit)) && (known.from() == null ? works(Component.MAINS) : up(known.from()));
    }

    /** The unit's own store. */
    Store store(String unit) {
        return feeds.stores().get(unit);
    }
}
