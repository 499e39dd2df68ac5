package cuvee.collect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.OptionalLong;
import java.util.zip.CRC32;

/** A quick first test of whether two files of one size are the same, before they are compared byte by byte. */
final class Checksum {
    private Checksum() {}

    /** A sum that files with the same content share; none where the file cannot be read. */
    static OptionalLong of(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            CRC32 sum = new CRC32();
            byte[] buffer = new byte[1 << 16];
            int read = in.read(buffer);
            while (read >= 0) {
                sum.update(buffer, 0, read);
                read = in.read(buffer);
            }
            return OptionalLong.of(sum.getValue());
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
