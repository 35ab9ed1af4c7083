package org.skelto.core.sound;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.quantity.Figure;

/**
 * A sounder and the rooms of its building.
 *
 * @param levelDb its level at 1 m, dB(A)
 * @param assumed whether nobody said how loud it is, so that a usual one was taken
 * @param rooms loudest first
 */
public record SoundReport(String device, double levelDb, boolean assumed, List<RoomSound> rooms) {
    /**
     * A room.
     *
     * @param levelDb what arrives in its middle, dB(A)
     * @param through what it passes on the quietest way, in words
     * @param dayNeedDb 10 dB over what the room is like while people use it, dB(A)
     * @param wakes whether it reaches the pillow loud enough to wake, for rooms to sleep in; null for others
     * @param asked whether it should be heard there
     * @param enough whether it is loud enough for what is asked of it
     */
    @RecordBuilder
    public record RoomSound(
            String room,
            double levelDb,
            List<String> through,
            double dayNeedDb,
            boolean heardByDay,
            @Nullable Boolean wakes,
            boolean asked,
            boolean enough,
            Figure figure)
            implements SoundReportRoomSoundBuilder.With {}
}
