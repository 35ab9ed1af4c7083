package org.skelto.server.load;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** What a path tells of a request before it is read: how large its body may be, how much work it is, and whose it is. */
@Component
class BodyKinds {
    private static final Pattern PLAN = Pattern.compile("/api/plans/([0-9a-fA-F-]{36})(/.*)?");

    private final long usual;
    private final long file;
    private final long plan;

    BodyKinds(
            @Value("${skelto.largest-body-bytes}") long usual,
            @Value("${skelto.largest-file-bytes}") long file,
            @Value("${skelto.largest-import-bytes}") long plan) {
        this.usual = usual;
        this.file = file;
        this.plan = plan;
    }

    /** Pictures, grids of heights, and plans that carry some, may be larger than an edit. */
    long most(String path) {
        if (path.endsWith("/plans/import")) {
            return plan;
        }
        return path.endsWith("/pictures") || path.endsWith("/ground") ? file : usual;
    }

    /** Work that takes much memory whatever its body: one at a time. */
    boolean heavy(String path) {
        return path.endsWith("/export") || path.endsWith("/copy") || path.endsWith("/plans/import");
    }

    /** Answers that come bit by bit while something happens; they wait without computing. */
    boolean watches(String path) {
        return path.startsWith("/api/jobs/") && path.endsWith("/events");
    }

    /** Who asks, for sharing fairly: people work on plans; where none is named, the client's address. */
    String who(String path, String address) {
        Matcher plan = PLAN.matcher(path);
        return plan.matches() ? plan.group(1) : address;
    }
}
