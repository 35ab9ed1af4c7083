package org.skelto.server.demo;

import org.skelto.server.people.Person;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnBooleanProperty;
import org.springframework.context.SmartLifecycle;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Loads the first demo once, before the first request is answered; who deletes it does not get it back. */
@Component
@ConditionalOnBooleanProperty("skelto.demo")
class DemoLoader implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
    private static final String MARK = "demo-loaded";

    private final Demos demos;
    private final JdbcClient jdbc;

    DemoLoader(Demos demos, JdbcClient jdbc) {
        this.demos = demos;
        this.jdbc = jdbc;
    }

    /** Earlier than the web server, which comes last. */
    @Override
    public int getPhase() {
        return 0;
    }

    @Override
    @Transactional
    public void start() {
        int fresh = jdbc.sql("insert into setting (name, content) values (?, 'yes') on conflict do nothing")
                .param(MARK)
                .update();
        if (fresh == 1) {
            demos.make(Person.LOCAL, Demos.FIRST);
            LOG.info("loaded the demo, Marrowby Leat");
        }
    }

    @Override
    public void stop() {
        // nothing runs on
    }

    @Override
    public boolean isRunning() {
        return false;
    }
}
