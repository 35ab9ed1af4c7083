package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;

/**
 * A device for which a rule is ticked and of which no rule says anything: the house model takes the tick for a rule on the hub
 * that serves it; this is that rule, to be finished.
 *
 * @param rule named as what it is, with the device in it and nothing else
 */
public record Placeholder(String device, String name, Rule rule) {
    /** Those of a plan that has a hub, by id of the device. */
    public static List<Placeholder> of(Plan plan) {
        Set<String> said = new HashSet<>();
        plan.rules().values().forEach(r -> {
            said.addAll(RuleHost.heard(plan, r));
            said.addAll(RuleHost.done(plan, r));
        });
        List<Placeholder> all = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            String hub = d.ways().contains(Way.RULE) && !said.contains(id) ? hub(plan, d) : null;
            if (hub != null) {
                all.add(new Placeholder(id, d.name(), rule(id, d, hub)));
            }
        });
        return all;
    }

    private static @Nullable String hub(Plan plan, Device d) {
        Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
        return unit != null && unit.hub() != null
                ? unit.hub()
                : plan.units().entrySet().stream()
                        .filter(e -> e.getValue().is(UnitKind.HUB))
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElse(null);
    }

    private static Rule rule(String id, Device d, String hub) {
        boolean heard =
                d.kind().family() == DeviceKind.Family.SENSOR || d.kind().family() == DeviceKind.Family.CAMERA;
        Trigger when = d.kind() == DeviceKind.PUSH_BUTTON
                ? TriggerBuilder.builder().kind(Trigger.Kind.PRESSED).device(id).build()
                : TriggerBuilder.builder()
                        .kind(Trigger.Kind.BECOMES)
                        .device(id)
                        .reading(Reading.ACTIVE)
                        .build();
        Action then = ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device(id)
                .reading(Reading.ACTIVE)
                .build();
        String name = "Placeholder: " + d.name();
        return RuleBuilder.builder()
                .name(name.substring(0, Math.min(name.length(), 120)))
                .host(hub)
                .when(heard ? List.of(when) : List.of())
                .then(heard ? List.of() : List.of(then))
                .build();
    }
}
