package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;
import static org.skelto.core.snags.Stage.DEVICES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Caution;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.AfterPower;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Drive;
import org.skelto.core.plan.equipment.HandControl;
import org.skelto.core.plan.equipment.Lockwork;
import org.skelto.core.plan.equipment.StateConflictPolicy;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.power.Loads;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.Wired;

/** D1, D5, D6, D11, D14, D15 and C9: how devices are worked, and what happens when power returns. */
final class WorksChecks {
    static final Check CHECK = Check.of(
            "snags of how devices are worked",
            List.of(
                    Code.of(
                            "D1",
                            Stage.DEVICES,
                            "cautions not acknowledged: mains, lithium cells, ways out, powered doors, life safety",
                            Severity.STOP,
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of(
                            "D5",
                            Stage.DEVICES,
                            "nothing tells where a door, gate, blind or valve is",
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("D6", Stage.DEVICES, "single-pulse drive with fewer than two end sensors", Severity.FIX),
                    Code.of(
                            "D11",
                            Stage.DEVICES,
                            "state after power not chosen, or all loads of a circuit come back together",
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("D14", Stage.DEVICES, "locked is taken from the drive alone", Severity.FIX),
                    Code.of("D15", Stage.DEVICES, "latching switch and restored state can disagree", Severity.FIX),
                    Code.of("C9", Stage.CONTROLLERS, "two controllers of the same identity", Severity.STOP)),
            List.of(HouseFacts.WIRED),
            WorksChecks::run);

    /** A breaker of type B trips at once from this multiple of its rating (IEC 60898). */
    private static final double TRIPS_AT = 3;

    /** So many loads on one circuit whose breaker is not known are a crowd. */
    private static final int CROWD = 4;

    private static final double STAGGER_S = 0.5;

    private WorksChecks() {}

    static void run(CheckContext c) {
        cautions(c);
        c.plan.devices().forEach((id, d) -> {
            moved(c, id, d);
            locked(c, id, d);
            latched(c, id, d);
        });
        afterPower(c);
        together(c);
        identity(c);
    }

    private static void cautions(CheckContext c) {
        long mains = count(c, d -> d.circuit() != null);
        caution(
                c,
                Caution.MAINS,
                STOP,
                mains,
                "mains work",
                mains == 1 ? "1 device is fed from the mains" : mains + " devices are fed from the mains");
        long cells = c.plan.units().values().stream()
                .filter(u -> c.parts
                        .find(u.power().part())
                        .filter(p -> p.is(Trait.LITHIUM))
                        .isPresent())
                .count();
        caution(c, Caution.LITHIUM, FIX, cells, "lithium cells", cells + " units have lithium cells");
        long exits = count(c, Device::exitRoute);
        caution(c, Caution.EXIT, FIX, exits, "ways out", exits + " doors on the way out are worked by a controller");
        long doors = count(c, d -> d.kind() == DeviceKind.GATE || d.kind() == DeviceKind.POWERED_DOOR);
        caution(c, Caution.POWERED_DOOR, FIX, doors, "powered doors", doors + " gates or doors are driven");
        long vital = count(c, d -> d.criticality() == Criticality.VITAL);
        caution(c, Caution.LIFE_SAFETY, FIX, vital, "life safety", vital + " devices guard life");
    }

    private static long count(CheckContext c, java.util.function.Predicate<Device> which) {
        return c.plan.devices().values().stream().filter(which).count();
    }

    private static void caution(
            CheckContext c, Caution caution, Severity severity, long count, String about, String figures) {
        if (count == 0 || c.plan.acknowledged(caution)) {
            return;
        }
        boolean mains = caution == Caution.MAINS;
        String at = mains ? "/cautionsRead" : "/cautions/" + caution;
        c.snag("D1", severity, DEVICES, "The cautions about " + about + " are not acknowledged")
                .figures(figures)
                .leadsTo(caution.text())
                .at(at)
                .fix(
                        "I have read them",
                        mains ? Edit.replace(at, true) : Edit.add(at, "acknowledged from the list of snags"))
                .add();
    }

    /** An edit of one figure of a device, which may have none yet. */
    static Edit works(String id, Device d, String field, Object value) {
        String at = CheckContext.device(id, "/works");
        return d.works() == null ? Edit.replace(at, Map.of(field, value)) : Edit.replace(at + "/" + field, value);
    }

    /** Whether the controller of a device has so many terminals left, as far as that is known. */
    private static boolean room(CheckContext c, Device d, int terminals) {
        Wired wired = d.unit() == null ? null : c.wired().get(d.unit());
        return wired == null || wired.free() >= terminals;
    }

    private static void moved(CheckContext c, String id, Device d) {
        ActuationSpec works = d.known();
        int ends = works.endSensors() == null ? 0 : works.endSensors();
        if (works.drive() == Drive.SINGLE_PULSE && ends < 2 && d.kind().moves()) {
            var draft = c.snag("D6", FIX, DEVICES, d.name() + " is driven by single pulses and does not know its way")
                    .figures(ends + " end sensors; two are needed")
                    .leadsTo(
                            ends == 0
                                    ? "Nobody knows whether a pulse opens, stops or closes it: up to three may be needed, "
                                            + "and a rule that wants it shut may open it."
                                    : "Between its ends, and after a restart, its direction is unknown: up to two more "
                                            + "pulses may be needed.")
                    .at(CheckContext.device(id));
            if (room(c, d, 2 - ends)) {
                draft.fix("It gets two end sensors", works(id, d, "endSensors", 2));
            }
            draft.add();
        } else if (d.kind().moves() && ends == 0 && !(d.kind() == DeviceKind.BLIND && works.travelS() != null)) {
            boolean blind = d.kind() == DeviceKind.BLIND;
            var draft = c.snag("D5", blind ? LOOK : FIX, DEVICES, "Nothing tells where " + d.name() + " is")
                    .figures("end sensors: " + (works.endSensors() == null ? "none stated" : "none"))
                    .leadsTo(
                            blind
                                    ? "It is known to be up or down only as long as nobody stops it. A travel time lets it "
                                            + "be reckoned."
                                    : "\"Shut\" means only that it was told to shut; stuck halfway it looks the same.")
                    .at(CheckContext.device(id));
            if (room(c, d, 2)) {
                draft.fix("It gets two end sensors", works(id, d, "endSensors", 2));
            }
            draft.add();
        }
    }

    private static void locked(CheckContext c, String id, Device d) {
        Lockwork lock = d.known().lock();
        if (d.kind() != DeviceKind.LOCK || lock != null && lock.doorContact()) {
            return;
        }
        var draft = c.snag("D14", FIX, DEVICES, "\"Locked\" is taken from the drive of " + d.name() + " alone")
                .figures("no door contact")
                .leadsTo("With the door ajar the bolt is out and the plan says locked.")
                .at(CheckContext.device(id));
        if (room(c, d, 1)) {
            draft.fix(
                    "It gets a door contact",
                    works(
                            id,
                            d,
                            "lock",
                            lock == null
                                    ? new Lockwork(null, null, true)
                                    : new Lockwork(lock.gapMm(), lock.offsetMm(), true, lock.key())));
        }
        draft.add();
    }

    private static void latched(CheckContext c, String id, Device d) {
        ActuationSpec works = d.known();
        if (works.control() == HandControl.LATCH && works.afterPower() != null && works.winner() == null) {
            c.snag(
                            "D15",
                            FIX,
                            DEVICES,
                            d.name() + ": switch and restored state can disagree, and nobody said which wins")
                    .figures("latching switch; after power: "
                            + works.afterPower().name().toLowerCase(java.util.Locale.ROOT))
                    .leadsTo("After a power cut the switch stands at on and the load is off, or the other way round.")
                    .at(CheckContext.device(id))
                    .fix("The switch wins", works(id, d, "winner", StateConflictPolicy.SWITCH))
                    .fix("The restored state wins", works(id, d, "winner", StateConflictPolicy.RESTORED))
                    .add();
        }
    }

    private static void afterPower(CheckContext c) {
        Map<String, List<String>> byUnit = new TreeMap<>();
        c.plan.devices().forEach((id, d) -> {
            Unit unit = d.unit() == null ? null : c.plan.units().get(d.unit());
            if (d.kind().family() == DeviceKind.Family.LOAD
                    && d.kind() != DeviceKind.BLIND
                    && unit != null
                    && unit.drives()
                    && d.known().afterPower() == null) {
                byUnit.computeIfAbsent(d.unit(), k -> new ArrayList<>()).add(id);
            }
        });
        byUnit.forEach((unit, devices) -> c.snag(
                        "D11",
                        LOOK,
                        DEVICES,
                        "Nobody said what the loads of "
                                + c.plan.units().get(unit).name() + " do when power returns")
                .figures(devices.stream()
                        .map(id -> c.plan.devices().get(id).name())
                        .collect(Collectors.joining(", ")))
                .leadsTo("After a power cut at night the house lights up, or what must run stands still.")
                .at(CheckContext.unit(unit), CheckContext.device(devices.get(0)))
                .fix(
                        "They return to what they were",
                        devices.stream()
                                .map(id -> works(id, c.plan.devices().get(id), "afterPower", AfterPower.LAST))
                                .toArray(Edit[]::new))
                .add());
    }

    /** Loads of one circuit that come back at the same moment. */
    private static void together(CheckContext c) {
        c.plan.circuits().forEach((circuit, known) -> {
            List<String> all = c.plan.devices().entrySet().stream()
                    .filter(e -> circuit.equals(e.getValue().circuit()))
                    .filter(e -> {
                        ActuationSpec works = e.getValue().known();
                        return (works.afterPower() == AfterPower.ON || works.afterPower() == AfterPower.LAST)
                                && (works.staggerS() == null || works.staggerS() == 0);
                    })
                    .map(Map.Entry::getKey)
                    .toList();
            double inrush = all.stream()
                    .map(c.plan.devices()::get)
                    .mapToDouble(d -> Loads.inrushA(d, c.parts).orElse(Loads.amps(d, c.parts)))
                    .sum();
            boolean trips = known.breakerA() != null && inrush > TRIPS_AT * known.breakerA();
            boolean crowd = known.breakerA() == null && all.size() >= CROWD;
            if (all.size() > 1 && (trips || crowd)) {
                List<Edit> edits = new ArrayList<>();
                for (int i = 1; i < all.size(); i++) {
                    edits.add(works(all.get(i), c.plan.devices().get(all.get(i)), "staggerS", i * STAGGER_S));
                }
                c.snag("D11", trips ? FIX : LOOK, DEVICES, "All loads on " + known.name() + " come back together")
                        .figures(all.size() + " loads, " + Text.number(inrush, 0) + " A at the same moment"
                                + (trips
                                        ? ", a type B breaker of " + Text.number(known.breakerA(), 0) + " A trips from "
                                                + Text.number(TRIPS_AT * known.breakerA(), 0) + " A"
                                        : ", breaker not known"))
                        .leadsTo("The breaker trips again as soon as the power is back, and contacts weld.")
                        .at("/circuits/" + circuit, CheckContext.device(all.get(0)))
                        .fix("Half a second between them", edits.toArray(Edit[]::new))
                        .add();
            }
        });
    }

    private static void identity(CheckContext c) {
        Map<String, List<String>> byName = new TreeMap<>();
        c.plan.units().forEach((id, unit) -> {
            if (unit.drives()) {
                byName.computeIfAbsent(Slugs.slug(unit.name(), id), k -> new ArrayList<>())
                        .add(id);
            }
        });
        byName.forEach((identity, ids) -> {
            if (ids.size() > 1) {
                String last = ids.get(ids.size() - 1);
                String name = c.plan.units().get(last).name();
                String free = freeName(name, last, byName.keySet());
                c.snag("C9", STOP, CONTROLLERS, ids.size() + " controllers have the same identity")
                        .figures("\"" + identity + "\" in the configuration of each")
                        .leadsTo("They throw each other off the broker, and a command reaches now one, now the other.")
                        .at(CheckContext.unit(last))
                        .fix("Call one " + free, Edit.replace(CheckContext.unit(last, "/name"), free))
                        .add();
            }
        });
    }

    /**
     * The name with a number that gives an identity of its own. The number stands in front of a name so long that its end
     * does not count, so that one of the first numbers, one more than there are identities, is free.
     */
    private static String freeName(String name, String id, Set<String> taken) {
        for (int number = 2; number <= taken.size() + 2; number++) {
            for (String tried : List.of(name + " " + number, number + " " + name)) {
                String fits = tried.substring(0, Math.min(tried.length(), Limits.NAME_LENGTH));
                if (!taken.contains(Slugs.slug(fits, id))) {
                    return fits;
                }
            }
        }
        throw new IllegalStateException("more identities than controllers");
    }
}
