package org.skelto.core.commands;

import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;

/** Something that a person asks for. */
public interface Command {
    /**
     * The edits that do it.
     *
     * @throws Refused when the plan has no such thing, or it cannot be done
     */
    Proposal on(Plan plan);

    /**
     * Edits that belong together.
     *
     * @param label as the undo calls them
     * @param notes what could not be done and was left, in words
     */
    record Proposal(String label, List<Edit> edits, List<String> notes) {
        public Proposal {
            edits = List.copyOf(edits);
            notes = List.copyOf(notes);
        }

        public Proposal(String label, List<Edit> edits) {
            this(label, edits, List.of());
        }
    }

    /** It cannot be done. */
    final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final String field;

        /** @param field of the command that is at fault */
        Refused(String field, String why) {
            super(why, null, false, false);
            this.field = field;
        }

        public String field() {
            return field;
        }
    }
}
