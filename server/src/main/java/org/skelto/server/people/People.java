package org.skelto.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import java.util.UUID;

/** Says who asks and what they may do. */
public interface People {
    /** Who sent a request. */
    Person asking(HttpServletRequest request);

    /** What somebody may do with a plan; nothing at all when the plan is none of theirs. */
    Set<Right> rights(Person who, UUID plan);
}
