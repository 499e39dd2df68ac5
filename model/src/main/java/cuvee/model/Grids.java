package cuvee.model;

import cuvee.decision.SheetRule;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.model.GridModel.Tone;
import cuvee.model.ListGrid.Column;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
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
            // The records of a sheet that is read by its labels stand together.
            Map<Integer, Long> records = layout.tables().stream()
                    .filter(table -> table.table().isForm())
                    .collect(Collectors.groupingBy(
                            PlacedTable::staged,
                            Collectors.summingLong(table -> table.table().kept())));
            for (PlacedTable table : layout.tables()) {
                Long kept = table.table().isForm()
                        ? records.remove(table.staged())
                        : Long.valueOf(table.table().kept());
                if (kept != null) {
                    lines.add(new ReadLine("", Optional.ofNullable(bySheet.get(table.staged())), Says.number(kept)));
                }
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
                        (line, column) -> line.sheet().isEmpty() ? Tone.HEADING : column == 1 ? Tone.QUIET : Tone.PLAIN)
                .withMarks(
                        (line, column) -> column == 0 && question(outcome, line).isPresent()
                                ? GridModel.Mark.QUESTION
                                : GridModel.Mark.NONE);
    }

    /** The open question that stands at a sheet; empty where there is none. */
    public static Optional<Question> question(Outcome outcome, ReadLine line) {
        return line.sheet()
                .flatMap(sheet -> Questions.of(outcome, Stage.READ).stream()
                        .filter(question -> question.where().source().equals(sheet.source())
                                && question.where().sheet().equals(sheet.name()))
                        .findFirst());
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
                // The rows of a form hold its one record.
                .filter(entry -> entry.getKey() != RowClass.FIELD)
                .map(entry -> Says.count(entry.getValue(), noun(entry.getKey())))
                .collect(Collectors.joining(", "));
    }

    private static String noun(RowClass what) {
        return switch (what) {
            case BLANK -> "blank row";
            case REPEAT -> "repeated header";
            case OUTSIDE -> "outside row";
            case HEAD -> "head row";
            case BELOW -> "lower line";
            case TITLE, HEADER, TOTAL, SECTION, NOTE, FIELD -> what.word();
        };
    }
}
