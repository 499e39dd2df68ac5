package cuvee.collect;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** The SHA-256 of a file's content, kept to tell later whether the file has changed. */
public final class Fingerprint {
    private Fingerprint() {}

    /** The fingerprint of a text. */
    public static String ofText(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The fingerprint in hexadecimal; empty where the file cannot be read. */
    public static String of(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            byte[] buffer = new byte[1 << 16];
            int read = in.read(buffer);
            while (read >= 0) {
                digest.update(buffer, 0, read);
                read = in.read(buffer);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (IOException unreadable) {
            return "";
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
