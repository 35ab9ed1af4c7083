package org.skelto.core.wiring;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is connected to what in one controller.
 *
 * @param unit id of the controller
 * @param board name of its main board's part, or null when the catalogue does not have it
 * @param unknown ids of parts that the catalogue does not have
 * @param needs of its devices, with where they are now and where they would best be
 * @param pins of the main board, as printed on it
 * @param free terminals that nothing takes
 */
public record Wired(
        String unit,
        @Nullable String board,
        List<String> unknown,
        List<Connection> needs,
        List<PinUse> pins,
        int free) {
    /**
     * A need and its terminal.
     *
     * @param terminal that the plan says, or null
     * @param best where the cheapest assignment of all puts it, or null when nothing is left for it
     * @param why the best one is best, or why there is none
     * @param contact how the contact of its relay is wired, in words, or null
     * @param boot what happens there while the board starts, or null when nothing does
     * @param trouble what is wrong with the terminal that the plan says, or null
     * @param code of the check that says so, or null
     */
    @RecordBuilder
    public record Connection(
            String device,
            String need,
            Need.Kind kind,
            @Nullable String terminal,
            @Nullable String best,
            String why,
            @Nullable String boot,
            @Nullable String contact,
            @Nullable String trouble,
            @Nullable String code,
            boolean fixed)
            implements WiredConnectionBuilder.With {}

    /**
     * A pin as the drawing of the board shows it.
     *
     * @param abilities in words, as files write them
     * @param device id of the device that has it, or null
     * @param held what else holds it, or null
     * @param boot what it does while the board starts, or null
     */
    public record PinUse(
            String name,
            List<String> abilities,
            @Nullable String device,
            @Nullable String held,
            @Nullable String boot) {}
}
