package org.skelto.server.load;

import jakarta.annotation.PreDestroy;
import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import org.skelto.server.problems.ProblemWriter;

/** Leads every request of the API through the gates of this package. */
final class Admission implements Filter {
    private static final String VISIT = Visit.class.getName();

    final LoadLimits limits;
    final BodyKinds kinds;
    final Budgets budgets;

    /** Unfinished bodies, so that one client cannot begin thousands. */
    final Gate arriving;

    /** Memory for large bodies and large answers, bytes. */
    final Gate memory;

    /** Work that takes much memory. */
    final Gate heavy = new Gate(1, 1, 60);

    final Gate turns;
    final ScheduledThreadPoolExecutor clock = new ScheduledThreadPoolExecutor(2, Admission::thread);

    Admission(LoadLimits limits, BodyKinds kinds, Budgets budgets) {
        this.limits = limits;
        this.kinds = kinds;
        this.budgets = budgets;
        this.arriving = new Gate(2L * limits.bodiesOfOne(), limits.bodiesOfOne(), 0);
        this.memory = new Gate(limits.memory().toBytes(), limits.memory().toBytes(), limits.queue());
        this.turns = new Gate(limits.turns(), limits.turnsOfOne(), limits.queue());
        clock.setRemoveOnCancelPolicy(true);
    }

    private static Thread thread(Runnable work) {
        Thread thread = new Thread(work, "admission");
        thread.setDaemon(true);
        return thread;
    }

    @Override
    public void doFilter(ServletRequest asked, ServletResponse answer, FilterChain chain)
            throws IOException, ServletException {
        HttpServletRequest request = (HttpServletRequest) asked;
        HttpServletResponse response = (HttpServletResponse) answer;
        String path = request.getRequestURI();
        Visit known = (Visit) request.getAttribute(VISIT);
        if (known != null) {
            known.compute(chain);
        } else if (!path.startsWith("/api/")) {
            if (Visit.hasBody(request)) {
                ProblemWriter.write(response, 400, "Bad Request", "Nothing can be sent here. Nothing was changed.");
                return;
            }
            chain.doFilter(request, response);
        } else if (kinds.watches(path)) {
            chain.doFilter(request, response);
        } else {
            Visit visit = new Visit(this, request, response);
            request.setAttribute(VISIT, visit);
            visit.begin(chain);
        }
    }

    @PreDestroy
    void stop() {
        clock.shutdownNow();
    }
}
