package org.skelto.server.health;

import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Looks at the database's form before it is used. */
@Configuration
class SchemaConfiguration {
    @Bean
    FlywayMigrationStrategy neverBack() {
        return Schema::migrate;
    }
}
