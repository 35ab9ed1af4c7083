package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.aggregator.ArgumentsAccessor;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.snags.Snag;
import org.skelto.core.work.Progress;

/** What a real house can be in is stored, told where it is wrong, and never brings the model down or makes a figure endless. */
class OddHousesTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "supplies in a ring over three | P18 | /units/rail/power | {\"source\":\"SUPPLY\",\"from\":\"hub\",\"backupH\":3}"
                        + " | /units/hub/power | {\"source\":\"SUPPLY\",\"from\":\"ap\",\"backupH\":0}"
                        + " | /units/ap/power | {\"source\":\"SUPPLY\",\"from\":\"rail\",\"backupH\":5}",
                "a unit that feeds itself | P18 | /units/rail/power | {\"source\":\"SUPPLY\",\"from\":\"rail\",\"backupH\":0}",
                "a circuit fed by what hangs on it | P18 | /circuits/mains | {\"name\":\"mains\",\"from\":\"rail\"}",
                "a backup without a load | | /units/spare | {\"name\":\"spare\",\"kind\":\"SUPPLY\",\"power\":{\"source\":\"MAINS\","
                        + "\"circuit\":\"mains\",\"backupH\":0},\"channels\":0,\"maxClients\":0,\"internetEntry\":false,\"broker\":false,"
                        + "\"radios\":{},\"boards\":{\"main\":\"backup-12\",\"more\":{}}}",
                "a network that nobody offers | R7 | /units/probe/radios/wifi | {\"medium\":\"WIFI_2G4\",\"frequencyMHz\":2437,"
                        + "\"txPowerDbm\":15,\"antennaGainDbi\":0,\"feederLossDb\":0,\"sensitivityDbm\":-90,\"receives\":true,"
                        + "\"metalBox\":false} | /units/probe/wireless | {\"joins\":\"nowhere\"}",
                "a partner of another medium | R6 | /links/odd | {\"from\":\"probe\",\"to\":\"ap\",\"medium\":\"SUB_GHZ\"}",
                "a hub that serves itself | | /units/hub/hub | \"hub\"",
                "a panel without zones | C1 | /units/board/kind | \"PANEL\" | /units/board/channels | 0 | /units/board/boards | null"
            })
    void isStoredAndTold(ArgumentsAccessor row) {
        String what = row.getString(0);
        String code = row.getString(1);
        Plan plan = Workshop.plan();
        for (int i = 2; i < row.size(); i += 2) {
            plan = Changed.with(plan, row.getString(i), row.getString(i + 1));
        }
        assertEquals(List.of(), PlanValidator.problems(plan));
        Facts facts = new Facts(plan);
        Assessment told = Assessment.of(
                facts, new Outage(Set.of(Component.MAINS), 4000.0, LocalDateTime.of(2027, 1, 15, 18, 0), 3000));
        assertEquals(List.of(), told.failures(), what);
        assertEquals(plan.devices().keySet(), told.states().keySet());
        assertTrue(told.moments().stream().allMatch(m -> Double.isFinite(m.atH())));
        facts.power()
                .values()
                .forEach(node -> assertTrue(
                        node.store() == null
                                || Double.isFinite(node.store().hours())
                                        && node.store().hours() > 0,
                        what));
        facts.backups().forEach(path -> assertTrue(Double.isFinite(path.hours())));
        LostHours.of(facts.outages(), Progress.NONE)
                .forEach(l ->
                        assertTrue(l.hours() >= 0 && l.hours() <= MeanTimes.YEAR_H && l.chance() <= 1, l::toString));
        Set<String> codes = told.snags().stream().map(Snag::code).collect(Collectors.toCollection(TreeSet::new));
        assertTrue(code == null || codes.contains(code), () -> what + ": " + codes);
    }
}
