/**
 * Where power comes from and how much of it is taken.
 *
 * <pre>{@code
 * "power": {"source": "SUPPLY", "from": "rail-12", "backupH": 0, "feed": {"cable": "two-core-0-75", "lengthM": 8}},
 * "duty": {"sleepUa": 12, "cycleS": 600, "pulses": [{"name": "send", "currentMa": 40, "durationMs": 60, "kind": "SEND"}]}
 * }</pre>
 *
 * <p>Volts, amperes, watts, hours; the currents of a duty are µA and mA.
 */
@NullMarked
package org.skelto.core.plan.power;

import org.jspecify.annotations.NullMarked;
