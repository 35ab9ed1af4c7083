package org.skelto.core.plan.network;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * A port that the router passes on from the internet to a unit: whoever finds it may knock.
 *
 * @param unit id of the unit that answers
 * @param port 1 to 65535
 * @param need what it is there for, in words, or null when nobody said
 */
@RecordBuilder
public record OpenedPort(
        @IdOf(value = "units", what = "a unit") String unit,
        @Within(least = 1, most = 65_535) int port,

        @Nullable @Words(least = 1, most = Limits.NAME_LENGTH)
        String need)
        implements OpenedPortBuilder.With {}
