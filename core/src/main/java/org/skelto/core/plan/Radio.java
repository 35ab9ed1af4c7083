package org.skelto.core.plan;

import java.util.SortedSet;

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
 */
public record Radio(
        Medium medium,
        double frequencyMHz,
        double txPowerDbm,
        double antennaGainDbi,
        double feederLossDb,
        Double sensitivityDbm,
        Chirp chirp,
        boolean receives,
        boolean metalBox,
        String family,
        SortedSet<String> decodes,
        AirSettings air) {
    public Radio {
        decodes = Copies.sorted(decodes);
    }

    /** A radio of which nothing more is said. */
    public Radio(
            Medium medium,
            double frequencyMHz,
            double txPowerDbm,
            double antennaGainDbi,
            double feederLossDb,
            Double sensitivityDbm,
            Chirp chirp,
            boolean receives,
            boolean metalBox,
            String family,
            SortedSet<String> decodes) {
        this(
                medium,
                frequencyMHz,
                txPowerDbm,
                antennaGainDbi,
                feederLossDb,
                sensitivityDbm,
                chirp,
                receives,
                metalBox,
                family,
                decodes,
                null);
    }

    /** A radio that is not bound to any message family. */
    public Radio(
            Medium medium,
            double frequencyMHz,
            double txPowerDbm,
            double antennaGainDbi,
            double feederLossDb,
            Double sensitivityDbm,
            Chirp chirp,
            boolean receives,
            boolean metalBox) {
        this(
                medium,
                frequencyMHz,
                txPowerDbm,
                antennaGainDbi,
                feederLossDb,
                sensitivityDbm,
                chirp,
                receives,
                metalBox,
                null,
                null);
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
        return with(otherFrequencyMHz, txPowerDbm, antennaGainDbi, otherChirp, air);
    }

    /** This radio with another power and antenna. */
    public Radio sending(double otherPowerDbm, double otherGainDbi) {
        return with(frequencyMHz, otherPowerDbm, otherGainDbi, chirp, air);
    }

    /** This radio set otherwise. */
    public Radio air(AirSettings other) {
        return with(frequencyMHz, txPowerDbm, antennaGainDbi, chirp, other);
    }

    private Radio with(
            double otherFrequencyMHz,
            double otherPowerDbm,
            double otherGainDbi,
            Chirp otherChirp,
            AirSettings otherAir) {
        return new Radio(
                medium,
                otherFrequencyMHz,
                otherPowerDbm,
                otherGainDbi,
                feederLossDb,
                sensitivityDbm,
                otherChirp,
                receives,
                metalBox,
                family,
                decodes,
                otherAir);
    }
}
