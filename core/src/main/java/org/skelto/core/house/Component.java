package org.skelto.core.house;

/**
 * Something that can fail and that more than one device may depend on.
 *
 * @param id {@code mains} for all circuits that the street feeds, {@code circuit:id}, {@code internet} for all lines,
 *     {@code line:unit}, {@code unit:id}, {@code rules:unit} for the rules of a hub alone, {@code broker:unit},
 *     {@code service:id}, {@code link:id}, {@code feed:unit} for the low-voltage cable of a unit, {@code wire:device} for
 *     that of a device; besides, {@code hangs:unit} for a board that hangs and {@code welded:device} for a contact that stays closed
 */
public record Component(String id, String name, Kind kind) {
    /** What fails, in the order of the Without strip. */
    public enum Kind {
        MAINS(Group.POWER),
        CIRCUIT(Group.POWER),
        SUPPLY(Group.POWER),
        FEED(Group.POWER),
        WIRE(Group.POWER),
        WELDED(Group.POWER),
        INTERNET(Group.WAY_IN),
        LINE(Group.WAY_IN),
        SERVICE(Group.WAY_IN),
        ROUTER(Group.NETWORK),
        SWITCH(Group.NETWORK),
        ACCESS_POINT(Group.NETWORK),
        GATEWAY(Group.NETWORK),
        LINK(Group.NETWORK),
        HUB(Group.BRAINS),
        RULES(Group.BRAINS),
        BROKER(Group.BRAINS),
        PANEL(Group.BRAINS),
        CONTROLLER(Group.OUTPOSTS),
        HANGS(Group.OUTPOSTS),
        OWN_RADIO(Group.OUTPOSTS);

        private final Group group;

        Kind(Group group) {
            this.group = group;
        }

        public Group group() {
            return group;
        }
    }

    /** Groups of the Without strip. */
    public enum Group {
        POWER,
        WAY_IN,
        NETWORK,
        BRAINS,
        OUTPOSTS
    }

    /** All circuits together. */
    public static final String MAINS = "mains";

    public static final String INTERNET = "internet";

    public static String circuit(String id) {
        return "circuit:" + id;
    }

    public static String unit(String id) {
        return "unit:" + id;
    }

    /** The rules of a hub. */
    public static String rules(String id) {
        return "rules:" + id;
    }

    public static String broker(String id) {
        return "broker:" + id;
    }

    public static String service(String id) {
        return "service:" + id;
    }

    public static String line(String unit) {
        return "line:" + unit;
    }

    public static String link(String id) {
        return "link:" + id;
    }

    /** The cable that brings a unit its low voltage. */
    public static String feed(String unit) {
        return "feed:" + unit;
    }

    /** The cable between a device and what feeds it. */
    public static String wire(String device) {
        return "wire:" + device;
    }

    /** A board that hangs: it does nothing and answers nobody, what it feeds goes on, its contacts stay as they were. */
    public static String hangs(String unit) {
        return "hangs:" + unit;
    }

    /** The contact of a device that is welded shut. */
    public static String welded(String device) {
        return "welded:" + device;
    }

    /** An id as it is spelled today: circuits were {@code mains:id} and rules {@code hub:id} once. */
    public static String today(String id) {
        return id.startsWith("mains:")
                ? circuit(id.substring("mains:".length()))
                : id.startsWith("hub:") ? rules(id.substring("hub:".length())) : id;
    }
}
