/**
 * Units, which are powered or talk, and devices, which are switched, moved, sensed or sounded.
 *
 * <pre>{@code
 * "units": {"board-1": {"name": "Hall board", "kind": "CONTROLLER", "place": {"room": "hall", "xM": 1, "yM": 2, "heightM": 1.4},
 *     "power": {"source": "MAINS", "circuit": "mains", "backupH": 0}, "channels": 8, "hub": "hub", ...}},
 * "devices": {"front-lock": {"name": "Front lock", "kind": "LOCK", "unit": "board-1", "rest": "CLOSED",
 *     "ways": ["HOME_APP", "RULE"], "works": {"volts": 12, "watts": 6, "load": "COIL"}, ...}}
 * }</pre>
 *
 * <p>A device hangs on a unit and takes its place when it has none of its own.
 */
@NullMarked
package org.skelto.core.plan.equipment;

import org.jspecify.annotations.NullMarked;
