package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.naming.Credentials.Kind;
import org.skelto.core.naming.Credentials.Reached;
import org.skelto.core.naming.Credentials.Secret;
import org.skelto.core.naming.Credentials.Visits;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Wireless;
import org.skelto.core.plan.site.Housing;
import org.skelto.core.plan.site.Place;
import org.skelto.core.sample.ThornfellLodge;

class CredentialsTest {
    private static Secret secret(Plan plan, String key) {
        return Credentials.of(plan).stream()
                .filter(s -> s.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new AssertionError(key));
    }

    @Test
    void theSoundHouseHasOneOfEach() {
        assertEquals(
                List.of(
                        "wireless",
                        "admin.ap",
                        "admin.gateway",
                        "admin.hub",
                        "admin.router",
                        "admin.switch",
                        "broker",
                        "key.mesh-802154",
                        "pairing.mesh-802154",
                        "service.push"),
                Credentials.of(Plans.sound()).stream().map(Secret::key).toList());
        assertEquals(List.of("ap", "board"), secret(Plans.sound(), "wireless").units());
        assertEquals(
                "passphrase of the wireless network",
                secret(Plans.sound(), "wireless").name());
    }

    /** By hand: the gateway from a chair 3 min, the sensor at its place 10 min, on a ladder 10 min more, in a box 20. */
    @Test
    void whatAChangeCostsHangsOnHowUnitsAreReached() {
        Secret key = secret(Plans.sound(), "key.mesh-802154");
        assertEquals(List.of(new Visits(Reached.OVER_NETWORK, 1, 0), new Visits(Reached.BY_HAND, 1, 0)), key.visits());
        assertEquals(13 / 60.0, key.hours(), 1e-12);
        Map<String, Unit> units = new TreeMap<>(Plans.sound().units());
        units.computeIfPresent("probe", (id, u) -> u.withPlace(high(u)));
        Plan high = Plans.sound().withUnits(units);
        assertEquals(23 / 60.0, secret(high, "key.mesh-802154").hours(), 1e-12);
        units.computeIfPresent("probe", (id, u) -> u.withHousing("box"));
        Plan boxed = high.with(p -> p.units(units).housings(Map.of("box", new Housing("box", null, true, null))));
        assertEquals(33 / 60.0, secret(boxed, "key.mesh-802154").hours(), 1e-12);
        assertEquals(
                Map.of(
                        "over the network", "1 × 3 min",
                        "by opening its box", "1 × 20 min",
                        "of these on a ladder", "1 × 10 min",
                        "together", "33 min"),
                secret(boxed, "key.mesh-802154").figure().inputs());
    }

    private static Place high(Unit unit) {
        Place p = unit.place();
        return new Place(p.room(), p.spot(), p.xM(), p.yM(), 2.4);
    }

    @Test
    void wirelessNetworksOfOneNameHaveOnePassphrase() {
        Plan two = Plans.put(Plans.sound(), "ap2", Plans.unit("ap2", UnitKind.ACCESS_POINT, 3, Medium.WIFI_2G4));
        assertEquals(List.of("ap", "ap2", "board"), secret(two, "wireless").units());
        Map<String, Unit> units = new TreeMap<>(two.units());
        units.computeIfPresent("ap2", (id, u) -> u.withWireless(new Wireless("guests", null, null)));
        assertEquals(
                List.of("ap2"), secret(two.withUnits(units), "wireless.guests").units());
    }

    @Test
    void anOpenBrokerHasNoSecret() {
        Plan open = Plans.sound().withNetwork(Plans.sound().network().withAccess(BrokerAccess.OPEN));
        assertTrue(Credentials.of(open).stream().noneMatch(s -> s.kind() == Kind.BROKER));
    }

    @Test
    void keysAreUniqueAndWhatDemosSayIsOfSecretsThatTheyHave() {
        Stream.of(Demos.flat(), Demos.mill(), ThornfellLodge.plan()).forEach(plan -> {
            List<String> keys = Credentials.of(plan).stream().map(Secret::key).toList();
            Set<String> once = new HashSet<>(keys);
            assertEquals(once.size(), keys.size());
            assertEquals(
                    Set.of(),
                    plan.credentials().keySet().stream()
                            .filter(k -> !once.contains(k))
                            .collect(Collectors.toSet()));
        });
    }
}
