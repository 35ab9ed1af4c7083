package org.skelto.core.plan.format;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/** Defensive copies in a fixed order, so that the same plan always reads the same. */
public final class Copies {
    private Copies() {}

    public static <K extends Comparable<K>, V> Map<K, V> sorted(Map<K, V> map) {
        return map == null ? Map.of() : Collections.unmodifiableSortedMap(new TreeMap<>(map));
    }

    public static <K extends Comparable<K>, V> Map<String, Map<K, V>> sortedTwice(Map<String, Map<K, V>> map) {
        Map<String, Map<K, V>> copy = new TreeMap<>();
        if (map != null) {
            map.forEach((key, inner) -> copy.put(key, sorted(inner)));
        }
        return Collections.unmodifiableMap(copy);
    }

    /** Keeps nulls, which the validator reports with their place. */
    public static <E> List<E> list(List<E> elements) {
        return Collections.unmodifiableList(new ArrayList<>(elements));
    }

    public static <E extends Comparable<E>> SortedSet<E> sorted(Collection<E> elements) {
        TreeSet<E> copy = new TreeSet<>();
        if (elements != null) {
            for (E element : elements) {
                if (element != null) {
                    copy.add(element);
                }
            }
        }
        return Collections.unmodifiableSortedSet(copy);
    }
}
