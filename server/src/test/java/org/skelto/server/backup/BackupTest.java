package org.skelto.server.backup;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;

/** All of the data in one file and back, in real databases. */
@ExtendWith(RunningSkelto.class)
class BackupTest {
    private static final Clock NOW = Clock.fixed(Instant.parse("2026-11-27T12:00:00Z"), ZoneOffset.UTC);

    /** Made by the first program that could, and never made anew: later programs must take it in. */
    private static final Path FIRST = Path.of("src/test/resources/backups/2026-11-27.skelto-backup");

    @TempDir
    private Path folder;

    private Skelto skelto;

    @BeforeEach
    void anEmptyDatabase(Skelto running) throws SQLException {
        skelto = running;
        sql("postgres", "drop database if exists restored");
        sql("postgres", "create database restored");
    }

    @AfterEach
    void clear() throws SQLException {
        sql("postgres", "drop database if exists restored");
    }

    private String url(String database) {
        return "jdbc:postgresql://127.0.0.1:" + skelto.database.port + "/" + database;
    }

    private void sql(String database, String text) throws SQLException {
        try (Connection connection = DriverManager.getConnection(url(database), "skelto", "");
                Statement statement = connection.createStatement()) {
            statement.execute(text);
        }
    }

    private Backup of(String database) {
        return new Backup(url(database), "skelto", "");
    }

    private static Map<String, String> tables(Path file) throws IOException {
        Map<String, String> all = new TreeMap<>();
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (ZipEntry entry : zip.stream().toList()) {
                if (entry.getName().endsWith(".csv")) {
                    all.put(
                            entry.getName(),
                            new String(zip.getInputStream(entry).readAllBytes(), StandardCharsets.UTF_8));
                }
            }
        }
        return all;
    }

    @Test
    void whatIsSavedComesBackToTheLastRow() throws Exception {
        Http http = new Http(skelto);
        String plan = "/api/plans/"
                + http.post("/api/demos/marrowby-leat", "").json().get("id").asString();
        http.patch(plan, 1L, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Quote \\\" and,\\ncomma ü\"}]");
        http.patch(plan, 1L, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Quote \\\" and, comma ü\"}]");
        Path first = folder.resolve("first");
        of("postgres").save(first, "0.1.0", NOW);
        of("restored").restore(first);
        Path second = folder.resolve("second");
        of("restored").save(second, "0.1.0", NOW);
        assertEquals(tables(first), tables(second));
        // and the next row gets a number of its own
        sql(
                "restored",
                "insert into plan_revision (plan_id, number, author, at, kind, label, forward, inverse)"
                        + " select id, 999, 'x', now(), 'EDIT', 'x', '[]', '[]' from plan limit 1");
        http.delete(plan);
    }

    @Test
    void aBackupOfTheFirstProgramIsTakenInByThisOne() throws Exception {
        Manifest manifest = of("restored").restore(FIRST);
        assertEquals(1, manifest.tables().get("plan").rows());
        try (Connection connection = DriverManager.getConnection(url("restored"), "skelto", "");
                Statement statement = connection.createStatement();
                var rows = statement.executeQuery(
                        "select document ->> 'name', (select count(*) from reading) from plan")) {
            assertTrue(rows.next());
            assertEquals("Marrowby Leat", rows.getString(1));
            assertEquals(manifest.tables().get("reading").rows(), rows.getLong(2));
        }
    }

    /** A reader that is not ours: a library for CSV, and one for JSON. */
    @Test
    void itsTablesCanBeReadWithoutThisProgram() throws IOException {
        try (ZipFile zip = new ZipFile(FIRST.toFile());
                InputStream in = zip.getInputStream(zip.getEntry("plan.csv"));
                Reader reader = new InputStreamReader(in, StandardCharsets.UTF_8);
                CSVParser csv = CSVFormat.RFC4180
                        .builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .get()
                        .parse(reader)) {
            var row = csv.iterator().next();
            assertEquals("Marrowby Leat", row.get("name"));
            assertEquals(
                    "skelto-plan/1",
                    Http.MAPPER.readTree(row.get("document")).get("format").asString());
        }
    }

    private Path changed(String entry, byte[] content) throws IOException {
        Path file = folder.resolve("changed");
        try (ZipFile zip = new ZipFile(FIRST.toFile());
                ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
            for (ZipEntry one : zip.stream().toList()) {
                out.putNextEntry(new ZipEntry(one.getName()));
                out.write(
                        one.getName().equals(entry)
                                ? content
                                : zip.getInputStream(one).readAllBytes());
                out.closeEntry();
            }
        }
        return file;
    }

    private String manifest() throws IOException {
        try (ZipFile zip = new ZipFile(FIRST.toFile())) {
            return new String(zip.getInputStream(zip.getEntry("manifest.json")).readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private String refused(Path file) {
        return assertThrows(Backup.Trouble.class, () -> of("restored").restore(file))
                .getMessage();
    }

    @Test
    void whatIsDamagedNewerOrNoBackupIsRefusedInASentence() throws IOException {
        assertTrue(refused(changed("setting.csv", "name,content\nx,y\n".getBytes(StandardCharsets.UTF_8)))
                .contains("setting is not what was written"));
        assertTrue(refused(changed(
                        "manifest.json",
                        manifest()
                                .replace("\"schema\" : \"7\"", "\"schema\" : \"99\"")
                                .getBytes(StandardCharsets.UTF_8)))
                .contains("newer Skelto"));
        assertTrue(refused(changed(
                        "manifest.json",
                        manifest().replace("\"setting\"", "\"pg_authid; drop\"").getBytes(StandardCharsets.UTF_8)))
                .contains("damaged"));
        assertTrue(refused(changed("manifest.json", "{}".getBytes(StandardCharsets.UTF_8)))
                .contains("form"));
        assertTrue(refused(changed("manifest.json", "nonsense".getBytes(StandardCharsets.UTF_8)))
                .contains("cannot be read"));
        Path text = Files.writeString(folder.resolve("text"), "no zip");
        assertTrue(refused(text).contains("no backup"));
    }

    @Test
    void aBackupThatCannotBeWrittenLeavesNothingBehind() {
        Path nowhere = folder.resolve("no/such/folder/file");
        assertThrows(IOException.class, () -> of("postgres").save(nowhere, "0.1.0", NOW));
        Path file = folder.resolve("file");
        assertThrows(SQLException.class, () -> of("no_such_database").save(file, "0.1.0", NOW));
        assertFalse(Files.exists(file) || Files.exists(folder.resolve("file.part")));
    }
}
