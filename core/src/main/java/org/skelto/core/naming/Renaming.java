package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.TopicLevel;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * What another name of a thing changes all over the house, before it changes.
 *
 * @param thing the JSON pointer of what is renamed: a building, floor, room, spot, unit or device, {@value #ROOT} or {@value #LEVELS}
 * @param keptTopics how many topics under it were given by hand, or once under yet another name, and stay
 * @param edits that do it; none when nothing would change
 */
@RecordBuilder
public record Renaming(
        String thing,
        String from,
        String to,
        String label,
        List<NameChange> changes,
        int keptTopics,
        List<Edit> edits) {
    /** The first level of all topics, as a thing that has a name. */
    public static final String ROOT = "/network/topicRoot";

    /** The levels of all topics, as a thing whose name is their list by commas. */
    public static final String LEVELS = "/network/topicLevels";

    /** What it is that changes. */
    public enum Part {
        NAME,
        /** A topic, and all messages under it. */
        TOPIC,
        /** A name or an area that is spoken. */
        SPOKEN,
        /** The configuration that a controller must be given anew. */
        CONTROLLER,
        /** Whoever listens to or commands what has another topic. */
        LISTENER,
        /** The sentence of a rule. */
        RULE,
        /** What is printed: a label, a sheet, a diagram. */
        PRINT
    }

    /**
     * One thing that changes.
     *
     * @param thing whose
     * @param before as it is, or null where only the fact is told
     */
    public record NameChange(
            Part part,
            String thing,
            String name,
            @Nullable String before,
            @Nullable String after) {}

    /** It cannot be called so. */
    public static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final String field;

        Refused(String field, String why) {
            super(why, null, false, false);
            this.field = field;
        }

        public String field() {
            return field;
        }
    }

    /**
     * What another name would change.
     *
     * @param thing as {@link #thing}
     * @param to the other name, 1 to 120 characters
     * @param until the day until which devices still answer to their old topics, as 2027-03-31, or null for not at all
     * @throws Refused when there is no such thing, or it cannot be called so
     */
    public static Renaming of(Plan plan, String thing, String to, @Nullable String until) {
        return new Work(plan, thing, to, until).renaming();
    }

    private static final class Work {
        private final Plan plan;
        private final String thing;
        private final String map;
        private final String id;
        private final String from;
        private final String to;
        private final @Nullable String until;
        private final List<NameChange> changes = new ArrayList<>();
        private final List<Edit> edits = new ArrayList<>();

        Work(Plan plan, String thing, String to, @Nullable String until) {
            String[] parts = thing == null ? new String[0] : thing.split("/", -1);
            if (parts.length != 3) {
                throw new Refused("thing", "names nothing that has a name");
            }
            this.plan = plan;
            this.thing = thing;
            this.map = parts[1];
            this.id = parts[2];
            this.from = name();
            this.to = called(to);
            this.until = day(until);
        }

        private String called(@Nullable String name) {
            String stripped = name == null ? "" : name.strip();
            if (stripped.isEmpty()
                    || stripped.length() > Limits.NAME_LENGTH
                    || stripped.chars().anyMatch(Character::isISOControl)) {
                throw new Refused("name", "is not a name of 1 to " + Limits.NAME_LENGTH + " characters");
            }
            String fault = thing.equals(ROOT) ? Topics.fault(stripped) : null;
            if (fault != null) {
                throw new Refused("name", fault + ", so that nothing could be published under it");
            }
            return thing.equals(LEVELS) ? written(levels(stripped)) : stripped;
        }

        private static String written(List<TopicLevel> levels) {
            return levels.stream().map(Enum::name).collect(Collectors.joining(","));
        }

        private static List<TopicLevel> levels(String text) {
            List<TopicLevel> levels = new ArrayList<>();
            for (String level : text.split(",")) {
                try {
                    levels.add(TopicLevel.valueOf(level.strip()));
                } catch (IllegalArgumentException e) {
                    throw new Refused(
                            "name", "\"" + level.strip() + "\" is none of " + written(List.of(TopicLevel.values())));
                }
            }
            return Network.levels(levels);
        }

        private static @Nullable String day(@Nullable String day) {
            if (day == null || day.isBlank()) {
                return null;
            }
            try {
                return LocalDate.parse(day).toString();
            } catch (DateTimeParseException e) {
                throw new Refused("until", "is not a day such as 2027-03-31");
            }
        }

        private <V> V found(Map<String, V> all) {
            V value = all.get(id);
            if (value == null) {
                throw new Refused("thing", "is not in the plan");
            }
            return value;
        }

        private String name() {
            return switch (map) {
                case "buildings" -> found(plan.buildings()).name();
                case "floors" -> found(plan.floors()).name();
                case "rooms" -> found(plan.rooms()).name();
                case "spots" -> found(plan.spots()).name();
                case "units" -> found(plan.units()).name();
                case "devices" -> found(plan.devices()).name();
                case "network" -> {
                    if (!thing.equals(ROOT) && !thing.equals(LEVELS)) {
                        throw new Refused("thing", "names nothing that has a name");
                    }
                    yield thing.equals(ROOT)
                            ? plan.network().topicRoot()
                            : written(plan.network().levels());
                }
                default -> throw new Refused("thing", "names nothing that has a name");
            };
        }

        /** The plan with the other name, and nothing else. */
        private Plan renamed() {
            return switch (map) {
                case "buildings" ->
                    plan.withBuildings(
                            put(plan.buildings(), found(plan.buildings()).withName(to)));
                case "floors" ->
                    plan.withFloors(put(plan.floors(), found(plan.floors()).withName(to)));
                case "rooms" ->
                    plan.withRooms(put(plan.rooms(), found(plan.rooms()).withName(to)));
                case "spots" ->
                    plan.withSpots(put(plan.spots(), found(plan.spots()).withName(to)));
                case "units" ->
                    plan.withUnits(put(plan.units(), found(plan.units()).withName(to)));
                case "devices" ->
                    plan.withDevices(put(plan.devices(), found(plan.devices()).withName(to)));
                default ->
                    plan.withNetwork(
                            thing.equals(ROOT)
                                    ? plan.network().withTopicRoot(to)
                                    : plan.network().withTopicLevels(levels(to)));
            };
        }

        private <V> Map<String, V> put(Map<String, V> all, V value) {
            Map<String, V> copy = new TreeMap<>(all);
            copy.put(id, value);
            return copy;
        }

        Renaming renaming() {
            int kept = 0;
            if (!from.equals(to)) {
                changes.add(new NameChange(Part.NAME, thing, from, from, to));
                edits.add(
                        thing.equals(LEVELS)
                                ? Edit.replace(LEVELS, levels(to))
                                : Edit.replace(map.equals("network") ? ROOT : thing + "/name", to));
                kept = topics(renamed());
                devices();
                rules();
                units();
            }
            return RenamingBuilder.builder()
                    .thing(thing)
                    .from(from)
                    .to(to)
                    .label(thing.equals(LEVELS) ? "levels of all topics" : "rename " + from + " to " + to)
                    .changes(changes)
                    .keptTopics(kept)
                    .edits(edits)
                    .build();
        }

        /** Topics that follow the rule go with it; tells how many do not. */
        private int topics(Plan then) {
            Map<String, String> ruled = new TreeMap<>();
            int kept = 0;
            Set<String> taken = new HashSet<>();
            for (Map.Entry<String, Device> e : plan.devices().entrySet()) {
                ComputingBudget.step();
                Device d = e.getValue();
                String before = NameAssigner.topicByRule(plan, d);
                String after = NameAssigner.topicByRule(then, then.devices().get(e.getKey()));
                boolean moves = d.topic() != null && !before.equals(after);
                if (moves && follows(d.topic(), before)) {
                    ruled.put(e.getKey(), after);
                } else {
                    kept += moves ? 1 : 0;
                    if (d.topic() != null) {
                        taken.add(lower(d.topic()));
                    }
                }
            }
            Set<String> answered = new HashSet<>(taken);
            plan.devices().values().forEach(d -> d.aliases().keySet().forEach(a -> answered.add(lower(a))));
            ruled.keySet()
                    .forEach(device ->
                            answered.add(lower(plan.devices().get(device).topic())));
            Set<String> concerned = new TreeSet<>();
            Map<String, Contract> contracts = ruled.isEmpty() ? Map.of() : Contracts.of(plan);
            ruled.forEach((device, rule) -> {
                Device d = plan.devices().get(device);
                // what it was called once it may be called again
                boolean again = d.aliases().containsKey(rule) && !taken.contains(lower(rule));
                String topic = again ? rule : Slugs.free(rule, answered);
                taken.add(lower(topic));
                answered.add(lower(topic));
                changes.add(new NameChange(Part.TOPIC, Pointers.of("devices", device), d.name(), d.topic(), topic));
                edits.add(Edit.replace(Pointers.of("devices", device, "topic"), topic));
                Map<String, String> aliases = new TreeMap<>(d.aliases());
                aliases.remove(topic);
                if (until != null && d.topic() != null) {
                    aliases.put(d.topic(), until);
                }
                if (!aliases.equals(d.aliases())) {
                    edits.add(Edit.replace(Pointers.of("devices", device, "aliases"), aliases));
                }
                concerned.addAll(contracts.get(device).listeners());
            });
            concerned.forEach(unit -> {
                if (plan.units().containsKey(unit)) {
                    changes.add(new NameChange(
                            Part.LISTENER,
                            Pointers.of("units", unit),
                            plan.units().get(unit).name(),
                            null,
                            null));
                }
            });
            return kept;
        }

        private static String lower(@Nullable String topic) {
            return topic == null ? "" : topic.toLowerCase(Locale.ROOT);
        }

        /** Whether a topic is what the rule said, or that with a number. */
        private static boolean follows(@Nullable String topic, String rule) {
            return topic != null
                    && topic.startsWith(rule)
                    && topic.substring(rule.length()).matches("(-[0-9]{1,4})?");
        }

        private void devices() {
            plan.devices().forEach((device, d) -> {
                ComputingBudget.step();
                boolean own = map.equals("devices") && device.equals(id);
                String pointer = Pointers.of("devices", device);
                boolean area = map.equals("rooms") && inRoom(d);
                if ((own || area) && d.ways().contains(Way.SPOKEN)) {
                    changes.add(new NameChange(Part.SPOKEN, pointer, d.name(), from, to));
                }
                boolean ruled = plan.rules().values().stream().anyMatch(r -> r.names(device));
                if ((own || area) && d.ways().contains(Way.RULE) && !ruled) {
                    changes.add(new NameChange(Part.RULE, pointer, d.name(), null, null));
                }
                if (own) {
                    changes.add(new NameChange(Part.PRINT, pointer, d.name(), null, null));
                }
            });
        }

        /** Rules whose sentence names the device, or the unit that they run in. */
        private void rules() {
            plan.rules().forEach((rule, r) -> {
                if (map.equals("devices") && r.names(id) || map.equals("units") && id.equals(r.host())) {
                    changes.add(new NameChange(Part.RULE, Pointers.of("rules", rule), r.name(), null, null));
                }
            });
        }

        private boolean inRoom(Device d) {
            Place place = SiteModel.placeOf(plan, d);
            return place != null && id.equals(place.room());
        }

        /** Controllers whose file says something else, and what is printed of units. */
        private void units() {
            Set<String> told = new HashSet<>();
            changes.stream()
                    .filter(c -> c.part() == Part.TOPIC || c.part() == Part.NAME && map.equals("devices"))
                    .forEach(c -> {
                        Device d =
                                plan.devices().get(c.thing().substring(c.thing().lastIndexOf('/') + 1));
                        if (d != null && d.unit() != null) {
                            told.add(d.unit());
                        }
                    });
            plan.units().forEach((unit, u) -> {
                boolean own = map.equals("units") && unit.equals(id);
                boolean there = stands(u.place());
                String pointer = Pointers.of("units", unit);
                if (u.drives() && (own || there || told.contains(unit))) {
                    changes.add(new NameChange(Part.CONTROLLER, pointer, u.name(), null, null));
                }
                if (own || there) {
                    changes.add(new NameChange(Part.PRINT, pointer, u.name(), null, null));
                }
            });
        }

        private boolean stands(@Nullable Place place) {
            if (place == null) {
                return false;
            }
            return switch (map) {
                case "rooms" -> id.equals(place.room());
                case "spots" -> id.equals(place.spot());
                case "floors" ->
                    place.room() != null
                            && id.equals(plan.rooms().get(place.room()).floor());
                default -> false;
            };
        }
    }
}
