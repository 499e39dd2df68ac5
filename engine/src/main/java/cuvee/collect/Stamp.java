package cuvee.collect;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.util.concurrent.TimeUnit;

/**
 * What the system says of a file without reading it. While it is the same, so is the content; where it differs, the content
 * has to be looked at. A system that keeps no time of change lets an edit pass that sets size and time back.
 *
 * @param size in bytes
 * @param modified when the content was last written, in milliseconds since 1970; anyone may set it
 * @param changed when anything about the file last changed, in nanoseconds since 1970, which nobody can set; 0 where the
 *     system does not keep it
 * @param key what the system calls the file itself, whatever its name; empty where it has none
 */
public record Stamp(long size, long modified, long changed, String key) {
    /** A stamp that is equal to that of no file. */
    public static final Stamp NONE = new Stamp(-1, -1, -1, "");

    /** The stamp of a file, links followed. */
    public static Stamp of(Path file) throws IOException {
        return of(file, Files.readAttributes(file, BasicFileAttributes.class));
    }

    static Stamp of(Path file, BasicFileAttributes attributes) throws IOException {
        Object key = attributes.fileKey();
        return new Stamp(
                attributes.size(),
                attributes.lastModifiedTime().toMillis(),
                changeTime(file),
                key == null ? "" : key.toString());
    }

    private static long changeTime(Path file) throws IOException {
        if (!file.getFileSystem().supportedFileAttributeViews().contains("unix")) {
            return 0;
        }
        return Files.getAttribute(file, "unix:ctime") instanceof FileTime time ? time.to(TimeUnit.NANOSECONDS) : 0;
    }

    /** The same, but equal to no later one, so that the content is looked at again. */
    public Stamp unsure() {
        return new Stamp(size, modified, -1, key);
    }
}
