package org.skelto.core.naming;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.site.Place;
import org.skelto.core.work.ComputingBudget;

/**
 * The names by which devices are spoken to, and those that are taken for one another.
 *
 * @param language that they are compared in, in words, or null when it is not known
 * @param names of the devices that are planned to be spoken to
 * @param clashes names that are taken for one another, the most alike first
 */
public record SpokenNames(@Nullable String language, List<Spoken> names, List<Clash> clashes) {
    /** From how much two words have in common on they are taken for one another. */
    public static final double ALIKE = 0.75;

    /** More clashes than that are not told: so many lamps by one name are one mistake. */
    private static final int MOST_CLASHES = 200;

    /**
     * A spoken name.
     *
     * @param alias whether it is one of the other names of the device
     * @param room its name, which is the area that it is in, or null
     * @param askedBack whether the assistant should ask back before it does it: what moves, opens or guards
     */
    public record Spoken(
            String device,
            String name,
            boolean alias,
            @Nullable String room,
            boolean askedBack) {}

    /** Why two names are taken for one another. */
    public enum Why {
        SAME,
        SOUND,
        INSIDE,
        COMMAND,
        GROUP
    }

    /**
     * A name that is taken for another.
     *
     * @param device whose name is the later one
     * @param alias whether that name is one of its other names
     * @param other the device whose name it is taken for, or null when it is a word of the language
     * @param alike how much of their sound they have in common, 0 to 1
     * @param words why, in words
     * @param instead a name for the device that clashes with nothing, or null when none was found
     */
    @RecordBuilder
    public record Clash(
            String device,
            String name,
            boolean alias,
            @Nullable String other,
            String otherName,
            Why why,
            double alike,
            String words,
            @Nullable String instead)
            implements SpokenNamesClashBuilder.With {}

    /** A name by the numbers of its words, and how all of it sounds. */
    private record Heard(@Nullable String device, String name, int[] words, String sound) {
        boolean same(Heard other) {
            return Arrays.equals(words, other.words);
        }

        /** Whether all of its words are in the other, one after the other. */
        boolean inside(Heard other) {
            int room = other.words.length - words.length;
            for (int at = 0; words.length > 0 && room > 0 && at <= room; at++) {
                if (Arrays.equals(words, 0, words.length, other.words, at, at + words.length)) {
                    return true;
                }
            }
            return false;
        }
    }

    /** The words of all names, each once, with those that are taken for it. */
    private static final class Words {
        private final SpokenLanguage language;
        private final Map<String, Integer> numbers = new HashMap<>();
        private final List<String> words = new ArrayList<>();
        private final List<String> sounds = new ArrayList<>();
        private final List<BitSet> alike = new ArrayList<>();

        Words(SpokenLanguage language) {
            this.language = language;
        }

        Heard heard(@Nullable String device, String name) {
            List<String> letters = language.words(name);
            // a name without a letter is a word of its own
            List<String> said = letters.isEmpty() ? List.of(name.strip()) : letters;
            int[] all = said.stream().mapToInt(this::number).toArray();
            StringBuilder sound = new StringBuilder();
            for (int word : all) {
                sound.append(sounds.get(word));
            }
            return new Heard(device, name, all, sound.toString());
        }

        private int number(String word) {
            Integer known = numbers.get(word);
            if (known != null) {
                return known;
            }
            int number = words.size();
            words.add(word);
            sounds.add(language.sound(word));
            numbers.put(word, number);
            BitSet like = new BitSet();
            alike.add(like);
            for (int other = 0; other <= number; other++) {
                if (alike(number, other) >= ALIKE) {
                    like.set(other);
                    alike.get(other).set(number);
                }
            }
            return number;
        }

        /** How alike two words are, by their sound or by their letters. */
        double alike(int one, int other) {
            return Math.max(
                    SpokenNames.alike(sounds.get(one), sounds.get(other)),
                    SpokenNames.alike(words.get(one), words.get(other)));
        }

        /** How alike two names are that sound alike: as their least alike words; 0 where they do not. */
        double alike(Heard one, Heard other) {
            if (one.sound.equals(other.sound) && !one.sound.isEmpty()) {
                return 1;
            }
            if (one.words.length != other.words.length) {
                return 0;
            }
            for (int i = 0; i < one.words.length; i++) {
                if (!alike.get(one.words[i]).get(other.words[i])) {
                    return 0;
                }
            }
            double least = 1;
            for (int i = 0; i < one.words.length; i++) {
                least = Math.min(least, alike(one.words[i], other.words[i]));
            }
            return least;
        }
    }

    /** Those of a plan. */
    public static SpokenNames of(Plan plan) {
        List<Spoken> names = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            if (d.ways().contains(Way.SPOKEN)) {
                names.add(new Spoken(id, d.name(), false, room(plan, d), askedBack(d)));
                d.alsoCalled().forEach(name -> names.add(new Spoken(id, name, true, room(plan, d), askedBack(d))));
            }
        });
        if (names.isEmpty()) {
            return new SpokenNames(
                    SpokenLanguage.of(plan.language()).map(SpokenLanguage::name).orElse(null), names, List.of());
        }
        return SpokenLanguage.of(plan.language())
                .map(language ->
                        new SpokenNames(language.name(), names, new Comparison(plan, language, names).clashes()))
                .orElseGet(() -> new SpokenNames(null, names, List.of()));
    }

    private static boolean askedBack(Device d) {
        return d.kind().family() == DeviceKind.Family.BARRIER
                || d.kind().family() == DeviceKind.Family.VALVE
                || d.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
    }

    private static @Nullable String room(Plan plan, Device d) {
        Place place = d.place() != null
                ? d.place()
                : d.unit() == null ? null : plan.units().get(d.unit()).place();
        return place == null || place.room() == null
                ? null
                : plan.rooms().get(place.room()).name();
    }

    /** The names of one plan held against one another. */
    private static final class Comparison {
        private final Plan plan;
        private final SpokenLanguage language;
        private final Words words;
        private final List<Spoken> names;
        private final List<Heard> heard;
        private final List<Heard> reserved = new ArrayList<>();
        private final List<Heard> given = new ArrayList<>();
        private final Set<String> called = new HashSet<>();
        private final Set<String> groups = new HashSet<>();

        Comparison(Plan plan, SpokenLanguage language, List<Spoken> names) {
            this.plan = plan;
            this.language = language;
            this.words = new Words(language);
            this.names = names;
            this.heard =
                    names.stream().map(n -> words.heard(n.device(), n.name())).toList();
            Stream.concat(language.commands().stream(), language.groups().stream())
                    .forEach(word -> reserved.add(words.heard(null, word)));
            plan.spokenGroups().values().forEach(g -> {
                reserved.add(words.heard(null, g.name()));
                groups.add(g.name());
            });
            plan.devices().values().forEach(d -> called.add(d.name().toLowerCase(Locale.ROOT)));
        }

        List<Clash> clashes() {
            List<Clash> clashes = new ArrayList<>();
            for (int i = 0; i < heard.size() && clashes.size() < MOST_CLASHES; i++) {
                int which = i;
                Heard one = heard.get(i);
                Clash worst = null;
                for (int j = 0; j < i; j++) {
                    ComputingBudget.step();
                    worst = worse(worst, clash(one, heard.get(j)));
                }
                for (Heard word : reserved) {
                    worst = worse(worst, reservedClash(one, word));
                }
                if (worst != null) {
                    clashes.add(worst.with(c -> c.alias(names.get(which).alias())
                            .instead(names.get(which).alias() ? null : instead(which))));
                }
            }
            clashes.sort((a, b) -> Double.compare(b.alike(), a.alike()));
            return clashes;
        }

        private static @Nullable Clash worse(@Nullable Clash one, @Nullable Clash other) {
            return one == null || other != null && other.alike() > one.alike() ? other : one;
        }

        private static Clash clash(Heard one, Heard other, Why why, double alike, String words) {
            return SpokenNamesClashBuilder.builder()
                    .device(one.device())
                    .name(one.name())
                    .other(other.device())
                    .otherName(other.name())
                    .why(why)
                    .alike(alike)
                    .words(words)
                    .build();
        }

        private @Nullable Clash clash(Heard one, Heard other) {
            // by all of its own names a device is meant
            if (Objects.equals(one.device(), other.device()) || !meet(one, other)) {
                return null;
            }
            if (one.same(other)) {
                return clash(one, other, Why.SAME, 1, "they are the same name");
            }
            if (one.inside(other) || other.inside(one)) {
                boolean first = one.words().length < other.words().length;
                return clash(
                        one,
                        other,
                        Why.INSIDE,
                        0.9,
                        "\"" + (first ? one : other).name() + "\" is inside \"" + (first ? other : one).name() + "\"");
            }
            double alike = words.alike(one, other);
            return alike == 0
                    ? null
                    : clash(
                            one,
                            other,
                            Why.SOUND,
                            alike,
                            one.sound().equals(other.sound())
                                    ? "they sound the same, " + one.sound()
                                    : "their sounds are written " + one.sound() + " and " + other.sound());
        }

        private @Nullable Clash reservedClash(Heard one, Heard word) {
            if (!one.same(word) && !one.sound().equals(word.sound())) {
                return null;
            }
            boolean own = groups.contains(word.name());
            boolean group = own || language.groups().contains(word.name());
            return clash(
                    one,
                    word,
                    group ? Why.GROUP : Why.COMMAND,
                    1,
                    own
                            ? "a group is called so"
                            : group ? "the word means several things at once" : "the word is a command");
        }

        /** A name for a device by its room, its kind and a number that clashes with nothing, or null. */
        private @Nullable String instead(int which) {
            Spoken spoken = names.get(which);
            Device device = plan.devices().get(spoken.device());
            String kind = device.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ');
            List<String> tries = new ArrayList<>();
            if (spoken.room() != null) {
                tries.add(spoken.room().toLowerCase(Locale.ROOT) + " " + kind);
                tries.add(spoken.room().toLowerCase(Locale.ROOT) + " " + spoken.name());
            }
            tries.add(kind + " " + spoken.name());
            for (int number = 2; number <= 9; number++) {
                tries.add(spoken.name() + " " + number);
                tries.add(spoken.name() + " number " + number);
            }
            for (String name : tries) {
                Heard mine = words.heard(spoken.device(), name);
                if (name.length() <= Limits.NAME_LENGTH && free(which, mine)) {
                    given.add(mine);
                    return name;
                }
            }
            return null;
        }

        /** Whether a name clashes neither with a device's nor with one that was proposed before. */
        private boolean free(int which, Heard mine) {
            for (int i = 0; i < heard.size(); i++) {
                ComputingBudget.step();
                if (i != which && !Objects.equals(mine.device(), heard.get(i).device()) && meet(mine, heard.get(i))) {
                    return false;
                }
            }
            return reserved.stream().allMatch(word -> reservedClash(mine, word) == null)
                    && given.stream().noneMatch(other -> meet(mine, other))
                    && !called.contains(mine.name().toLowerCase(Locale.ROOT));
        }

        private boolean meet(Heard one, Heard other) {
            return one.same(other) || one.inside(other) || other.inside(one) || words.alike(one, other) > 0;
        }
    }

    /** How much two codes have in common: 1 less their edit distance (Levenshtein 1966) over the longer one's length. */
    public static double alike(String one, String other) {
        int longer = Math.max(one.length(), other.length());
        int shorter = Math.min(one.length(), other.length());
        // what is too different in length need not be compared
        if (longer == 0 || shorter < ALIKE * longer) {
            return 0;
        }
        int[] row = new int[other.length() + 1];
        for (int j = 0; j < row.length; j++) {
            row[j] = j;
        }
        for (int i = 1; i <= one.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j < row.length; j++) {
                int same = diagonal + (one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(same, Math.min(row[j], row[j - 1]) + 1);
            }
        }
        return 1 - (double) row[other.length()] / longer;
    }
}
