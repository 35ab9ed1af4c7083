package org.skelto.server.load;

import java.io.IOException;
import java.time.Duration;
import org.apache.coyote.Adapter;
import org.apache.coyote.Processor;
import org.apache.coyote.http11.AbstractHttp11Protocol;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.coyote.http11.Http11Processor;
import org.apache.tomcat.util.net.AbstractEndpoint.Handler.SocketState;
import org.apache.tomcat.util.net.SocketWrapperBase;

/**
 * HTTP/1.1 with a bound on the time that the headers of a request may take altogether: the web server itself bounds only the
 * time between two bytes. It is made by its name.
 */
public final class BoundedHeads extends Http11NioProtocol {
    private volatile long headNanos = Duration.ofSeconds(10).toNanos();

    void setHeadTime(Duration time) {
        headNanos = time.toNanos();
    }

    @Override
    protected Processor createProcessor() {
        return new Bounded(this, getAdapter());
    }

    private final class Bounded extends Http11Processor {
        private SocketWrapperBase<?> of;
        private long unfinishedSince;
        private boolean unfinished;

        Bounded(AbstractHttp11Protocol<?> protocol, Adapter adapter) {
            super(protocol, adapter);
        }

        @Override
        public SocketState service(SocketWrapperBase<?> connection) throws IOException {
            if (of != connection) {
                of = connection;
                unfinished = false;
            }
            if (unfinished && System.nanoTime() - unfinishedSince > headNanos) {
                unfinished = false;
                return SocketState.CLOSED;
            }
            SocketState state = super.service(connection);
            boolean waitsForHead = state == SocketState.LONG && !isAsync();
            if (waitsForHead && !unfinished) {
                unfinishedSince = System.nanoTime();
            }
            unfinished = waitsForHead;
            return state;
        }
    }
}
