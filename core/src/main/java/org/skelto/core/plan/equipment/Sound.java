package org.skelto.core.plan.equipment;

/**
 * How loud a sounder is.
 *
 * @param levelDb rated level, 30 to 140 dB(A)
 * @param atM distance at which it is rated, 0.1 to 30 m
 */
public record Sound(double levelDb, double atM) {}
