package org.skelto.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.TestDatabase;

/** The start script as people use it, on a data folder of its own, with processes that end when nobody expects it. */
class ScriptTest {
    private static final Path HOME = Path.of("").toAbsolutePath().getParent();
    private static final HttpClient CLIENT = HttpClient.newHttpClient();
    private static Path app;

    private final List<Process> begun = new ArrayList<>();
    private Path folder;
    private Path data;
    private int port;
    private int databasePort;

    @BeforeAll
    static void takeTheApplicationApart() throws Exception {
        app = Files.createTempDirectory("skelto-app").resolve("app");
        Files.setPosixFilePermissions(app.getParent(), PosixFilePermissions.fromString("rwxr-xr-x"));
        Path jar = HOME.resolve("server/target/skelto-server-0.1.0-app.jar");
        Process extract = new ProcessBuilder(
                        "java", "-Djarmode=tools", "-jar", jar.toString(), "extract", "--destination", app.toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        assertEquals(0, extract.waitFor(), "the application was packaged before");
        // quick starts are prepared only where a person starts it: here that would cost more than it saves
        Files.createFile(app.resolve("app.jsa"));
    }

    @BeforeEach
    void begin() throws IOException {
        folder = Files.createTempDirectory("skelto-script");
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
        data = folder.resolve("data");
        port = TestDatabase.freePort();
        databasePort = TestDatabase.freePort();
    }

    @AfterEach
    void end() throws Exception {
        script("stop");
        for (Process process : begun) {
            process.destroyForcibly();
        }
        remove(folder);
    }

    private static void remove(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
        }
    }

    private record Said(int code, String text) {}

    private Process begin(String... words) throws IOException {
        List<String> command = new ArrayList<>(List.of(HOME.resolve("skelto").toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("SKELTO_DATA", data.toString());
        builder.environment().put("SKELTO_APP", app.toString());
        builder.environment().put("SKELTO_PORT", Integer.toString(port));
        builder.environment().put("SKELTO_PG_PORT", Integer.toString(databasePort));
        builder.redirectOutput(folder.resolve("said-" + begun.size()).toFile());
        Process process = builder.start();
        begun.add(process);
        return process;
    }

    private String said(Process process) throws IOException {
        return Files.readString(folder.resolve("said-" + begun.indexOf(process)));
    }

    private Said script(String... words) throws Exception {
        Process process = begin(words);
        assertTrue(process.waitFor(90, TimeUnit.SECONDS), words[0] + " goes on: " + said(process));
        return new Said(process.exitValue(), said(process));
    }

    private Process started() throws Exception {
        Process start = begin("start");
        until("it is ready", () -> {
            assertTrue(start.isAlive(), said(start));
            return said(start).contains("ready at");
        });
        return start;
    }

    /** Something that becomes true. */
    private interface Check {
        boolean holds() throws Exception;
    }

    private static void until(String what, Check check) throws Exception {
        for (int i = 0; i < 450; i++) {
            if (check.holds()) {
                return;
            }
            Thread.sleep(200);
        }
        throw new AssertionError("not within a minute and a half: " + what);
    }

    private HttpResponse<String> ask(String method, String path, String body) throws Exception {
        return CLIENT.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .header("Content-Type", "application/json")
                        .method(method, HttpRequest.BodyPublishers.ofString(body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private boolean healthy() {
        try {
            return ask("GET", "/healthz", "").statusCode() == 200;
        } catch (Exception e) {
            return false;
        }
    }

    private long process(String name) throws IOException {
        return Long.parseLong(Files.readString(data.resolve(name + ".pid")).split(" ")[0]);
    }

    private long postmaster() throws IOException {
        return Long.parseLong(Files.readAllLines(data.resolve("postgres/postmaster.pid"))
                .get(0)
                .strip());
    }

    private static void kill(long process) {
        assertTrue(ProcessHandle.of(process).orElseThrow().destroyForcibly());
    }

    private String plans() throws Exception {
        return ask("GET", "/api/plans", "").body();
    }

    @Test
    void whatEndsIsStartedAgainAndNothingIsLost() throws Exception {
        Process start = started();
        assertEquals(201, ask("POST", "/api/demos/sorrel-steps", "").statusCode());
        String before = plans();
        assertEquals(
                "rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(data.resolve("server.log"))));

        kill(postmaster());
        until("the database is back", () -> said(start).contains("the database ended") && healthy());
        assertEquals(before, plans());

        kill(process("server"));
        until("the server is back", () -> said(start).contains("ready again") && healthy());
        assertEquals(before, plans());
        assertTrue(
                Files.readString(data.resolve("server.log")).split("Starting SkeltoServer").length > 2,
                "the log is kept");

        Said second = script("start");
        assertEquals(1, second.code());
        assertTrue(second.text().contains("already running at http://127.0.0.1:" + port), second.text());
        assertTrue(start.isAlive());

        // the keeper ends without a word: server and database go on, and the next start takes over
        long server = process("server");
        kill(process("keeper"));
        until("the keeper is gone", () -> !start.isAlive());
        Process next = started();
        assertTrue(said(next).contains("nobody keeps any more"), said(next));
        assertNotEquals(server, process("server"));
        assertEquals(before, plans());

        // a start right behind a stop, with somebody still listening to events
        ask("POST", "/api/plans", "{\"name\":\"Long work\",\"region\":\"EU\",\"mainsVoltageV\":230}");
        long began = System.nanoTime();
        Said stopped = script("stop");
        assertTrue(stopped.code() == 0 && stopped.text().contains("stopped"), stopped.text());
        assertTrue(System.nanoTime() - began < 20_000_000_000L);
        started();
        assertTrue(healthy());
    }

    @Test
    void anOldNumberOfAProcessHarmsNoStranger() throws Exception {
        Process stranger = new ProcessBuilder("sleep", "300").start();
        begun.add(stranger);
        Files.createDirectories(data);
        for (String name : List.of("server", "keeper")) {
            Files.writeString(data.resolve(name + ".pid"), stranger.pid() + " 12345\n");
        }
        assertEquals(0, script("stop").code());
        assertTrue(stranger.isAlive());
        Files.writeString(data.resolve("server.pid"), stranger.pid() + "\n");
        Files.writeString(data.resolve("address"), "http://127.0.0.1:1/\n");
        started();
        assertTrue(stranger.isAlive());
        assertTrue(healthy());
    }

    @Test
    void aBackupMadeWhileRunningComesBackOnAnotherMachineAndData() throws Exception {
        started();
        assertEquals(201, ask("POST", "/api/demos/sorrel-steps", "").statusCode());
        String before = plans();
        Path file = folder.resolve("all.skelto-backup");
        Said saved = script("backup", file.toString());
        assertEquals(0, saved.code(), saved.text());
        assertTrue(saved.text().contains("2 plans"), saved.text());
        assertEquals("rw-------", PosixFilePermissions.toString(Files.getPosixFilePermissions(file)));
        assertEquals(1, script("restore", file.toString()).code(), "not while it is running");
        assertTrue(healthy());
        script("stop");

        Path first = data;
        data = folder.resolve("elsewhere");
        Said restored = script("restore", file.toString());
        assertEquals(0, restored.code(), restored.text());
        started();
        assertEquals(before, plans());
        script("stop");

        // a damaged one changes nothing
        byte[] bytes = Files.readAllBytes(file);
        bytes[bytes.length / 3] ^= 0x55;
        Path damaged = folder.resolve("damaged");
        Files.write(damaged, bytes);
        Said refused = script("restore", damaged.toString());
        assertEquals(1, refused.code(), refused.text());
        assertTrue(refused.text().contains("nothing was restored"), refused.text());
        data = first;
        // and one that replaces something leaves that
        Said replaced = script("restore", file.toString());
        assertTrue(replaced.text().contains("kept as database skelto_before_"), replaced.text());
        started();
        assertEquals(before, plans());
    }

    @Test
    void dataThatWasMovedIsFoundAndDataOfANewerProgramIsLeftAlone() throws Exception {
        started();
        String before = plans();
        script("stop");
        Path moved = folder.resolve("moved");
        Files.move(data, moved);
        data = moved;
        Process again = started();
        assertEquals(before, plans());
        String password = Files.readString(data.resolve("application-password"));
        String own = said(again).replaceAll("(?s).*127.0.0.1:(\\d+)\\n.*", "$1");
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:postgresql://127.0.0.1:" + own + "/skelto", "skelto_app", password);
                Statement statement = connection.createStatement()) {
            try (var rows = statement.executeQuery("select rolsuper or rolcreatedb or rolcreaterole from pg_roles"
                    + " where rolname = current_user")) {
                assertTrue(rows.next());
                assertFalse(rows.getBoolean(1), "the program's role can do nothing else");
            }
            try (var rows = statement.executeQuery("show data_checksums")) {
                assertTrue(rows.next());
                assertEquals("on", rows.getString(1));
            }
            statement.execute("insert into flyway_schema_history (installed_rank, version, description, type, script,"
                    + " checksum, installed_by, execution_time, success) values (999, '999', 'later', 'SQL',"
                    + " 'V999__later.sql', 1, 'skelto_app', 1, true)");
        }
        script("stop");
        Said refused = script("start");
        assertEquals(1, refused.code());
        assertTrue(refused.text().contains("The data is of a newer Skelto: its form is 999"), refused.text());
        assertFalse(Files.exists(data.resolve("server.pid")));
    }
}
