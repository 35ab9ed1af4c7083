package org.skelto.core.plan.site;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Name;

/**
 * Something that is in the house already and that proposals use.
 *
 * @param circuit id of the mains circuit of an outlet, or null
 */
public record Fitting(
        @Name String name,
        FittingKind kind,
        @Nullable Place place,

        @Nullable @IdOf(value = "circuits", what = "a circuit")
        String circuit) {}
