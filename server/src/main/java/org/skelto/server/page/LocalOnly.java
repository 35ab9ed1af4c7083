package org.skelto.server.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other sites' pages out: answers only to loopback names, so that a foreign name resolved to this machine gets
 * nothing, and refuses edits that another origin sends.
 */
@Component
class LocalOnly extends OncePerRequestFilter {
    private static final Set<String> NAMES = Set.of("127.0.0.1", "localhost", "[::1]", "::1");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String origin = request.getHeader("Origin");
        String own = request.getScheme() + "://" + request.getHeader("Host");
        if (!NAMES.contains(request.getServerName()) || origin != null && !origin.equals(own)) {
            response.setStatus(403);
            response.setContentType("application/problem+json;charset=UTF-8");
            response.getWriter()
                    .write("{\"status\":403,\"title\":\"Forbidden\",\"detail\":\"Skelto answers only its own page on"
                            + " this machine.\",\"errors\":[]}");
            return;
        }
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        chain.doFilter(request, response);
    }
}
