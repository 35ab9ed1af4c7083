/**
 * Whether a document is a well-formed plan, with the place of everything that is not.
 *
 * <pre>{@code
 * PlanValidator.problems(plan) // [Problem[pointer=/rooms/hall/floor, message=names a floor that is not in the plan: "attic"]]
 * }</pre>
 *
 * <p>Bounds come from what the records declare; only rules that tie several values together are written here.
 */
@NullMarked
package org.skelto.core.plan.validation;

import org.jspecify.annotations.NullMarked;
