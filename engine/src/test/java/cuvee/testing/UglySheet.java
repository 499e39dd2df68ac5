package cuvee.testing;

import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.detect.SheetClues;
import cuvee.detect.TableFinder;
import cuvee.sheet.CellRange;
import cuvee.sheet.Row;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Made-up sheets as people make them, each with the truth about it: for every table its header rows, its columns and what
 * each row is. Subjects vary, so that nothing is told by one vocabulary.
 */
public final class UglySheet {
    private final Random random;
    private final List<Object[]> rows = new ArrayList<>();
    private final List<Truth> truths = new ArrayList<>();
    private final List<CellRange> merged = new ArrayList<>();

    /** What can be put around records. */
    public enum Trait {
        TITLES,
        BLANKS,
        REPEATS,
        TOTALS,
        SUBTOTALS,
        NOTES,
        SECTIONS,
        TWO_ROW_HEADER,
        UNITS_BELOW,
        STACKED,
        SIDE_BY_SIDE,
        SHIFTED,
        TEXT_ONLY
    }

    /** The truth about one table: row numbers from 1. */
    public record Truth(Set<Integer> headerRows, Set<Integer> records, Map<Integer, RowClass> aside, int columns) {}

    private record Column(String name, int kind) {}

    private static final String[][] SUBJECTS = {
        {"Date:d", "Port:w", "Vessel:w", "Passengers:i", "Fare revenue:m", "Remarks:t"},
        {"Invoice no:c", "Customer:w", "Due:d", "Net amount:m", "VAT:m", "Paid:y"},
        {"Employee:w", "Team:w", "Week:i", "Hours worked:m", "Overtime:m"},
        {"Article:c", "Description:t", "Warehouse:w", "Quantity:i", "Unit price:m", "Reorder level:i"},
        {"Datum:d", "Strecke:w", "Schiff:w", "Fahrgäste:i", "Erlös:m"},
        {"Ward:w", "Admissions:i", "Discharges:i", "Bed days:i", "Occupancy:p"},
        {"Student ID:c", "Surname:w", "Course:w", "Credits:i", "Mark:m", "Passed:y"},
        {"Region:w", "Depot:w", "Litres:i", "Cost:m", "Supplier:w", "Delivered:d", "Checked by:w"},
        {"Month:w", "Site:w", "kWh:i", "Peak load:m", "CO2 t:m"},
    };
    private static final String[] WORDS = {
        "Hollin",
        "Tarsk",
        "Norhaven",
        "Marsay",
        "Eastray",
        "Brannock",
        "Petrel",
        "Dunlin",
        "Quill",
        "Marl",
        "Oska",
        "Fenn",
        "Lorne",
        "Skerry",
        "Vane",
        "Ister"
    };

    private int subject = -1;

    private UglySheet(long seed) {
        random = new Random(seed);
    }

    /** A sheet with some of the traits, chosen and placed by the seed. */
    public static UglySheet of(long seed, Set<Trait> traits) {
        UglySheet sheet = new UglySheet(seed);
        sheet.build(traits);
        return sheet;
    }

    /** A sheet about the subject of that number. */
    public static UglySheet about(int subject, long seed, Set<Trait> traits) {
        UglySheet sheet = new UglySheet(seed);
        sheet.subject = Math.floorMod(subject, SUBJECTS.length);
        sheet.build(traits);
        return sheet;
    }

    public List<Truth> truths() {
        return truths;
    }

    /** The rows of the sheet; an empty array is a blank one. */
    public List<Object[]> rows() {
        return rows;
    }

    public List<CellRange> merged() {
        return merged;
    }

    /** Lets a finder see the sheet. */
    public List<FoundTable> find(TableFinder finder) {
        int blanks = 0;
        for (int i = 0; i < rows.size(); i++) {
            Row row = Rows.row(i + 1, rows.get(i));
            if (row.blank()) {
                blanks++;
                continue;
            }
            row.afterBlanks(blanks);
            blanks = 0;
            finder.row(row);
        }
        finder.merged(merged);
        return finder.end();
    }

    public SheetClues clues() {
        return new SheetClues(List.of(), List.of());
    }

    // ---- making ----

    private void build(Set<Trait> traits) {
        int chosen = random.nextInt(SUBJECTS.length);
        int subject = this.subject < 0 ? chosen : this.subject;
        int shift = traits.contains(Trait.SHIFTED) ? 1 + random.nextInt(3) : 0;
        if (traits.contains(Trait.SIDE_BY_SIDE)) {
            sideBySide(traits, subject, shift);
            return;
        }
        table(traits, subject, shift, 0);
        if (traits.contains(Trait.STACKED)) {
            for (int i = 1 + random.nextInt(2); i > 0; i--) {
                for (int b = 1 + random.nextInt(2); b > 0; b--) {
                    blank();
                }
                Set<Trait> lesser = new TreeSet<>(traits);
                lesser.remove(Trait.NOTES);
                table(lesser, (subject + i) % SUBJECTS.length, shift, 0);
            }
        }
    }

    private void sideBySide(Set<Trait> traits, int subject, int shift) {
        UglySheet left = new UglySheet(random.nextLong());
        UglySheet right = new UglySheet(random.nextLong());
        Set<Trait> lesser = new TreeSet<>(traits);
        lesser.removeAll(Set.of(Trait.SIDE_BY_SIDE, Trait.STACKED, Trait.NOTES, Trait.BLANKS, Trait.SECTIONS));
        left.table(lesser, subject, 0, 0);
        boolean same = random.nextBoolean();
        right.table(
                lesser,
                same ? subject : (subject + 1) % SUBJECTS.length,
                0,
                left.truths.get(0).records().size());
        int gap = 1 + random.nextInt(2);
        int from = shift + left.width() + gap;
        for (int i = 0; i < Math.max(left.rows.size(), right.rows.size()); i++) {
            List<Object> cells = new ArrayList<>();
            place(cells, shift, i < left.rows.size() ? left.rows.get(i) : new Object[0]);
            place(cells, from, i < right.rows.size() ? right.rows.get(i) : new Object[0]);
            rows.add(cells.toArray());
        }
        truths.addAll(left.truths);
        truths.addAll(right.truths);
        left.merged.forEach(range -> merged.add(moved(range, shift)));
        right.merged.forEach(range -> merged.add(moved(range, from)));
    }

    private static CellRange moved(CellRange range, int by) {
        return new CellRange(range.firstRow(), range.firstColumn() + by, range.lastRow(), range.lastColumn() + by);
    }

    private static void place(List<Object> cells, int from, Object[] what) {
        while (cells.size() < from) {
            cells.add("");
        }
        cells.addAll(List.of(what));
    }

    private int width() {
        return rows.stream().mapToInt(row -> row.length).max().orElse(0);
    }

    private void blank() {
        rows.add(new Object[0]);
    }

    private int add(int shift, Object... cells) {
        Object[] row = new Object[shift + cells.length];
        java.util.Arrays.fill(row, 0, shift, "");
        System.arraycopy(cells, 0, row, shift, cells.length);
        rows.add(row);
        return rows.size();
    }

    private boolean chance(int percent) {
        return random.nextInt(100) < percent;
    }

    private String word() {
        return WORDS[random.nextInt(WORDS.length)];
    }

    private void table(Set<Trait> traits, int subject, int shift, int notSoMany) {
        Map<Integer, RowClass> aside = new TreeMap<>();
        Set<Integer> records = new TreeSet<>();
        Set<Integer> header = new TreeSet<>();
        List<Column> columns = columns(traits, subject);
        if (traits.contains(Trait.TITLES)) {
            titles(aside, shift);
        }
        Object[] names = header(traits, columns, header, shift);
        boolean second = traits.contains(Trait.UNITS_BELOW) && !traits.contains(Trait.TWO_ROW_HEADER);
        if (second) {
            Object[] units = columns.stream()
                    .map(c -> c.kind() == 'm' ? (Object) "EUR" : c.kind() == 'i' ? "(number)" : "")
                    .toArray();
            header.add(add(shift, units));
        }
        int count = 3 + random.nextInt(chance(20) ? 150 : 25);
        count += count == notSoMany ? 2 : 0;
        double[] since = new double[columns.size()];
        double[] all = new double[columns.size()];
        int sinceCount = 0;
        boolean sections = traits.contains(Trait.SECTIONS);
        boolean subtotals = traits.contains(Trait.SUBTOTALS);
        for (int i = 0; i < count; i++) {
            boolean breaks = i > 0 && i % 6 == 0 && count - i > 2;
            if (breaks && subtotals) {
                total(aside, shift, columns, since, "Subtotal");
                sinceCount = 0;
            }
            if (sections && i % 6 == 0 && count - i > 1) {
                String line = word() + (chance(60) ? " region" : " " + (1 + i / 6));
                aside.put(add(shift, line), RowClass.SECTION);
            }
            if (traits.contains(Trait.BLANKS) && i > 1 && chance(10)) {
                blank();
            }
            if (traits.contains(Trait.REPEATS) && i > 1 && chance(8)) {
                if (chance(30)) {
                    blank();
                }
                aside.put(add(shift, names), RowClass.REPEAT);
            }
            Object[] record = record(columns);
            for (int c = 0; c < record.length; c++) {
                if (record[c] instanceof Number value
                        && (columns.get(c).kind() == 'i' || columns.get(c).kind() == 'm')) {
                    since[c] += value.doubleValue();
                    all[c] += value.doubleValue();
                }
            }
            records.add(add(shift, record));
            sinceCount++;
        }
        if (subtotals && sinceCount > 0) {
            total(aside, shift, columns, since, "Subtotal");
        }
        if (traits.contains(Trait.TOTALS)) {
            if (chance(20)) {
                blank();
            }
            total(aside, shift, columns, all, chance(50) ? "Total" : chance(50) ? "TOTAL:" : "Grand total");
        }
        if (traits.contains(Trait.NOTES)) {
            notes(aside, shift);
        }
        truths.add(new Truth(header, records, aside, columns.size()));
    }

    private List<Column> columns(Set<Trait> traits, int subject) {
        List<Column> columns = new ArrayList<>();
        for (String each : SUBJECTS[subject]) {
            String[] parts = each.split(":", -1);
            char kind = parts[1].charAt(0);
            boolean words = traits.contains(Trait.TEXT_ONLY) && "imp".indexOf(kind) >= 0;
            columns.add(new Column(parts[0], words ? 'w' : kind));
        }
        if (chance(40)) {
            java.util.Collections.shuffle(columns, random);
        }
        return columns;
    }

    private void titles(Map<Integer, RowClass> aside, int shift) {
        List<Integer> kinds = new ArrayList<>(List.of(0, 1, 2, 3, 4));
        java.util.Collections.shuffle(kinds, random);
        for (int what : kinds.subList(0, 1 + random.nextInt(4))) {
            if (what == 0) {
                aside.put(add(shift, word() + " Ferries Ltd"), RowClass.TITLE);
            } else if (what == 1) {
                aside.put(add(shift, "Port:", word()), RowClass.TITLE);
            } else if (what == 2) {
                aside.put(add(shift, "Report for March 2026, as of 02/04/2026"), RowClass.TITLE);
            } else if (what == 3) {
                aside.put(add(shift, "Month", "March", "", "Version", 2), RowClass.TITLE);
            } else {
                aside.put(add(shift + 1, "Monthly return"), RowClass.TITLE);
            }
            if (chance(40)) {
                blank();
            }
        }
        if (chance(60)) {
            blank();
        }
    }

    private Object[] header(Set<Trait> traits, List<Column> columns, Set<Integer> header, int shift) {
        Object[] names = columns.stream()
                .map(c -> chance(10) ? c.name().toUpperCase(Locale.ROOT) : c.name())
                .toArray();
        if (!traits.contains(Trait.TWO_ROW_HEADER)) {
            header.add(add(shift, names));
            return names;
        }
        return random.nextBoolean() ? grouped(columns, header, shift) : broken(names, header, shift);
    }

    /** Keys named in the upper row, and groups of number columns with their names below. */
    private Object[] grouped(List<Column> columns, Set<Integer> header, int shift) {
        columns.sort(java.util.Comparator.comparing(c -> c.kind() == 'i' || c.kind() == 'm' || c.kind() == 'p'));
        List<Column> keys = columns.stream()
                .filter(c -> c.kind() != 'i' && c.kind() != 'm' && c.kind() != 'p')
                .toList();
        int groups = 2 + random.nextInt(2);
        List<Column> all = new ArrayList<>(keys);
        List<Object> upper = new ArrayList<>();
        List<Object> lower = new ArrayList<>();
        boolean keysAbove = random.nextBoolean();
        keys.forEach(key -> {
            upper.add(keysAbove ? key.name() : "");
            lower.add(keysAbove ? "" : key.name());
        });
        for (int g = 0; g < groups; g++) {
            int row = rows.size() + 1;
            int at = shift + upper.size();
            upper.add("Quarter " + (g + 1));
            upper.add("");
            lower.add("Planned");
            lower.add("Actual");
            all.add(new Column("Planned", 'i'));
            all.add(new Column("Actual", 'm'));
            if (g == 0 || !merged.isEmpty()) {
                if (random.nextBoolean() || g > 0) {
                    merged.add(new CellRange(row, at, row, at + 1));
                }
            }
        }
        header.add(add(shift, upper.toArray()));
        header.add(add(shift, lower.toArray()));
        columns.clear();
        columns.addAll(all);
        return lower.toArray();
    }

    /** Names broken over two cells, some only above. */
    private Object[] broken(Object[] names, Set<Integer> header, int shift) {
        Object[] upper = new Object[names.length];
        Object[] lower = new Object[names.length];
        for (int i = 0; i < names.length; i++) {
            String name = names[i].toString();
            int space = name.indexOf(' ');
            upper[i] = space < 0 ? name : name.substring(0, space);
            lower[i] = space < 0 ? "" : name.substring(space + 1);
        }
        boolean any = java.util.Arrays.stream(lower).anyMatch(text -> !text.equals(""));
        header.add(add(shift, any ? upper : names));
        if (any) {
            header.add(add(shift, lower));
        }
        return any ? upper : names;
    }

    private Object[] record(List<Column> columns) {
        return columns.stream().map(column -> value(column.kind())).toArray();
    }

    private Object value(int kind) {
        return switch (kind) {
            case 'd' -> String.format(Locale.ROOT, "2026-%02d-%02d", 1 + random.nextInt(12), 1 + random.nextInt(28));
            case 'i' -> 1 + random.nextInt(900);
            case 'm' -> (1 + random.nextInt(99_999)) / 100.0;
            case 'p' -> random.nextInt(1000) / 1000.0;
            case 'c' -> "K" + (10_000 + random.nextInt(80_000));
            case 'y' -> chance(50) ? "yes" : "no";
            case 't' -> chance(50) ? "" : word() + " " + word().toLowerCase(Locale.ROOT);
            default -> word();
        };
    }

    private void total(Map<Integer, RowClass> aside, int shift, List<Column> columns, double[] sums, String label) {
        Object[] cells = new Object[columns.size()];
        java.util.Arrays.fill(cells, "");
        boolean labelled = false;
        for (int c = 0; c < cells.length; c++) {
            int kind = columns.get(c).kind();
            if (kind == 'i' || kind == 'm') {
                cells[c] = kind == 'i' ? (Object) (int) Math.round(sums[c]) : Math.round(sums[c] * 100) / 100.0;
            } else if (!labelled) {
                cells[c] = label;
                labelled = true;
            }
        }
        aside.put(add(shift, cells), RowClass.TOTAL);
        if (label.equals("Subtotal")) {
            java.util.Arrays.fill(sums, 0);
        }
    }

    private void notes(Map<Integer, RowClass> aside, int shift) {
        blank();
        List<Object[]> notes = List.of(
                new Object[] {"Source: the harbour office"},
                new Object[] {"* preliminary figures, subject to revision by the accounts department"},
                new Object[] {"Prepared by:", word()},
                new Object[] {"Checked", "", word()},
                new Object[] {"All figures in EUR"});
        for (int i = 1 + random.nextInt(3); i > 0; i--) {
            aside.put(add(shift, notes.get(random.nextInt(notes.size()))), RowClass.NOTE);
        }
    }

    /** The sheet as lines, for messages. */
    public String text() {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < rows.size(); i++) {
            text.append(i + 1).append(": ");
            for (Object cell : rows.get(i)) {
                text.append(cell).append(" | ");
            }
            text.append('\n');
        }
        return text.toString();
    }

    /** What differs between found tables and the truth; empty where nothing does. */
    public Map<String, String> differences(List<FoundTable> found) {
        Map<String, String> differences = new LinkedHashMap<>();
        if (found.size() != truths.size()) {
            differences.put("tables", found.size() + " instead of " + truths.size());
        }
        for (int i = 0; i < Math.min(found.size(), truths.size()); i++) {
            Truth truth = truths.get(i);
            FoundTable table = found.get(i);
            if (!new TreeSet<>(table.headerRows()).equals(truth.headerRows())) {
                differences.put("header " + i, table.headerRows() + " instead of " + truth.headerRows());
            }
            Set<Integer> kept = new TreeSet<>();
            table.runs().forEach(run -> {
                for (int row = run.first(); row < run.first() + run.count(); row++) {
                    kept.add(row);
                }
            });
            if (!kept.equals(truth.records())) {
                Set<Integer> lost = new TreeSet<>(truth.records());
                lost.removeAll(kept);
                Set<Integer> more = new TreeSet<>(kept);
                more.removeAll(truth.records());
                differences.put("records " + i, "lost " + lost + ", too many " + more);
            }
            Map<Integer, RowClass> aside = new TreeMap<>();
            table.aside().stream()
                    .filter(row -> row.rowClass() != RowClass.HEADER)
                    .forEach(row -> aside.put(row.row(), row.rowClass()));
            if (!aside.equals(truth.aside())) {
                differences.put("aside " + i, aside + " instead of " + truth.aside());
            }
        }
        return differences;
    }
}
