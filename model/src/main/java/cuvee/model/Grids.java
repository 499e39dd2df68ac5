package cuvee.model;

import cuvee.decision.SheetRule;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.model.GridModel.Tone;
import cuvee.model.ListGrid.Column;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import cuvee.refresh.Proposal;
import cuvee.refresh.ReadSheet;
import cuvee.refresh.SourceReport;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What the views show of an outcome, as grids. */
public final class Grids {
    private Grids() {}

    // ---- Read ----

    /** A line of the list of what was read: a layout, or a sheet with its tables. */
    public record ReadLine(String heading, Optional<ReadSheet> sheet, String figure) {}

    /** The layouts with their sheets, then the sheets that are not in the master, each with the reason. */
    public static ListGrid<ReadLine> read(Outcome outcome) {
        Map<Integer, ReadSheet> bySheet = new LinkedHashMap<>();
        Map<String, Set<String>> files = new HashMap<>();
        outcome.sheets().forEach(sheet -> {
            bySheet.put(sheet.staged().id(), sheet);
            files.computeIfAbsent(fileName(sheet.source()), name -> new HashSet<>())
                    .add(sheet.source());
        });
        List<ReadLine> lines = new ArrayList<>();
        int number = 0;
        for (Layout layout : outcome.proposal().layouts()) {
            number++;
            lines.add(new ReadLine(
                    "Layout " + number + ", " + Says.count(layout.headers().size(), "column") + ": "
                            + String.join(", ", layout.headers()),
                    Optional.empty(),
                    Says.count(layout.tables().size(), "table")));
            for (PlacedTable table : layout.tables()) {
                lines.add(new ReadLine(
                        "",
                        Optional.ofNullable(bySheet.get(table.staged())),
                        Says.number(table.table().kept())));
            }
        }
        List<ReadSheet> outside = outcome.sheets().stream()
                .filter(sheet -> !sheet.reason().isEmpty())
                .toList();
        if (!outside.isEmpty()) {
            lines.add(new ReadLine("Not in the master", Optional.empty(), Says.count(outside.size(), "sheet")));
            outside.forEach(sheet -> lines.add(new ReadLine("", Optional.of(sheet), "0")));
        }
        List<Column<ReadLine>> columns = List.of(
                Column.of("Layout, file and sheet", 262, line -> readName(line, files)),
                Column.number("Kept", 58, line -> line.sheet().isEmpty() ? "" : line.figure()));
        return new ListGrid<>(
                lines,
                columns,
                (line, column) -> line.sheet().isEmpty() ? Tone.HEADING : column == 1 ? Tone.QUIET : Tone.PLAIN);
    }

    /** What a rule about sheets that is tried out finds in each of the files that it would be said of. */
    public static ListGrid<ReadLine> readUnder(Outcome outcome, SheetRule rule, SheetScope scope) {
        Map<String, List<ReadSheet>> bySource = new LinkedHashMap<>();
        scope.files(outcome)
                .forEach(sheet -> bySource.computeIfAbsent(sheet.source(), source -> new ArrayList<>())
                        .add(sheet));
        List<ReadLine> lines = new ArrayList<>();
        for (List<ReadSheet> sheets : bySource.values()) {
            List<ReadSheet> taken =
                    rule.takenOf(sheets).stream().map(sheets::get).toList();
            String found = taken.isEmpty()
                    ? NOT_FOUND
                    : taken.get(0).name().isEmpty()
                            ? "found"
                            : Says.list(taken.stream().map(ReadSheet::name).toList());
            lines.add(new ReadLine("", Optional.of(taken.isEmpty() ? sheets.get(0) : taken.get(0)), found));
        }
        List<Column<ReadLine>> columns = List.of(
                Column.of(
                        "File",
                        176,
                        line -> line.sheet()
                                .map(ReadSheet::source)
                                .map(Grids::fileName)
                                .orElse("")),
                Column.of("Sheets found", 144, ReadLine::figure));
        return new ListGrid<>(
                lines,
                columns,
                (line, column) -> column == 1 && line.figure().equals(NOT_FOUND) ? Tone.MARKED : Tone.PLAIN);
    }

    private static final String NOT_FOUND = "not found";

    private static String fileName(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String readName(ReadLine line, Map<String, Set<String>> files) {
        return line.sheet()
                .map(sheet -> {
                    String file = fileName(sheet.source());
                    boolean alone = files.getOrDefault(file, Set.of()).size() < 2;
                    return (alone ? file : sheet.source()) + (sheet.name().isEmpty() ? "" : ", " + sheet.name());
                })
                .orElseGet(() -> line.figure() + "  " + line.heading());
    }

    /** The rows of a table that are no records, counted by what they are. */
    public static String aside(FoundTable table) {
        return table.setAside().entrySet().stream()
                .map(entry -> Says.count(entry.getValue(), noun(entry.getKey())))
                .collect(Collectors.joining(", "));
    }

    private static String noun(RowClass what) {
        return switch (what) {
            case BLANK -> "blank row";
            case REPEAT -> "repeated header";
            case OUTSIDE -> "row outside";
            case TITLE, HEADER, TOTAL, SECTION, NOTE, FIELD -> what.word();
        };
    }

    // ---- Check ----

    /** The findings, the gravest first. */
    public static ListGrid<Finding> findings(Outcome outcome) {
        List<Finding> findings = outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .sorted((a, b) -> b.severity().compareTo(a.severity()))
                .toList();
        List<Column<Finding>> columns = List.of(
                Column.of("Weight", 80, finding -> finding.severity().word()),
                Column.of("Where", 270, finding -> finding.where().toString()),
                Column.of("What happened", 560, Finding::what),
                Column.of("What Cuvee did", 280, Finding::done),
                Column.of("What you can do", 400, Finding::canDo));
        return new ListGrid<>(
                findings,
                columns,
                (finding, column) -> column == 0 && finding.atLeast(Severity.WARNING) ? Tone.MARKED : Tone.PLAIN);
    }

    /** The reconciliation: for each source the lines seen, kept and set aside, which always add up. */
    public static ListGrid<SourceReport> reconciliation(Outcome outcome) {
        List<SourceReport> sources = outcome.sources().stream()
                .filter(source -> !source.tables().isEmpty())
                .toList();
        Map<String, Fed> fed = fed(outcome);
        List<Column<SourceReport>> columns = new ArrayList<>(List.of(
                Column.of("File", 300, SourceReport::path),
                Column.number("Lines seen", 100, source -> Says.number(source.seen())),
                Column.number("Set aside", 90, source -> Says.number(source.seen() - source.rows())),
                Column.number("Kept", 90, source -> Says.number(source.rows()))));
        boolean ruled = outcome.rowsRuledOut() > 0;
        if (outcome.rowsBefore() + outcome.rowsRuledOut() != outcome.kept()) {
            columns.add(Column.number(
                    "Became rows",
                    100,
                    source -> Says.number(
                            fed.getOrDefault(source.path(), Fed.NONE).rows())));
        }
        if (ruled) {
            columns.add(Column.number(
                    "Aside by rules",
                    110,
                    source -> Says.number(
                            fed.getOrDefault(source.path(), Fed.NONE).ruledOut())));
            columns.add(Column.number("In the master", 110, source -> {
                Fed made = fed.getOrDefault(source.path(), Fed.NONE);
                return Says.number(made.rows() - made.ruledOut());
            }));
        }
        columns.add(Column.number(
                "Columns matched",
                130,
                source -> Says.number(
                        fed.getOrDefault(source.path(), Fed.NONE).matched().size())));
        columns.add(Column.of(
                "Missing",
                280,
                source -> names(fed.getOrDefault(source.path(), Fed.NONE).missing())));
        columns.add(Column.of(
                "Only here",
                240,
                source -> names(fed.getOrDefault(source.path(), Fed.NONE).extra())));
        int quiet = columns.size() - 2;
        return new ListGrid<>(sources, columns, (source, column) -> column >= quiet ? Tone.QUIET : Tone.PLAIN);
    }

    /** What stands over the reconciliation: that it closes, and what was corrected. */
    public static String reconciliationSays(Outcome outcome) {
        List<Proposal.Corrected> corrected = outcome.proposal().corrected().stream()
                .filter(Proposal.Corrected::inForce)
                .toList();
        String all = "Every line seen is kept or set aside, file by file.";
        all += outcome.shaped()
                .filter(shaped -> shaped.before() != shaped.rows())
                .map(shaped -> " In the end " + Says.count(shaped.before(), "row") + " are gathered in "
                        + Says.number(shaped.rows()) + ".")
                .orElse("");
        if (corrected.isEmpty()) {
            return all;
        }
        Map<String, Long> byColumn = corrected.stream()
                .collect(Collectors.groupingBy(Proposal.Corrected::column, LinkedHashMap::new, Collectors.counting()));
        return all + " You corrected "
                + Says.list(byColumn.entrySet().stream()
                        .map(entry -> Says.count(entry.getValue(), "cell") + " of " + entry.getKey())
                        .toList())
                + "; the sources say otherwise.";
    }

    private static String names(Set<String> names) {
        return names.isEmpty() ? "" : Says.list(List.copyOf(names));
    }

    /**
     * What a source gives the master.
     *
     * @param missing columns that none of its tables has
     * @param extra columns that no other layout has
     * @param rows what its records came to
     * @param ruledOut how many of those rules set aside
     */
    private record Fed(Set<String> matched, Set<String> missing, Set<String> extra, long rows, long ruledOut) {
        static final Fed NONE = new Fed(Set.of(), Set.of(), Set.of(), 0, 0);
    }

    private static Map<String, Fed> fed(Outcome outcome) {
        Map<String, Fed> bySource = new HashMap<>();
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        int layouts = outcome.proposal().layouts().size();
        for (MasterPlan.Table table : outcome.proposal().plan().tables()) {
            Fed before = bySource.getOrDefault(table.source(), Fed.NONE);
            Set<String> matched = new LinkedHashSet<>(before.matched());
            Set<String> extra = new LinkedHashSet<>(before.extra());
            Set<String> missing = new LinkedHashSet<>();
            for (int i = 0; i < columns.size(); i++) {
                String name = columns.get(i).name();
                if (table.feeds().get(i) != null) {
                    matched.add(name);
                    if (layouts > 1 && columns.get(i).layouts() == 1) {
                        extra.add(name);
                    }
                }
            }
            for (int i = 0; i < columns.size(); i++) {
                if (outcome.proposal().hasCells(i)) {
                    missing.add(columns.get(i).name());
                }
            }
            missing.removeAll(matched);
            Outcome.Made made = outcome.made().get(table.id());
            bySource.put(
                    table.source(),
                    new Fed(
                            matched,
                            missing,
                            extra,
                            before.rows() + (made == null ? 0 : made.rows()),
                            before.ruledOut() + outcome.ruledOut(table.id())));
        }
        return bySource;
    }
}
