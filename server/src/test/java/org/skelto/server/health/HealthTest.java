package org.skelto.server.health;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.flywaydb.core.api.MigrationVersion;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.OnTheMill;

class HealthTest extends OnTheMill {
    @Test
    void tellsHowTheServerTheDatabaseAndTheVersionAre() {
        var answer = http.get("/healthz");
        assertEquals(200, answer.status(), answer.text());
        assertEquals("up", answer.json().get("server").asString());
        assertEquals("up", answer.json().get("database").asString());
        assertTrue(answer.json().get("version").asString().matches("\\d+\\.\\d+\\.\\d+"), answer.text());
    }

    @Test
    void aDatabaseThatIsAwayIsToldAndAskedOncePerSecond() throws SQLException {
        DataSource database = mock(DataSource.class);
        Clock clock = mock(Clock.class);
        when(clock.millis()).thenReturn(1000L);
        when(database.getConnection()).thenThrow(new SQLException("away"));
        HealthController health = new HealthController(database, clock, "1.2.3");
        assertEquals(503, health.health().getStatusCode().value());
        assertEquals("down", health.health().getBody().database());
        verify(database, times(1)).getConnection();

        Connection back = mock(Connection.class);
        when(back.isValid(anyInt())).thenReturn(true);
        org.mockito.Mockito.doReturn(back).when(database).getConnection();
        when(clock.millis()).thenReturn(2001L);
        assertEquals(200, health.health().getStatusCode().value());
    }

    private static MigrationInfo migration(String version, MigrationState state) {
        MigrationInfo info = mock(MigrationInfo.class);
        when(info.getVersion()).thenReturn(MigrationVersion.fromVersion(version));
        when(info.getState()).thenReturn(state);
        return info;
    }

    private static Flyway flyway(MigrationInfo[] all, MigrationInfo... applied) {
        Flyway flyway = mock(Flyway.class);
        MigrationInfoService service = mock(MigrationInfoService.class);
        when(flyway.info()).thenReturn(service);
        when(service.all()).thenReturn(all);
        when(service.applied()).thenReturn(applied);
        return flyway;
    }

    @Test
    void dataOfANewerProgramIsLeftAlone() {
        MigrationInfo ours = migration("7", MigrationState.SUCCESS);
        MigrationInfo theirs = migration("8", MigrationState.FUTURE_SUCCESS);
        Flyway newer = flyway(new MigrationInfo[] {ours, theirs}, ours, theirs);
        NewerData refused = assertThrows(NewerData.class, () -> Schema.migrate(newer));
        verify(newer, times(0)).migrate();
        assertTrue(refused.getMessage().contains("is 8, this program knows up to 7"), refused.getMessage());
        assertEquals(NewerData.EXIT, refused.getExitCode());
        assertEquals(
                refused.getMessage(),
                new NewerDataAnalyzer().analyze(refused, refused).getDescription());

        MigrationInfo waiting = migration("7", MigrationState.PENDING);
        Flyway older = flyway(new MigrationInfo[] {waiting});
        Schema.migrate(older);
        verify(older).migrate();
    }

    @Test
    void everyAnswerDeniesFramingAndTellsOthersNothing() throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        List<String> paths = List.of(
                "/",
                "/plans",
                "/index.html",
                "/calculators",
                "/healthz",
                "/api/plans",
                plan,
                plan + "/export",
                "/api/plans/none",
                "/no/such/thing",
                "/icon.svg",
                "/formats/skelto-plan-1.schema.json",
                "/v3/api-docs",
                "/api/plans/%2F",
                plan + "/assessment?without=%ff");
        for (String path : paths) {
            HttpResponse<String> answer = client.send(
                    HttpRequest.newBuilder(URI.create(skelto.url + path)).build(),
                    HttpResponse.BodyHandlers.ofString());
            Map<String, String> wanted = Map.of(
                    "X-Frame-Options", "DENY",
                    "X-Content-Type-Options", "nosniff",
                    "Referrer-Policy", "no-referrer",
                    "Cross-Origin-Opener-Policy", "same-origin",
                    "Cross-Origin-Resource-Policy", "same-origin");
            wanted.forEach((name, value) ->
                    assertEquals(List.of(value), answer.headers().allValues(name), path + " " + name));
            String policy =
                    answer.headers().firstValue("Content-Security-Policy").orElse("");
            assertTrue(policy.contains("frame-ancestors 'none'") && !policy.contains("unsafe"), path + " " + policy);
            assertTrue(answer.headers().firstValue("Permissions-Policy").isPresent(), path);
            if (path.startsWith("/api")) {
                assertEquals(List.of("no-store"), answer.headers().allValues("Cache-Control"), path);
            }
            assertFalse(answer.headers().firstValue("Server").isPresent(), path);
        }
    }
}
