package org.skelto.core.plan.validation;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.RecordShape;
import org.skelto.core.plan.format.ValueShape;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Without;
import org.skelto.core.plan.format.Words;

/**
 * Compares every value of a plan with what its record declares: present where it must be, within its bounds, of its form,
 * naming what is there. One walk over the document, O(size).
 */
final class DeclaredBounds {
    private static final Pattern ID = Pattern.compile(Id.FORM);

    private final Plan plan;
    private final ValidationErrors found;
    private final Map<String, Set<String>> ids = new HashMap<>();
    private final StringBuilder at = new StringBuilder();
    private final @Nullable Plan before;

    /**
     * For a plan.
     *
     * @param before a well-formed plan that this one was made of: values that are the very same need no second look, as long as
     *     no id of it is gone; or null
     */
    DeclaredBounds(Plan plan, @Nullable Plan before, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
        this.before = before != null && keepsIds(before) ? before : null;
    }

    private boolean keepsIds(Plan old) {
        return RecordShape.of(Plan.class).components().stream().allMatch(c -> {
            Object now = c.of(plan);
            Object was = c.of(old);
            return now == was
                    || !(now instanceof Map<?, ?> map)
                    || map.keySet().containsAll(((Map<?, ?>) was).keySet());
        });
    }

    /** Looks at everything; only at sizes when there is too much of something. */
    void all() {
        sizes();
        if (found.none()) {
            components(plan, before);
        }
    }

    private void sizes() {
        for (RecordShape.Component component : RecordShape.of(Plan.class).components()) {
            if (component.of(plan) instanceof Map<?, ?> map) {
                int back = enter(component.name());
                counted(component.value(), map.size());
                at.setLength(back);
            }
        }
    }

    private void components(Object owner, @Nullable Object old) {
        for (RecordShape.Component component : RecordShape.of(owner.getClass()).components()) {
            int back = enter(component.name());
            value(component.value(), component.of(owner), old == null ? null : component.of(old), false);
            at.setLength(back);
        }
    }

    private int enter(String part) {
        int back = at.length();
        at.append('/');
        if (part.indexOf('~') < 0 && part.indexOf('/') < 0) {
            at.append(part);
        } else {
            at.append(part.replace("~", "~0").replace("/", "~1"));
        }
        return back;
    }

    private void value(ValueShape shape, @Nullable Object value, @Nullable Object old, boolean within) {
        if (value != null && value == old) {
            return;
        }
        if (value == null) {
            if (!shape.nullable()) {
                found.add(at, within ? "is null" : missing(shape));
            }
            return;
        }
        switch (shape.kind()) {
            case RECORD -> components(value, old);
            case TEXT -> text(shape, (String) value);
            case INTEGER, NUMBER -> number(shape, ((Number) value).doubleValue());
            case CONSTANT -> constant(shape, (Enum<?>) value);
            case MAP -> map(shape, (Map<?, ?>) value, (Map<?, ?>) old);
            case LIST -> list(shape, (List<?>) value, (List<?>) old);
            case SET -> {
                if (counted(shape, ((Collection<?>) value).size())) {
                    ((Collection<?>) value).forEach(element -> value(shape.element(), element, null, true));
                }
            }
            case TRUTH, MOMENT -> {}
        }
    }

    private static String missing(ValueShape shape) {
        if (shape.says(Name.class) != null) {
            return "needs a name";
        }
        IdOf id = shape.says(IdOf.class);
        return id == null ? "is missing" : "is missing: it names " + id.what();
    }

    private void number(ValueShape shape, double value) {
        Within bounds = shape.says(Within.class);
        if (bounds != null) {
            String unit = bounds.unit();
            found.within(
                    at, value, bounds.least(), bounds.most(), unit.isEmpty() || unit.equals("°") ? unit : " " + unit);
        }
    }

    private void constant(ValueShape shape, Enum<?> value) {
        Without without = shape.says(Without.class);
        if (without != null && java.util.List.of(without.value()).contains(value.name())) {
            found.add(at, without.says());
        }
    }

    private void text(ValueShape shape, String value) {
        if (shape.says(Name.class) != null) {
            found.name(at, value);
        }
        Words text = shape.says(Words.class);
        if (text != null && value.length() < text.least()) {
            found.add(at, "is missing");
        } else if (text != null) {
            found.text(at, value, text.most());
        }
        Matches matches = shape.says(Matches.class);
        if (matches != null && !shape.matches(value)) {
            found.add(at, matches.says());
        }
        if (shape.says(Id.class) != null && !ID.matcher(value).matches()) {
            found.add(at, "is not an id: use 1 to " + Limits.ID_LENGTH + " letters, digits, '-', '_' or '.'");
        }
        IdOf id = shape.says(IdOf.class);
        if (id != null && !idsOf(id.value()).contains(value)) {
            found.add(
                    at,
                    id.value().equals("constructions")
                            ? "is not a construction of the list: \"" + ValidationErrors.shown(value) + "\""
                            : "names " + id.what() + " that is not in the plan: \"" + ValidationErrors.shown(value)
                                    + "\"");
        }
    }

    private Set<String> idsOf(String map) {
        return ids.computeIfAbsent(map, name -> {
            if (name.equals("constructions")) {
                return plan.everyConstruction().keySet();
            }
            RecordShape.Component of = RecordShape.of(Plan.class).component(name);
            @SuppressWarnings("unchecked")
            Map<String, ?> entries = (Map<String, ?>) of.of(plan);
            return entries.keySet();
        });
    }

    private boolean counted(ValueShape shape, int size) {
        Count count = shape.says(Count.class);
        if (count == null || size >= count.least() && size <= count.most()) {
            return true;
        }
        found.add(
                at,
                count.least() == 0
                        ? "holds " + size + " " + count.of() + "; at most " + count.most() + " are allowed"
                        : "must be " + count.least() + " to " + count.most() + " " + count.of() + ", not " + size);
        return false;
    }

    private void list(ValueShape shape, List<?> list, @Nullable List<?> old) {
        if (counted(shape, list.size())) {
            for (int i = 0; i < list.size(); i++) {
                int back = at.length();
                at.append('/').append(i);
                value(shape.element(), list.get(i), old == null || i >= old.size() ? null : old.get(i), true);
                at.setLength(back);
            }
        }
    }

    private void map(ValueShape shape, Map<?, ?> map, @Nullable Map<?, ?> old) {
        if (!counted(shape, map.size())) {
            return;
        }
        map.forEach((key, value) -> {
            String name = key instanceof Enum<?> constant ? constant.name() : (String) key;
            int back = enter(shape.key().says(Id.class) == null ? name : ValidationErrors.shown(name));
            value(shape.key(), key, null, true);
            value(shape.element(), value, old == null ? null : old.get(key), true);
            at.setLength(back);
        });
    }
}
