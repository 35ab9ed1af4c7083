package org.skelto.core.plan.network;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * An IPv4 subnet in CIDR notation (RFC 4632).
 *
 * @param base network address as an unsigned 32-bit number
 * @param prefixLength 16 to 29
 */
public record Ipv4Subnet(long base, int prefixLength) {
    /** Shortest prefix of a house's subnet. */
    public static final int WIDEST = 16;

    private static final Pattern ADDRESS = Pattern.compile("(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})");

    /** Reads {@code 192.168.40.0/24}; host bits are cut off. */
    public static Ipv4Subnet parse(String cidr) {
        String[] parts = cidr.split("/", 2);
        int length = Integer.parseInt(parts[1]);
        long mask = 0xFFFFFFFFL << (32 - length) & 0xFFFFFFFFL;
        return new Ipv4Subnet(number(parts[0]) & mask, length);
    }

    public static boolean isSubnet(String cidr) {
        if (cidr == null || !cidr.matches("[0-9.]+/[0-9]{1,2}")) {
            return false;
        }
        int length = Integer.parseInt(cidr.substring(cidr.indexOf('/') + 1));
        return length >= WIDEST && length <= 29 && isAddress(cidr.substring(0, cidr.indexOf('/')));
    }

    public static boolean isAddress(String text) {
        Matcher matcher = ADDRESS.matcher(text == null ? "" : text);
        if (!matcher.matches()) {
            return false;
        }
        for (int i = 1; i <= 4; i++) {
            if (Integer.parseInt(matcher.group(i)) > 255) {
                return false;
            }
        }
        return true;
    }

    /** The address as an unsigned 32-bit number. */
    public static long number(String address) {
        long number = 0;
        for (String part : address.split("\\.")) {
            number = number << 8 | Integer.parseInt(part);
        }
        return number;
    }

    /** The dotted form of an address. */
    public static String dotted(long number) {
        return (number >> 24 & 255) + "." + (number >> 16 & 255) + "." + (number >> 8 & 255) + "." + (number & 255);
    }

    /** First address that a host may have. */
    public long firstHost() {
        return base + 1;
    }

    /** Last address that a host may have. */
    public long lastHost() {
        return base + (1L << (32 - prefixLength)) - 2;
    }

    public boolean contains(long address) {
        return address >= firstHost() && address <= lastHost();
    }
}
