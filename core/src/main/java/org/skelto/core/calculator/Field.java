package org.skelto.core.calculator;

import java.util.List;

/**
 * An input of a calculator.
 *
 * @param name in requests
 * @param label in words
 * @param unit or an empty string
 * @param least that it may be
 * @param most that it may be
 * @param words that it may be, for {@link Kind#WORD}
 * @param fields of each entry, for {@link Kind#LIST}
 * @param example a value to begin with
 */
public record Field(
        String name,
        String label,
        String unit,
        Kind kind,
        double least,
        double most,
        List<String> words,
        List<Field> fields,
        Object example) {
    /** What an input is. */
    public enum Kind {
        NUMBER,
        WHOLE,
        TRUTH,
        WORD,
        LIST
    }

    static Field number(String name, String label, String unit, double least, double most, double example) {
        return new Field(name, label, unit, Kind.NUMBER, least, most, List.of(), List.of(), example);
    }

    static Field whole(String name, String label, String unit, int least, int most, int example) {
        return new Field(name, label, unit, Kind.WHOLE, least, most, List.of(), List.of(), example);
    }

    static Field truth(String name, String label, boolean example) {
        return new Field(name, label, "", Kind.TRUTH, 0, 1, List.of(), List.of(), example);
    }

    static Field word(String name, String label, List<String> words, String example) {
        return new Field(name, label, "", Kind.WORD, 0, 0, words, List.of(), example);
    }

    /** At most so many entries of these fields each. */
    static Field list(String name, String label, int most, List<Field> fields, Object example) {
        return new Field(name, label, "", Kind.LIST, 0, most, List.of(), fields, example);
    }
}
