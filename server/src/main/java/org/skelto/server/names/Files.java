package org.skelto.server.names;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Files that are given out. */
final class Files {
    private Files() {}

    /** An answer that is saved under the plan's name and one of its own. */
    static ResponseEntity<byte[]> download(Plan plan, String name, MediaType type, byte[] content) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(Slugs.slug(plan.name(), "plan") + "-" + name)
                                .build()
                                .toString())
                .body(content);
    }
}
