package org.skelto.server.load;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** An answer that is written as fast as it is taken, without a thread that waits, and given up when it takes too long. */
final class LargeAnswer implements WriteListener, AsyncListener {
    private static final int PIECE = 65_536;

    private final AsyncContext context;
    private final ServletOutputStream out;
    private final byte[] content;
    private final Gate.Ticket share;
    private Future<?> deadline;
    private int written;
    private boolean over;

    LargeAnswer(AsyncContext context, HttpServletResponse response, byte[] content, Gate.Ticket share)
            throws IOException {
        this.context = context;
        this.out = response.getOutputStream();
        this.content = content;
        this.share = share;
    }

    void begin(Admission admission) {
        context.addListener(this);
        deadline = admission.clock.schedule(
                () -> end(true), admission.limits.forAnswer(content.length).toMillis(), TimeUnit.MILLISECONDS);
        out.setWriteListener(this);
    }

    @Override
    public void onWritePossible() throws IOException {
        while (out.isReady()) {
            if (written == content.length) {
                end(false);
                return;
            }
            int count = Math.min(PIECE, content.length - written);
            out.write(content, written, count);
            written += count;
        }
    }

    @Override
    public void onError(Throwable gone) {
        end(true);
    }

    private void end(boolean broken) {
        synchronized (this) {
            if (over) {
                return;
            }
            over = true;
        }
        deadline.cancel(false);
        if (share != null) {
            share.leave();
        }
        if (broken) {
            Connections.close(context.getRequest());
        }
        try {
            context.complete();
        } catch (IllegalStateException e) {
            // it was completed already
        }
    }

    @Override
    public void onComplete(AsyncEvent event) {
        end(false);
    }

    @Override
    public void onTimeout(AsyncEvent event) {
        end(true);
    }

    @Override
    public void onError(AsyncEvent event) {
        end(true);
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // nothing follows
    }
}
