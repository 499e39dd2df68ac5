package cuvee.job;

/**
 * Where sources come from: a folder or a single file.
 *
 * @param path as the job says it; relative to the job file where possible, with {@code /}
 */
public record Place(String path, Subfolders subfolders, String label) {
    /** Whether inner folders belong to a place. */
    public enum Subfolders {
        INCLUDED,
        LEFT_OUT
    }

    public static Place of(String path) {
        return new Place(path, Subfolders.INCLUDED, "");
    }
}
