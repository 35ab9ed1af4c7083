package org.skelto.server;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The time, for all who need it; days begin where the machine stands. */
@Configuration
class Clocks {
    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
