package cuvee.collect;

import java.nio.file.Path;

/**
 * One file of a place.
 *
 * @param path relative to its place with {@code /}, or absolute where two places would give the same
 * @param place what its place is called: the analyst's word for it, else the name of the folder or file
 * @param file where it lies
 * @param modified when it was last changed, in milliseconds since 1970
 * @param aside the reason for setting it aside without reading; empty where it is taken
 * @param twin the path of the file that it is an exact copy of; empty where it is none
 * @param asideKind a stable word for that reason; empty where it is taken
 */
public record Source(
        String path, String place, Path file, long size, long modified, String twin, String asideKind, String aside) {

    public boolean taken() {
        return aside.isEmpty();
    }

    Source setAside(String kind, String reason) {
        return new Source(path, place, file, size, modified, twin, kind, reason);
    }

    Source copyOf(String original) {
        return new Source(
                path,
                place,
                file,
                size,
                modified,
                original,
                "copy",
                "an exact copy of " + original + ", which is taken");
    }
}
