package org.skelto.server.testing;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import org.skelto.server.people.Person;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks to the application as any client would. */
public final class Http {
    public static final JsonMapper MAPPER = new JsonMapper();
    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    private final String base;

    private final String person;

    public Http(RunningSkelto.Skelto skelto) {
        this(skelto, Person.LOCAL.id());
    }

    /** Asks as somebody of {@link SeveralPeople}. */
    public Http(RunningSkelto.Skelto skelto, String person) {
        this.base = skelto.url;
        this.person = person;
    }

    /** Status, body and the headers that matter. */
    public record Answer(int status, String text, String type, String tag) {
        public JsonNode json() {
            return MAPPER.readTree(text);
        }

        /** The pointers that a problem document names. */
        public java.util.List<String> places() {
            return json().get("errors")
                    .valueStream()
                    .map(e -> e.get("pointer").asString())
                    .toList();
        }
    }

    public Answer get(String path) {
        return send(HttpRequest.newBuilder(URI.create(base + path)).GET());
    }

    public Answer post(String path, String body) {
        return postAs(path, body, "application/json");
    }

    public Answer postAs(String path, String body, String type) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", type)
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Any request at all. */
    public Answer ask(String method, String path, String body, String type, String match) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .method(method.toUpperCase(java.util.Locale.ROOT), HttpRequest.BodyPublishers.ofString(body))
                .header("If-Match", match);
        return send(type == null ? request : request.header("Content-Type", type));
    }

    public Answer delete(String path) {
        return send(HttpRequest.newBuilder(URI.create(base + path)).DELETE());
    }

    /** Sends a JSON Patch for a revision; null sends no If-Match. */
    public Answer patch(String path, Long revision, String body) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json-patch+json")
                .method("PATCH", HttpRequest.BodyPublishers.ofString(body));
        return send(revision == null ? request : request.header("If-Match", "\"" + revision + "\""));
    }

    public Answer postMatching(String path, long revision) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("If-Match", "\"" + revision + "\"")
                .POST(HttpRequest.BodyPublishers.noBody()));
    }

    public Answer with(String path, String header, String value) {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header(header, value)
                .GET());
    }

    private Answer send(HttpRequest.Builder request) {
        request.header(SeveralPeople.HEADER, person);
        try {
            HttpResponse<String> response =
                    CLIENT.send(request.build(), HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
            return new Answer(
                    response.statusCode(),
                    response.body(),
                    response.headers().firstValue("Content-Type").orElse(""),
                    response.headers().firstValue("ETag").orElse(""));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
