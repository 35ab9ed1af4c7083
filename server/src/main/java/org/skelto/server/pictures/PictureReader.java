package org.skelto.server.pictures;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.skelto.core.plan.Problem;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;

/**
 * Makes safe pictures out of files: rasters are decoded at bounded size and written anew, which leaves out whatever else the
 * file held; SVG is cleaned; a PDF page is drawn. One file at a time, with a time limit.
 */
final class PictureReader {
    /** Longest side of what is kept, pixels. */
    static final int MOST_PX = 2400;

    /** Pixels that a file may claim to have. */
    private static final long MOST_CLAIMED = 120_000_000;

    private static final int PATIENCE_S = 20;
    private static final float QUALITY = 0.82f;

    private final ExecutorService executor = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "picture");
        thread.setDaemon(true);
        return thread;
    });
    private final Semaphore turn = new Semaphore(2);

    /** The picture in a file. For a PDF the page counts from 1. */
    Picture read(byte[] file, int page) {
        if (!turn.tryAcquire()) {
            throw Refusal.of(HttpStatus.SERVICE_UNAVAILABLE, "Another picture is being taken in. Try again soon.");
        }
        Future<Picture> work = executor.submit(() -> {
            try {
                return decode(file, page);
            } finally {
                turn.release();
            }
        });
        try {
            return work.get(PATIENCE_S, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            work.cancel(true);
            throw refused("takes too long to draw: it is too complex to lie under a plan");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw refused("was not finished");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Refusal refusal) {
                throw refusal;
            }
            throw refused("cannot be read as PNG, JPEG, SVG or PDF");
        }
    }

    private static Refusal refused(String why) {
        return Refusal.invalid("The picture cannot be taken. Nothing was changed.", List.of(new Problem("", why)));
    }

    private static Picture decode(byte[] file, int page) throws IOException {
        if (starts(file, "%PDF")) {
            return pdf(file, page);
        }
        if (starts(file, "\u0089PNG") || (file.length > 2 && (file[0] & 0xff) == 0xff && (file[1] & 0xff) == 0xd8)) {
            return raster(file);
        }
        return SvgCleaner.clean(file);
    }

    private static boolean starts(byte[] file, String letters) {
        for (int i = 0; i < letters.length(); i++) {
            if (i >= file.length || (file[i] & 0xff) != letters.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    private static Picture raster(byte[] file) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw refused("is no picture that can be read");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long width = reader.getWidth(0);
                long height = reader.getHeight(0);
                if (width * height > MOST_CLAIMED) {
                    throw refused("has " + width + " × " + height + " pixels; at most 120 million are read");
                }
                ImageReadParam param = reader.getDefaultReadParam();
                int step = (int) Math.max(1, Math.max(width, height) / MOST_PX);
                param.setSourceSubsampling(step, step, 0, 0);
                BufferedImage image = reader.read(0, param);
                boolean drawn = "png".equalsIgnoreCase(reader.getFormatName());
                return write(fitted(image), drawn);
            } finally {
                reader.dispose();
            }
        }
    }

    private static Picture pdf(byte[] file, int page) throws IOException {
        try (PDDocument document = Loader.loadPDF(file, "", null, null, IOUtils.createTempFileOnlyStreamCache())) {
            if (page < 1 || page > document.getNumberOfPages()) {
                throw refused("has " + document.getNumberOfPages() + " pages; page " + page + " is not among them");
            }
            PDRectangle box = document.getPage(page - 1).getCropBox();
            float longest = Math.max(box.getWidth(), box.getHeight());
            if (!(longest > 0 && longest < 100_000)) {
                throw refused("has a page of no usable size");
            }
            PDFRenderer renderer = new PDFRenderer(document);
            renderer.setSubsamplingAllowed(true);
            BufferedImage image = renderer.renderImage(page - 1, Math.min(4, MOST_PX / longest), ImageType.RGB);
            return write(image, true);
        }
    }

    private static BufferedImage fitted(BufferedImage image) {
        double scale = Math.min(1, (double) MOST_PX / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage copy = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = copy.createGraphics();
        graphics.setColor(java.awt.Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(image, 0, 0, width, height, null);
        graphics.dispose();
        return copy;
    }

    /** Drawings stay crisp as PNG while that is small; everything else becomes JPEG. */
    private static Picture write(BufferedImage image, boolean drawn) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        if (drawn) {
            ImageIO.write(image, "png", out);
            if (out.size() < Pictures.MOST_BYTES) {
                return new Picture("image/png", image.getWidth(), image.getHeight(), out.toByteArray());
            }
            out.reset();
        }
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam param = writer.getDefaultWriteParam();
        param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        param.setCompressionQuality(QUALITY);
        try (var stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
        if (out.size() > Pictures.MOST_BYTES) {
            throw refused("is too full of detail to be kept");
        }
        return new Picture("image/jpeg", image.getWidth(), image.getHeight(), out.toByteArray());
    }
}
