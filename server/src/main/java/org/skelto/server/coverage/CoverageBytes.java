package org.skelto.server.coverage;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import org.skelto.core.coverage.CoverageMap;

/**
 * The binary form of a coverage, little-endian: the four letters {@code SKC1}; the length of the document in bytes as a
 * 32-bit number; the document, JSON in UTF-8, filled up with spaces to an even length; then for each cell, west to east
 * and south to north, the best level and the second-best level as two 16-bit numbers of hundredths of a dBm (−32768 for
 * none); then for each cell the numbers of both servers in the document's list as two bytes (255 for none).
 */
final class CoverageBytes {
    static final String MEDIA_TYPE = "application/vnd.skelto.coverage";
    private static final byte[] LETTERS = "SKC1".getBytes(StandardCharsets.US_ASCII);

    private CoverageBytes() {}

    static byte[] of(String document, CoverageMap map) {
        byte[] json = document.getBytes(StandardCharsets.UTF_8);
        int length = json.length + json.length % 2;
        int cells = map.grid().cells();
        ByteBuffer out = ByteBuffer.allocate(8 + length + 6 * cells).order(ByteOrder.LITTLE_ENDIAN);
        out.put(LETTERS).putInt(length).put(json);
        if (length > json.length) {
            out.put((byte) ' ');
        }
        float[] best = map.bestDbm();
        float[] second = map.secondDbm();
        for (int i = 0; i < cells; i++) {
            out.putShort(hundredths(best[i])).putShort(hundredths(second[i]));
        }
        byte[] server = map.bestServer();
        byte[] next = map.secondServer();
        for (int i = 0; i < cells; i++) {
            out.put(server[i]).put(next[i]);
        }
        return out.array();
    }

    private static short hundredths(float dbm) {
        return dbm < -327 ? Short.MIN_VALUE : (short) Math.round(Math.min(327, dbm) * 100);
    }
}
