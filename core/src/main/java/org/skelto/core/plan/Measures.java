package org.skelto.core.plan;

/** In what lengths and the areas of conductors are typed and shown; they are kept in metres and mm² either way. */
public enum Measures {
    METRIC,
    /** Feet and inches, and American wire gauge (ASTM B258). */
    FEET
}
