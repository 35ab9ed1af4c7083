package org.skelto.core.plan.network;

/**
 * The pools that addresses and topics are taken from.
 *
 * @param subnet the house's IPv4 subnet, prefix length 16 to 29, as {@code 192.168.40.0/24}
 * @param poolFrom first address that the router gives out by itself
 * @param poolTo last such address
 * @param topicRoot first level of every message topic
 */
public record Network(String subnet, String poolFrom, String poolTo, String topicRoot) {
    /** The pools that a new plan starts with. */
    public static Network standard(String topicRoot) {
        return new Network("192.168.40.0/24", "192.168.40.150", "192.168.40.239", topicRoot);
    }
}
