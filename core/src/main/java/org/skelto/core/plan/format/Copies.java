package org.skelto.core.plan.format;

import java.util.AbstractMap;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;

/** Defensive copies in a fixed order, so that the same plan always reads the same. */
public final class Copies {
    private Copies() {}

    /** A sorted map that nothing can change any more; taking a copy of it is taking itself. */
    private static final class Frozen<K, V> extends AbstractMap<K, V> {
        private final Map<K, V> map;

        Frozen(TreeMap<K, V> map) {
            this.map = Collections.unmodifiableMap(map);
        }

        @Override
        public Set<Entry<K, V>> entrySet() {
            return map.entrySet();
        }

        @Override
        public Set<K> keySet() {
            return map.keySet();
        }

        @Override
        public Collection<V> values() {
            return map.values();
        }

        @Override
        public int size() {
            return map.size();
        }

        @Override
        public @Nullable V get(Object key) {
            return map.get(key);
        }

        @Override
        public boolean containsKey(Object key) {
            return map.containsKey(key);
        }

        @Override
        public void forEach(BiConsumer<? super K, ? super V> action) {
            map.forEach(action);
        }
    }

    public static <K extends Comparable<K>, V> Map<K, V> sorted(Map<K, V> map) {
        if (map == null) {
            return Map.of();
        }
        return map instanceof Frozen<K, V> known ? known : new Frozen<>(new TreeMap<>(map));
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
