package org.skelto.core.outage;

/**
 * Something that can fail and that more than one device may depend on.
 *
 * @param id {@code mains:circuit}, {@code mains} for all of them, {@code internet}, {@code unit:id}, {@code hub:id} for
 *     the rules of a hub, {@code broker:id} or {@code service:id}
 */
public record Component(String id, String name, Kind kind) {
    /** What fails, in the order of the Without strip. */
    public enum Kind {
        MAINS(Group.POWER),
        CIRCUIT(Group.POWER),
        SUPPLY(Group.POWER),
        INTERNET(Group.WAY_IN),
        SERVICE(Group.WAY_IN),
        ROUTER(Group.NETWORK),
        SWITCH(Group.NETWORK),
        ACCESS_POINT(Group.NETWORK),
        GATEWAY(Group.NETWORK),
        HUB(Group.BRAINS),
        RULES(Group.BRAINS),
        BROKER(Group.BRAINS),
        PANEL(Group.BRAINS),
        CONTROLLER(Group.OUTPOSTS),
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
        return "mains:" + id;
    }

    public static String unit(String id) {
        return "unit:" + id;
    }

    public static String hub(String id) {
        return "hub:" + id;
    }

    public static String broker(String id) {
        return "broker:" + id;
    }

    public static String service(String id) {
        return "service:" + id;
    }
}
