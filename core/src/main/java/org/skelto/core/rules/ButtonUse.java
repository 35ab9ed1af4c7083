package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Rule;

/**
 * What a push-button does.
 *
 * @param wallOf names of the devices that it works on its own, without a rule
 * @param gestures short, double, long and held down, used or not
 */
public record ButtonUse(String device, String name, List<String> wallOf, List<Gesture> gestures) {
    /** A second press that comes later than this is a new one, ms; usual for push-buttons. */
    public static final int DOUBLE_MS = 350;

    /** A press held for less is short, ms; usual for push-buttons. */
    public static final int LONG_MS = 700;

    /**
     * One way to press it.
     *
     * @param rules ids of the rules that it sets off
     * @param decisionMs how long after the button goes down it is known which gesture it is, at most
     * @param withoutHub whether all of its rules run in a controller or panel
     */
    public record Gesture(Press press, List<String> rules, int decisionMs, boolean withoutHub) {}

    /** Every push-button of a plan. */
    public static List<ButtonUse> of(Plan plan) {
        List<ButtonUse> all = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            if (d.kind() != DeviceKind.PUSH_BUTTON) {
                return;
            }
            List<List<String>> used = new ArrayList<>();
            for (Press press : Press.values()) {
                used.add(rules(plan, id, press));
            }
            boolean twice = !used.get(Press.DOUBLE.ordinal()).isEmpty();
            boolean held = !used.get(Press.LONG.ordinal()).isEmpty()
                    || !used.get(Press.HELD.ordinal()).isEmpty();
            List<Gesture> gestures = new ArrayList<>();
            for (Press press : Press.values()) {
                List<String> rules = used.get(press.ordinal());
                int decision = switch (press) {
                    case SHORT -> (held ? LONG_MS : 0) + (twice ? DOUBLE_MS : 0);
                    case DOUBLE -> DOUBLE_MS + (held ? LONG_MS : 0);
                    case LONG, HELD -> LONG_MS;
                };
                gestures.add(new Gesture(
                        press,
                        rules,
                        decision,
                        !rules.isEmpty() && rules.stream().noneMatch(r -> hub(plan, r))));
            }
            List<String> walls = plan.devices().values().stream()
                    .filter(w -> w.wallControls().contains(id))
                    .map(Device::name)
                    .toList();
            all.add(new ButtonUse(id, d.name(), walls, gestures));
        });
        return all;
    }

    private static List<String> rules(Plan plan, String button, Press press) {
        return plan.rules().entrySet().stream()
                .filter(e -> !e.getValue().off()
                        && e.getValue().when().stream()
                                .anyMatch(t -> button.equals(t.device()) && (t.press() == null || t.press() == press)))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static boolean hub(Plan plan, String rule) {
        Rule of = plan.rules().get(rule);
        Unit host = of == null || of.host() == null ? null : plan.units().get(of.host());
        return host == null || host.is(UnitKind.HUB);
    }
}
