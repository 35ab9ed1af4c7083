package org.skelto.core.plan.radio;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Without;
import org.skelto.core.plan.format.Words;

/**
 * One radio of a unit.
 *
 * @param frequencyMHz centre of its frequency channel, 100 to 7200
 * @param txPowerDbm conducted power, -40 to 40 dBm
 * @param antennaGainDbi -20 to 30 dBi
 * @param feederLossDb between radio and antenna, 0 to 30 dB
 * @param sensitivityDbm the part's stated sensitivity, -150 to -20 dBm; null lets a chirp radio's follow from its settings
 * @param chirp settings, for {@link Medium#CHIRP} only
 * @param receives whether it can receive at all
 * @param metalBox whether it sits in a closed metal box
 * @param family the message family that it sends in, or null when any receiver of the medium decodes it
 * @param decodes the families that it decodes; none means all
 * @param air what it is set to besides, or null when nothing is said
 * @param modulation how it keys, or null when nobody said; for {@link Medium#SUB_GHZ} only
 * @param repeats whether it passes on what it hears of a mesh; null means where its unit is steadily powered
 * @param beam where its antenna is pointed, or null when it sends all round
 */
@RecordBuilder
public record Radio(
        @Without(
                value = {"ETHERNET", "POWER_LINE", "INFRARED", "RS485", "CONTACT"},
                says = "a radio cannot be Ethernet or another medium without waves of its own")
        Medium medium,

        @Within(least = 100, most = 7200, unit = "MHz") double frequencyMHz,
        @Within(least = -40, most = 40, unit = "dBm") double txPowerDbm,
        @Within(least = -20, most = 30, unit = "dBi") double antennaGainDbi,
        @Within(least = 0, most = 30, unit = "dB") double feederLossDb,

        @Nullable @Within(least = -150, most = -20, unit = "dBm")
        Double sensitivityDbm,

        @Nullable Chirp chirp,
        boolean receives,
        boolean metalBox,
        @Nullable @Words(most = Limits.NAME_LENGTH) String family,
        @Count(most = 50, of = "families") SortedSet<@Words(most = Limits.NAME_LENGTH) String> decodes,
        @Nullable AirSettings air,
        @Nullable Modulation modulation,
        @Nullable Boolean repeats,
        @Nullable Beam beam)
        implements RadioBuilder.With {
    /** How a simple radio keys its carrier. */
    public enum Modulation {
        /** On and off. */
        OOK,
        /** Between two frequencies. */
        FSK
    }

    public Radio {
        decodes = Copies.sorted(decodes);
    }

    /** Radiated power towards the best direction, dBm EIRP. */
    public double eirpDbm() {
        return txPowerDbm - feederLossDb + antennaGainDbi;
    }

    /** Whether what another radio sends is of a family that this one decodes. */
    public boolean decodes(Radio sender) {
        return sender.family() == null || decodes.isEmpty() || decodes.contains(sender.family());
    }

    /** What it is set to besides. */
    public AirSettings settings() {
        return air == null ? AirSettings.NONE : air;
    }

    /** This radio on another frequency channel and with other chirp settings. */
    public Radio set(double otherFrequencyMHz, Chirp otherChirp) {
        return with(r -> r.frequencyMHz(otherFrequencyMHz).chirp(otherChirp));
    }

    /** This radio with another power and antenna. */
    public Radio sending(double otherPowerDbm, double otherGainDbi) {
        return with(r -> r.txPowerDbm(otherPowerDbm).antennaGainDbi(otherGainDbi));
    }
}
