package cuvee.refresh;

import cuvee.collect.Source;
import cuvee.deliver.BookCells;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.CuveeException;
import cuvee.gather.ReadSheet;
import cuvee.job.Delivery;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Known;
import cuvee.sheet.CellKind;
import cuvee.sheet.ReadAs;
import cuvee.sheet.SheetFiles;
import cuvee.sheet.TextCells;
import cuvee.tell.Outcome;
import cuvee.value.LooseText;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Copies of all sources in another folder, with the same changes made in each: a header renamed, a value written otherwise.
 * Sources that hold nothing of the kind are copied as the bytes that they are; those whose form cannot be changed in place
 * are left out, and said.
 */
final class SourceCopies {
    private static final int MOST_CELLS = 1_000_000;
    private static final int NAMED = 3;
    private static final Set<String> BOOKS = Set.of("xlsx", "xlsm");
    private static final Set<String> TEXTS = Set.of("csv", "tsv", "txt", "tab", "psv");

    private final Store store;
    private final Outcome outcome;
    private final List<Source> sources;
    private final Function<String, ReadAs> readAs;

    /**
     * @param sources the sources that are taken, in their order
     * @param readAs how a text file is read, by its path
     */
    SourceCopies(Store store, Outcome outcome, List<Source> sources, Function<String, ReadAs> readAs) {
        this.store = store;
        this.outcome = outcome;
        this.sources = sources;
        this.readAs = readAs;
    }

    /**
     * What copying came to, or would come to.
     *
     * @param same sources that hold nothing of the kind
     * @param left why sources were not changed, or not throughout, by their paths
     */
    private record Report(long changed, long cells, long same, Map<String, String> left, long bytes) {
        String said() {
            return Says.number(changed) + (changed == 1 ? " copy" : " copies") + " changed in "
                    + Says.count(cells, "cell")
                    + ", " + Says.number(same) + " as they are"
                    + (left.isEmpty()
                            ? "."
                            : "; " + Says.count(left.size(), "source") + " not changed throughout: "
                                    + Says.list(left.entrySet().stream()
                                            .limit(NAMED)
                                            .map(each -> each.getKey() + " (" + each.getValue() + ")")
                                            .toList())
                                    + (left.size() > NAMED ? " and more." : "."));
        }
    }

    /** A cell of a source: its sheet, its row from 1, its column from 0. */
    private record Cell(String sheet, int row, int column) {}

    String look(Delivery.Copies copies) {
        Map<String, Map<Cell, String>> cells = cells(copies);
        Map<String, String> left = new LinkedHashMap<>();
        long changed = 0;
        long touched = 0;
        long same = 0;
        for (Source source : sources) {
            Map<Cell, String> own = cells.getOrDefault(source.path(), Map.of());
            if (!own.isEmpty() && !canChange(source)) {
                left.put(source.path(), cannot(source));
            } else {
                changed += own.isEmpty() ? 0 : 1;
                touched += own.size();
                same += own.isEmpty() ? 1 : 0;
            }
        }
        return new Report(changed, touched, same, left, 0).said();
    }

    /** Writes the copies below a folder. */
    Delivered write(
            Delivery.Copies copies, Path folder, TargetGuard guard, Existing existing, MasterFiles.Register register) {
        if (copies.changes().isEmpty()) {
            throw CuveeException.failure(
                    "no-change",
                    Where.JOB,
                    "No change is named that the copies in " + folder + " are to have.",
                    "Nothing was written.",
                    "Name a header or a value that is to become another.");
        }
        if (guard.liesInPlace(folder)) {
            throw CuveeException.failure(
                    "target-is-source",
                    Where.JOB,
                    "The copies cannot be written to " + folder + ": it lies in a place of this job.",
                    "Nothing was written.",
                    "Name a folder of its own.");
        }
        sources.forEach(source -> guard.check(folder.resolve(source.path()), existing));
        Map<String, Map<Cell, String>> cells = cells(copies);
        Map<String, String> left = new LinkedHashMap<>();
        long changed = 0;
        long touched = 0;
        long same = 0;
        long bytes = 0;
        for (Source source : sources) {
            Map<Cell, String> own = cells.getOrDefault(source.path(), Map.of());
            if (!own.isEmpty() && !canChange(source)) {
                left.put(source.path(), cannot(source));
                continue;
            }
            Path target = folder.resolve(source.path());
            makeFolder(target.getParent());
            Set<Cell> met = new HashSet<>();
            String[] why = {""};
            bytes += MasterFiles.put(target, register, beside -> why[0] = copy(source, own, met, beside));
            if (!why[0].isEmpty()) {
                left.put(source.path(), why[0] + "; copied as it is");
            }
            changed += met.isEmpty() ? 0 : 1;
            touched += met.size();
            same += own.isEmpty() ? 1 : 0;
            if (met.size() < own.size() && why[0].isEmpty()) {
                left.put(
                        source.path(),
                        Says.count(own.size() - met.size(), "cell")
                                + (isWorkbook(source) ? " with a formula stayed" : " without room in the line stayed")
                                + "; the others are changed");
            }
        }
        Report report = new Report(changed, touched, same, left, bytes);
        return new Delivered(report.bytes(), report.said(), !left.isEmpty());
    }

    private static boolean isWorkbook(Source source) {
        return BOOKS.contains(SheetFiles.ending(String.valueOf(source.file().getFileName())));
    }

    private static boolean canChange(Source source) {
        String ending = SheetFiles.ending(String.valueOf(source.file().getFileName()));
        return BOOKS.contains(ending) || TEXTS.contains(ending);
    }

    private static String cannot(Source source) {
        return "a ." + SheetFiles.ending(String.valueOf(source.file().getFileName()))
                + " file cannot be changed in some cells only; not copied";
    }

    private static void makeFolder(@Nullable Path folder) {
        try {
            if (folder != null) {
                Files.createDirectories(folder);
            }
        } catch (IOException failed) {
            throw CuveeException.failure(
                    "no-folder",
                    Where.JOB,
                    "The folder " + folder + " cannot be made: " + failed.getMessage(),
                    "Nothing more was written; the sources are untouched.",
                    "Name another folder.");
        }
    }

    /** Copies one source; answers why it could not be changed, or nothing. */
    private String copy(Source source, Map<Cell, String> cells, Set<Cell> met, Path to) throws IOException {
        if (cells.isEmpty()) {
            Files.write(to, Files.readAllBytes(source.file()));
            return "";
        }
        if (BOOKS.contains(SheetFiles.ending(String.valueOf(source.file().getFileName())))) {
            Map<BookCells.At, String> places = new HashMap<>();
            Map<BookCells.At, Cell> byPlace = new HashMap<>();
            cells.forEach((cell, text) -> {
                BookCells.At at = new BookCells.At(cell.sheet(), Where.columnLetters(cell.column() + 1) + cell.row());
                places.put(at, text);
                byPlace.put(at, cell);
            });
            Set<BookCells.At> changed = new HashSet<>();
            Optional<String> why = BookCells.copy(source.file(), to, places, changed);
            if (why.isPresent()) {
                Files.write(to, Files.readAllBytes(source.file()));
                return why.get();
            }
            changed.forEach(at -> {
                Cell cell = byPlace.get(at);
                if (cell != null) {
                    met.add(cell);
                }
            });
            return "";
        }
        Map<TextCells.At, String> places = new HashMap<>();
        cells.forEach((cell, text) -> places.put(new TextCells.At(cell.row(), cell.column()), text));
        Set<TextCells.At> changed = new HashSet<>();
        try {
            Files.write(to, TextCells.changed(source.file(), readAs.apply(source.path()), places, changed));
        } catch (CharacterCodingException noSign) {
            Files.write(to, Files.readAllBytes(source.file()));
            return "its encoding has no sign for the new text";
        }
        cells.keySet().stream()
                .filter(cell -> changed.contains(new TextCells.At(cell.row(), cell.column())))
                .forEach(met::add);
        return "";
    }

    // ---- which cells ----

    /** The cells to be changed, with what they say then, by the paths of their sources. */
    private Map<String, Map<Cell, String>> cells(Delivery.Copies copies) {
        Map<String, Map<Cell, String>> cells = new HashMap<>();
        for (Delivery.Change change : copies.changes()) {
            if (change.column().isEmpty()) {
                headers(change, cells);
            } else {
                values(change, cells);
            }
        }
        return cells;
    }

    private void headers(Delivery.Change change, Map<String, Map<Cell, String>> cells) {
        String wanted = LooseText.tidy(change.from());
        for (ReadSheet sheet : outcome.sheets()) {
            for (PlacedTable table : sheet.tables()) {
                for (int row : headerRows(table.table())) {
                    List<@Nullable String> staged = store.rows().row(table.staged(), table.width(), row);
                    for (int column = 0; column < staged.size(); column++) {
                        String cell = staged.get(column);
                        if (cell != null
                                && LooseText.tidy(CellKind.textOf(cell)).equals(wanted)) {
                            cells.computeIfAbsent(table.source(), any -> new HashMap<>())
                                    .put(new Cell(table.sheet(), row, column), change.to());
                        }
                    }
                }
            }
        }
    }

    private static List<Integer> headerRows(FoundTable table) {
        List<Integer> rows = new ArrayList<>(table.headerRows());
        table.aside().stream()
                .filter(aside -> aside.rowClass() == RowClass.REPEAT)
                .forEach(aside -> rows.add(aside.row()));
        return rows;
    }

    private void values(Delivery.Change change, Map<String, Map<Cell, String>> cells) {
        int column = Known.of(outcome.proposal().plan()).at(change.column());
        if (column < 0 || column >= outcome.proposal().plan().columns().size()) {
            throw CuveeException.failure(
                    "no-column",
                    Where.JOB,
                    "There is no column " + Says.quoted(change.column())
                            + " in which a value could be written otherwise.",
                    "Nothing was written; the sources are untouched.",
                    "Name another column of the master.");
        }
        for (SourceCells.Misfit found : store.cells()
                .holding(outcome.proposal().plan(), column, List.of(change.from()), table -> true, MOST_CELLS)) {
            cells.computeIfAbsent(found.table().source(), any -> new HashMap<>())
                    .put(new Cell(found.table().sheet(), found.row(), found.column()), change.to());
        }
    }
}
