package org.skelto.core.house;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.power.Store;

/**
 * What the model of a house takes for given besides the plan.
 *
 * @param carrying how well its links carry
 * @param possible links that radios make by themselves
 * @param stores backups and cells, by unit
 * @param phonePoints access points and routers that cover a place marked "works from here"; null where none is marked, so that any will do
 * @param rules what rules need so as to work devices
 */
public record HouseInputs(
        Carrying carrying,
        List<PossibleLink> possible,
        Map<String, Store> stores,
        @Nullable Set<String> phonePoints,
        List<RuleReach> rules) {
    public HouseInputs {
        possible = List.copyOf(possible);
        stores = Map.copyOf(stores);
        rules = List.copyOf(rules);
        phonePoints = phonePoints == null ? null : Set.copyOf(phonePoints);
    }
}
