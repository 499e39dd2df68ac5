package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.SheetClues;
import cuvee.place.Where;
import cuvee.sheet.NamedRange;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * A found table with its place, laid out for the master.
 *
 * @param id its own number
 * @param staged the number under which its sheet's rows are staged
 * @param width the width of the staging table that holds its rows
 * @param clues what the workbook says of its sheet besides the cells
 * @param columns its columns as they go into the master; at first those of the sheet
 * @param signature what its layout is called
 * @param turned how many rows each of its records becomes; 0 where it stays one
 */
public record PlacedTable(
        int id,
        int staged,
        int width,
        String source,
        String sheet,
        SheetClues clues,
        FoundTable table,
        List<LaidColumn> columns,
        String signature,
        int turned) {

    /** Names that programs give by themselves, which say nothing. */
    private static final Pattern NAMED_BY_PROGRAM =
            Pattern.compile("(?i)(table|tabelle|tableau|tabla|tabella|tabela|tabel|range|list)?[ _]?\\d*");

    public PlacedTable {
        columns = List.copyOf(columns);
    }

    /** A table as its sheet has it. */
    public static PlacedTable of(
            int id, int staged, int width, String source, String sheet, SheetClues clues, FoundTable table) {
        List<LaidColumn> columns = table.columns().stream().map(LaidColumn::of).toList();
        return new PlacedTable(id, staged, width, source, sheet, clues, table, columns, Signatures.plain(table), 0);
    }

    /** A table is told by its number alone, which is cheap to compare. */
    @Override
    public boolean equals(Object other) {
        return other instanceof PlacedTable that && id == that.id;
    }

    @Override
    public int hashCode() {
        return id;
    }

    public Where where() {
        return Where.sheet(source, sheet);
    }

    /** The currency of a column's amounts, as its header names it or its cells are shown; empty where neither says it. */
    public Optional<String> currency(LaidColumn column) {
        Optional<String> named = Units.currency(column.header());
        return named.isPresent() || clues.currencies().isEmpty() || table.isForm()
                ? named
                : IntStream.range(0, Math.max(1, turned))
                        .mapToObj(row -> column.origin().column(row))
                        .flatMap(cell -> cell.stream().boxed())
                        .flatMap(cell -> Optional.ofNullable(clues.currencies().get(cell)).stream())
                        .findFirst()
                        .flatMap(Units::ofMark);
    }

    /** The name that the workbook gives to a table that holds its header; empty where it gives none. */
    public String name() {
        int header = table.headerRows().stream().reduce(Math::max).orElse(table.firstRow());
        int first = table.columns().isEmpty() ? 0 : table.columns().get(0).index();
        return clues.named().stream()
                .filter(named -> named.kind() == NamedRange.Kind.TABLE)
                .filter(named -> named.range().holdsRow(header)
                        && first >= named.range().firstColumn()
                        && first <= named.range().lastColumn())
                .map(NamedRange::name)
                .filter(name -> !NAMED_BY_PROGRAM.matcher(name).matches())
                .findFirst()
                .orElse("");
    }

    /**
     * The same table with other headers over some of its columns.
     *
     * @param headers by the loose keys of its own; where two columns would be called the same, it stays as it is
     */
    public PlacedTable calling(Map<String, String> headers) {
        List<LaidColumn> called = columns.stream()
                .map(column -> column.called(headers.getOrDefault(LooseText.key(column.header()), column.header())))
                .toList();
        List<String> keys =
                called.stream().map(column -> LooseText.key(column.header())).toList();
        boolean same = columns.stream()
                .map(column -> LooseText.key(column.header()))
                .toList()
                .equals(keys);
        return same || Set.copyOf(keys).size() < keys.size() ? this : laid(called, String.join("|", keys), turned);
    }

    /** The same table, laid out otherwise. */
    PlacedTable laid(List<LaidColumn> newColumns, String newSignature, int newTurned) {
        return new PlacedTable(id, staged, width, source, sheet, clues, table, newColumns, newSignature, newTurned);
    }
}
