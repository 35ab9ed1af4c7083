/**
 * The plan of one house as an immutable document, format {@code skelto-plan/1}.
 *
 * <p>Everything that a person decides is in {@link org.skelto.core.plan.Plan}; everything that follows from it is
 * computed elsewhere. Things lie in maps by id, so that a place in the document is a stable JSON pointer such as
 * {@code /rooms/scullery/corners/0/xM}. Lengths are metres, x to the east, y to the north, z up.
 *
 * <pre>{@code
 * {"format": "skelto-plan/1", "name": "Marrowby Leat", "region": "EU", "cautionsRead": false,
 *  "buildings": {"mill": {"name": "Mill", "xM": 0, "yM": 0, "zM": 0}},
 *  "rooms": {...}, "units": {...}, "devices": {...}, "links": {...}}
 * }</pre>
 *
 * <p>The document is flat; only the records are sorted into packages: {@code site}, {@code radio}, {@code power},
 * {@code equipment} and {@code network}, each above the ones before it, on {@code format}, in which they declare what
 * they may hold. {@code validation} is above them all.
 */
@NullMarked
package org.skelto.core.plan;

import org.jspecify.annotations.NullMarked;
