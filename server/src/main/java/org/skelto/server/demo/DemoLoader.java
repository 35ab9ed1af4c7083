package org.skelto.server.demo;

import java.io.IOException;
import java.io.InputStream;
import org.skelto.core.plan.Plan;
import org.skelto.server.plans.Plans;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Loads the demo once; who deletes it does not get it back. */
@Component
@ConditionalOnBooleanProperty("skelto.demo")
class DemoLoader implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
    private static final String MARK = "demo-loaded";

    private final Plans plans;
    private final JsonMapper mapper;
    private final JdbcClient jdbc;

    DemoLoader(Plans plans, JsonMapper mapper, JdbcClient jdbc) {
        this.plans = plans;
        this.mapper = mapper;
        this.jdbc = jdbc;
    }

    @Override
    @Transactional
    public void run(ApplicationArguments args) throws IOException {
        int fresh = jdbc.sql("insert into setting (name, content) values (?, 'yes') on conflict do nothing")
                .param(MARK)
                .update();
        if (fresh == 1) {
            try (InputStream in = new ClassPathResource("demo/marrowby-leat.skelto.json").getInputStream()) {
                plans.create(mapper.readValue(in, Plan.class));
            }
            LOG.info("loaded the demo, Marrowby Leat");
        }
    }
}
