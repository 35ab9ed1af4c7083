package org.skelto.server.problems;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.HashSet;
import java.util.Set;
import org.springframework.dao.QueryTimeoutException;
import org.springframework.http.HttpStatus;

/** What can be wrong with the database, by the states that PostgreSQL reports (its manual, appendix A). */
enum DatabaseTrouble {
    GONE(
            HttpStatus.SERVICE_UNAVAILABLE,
            "The database does not answer. Nothing was changed; try again when it is back."),
    BUSY(
            HttpStatus.TOO_MANY_REQUESTS,
            "Skelto has more to do than it can at this moment. Nothing was changed; try again in a moment."),
    DISK_FULL(
            HttpStatus.INSUFFICIENT_STORAGE, "The disk is full. Nothing was changed; make room on it, then try again."),
    TEXT(
            HttpStatus.UNPROCESSABLE_CONTENT,
            "A text holds a character that cannot be kept, such as NUL. Nothing was changed."),
    UNKNOWN(HttpStatus.INTERNAL_SERVER_ERROR, "");

    private final HttpStatus status;
    private final String words;

    DatabaseTrouble(HttpStatus status, String words) {
        this.status = status;
        this.words = words;
    }

    HttpStatus status() {
        return status;
    }

    String words() {
        return words;
    }

    static DatabaseTrouble of(Throwable trouble) {
        Set<Throwable> seen = new HashSet<>();
        for (Throwable cause = trouble; cause != null && seen.add(cause); cause = cause.getCause()) {
            if (cause instanceof SQLTransientConnectionException waited && waited.getCause() == null) {
                // the pool had no connection free in time, and none had failed
                return BUSY;
            }
            if (cause instanceof SQLException sql) {
                // a connection that broke meanwhile tells no state
                return sql.getSQLState() == null ? GONE : byState(sql.getSQLState());
            }
            if (cause instanceof QueryTimeoutException) {
                return BUSY;
            }
        }
        return UNKNOWN;
    }

    private static DatabaseTrouble byState(String state) {
        if (state.equals("53100")) {
            return DISK_FULL;
        }
        if (state.startsWith("53") || state.equals("40001") || state.equals("40P01") || state.equals("55P03")) {
            return BUSY;
        }
        if (state.startsWith("08") || state.startsWith("57P") || state.equals("57014") || state.startsWith("58")) {
            return GONE;
        }
        return state.equals("22021") || state.equals("22P05") ? TEXT : UNKNOWN;
    }
}
