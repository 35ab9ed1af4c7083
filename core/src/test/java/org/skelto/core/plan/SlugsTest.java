package org.skelto.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlugsTest {
    @ParameterizedTest
    @CsvSource({
        "Bath room, bath-room",
        "Küche, kuche",
        "Straße, strasse",
        "Łazienka, lazienka",
        "Κουζίνα, kouzina",
        "Кухня, kuhna",
        "מטבח, mtbh",
        "💡, electric-light-bulb",
        "💡 hall, hall",
        "***, thing",
        "'', thing",
        "a/b#c+d$, a-b-c-d"
    })
    void readsAsTheNameDoes(String name, String slug) {
        assertEquals(slug, Slugs.slug(name, "thing"));
    }

    /** Whatever is typed: something that ids, host names and topics take. */
    @Test
    void isAlwaysOfLettersDigitsAndHyphens() {
        Random random = new Random(5);
        for (int i = 0; i < 3000; i++) {
            String text = random.ints(random.nextInt(30), 0, Character.MAX_CODE_POINT + 1)
                    .filter(c -> c < Character.MIN_SURROGATE || c > Character.MAX_SURROGATE)
                    .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                    .toString();
            String slug = Slugs.slug(text, "thing");
            assertTrue(slug.matches("[a-z0-9]([a-z0-9-]{0,38}[a-z0-9])?"), () -> slug + " of " + text);
        }
    }

    @Test
    void seventyThousandBytesAreCutAndAHundredAlikeStayApart() {
        assertEquals(40, Slugs.slug("x".repeat(70_000), "thing").length());
        assertEquals("mtbhmtbhmtbhmtbhmtbhmtbhmtbhmtbhmtbhmtbh", Slugs.slug("מטבח".repeat(20_000), "thing"));
        Set<String> taken = new HashSet<>();
        Stream.generate(() -> "מטבח")
                .limit(100)
                .forEach(name -> assertTrue(taken.add(Slugs.free(Slugs.slug(name, "x"), taken))));
    }
}
