package org.skelto.core.plan;

/**
 * A place where a handset or phone must work.
 *
 * @param medium the radio that it uses there
 * @param criticality how much hangs on it
 */
public record Demand(String name, Place place, Medium medium, Criticality criticality) {
    public Demand {
        criticality = criticality == null ? Criticality.ROUTINE : criticality;
    }
}
