package org.skelto.core.channels;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Houses;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

class ChannelsTest {
    private static Plan house(double... xs) {
        Map<String, Unit> units = new TreeMap<>();
        for (int i = 0; i < xs.length; i++) {
            units.put(
                    "ap" + i,
                    Plans.unit("ap" + i, UnitKind.ACCESS_POINT, 1, Medium.WIFI_2G4)
                            .withPlace(new Place("r" + (int) (xs[i] / 4), null, xs[i], 2, 2)));
        }
        return Houses.row(6).with(p -> p.units(units).devices(Map.of()));
    }

    @Test
    void threeAccessPointsGetThreeChannelsAndDisturbEachOtherNoMore() {
        ChannelPlan plan = Channels.of(SiteModel.of(house(1, 6, 11)), new SlabTables());

        assertEquals(
                Set.of("1", "6", "11"),
                plan.rows().stream().map(ChannelPlan.Row::then).collect(Collectors.toSet()));
        assertTrue(plan.nowDbm() > -60, "all began on channel 6");
        assertTrue(plan.thenDbm() < -140);
        assertEquals(2, plan.edits().size());
        assertTrue(plan.proven());
    }

    /** Four on three channels: the pair that shares one must be the one that hears each other least, tried plainly. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void isAsGoodAsTryingEverything(long seed) {
        Random random = new Random(seed);
        double[] xs = new double[5];
        for (int i = 0; i < xs.length; i++) {
            xs[i] = 0.5 + random.nextInt(230) / 10.0;
        }
        Plan plan = house(xs);
        ChannelPlan found = Channels.of(SiteModel.of(plan), new SlabTables());

        double best = Double.POSITIVE_INFINITY;
        double[] choices = {2412, 2437, 2462};
        for (int code = 0; code < 243; code++) {
            Map<String, Unit> units = new TreeMap<>(plan.units());
            int left = code;
            for (int i = 0; i < xs.length; i++, left /= 3) {
                Unit unit = units.get("ap" + i);
                units.put(
                        "ap" + i,
                        Plans.with(
                                unit, unit.radio(Medium.WIFI_2G4).orElseThrow().set(choices[left % 3], null)));
            }
            best = Math.min(
                    best,
                    Channels.of(SiteModel.of(plan.with(p -> p.units(units).devices(Map.of()))), new SlabTables())
                            .nowDbm());
        }
        assertEquals(best, found.thenDbm(), 0.2);
    }

    @Test
    void channelsThatTouchHaveNothingInCommon() {
        assertEquals(1, Channels.overlap(2437, 20, 2437, 20));
        assertEquals(0, Channels.overlap(2412, 20, 2437, 20));
        assertEquals(0.75, Channels.overlap(2412, 20, 2417, 20));
        // a mesh channel lies wholly within a Wi-Fi channel
        assertEquals(1, Channels.overlap(2437, 20, 2440, 2));
    }
}
