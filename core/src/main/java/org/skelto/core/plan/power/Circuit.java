package org.skelto.core.plan.power;

/**
 * One mains circuit behind its own protective device.
 *
 * @param breakerA rating of that device, 0.5 to 200 A, or null when not known
 * @param cable id of its cable's part in the catalogue, or null when not known
 */
public record Circuit(String name, Double breakerA, String cable) {
    /** A circuit of which only the name is known. */
    public Circuit(String name) {
        this(name, null, null);
    }
}
