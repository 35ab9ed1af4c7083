package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something that was found about rules before they were built.
 *
 * @param proof how sure it is
 * @param rules ids of the rules concerned, the one that is to be changed first
 * @param device id of the device concerned, or null
 * @param action index, in the first rule, of the action or interlock concerned, or −1
 * @param says it in words
 * @param story how it comes about, or null
 */
@RecordBuilder
public record RuleFinding(
        Kind kind,
        Proof proof,
        List<String> rules,
        @Nullable String device,
        int action,
        String says,
        @Nullable RuleStory story)
        implements RuleFindingBuilder.With {
    /** What was found. */
    public enum Kind {
        /** Two rules that one event sets off want opposites of one device. */
        CLASH,
        /** A rule undoes what another one switched for a time, before that time is over. */
        CUT_SHORT,
        /** A rule can never fire. */
        NEVER,
        /** The conditions of a rule are always met. */
        ALWAYS,
        /** Whenever a rule fires another one does the same. */
        SHADOWED,
        /** Rules set one another off in a circle. */
        LOOP,
        /** An interlock of one rule is passed by another. */
        AVOIDED,
        /** A rule sounds in quiet hours and tells nobody silently. */
        SOUNDS,
        /** One gesture of a button sets off two rules. */
        TWICE
    }

    /** How sure it is. */
    public enum Proof {
        /** It follows from the rules, whatever happens. */
        PROVEN,
        /** It was carried out: the story shows how. */
        REACHABLE,
        /** Nothing speaks against it, but no way there was found. */
        POSSIBLE
    }
}
