package cuvee.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** The rectangles that an Office Open XML workbook names: its tables, its filters, and names given to cells. */
final class XlsxNames {
    private static final String FILTER = "_xlnm._FilterDatabase";
    private static final String BUILT_IN = "_xlnm.";
    private static final int FEWEST_ROWS = 2;
    private final List<Defined> defined = new ArrayList<>();

    private record Defined(String sheet, NamedRange range) {}

    /** Takes in a name as the workbook defines it: the name and what it stands for. */
    void define(String name, String formula) {
        boolean filter = name.equals(FILTER);
        int mark = formula.lastIndexOf('!');
        if (mark < 0 || name.startsWith(BUILT_IN) && !filter) {
            return;
        }
        String sheet = formula.substring(0, mark);
        if (sheet.startsWith("'") && sheet.endsWith("'") && sheet.length() > 1) {
            sheet = sheet.substring(1, sheet.length() - 1).replace("''", "'");
        }
        String named = sheet;
        CellRange.of(formula.substring(mark + 1))
                .filter(range -> range.rows() >= FEWEST_ROWS)
                .ifPresent(range -> defined.add(new Defined(
                        named,
                        new NamedRange(
                                filter ? "filter" : name,
                                filter ? NamedRange.Kind.FILTER : NamedRange.Kind.NAME,
                                range,
                                0))));
    }

    /** What is named on a sheet. */
    List<NamedRange> of(WorkbookParts parts, String sheetName, String sheetPart) throws IOException {
        List<NamedRange> named = new ArrayList<>();
        for (String table : tableParts(parts, sheetPart)) {
            parts.read(table, xml -> table(xml, named));
        }
        defined.stream().filter(each -> each.sheet().equals(sheetName)).forEach(each -> named.add(each.range()));
        return named;
    }

    private static List<String> tableParts(WorkbookParts parts, String sheetPart) throws IOException {
        int slash = sheetPart.lastIndexOf('/') + 1;
        String folder = sheetPart.substring(0, slash);
        Map<String, String> targets = parts.relations(folder, sheetPart);
        return targets.values().stream()
                .filter(target -> target.toLowerCase(Locale.ROOT).contains("tables/"))
                .filter(parts::has)
                .toList();
    }

    private static void table(XMLStreamReader xml, List<NamedRange> named) throws XMLStreamException {
        while (xml.hasNext()) {
            if (xml.next() == XMLStreamConstants.START_ELEMENT
                    && xml.getLocalName().equals("table")) {
                String name = WorkbookParts.attribute(xml, "displayName");
                boolean headless =
                        WorkbookParts.attribute(xml, "headerRowCount").equals("0");
                int totals = WorkbookParts.attribute(xml, "totalsRowCount").equals("1") ? 1 : 0;
                CellRange.of(WorkbookParts.attribute(xml, "ref"))
                        .ifPresent(range -> named.add(new NamedRange(
                                name, headless ? NamedRange.Kind.NAME : NamedRange.Kind.TABLE, range, totals)));
                return;
            }
        }
    }
}
