package cuvee.tag;

import java.util.List;

/**
 * Where the rows of a table come from.
 *
 * @param path the source's path relative to its place
 * @param place what its place is called
 * @param sheet the name of its sheet; empty for text files
 * @param table the name that its workbook gives to the table; empty where it gives none
 * @param titles the lines above its header, cells parted by {@code " | "}
 * @param modified when the source was last changed, as an ISO date
 */
public record Home(String path, String place, String sheet, String table, List<String> titles, String modified) {
    public Home {
        titles = List.copyOf(titles);
    }

    /** The source's file name without its ending. */
    public String fileName() {
        return fileName(path);
    }

    /** The file name of a path without its ending. */
    public static String fileName(String path) {
        String name = path.substring(path.lastIndexOf('/') + 1);
        int point = name.lastIndexOf('.');
        return point > 0 ? name.substring(0, point) : name;
    }

    /** The inner folders that it lies in, from the outside. */
    public List<String> folders() {
        List<String> parts = List.of(path.split("/"));
        return parts.subList(0, parts.size() - 1);
    }
}
