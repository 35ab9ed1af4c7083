package org.skelto.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.plan.power.Solar;

/** Sun by latitude and month against worked examples of the source, and the battery behind a panel. */
class SunModelTest {
    /** The first is example 8 of FAO Irrigation and Drainage Paper 56; MJ per m² and day. */
    @ParameterizedTest
    @CsvSource({"-20, 246, 32.2", "0, 15, 36.2", "50, 162, 41.7", "70, 344, 0"})
    void aboveTheAirItIsWhatTheSourceSays(double latitude, int day, double mj) {
        assertEquals(mj, SunModel.aboveAirKwh(latitude, day) * 3.6, 0.45);
    }

    private static Solar panel(double tilt, double summer, double winter) {
        return new Solar(2, tilt, 1, summer, winter);
    }

    @Test
    void aTiltedPanelGainsInWinterAndALevelOneIsLevel() {
        assertTrue(SunModel.onPanelKwh(52, panel(65, 0.4, 0.4), 12)
                > 1.5 * SunModel.onPanelKwh(52, panel(0, 0.4, 0.4), 12));
        double level = SunModel.onPanelKwh(52, panel(0, 0.4, 0.4), 6);
        assertEquals((0.25 + 0.5 * 0.4) * SunModel.aboveAirKwh(52, 162), level, 1e-9);
        // the southern winter is in June, when the sun is 3 % farther
        assertEquals(
                SunModel.onPanelKwh(52, panel(60, 0.4, 0.2), 12),
                SunModel.onPanelKwh(-52, panel(60, 0.4, 0.2), 6),
                0.12);
    }

    @Test
    void aSmallBatteryDiesInTheDarkMonthsAndALargeOneLasts() {
        Solar small = new Solar(1, 30, 0.5, 0.4, 0.1);
        double winter = SunModel.onPanelKwh(56, small, 12) * SunModel.SYSTEM_SHARE;
        double used = winter * 1.3;
        List<SunModel.MonthOfSun> dies = SunModel.year(56, small, used, 2);
        assertEquals("December", SunModel.diesIn(dies));
        assertEquals("July", dies.get(0).month());
        List<Double> days = dies.stream().flatMap(m -> m.dayShares().stream()).toList();
        assertEquals(365, days.size());
        int flat = days.indexOf(0.0);
        assertTrue(flat > 0 && days.subList(flat, 365).stream().allMatch(share -> share == 0), "flat stays flat");
        // each day of a month takes as much as the one before it
        double lost = days.get(flat - 2) - days.get(flat - 1);
        assertEquals((used - SunModel.onPanelKwh(56, small, 12) * SunModel.SYSTEM_SHARE) / 2, lost, 1e-9);
        assertNull(SunModel.diesIn(SunModel.year(56, small, used, 60)));
    }
}
