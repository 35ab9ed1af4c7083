package org.skelto.core.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.quantity.Figure;

/**
 * What a control scheme alone would make of a device.
 *
 * @param chosen whether it is chosen, or counts because none is
 * @param works whether a way besides the hand works by it, with the house whole
 * @param sentence how the worst job of the device would stand, or why nothing works
 * @param lostWithout names of the components whose failure alone ends it, at most {@value #MOST}
 * @param moreLost how many more there are
 * @param typicalMs of its quickest way, or null where none works or none sends anything
 * @param worstMs of the same way
 * @param latency how these were worked out, or null
 * @param feePerMonth of the services without which it does not work, in the plan's currency
 * @param needs what has to be added before it works, or null
 */
@RecordBuilder
public record SchemeChoice(
        ControlScheme scheme,
        boolean chosen,
        boolean works,
        String sentence,
        List<String> lostWithout,
        int moreLost,
        @Nullable Double typicalMs,
        @Nullable Double worstMs,
        @Nullable Figure latency,
        double feePerMonth,
        @Nullable String needs) {
    static final int MOST = 12;

    public SchemeChoice {
        lostWithout = List.copyOf(lostWithout);
    }
}
