package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.core.wiring.Wired;
import org.skelto.core.wiring.WiredContacts;

/** C1 to C6 of controllers whose boards are chosen. */
final class WiringChecks {
    static final Check CHECK = Check.of(
            "snags of wiring",
            List.of(
                    Code.of(
                            "C1",
                            Stage.CONTROLLERS,
                            "boards chosen, but no terminal is left that could serve a connection",
                            Severity.STOP),
                    Code.of(
                            "C2",
                            Stage.CONTROLLERS,
                            "boot-strap pin: an input held there, or an output that clicks",
                            Severity.STOP,
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of(
                            "C3",
                            Stage.CONTROLLERS,
                            "pin cannot do what is connected to it, or a part that the catalogue does not have",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "C4",
                            Stage.CONTROLLERS,
                            "pin held by a bus, radio or console, or by two connections",
                            Severity.STOP,
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of(
                            "C5",
                            Stage.CONTROLLERS,
                            "output that pulses at start on what moves, opens or sounds",
                            Severity.STOP,
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of(
                            "C6",
                            Stage.CONTROLLERS,
                            "analogue input that reads nothing while the radio sends",
                            Severity.STOP,
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("C17", Stage.CONTROLLERS, "contact on a pin without pull-up", Severity.FIX, Severity.LOOK)),
            List.of(HouseFacts.WIRED),
            WiringChecks::run);

    private static final Map<String, String> LEADS_TO = Map.of(
            "C2", "Held at the wrong level it keeps the board from starting; an output there clicks.",
            "C3", "It will not work at all, whatever is programmed.",
            "C4", "Two things on one pin disturb each other, and neither works.",
            "C5", "After each power cut it moves, opens or sounds by itself.",
            "C6", "Its reading comes and goes with the traffic of the radio.",
            "C17",
                    "Its state comes and goes with every hand near the wire. A resistor of 10 kΩ to the logic's plus holds it.");

    private WiringChecks() {}

    static void run(CheckContext c) {
        Map<String, WiredContacts> contacts = WiredContacts.of(c.plan);
        c.wired().forEach((id, wired) -> {
            unknown(c, id, wired);
            missing(c, id, wired, contacts.getOrDefault(id, WiredContacts.NONE));
            wired.needs().stream()
                    .filter(p -> p.trouble() != null)
                    .collect(Collectors.groupingBy(Wired.Connection::code, java.util.TreeMap::new, Collectors.toList()))
                    .forEach((code, places) -> places.forEach(p -> trouble(c, id, code, p)));
        });
    }

    private static void unknown(CheckContext c, String id, Wired wired) {
        if (!wired.unknown().isEmpty()) {
            c.snag("C3", FIX, CONTROLLERS, name(c, id) + " is made of parts that the catalogue does not have")
                    .figures(String.join(", ", wired.unknown()))
                    .leadsTo("Nobody can say which of its pins do what.")
                    .at(CheckContext.unit(id, "/boards"))
                    .add();
        }
    }

    private static void missing(CheckContext c, String id, Wired wired, WiredContacts contacts) {
        List<Wired.Connection> none = wired.board() == null
                ? List.of()
                : wired.needs().stream().filter(p -> p.best() == null).toList();
        if (!none.isEmpty()) {
            c.snag("C1", STOP, CONTROLLERS, name(c, id) + " has not enough channels")
                    .figures(none.stream()
                            .map(p -> c.plan.devices().get(p.device()).name() + ": " + p.why())
                            .collect(Collectors.joining(", ")))
                    .leadsTo((none.size() == 1 ? "One connection" : none.size() + " connections") + " cannot be made.")
                    .at(CheckContext.unit(id))
                    .add();
        }
        if (none.isEmpty() && wired.board() != null && contacts.terminals() > wired.free()) {
            c.snag("C1", STOP, CONTROLLERS, name(c, id) + " has not enough terminals for wired contacts")
                    .figures(contacts.words() + ", " + wired.free() + " terminals free")
                    .leadsTo((contacts.terminals() - wired.free()) + " of them cannot be connected.")
                    .at(CheckContext.unit(id))
                    .add();
        }
    }

    private static void trouble(CheckContext c, String id, String code, Wired.Connection place) {
        String device = c.plan.devices().get(place.device()).name();
        boolean better = !place.fixed() && place.best() != null && !place.best().equals(place.terminal());
        boolean mild = code.equals("C6")
                || code.equals("C17")
                || code.equals("C2") && !place.kind().reads();
        // what is pressed now and then holds a pin only for somebody who keeps a finger on it
        boolean pressed =
                code.equals("C2") && c.plan.devices().get(place.device()).kind() == DeviceKind.PUSH_BUTTON;
        // a resistor settles it where no better pin is left
        Severity severity = pressed || code.equals("C17") && !better ? LOOK : mild ? FIX : STOP;
        var draft = c.snag(code, severity, CONTROLLERS, device + ": " + place.trouble())
                .figures("on " + name(c, id) + ", " + place.terminal() + (place.fixed() ? ", fixed by hand" : ""))
                .leadsTo(LEADS_TO.get(code))
                .at(CheckContext.device(place.device()), CheckContext.unit(id));
        if (better) {
            draft.fix(
                    "Assign the channels of " + name(c, id) + " anew",
                    PinAssigner.edits(c.plan, c.parts, id).toArray(Edit[]::new));
        }
        draft.add();
    }

    private static String name(CheckContext c, String unit) {
        return c.plan.units().get(unit).name();
    }
}
