package org.skelto.server.pictures;

/** A file that is no picture, or none that is taken; the message goes on a sentence that begins with "it". */
final class UnreadablePicture extends Exception {
    private static final long serialVersionUID = 1L;

    UnreadablePicture(String why) {
        super(why, null, false, false);
    }
}
