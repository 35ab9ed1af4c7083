package org.skelto.server.plans;

import java.util.UUID;
import org.skelto.server.problems.Refusal;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Keeps every plan small enough for its own file: what is exported can always be taken in again, and whoever would make it
 * too large hears it before.
 */
@Component
public class ExportSizes {
    private static final double MB = 1024 * 1024;

    private final ObjectProvider<PlanAttachment> carried;
    private final long most;

    ExportSizes(
            ObjectProvider<PlanAttachment> carried,
            @Value("${skelto.largest-import-bytes}") long file,
            @Value("${skelto.largest-plan-bytes}") long document) {
        this.carried = carried;
        // a document counts its characters, of which some take two bytes or three
        this.most = file - 2 * document;
    }

    /** Refuses to add so many bytes to what is kept beside a plan when its file would become too large. */
    public void makeRoom(UUID plan, long more, String what) {
        long then = more + carried.stream().mapToLong(c -> c.size(plan)).sum();
        if (then > most) {
            throw Refusal.of(
                    HttpStatus.CONTENT_TOO_LARGE,
                    String.format(
                            "With %s the pictures, heights and readings of this plan would be %.1f MB; its file could"
                                    + " carry %.0f MB. Nothing was changed; remove a picture first.",
                            what, then / MB, most / MB));
        }
    }
}
