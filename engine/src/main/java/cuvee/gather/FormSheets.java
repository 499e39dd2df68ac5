package cuvee.gather;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.PlacedTable;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Sheets that hold one record each, labels down one column and their values beside them: read as tables they give a row for
 * every label. They are recognised by the labels, which are the same from sheet to sheet, and by values of several kinds
 * below each other; each is warned of.
 */
public final class FormSheets {
    private static final int FEWEST_SHEETS = 3;
    private static final int FEWEST_LABELS = 3;
    private static final int MOST_RECORDS = 80;
    private static final int MOST_COLUMNS = 4;
    /** No kind of value is more than this share of a form's values. */
    private static final double MOST_OF_A_KIND = 0.8;

    private static final double SHARED_LABELS = 0.7;

    /** What stands in a form beside a label that speaks of the sheet itself: said once for all forms of a layout. */
    public static final String OF_THE_SHEET = "of-the-sheet";

    private FormSheets() {}

    /** A warning for each table of the master that looks like a form. */
    public static List<Finding> findings(List<PlacedTable> tables, Store store) {
        Map<PlacedTable, Set<String>> labels = new LinkedHashMap<>();
        Map<String, Integer> tablesByLabel = new HashMap<>();
        for (PlacedTable table : tables) {
            List<TableColumn> columns = table.table().columns();
            boolean small = columns.size() >= 2
                    && columns.size() <= MOST_COLUMNS
                    && table.table().kept() >= FEWEST_LABELS
                    && table.table().kept() <= MOST_RECORDS;
            if (small && isMixed(columns.get(columns.size() - 1).evidence())) {
                TableColumn beside = columns.get(columns.size() - 2);
                Set<String> own = new HashSet<>();
                store.rows()
                        .values(
                                table.staged(),
                                table.width(),
                                beside.index(),
                                table.table().firstRow(),
                                table.table().lastRow(),
                                MOST_RECORDS)
                        .forEach(label -> own.add(LooseText.key(label)));
                labels.put(table, own);
                own.forEach(label -> tablesByLabel.merge(label, 1, Integer::sum));
            }
        }
        List<Finding> findings = new ArrayList<>(read(tables));
        labels.forEach((table, own) -> {
            long shared = own.stream()
                    .filter(label -> tablesByLabel.getOrDefault(label, 0) >= FEWEST_SHEETS)
                    .count();
            if (shared >= FEWEST_LABELS && shared >= own.size() * SHARED_LABELS) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "form",
                        table.where(),
                        "The sheet looks like one record: labels below each other, the same as in other sheets, with"
                                + " values of several kinds beside them.",
                        "It was read as a table of " + Says.count(table.table().kept(), "row") + ", one for each label,"
                                + " which is hardly what is meant.",
                        "Say in Read that they are forms; or leave these sheets out, or ask for them as a table."));
            }
        });
        return findings;
    }

    /** What is said of sheets that were read as forms, once for all with the same labels. */
    private static List<Finding> read(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> byLayout = new LinkedHashMap<>();
        tables.stream()
                .filter(table -> table.table().isForm())
                .forEach(table -> byLayout.computeIfAbsent(table.signature(), any -> new ArrayList<>())
                        .add(table));
        return byLayout.values().stream()
                .flatMap(alike -> Stream.concat(Stream.of(readAsForms(alike)), ofTheSheet(alike).stream()))
                .toList();
    }

    /** What forms say beside labels that speak of the sheet itself, with the first place of each. */
    private static List<Finding> ofTheSheet(List<PlacedTable> alike) {
        Map<String, List<Where>> places = new LinkedHashMap<>();
        Map<String, String> said = new LinkedHashMap<>();
        for (PlacedTable form : alike) {
            for (Doubt doubt : form.table().doubts()) {
                if (doubt.kind().equals(OF_THE_SHEET)) {
                    String label = doubt.text().substring(0, doubt.text().indexOf('”') + 1);
                    said.putIfAbsent(label, doubt.text());
                    places.computeIfAbsent(label, any -> new ArrayList<>())
                            .add(form.where().row(doubt.row()));
                }
            }
        }
        List<Finding> findings = new ArrayList<>();
        places.forEach((label, where) -> findings.add(new Finding(
                Severity.REMARK,
                OF_THE_SHEET,
                where.get(0),
                said.getOrDefault(label, ""),
                Says.count(where.size(), "form") + (where.size() == 1 ? " has it." : " have it."),
                "Look at it there; where it belongs to the record, ask for it under another label.")));
        return findings;
    }

    private static Finding readAsForms(List<PlacedTable> alike) {
        long sheets = alike.stream().map(PlacedTable::where).distinct().count();
        String labels = Says.list(alike.get(0).columns().stream()
                .limit(3)
                .map(column -> Says.quoted(column.header()))
                .toList());
        boolean several = alike.size() > sheets;
        return new Finding(
                Severity.REMARK,
                "form-read",
                alike.get(0).where(),
                Says.count(sheets, "sheet") + (sheets == 1 ? " holds " : " hold ")
                        + (several ? Says.count(alike.size(), "record") : "one record each")
                        + ", labels with their values beside them, such as " + labels + ".",
                "Each is one row of the master.",
                "Where that is wrong, decide that their layout is “no form”.");
    }

    /** True for values of several kinds: numbers, dates and words below each other. */
    private static boolean isMixed(Evidence evidence) {
        long filled = evidence.filled();
        long dates = Typing.fit(evidence, Type.DATE_AND_TIME);
        long numbers = Typing.fit(evidence, Type.DECIMAL);
        long most = Math.max(Math.max(dates, numbers), filled - dates - numbers);
        return filled >= FEWEST_LABELS && most <= filled * MOST_OF_A_KIND && (dates > 0 || filled > dates + numbers);
    }
}
