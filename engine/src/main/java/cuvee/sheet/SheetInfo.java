package cuvee.sheet;

/**
 * A sheet as its file announces it.
 *
 * @param name its name; empty for text files
 * @param index its position in the file, from 0
 * @param form how the file was read, for people: {@code semicolons, UTF-8}; empty for workbooks
 */
public record SheetInfo(String name, int index, Visibility visibility, String form) {
    /** Whether people see the sheet when they open the file. */
    public enum Visibility {
        VISIBLE,
        HIDDEN
    }
}
