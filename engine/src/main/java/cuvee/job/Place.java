package cuvee.job;

import java.util.List;

/**
 * Where sources come from: a folder or a single file.
 *
 * @param path as the job says it; relative to the job file where possible, with {@code /}
 * @param depth how many levels of inner folders belong to it, where they do; 0 for all
 * @param label a word of the analyst's own for it; may be empty
 * @param only names of which a file must fit one; empty where all do
 * @param without names of which a file must fit none
 */
public record Place(
        String path, Subfolders subfolders, int depth, String label, List<String> only, List<String> without) {
    /** Whether inner folders belong to a place. */
    public enum Subfolders {
        INCLUDED,
        LEFT_OUT
    }

    public Place {
        only = List.copyOf(only);
        without = List.copyOf(without);
    }

    public static Place of(String path) {
        return new Place(path, Subfolders.INCLUDED, 0, "", List.of(), List.of());
    }

    public Place withPath(String newPath) {
        return new Place(newPath, subfolders, depth, label, only, without);
    }

    /** The same with inner folders to a depth: 0 for all of them, less than that for none. */
    public Place withDepth(int newDepth) {
        Subfolders inner = newDepth < 0 ? Subfolders.LEFT_OUT : Subfolders.INCLUDED;
        return new Place(path, inner, Math.max(0, newDepth), label, only, without);
    }

    public Place withLabel(String newLabel) {
        return new Place(path, subfolders, depth, newLabel, only, without);
    }

    public Place withNames(List<String> newOnly, List<String> newWithout) {
        return new Place(path, subfolders, depth, label, newOnly, newWithout);
    }
}
