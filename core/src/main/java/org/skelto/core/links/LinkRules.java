package org.skelto.core.links;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.RegionLimits;

/** Which links will not do, and how well the others suit a unit. */
final class LinkRules {
    /** Sub-GHz and chirp are for what Wi-Fi and mesh do not reach; beyond this distance chirp comes first, metres. */
    private static final double LONG_RANGE_M = 150;

    private final Plan plan;

    LinkRules(Plan plan) {
        this.plan = plan;
    }

    /** Whether a unit runs on a battery. */
    boolean battery(String unitId) {
        return plan.units().get(unitId).power().source() == PowerSource.BATTERY;
    }

    /** Whether a unit is one that talks at all: what makes or carries power does not. */
    static boolean talks(Unit unit) {
        return !unit.is(UnitKind.SUPPLY) && !unit.is(UnitKind.COUPLER);
    }

    /** Why a link over a radio will not do, or null; the radio is set as the receiver needs it, and null for a cable. */
    String ruledOut(String unitId, @Nullable Radio radio, Direction direction, LinkReport report) {
        Medium medium = report.medium();
        boolean battery = battery(unitId);
        if (report.trouble() != null) {
            return report.trouble();
        }
        if (medium == Medium.ETHERNET && battery) {
            return "runs on a battery: a cable's port would empty it in days";
        }
        if (medium == Medium.ETHERNET && !report.indoor()) {
            return "the next switch is in another building: a buried cable needs surge protection and an earth plan";
        }
        if (medium.wifi() && battery) {
            return "runs on a battery: staying on Wi-Fi would empty it in weeks";
        }
        if (direction == Direction.ONE_WAY && acts(unitId)) {
            return "one-way: it could not be told to do anything";
        }
        if (direction == Direction.TWO_WAY && report.runs().size() == 1) {
            return "its radio only sends, so no answer can come back";
        }
        if (!report.meets()) {
            return "confidence " + Text.percent(report.chance()) + " is under the " + Text.percent(report.target())
                    + " that it should have; the margin is " + Text.db(report.marginDb());
        }
        return radio == null ? null : unlawful(radio);
    }

    private String unlawful(Radio radio) {
        var row = RegionLimits.rowFor(plan.region(), radio);
        if (row.isEmpty()) {
            return RegionLimits.judges(plan.region(), radio.medium())
                    ? Text.mhz(radio.frequencyMHz()) + " is not in this region's table"
                    : "the region table has no row for it, so the law cannot be judged";
        }
        double excessDb = row.get().excessDb(radio);
        return excessDb > RegionLimits.ROUNDING_DB
                ? "it would send " + Text.db(excessDb) + " over the limit of "
                        + row.get().words()
                : null;
    }

    /** Whether any device of the unit is told to do something, rather than only reporting. */
    private boolean acts(String unitId) {
        return plan.devices().values().stream()
                .filter(d -> unitId.equals(d.unit()))
                .map(Device::kind)
                .anyMatch(k -> k.family() != DeviceKind.Family.SENSOR);
    }

    /** How well a medium suits a unit, the less the better. */
    static int rank(
            Medium medium,
            Direction direction,
            boolean network,
            boolean battery,
            Criticality criticality,
            LinkReport report) {
        boolean far = report.distanceM() != null && report.distanceM() > LONG_RANGE_M;
        boolean guards = criticality.compareTo(Criticality.PROTECTIVE) >= 0;
        int rank = switch (medium) {
            case ETHERNET -> guards || network ? 0 : 2;
            case WIFI_2G4 -> 1;
            case WIFI_5G -> 2;
            case MESH_802154 -> battery ? 0 : 3;
            case MESH_G9959 -> battery ? 1 : 3;
            case BLE -> 5;
            case SUB_GHZ -> 4;
            case CHIRP -> far ? 0 : 6;
            case POWER_LINE, INFRARED, RS485, CONTACT -> 9;
        };
        return direction == Direction.ONE_WAY ? (guards ? 8 : 5) : rank;
    }

    /** What speaks for a link, in words. */
    static String why(Medium medium, boolean battery, Criticality criticality, LinkReport report) {
        List<String> reasons = new ArrayList<>();
        if (medium == Medium.ETHERNET) {
            reasons.add("a cable of about " + Text.metres(report.distanceM() == null ? 0 : report.distanceM())
                    + ", no fading");
        } else if (report.marginDb() != null) {
            reasons.add("margin " + Text.db(report.marginDb()) + " over " + Text.metres(report.distanceM())
                    + ", confidence " + Text.percent(report.chance()) + " for a target of "
                    + Text.percent(report.target()));
        }
        reasons.add(battery ? "sends rarely, so a battery carries it" : "has mains, so it may listen all the time");
        reasons.add("what hangs on it is " + Wording.of(criticality));
        if (medium == Medium.CHIRP) {
            reasons.add("slow: fit for readings and rare commands");
        }
        return String.join("; ", reasons);
    }
}
