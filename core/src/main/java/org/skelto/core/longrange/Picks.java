package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;
import org.skelto.core.longrange.Explorer.Pick;
import org.skelto.core.longrange.Explorer.Setting;
import org.skelto.core.quantity.Text;

/** The best setting for each wish among those that nothing rules out. */
final class Picks {
    /** Of the best for a wish so many are weighed. */
    private static final int WEIGHED = 6;

    final List<Pick> picks = new ArrayList<>();
    private final List<Setting> all;
    private final Function<Setting, @Nullable String> brings;
    private final Map<Setting, String> refused = new IdentityHashMap<>();
    private final Map<Setting, Boolean> taken = new IdentityHashMap<>();

    Picks(List<Setting> all, Function<Setting, @Nullable String> brings) {
        this.all = all;
        this.brings = brings;
        List<Setting> usable = all.stream().filter(s -> s.ruledOut() == null).toList();
        pick(
                "reach",
                usable,
                s -> -s.marginDb(),
                s -> "the greatest margin of those that nothing rules out: " + Text.db(s.marginDb()));
        List<Setting> meeting = usable.stream().filter(Setting::meets).toList();
        pick(
                "battery",
                meeting,
                Setting::airtimeMs,
                s -> "the shortest time on air that meets the target: " + Text.number(s.airtimeMs(), 0) + " ms"
                        + (s.years() != null ? ", " + Text.number(s.years(), 1) + " years" : ""));
        pick(
                "fast answer",
                meeting,
                Setting::ackMs,
                s -> "the answer is there after " + Text.number(s.ackMs(), 0) + " ms, sooner than with any other that "
                        + "meets the target");
    }

    /** All settings; those that were weighed and found wanting say what they would bring. */
    List<Setting> told() {
        return all.stream()
                .map(s -> refused.containsKey(s) ? s.withRuledOut(refused.get(s)) : s)
                .toList();
    }

    private void pick(String wish, List<Setting> from, ToDoubleFunction<Setting> cost, Function<Setting, String> why) {
        List<Setting> best = from.stream()
                .sorted(Comparator.comparingDouble(cost))
                .limit(WEIGHED)
                .toList();
        for (Setting s : best) {
            if (lawful(s)) {
                picks.add(new Pick(wish, s.spreadingFactor(), s.bandwidthKHz(), why.apply(s)));
                return;
            }
        }
    }

    private boolean lawful(Setting s) {
        if (refused.containsKey(s)) {
            return false;
        }
        // what is set so already brings nothing
        String told = s.now() || taken.containsKey(s) ? null : brings.apply(s);
        if (told == null) {
            taken.put(s, true);
        } else {
            refused.put(s, told);
        }
        return told == null;
    }
}
