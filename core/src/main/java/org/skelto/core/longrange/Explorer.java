package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.LinkReport;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.power.Outposts;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Every setting of a chirp link: what it would reach, take and allow. */
public final class Explorer {
    /** Bandwidths that chirp radios offer, kHz. */
    static final double[] BANDWIDTHS = {7.8, 10.4, 15.6, 20.8, 31.25, 41.7, 62.5, 125, 250, 500};

    /** Narrower chirps are lost when cheap crystals drift apart, kHz. */
    private static final double CRYSTAL_KHZ = 62.5;

    private final Plan plan;
    private final Catalogue parts;
    private final LinkReport report;
    private final int codingRate;
    private final Unit unit;
    private final Radio radio;
    private final double frequencyMHz;
    private final Message message;
    private final int bytes;
    private final int tries;
    private final Double intervalS;
    private final double hitsPerMs;
    private final double sigmaDb;
    private final Wanted wanted;

    /** What both ends are set to, or null where they differ. */
    private final @Nullable Chirp set;

    /**
     * What is asked.
     *
     * @param codingRate 5 to 8
     * @param payloadBytes 1 to 255, or null for the message of the plan
     * @param tries 1 to 10, or null for those of the plan
     * @param frequencyMHz or null for that of the plan
     */
    public record Wanted(int codingRate, Integer payloadBytes, Integer tries, Double frequencyMHz) {}

    /**
     * One setting.
     *
     * @param marginDb of the worse direction
     * @param chance that the place and time let it through
     * @param leastIntervalS that the region table allows, or null when nothing limits it
     * @param framesPerHour that it allows, or that fit
     * @param years of the battery, or null when that is not known
     * @param delivery chance with all tries: the place must let it through, and one try must meet no other frame
     * @param ackMs until the sender knows that it arrived
     * @param broken rules that are broken, in words
     * @param notes in words
     * @param ruledOut why it is no choice for any wish, in words, or null
     */
    @RecordBuilder
    public record Setting(
            int spreadingFactor,
            double bandwidthKHz,
            int codingRate,
            double sensitivityDbm,
            double marginDb,
            double chance,
            double airtimeMs,
            @Nullable Double leastIntervalS,
            double framesPerHour,
            @Nullable Double years,
            double delivery,
            double ackMs,
            boolean meets,
            boolean now,
            List<String> broken,
            List<String> notes,
            @Nullable String ruledOut)
            implements ExplorerSettingBuilder.With {}

    /** The best setting for a wish, with the reason. */
    public record Pick(String wish, int spreadingFactor, double bandwidthKHz, String why) {}

    /**
     * The whole grid.
     *
     * @param neededDb margin at which the target is met
     * @param payloadBytes that was reckoned with
     * @param radios pointers to the radios that have to be set alike: both ends and all that talk with either
     */
    @RecordBuilder
    public record SettingGrid(
            String link,
            double target,
            double neededDb,
            int payloadBytes,
            int tries,
            List<String> radios,
            List<Setting> settings,
            List<Pick> picks)
            implements ExplorerSettingGridBuilder.With {}

    /** How the figures of one setting come about; the battery's is null where its cells or duty are not known. */
    @RecordBuilder
    public record SettingFigures(
            Figure margin,
            Figure chance,
            Figure airtime,
            Figure interval,
            @Nullable Figure battery,
            Figure delivery,
            Figure answer)
            implements ExplorerSettingFiguresBuilder.With {}

    private Explorer(Plan plan, Catalogue parts, LinkReport report, Wanted wanted) {
        this.plan = plan;
        this.parts = parts;
        this.report = report;
        this.codingRate = wanted.codingRate();
        this.unit = plan.units().get(report.from());
        this.radio = unit.radio(Medium.CHIRP).orElseThrow();
        this.frequencyMHz = wanted.frequencyMHz() == null ? radio.frequencyMHz() : wanted.frequencyMHz();
        this.message = unit.says();
        this.bytes = wanted.payloadBytes() != null
                ? wanted.payloadBytes()
                : message.bytes() == 0 ? Traffic.USUAL_BYTES : message.bytes();
        this.tries = wanted.tries() == null ? message.triesOrOne() : wanted.tries();
        this.intervalS = Traffic.of(unit, radio).intervalS();
        this.hitsPerMs = hitsPerMs(SharedAir.of(plan), report.from());
        this.sigmaDb = report.sigmaDb();
        this.wanted = wanted;
        boolean alike = along(plan, report.from(), report.to()).stream()
                .map(u -> plan.units().get(u).radio(Medium.CHIRP).orElseThrow().chirp())
                .allMatch(radio.chirp()::equals);
        this.set = alike ? radio.chirp() : null;
    }

    /**
     * The link over a path with both ends, and all that talk with either, set as its sender is and at the frequency that is
     * asked for; what every setting of it is reckoned from.
     */
    public static LinkReport basis(Plan plan, SiteModel site, SlabTables tables, String path, Wanted wanted) {
        ComputingBudget.step();
        LinkWhatIf trial = new LinkWhatIf(plan, site, tables, path, Medium.CHIRP);
        Radio sender = trial.radio(trial.link.from());
        double frequency = wanted.frequencyMHz() == null ? sender.frequencyMHz() : wanted.frequencyMHz();
        Map<String, UnaryOperator<Radio>> alike = new TreeMap<>();
        along(plan, trial.link.from(), trial.link.to())
                .forEach(u -> alike.put(u, r -> r.set(frequency, sender.chirp())));
        return trial.with(alike);
    }

    /** The grid of a chirp link whose report has a budget, as {@link #basis} makes it. */
    public static SettingGrid of(Plan plan, Catalogue parts, LinkReport report, Wanted wanted) {
        return of(plan, parts, report, wanted, edits -> null);
    }

    /**
     * The same, where a choice is no choice if it would leave something behind.
     *
     * @param brings what edits would bring, in words, or null
     */
    public static SettingGrid of(
            Plan plan,
            Catalogue parts,
            LinkReport report,
            Wanted wanted,
            Function<List<Edit>, @Nullable String> brings) {
        ComputingBudget.step();
        Explorer explorer = new Explorer(plan, parts, report, wanted);
        List<Setting> all = new ArrayList<>();
        for (int sf = 6; sf <= 12; sf++) {
            for (double khz : BANDWIDTHS) {
                all.add(explorer.setting(sf, khz));
            }
        }
        List<String> radios = along(plan, report.from(), report.to()).stream()
                .map(u -> radioAt(plan, u))
                .toList();
        Picks picks = new Picks(all, s -> brings.apply(explorer.edits(radios, s)));
        return ExplorerSettingGridBuilder.builder()
                .link(report.link())
                .target(report.target())
                .neededDb(report.neededDb())
                .payloadBytes(explorer.bytes)
                .tries(explorer.tries)
                .radios(radios)
                .settings(picks.told())
                .picks(picks.picks)
                .build();
    }

    /** The change that sets radios so. */
    private List<Edit> edits(List<String> radios, Setting s) {
        Chirp chirp = new Chirp(s.spreadingFactor(), s.bandwidthKHz(), codingRate);
        List<Edit> edits = new ArrayList<>();
        for (String at : radios) {
            edits.add(Edit.replace(at + "/chirp", chirp));
            if (wanted.frequencyMHz() != null) {
                edits.add(Edit.replace(at + "/frequencyMHz", frequencyMHz));
            }
        }
        return edits;
    }

    /** Whether the grid has a setting. */
    public static boolean offers(int spreadingFactor, double bandwidthKHz) {
        return spreadingFactor >= 6
                && spreadingFactor <= 12
                && Arrays.stream(BANDWIDTHS).anyMatch(b -> b == bandwidthKHz);
    }

    /** How the figures of one setting that the grid {@link #offers} come about. */
    public static SettingFigures figures(
            Plan plan, Catalogue parts, LinkReport report, Wanted wanted, int spreadingFactor, double bandwidthKHz) {
        Explorer explorer = new Explorer(plan, parts, report, wanted);
        return explorer.figures(explorer.setting(spreadingFactor, bandwidthKHz));
    }

    private Setting setting(int sf, double khz) {
        ComputingBudget.step();
        Chirp chirp = new Chirp(sf, khz, codingRate);
        double airtime = Traffic.airtimeMs(chirp, message, bytes);
        Traffic traffic = new Traffic(bytes, false, airtime, intervalS, tries);
        AirLaw law = law(chirp, traffic);
        LinkReport.Run worse = worse(chirp);
        double floor = floorDb(worse, chirp);
        double margin = worse.budget().receivedDbm() - floor;
        double chance = Chance.of(margin, sigmaDb);
        double least = law.leastIntervalS() == null ? traffic.messageMs() / 1000 : law.leastIntervalS();
        return ExplorerSettingBuilder.builder()
                .spreadingFactor(sf)
                .bandwidthKHz(khz)
                .codingRate(codingRate)
                .sensitivityDbm(floor)
                .marginDb(margin)
                .chance(chance)
                .airtimeMs(airtime)
                .leastIntervalS(law.leastIntervalS())
                .framesPerHour(3600 / least)
                .years(Outposts.yearsSending(plan, parts, report.from(), airtime * tries))
                .delivery(chance * Air.delivery(success(airtime), tries))
                .ackMs(airtime + Traffic.TURNAROUND_MS + answerMs(chirp))
                .meets(margin >= report.neededDb())
                .now(chirp.equals(set) && frequencyMHz == radio.frequencyMHz())
                .broken(law.broken())
                .notes(notes(chirp, message))
                .ruledOut(ruledOut(law, chirp))
                .build();
    }

    private static @Nullable String ruledOut(AirLaw law, Chirp chirp) {
        if (!law.lawful()) {
            return String.join("; ", law.broken());
        }
        if (chirp.spreadingFactor() == 6) {
            return "SF6 only where both ends know the length";
        }
        return chirp.bandwidthKHz() < CRYSTAL_KHZ ? "only with temperature-compensated crystals" : null;
    }

    /** The direction that has less to spare with a setting at both ends. */
    private LinkReport.Run worse(Chirp chirp) {
        return report.runs().stream()
                .min(Comparator.comparingDouble(r -> r.budget().receivedDbm() - floorDb(r, chirp)))
                .orElseThrow();
    }

    /** Floor of the receiver of a direction with a setting, dBm: its sheet's where the plan has one. */
    private double floorDb(LinkReport.Run run, Chirp chirp) {
        Radio ear = plan.units().get(run.to()).radio(Medium.CHIRP).orElseThrow();
        return Budget.sensitivityDbm(ear.set(frequencyMHz, chirp));
    }

    private AirLaw law(Chirp chirp, Traffic traffic) {
        return AirLaw.of(plan.region(), radio.set(frequencyMHz, chirp), traffic);
    }

    private double success(double airtimeMs) {
        return Math.exp(-hitsPerMs * airtimeMs);
    }

    private double answerMs(Chirp chirp) {
        return Traffic.airtimeMs(chirp, message, Traffic.ANSWER_BYTES);
    }

    private SettingFigures figures(Setting s) {
        Chirp chirp = new Chirp(s.spreadingFactor(), s.bandwidthKHz(), codingRate);
        AirLaw law = law(chirp, new Traffic(bytes, false, s.airtimeMs(), intervalS, tries));
        return ExplorerSettingFiguresBuilder.builder()
                .margin(Figure.of(
                        "what arrives in the worse direction − receiver floor with this setting at both ends; floor = −174 + "
                                + "10 log10(B) + NF + SNRmin",
                        "link budget over this path; thermal noise and the demodulator's least signal-to-noise ratio",
                        report.extrapolated(),
                        "arrives",
                        Text.dbm(worse(chirp).budget().receivedDbm()),
                        "receiver floor",
                        Text.dbm(s.sensitivityDbm())))
                .chance(Chance.figure(s.marginDb(), sigmaDb))
                .airtime(Traffic.airtimeFigure(chirp, message, bytes))
                .interval(law.intervalFigure(s.airtimeMs() * tries))
                .battery(Outposts.sendingFigure(plan, parts, report.from(), s.airtimeMs() * tries))
                .delivery(Figure.of(
                        "confidence at the place · (1 − (1 − p)^k); p = e^(−h T)",
                        "unslotted access; senders independent of each other",
                        false,
                        "confidence at the place",
                        Text.percent(s.chance()),
                        "T, time on air",
                        Text.number(s.airtimeMs(), 1) + " ms",
                        "h, frames of others that would hit it in a second",
                        Text.number(hitsPerMs * 1000, 4),
                        "p, one try meets no other",
                        Text.percent(success(s.airtimeMs())),
                        "k, tries",
                        Integer.toString(tries)))
                .answer(Figure.of(
                        "time on air + turnaround + time on air of the answer",
                        "one frame each way; turnaround typical",
                        false,
                        "time on air",
                        Text.number(s.airtimeMs(), 1) + " ms",
                        "turnaround",
                        Text.number(Traffic.TURNAROUND_MS, 0) + " ms",
                        "answer of " + Traffic.ANSWER_BYTES + " bytes",
                        Text.number(answerMs(chirp), 1) + " ms"))
                .build();
    }

    /** Two units and all that talk with either over chirp, directly or through others: they must be set alike. */
    static Set<String> along(Plan plan, String from, String to) {
        Set<String> all = new TreeSet<>(List.of(from, to));
        boolean grew = true;
        while (grew) {
            ComputingBudget.step();
            grew = false;
            for (Link l : plan.links().values()) {
                if (l.medium() == Medium.CHIRP && (all.contains(l.from()) || all.contains(l.to()))) {
                    grew |= plan.units().get(l.from()).radio(Medium.CHIRP).isPresent() && all.add(l.from());
                    grew |= plan.units().get(l.to()).radio(Medium.CHIRP).isPresent() && all.add(l.to());
                }
            }
        }
        return all;
    }

    /** Pointer to a unit's chirp radio. */
    private static String radioAt(Plan plan, String unit) {
        return Pointers.of("units", unit) + "/radios"
                + Pointers.of(plan.units().get(unit).radioId(Medium.CHIRP).orElseThrow());
    }

    /** How many frames of others begin in a millisecond in which they would hit this one, if it had their setting. */
    private static double hitsPerMs(List<SharedAir.SubBand> air, String unit) {
        return air.stream()
                .flatMap(b -> b.senders().stream())
                .filter(s -> s.medium() == Medium.CHIRP && !s.unit().equals(unit) && s.intervalS() != null)
                .mapToDouble(s -> 2.0 * s.tries() / s.intervalS() / 1000)
                .sum();
    }

    private static List<String> notes(Chirp chirp, Message message) {
        List<String> notes = new ArrayList<>();
        if (chirp.spreadingFactor() == 6 && !Boolean.TRUE.equals(message.implicitHeader())) {
            notes.add("SF6 works only with an implicit header: both ends must know the length");
        }
        if (chirp.bandwidthKHz() < CRYSTAL_KHZ) {
            notes.add("below 62.5 kHz both ends need a temperature-compensated crystal");
        }
        return notes;
    }
}
