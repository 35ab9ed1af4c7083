package org.skelto.core.snags;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;

/**
 * Something wrong in a plan.
 *
 * @param key the same for the same snag on the same things, for accepting it
 * @param code stable code of the check
 * @param title what is wrong
 * @param figures the figures that show it
 * @param consequence what it leads to in the house
 * @param subjects JSON pointers of the things concerned, the first is where to look
 * @param fixes changes that would clear it
 * @param accepted the reason why the person takes it as it is, or null
 */
@RecordBuilder
public record Snag(
        String key,
        String code,
        Severity severity,
        Stage stage,
        String title,
        String figures,
        String consequence,
        List<String> subjects,
        List<Fix> fixes,
        @Nullable String accepted)
        implements SnagBuilder.With {
    /** A change offered. */
    public record Fix(String label, List<Edit> edits) {
        public Fix {
            edits = List.copyOf(edits);
        }
    }

    public Snag {
        subjects = List.copyOf(subjects);
        fixes = List.copyOf(fixes);
    }
}
