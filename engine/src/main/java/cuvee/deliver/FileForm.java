package cuvee.deliver;

import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;

/** One form of file that the master is written in. */
interface FileForm {
    void write(Content content, Path file) throws IOException;

    /** Opens a file for writing. */
    static OutputStream open(Path file) throws IOException {
        return new FileOutputStream(file.toFile());
    }
}
