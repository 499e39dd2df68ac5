package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.List;
import java.util.regex.Pattern;

/**
 * Tells what rows behind a gap in a table turn out to be: its records going on, another page of it, or another table.
 */
final class AfterGap {
    private static final Pattern PAGE = Pattern.compile(
            "\\b(page|pages|seite|blatt|pagina|página|p\\.|s\\.)\\s*\\d+(\\s*(of|von|de|di|van|/)\\s*\\d+)?",
            Pattern.CASE_INSENSITIVE);

    private final TableColumns columns;
    private final TotalRows totalRows;
    private final List<String> titles;
    private final int leastFilled;
    private final HeaderHints hints;
    private final SheetClues clues;

    /**
     * For one table.
     *
     * @param titles the texts above its header; looked at when they are needed
     * @param leastFilled the fewest cells that ordinary records fill
     */
    AfterGap(
            TableColumns columns,
            TotalRows totalRows,
            List<String> titles,
            int leastFilled,
            HeaderHints hints,
            SheetClues clues) {
        this.columns = columns;
        this.totalRows = totalRows;
        this.titles = titles;
        this.leastFilled = leastFilled;
        this.hints = hints;
        this.clues = clues;
    }

    /** True where a row fills about as many cells as records do, with values of the same nature. */
    private boolean looksLikeRecord(Row row) {
        int filled = row.filled();
        return filled * 2 > leastFilled && filled > 1 && strange(row) * 3 < filled && !columns.repeats(row);
    }

    /** True where nothing about a row behind a gap is out of the ordinary for this table. */
    boolean goesOn(Row row) {
        boolean record = row.filled() * 2 > leastFilled && row.filled() > 1 && strange(row) == 0;
        // A header may have a column called Sum.
        boolean total = totalRows.named(row) && new HeadRow(row).values() > 0;
        return !isKnownHeader(row) && (record || total);
    }

    int strange(Row row) {
        int strange = 0;
        for (int column = 0; column < row.width(); column++) {
            strange += !row.blank(column) && columns.strange(column, Forms.of(row, column)) ? 1 : 0;
        }
        return strange;
    }

    /** True where most words of a row are headers of other tables. */
    private boolean isKnownHeader(Row row) {
        int known = 0;
        for (int column = 0; column < row.width(); column++) {
            known += !row.blank(column) && hints.knows(row.text(column)) ? 1 : 0;
        }
        return known >= 2 && known * 2 > row.filled();
    }

    /**
     * What rows behind a gap turn out to be.
     *
     * @param titles how many of them are titles over the header repeated
     */
    record Next(boolean another, int titles) {
        static final Next SAME = new Next(false, 0);
    }

    /**
     * Tells whether rows behind a gap begin another table.
     *
     * @param lines true where lines of a word head the records so far: one above the header repeated heads those below
     */
    Next next(List<Row> rows, boolean lines) {
        HeaderChoice choosing = new HeaderChoice(rows, hints, clues);
        HeaderChoice.Choice choice = choosing.choose();
        if (!choice.found()) {
            return Next.SAME;
        }
        Row header = rows.get(choice.bottom());
        if (columns.repeats(header)) {
            return repeated(rows, choice.bottom(), lines);
        }
        List<Row> below = rows.subList(choice.bottom() + 1, rows.size());
        int filled = header.filled();
        long tabular = below.stream().filter(row -> row.filled() * 2 > filled).count();
        long fitting = below.stream().filter(this::looksLikeRecord).count();
        boolean contrast = choosing.contrast(choice) > 0;
        boolean titled = choice.top() > 0
                && rows.subList(0, choice.top()).stream().allMatch(row -> row.filled() == 1)
                && new HeadRow(header).values() == 0;
        boolean heads = titled && contrast && fitting * 2 < tabular;
        for (int i = 0; i < (heads ? choice.top() : choice.bottom() + 1); i++) {
            if (goesOn(rows.get(i))) {
                return Next.SAME;
            }
        }
        int known = 0;
        int wordsOverValues = 0;
        for (int column = 0; column < header.width(); column++) {
            if (!header.blank(column)) {
                known += hints.knows(header.text(column)) || columns.names(header.text(column)) ? 1 : 0;
                wordsOverValues += columns.odd(column, Forms.of(header, column)) ? 1 : 0;
            }
        }
        if (filled >= 2 && known * 2 > filled) {
            return new Next(true, 0);
        }
        if (filled < 2 || tabular < 1 || filled == 2 && tabular < 2) {
            return Next.SAME;
        }
        boolean another = titled && contrast && wordsOverValues > 0
                || wordsOverValues * 3 >= filled && contrast
                || wordsOverValues * 2 >= filled && fitting < tabular
                || fitting * 2 < tabular;
        return another && !labelled(rows, choice.bottom()) ? new Next(true, 0) : Next.SAME;
    }

    /** True for labels with what they label ("Prepared by: | Ida"), which are notes below a table. */
    private static boolean labelled(List<Row> rows, int from) {
        return rows.subList(from, rows.size()).stream()
                .allMatch(row -> row.text(row.firstFilled()).strip().endsWith(":"));
    }

    /** The header again: with other titles above it another table, else a page of the same. */
    private Next repeated(List<Row> rows, int bottom, boolean lines) {
        int at = bottom;
        while (at > 0 && (columns.repeats(rows.get(at - 1)) || isGroups(rows.get(at - 1)))) {
            at--;
        }
        List<String> above = rows.subList(0, at).stream().map(RowText::of).toList();
        boolean plainTitles = rows.subList(0, at).stream().noneMatch(this::looksLikeRecord)
                && rows.subList(0, at).stream().noneMatch(row -> totalRows.named(row));
        boolean headsRecords = lines && above.size() == 1 && rows.get(0).filled() == 1;
        if (above.isEmpty() || !plainTitles || headsRecords) {
            return Next.SAME;
        }
        List<String> before = titles.stream().map(AfterGap::withoutPage).toList();
        boolean same = above.stream().map(AfterGap::withoutPage).allMatch(before::contains);
        return same ? new Next(false, at) : new Next(true, 0);
    }

    /** True for the words that head several columns of this table, which stand in the upper row of its header. */
    private boolean isGroups(Row row) {
        for (int column = 0; column < row.width(); column++) {
            String group = LooseText.tidy(row.text(column)) + HeaderNames.GROUP;
            if (!row.blank(column) && columns.names().stream().noneMatch(name -> name.startsWith(group))) {
                return false;
            }
        }
        return row.filled() > 0;
    }

    /** A title without the number of the page, which is another one on each. */
    private static String withoutPage(String title) {
        return PAGE.matcher(title).replaceAll("");
    }
}
