package org.skelto.server.load;

import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.skelto.server.problems.ProblemWriter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * One request on its way through the gates. Until its turn comes it holds no thread: its body is read as it arrives, and it
 * is dispatched anew once it may compute.
 */
final class Visit implements AsyncListener {
    /** Bodies up to this size that came along with the headers are read at once. */
    private static final int AT_ONCE = 65_536;

    /** Larger bodies are work that takes much memory, bytes. */
    private static final long LARGE = 1_048_576;

    /** How much of a body that is too large is still taken off the line so that its sender hears why it is refused. */
    private static final long DISCARDED = 209_715_200;

    private enum Stage {
        ARRIVING,
        WAITING,
        COMPUTING,
        OVER
    }

    private final Admission admission;
    private final HttpServletRequest request;
    private final HttpServletResponse response;
    private final String path;
    private final String who;
    private final long length;
    private final long most;
    private final AtomicReference<Stage> stage = new AtomicReference<>(Stage.ARRIVING);
    private byte[] body = {};
    private boolean tooLarge;
    private volatile AsyncContext context;
    private volatile Future<?> deadline;
    private volatile Gate.Ticket arriving;
    private volatile Gate.Ticket memory;
    private volatile Gate.Ticket heavy;
    private volatile Gate.Ticket turn;

    Visit(Admission admission, HttpServletRequest request, HttpServletResponse response) {
        this.admission = admission;
        this.request = request;
        this.response = response;
        this.path = request.getRequestURI();
        this.who = admission.kinds.who(path, request.getRemoteAddr());
        this.length = request.getContentLengthLong();
        this.most = admission.kinds.most(path);
    }

    static boolean hasBody(HttpServletRequest request) {
        return request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    }

    /** The first step, on the thread of the request. */
    void begin(FilterChain chain) throws IOException, ServletException {
        boolean here = !hasBody(request) || cameAlong();
        if (here && !takesMuchMemory()) {
            turn = admission.turns.enterNow(who, 1);
            if (turn != null) {
                stage.set(Stage.COMPUTING);
                compute(chain);
                return;
            }
        }
        if (!here) {
            arriving = admission.arriving.enterNow(request.getRemoteAddr(), 1);
            if (arriving == null) {
                ProblemWriter.tooMuch(response, "Too many requests of this client have not ended yet.");
                return;
            }
        }
        suspend();
        if (here) {
            arrived();
        } else if (expected() > admission.limits.small().toBytes()) {
            until(admission.limits.patience(), this::late);
            memory = admission.memory.enter(who, expected(), this::read);
            if (memory == null) {
                late();
            }
        } else {
            read(null);
        }
    }

    private long expected() {
        return length >= 0 ? Math.min(length, most) : most;
    }

    /** Reads a small body that is there already. */
    private boolean cameAlong() throws IOException {
        if (length < 0 || length > AT_ONCE || request.getInputStream().available() < length) {
            return false;
        }
        body = request.getInputStream().readNBytes((int) length);
        return true;
    }

    private boolean takesMuchMemory() {
        return body.length > LARGE || admission.kinds.heavy(path);
    }

    private void suspend() {
        AsyncContext started = request.startAsync(request, response);
        // the deadlines below are closer; this one is for what nobody thought of
        started.setTimeout(600_000);
        started.addListener(this);
        context = started;
    }

    private void until(Duration time, Runnable late) {
        cancelDeadline();
        try {
            deadline = admission.clock.schedule(late, time.toMillis(), TimeUnit.MILLISECONDS);
        } catch (RejectedExecutionException e) {
            // the server is stopping
            deadline = null;
        }
    }

    private void cancelDeadline() {
        Future<?> before = deadline;
        if (before != null) {
            before.cancel(false);
        }
    }

    /** The body may be read now; each piece as it comes. */
    private void read(Gate.Ticket ticket) {
        memory = ticket;
        until(admission.limits.forBody(expected()), this::slow);
        try {
            request.getInputStream().setReadListener(new Pieces());
        } catch (IOException | IllegalStateException e) {
            end();
        }
    }

    /** Gathers a body. */
    private final class Pieces implements jakarta.servlet.ReadListener {
        /** Of its final size at once where a share of the memory was given for it. */
        private final ByteArrayOutputStream gathered =
                new ByteArrayOutputStream((int) (memory != null && length > 0 ? expected() : AT_ONCE));

        private final byte[] piece = new byte[16_384];
        private long seen;

        @Override
        public void onDataAvailable() throws IOException {
            var in = request.getInputStream();
            while (stage.get() == Stage.ARRIVING && in.isReady() && !in.isFinished()) {
                int count = in.read(piece);
                if (count < 0) {
                    return;
                }
                seen += count;
                if (seen > DISCARDED) {
                    refuse(413, "Content Too Large", words(most));
                } else if (seen > most) {
                    tooLarge = true;
                    gathered.reset();
                } else if (!tooLarge) {
                    gathered.write(piece, 0, count);
                }
            }
        }

        @Override
        public void onAllDataRead() {
            if (tooLarge) {
                refuse(413, "Content Too Large", words(most));
            } else {
                body = gathered.toByteArray();
                arrived();
            }
        }

        @Override
        public void onError(Throwable gone) {
            end();
        }
    }

    private static String words(long most) {
        return "The file is larger than " + most / 1024 / 1024
                + " MB, the most that is taken here. Nothing was changed.";
    }

    /** All of it is here; now it waits for its turn. */
    private void arrived() {
        if (!stage.compareAndSet(Stage.ARRIVING, Stage.WAITING)) {
            return;
        }
        leave(arriving);
        boolean much = takesMuchMemory();
        // much work of others may have to end first
        until(admission.limits.patience().multipliedBy(much ? 4 : 1), this::late);
        if (much) {
            heavy = admission.heavy.enter(who, 1, ticket -> {
                heavy = ticket;
                askForATurn();
            });
            if (heavy == null) {
                late();
            }
        } else {
            askForATurn();
        }
    }

    private void askForATurn() {
        turn = admission.turns.enter(who, 1, ticket -> {
            turn = ticket;
            if (stage.compareAndSet(Stage.WAITING, Stage.COMPUTING)) {
                cancelDeadline();
                context.dispatch();
            } else {
                ticket.leave();
            }
        });
        if (turn == null) {
            late();
        }
    }

    /** Its turn: the rest of the server sees the request as if it had just come, with all of its body. */
    void compute(FilterChain chain) throws IOException, ServletException {
        var held = new ContentCachingResponseWrapper(response);
        try {
            admission.budgets.request().run(() -> {
                try {
                    chain.doFilter(new ReadRequest(request, body), held);
                    return null;
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                } catch (ServletException e) {
                    throw new Failed(e);
                }
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        } catch (Failed e) {
            throw e.why;
        } finally {
            stage.set(Stage.OVER);
            body = new byte[0];
            if (goesOn()) {
                leave(turn);
                leave(heavy);
            } else {
                leaveAll();
            }
        }
        if (!goesOn()) {
            answer(held);
        }
    }

    /** Whether the application answers later, when something else has ended; it is then dispatched once more. */
    private boolean goesOn() {
        return request.isAsyncStarted();
    }

    private static final class Failed extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final ServletException why;

        Failed(ServletException why) {
            super(why);
            this.why = why;
        }
    }

    private void answer(ContentCachingResponseWrapper held) throws IOException {
        int size = held.getContentSize();
        if (size <= admission.limits.small().toBytes() || response.isCommitted()) {
            held.copyBodyToResponse();
            return;
        }
        Gate.Ticket share = admission.memory.enterNow("answers", size);
        if (share == null && "GET".equals(request.getMethod())) {
            response.reset();
            ProblemWriter.tooMuch(response, "Too many large answers are being taken at this moment.");
            return;
        }
        byte[] content = held.getContentAsByteArray();
        response.setContentLength(content.length);
        suspend();
        new LargeAnswer(context, response, content, share).begin(admission);
    }

    private void late() {
        refuse(429, "Too Many Requests", "Skelto has more to work out than it can at this moment.");
    }

    private void slow() {
        refuse(408, "Request Timeout", "The request did not arrive in time. Nothing was changed.");
    }

    private void refuse(int status, String title, String why) {
        Stage before = stage.getAndUpdate(s -> s == Stage.COMPUTING ? s : Stage.OVER);
        if (before == Stage.OVER || before == Stage.COMPUTING) {
            return;
        }
        leaveAll();
        try {
            if (status == 429) {
                ProblemWriter.tooMuch(response, why);
            } else {
                ProblemWriter.write(response, status, title, why);
            }
            if (before == Stage.ARRIVING && !tooLarge) {
                Connections.closeAfterAnswer(request);
            }
        } catch (IOException | IllegalStateException e) {
            // who asked is gone
        }
        complete();
    }

    /** Nobody is there any more. */
    private void end() {
        Stage before = stage.getAndUpdate(s -> s == Stage.COMPUTING ? s : Stage.OVER);
        if (before != Stage.COMPUTING) {
            leaveAll();
            Connections.closeAfterAnswer(request);
            complete();
        }
    }

    private void complete() {
        try {
            context.complete();
        } catch (IllegalStateException e) {
            // it was completed already
        }
    }

    private void leaveAll() {
        cancelDeadline();
        leave(arriving);
        leave(memory);
        leave(heavy);
        leave(turn);
    }

    private static void leave(Gate.Ticket ticket) {
        if (ticket != null) {
            ticket.leave();
        }
    }

    @Override
    public void onTimeout(AsyncEvent event) {
        end();
    }

    @Override
    public void onError(AsyncEvent event) {
        end();
    }

    @Override
    public void onComplete(AsyncEvent event) {
        leaveAll();
    }

    @Override
    public void onStartAsync(AsyncEvent event) {
        // begun anew for a large answer, which has listeners of its own
    }
}
