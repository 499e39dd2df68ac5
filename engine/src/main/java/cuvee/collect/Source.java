package cuvee.collect;

import java.nio.file.Path;

/**
 * One file of a place. A source is its place and the path in it; {@code path} says both in one name that no other source
 * of the job has.
 *
 * @param path what the source is called: {@code inner}, with words for its place before it where another source has that
 * @param home the path of its place, as the job has it
 * @param inner the path in its place, with {@code /}
 * @param place what its place is called: the analyst's word for it, else the name of the folder or file
 * @param file where it lies
 * @param stamp what the system says of it
 * @param aside the reason for setting it aside without reading; empty where it is taken
 * @param twin the path of the file that it is an exact copy of; empty where it is none
 * @param asideKind a stable word for that reason; empty where it is taken
 */
public record Source(
        String path,
        String home,
        String inner,
        String place,
        Path file,
        Stamp stamp,
        String twin,
        String asideKind,
        String aside) {

    public long size() {
        return stamp.size();
    }

    /** When it was last written, in milliseconds since 1970. */
    public long modified() {
        return stamp.modified();
    }

    public boolean taken() {
        return aside.isEmpty();
    }

    /** The same source with what the system says of it now. */
    public Source withStamp(Stamp now) {
        return new Source(path, home, inner, place, file, now, twin, asideKind, aside);
    }

    Source called(String name, String placeName) {
        return new Source(name, home, inner, placeName, file, stamp, twin, asideKind, aside);
    }

    Source setAside(String kind, String reason) {
        return new Source(path, home, inner, place, file, stamp, twin, kind, reason);
    }

    Source copyOf(String original) {
        return new Source(
                path,
                home,
                inner,
                place,
                file,
                stamp,
                original,
                "copy",
                "an exact copy of " + original + ", which is taken");
    }
}
