package org.skelto.core.configuration;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.configuration.BoardDifference.Verdict;
import org.skelto.core.configuration.ControllerConfiguration.DeviceSettings;
import org.skelto.core.configuration.ControllerConfiguration.Pull;
import org.skelto.core.configuration.ControllerConfiguration.TerminalSettings;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.Contracts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.sample.ThornfellLodge;

class ControllerConfigurationsTest {
    private static Map<String, ControllerConfiguration> of(Plan plan) {
        return ControllerConfigurations.of(plan, Catalogue.builtIn(), new Facts(plan).wired(), Contracts.of(plan));
    }

    private static TerminalSettings terminal(ControllerConfiguration board, String device, String connection) {
        return board.devices().stream()
                .filter(d -> d.device().equals(device))
                .flatMap(d -> d.terminals().stream())
                .filter(t -> t.connection().equals(connection))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyDeviceOnAControllerIsInItsConfigurationAndNowhereElse() {
        for (Plan plan : List.of(Demos.mill(), ThornfellLodge.plan())) {
            Map<String, ControllerConfiguration> all = of(plan);
            List<String> told = all.values().stream()
                    .flatMap(c -> c.devices().stream())
                    .map(DeviceSettings::device)
                    .sorted()
                    .toList();
            List<String> planned = plan.devices().entrySet().stream()
                    .filter(e -> e.getValue().unit() != null
                            && plan.units().get(e.getValue().unit()).drives())
                    .map(Map.Entry::getKey)
                    .sorted()
                    .toList();
            assertEquals(planned, told);
            all.forEach((id, c) -> {
                assertEquals(plan.units().get(id).ipv4(), c.network().address());
                c.devices()
                        .forEach(d -> d.terminals().stream()
                                .filter(t -> t.terminal() != null)
                                .forEach(t -> assertTrue(
                                        c.boards().containsKey(t.terminal().split("/")[0]),
                                        t.terminal() + " of " + id)));
            });
        }
    }

    /** By hand from the mill: the cable board of the hall with its active-low relays, and contacts on its pins. */
    @Test
    void aContactIsInvertedAndPulledUpAndARelayIsInvertedWhereItsBoardIs() {
        ControllerConfiguration hall = of(Demos.mill()).get("hall-board");
        assertEquals("Hall, Meal floor", hall.where());
        TerminalSettings contact = terminal(hall, "front-contact", "sense");
        assertTrue(contact.inverted());
        assertTrue(contact.pull() != Pull.NONE);
        TerminalSettings lock = terminal(hall, "front-lock", "release");
        assertEquals("main/E1", lock.terminal());
        assertEquals("relays/1", lock.behind());
        assertEquals(Pull.NONE, lock.pull());
        assertEquals("a relay", lock.does());
        of(Demos.mill())
                .values()
                .forEach(c -> c.devices().stream()
                        .flatMap(d -> d.terminals().stream())
                        .filter(t -> t.behind() != null)
                        .forEach(t -> assertEquals(
                                c.boards().get(t.behind().split("/")[0]).contains("active low"),
                                t.inverted(),
                                c.unit() + " " + t)));
    }

    @Test
    void whatMustDifferAndDoesNotStandsFirst() {
        Plan plan = NameAssigner.assign(Demos.mill());
        Map<String, Unit> units = new TreeMap<>(plan.units());
        Unit hall = units.get("hall-board");
        units.put(
                "loft-board",
                units.get("loft-board")
                        .with(u -> u.ipv4(hall.ipv4()).mac(hall.mac()).name(hall.name())));
        Map<String, ControllerConfiguration> all = of(plan.withUnits(units));
        List<BoardDifference> fields = BoardDifference.of(all.get("hall-board"), all.get("loft-board"));
        Set<String> wrong = fields.stream()
                .filter(f -> f.verdict() == Verdict.MUST_DIFFER)
                .map(BoardDifference::what)
                .collect(Collectors.toSet());
        assertEquals(Set.of("name", "address", "hardware address"), wrong);
        assertEquals(Verdict.MUST_DIFFER, fields.get(0).verdict());
        assertTrue(fields.stream().anyMatch(f -> f.what().equals("stands in") && f.verdict() == Verdict.DIFFERENT));
        List<BoardDifference> sound = BoardDifference.of(of(plan).get("hall-board"), of(plan).get("loft-board"));
        assertFalse(sound.stream().anyMatch(f -> f.verdict() == Verdict.MUST_DIFFER));
    }
}
