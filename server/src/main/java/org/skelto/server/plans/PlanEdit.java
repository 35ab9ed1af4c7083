package org.skelto.server.plans;

import java.util.UUID;
import org.skelto.server.people.Person;

/**
 * Somebody's edit of a plan.
 *
 * @param who makes it
 * @param seen revision that they saw, and that the plan must still be at
 */
public record PlanEdit(Person who, UUID plan, long seen) {}
