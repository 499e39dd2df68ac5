package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.job.Delivery.Prepared;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.sheet.SheetFiles;
import cuvee.value.YesNoWords;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.ooxml.POIXMLProperties;
import org.apache.poi.openxml4j.exceptions.OpenXML4JRuntimeException;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.jspecify.annotations.Nullable;

/**
 * Fills the cells of a workbook that someone prepared: keys stand down one column, items across one row, and each cell
 * where they meet gets the master's value. Both are found by their text. The prepared workbook is left alone; a copy is
 * filled.
 */
public final class PreparedWorkbook {
    /** Keys and items are looked for within so many rows and columns. */
    private static final int MOST_ROWS = 5000;

    private static final int MOST_COLUMNS = 400;
    private static final int MOST_VALUES = 5000;
    private static final int NAMED = 5;

    private PreparedWorkbook() {}

    /**
     * What came of filling.
     *
     * @param filled cells that got a value
     * @param keysLost keys of the master that do not stand in the workbook
     * @param itemsLost items of the master that do not stand in it
     * @param formulas cells that hold a formula and were left alone
     * @param met cells in which several rows of the master met: numbers were added up, of others the first was taken
     */
    public record Report(
            long filled, List<String> keysLost, List<String> itemsLost, long formulas, long met, long bytes) {
        public Report {
            keysLost = List.copyOf(keysLost);
            itemsLost = List.copyOf(itemsLost);
        }

        /** True where something of the master found no cell. */
        public boolean incomplete() {
            return !keysLost.isEmpty() || !itemsLost.isEmpty() || formulas > 0;
        }

        public String said() {
            StringBuilder said = new StringBuilder(Says.count(filled, "cell") + " filled");
            tell(said, keysLost, "key");
            tell(said, itemsLost, "item");
            if (formulas > 0) {
                said.append("; ").append(Says.count(formulas, "cell")).append(" left alone since they hold formulas");
            }
            if (met > 0) {
                said.append("; in ").append(Says.count(met, "cell")).append(" several rows met");
            }
            return said.append('.').toString();
        }

        private static void tell(StringBuilder said, List<String> lost, String what) {
            if (!lost.isEmpty()) {
                said.append("; ")
                        .append(Says.count(lost.size(), what))
                        .append(" not in the workbook: ")
                        .append(Says.list(
                                lost.stream().limit(NAMED).map(Says::quoted).toList()))
                        .append(lost.size() > NAMED ? " and others" : "");
            }
        }
    }

    /** How many cells got a value, and how many were left alone since they hold formulas. */
    private record Filled(long cells, long formulas) {}

    /** Where keys and items stand on a sheet. */
    private record Grid(Sheet sheet, Map<String, Integer> rows, Map<String, Integer> columns) {}

    // ---- filling ----

    /**
     * Fills a copy of a prepared workbook in one step.
     *
     * @throws CuveeException where the workbook or the target cannot be used, a column is not there, or nothing of the
     *     master found a place in the workbook
     */
    public static Report fill(
            MasterReader reader,
            MasterPlan plan,
            Path workbook,
            Path target,
            Prepared prepared,
            MasterFiles.Register register) {
        check(workbook, target);
        PreparedValues values = PreparedValues.of(reader, plan, prepared, target);
        Path beside = MasterFiles.beside(target);
        try (XSSFWorkbook book = open(workbook)) {
            List<Grid> grids = new ArrayList<>();
            for (Sheet sheet : book) {
                grid(
                                sheet,
                                values.key(),
                                values.keys().keySet(),
                                values.item(),
                                values.items().keySet())
                        .ifPresent(grids::add);
            }
            Filled filled = put(grids, values);
            if (filled.cells() == 0) {
                throw nothingFilled(workbook, target, prepared, filled);
            }
            book.setForceFormulaRecalculation(true);
            mark(book);
            try (OutputStream out = Files.newOutputStream(beside)) {
                book.write(out);
            }
            register.enter(beside, target);
            MasterFiles.move(beside, target);
            return report(grids, values, filled, Files.size(target));
        } catch (IOException | UncheckedIOException failed) {
            throw MasterFiles.failure(
                    "cannot-write",
                    target,
                    String.valueOf(failed.getMessage()),
                    "Free it or name another file; what was there before is untouched.");
        } finally {
            FileForm.deleteQuietly(beside);
        }
    }

    private static void check(Path workbook, Path target) {
        MasterFiles.check(target);
        if (workbook.toAbsolutePath().normalize().equals(target.toAbsolutePath().normalize())) {
            throw MasterFiles.failure(
                    "same-file",
                    target,
                    "it is the prepared workbook itself, which stays as it is",
                    "Name another file.");
        }
        for (Path each : List.of(workbook, target)) {
            if (!SheetFiles.ending(String.valueOf(each.getFileName())).equals("xlsx")) {
                throw MasterFiles.failure(
                        "no-xlsx",
                        target,
                        each.getFileName() + " is no .xlsx workbook, and only such are filled",
                        "Save the prepared workbook as .xlsx, and name the copy so.");
            }
        }
    }

    private static CuveeException nothingFilled(Path workbook, Path target, Prepared prepared, Filled filled) {
        String items = prepared.item().isEmpty() ? "names of columns" : "values of " + Says.quoted(prepared.item());
        return MasterFiles.failure(
                "nothing-filled",
                target,
                "nothing of the master found a place in " + workbook.getFileName()
                        + (filled.formulas() > 0
                                ? ", where all cells that would be filled hold formulas"
                                : ": no value of " + Says.quoted(prepared.key()) + " stands down one column with "
                                        + items + " across one row"),
                "Choose the columns of the delivery again, or another workbook.");
    }

    private static Report report(List<Grid> grids, PreparedValues values, Filled filled, long bytes) {
        Set<String> keys = new HashSet<>();
        Set<String> items = new HashSet<>();
        grids.forEach(grid -> {
            keys.addAll(grid.rows().keySet());
            items.addAll(grid.columns().keySet());
        });
        return new Report(
                filled.cells(),
                lost(values.keys(), keys),
                lost(values.items(), items),
                filled.formulas(),
                values.met().stream()
                        .filter(cell -> keys.contains(cell.get(0)) && items.contains(cell.get(1)))
                        .count(),
                bytes);
    }

    private static void mark(XSSFWorkbook book) {
        POIXMLProperties.CustomProperties own = book.getProperties().getCustomProperties();
        if (!own.contains(OwnMark.NAME)) {
            own.addProperty(OwnMark.NAME, OwnMark.VALUE);
        }
    }

    private static List<String> lost(Map<String, String> names, Set<String> there) {
        return names.entrySet().stream()
                .filter(each -> !there.contains(each.getKey()))
                .map(Map.Entry::getValue)
                .toList();
    }

    private static XSSFWorkbook open(Path workbook) throws IOException {
        try (InputStream in = Files.newInputStream(workbook)) {
            return new XSSFWorkbook(in);
        } catch (EncryptedDocumentException | OpenXML4JRuntimeException | IllegalArgumentException broken) {
            throw new IOException("the prepared workbook " + workbook.getFileName() + " cannot be read", broken);
        } catch (IOException gone) {
            throw new IOException(
                    "the prepared workbook " + workbook.getFileName()
                            + (Files.exists(workbook) ? " cannot be read" : " is not there"),
                    gone);
        } catch (RuntimeException other) {
            throw new IOException("the prepared workbook " + workbook.getFileName() + " is none", other);
        }
    }

    private static Filled put(List<Grid> grids, PreparedValues values) {
        long filled = 0;
        long formulas = 0;
        for (Grid grid : grids) {
            for (Map.Entry<String, Integer> row : grid.rows().entrySet()) {
                for (Map.Entry<String, Integer> column : grid.columns().entrySet()) {
                    Optional<String> value = values.at(row.getKey(), column.getKey());
                    if (value.isEmpty()) {
                        continue;
                    }
                    Row at = grid.sheet().getRow(row.getValue());
                    Cell cell = at.getCell(column.getValue(), Row.MissingCellPolicy.CREATE_NULL_AS_BLANK);
                    if (cell.getCellType() == CellType.FORMULA) {
                        formulas++;
                    } else {
                        set(cell, value.get(), values.of(column.getKey()));
                        filled++;
                    }
                }
            }
        }
        return new Filled(filled, formulas);
    }

    private static void set(Cell cell, String value, PreparedSide of) {
        switch (of.type()) {
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> cell.setCellValue(new BigDecimal(value).doubleValue());
            case DATE -> cell.setCellValue(LocalDate.parse(value));
            case DATE_AND_TIME -> cell.setCellValue(LocalDateTime.parse(value));
            case YES_NO -> {
                if (of.words().equals(YesNoWords.TRUE_FALSE)) {
                    cell.setCellValue(value.equals("true"));
                } else {
                    cell.setCellValue(of.words().of(value));
                }
            }
            default -> cell.setCellValue(value);
        }
    }

    // ---- where keys and items stand ----

    private static Optional<Grid> grid(
            Sheet sheet, PreparedSide key, Set<String> keys, PreparedSide item, Set<String> items) {
        DataFormatter formatter = new DataFormatter();
        Map<Integer, Map<String, Integer>> itemsByRow = new LinkedHashMap<>();
        Map<Integer, Map<String, Integer>> keysByColumn = new LinkedHashMap<>();
        for (Row row : sheet) {
            if (row.getRowNum() > MOST_ROWS) {
                break;
            }
            for (Cell cell : row) {
                if (cell.getColumnIndex() > MOST_COLUMNS || cell.getCellType() == CellType.BLANK) {
                    continue;
                }
                String asItem = item.key(cell, formatter);
                if (items.contains(asItem)) {
                    itemsByRow
                            .computeIfAbsent(row.getRowNum(), r -> new LinkedHashMap<>())
                            .putIfAbsent(asItem, cell.getColumnIndex());
                }
                String asKey = key.key(cell, formatter);
                if (keys.contains(asKey)) {
                    keysByColumn
                            .computeIfAbsent(cell.getColumnIndex(), c -> new LinkedHashMap<>())
                            .putIfAbsent(asKey, row.getRowNum());
                }
            }
        }
        Map.Entry<Integer, Map<String, Integer>> across = most(itemsByRow);
        Map.Entry<Integer, Map<String, Integer>> down = most(keysByColumn);
        if (across == null || down == null) {
            return Optional.empty();
        }
        Map<String, Integer> rows = new LinkedHashMap<>(down.getValue());
        rows.values().removeIf(row -> row <= across.getKey());
        Map<String, Integer> columns = new LinkedHashMap<>(across.getValue());
        columns.values().removeIf(column -> column.equals(down.getKey()));
        return rows.isEmpty() || columns.isEmpty() ? Optional.empty() : Optional.of(new Grid(sheet, rows, columns));
    }

    private static Map.@Nullable Entry<Integer, Map<String, Integer>> most(Map<Integer, Map<String, Integer>> found) {
        Map.Entry<Integer, Map<String, Integer>> most = null;
        for (Map.Entry<Integer, Map<String, Integer>> each : found.entrySet()) {
            most = most == null || each.getValue().size() > most.getValue().size() ? each : most;
        }
        return most;
    }

    // ---- guessing ----

    /**
     * By which columns of the master a prepared workbook is to be filled: those whose values stand in it, down one column
     * and across one row; or the names of columns across.
     *
     * @throws CuveeException where the workbook cannot be read
     */
    public static Optional<Prepared> guess(MasterReader reader, MasterPlan plan, Path workbook) {
        List<String> names = PreparedSide.names(plan);
        List<Set<String>> different = new ArrayList<>();
        names.forEach(name -> different.add(new HashSet<>()));
        reader.each(row -> {
            for (int i = 0; i < different.size(); i++) {
                if (row[i] != null && different.get(i).size() < MOST_VALUES) {
                    different
                            .get(i)
                            .add(PreparedSide.named(plan, names.get(i))
                                    .orElseThrow()
                                    .key(row[i]));
                }
            }
        });
        Optional<Prepared> best = Optional.empty();
        long most = 0;
        try (Workbook book = open(workbook)) {
            for (int k = 0; k < names.size(); k++) {
                PreparedSide key = PreparedSide.named(plan, names.get(k)).orElseThrow();
                for (int i = -1; i < names.size(); i++) {
                    if (i == k
                            || key.type().isNumber()
                            || i >= 0
                                    && PreparedSide.named(plan, names.get(i))
                                            .orElseThrow()
                                            .type()
                                            .isNumber()) {
                        continue;
                    }
                    PreparedSide item = i < 0
                            ? PreparedSide.OF_NAMES
                            : PreparedSide.named(plan, names.get(i)).orElseThrow();
                    Set<String> items = i < 0 ? PreparedSide.columnNames(plan) : different.get(i);
                    long cells = 0;
                    for (Sheet sheet : book) {
                        cells += grid(sheet, key, different.get(k), item, items)
                                .map(grid -> (long) grid.rows().size()
                                        * grid.columns().size())
                                .orElse(0L);
                    }
                    Optional<String> value = i < 0 ? Optional.of("") : value(plan, k, i);
                    if (cells > most && value.isPresent()) {
                        most = cells;
                        best = Optional.of(new Prepared(
                                workbook.toString(), names.get(k), i < 0 ? "" : names.get(i), value.get()));
                    }
                }
            }
        } catch (IOException unreadable) {
            throw MasterFiles.failure(
                    "prepared", workbook, String.valueOf(unreadable.getMessage()), "Choose a workbook (.xlsx).");
        }
        return best;
    }

    /** The column whose values go into the cells: the first with numbers, else the first that is neither key nor item. */
    private static Optional<String> value(MasterPlan plan, int key, int item) {
        Optional<String> first = Optional.empty();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (i == key || i == item) {
                continue;
            }
            if (plan.columns().get(i).type().isNumber()) {
                return Optional.of(plan.columns().get(i).name());
            }
            first = first.isPresent()
                    ? first
                    : Optional.of(plan.columns().get(i).name());
        }
        return first;
    }
}
