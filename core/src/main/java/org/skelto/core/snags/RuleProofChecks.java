package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.RULES;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.snags.Check.Code;

/** U1, U2, U8, U12, U16, U17, U19: what the solver finds about rules, with how sure it is. */
final class RuleProofChecks {
    static final Check CHECK = Check.reading(
            "snags of rules against each other",
            List.of(
                    Code.of("U1", RULES, "two rules want opposites of one device", FIX, LOOK),
                    Code.of("U2", RULES, "rules set one another off in a circle", FIX, LOOK),
                    Code.of("U8", RULES, "sounds in quiet hours and nothing is told silently", LOOK),
                    Code.of("U12", RULES, "one gesture of a button does two things", LOOK),
                    Code.of("U16", RULES, "rule that can never fire, or whose conditions are always met", FIX, LOOK),
                    Code.of("U17", RULES, "rule that another one covers", LOOK),
                    Code.of("U19", RULES, "interlock that another rule passes by", FIX, LOOK)),
            List.of(PlanPart.RULES, PlanPart.DEVICE_NAMES, PlanPart.DEVICE_ROLES),
            List.of(HouseFacts.RULE_FINDINGS),
            RuleProofChecks::run);

    private static final Set<DeviceKind.Family> HARMFUL = Set.of(DeviceKind.Family.BARRIER, DeviceKind.Family.VALVE);

    private RuleProofChecks() {}

    static void run(CheckContext c) {
        for (RuleFinding finding : c.ruleFindings()) {
            switch (finding.kind()) {
                case CLASH, CUT_SHORT -> opposites(c, finding);
                case LOOP -> loop(c, finding);
                case NEVER, ALWAYS, SHADOWED -> useless(c, finding);
                case AVOIDED -> avoided(c, finding);
                case SOUNDS -> sounds(c, finding);
                case TWICE -> twice(c, finding);
            }
        }
    }

    private static Rule rule(CheckContext c, RuleFinding finding, int i) {
        return Objects.requireNonNull(c.plan.rules().get(finding.rules().get(i)));
    }

    private static String proof(RuleFinding finding) {
        return switch (finding.proof()) {
            case PROVEN -> "proven";
            case REACHABLE ->
                "reachable: " + (finding.story() == null ? "" : finding.story().supposed());
            case POSSIBLE -> "possible, not proven";
        };
    }

    private static void opposites(CheckContext c, RuleFinding finding) {
        String other = finding.rules().get(0);
        Rule loses = rule(c, finding, 0);
        Rule wins = rule(c, finding, 1);
        boolean sure = finding.proof() == RuleFinding.Proof.REACHABLE;
        CheckContext.Draft draft = c.snag(
                        "U1",
                        sure ? FIX : LOOK,
                        RULES,
                        "\"" + wins.name() + "\" and \"" + loses.name() + "\" want opposites of "
                                + name(c, finding.device()))
                .figures(finding.says() + " " + proof(finding))
                .leadsTo("What it is then hangs on which of them is heard last.")
                .at(about(finding));
        if (finding.kind() == RuleFinding.Kind.CUT_SHORT) {
            Term holds = TermBuilder.builder()
                    .kind(Term.Kind.HOLDS)
                    .rule(finding.rules().get(1))
                    .build();
            draft.fix(
                    "Let \"" + wins.name() + "\" win while it holds",
                    Edit.add(
                            Pointers.of(
                                    "rules",
                                    other,
                                    "unless",
                                    String.valueOf(loses.unless().size())),
                            holds));
        }
        Action action = loses.then().get(finding.action());
        if (action.all() == null && loses.then().size() > 1) {
            draft.fix(
                    "Leave " + name(c, finding.device()) + " out of \"" + loses.name() + "\"",
                    Edit.remove(Pointers.of("rules", other, "then", String.valueOf(finding.action()))));
        } else {
            draft.fix("Let \"" + loses.name() + "\" rest", rest(other));
        }
        draft.add();
    }

    /** The rules and the device concerned. */
    private static String[] about(RuleFinding finding) {
        List<String> all = new ArrayList<>();
        finding.rules().forEach(id -> all.add(Pointers.of("rules", id)));
        if (finding.device() != null) {
            all.add(Pointers.of("devices", finding.device()));
        }
        return all.toArray(String[]::new);
    }

    private static Edit rest(String rule) {
        return Edit.replace(Pointers.of("rules", rule, "off"), true);
    }

    private static String name(CheckContext c, @Nullable String device) {
        Device d = device == null ? null : c.plan.devices().get(device);
        return d == null ? "a device" : d.name();
    }

    private static void loop(CheckContext c, RuleFinding finding) {
        boolean sure = finding.proof() == RuleFinding.Proof.REACHABLE;
        c.snag(
                        "U2",
                        sure ? FIX : LOOK,
                        RULES,
                        finding.rules().size() == 1
                                ? "\"" + rule(c, finding, 0).name() + "\" sets itself off"
                                : finding.rules().size() + " rules set one another off in a circle")
                .figures(finding.says() + " " + proof(finding))
                .leadsTo("Things switch to and fro, and the hub is busy with nothing else.")
                .at(about(finding))
                .fix(
                        "Let \"" + rule(c, finding, 0).name() + "\" rest",
                        rest(finding.rules().get(0)))
                .add();
    }

    private static void useless(CheckContext c, RuleFinding finding) {
        String id = finding.rules().get(0);
        String called = "\"" + rule(c, finding, 0).name() + "\"";
        boolean shadowed = finding.kind() == RuleFinding.Kind.SHADOWED;
        boolean never = finding.kind() == RuleFinding.Kind.NEVER;
        CheckContext.Draft draft = c.snag(
                        shadowed ? "U17" : "U16",
                        never ? FIX : LOOK,
                        RULES,
                        called
                                + (shadowed
                                        ? " only does what another rule does anyway"
                                        : never ? " can never fire" : " has conditions that are always met"))
                .figures(finding.says() + " " + proof(finding))
                .leadsTo(
                        never
                                ? "Whoever wrote it believes that something happens."
                                : "Nobody knows which of the two to change, or what the words are for.")
                .at(about(finding));
        if (finding.kind() == RuleFinding.Kind.ALWAYS) {
            draft.fix("Take the conditions out", Edit.replace(Pointers.of("rules", id, "onlyIf"), List.of()));
        } else {
            draft.fix("Let it rest", rest(id));
        }
        draft.add();
    }

    private static void avoided(CheckContext c, RuleFinding finding) {
        String id = finding.rules().get(0);
        Rule passes = rule(c, finding, 0);
        Rule locked = rule(c, finding, 1);
        Device d = finding.device() == null ? null : c.plan.devices().get(finding.device());
        boolean harmful = d != null && HARMFUL.contains(d.kind().family());
        boolean sure = finding.proof() == RuleFinding.Proof.REACHABLE;
        c.snag(
                        "U19",
                        harmful && sure ? FIX : LOOK,
                        RULES,
                        "\"" + passes.name() + "\" passes the interlock of \"" + locked.name() + "\" by")
                .figures(finding.says() + " " + proof(finding))
                .leadsTo("What was to be kept from happening happens by another path.")
                .at(about(finding))
                .fix(
                        "Put the same interlock on it",
                        Edit.add(
                                Pointers.of(
                                        "rules",
                                        id,
                                        "unless",
                                        String.valueOf(passes.unless().size())),
                                locked.unless().get(finding.action())))
                .add();
    }

    private static void sounds(CheckContext c, RuleFinding finding) {
        String id = finding.rules().get(0);
        c.snag("U8", LOOK, RULES, "\"" + rule(c, finding, 0).name() + "\" sounds in quiet hours")
                .figures(finding.says() + " " + proof(finding))
                .leadsTo("It wakes people for something that a message could tell.")
                .at(about(finding))
                .add();
    }

    private static void twice(CheckContext c, RuleFinding finding) {
        c.snag(
                        "U12",
                        LOOK,
                        RULES,
                        "One press of " + name(c, finding.device()) + " sets off \""
                                + rule(c, finding, 0).name() + "\" and \""
                                + rule(c, finding, 1).name() + "\"")
                .figures(finding.says() + " " + proof(finding))
                .leadsTo("Whoever presses it gets both, wanted or not.")
                .at(about(finding))
                .add();
    }
}
