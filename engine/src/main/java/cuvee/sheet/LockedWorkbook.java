package cuvee.sheet;

import cuvee.place.Private;
import cuvee.place.Where;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.GeneralSecurityException;
import java.util.List;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.poifs.crypt.Decryptor;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** Opens workbooks that are locked with a password, into a file in a room of the user's that is gone when they have been read. */
final class LockedWorkbook {
    private LockedWorkbook() {}

    /** Reads the workbook once it is open. */
    interface Reading {
        void read(Path plain) throws IOException;
    }

    static void unlock(Path file, Where where, ReadAs said, Reading reading) throws IOException {
        if (said.passwords().isEmpty() || said.room().isEmpty()) {
            throw Unreadable.encrypted(where);
        }
        Path room = said.room().get();
        Private.folder(room);
        Path plain = Files.createTempFile(room, "cuvee-", ".xlsx");
        try {
            decrypt(file, where, said.passwords(), plain);
            reading.read(plain);
        } finally {
            Files.deleteIfExists(plain);
        }
    }

    private static void decrypt(Path file, Where where, List<String> passwords, Path plain) throws IOException {
        try (POIFSFileSystem files = new POIFSFileSystem(file.toFile(), true)) {
            Decryptor lock = Decryptor.getInstance(new EncryptionInfo(files));
            for (String password : passwords) {
                if (lock.verifyPassword(password)) {
                    try (InputStream in = lock.getDataStream(files)) {
                        Files.copy(in, plain, StandardCopyOption.REPLACE_EXISTING);
                    }
                    return;
                }
            }
        } catch (GeneralSecurityException | EncryptedDocumentException | IllegalArgumentException unknown) {
            throw Unreadable.broken(where, "it is locked in a way that Cuvee does not know");
        }
        throw Unreadable.wrongPassword(where);
    }
}
