package org.skelto.core;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** What of a large house is tried: some spread evenly, all of it with {@code --long}. */
public final class Tried {
    private static final boolean ALL = Boolean.getBoolean("skelto.long");

    private Tried() {}

    /** At most so many ids of a map. */
    public static List<String> some(Map<String, ?> map, int most) {
        List<String> ids = List.copyOf(map.keySet());
        if (ALL || ids.size() <= most) {
            return ids;
        }
        return IntStream.range(0, most)
                .mapToObj(i -> ids.get(i * ids.size() / most))
                .toList();
    }
}
