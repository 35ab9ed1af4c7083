package org.skelto.server.plans;

import java.time.LocalDate;

/** A day of whose end the plan is kept. */
public record PlanDay(LocalDate day, long revision, String name) {}
