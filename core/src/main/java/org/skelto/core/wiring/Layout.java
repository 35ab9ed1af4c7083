package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Pin;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.work.ComputingBudget;

/** The boards of a controller with the terminals that are free for devices, and the relays that are wired to pins. */
final class Layout {
    final Part main;
    final Map<String, Part> more = new TreeMap<>();

    /** Parts that the catalogue does not have. */
    final List<String> unknown = new ArrayList<>();

    final List<Terminal> terminals = new ArrayList<>();

    /** Relays whose inputs are wired to pins, as board/number; outputs of drivers that need a pulse-width pin likewise. */
    final List<String> relays = new ArrayList<>();

    final List<String> drivers = new ArrayList<>();
    /** What of the main board's pins is wired to a module, and to which. */
    private final Map<String, String> reserved = new TreeMap<>();

    /** Clock, data in, data out, select, reset and interrupt; and data in and out of what is keyed. */
    private static final int SPI_WIRES = 6;

    private static final int KEYED_WIRES = 2;
    final boolean activeLow;
    final boolean bus;
    final boolean serial;

    Layout(BoardSet boards, Catalogue catalogue) {
        this.main = catalogue.find(boards.main()).filter(Layout::drives).orElse(null);
        if (main == null) {
            unknown.add(boards.main());
        }
        boards.more()
                .forEach((name, board) -> catalogue
                        .find(board.part())
                        .ifPresentOrElse(p -> more.put(name, p), () -> unknown.add(board.part())));
        this.bus = more.values().stream().anyMatch(p -> p.is(Trait.BUS));
        this.serial = more.values().stream().anyMatch(p -> p.is(Trait.SERIAL));
        // relay boards of one controller are taken to switch alike; where they differ, the one that clicks counts
        this.activeLow = more.values().stream().anyMatch(p -> wiredRelays(p) && p.is(Trait.ACTIVE_LOW));
        reserve();
        if (main != null) {
            for (Pin pin : main.pins()) {
                if (pin.usable() && held(pin) == null) {
                    terminals.add(new Terminal(BoardSet.MAIN, pin.name(), pin, Set.of()));
                }
            }
        }
        if (main != null && main.kind() != PartKind.BOARD) {
            zones(BoardSet.MAIN, main);
        }
        more.forEach(this::board);
    }

    /** Whether devices can be connected to a part: a board, a panel, a unit on the power line, a small computer with pins. */
    private static boolean drives(Part part) {
        return switch (part.kind()) {
            case BOARD, PANEL, POWER_LINE -> true;
            case HUB_COMPUTER -> !part.pins().isEmpty();
            default -> false;
        };
    }

    /** Zones and outputs of a panel or an expander, and the channels of a unit on the power line. */
    private void zones(String name, Part part) {
        for (int zone = 1; zone <= part.figure(Quantity.ZONES, 0); zone++) {
            terminals.add(new Terminal(name, "Z" + zone, null, Set.of(Need.Kind.INPUT)));
        }
        for (int output = 1; output <= part.figure(Quantity.OUTPUTS, 0); output++) {
            terminals.add(new Terminal(name, "O" + output, null, Set.of(Need.Kind.RELAY)));
        }
        boolean dims = part.is(Trait.LEADING_EDGE) || part.is(Trait.TRAILING_EDGE);
        for (int channel = 1; channel <= part.channels(); channel++) {
            terminals.add(new Terminal(
                    name, String.valueOf(channel), null, Set.of(dims ? Need.Kind.DIMMER : Need.Kind.RELAY)));
        }
    }

    private static boolean wiredRelays(Part part) {
        return part.kind() == PartKind.RELAY_BOARD && !part.is(Trait.BUS) && !part.is(Trait.SERIAL);
    }

    private void board(String name, Part part) {
        if (part.kind() == PartKind.EXPANDER) {
            zones(name, part);
            return;
        }
        for (int channel = 1; channel <= part.channels(); channel++) {
            String id = name + "/" + channel;
            if (wiredRelays(part)) {
                relays.add(id);
            } else if (part.kind() == PartKind.DIMMER_BOARD && part.is(Trait.PULSE_WIDTH)) {
                drivers.add(id);
            } else if (part.is(Trait.BUS) || part.is(Trait.SERIAL)) {
                terminals.add(new Terminal(name, String.valueOf(channel), null, serves(part)));
            }
        }
    }

    private static Set<Need.Kind> serves(Part part) {
        return switch (part.kind()) {
            case RELAY_BOARD -> Set.of(Need.Kind.RELAY);
            case DIMMER_BOARD -> Set.of(Need.Kind.DIMMER);
            case INPUT_BOARD ->
                part.is(Trait.ANALOGUE)
                        ? Set.of(Need.Kind.ANALOGUE)
                        : part.is(Trait.IRQ) ? Set.of(Need.Kind.INPUT, Need.Kind.COUNTER) : Set.of(Need.Kind.INPUT);
            default -> Set.of();
        };
    }

    /** Pins that plug-in radio modules are wired to: those that do least besides, from the last one on. */
    private void reserve() {
        if (main == null) {
            return;
        }
        List<Pin> free = new ArrayList<>(main.pins().stream()
                .filter(p -> p.usable() && p.can(Pin.Ability.IN) && p.can(Pin.Ability.OUT))
                .filter(p -> !p.strap() && !p.bus() && !p.can(Pin.Ability.CONSOLE))
                .toList());
        Collections.reverse(free);
        free.sort(Comparator.comparing(Pin::analogue));
        for (Part part : more.values()) {
            int wires = part.kind() != PartKind.RADIO_MODULE
                    ? 0
                    : part.is(Trait.SPI) ? SPI_WIRES : part.is(Trait.SUB_GHZ) ? KEYED_WIRES : 0;
            for (int i = 0; i < wires && !free.isEmpty(); i++) {
                reserved.put(free.remove(0).name(), "the wires of " + part.name());
            }
        }
    }

    /** What holds a pin so that no device may have it, or null. */
    String held(Pin pin) {
        if (pin.can(Pin.Ability.RADIO)) {
            return "the radio";
        }
        if (reserved.containsKey(pin.name())) {
            return reserved.get(pin.name());
        }
        if (bus && pin.bus()) {
            return "the two-wire bus";
        }
        return serial && pin.can(Pin.Ability.CONSOLE) ? "the RS-485 line" : null;
    }

    /** Whether any board has relays, or dimmer outputs. */
    boolean has(Need.Kind kind) {
        ComputingBudget.step();
        return !(kind == Need.Kind.RELAY ? relays : drivers).isEmpty()
                || terminals.stream().anyMatch(t -> t.serves().contains(kind));
    }

    /** Seconds for which an output is on while the board starts. */
    double pulses(Pin pin) {
        return activeLow ? pin.lowS() : pin.highS();
    }
}
