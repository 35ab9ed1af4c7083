package org.skelto.server.page;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.skelto.server.problems.ProblemWriter;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other sites' pages out: answers only to loopback names, so that a foreign name resolved to this machine gets
 * nothing, and refuses edits that another origin sends.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LocalOnly extends OncePerRequestFilter {
    private static final Set<String> NAMES = Set.of("127.0.0.1", "localhost", "[::1]", "::1");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String origin = request.getHeader("Origin");
        String own = request.getScheme() + "://" + request.getHeader("Host");
        if (!NAMES.contains(request.getServerName()) || origin != null && !origin.equals(own)) {
            ProblemWriter.write(response, 403, "Forbidden", "Skelto answers only its own page on this machine.");
            return;
        }
        chain.doFilter(request, response);
    }
}
