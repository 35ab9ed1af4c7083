package org.skelto.core.build;

import java.util.List;

/** The usual cables, and the colours of their cores. */
final class CoreColours {
    static final String PAIR = "cable-pair";
    static final String ALARM = "cable-alarm";
    static final String LOW = "cable-low-075";
    static final String MAINS = "cable-mains-15";
    static final String MAINS_5 = "cable-mains-5";
    static final List<String> MAINS_COLOURS = List.of("brown", "blue", "green-yellow", "black", "grey");
    static final List<String> LOW_COLOURS = List.of("red", "black");
    static final List<String> ALARM_COLOURS =
            List.of("red", "black", "white", "yellow", "blue", "green", "brown", "orange");
    static final List<String> PAIR_COLOURS = List.of("blue pair", "orange pair", "green pair", "brown pair");

    private CoreColours() {}

    /** Colours of the cores or pairs of a cable, in the order in which they are used. */
    static List<String> of(String cable) {
        return switch (cable) {
            case PAIR -> PAIR_COLOURS;
            case ALARM -> ALARM_COLOURS;
            case MAINS, MAINS_5, "cable-mains-25" -> MAINS_COLOURS;
            default -> LOW_COLOURS;
        };
    }
}
