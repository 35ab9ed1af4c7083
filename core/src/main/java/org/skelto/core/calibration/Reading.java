package org.skelto.core.calibration;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import org.skelto.core.plan.radio.Medium;

/**
 * One level measured somewhere.
 *
 * @param floor id of the floor
 * @param xM metres east on the site
 * @param yM metres north
 * @param heightM above the walking surface, metres
 * @param unit id of the transmitter
 * @param dbm what arrived, −120 to 0
 * @param at when
 */
@RecordBuilder
public record Reading(
        String floor, double xM, double yM, double heightM, String unit, Medium medium, double dbm, Instant at)
        implements ReadingBuilder.With {}
