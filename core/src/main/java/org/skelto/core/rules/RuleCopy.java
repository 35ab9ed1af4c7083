package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.SiteModel;

/**
 * A rule as it would be for another room: what stands in the room that it is mostly about is replaced by what is like it in
 * the other one, everything else stays as it is.
 *
 * @param room id of the other room
 * @param things what takes the place of what
 * @param made the rule, or null where it cannot be so: its interlock would be lost, nothing reaches all of it, or other rules speak against it
 * @param says the sentence of it, or why there is none
 */
public record RuleCopy(
        String room,
        String roomName,
        List<CopiedThing> things,
        @Nullable Rule made,
        String says) {
    /**
     * A device and what takes its place.
     *
     * @param device id of the device in the rule
     * @param instead id of the device of the other room, or null where there is none like it: its parts are left out
     */
    @RecordBuilder
    public record CopiedThing(
            String device,
            String name,
            @Nullable String instead,
            @Nullable String insteadName) implements RuleCopyCopiedThingBuilder.With {}

    /** The copies of a rule for every other room in which something like its things stands, the most alike first. */
    public static List<RuleCopy> all(Plan plan, Outages outages, Sky sky, Rule rule) {
        String from = home(plan, rule);
        if (from == null) {
            return List.of();
        }
        RuleAnalysis.Judged before = RuleAnalysis.after(null, plan, sky);
        return plan.rooms().keySet().stream()
                .filter(room -> !room.equals(from))
                .map(room -> of(plan, outages, before, sky, rule, from, room))
                .filter(Objects::nonNull)
                .sorted(Comparator.comparingLong((RuleCopy copy) -> copy.things().stream()
                                .filter(t -> t.instead() == null)
                                .count())
                        .thenComparing(RuleCopy::roomName))
                .toList();
    }

    /** The room that a rule is mostly about, or null. */
    static @Nullable String home(Plan plan, Rule rule) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        Stream.concat(RuleHost.done(plan, rule).stream(), RuleHost.heard(plan, rule).stream())
                .map(d -> roomOf(plan, d))
                .filter(Objects::nonNull)
                .forEach(room -> counts.merge(room, 1, Integer::sum));
        rule.then().stream().map(Action::room).filter(Objects::nonNull).forEach(r -> counts.merge(r, 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .orElse(null);
    }

    private static @Nullable String roomOf(Plan plan, String device) {
        Device d = plan.devices().get(device);
        Place place = d == null ? null : SiteModel.placeOf(plan, d);
        return place == null ? null : place.room();
    }

    private static @Nullable RuleCopy of(
            Plan plan, Outages outages, RuleAnalysis.Judged before, Sky sky, Rule rule, String from, String to) {
        Map<String, @Nullable String> map = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        Stream.of(
                        rule.when().stream().map(Trigger::device),
                        rule.then().stream().map(Action::device),
                        Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                                .map(Term::device))
                .flatMap(s -> s)
                .filter(Objects::nonNull)
                .filter(d -> from.equals(roomOf(plan, d)))
                .distinct()
                .forEach(d -> {
                    String other = like(plan, d, to, taken);
                    map.put(d, other);
                    if (other != null) {
                        taken.add(other);
                    }
                });
        Room room = Objects.requireNonNull(plan.rooms().get(to));
        List<CopiedThing> things = map.entrySet().stream()
                .map(e -> RuleCopyCopiedThingBuilder.builder()
                        .device(e.getKey())
                        .name(name(plan, e.getKey()))
                        .instead(e.getValue())
                        .insteadName(e.getValue() == null ? null : name(plan, e.getValue()))
                        .build())
                .toList();
        Rule made = mapped(plan, rule, map, from, to)
                .withName(named(
                        rule.name(),
                        Objects.requireNonNull(plan.rooms().get(from)).name(),
                        room.name()));
        boolean something = !taken.isEmpty() || made.then().stream().anyMatch(a -> to.equals(a.room()));
        boolean works = rule.then().stream().noneMatch(RuleCopy::works)
                || made.then().stream().anyMatch(RuleCopy::works);
        if (made.when().isEmpty() || !works || !something) {
            return null;
        }
        if (made.unless().size() < rule.unless().size()) {
            return new RuleCopy(
                    to, room.name(), things, null, "What its interlock asks is not in " + room.name() + ".");
        }
        String host = RuleHost.best(plan, outages, made);
        if (host == null) {
            return new RuleCopy(to, room.name(), things, null, "No unit that knows the time reaches all of it.");
        }
        Rule hosted = made.withHost(host);
        String against = against(plan, before, sky, hosted);
        return against == null
                ? new RuleCopy(
                        to,
                        room.name(),
                        things,
                        hosted,
                        RuleSentence.of(plan, "copy", hosted).text())
                : new RuleCopy(to, room.name(), things, null, against);
    }

    /** What speaks against it among the rules that are there, in words; null when nothing does. */
    private static @Nullable String against(Plan plan, RuleAnalysis.Judged before, Sky sky, Rule made) {
        String free = "copy";
        for (int i = 2; plan.rules().containsKey(free); i++) {
            free = "copy-" + i;
        }
        RuleFinding found = RuleAnalysis.against(before, plan, sky, Map.of(free, made));
        return found == null ? null : "With the rules that are there: " + found.says();
    }

    private static boolean works(Action a) {
        return a.device() != null || a.all() != null;
    }

    private static String name(Plan plan, String device) {
        return Objects.requireNonNull(plan.devices().get(device)).name();
    }

    /** The device of the other room that is of the same kind and is called most alike. */
    private static @Nullable String like(Plan plan, String device, String room, Set<String> taken) {
        Device d = Objects.requireNonNull(plan.devices().get(device));
        Set<String> words = words(d.name());
        return plan.devices().entrySet().stream()
                .filter(e -> e.getValue().kind() == d.kind()
                        && !taken.contains(e.getKey())
                        && room.equals(roomOf(plan, e.getKey())))
                .max(Comparator.comparingLong((Map.Entry<String, Device> e) -> words(
                                        e.getValue().name())
                                .stream()
                                .filter(words::contains)
                                .count())
                        .thenComparing(Map.Entry::getKey, Comparator.reverseOrder()))
                .map(Map.Entry::getKey)
                .orElse(null);
    }

    private static Set<String> words(String name) {
        return Arrays.stream(name.toLowerCase(Locale.ROOT).split("\\W+")).collect(Collectors.toSet());
    }

    private static String named(String name, String from, String to) {
        int at = name.toLowerCase(Locale.ROOT).indexOf(from.toLowerCase(Locale.ROOT));
        String called = at < 0 ? name + ", " + to : name.substring(0, at) + to + name.substring(at + from.length());
        return called.substring(0, Math.min(called.length(), 120));
    }

    /** The rule with the other things in their places; a part about something that has no like is left out. */
    private static Rule mapped(Plan plan, Rule rule, Map<String, @Nullable String> map, String from, String to) {
        List<Action> then = new ArrayList<>();
        for (Action a : rule.then()) {
            Action there = from.equals(a.room()) ? a.withRoom(to) : a;
            String device = a.device();
            if (device == null || !map.containsKey(device)) {
                then.add(there);
            } else if (map.get(device) != null) {
                then.add(there.withDevice(map.get(device)));
            }
        }
        return rule.with(r -> r.when(rule.when().stream()
                        .filter(t -> kept(map, t.device()))
                        .map(t -> map.containsKey(t.device()) ? free(plan, t.withDevice(map.get(t.device()))) : t)
                        .toList())
                .onlyIf(terms(rule.onlyIf(), map))
                .unless(terms(rule.unless(), map))
                .then(then));
    }

    /** Where the gesture of a button is used already, one that is not. */
    private static Trigger free(Plan plan, Trigger t) {
        if (t.kind() != Trigger.Kind.PRESSED) {
            return t;
        }
        Set<@Nullable Press> used = new HashSet<>();
        plan.rules().values().stream()
                .filter(r -> !r.off())
                .flatMap(r -> r.when().stream())
                .filter(o -> o.kind() == Trigger.Kind.PRESSED && Objects.equals(o.device(), t.device()))
                .forEach(o -> used.add(o.press()));
        return used.contains(t.press()) && !used.contains(null)
                ? Stream.of(Press.values())
                        .filter(p -> !used.contains(p))
                        .findFirst()
                        .map(t::withPress)
                        .orElse(t)
                : t;
    }

    private static List<Term> terms(List<Term> terms, Map<String, @Nullable String> map) {
        return terms.stream()
                .filter(t -> kept(map, t.device()))
                .map(t -> map.containsKey(t.device()) ? t.withDevice(map.get(t.device())) : t)
                .toList();
    }

    private static boolean kept(Map<String, @Nullable String> map, @Nullable String device) {
        return device == null || !map.containsKey(device) || map.get(device) != null;
    }
}
