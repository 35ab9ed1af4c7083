package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.RULES;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Screen;
import org.skelto.core.plan.rules.Tile;
import org.skelto.core.rules.ControlScreen;
import org.skelto.core.snags.Check.Code;

/** U24 to U27: control screens. */
final class ScreenChecks {
    static final Check CHECK = Check.of(
            "snags of control screens",
            List.of(
                    Code.of("U24", RULES, "control screen shows what is not in the plan", FIX),
                    Code.of("U25", RULES, "control screen opens, moves or heats something on one press", LOOK),
                    Code.of("U26", RULES, "control screen does not reach what it shows", LOOK),
                    Code.of("U27", RULES, "what a home app is planned for stands on no control screen", LOOK)),
            List.of(HouseFacts.OUTAGES),
            ScreenChecks::run);

    private ScreenChecks() {}

    static void run(CheckContext c) {
        if (c.plan.state().screens().isEmpty()) {
            return;
        }
        ControlScreen.all(c.plan, c.outages()).forEach(screen -> {
            gone(c, screen);
            dangerous(c, screen);
            unreached(c, screen);
        });
        unseen(c);
    }

    private static String[] path(String screen, String... rest) {
        List<String> path = new ArrayList<>(List.of("state", "screens", screen));
        path.addAll(List.of(rest));
        return path.toArray(String[]::new);
    }

    private static List<String> labels(List<ControlScreen.TileState> tiles) {
        return tiles.stream().map(ControlScreen.TileState::label).distinct().toList();
    }

    private static Screen screen(CheckContext c, ControlScreen screen) {
        return Objects.requireNonNull(c.plan.state().screens().get(screen.screen()));
    }

    private static void gone(CheckContext c, ControlScreen screen) {
        List<ControlScreen.TileState> gone =
                screen.tiles().stream().filter(ControlScreen.TileState::gone).toList();
        if (gone.isEmpty()) {
            return;
        }
        List<Tile> left = screen.tiles().stream()
                .filter(t -> !t.gone())
                .map(ControlScreen.TileState::tile)
                .toList();
        c.snag("U24", FIX, RULES, "The screen " + screen.name() + " shows what is not in the plan")
                .figures(CheckContext.some(6, labels(gone)))
                .leadsTo("Its tile does nothing.")
                .at(Pointers.of(path(screen.screen())))
                .fix("Take them off it", Edit.replace(Pointers.of(path(screen.screen(), "tiles")), left))
                .add();
    }

    private static void dangerous(CheckContext c, ControlScreen screen) {
        List<Integer> at = IntStream.range(0, screen.tiles().size())
                .filter(i -> screen.tiles().get(i).dangerous())
                .boxed()
                .toList();
        if (at.isEmpty()) {
            return;
        }
        List<Tile> asking = new ArrayList<>(screen(c, screen).tiles());
        at.forEach(i -> {
            Tile t = asking.get(i);
            asking.set(i, new Tile(t.kind(), t.of(), t.label(), true));
        });
        c.snag("U25", LOOK, RULES, "One press on " + screen.name() + " opens, moves or heats something")
                .figures(CheckContext.some(
                        6, labels(at.stream().map(i -> screen.tiles().get(i)).toList())))
                .leadsTo("A child or a sleeve is enough.")
                .at(Pointers.of(path(screen.screen())))
                .fix("Ask before it acts", Edit.replace(Pointers.of(path(screen.screen(), "tiles")), asking))
                .add();
    }

    private static void unreached(CheckContext c, ControlScreen screen) {
        List<ControlScreen.TileState> broken = screen.tiles().stream()
                .filter(t -> !t.gone() && t.broken() != null)
                .toList();
        if (broken.isEmpty()) {
            return;
        }
        c.snag("U26", LOOK, RULES, "The screen " + screen.name() + " does not reach what it shows")
                .figures(CheckContext.some(4, labels(broken)) + ": "
                        + broken.get(0).broken())
                .leadsTo("Its tile does nothing.")
                .at(Pointers.of(path(screen.screen())))
                .add();
    }

    private static void unseen(CheckContext c) {
        List<String> names = ControlScreen.unseen(c.plan).stream()
                .map(c.plan.devices()::get)
                .filter(Objects::nonNull)
                .map(Device::name)
                .toList();
        if (!names.isEmpty()) {
            c.snag("U27", LOOK, RULES, "Things that an app works stand on no control screen")
                    .figures(CheckContext.some(6, names))
                    .leadsTo("Who does not know their names cannot work them.")
                    .at("/state/screens")
                    .add();
        }
    }
}
