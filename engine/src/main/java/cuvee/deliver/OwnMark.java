package cuvee.deliver;

import cuvee.sheet.SheetFiles;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/**
 * The mark in files that hold a master: a property of the document in workbooks, a note beside the columns in Parquet. It
 * stays when the file is copied, renamed, or saved again by a program that keeps such properties.
 */
public final class OwnMark {
    /** The name of the property. */
    static final String NAME = "Cuvee master";

    /** Its value. */
    static final String VALUE = "written by Cuvee";

    private static final String PART = "docProps/custom.xml";
    private static final int LONGEST_PART = 1 << 20;
    private static final Set<String> WORKBOOKS = Set.of("xlsx", "xlsm", "xltx");

    private OwnMark() {}

    /** True where a workbook bears the mark; false also where it cannot be read. */
    public static boolean isIn(Path file) {
        if (!WORKBOOKS.contains(SheetFiles.ending(String.valueOf(file.getFileName())))) {
            return false;
        }
        try (ZipFile zip = new ZipFile(file.toFile())) {
            ZipEntry part = zip.getEntry(PART);
            if (part == null) {
                return false;
            }
            try (InputStream in = zip.getInputStream(part)) {
                return new String(in.readNBytes(LONGEST_PART), StandardCharsets.UTF_8).contains("\"" + NAME + "\"");
            }
        } catch (IOException | IllegalArgumentException unreadable) {
            return false;
        }
    }
}
