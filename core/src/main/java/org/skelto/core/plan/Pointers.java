package org.skelto.core.plan;

/** JSON pointers (RFC 6901) into a plan. */
public final class Pointers {
    private Pointers() {}

    /** The pointer made of these parts, each escaped. */
    public static String of(String... parts) {
        StringBuilder pointer = new StringBuilder();
        for (String part : parts) {
            pointer.append('/').append(part.replace("~", "~0").replace("/", "~1"));
        }
        return pointer.toString();
    }
}
