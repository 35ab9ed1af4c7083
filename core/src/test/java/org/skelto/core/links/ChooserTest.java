package org.skelto.core.links;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.Plans;
import org.skelto.core.links.LinkChooser.Option;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

class ChooserTest {
    private static List<Option> options(Plan plan, String unit) {
        return new LinkChooser(SiteModel.of(plan), new SlabTables()).options(unit);
    }

    private static Option of(List<Option> options, Medium medium, Direction direction) {
        return options.stream()
                .filter(o -> o.medium() == medium && o.direction() == direction)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void takesWiFiForAComfortLampWithMainsAndCableForALock() {
        assertEquals(Medium.WIFI_2G4, options(Plans.sound(), "board").get(0).medium());
        Device lock = Plans.barrier(DeviceKind.LOCK, Hand.MECHANICAL, RestState.CLOSED, false, true, false);
        Option first = options(Plans.put(Plans.sound(), "lock", lock), "board").get(0);
        assertEquals(Medium.ETHERNET, first.medium());
        assertTrue(first.best() && first.why().contains("protective"), first.why());
    }

    @Test
    void aBatteryUnitGetsTheMeshAndNeverWiFiOrCable() {
        List<Option> options = options(Plans.sound(), "probe");
        assertEquals(Medium.MESH_802154, options.get(0).medium());
        assertTrue(of(options, Medium.WIFI_2G4, Direction.TWO_WAY).ruledOut().contains("battery"));
        assertTrue(of(options, Medium.ETHERNET, Direction.TWO_WAY).ruledOut().contains("battery"));
    }

    @Test
    void whatActsNeverGetsAOneWayLink() {
        Plan plan = Plans.put(Plans.sound(), "ears", Plans.unit("ears", UnitKind.GATEWAY, 2, Medium.SUB_GHZ));
        assertTrue(of(options(plan, "board"), Medium.SUB_GHZ, Direction.ONE_WAY)
                .ruledOut()
                .contains("one-way"));
    }

    @Test
    void farAwayTheLongRangeLinkComesFirst() {
        Plan plan = Plans.put(Plans.sound(), "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP));
        plan = Plans.put(
                plan,
                "outpost",
                Plans.with(
                        Plans.battery(Plans.unit("outpost", UnitKind.CONTROLLER, 6)),
                        new Place(null, "shed", 900, 0, 2)));
        plan = Plans.put(
                plan,
                "level",
                DeviceBuilder.builder()
                        .name("level")
                        .kind(DeviceKind.LEVEL)
                        .unit("outpost")
                        .channel(1)
                        .ways(new java.util.TreeSet<>(List.of(Way.RULE)))
                        .exitRoute(false)
                        .outsideDoor(false)
                        .obstacleDetection(false)
                        .build());

        List<Option> options = options(plan, "outpost");

        assertEquals(Medium.CHIRP, options.get(0).medium());
        Option wifi = of(options, Medium.WIFI_2G4, Direction.TWO_WAY);
        assertTrue(wifi.ruledOut() != null && !wifi.best());
    }

    @Test
    void aNewChirpRadioIsSetLikeTheGatewayThatShallHearIt() {
        Radio slow = RadioBuilder.builder()
                .medium(Medium.CHIRP)
                .frequencyMHz(869.525)
                .txPowerDbm(14)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .chirp(new Chirp(11, 250, 5))
                .receives(true)
                .metalBox(false)
                .build();
        Plan plan = Plans.put(Plans.sound(), "far", Plans.with(Plans.unit("far", UnitKind.GATEWAY, 2), slow));
        Option chirp = of(options(plan, "probe"), Medium.CHIRP, Direction.TWO_WAY);
        Radio offered = (Radio) chirp.edits().stream()
                .filter(e -> e.path().equals("/units/probe/radios/chirp"))
                .findFirst()
                .orElseThrow()
                .value();
        assertEquals(slow.chirp(), offered.chirp());
        assertEquals(869.525, offered.frequencyMHz());
        assertTrue(chirp.marginDb() > 0);
    }

    @Test
    void aRadioOverTheLimitIsRuledOutWithTheLimit() {
        Radio loud = RadioBuilder.builder()
                .medium(Medium.MESH_802154)
                .frequencyMHz(2450)
                .txPowerDbm(20)
                .antennaGainDbi(5)
                .feederLossDb(0)
                .sensitivityDbm(-97.0)
                .receives(true)
                .metalBox(false)
                .build();
        Plan plan = Plans.put(
                Plans.sound(), "probe", Plans.with(Plans.sound().units().get("probe"), loud));
        // 20 dBm into 5 dBi is 25 dBm EIRP; EN 300 328 leaves 13
        String why = of(options(plan, "probe"), Medium.MESH_802154, Direction.TWO_WAY)
                .ruledOut();
        assertTrue(why.startsWith("it would send 12.0 dB over the limit of 13 dBm EIRP"), why);
    }

    @Test
    void theMeshIsReachedOverAMainsPoweredNeighbourWhenTheGatewayIsTooFar() {
        Plan plan = Plans.put(
                Plans.sound(),
                "probe",
                Plans.with(Plans.sound().units().get("probe"), new Place(null, "shed", 1440, 0, 1)));
        String alone = of(options(plan, "probe"), Medium.MESH_802154, Direction.TWO_WAY)
                .ruledOut();
        assertTrue(alone != null && alone.contains("confidence"), alone);
        Unit post = Plans.with(
                Plans.unit("post", UnitKind.CONTROLLER, 6, Medium.MESH_802154), new Place(null, "shed", 840, 0, 1));
        Plan helped =
                Plans.link(Plans.put(plan, "post", post), "post", Plans.link("post", "gateway", Medium.MESH_802154));
        assertEquals(
                "post",
                of(options(helped, "probe"), Medium.MESH_802154, Direction.TWO_WAY)
                        .to());
        Plan tired = Plans.put(helped, "post", Plans.battery(post));
        assertEquals(
                "gateway",
                of(options(tired, "probe"), Medium.MESH_802154, Direction.TWO_WAY)
                        .to());
    }

    @Test
    void allUnitsGetALinkAtOnceAndNothingRunsInACircle() {
        Plan bare = Plans.links(
                Plans.put(Plans.sound(), "switch-2", Plans.unit("second switch", UnitKind.SWITCH, 7)), m -> {
                    m.clear();
                    return m;
                });

        List<Edit> edits = new LinkChooser(SiteModel.of(bare), new SlabTables()).chooseForAll();

        Map<String, Link> links = edits.stream()
                .map(Edit::value)
                .filter(Link.class::isInstance)
                .map(Link.class::cast)
                .collect(Collectors.toMap(Link::from, l -> l));
        assertEquals(Set.of("switch", "switch-2", "hub", "ap", "gateway", "board", "probe"), links.keySet());
        assertEquals(Medium.ETHERNET, links.get("hub").medium(), "the network's own boxes are cabled");
        for (String start : links.keySet()) {
            String at = start;
            for (int hops = 0; links.containsKey(at); hops++) {
                assertTrue(hops < links.size(), start + " runs in a circle");
                at = links.get(at).to();
            }
            assertEquals("router", at, start + " ends at the router");
        }
    }

    @Test
    void theWorseDirectionDecidesAndOneWayLinksHaveOnlyTheirOne() {
        Plan plan = Plans.sound();
        LinkReport both =
                new LinkAssessor(SiteModel.of(plan), new SlabTables()).all().get("board-ap");
        double worse = both.runs().stream()
                .mapToDouble(r -> r.budget().marginDb())
                .min()
                .orElseThrow();
        assertEquals(2, both.runs().size());
        assertEquals(worse, both.marginDb());
        // by hand: 3.5 m at 2437 MHz 51.06 dB, one brick wall; 17 + 2 dBi out, −75 dBm needed
        List<String> labels = both.runs().get(1).budget().steps().stream()
                .map(org.skelto.core.radio.Budget.Step::label)
                .toList();
        double wall = both.runs()
                .get(1)
                .budget()
                .steps()
                .get(labels.indexOf("free space") + 1)
                .changeDb();
        assertEquals(17 + 2 - 51.06 + wall + 0 + 75, both.runs().get(1).budget().marginDb(), 0.02);

        Plan one = Plans.link(
                plan,
                "board-ap",
                org.skelto.core.plan.network.Link.of("board", "ap", Medium.WIFI_2G4, Direction.ONE_WAY, null, null));
        assertEquals(
                1,
                new LinkAssessor(SiteModel.of(one), new SlabTables())
                        .all()
                        .get("board-ap")
                        .runs()
                        .size());
    }
}
