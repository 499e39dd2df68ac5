package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.job.Delivery.Prepared;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.sheet.SheetFiles;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.ValueReader;
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
import java.util.HashMap;
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
import org.apache.poi.ss.usermodel.DateUtil;
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

    /** Where keys and items stand on a sheet. */
    private record Grid(Sheet sheet, Map<String, Integer> rows, Map<String, Integer> columns) {}

    /** A column of the master by which keys, items or values go. */
    private record Side(int at, Type type) {
        /** What is compared: values as the master has them, texts loosely. */
        String key(String value) {
            return type == Type.TEXT ? LooseText.key(value) : value;
        }

        /** What a cell of the workbook says, to be compared. */
        String key(Cell cell, DataFormatter formatter) {
            CellType kind =
                    cell.getCellType() == CellType.FORMULA ? cell.getCachedFormulaResultType() : cell.getCellType();
            if (kind == CellType.NUMERIC && DateUtil.isCellDateFormatted(cell)) {
                LocalDateTime moment = cell.getLocalDateTimeCellValue();
                return type == Type.DATE_AND_TIME
                        ? moment.toString()
                        : moment.toLocalDate().toString();
            }
            if (kind == CellType.NUMERIC && type.isNumber()) {
                return plain(BigDecimal.valueOf(cell.getNumericCellValue()));
            }
            String text = kind == CellType.STRING
                    ? cell.getStringCellValue()
                    : kind == CellType.NUMERIC ? formatter.formatCellValue(cell) : "";
            if (type == Type.TEXT || text.isBlank()) {
                return LooseText.key(text);
            }
            String read = ValueReader.read(text, type, Convention.DEFAULT);
            return read == null ? "" : read;
        }
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    private static List<String> names(MasterPlan plan) {
        List<String> names = new ArrayList<>();
        plan.columns().forEach(column -> names.add(column.name()));
        plan.tags().forEach(tag -> names.add(tag.name()));
        return names;
    }

    private static Optional<Side> side(MasterPlan plan, String name) {
        int at = names(plan).indexOf(name);
        return at < 0
                ? Optional.empty()
                : Optional.of(new Side(
                        at, at < plan.columns().size() ? plan.columns().get(at).type() : Type.TEXT));
    }

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
        Side key = need(plan, prepared.key(), target);
        boolean wide = prepared.item().isEmpty();
        Map<String, Map<String, String>> values = new LinkedHashMap<>();
        Map<String, String> keyNames = new LinkedHashMap<>();
        Map<String, String> itemNames = new LinkedHashMap<>();
        Set<List<String>> met = new HashSet<>();
        List<Side> valued = new ArrayList<>();
        Side item = wide ? key : need(plan, prepared.item(), target);
        if (wide) {
            for (int i = 0; i < plan.columns().size(); i++) {
                if (i != key.at()) {
                    valued.add(new Side(i, plan.columns().get(i).type()));
                }
            }
        } else {
            valued.add(need(plan, prepared.value(), target));
        }
        reader.each(row -> {
            String keyed = row[key.at()];
            if (keyed == null || keyed.isBlank()) {
                return;
            }
            for (Side side : valued) {
                String value = row[side.at()];
                String named = wide ? plan.columns().get(side.at()).name() : row[item.at()];
                if (value == null || named == null || named.isBlank()) {
                    continue;
                }
                String itemKey = wide ? LooseText.key(named) : item.key(named);
                keyNames.putIfAbsent(key.key(keyed), keyed);
                itemNames.putIfAbsent(itemKey, named);
                Map<String, String> ofKey = values.computeIfAbsent(key.key(keyed), k -> new HashMap<>());
                String before = ofKey.get(itemKey);
                if (before != null) {
                    met.add(List.of(key.key(keyed), itemKey));
                }
                ofKey.put(
                        itemKey,
                        before == null
                                ? value
                                : side.type().isNumber() && !MasterPlan.isMixed(plan.columns(), side.at())
                                        ? plain(new BigDecimal(before).add(new BigDecimal(value)))
                                        : before);
            }
        });
        Side items = wide ? new Side(-1, Type.TEXT) : item;
        Path beside = MasterFiles.beside(target);
        try (XSSFWorkbook book = open(workbook)) {
            List<Grid> grids = new ArrayList<>();
            for (Sheet sheet : book) {
                grid(sheet, key, keyNames.keySet(), items, itemNames.keySet()).ifPresent(grids::add);
            }
            Type type = wide ? Type.TEXT : valued.get(0).type();
            long[] counts = put(grids, values, wide ? columnTypes(plan) : Map.of(), type);
            if (counts[0] == 0) {
                throw MasterFiles.failure(
                        "nothing-filled",
                        target,
                        "nothing of the master found a place in " + workbook.getFileName()
                                + (counts[1] > 0
                                        ? ", where all cells that would be filled hold formulas"
                                        : ": no value of " + Says.quoted(prepared.key())
                                                + " stands down one column with "
                                                + (wide
                                                        ? "names of columns"
                                                        : "values of " + Says.quoted(prepared.item()))
                                                + " across one row"),
                        "Choose the columns of the delivery again, or another workbook.");
            }
            book.setForceFormulaRecalculation(true);
            mark(book);
            try (OutputStream out = Files.newOutputStream(beside)) {
                book.write(out);
            }
            register.enter(beside, target);
            MasterFiles.move(beside, target);
            Set<String> keysThere = new HashSet<>();
            Set<String> itemsThere = new HashSet<>();
            grids.forEach(grid -> {
                keysThere.addAll(grid.rows().keySet());
                itemsThere.addAll(grid.columns().keySet());
            });
            return new Report(
                    counts[0],
                    lost(keyNames, keyNames.keySet(), keysThere),
                    lost(itemNames, itemNames.keySet(), itemsThere),
                    counts[1],
                    met.stream()
                            .filter(cell -> keysThere.contains(cell.get(0)) && itemsThere.contains(cell.get(1)))
                            .count(),
                    Files.size(target));
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

    private static void mark(XSSFWorkbook book) {
        POIXMLProperties.CustomProperties own = book.getProperties().getCustomProperties();
        if (!own.contains(OwnMark.NAME)) {
            own.addProperty(OwnMark.NAME, OwnMark.VALUE);
        }
    }

    private static Map<String, Type> columnTypes(MasterPlan plan) {
        Map<String, Type> types = new HashMap<>();
        plan.columns().forEach(column -> types.put(LooseText.key(column.name()), column.type()));
        return types;
    }

    private static List<String> lost(Map<String, String> names, Set<String> meant, Set<String> there) {
        return meant.stream()
                .filter(key -> !there.contains(key))
                .map(key -> names.getOrDefault(key, key))
                .toList();
    }

    private static Side need(MasterPlan plan, String name, Path target) {
        return side(plan, name)
                .orElseThrow(() -> MasterFiles.failure(
                        "no-column",
                        target,
                        "the master has no column " + Says.quoted(name),
                        "Choose the columns of the delivery again."));
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

    private static long[] put(
            List<Grid> grids, Map<String, Map<String, String>> values, Map<String, Type> types, Type type) {
        long filled = 0;
        long formulas = 0;
        for (Grid grid : grids) {
            for (Map.Entry<String, Integer> row : grid.rows().entrySet()) {
                for (Map.Entry<String, Integer> column : grid.columns().entrySet()) {
                    String value = values.getOrDefault(row.getKey(), Map.of()).get(column.getKey());
                    if (value == null) {
                        continue;
                    }
                    Row at = grid.sheet().getRow(row.getValue());
                    Cell cell = at.getCell(column.getValue(), Row.MissingCellPolicy.CREATE_NULL_AS_BLANK);
                    if (cell.getCellType() == CellType.FORMULA) {
                        formulas++;
                    } else {
                        set(cell, value, types.getOrDefault(column.getKey(), type));
                        filled++;
                    }
                }
            }
        }
        return new long[] {filled, formulas};
    }

    private static void set(Cell cell, String value, Type type) {
        switch (type) {
            case WHOLE_NUMBER, DECIMAL, MONEY, PERCENT -> cell.setCellValue(new BigDecimal(value).doubleValue());
            case DATE -> cell.setCellValue(LocalDate.parse(value));
            case DATE_AND_TIME -> cell.setCellValue(LocalDateTime.parse(value));
            case YES_NO -> cell.setCellValue(value.equals("true"));
            default -> cell.setCellValue(value);
        }
    }

    // ---- where keys and items stand ----

    private static Optional<Grid> grid(Sheet sheet, Side key, Set<String> keys, Side item, Set<String> items) {
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
        List<String> names = names(plan);
        List<Set<String>> different = new ArrayList<>();
        names.forEach(name -> different.add(new HashSet<>()));
        reader.each(row -> {
            for (int i = 0; i < different.size(); i++) {
                if (row[i] != null && different.get(i).size() < MOST_VALUES) {
                    different.get(i).add(side(plan, names.get(i)).orElseThrow().key(row[i]));
                }
            }
        });
        Optional<Prepared> best = Optional.empty();
        long most = 0;
        try (Workbook book = open(workbook)) {
            for (int k = 0; k < names.size(); k++) {
                Side key = side(plan, names.get(k)).orElseThrow();
                for (int i = -1; i < names.size(); i++) {
                    if (i == k
                            || key.type().isNumber()
                            || i >= 0
                                    && side(plan, names.get(i))
                                            .orElseThrow()
                                            .type()
                                            .isNumber()) {
                        continue;
                    }
                    Side item = i < 0
                            ? new Side(-1, Type.TEXT)
                            : side(plan, names.get(i)).orElseThrow();
                    Set<String> items = i < 0 ? columnTypes(plan).keySet() : different.get(i);
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
