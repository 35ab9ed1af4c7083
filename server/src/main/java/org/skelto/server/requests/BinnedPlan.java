package org.skelto.server.requests;

import java.util.UUID;
import org.skelto.server.people.Person;

/** A plan that somebody may change, though it was deleted. */
record BinnedPlan(Person who, UUID id) {}
