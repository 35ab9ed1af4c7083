package org.skelto.server.backup;

import java.time.Instant;
import java.util.Map;

/**
 * What a backup holds.
 *
 * @param format of this file
 * @param program version that made it
 * @param schema form of the tables: the number of the newest migration
 * @param madeAt when
 * @param tables what each holds, by name
 */
record Manifest(String format, String program, String schema, Instant madeAt, Map<String, Table> tables) {
    static final String FORMAT = "skelto-backup/1";

    /**
     * A table.
     *
     * @param rows how many
     * @param bytes of its CSV
     * @param sha256 of its CSV, in hexadecimal
     */
    record Table(long rows, long bytes, String sha256) {}
}
