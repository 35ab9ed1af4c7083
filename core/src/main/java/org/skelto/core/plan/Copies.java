package org.skelto.core.plan;

import java.util.Collection;
import java.util.Collections;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/** Defensive copies in a fixed order, so that the same plan always reads the same. */
final class Copies {
    private Copies() {}

    static <V> Map<String, V> sorted(Map<String, V> map) {
        return map == null ? Map.of() : Collections.unmodifiableSortedMap(new TreeMap<>(map));
    }

    static <E extends Comparable<E>> SortedSet<E> sorted(Collection<E> elements) {
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
