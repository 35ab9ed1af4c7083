package org.skelto.server.health;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;

/** The form of the database: brought up to date, never turned back. */
public final class Schema {
    private Schema() {}

    /** Brings a database up to what this program knows; refused when it is beyond that. */
    public static void migrate(Flyway flyway) {
        Optional<MigrationVersion> theirs = newest(flyway.info().applied());
        Optional<MigrationVersion> ours = known(flyway);
        if (theirs.isPresent() && ours.isPresent() && theirs.get().compareTo(ours.get()) > 0) {
            throw new NewerData(theirs.get().getVersion(), ours.get().getVersion());
        }
        flyway.migrate();
    }

    /** The newest form that this program knows. */
    public static Optional<MigrationVersion> known(Flyway flyway) {
        return newest(Arrays.stream(flyway.info().all())
                .filter(m -> m.getState().isResolved())
                .toArray(MigrationInfo[]::new));
    }

    private static Optional<MigrationVersion> newest(MigrationInfo... migrations) {
        return Arrays.stream(migrations)
                .map(MigrationInfo::getVersion)
                .filter(v -> v != null)
                .max(Comparator.naturalOrder());
    }
}
