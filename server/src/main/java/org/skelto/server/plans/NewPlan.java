package org.skelto.server.plans;

import org.skelto.core.plan.GeoPoint;
import org.skelto.core.plan.Region;

/** What a new plan starts from. */
public record NewPlan(String name, Region region, Double mainsVoltageV, GeoPoint place) {}
