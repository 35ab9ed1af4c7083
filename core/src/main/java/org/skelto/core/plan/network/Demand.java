package org.skelto.core.plan.network;

import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Without;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;

/**
 * A place where a handset or phone must work.
 *
 * @param medium the radio that it uses there
 * @param criticality how much hangs on it
 */
public record Demand(
        @Name String name,
        Place place,

        @Without(
                value = {"ETHERNET", "POWER_LINE", "INFRARED", "RS485", "CONTACT"},
                says = "a place to work from needs a radio")
        Medium medium,

        @Otherwise("ROUTINE") Criticality criticality) {
    public Demand {
        criticality = criticality == null ? Criticality.ROUTINE : criticality;
    }
}
