package org.skelto.server.pictures;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Has pictures read by a {@link PictureProcess}: a file may keep it busy only so long, with so much memory, and beneath
 * everything else that wants the processor. Then it is ended, for real.
 */
@Component
class PictureReader {
    private static final Logger LOG = LoggerFactory.getLogger(PictureReader.class);
    private static final long PATIENCE_MS = 12_000;

    /** Beyond the first, for each more. */
    private static final long MORE_MS = 2_000;

    private static final String TOO_LONG = "takes too long to draw: it is too complex to lie under a plan";

    /** Heap for the largest raster that is read, with a copy; native memory of decoders comes on top, kilobytes. */
    private static final String HEAP = "-Xmx512m";

    private static final long ADDRESSES_KB = 3_000_000;

    /** Starts the process that reads. */
    interface Starter {
        Process start(long seconds) throws IOException;
    }

    /**
     * What became of a file.
     *
     * @param picture what was read, or null
     * @param trouble why there is none
     */
    record Outcome(Picture picture, String trouble) {}

    private final Starter starter;
    private final long patienceMs;

    @Autowired
    PictureReader() {
        this(PictureReader::process, PATIENCE_MS);
    }

    PictureReader(Starter starter, long patienceMs) {
        this.starter = starter;
        this.patienceMs = patienceMs;
    }

    private static Process process(long seconds) throws IOException {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        // the limits of the system hold even for what the machine itself cannot stop
        String limits = "ulimit -t " + seconds + "; ulimit -v " + ADDRESSES_KB
                + "; ulimit -f 0; ulimit -c 0; exec nice -n 10 " + "\"$0\" \"$@\"";
        return new ProcessBuilder(
                        "/bin/sh",
                        "-c",
                        limits,
                        java,
                        HEAP,
                        "-XX:+UseSerialGC",
                        "-XX:TieredStopAtLevel=1",
                        "-XX:CompressedClassSpaceSize=64m",
                        "-XX:ReservedCodeCacheSize=48m",
                        "-XX:-UsePerfData",
                        "-Xshare:auto",
                        "-Djava.awt.headless=true",
                        "-Dorg.apache.commons.logging.LogFactory=org.apache.commons.logging.impl.LogFactoryImpl",
                        "-Dorg.apache.commons.logging.Log=org.apache.commons.logging.impl.NoOpLog",
                        "-cp",
                        System.getProperty("java.class.path"),
                        PictureProcess.class.getName())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    /** The picture in a file; refused when there is none. For a PDF the page counts from 1. */
    Picture read(byte[] file, int page) {
        Outcome outcome = read(List.of(file), page).get(0);
        if (outcome.picture() == null) {
            LOG.info("a picture of {} bytes was refused: {}", file.length, outcome.trouble());
            throw Refusal.invalid(
                    "The picture cannot be taken. Nothing was changed.", List.of(new Problem("", outcome.trouble())));
        }
        return outcome.picture();
    }

    /** What becomes of each of these files, of PDF files their first page. */
    List<Outcome> read(List<byte[]> files) {
        return files.isEmpty() ? List.of() : read(files, 1);
    }

    private List<Outcome> read(List<byte[]> files, int page) {
        long patience = patienceMs + MORE_MS * (files.size() - 1);
        List<Outcome> outcomes = new ArrayList<>();
        Process process;
        try {
            process = starter.start(patience / 1000);
        } catch (IOException e) {
            throw new IllegalStateException("pictures cannot be read: no process can be started", e);
        }
        try {
            CompletableFuture<Void> work =
                    CompletableFuture.runAsync(() -> converse(process, files, page, outcomes), PictureReader::onThread);
            work.get(patience, TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
            LOG.warn("a picture was given up after {} ms", patience);
        } catch (ExecutionException e) {
            LOG.warn("the reading of a picture ended early");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            process.destroyForcibly();
        }
        synchronized (outcomes) {
            List<Outcome> all = new ArrayList<>(outcomes);
            while (all.size() < files.size()) {
                all.add(new Outcome(null, TOO_LONG));
            }
            return all;
        }
    }

    private static void onThread(Runnable work) {
        Thread thread = new Thread(work, "picture");
        thread.setDaemon(true);
        thread.start();
    }

    /** Speaks to the process; ends when it answers, breaks off or is ended. */
    private static void converse(Process process, List<byte[]> files, int page, List<Outcome> outcomes) {
        try (DataOutputStream out = new DataOutputStream(new BufferedOutputStream(process.getOutputStream()));
                DataInputStream in = new DataInputStream(new BufferedInputStream(process.getInputStream()))) {
            out.writeInt(files.size());
            for (byte[] file : files) {
                out.writeInt(page);
                out.writeInt(file.length);
                out.write(file);
                out.flush();
                Outcome outcome = in.readBoolean()
                        ? new Outcome(new Picture(in.readUTF(), in.readInt(), in.readInt(), content(in)), null)
                        : new Outcome(null, in.readUTF());
                synchronized (outcomes) {
                    outcomes.add(outcome);
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] content(DataInputStream in) throws IOException {
        int length = in.readInt();
        if (length < 0 || length > PictureDecoder.MOST_BYTES) {
            throw new IOException("not an answer");
        }
        return in.readNBytes(length);
    }
}
