package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Chooses the header among the first rows of a sheet. A header is wide, made of different words, and followed by rows of
 * another nature; words that are headers elsewhere in the batch weigh most.
 */
final class HeaderChoice {
    private static final int LONGEST_HEADER = 120;
    private static final int LOOK_BELOW = 20;
    private final List<Row> rows;
    private final HeaderHints hints;
    private final int width;

    HeaderChoice(List<Row> rows, HeaderHints hints) {
        this.rows = rows;
        this.hints = hints;
        this.width = usualWidth(rows);
    }

    /**
     * The chosen row.
     *
     * @param index its place in the list of rows; -1 where no row can be a header
     * @param aboveIndex the row above that belongs to it; -1 where there is none
     * @param lead by how much it leads the next candidate
     */
    record Choice(int index, int aboveIndex, double lead, String reason) {}

    /** How many cells the rows of the table have: as many as a fifth of the rows reach. */
    int width() {
        return width;
    }

    Choice choose() {
        int best = -1;
        double bestScore = 0;
        double second = 0;
        for (int i = 0; i < rows.size(); i++) {
            double score = score(i);
            if (score > bestScore) {
                second = bestScore;
                bestScore = score;
                best = i;
            } else if (score > second) {
                second = score;
            }
        }
        if (best < 0) {
            return new Choice(-1, -1, 0, "no row looks like a header, so the columns go by their letters");
        }
        int above = groupAbove(best);
        return new Choice(best, above, bestScore - second, reason(best, above));
    }

    private String reason(int index, int above) {
        Row row = rows.get(index);
        String why = hintShare(row) >= 0.5
                ? "its words are headers in other tables too"
                : contrast(index) > 0
                        ? "it names " + row.filled() + " columns in words, and the rows below hold values"
                        : "it is the first row as wide as the table";
        String which = above < 0
                ? "Row " + row.number() + " is"
                : "Rows " + rows.get(above).number() + " and " + row.number() + " are";
        return which + " the header: " + why + ".";
    }

    private static int usualWidth(List<Row> rows) {
        List<Integer> widths =
                new ArrayList<>(rows.stream().map(Row::filled).sorted().toList());
        if (widths.isEmpty()) {
            return 0;
        }
        return widths.get((int) Math.floor((widths.size() - 1) * 0.8));
    }

    private double score(int index) {
        Row row = rows.get(index);
        int filled = row.filled();
        if (filled == 0 || (width >= 2 && filled < Math.max(2, (width + 1) / 2))) {
            return 0;
        }
        int words = 0;
        int members = 0;
        Set<String> different = new HashSet<>();
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            Form form = Forms.of(row, column);
            String text = row.text(column);
            if (text.length() > LONGEST_HEADER) {
                return 0;
            }
            different.add(LooseText.key(text));
            if (form == Form.WORDS || form == Form.WORDS_AND_DIGITS) {
                words++;
            } else if (couldBeSequenceMember(form, text)) {
                members++;
            }
        }
        double named = (words + 0.9 * members) / filled;
        if (words == 0 && hintShare(row) < 0.5 || named < 0.6) {
            return 0;
        }
        double coverage = Math.min(1, filled / (double) Math.max(1, width));
        double unique = different.size() / (double) filled;
        double early = 1.0 / (1 + index * 0.15);
        double body = index == rows.size() - 1 && rows.size() > 1 ? 0.3 : 1;
        return (3 * named + 3 * coverage + unique + 2.5 * contrast(index) + 4 * hintShare(row) + early) * body;
    }

    /** Years, dates and numbered things head columns too when they run across. */
    private static boolean couldBeSequenceMember(Form form, String text) {
        return form.isDate()
                || (form == Form.DIGITS || form == Form.NUMBER_WHOLE)
                        && text.strip().length() <= 4;
    }

    private double hintShare(Row row) {
        int known = 0;
        int filled = 0;
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column)) {
                filled++;
                known += row.kind(column) == CellKind.TEXT && hints.knows(row.text(column)) ? 1 : 0;
            }
        }
        return filled == 0 ? 0 : known / (double) filled;
    }

    /** The share of columns below that hold mostly values where this row holds words. */
    private double contrast(int index) {
        Row row = rows.get(index);
        int columns = 0;
        int valued = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            columns++;
            int values = 0;
            int filled = 0;
            for (int below = index + 1; below < Math.min(rows.size(), index + 1 + LOOK_BELOW); below++) {
                Row other = rows.get(below);
                if (!other.blank(column)) {
                    filled++;
                    values += isValue(Forms.of(other, column)) ? 1 : 0;
                }
            }
            valued += filled > 0 && values * 2 > filled && !isValue(Forms.of(row, column)) ? 1 : 0;
        }
        return columns == 0 ? 0 : valued / (double) columns;
    }

    private static boolean isValue(Form form) {
        return form != Form.WORDS && form != Form.WORDS_AND_DIGITS && form != Form.NOTHING_WORD && form != Form.BLANK;
    }

    /**
     * The row above that groups the columns of the header ("Quarter 1" over "Passengers" and "Fares"), taken only where
     * the header alone would name columns twice.
     */
    private int groupAbove(int index) {
        Row header = rows.get(index);
        if (index == 0 || header.blanksBefore() > 0) {
            return -1;
        }
        Set<String> different = new HashSet<>();
        for (int column = 0; column < header.width(); column++) {
            if (!header.blank(column)) {
                different.add(LooseText.key(header.text(column)));
            }
        }
        Row above = rows.get(index - 1);
        boolean words = true;
        for (int column = 0; column < above.width(); column++) {
            words &= above.blank(column) || !Forms.of(above, column).isCellNumber();
        }
        return different.size() < header.filled() && above.filled() >= 2 && words ? index - 1 : -1;
    }
}
