package org.skelto.core.plan.radio;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * The ground between two units that talk by radio.
 *
 * @param from id of the unit at the profile's first point
 * @param to id of the unit at its last point
 * @param profile of the ground, distances ascending strictly from 0, at least two points, at most {@value #MOST_POINTS}
 * @param covers what stands on it
 * @param source where the profile comes from, in words, or null
 * @param model how the loss is predicted
 * @param exponent of distance, 1.5 to 8, or null for {@value #USUAL_EXPONENT}
 * @param interceptDb loss at one metre, or null for that of free space
 * @param earthFactor effective earth radius over the real one, 0.3 to 100, or null for 4/3
 * @param learned what readings taught, or null
 */
@RecordBuilder
public record RadioPath(
        @IdOf(value = "units", what = "a unit") String from,
        @IdOf(value = "units", what = "a unit") String to,

        @Count(least = 2, most = RadioPath.MOST_POINTS, of = "points")
        List<GroundPoint> profile,

        @Count(most = 60) List<Cover> covers,
        @Nullable @Words(most = Limits.NAME_LENGTH) String source,
        @Otherwise("DIFFRACTION") OutdoorModel model,
        @Nullable @Within(least = 1.5, most = 8) Double exponent,

        @Nullable @Within(least = 0, most = 200, unit = "dB")
        Double interceptDb,

        @Nullable @Within(least = 0.3, most = 100) Double earthFactor,
        @Nullable PathLearned learned)
        implements RadioPathBuilder.With {
    /** Source of a profile that was cut out of the grid of heights; such a profile goes along when an end moves. */
    public static final String GRID = "grid of heights";

    /** Points of a profile. */
    public static final int MOST_POINTS = 2000;

    /** Exponent over open country with low antennas, typical. */
    public static final double USUAL_EXPONENT = 2.8;

    public RadioPath {
        profile = profile == null ? List.of() : Copies.list(profile);
        covers = covers == null ? List.of() : Copies.list(covers);
        model = model == null ? OutdoorModel.DIFFRACTION : model;
    }

    /** A path of which only the ground is known. */
    public static RadioPath overGround(String from, String to, List<GroundPoint> profile, String source) {
        return RadioPathBuilder.builder()
                .from(from)
                .to(to)
                .profile(profile)
                .source(source)
                .build();
    }

    /** Whether it lies between these two units, either way round. */
    public boolean joins(String one, String other) {
        return from.equals(one) && to.equals(other) || from.equals(other) && to.equals(one);
    }

    /** The same over other ground, with what stands on it; what lies beyond its end is dropped. */
    public RadioPath over(List<GroundPoint> other, List<Cover> standing, String from) {
        double lengthM = other.get(other.size() - 1).distanceM();
        List<Cover> kept = standing.stream()
                .filter(c -> c.fromM() < lengthM)
                .map(c -> c.toM() <= lengthM ? c : new Cover(c.kind(), c.fromM(), lengthM, c.heightM()))
                .toList();
        return with(p -> p.profile(other).covers(kept).source(from));
    }

    /** The same between two other units. */
    public RadioPath joining(String first, String last) {
        return with(p -> p.from(first).to(last));
    }
}
