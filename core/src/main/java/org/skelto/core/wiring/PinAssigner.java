package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Pin;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.Wiring;
import org.skelto.core.work.ComputingBudget;

/**
 * Gives every connection of a controller's devices the terminal that fits it best: the least sum of costs, found exactly
 * by matching. What was fixed by hand stays; what is connected already moves only for a good reason.
 */
public final class PinAssigner {
    /** No terminal of its own: dearer than any that fits, cheaper than one that does not. */
    private static final double NONE = 5000;

    private static final double NEVER = 1e6;
    private static final double FIXED = -1e5;
    private static final double MOVED = 60;

    private static final double CHANNEL = 1;
    private static final double PIN = 10;
    private static final double SPOILT_ABILITY = 1;
    private static final double RADIO_TIE = 2;
    private static final double ONLY_IN = -3;
    private static final double FLOATS = 100;
    private static final double BUS_PIN = 4;
    private static final double CLICK = 30;
    private static final double STRAP_OUT = 200;
    private static final double STRAP_IN = 400;
    private static final double DEAF_WITH_RADIO = 300;
    private static final double CONSOLE = 600;

    private final Plan plan;
    private final String unit;
    private final Layout layout;
    private final SaidWiring said;
    private final TerminalWords words;
    private final List<Need> needs = new ArrayList<>();
    private double[][] cost = {};
    private int[] columnOf = {};

    private PinAssigner(Plan plan, String id, Unit unit, List<Map.Entry<String, Device>> devices, Catalogue catalogue) {
        this.plan = plan;
        this.unit = id;
        this.layout = new Layout(unit.boards(), catalogue);
        this.said = new SaidWiring(plan);
        this.words = new TerminalWords(plan, layout, said);
        devices.forEach(e -> needs.addAll(Need.of(e.getKey(), e.getValue())));
        assign();
    }

    /** All controllers whose boards are chosen. */
    public static Map<String, Wired> of(Plan plan, Catalogue catalogue) {
        Map<String, Wired> wired = new TreeMap<>();
        assigners(plan, catalogue).forEach((id, a) -> wired.put(id, a.wired()));
        return wired;
    }

    /** Those of these controllers whose boards are chosen. */
    public static Map<String, Wired> of(Plan plan, Catalogue catalogue, Set<String> units) {
        Map<String, Wired> wired = new TreeMap<>();
        assigners(plan, catalogue, units).forEach((id, a) -> wired.put(id, a.wired()));
        return wired;
    }

    /** Whether the devices of a unit are connected to terminals that Skelto knows. */
    public static boolean assigns(Unit unit) {
        return unit.boards() != null && unit.drives();
    }

    /** The edits that connect the devices of one controller best, or of all when it is null. */
    public static List<Edit> edits(Plan plan, Catalogue catalogue, String unit) {
        List<Edit> edits = new ArrayList<>();
        assigners(plan, catalogue).forEach((id, a) -> {
            if (unit == null || unit.equals(id)) {
                edits.addAll(a.edits());
            }
        });
        return edits;
    }

    /** The costs that each controller's assignment is the cheapest of: a row for each need, for whoever solves it otherwise. */
    public static List<double[][]> costs(Plan plan, Catalogue catalogue) {
        return assigners(plan, catalogue).values().stream()
                .map(PinAssigner::cost)
                .toList();
    }

    /** Cost of each need at each terminal, then that of none, for whoever solves it another way. */
    double[][] cost() {
        return cost;
    }

    /** Column of each need in {@link #cost}. */
    int[] columnOf() {
        return columnOf;
    }

    static Map<String, PinAssigner> assigners(Plan plan, Catalogue catalogue) {
        return assigners(plan, catalogue, plan.units().keySet());
    }

    private static Map<String, PinAssigner> assigners(Plan plan, Catalogue catalogue, Set<String> units) {
        Map<String, List<Map.Entry<String, Device>>> devices = new HashMap<>();
        plan.devices().entrySet().forEach(e -> {
            if (e.getValue().unit() != null) {
                devices.computeIfAbsent(e.getValue().unit(), k -> new ArrayList<>())
                        .add(e);
            }
        });
        Map<String, PinAssigner> all = new LinkedHashMap<>();
        plan.units().forEach((id, unit) -> {
            if (units.contains(id) && assigns(unit)) {
                all.put(id, new PinAssigner(plan, id, unit, devices.getOrDefault(id, List.of()), catalogue));
            }
        });
        return all;
    }

    private void assign() {
        ComputingBudget.step();
        Set<Need> left = new HashSet<>(needs);
        left.removeAll(tooMany(Need.Kind.RELAY, layout.relays.size()));
        left.removeAll(tooMany(Need.Kind.DIMMER, layout.drivers.size()));
        int terminals = layout.terminals.size();
        cost = new double[needs.size()][terminals + needs.size()];
        for (int n = 0; n < needs.size(); n++) {
            Need need = needs.get(n);
            for (int t = 0; t < terminals; t++) {
                cost[n][t] = left.contains(need) ? cost(need, t) : NEVER;
            }
            java.util.Arrays.fill(cost[n], terminals, cost[n].length, NONE);
        }
        columnOf = Assignment.of(cost);
    }

    /**
     * Relays that are wired to pins and pulse-width drivers are counted: of needs beyond them the least critical go
     * without, the later ones first.
     */
    private List<Need> tooMany(Need.Kind kind, int wired) {
        long channels =
                layout.terminals.stream().filter(t -> t.serves().contains(kind)).count();
        List<Need> all = needs.stream()
                .filter(n -> n.kind() == kind)
                .sorted(Comparator.comparing((Need n) -> !said.fixed(n))
                        .thenComparing(n -> said.terminal(n) == null)
                        .thenComparing(n -> said.device(n).criticality(), Comparator.reverseOrder()))
                .toList();
        int most = (int) Math.min(all.size(), wired + channels);
        return all.subList(most, all.size());
    }

    private double cost(Need need, int number) {
        ComputingBudget.step();
        Terminal terminal = layout.terminals.get(number);
        boolean here = terminal.id().equals(said.terminal(need));
        if (said.fixed(need)) {
            return here ? FIXED : NEVER;
        }
        if (!terminal.can(need.kind())) {
            return NEVER;
        }
        // later terminals cost a hair more, so that the answer is one of a kind and fills boards in order
        double order = 0.001 * number;
        return order
                + (here && served(need, terminal) ? -MOVED : 0)
                + (terminal.pin() == null ? CHANNEL : pin(need, terminal.pin()));
    }

    /** Whether the relay or driver behind a pin is still there; a terminal without one is as good as a new one. */
    private boolean served(Need need, Terminal terminal) {
        if (terminal.pin() == null || need.kind().reads()) {
            return true;
        }
        List<String> behind = need.kind() == Need.Kind.RELAY ? layout.relays : layout.drivers;
        return said.behind(need) != null && behind.contains(said.behind(need));
    }

    private double pin(Need need, Pin pin) {
        double cost = PIN;
        if (pin.strap()) {
            cost += need.kind().reads() ? STRAP_IN : STRAP_OUT;
        }
        if (pin.can(Pin.Ability.CONSOLE)) {
            cost += CONSOLE;
        }
        if (need.kind() == Need.Kind.ANALOGUE) {
            cost += pin.can(Pin.Ability.AN) ? 0 : DEAF_WITH_RADIO;
        } else {
            cost += pin.can(Pin.Ability.AN) ? SPOILT_ABILITY : 0;
            cost += pin.can(Pin.Ability.AN_RADIO) ? RADIO_TIE : 0;
        }
        cost += pin.can(Pin.Ability.WAKE) && !need.kind().reads() ? SPOILT_ABILITY : 0;
        cost += pin.bus() ? BUS_PIN : 0;
        boolean floats = Need.contact(need, said.device(need)) && pin.floats();
        cost += floats ? FLOATS : !pin.can(Pin.Ability.OUT) ? ONLY_IN : 0;
        if (!need.kind().reads() && layout.pulses(pin) > 0) {
            cost += SaidWiring.mustNotPulse(said.device(need)) ? 10 * CLICK : CLICK;
        }
        return cost;
    }

    private Terminal best(int need) {
        int column = columnOf[need];
        Terminal terminal = column < layout.terminals.size() ? layout.terminals.get(column) : null;
        return terminal != null && (terminal.can(needs.get(need).kind()) || said.fixed(needs.get(need)))
                ? terminal
                : null;
    }

    /** The best terminals in full: pins that drive a relay or driver name it too. */
    private Map<Need, String> full() {
        Map<Need, String> full = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        for (int pass = 0; pass < 2; pass++) {
            for (int n = 0; n < needs.size(); n++) {
                Need need = needs.get(n);
                Terminal terminal = best(n);
                if (terminal == null || full.containsKey(need)) {
                    continue;
                }
                List<String> behind = terminal.pin() == null || need.kind().reads()
                        ? List.of()
                        : need.kind() == Need.Kind.RELAY ? layout.relays : layout.drivers;
                if (behind.isEmpty()) {
                    full.put(need, terminal.id());
                    continue;
                }
                String kept = said.behind(need);
                // first those that keep theirs, then the others take what is free
                String relay = pass == 0
                        ? kept != null && behind.contains(kept) && !taken.contains(kept) ? kept : null
                        : behind.stream()
                                .filter(r -> !taken.contains(r))
                                .findFirst()
                                .orElse(null);
                if (relay != null) {
                    taken.add(relay);
                    full.put(need, terminal.id() + " " + relay);
                }
            }
        }
        return full;
    }

    private List<Edit> edits() {
        Map<Need, String> full = full();
        Map<String, Map<String, String>> byDevice = new LinkedHashMap<>();
        needs.forEach(n -> byDevice.computeIfAbsent(n.device(), k -> new TreeMap<>()));
        full.forEach((need, terminal) -> byDevice.get(need.device()).put(need.name(), terminal));
        List<Edit> edits = new ArrayList<>();
        byDevice.forEach((id, terminals) -> {
            Wiring now = plan.devices().get(id).wiring();
            boolean fixed = now != null && now.fixed();
            Map<String, String> all = new TreeMap<>(fixed ? now.terminals() : Map.of());
            // of a fixed device only what is missing is filled in: other connections, and relays behind pins
            all.putAll(terminals);
            Wiring then = all.isEmpty() ? null : new Wiring(all, fixed);
            if (!java.util.Objects.equals(now, then)) {
                edits.add(Edit.replace(Pointers.of("devices", id) + "/wiring", then));
            }
        });
        return edits;
    }

    private Wired wired() {
        Map<Need, String> full = full();
        Map<String, Integer> users = new HashMap<>();
        needs.forEach(n -> {
            if (said.terminal(n) != null) {
                users.merge(said.terminal(n), 1, Integer::sum);
            }
        });
        List<Wired.Connection> places = new ArrayList<>();
        Map<String, String> deviceAt = new HashMap<>();
        for (int n = 0; n < needs.size(); n++) {
            Need need = needs.get(n);
            String here = said.terminal(need);
            Terminal best = best(n);
            TerminalWords.Trouble trouble = here == null ? null : words.trouble(need, here, users.get(here));
            if (here != null) {
                deviceAt.put(here, need.device());
            }
            Wiring wiring = said.device(need).wiring();
            places.add(WiredConnectionBuilder.builder()
                    .device(need.device())
                    .need(need.name())
                    .kind(need.kind())
                    .terminal(wiring == null ? null : wiring.terminals().get(need.name()))
                    .best(full.get(need))
                    .why(words.why(need, best, full.get(need)))
                    .boot(here == null ? null : words.boot(need, here))
                    .contact(here == null ? null : words.contact(need))
                    .trouble(trouble == null ? null : trouble.text())
                    .code(trouble == null ? null : trouble.code())
                    .fixed(said.fixed(need))
                    .build());
        }
        List<Wired.PinUse> pins = layout.main == null
                ? List.of()
                : layout.main.pins().stream().map(p -> use(p, deviceAt)).toList();
        long used =
                layout.terminals.stream().filter(t -> users.containsKey(t.id())).count();
        return new Wired(unit, layout.main == null ? null : layout.main.name(), layout.unknown, places, pins, (int)
                (layout.terminals.size() - used));
    }

    private Wired.PinUse use(Pin pin, Map<String, String> deviceAt) {
        return new Wired.PinUse(
                pin.name(),
                pin.abilities().stream().map(Pin.Ability::word).toList(),
                deviceAt.get("main/" + pin.name()),
                layout.held(pin),
                pin.highS() > 0
                        ? "high for " + TerminalWords.seconds(pin.highS()) + " at start"
                        : pin.lowS() > 0 ? "low for " + TerminalWords.seconds(pin.lowS()) + " at start" : null);
    }
}
