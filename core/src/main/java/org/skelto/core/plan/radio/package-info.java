/**
 * Radios, what they send, and the ground that they send over.
 *
 * <pre>{@code
 * "radios": {"chirp": {"medium": "CHIRP", "frequencyMHz": 868.1, "txPowerDbm": 14, "antennaGainDbi": 2,
 *     "feederLossDb": 0.5, "chirp": {"spreadingFactor": 9, "bandwidthKHz": 125, "codingRateDenominator": 5},
 *     "receives": true, "metalBox": false}}
 * }</pre>
 *
 * <p>Losses and gains are dB, powers dBm, frequencies MHz.
 */
@NullMarked
package org.skelto.core.plan.radio;

import org.jspecify.annotations.NullMarked;
