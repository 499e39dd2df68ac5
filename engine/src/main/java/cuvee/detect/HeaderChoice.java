package cuvee.detect;

import cuvee.sheet.CellKind;
import cuvee.sheet.Row;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Chooses the header among the first rows of a sheet: one row, or up to three that belong together. A header is wide,
 * made of different words, and followed by rows of another nature; words that are headers elsewhere in the batch and
 * rectangles that the workbook itself names weigh most.
 */
final class HeaderChoice {
    private static final int LONGEST_HEADER = 120;
    private static final int LOOK_BELOW = 20;
    private static final int MOST_ROWS = 3;
    /** Two candidates closer than this could be taken for each other. */
    private static final double CLOSE_LEAD = 1.5;

    /** The same where all is words, and little tells a header from a record. */
    private static final double WORDS_LEAD = 2.0;

    private static final double SMALL_LEAD = 0.3;
    private static final double CLEAR_CONTRAST = 0.25;

    private final List<Row> rows;
    private final HeaderHints hints;
    private final SheetClues clues;
    private final Set<Integer> labels;
    private int width;

    HeaderChoice(List<Row> rows, HeaderHints hints, SheetClues clues) {
        this.rows = rows;
        this.hints = hints;
        this.clues = clues;
        this.width = usualWidth(rows);
        this.labels = LabelRows.of(rows, width);
    }

    /**
     * The chosen rows.
     *
     * @param top the place of the first header row in the list of rows; -1 where no row can be a header
     * @param bottom the place of the last one; -1 where no row can be a header
     * @param rival the place of a row that would do nearly as well; -1 where none would
     */
    record Choice(int top, int bottom, int rival, String reason) {
        boolean sure() {
            return rival < 0;
        }

        boolean found() {
            return bottom >= 0;
        }
    }

    /** How many cells the rows of the table have: as many as a fifth of the rows reach. */
    int width() {
        return width;
    }

    Choice choose() {
        int until = firstStandingAlone();
        if (until < rows.size()) {
            width = usualWidth(rows.subList(0, until).stream()
                    .filter(row -> row.filled() > 1)
                    .toList());
        }
        Choice best = best(0, until);
        return best.found() || until == rows.size() ? best : best(0, rows.size());
    }

    private Choice best(int from, int until) {
        int top = -1;
        int bottom = -1;
        double bestScore = 0;
        Map<Integer, Double> scores = new TreeMap<>();
        Map<Integer, Integer> tops = new HashMap<>();
        for (int b = from; b < until; b++) {
            double here = 0;
            int hereTop = b;
            for (int t = b; t > b - MOST_ROWS && t >= from; t--) {
                if (t < b && (rows.get(t + 1).blanksBefore() > 0 || !joins(t, t + 1, b))) {
                    break;
                }
                double score = score(t, b);
                if (score > here) {
                    here = score;
                    hereTop = t;
                }
            }
            scores.put(b, here);
            tops.put(b, hereTop);
            if (here > bestScore) {
                bestScore = here;
                bottom = b;
                top = hereTop;
            }
        }
        if (bottom < 0) {
            return new Choice(-1, -1, -1, "No row looks like a header, so the columns go by their letters.");
        }
        // The same words further up are the header; these are it once more.
        for (int b = from; b < top; b++) {
            if (scores.getOrDefault(b, 0.0) > 0 && rows.get(b).filled() > 1 && sameWords(b, bottom)) {
                bottom = b;
                top = tops.getOrDefault(b, b);
            }
        }
        return new Choice(top, bottom, rival(top, bottom, scores), reason(top, bottom));
    }

    /** The row that could best be taken for the header instead; -1 where none could. */
    private int rival(int top, int bottom, Map<Integer, Double> scores) {
        double best = scores.getOrDefault(bottom, 0.0);
        boolean overValues = contrast(top, bottom) >= CLEAR_CONTRAST;
        int closest = -1;
        for (Map.Entry<Integer, Double> rival : scores.entrySet()) {
            int row = rival.getKey();
            double lead = best - rival.getValue();
            if (lead >= (overValues ? CLOSE_LEAD : WORDS_LEAD)
                    || row >= top && row <= bottom
                    || sameWords(bottom, row)) {
                continue;
            }
            // Were a row further up the header, this one would be a record of words where all others hold values.
            boolean impossible = row < top
                    ? overValues && lead >= SMALL_LEAD
                    : behindRecords(top, bottom, row) || overValues && holdsValue(rows.get(row));
            if (!impossible && (closest < 0 || rival.getValue() > scores.getOrDefault(closest, 0.0))) {
                closest = row;
            }
        }
        return closest;
    }

    /** True for a number or two among words: a title says such things, a header has whole sequences of them. */
    private static boolean loneNumber(Row row) {
        int values = 0;
        for (int c = 0; c < row.width(); c++) {
            values += !row.blank(c) && isValue(Forms.of(row, c)) ? 1 : 0;
        }
        return values == 1 && row.filled() > 1;
    }

    static boolean holdsValue(Row row) {
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c) && isValue(Forms.of(row, c))) {
                return true;
            }
        }
        return false;
    }

    /** True for the same header once more. */
    private boolean sameWords(int a, int b) {
        Set<String> words = words(rows.get(a));
        Set<String> both = words(rows.get(b));
        int most = Math.max(words.size(), both.size());
        both.retainAll(words);
        return both.size() * 10 >= most * 6;
    }

    /** True where records of the better header stand before a row: it can only head another table. */
    private boolean behindRecords(int top, int bottom, int row) {
        int columns = joined(top, bottom).size();
        return rows.subList(bottom + 1, row).stream()
                        .filter(between -> between.filled() * 2 > columns)
                        .count()
                >= 2;
    }

    private static Set<String> words(Row row) {
        Set<String> words = new HashSet<>();
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c)) {
                words.add(LooseText.key(row.text(c)));
            }
        }
        return words;
    }

    /** How far the next rows fill the columns that a header names, and no others: 1 for those of a clean table. */
    private double followed(Set<Integer> named, int bottom) {
        double sum = 0;
        int looked = 0;
        for (int i = bottom + 1; i < rows.size() && looked < 12; i++) {
            Row row = rows.get(i);
            if (row.filled() == 1) {
                continue;
            }
            int inside = 0;
            for (int c = 0; c < row.width(); c++) {
                inside += !row.blank(c) && named.contains(c) ? 1 : 0;
            }
            sum += inside / (double) (named.size() + row.filled() - inside);
            looked++;
        }
        return looked == 0 ? 0 : sum / looked;
    }

    /** The share of names that are values of their column further down, as those of a record often are. */
    private double recurring(int top, int bottom) {
        Row header = rows.get(bottom);
        int recurring = 0;
        for (int c = 0; c < header.width(); c++) {
            if (header.blank(c)) {
                continue;
            }
            String key = LooseText.key(header.text(c));
            for (int i = bottom + 1; i < rows.size(); i++) {
                if (!rows.get(i).blank(c) && LooseText.key(rows.get(i).text(c)).equals(key) && !sameWords(i, bottom)) {
                    recurring++;
                    break;
                }
            }
        }
        return recurring / (double) Math.max(1, joined(top, bottom).size());
    }

    /** True where the row above, all words too, fills the same columns: a header comes before what it heads. */
    private boolean precededByLike(Set<Integer> named, int top) {
        int above = top - 1;
        while (above >= 0 && rows.get(above).filled() == 1) {
            above--;
        }
        if (above < 0 || holdsValue(rows.get(above))) {
            return false;
        }
        int inside = 0;
        for (int c : named) {
            inside += rows.get(above).blank(c) ? 0 : 1;
        }
        return inside * 10 >= named.size() * 8;
    }

    private String reason(int top, int bottom) {
        String why = clues.headerRow(rows.get(bottom).number())
                ? "the workbook itself says so"
                : hintShare(top, bottom) >= 0.5
                        ? "its words are headers in other tables too"
                        : contrast(top, bottom) > 0
                                ? "it names " + joined(top, bottom).size()
                                        + " columns in words, and the rows below hold values"
                                : "it is the first row as wide as the table";
        String which = top == bottom
                ? "Row " + rows.get(bottom).number() + " is"
                : "Rows " + rows.get(top).number() + " to " + rows.get(bottom).number() + " are";
        return which + " the header: " + why + ".";
    }

    private static int usualWidth(List<Row> rows) {
        int[] widths = rows.stream().mapToInt(Row::filled).sorted().toArray();
        if (widths.length == 0) {
            return 0;
        }
        int fifth = widths[(int) Math.floor((widths.length - 1) * 0.8)];
        // A header and one record among many lines of text are as wide as the table too.
        return widths.length < 2 ? fifth : Math.max(fifth, widths[widths.length - 2]);
    }

    /**
     * The end of the first stretch of rows without a gap that is a table of its own; a wider table may follow further
     * down. All rows where there is none.
     */
    private int firstStandingAlone() {
        int from = 0;
        for (int i = 1; i <= rows.size(); i++) {
            if (i == rows.size() || rows.get(i).blanksBefore() > 0) {
                if (i < rows.size() && standsAlone(from, i)) {
                    return i;
                }
                from = i;
            }
        }
        return rows.size();
    }

    private boolean standsAlone(int from, int until) {
        List<Row> stretch = rows.subList(from, until);
        HeaderChoice own = new HeaderChoice(stretch, hints, clues);
        Choice best = own.best(0, stretch.size());
        if (!best.found() || best.bottom() > MOST_ROWS + 1) {
            return false;
        }
        int columns = own.joined(best.top(), best.bottom()).size();
        long records = stretch.subList(best.bottom() + 1, stretch.size()).stream()
                .filter(row -> row.filled() * 2 > columns)
                .count();
        boolean known = own.hintShare(best.top(), best.bottom()) >= 0.5;
        if (known && columns >= 2) {
            return records >= 1;
        }
        return columns >= 3 && columns >= own.width && records >= 2 && own.contrast(best) > 0;
    }

    /** True where two rows below each other can both belong to the header that ends with the row at {@code bottom}. */
    private boolean joins(int top, int next, int bottom) {
        Row upper = rows.get(top);
        Row lower = rows.get(next);
        if (!wordsOnly(upper) || !wordsOnly(lower) || holdsCode(lower, bottom)) {
            return false;
        }
        if (clues.partlyMerged(upper.number(), upper, lower)) {
            return true;
        }
        if (titleLike(upper) || titleLike(lower) || loneNumber(upper) || upper.filled() < 2 && lower.filled() >= 2) {
            return false;
        }
        if (lower.filled() == 1 && !isUnits(lower) && !continuesName(lower, bottom)) {
            return false;
        }
        if (isUnits(lower) || describes(upper, lower, bottom)) {
            return true;
        }
        int spans = 0;
        int onlyAbove = 0;
        int over = 0;
        for (int c = 0; c < upper.width(); c++) {
            if (upper.blank(c)) {
                continue;
            }
            boolean below = !lower.blank(c);
            over += below ? 1 : 0;
            onlyAbove += !below && filledBelow(bottom, c) ? 1 : 0;
            spans += below && upper.blank(c + 1) && !lower.blank(c + 1) ? 1 : 0;
        }
        if (onlyAbove + over < upper.filled()) {
            return false;
        }
        boolean namesTwice = different(lower) < lower.filled();
        boolean broken = over == upper.filled() && over == lower.filled() && contrast(next, bottom) * 2 >= 1;
        boolean few = lower.filled() * 2 <= upper.filled() && (lower.filled() == 1 || mostlyOverValues(lower, bottom));
        boolean noRecord = few || contrast(next, bottom) * 2 >= 1;
        return over > 0
                && (broken
                        || namesTwice && upper.filled() < lower.filled()
                        || onlyAbove > 0 && noRecord
                        || spans >= 2 && spans == over);
    }

    /** True where a row has a code that differs from one below it in its digits only: it is a record. */
    private boolean holdsCode(Row row, int bottom) {
        for (int c = 0; c < row.width(); c++) {
            if (Forms.of(row, c) == Form.WORDS_AND_DIGITS) {
                String pattern = LooseText.codePattern(row.text(c));
                for (Row below : rows.subList(bottom + 1, Math.min(rows.size(), bottom + 1 + LOOK_BELOW))) {
                    if (!below.blank(c) && LooseText.codePattern(below.text(c)).equals(pattern)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /**
     * True where the only word of a row is the rest of the name above it rather than a line that heads the rows below: a
     * short one, the only such row far and wide, over values or codes.
     */
    private boolean continuesName(Row lower, int bottom) {
        int column = lower.width() - 1;
        String text = lower.text(column).strip();
        if (text.length() > 12 || text.indexOf(' ') >= 0) {
            return false;
        }
        boolean small = Character.isLowerCase(text.charAt(0));
        int names = 0;
        int filled = 0;
        for (Row row : rows.subList(bottom + 1, rows.size())) {
            if (row.filled() == 1) {
                return false;
            }
            filled += row.blank(column) ? 0 : 1;
            names += Forms.of(row, column) == Form.WORDS ? 1 : 0;
        }
        return filled > 0 && (small || names * 2 < filled);
    }

    /** True where every word of the lower row stands over values: a row that describes the columns, not a record. */
    private boolean describes(Row upper, Row lower, int bottom) {
        if (lower.filled() < 2 || upper.filled() < lower.filled() || bottom + 1 >= rows.size()) {
            return false;
        }
        for (int c = 0; c < lower.width(); c++) {
            if (!lower.blank(c) && (upper.blank(c) || isValue(Forms.of(lower, c)) || !valuesBelow(bottom, c))) {
                return false;
            }
        }
        return true;
    }

    private boolean mostlyOverValues(Row row, int bottom) {
        int over = 0;
        for (int c = 0; c < row.width(); c++) {
            over += !row.blank(c) && valuesBelow(bottom, c) ? 1 : 0;
        }
        return over * 2 >= row.filled();
    }

    private static boolean isUnits(Row row) {
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c) && !isUnit(row.text(c))) {
                return false;
            }
        }
        return row.filled() > 0;
    }

    /** True for {@code (EUR)}, {@code [t]}, {@code %} and the commonest units by themselves. */
    static boolean isUnit(String text) {
        String tidy = LooseText.tidy(text).toLowerCase(java.util.Locale.ROOT);
        boolean enclosed = tidy.length() <= 24
                && (tidy.startsWith("(") && tidy.endsWith(")") || tidy.startsWith("[") && tidy.endsWith("]"));
        return enclosed || Units.isKnown(tidy);
    }

    private boolean filledBelow(int index, int column) {
        for (int below = index + 1; below < Math.min(rows.size(), index + 1 + LOOK_BELOW); below++) {
            if (!rows.get(below).blank(column)) {
                return true;
            }
        }
        return false;
    }

    private static int different(Row row) {
        return words(row).size();
    }

    private static boolean wordsOnly(Row row) {
        boolean sequence = Sequence.runsAcross(row);
        int values = 0;
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c)) {
                Form form = Forms.of(row, c);
                boolean word = form == Form.WORDS || form == Form.WORDS_AND_DIGITS;
                if (!word && !couldBeSequenceMember(form, row.text(c)) && !isUnit(row.text(c))) {
                    return false;
                }
                values += word || sequence || isYear(form, row.text(c)) ? 0 : 1;
            }
        }
        return values < Sequence.FEWEST;
    }

    private static boolean isYear(Form form, String text) {
        return form.isDate() || text.strip().matches("(19|20)\\d\\d");
    }

    /** Labels with what they label ("Port: Hollin") and long texts stand above tables, not over columns. */
    private static boolean titleLike(Row row) {
        for (int c = 0; c < row.width(); c++) {
            if (!row.blank(c)) {
                String text = row.text(c).strip();
                if (text.length() > 40 || text.endsWith(":") || text.contains(": ")) {
                    return true;
                }
            }
        }
        return false;
    }

    /** The columns that the rows from {@code top} to {@code bottom} name. */
    private Set<Integer> joined(int top, int bottom) {
        Set<Integer> columns = new HashSet<>();
        for (int i = top; i <= bottom; i++) {
            for (int c = 0; c < rows.get(i).width(); c++) {
                if (!rows.get(i).blank(c)) {
                    columns.add(c);
                }
            }
        }
        return columns;
    }

    private double score(int top, int bottom) {
        Set<Integer> joined = joined(top, bottom);
        int columns = joined.size();
        if (columns == 0 || (width >= 2 && columns < Math.max(2, (width + 1) / 2))) {
            return 0;
        }
        double named = named(top, bottom);
        double known = hintShare(top, bottom);
        if (named < 0) {
            return 0;
        }
        String[] names = HeaderNames.of(rows.subList(top, bottom + 1), clues);
        long different = Arrays.stream(names)
                .filter(name -> !name.isEmpty())
                .map(LooseText::key)
                .distinct()
                .count();
        double coverage = Math.min(1, columns / (double) Math.max(1, width));
        double unique = different / (double) columns;
        double early = 1.0 / (1 + top * 0.15);
        double body = bottom == rows.size() - 1 && rows.size() > 1 ? 0.3 : standsOverHeader(bottom, columns) ? 0.6 : 1;
        double said = clues.headerRow(rows.get(bottom).number()) ? 12 : datesAcross(bottom) ? 2 : 0;
        double taller = top == bottom ? 0 : isUnits(rows.get(bottom)) ? 1.5 : 0.6;
        double fits =
                3 * followed(joined, bottom) - 1.5 * recurring(top, bottom) - (precededByLike(joined, top) ? 1.5 : 0);
        return (3 * named
                        + 3 * coverage
                        + 2 * unique
                        + 2.5 * contrast(top, bottom)
                        + fits
                        + 4 * known
                        + early
                        + said
                        + taller)
                * body;
    }

    /** True where right behind a gap stands another row of words, as wide, over values: what is above are titles. */
    private boolean standsOverHeader(int bottom, int columns) {
        int next = bottom + 1;
        return next + 1 < rows.size()
                && rows.get(next).blanksBefore() > 0
                && rows.get(next).filled() >= Math.min(columns, width)
                && wordsOnly(rows.get(next))
                && contrast(next, next) >= CLEAR_CONTRAST;
    }

    /** The share of cells in the last row of a header that are words or members of a sequence; -1 where it can be none. */
    private double named(int top, int bottom) {
        Row row = rows.get(bottom);
        int words = 0;
        int members = 0;
        int years = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            Form form = Forms.of(row, column);
            String text = row.text(column);
            if (text.length() > LONGEST_HEADER) {
                return -1;
            }
            if (form == Form.WORDS || form == Form.WORDS_AND_DIGITS) {
                words++;
            } else if (couldBeSequenceMember(form, text)) {
                members++;
                years += isYear(form, text) ? 1 : 0;
            }
        }
        boolean runs = runsAcross(bottom);
        double weight = runs ? 1 : years == members ? 0.9 : 0.3;
        double named = (words + weight * members) / Math.max(1, row.filled());
        boolean known = hintShare(bottom, bottom) >= 0.5;
        // Years alone name columns below words that head several of them, or beside a corner left blank.
        boolean headed = years == members && (top < bottom || runs && isBlankCorner(bottom));
        boolean none = words == 0 && !isUnits(row) && !headed && !known;
        boolean label = labels.contains(bottom) && !known && !clues.headerRow(row.number());
        return none || label || named < 0.6 ? -1 : named;
    }

    /** True where the first columns have no name but hold words: what they are is plain from the rows. */
    private boolean isBlankCorner(int index) {
        Row row = rows.get(index);
        int first = 0;
        while (first < row.width() && row.blank(first)) {
            first++;
        }
        int words = 0;
        int looked = 0;
        for (Row below : rows.subList(index + 1, Math.min(rows.size(), index + 1 + LOOK_BELOW))) {
            Form form = first == 0 ? Form.BLANK : Forms.of(below, first - 1);
            words += form == Form.WORDS || form == Form.WORDS_AND_DIGITS ? 1 : 0;
            looked++;
        }
        return words > 0 && words * 2 > looked;
    }

    /** True for a row whose values head columns, unless it is a record of small numbers below a row of words. */
    private boolean runsAcross(int index) {
        Row row = rows.get(index);
        if (!Sequence.runsAcross(row)) {
            return false;
        }
        int words = 0;
        for (int c = 0; c < row.width(); c++) {
            boolean value = !row.blank(c) && isValue(Forms.of(row, c));
            if (value && isYear(Forms.of(row, c), row.text(c))) {
                return true;
            }
            words += row.blank(c) || value ? 0 : 1;
        }
        for (int above = index - 1; words > 0 && above >= Math.max(0, index - MOST_ROWS * 2); above--) {
            if (!holdsValue(rows.get(above)) && covers(rows.get(above), row)) {
                return false;
            }
        }
        return true;
    }

    /** True where most cells of a row are dates or years that go up by the same step. */
    private boolean datesAcross(int index) {
        Row row = rows.get(index);
        int dates = 0;
        for (int c = 0; c < row.width(); c++) {
            dates += !row.blank(c) && isYear(Forms.of(row, c), row.text(c)) ? 1 : 0;
        }
        return dates >= Sequence.FEWEST && dates * 10 >= row.filled() * 6 && Sequence.runsAcross(row);
    }

    private static boolean covers(Row upper, Row lower) {
        for (int c = 0; c < lower.width(); c++) {
            if (!lower.blank(c) && upper.blank(c)) {
                return false;
            }
        }
        return true;
    }

    /** Years, dates and numbered things head columns too when they run across. */
    private static boolean couldBeSequenceMember(Form form, String text) {
        return form.isDate()
                || (form == Form.DIGITS || form == Form.NUMBER_WHOLE)
                        && text.strip().length() <= 4;
    }

    private double hintShare(int top, int bottom) {
        double best = 0;
        for (int i = top; i <= bottom; i++) {
            Row row = rows.get(i);
            int known = 0;
            int filled = 0;
            for (int column = 0; column < row.width(); column++) {
                if (!row.blank(column)) {
                    filled++;
                    known += row.kind(column) == CellKind.TEXT && hints.knows(row.text(column)) ? 1 : 0;
                }
            }
            best = Math.max(best, filled == 0 ? 0 : known / (double) filled);
        }
        return best;
    }

    /** The share of columns below that hold mostly values where the header holds words. */
    private double contrast(int top, int bottom) {
        Set<Integer> columns = joined(top, bottom);
        int valued = 0;
        for (int column : columns) {
            int lowest = bottom;
            while (rows.get(lowest).blank(column)) {
                lowest--;
            }
            Row row = rows.get(lowest);
            boolean names = !isValue(Forms.of(row, column)) || runsAcross(lowest);
            valued += names && valuesBelow(bottom, column) ? 1 : 0;
        }
        return columns.isEmpty() ? 0 : valued / (double) columns.size();
    }

    /** The same for a chosen header. */
    double contrast(Choice choice) {
        return contrast(choice.top(), choice.bottom());
    }

    private boolean valuesBelow(int index, int column) {
        int values = 0;
        int filled = 0;
        for (int below = index + 1; below < Math.min(rows.size(), index + 1 + LOOK_BELOW); below++) {
            Row other = rows.get(below);
            if (!other.blank(column)) {
                filled++;
                values += isValue(Forms.of(other, column)) ? 1 : 0;
            }
        }
        return filled > 0 && values * 2 > filled;
    }

    static boolean isValue(Form form) {
        return form != Form.WORDS && form != Form.WORDS_AND_DIGITS && form != Form.NOTHING_WORD && form != Form.BLANK;
    }
}
