package org.skelto.core.parts;

/**
 * A figure of a part. The name in files is {@link #column}; each has a unit and a range that a typo falls out of.
 */
public enum Quantity {
    /** Nominal supply voltage. */
    SUPPLY_V("supplyV", "V", 0.5, 480),
    SUPPLY_LEAST_V("supplyLeastV", "V", 0.5, 480),
    SUPPLY_MOST_V("supplyMostV", "V", 0.5, 480),
    /** Current that it takes at its supply most of the time. */
    TYPICAL_A("typicalA", "A", 0, 100),
    /** Greatest current that it takes at its supply; of relay boards without their coils. */
    PEAK_A("peakA", "A", 0, 500),
    /** Voltage of its inputs and outputs. */
    LOGIC_V("logicV", "V", 1, 48),
    OUTPUT_V("outputV", "V", 0.5, 480),
    /** Greatest current of its output. */
    RATED_A("ratedA", "A", 0.001, 500),
    RATED_W("ratedW", "W", 0.1, 50_000),
    RATED_VA("ratedVA", "VA", 0.1, 50_000),
    /** Share of the power taken in that comes out. */
    EFFICIENCY("efficiency", "", 0.05, 1),
    /** Least difference between what goes into a regulator and what comes out. */
    DROPOUT_V("dropoutV", "V", 0, 10),
    /** Rise of the hottest place over the air around, or of the air in a box over the air outside. */
    THERMAL_K_PER_W("thermalKPerW", "K/W", 0.05, 500),
    HIGHEST_C("highestC", "°C", -60, 300),
    LOWEST_C("lowestC", "°C", -80, 60),
    /** Relays, dimmer outputs or inputs. */
    CHANNELS("channels", "", 1, 128),
    CONTACT_V("contactV", "V", 1, 690),
    CONTACT_A("contactA", "A", 0.01, 200),
    /** Inrush current that a contact bears. */
    INRUSH_A("inrushA", "A", 0.01, 1000),
    /** Current of one relay coil at the board's supply. */
    COIL_A("coilA", "A", 0.0001, 10),
    LEAST_LOAD_W("leastLoadW", "W", 0, 1000),
    /** Greatest power of one output. */
    OUTPUT_W("outputW", "W", 0.1, 50_000),
    /** First address on its bus that its switches or jumpers give. */
    ADDRESS_FIRST("addressFirst", "", 1, 247),
    /** How many addresses they give. */
    ADDRESSES("addresses", "", 1, 247),
    /** Capacitance of its pins and traces on the two-wire bus. */
    BUS_PF("busPf", "pF", 0, 400),
    /** Pull-up that it brings to the two-wire bus. */
    PULL_UP_OHM("pullUpOhm", "Ω", 100, 1_000_000),
    UNIT_LOADS("unitLoads", "", 0.125, 32),
    /** Energy that the cells of a backup hold, before what of it is usable. */
    ENERGY_WH("energyWh", "Wh", 0.1, 1_000_000),
    CAPACITY_AH("capacityAh", "Ah", 0.01, 10_000),
    /** Share that it loses in a year by itself. */
    SELF_DISCHARGE("selfDischarge", "per year", 0, 1),
    /** Years after which a cell is to be changed whatever was taken out of it: shelf life, or calendar life. */
    SHELF_YEARS("shelfYears", "years", 0.5, 40),
    /** Greatest pulse that a cell can carry. */
    PULSE_A("pulseA", "A", 0.001, 5000),
    /** Share of the capacity that can be used. */
    USABLE("usable", "", 0.1, 1),
    /** Resistance of one conductor. */
    OHM_PER_KM("ohmPerKm", "Ω/km", 0.01, 2000),
    PF_PER_M("pfPerM", "pF/m", 1, 500),
    CORES("cores", "", 1, 200),
    WIRE_MOST_V("wireMostV", "V", 1, 1000),
    WIRE_MOST_A("wireMostA", "A", 0.01, 500),
    DEPTH_MM("depthMm", "mm", 0.5, 2000),
    WIDTH_MM("widthMm", "mm", 0.5, 5000),
    HEIGHT_MM("heightMm", "mm", 0.5, 5000),
    /** Heat that it gives off with everything on. */
    HEAT_W("heatW", "W", 0, 1000),
    TERMINALS("terminals", "", 1, 500),
    WIRES_PER_TERMINAL("wiresPerTerminal", "", 1, 8),
    /** Ports that feed power. */
    PORTS("ports", "", 1, 96),
    /** Power that a port gives, or a splitter takes, at the far end of the cable. */
    PORT_W("portW", "W", 0.1, 100),
    STANDBY_W("standbyW", "W", 0, 500),
    ZONES("zones", "", 1, 256),
    OUTPUTS("outputs", "", 1, 256),
    TRAVEL_S("travelS", "s", 0.01, 3600),
    PULSE_S("pulseS", "s", 0.01, 60),
    /** Greatest gap between door and frame that a bolt or strike bridges. */
    GAP_MM("gapMm", "mm", 0, 30),
    /** Greatest offset of a bolt against its hole or strike. */
    OFFSET_MM("offsetMm", "mm", 0, 30),
    /** Pieces or metres that are sold together. */
    PACK("pack", "", 1, 10_000),
    /** From so many pieces or metres on {@link #BREAK_PRICE} holds for each. */
    BREAK_FROM("breakFrom", "", 2, 1_000_000),
    BREAK_PRICE("breakPrice", "", 0, 1_000_000);

    private final String column;
    private final String unit;
    private final double least;
    private final double most;

    Quantity(String column, String unit, double least, double most) {
        this.column = column;
        this.unit = unit;
        this.least = least;
        this.most = most;
    }

    /** Its name in files. */
    public String column() {
        return column;
    }

    /** Its unit, empty for counts and shares. */
    public String unit() {
        return unit;
    }

    public double least() {
        return least;
    }

    public double most() {
        return most;
    }
}
