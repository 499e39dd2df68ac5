package cuvee.deliver;

import cuvee.deliver.WorkbookStyles.Unfit;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/** Which part of a workbook holds which tab (ECMA-376, the list of tabs and its relations). */
final class TabList {
    static final String RELATIONS = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    static final Pattern SHEET = Pattern.compile("<sheet\\b[^>]*/>|<sheet\\b[^>]*>\\s*</sheet>");
    private static final Pattern TABLE_PART = Pattern.compile("Target=\"[^\"]*tables/([^\"/]+)\"");
    private static final Pattern REFERENCE = Pattern.compile("<table\\b[^>]*?\\bref=\"([^\"]*)\"");
    private static final Pattern LINK = Pattern.compile("<Relationship\\b[^>]*>");
    private final Map<String, String> partByName = new LinkedHashMap<>();

    /** @throws Unfit where it is written in a way that is not known */
    TabList(ZipFile zip) throws IOException, Unfit {
        String book = text(zip, "xl/workbook.xml");
        String links = text(zip, "xl/_rels/workbook.xml.rels");
        Map<String, String> targets = new LinkedHashMap<>();
        Matcher link = LINK.matcher(links);
        while (link.find()) {
            String to = attribute(link.group(), "Target");
            targets.put(attribute(link.group(), "Id"), to.startsWith("/") ? to.substring(1) : "xl/" + to);
        }
        Matcher sheets = SHEET.matcher(book);
        while (sheets.find()) {
            String part = targets.get(attribute(sheets.group(), prefix(book) + ":id"));
            if (part != null) {
                partByName.put(plain(attribute(sheets.group(), "name")), part);
            }
        }
    }

    Optional<String> part(String tab) {
        return Optional.ofNullable(partByName.get(tab));
    }

    /** The tab that a part holds; empty text where it is none. */
    String name(String part) {
        return partByName.entrySet().stream()
                .filter(each -> each.getValue().equals(part))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("");
    }

    /** The ranges of the tables that a tab holds, by the path of its part. */
    static List<String> tables(ZipFile zip, String part) throws IOException, Unfit {
        int slash = part.lastIndexOf('/');
        String relations = part.substring(0, slash) + "/_rels" + part.substring(slash) + ".rels";
        List<String> ranges = new ArrayList<>();
        if (zip.getEntry(relations) != null) {
            Matcher table = TABLE_PART.matcher(text(zip, relations));
            while (table.find()) {
                Matcher reference = REFERENCE.matcher(text(zip, "xl/tables/" + table.group(1)));
                if (reference.find()) {
                    ranges.add(reference.group(1));
                }
            }
        }
        return ranges;
    }

    static String text(ZipFile zip, String name) throws IOException, Unfit {
        ZipArchiveEntry entry = zip.getEntry(name);
        if (entry == null) {
            throw new Unfit("it has no part " + name + " where workbooks have it");
        }
        try (InputStream in = zip.getInputStream(entry)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    static String attribute(String element, String name) {
        Matcher found =
                Pattern.compile("\\b" + Pattern.quote(name) + "=\"([^\"]*)\"").matcher(element);
        return found.find() ? found.group(1) : "";
    }

    static String plain(String escaped) {
        return escaped.replace("&lt;", "<")
                .replace("&gt;", ">")
                .replace("&quot;", "\"")
                .replace("&apos;", "'")
                .replace("&amp;", "&");
    }

    static String prefix(String book) {
        Matcher found = Pattern.compile("xmlns:(\\w+)=\"" + Pattern.quote(RELATIONS) + "\"")
                .matcher(book);
        return found.find() ? found.group(1) : "r";
    }
}
