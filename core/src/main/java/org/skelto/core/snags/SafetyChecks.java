package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.DEVICES;

import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Safeguard;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.site.SiteModel;
import org.skelto.core.snags.Check.Code;

/** D19 to D23: what must stand beside a device because a contact may weld, an output hang, and nobody may be watching. */
final class SafetyChecks {
    static final Check CHECK = Check.of(
            "snags of safety",
            List.of(
                    Code.of("D19", DEVICES, "heater or pump without a limiter of its own", FIX),
                    Code.of("D20", DEVICES, "held lock on the way out without wired and fire release", STOP),
                    Code.of("D21", DEVICES, "moves while nobody watches, without warning", FIX),
                    Code.of("D22", DEVICES, "sounder outside without a cut-off", FIX),
                    Code.of("D23", DEVICES, "nobody said that no sprinkler hangs behind a valve", LOOK)),
            List.of(),
            SafetyChecks::run);

    private SafetyChecks() {}

    static void run(CheckContext c) {
        together(
                c,
                "D19",
                FIX,
                d -> d.kind() == DeviceKind.HEATER || d.kind() == DeviceKind.PUMP,
                Safeguard.LIMITER,
                new Words(
                        "has no limiter of its own stated",
                        "have no limiter of their own stated",
                        "A contact that welds or an output that hangs leaves it on. A thermal cut-out, a float or a dry-run switch "
                                + "must end it without the controller.",
                        "It has a limiter",
                        "They have limiters"));
        c.plan.devices().forEach((id, d) -> {
            if (d.kind() == DeviceKind.LOCK && d.exitRoute() && d.rest() == RestState.OPEN) {
                held(c, id, d);
            }
        });
        together(
                c,
                "D21",
                FIX,
                d -> (d.kind() == DeviceKind.GATE || d.kind() == DeviceKind.POWERED_DOOR)
                        && (d.ways().contains(Way.RULE) || d.ways().contains(Way.AWAY_APP)),
                Safeguard.WARNING,
                new Words(
                        "moves while nobody watches, without a warning",
                        "move while nobody watches, without a warning",
                        "Whoever stands in it does not know that it is about to move. A light or sound before and while it moves is "
                                + "asked for where it is closed unattended.",
                        "It has a warning",
                        "They have warnings"));
        together(
                c,
                "D22",
                FIX,
                d -> d.kind() == DeviceKind.SIREN && outside(c, d),
                Safeguard.CUT_OFF,
                new Words(
                        "sounds outside without a cut-off",
                        "sound outside without a cut-off",
                        "A fault at night keeps the street awake, and most places limit how long it may sound.",
                        "It ends by itself",
                        "They end by themselves"));
        together(
                c,
                "D23",
                LOOK,
                d -> d.kind() == DeviceKind.VALVE && d.guards(),
                Safeguard.NO_SPRINKLER,
                new Words(
                        "may shut off a sprinkler: nobody said",
                        "may shut off a sprinkler: nobody said",
                        "A leak valve must never stand in the supply of a sprinkler or a hydrant.",
                        "No sprinkler hangs behind it",
                        "No sprinkler hangs behind them"));
    }

    /** What a check says of one thing and of several. */
    private record Words(String one, String many, String leadsTo, String fixOne, String fixMany) {}

    private static boolean outside(CheckContext c, Device d) {
        var place = SiteModel.placeOf(c.plan, d);
        return place != null
                && place.spot() != null
                && c.plan.spots().get(place.spot()).exposure() != Exposure.DRY;
    }

    private static void together(
            CheckContext c, String code, Severity severity, Predicate<Device> asked, Safeguard wanted, Words words) {
        Map<String, Device> without = new TreeMap<>(c.plan.devices());
        without.values().removeIf(d -> !asked.test(d) || d.known().has(wanted));
        if (without.isEmpty()) {
            return;
        }
        boolean one = without.size() == 1;
        c.snag(
                        code,
                        severity,
                        DEVICES,
                        one
                                ? without.values().iterator().next().name() + " " + words.one
                                : without.size() + " devices " + words.many)
                .figures(without.values().stream().map(Device::name).limit(6).collect(Collectors.joining(", "))
                        + (without.size() > 6 ? " and " + (without.size() - 6) + " more" : ""))
                .leadsTo(words.leadsTo)
                .at(without.keySet().stream().map(CheckContext::device).toArray(String[]::new))
                .fix(
                        one ? words.fixOne : words.fixMany,
                        without.entrySet().stream()
                                .map(e -> with(e.getKey(), e.getValue(), wanted))
                                .toArray(Edit[]::new))
                .add();
    }

    private static void held(CheckContext c, String id, Device d) {
        List<Safeguard> missing = java.util.stream.Stream.of(Safeguard.WIRED_RELEASE, Safeguard.FIRE_RELEASE)
                .filter(s -> !d.known().has(s))
                .toList();
        if (!missing.isEmpty()) {
            c.snag("D20", STOP, DEVICES, d.name() + " is held by power on the way out, without a release by wire")
                    .figures("not stated: "
                            + missing.stream()
                                    .map(s -> s == Safeguard.WIRED_RELEASE
                                            ? "a button that breaks its supply"
                                            : "fire release")
                                    .collect(Collectors.joining(", ")))
                    .leadsTo(
                            "When the controller hangs nobody gets out. The supply must be broken by a button at the door and by the "
                                    + "fire alarm, by wire. Ask the authority that judges ways out.")
                    .at(CheckContext.device(id))
                    .fix("It has both", with(id, d, missing.toArray(Safeguard[]::new)))
                    .add();
        }
    }

    private static Edit with(String id, Device d, Safeguard... more) {
        SortedSet<Safeguard> all = new TreeSet<>(
                d.known().safeguards() == null ? List.of() : d.known().safeguards());
        all.addAll(List.of(more));
        return WorksChecks.works(id, d, "safeguards", all);
    }
}
