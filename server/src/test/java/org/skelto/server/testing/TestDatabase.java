package org.skelto.server.testing;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import java.util.stream.Stream;

/** A real PostgreSQL of the tests' own on loopback, without the waiting for disks that people's data have. */
public final class TestDatabase implements AutoCloseable {
    private static final int TRIES = 50;
    private static final int LOWEST_PORT = 20_000;
    private static final int HIGHEST_PORT = 32_000;

    private final Path folder;
    private final String programs;
    private final boolean root = "root".equals(System.getProperty("user.name"));
    public final int port;

    TestDatabase() {
        try {
            folder = Files.createTempDirectory("skelto-test-db");
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
            programs = programs();
            port = freePort();
            if (root) {
                run(List.of("chown", "postgres", folder.toString()));
            }
            asDatabaseUser(
                    "initdb", "-D", data(), "-U", "skelto", "-E", "UTF8", "--locale=C.UTF-8", "--auth=trust", "-N");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        start();
        Runtime.getRuntime().addShutdownHook(new Thread(this::close));
    }

    private String data() {
        return folder.resolve("data").toString();
    }

    private static String programs() throws IOException {
        try (Stream<Path> versions = Files.list(Path.of("/usr/lib/postgresql"))) {
            return versions.map(v -> v.resolve("bin"))
                    .filter(b -> Files.isExecutable(b.resolve("initdb")))
                    .max(Comparator.naturalOrder())
                    .orElseThrow(() -> new IOException("PostgreSQL is not installed: apt-get install postgresql"))
                    .toString();
        }
    }

    /** A port nobody listens on, below those the system gives to connections, so that none takes it meanwhile. */
    public static int freePort() throws IOException {
        IOException taken = new IOException("no free port");
        for (int i = 0; i < TRIES; i++) {
            int port = ThreadLocalRandom.current().nextInt(LOWEST_PORT, HIGHEST_PORT);
            try (ServerSocket socket = new ServerSocket(port)) {
                return socket.getLocalPort();
            } catch (BindException e) {
                taken = e;
            }
        }
        throw taken;
    }

    /** Starts it again after {@link #stop}. */
    public void start() {
        String options = "-c listen_addresses=127.0.0.1 -p " + port
                + " -c unix_socket_directories='' -c fsync=off -c full_page_writes=off";
        asDatabaseUser("pg_ctl", "-D", data(), "-w", "-l", folder.resolve("log").toString(), "-o", options, "start");
    }

    /** Stops it as a failed machine would, without waiting for anybody. */
    public void stop() {
        asDatabaseUser("pg_ctl", "-D", data(), "-m", "immediate", "-w", "stop");
    }

    private void asDatabaseUser(String program, String... args) {
        List<String> command = new ArrayList<>();
        if (root) {
            command.addAll(List.of("runuser", "-u", "postgres", "--"));
        }
        command.add(programs + "/" + program);
        command.addAll(List.of(args));
        run(command);
    }

    private static void run(List<String> command) {
        try {
            Process process = new ProcessBuilder(command)
                    .directory(new File("/"))
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            int code = process.waitFor();
            if (code != 0) {
                throw new IllegalStateException(command + " ended with " + code);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        try {
            stop();
        } catch (IllegalStateException alreadyStopped) {
            // nothing left to stop
        }
        try (Stream<Path> files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
        } catch (IOException | UncheckedIOException e) {
            // the temporary folder is the system's to clear
        }
    }
}
