package org.skelto.server.pictures;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import javax.imageio.ImageIO;

/**
 * Reads pictures in a process of its own, which whoever started it can end whatever a file makes it do. In: how many, then
 * for each its page, its length and its bytes. Out, for each: whether it was read, then media type, width, height, length and
 * bytes, or why not.
 */
final class PictureProcess {
    private PictureProcess() {}

    /** Takes no arguments. */
    public static void main(String[] args) throws IOException {
        PrintStream answers = System.out;
        // whatever a library prints must not get between the answers
        System.setOut(System.err);
        // no files on the way: it may write none
        ImageIO.setUseCache(false);
        DataInputStream in = new DataInputStream(new BufferedInputStream(System.in));
        DataOutputStream out = new DataOutputStream(new BufferedOutputStream(answers));
        int count = in.readInt();
        for (int i = 0; i < count; i++) {
            int page = in.readInt();
            answer(in.readNBytes(in.readInt()), page, out);
            out.flush();
        }
    }

    private static void answer(byte[] file, int page, DataOutputStream out) throws IOException {
        Picture picture;
        try {
            picture = PictureDecoder.decode(file, page);
        } catch (UnreadablePicture e) {
            refuse(e.getMessage(), out);
            return;
        } catch (OutOfMemoryError e) {
            refuse("takes more memory to draw than a floor plan should", out);
            return;
        } catch (IOException | RuntimeException | StackOverflowError e) {
            refuse("cannot be read as PNG, JPEG, SVG or PDF", out);
            return;
        }
        out.writeBoolean(true);
        out.writeUTF(picture.mediaType());
        out.writeInt(picture.width());
        out.writeInt(picture.height());
        out.writeInt(picture.content().length);
        out.write(picture.content());
    }

    private static void refuse(String why, DataOutputStream out) throws IOException {
        out.writeBoolean(false);
        out.writeUTF(why);
    }
}
