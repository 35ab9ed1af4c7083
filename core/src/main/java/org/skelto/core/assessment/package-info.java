/**
 * What the page shows of a plan, put together from its facts.
 *
 * <pre>{@code
 * Assessment now = Assessment.of(new Facts(plan), Set.of("internet"));
 * now.sentence(); // "Without the internet: 92 hold, 4 reduced, 1 by hand, 12 lost, 0 unsafe"
 * }</pre>
 */
package org.skelto.core.assessment;
