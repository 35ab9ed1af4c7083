package org.skelto.core.plan.site;

/** What a place does to what is mounted there, from kind to harsh; a part rated for one stands the kinder ones too. */
public enum Exposure {
    DRY,
    DAMP,
    OUTDOOR,
    FREEZING
}
