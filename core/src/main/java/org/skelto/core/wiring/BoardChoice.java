package org.skelto.core.wiring;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.skelto.core.plan.Edit;

/**
 * The cheapest boards that are enough for a group of devices.
 *
 * @param place id of the room or floor
 * @param name of it
 * @param devices how many
 * @param relays asked for, the spare ones counted; dimmers and inputs likewise
 * @param boards names of the parts, the main board first; empty when none is enough
 * @param free terminals that are left beyond the spare
 * @param parts cost of the boards, a supply and a box
 * @param cableM metres of wire to the devices
 * @param cableCost of that
 * @param edits that make such a controller for those of the devices that sit on nothing yet; none when all do
 */
@RecordBuilder
public record BoardChoice(
        String place,
        String name,
        int devices,
        int relays,
        int dimmers,
        int inputs,
        List<String> boards,
        int free,
        double parts,
        double cableM,
        double cableCost,
        List<Edit> edits)
        implements BoardChoiceBuilder.With {
    /**
     * One way to share boards.
     *
     * @param id {@code room} or {@code floor}
     * @param total of all choices
     */
    public record BoardSchool(String id, String name, List<BoardChoice> choices, double total) {}
}
