package org.skelto.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.plan.radio.AirSettings;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.radio.Region;

/** The region table against its documents, read again: limits as EIRP at an antenna of 0 dBi, and times on air. */
class AirLawTest {
    private static Radio radio(Medium medium, double mhz, double khz, int channels) {
        return RadioBuilder.builder()
                .medium(medium)
                .frequencyMHz(mhz)
                .txPowerDbm(0)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(medium == Medium.CHIRP ? null : -100.0)
                .chirp(medium == Medium.CHIRP ? new Chirp(9, khz, 5) : null)
                .receives(true)
                .metalBox(false)
                .air(new AirSettings(null, null, null, null, channels, null))
                .build();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                // region, medium, MHz, kHz, channels, interval s; EIRP dBm, share of time in percent
                "EU, CHIRP, 433.175, 125, 1, 600, 12.15, 10",
                "EU, CHIRP, 864.0, 125, 1, 600, 16.15, 0.1",
                "UK, CHIRP, 868.1, 125, 1, 600, 16.15, 1",
                "EU, SUB_GHZ, 868.95, 0, 1, -, 16.15, 0.1",
                "EU, CHIRP, 869.525, 250, 1, 600, 29.15, 10",
                "EU, MESH_G9959, 869.85, 0, 1, -, 16.15, 1",
                "EU, WIFI_2G4, 2437, 0, 1, -, 20, 100",
                "EU, MESH_802154, 2425, 0, 1, -, 13, 100",
                "US, CHIRP, 915, 500, 1, 600, 30, 100",
                "US, CHIRP, 915, 125, 50, 600, 30, 100",
                "US, CHIRP, 915, 125, 49, 600, -1.2, 100",
                "US, SUB_GHZ, 433.92, 0, 1, -, -14.4, 100",
                "US, SUB_GHZ, 433.92, 0, 1, 600, -22.4, 100",
                "AU, CHIRP, 915.2, 125, 1, 600, 30, -",
                "AU, SUB_GHZ, 433.92, 0, 1, -, 14, -",
                "IN, CHIRP, 866, 125, 1, 600, 30, -",
                "JP, CHIRP, 921, 125, 1, 600, 13, -",
            })
    void everyRowSaysWhatItsDocumentSays(
            Region region,
            Medium medium,
            double mhz,
            double khz,
            int channels,
            Double interval,
            double eirpDbm,
            Double dutyPercent) {
        Radio radio = radio(medium, mhz, khz, channels);
        RegionLimits.BandLimit row =
                RegionLimits.rowFor(region, radio, interval != null).orElseThrow();
        assertEquals(eirpDbm, -row.excessDb(radio), 1e-9);
        assertEquals(dutyPercent, row.dutyPercent());
        AirLaw law = AirLaw.of(region, radio, new Traffic(12, false, 200, interval, 3));
        assertEquals(dutyPercent == null, !law.unknown().isEmpty(), "what is not in the table cannot be judged");
    }

    @ParameterizedTest
    @CsvSource({
        "EU, 868.65, 125, 868.650 MHz is in no band",
        "EU, 869.3, 125, 869.300 MHz is in no band",
        "EU, 915, 125, 915 MHz is in no band",
        "JP, 868.1, 125, 868.100 MHz is in no band",
        "EU, 869.525, 500, reach beyond 869.4 to 869.65 MHz",
        "EU, 868.55, 125, reach beyond 865 to 868.6 MHz",
        "EU, 433.1, 125, reach beyond 433.05 to 434.79 MHz",
        "IN, 866, 250, are more than the 200 kHz of 865 to 868 MHz",
    })
    void whatNoRowCoversIsBroken(Region region, double mhz, double khz, String why) {
        Radio radio = radio(Medium.CHIRP, mhz, khz, 1);
        AirLaw law = AirLaw.of(region, radio, new Traffic(12, false, 200, 600.0, 1));
        assertFalse(law.lawful());
        assertNull(law.row());
        assertTrue(law.broken().get(0).contains(why), law.broken().toString());
    }

    @Test
    void timesOnAirAreLimitedAsTheRowSays() {
        Radio slow = radio(Medium.CHIRP, 868.1, 125, 1);
        // 1 % of a message of three frames of 400 ms
        AirLaw eu = AirLaw.of(Region.EU, slow, new Traffic(12, false, 400, 100.0, 3));
        assertEquals(120, eu.leastIntervalS(), 1e-9);
        assertEquals(1.2, eu.dutyPercent(), 1e-9);
        assertEquals(List.of("on air 1.20 %, at most 1.0 % in 865 to 868.6 MHz"), eu.broken());
        assertTrue(AirLaw.of(Region.EU, slow, new Traffic(12, false, 400, 120.0, 3))
                .lawful());
        // an event every now and then has no share of time, but a least pause
        AirLaw event = AirLaw.of(Region.EU, slow, new Traffic(12, false, 400, null, 3));
        assertTrue(event.lawful());
        assertEquals(120, event.leastIntervalS(), 1e-9);
        // 400 ms at a stretch while hopping, whatever the interval
        AirLaw hopping = AirLaw.of(Region.US, radio(Medium.CHIRP, 915, 125, 64), new Traffic(12, false, 401, 9e9, 1));
        assertTrue(
                hopping.broken().get(0).contains("at a stretch"),
                hopping.broken().toString());
        // 47 CFR 15.231: one second, then silent thirty times as long and ten seconds at least
        Radio keyed = radio(Medium.SUB_GHZ, 433.92, 0, 1).sending(-30, 0);
        assertEquals(
                10.1,
                AirLaw.of(Region.US, keyed, new Traffic(12, false, 100, 60.0, 1))
                        .leastIntervalS(),
                1e-9);
        AirLaw long3 = AirLaw.of(Region.US, keyed, new Traffic(12, false, 300, 20.0, 3));
        assertEquals(27.9, long3.leastIntervalS(), 1e-9);
        assertTrue(
                long3.broken().get(0).startsWith("silent 19.1 s, at least 27.0 s"),
                long3.broken().toString());
        assertFalse(AirLaw.of(Region.US, keyed, new Traffic(12, false, 1001, 60.0, 1))
                .lawful());
    }
}
