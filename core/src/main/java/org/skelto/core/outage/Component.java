package org.skelto.core.outage;

/**
 * Something that can fail and that more than one device may depend on.
 *
 * @param id {@code mains:circuit}, {@code mains} for all of them, {@code internet}, {@code unit:id}, {@code hub:id},
 *     {@code broker:id} or {@code service:id}
 */
public record Component(String id, String name, Group group) {
    /** Order and grouping on the Without strip. */
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
