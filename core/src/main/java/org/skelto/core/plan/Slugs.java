package org.skelto.core.plan;

import java.text.Normalizer;
import java.util.Locale;
import org.skelto.core.work.ComputingBudget;

/** Short lower-case names of letters, digits and hyphens, safe in ids and message topics. */
public final class Slugs {
    private static final int LONGEST = 40;

    private Slugs() {}

    /**
     * The slug of a text.
     *
     * @param text any text
     * @param otherwise what to answer when nothing of the text can be kept
     */
    public static String slug(String text, String otherwise) {
        String plain = Normalizer.normalize(text == null ? "" : text, Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        if (plain.length() > LONGEST) {
            plain = plain.substring(0, LONGEST).replaceAll("-+$", "");
        }
        return plain.isEmpty() ? otherwise : plain;
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
