package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.work.ComputingBudget;

/**
 * A rule as one sentence, made of parts.
 *
 * @param rule id of the rule
 * @param host name of the unit that it runs in, or null while nobody chose one
 * @param parts that read as one sentence when they are put one after the other
 * @param text the whole of it
 * @param gone ids of things that it names and that the plan does not have
 * @param caution what to mind where a rule can hurt somebody, or null
 */
@RecordBuilder
public record RuleSentence(
        String rule,
        String name,
        @Nullable String host,
        List<SentencePart> parts,
        String text,
        List<String> gone,
        @Nullable String caution)
        implements RuleSentenceBuilder.With {
    /**
     * A part of a sentence.
     *
     * @param text with the spaces and commas that it needs
     * @param of where it stands in the rule: the pointer of a trigger, term or action, or null for words between them
     * @param thing pointer of what it names, or null
     */
    public record SentencePart(
            String text, @Nullable String of, @Nullable String thing) {}

    /** The sentence of a rule. */
    public static RuleSentence of(Plan plan, String id, Rule rule) {
        return new Writer(plan, id, rule).sentence();
    }

    private static final class Writer {
        private final Plan plan;
        private final String id;
        private final Rule rule;
        private final List<SentencePart> parts = new ArrayList<>();
        private final RuleWords words;

        Writer(Plan plan, String id, Rule rule) {
            this.plan = plan;
            this.id = id;
            this.rule = rule;
            this.words = new RuleWords(plan);
        }

        RuleSentence sentence() {
            ComputingBudget.step();
            plain("When ");
            all(
                    rule.when().size(),
                    "when",
                    " or ",
                    i -> words.trigger(rule.when().get(i)),
                    "nothing yet");
            if (!rule.onlyIf().isEmpty()) {
                plain(", only if ");
                all(
                        rule.onlyIf().size(),
                        "onlyIf",
                        rule.any() ? " or " : " and ",
                        i -> words.term(rule.onlyIf().get(i)),
                        "");
            }
            plain(", then ");
            all(
                    rule.then().size(),
                    "then",
                    ", then ",
                    i -> words.action(rule.then().get(i)),
                    "do nothing yet");
            if (!rule.unless().isEmpty()) {
                plain(", unless ");
                all(
                        rule.unless().size(),
                        "unless",
                        " or ",
                        i -> words.term(rule.unless().get(i)),
                        "");
            }
            plain(".");
            if (rule.restS() != null && rule.restS() > 0) {
                plain(" Not again within " + RuleWords.time(rule.restS()) + ".");
            }
            if (rule.repeatS() != null) {
                plain(" Again every " + RuleWords.time(rule.repeatS()) + " while it stays so.");
            }
            String host = rule.host();
            if (host != null && hostName(host) == null) {
                words.gone().add(host);
            }
            return RuleSentenceBuilder.builder()
                    .rule(id)
                    .name(rule.name())
                    .host(host == null ? null : hostName(host))
                    .parts(List.copyOf(parts))
                    .text(parts.stream().map(SentencePart::text).collect(Collectors.joining()))
                    .gone(List.copyOf(words.gone()))
                    .caution(caution())
                    .build();
        }

        /** What a rule never replaces: protection at the thing itself. */
        private @Nullable String caution() {
            List<DeviceKind> kinds = rule.then().stream()
                    .flatMap(a -> RuleTargets.of(plan, a).stream())
                    .map(d -> plan.devices().get(d))
                    .filter(Objects::nonNull)
                    .map(Device::kind)
                    .toList();
            if (kinds.contains(DeviceKind.LOCK)) {
                return "It works a lock. A way out must open by hand from inside whatever a rule says; local codes decide.";
            }
            if (kinds.stream().anyMatch(k -> k == DeviceKind.GATE || k == DeviceKind.POWERED_DOOR)) {
                return "It moves what can crush somebody. The drive's own obstacle detection and stop must act without any rule;"
                        + " local codes decide.";
            }
            return kinds.contains(DeviceKind.HEATER)
                    ? "It heats. A thermal cut-out of the heater's own must act without any rule; mains work is for licensed people."
                    : null;
        }

        private @Nullable String hostName(String host) {
            Unit unit = plan.units().get(host);
            Service service = plan.services().get(host);
            return unit != null ? unit.name() : service != null ? service.name() : null;
        }

        private void plain(String text) {
            parts.add(new SentencePart(text, null, null));
        }

        private void all(
                int size,
                String field,
                String between,
                java.util.function.IntFunction<RuleWords.Said> each,
                String none) {
            if (size == 0) {
                plain(none);
            }
            for (int i = 0; i < size; i++) {
                if (i > 0) {
                    plain(between);
                }
                RuleWords.Said said = each.apply(i);
                parts.add(new SentencePart(
                        said.text(), Pointers.of("rules", id, field, String.valueOf(i)), said.thing()));
            }
        }
    }
}
