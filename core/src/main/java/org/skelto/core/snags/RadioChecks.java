package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.LINKS;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.links.Hearing;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkChooser;
import org.skelto.core.links.LinkReport;
import org.skelto.core.links.PossibleLinks;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.AirSettings;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Traffic;
import org.skelto.core.snags.Check.Code;

/** R1, R2, R3, R5, R6, R7, R12, R16, R19, R23. */
final class RadioChecks {
    static final Check CHECK = Check.of(
            "snags of radio links",
            List.of(
                    Code.ofLinks("R1", "margin under the target, or no link", Severity.STOP, Severity.FIX),
                    Code.ofLinks(
                            "R2", "carries one way only, by margin or because one end has no receiver", Severity.FIX),
                    Code.ofLinks("R3", "power over the limit", Severity.STOP),
                    Code.ofLinks("R5", "band not free here", Severity.STOP),
                    Code.ofLinks("R6", "receiver for another medium or band, or none", Severity.STOP),
                    Code.ofLinks(
                            "R7",
                            "radio settings of two ends in one band do not match, or their networks differ",
                            Severity.STOP),
                    Code.of("R12", Stage.LINKS, "too many clients", Severity.FIX),
                    Code.ofLinks("R16", "load on a one-way link", Severity.STOP),
                    Code.ofLinks("R23", "law cannot be judged: power", Severity.LOOK),
                    Code.ofLinks("R19", "antenna in a metal box", Severity.FIX),
                    Code.ofLinks("R22", "gateway hears but cannot decode the family", Severity.STOP)),
            List.of(HouseFacts.LINKS),
            RadioChecks::run);

    /** Radios farther apart are made for different bands, MHz. */
    private static final double SAME_BAND_MHZ = 20;

    private static final int MOST_OFFERS = 60;

    private RadioChecks() {}

    static void run(CheckContext c) {
        c.plan.links().forEach((id, link) -> {
            LinkReport report = c.links().get(id);
            margin(c, id, link, report);
            oneSided(c, id, link, report);
            hears(c, id, link, report);
            unanswered(c, id, link);
        });
        c.plan.units().forEach((id, unit) -> {
            unit.radios().forEach((name, radio) -> law(c, id, unit, name, radio));
            joins(c, id, unit);
            ReceiverChecks.clients(c, id, unit);
            ReceiverChecks.unlinked(c, id, unit);
        });
    }

    /** Long range has a stage of its own. */
    private static Stage stage(Link link) {
        return link.medium() == Medium.CHIRP ? Stage.LONG_RANGE : LINKS;
    }

    private static Stage stage(Radio radio) {
        return radio.medium() == Medium.CHIRP ? Stage.LONG_RANGE : LINKS;
    }

    static String name(CheckContext c, String unit) {
        return c.plan.units().get(unit).name();
    }

    private static void margin(CheckContext c, String id, Link link, LinkReport report) {
        boolean judged = report.marginDb() != null;
        // what cannot hear at all has a snag of its own
        if (deaf(link, report) || report.meets() || judged && report.chance() >= report.target()) {
            return;
        }
        String title = judged
                ? name(c, link.from()) + " misses its margin by " + Text.db(report.neededDb() - report.marginDb())
                : name(c, link.from()) + ": " + report.trouble();
        var draft = c.snag("R1", judged && report.marginDb() >= 0 ? FIX : STOP, stage(link), title)
                .figures(
                        judged
                                ? "margin " + Text.db(report.marginDb()) + ", confidence "
                                        + Text.percent(report.chance())
                                        + ", target " + Text.percent(report.target()) + " needs "
                                        + Text.db(report.neededDb())
                                : Wording.of(link.medium()) + " to " + name(c, link.to()))
                .leadsTo("It will drop out at some places and hours, and nobody will know why.")
                .at(CheckContext.link(id), CheckContext.unit(link.from()));
        offer(c, link.from(), draft);
        draft.add();
    }

    private static boolean deaf(Link link, LinkReport report) {
        return report.trouble() != null && report.placed() && link.medium() != Medium.ETHERNET;
    }

    /** Looking for another link takes time, and nobody reads a hundred offers. */
    static void offer(CheckContext c, String unit, CheckContext.Draft draft) {
        if (++c.offers > MOST_OFFERS) {
            return;
        }
        c.bestLink(unit)
                .ifPresentOrElse(
                        o -> draft.fix(
                                Wording.of(o.medium()) + " to " + o.toName(),
                                o.edits().toArray(Edit[]::new)),
                        () -> new LinkChooser(c.site(), c.tables)
                                .withRadioAtTheHub(unit)
                                .ifPresent(o -> draft.fix(
                                        o.toName() + " gets a radio for it: " + Wording.of(o.medium()),
                                        o.edits().toArray(Edit[]::new))));
    }

    private static void oneSided(CheckContext c, String id, Link link, LinkReport report) {
        if (!link.twoWay() || report.runs().isEmpty() || report.trouble() != null) {
            return;
        }
        double there = report.runs().get(0).budget().marginDb();
        boolean answered = report.runs().size() == 2;
        double back = answered ? report.runs().get(1).budget().marginDb() : Double.NEGATIVE_INFINITY;
        if (answered && (there >= 0) == (back >= 0)) {
            return;
        }
        var draft = c.snag(
                        "R2",
                        FIX,
                        stage(link),
                        name(c, report.from()) + " and " + name(c, report.to()) + ": one way only")
                .figures("margin out " + Text.db(there) + ", back "
                        + (answered
                                ? Text.db(back)
                                : "none: " + name(c, report.from()) + " has no " + Wording.of(link.medium())
                                        + " receiver"))
                .leadsTo("One end hears the other, but its answers never arrive.")
                .at(CheckContext.link(id), CheckContext.unit(report.from()));
        if (there >= 0 && onlyReports(c, link.from())) {
            draft.fix(
                    "Plan it as one-way, it only reports",
                    Edit.replace(CheckContext.link(id, "/direction"), "ONE_WAY"));
        }
        draft.add();
    }

    private static boolean onlyReports(CheckContext c, String unit) {
        return c.devicesOn(unit).allMatch(e -> e.getValue().kind().family() == DeviceKind.Family.SENSOR);
    }

    private static void hears(CheckContext c, String id, Link link, LinkReport report) {
        if (!deaf(link, report)) {
            return;
        }
        Unit from = c.plan.units().get(link.from());
        Unit to = c.plan.units().get(link.to());
        Optional<Radio> mouth = from.radio(link.medium());
        Optional<Radio> ear = to.radio(link.medium()).filter(Radio::receives);
        if (mouth.isPresent() && ear.isPresent() && !ear.get().decodes(mouth.get())) {
            family(c, id, link, mouth.get(), ear.get());
            return;
        }
        boolean sameBand = mouth.isPresent()
                && ear.isPresent()
                && Math.abs(mouth.get().frequencyMHz() - ear.get().frequencyMHz()) <= SAME_BAND_MHZ;
        if (sameBand) {
            settings(c, id, link, ear.get());
            return;
        }
        var draft = c.snag("R6", STOP, stage(link), to.name() + " cannot hear " + from.name())
                .figures(report.trouble())
                .leadsTo("Nothing sent will ever arrive.")
                .at(CheckContext.link(id), CheckContext.unit(link.to()));
        offer(c, link.from(), draft);
        draft.add();
    }

    private static void family(CheckContext c, String id, Link link, Radio mouth, Radio ear) {
        String at = CheckContext.unit(
                link.to(),
                "/radios",
                Pointers.of(entry(c.plan.units().get(link.to()), link.medium())
                        .orElseThrow()
                        .getKey()),
                "/decodes");
        List<String> more = new ArrayList<>(ear.decodes());
        more.add(mouth.family());
        c.snag(
                        "R22",
                        STOP,
                        stage(link),
                        name(c, link.to()) + " hears " + name(c, link.from()) + " but cannot decode it")
                .figures("sent in \"" + mouth.family() + "\"; decoded are " + String.join(", ", ear.decodes()))
                .leadsTo("The light on the gateway blinks, and nothing arrives.")
                .at(CheckContext.link(id), CheckContext.unit(link.to()))
                .fix("It decodes \"" + mouth.family() + "\" too", Edit.replace(at, more))
                .add();
    }

    private static void settings(CheckContext c, String id, Link link, Radio ear) {
        if (link.medium().wifi()) {
            network(c, id, link);
            return;
        }
        Radio mouth = c.plan.units().get(link.from()).radio(link.medium()).orElseThrow();
        var draft = c.snag(
                        "R7",
                        STOP,
                        stage(link),
                        name(c, link.from()) + " and " + name(c, link.to()) + ": radio settings do not match")
                .figures(String.join("; ", Hearing.differences(link.medium(), mouth, ear)))
                .leadsTo("Radios with different settings do not hear each other at all.")
                .at(CheckContext.link(id), CheckContext.unit(link.from()));
        if (holds(c, id, link.from(), alike(mouth, ear))) {
            draft.fix("Set it like " + name(c, link.to()), alike(c, link.from(), link.medium(), ear));
        } else if (holds(c, id, link.to(), alike(ear, mouth))) {
            draft.fix(
                    "Set " + name(c, link.to()) + " like " + name(c, link.from()),
                    alike(c, link.to(), link.medium(), mouth));
        }
        draft.add();
    }

    /** A radio with the settings of another that it must be understood by. */
    private static Radio alike(Radio radio, Radio other) {
        AirSettings own = radio.settings();
        Radio set = radio.set(other.frequencyMHz(), other.chirp() == null ? radio.chirp() : other.chirp());
        Integer network = other.settings().networkId();
        return network == null || network.equals(own.networkId())
                ? set
                : set.withAir(own.network(network, own.keyChanged()));
    }

    private static Edit[] alike(CheckContext c, String unit, Medium medium, Radio other) {
        Map.Entry<String, Radio> mine = entry(c.plan.units().get(unit), medium).orElseThrow();
        String at = CheckContext.unit(unit, "/radios", Pointers.of(mine.getKey()));
        Radio set = alike(mine.getValue(), other);
        List<Edit> edits = new ArrayList<>(List.of(Edit.replace(at + "/frequencyMHz", set.frequencyMHz())));
        if (set.chirp() != null && !set.chirp().equals(mine.getValue().chirp())) {
            edits.add(Edit.replace(at + "/chirp", set.chirp()));
        }
        if (set.air() != null && !set.air().equals(mine.getValue().air())) {
            edits.add(
                    mine.getValue().air() == null
                            ? Edit.add(at + "/air", set.air())
                            : Edit.replace(at + "/air", set.air()));
        }
        return edits.toArray(Edit[]::new);
    }

    /** Whether a link keeps its target when a radio of one end is set so, and the other links of that radio lose nothing by it. */
    private static boolean holds(CheckContext c, String id, String unit, Radio radio) {
        Map<String, Unit> units = new TreeMap<>(c.plan.units());
        Map<String, Radio> radios = new TreeMap<>(units.get(unit).radios());
        radios.replaceAll((name, r) -> r.medium() == radio.medium() ? radio : r);
        units.put(unit, units.get(unit).withRadios(radios));
        Plan set = c.plan.withUnits(units);
        LinkAssessor assessor = new LinkAssessor(c.site().around(set), c.tables);
        return c.plan.links().entrySet().stream()
                .filter(e ->
                        e.getValue().medium() == radio.medium() && e.getValue().joins(unit))
                .allMatch(e -> assessor.report(e.getKey(), e.getValue()).meets()
                        || !e.getKey().equals(id) && !c.links().get(e.getKey()).meets());
    }

    /** A station that is set to join another network than that of the point it is linked to. */
    private static void network(CheckContext c, String id, Link link) {
        String station = PossibleLinks.offers(c.plan.units().get(link.from())) ? link.to() : link.from();
        String point = link.other(station);
        c.snag("R7", STOP, stage(link), name(c, station) + " joins another network than that of " + name(c, point))
                .figures(c.links().get(id).trouble())
                .leadsTo("It never finds its network, and is never reached.")
                .at(CheckContext.link(id), CheckContext.unit(station))
                .fix(
                        "It joins the network of " + name(c, point),
                        Edit.replace(CheckContext.unit(station, "/wireless/joins"), null))
                .add();
    }

    /** A station that joins a network which nobody offers. */
    private static void joins(CheckContext c, String id, Unit unit) {
        String joins = unit.wireless() == null ? null : unit.wireless().joins();
        if (joins == null
                || unit.media().stream().noneMatch(Medium::wifi)
                || c.plan.units().values().stream()
                        .anyMatch(u -> PossibleLinks.offers(u)
                                && u.wireless() != null
                                && joins.equals(u.wireless().name()))
                || c.plan.links().values().stream()
                        .anyMatch(l -> l.medium().wifi() && (l.from().equals(id) || l.to().equals(id)))) {
            return;
        }
        c.snag("R7", STOP, LINKS, unit.name() + " joins a network that nobody offers")
                .figures("\"" + joins + "\" is the name of no access point's network")
                .leadsTo("It never finds its network, and is never reached.")
                .at(CheckContext.unit(id))
                .fix(
                        "It joins the network of the access point that it is linked to",
                        Edit.replace(CheckContext.unit(id, "/wireless/joins"), null))
                .add();
    }

    private static Optional<Map.Entry<String, Radio>> entry(Unit unit, Medium medium) {
        return unit.radios().entrySet().stream()
                .filter(e -> e.getValue().medium() == medium)
                .findFirst();
    }

    private static void unanswered(CheckContext c, String id, Link link) {
        c.devicesOn(link.from()).forEach(e -> {
            if (!link.twoWay() && !link.medium().oneWay() && e.getValue().kind().family() != DeviceKind.Family.SENSOR) {
                var snag = c.snag("R16", STOP, stage(link), e.getValue().name() + " hangs on a link that only speaks")
                        .figures("one-way " + Wording.of(link.medium()))
                        .leadsTo("It cannot be told anything, and nothing confirms that it acted.")
                        .at(CheckContext.link(id), CheckContext.device(e.getKey()));
                if (listens(c, link.from(), link.medium()) && listens(c, link.to(), link.medium())) {
                    snag.fix("Make it two-way", Edit.replace(CheckContext.link(id, "/direction"), "TWO_WAY"));
                }
                snag.add();
            }
        });
    }

    private static boolean listens(CheckContext c, String unit, Medium medium) {
        return !medium.radio()
                || c.plan.units()
                        .get(unit)
                        .radio(medium)
                        .filter(Radio::receives)
                        .isPresent();
    }

    private static void law(CheckContext c, String id, Unit unit, String name, Radio radio) {
        String at = CheckContext.unit(id, "/radios", Pointers.of(name));
        boolean periodic =
                Traffic.counts(radio.medium()) && Traffic.of(unit, radio).intervalS() != null;
        Optional<RegionLimits.BandLimit> row = RegionLimits.rowFor(c.plan.region(), radio, periodic);
        if (row.isEmpty() && !RegionLimits.judges(c.plan.region(), radio.medium())) {
            c.snag("R23", LOOK, stage(radio), unit.name() + ": the law cannot be judged")
                    .figures("no row for " + Wording.of(radio.medium()) + " in " + c.plan.region() + ", table of "
                            + RegionLimits.DATE)
                    .leadsTo("Check with your regulator before it sends.")
                    .at(CheckContext.unit(id))
                    .add();
        } else if (row.isEmpty()) {
            c.snag("R5", STOP, stage(radio), unit.name() + " sends in a band that is not free here")
                    .figures(RegionLimits.uncovered(c.plan.region(), radio) + ", table of " + RegionLimits.DATE)
                    .leadsTo("It is unlawful and may disturb services that lives depend on. Check with your regulator.")
                    .at(CheckContext.unit(id))
                    .add();
        } else if (row.get().excessDb(radio) > RegionLimits.ROUNDING_DB) {
            double excess = row.get().excessDb(radio);
            c.snag("R3", STOP, stage(radio), unit.name() + " sends " + Text.db(excess) + " over the limit")
                    .figures("limit " + row.get().words() + "; radio " + Text.dbm(radio.txPowerDbm()) + ", antenna "
                            + Text.number(radio.antennaGainDbi(), 1) + " dBi")
                    .leadsTo("It is unlawful at this power. Check with your regulator.")
                    .at(CheckContext.unit(id))
                    .fix(
                            "Lower its power by " + Text.db(excess),
                            Edit.replace(at + "/txPowerDbm", Math.floor((radio.txPowerDbm() - excess) * 10) / 10))
                    .add();
        }
        if (radio.metalBox()) {
            c.snag("R19", FIX, stage(radio), unit.name() + " has its antenna in a metal box")
                    .figures("30 dB are counted for it, 20 to 40 dB are typical")
                    .leadsTo("Little of its signal leaves the box, and little comes in.")
                    .at(CheckContext.unit(id))
                    .fix("The antenna goes outside", Edit.replace(at + "/metalBox", false))
                    .add();
        }
    }
}
