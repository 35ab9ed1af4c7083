package org.skelto.core.power;

import java.util.Optional;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.Device;

/** What a device takes: typed, or of its part. */
public final class Loads {
    /** From here on a voltage is mains, V. */
    public static final double MAINS_FROM_V = 60;

    private Loads() {}

    /** Volts of a device; 230 when nothing is known. */
    public static double volts(Device d, Catalogue catalogue) {
        ActuationSpec works = d.known();
        return works.volts() != null
                ? works.volts()
                : catalogue
                        .find(works.part())
                        .flatMap(p -> p.figure(Quantity.SUPPLY_V))
                        .orElse(230.0);
    }

    /** Watts of a device while on; 0 when nothing is known. */
    public static double watts(Device d, Catalogue catalogue) {
        ActuationSpec works = d.known();
        return works.watts() != null
                ? works.watts()
                : catalogue
                        .find(works.part())
                        .map(p -> p.figure(Quantity.PEAK_A, 0) * p.figure(Quantity.SUPPLY_V, 0))
                        .orElse(0.0);
    }

    /** Its running current, amperes. */
    public static double amps(Device d, Catalogue catalogue) {
        return watts(d, catalogue) / volts(d, catalogue);
    }

    /** What it takes for a moment when it is switched on: typed, or typical of its kind of load; none when neither is known. */
    public static Optional<Double> inrushA(Device d, Catalogue catalogue) {
        ActuationSpec works = d.known();
        if (works.inrushA() != null) {
            return Optional.of(works.inrushA());
        }
        double amps = amps(d, catalogue);
        return works.load() == null || amps == 0
                ? Optional.empty()
                : Optional.of(amps * works.load().inrush());
    }
}
