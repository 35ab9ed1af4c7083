package org.skelto.server.pictures;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
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

/**
 * Makes safe pictures out of files: rasters are decoded at bounded size and written anew, which leaves out whatever else the
 * file held; SVG is cleaned; a PDF page is drawn. A file can make it compute without an end: see {@link PictureProcess}.
 */
final class PictureDecoder {
    /** Longest side of what is kept, pixels. */
    static final int MOST_PX = 2400;

    /** Bytes of a kept picture at most. */
    static final int MOST_BYTES = 2_500_000;

    /** Pixels that a file may claim to have. */
    private static final long MOST_CLAIMED = 120_000_000;

    private static final float QUALITY = 0.82f;

    private PictureDecoder() {}

    private static UnreadablePicture unreadable(String why) {
        return new UnreadablePicture(why);
    }

    /** The picture in a file. For a PDF the page counts from 1. */
    static Picture decode(byte[] file, int page) throws IOException, UnreadablePicture {
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

    private static Picture raster(byte[] file) throws IOException, UnreadablePicture {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw unreadable("is no picture that can be read");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long width = reader.getWidth(0);
                long height = reader.getHeight(0);
                if (width * height > MOST_CLAIMED) {
                    throw unreadable("has " + width + " × " + height + " pixels; at most 120 million are read");
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

    private static Picture pdf(byte[] file, int page) throws IOException, UnreadablePicture {
        try (PDDocument document = Loader.loadPDF(file, "", null, null, IOUtils.createMemoryOnlyStreamCache())) {
            if (page < 1 || page > document.getNumberOfPages()) {
                throw unreadable("has " + document.getNumberOfPages() + " pages; page " + page + " is not among them");
            }
            PDRectangle box = document.getPage(page - 1).getCropBox();
            float longest = Math.max(box.getWidth(), box.getHeight());
            if (!(longest > 0 && longest < 100_000)) {
                throw unreadable("has a page of no usable size");
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
    private static Picture write(BufferedImage image, boolean drawn) throws IOException, UnreadablePicture {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        if (drawn) {
            ImageIO.write(image, "png", out);
            if (out.size() < MOST_BYTES) {
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
        if (out.size() > MOST_BYTES) {
            throw unreadable("is too full of detail to be kept");
        }
        return new Picture("image/jpeg", image.getWidth(), image.getHeight(), out.toByteArray());
    }
}
