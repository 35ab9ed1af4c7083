package org.skelto.core.plan.site;

/**
 * Where a thing is: in a room or at an outdoor spot.
 *
 * @param room id of the room, or null when it is at a spot or nowhere yet
 * @param spot id of the spot, or null when it is in a room
 * @param xM metres east, from the building's corner in a room, from the spot otherwise
 * @param yM metres north, likewise
 * @param heightM above the walking surface or the ground, metres, -10 to 100
 */
public record Place(String room, String spot, double xM, double yM, double heightM) {}
