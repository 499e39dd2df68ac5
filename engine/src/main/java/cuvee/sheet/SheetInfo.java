package cuvee.sheet;

import java.util.List;

/**
 * A sheet as its file announces it.
 *
 * @param name its name; empty for text files
 * @param index its position in the file, from 0
 * @param form how the file was read, for people: {@code semicolons, UTF-8}; empty for workbooks
 * @param named rectangles that the workbook itself names on this sheet
 */
public record SheetInfo(String name, int index, Visibility visibility, String form, List<NamedRange> named) {
    public SheetInfo {
        named = List.copyOf(named);
    }

    public SheetInfo(String name, int index, Visibility visibility, String form) {
        this(name, index, visibility, form, List.of());
    }

    /** Whether people see the sheet when they open the file. */
    public enum Visibility {
        VISIBLE,
        HIDDEN
    }
}
