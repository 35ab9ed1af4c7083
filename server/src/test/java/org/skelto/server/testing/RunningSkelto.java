package org.skelto.server.testing;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.AppenderBase;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.skelto.server.SkeltoServer;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the real application on a free port with a real PostgreSQL, once for all tests of a run. Tests take it as a
 * parameter.
 */
public final class RunningSkelto implements ParameterResolver, BeforeEachCallback, AfterEachCallback {
    /** What the application logged as its own mistake; none is expected that a test does not ask for. */
    private static final class Mistakes extends AppenderBase<ILoggingEvent> {
        private final Queue<String> seen = new ConcurrentLinkedQueue<>();

        @Override
        protected void append(ILoggingEvent event) {
            if (event.getLevel().isGreaterOrEqual(Level.ERROR)) {
                seen.add(event.getLoggerName() + ": " + event.getFormattedMessage());
            }
        }
    }

    /** The running application. */
    public static final class Skelto implements AutoCloseable {
        public final TestDatabase database;
        private final ConfigurableApplicationContext context;
        public final String url;
        private final Mistakes mistakes = new Mistakes();

        Skelto() throws IOException {
            database = new TestDatabase();
            int port = TestDatabase.freePort();
            SpringApplication application = new SpringApplication(SkeltoServer.class);
            application.setDefaultProperties(Map.of());
            context = application.run(
                    "--server.port=" + port,
                    // how long something may take is not what is tried, on a machine that may be busy
                    "--skelto.budget.request-ms=300000",
                    "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + database.port + "/postgres",
                    "--spring.datasource.username=skelto");
            url = "http://127.0.0.1:" + port;
            Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
            mistakes.setContext(root.getLoggerContext());
            mistakes.start();
            root.addAppender(mistakes);
        }

        /** The mistakes logged until now, which are no longer unexpected. */
        public List<String> mistakes() {
            List<String> all = List.copyOf(mistakes.seen);
            mistakes.seen.clear();
            return all;
        }

        public <T> T bean(Class<T> type) {
            return context.getBean(type);
        }

        @Override
        public void close() {
            context.close();
            database.close();
        }
    }

    @Override
    public void beforeEach(ExtensionContext context) {
        known(context).ifPresent(Skelto::mistakes);
    }

    @Override
    public void afterEach(ExtensionContext context) {
        List<String> mistakes = known(context).map(Skelto::mistakes).orElse(List.of());
        if (!mistakes.isEmpty()) {
            throw new AssertionError("the application logged mistakes: " + mistakes);
        }
    }

    private static Optional<Skelto> known(ExtensionContext context) {
        return Optional.ofNullable(context.getRoot()
                .getStore(ExtensionContext.Namespace.create(RunningSkelto.class))
                .get("skelto", Skelto.class));
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Skelto.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return context.getRoot()
                .getStore(ExtensionContext.Namespace.create(RunningSkelto.class))
                .getOrComputeIfAbsent(
                        "skelto",
                        key -> {
                            try {
                                return new Skelto();
                            } catch (IOException e) {
                                throw new IllegalStateException(e);
                            }
                        },
                        Skelto.class);
    }
}
