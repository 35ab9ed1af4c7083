package org.skelto.server.testing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;

/** Independent readers of what Skelto writes, which run beside; their packages are installed when they are not there. */
public final class Readers {
    private static final Path FOLDER = Path.of("readers");
    private static final int INSTALL_S = 240;
    private static final int READ_S = 60;

    private Readers() {}

    /** What a reader says of a file. */
    public static String ran(String reader, Path file) throws Exception {
        synchronized (Readers.class) {
            ran(
                    INSTALL_S,
                    "flock",
                    ".",
                    "sh",
                    Path.of("..", "web", "scripts", "packages.sh")
                            .toAbsolutePath()
                            .toString());
        }
        return ran(READ_S, "node", reader, file.toString());
    }

    private static String ran(int seconds, String... command) throws Exception {
        Process process = new ProcessBuilder(command)
                .directory(FOLDER.toFile())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertTrue(process.waitFor(seconds, TimeUnit.SECONDS), said);
        assertEquals(0, process.exitValue(), said);
        return said;
    }
}
