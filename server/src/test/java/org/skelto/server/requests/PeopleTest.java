package org.skelto.server.requests;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.skelto.server.plans.PlanEdit;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import org.skelto.server.testing.SeveralPeople;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Every request about a plan asks in the one place who sends it and what they may do. */
class PeopleTest extends OnTheMill {
    /** What is sent with a body and changes nothing: questions, and proposals that the page may send as an edit. */
    private static final Set<String> QUESTIONS = Set.of(
            "leases",
            "drift",
            "written",
            "weighed",
            "commands",
            "copy",
            "geojson",
            "hours",
            "link-proposal",
            "fix-proposal",
            "map",
            "place",
            "placed-by-degrees",
            "placement",
            "preview",
            "profile",
            "profiles",
            "saved-hours",
            "survive",
            "csv-profile",
            "gpx",
            "room-sets",
            "terminal-proposal",
            "typed-room",
            "typed-rooms");

    /** A way to ask something of a plan. */
    private record Way(String method, String path, String type, HandlerMethod handler) {
        boolean changes() {
            return Arrays.stream(handler.getMethodParameters())
                    .anyMatch(p -> p.getParameterType() == PlanEdit.class
                            || p.getParameterType() == BinnedPlan.class
                            || p.hasParameterAnnotation(Changes.class));
        }

        boolean asksWho() {
            return changes()
                    || Arrays.stream(handler.getMethodParameters())
                            .anyMatch(p -> p.getParameterType() == OpenPlan.class);
        }

        String last() {
            String end = path.substring(path.lastIndexOf('/') + 1);
            if (path.contains("/commands/")) {
                return "commands";
            }
            return path.endsWith("/profile/csv") ? "csv-profile" : end;
        }

        /** The path for a plan, with something in place of what else it names. */
        String on(String plan) {
            return path.replace("/api/plans/{id}", plan)
                    .replace("{day}", "2026-11-27")
                    .replace("{medium}", "WIFI_2G4")
                    .replace("{reading}", "00000000-0000-0000-0000-000000000000")
                    .replaceAll("\\{[^}]*}", "1");
        }
    }

    private List<Way> ways;

    @BeforeEach
    void look() {
        ways = new ArrayList<>();
        Map<RequestMappingInfo, HandlerMethod> all =
                skelto.bean(RequestMappingHandlerMapping.class).getHandlerMethods();
        all.forEach((info, handler) -> {
            String path = info.getPatternValues().iterator().next();
            if (path.startsWith("/api/plans/{id}")) {
                String type = info.getConsumesCondition().getConsumableMediaTypes().stream()
                        .findFirst()
                        .map(MediaType::toString)
                        .orElse("application/json");
                ways.add(new Way(
                        info.getMethodsCondition()
                                .getMethods()
                                .iterator()
                                .next()
                                .name(),
                        path,
                        type,
                        handler));
            }
        });
        assertTrue(ways.size() > 70, "only " + ways.size() + " ways were found");
    }

    @Test
    void everyHandlerSaysWhetherItChangesThePlan() {
        Set<String> wrong = new TreeSet<>();
        for (Way way : ways) {
            boolean asks = way.method().equals("GET") || way.method().equals("POST") && QUESTIONS.contains(way.last());
            if (!way.asksWho() || way.changes() == asks) {
                wrong.add(way.method() + " " + way.path());
            }
        }
        assertEquals(Set.of(), wrong);
    }

    @Test
    void whoMayOnlyLookChangesNothingAndAStrangerLearnsNothing() {
        Http reader = new Http(skelto, SeveralPeople.READER);
        Http stranger = new Http(skelto, SeveralPeople.STRANGER);
        String before = http.get(plan).text();
        for (Way way : ways) {
            String name = way.method() + " " + way.path();
            assertEquals(404, ask(stranger, way).status(), name);
            if (way.changes()) {
                assertEquals(403, ask(reader, way).status(), name);
            } else if (!way.path().endsWith("/copy")) {
                assertFalse(Set.of(401, 403, 405, 415).contains(ask(reader, way).status()), name);
            }
        }
        assertEquals(before, http.get(plan).text());
        assertEquals(200, reader.get(plan + "/assessment").status());
        assertTrue(reader.delete(plan).text().contains("not change it"));
    }

    private Http.Answer ask(Http who, Way way) {
        // whatever else is missing: who asks is looked at first
        return who.ask(way.method(), way.on(plan), "GET".equals(way.method()) ? "" : "{}", way.type(), "\"1\"");
    }

    @Test
    void whatIsStoredCarriesWhoStoredIt() {
        Http maud = new Http(skelto, "maud");
        String own = "/api/plans/"
                + maud.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        long revision = maud.get(own).json().get("revision").asLong();
        maud.patch(own, revision, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Maud's\"}]");
        http.postMatching(own + "/undo", revision + 1);
        String heights = "ncols 2\nnrows 2\nxllcorner 0\nyllcorner 0\ncellsize 50\nNODATA_value -9999\n1 2\n3 4\n";
        assertEquals(
                200,
                maud.ask("PUT", own + "/ground?name=g.asc", heights, "application/octet-stream", "\"1\"")
                        .status());
        String drawing = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"10\" height=\"10\"/>";
        assertEquals(
                201,
                maud.postAs(own + "/pictures", drawing, "application/octet-stream")
                        .status());
        JdbcClient jdbc = skelto.bean(JdbcClient.class);
        String id = own.substring(own.lastIndexOf('/') + 1);
        assertEquals(
                List.of("maud", "local"),
                jdbc.sql("select author from plan_revision where plan_id = ?::uuid order by number")
                        .param(id)
                        .query(String.class)
                        .list());
        for (String table : List.of("picture", "ground", "reading", "field_reading")) {
            assertEquals(
                    Set.of("maud"),
                    jdbc.sql("select author from " + table + " where plan_id = ?::uuid")
                            .param(id)
                            .query(String.class)
                            .set(),
                    table);
        }
        assertEquals(
                "maud",
                jdbc.sql("select author from plan where id = ?::uuid")
                        .param(id)
                        .query(String.class)
                        .single());
        http.delete(own);
    }

    @Test
    void aJobIsSeenAndCancelledByWhoAskedForItOnly() {
        Http maud = new Http(skelto, "maud");
        String asked = "{\"medium\":\"WIFI_2G4\",\"goal\":\"FEWEST\",\"cover\":\"DEVICES\",\"times\":1,\"keep\":true,"
                + "\"building\":null,\"boxCost\":60,\"outletCost\":90}";
        Http.Answer started = maud.post(plan + "/placement", asked);
        assertEquals(202, started.status(), started.text());
        String job = "/api/jobs/" + started.json().get("job").asString();
        assertEquals(200, maud.get(job).status());
        assertEquals(404, http.get(job).status());
        assertEquals(404, http.delete(job).status());
        assertEquals(204, maud.delete(job).status());
    }
}
