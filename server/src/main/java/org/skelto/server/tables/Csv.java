package org.skelto.server.tables;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Tables as CSV, RFC 4180. */
public final class Csv {
    private Csv() {}

    /** A head and its lines; null cells are empty. */
    public static String of(String[] header, List<Object[]> lines) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(
                out, CSVFormat.RFC4180.builder().setHeader(header).get())) {
            for (Object[] line : lines) {
                printer.printRecord(line);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }
}
