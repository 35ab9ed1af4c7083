package org.skelto.server.plans;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.GeoPoint;

/** What a new plan starts from. */
public record NewPlan(
        String name,
        Region region,
        @Nullable Double mainsVoltageV,
        @Nullable GeoPoint place) {}
