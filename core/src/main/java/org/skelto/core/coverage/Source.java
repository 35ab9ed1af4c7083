package org.skelto.core.coverage;

import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Point;

/**
 * A transmitter whose level is mapped; or a receiver, whose level from a typical sender in each cell is.
 *
 * @param unit id of the unit
 * @param levelDbm level that would arrive without any loss, dBm: radiated power and what the other end adds
 * @param frequencyMHz 100 to 7200
 */
public record Source(String unit, String name, Point at, Place place, double levelDbm, double frequencyMHz) {}
