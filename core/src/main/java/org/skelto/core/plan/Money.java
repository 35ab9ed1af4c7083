package org.skelto.core.plan;

/**
 * What the plan may cost.
 *
 * @param currency three letters, such as EUR
 * @param budget 0 to 1e9, or null when there is none
 * @param spareShare of each small part that is bought too many, 0 to 1
 * @param energyPrice of one kilowatt-hour, 0 to 100
 * @param hourPrice of one hour of the person's own work, 0 to 10 000
 */
public record Money(String currency, Double budget, double spareShare, double energyPrice, double hourPrice) {
    /** What holds while nobody has said anything. */
    public static final Money USUAL = new Money("EUR", null, 0.1, 0.3, 0);
}
