/**
 * The plan of one house as an immutable document, format {@code skelto-plan/1}.
 *
 * <p>Everything that a person decides is in {@link org.skelto.core.plan.Plan}; everything that follows from it is
 * computed elsewhere. Things lie in maps by id, so that a place in the document is a stable JSON pointer such as
 * {@code /rooms/scullery/widthM}. Lengths are metres, x to the east, y to the north, z up.
 */
package org.skelto.core.plan;
