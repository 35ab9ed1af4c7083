package org.skelto.server.plans;

import java.time.Instant;
import java.util.UUID;

/** A line of the list of plans. */
public record PlanSummary(UUID id, String name, long revision, Instant updatedAt) {}
