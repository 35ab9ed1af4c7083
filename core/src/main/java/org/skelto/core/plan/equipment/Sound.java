package org.skelto.core.plan.equipment;

import org.skelto.core.plan.format.Within;

/**
 * How loud a sounder is.
 *
 * @param levelDb rated level, 30 to 140 dB(A)
 * @param atM distance at which it is rated, 0.1 to 30 m
 */
public record Sound(
        @Within(least = 30, most = 140, unit = "dB(A)") double levelDb,
        @Within(least = 0.1, most = 30, unit = "m") double atM) {}
