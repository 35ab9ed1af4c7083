package org.skelto.server.backup;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.DigestInputStream;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.flywaydb.core.Flyway;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyManager;
import org.skelto.server.health.Schema;
import org.springframework.jdbc.datasource.SimpleDriverDataSource;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Writes all tables of a database into one file and makes a database of such a file. */
final class Backup {
    private static final String MANIFEST = "manifest.json";
    private static final int MOST_MANIFEST = 100_000;
    private static final JsonMapper MAPPER = new JsonMapper();

    private final String url;
    private final String user;
    private final String password;

    Backup(String url, String user, String password) {
        this.url = url;
        this.user = user;
        this.password = password;
    }

    /** Why a backup cannot be made or used, in words. */
    static final class Trouble extends Exception {
        private static final long serialVersionUID = 1L;

        Trouble(String message) {
            super(message);
        }
    }

    private SimpleDriverDataSource database() {
        return new SimpleDriverDataSource(new org.postgresql.Driver(), url, user, password);
    }

    /**
     * Writes everything as it is at one moment, while others go on working, and reads it again before it gets its name.
     *
     * @param program version of this program
     */
    Manifest save(Path file, String program, Clock clock) throws IOException, SQLException, Trouble {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        Files.deleteIfExists(part);
        Files.createFile(part, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try {
            Manifest manifest = write(part, program, clock);
            verify(part);
            Files.move(part, file, StandardCopyOption.ATOMIC_MOVE);
            return manifest;
        } finally {
            Files.deleteIfExists(part);
        }
    }

    private Manifest write(Path file, String program, Clock clock) throws IOException, SQLException {
        try (Connection connection = database().getConnection();
                ZipOutputStream zip =
                        new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(file), 1 << 16))) {
            connection.setAutoCommit(false);
            connection.setReadOnly(true);
            // every table as it was at the same moment
            connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
            CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
            Map<String, Manifest.Table> tables = new TreeMap<>();
            for (String table : tables(connection)) {
                zip.putNextEntry(new ZipEntry(table + ".csv"));
                Counting counted = new Counting(zip);
                String columns = String.join(", ", columns(connection, table));
                long rows = copies.copyOut(
                        "copy (select " + columns + " from " + table
                                + " order by 1, 2) to stdout with (format csv, header)",
                        counted);
                zip.closeEntry();
                tables.put(table, new Manifest.Table(rows, counted.bytes, counted.sum()));
            }
            Manifest manifest = new Manifest(
                    Manifest.FORMAT,
                    program,
                    schema(connection),
                    clock.instant().truncatedTo(ChronoUnit.SECONDS),
                    tables);
            connection.rollback();
            zip.putNextEntry(new ZipEntry(MANIFEST));
            zip.write(MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(manifest));
            zip.closeEntry();
            return manifest;
        }
    }

    /** Reads all of a backup and compares it with its manifest. */
    static Manifest verify(Path file) throws IOException, Trouble {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            Manifest manifest = manifest(zip);
            for (Map.Entry<String, Manifest.Table> table : manifest.tables().entrySet()) {
                ZipEntry entry = zip.getEntry(table.getKey() + ".csv");
                if (entry == null) {
                    throw new Trouble("The backup is damaged: it lacks " + table.getKey() + ".");
                }
                try (Summed in =
                        new Summed(zip.getInputStream(entry), table.getValue().bytes())) {
                    in.transferTo(OutputStream.nullOutputStream());
                    if (!in.sum().equals(table.getValue().sha256())) {
                        throw new Trouble("The backup is damaged: " + table.getKey() + " is not what was written.");
                    }
                }
            }
            return manifest;
        } catch (java.util.zip.ZipException e) {
            throw new Trouble("This is no backup of Skelto, or it is damaged.");
        }
    }

    private static Manifest manifest(ZipFile zip) throws IOException, Trouble {
        ZipEntry entry = zip.getEntry(MANIFEST);
        if (entry == null || entry.getSize() > MOST_MANIFEST) {
            throw new Trouble("This is no backup of Skelto.");
        }
        try (InputStream in = zip.getInputStream(entry)) {
            Manifest manifest = MAPPER.readValue(in.readNBytes(MOST_MANIFEST), Manifest.class);
            if (!Manifest.FORMAT.equals(manifest.format())) {
                throw new Trouble("The backup has the form " + manifest.format() + "; this program reads "
                        + Manifest.FORMAT + ".");
            }
            if (manifest.tables() == null
                    || manifest.schema() == null
                    || !manifest.schema().matches("\\d{1,6}")
                    || manifest.tables().keySet().stream().anyMatch(t -> !t.matches("[a-z_]{1,60}"))
                    || manifest.tables().containsValue(null)) {
                throw new Trouble("The backup is damaged: its manifest says nothing that can be.");
            }
            return manifest;
        } catch (JacksonException e) {
            throw new Trouble("The backup is damaged: its manifest cannot be read.");
        }
    }

    /** Fills an empty database with a backup and brings it up to date; all of it or nothing. */
    Manifest restore(Path file) throws IOException, SQLException, Trouble {
        Manifest manifest = verify(file);
        Flyway whole = Flyway.configure().dataSource(database()).load();
        String known = Schema.known(whole).orElseThrow().getVersion();
        if (Integer.parseInt(manifest.schema()) > Integer.parseInt(known)) {
            throw new Trouble("The backup is of a newer Skelto (" + manifest.program()
                    + "): it has the form " + manifest.schema() + ", this program knows up to " + known
                    + ". Restore it with that program or a later one.");
        }
        Flyway.configure()
                .dataSource(database())
                .target(manifest.schema())
                .load()
                .migrate();
        try (ZipFile zip = new ZipFile(file.toFile());
                Connection connection = database().getConnection()) {
            connection.setAutoCommit(false);
            CopyManager copies = connection.unwrap(PGConnection.class).getCopyAPI();
            List<String> here = tables(connection);
            for (String table : manifest.tables().keySet()) {
                if (!here.contains(table)) {
                    throw new Trouble("The backup is damaged: there is no table " + table + " in its form.");
                }
            }
            try (Statement statement = connection.createStatement()) {
                // what the migrations themselves put in comes with the backup
                statement.execute("truncate table " + String.join(", ", here));
            }
            for (String table : inOrder(connection, here)) {
                if (manifest.tables().containsKey(table)) {
                    fill(zip, connection, copies, table, manifest.tables().get(table));
                }
            }
            connection.commit();
        }
        Schema.migrate(whole);
        return manifest;
    }

    private static void fill(
            ZipFile zip, Connection connection, CopyManager copies, String table, Manifest.Table expected)
            throws IOException, SQLException, Trouble {
        ZipEntry entry = zip.getEntry(table + ".csv");
        try (InputStream in = zip.getInputStream(entry)) {
            StringBuilder head = new StringBuilder();
            for (int c = in.read(); c >= 0 && c != '\n' && head.length() < 4000; c = in.read()) {
                head.append((char) c);
            }
            List<String> columns = List.of(head.toString().strip().split(","));
            if (!columns(connection, table).containsAll(columns)) {
                throw new Trouble("The backup is damaged: " + table + " has columns that it cannot have.");
            }
            long rows = copies.copyIn(
                    "copy " + table + " (" + String.join(", ", columns) + ") from stdin with (format csv)", in);
            if (rows != expected.rows()) {
                throw new Trouble(
                        "The backup is damaged: " + table + " has " + rows + " rows, not " + expected.rows() + ".");
            }
        }
        for (String column : numbered(connection, table)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute("select setval(pg_get_serial_sequence('" + table + "', '" + column + "'), "
                        + "coalesce((select max(" + column + ") from " + table + "), 0) + 1, false)");
            }
        }
    }

    private static List<String> strings(Connection connection, String sql, String... values) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                statement.setString(i + 1, values[i]);
            }
            try (ResultSet rows = statement.executeQuery()) {
                List<String> all = new ArrayList<>();
                while (rows.next()) {
                    all.add(rows.getString(1));
                }
                return all;
            }
        }
    }

    /** The tables of the program; how far they were brought is in the manifest. */
    private static List<String> tables(Connection connection) throws SQLException {
        return strings(
                connection,
                "select table_name from information_schema.tables where table_schema = 'public'"
                        + " and table_type = 'BASE TABLE' and table_name <> 'flyway_schema_history' order by 1");
    }

    private static List<String> columns(Connection connection, String table) throws SQLException {
        return strings(
                connection,
                "select column_name from information_schema.columns where table_schema = 'public' and table_name = ?"
                        + " order by ordinal_position",
                table);
    }

    private static List<String> numbered(Connection connection, String table) throws SQLException {
        return strings(
                connection,
                "select column_name from information_schema.columns where table_schema = 'public' and table_name = ?"
                        + " and is_identity = 'YES'",
                table);
    }

    /** Those that others refer to come first. */
    private static List<String> inOrder(Connection connection, List<String> tables) throws SQLException {
        List<String> referred = strings(
                connection,
                "select distinct confrelid::regclass::text from pg_constraint where contype = 'f' and confrelid <> conrelid");
        List<String> sorted = new ArrayList<>(tables);
        sorted.sort(java.util.Comparator.comparing((String t) -> !referred.contains(t)));
        return sorted;
    }

    private static String schema(Connection connection) throws SQLException {
        return strings(
                        connection,
                        "select version from flyway_schema_history where success and version is not null"
                                + " order by installed_rank desc limit 1")
                .get(0);
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Counts and sums what goes through, and leaves what is below it open. */
    private static final class Counting extends DigestOutputStream {
        private long bytes;

        Counting(OutputStream out) {
            super(out, sha256());
        }

        @Override
        public void write(byte[] from, int offset, int length) throws IOException {
            bytes += length;
            super.write(from, offset, length);
        }

        @Override
        public void write(int one) throws IOException {
            bytes++;
            super.write(one);
        }

        @Override
        public void close() {
            // the file goes on
        }

        String sum() {
            return HexFormat.of().formatHex(digest.digest());
        }
    }

    /** Sums what is read, and reads no more than the manifest says. */
    private static final class Summed extends DigestInputStream {
        private long left;

        Summed(InputStream in, long most) {
            super(in, sha256());
            left = most;
        }

        @Override
        public int read(byte[] to, int offset, int length) throws IOException {
            int count = super.read(to, offset, length);
            left -= Math.max(count, 0);
            if (left < 0) {
                throw new IOException("The backup is damaged: a table is longer than its manifest says.");
            }
            return count;
        }

        String sum() {
            return HexFormat.of().formatHex(digest.digest());
        }
    }
}
