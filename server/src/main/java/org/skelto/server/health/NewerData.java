package org.skelto.server.health;

import org.springframework.boot.ExitCodeGenerator;

/** The database was written by a newer program, which may have put things into it that this one would lose. */
final class NewerData extends RuntimeException implements ExitCodeGenerator {
    private static final long serialVersionUID = 1L;

    /** What the start script knows it by. */
    static final int EXIT = 4;

    NewerData(String theirs, String ours) {
        super("The data is of a newer Skelto: its form is " + theirs + ", this program knows up to " + ours
                + ". Nothing was changed. Start the newer program, or restore a backup made by this one.");
    }

    @Override
    public int getExitCode() {
        return EXIT;
    }
}
