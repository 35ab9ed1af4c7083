package org.skelto.server.jobs;

import java.util.UUID;

/** A job that was started. */
public record Started(UUID job) {}
