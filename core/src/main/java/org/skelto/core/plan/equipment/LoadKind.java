package org.skelto.core.plan.equipment;

/** How a load behaves at its switch: how much more it takes for a moment when it is switched on. */
public enum LoadKind {
    RESISTIVE(1),
    /** Bulbs with a filament: cold they take many times their running current. */
    FILAMENT(12),
    /** LED lamps: their driver's capacitor is charged at once. */
    LED(40),
    /** Wound transformers, which saturate for a half-wave. */
    MAGNETIC_TRANSFORMER(15),
    ELECTRONIC_TRANSFORMER(20),
    MOTOR(6),
    /** Coils of strikes, valves and contactors. */
    COIL(1),
    /** Switch-mode supplies of appliances. */
    ELECTRONIC(30);

    private final double inrush;

    LoadKind(double inrush) {
        this.inrush = inrush;
    }

    /** Typical inrush as a multiple of the running current; the load's own sheet wins. */
    public double inrush() {
        return inrush;
    }
}
