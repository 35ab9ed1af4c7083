package org.skelto.core.rules;

import java.time.DayOfWeek;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.SiteModel;

/** Rules that many houses have, placed on the things of a plan. Times and values are our own and are to be changed. */
public final class ReadyRules {
    private static final int TRIGGERS = 20;
    private static final int ELSEWHERE = 3;
    private static final int MINUTE_S = 60;
    private static final int HOUR_S = 3600;
    private final Plan plan;
    private final Outages outages;
    private final Sky sky;
    private final RuleAnalysis.Judged judged;
    private final List<ReadyRule> all = new ArrayList<>();

    private ReadyRules(Plan plan, Outages outages, Sky sky) {
        this.plan = plan;
        this.sky = sky;
        this.judged = RuleAnalysis.after(null, plan, sky);
        this.outages = outages;
    }

    /** All of them; those that the plan lacks something for say what. */
    public static List<ReadyRule> of(Plan plan, Outages outages, Sky sky) {
        ReadyRules ready = new ReadyRules(plan, outages, sky);
        ready.arrival();
        ready.leftOpen();
        ready.flood();
        ready.frost();
        ready.pump();
        ready.air();
        ready.allOff();
        ready.release();
        ready.nightChime();
        ready.afterPower();
        ready.away();
        ready.watchdog();
        ready.buttonsTried();
        return List.copyOf(ready.all);
    }

    // --- what the plan has

    private List<String> kind(DeviceKind... kinds) {
        return those(d -> Arrays.asList(kinds).contains(d.kind()) && d.unit() != null);
    }

    private List<String> those(Predicate<Device> test) {
        return plan.devices().entrySet().stream()
                .filter(e -> test.test(e.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private Device device(String id) {
        return Objects.requireNonNull(plan.devices().get(id));
    }

    private @Nullable String room(String device) {
        Place place = SiteModel.placeOf(plan, device(device));
        return place == null ? null : place.room();
    }

    /** The first of some devices that is in the room of another one. */
    private @Nullable String beside(String device, List<String> others) {
        String room = room(device);
        return others.stream()
                .filter(o -> room != null && room.equals(room(o)))
                .findFirst()
                .orElse(null);
    }

    private @Nullable Action tell(String text) {
        return plan.services().entrySet().stream()
                .filter(e -> e.getValue().kind() == ServiceKind.PUSH)
                .findFirst()
                .map(e -> ActionBuilder.builder()
                        .kind(Action.Kind.TELL)
                        .service(e.getKey())
                        .text(text)
                        .build())
                .orElse(null);
    }

    // --- parts of rules

    private static Action set(String device, Reading reading, @Nullable Integer forS) {
        return ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device(device)
                .reading(reading)
                .forS(forS)
                .build();
    }

    private static Action pause(int seconds) {
        return ActionBuilder.builder().kind(Action.Kind.WAIT).forS(seconds).build();
    }

    private static Trigger becomes(String device, @Nullable Integer forS) {
        return TriggerBuilder.builder()
                .kind(Trigger.Kind.BECOMES)
                .device(device)
                .reading(Reading.ACTIVE)
                .forS(forS)
                .build();
    }

    private static Trigger pressed(String device, Press press) {
        return TriggerBuilder.builder()
                .kind(Trigger.Kind.PRESSED)
                .device(device)
                .press(press)
                .build();
    }

    private static Trigger value(String device, @Nullable Double above, @Nullable Double below, double hysteresis) {
        return TriggerBuilder.builder()
                .kind(Trigger.Kind.VALUE)
                .device(device)
                .above(above)
                .below(below)
                .hysteresis(hysteresis)
                .build();
    }

    private static Term dark() {
        return TermBuilder.builder().kind(Term.Kind.DARK).build();
    }

    private static RuleBuilder rule(List<Trigger> when, List<Action> then) {
        return RuleBuilder.builder().when(when).then(then).onlyIf(List.of()).unless(List.of());
    }

    private void lacks(String name, String why, String missing) {
        all.add(new ReadyRule(Slugs.slug(name, "rule"), name, why, new TreeMap<>(), missing));
    }

    /** Gives each rule its name, a free id and the best place to run. */
    private void add(String name, String why, RuleBuilder... rules) {
        SortedMap<String, Rule> made = new TreeMap<>();
        for (RuleBuilder builder : rules) {
            String called = builder.name() == null ? name : builder.name();
            Rule rule = builder.name(called).build();
            List<RuleHost> hosts = RuleHost.all(plan, outages, rule);
            String host = hosts.isEmpty() || !hosts.get(0).runs()
                    ? null
                    : hosts.get(0).host();
            String slug = Slugs.slug(called, "rule");
            String id = slug;
            for (int i = 2; plan.rules().containsKey(id) || made.containsKey(id); i++) {
                id = slug + "-" + i;
            }
            made.put(id, rule.withHost(host));
        }
        boolean nowhere = made.values().stream().anyMatch(r -> r.host() == null);
        String missing = nowhere ? "a hub or a controller that reaches all of it" : against(made);
        all.add(new ReadyRule(Slugs.slug(name, "rule"), name, why, missing == null ? made : new TreeMap<>(), missing));
    }

    /** Why rules do not go with those that are there, or null. */
    private @Nullable String against(SortedMap<String, Rule> made) {
        RuleFinding found = RuleAnalysis.against(judged, plan, sky, made);
        return found == null
                ? null
                : "other rules: as they are, "
                        + Character.toLowerCase(found.says().charAt(0))
                        + found.says().substring(1).replaceAll("\\.$", "");
    }

    // --- the rules

    private void arrival() {
        String name = "Light on coming home in the dark";
        String why = "The door opens, it is dark: a lamp beside it for a few minutes.";
        List<String> lamps = kind(DeviceKind.LAMP, DeviceKind.DIMMED_LAMP, DeviceKind.LIGHT_STRIP);
        for (String door : doors()) {
            String lamp = beside(door, lamps);
            if (lamp != null) {
                add(
                        name,
                        why,
                        rule(List.of(becomes(door, null)), List.of(set(lamp, Reading.ACTIVE, 7 * MINUTE_S)))
                                .onlyIf(List.of(dark())));
                return;
            }
        }
        lacks(name, why, "a contact on a door with a lamp in the same room");
    }

    /** Contacts that guard the house, those on outside doors first. */
    private List<String> doors() {
        return those(d -> d.kind() == DeviceKind.CONTACT && d.unit() != null && (d.guards() || d.outsideDoor()))
                .stream()
                .sorted(Comparator.comparing((String id) -> !device(id).outsideDoor()))
                .toList();
    }

    private void leftOpen() {
        String name = "Door or window left open";
        String why = "Somebody is told after ten minutes, and again every half hour while it stays open.";
        List<String> doors = doors();
        Action tell = tell("a door or window stands open");
        if (doors.isEmpty() || tell == null) {
            lacks(name, why, doors.isEmpty() ? "a contact on a door" : "a message service");
            return;
        }
        add(
                name,
                why,
                rule(
                                doors.stream()
                                        .limit(TRIGGERS)
                                        .map(d -> becomes(d, 10 * MINUTE_S))
                                        .toList(),
                                List.of(tell))
                        .repeatS(30 * MINUTE_S));
    }

    private void flood() {
        String name = "Water on the floor shuts the water";
        String why = "Any leak probe shuts the valve; opening it again is for people.";
        List<String> probes = kind(DeviceKind.LEAK);
        List<String> valves = kind(DeviceKind.VALVE).stream()
                .filter(v -> device(v).guards() && distance(v, probes) < ELSEWHERE)
                .sorted(Comparator.comparingInt(v -> distance(v, probes)))
                .toList();
        if (probes.isEmpty() || valves.isEmpty()) {
            lacks(name, why, probes.isEmpty() ? "a leak probe" : "a protective valve in the house");
            return;
        }
        List<Action> then = new ArrayList<>();
        then.add(set(valves.get(0), Reading.IDLE, null));
        Action tell = tell("water on the floor, the valve shuts");
        if (tell != null) {
            then.add(tell);
        }
        add(
                name,
                why,
                rule(probes.stream().limit(TRIGGERS).map(p -> becomes(p, null)).toList(), then));
    }

    /** How far a thing is from the nearest of others: in its room, on its floor, in its building, elsewhere. */
    private int distance(String one, List<String> others) {
        return others.stream().mapToInt(o -> distance(one, o)).min().orElse(ELSEWHERE);
    }

    private int distance(String one, String other) {
        Room here = plan.rooms().get(String.valueOf(room(one)));
        Room there = plan.rooms().get(String.valueOf(room(other)));
        if (here == null || there == null) {
            return ELSEWHERE;
        }
        if (Objects.equals(room(one), room(other))) {
            return 0;
        }
        if (here.floor().equals(there.floor())) {
            return 1;
        }
        Floor lower = plan.floors().get(here.floor());
        Floor upper = plan.floors().get(there.floor());
        boolean building = lower != null && upper != null && lower.building().equals(upper.building());
        return building ? 2 : ELSEWHERE;
    }

    private void frost() {
        String name = "Frost";
        String why = "Near freezing the heater of the room runs for an hour.";
        List<String> heaters = kind(DeviceKind.HEATER);
        for (String probe : kind(DeviceKind.TEMPERATURE)) {
            String heater = beside(probe, heaters);
            if (heater != null) {
                add(
                        name,
                        why,
                        rule(List.of(value(probe, null, 5.0, 1.5)), List.of(set(heater, Reading.ACTIVE, HOUR_S))));
                return;
            }
        }
        lacks(name, why, "a thermometer and a heater in one room");
    }

    private void pump() {
        String name = "Pump by level, never dry";
        String why = "High water starts the pump for a quarter of an hour; low water stops it whatever else.";
        List<String> pumps = kind(DeviceKind.PUMP);
        for (String level : kind(DeviceKind.LEVEL)) {
            String pump = pumps.stream()
                    .filter(p -> Objects.equals(device(p).unit(), device(level).unit()))
                    .findFirst()
                    .orElse(null);
            if (pump != null) {
                Term dry = TermBuilder.builder()
                        .kind(Term.Kind.VALUE)
                        .device(level)
                        .below(10.0)
                        .build();
                add(
                        name,
                        why,
                        rule(List.of(value(level, 65.0, null, 20)), List.of(set(pump, Reading.ACTIVE, 15 * MINUTE_S)))
                                .name("Pump by level")
                                .unless(List.of(dry)),
                        rule(List.of(value(level, null, 10.0, 5)), List.of(set(pump, Reading.IDLE, null)))
                                .name("Pump stops before it runs dry"));
                return;
            }
        }
        lacks(name, why, "a level sensor and a pump on one board");
    }

    private void air() {
        String name = "Air by humidity";
        String why = "Damp air starts the fan of the room until it is drier.";
        List<String> fans = kind(DeviceKind.FAN);
        for (String probe : kind(DeviceKind.HUMIDITY)) {
            String fan = beside(probe, fans);
            if (fan != null) {
                add(
                        name,
                        why,
                        rule(List.of(value(probe, 68.0, null, 9)), List.of(set(fan, Reading.ACTIVE, 18 * MINUTE_S))));
                return;
            }
        }
        lacks(name, why, "a humidity sensor and a fan in one room");
    }

    /** A gesture of a push-button that no rule waits for. */
    private boolean free(String button, Press press) {
        return plan.rules().values().stream()
                .flatMap(r -> r.when().stream())
                .noneMatch(t -> button.equals(t.device()) && (t.press() == null || t.press() == press));
    }

    private void allOff() {
        String name = "All lamps off";
        String why = "A long press beside the bed or the door, and every lamp is off.";
        String button = kind(DeviceKind.PUSH_BUTTON).stream()
                .filter(b -> free(b, Press.LONG))
                .findFirst()
                .orElse(null);
        List<DeviceKind> kinds = List.of(DeviceKind.LAMP, DeviceKind.DIMMED_LAMP, DeviceKind.LIGHT_STRIP).stream()
                .filter(k -> !kind(k).isEmpty()
                        && those(d -> d.kind() == k && d.unit() == null).isEmpty())
                .toList();
        if (button == null || kinds.isEmpty()) {
            lacks(name, why, button == null ? "a push-button whose long press is free" : "lamps on controllers");
            return;
        }
        add(
                name,
                why,
                rule(
                        List.of(pressed(button, Press.LONG)),
                        kinds.stream()
                                .map(k -> ActionBuilder.builder()
                                        .kind(Action.Kind.SET)
                                        .all(k)
                                        .reading(Reading.IDLE)
                                        .build())
                                .toList()));
    }

    private void release() {
        String name = "Lock released for a moment";
        String why = "A long press inside unlocks for eight seconds, and then it locks again.";
        List<String> buttons = kind(DeviceKind.PUSH_BUTTON).stream()
                .filter(b -> free(b, Press.LONG))
                .toList();
        for (String lock : kind(DeviceKind.LOCK)) {
            String button = beside(lock, buttons);
            if (button != null) {
                add(name, why, rule(List.of(pressed(button, Press.LONG)), List.of(set(lock, Reading.ACTIVE, 8))));
                return;
            }
        }
        lacks(name, why, "a push-button with a free long press in the room of a lock");
    }

    private void nightChime() {
        String name = "Chime by day, light by night";
        String why = "In quiet hours a lamp says what the chime says by day.";
        List<String> chimes = kind(DeviceKind.CHIME);
        List<String> lamps = kind(DeviceKind.LAMP, DeviceKind.DIMMED_LAMP, DeviceKind.LIGHT_STRIP);
        String button = kind(DeviceKind.PUSH_BUTTON, DeviceKind.BEAM).stream()
                .filter(b -> device(b).kind() == DeviceKind.BEAM || free(b, Press.SHORT))
                .findFirst()
                .orElse(null);
        if (chimes.isEmpty() || lamps.isEmpty() || button == null) {
            lacks(name, why, chimes.isEmpty() ? "a chime" : lamps.isEmpty() ? "a lamp" : "a bell button or a beam");
            return;
        }
        Term night = TermBuilder.builder()
                .kind(Term.Kind.BETWEEN)
                .from("21:30")
                .to("07:00")
                .build();
        Trigger rung = device(button).kind() == DeviceKind.BEAM ? becomes(button, null) : pressed(button, Press.SHORT);
        Action chime = ActionBuilder.builder()
                .kind(Action.Kind.PULSE)
                .device(chimes.get(0))
                .times(2)
                .build();
        add(
                name,
                why,
                rule(List.of(rung), List.of(chime)).name("Chime by day").unless(List.of(night)),
                rule(List.of(rung), List.of(set(lamps.get(0), Reading.ACTIVE, MINUTE_S)))
                        .name("Light in place of the chime")
                        .onlyIf(List.of(night)));
    }

    private void afterPower() {
        String name = "Heavy loads one after the other when the mains returns";
        String why = "They stay off first and come back half a minute apart, so that no breaker trips.";
        List<String> heavy = kind(DeviceKind.HEATER, DeviceKind.PUMP).stream()
                .filter(d -> device(d).circuit() != null)
                .limit(6)
                .toList();
        if (heavy.size() < 2) {
            lacks(name, why, "two heaters or pumps on the mains");
            return;
        }
        List<Action> then = new ArrayList<>();
        heavy.forEach(d -> then.add(set(d, Reading.IDLE, null)));
        heavy.forEach(d -> {
            then.add(pause(30));
            then.add(set(d, Reading.ACTIVE, 20 * MINUTE_S));
        });
        add(
                name,
                why,
                rule(
                        List.of(TriggerBuilder.builder()
                                .kind(Trigger.Kind.POWER_RETURNS)
                                .build()),
                        then));
    }

    private void away() {
        String name = "Lights while away";
        String why = "When it gets dark and nobody is at home a lamp burns until late.";
        List<String> lamps = kind(DeviceKind.LAMP, DeviceKind.DIMMED_LAMP);
        if (lamps.isEmpty() || plan.state().presence() == null || plan.place() == null) {
            lacks(
                    name,
                    why,
                    lamps.isEmpty()
                            ? "a lamp"
                            : plan.place() == null ? "the place of the house" : "what tells that somebody is at home");
            return;
        }
        Term home = TermBuilder.builder().kind(Term.Kind.HOME).build();
        add(
                name,
                why,
                rule(
                                List.of(TriggerBuilder.builder()
                                        .kind(Trigger.Kind.SUN)
                                        .sun(Sun.SETS)
                                        .offsetMin(25)
                                        .build()),
                                List.of(set(lamps.get(0), Reading.ACTIVE, 3 * HOUR_S + 20 * MINUTE_S)))
                        .unless(List.of(home)));
    }

    private static boolean onCells(@Nullable Unit unit) {
        return unit != null && unit.kind().alone() && unit.power().onCells();
    }

    private void watchdog() {
        String name = "Sensors that fall silent";
        String why = "Nothing heard for six hours is told: a flat cell looks like nothing happening.";
        List<String> sensors = those(d -> d.kind().family() == DeviceKind.Family.SENSOR
                && d.kind() != DeviceKind.PUSH_BUTTON
                && onCells(d.unit() == null ? null : plan.units().get(d.unit())));
        Action tell = tell("a sensor says nothing any more");
        if (sensors.isEmpty() || tell == null) {
            lacks(name, why, sensors.isEmpty() ? "a sensor on cells" : "a message service");
            return;
        }
        add(
                name,
                why,
                rule(
                        sensors.stream()
                                .limit(TRIGGERS)
                                .map(s -> TriggerBuilder.builder()
                                        .kind(Trigger.Kind.SILENT)
                                        .device(s)
                                        .forS(6 * HOUR_S)
                                        .build())
                                .toList(),
                        List.of(tell)));
    }

    private void buttonsTried() {
        String name = "Try the buttons once a week";
        String why = "What only people set off cannot be watched by its silence; somebody is asked to press it.";
        List<String> buttons = kind(DeviceKind.PUSH_BUTTON);
        Action tell = tell("press each button once, please");
        if (buttons.isEmpty() || tell == null) {
            lacks(name, why, buttons.isEmpty() ? "a push-button" : "a message service");
            return;
        }
        Term sunday = TermBuilder.builder()
                .kind(Term.Kind.BETWEEN)
                .days(new TreeSet<>(List.of(DayOfWeek.SUNDAY)))
                .build();
        add(
                name,
                why,
                rule(
                                List.of(TriggerBuilder.builder()
                                        .kind(Trigger.Kind.CLOCK)
                                        .clock("10:20")
                                        .build()),
                                List.of(tell))
                        .onlyIf(List.of(sunday)));
    }
}
