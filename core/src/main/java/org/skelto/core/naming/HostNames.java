package org.skelto.core.naming;

import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import org.skelto.core.plan.Slugs;

/** What units are called on the network: letters, digits and hyphens (RFC 1123), made of their ids, which never change. */
public final class HostNames {
    private static final int HASH_BITS = 0xffff;

    private HostNames() {}

    /** The host name of a unit: its id where that is one already, else what can be kept of it with a number made of all of it. */
    public static String of(String unit) {
        String slug = Slugs.slug(unit, "unit");
        if (slug.equals(unit)) {
            return slug;
        }
        CRC32 hash = new CRC32();
        hash.update(unit.getBytes(StandardCharsets.UTF_8));
        return String.format("%s-%04x", slug, hash.getValue() & HASH_BITS);
    }

    /** By which it is found on its own segment without a server of names (RFC 6762). */
    public static String multicast(String unit) {
        return of(unit) + ".local";
    }
}
