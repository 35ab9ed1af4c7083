package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.DEVICES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Drive;
import org.skelto.core.plan.equipment.Lockwork;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.WiredContacts;

/** D16 to D18, C18: what is declared of devices and contacts against what their parts are. */
final class DeclaredChecks {
    static final Check CHECK = Check.reading(
            "snags of what is declared",
            List.of(
                    Code.of("D16", Stage.DEVICES, "part and declared behaviour disagree", Severity.FIX),
                    Code.of("D17", Stage.DEVICES, "bolt gap or alignment out of its sheet's range", Severity.FIX),
                    Code.of("D18", Stage.DEVICES, "rest state unknown: a drive that keeps its position", Severity.LOOK),
                    Code.of(
                            "C18",
                            Stage.CONTROLLERS,
                            "contact wired between units of different supplies",
                            Severity.LOOK)),
            List.of(
                    PlanPart.LINKS,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_POWER,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS,
                    PlanPart.DEVICE_WIRING),
            List.of(),
            DeclaredChecks::run);

    private DeclaredChecks() {}

    static void run(CheckContext c) {
        c.plan.devices()
                .forEach((id, d) -> c.parts.find(d.known().part()).ifPresent(part -> {
                    rest(c, id, d, part);
                    drive(c, id, d, part);
                    bolt(c, id, d, part);
                }));
        contacts(c);
    }

    /** What a part does without power, or null where its sheet says nothing of it. */
    private static RestState restOf(Device d, Part part) {
        if (part.is(Trait.FAIL_SAFE)) {
            return RestState.OPEN;
        }
        if (part.is(Trait.FAIL_SECURE)) {
            return RestState.CLOSED;
        }
        boolean keeps = part.is(Trait.TWO_WAY) && (part.kind() == PartKind.DRIVE || part.kind() == PartKind.VALVE);
        return keeps && d.kind() != DeviceKind.LOCK ? RestState.STAYS : null;
    }

    private static void rest(CheckContext c, String id, Device d, Part part) {
        RestState is = restOf(d, part);
        if (is == null || is == d.rest()) {
            return;
        }
        String words = is == RestState.OPEN ? "opens" : is == RestState.CLOSED ? "stays shut" : "keeps its position";
        c.snag("D16", FIX, DEVICES, d.name() + " is planned otherwise than its part behaves")
                .figures(part.name() + " " + words + " when its power goes; the plan says "
                        + d.rest().name().toLowerCase(java.util.Locale.ROOT))
                .leadsTo(
                        "In the first power cut it does the opposite of what everybody reckoned with. Choose another part, or"
                                + " say at the device what this one does and read what follows.")
                .at(CheckContext.device(id))
                .add();
    }

    private static void drive(CheckContext c, String id, Device d, Part part) {
        Drive is = part.is(Trait.SINGLE_PULSE) ? Drive.SINGLE_PULSE : part.is(Trait.TWO_WAY) ? Drive.TWO_WAY : null;
        Drive said = d.known().drive();
        // one changeover contact works what wants two; a pulse in turn is another thing
        boolean apart = (is == Drive.SINGLE_PULSE) != (said == Drive.SINGLE_PULSE);
        if (is != null && said != null && apart) {
            c.snag("D16", FIX, DEVICES, d.name() + " is driven otherwise than its part wants")
                    .figures(part.name() + ": "
                            + (is == Drive.SINGLE_PULSE
                                    ? "each pulse starts, stops or reverses it"
                                    : "a contact each way")
                            + "; the plan says "
                            + said.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '))
                    .leadsTo("It is wired with the wrong contacts, and moves the wrong way or not at all.")
                    .at(CheckContext.device(id))
                    .add();
        } else if (is == Drive.TWO_WAY && said == null && d.kind().moves() && d.rest() != RestState.STAYS) {
            c.snag("D18", LOOK, DEVICES, d.name() + ": nobody said how it is driven")
                    .figures(part.name() + " keeps its position without power")
                    .leadsTo("Where it stands after a power cut is where it happened to be.")
                    .at(CheckContext.device(id))
                    .add();
        }
    }

    /** What was measured at the door against what the part bridges; a sheet that is silent judges nothing. */
    private static void bolt(CheckContext c, String id, Device d, Part part) {
        Lockwork lock = d.known().lock();
        if (lock == null) {
            return;
        }
        List<String> over = new ArrayList<>();
        over(over, "gap", lock.gapMm(), part.figure(Quantity.GAP_MM).orElse(null));
        over(over, "offset", lock.offsetMm(), part.figure(Quantity.OFFSET_MM).orElse(null));
        if (!over.isEmpty()) {
            c.snag("D17", FIX, DEVICES, d.name() + ": the door does not fit its bolt")
                    .figures(String.join("; ", over) + " by the sheet of " + part.name())
                    .leadsTo(
                            "The bolt meets the plate beside its hole or reaches it too short: it stalls, or looks locked and is"
                                    + " not. Set hinges and plate anew, or choose a part with a longer bolt.")
                    .at(CheckContext.device(id))
                    .add();
        }
    }

    private static void over(List<String> all, String what, @Nullable Double measured, @Nullable Double most) {
        if (measured != null && most != null && measured > most) {
            all.add(what + " " + Text.number(measured, 1) + " mm, at most " + Text.number(most, 1) + " mm");
        }
    }

    /** One line for each two units, as one decision settles all their contacts. */
    private static void contacts(CheckContext c) {
        Map<String, Set<String>> alike = new TreeMap<>();
        WiredContacts.cables(c.plan).keySet().forEach(pair -> {
            String from = pair.get(0);
            String to = pair.get(1);
            if (!supply(c, from).equals(supply(c, to))) {
                alike.computeIfAbsent(to, k -> new TreeSet<>()).add(from);
            }
        });
        alike.forEach((to, from) -> c.snag(
                        "C18",
                        LOOK,
                        Stage.CONTROLLERS,
                        "Contacts come to " + name(c, to) + " from units on other supplies")
                .figures(String.join(", ", from.stream().map(u -> name(c, u)).toList()))
                .leadsTo(
                        "Only a contact free of voltage joins two supplies safely: both its cores come from the input, and no 0 V"
                                + " is shared. A transistor output needs a common 0 V, a mains contact its own cable.")
                .at(CheckContext.unit(to))
                .add());
    }

    private static String name(CheckContext c, String unit) {
        return c.plan.units().get(unit).name();
    }

    private static String supply(CheckContext c, String unit) {
        var power = c.plan.units().get(unit).power();
        return power.from() == null ? power.source() + " " + power.circuit() : power.from();
    }
}
