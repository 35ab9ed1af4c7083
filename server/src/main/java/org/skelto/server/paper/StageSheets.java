package org.skelto.server.paper;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.assessment.PlanOverview;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.PartsList;
import org.skelto.core.coverage.FloorCoverage;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.SurvivalFacts;
import org.skelto.core.ground.Relief;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.LostHours;
import org.skelto.core.house.ManyOutages;
import org.skelto.core.house.Outage;
import org.skelto.core.house.State;
import org.skelto.core.links.LinkReport;
import org.skelto.core.longrange.LongRange;
import org.skelto.core.plan.Caution;
import org.skelto.core.plan.Feet;
import org.skelto.core.plan.Measures;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.power.PowerNode;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.rules.RuleMessages;
import org.skelto.core.rules.RuleSentence;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.core.survival.OutageMatrix;
import org.skelto.core.work.Progress;
import org.skelto.server.paper.PaperSheet.Section;
import org.skelto.server.paper.PaperSheet.Table;

/** What each stage puts on paper. */
final class StageSheets {
    /** How outages are worked out. */
    private static final List<String> METHOD = List.of(
            "Every device is worked out by one model of power, reach and control under each outage; nothing is assumed to mend itself.",
            "Hours a year are exact arithmetic on estimates of how often things fail and for how long; their bands come from the ranges of those.",
            "Failures are independent but for what hangs on one circuit, box, line or the mains. That an area outage takes lines and mobile"
                    + " cells along is not counted, nor are radio links.");

    /** Of larger houses hours are not worked out while somebody waits for paper. */
    private static final int LARGE = 260;

    private static final int PROMISED_LINES = 20;

    private static final int NAMED_SETS = 12;

    /** As fine as the map of a floor is on paper, cells. */
    private static final int CELLS = 8000;

    private final Facts facts;
    private final Plan plan;
    private final Assessment now;
    private final Set<String> unreached;
    private final PaperSize size;
    private final boolean landscape;
    private final Optional<Medium> radio;
    private final int scale;
    private final Supplier<Relief> relief;

    /** Made when a sheet asks for it: the ground is read for it. */
    private SitePicture wholeSite;

    StageSheets(
            Facts facts,
            Outage outage,
            Supplier<Relief> relief,
            Optional<Medium> radio,
            PaperSize size,
            boolean landscape) {
        this.facts = facts;
        this.unreached = Assessment.unreached(facts, outage);
        this.plan = facts.plan();
        this.now = Assessment.of(facts, outage);
        this.size = size;
        this.landscape = landscape;
        this.radio = radio;
        this.scale = FloorPicture.scale(plan, now, size, landscape);
        this.relief = relief;
    }

    /** Which sheets there are: a stage each, and the list of snags. */
    enum Kind {
        OVERVIEW,
        SITE,
        DEVICES,
        CONTROLLERS,
        LINKS,
        LONG_RANGE,
        NAMES,
        RULES,
        OUTAGES,
        BUILD,
        SNAGS
    }

    PaperSheet of(Kind kind) {
        return switch (kind) {
            case OVERVIEW -> sheet("Overview", null, overview());
            case SITE -> sheet("Site", scaled(), site());
            case DEVICES -> sheet("Devices", scaled(), devices());
            case CONTROLLERS -> sheet("Controllers", scaled(), controllers());
            case LINKS -> sheet("Links", scaled(), links());
            case LONG_RANGE -> sheet("Long range", scaled(whole()), longRange());
            case NAMES -> sheet("Names", null, names());
            case RULES -> sheet("Rules", null, rules());
            case OUTAGES -> sheet("Outages", null, outages());
            case BUILD -> sheet("Build", null, build());
            case SNAGS -> sheet("Snags", null, snags());
        };
    }

    private String scaled() {
        return scaled(scale);
    }

    private static String scaled(int scale) {
        return "1:" + scale;
    }

    /** The scale of the drawing of the whole site, which is its own. */
    private int whole() {
        return drawnSite().scale(size, landscape);
    }

    private SitePicture drawnSite() {
        if (wholeSite == null) {
            wholeSite = new SitePicture(plan, now, List.copyOf(facts.links().values()), relief.get());
        }
        return wholeSite;
    }

    /** With the cautions that the plan asks for. */
    private PaperSheet sheet(String title, String scale, List<Section> sections) {
        List<String> cautions = new ArrayList<>();
        boolean mains = plan.devices().values().stream().anyMatch(d -> d.kind().mains())
                || plan.units().values().stream().anyMatch(u -> u.power().source() == PowerSource.MAINS);
        if (mains) {
            cautions.add(Caution.MAINS.text());
        }
        if (plan.devices().values().stream().anyMatch(Device::exitRoute)) {
            cautions.add(Caution.EXIT.text());
        }
        if (plan.devices().values().stream().anyMatch(Device::guards)) {
            cautions.add(Caution.LIFE_SAFETY.text());
        }
        return new PaperSheet(title, scale, sections, cautions);
    }

    private List<Section> overview() {
        PlanOverview o = PlanOverview.of(facts, LocalDate.now());
        Table stages = new Table("Where the work stands", "Stage^", "Snags#", "There is", "Next");
        o.stages()
                .forEach(s -> stages.row(
                        words(s.stage()),
                        s.snags() > 0 ? s.snags() : s.judged() ? "clear" : "nothing yet",
                        String.join(", ", s.done()),
                        s.next()));
        Table worst = new Table("Worst snags", "How bad^", "Snag", "Figures", "What it leads to");
        o.worst().forEach(s -> worst.row(words(s.severity()), s.title(), s.figures(), s.consequence()));
        Table out = new Table("What still works", "Without", "Holds#", "Reduced#", "By hand#", "Lost#", "Unsafe#");
        o.outages()
                .forEach(l -> out.row(
                        l.name(),
                        l.counts().get(State.HOLDS),
                        l.counts().get(State.REDUCED),
                        l.counts().get(State.BY_HAND),
                        l.counts().get(State.LOST),
                        l.counts().get(State.UNSAFE)));
        List<String> money = new ArrayList<>();
        if (o.money() != null) {
            money.add("Parts to buy: " + figure(o.money().total(), 2) + " "
                    + o.money().currency()
                    + (o.money().budget() == null
                            ? ""
                            : " of a budget of " + figure(o.money().budget(), 2))
                    + (o.money().unchosen() == 0
                            ? "."
                            : ", without " + o.money().unchosen() + " parts not chosen or not priced."));
            money.add(
                    o.money().firstOrder() == null
                            ? "No day on which something has to be ordered."
                            : "First order by " + o.money().firstOrder() + ".");
        }
        return List.of(stages.section(), worst.section(), out.section(), PaperSheet.text("Money and dates", money));
    }

    private List<Section> site() {
        List<Section> all = new ArrayList<>();
        wholeSite().ifPresent(all::add);
        all.addAll(floors(false, false));
        Table rooms = new Table(
                "Rooms", "Room", "Floor", "Use^", "Area, m²#", inLengths("Width"), inLengths("Depth"), "Walls");
        plan.rooms().values().stream()
                .sorted(byName())
                .forEach(r -> rooms.row(
                        r.name(),
                        plan.floors().get(r.floor()).name(),
                        Wording.words(r.use()),
                        figure(r.areaM2(), 1),
                        length(r.bounds().widthM(), 2),
                        length(r.bounds().depthM(), 2),
                        r.walls().stream()
                                .distinct()
                                .map(w -> plan.construction(w).name())
                                .collect(Collectors.joining(", "))));
        all.add(rooms.section());
        return all;
    }

    private static Comparator<Room> byName() {
        return Comparator.comparing(Room::name);
    }

    private List<Section> floors(boolean devices, boolean units) {
        List<Section> all = new ArrayList<>();
        plan.floors().entrySet().stream()
                .sorted(Comparator.comparing(e -> -e.getValue().baseM()))
                .forEach(e -> {
                    FloorPicture.Drawn drawn = new FloorPicture(plan, now, e.getKey()).drawn(scale, devices, units);
                    if (drawn == null) {
                        return;
                    }
                    all.add(PaperSheet.drawing(
                            plan.buildings().get(e.getValue().building()).name() + ", "
                                    + e.getValue().name(),
                            drawn.svg()));
                    if (!drawn.numbered().isEmpty()) {
                        Table table = new Table(null, "No.#", "Thing", "Kind^", "Room", inLengths("Height"));
                        drawn.numbered().forEach(n -> numbered(table, n));
                        all.add(table.section());
                    }
                });
        return all;
    }

    private void numbered(Table table, Map.Entry<String, String> n) {
        String id = n.getValue().substring(n.getValue().lastIndexOf('/') + 1);
        Device d = n.getValue().startsWith("/devices/") ? plan.devices().get(id) : null;
        Unit u = d == null ? plan.units().get(id) : null;
        Place place = d == null
                ? u.place()
                : d.place() != null || d.unit() == null
                        ? d.place()
                        : plan.units().get(d.unit()).place();
        table.row(
                n.getKey(),
                d == null ? u.name() : d.name(),
                d == null ? Wording.of(u.kind()) : Wording.of(d.kind()),
                room(place),
                place == null ? null : length(place.heightM(), 2));
    }

    private String room(Place place) {
        return place == null || place.room() == null
                ? null
                : plan.rooms().get(place.room()).name();
    }

    private List<Section> devices() {
        List<Section> all = new ArrayList<>(floors(true, false));
        Table table = new Table(
                "All devices",
                "Device",
                "Kind^",
                "Criticality^",
                "Controller",
                "Channel#",
                "By hand^",
                "On power loss");
        plan.devices().values().stream()
                .sorted(Comparator.comparing(Device::name))
                .forEach(d -> table.row(
                        d.name(),
                        Wording.of(d.kind()),
                        Wording.of(d.criticality()),
                        d.unit() == null ? null : plan.units().get(d.unit()).name(),
                        d.channel(),
                        Wording.words(d.hand()),
                        Wording.words(d.rest())));
        all.add(table.section());
        return all;
    }

    private List<Section> controllers() {
        List<Section> all = new ArrayList<>(floors(false, true));
        Table units = new Table("All units", "Unit", "Kind^", "Room", "Fed by", "Address^", "Node#", "Hub", "Radios");
        plan.units().values().stream()
                .sorted(Comparator.comparing(Unit::name))
                .forEach(u -> units.row(
                        u.name(),
                        Wording.of(u.kind()),
                        room(u.place()),
                        u.power().from() == null
                                ? Wording.words(u.power().source())
                                : plan.units().get(u.power().from()).name(),
                        u.ipv4(),
                        u.nodeId(),
                        u.hub() == null ? null : plan.units().get(u.hub()).name(),
                        u.radios().values().stream()
                                .map(r -> Wording.of(r.medium()))
                                .distinct()
                                .collect(Collectors.joining(", "))));
        all.add(units.section());
        Table power = new Table("Power", "Box", "From", "Volts#", "Typical, W#", "Worst, W#", "Battery, h#");
        for (PowerNode n : facts.power().values()) {
            power.row(
                    n.name(),
                    n.parent() == null
                            ? n.source()
                            : facts.power().containsKey(n.parent())
                                    ? facts.power().get(n.parent()).name()
                                    : n.parent(),
                    figure(n.volts(), 1),
                    figure(n.takenW(), 1),
                    figure(n.takenWorstW(), 1),
                    n.store() == null ? null : figure(n.store().hours(), 1));
        }
        all.add(power.section());
        return all;
    }

    /** The whole site where there is more than one house; its scale stands under it. */
    private Optional<Section> wholeSite() {
        return drawnSite().worthwhile()
                ? Optional.of(PaperSheet.drawing(
                        "The whole site, " + scaled(whole()), drawnSite().svg(whole())))
                : Optional.empty();
    }

    /** How well the radio that was asked for, or else the one that most units have, is heard on each floor. */
    private List<Section> heard() {
        List<Section> all = new ArrayList<>();
        radio.or(this::commonest)
                .ifPresent(medium -> plan.floors().entrySet().stream()
                        .filter(f -> plan.rooms().values().stream()
                                .anyMatch(r -> r.floor().equals(f.getKey())))
                        .sorted(Comparator.comparing(f -> -f.getValue().baseM()))
                        .forEach(f -> heard(medium, f.getKey(), f.getValue()).ifPresent(all::add)));
        return all;
    }

    private Optional<Medium> commonest() {
        Map<Medium, Long> units = plan.units().values().stream()
                .flatMap(u -> u.media().stream().distinct())
                .filter(Medium::radio)
                .collect(Collectors.groupingBy(m -> m, TreeMap::new, Collectors.counting()));
        return units.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }

    private Optional<Section> heard(Medium medium, String id, Floor floor) {
        FloorCoverage.Mapped mapped = FloorCoverage.of(facts.site(), facts.tables(), medium, id, unreached, CELLS);
        List<LinkReport> between = facts.links().values().stream()
                .filter(l -> l.medium() == medium)
                .toList();
        if (mapped.coverage().servers().isEmpty()) {
            return Optional.empty();
        }
        FloorPicture.Drawn drawn = new FloorPicture(plan, now, id).heard(scale, mapped, between);
        return Optional.ofNullable(drawn)
                .map(d -> PaperSheet.drawing(
                        Wording.of(medium) + " on "
                                + plan.buildings().get(floor.building()).name() + ", " + floor.name()
                                + (d.numbered().isEmpty() ? "" : ": " + numbers(d))
                                + (mapped.coverage().upward() ? "; sensors speak, these listen" : ""),
                        d.svg()));
    }

    private String numbers(FloorPicture.Drawn drawn) {
        return drawn.numbered().stream()
                .map(n -> n.getKey() + " "
                        + plan.units()
                                .get(n.getValue().substring(n.getValue().lastIndexOf('/') + 1))
                                .name())
                .collect(Collectors.joining(", "));
    }

    private List<Section> links() {
        List<Section> all = new ArrayList<>(List.of(linkTable()));
        all.addAll(heard());
        return all;
    }

    private Section linkTable() {
        Table table = new Table(
                "All links",
                "From",
                "To",
                "By^",
                inLengths("Distance"),
                "Margin, dB#",
                "Needed, dB#",
                "Confidence#",
                "Target#",
                "");
        for (LinkReport l : facts.links().values()) {
            table.row(
                    plan.units().get(l.from()).name(),
                    plan.units().get(l.to()).name(),
                    Wording.of(l.medium()),
                    l.distanceM() == null ? null : length(l.distanceM(), 1),
                    l.marginDb() == null ? null : figure(l.marginDb(), 1),
                    l.marginDb() == null ? null : figure(l.neededDb(), 1),
                    l.chance() == null ? null : figure(Math.floor(l.chance() * 1000) / 10, 1) + " %",
                    figure(l.target() * 100, 0) + " %",
                    l.trouble() != null ? l.trouble() : l.meets() ? "at target" : "below target");
        }
        return table.section();
    }

    private List<Section> longRange() {
        Table table = new Table(
                "Long-range links",
                "From",
                "To",
                inLengths("Apart"),
                "Margin, dB#",
                "Needed, dB#",
                "Airtime, ms#",
                "Against the law",
                "");
        for (LongRange.FarLink l : facts.longRange()) {
            table.row(
                    l.fromName(),
                    l.toName(),
                    l.apartM() == null ? null : length(l.apartM(), 0),
                    l.marginDb() == null ? null : figure(l.marginDb(), 1),
                    l.neededDb() == null ? null : figure(l.neededDb(), 1),
                    l.airtimeMs() == null ? null : figure(l.airtimeMs(), 0),
                    String.join("; ", l.broken()),
                    l.trouble() != null ? l.trouble() : l.meets() ? "at target" : "below target");
        }
        List<Section> all = new ArrayList<>();
        all.add(table.section());
        all.add(PaperSheet.text(
                "Radio limits are law",
                List.of("Frequency, power and duty cycle are limited by law: check with your regulator.")));
        wholeSite().ifPresent(all::add);
        return all;
    }

    private List<Section> names() {
        Table units = new Table("Addresses", "Unit", "Address^", "Hardware address^", "Node#");
        plan.units().values().stream()
                .filter(u -> u.ipv4() != null || u.mac() != null || u.nodeId() != null)
                .sorted(Comparator.comparing(Unit::name))
                .forEach(u -> units.row(u.name(), u.ipv4(), u.mac(), u.nodeId()));
        Table topics = new Table("Topics", "Device", "Topic");
        plan.devices().values().stream()
                .filter(d -> d.topic() != null)
                .sorted(Comparator.comparing(Device::topic))
                .forEach(d -> topics.row(d.name(), d.topic()));
        return List.of(
                PaperSheet.text(
                        "Network",
                        List.of("Subnet " + plan.network().subnet() + ", handed out by itself from "
                                + plan.network().poolFrom() + " to "
                                + plan.network().poolTo() + ".")),
                units.section(),
                topics.section());
    }

    private List<Section> rules() {
        Table table = new Table(null, "Rule", "Runs in", "Says", "Judged");
        List<RuleFinding> found = facts.get(HouseFacts.RULE_FINDINGS);
        plan.rules().forEach((id, rule) -> {
            RuleSentence sentence = RuleSentence.of(plan, id, rule);
            table.row(
                    rule.name() + (rule.off() ? " (rests)" : ""),
                    sentence.host(),
                    sentence.text(),
                    found.stream()
                            .filter(f -> f.rules().contains(id))
                            .map(f -> f.says() + " (" + Wording.words(f.proof()) + ")")
                            .collect(Collectors.joining(" ")));
        });
        List<Section> sections = new ArrayList<>(List.of(table.section()));
        RuleMessages messages = RuleMessages.of(plan);
        if (!messages.rules().isEmpty()) {
            Table tells = new Table("Messages a month", "Rule", "Times#", "Messages#", "Known from");
            messages.rules()
                    .forEach(r -> tells.row(
                            r.name(),
                            Math.round(r.timesMonth()),
                            Math.round(r.messages()),
                            r.said() ? "a person" : "an estimate"));
            sections.add(tells.section());
        }
        return sections;
    }

    private List<Section> outages() {
        Table table = new Table(null, "Device", "State^", "Why");
        now.states().entrySet().stream()
                .sorted(Comparator.comparing((Map.Entry<String, ?> e) ->
                                -now.states().get(e.getKey()).state().ordinal())
                        .thenComparing(e -> plan.devices().get(e.getKey()).name()))
                .forEach(e -> table.row(
                        plan.devices().get(e.getKey()).name(),
                        Wording.words(e.getValue().state()),
                        e.getValue().sentence()));
        List<Section> all = new ArrayList<>();
        all.add(PaperSheet.text("What still works", List.of(now.sentence() + ".")));
        all.add(table.section());
        all.add(promises());
        all.add(alone());
        all.add(leastSets());
        all.add(hoursLost());
        Table taken = new Table("Taken as it is", "Snag", "Reason");
        plan.accepted().forEach((key, reason) -> {
            if (key.matches("[OH][0-9].*")) {
                taken.row(key, reason);
            }
        });
        all.add(taken.section());
        all.add(PaperSheet.text("How it was worked out", METHOD));
        return all;
    }

    private Section promises() {
        Table table = new Table("Promises", "Promise", "Kept^", "Does not survive");
        facts.get(SurvivalFacts.PROMISES)
                .forEach(p -> table.row(
                        p.name(),
                        p.kept() ? "yes" : "no, " + p.count() + " of " + p.devices(),
                        p.broken().stream()
                                .map(b -> b.name() + " without " + b.outage())
                                .limit(PROMISED_LINES)
                                .collect(Collectors.joining("; "))));
        return table.section();
    }

    /** What each outage of the matrix takes away. */
    private Section alone() {
        OutageMatrix matrix = OutageMatrix.of(plan, facts.outages(), OutageMatrix.Grouping.NONE, null);
        Table table = new Table("What each takes away", "Out", "Unsafe", "Lost");
        for (int c = 0; c < matrix.columns().size(); c++) {
            OutageMatrix.MatrixColumn column = matrix.columns().get(c);
            if (column.felt() > 0) {
                table.row(
                        column.same().isEmpty()
                                ? column.name()
                                : column.name() + ", " + String.join(", ", column.same()),
                        inState(matrix, c, '4'),
                        inState(matrix, c, '3'));
            }
        }
        return table.section();
    }

    /** Of what guards: what alone, and which two together, lose each of its jobs. */
    private Section leastSets() {
        Table table = new Table("Least sets of failures, of what guards", "Device^", "Job^", "Alone", "Two together");
        facts.outages().now().forEach((id, state) -> {
            if (plan.devices().get(id).guards()) {
                for (DeviceState.JobState job : state.jobs()) {
                    List<ManyOutages.LeastSet> sets = facts.outages().many().least(id, job.job(), 2);
                    table.row(
                            plan.devices().get(id).name(),
                            job.job().words(),
                            job.state().compareTo(State.LOST) >= 0 ? "lost as it is" : sets(sets, 1),
                            sets(sets, 2));
                }
            }
        });
        return table.section();
    }

    private static String sets(List<ManyOutages.LeastSet> all, int size) {
        List<String> named = all.stream()
                .filter(s -> s.components().size() == size)
                .map(s -> String.join(" and ", s.names()))
                .toList();
        return named.stream().limit(NAMED_SETS).collect(Collectors.joining("; "))
                + (named.size() > NAMED_SETS ? "; " + (named.size() - NAMED_SETS) + " more" : "");
    }

    private String inState(OutageMatrix matrix, int column, char state) {
        return matrix.rows().stream()
                .filter(r -> r.states().charAt(column) == state)
                .flatMap(r -> r.devices().stream())
                .map(id -> plan.devices().get(id).name())
                .sorted()
                .collect(Collectors.joining(", "));
    }

    private Section hoursLost() {
        if (facts.outages().components().size() > LARGE) {
            return PaperSheet.text(
                    "Hours lost a year",
                    List.of(
                            "The house is too large for them to be worked out while it is printed; save them as CSV in the page."));
        }
        Table table =
                new Table("Hours lost a year", "Device", "Job", "Lost#", "From#", "To#", "Once a year#", "Most by");
        LostHours.of(facts.outages(), Progress.NONE).stream()
                .sorted(Comparator.comparingDouble(LostHours.LostJob::hours).reversed())
                .forEach(l -> table.row(
                        plan.devices().get(l.device()).name(),
                        l.job().words(),
                        figure(l.hours(), 1),
                        figure(l.low(), 1),
                        figure(l.high(), 1),
                        figure(l.chance() * 100, 0) + " %",
                        l.shares().stream()
                                .limit(2)
                                .map(LostHours.LostShare::name)
                                .collect(Collectors.joining(", "))));
        return table.section();
    }

    private List<Section> build() {
        PartsList list = facts.partsList(LocalDate.now());
        Table parts = new Table(
                "Parts", "Part", "Supplier", "Needed#", "In the drawer#", "Buy#", "Price#", "Cost#", "Order by^");
        list.lines()
                .forEach(l -> parts.row(
                        l.name(),
                        l.supplier(),
                        amount(l.needed(), l.metres()),
                        amount(l.owned(), l.metres()),
                        amount(l.buy(), l.metres()),
                        l.price() == null ? null : figure(l.price(), 2),
                        l.cost() == null ? null : figure(l.cost(), 2),
                        l.orderBy()));
        List<String> sum = new ArrayList<>();
        sum.add("Total " + figure(list.total(), 2) + " " + list.currency()
                + (list.budget() == null ? "." : " of a budget of " + figure(list.budget(), 2) + "."));
        if (!list.missing().isEmpty()) {
            sum.add("Not in it, as no part is chosen: "
                    + list.missing().stream().map(m -> m.name()).collect(Collectors.joining(", ")) + ".");
        }
        Table cables = new Table("Cables", "Label^", "From", "To", "Cable", inLengths("Length"), "Cores#", "Drop, V#");
        for (CableLine c : facts.cables()) {
            cables.row(
                    c.id(),
                    c.fromName(),
                    c.toName(),
                    c.kind(),
                    c.lengthM() == null ? null : length(c.lengthM(), 1),
                    c.cores().size(),
                    c.dropV() == null ? null : figure(c.dropV(), 2));
        }
        return List.of(parts.section(), PaperSheet.text("Sum", sum), cables.section());
    }

    private List<Section> snags() {
        List<Section> all = new ArrayList<>();
        List<Snag> snags = Checks.snags(facts);
        for (Severity severity : Severity.values()) {
            Table table = new Table(
                    switch (severity) {
                        case STOP -> "Stops";
                        case FIX -> "To fix";
                        case LOOK -> "To look at";
                    },
                    "Done^",
                    "Code^",
                    "Stage^",
                    "Snag",
                    "Figures",
                    "What it leads to");
            snags.stream()
                    .filter(s -> s.severity() == severity && s.accepted() == null)
                    .forEach(s ->
                            table.row("\u2610", s.code(), words(s.stage()), s.title(), s.figures(), s.consequence()));
            all.add(table.section());
        }
        Table accepted = new Table("Accepted", "Code^", "Snag", "Why it was taken as it is");
        snags.stream().filter(s -> s.accepted() != null).forEach(s -> accepted.row(s.code(), s.title(), s.accepted()));
        all.add(accepted.section());
        return all;
    }

    private static String amount(double value, boolean metres) {
        return figure(value, metres ? 1 : 0) + (metres ? " m" : "");
    }

    private static String words(Enum<?> constant) {
        String words = Wording.words(constant);
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** A length in the plan's measures, under a head of {@link #inLengths}. */
    private String length(double metres, int places) {
        return plan.measures() == Measures.FEET ? Feet.of(metres) : figure(metres, places);
    }

    private String inLengths(String head) {
        return plan.measures() == Measures.FEET ? head + "#" : head + ", m#";
    }

    private static String figure(double value, int places) {
        return String.format(Locale.ROOT, "%." + places + "f", value);
    }
}
