package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.Workshop;
import org.skelto.core.plan.Plan;

/** P15 to P18 and R25, R26, each by figures worked out by hand. */
class SupplyChecksTest {
    private static final Watched WATCHED = new Watched("P15|P16|P17|P18|R25|R26");

    private static Snag one(Plan plan) {
        List<Snag> all = WATCHED.snags(plan);
        assertEquals(1, all.size(), all.toString());
        return all.get(0);
    }

    private static Plan heated(String region, double volts, double watts, double breakerA) {
        return Changed.with(
                Workshop.plan(),
                "/region",
                "\"" + region + "\"",
                "/mainsVoltageV",
                String.valueOf(volts),
                "/circuits/heat",
                "{\"name\":\"heat\",\"breakerA\":" + breakerA + "}",
                "/devices/stove",
                "{\"name\":\"stove\",\"kind\":\"HEATER\",\"circuit\":\"heat\",\"exitRoute\":false,\"outsideDoor\":false,"
                        + "\"obstacleDetection\":false,\"works\":{\"volts\":" + volts + ",\"watts\":" + watts + "}}");
    }

    /** A fixed heater takes its watts over the mains voltage, for hours: 80 % of the breaker where the code has that rule. */
    @ParameterizedTest
    @CsvSource({
        "EU,230,3500,16,",
        "EU,230,4000,16,17.4 A of 16 A",
        "US,120,1440,15,",
        "US,120,1500,15,'12.5 A of 15 A, of which what runs for hours may take 80 %'"
    })
    void aCircuitCarriesWhatItsBreakerBears(
            String region, double volts, double watts, double breakerA, String figures) {
        Plan plan = heated(region, volts, watts, breakerA);
        List<Snag> found = new Watched("P15").snags(plan);
        assertEquals(figures == null ? 0 : 1, found.size(), found.toString());
        if (figures != null) {
            assertEquals(Severity.FIX, found.get(0).severity());
            assertTrue(found.get(0).figures().startsWith(figures), found.get(0).figures());
        }
    }

    @Test
    void loadsThatOnlyMayRunTogetherAreALook() {
        Plan plan = Changed.with(heated("EU", 230, 2000, 10), "/devices/stove/kind", "\"SOCKET\"");
        assertEquals(List.of(), new Watched("P15").snags(plan));
        Plan two =
                Changed.with(plan, "/devices/other", Changed.json(plan.devices().get("stove")));
        assertEquals(Severity.LOOK, new Watched("P15").snags(two).get(0).severity());
    }

    /** The workshop's valve hangs on a rail of 12 V. */
    @ParameterizedTest
    @CsvSource({"12,", "13,", "5,STOP", "24,FIX"})
    void aLoadWantsWhatItsSupplyGives(double volts, Severity severity) {
        Plan plan = Changed.with(Workshop.plan(), "/devices/stop/works/volts", String.valueOf(volts));
        List<Snag> found = new Watched("P16").snags(plan);
        assertEquals(severity == null ? 0 : 1, found.size(), found.toString());
        if (severity != null) {
            assertEquals(severity, found.get(0).severity());
        }
    }

    @Test
    void aHeaterForAnotherMainsVoltageIsAStop() {
        Plan plan = Changed.with(heated("EU", 230, 1000, 16), "/devices/stove/works/volts", "120");
        assertEquals(Severity.STOP, new Watched("P16").snags(plan).get(0).severity());
    }

    @Test
    void hoursTypedBesideAPartAreForgotten() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/ap/power",
                "{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":500,\"part\":\"backup-12\"}");
        Snag snag = one(plan);
        assertEquals("P17", snag.code());
        WATCHED.noneIn(Changed.after(plan, snag.fixes().get(0).edits()));
    }

    @Test
    void aBoardOnTheMainsNeedsASupply() {
        Plan plan = Changed.with(
                Workshop.plan(), "/units/board/power", "{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0}");
        assertEquals(List.of("/units/board"), one(plan).subjects());
        assertEquals("P18", one(plan).code());
    }

    /** The outpost listens for 0.8 s in 1800 s: a frame of a button meets that window in less than one press of 2000. */
    @Test
    void aSleepingReceiverIsAGambleAndANeverListeningOneIsTold() {
        String button = Changed.json(Outpost.plan().units().get("outpost"))
                .replace("\"tries\":3", "\"tries\":1")
                .replaceAll("\"duty\":\\{.*?\\}\\],\"wishYears\":[0-9.]+\\}", "\"duty\":null");
        Plan plan = Changed.with(
                Outpost.plan(),
                "/units/button",
                button,
                "/links/button-outpost",
                "{\"from\":\"button\",\"to\":\"outpost\",\"medium\":\"CHIRP\",\"direction\":\"ONE_WAY\"}",
                "/devices/sluice",
                "{\"name\":\"sluice\",\"kind\":\"VALVE\",\"unit\":\"outpost\",\"hand\":\"MECHANICAL\",\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false}");
        Snag gamble = new Watched("R25").snags(plan).get(0);
        assertTrue(gamble.figures().contains(": 0.0 %"), gamble.figures());
        Plan deaf = Changed.with(
                Outpost.plan(),
                "/units/outpost/duty/pulses",
                "[{\"name\":\"send\",\"currentMa\":45,\"durationMs\":200,\"kind\":\"SEND\"}]");
        Snag unheard = new Watched("R26").snags(deaf).get(0);
        new Watched("R26").noneIn(Changed.after(deaf, unheard.fixes().get(0).edits()));
    }
}
