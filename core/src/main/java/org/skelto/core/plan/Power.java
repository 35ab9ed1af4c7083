package org.skelto.core.plan;

/**
 * How a unit is powered.
 *
 * @param circuit id of the mains circuit, for {@link PowerSource#MAINS}
 * @param from id of the unit that feeds the cable, for {@link PowerSource#ETHERNET}
 * @param backupH hours that its own backup carries it, 0 when it has none
 */
public record Power(PowerSource source, String circuit, String from, double backupH) {
    public static Power mains(String circuit) {
        return new Power(PowerSource.MAINS, circuit, null, 0);
    }

    public static Power battery() {
        return new Power(PowerSource.BATTERY, null, null, 0);
    }
}
