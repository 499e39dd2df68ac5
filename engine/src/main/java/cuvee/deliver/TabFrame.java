package cuvee.deliver;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;

/**
 * What stands around the rows of a tab: all of its part but the rows, which may be millions and are passed over.
 *
 * @param before up to the rows, without their element
 * @param after behind their element
 * @param formulas true where one of the rows holds a formula
 */
record TabFrame(String before, String after, boolean formulas) {
    private static final String OPEN = "<sheetData";
    private static final String CLOSE = "</sheetData>";

    /** The frame of a tab that has no rows yet. */
    static TabFrame of(String before, String after) {
        return new TabFrame(before, after, false);
    }

    /** True where an element stands in it. */
    boolean holds(String element) {
        return before.contains(element) || after.contains(element);
    }

    /**
     * Reads a tab's part.
     *
     * @throws WorkbookStyles.Unfit where it has no rows as all known programs write them
     */
    static TabFrame read(InputStream part) throws IOException, WorkbookStyles.Unfit {
        try (Reader in = new BufferedReader(new InputStreamReader(part, StandardCharsets.UTF_8), 1 << 16)) {
            StringBuilder before = new StringBuilder();
            if (!upTo(OPEN, in, before)) {
                throw new WorkbookStyles.Unfit(
                        "the tab holds no cells, or is written in a way that Cuvee does not know");
            }
            before.setLength(before.length() - OPEN.length());
            StringBuilder element = new StringBuilder();
            upTo(">", in, element);
            boolean formulas = false;
            if (!element.toString().endsWith("/>")) {
                formulas = passRows(in);
            }
            StringBuilder after = new StringBuilder();
            upTo("\u0000", in, after);
            return new TabFrame(before.toString(), after.toString(), formulas);
        }
    }

    /** Reads up to a word, that included; answers whether it came. */
    static boolean upTo(String word, Reader in, StringBuilder into) throws IOException {
        char last = word.charAt(word.length() - 1);
        for (int c = in.read(); c >= 0; c = in.read()) {
            into.append((char) c);
            if (c == last && into.length() >= word.length() && into.indexOf(word, into.length() - word.length()) >= 0) {
                return true;
            }
        }
        return false;
    }

    /** Passes over the rows; answers whether a formula was among them. */
    private static boolean passRows(Reader in) throws IOException {
        boolean formulas = false;
        StringBuilder tag = new StringBuilder();
        boolean within = false;
        for (int c = in.read(); c >= 0; c = in.read()) {
            if (c == '<') {
                within = true;
                tag.setLength(0);
            }
            if (within && tag.length() < CLOSE.length()) {
                tag.append((char) c);
            }
            if (c == '>') {
                within = false;
                String name = tag.toString();
                if (name.equals(CLOSE)) {
                    return formulas;
                }
                formulas |= name.equals("<f>") || name.startsWith("<f ") || name.startsWith("<f/");
            }
        }
        return formulas;
    }
}
