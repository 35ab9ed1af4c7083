package org.skelto.core.naming;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.apache.commons.codec.language.ColognePhonetic;
import org.apache.commons.codec.language.DoubleMetaphone;

/** A language that a house is spoken to in: how its names sound, and words that mean something else. All of it is data. */
public final class SpokenLanguage {
    /** Codes of the languages that are known. */
    public static final List<String> KNOWN = List.of("en", "de", "fr");

    private static final int LONGEST_CODE = 16;
    private static final Map<String, SpokenLanguage> ALL = all();

    private final String name;
    private final List<String> commands;
    private final List<String> groups;
    private final List<String> numbers;
    private final UnaryOperator<String> sound;

    private SpokenLanguage(Properties data) {
        this.name = data.getProperty("name");
        this.commands = List.of(data.getProperty("commands").split(","));
        this.groups = List.of(data.getProperty("groups").split(","));
        this.numbers = List.of(data.getProperty("numbers").split(","));
        this.sound = codes(data.getProperty("sound"));
    }

    private static Map<String, SpokenLanguage> all() {
        Map<String, SpokenLanguage> all = new TreeMap<>();
        for (String code : KNOWN) {
            try (InputStream in = SpokenLanguage.class.getResourceAsStream("/languages/" + code + ".properties")) {
                Properties data = new Properties();
                data.load(new InputStreamReader(in, StandardCharsets.UTF_8));
                all.put(code, new SpokenLanguage(data));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return all;
    }

    /** The language of a code of two letters; English when none is given. */
    public static Optional<SpokenLanguage> of(String code) {
        return Optional.ofNullable(ALL.get(code == null ? "en" : code));
    }

    private static UnaryOperator<String> codes(String how) {
        if (how.equals("double-metaphone")) {
            DoubleMetaphone metaphone = new DoubleMetaphone();
            metaphone.setMaxCodeLen(LONGEST_CODE);
            return metaphone::doubleMetaphone;
        }
        if (how.equals("cologne")) {
            return new ColognePhonetic()::colognePhonetic;
        }
        return word -> digits(word, how);
    }

    /** The digit of each letter, those that repeat once, and of what is not heard none but at the beginning. */
    private static String digits(String word, String table) {
        StringBuilder code = new StringBuilder();
        char before = ' ';
        for (char letter : plain(word).toCharArray()) {
            char digit = letter >= 'a' && letter <= 'z' ? table.charAt(letter - 'a') : '0';
            if (digit != before && (digit != '0' || code.isEmpty())) {
                code.append(digit);
            }
            before = digit;
        }
        return code.toString();
    }

    /** Small letters without accents. */
    private static String plain(String word) {
        return Normalizer.normalize(word, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT);
    }

    /** Its name in English. */
    public String name() {
        return name;
    }

    /** Words that commands begin with. */
    List<String> commands() {
        return commands;
    }

    /** Words that mean several things at once. */
    List<String> groups() {
        return groups;
    }

    /** The words of a name as they are said: small letters, digits as words. */
    public List<String> words(String text) {
        List<String> words = new ArrayList<>();
        for (String word : text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+")) {
            if (word.chars().anyMatch(Character::isDigit)) {
                for (char letter : word.toCharArray()) {
                    int digit = Character.digit(letter, 10);
                    words.add(digit < 0 ? String.valueOf(letter) : numbers.get(digit));
                }
            } else if (!word.isEmpty()) {
                words.add(word);
            }
        }
        return words;
    }

    /** How a word sounds; words that sound alike have the same code. */
    public String sound(String word) {
        String code = sound.apply(word);
        return code == null || code.isEmpty() ? plain(word) : code;
    }
}
