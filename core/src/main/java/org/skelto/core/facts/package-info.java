/**
 * What follows from a plan, asked for by name and kept where nothing that it reads has changed.
 *
 * <pre>{@code
 * Facts before = new Facts(plan);
 * before.links();                                   // judges all links
 * Facts after = before.after(plan.withUnits(moved)); // one unit stands elsewhere
 * after.links();                                    // judges only the links of that unit
 * after.wired();                                    // the very value of before: no place is read for it
 * }</pre>
 *
 * <p>A {@link org.skelto.core.facts.FactKind} says which {@link org.skelto.core.facts.PlanPart}s and which other facts it
 * reads. Asking is safe from several threads: the second waits for what the first works out.
 */
@NullMarked
package org.skelto.core.facts;

import org.jspecify.annotations.NullMarked;
