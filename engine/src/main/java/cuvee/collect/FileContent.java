package cuvee.collect;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.OptionalLong;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;

/** Whether two files of one size hold the same: a quick sum tells most apart, the others are compared byte by byte. */
final class FileContent {
    private FileContent() {}

    /** A sum that files with the same content share; none where the file cannot be read. */
    static OptionalLong sum(Path file) {
        try (CheckedInputStream in = new CheckedInputStream(Files.newInputStream(file), new CRC32())) {
            in.transferTo(OutputStream.nullOutputStream());
            return OptionalLong.of(in.getChecksum().getValue());
        } catch (IOException unreadable) {
            return OptionalLong.empty();
        }
    }

    /** True where two files have the same content; false also where one cannot be read. */
    static boolean same(Path one, Path other) {
        try {
            return Files.mismatch(one, other) < 0;
        } catch (IOException unreadable) {
            return false;
        }
    }
}
