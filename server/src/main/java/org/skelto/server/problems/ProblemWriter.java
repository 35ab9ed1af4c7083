package org.skelto.server.problems;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;

/** Problem documents of what is refused before or behind the application itself. */
public final class ProblemWriter {
    private static final String AGAIN_S = "2";

    private ProblemWriter() {}

    /**
     * Writes a problem document in place of an answer.
     *
     * @param detail a sentence without quotes
     */
    public static void write(HttpServletResponse response, int status, String title, String detail) throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json;charset=UTF-8");
        byte[] document = document(status, title, detail).getBytes(StandardCharsets.UTF_8);
        response.setContentLength(document.length);
        response.getOutputStream().write(document);
        // told for good: the connection may be ended with the rest of the request unread
        response.flushBuffer();
    }

    /** Refuses for now, and says when to try again. */
    public static void tooMuch(HttpServletResponse response, String why) throws IOException {
        response.setHeader("Retry-After", AGAIN_S);
        write(response, 429, "Too Many Requests", why + " Nothing was changed; try again in a moment.");
    }

    static String document(int status, String title, String detail) {
        return "{\"status\":" + status + ",\"title\":\"" + title + "\",\"detail\":\"" + detail + "\",\"errors\":[]}";
    }
}
