package org.skelto.server.backup;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;

/** Saves and restores from the command line; the start script finds and opens the database for it. */
public final class BackupTool {
    private BackupTool() {}

    /**
     * {@code save FILE}, {@code verify FILE} or {@code restore FILE}; the database is named by SKELTO_BACKUP_URL,
     * SKELTO_PG_USER and SKELTO_PG_PASSWORD. Ends with 0, or with 1 and a sentence.
     */
    public static void main(String[] args) {
        System.exit(run(args));
    }

    private static int run(String... args) {
        Path file = Path.of(args[1]);
        try {
            Backup backup = new Backup(
                    System.getenv("SKELTO_BACKUP_URL"),
                    System.getenv("SKELTO_PG_USER"),
                    System.getenv("SKELTO_PG_PASSWORD"));
            if (!args[0].equals("save") && !Files.isReadable(file)) {
                System.err.println("There is no file " + file + " that can be read.");
                return 1;
            }
            Manifest manifest = switch (args[0]) {
                case "save" -> backup.save(file, System.getenv("SKELTO_VERSION"), Clock.systemUTC());
                case "verify" -> Backup.verify(file);
                default -> backup.restore(file);
            };
            System.out.println(manifest.tables().get("plan").rows() + " plans, "
                    + manifest.tables().get("plan_revision").rows() + " edits, form " + manifest.schema()
                    + ", made by " + manifest.program() + " at " + manifest.madeAt());
            return 0;
        } catch (Backup.Trouble e) {
            System.err.println(e.getMessage());
        } catch (IOException e) {
            System.err.println("The file " + file + " cannot be read or written: " + e.getMessage());
        } catch (SQLException e) {
            System.err.println(
                    "53100".equals(e.getSQLState())
                            ? "The disk is full."
                            : "The database does not do it: " + e.getMessage());
        } catch (RuntimeException e) {
            System.err.println(e.getMessage());
        }
        return 1;
    }
}
