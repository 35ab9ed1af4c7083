package org.skelto.core.plan.rules;

import java.util.List;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Name;

/**
 * What a person works the house with: the tiles of a wall tablet or a phone.
 *
 * @param unit id of the wall tablet, or null for a phone
 * @param person id of the person whose phone it is, or null
 * @param rooms ids of the rooms whose things it is made for; empty means the whole house
 * @param tiles in the order in which they stand
 */
public record Screen(
        @Name String name,
        @Nullable @Id String unit,
        @Nullable @Id String person,
        SortedSet<@Id String> rooms,
        @Count(most = 300, of = "tiles") List<Tile> tiles) {
    public Screen {
        rooms = Copies.sorted(rooms);
        tiles = tiles == null ? List.of() : Copies.list(tiles);
    }
}
