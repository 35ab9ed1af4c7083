package org.skelto.core.plan.format;

import java.lang.annotation.Annotation;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What is declared of one value of the document: its type, whether it may be missing, and its bounds. */
public final class ValueShape {
    /** What a value is in a document. */
    public enum Kind {
        RECORD,
        MAP,
        LIST,
        SET,
        TEXT,
        INTEGER,
        NUMBER,
        TRUTH,
        CONSTANT,
        MOMENT
    }

    private final AnnotatedType type;
    private final Class<?> raw;
    private final Kind kind;
    private final @Nullable ValueShape key;
    private final @Nullable ValueShape element;
    private final @Nullable Pattern pattern;

    ValueShape(AnnotatedType type) {
        this.type = type;
        Type plain = type.getType();
        this.raw = (Class<?>) (plain instanceof ParameterizedType of ? of.getRawType() : plain);
        this.kind = kind(raw);
        AnnotatedType[] inner = type instanceof AnnotatedParameterizedType of
                ? of.getAnnotatedActualTypeArguments()
                : new AnnotatedType[0];
        this.key = kind == Kind.MAP ? new ValueShape(inner[0]) : null;
        this.element = inner.length == 0 ? null : new ValueShape(inner[inner.length - 1]);
        Matches matches = says(Matches.class);
        this.pattern = matches == null ? null : Pattern.compile(matches.value());
    }

    private static Kind kind(Class<?> raw) {
        if (raw.isRecord()) {
            return Kind.RECORD;
        }
        if (raw.isEnum()) {
            return Kind.CONSTANT;
        }
        if (Map.class.isAssignableFrom(raw)) {
            return Kind.MAP;
        }
        if (Collection.class.isAssignableFrom(raw)) {
            return List.class.isAssignableFrom(raw) ? Kind.LIST : Kind.SET;
        }
        if (raw == Instant.class) {
            return Kind.MOMENT;
        }
        if (raw == String.class) {
            return Kind.TEXT;
        }
        if (raw == boolean.class || raw == Boolean.class) {
            return Kind.TRUTH;
        }
        if (raw == int.class || raw == Integer.class || raw == long.class) {
            return Kind.INTEGER;
        }
        if (raw == double.class || raw == Double.class) {
            return Kind.NUMBER;
        }
        throw new IllegalArgumentException("no value of a document: " + raw);
    }

    public Kind kind() {
        return kind;
    }

    public Class<?> type() {
        return raw;
    }

    /**
     * Shape of the keys of a map.
     *
     * @throws NullPointerException when it is none
     */
    public ValueShape key() {
        return Objects.requireNonNull(key);
    }

    /**
     * Shape of what a map, list or set holds.
     *
     * @throws NullPointerException when it is none of them
     */
    public ValueShape element() {
        return Objects.requireNonNull(element);
    }

    /** Whether a text is of the form that {@link Matches} asks for. */
    public boolean matches(String text) {
        return pattern == null || pattern.matcher(text).matches();
    }

    /** An annotation of the value, null when it has none of that kind. */
    public <A extends Annotation> @Nullable A says(Class<A> annotation) {
        return type.getAnnotation(annotation);
    }

    /** Whether it is null as long as nobody has said anything. */
    public boolean nullable() {
        return says(Nullable.class) != null;
    }

    /** Whether a document may leave it out: it is then null, empty, or what the record puts in its place. */
    public boolean optional() {
        Count count = says(Count.class);
        boolean collection = kind == Kind.MAP || kind == Kind.LIST || kind == Kind.SET;
        return nullable() || says(Otherwise.class) != null || collection && (count == null || count.least() == 0);
    }
}
