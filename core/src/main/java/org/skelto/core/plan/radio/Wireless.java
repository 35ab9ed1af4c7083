package org.skelto.core.plan.radio;

/**
 * The wireless network that an access point offers.
 *
 * @param name as phones show it
 * @param segment name of the network segment that its clients land in, or null for the house's own
 */
public record Wireless(String name, String segment) {}
