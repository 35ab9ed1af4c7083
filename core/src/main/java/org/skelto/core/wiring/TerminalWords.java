package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Pin;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Hand;

/** Says of terminals why they were chosen, what is wrong with them, and how what hangs on them is wired. */
final class TerminalWords {
    private final Plan plan;
    private final Layout layout;
    private final SaidWiring said;

    TerminalWords(Plan plan, Layout layout, SaidWiring said) {
        this.plan = plan;
        this.layout = layout;
        this.said = said;
    }

    /** A check's code and what is wrong. */
    record Trouble(String code, String text) {}

    /** What is wrong with the terminal that the plan says. */
    @Nullable
    Trouble trouble(Need need, String terminal, int users) {
        if (users > 1) {
            return new Trouble("C4", terminal + " is taken by " + users + " connections");
        }
        Pin pin = layout.main == null || !terminal.startsWith("main/")
                ? null
                : layout.main.pin(terminal.substring("main/".length())).orElse(null);
        if (pin == null) {
            boolean known = layout.terminals.stream().anyMatch(t -> t.id().equals(terminal) && t.can(need.kind()));
            return known
                    ? null
                    : new Trouble(
                            "C3",
                            terminal + " is no terminal that could be "
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
        if (!need.kind().reads() && layout.pulses(pin) > 0 && SaidWiring.mustNotPulse(said.device(need))) {
            return new Trouble(
                    "C5", pin.name() + " switches it on for " + seconds(layout.pulses(pin)) + " when the board starts");
        }
        if (need.kind() == Need.Kind.ANALOGUE && !pin.can(Pin.Ability.AN)) {
            return new Trouble("C6", pin.name() + " reads nothing while the radio sends");
        }
        return Need.contact(need, said.device(need)) && pin.floats()
                ? new Trouble(
                        "C17", pin.name() + " can only read and has no pull-up: an open contact leaves it floating")
                : null;
    }

    /** What an output does while the board starts, or null for what reads. */
    @Nullable
    String boot(Need need, String terminal) {
        if (need.kind().reads() || !terminal.startsWith("main/") || layout.main == null) {
            return null;
        }
        String relay = said.behind(need);
        Part board = relay == null ? null : layout.more.get(relay.substring(0, relay.indexOf('/')));
        if (board != null && board.is(Trait.BISTABLE)) {
            return "keeps the state that it had";
        }
        return layout.main
                .pin(terminal.substring("main/".length()))
                .map(pin -> layout.pulses(pin) > 0
                        ? "on for " + seconds(layout.pulses(pin)) + " while the board starts; then as told"
                        : "stays off until the board has started")
                .orElse(null);
    }

    /** How the contact is wired: what comes to its common, what leaves it, and when it is closed. */
    @Nullable
    String contact(Need need) {
        if (need.kind() != Need.Kind.RELAY) {
            return null;
        }
        Device d = said.device(need);
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
        boolean resting = d.known().contact() == ContactRest.NORMALLY_CLOSED;
        return "common: " + from + "; " + (resting ? "normally closed" : "normally open") + ": " + d.name()
                + (need.name().equals("switch") ? "" : ", " + need.name()) + "; "
                + (mains ? "neutral and earth go past the relay" : "0 V goes past the relay")
                + (mains && d.hand() == Hand.SWITCH ? "; the switch by hand lies beside the contact" : "");
    }

    /** Why this terminal is the best, or why there is none. */
    String why(Need need, Terminal best, String full) {
        if (best == null || full == null) {
            return missing(need);
        }
        if (said.fixed(need)) {
            return "fixed by hand";
        }
        List<String> words = new ArrayList<>();
        if (best.id().equals(said.terminal(need))) {
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
            } else if (!need.kind().reads() && layout.pulses(pin) > 0) {
                words.add("no quieter pin is left: it switches for " + seconds(layout.pulses(pin)) + " at start");
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

    static String seconds(double s) {
        return java.math.BigDecimal.valueOf(s).stripTrailingZeros().toPlainString() + " s";
    }
}
