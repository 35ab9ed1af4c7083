package org.skelto.core.naming;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Hardware addresses of 48 bits (IEEE 802). */
public final class HardwareAddress {
    /** The second lowest bit says "administered locally", the lowest "for groups" (IEEE 802, section 8.4). */
    private static final String LOCAL = "02";

    private static final int DIGITS = 10;
    private static final int LEAST_DIGITS = 6;
    private static final int MOST_DIGITS = 32;

    private HardwareAddress() {}

    /**
     * The address of a board by the identifier that its maker burned into its chip: locally administered, for one board, with
     * the last five octets of the identifier, which differ most.
     *
     * @param chip 6 to 32 hexadecimal digits, which may be parted by spaces, colons, dots or hyphens
     * @return six pairs of small letters, or null when it is no such identifier
     */
    public static @Nullable String ofChip(String chip) {
        String digits = chip.toLowerCase(Locale.ROOT).replaceFirst("^0x", "").replaceAll("[ :.-]", "");
        if (!digits.matches("[0-9a-f]+") || digits.length() < LEAST_DIGITS || digits.length() > MOST_DIGITS) {
            return null;
        }
        String last = "0".repeat(DIGITS) + digits;
        last = last.substring(last.length() - DIGITS);
        return LOCAL + last.replaceAll("(..)", ":$1");
    }
}
