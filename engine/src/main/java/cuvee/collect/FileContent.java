package cuvee.collect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.CRC32;
import java.util.zip.CRC32C;

/** What a file holds, as a short sum that tells files apart, and byte by byte where that is not enough. */
public final class FileContent {
    private static final int BUFFER = 1 << 17;

    private FileContent() {}

    /**
     * A sum of 64 bits in hexadecimal, of two checks with different polynomials, that files with the same content share;
     * empty where the file cannot be read.
     */
    public static String sum(Path file) {
        CRC32 one = new CRC32();
        CRC32C other = new CRC32C();
        byte[] buffer = new byte[BUFFER];
        try (InputStream in = Files.newInputStream(file)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                one.update(buffer, 0, read);
                other.update(buffer, 0, read);
            }
        } catch (IOException unreadable) {
            return "";
        }
        return String.format("%08x%08x", one.getValue(), other.getValue());
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
