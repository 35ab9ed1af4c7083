package org.skelto.core.links;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * Compares every link that a unit could have and says which one it would take. What cannot work is ruled out with its
 * reason; among the rest the order is by how well the medium suits the unit's power and importance, then by margin.
 */
public final class LinkChooser {
    /** Who gets a link first when all do. */
    private static final List<UnitKind> ORDER = List.of(
            UnitKind.SWITCH,
            UnitKind.HUB,
            UnitKind.ACCESS_POINT,
            UnitKind.GATEWAY,
            UnitKind.PANEL,
            UnitKind.CONTROLLER,
            UnitKind.SELF_CONTAINED);

    private final Plan plan;
    private final SiteModel site;
    private final SlabTables tables;
    private final LinkAssessor assessor;
    private final Receivers receivers;
    private final LinkRules rules;

    public LinkChooser(SiteModel site, SlabTables tables) {
        this(site.plan(), site, tables);
    }

    private LinkChooser(Plan plan, SiteModel site, SlabTables tables) {
        this.plan = plan;
        this.site = site;
        this.tables = tables;
        this.assessor = new LinkAssessor(plan, site, tables);
        this.receivers = new Receivers(plan, site);
        this.rules = new LinkRules(plan);
    }

    /**
     * One possible link.
     *
     * @param reachM how far apart both ends could be with the same walls between them, metres, or null for cable
     * @param secondTo name of another unit that would hear it at its target, or null
     * @param battery what it means for the unit's battery, in words
     * @param cost guide price of what must be bought for it, in the plan's money
     * @param ruledOut why it will not do, or null
     * @param why what speaks for it
     * @param edits the change that would make it the unit's link
     */
    @RecordBuilder
    public record Option(
            Medium medium,
            Direction direction,
            String to,
            String toName,
            @Nullable Double distanceM,
            @Nullable Double marginDb,
            @Nullable Double chance,
            double target,
            @Nullable Double reachM,
            @Nullable Figure reachFigure,
            @Nullable String secondTo,
            String battery,
            double cost,
            Figure costFigure,
            @Nullable String ruledOut,
            String why,
            boolean best,
            List<Edit> edits)
            implements LinkChooserOptionBuilder.With {}

    /** A link looked at, before it is written out as an option. */
    @RecordBuilder
    record Trial(
            String to,
            Medium medium,
            Direction direction,
            LinkReport report,
            String ruledOut,
            boolean collects,
            int rank)
            implements LinkChooserTrialBuilder.With {}

    private static final Comparator<Trial> BEST_EAR = Comparator.comparing((Trial t) -> t.ruledOut != null)
            .thenComparing(t -> !t.collects)
            .thenComparing(t -> t.report.marginDb() == null ? 0 : -t.report.marginDb())
            .thenComparing(t -> t.report.distanceM() == null ? 0 : t.report.distanceM());

    private static final Comparator<Trial> BEST_LINK = Comparator.comparing((Trial t) -> t.ruledOut != null)
            .thenComparing(t -> t.rank)
            .thenComparing(t -> t.medium);

    /** The options of a unit, best first; at most one is marked best. Empty when nothing in the plan can be reached. */
    public List<Option> options(String unitId) {
        List<Option> options = new ArrayList<>();
        for (Trial trial : trials(unitId)) {
            options.add(option(unitId, trial, options.isEmpty() && trial.ruledOut == null, second(unitId, trial)));
        }
        return options;
    }

    /** The option that would be chosen, if any will do; without looking for a second path. */
    public Optional<Option> best(String unitId) {
        return trials(unitId).stream()
                .limit(1)
                .filter(t -> t.ruledOut == null)
                .map(t -> option(unitId, t, true, null))
                .findFirst();
    }

    /**
     * The link that would be chosen if a hub had a radio that it lacks: what a battery unit without any receiver in the plan
     * needs. The edits give the hub its radio, too.
     */
    public Optional<Option> withRadioAtTheHub(String unitId) {
        Unit unit = plan.units().get(unitId);
        String hub = unit.hub();
        if (hub == null || !rules.battery(unitId) || plan.units().get(hub).place() == null) {
            return Optional.empty();
        }
        Medium medium = unit.radios().values().stream()
                .map(Radio::medium)
                .filter(Medium::mesh)
                .findFirst()
                .orElse(Medium.MESH_802154);
        if (plan.units().get(hub).radio(medium).isPresent()) {
            return Optional.empty();
        }
        Radio ear = RadioDefaults.radio(medium, plan.region(), UnitKind.HUB);
        Map<String, Unit> units = new java.util.TreeMap<>(plan.units());
        units.put(hub, withRadio(plan.units().get(hub), ear));
        return new LinkChooser(plan.withUnits(units), site, tables).best(unitId).map(o -> {
            List<Edit> edits = new ArrayList<>(o.edits());
            edits.add(0, Edit.add(Pointers.of("units", hub, "radios", RadioDefaults.id(medium)), ear));
            return o.withEdits(edits);
        });
    }

    private List<Trial> trials(String unitId) {
        List<Trial> trials = new ArrayList<>();
        if (!LinkRules.talks(plan.units().get(unitId))) {
            return trials;
        }
        for (Medium medium : Medium.values()) {
            if (medium.radio() && plan.units().get(unitId).is(UnitKind.SWITCH)) {
                continue;
            }
            // what runs on the mains, over light or over a wire of its own is laid by hand
            if (medium != Medium.ETHERNET && !medium.radio()) {
                continue;
            }
            receivers
                    .of(unitId, medium)
                    .map(to -> trial(unitId, to, medium, Direction.TWO_WAY))
                    .min(BEST_EAR)
                    .ifPresent(best -> {
                        trials.add(best);
                        if (medium == Medium.SUB_GHZ) {
                            trials.add(trial(unitId, best.to, medium, Direction.ONE_WAY));
                        }
                    });
        }
        trials.sort(BEST_LINK);
        return trials;
    }

    /**
     * Edits that give every unit without a link outward the one that would be chosen for it: the network's own boxes
     * first, each on the plan as it is by then. Units for which nothing will do are left as they are.
     */
    public List<Edit> chooseForAll() {
        return chooseForAll(Set.of());
    }

    /** The same, without some units. */
    public List<Edit> chooseForAll(Set<String> left) {
        List<Edit> all = new ArrayList<>();
        Plan now = plan;
        for (String unitId : unlinked()) {
            if (left.contains(unitId)) {
                continue;
            }
            Optional<Option> best = new LinkChooser(now, site, tables).best(unitId);
            if (best.isPresent()) {
                all.addAll(best.get().edits());
                now = linked(now, unitId, best.get().edits());
            }
        }
        return all;
    }

    /** Units that could have a link and have none, those first that others will hang on. */
    public List<String> unlinked() {
        ComputingBudget.step();
        return plan.units().entrySet().stream()
                .filter(e -> !e.getValue().is(UnitKind.ROUTER) && LinkRules.talks(e.getValue()))
                .filter(e -> site.position(e.getValue()).isPresent())
                .filter(e -> !receivers.linked(e.getKey()))
                .sorted(Comparator.comparing(e -> ORDER.indexOf(e.getValue().kind())))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The plan after the edits of an option: they add at most a radio and a link. */
    public static Plan linked(Plan plan, String unitId, List<Edit> edits) {
        Map<String, Unit> units = new java.util.TreeMap<>(plan.units());
        Map<String, Link> links = new java.util.TreeMap<>(plan.links());
        for (Edit edit : edits) {
            if (edit.value() instanceof Link link) {
                links.put(edit.path().substring(edit.path().lastIndexOf('/') + 1), link);
            } else if (edit.value() instanceof Radio radio) {
                units.put(unitId, withRadio(units.get(unitId), radio));
            }
        }
        return plan.with(p -> p.units(units).links(links));
    }

    private Option option(String unitId, Trial trial, boolean best, String second) {
        LinkReport report = trial.report;
        String why = LinkRules.why(trial.medium, rules.battery(unitId), assessor.criticality(unitId), report);
        return LinkChooserOptionBuilder.builder()
                .medium(trial.medium)
                .direction(trial.direction)
                .to(trial.to)
                .toName(plan.units().get(trial.to).name())
                .distanceM(report.distanceM())
                .marginDb(report.marginDb())
                .chance(report.chance())
                .target(report.target())
                .reachM(reach(report))
                .reachFigure(reachFigure(report))
                .secondTo(second)
                .battery(LinkCosts.battery(trial.medium, trial.direction, rules.battery(unitId)))
                .cost(LinkCosts.cost(trial.medium, plan.units().get(unitId), report.distanceM()))
                .costFigure(LinkCosts.figure(trial.medium, plan.units().get(unitId), report.distanceM()))
                .ruledOut(trial.ruledOut)
                .why(why)
                .best(best)
                .edits(edits(unitId, trial, why))
                .build();
    }

    /** What is over the target's margin may be spent on distance, 20 dB for each tenfold. */
    private static Double reach(LinkReport report) {
        return report.marginDb() == null || report.distanceM() == null
                ? null
                : report.distanceM() * Math.pow(10, (report.marginDb() - report.neededDb()) / 20);
    }

    private static Figure reachFigure(LinkReport report) {
        return reach(report) == null
                ? null
                : Figure.of(
                        "distance · 10^((margin − needed) / 20), with the same walls between",
                        "ITU-R P.525",
                        false,
                        "distance",
                        Text.metres(report.distanceM()),
                        "margin",
                        Text.db(report.marginDb()),
                        "needed",
                        Text.db(report.neededDb()));
    }

    /** Another unit of the same radio that would hear it at its target. */
    private String second(String unitId, Trial trial) {
        if (trial.report.marginDb() == null) {
            return null;
        }
        return receivers
                .of(unitId, trial.medium)
                .filter(to -> !to.equals(trial.to))
                .map(to -> trial(unitId, to, trial.medium, trial.direction))
                .filter(t -> t.ruledOut == null)
                .min(BEST_EAR)
                .map(t -> plan.units().get(t.to).name())
                .orElse(null);
    }

    /** Whether a unit is of a kind that others may report to: what other units are like does not matter to a choice. */
    public static boolean mayReceive(Unit unit) {
        return unit.collects() || unit.media().stream().anyMatch(Medium::mesh);
    }

    private Trial trial(String unitId, String to, Medium medium, Direction direction) {
        ComputingBudget.step();
        Unit unit = plan.units().get(unitId);
        Radio radio = !medium.radio() ? null : radioFor(unit, to, medium);
        Plan with = plan;
        if (radio != null) {
            Map<String, Unit> units = new java.util.TreeMap<>(plan.units());
            units.put(unitId, withRadio(unit, radio));
            with = plan.withUnits(units);
        }
        LinkReport report = new LinkAssessor(with, site, tables)
                .report("trial", Link.of(unitId, to, medium, direction, null, null));
        return LinkChooserTrialBuilder.builder()
                .to(to)
                .medium(medium)
                .direction(direction)
                .report(report)
                .ruledOut(rules.ruledOut(unitId, radio, direction, report))
                .collects(plan.units().get(to).collects())
                .rank(LinkRules.rank(
                        medium,
                        direction,
                        unit.collects(),
                        rules.battery(unitId),
                        assessor.criticality(unitId),
                        report))
                .build();
    }

    /** The unit's own radio of that medium or a generic one, set so that the receiver understands it. */
    private Radio radioFor(Unit unit, String to, Medium medium) {
        Radio own = unit.radio(medium).orElseGet(() -> RadioDefaults.radio(medium, plan.region(), unit.kind()));
        Radio ear = plan.units().get(to).radio(medium).orElse(own);
        Radio alike = Hearing.differences(medium, own, ear).isEmpty() ? own : own.set(ear.frequencyMHz(), ear.chirp());
        boolean joins = unit.radio(medium).isEmpty() && ear.settings().networkId() != null;
        // a new radio joins the network of the one that hears it
        return joins
                ? alike.withAir(alike.settings()
                        .network(
                                ear.settings().networkId(),
                                Boolean.TRUE.equals(ear.settings().keyChanged())))
                : alike;
    }

    private static String radioId(Unit unit, Medium medium) {
        return unit.radioId(medium).orElse(RadioDefaults.id(medium));
    }

    private static Unit withRadio(Unit unit, Radio radio) {
        Map<String, Radio> radios = new java.util.TreeMap<>(unit.radios());
        radios.put(radioId(unit, radio.medium()), radio);
        return unit.withRadios(radios);
    }

    private List<Edit> edits(String unitId, Trial trial, String why) {
        Unit unit = plan.units().get(unitId);
        String to = trial.to;
        Medium medium = trial.medium;
        List<Edit> edits = new ArrayList<>();
        plan.links().forEach((id, link) -> {
            if (link.from().equals(unitId)) {
                edits.add(Edit.remove(Pointers.of("links", id)));
            }
        });
        if (medium.radio()) {
            Radio radio = radioFor(unit, to, medium);
            if (!unit.radio(medium).equals(Optional.of(radio))) {
                // on an object, "add" also replaces
                edits.add(Edit.add(Pointers.of("units", unitId, "radios", radioId(unit, medium)), radio));
            }
        }
        String id = Slugs.free(Slugs.slug(unitId + "-" + to, "link"), otherLinks(unitId));
        String chosen = "chosen by Skelto: " + why;
        edits.add(Edit.add(Pointers.of("links", id), Link.of(unitId, to, medium, trial.direction, null, chosen)));
        return edits;
    }

    private Set<String> otherLinks(String unitId) {
        return plan.links().entrySet().stream()
                .filter(e -> !e.getValue().from().equals(unitId))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }
}
