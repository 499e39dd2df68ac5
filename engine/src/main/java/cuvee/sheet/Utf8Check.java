package cuvee.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;

/** Whether a whole file is well-formed UTF-8 (RFC 3629), told at the speed of the disk. */
final class Utf8Check {
    private int pending;

    private Utf8Check() {}

    static boolean valid(Path file) throws IOException {
        Utf8Check check = new Utf8Check();
        byte[] buffer = new byte[1 << 16];
        try (InputStream in = Files.newInputStream(file)) {
            int read = in.read(buffer);
            while (read >= 0) {
                if (!check.feed(buffer, read)) {
                    return false;
                }
                read = in.read(buffer);
            }
        }
        return check.pending == 0;
    }

    private boolean feed(byte[] bytes, int length) {
        for (int i = 0; i < length; i++) {
            int b = bytes[i];
            if (pending == 0 && b >= 0) {
                continue;
            }
            if (pending > 0) {
                if ((b & 0xC0) != 0x80) {
                    return false;
                }
                pending--;
            } else if ((b & 0xE0) == 0xC0 && (b & 0xFF) >= 0xC2) {
                pending = 1;
            } else if ((b & 0xF0) == 0xE0) {
                pending = 2;
            } else if ((b & 0xF8) == 0xF0 && (b & 0xFF) <= 0xF4) {
                pending = 3;
            } else {
                return false;
            }
        }
        return true;
    }
}
