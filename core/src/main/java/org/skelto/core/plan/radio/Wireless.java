package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Words;

/**
 * The wireless network that an access point offers.
 *
 * @param name as phones show it
 * @param segment name of the network segment that its clients land in, or null for the house's own
 */
public record Wireless(
        @Nullable @Words(most = 32) String name,
        @Nullable @Words(most = Limits.NAME_LENGTH) String segment) {}
