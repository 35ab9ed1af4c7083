package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.LONG_RANGE;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.AirSettings;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.MessageBuilder;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.ListeningWindow;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Traffic;
import org.skelto.core.snags.Check.Code;

/** R4, R15 to R18, R20, R23 and R24: what long-range and sub-GHz units put on the air. */
final class AirChecks {
    static final Check CHECK = Check.reading(
            "snags of shared air",
            List.of(
                    Code.of(
                            "R4",
                            Stage.LONG_RANGE,
                            "on the air longer than the law allows: duty cycle, dwell, silence",
                            Severity.STOP),
                    Code.of(
                            "R15",
                            Stage.LONG_RANGE,
                            "frames collide too often, or more is sent than the air holds",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "R16",
                            Stage.LONG_RANGE,
                            "load over long range without acknowledgement",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "R17",
                            Stage.LONG_RANGE,
                            "neighbours' sensors may be taken in",
                            Severity.FIX,
                            Severity.LOOK),
                    Code.of("R18", Stage.LONG_RANGE, "repeats not merged", Severity.FIX),
                    Code.of("R20", Stage.LONG_RANGE, "network id or key of the factory", Severity.FIX),
                    Code.of("R23", Stage.LONG_RANGE, "law cannot be judged: time on air", Severity.LOOK),
                    Code.of("R24", Stage.LONG_RANGE, "toggle over a link that repeats", Severity.STOP),
                    Code.of(
                            "R25",
                            Stage.LONG_RANGE,
                            "command to a receiver that sleeps, heard by chance",
                            Severity.FIX),
                    Code.of("R26", Stage.LONG_RANGE, "answer asked by a unit that never listens", Severity.FIX)),
            List.of(
                    PlanPart.HEAD,
                    PlanPart.NETWORK,
                    PlanPart.LINKS,
                    PlanPart.UNIT_NAMES,
                    PlanPart.UNIT_ROLES,
                    PlanPart.UNIT_POWER,
                    PlanPart.UNIT_RADIOS,
                    PlanPart.UNIT_NUMBERS,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES,
                    PlanPart.DEVICE_WAYS),
            List.of(),
            AirChecks::run);

    private AirChecks() {}

    static void run(CheckContext c) {
        List<SharedAir.Sender> senders =
                SharedAir.of(c.plan).stream().flatMap(b -> b.senders().stream()).toList();
        senders.forEach(s -> law(c, s));
        senders.forEach(s -> collisions(c, s));
        SharedAir.answering(c.plan).forEach(a -> answers(c, a));
        c.plan.links().forEach((id, link) -> {
            if (Traffic.counts(link.medium())) {
                unanswered(c, id, link);
                messages(c, id, link);
                asleep(c, id, link, link.from());
                unheard(c, id, link, link.from());
                if (link.twoWay()) {
                    asleep(c, id, link, link.to());
                    unheard(c, id, link, link.to());
                }
            }
        });
        strangers(c);
        identity(c);
    }

    /** R4 of what only answers: its law counts every answer that it sends. */
    private static void answers(CheckContext c, SharedAir.Answering a) {
        List<String> onAir =
                a.law().broken().stream().filter(AirChecks::aboutTime).toList();
        if (!onAir.isEmpty()) {
            c.snag("R4", STOP, LONG_RANGE, a.name() + " answers longer than the law allows")
                    .figures(Text.number(a.percent(), 2) + " % of its time; " + String.join("; ", onAir) + "; table of "
                            + RegionLimits.DATE)
                    .leadsTo(
                            "It must fall silent, and those that wait for an answer send again and again. Let fewer messages"
                                    + " be acknowledged, or send less often. Check with your regulator.")
                    .at(CheckContext.unit(a.unit()))
                    .add();
        }
    }

    /** R4 and the part of R23 that is about time on air. */
    private static void law(CheckContext c, SharedAir.Sender s) {
        List<String> onAir = s.broken().stream().filter(AirChecks::aboutTime).toList();
        Unit unit = c.plan.units().get(s.unit());
        if (!onAir.isEmpty()) {
            var draft = c.snag("R4", STOP, LONG_RANGE, s.name() + " is on the air longer than the law allows")
                    .figures(String.join("; ", onAir) + "; table of " + RegionLimits.DATE)
                    .leadsTo("It is unlawful and crowds out others. Check with your regulator.")
                    .at(CheckContext.unit(s.unit()));
            if (s.leastIntervalS() != null && s.intervalS() != null && s.leastIntervalS() > s.intervalS()) {
                double interval = Math.ceil(s.leastIntervalS());
                String at = unit.says().intervalS() != null ? "/message/intervalS" : "/duty/cycleS";
                draft.fix(
                        "One message every " + Text.number(interval, 0) + " s",
                        Edit.replace(CheckContext.unit(s.unit(), at), interval));
            }
            draft.add();
        } else if (s.broken().isEmpty()
                && !s.unknown().isEmpty()
                && s.intervalS() != null
                && s.leastIntervalS() == null) {
            boolean noRow = RegionLimits.judges(c.plan.region(), s.medium());
            if (noRow) {
                c.snag("R23", LOOK, LONG_RANGE, s.name() + ": its time on air cannot be judged")
                        .figures(String.join("; ", s.unknown()) + "; table of " + RegionLimits.DATE)
                        .leadsTo("Check with your regulator how often it may send.")
                        .at(CheckContext.unit(s.unit()))
                        .add();
            }
        }
    }

    private static boolean aboutTime(String rule) {
        return rule.startsWith("on air") || rule.startsWith("silent");
    }

    private static void collisions(CheckContext c, SharedAir.Sender s) {
        double target = Chance.target(new LinkAssessor(c.site(), c.tables).criticality(s.unit()));
        if (s.overload()) {
            c.snag("R15", STOP, LONG_RANGE, s.name() + ": more is sent than its frequency holds")
                    .figures(s.settings() + ", " + s.rivals() + " others on it")
                    .leadsTo("Hardly any message comes through, whatever the margin.")
                    .at(CheckContext.unit(s.unit()))
                    .add();
        } else if (s.delivery() < target) {
            c.snag("R15", FIX, LONG_RANGE, s.name() + ": its frames collide too often")
                    .figures("one in " + Text.number(1 / Math.max(1e-9, 1 - s.delivery()), 0) + " is lost, "
                            + Text.percent(s.delivery()) + " come through, wanted " + Text.percent(target) + "; "
                            + s.rivals() + " others on " + s.settings())
                    .leadsTo(
                            "Messages are lost when others speak at the same time. Send less, spread over frequencies, "
                                    + "or take turns: see Shared air.")
                    .at(CheckContext.unit(s.unit()))
                    .add();
        }
    }

    /** R25: what a unit says to one that acts and sleeps, and that nothing keeps for it. */
    private static void asleep(CheckContext c, String id, Link link, String sender) {
        String receiver = link.other(sender);
        if (c.devicesOn(receiver).noneMatch(e -> acts(e.getValue().kind()))) {
            return;
        }
        Unit from = c.plan.units().get(sender);
        double chance = ListeningWindow.chance(from, c.plan.units().get(receiver), link.medium(), from.sink());
        double target = Chance.target(new LinkAssessor(c.site(), c.tables).criticality(receiver));
        if (chance >= target) {
            return;
        }
        c.snag(
                        "R25",
                        FIX,
                        LONG_RANGE,
                        name(c, receiver) + " sleeps and hears " + name(c, sender)
                                + (chance == 0 ? " never" : " only by chance"))
                .figures("one command in its listening window: " + Text.number(chance * 100, 1) + " %, wanted "
                        + Text.percent(target))
                .leadsTo(
                        "A press does nothing most of the time. Let it listen more often or longer, repeat the command over a "
                                + "whole cycle, or send it through a gateway that keeps it.")
                .at(CheckContext.link(id), CheckContext.unit(receiver))
                .add();
    }

    /** R26: a unit waits for an answer that it never listens for. */
    private static void unheard(CheckContext c, String id, Link link, String sender) {
        Unit unit = c.plan.units().get(sender);
        boolean deaf = unit.radio(link.medium()).filter(r -> !r.receives()).isPresent()
                || ListeningWindow.chance(c.plan.units().get(link.other(sender)), unit, link.medium(), true) == 0;
        if (!Boolean.TRUE.equals(unit.says().acknowledged()) || !deaf) {
            return;
        }
        c.snag("R26", FIX, LONG_RANGE, name(c, sender) + " waits for an answer that it never hears")
                .figures("acknowledged, but it never listens")
                .leadsTo("It sends all its tries every time: battery and air are spent for nothing.")
                .at(CheckContext.unit(sender))
                .fix("It asks for no answer", Edit.replace(CheckContext.unit(sender, "/message/acknowledged"), false))
                .add();
    }

    /** R16 for long range: nobody hears whether the far load switched. */
    private static void unanswered(CheckContext c, String id, Link link) {
        Message message = c.plan.units().get(link.from()).says();
        boolean acts = c.devicesOn(link.from()).anyMatch(e -> acts(e.getValue().kind()));
        boolean denied = Boolean.FALSE.equals(message.acknowledged());
        boolean open = message.acknowledged() == null && link.medium() == Medium.CHIRP;
        if (!link.twoWay() || !acts || !denied && !open) {
            return;
        }
        Edit answer = c.plan.units().get(link.from()).message() == null
                ? Edit.add(
                        CheckContext.unit(link.from(), "/message"),
                        MessageBuilder.builder().acknowledged(true).build())
                : Edit.replace(CheckContext.unit(link.from(), "/message/acknowledged"), true);
        c.snag(
                        "R16",
                        denied ? STOP : FIX,
                        LONG_RANGE,
                        name(c, link.from()) + " switches a load over a link without acknowledgement")
                .figures(
                        denied
                                ? "its messages are not acknowledged"
                                : "nobody said whether its messages are acknowledged")
                .leadsTo("Nobody knows whether the far load switched; the button end cannot show it.")
                .at(CheckContext.link(id), CheckContext.unit(link.from()))
                .fix("Its messages are acknowledged", answer)
                .add();
    }

    private static boolean acts(DeviceKind kind) {
        return kind.family() != DeviceKind.Family.SENSOR;
    }

    private static void messages(CheckContext c, String id, Link link) {
        Message message = c.plan.units().get(link.from()).says();
        boolean repeats = message.triesOrOne() > 1 || Boolean.TRUE.equals(message.acknowledged());
        if (message.command() == Message.Command.TOGGLE && repeats) {
            c.snag("R24", STOP, LONG_RANGE, name(c, link.from()) + " is toggled over a link that repeats")
                    .figures(message.triesOrOne() + " tries, "
                            + (Boolean.TRUE.equals(message.acknowledged())
                                    ? "repeated when unanswered"
                                    : "always sent"))
                    .leadsTo("A repeat flips it back: the lamp is off although everybody pressed for on.")
                    .at(CheckContext.link(id), CheckContext.unit(link.from()))
                    .fix(
                            "Command the wanted state",
                            Edit.replace(CheckContext.unit(link.from(), "/message/command"), Message.Command.STATE))
                    .add();
        }
        if (message.triesOrOne() > 1 && !message.fields().isEmpty() && !message.counts()) {
            List<Object> fields = new ArrayList<>(message.fields());
            fields.add(new org.skelto.core.plan.radio.MessageField(
                    "counter", org.skelto.core.plan.radio.MessageField.Kind.COUNTER, null, null, null, 8));
            c.snag("R18", FIX, LONG_RANGE, name(c, link.from()) + ": its repeats are not merged")
                    .figures(message.triesOrOne() + " tries, no counter in the message")
                    .leadsTo("One press counts twice, one door alarm comes three times.")
                    .at(CheckContext.link(id), CheckContext.unit(link.from()))
                    .fix(
                            "Add a counter of 8 bits",
                            Edit.replace(CheckContext.unit(link.from(), "/message/fields"), fields))
                    .add();
        }
    }

    static AirSettings settings(CheckContext c, String unit, Medium medium) {
        return c.plan.units().get(unit).radio(medium).orElseThrow().settings();
    }

    static Edit air(CheckContext c, String unit, Medium medium, AirSettings settings) {
        Unit u = c.plan.units().get(unit);
        String at =
                CheckContext.unit(unit, "/radios", Pointers.of(u.radioId(medium).orElseThrow()), "/air");
        return u.radio(medium).orElseThrow().air() == null ? Edit.add(at, settings) : Edit.replace(at, settings);
    }

    /** R17: a receiver of one-way sensors that takes in whatever it hears. */
    private static void strangers(CheckContext c) {
        Set<String> ears = new TreeSet<>();
        c.plan.links().values().stream()
                .filter(l -> l.medium() == Medium.SUB_GHZ && !l.twoWay())
                .forEach(l -> ears.add(l.to()));
        for (String ear : ears) {
            Radio radio = c.plan.units().get(ear).radio(Medium.SUB_GHZ).orElse(null);
            if (radio == null || Boolean.TRUE.equals(radio.settings().knownOnly())) {
                continue;
            }
            AirSettings s = radio.settings();
            c.snag(
                            "R17",
                            s.knownOnly() == null ? LOOK : FIX,
                            LONG_RANGE,
                            name(c, ear) + " may take in neighbours' sensors")
                    .figures(
                            s.knownOnly() == null
                                    ? "nobody said whether it filters by id"
                                    : "it takes in whatever it hears")
                    .leadsTo("The neighbour's window opens, and the alarm of this house goes off.")
                    .at(CheckContext.unit(ear))
                    .fix("It takes in only what it was taught", air(c, ear, Medium.SUB_GHZ, s.taught()))
                    .add();
        }
    }

    /** R20: a network of chirp radios whose id or key is still the one of the factory. */
    private static void identity(CheckContext c) {
        for (Set<String> network : networks(c.plan)) {
            List<String> open = network.stream()
                    .filter(u -> !own(settings(c, u, Medium.CHIRP)))
                    .toList();
            if (open.isEmpty()) {
                continue;
            }
            int id = network.stream()
                    .map(u -> settings(c, u, Medium.CHIRP).networkId())
                    .filter(n -> n != null && n != 0)
                    .findFirst()
                    .orElse(1 + Math.floorMod(c.plan.name().hashCode(), 65_000));
            List<Edit> edits = new ArrayList<>();
            for (String u : network) {
                AirSettings s = settings(c, u, Medium.CHIRP);
                edits.add(air(c, u, Medium.CHIRP, s.network(id, true)));
            }
            boolean noId = open.stream().anyMatch(u -> {
                Integer n = settings(c, u, Medium.CHIRP).networkId();
                return n == null || n == 0;
            });
            c.snag(
                            "R20",
                            FIX,
                            LONG_RANGE,
                            noId
                                    ? "Long-range radios have no network id of their own"
                                    : "Nobody said that long-range radios have a key of their own")
                    .figures(open.stream()
                            .map(u -> name(c, u))
                            .reduce((a, b) -> a + ", " + b)
                            .orElseThrow())
                    .leadsTo(
                            "With the network id and key of the factory anybody within kilometres can read and command "
                                    + "them. The key itself is never kept here.")
                    .at(open.stream().map(u -> CheckContext.unit(u)).toArray(String[]::new))
                    .fix("Network id " + id + " for all, and a key of our own is set", edits.toArray(Edit[]::new))
                    .add();
        }
    }

    private static boolean own(AirSettings s) {
        return s.networkId() != null && s.networkId() != 0 && Boolean.TRUE.equals(s.keyChanged());
    }

    /** Units that are linked by chirp, together. */
    private static List<Set<String>> networks(Plan plan) {
        List<Set<String>> all = new ArrayList<>();
        for (Link link : plan.links().values()) {
            if (link.medium() != Medium.CHIRP
                    || plan.units().get(link.from()).radio(Medium.CHIRP).isEmpty()
                    || plan.units().get(link.to()).radio(Medium.CHIRP).isEmpty()) {
                continue;
            }
            Set<String> merged = new TreeSet<>(List.of(link.from(), link.to()));
            for (Set<String> known : List.copyOf(all)) {
                if (known.contains(link.from()) || known.contains(link.to())) {
                    merged.addAll(known);
                    all.remove(known);
                }
            }
            all.add(merged);
        }
        return all;
    }

    static String name(CheckContext c, String unit) {
        return c.plan.units().get(unit).name();
    }
}
