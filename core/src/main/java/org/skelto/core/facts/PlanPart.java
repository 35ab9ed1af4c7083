package org.skelto.core.facts;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.RecordShape;

/** A part of the plan that facts read; all of them together are the plan. */
public enum PlanPart {
    HEAD(null, "format", "name", "region", "mainsVoltageV", "place"),
    CAUTIONS(null, "cautionsRead", "cautions"),
    NETWORK(null, "network"),
    SITE(null, "buildings", "floors", "rooms", "spots", "constructions", "openings", "stairwells"),
    /** What is in the walls already, and whether they are open. */
    EXISTING(null, "fittings", "cables", "routes", "owned", "wallWork"),
    CIRCUITS(null, "circuits"),
    SERVICES(null, "services"),
    HOUSINGS(null, "housings"),
    MONEY(null, "money"),
    LINKS(null, "links"),
    PATHS(null, "paths"),
    DEMANDS(null, "demands"),
    /** How loss inside buildings is predicted. */
    INDOORS(null, "indoorModel", "calibration"),
    ACCEPTED(null, "accepted"),
    /** In what lengths are shown; no figure hangs on it. */
    MEASURES(null, "measures"),
    /** The language that the house is spoken to in. */
    LANGUAGE(null, "language", "spokenGroups"),
    CREDENTIALS(null, "credentials"),
    /** What the house does on its own. */
    RULES(null, "rules", "state"),
    /** What has to survive outages, and how often things fail. */
    PROMISES(null, "promises", "failureRates"),
    /** What was measured in the house; kept beside the plan. */
    READINGS(null),

    UNIT_NAMES("units", "name", "indicators"),
    UNIT_ROLES(
            "units",
            "kind",
            "channels",
            "maxClients",
            "internetEntry",
            "broker",
            "hub",
            "talks",
            "bridges",
            "tunnel",
            "roles",
            "relays",
            "leaseH",
            "startS",
            "asksAgain"),
    UNIT_PLACES("units", "place"),
    UNIT_POWER("units", "power", "draws", "duty", "solar"),
    UNIT_BOARDS("units", "boards", "housing", "rating"),
    UNIT_RADIOS("units", "radios", "wireless", "message"),
    UNIT_NUMBERS("units", "ipv4", "mac", "nodeId"),

    DEVICE_NAMES("devices", "name"),
    DEVICE_ROLES("devices", "kind", "unit", "criticality"),
    DEVICE_PLACES("devices", "place"),
    /** How it is operated, and what becomes of it without power. */
    DEVICE_WAYS(
            "devices",
            "hand",
            "rest",
            "ways",
            "wallControls",
            "exitRoute",
            "outsideDoor",
            "obstacleDetection",
            "jobs",
            "control"),
    DEVICE_WIRING("devices", "channel", "circuit", "wiring", "works"),
    /** What sensors and cameras see. */
    DEVICE_SIGHT("devices", "sight"),
    DEVICE_SURROUNDINGS("devices", "rating", "sound", "heardIn"),
    DEVICE_TOPICS("devices", "topic", "aliases", "alsoCalled", "messages", "accountChannel", "enteredAs", "keptDays");

    /** All of the plan, without what was measured. */
    public static final Set<PlanPart> ALL = Set.copyOf(EnumSet.complementOf(EnumSet.of(READINGS)));

    private final RecordShape.@Nullable Component map;
    private final List<RecordShape.Component> components;

    PlanPart(@Nullable String map, String... components) {
        RecordShape plan = RecordShape.of(Plan.class);
        this.map = map == null ? null : plan.component(map);
        RecordShape owner = map == null ? plan : RecordShape.of(map.equals("units") ? Unit.class : Device.class);
        this.components = Arrays.stream(components).map(owner::component).toList();
    }

    /** Names of the components of plan, unit or device that it is made of. */
    List<String> components() {
        return components.stream().map(RecordShape.Component::name).toList();
    }

    /** Name of the map whose entries it is a part of, null for components of the plan itself. */
    @Nullable
    String map() {
        return map == null ? null : map.name();
    }

    /** Whether two plans have the same in it. O(entries), as unchanged entries are mostly the very same values. */
    boolean same(Plan one, Plan other) {
        if (one == other) {
            return true;
        }
        if (map == null) {
            return components.stream().allMatch(c -> Objects.equals(c.of(one), c.of(other)));
        }
        Map<?, ?> first = (Map<?, ?>) map.of(one);
        Map<?, ?> second = (Map<?, ?>) map.of(other);
        return first == second
                || first.size() == second.size()
                        && first.entrySet().stream().allMatch(e -> sameEntry(e.getValue(), second.get(e.getKey())));
    }

    private boolean sameEntry(Object one, @Nullable Object other) {
        if (one == other) {
            return true;
        }
        return other != null && components.stream().allMatch(c -> Objects.equals(c.of(one), c.of(other)));
    }
}
