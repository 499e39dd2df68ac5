package cuvee.sheet;

import cuvee.finding.CuveeException;
import cuvee.place.Where;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The package's entry: reads any file Cuvee knows, told by what it holds rather than by its ending. */
public final class SheetFiles {
    private static final Set<String> TEXT_ENDINGS = Set.of("csv", "tsv", "txt", "tab", "psv");
    private static final Set<String> WORKBOOK_ENDINGS = Set.of("xlsx", "xlsm", "xltx", "xls", "xlsb", "ods", "fods");

    /** The kind of the finding about a text file whose quotes do not match. */
    public static final String TORN_QUOTES = Unreadable.TORN_QUOTES;

    private static final Logger LOG = LoggerFactory.getLogger(SheetFiles.class);

    /** How web pages begin, and parts of them that programs write as if they were whole. */
    private static final List<String> WEB_PAGES =
            List.of("<!doctype html", "<html", "<head", "<meta", "<body", "<style", "<table", "<div");

    private SheetFiles() {}

    /** True where a file of this name may hold a table. */
    public static boolean isKnownEnding(String name) {
        String ending = ending(name);
        return TEXT_ENDINGS.contains(ending) || WORKBOOK_ENDINGS.contains(ending);
    }

    /** The part of a name after its last point, in small letters. */
    public static String ending(String name) {
        return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    }

    /**
     * Hands the sheets and rows of a file to a visitor.
     *
     * @throws CuveeException where the file cannot be read, with the reason and what can be done
     */
    public static void read(Path file, Where where, ReadLimits limits, SheetVisitor visitor) {
        read(file, where, limits, ReadAs.FOUND, visitor);
    }

    /**
     * The same, where something is said about how the file is to be read.
     *
     * @throws CuveeException where the file cannot be read, with the reason and what can be done
     */
    public static void read(Path file, Where where, ReadLimits limits, ReadAs said, SheetVisitor given) {
        SheetVisitor visitor = new InOrder(given, where);
        try {
            switch (kindOf(file, where)) {
                case ZIPPED -> readZipped(file, where, limits, visitor);
                case LOCKED ->
                    LockedWorkbook.unlock(file, where, said, plain -> readZipped(plain, where, limits, visitor));
                case BEFORE_2007 -> new XlsReader(where, limits, said.passwords()).read(file, visitor);
                case XML_WORKBOOK -> new XmlWorkbookReader(where, limits).read(file, visitor);
                case WEB_PAGE -> new HtmlReader(where, limits).read(file, visitor);
                case TEXT -> new DelimitedReader(where, limits, said).read(file, visitor);
            }
        } catch (NoSuchFileException | FileNotFoundException gone) {
            throw Unreadable.noAccess(where, "it is no longer there");
        } catch (AccessDeniedException denied) {
            throw Unreadable.noAccess(where, "you may not read it");
        } catch (IOException failed) {
            LOG.warn("reading {} failed", where, failed);
            throw Unreadable.broken(where, "it is cut off or damaged");
        } catch (CuveeException | CancellationException told) {
            throw told;
        } catch (InOrder.OwnFault fault) {
            LOG.error("looking at {} failed", where, fault);
            throw Unreadable.ownFault(where);
        } catch (RuntimeException unforeseen) {
            // Damaged files make the libraries fail in ways that nobody lists; one file must never stop the others.
            LOG.warn("reading {} failed", where, unforeseen);
            throw Unreadable.broken(where, "it is damaged");
        }
    }

    private static void readZipped(Path file, Where where, ReadLimits limits, SheetVisitor visitor) throws IOException {
        try (WorkbookParts parts = new WorkbookParts(file, where, limits)) {
            if (parts.has("content.xml") && parts.has("mimetype")) {
                new OdsReader(where, limits).read(parts, visitor);
            } else {
                new XlsxReader(where, limits).read(parts, visitor);
            }
        }
    }

    private enum Kind {
        ZIPPED,
        LOCKED,
        BEFORE_2007,
        XML_WORKBOOK,
        WEB_PAGE,
        TEXT
    }

    private static Kind kindOf(Path file, Where where) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(4096);
        }
        String ending = ending(file.getFileName().toString());
        if (head.length == 0) {
            throw CuveeException.failure(
                    "empty-file",
                    where,
                    "The file is empty (0 bytes).",
                    "It is set aside; the others go on.",
                    "Ask the sender for it again.");
        }
        if (OtherFormats.startsWith(head, 'P', 'K', 3, 4) || OtherFormats.startsWith(head, 'P', 'K', 5, 6)) {
            return Kind.ZIPPED;
        }
        if (OtherFormats.startsWith(head, 0xD0, 0xCF, 0x11, 0xE0)) {
            return compound(file, where);
        }
        Optional<String> other = OtherFormats.of(head);
        if (other.isPresent()) {
            throw Unreadable.otherFormat(where, other.get());
        }
        if (new String(head, StandardCharsets.ISO_8859_1).contains(XmlWorkbookReader.NAMESPACE)
                && start(head).startsWith("<?xml")) {
            return Kind.XML_WORKBOOK;
        }
        if (isWebPage(head)) {
            return Kind.WEB_PAGE;
        }
        if (isMarkup(head)) {
            throw Unreadable.notATable(where, "a web page or other markup");
        }
        if (isBinary(head)) {
            throw Unreadable.notATable(where, "data that is neither a workbook nor text");
        }
        if (ending.startsWith("xls") && !ending.equals("xls")) {
            throw Unreadable.notATable(where, "plain text");
        }
        return Kind.TEXT;
    }

    /** The container of old workbooks also holds locked new ones, letters and slides. */
    private static Kind compound(Path file, Where where) {
        try (POIFSFileSystem files = new POIFSFileSystem(file.toFile(), true)) {
            if (files.getRoot().hasEntryCaseInsensitive("EncryptedPackage")) {
                return Kind.LOCKED;
            }
            if (!files.getRoot().hasEntryCaseInsensitive("Workbook")
                    && !files.getRoot().hasEntryCaseInsensitive("Book")) {
                throw Unreadable.notATable(where, "an office document that is no workbook");
            }
            return Kind.BEFORE_2007;
        } catch (IOException | IndexOutOfBoundsException | IllegalArgumentException damaged) {
            LOG.warn("opening {} failed", where, damaged);
            throw Unreadable.broken(where, "it is cut off or damaged");
        }
    }

    private static boolean isWebPage(byte[] head) {
        String start = start(head);
        return WEB_PAGES.stream().anyMatch(start::startsWith);
    }

    private static boolean isMarkup(byte[] head) {
        String start = start(head);
        return start.startsWith("<!doctype") || start.startsWith("<?xml") || start.startsWith("{\\rtf");
    }

    private static String start(byte[] head) {
        return new String(head, 0, Math.min(head.length, 512), StandardCharsets.ISO_8859_1)
                .replace("\u00EF\u00BB\u00BF", "")
                .strip()
                .toLowerCase(Locale.ROOT);
    }

    /** Text has no zero bytes, unless it is UTF-16, whose every second byte is mostly zero. */
    private static boolean isBinary(byte[] head) {
        int zeros = 0;
        int controls = 0;
        for (byte b : head) {
            zeros += b == 0 ? 1 : 0;
            controls += b > 0 && b < 32 && b != '\n' && b != '\r' && b != '\t' && b != '\f' && b != 0x1A ? 1 : 0;
        }
        boolean marked = OtherFormats.startsWith(head, 0xFF, 0xFE) || OtherFormats.startsWith(head, 0xFE, 0xFF);
        boolean utf16 = marked || (zeros > head.length / 4 && zeros <= head.length / 2 + 1 && controls == 0);
        return (zeros > 0 && !utf16) || controls > head.length / 20;
    }
}
