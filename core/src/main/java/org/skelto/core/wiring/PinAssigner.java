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
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Pin;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
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
    private static final double BUS_PIN = 4;
    private static final double CLICK = 30;
    private static final double STRAP_OUT = 200;
    private static final double STRAP_IN = 400;
    private static final double DEAF_WITH_RADIO = 300;
    private static final double CONSOLE = 600;

    private final Plan plan;
    private final String unit;
    private final Layout layout;
    private final List<Need> needs = new ArrayList<>();
    private double[][] cost = {};
    private int[] columnOf = {};

    private PinAssigner(Plan plan, String id, Unit unit, List<Map.Entry<String, Device>> devices, Catalogue catalogue) {
        this.plan = plan;
        this.unit = id;
        this.layout = new Layout(unit.boards(), catalogue);
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
        return unit.boards() != null && unit.kind().drives();
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

    private Device device(Need need) {
        return plan.devices().get(need.device());
    }

    /** The terminal that the plan says, without the relay behind it; null when it says none. */
    private String said(Need need) {
        Wiring wiring = device(need).wiring();
        String all = wiring == null ? null : wiring.terminals().get(need.name());
        return all == null ? null : all.split(" ")[0];
    }

    private boolean fixed(Need need) {
        Wiring wiring = device(need).wiring();
        return wiring != null && wiring.fixed() && said(need) != null;
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
                .sorted(Comparator.comparing((Need n) -> !fixed(n))
                        .thenComparing(n -> said(n) == null)
                        .thenComparing(n -> device(n).criticality(), Comparator.reverseOrder()))
                .toList();
        int most = (int) Math.min(all.size(), wired + channels);
        return all.subList(most, all.size());
    }

    private double cost(Need need, int number) {
        ComputingBudget.step();
        Terminal terminal = layout.terminals.get(number);
        boolean here = terminal.id().equals(said(need));
        if (fixed(need)) {
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
        return behind(need) != null && behind.contains(behind(need));
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
        cost += !pin.can(Pin.Ability.OUT) ? ONLY_IN : 0;
        if (!need.kind().reads() && pulses(pin) > 0) {
            cost += mustNotPulse(device(need)) ? 10 * CLICK : CLICK;
        }
        return cost;
    }

    /** Seconds for which an output is on while the board starts. */
    private double pulses(Pin pin) {
        return layout.activeLow ? pin.lowS() : pin.highS();
    }

    /** What moves, opens or sounds must not do so because a board starts. */
    static boolean mustNotPulse(Device device) {
        return device.kind() == DeviceKind.BLIND
                || device.kind().family() == DeviceKind.Family.BARRIER
                || device.kind().family() == DeviceKind.Family.VALVE
                || device.kind().family() == DeviceKind.Family.SOUNDER
                || device.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
    }

    private Terminal best(int need) {
        int column = columnOf[need];
        Terminal terminal = column < layout.terminals.size() ? layout.terminals.get(column) : null;
        return terminal != null && (terminal.can(needs.get(need).kind()) || fixed(needs.get(need))) ? terminal : null;
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
                String kept = behind(need);
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

    private String behind(Need need) {
        Wiring wiring = device(need).wiring();
        String all = wiring == null ? null : wiring.terminals().get(need.name());
        return all == null || !all.contains(" ") ? null : all.split(" ")[1];
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
            if (said(n) != null) {
                users.merge(said(n), 1, Integer::sum);
            }
        });
        List<Wired.Connection> places = new ArrayList<>();
        Map<String, String> deviceAt = new HashMap<>();
        for (int n = 0; n < needs.size(); n++) {
            Need need = needs.get(n);
            String said = said(need);
            Terminal best = best(n);
            Trouble trouble = said == null ? null : trouble(need, said, users.get(said));
            if (said != null) {
                deviceAt.put(said, need.device());
            }
            Wiring wiring = device(need).wiring();
            places.add(WiredConnectionBuilder.builder()
                    .device(need.device())
                    .need(need.name())
                    .kind(need.kind())
                    .terminal(wiring == null ? null : wiring.terminals().get(need.name()))
                    .best(full.get(need))
                    .why(why(need, best, full.get(need)))
                    .boot(said == null ? null : boot(need, said))
                    .contact(said == null ? null : contact(need))
                    .trouble(trouble == null ? null : trouble.text)
                    .code(trouble == null ? null : trouble.code)
                    .fixed(fixed(need))
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
                        ? "high for " + seconds(pin.highS()) + " at start"
                        : pin.lowS() > 0 ? "low for " + seconds(pin.lowS()) + " at start" : null);
    }

    private static String seconds(double s) {
        return java.math.BigDecimal.valueOf(s).stripTrailingZeros().toPlainString() + " s";
    }

    private record Trouble(String code, String text) {}

    /** What is wrong with the terminal that the plan says. */
    private Trouble trouble(Need need, String said, int users) {
        if (users > 1) {
            return new Trouble("C4", said + " is taken by " + users + " connections");
        }
        Pin pin = layout.main == null || !said.startsWith("main/")
                ? null
                : layout.main.pin(said.substring("main/".length())).orElse(null);
        if (pin == null) {
            boolean known = layout.terminals.stream().anyMatch(t -> t.id().equals(said) && t.can(need.kind()));
            return known
                    ? null
                    : new Trouble(
                            "C3",
                            said + " is no terminal that could be "
                                    + need.kind().words());
        }
        if (!new Terminal("main", pin.name(), pin, Set.of()).can(need.kind())) {
            return new Trouble("C3", pin.name() + " cannot be " + need.kind().words());
        }
        String held = layout.held(pin);
        if (held != null) {
            return new Trouble("C4", pin.name() + " is held by " + held);
        }
        if (pin.can(Pin.Ability.CONSOLE)) {
            return new Trouble("C4", pin.name() + " speaks with whoever programs the board");
        }
        if (pin.strap()) {
            String level = pin.can(Pin.Ability.STRAP_HIGH) ? "high" : "low";
            return new Trouble("C2", pin.name() + " must be " + level + " while the board starts");
        }
        if (!need.kind().reads() && pulses(pin) > 0 && mustNotPulse(device(need))) {
            return new Trouble(
                    "C5", pin.name() + " switches it on for " + seconds(pulses(pin)) + " when the board starts");
        }
        return need.kind() == Need.Kind.ANALOGUE && !pin.can(Pin.Ability.AN)
                ? new Trouble("C6", pin.name() + " reads nothing while the radio sends")
                : null;
    }

    private String boot(Need need, String said) {
        if (need.kind().reads() || !said.startsWith("main/") || layout.main == null) {
            return null;
        }
        String relay = behind(need);
        Part board = relay == null ? null : layout.more.get(relay.substring(0, relay.indexOf('/')));
        if (board != null && board.is(Trait.BISTABLE)) {
            return "keeps the state that it had";
        }
        return layout.main
                .pin(said.substring("main/".length()))
                .map(pin -> pulses(pin) > 0
                        ? "on for " + seconds(pulses(pin)) + " while the board starts; then as told"
                        : "stays off until the board has started")
                .orElse(null);
    }

    /** How the contact is wired: what comes to its common, what leaves it, and when it is closed. */
    private String contact(Need need) {
        if (need.kind() != Need.Kind.RELAY) {
            return null;
        }
        Device d = device(need);
        boolean mains = d.circuit() != null;
        String from;
        if (need.name().equals("down") || need.name().equals("shut")) {
            from = "the resting side of its other way's relay, so that both are never on together";
        } else if (mains) {
            from = "the live wire of " + plan.circuits().get(d.circuit()).name();
        } else {
            from = "plus of "
                    + (d.known().supply() == null
                            ? "the board's supply"
                            : plan.units().get(d.known().supply()).name());
        }
        boolean resting = d.kind() == DeviceKind.LOCK && d.rest() == RestState.OPEN;
        return "common: " + from + "; " + (resting ? "normally closed" : "normally open") + ": " + d.name()
                + (need.name().equals("switch") ? "" : ", " + need.name()) + "; "
                + (mains ? "neutral and earth go past the relay" : "0 V goes past the relay")
                + (mains && d.hand() == Hand.SWITCH ? "; the switch by hand lies beside the contact" : "");
    }

    private String why(Need need, Terminal best, String full) {
        if (best == null || full == null) {
            return missing(need);
        }
        if (fixed(need)) {
            return "fixed by hand";
        }
        List<String> words = new ArrayList<>();
        if (best.id().equals(said(need))) {
            words.add("kept as it is");
        }
        if (best.pin() == null) {
            words.add("a channel of " + best.board() + ", which leaves the pins free");
        } else {
            Pin pin = best.pin();
            if (!pin.can(Pin.Ability.OUT)) {
                words.add("can only read, so nothing else misses it");
            }
            if (pin.strap()) {
                words.add("no pin is left that does not matter while the board starts");
            } else if (pin.can(Pin.Ability.CONSOLE)) {
                words.add("no other pin is left; programming the board will disturb it");
            } else if (!need.kind().reads() && pulses(pin) > 0) {
                words.add("no quieter pin is left: it switches for " + seconds(pulses(pin)) + " at start");
            } else if (words.isEmpty()) {
                words.add("does not matter while the board starts, and nothing else holds it");
            }
        }
        return String.join("; ", words);
    }

    private String missing(Need need) {
        if (layout.main == null) {
            return "the catalogue does not have the main board";
        }
        if (!need.kind().reads() && !layout.has(need.kind())) {
            return "the controller has no " + (need.kind() == Need.Kind.RELAY ? "relay" : "dimmer") + " board";
        }
        boolean any = layout.terminals.stream().anyMatch(t -> t.can(need.kind()));
        return any
                ? "all that could be " + need.kind().words() + " is taken"
                : "nothing on it can be " + need.kind().words();
    }
}
