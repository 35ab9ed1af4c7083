package org.skelto.core.facts;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Values by id, each with what it was worked out from, so that only those are worked out anew of which something changed.
 *
 * @param inputs of each, compared in order, by value
 */
record PerItem<V>(Map<String, List<Object>> inputs, Map<String, V> values) {

    /** The values for these inputs, taken over from before where the inputs are the same. */
    static <V> PerItem<V> renewed(
            @Nullable PerItem<V> before, Map<String, List<Object>> inputs, Function<String, V> work) {
        return renewedTogether(before, inputs, ids -> {
            Map<String, V> made = new TreeMap<>();
            ids.forEach(id -> made.put(id, work.apply(id)));
            return made;
        });
    }

    /** The same where the work is done for several at once. */
    static <V> PerItem<V> renewedTogether(
            @Nullable PerItem<V> before, Map<String, List<Object>> inputs, Function<Set<String>, Map<String, V>> work) {
        Map<String, V> values = new TreeMap<>();
        Set<String> changed = new TreeSet<>();
        inputs.forEach((id, of) -> {
            V kept = before == null || !same(of, before.inputs.get(id)) ? null : before.values.get(id);
            if (kept == null) {
                changed.add(id);
            } else {
                values.put(id, kept);
            }
        });
        values.putAll(work.apply(changed));
        return new PerItem<>(inputs, Collections.unmodifiableMap(values));
    }

    private static boolean same(List<Object> now, @Nullable List<Object> before) {
        if (before == null || before.size() != now.size()) {
            return false;
        }
        for (int i = 0; i < now.size(); i++) {
            Object one = now.get(i);
            Object other = before.get(i);
            if (one != other && (one == null || !one.equals(other))) {
                return false;
            }
        }
        return true;
    }
}
