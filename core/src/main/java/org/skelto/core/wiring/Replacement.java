package org.skelto.core.wiring;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Pin;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.Wiring;
import org.skelto.core.work.ComputingBudget;

/**
 * What it means to take another main board for a controller: its identity, names, addresses and devices stay, what is
 * connected to pins that the new board does not have is connected anew.
 *
 * @param unit id of the controller
 * @param from name of the old board
 * @param to name of the new board
 * @param moves connections that change, and those that stay
 * @param lost how many connections find no terminal on the new board
 * @param edits that do it
 */
public record Replacement(String unit, String from, String to, List<PinMove> moves, int lost, List<Edit> edits) {
    /**
     * One connection before and after.
     *
     * @param before its terminal now, or null
     * @param after its terminal on the new board, or null when there is none for it
     * @param why it is there
     */
    @RecordBuilder
    public record PinMove(
            String device,
            String name,
            String need,
            @Nullable String before,
            @Nullable String after,
            boolean same,
            @Nullable String why)
            implements ReplacementPinMoveBuilder.With {}

    /** Tries another main board. */
    public static Replacement of(Plan plan, Catalogue catalogue, String id, Part board) {
        ComputingBudget.step();
        Unit unit = plan.units().get(id);
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.put(id, unit.withBoards(unit.boards().withMain(board.id())));
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.replaceAll((key, d) -> id.equals(d.unit()) ? loosened(d, board) : d);
        Plan tried = plan.with(p -> p.units(units).devices(devices));
        Map<String, Device> after = new TreeMap<>(devices);
        for (Edit edit : PinAssigner.edits(tried, catalogue, id)) {
            String device = edit.path().split("/")[2];
            after.computeIfPresent(device, (key, d) -> d.withWiring((Wiring) edit.value()));
        }
        Plan made = plan.with(p -> p.units(units).devices(after));
        Map<String, Wired.Connection> then = new HashMap<>();
        PinAssigner.of(made, catalogue).get(id).needs().forEach(n -> then.put(n.device() + "/" + n.need(), n));
        Map<String, String> why = new HashMap<>();
        PinAssigner.of(tried, catalogue).get(id).needs().forEach(n -> why.put(n.device() + "/" + n.need(), n.why()));

        List<PinMove> moves = new ArrayList<>();
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.replace(Pointers.of("units", id) + "/boards/main", board.id()));
        after.forEach((key, d) -> {
            if (!id.equals(d.unit())) {
                return;
            }
            Wiring before = plan.devices().get(key).wiring();
            if (!Objects.equals(before, d.wiring())) {
                edits.add(Edit.replace(Pointers.of("devices", key) + "/wiring", d.wiring()));
            }
            for (Need need : Need.of(key, d)) {
                String old = before == null ? null : before.terminals().get(need.name());
                Wired.Connection now = then.get(key + "/" + need.name());
                String terminal = now.terminal();
                moves.add(ReplacementPinMoveBuilder.builder()
                        .device(key)
                        .name(d.name())
                        .need(need.name())
                        .before(old)
                        .after(terminal)
                        .same(Objects.equals(old, terminal))
                        .why(why.get(key + "/" + need.name()))
                        .build());
            }
        });
        int lost = (int) moves.stream()
                .filter(m -> m.before() != null && m.after() == null)
                .count();
        String name = catalogue
                .find(unit.boards().main())
                .map(Part::name)
                .orElse(unit.boards().main());
        return new Replacement(id, name, board.name(), moves, lost, edits);
    }

    /** A device whose hand-fixed terminals the new board can serve stays; any other may be connected anew. */
    private static Device loosened(Device d, Part board) {
        if (d.wiring() == null || !d.wiring().fixed()) {
            return d;
        }
        boolean stays = d.wiring().terminals().entrySet().stream().allMatch(e -> {
            String terminal = e.getValue().split(" ")[0];
            if (!terminal.startsWith("main/")) {
                return true;
            }
            Pin pin = board.pin(terminal.substring("main/".length())).orElse(null);
            return pin != null
                    && Need.of("", d).stream()
                            .filter(n -> n.name().equals(e.getKey()))
                            .allMatch(n -> new Terminal("main", pin.name(), pin, java.util.Set.of()).can(n.kind()));
        });
        return stays ? d : d.withWiring(new Wiring(d.wiring().terminals(), false));
    }
}
