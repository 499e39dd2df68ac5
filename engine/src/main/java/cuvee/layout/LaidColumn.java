package cuvee.layout;

import cuvee.detect.TableColumn;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Ditto;
import cuvee.value.Evidence;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.time.LocalDate;
import java.util.List;
import java.util.regex.Pattern;

/**
 * A column of a table as it is laid out for the master: a column of the sheet, or one made from section lines, from
 * columns that run across, or from what is told of the whole table.
 *
 * @param sum its numbers added up, approximately
 */
public record LaidColumn(String header, Origin origin, Evidence evidence, double sum) {
    private static final Pattern ISO_DAY = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    static LaidColumn of(TableColumn column) {
        Origin origin =
                column.row() > 0 ? new Origin.At(column.row(), column.index()) : new Origin.Cell(column.index());
        return new LaidColumn(column.header(), origin, column.evidence(), column.sum());
    }

    /** A column of texts that are told, not read from cells of its own; each counts so many times. */
    public static LaidColumn told(String header, Origin origin, List<String> texts, long times) {
        Evidence evidence = new Evidence();
        texts.forEach(text -> evidence.add(Evidence.of(text, times)));
        return new LaidColumn(header, origin, evidence, 0);
    }

    /** Some of the days that its cells hold, where they hold dates. */
    public List<LocalDate> someDays() {
        return (origin instanceof Origin.Cell || origin instanceof Origin.At) && Nature.of(evidence) == Nature.DATES
                ? evidence.someDays(Conventions.orderOf(Conventions.order(evidence)))
                : List.of();
    }

    /** Some of its days, be they in cells or over columns that became rows. */
    public List<LocalDate> daysOfCellsOrLabels() {
        return origin instanceof Origin.Label label
                ? label.labels().stream()
                        .filter(text -> ISO_DAY.matcher(text).matches()
                                && ValueReader.read(text, Type.DATE, Convention.DEFAULT) != null)
                        .map(LocalDate::parse)
                        .toList()
                : someDays();
    }

    /** The same column under another header. */
    LaidColumn called(String newHeader) {
        return new LaidColumn(newHeader, origin, evidence, sum);
    }

    /** The same column, some of its cells standing for those above. */
    LaidColumn carried(Origin.Carrying carrying) {
        return origin instanceof Origin.Cell cell
                ? new LaidColumn(
                        header,
                        new Origin.Cell(cell.index(), carrying),
                        carrying == Origin.Carrying.MARKS ? Ditto.without(evidence) : evidence,
                        sum)
                : this;
    }
}
