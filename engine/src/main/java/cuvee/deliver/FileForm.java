package cuvee.deliver;

import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** One form of file that the master is written in. */
interface FileForm {
    void write(Content content, Path file) throws IOException;

    /** Opens a file for writing. */
    static OutputStream open(Path file) throws IOException {
        return new FileOutputStream(file.toFile());
    }

    /** Takes a file away that is in nobody's way where that fails. */
    static void deleteQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException left) {
            // A leftover beside the target does no harm; the next write replaces it.
            return;
        }
    }
}
