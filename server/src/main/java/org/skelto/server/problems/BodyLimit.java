package org.skelto.server.problems;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies that are larger than any plan, whether or not they say so beforehand. */
@Component
class BodyLimit extends OncePerRequestFilter {
    private final long usual;
    private final long file;

    BodyLimit(@Value("${skelto.largest-body-bytes}") long usual, @Value("${skelto.largest-file-bytes}") long file) {
        this.usual = usual;
        this.file = file;
    }

    /** Pictures, grids of heights, and plans that carry some, may be larger than an edit. */
    private long most(HttpServletRequest request) {
        String path = request.getRequestURI();
        return path.endsWith("/pictures") || path.endsWith("/ground") || path.endsWith("/plans/import") ? file : usual;
    }

    /** Thrown while reading a body that turns out too large. */
    static final class TooLarge extends IOException {
        private static final long serialVersionUID = 1L;

        TooLarge(long most) {
            super(words(most));
        }
    }

    private static String words(long most) {
        return "The file is larger than " + most / 1024 / 1024
                + " MB, the most that is taken here. Nothing was changed.";
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long most = most(request);
        if (request.getContentLengthLong() > most) {
            response.setStatus(413);
            response.setContentType("application/problem+json;charset=UTF-8");
            response.getWriter()
                    .write("{\"status\":413,\"title\":\"Content Too Large\",\"detail\":\"" + words(most)
                            + "\",\"errors\":[]}");
            return;
        }
        chain.doFilter(
                new HttpServletRequestWrapper(request) {
                    @Override
                    public ServletInputStream getInputStream() throws IOException {
                        return new Counting(super.getInputStream(), most);
                    }
                },
                response);
    }

    private static final class Counting extends ServletInputStream {
        private final ServletInputStream in;
        private final long most;
        private long read;

        Counting(ServletInputStream in, long most) {
            this.in = in;
            this.most = most;
        }

        @Override
        public int read() throws IOException {
            int next = in.read();
            count(next < 0 ? 0 : 1);
            return next;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int count = in.read(buffer, offset, length);
            count(Math.max(count, 0));
            return count;
        }

        private void count(int bytes) throws TooLarge {
            read += bytes;
            if (read > most) {
                throw new TooLarge(most);
            }
        }

        @Override
        public boolean isFinished() {
            return in.isFinished();
        }

        @Override
        public boolean isReady() {
            return in.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            in.setReadListener(listener);
        }
    }
}
