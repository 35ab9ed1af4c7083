package org.skelto.server.load;

import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/** What the application must ask of the connection below it. */
final class Connections {
    private static final String BELOW = Connections.class.getName();

    private Connections() {}

    /** Does not wait for the rest of a body that nobody reads; the connection ends with the answer. */
    static void closeAfterAnswer(ServletRequest request) {
        act(request, ActionCode.DISABLE_SWALLOW_INPUT, null);
    }

    /** Ends the connection at once. */
    static void close(ServletRequest request) {
        act(request, ActionCode.CLOSE_NOW, new IOException("the answer was not taken in time"));
    }

    private static void act(ServletRequest request, ActionCode what, Object with) {
        if (request.getAttribute(BELOW) instanceof org.apache.coyote.Request below) {
            below.action(what, with);
        }
    }

    /** Lets the application reach the connection, and never waits for bodies that were not read. */
    static final class Reach extends ValveBase {
        Reach() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            request.setAttribute(BELOW, request.getCoyoteRequest());
            getNext().invoke(request, response);
            if (!request.isAsync() && !request.isFinished()) {
                closeAfterAnswer(request);
            }
        }
    }
}
