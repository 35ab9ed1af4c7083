package org.skelto.server.plans;

import java.time.Instant;
import java.util.UUID;

/**
 * A plan that was deleted and can be brought back.
 *
 * @param goneAt when it will be removed for good
 */
public record DeletedPlan(UUID id, String name, Instant deletedAt, Instant goneAt) {}
