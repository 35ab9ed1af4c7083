package org.skelto.core.plan.network;

import org.skelto.core.plan.format.Within;

/**
 * A stretch of the subnet, as numbers of hosts counted from the subnet's own, which is 0.
 *
 * @param from first host, 1 to 65534
 * @param to last host, not before the first
 */
public record AddressBlock(
        @Within(least = 1, most = 65_534) int from,
        @Within(least = 1, most = 65_534) int to) {}
