package org.skelto.core.site;

import java.util.List;

/**
 * A straight piece of wall of one construction, with the rooms on both sides of it.
 *
 * @param floor id of its floor
 * @param axM one end on the site, metres
 * @param bxM other end; pieces run along x or along y
 * @param fromZM its foot
 * @param toZM its head
 * @param owners JSON pointers of the room sides that it belongs to, one or two
 */
public record WallPiece(
        String floor,
        double axM,
        double ayM,
        double bxM,
        double byM,
        double fromZM,
        double toZM,
        String construction,
        List<String> owners) {

    boolean alongX() {
        return ayM == byM;
    }
}
