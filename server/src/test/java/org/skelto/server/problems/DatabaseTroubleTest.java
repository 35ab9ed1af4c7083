package org.skelto.server.problems;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.UncategorizedSQLException;
import org.springframework.orm.jpa.JpaSystemException;
import org.springframework.transaction.CannotCreateTransactionException;

/** A store that fails in each of its ways, and what the person is told. */
class DatabaseTroubleTest {
    private static RuntimeException state(String state, String words) {
        return new UncategorizedSQLException("update", "update plan", new SQLException(words, state));
    }

    static Stream<Arguments> troubles() {
        return Stream.of(
                Arguments.of(state("53100", "could not extend file: No space left on device"), 507, "disk is full"),
                Arguments.of(
                        new JpaSystemException(new RuntimeException(new SQLException("no space", "53100"))),
                        507,
                        "make room"),
                Arguments.of(state("53300", "too many connections"), 429, "more to do"),
                Arguments.of(state("40P01", "deadlock detected"), 429, "more to do"),
                Arguments.of(
                        new CannotCreateTransactionException(
                                "", new SQLTransientConnectionException("Connection is not available, timed out")),
                        429,
                        "more to do"),
                Arguments.of(
                        new CannotCreateTransactionException(
                                "",
                                new SQLTransientConnectionException(
                                        "Connection is not available", new SQLException("refused", "08001"))),
                        503,
                        "does not answer"),
                Arguments.of(
                        new DataAccessResourceFailureException("", new SQLException("terminated", "57P01")),
                        503,
                        "does not answer"),
                Arguments.of(state("22021", "invalid byte sequence: 0x00"), 422, "NUL"),
                Arguments.of(state("42P01", "no such table"), 500, "in Skelto itself"));
    }

    @ParameterizedTest
    @MethodSource("troubles")
    void eachTroubleIsToldByWhatCanBeDone(RuntimeException trouble, int status, String words) {
        DataSource database = mock(DataSource.class);
        when(database.toString()).thenThrow(trouble);
        var answer = new ProblemAdvice().database(assertThrows(RuntimeException.class, database::toString));
        String told = answer.getBody().getDetail();
        assertEquals(status, answer.getStatusCode().value(), told);
        assertTrue(told.contains(words), told);
        assertEquals(status == 429, answer.getHeaders().getFirst("Retry-After") != null);
    }

    @Test
    void aChainOfCausesThatBitesItsTailEnds() {
        SQLException one = new SQLException("one", "00000");
        RuntimeException around = new IllegalStateException("around");
        IllegalStateException circle = new IllegalStateException("circle");
        around.initCause(circle);
        circle.initCause(around);
        assertEquals(DatabaseTrouble.UNKNOWN, DatabaseTrouble.of(around));
        assertEquals(DatabaseTrouble.UNKNOWN, DatabaseTrouble.of(one));
    }
}
