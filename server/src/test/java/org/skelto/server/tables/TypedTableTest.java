package org.skelto.server.tables;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;

/** Tables as people paste them out of anything: all of a table is read, or every place that is wrong is named. */
class TypedTableTest {
    private static final Instant NOW = Instant.parse("2026-11-27T12:00:00Z");

    private record Row(double value, Instant at, String note, Double other) {}

    private static List<Row> read(String table) {
        return TypedTable.read(
                table,
                5,
                "value",
                names -> {
                    if (!names.contains("value")) {
                        throw TypedTable.refusal("/line 1", "must name the column value");
                    }
                },
                line -> {
                    Double value = line.number("value");
                    Instant at = line.time("at", NOW);
                    Double other = line.number("other", -1.0);
                    return value == null || at == null || other == null
                            ? null
                            : new Row(value, at, line.words("note"), other);
                });
    }

    private static List<Problem> wrong(String table) {
        return assertThrows(Refusal.class, () -> read(table), table).problems();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "value,at|1.5,2026-11-27T10:15:00Z|1.5",
                "VALUE;at|1,5;2026-11-27T11:15:00+01:00|1.5",
                "at\tvalue|2026-11-27 10:15:00\t-70|-70",
                "value,at|−70,2026-11-27T10:15:00Z|-70",
                "value,at|\"-70,25\",2026-11-27T10:15|-70.25",
            })
    void whateverTheSeparatorCommaAndClock(String head, String line, double value) {
        Row row = read(head + "\n" + line + "\n\n").get(0);
        assertEquals(value, row.value());
        assertEquals(Instant.parse("2026-11-27T10:15:00Z"), row.at());
        assertEquals(-1, row.other(), "a column that is not there is empty");
    }

    @Test
    void withoutATimeLinesKeepTheirOrder() {
        List<Row> rows = read("value\n3\n1\n2\n");
        assertEquals(NOW.plusMillis(1), rows.get(0).at());
        assertEquals(NOW.plusMillis(3), rows.get(2).at());
        assertEquals(2, rows.get(2).value());
    }

    @Test
    void whatIsWrongIsNamedLineByLineAndNothingIsTaken() {
        List<Problem> all = wrong("value,at,other\nx,,\n1,yesterday,\n2,,y\nInfinity,,\n5,,\n");
        assertEquals(
                List.of("/line 2", "/line 3", "/line 4", "/line 5"),
                all.stream().map(Problem::pointer).toList());
        assertEquals("value is not a number: \"x\"", all.get(0).message());
        assertTrue(all.get(1).message().startsWith("at is not a time"));
        String tooLong = "x".repeat(60);
        assertTrue(wrong("value\n" + tooLong + "\n").get(0).message().endsWith("x…\""), "what was said, shortened");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|''|must name the column value|must",
                "other|1|must name the column value|must",
                "value|''|holds no reading|holds",
            })
    void whatIsNoTableIsToldSo(String head, String line, String said, String or) {
        String message = wrong(head + "\n" + line).get(0).message();
        assertTrue(message.contains(said) || message.contains(or), message);
    }

    @Test
    void boundsAndNulAndAQuoteWithoutEnd() {
        assertEquals("/line 6", wrong("value\n1\n2\n3\n4\n5\n6\n").get(0).pointer());
        assertTrue(wrong("value\n1\0\n").get(0).message().contains("NUL"));
        assertTrue(wrong("value\n\"1\n2").get(0).message().contains("not a table"));
        assertTrue(wrong("value,value\n1,2\n").get(0).message().contains("not a table"));
        assertEquals("", read("value,note\n1\n").get(0).note(), "a short line has empty cells");
    }

    @Test
    void noMoreThanTwentyMistakesAreTold() {
        StringBuilder table = new StringBuilder("value\n");
        for (int i = 0; i < 30; i++) {
            table.append("x\n");
        }
        Refusal refusal = assertThrows(
                Refusal.class,
                () -> TypedTable.read(table.toString(), 100, "value", names -> {}, line -> line.number("value")));
        assertEquals(20, refusal.problems().size());
    }

    @Test
    void wordsComeBackAsTheyWereAndNeverBecomeAFormula() {
        String letters = "=+-@\t' ,;\"\nab1";
        Random random = new Random(11);
        List<String> said = new ArrayList<>(List.of("", "'", "''", "'=1", "=1+1", "@x", "-5 dB", "'plain"));
        for (int i = 0; i < 300; i++) {
            StringBuilder one = new StringBuilder();
            for (int k = random.nextInt(6); k > 0; k--) {
                one.append(letters.charAt(random.nextInt(letters.length())));
            }
            said.add(one.toString().strip());
        }
        for (String words : said) {
            String table = TypedTable.write(new String[] {"value", "note"}, List.<Object[]>of(new Object[] {1, words}));
            String written = table.substring(table.indexOf("\n1,") + 3);
            String cell = written.startsWith("\"") ? written.substring(1).replace("\"\"", "\"") : written.strip();
            assertTrue(cell.isEmpty() || "=+-@\t".indexOf(cell.charAt(0)) < 0, table);
            assertEquals(words, read(table).get(0).note(), table);
        }
    }
}
