package org.skelto.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.power.CableRuns;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.site.SiteModel;

class ReplacementTest {
    private static final Catalogue PARTS = Catalogue.builtIn();

    @ParameterizedTest
    @ValueSource(strings = {"slim-9", "plain-12", "wide-34", "cable-14", "dot-2"})
    void identityAndDevicesStayAndWhatIsSaidHappens(String board) {
        Plan plan = Workshop.plan();
        Replacement said =
                Replacement.of(plan, PARTS, "board", PARTS.find(board).orElseThrow());
        Plan after = Changed.after(plan, said.edits());
        Unit before = plan.units().get("board");
        assertEquals(
                before.withBoards(before.boards().withMain(board)),
                after.units().get("board"));
        assertEquals(plan.devices().keySet(), after.devices().keySet());
        Map<String, Wired> wired = PinAssigner.of(after, PARTS);
        List<Wired.Connection> needs = wired.get("board").needs();
        assertEquals(said.moves().size(), needs.size());
        for (Replacement.PinMove move : said.moves()) {
            Device d = after.devices().get(move.device());
            String now = d.wiring() == null ? null : d.wiring().terminals().get(move.need());
            assertEquals(move.after(), now, move.toString());
        }
        assertTrue(needs.stream().allMatch(n -> n.trouble() == null || !n.code().equals("C3")), needs.toString());
        assertEquals(
                said.lost(), needs.stream().filter(n -> n.terminal() == null).count());
    }

    @Test
    void whatWasFixedByHandStaysWhereTheNewBoardHasIt() {
        Plan fixed = Changed.with(
                Workshop.plan(),
                "/devices/lamp/wiring",
                "{\"terminals\":{\"switch\":\"main/G16 relays/3\"},\"fixed\":true}",
                "/devices/stop/wiring",
                "-");
        Replacement wide =
                Replacement.of(fixed, PARTS, "board", PARTS.find("wide-34").orElseThrow());
        assertTrue(wide.moves().stream().filter(m -> m.device().equals("lamp")).allMatch(Replacement.PinMove::same));
        // the slim board has no G16: the pin moves, the relay behind it stays
        Replacement slim =
                Replacement.of(fixed, PARTS, "board", PARTS.find("slim-9").orElseThrow());
        Replacement.PinMove lamp = slim.moves().stream()
                .filter(m -> m.device().equals("lamp"))
                .findFirst()
                .orElseThrow();
        assertFalse(lamp.same());
        assertTrue(lamp.after().endsWith(" relays/3"), lamp.after());
    }

    @Test
    void theBoardsChosenForARoomAreEnoughAndNoneIsWithoutReason() {
        SiteModel lodge = SiteModel.of(ThornfellLodge.plan());
        List<BoardChoice.BoardSchool> schools = BoardChooser.of(
                lodge.plan(),
                PARTS,
                0.25,
                (a, b) -> CableRuns.lengthM(lodge, a, b).orElse(0.0));
        assertEquals(2, schools.size());
        for (BoardChoice.BoardSchool school : schools) {
            for (BoardChoice choice : school.choices()) {
                assertFalse(school.id().equals("room") && choice.boards().isEmpty(), choice.toString());
                assertTrue(choice.boards().isEmpty() || choice.parts() > 0);
            }
        }
        // without spare nothing may cost more
        List<BoardChoice.BoardSchool> tight = BoardChooser.of(lodge.plan(), PARTS, 0, (a, b) -> 0.0);
        for (int i = 0; i < tight.get(0).choices().size(); i++) {
            assertTrue(tight.get(0).choices().get(i).parts()
                    <= schools.get(0).choices().get(i).parts() + 1e-6);
        }
    }

    @Test
    void aProposedControllerIsPutInWithItsLooseDevices() {
        Plan loose = Changed.with(
                Workshop.plan(),
                "/devices/lamp/unit",
                "null",
                "/devices/lamp/wiring",
                "null",
                "/devices/spot/unit",
                "null",
                "/devices/spot/wiring",
                "null");
        BoardChoice east = BoardChooser.of(loose, PARTS, 0.2, (a, b) -> 3.0)
                .get(0)
                .choices()
                .get(0);
        assertEquals(3, east.devices());
        Plan made = Changed.after(loose, east.edits());
        String unit = made.devices().get("lamp").unit();
        assertEquals(unit, made.devices().get("spot").unit());
        assertEquals("board", made.devices().get("stop").unit());
        assertTrue(PinAssigner.of(made, PARTS).get(unit).needs().stream().allMatch(n -> n.best() != null));
    }
}
