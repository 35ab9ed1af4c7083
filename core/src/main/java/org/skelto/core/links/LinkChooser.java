package org.skelto.core.links;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.skelto.core.plan.Criticality;
import org.skelto.core.plan.Device;
import org.skelto.core.plan.DeviceKind;
import org.skelto.core.plan.Direction;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Link;
import org.skelto.core.plan.Medium;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.PowerSource;
import org.skelto.core.plan.Radio;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;
import org.skelto.core.plan.Wording;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Text;
import org.skelto.core.site.SiteModel;

/**
 * Compares every link that a unit could have and says which one it would take. What cannot work is ruled out with its
 * reason; among the rest the order is by how well the medium suits the unit's power and importance, then by margin.
 */
public final class LinkChooser {
    /** Sub-GHz and chirp are for what Wi-Fi and mesh do not reach; beyond this distance chirp comes first, metres. */
    private static final double LONG_RANGE_M = 150;

    private final Plan plan;
    private final SiteModel site;
    private final LinkAssessor assessor;

    public LinkChooser(Plan plan, SiteModel site) {
        this.plan = plan;
        this.site = site;
        this.assessor = new LinkAssessor(plan, site);
    }

    /**
     * One possible link.
     *
     * @param ruledOut why it will not do, or null
     * @param why what speaks for it
     * @param edits the change that would make it the unit's link
     */
    public record Option(
            Medium medium,
            Direction direction,
            String to,
            String toName,
            Double distanceM,
            Double marginDb,
            Double chance,
            double target,
            String ruledOut,
            String why,
            boolean best,
            List<Edit> edits) {}

    /** The options of a unit, best first; at most one is marked best. Empty when nothing in the plan can be reached. */
    public List<Option> options(String unitId) {
        List<Scored> scored = new ArrayList<>();
        for (Medium medium : Medium.values()) {
            targets(unitId, medium)
                    .map(to -> option(unitId, to, medium, Direction.TWO_WAY))
                    .min(Comparator.comparing((Scored s) -> s.option.ruledOut() != null)
                            .thenComparing(s -> s.option.marginDb() == null ? 0 : -s.option.marginDb())
                            .thenComparing(s -> s.option.distanceM() == null ? 0 : s.option.distanceM()))
                    .ifPresent(best -> {
                        scored.add(best);
                        if (medium == Medium.SUB_GHZ) {
                            scored.add(option(unitId, best.option.to(), medium, Direction.ONE_WAY));
                        }
                    });
        }
        scored.sort(Comparator.comparing((Scored s) -> s.option.ruledOut() != null)
                .thenComparing(s -> s.rank)
                .thenComparing(s -> s.option.medium()));
        List<Option> options = new ArrayList<>();
        for (int i = 0; i < scored.size(); i++) {
            options.add(
                    marked(scored.get(i).option, i == 0 && scored.get(i).option.ruledOut() == null));
        }
        return options;
    }

    private record Scored(Option option, int rank) {}

    private static Option marked(Option o, boolean best) {
        return new Option(
                o.medium(),
                o.direction(),
                o.to(),
                o.toName(),
                o.distanceM(),
                o.marginDb(),
                o.chance(),
                o.target(),
                o.ruledOut(),
                o.why(),
                best,
                o.edits());
    }

    private java.util.stream.Stream<String> targets(String unitId, Medium medium) {
        return plan.units().entrySet().stream()
                .filter(e -> !e.getKey().equals(unitId))
                .filter(e -> receives(e.getKey(), e.getValue(), unitId, medium))
                .map(Map.Entry::getKey);
    }

    private boolean receives(String id, Unit unit, String asking, Medium medium) {
        if (site.position(unit).isEmpty()) {
            return false;
        }
        if (medium == Medium.ETHERNET) {
            return unit.kind() == UnitKind.SWITCH || unit.kind() == UnitKind.ROUTER;
        }
        boolean collects = unit.kind() != UnitKind.CONTROLLER && unit.kind() != UnitKind.SELF_CONTAINED;
        boolean hangsOnAsking =
                plan.links().values().stream().anyMatch(l -> l.from().equals(id) && l.to().equals(asking));
        return collects
                && !hangsOnAsking
                && unit.radio(medium).filter(Radio::receives).isPresent();
    }

    private Scored option(String unitId, String to, Medium medium, Direction direction) {
        Unit unit = plan.units().get(unitId);
        Criticality criticality = assessor.criticality(unitId);
        boolean battery = unit.power().source() == PowerSource.BATTERY;
        List<Edit> edits = edits(unitId, unit, to, medium, direction);
        LinkReport report = trial(unitId, unit, to, medium, direction);
        String ruledOut = ruledOut(unitId, unit, to, medium, direction, report);
        return new Scored(
                new Option(
                        medium,
                        direction,
                        to,
                        plan.units().get(to).name(),
                        report.distanceM(),
                        report.marginDb(),
                        report.chance(),
                        report.target(),
                        ruledOut,
                        why(medium, battery, criticality, report),
                        false,
                        edits),
                rank(medium, direction, battery, criticality, report));
    }

    private LinkReport trial(String unitId, Unit unit, String to, Medium medium, Direction direction) {
        Plan with = plan;
        if (medium != Medium.ETHERNET && unit.radio(medium).isEmpty()) {
            Map<String, Unit> units = new java.util.TreeMap<>(plan.units());
            units.put(unitId, withRadio(unit, medium));
            with = plan.withNamed(units, plan.devices());
        }
        Link link = new Link(unitId, to, medium, direction, null, null);
        return new LinkAssessor(with, site).report("trial", link);
    }

    private Unit withRadio(Unit unit, Medium medium) {
        Map<String, Radio> radios = new java.util.TreeMap<>(unit.radios());
        radios.put(RadioDefaults.id(medium), RadioDefaults.radio(medium, plan.region(), unit.kind()));
        return new Unit(
                unit.name(),
                unit.kind(),
                unit.place(),
                unit.power(),
                unit.channels(),
                unit.maxClients(),
                unit.internetEntry(),
                unit.broker(),
                unit.hub(),
                radios,
                unit.ipv4(),
                unit.mac(),
                unit.nodeId());
    }

    private String ruledOut(
            String unitId, Unit unit, String to, Medium medium, Direction direction, LinkReport report) {
        boolean battery = unit.power().source() == PowerSource.BATTERY;
        if (report.trouble() != null) {
            return report.trouble();
        }
        if (medium == Medium.ETHERNET && battery) {
            return "runs on a battery: a cable's port would empty it in days";
        }
        if (medium == Medium.ETHERNET && !report.indoor()) {
            return "the next switch is in another building: a buried cable needs surge protection and an earth plan";
        }
        if (medium == Medium.WIFI_2G4 && battery) {
            return "runs on a battery: staying on Wi-Fi would empty it in weeks";
        }
        if (direction == Direction.ONE_WAY && acts(unitId)) {
            return "one-way: it could not be told to do anything";
        }
        if (!report.meets()) {
            return "chance " + Text.percent(report.chance()) + " is under the " + Text.percent(report.target())
                    + " that it should have; the margin is " + Text.db(report.marginDb());
        }
        Radio radio = unit.radio(medium)
                .or(() -> medium == Medium.ETHERNET
                        ? Optional.empty()
                        : Optional.of(RadioDefaults.radio(medium, plan.region(), unit.kind())))
                .orElse(null);
        if (radio != null && RegionLimits.rowFor(plan.region(), radio).isEmpty()) {
            return RegionLimits.judges(plan.region(), medium)
                    ? Text.mhz(radio.frequencyMHz()) + " is not in this region's table"
                    : "the region table has no row for it, so the law cannot be judged";
        }
        return null;
    }

    /** Whether any device of the unit is told to do something, rather than only reporting. */
    private boolean acts(String unitId) {
        return plan.devices().values().stream()
                .filter(d -> unitId.equals(d.unit()))
                .map(Device::kind)
                .anyMatch(k -> k.family() != DeviceKind.Family.SENSOR);
    }

    private int rank(Medium medium, Direction direction, boolean battery, Criticality criticality, LinkReport report) {
        boolean far = report.distanceM() != null && report.distanceM() > LONG_RANGE_M;
        boolean guards = criticality.compareTo(Criticality.PROTECTIVE) >= 0;
        int rank = switch (medium) {
            case ETHERNET -> guards ? 0 : 2;
            case WIFI_2G4 -> 1;
            case MESH_802154 -> battery ? 0 : 3;
            case SUB_GHZ -> 4;
            case CHIRP -> far ? 0 : 6;
        };
        return direction == Direction.ONE_WAY ? (guards ? 8 : 5) : rank;
    }

    private static String why(Medium medium, boolean battery, Criticality criticality, LinkReport report) {
        List<String> reasons = new ArrayList<>();
        if (medium == Medium.ETHERNET) {
            reasons.add("a cable of about " + Text.metres(report.distanceM() == null ? 0 : report.distanceM())
                    + ", no fading");
        } else if (report.marginDb() != null) {
            reasons.add("margin " + Text.db(report.marginDb()) + " over " + Text.metres(report.distanceM())
                    + ", chance " + Text.percent(report.chance()) + " for a target of "
                    + Text.percent(report.target()));
        }
        reasons.add(battery ? "sends rarely, so a battery carries it" : "has mains, so it may listen all the time");
        reasons.add("what hangs on it is " + Wording.of(criticality));
        if (medium == Medium.CHIRP) {
            reasons.add("slow: fit for readings and rare commands");
        }
        return String.join("; ", reasons);
    }

    private List<Edit> edits(String unitId, Unit unit, String to, Medium medium, Direction direction) {
        List<Edit> edits = new ArrayList<>();
        plan.links().forEach((id, link) -> {
            if (link.from().equals(unitId)) {
                edits.add(Edit.remove(Pointers.of("links", id)));
            }
        });
        if (medium != Medium.ETHERNET && unit.radio(medium).isEmpty()) {
            edits.add(Edit.add(
                    Pointers.of("units", unitId, "radios", RadioDefaults.id(medium)),
                    RadioDefaults.radio(medium, plan.region(), unit.kind())));
        }
        String id = Slugs.free(Slugs.slug(unitId + "-" + to, "link"), otherLinks(unitId));
        LinkReport report = trial(unitId, unit, to, medium, direction);
        String why = "chosen by Skelto: "
                + why(medium, unit.power().source() == PowerSource.BATTERY, assessor.criticality(unitId), report);
        edits.add(Edit.add(Pointers.of("links", id), new Link(unitId, to, medium, direction, null, why)));
        return edits;
    }

    private java.util.Set<String> otherLinks(String unitId) {
        return plan.links().entrySet().stream()
                .filter(e -> !e.getValue().from().equals(unitId))
                .map(Map.Entry::getKey)
                .collect(java.util.stream.Collectors.toSet());
    }
}
