package org.skelto.core.plan;

import com.ibm.icu.text.Transliterator;
import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.skelto.core.work.ComputingBudget;

/** Short lower-case names of letters, digits and hyphens, safe in ids and message topics. */
public final class Slugs {
    private static final int LONGEST = 40;

    /** More of a text than that is not looked at. */
    private static final int LONGEST_READ = 4 * LONGEST;

    private static final int LAST_ASCII = 127;
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern OTHERS = Pattern.compile("[^a-z0-9]+");
    private static final Pattern ENDS = Pattern.compile("^-+|-+$");

    private Slugs() {}

    /** Made when the first name in another script is met: it takes its time. */
    private static final class Latin {
        static final Transliterator LETTERS = Transliterator.getInstance("Any-Latin; Latin-ASCII");

        private Latin() {}
    }

    /**
     * The slug of a text. Other scripts are written in Latin letters, and a text of signs alone by what they are called:
     * "Κουζίνα" is "kouzina", "💡" is "electric-light-bulb".
     *
     * @param text any text
     * @param otherwise what to answer when nothing of the text can be kept
     */
    public static String slug(String text, String otherwise) {
        String given = text == null ? "" : text.length() > LONGEST_READ ? text.substring(0, LONGEST_READ) : text;
        String plain = plain(given);
        if (plain.chars().anyMatch(c -> c > LAST_ASCII && Character.isLetter(c))) {
            plain = plain(Latin.LETTERS.transliterate(given));
        }
        String slug = kept(plain);
        if (slug.isEmpty()) {
            slug = kept(called(given));
        }
        return slug.isEmpty() ? otherwise : slug;
    }

    private static String plain(String text) {
        return MARKS.matcher(Normalizer.normalize(text, Normalizer.Form.NFKD))
                .replaceAll("")
                .toLowerCase(Locale.ROOT);
    }

    private static String kept(String plain) {
        String kept = ENDS.matcher(OTHERS.matcher(plain).replaceAll("-")).replaceAll("");
        return kept.length() > LONGEST
                ? ENDS.matcher(kept.substring(0, LONGEST)).replaceAll("")
                : kept;
    }

    /** What Unicode calls the pictures in it. */
    private static String called(String text) {
        return text.codePoints()
                .filter(c -> Character.getType(c) == Character.OTHER_SYMBOL)
                .mapToObj(c -> String.valueOf(Character.getName(c)).toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(" "));
    }

    /** The slug, or the slug with the least number from 2 that is not taken. */
    public static String free(String slug, java.util.Set<String> taken) {
        if (!taken.contains(slug)) {
            return slug;
        }
        int number = 2;
        while (taken.contains(slug + "-" + number)) {
            ComputingBudget.step();
            number++;
        }
        return slug + "-" + number;
    }
}
