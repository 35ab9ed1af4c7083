package org.skelto.core.plan.radio;

/** How loss inside a building is predicted. */
public enum IndoorModel {
    /** Free space and every wall on the way. */
    WALLS,
    /** Distance exponent, ITU-R P.1238. */
    EXPONENT
}
