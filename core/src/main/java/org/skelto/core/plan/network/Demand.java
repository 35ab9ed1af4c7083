package org.skelto.core.plan.network;

import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;

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
