package org.skelto.core.calculator;

import io.soabase.recordbuilder.core.RecordBuilder;
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
@RecordBuilder
public record Field(
        String name,
        String label,
        String unit,
        Kind kind,
        double least,
        double most,
        List<String> words,
        List<Field> fields,
        Object example)
        implements FieldBuilder.With {
    /** What an input is. */
    public enum Kind {
        NUMBER,
        WHOLE,
        TRUTH,
        WORD,
        LIST
    }

    static Field number(String name, String label, String unit, double least, double most, double example) {
        return FieldBuilder.builder()
                .name(name)
                .label(label)
                .unit(unit)
                .kind(Kind.NUMBER)
                .least(least)
                .most(most)
                .words(List.of())
                .fields(List.of())
                .example(example)
                .build();
    }

    static Field whole(String name, String label, String unit, int least, int most, int example) {
        return FieldBuilder.builder()
                .name(name)
                .label(label)
                .unit(unit)
                .kind(Kind.WHOLE)
                .least(least)
                .most(most)
                .words(List.of())
                .fields(List.of())
                .example(example)
                .build();
    }

    static Field truth(String name, String label, boolean example) {
        return FieldBuilder.builder()
                .name(name)
                .label(label)
                .unit("")
                .kind(Kind.TRUTH)
                .least(0)
                .most(1)
                .words(List.of())
                .fields(List.of())
                .example(example)
                .build();
    }

    static Field word(String name, String label, List<String> words, String example) {
        return FieldBuilder.builder()
                .name(name)
                .label(label)
                .unit("")
                .kind(Kind.WORD)
                .least(0)
                .most(0)
                .words(words)
                .fields(List.of())
                .example(example)
                .build();
    }

    /** At most so many entries of these fields each. */
    static Field list(String name, String label, int most, List<Field> fields, Object example) {
        return FieldBuilder.builder()
                .name(name)
                .label(label)
                .unit("")
                .kind(Kind.LIST)
                .least(0)
                .most(most)
                .words(List.of())
                .fields(fields)
                .example(example)
                .build();
    }
}
