package org.skelto.core.plan.radio;

/** How the loss of a radio path outdoors is predicted. */
public enum OutdoorModel {
    /** Over the profile of the ground, with its trees. */
    DIFFRACTION,
    /** Over plane ground that throws one ray back. */
    TWO_RAY,
    /** By an exponent of distance and what one metre takes. */
    EXPONENT
}
