package org.skelto.server.plans;

import java.time.Instant;

/** A line of a plan's history. */
public record RevisionLine(long number, Instant at, String kind, String label) {}
