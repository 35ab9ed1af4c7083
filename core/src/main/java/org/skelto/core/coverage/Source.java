package org.skelto.core.coverage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.LossModel;
import org.skelto.core.site.Point;

/**
 * A transmitter whose level is mapped; or a receiver, whose level from a typical sender in each cell is.
 *
 * @param unit id of the unit
 * @param levelDbm level that would arrive without any loss, dBm: radiated power and what the other end adds
 * @param frequencyMHz 100 to 7200
 * @param pattern of its antenna, or null when that sends all round
 */
@RecordBuilder
public record Source(
        String unit,
        String name,
        Point at,
        Place place,
        double levelDbm,
        double frequencyMHz,
        @Nullable AntennaPattern pattern)
        implements SourceBuilder.With {
    /** The same as part of a loss; none of an antenna that sends all round. */
    List<LossModel.Part> beside(Point to) {
        return pattern == null ? List.of() : List.of(pattern.part(name, AntennaPattern.bearingDeg(at, to)));
    }

    /** What is lost towards a point beside the antenna's beam, dB. */
    public double besideDb(Point to) {
        return pattern == null ? 0 : pattern.lossDb(AntennaPattern.bearingDeg(at, to));
    }
}
