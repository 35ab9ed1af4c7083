package org.skelto.core.radio;

import java.util.Optional;
import org.skelto.core.plan.radio.Beam;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Point;

/**
 * What a directional antenna loses beside its beam, level around it: {@code min(12 (φ/φ3dB)², front-to-back)} dB, the
 * parabola of ITU-R F.1336. An antenna without a beam sends all round and loses nothing.
 */
public final class AntennaPattern {
    /** Front-to-back ratio where the plan states none, dB; typical of small directional antennas. */
    public static final double USUAL_BACK_DB = 20;

    private static final double MOST_WIDTH_DEG = 180;

    private final double facingDeg;
    private final double widthDeg;
    private final double backDb;

    private AntennaPattern(Beam beam, double gainDbi) {
        this.facingDeg = beam.facingDeg();
        this.widthDeg = beam.widthDeg() == null ? widthDeg(gainDbi) : beam.widthDeg();
        this.backDb = beam.backDb() == null ? USUAL_BACK_DB : beam.backDb();
    }

    /** The pattern of a radio's antenna; empty when it sends all round. */
    public static Optional<AntennaPattern> of(Radio radio) {
        return Optional.ofNullable(radio.beam()).map(b -> new AntennaPattern(b, radio.antennaGainDbi()));
    }

    /** Half-power width of a beam that is as high as wide: {@code √(30 000 / 10^(G/10))} degrees, at most 180. */
    public static double widthDeg(double gainDbi) {
        return Math.min(MOST_WIDTH_DEG, Math.sqrt(30_000 / Math.pow(10, gainDbi / 10)));
    }

    /** Compass bearing from one point to another, 0 to 360 degrees from north over east. */
    public static double bearingDeg(Point from, Point to) {
        double turn = Math.toDegrees(Math.atan2(to.xM() - from.xM(), to.yM() - from.yM()));
        return turn < 0 ? turn + 360 : turn;
    }

    /** Angle between the beam and a bearing, 0 to 180 degrees. */
    public double offDeg(double bearingDeg) {
        return Math.abs(Math.IEEEremainder(bearingDeg - facingDeg, 360));
    }

    /** What is lost towards a bearing, dB. */
    public double lossDb(double bearingDeg) {
        double widths = offDeg(bearingDeg) / widthDeg;
        return Math.min(12 * widths * widths, backDb);
    }

    /** The loss of a radio towards a point, dB; 0 of one that sends all round. */
    public static double lossDb(Radio radio, Point from, Point to) {
        return of(radio).map(p -> p.lossDb(bearingDeg(from, to))).orElse(0.0);
    }

    /** The same as a part of the loss on the way, where there is any. */
    public static Optional<LossModel.Part> part(Radio radio, String name, Point from, Point to) {
        return of(radio).map(p -> p.part(name, bearingDeg(from, to)));
    }

    /** What is lost towards a bearing as part of the loss on the way; {@code name} is the antenna's unit. */
    public LossModel.Part part(String name, double bearingDeg) {
        return new LossModel.Part(
                "beside the beam of " + name,
                lossDb(bearingDeg),
                Figure.of(
                        "min(12 (φ/φ3dB)², front-to-back)",
                        "parabolic pattern, ITU-R F.1336; level around the antenna, its tilt is not in it",
                        false,
                        "the beam points to",
                        Text.number(facingDeg, 0) + "°",
                        "the other end is at",
                        Text.number(bearingDeg, 0) + "°",
                        "φ between them",
                        Text.number(offDeg(bearingDeg), 0) + "°",
                        "half-power width φ3dB",
                        Text.number(widthDeg, 0) + "°",
                        "front-to-back",
                        Text.db(backDb)));
    }
}
