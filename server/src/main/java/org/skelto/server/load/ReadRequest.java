package org.skelto.server.load;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** A request whose body was read before; to what follows it looks like one that has just come. */
final class ReadRequest extends HttpServletRequestWrapper {
    private final ServletInputStream content;

    ReadRequest(HttpServletRequest request, byte[] body) {
        super(request);
        ByteArrayInputStream in = new ByteArrayInputStream(body);
        content = new ServletInputStream() {
            @Override
            public int read() {
                return in.read();
            }

            @Override
            public int read(byte[] buffer, int offset, int count) {
                return in.read(buffer, offset, count);
            }

            @Override
            public int available() {
                return in.available();
            }

            @Override
            public boolean isFinished() {
                return in.available() == 0;
            }

            @Override
            public boolean isReady() {
                return true;
            }

            @Override
            public void setReadListener(ReadListener listener) {
                throw new IllegalStateException("the body is there already");
            }
        };
    }

    @Override
    public ServletInputStream getInputStream() {
        return content;
    }

    @Override
    public BufferedReader getReader() {
        Charset charset = Optional.ofNullable(getCharacterEncoding())
                .map(Charset::forName)
                .orElse(StandardCharsets.UTF_8);
        return new BufferedReader(new InputStreamReader(content, charset));
    }

    /** Filters that look at a request once look at this one. */
    @Override
    public DispatcherType getDispatcherType() {
        return DispatcherType.REQUEST;
    }
}
