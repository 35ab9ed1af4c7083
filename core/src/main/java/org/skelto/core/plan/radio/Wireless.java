package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Words;

/**
 * The wireless network that an access point offers, or that a station joins.
 *
 * @param name as phones show it
 * @param segment name of the network segment that its clients land in, or null for the house's own
 * @param joins name of the network that a station joins; null means that of the access points it is linked to
 */
public record Wireless(
        @Nullable @Words(most = 32) String name,
        @Nullable @Words(most = Limits.NAME_LENGTH) String segment,
        @Nullable @Words(most = 32) String joins) {}
