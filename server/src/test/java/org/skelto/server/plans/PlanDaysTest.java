package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.skelto.server.people.Person;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.TransactionOperations;
import tools.jackson.databind.JsonNode;

/** Plans as they were on earlier days, and plans that were deleted. */
class PlanDaysTest extends OnTheMill {
    private UUID id() {
        return UUID.fromString(plan.substring("/api/plans/".length()));
    }

    private long sql(String text, Object... values) throws SQLException {
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + skelto.database.port + "/postgres", "skelto", "");
                PreparedStatement statement = connection.prepareStatement(text)) {
            for (int i = 0; i < values.length; i++) {
                statement.setObject(i + 1, values[i]);
            }
            if (!statement.execute()) {
                return statement.getUpdateCount();
            }
            try (ResultSet rows = statement.getResultSet()) {
                rows.next();
                return rows.getLong(1);
            }
        }
    }

    private void rename(String name) {
        Answer made =
                http.patch(plan, revision(), "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + name + "\"}]");
        assertEquals(200, made.status(), made.text());
    }

    @Test
    void theLastTenDaysAreKeptAndOneCanBeReturnedToAndCopied() throws SQLException {
        List<String> names = new ArrayList<>();
        for (int day = 12; day >= 1; day--) {
            rename("Day " + day);
            names.add(0, "Day " + day);
            // the whole of it was a day ago, again and again
            sql("update plan set updated_at = now() - make_interval(days => ?) where id = ?", day, id());
        }
        rename("Today");
        rename("Still today");
        List<JsonNode> days = http.get(plan + "/days").json().valueStream().toList();
        assertEquals(
                names.subList(0, 10),
                days.stream().map(d -> d.get("name").asString()).toList());

        String third = days.get(2).get("day").asString();
        Answer back = http.postMatching(plan + "/days/" + third + "/return", revision());
        assertEquals("Day 3", back.json().at("/plan/name").asString(), back.text());
        assertEquals("return to the plan of " + third, back.json().get("undo").asString());
        Answer undone = http.postMatching(plan + "/undo", revision());
        assertEquals("Still today", undone.json().at("/plan/name").asString());
        Answer copy = http.post(plan + "/days/" + third + "/copy", "");
        assertEquals(201, copy.status(), copy.text());
        assertEquals("Day 3 (" + third + ")", copy.json().at("/plan/name").asString());
        http.delete("/api/plans/" + copy.json().get("id").asString());

        assertEquals(404, http.post(plan + "/days/2001-01-01/copy", "").status());
        assertEquals(400, http.post(plan + "/days/tomorrow/copy", "").status());
        assertEquals(428, http.post(plan + "/days/" + third + "/return", "").status());
        assertEquals(
                412, http.postMatching(plan + "/days/" + third + "/return", 1).status());
    }

    @Test
    void aDayBeginsWhereTheMachineStandsAndIsKeptOnce() {
        PlanDayRepository repository = mock(PlanDayRepository.class);
        Clock clock = Clock.fixed(Instant.parse("2026-11-27T23:30:00Z"), java.time.ZoneId.of("Europe/Berlin"));
        PlanDays days = new PlanDays(repository, clock);
        PlanEntity plan =
                new PlanEntity(UUID.randomUUID(), Person.LOCAL, "P", "{}", Instant.parse("2026-11-27T22:50:00Z"));
        // 23:50 there, and now it is half past midnight there
        days.beforeEdit(plan);
        verify(repository).save(any());
        PlanDayRepository untouched = mock(PlanDayRepository.class);
        plan.updatedAt = Instant.parse("2026-11-27T23:10:00Z");
        new PlanDays(untouched, clock).beforeEdit(plan);
        verify(untouched, never()).save(any());
    }

    /** Every way to read something of a plan, by the API's own description. */
    @Test
    void aDeletedPlanIsReadableByNoneOfItsWaysAndComesBackWhole() {
        String before = document();
        assertEquals(204, http.delete(plan).status());
        JsonNode api = http.get("/v3/api-docs").json();
        int asked = 0;
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            if (path.getKey().startsWith("/api/plans/{id}")
                    && path.getValue().has("get")
                    // these describe the API and say nothing of the plan
                    && !path.getKey().endsWith("/shape")) {
                String url = plan + path.getKey().substring("/api/plans/{id}".length());
                url = url.replace("{medium}", "WIFI_2G4")
                        .replace("{floor}", "meal-floor")
                        .replace("{path}", "sluice")
                        .replace("{unit}", "hub")
                        .replace("{link}", "x")
                        .replaceAll("\\{[A-Za-z]+}", "x");
                StringBuilder query = new StringBuilder();
                for (JsonNode p : path.getValue().at("/get/parameters")) {
                    if (p.get("in").asString().equals("query")
                            && p.get("required").asBoolean()) {
                        query.append(query.isEmpty() ? "?" : "&")
                                .append(p.get("name").asString())
                                .append(p.at("/schema/type").asString().equals("number") ? "=1" : "=hub");
                    }
                }
                int status = http.get(url + query).status();
                assertTrue(status == 404 || status == 400, url + query + " answered " + status);
                asked += status == 404 ? 1 : 0;
            }
        }
        assertTrue(asked > 25, asked + " were asked");
        JsonNode deleted = http.get("/api/plans/deleted")
                .json()
                .valueStream()
                .filter(p -> p.get("id").asString().equals(id().toString()))
                .findFirst()
                .orElseThrow();
        assertEquals(
                Duration.ofDays(30),
                Duration.between(
                        Instant.parse(deleted.get("deletedAt").asString()),
                        Instant.parse(deleted.get("goneAt").asString())));
        assertEquals(200, http.post(plan + "/restore", "").status());
        assertEquals(before, document());
    }

    @Test
    void afterThirtyDaysAPlanGoesWithAllThatWasKeptBesideIt() throws SQLException {
        rename("Going");
        sql("update plan set updated_at = now() - interval '2 days' where id = ?", id());
        rename("Gone");
        http.delete(plan);
        sql("update plan set deleted_at = now() - interval '29 days' where id = ?", id());
        skelto.bean(Purge.class).run();
        assertEquals(1, sql("select count(*) from plan where id = ?", id()));
        sql("update plan set deleted_at = now() - interval '31 days' where id = ?", id());
        skelto.bean(Purge.class).run();
        for (String table : List.of("plan_revision", "plan_day", "picture", "reading", "ground", "field_reading")) {
            assertEquals(0, sql("select count(*) from " + table + " where plan_id = ?", id()), table);
        }
        assertEquals(0, sql("select count(*) from plan where id = ?", id()));
        assertEquals(404, http.post(plan + "/restore", "").status());
    }

    @Test
    void onePlanThatCannotBeRemovedDoesNotKeepTheOthers() {
        PlanRepository plans = mock(PlanRepository.class);
        Instant now = Instant.parse("2026-11-27T10:00:00Z");
        UUID stuck = UUID.randomUUID();
        UUID fine = UUID.randomUUID();
        when(plans.deletedBefore(any())).thenReturn(List.of(stuck, fine));
        for (UUID id : List.of(stuck, fine)) {
            PlanEntity entity = new PlanEntity(id, Person.LOCAL, "P", "{}", now);
            entity.deletedAt = now.minus(Duration.ofDays(40));
            when(plans.lock(id)).thenReturn(Optional.of(entity));
        }
        PlanAttachment pictures = mock(PlanAttachment.class);
        doThrow(new IllegalStateException("the disk")).when(pictures).purge(stuck);
        TransactionOperations transaction = mock(TransactionOperations.class);
        org.mockito.Mockito.doAnswer(call -> {
                    call.<Consumer<TransactionStatus>>getArgument(0).accept(mock(TransactionStatus.class));
                    return null;
                })
                .when(transaction)
                .executeWithoutResult(any());
        new Purge(
                        plans,
                        mock(RevisionRepository.class),
                        mock(PlanDayRepository.class),
                        List.of(pictures),
                        transaction,
                        Clock.fixed(now, java.time.ZoneOffset.UTC),
                        Duration.ofDays(30),
                        mock(ScheduledExecutorService.class))
                .run();
        verify(plans, never()).purge(stuck);
        verify(plans).purge(fine);
    }
}
