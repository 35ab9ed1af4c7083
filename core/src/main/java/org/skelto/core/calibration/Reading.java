package org.skelto.core.calibration;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Without;
import org.skelto.core.plan.format.Words;
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
        @Words(most = 64) String floor,
        double xM,
        double yM,
        double heightM,
        @Words(most = 64) String unit,

        @Without(value = "ETHERNET", says = "cannot be Ethernet")
        Medium medium,

        @Within(least = -120, most = 0, unit = "dBm") double dbm,
        Instant at)
        implements ReadingBuilder.With {}
