package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;
import static org.skelto.core.snags.Stage.DEVICES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Component;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.WiredContacts;

/** D2, D3, D4, D7, D8, D9, D12 and C1. */
final class DeviceChecks {
    static final Check CHECK = Check.of(
            "snags of devices",
            List.of(
                    Code.of("D2", Stage.DEVICES, "way out does not open by hand", Severity.STOP),
                    Code.of("D3", Stage.DEVICES, "outside lock opens without power", Severity.FIX),
                    Code.of("D4", Stage.DEVICES, "stays shut without power, no other way in", Severity.FIX),
                    Code.of("D7", Stage.DEVICES, "powered gate or door without obstacle detection", Severity.STOP),
                    Code.of(
                            "D8",
                            Stage.DEVICES,
                            "life safety needs more than itself and its own battery",
                            Severity.STOP),
                    Code.of("D9", Stage.DEVICES, "nothing works it by hand", Severity.FIX),
                    Code.of("D12", Stage.DEVICES, "device in no room", Severity.FIX),
                    Code.of(
                            "C1",
                            Stage.CONTROLLERS,
                            "not enough channels, one used twice, or device not attached",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of("N7", Stage.NAMES, "zone outside its panel's range", Severity.STOP)),
            List.of(HouseFacts.OUTAGES),
            DeviceChecks::run);

    private DeviceChecks() {}

    static void run(CheckContext c) {
        c.plan.devices().forEach((id, d) -> {
            if (d.kind().family() == DeviceKind.Family.BARRIER) {
                barrier(c, id, d);
            }
            alone(c, id, d);
            byHand(c, id, d);
            placed(c, id, d);
        });
        Map<String, WiredContacts> contacts = WiredContacts.of(c.plan);
        // where the boards are chosen their terminals are looked at instead of counted channels
        List.of(UnitKind.CONTROLLER, UnitKind.PANEL)
                .forEach(kind -> c.units(kind)
                        .filter(e -> e.getValue().boards() == null)
                        .forEach(e -> channels(
                                c, e.getKey(), e.getValue(), contacts.getOrDefault(e.getKey(), WiredContacts.NONE))));
    }

    /** Whether a thing that should keep out stands open right after the mains have gone. */
    private static boolean opensWithoutMains(CheckContext c, String id) {
        return c.outages().without(Set.of(Component.MAINS), List.of(id)).get(id).jobs().stream()
                .anyMatch(j -> j.job() == Job.KEEP_OUT
                        && (j.state() == State.LOST || j.state() == State.UNSAFE || j.state() == State.BY_HAND));
    }

    private static void barrier(CheckContext c, String id, Device d) {
        String at = CheckContext.device(id);
        if (trapped(d)) {
            c.snag("D2", STOP, DEVICES, d.name() + " is on the way out and does not open by hand")
                    .figures("by hand: " + d.hand().name().toLowerCase(java.util.Locale.ROOT))
                    .leadsTo("In a fire without power people stand before a shut door.")
                    .at(at)
                    .fix("Fit an inside handle", Edit.replace(at + "/hand", Hand.MECHANICAL))
                    .add();
        }
        if (d.rest() == RestState.OPEN && d.outsideDoor() && opensWithoutMains(c, id)) {
            c.snag("D3", FIX, DEVICES, d.name() + " opens when its power goes")
                    .figures("rest state: open; nothing holds it when the mains go")
                    .leadsTo("Whoever cuts the power walks in.")
                    .at(at)
                    .fix(shutLabel(c, d), shut(c, at, d))
                    .add();
        }
        if (d.rest() != RestState.OPEN && d.hand() == Hand.NONE && d.outsideDoor()) {
            c.snag("D4", FIX, DEVICES, d.name() + " stays shut without power and has no other way in")
                    .figures("rest state: " + d.rest().name().toLowerCase(java.util.Locale.ROOT) + "; no key")
                    .leadsTo("With the power gone nobody gets in.")
                    .at(at)
                    .fix("It gets a key", Edit.replace(at + "/hand", Hand.MECHANICAL))
                    .add();
        }
        if ((d.kind() == DeviceKind.GATE || d.kind() == DeviceKind.POWERED_DOOR) && !d.obstacleDetection()) {
            c.snag("D7", STOP, DEVICES, d.name() + " has no obstacle detection stated")
                    .leadsTo("A powered gate crushes what stands in it. It needs certified obstacle detection of its "
                            + "own; an interlock in a plan never replaces it.")
                    .at(at)
                    .fix("It has certified detection", Edit.replace(at + "/obstacleDetection", true))
                    .add();
        }
    }

    /** Keeping a door shut without power must not lock people in: a way out gets a handle too. */
    /** A lock that stays shut without power: by another part where the one it has opens, whatever is declared of it. */
    static Edit[] shut(CheckContext c, String at, Device d) {
        List<Edit> edits = new ArrayList<>(List.of(Edit.replace(at + "/rest", RestState.CLOSED)));
        if (opens(c, d)) {
            edits.add(Edit.replace(at + "/works/part", secure(c).map(Part::id).orElse(null)));
        }
        if (trapped(d)) {
            edits.add(Edit.replace(at + "/hand", Hand.MECHANICAL));
        }
        return edits.toArray(Edit[]::new);
    }

    static String shutLabel(CheckContext c, Device d) {
        String how = opens(c, d) ? secure(c).map(p -> ", with a " + p.name()).orElse(", with another part") : "";
        return "It stays shut without power" + how + (trapped(d) ? ", and an inside handle is fitted" : "");
    }

    private static boolean opens(CheckContext c, Device d) {
        return c.parts.find(d.known().part()).filter(p -> p.is(Trait.FAIL_SAFE)).isPresent();
    }

    private static Optional<Part> secure(CheckContext c) {
        return c.parts.all().stream()
                .filter(p -> p.kind() == PartKind.STRIKE && p.is(Trait.FAIL_SECURE))
                .findFirst();
    }

    private static boolean trapped(Device d) {
        return d.exitRoute() && d.hand() != Hand.MECHANICAL;
    }

    private static void alone(CheckContext c, String id, Device d) {
        if (d.criticality() != Criticality.VITAL || c.outages().actsAlone(d)) {
            return;
        }
        Unit unit = d.unit() == null ? null : c.plan.units().get(d.unit());
        boolean own = unit != null && unit.kind().alone();
        c.snag("D8", STOP, DEVICES, d.name() + " guards life but does not act alone")
                .figures("ways planned: " + ways(d) + "; "
                        + (own ? "a unit of its own" : unit == null ? "on no unit" : "on " + unit.name())
                        + (own && !c.outages().keepsItself(d.unit()) ? " without a battery" : ""))
                .leadsTo("It is silent whenever the hub, the network or a rule is out. Smoke, gas and water "
                        + "protection must be certified and work alone.")
                .at(CheckContext.device(id))
                .fix(
                        own ? "Make it act alone, with standby cells" : "Make it act alone, on its own battery",
                        ownUnit(c, id, d, own))
                .add();
    }

    /** The edits that make a device a unit of its own that needs nothing else; it is linked where anything hears it. */
    private static Edit[] ownUnit(CheckContext c, String id, Device d, boolean own) {
        List<Edit> edits = new ArrayList<>();
        List<Way> ways = with(d, Way.ALONE);
        if (own) {
            Power power = c.plan.units().get(d.unit()).power();
            List<Source> more = new ArrayList<>(power.more());
            more.add(new Source(PowerSource.BATTERY, null, null));
            if (!c.outages().keepsItself(d.unit())) {
                edits.add(Edit.replace(CheckContext.unit(d.unit(), "/power"), power.withMore(more)));
            }
        } else {
            String unitId = Slugs.free(id, c.plan.units().keySet());
            String hub = d.unit() == null ? null : c.plan.units().get(d.unit()).hub();
            Unit unit = Unit.selfContained(d.name(), SiteModel.placeOf(c.plan, d), Power.battery(), hub);
            edits.add(Edit.add(CheckContext.unit(unitId), unit));
            edits.add(Edit.replace(CheckContext.device(id, "/place"), null));
            edits.add(Edit.replace(CheckContext.device(id, "/unit"), unitId));
            edits.add(Edit.replace(CheckContext.device(id, "/channel"), null));
            List<Edit> linked = link(c, unitId, unit, id, d);
            edits.addAll(linked);
            ways = linked.isEmpty() ? List.of(Way.ALONE) : ways;
        }
        edits.add(Edit.replace(CheckContext.device(id, "/circuit"), null));
        edits.add(Edit.replace(CheckContext.device(id, "/ways"), ways));
        return edits.toArray(Edit[]::new);
    }

    /** The edits that link a new unit to what hears it best, none when nothing does. */
    private static List<Edit> link(CheckContext c, String unitId, Unit unit, String id, Device d) {
        Map<String, Unit> units = new TreeMap<>(c.plan.units());
        units.put(unitId, unit);
        Map<String, Device> devices = new TreeMap<>(c.plan.devices());
        devices.put(id, d.withUnit(unitId).withPlace(null));
        Plan with = c.plan.with(p -> p.units(units).devices(devices));
        LinkChooser chooser = new LinkChooser(c.site().around(with), c.tables);
        return chooser.best(unitId)
                .or(() -> chooser.withRadioAtTheHub(unitId))
                .map(LinkChooser.Option::edits)
                .orElse(List.of());
    }

    private static List<Way> with(Device d, Way way) {
        TreeSet<Way> ways = new TreeSet<>(d.ways());
        ways.add(way);
        return List.copyOf(ways);
    }

    private static String ways(Device d) {
        return d.ways().isEmpty()
                ? "none"
                : d.ways().stream()
                        .map(w -> w.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '))
                        .reduce((a, b) -> a + ", " + b)
                        .orElseThrow();
    }

    private static void byHand(CheckContext c, String id, Device d) {
        DeviceKind.Family family = d.kind().family();
        boolean worked = family == DeviceKind.Family.LOAD || family == DeviceKind.Family.VALVE;
        boolean moving = d.kind() == DeviceKind.GATE || d.kind() == DeviceKind.POWERED_DOOR;
        if (moving && d.hand() != Hand.MECHANICAL && !d.outsideDoor()) {
            c.snag("D9", FIX, DEVICES, d.name() + " has no release to move it by hand")
                    .figures("by hand: " + d.hand().name().toLowerCase(java.util.Locale.ROOT))
                    .leadsTo("Without power, or with its drive stuck, nobody gets through.")
                    .at(CheckContext.device(id))
                    .fix("It gets a release", Edit.replace(CheckContext.device(id, "/hand"), Hand.MECHANICAL))
                    .add();
        } else if (worked && d.hand() == Hand.NONE && d.criticality().compareTo(Criticality.ROUTINE) >= 0) {
            c.snag("D9", FIX, DEVICES, "Nothing works " + d.name() + " by hand")
                    .figures("criticality: " + Wording.of(d.criticality()) + "; by hand: none")
                    .leadsTo("When its controller dies there is no way to use it until it is replaced.")
                    .at(CheckContext.device(id))
                    .fix("It gets a switch by hand", Edit.replace(CheckContext.device(id, "/hand"), Hand.SWITCH))
                    .add();
        }
    }

    private static void placed(CheckContext c, String id, Device d) {
        if (c.site().position(SiteModel.placeOf(c.plan, d)).isEmpty()) {
            c.snag("D12", FIX, DEVICES, d.name() + " is in no room")
                    .leadsTo("Its links, its topic and what still works there cannot be worked out.")
                    .at(CheckContext.device(id))
                    .add();
        }
        if (d.unit() == null) {
            c.snag("C1", FIX, CONTROLLERS, d.name() + " is not attached to any controller")
                    .leadsTo("Nothing can switch or read it.")
                    .at(CheckContext.device(id))
                    .add();
        }
    }

    private static void channels(CheckContext c, String id, Unit unit, WiredContacts contacts) {
        Map<Integer, List<String>> byChannel = new TreeMap<>();
        List<Map.Entry<String, Device>> on = c.devicesOn(id).toList();
        int taken = on.size() + contacts.terminals();
        if (taken > unit.channels()) {
            c.snag("C1", STOP, CONTROLLERS, unit.name() + " has not enough channels")
                    .figures(on.size() + " devices, " + (contacts.terminals() == 0 ? "" : contacts.words() + ", ")
                            + unit.channels() + " channels")
                    .leadsTo((taken - unit.channels()) + " of them cannot be connected.")
                    .at(CheckContext.unit(id))
                    .add();
        }
        on.forEach(e -> {
            Integer channel = e.getValue().channel();
            if (channel != null) {
                byChannel.computeIfAbsent(channel, k -> new ArrayList<>()).add(e.getKey());
            }
        });
        byChannel.forEach((channel, devices) -> {
            if (devices.size() > 1 || channel > unit.channels()) {
                clash(c, id, unit, channel, devices);
            }
        });
    }

    private static void clash(CheckContext c, String id, Unit unit, int channel, List<String> devices) {
        String last = devices.get(devices.size() - 1);
        Set<Integer> taken = c.devicesOn(id).map(e -> e.getValue().channel()).collect(Collectors.toSet());
        int free = 1;
        while (free <= unit.channels() && taken.contains(free)) {
            free++;
        }
        boolean zone = unit.is(UnitKind.PANEL) && channel > unit.channels();
        var draft = c.snag(
                        zone ? "N7" : "C1",
                        STOP,
                        zone ? Stage.NAMES : CONTROLLERS,
                        channel > unit.channels()
                                ? unit.name() + " has no " + (zone ? "zone " : "channel ") + channel
                                : devices.size() + " devices share channel " + channel + " of " + unit.name())
                .figures(unit.channels() + " channels")
                .leadsTo("One of them cannot be worked on its own.")
                .at(CheckContext.device(last), CheckContext.unit(id));
        if (free <= unit.channels()) {
            draft.fix(
                    "Move " + c.plan.devices().get(last).name() + " to channel " + free,
                    Edit.replace(CheckContext.device(last, "/channel"), free));
        }
        draft.add();
    }
}
