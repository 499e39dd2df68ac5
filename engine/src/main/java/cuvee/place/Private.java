package cuvee.place;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;

/** Folders that only the user can read, where the system knows such. */
public final class Private {
    private Private() {}

    /** Makes a folder, with those above it, and closes it to others. */
    public static void folder(Path folder) throws IOException {
        Files.createDirectories(folder);
        PosixFileAttributeView view = Files.getFileAttributeView(folder, PosixFileAttributeView.class);
        if (view != null) {
            view.setPermissions(PosixFilePermissions.fromString("rwx------"));
        }
    }
}
