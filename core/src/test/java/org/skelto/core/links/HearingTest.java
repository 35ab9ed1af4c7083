package org.skelto.core.links;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

class HearingTest {
    private static Radio chirp(double mhz, int sf, double khz, int rate) {
        return RadioBuilder.builder()
                .medium(Medium.CHIRP)
                .frequencyMHz(mhz)
                .txPowerDbm(14)
                .antennaGainDbi(2)
                .feederLossDb(0)
                .chirp(new Chirp(sf, khz, rate))
                .receives(true)
                .metalBox(false)
                .build();
    }

    private static Radio plain(Medium medium, double mhz) {
        return RadioBuilder.builder()
                .medium(medium)
                .frequencyMHz(mhz)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-105.0)
                .receives(true)
                .metalBox(false)
                .build();
    }

    @ParameterizedTest
    @CsvSource({
        "868.3, 9, 125, 5, 0",
        "868.32, 9, 125, 5, 0",
        "868.5, 9, 125, 5, 1",
        "868.3, 10, 125, 5, 1",
        "868.3, 9, 250, 5, 1",
        // the rate of the code is told in each frame
        "868.3, 9, 125, 8, 0",
        "868.39, 9, 125, 5, 0",
        "869.525, 12, 125, 5, 2",
    })
    void chirpEndsMustAgreeInEverySetting(double mhz, int sf, double khz, int rate, int differences) {
        assertEquals(
                differences,
                Hearing.differences(Medium.CHIRP, chirp(868.3, 9, 125, 5), chirp(mhz, sf, khz, rate))
                        .size());
    }

    @Test
    void sensorsBelowOneGigahertzMustShareTheirChannelWhileWiFiAndMeshFindTheirs() {
        assertTrue(Hearing.differences(Medium.SUB_GHZ, plain(Medium.SUB_GHZ, 868.3), plain(Medium.SUB_GHZ, 868.7))
                .isEmpty());
        assertEquals(
                "433.920 MHz against 868.300 MHz",
                Hearing.differences(Medium.SUB_GHZ, plain(Medium.SUB_GHZ, 433.92), plain(Medium.SUB_GHZ, 868.3))
                        .get(0));
        assertTrue(Hearing.differences(Medium.WIFI_2G4, plain(Medium.WIFI_2G4, 2412), plain(Medium.WIFI_2G4, 2462))
                .isEmpty());
    }

    @Test
    void aDeafEndIsNamedAndItsLinkCarriesNothing() {
        Plan plan = Plans.put(Plans.sound(), "ears", Plans.unit("ears", UnitKind.GATEWAY, 2, Medium.SUB_GHZ));
        Radio mute = RadioBuilder.builder()
                .medium(Medium.SUB_GHZ)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-105.0)
                .receives(false)
                .metalBox(false)
                .build();
        plan = Plans.put(plan, "ears", Plans.with(plan.units().get("ears"), mute));
        plan = Plans.put(plan, "probe", Plans.with(plan.units().get("probe"), plain(Medium.SUB_GHZ, 868.3)));
        LinkReport report = new LinkAssessor(SiteModel.of(plan), new SlabTables())
                .report("x", Link.of("probe", "ears", Medium.SUB_GHZ, null, null, null));
        assertEquals("ears has no sub-GHz OOK/FSK receiver", report.trouble());
        assertNull(report.marginDb());
        assertTrue(!report.carries("probe") && !report.carries("ears"));
    }

    @Test
    void anEndThatOnlySendsIsHeardButNeverAnswered() {
        Plan plan = Plans.put(Plans.sound(), "ears", Plans.unit("ears", UnitKind.GATEWAY, 2, Medium.SUB_GHZ));
        Radio mouth = RadioBuilder.builder()
                .medium(Medium.SUB_GHZ)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-105.0)
                .receives(false)
                .metalBox(false)
                .build();
        plan = Plans.put(plan, "probe", Plans.with(plan.units().get("probe"), mouth));
        LinkReport report = new LinkAssessor(SiteModel.of(plan), new SlabTables())
                .report("x", Link.of("probe", "ears", Medium.SUB_GHZ, null, null, null));
        assertTrue(report.carries("probe") && !report.carries("ears"));
        assertTrue(report.chance() > report.target() && !report.meets(), "two-way was asked for");
    }
}
