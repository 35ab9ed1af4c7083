package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.naming.SpokenNames.Clash;
import org.skelto.core.naming.SpokenNames.Why;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.radio.Region;

class SpokenNamesTest {
    private static Plan plan(String language, String... names) {
        Map<String, Device> devices = new TreeMap<>();
        for (int i = 0; i < names.length; i++) {
            devices.put("d" + i, device(names[i], DeviceKind.LAMP));
        }
        return Plan.fresh("Spoken", Region.EU, 230.0, null).withDevices(devices).withLanguage(language);
    }

    private static Device device(String name, DeviceKind kind) {
        return DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .ways(new java.util.TreeSet<>(Set.of(Way.SPOKEN)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
    }

    /** Pairs by ear, in each of the languages; that they clash, or not, was said before it was computed. */
    @ParameterizedTest
    @CsvSource({
        "en, east lamp, west lamp, SOUND",
        "en, hall lamp, wall lamp, SOUND",
        "en, Hall Lamp, hall lamp, SAME",
        "en, lamp, hall lamp, INSIDE",
        "en, hall lamp, table lamp,",
        "en, lamp 1, lamp 2,",
        "en, Room 113 dimmed lamp 3, Room 110 dimmed lamp 3,",
        "en, bed room lamp, bedroom lamp, SOUND",
        "en, table lamp, cable lamp, SOUND",
        "en, kitchen blind, bath fan,",
        "en, 🫖, 🔥,",
        "en, דלת ראשית, מנורה,",
        "de, Meier Lampe, Maier Lampe, SOUND",
        "de, Küchenlicht, Kuchenlicht, SOUND",
        "de, Flurlampe, Badlüfter,",
        "fr, lampe du salon, lampe du sallon, SOUND",
        "fr, volet nord, ventilateur,",
    })
    void namesAreTakenForOneAnotherByTheEarOfTheirLanguage(String language, String one, String other, Why why) {
        List<Clash> clashes = SpokenNames.of(plan(language, one, other)).clashes();
        assertEquals(why, clashes.isEmpty() ? null : clashes.get(0).why(), clashes.toString());
    }

    @Test
    void wordsOfCommandAndOfManyThingsAreNoNames() {
        List<Clash> clashes =
                SpokenNames.of(plan("en", "lights", "help", "hall lamp")).clashes();
        assertEquals(
                Set.of(Why.GROUP, Why.COMMAND),
                Set.of(clashes.get(0).why(), clashes.get(1).why()));
        assertEquals(2, clashes.size());
        assertTrue(SpokenNames.of(plan("de", "lights", "help")).clashes().isEmpty(), "they are words of English");
    }

    @Test
    void nothingIsSaidInALanguageThatIsNotKnown() {
        SpokenNames names = SpokenNames.of(plan("eo", "lampo", "lampo"));
        assertNull(names.language());
        assertTrue(names.clashes().isEmpty());
        assertEquals(2, names.names().size());
    }

    @Test
    void whatMovesOpensOrGuardsAsksBackFirst() {
        Plan plan = plan("en", "hall lamp");
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.put("lock", device("front lock", DeviceKind.LOCK));
        SpokenNames names = SpokenNames.of(plan.withDevices(devices));
        assertFalse(names.names().get(0).askedBack());
        assertTrue(names.names().get(1).askedBack());
    }

    /** Whatever the names are, taking every proposal leaves none that is taken for another. */
    @Test
    void theNamesThatAreProposedClashWithNothing() {
        Random random = new Random(7);
        String[] words = {
            "hall", "wall", "east", "west", "lamp", "lights", "fan", "on", "kitchen", "ü", "דלת", "🫖", "2"
        };
        for (int turn = 0; turn < 60; turn++) {
            String[] names = new String[2 + random.nextInt(8)];
            for (int i = 0; i < names.length; i++) {
                names[i] = words[random.nextInt(words.length)] + " " + words[random.nextInt(words.length)];
            }
            Plan plan = plan(SpokenLanguage.KNOWN.get(turn % 3), names);
            for (int round = 0; round < 4; round++) {
                Map<String, Device> devices = new TreeMap<>(plan.devices());
                SpokenNames.of(plan).clashes().forEach(c -> {
                    if (c.instead() != null) {
                        devices.computeIfPresent(c.device(), (id, d) -> d.withName(c.instead()));
                    }
                });
                plan = plan.withDevices(devices);
            }
            List<Clash> left = SpokenNames.of(plan).clashes();
            assertTrue(left.stream().allMatch(c -> c.instead() == null), List.of(names) + " " + left);
        }
    }

    @Test
    void theDistanceIsThatOfLevenshtein() {
        assertEquals(1 - 1 / 7.0, SpokenNames.alike("kitchen", "kitchin"), 1e-12);
        assertEquals(1, SpokenNames.alike("a", "a"));
        assertEquals(0, SpokenNames.alike("", ""));
        assertEquals(0, SpokenNames.alike("sit", "sitting"), "too different in length");
    }
}
