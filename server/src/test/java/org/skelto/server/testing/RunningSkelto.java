package org.skelto.server.testing;

import java.io.IOException;
import java.util.Map;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.skelto.server.SkeltoServer;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the real application on a free port with a real PostgreSQL, once for all tests of a run. Tests take it as a
 * parameter.
 */
public final class RunningSkelto implements ParameterResolver {
    /** The running application. */
    public static final class Skelto implements AutoCloseable {
        public final TestDatabase database;
        private final ConfigurableApplicationContext context;
        public final String url;

        Skelto() throws IOException {
            database = new TestDatabase();
            int port = TestDatabase.freePort();
            SpringApplication application = new SpringApplication(SkeltoServer.class);
            application.setDefaultProperties(Map.of());
            context = application.run(
                    "--server.port=" + port,
                    "--spring.datasource.url=jdbc:postgresql://127.0.0.1:" + database.port + "/postgres",
                    "--spring.datasource.username=skelto");
            url = "http://127.0.0.1:" + port;
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
