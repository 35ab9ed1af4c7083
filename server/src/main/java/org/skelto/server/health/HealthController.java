package org.skelto.server.health;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Tells whatever watches the server how it is; it waits for no turn. */
@RestController
class HealthController {
    /** The database is asked at most this often, however often this is. */
    private static final long FRESH_MS = 1000;

    private static final int PATIENCE_S = 2;

    private final DataSource database;
    private final Clock clock;
    private final String version;
    private boolean answered;
    private long askedAt;

    HealthController(DataSource database, Clock clock, @Value("${skelto.version}") String version) {
        this.database = database;
        this.clock = clock;
        this.version = version;
    }

    /**
     * How the server is.
     *
     * @param server "up" whenever this is answered
     * @param database "up" or "down"
     */
    public record Health(String server, String database, String version) {}

    /** 200 when all is well, 503 when the database does not answer. */
    @GetMapping("/healthz")
    ResponseEntity<Health> health() {
        boolean up = databaseAnswers();
        return ResponseEntity.status(up ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE)
                .body(new Health("up", up ? "up" : "down", version));
    }

    private synchronized boolean databaseAnswers() {
        long now = clock.millis();
        if (askedAt == 0 || now - askedAt >= FRESH_MS) {
            try (Connection connection = database.getConnection()) {
                answered = connection.isValid(PATIENCE_S);
            } catch (SQLException e) {
                answered = false;
            }
            askedAt = clock.millis();
        }
        return answered;
    }
}
