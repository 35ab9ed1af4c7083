/**
 * Long and bounded work: how far it is, whether it should stop, how much it may still compute, and what came of it.
 *
 * <p>Whoever answers a person binds a {@link org.skelto.core.work.ComputingBudget} to the thread; the inner loops of every
 * computation spend from it and end with {@link org.skelto.core.work.ComputingBudget.Exhausted} when nothing is left:
 *
 * <pre>{@code
 * ComputingBudget twentySeconds = ComputingBudget.of(Long.MAX_VALUE, 20_000_000_000L, System::nanoTime);
 * Assessment assessment = twentySeconds.run(() -> Assessment.of(new Facts(plan), Set.of()));
 * }</pre>
 */
package org.skelto.core.work;
