package cuvee.gather;

import cuvee.decision.SheetRule;
import cuvee.detect.Reading;
import cuvee.layout.PlacedTable;
import cuvee.master.SheetReader;
import cuvee.sheet.NamedRange;
import cuvee.value.Conventions;
import cuvee.value.Evidence;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * A sheet as it was read, for those who look at it.
 *
 * @param place what the place of its source is called; empty where the source is gone
 * @param form how its text is written, for text files; empty for workbooks
 * @param staged where its rows lie
 * @param lastRow the last row that holds anything; 0 where its rows were not read
 * @param columns how many columns its widest row has
 * @param tables the tables found in it
 * @param signatures the layouts of its tables before the job had a say
 * @param named the rectangles that the workbook names on it
 * @param hidden true where people do not see it
 * @param reason why it or its tables are not in the master; empty where one of them is
 */
public record ReadSheet(
        String source,
        String place,
        String name,
        String form,
        SheetReader.Staged staged,
        int lastRow,
        int columns,
        List<PlacedTable> tables,
        List<String> signatures,
        List<NamedRange> named,
        boolean hidden,
        String reason)
        implements SheetRule.Sheet {

    public ReadSheet {
        tables = List.copyOf(tables);
        signatures = List.copyOf(signatures);
        named = List.copyOf(named);
    }

    /**
     * The sheets of sources in their order, each with the reason why it is not in the master.
     *
     * @param placeOf what the place of a source is called, by the path of the source
     */
    public static List<ReadSheet> of(
            List<SourceFacts> sources, UnaryOperator<String> placeOf, Map<PlacedTable, String> outside) {
        List<ReadSheet> sheets = new ArrayList<>();
        for (SourceFacts source : sources) {
            for (SourceFacts.SheetFacts sheet : source.sheets()) {
                List<PlacedTable> tables = sheet.placed(source.path());
                String reason = "";
                if (tables.isEmpty()) {
                    reason = "it holds no table";
                } else if (tables.stream().allMatch(outside::containsKey)) {
                    reason = outside.getOrDefault(tables.get(0), "");
                }
                sheets.add(new ReadSheet(
                        source.path(),
                        placeOf.apply(source.path()),
                        sheet.name(),
                        sheet.form(),
                        sheet.staged(),
                        sheet.lastRow(),
                        sheet.columns(),
                        tables,
                        sheet.signatures(),
                        sheet.clues().named(),
                        sheet.hidden(),
                        reason));
            }
        }
        return sheets;
    }

    /** What decisions about its reading are about. */
    public String subject() {
        return ReadingDecisions.subject(source, name);
    }

    /** The decimal sign that its values show, {@code point} or {@code comma}; empty where none decides. */
    public String decimalSign() {
        Evidence all = new Evidence();
        tables.forEach(table -> table.table().columns().forEach(column -> all.add(column.evidence())));
        return switch (Conventions.mark(all)) {
            case FIRST -> "point";
            case SECOND -> "comma";
            default -> "";
        };
    }

    /** What has been decided about its reading, by itself or by its layouts. */
    public Reading reading() {
        return tables.isEmpty()
                ? Reading.DEFAULT
                : Reading.of(tables.get(0).table().reading()).orElse(Reading.DEFAULT);
    }
}
