package org.skelto.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * People who edit plans of the size of the mill, each a plan of their own, one edit every two seconds with the figures that
 * follow from it, as the page does it. Tells how long an edit with its figures takes, and every answer that is none.
 */
public final class PeopleAtOnce {
    private static final long EVERY_MS = 2000;
    private static final int TRIES = 6;
    private static final Pattern ID = Pattern.compile("\"id\":\"([0-9a-f-]{36})\"");
    private static final Pattern REVISION = Pattern.compile("\"revision\":(\\d+)");

    private final HttpClient client = HttpClient.newHttpClient();
    private final String base;
    private final List<Double> tookMs = Collections.synchronizedList(new ArrayList<>());
    private final Map<String, Integer> others = new ConcurrentHashMap<>();
    private final AtomicInteger lost = new AtomicInteger();

    private PeopleAtOnce(String base) {
        this.base = base;
    }

    /** {@code http://127.0.0.1:8080 PEOPLE SECONDS} against a server that runs. */
    public static void main(String[] args) throws Exception {
        new PeopleAtOnce(args[0]).run(Integer.parseInt(args[1]), Integer.parseInt(args[2]));
    }

    private void run(int people, int seconds) throws InterruptedException {
        ExecutorService all = Executors.newFixedThreadPool(people);
        for (int i = 0; i < people; i++) {
            Random random = new Random(i);
            all.execute(() -> {
                try {
                    person(random, seconds);
                } catch (IOException e) {
                    others.merge(String.valueOf(e.getMessage()), 1, Integer::sum);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            });
        }
        all.shutdown();
        all.awaitTermination(seconds + 120L, TimeUnit.SECONDS);
        List<Double> sorted = new ArrayList<>(tookMs);
        Collections.sort(sorted);
        System.out.printf(
                "%d people, %d edits with their figures: p50 %.0f ms, p95 %.0f ms, p99 %.0f ms, longest %.0f ms;"
                        + " edits lost %d; other answers %s%n",
                people,
                sorted.size(),
                at(sorted, 0.5),
                at(sorted, 0.95),
                at(sorted, 0.99),
                at(sorted, 1),
                lost.get(),
                new TreeMap<>(others));
    }

    private static double at(List<Double> sorted, double share) {
        return sorted.isEmpty() ? Double.NaN : sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()));
    }

    private void person(Random random, int seconds) throws IOException, InterruptedException {
        HttpResponse<String> made = patiently("POST", "/api/demos/marrowby-leat", "", null);
        Matcher id = ID.matcher(made.body());
        if (!id.find()) {
            return;
        }
        String plan = "/api/plans/" + id.group(1);
        long revision = 1;
        Thread.sleep(random.nextInt((int) EVERY_MS));
        long until = System.nanoTime() + seconds * 1_000_000_000L;
        while (System.nanoTime() < until) {
            long began = System.nanoTime();
            String name = "House " + random.nextInt(1_000_000);
            HttpResponse<String> edited = patiently(
                    "PATCH",
                    plan,
                    "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + name + "\"},"
                            + "{\"op\":\"replace\",\"path\":\"/units/meal-ap/place/xM\",\"value\":"
                            + (1 + random.nextInt(30) / 10.0) + "}]",
                    revision);
            Matcher now = REVISION.matcher(edited.body());
            if (edited.statusCode() == 200 && now.find()) {
                revision = Long.parseLong(now.group(1));
                HttpResponse<String> figures = patiently("GET", plan + "/assessment?without=", "", null);
                if (figures.statusCode() == 200) {
                    tookMs.add((System.nanoTime() - began) / 1e6);
                    if (!figures.body().contains("\"revision\":" + revision)) {
                        others.merge("figures of another revision", 1, Integer::sum);
                    }
                }
                HttpResponse<String> stored = patiently("GET", plan, "", null);
                if (stored.statusCode() == 200 && !stored.body().contains(name)) {
                    lost.incrementAndGet();
                }
            }
            Thread.sleep(Math.max(0, EVERY_MS - (System.nanoTime() - began) / 1_000_000));
        }
        patiently("DELETE", plan, "", null);
    }

    /** As the page does: asks again when it is told that there is too much to do. */
    private HttpResponse<String> patiently(String method, String path, String body, Long revision)
            throws IOException, InterruptedException {
        for (int tries = 1; ; tries++) {
            HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path))
                    .method(method, HttpRequest.BodyPublishers.ofString(body))
                    .header("Content-Type", "application/json-patch+json");
            if (revision != null) {
                request.header("If-Match", "\"" + revision + "\"");
            }
            HttpResponse<String> answer = client.send(request.build(), HttpResponse.BodyHandlers.ofString());
            if (answer.statusCode() >= 400) {
                others.merge(answer.statusCode() + " " + method, 1, Integer::sum);
            }
            if (answer.statusCode() != 429 || tries == TRIES) {
                return answer;
            }
            Thread.sleep(2000);
        }
    }
}
