package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.DayNames;
import cuvee.value.Form;
import cuvee.value.LooseText;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * Chooses the header among the first rows of a sheet: one row, or up to three that belong together. A header is wide,
 * made of different words, and followed by rows of another nature; words that are headers elsewhere in the batch and
 * rectangles that the workbook itself names weigh most.
 */
final class HeaderChoice {
    private static final Pattern YEAR = Pattern.compile("(19|20)\\d\\d");
    private static final int LONGEST_HEADER = 120;
    private static final int MOST_ROWS = 3;
    /** Two candidates closer than this could be taken for each other. */
    private static final double CLOSE_LEAD = 1.5;

    /** The same where all is words, and little tells a header from a record. */
    private static final double WORDS_LEAD = 2.0;

    private static final double SMALL_LEAD = 0.3;
    private static final double CLEAR_CONTRAST = 0.25;

    private final List<HeadRow> rows;
    private final HeaderHints hints;
    private final SheetClues clues;
    private final Set<Integer> labels;
    private final RowsAround around;
    private int width;

    HeaderChoice(List<Row> rows, HeaderHints hints, SheetClues clues) {
        this(hints, clues, HeadRow.of(rows));
    }

    private HeaderChoice(HeaderHints hints, SheetClues clues, List<HeadRow> rows) {
        this.rows = rows;
        this.around = new RowsAround(rows);
        this.hints = hints;
        this.clues = clues;
        this.width = usualWidth(rows);
        this.labels = LabelRows.of(rows.stream().map(HeadRow::row).toList(), width);
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
        return withDatesBelow(best.found() || until == rows.size() ? best : best(0, rows.size()));
    }

    /**
     * A header of days of the week goes on in the row right below it where that says their dates, or which days of the month
     * they are; names of other columns may stand beside them.
     */
    private Choice withDatesBelow(Choice choice) {
        int next = choice.bottom() + 1;
        if (!choice.found() || next + 1 >= rows.size() || rows.get(next).blanksBefore() > 0) {
            return choice;
        }
        HeadRow days = rows.get(choice.bottom());
        HeadRow dates = rows.get(next);
        boolean weekdays = UnderHeader.isWeekdays(days.row());
        int dated = 0;
        for (int column = 0; column < dates.width(); column++) {
            boolean day = !days.blank(column) && (weekdays || DayNames.isDay(days.text(column)));
            boolean says = dates.form(column).isDate() || weekdays && UnderHeader.isDayNumber(dates.text(column));
            boolean name = weekdays && days.blank(column) && dates.isWord(column);
            if (!dates.blank(column) && !(day && says) && !name) {
                return choice;
            }
            dated += day && says ? 1 : 0;
        }
        return dated < Sequence.FEWEST
                ? choice
                : new Choice(choice.top(), next, choice.rival() == next ? -1 : choice.rival(), choice.reason());
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
                if (t < b && (rows.get(t + 1).blanksBefore() > 0 || !joins(t, t + 1, b) || comesAgainWithout(t, b))) {
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
            if (scores.getOrDefault(b, 0.0) > 0
                    && rows.get(b).filled() > 1
                    && rows.get(b).hasWordsOf(rows.get(bottom))) {
                bottom = b;
                top = tops.getOrDefault(b, b);
            }
        }
        return new Choice(top, bottom, rival(top, bottom, scores), reason(top, bottom));
    }

    /** True where at least two rows of a header are repeated lower down, and never with the row above them. */
    private boolean comesAgainWithout(int top, int bottom) {
        boolean without = false;
        for (int again = bottom + 1; again < rows.size(); again++) {
            int same = 0;
            while (same <= bottom - top && rows.get(again - same).hasWordsOf(rows.get(bottom - same))) {
                same++;
            }
            if (same > bottom - top) {
                return false;
            }
            without |= same == bottom - top && same >= 2;
        }
        return without;
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
                    || rows.get(bottom).hasWordsOf(rows.get(row))) {
                continue;
            }
            // Were a row further up the header, this one would be a record of words where all others hold values.
            boolean impossible = row < top
                    ? overValues && lead >= SMALL_LEAD
                    : behindRecords(top, bottom, row)
                            || overValues && rows.get(row).values() > 0;
            if (!impossible && (closest < 0 || rival.getValue() > scores.getOrDefault(closest, 0.0))) {
                closest = row;
            }
        }
        return closest;
    }

    /** True where records of the better header stand before a row: it can only head another table. */
    private boolean behindRecords(int top, int bottom, int row) {
        int columns = joined(top, bottom).cardinality();
        return rows.subList(bottom + 1, row).stream()
                        .filter(between -> between.filled() * 2 > columns)
                        .count()
                >= 2;
    }

    /** How far the next rows fill the columns that a header names, and no others: 1 for those of a clean table. */
    private double followed(BitSet named, int bottom) {
        double sum = 0;
        int looked = 0;
        for (int i = bottom + 1; i < rows.size() && looked < 12; i++) {
            HeadRow row = rows.get(i);
            if (row.filled() == 1) {
                continue;
            }
            int inside = 0;
            for (int c = 0; c < row.width(); c++) {
                inside += !row.blank(c) && named.get(c) ? 1 : 0;
            }
            sum += inside / (double) (named.cardinality() + row.filled() - inside);
            looked++;
        }
        return looked == 0 ? 0 : sum / looked;
    }

    /** The share of names that are values of their column further down, as those of a record often are. */
    private double recurring(int top, int bottom) {
        HeadRow header = rows.get(bottom);
        int recurring = 0;
        for (int c = 0; c < header.width(); c++) {
            if (header.blank(c)) {
                continue;
            }
            for (int i = bottom + 1; i < rows.size(); i++) {
                HeadRow row = rows.get(i);
                if (!row.blank(c) && row.hasKey(c, header.key(c)) && !row.hasWordsOf(header)) {
                    recurring++;
                    break;
                }
            }
        }
        return recurring / (double) Math.max(1, joined(top, bottom).cardinality());
    }

    /** True where the row above, all words too, fills the same columns: a header comes before what it heads. */
    private boolean precededByLike(BitSet named, int top) {
        int above = top - 1;
        while (above >= 0 && rows.get(above).filled() == 1) {
            above--;
        }
        if (above < 0 || rows.get(above).values() > 0) {
            return false;
        }
        HeadRow like = rows.get(above);
        long inside = named.stream().filter(column -> !like.blank(column)).count();
        return inside * 10 >= named.cardinality() * 8L;
    }

    private String reason(int top, int bottom) {
        String why = clues.headerRow(rows.get(bottom).number())
                ? "the workbook itself says so"
                : hintShare(top, bottom) >= 0.5
                        ? "its words are headers in other tables too"
                        : contrast(top, bottom) > 0
                                ? "it names " + joined(top, bottom).cardinality()
                                        + " columns in words, and the rows below hold values"
                                : "it is the first row as wide as the table";
        String which = top == bottom
                ? "Row " + rows.get(bottom).number() + " is"
                : "Rows " + rows.get(top).number() + " to " + rows.get(bottom).number() + " are";
        return which + " the header: " + why + ".";
    }

    private static int usualWidth(List<HeadRow> rows) {
        int[] widths = rows.stream().mapToInt(HeadRow::filled).sorted().toArray();
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
        List<HeadRow> stretch = rows.subList(from, until);
        HeaderChoice own = new HeaderChoice(hints, clues, stretch);
        Choice best = own.best(0, stretch.size());
        if (!best.found() || best.bottom() > MOST_ROWS + 1) {
            return false;
        }
        int columns = own.joined(best.top(), best.bottom()).cardinality();
        long records = stretch.subList(best.bottom() + 1, stretch.size()).stream()
                .filter(row -> row.filled() * 2 > columns)
                .count();
        boolean known = own.hintShare(best.top(), best.bottom()) >= 0.5;
        if (known && columns >= 2) {
            return records >= 1;
        }
        return columns >= 3 && columns >= own.width && records >= 2 && own.contrast(best) > 0;
    }

    /** True for what an account held before its first line, or after its last, with the amount beside it. */
    private static boolean namesBalance(HeadRow row) {
        boolean names = false;
        boolean says = false;
        for (int column = 0; column < row.width(); column++) {
            names |= row.isWord(column) && TotalWords.namesBalance(row.text(column));
            says |= row.isValue(column);
        }
        return names && says;
    }

    /** True where two rows below each other can both belong to the header that ends with the row at {@code bottom}. */
    private boolean joins(int top, int next, int bottom) {
        HeadRow upper = rows.get(top);
        HeadRow lower = rows.get(next);
        if (!upper.wordsOnly()
                || !lower.wordsOnly()
                || holdsCode(lower, bottom)
                || namesBalance(lower)
                || WordsBelowHeader.isExample(lower.row())) {
            return false;
        }
        if (upper.isLabelPairs() && upper.filled() > 2) {
            return false;
        }
        if (next < bottom && cutsGroup(upper, lower, rows.get(bottom))) {
            return false;
        }
        if (clues.joinedDown(upper.row(), lower.row())
                || clues.partlyMerged(upper.number(), upper.row(), lower.row())) {
            return true;
        }
        boolean title = upper.isTitleLike()
                || lower.isTitleLike()
                || upper.isLoneNumber()
                || upper.isLabelPairs() && lower.filled() != upper.filled();
        if (title || upper.filled() < 2 && lower.filled() >= 2) {
            return false;
        }
        if (lower.filled() == 1 && !lower.isUnits() && !continuesName(lower, bottom)) {
            return false;
        }
        if (lower.isUnits() || describes(upper, lower, bottom)) {
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
            onlyAbove += !below && around.filledBelow(bottom, c) ? 1 : 0;
            spans += below && upper.blank(c + 1) && !lower.blank(c + 1) ? 1 : 0;
        }
        if (onlyAbove + over < upper.filled()) {
            return false;
        }
        boolean namesTwice = lower.words().size() < lower.filled();
        boolean broken = over == upper.filled() && over == lower.filled() && contrast(next, bottom) * 2 >= 1;
        boolean few = lower.filled() * 2 <= upper.filled() && (lower.filled() == 1 || mostlyOverValues(lower, bottom));
        boolean noRecord = few || contrast(next, bottom) * 2 >= 1;
        return over > 0
                && (broken
                        || namesTwice && upper.filled() < lower.filled()
                        || onlyAbove > 0 && noRecord
                        || spans >= 2 && spans == over && !headsNamesWithNumbers(upper, lower, bottom));
    }

    /**
     * True where the first cell of a row would group what records are called by with numbers beside it: {@code Till report}
     * over {@code Day | Cash | Card} is a title, not a group.
     */
    private boolean headsNamesWithNumbers(HeadRow upper, HeadRow lower, int bottom) {
        int first = 0;
        while (lower.blank(first)) {
            first++;
        }
        if (upper.blank(first)
                || bottom + 1 >= rows.size()
                || rows.get(bottom + 1).isValue(first)) {
            return false;
        }
        boolean numbers = false;
        for (int c = first + 1; c < lower.width() && upper.blank(c); c++) {
            numbers |= !lower.blank(c) && rows.get(bottom + 1).isValue(c);
        }
        return numbers;
    }

    /**
     * True for two cells beside each other, a label with its value above the header: the second stands within what a cell of
     * the row below heads, where what heads groups would begin; or over the first of several groups, all of which it would
     * head, while the column under the first has a name of its own.
     */
    private static boolean cutsGroup(HeadRow upper, HeadRow groups, HeadRow names) {
        int first = 0;
        while (first < upper.width() && upper.blank(first)) {
            first++;
        }
        int second = first + 1;
        boolean pair = upper.filled() == 2 && second < upper.width() && !upper.blank(second);
        boolean within = !groups.blank(first) && groups.blank(second) && !names.blank(second);
        boolean overAll = groups.blank(first) && !groups.blank(second) && groups.filled() > 1 && !names.blank(first);
        return pair && (within || overAll);
    }

    /** True where a row has a code that differs from one below it in its digits only: it is a record. */
    private boolean holdsCode(HeadRow row, int bottom) {
        for (int c = 0; c < row.width(); c++) {
            if (row.form(c) == Form.WORDS_AND_DIGITS) {
                String pattern = LooseText.codePattern(row.text(c));
                for (HeadRow below : rows.subList(bottom + 1, Math.min(rows.size(), bottom + 1 + RowsAround.NEAR))) {
                    // The same text once more is the header repeated.
                    if (!below.blank(c)
                            && LooseText.codePattern(below.text(c)).equals(pattern)
                            && !LooseText.key(below.text(c)).equals(LooseText.key(row.text(c)))) {
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
    private boolean continuesName(HeadRow lower, int bottom) {
        int column = lower.row().firstFilled();
        String text = lower.text(column).strip();
        if (text.length() > 12 || text.indexOf(' ') >= 0) {
            return false;
        }
        boolean small = Character.isLowerCase(text.charAt(0));
        int names = 0;
        int filled = 0;
        for (HeadRow row : rows.subList(bottom + 1, rows.size())) {
            if (row.filled() == 1) {
                return false;
            }
            filled += row.blank(column) ? 0 : 1;
            names += row.form(column) == Form.WORDS ? 1 : 0;
        }
        return filled > 0 && (small || names * 2 < filled);
    }

    /** True where the words of the lower row stand over values: a row that describes the columns, not a record. */
    private boolean describes(HeadRow upper, HeadRow lower, int bottom) {
        if (lower.filled() < 2 || upper.filled() < lower.filled() || bottom + 1 >= rows.size()) {
            return false;
        }
        int over = 0;
        for (int c = 0; c < lower.width(); c++) {
            if (!lower.blank(c) && (upper.blank(c) || lower.isValue(c))) {
                return false;
            }
            over += !lower.blank(c) && around.valuesBelow(bottom, c) ? 1 : 0;
        }
        return over == lower.filled() || over > 0 && lacksWhatRecordsHave(upper, lower, bottom);
    }

    /** True where a row is blank in half of the columns and more, all of which are filled in each row that follows. */
    private boolean lacksWhatRecordsHave(HeadRow upper, HeadRow lower, int bottom) {
        if (lower.filled() * 2 > upper.filled()) {
            return false;
        }
        List<HeadRow> below = rows.subList(bottom + 1, Math.min(rows.size(), bottom + 1 + RowsAround.NEAR));
        for (int c = 0; c < upper.width(); c++) {
            int column = c;
            if (!upper.blank(c) && lower.blank(c) && below.stream().anyMatch(row -> row.blank(column))) {
                return false;
            }
        }
        return below.size() >= MOST_ROWS;
    }

    private boolean mostlyOverValues(HeadRow row, int bottom) {
        int over = 0;
        for (int c = 0; c < row.width(); c++) {
            over += !row.blank(c) && around.valuesBelow(bottom, c) ? 1 : 0;
        }
        return over * 2 >= row.filled();
    }

    /** The columns that the rows from {@code top} to {@code bottom} name. */
    private BitSet joined(int top, int bottom) {
        BitSet columns = new BitSet();
        for (HeadRow row : rows.subList(top, bottom + 1)) {
            for (int c = 0; c < row.width(); c++) {
                if (!row.blank(c)) {
                    columns.set(c);
                }
            }
        }
        return columns;
    }

    private double score(int top, int bottom) {
        BitSet joined = joined(top, bottom);
        int columns = joined.cardinality();
        if (columns == 0 || (width >= 2 && columns < Math.max(2, (width + 1) / 2))) {
            return 0;
        }
        double named = named(top, bottom);
        if (named < 0) {
            return 0;
        }
        String[] names = HeaderNames.of(
                rows.subList(top, bottom + 1).stream().map(HeadRow::row).toList(), clues);
        long different = Arrays.stream(names)
                .filter(name -> !name.isEmpty())
                .map(LooseText::key)
                .distinct()
                .count();
        long elsewhere = Arrays.stream(names).filter(hints::knows).count();
        double known = Math.max(hintShare(top, bottom), elsewhere / (double) columns);
        double coverage = Math.min(1, columns / (double) Math.max(1, width));
        double unique = different / (double) columns;
        double early = 1.0 / (1 + top * 0.15);
        double body = bottom == rows.size() - 1 && rows.size() > 1 ? 0.3 : standsOverHeader(bottom, columns) ? 0.6 : 1;
        double said = clues.headerRow(rows.get(bottom).number())
                ? 12
                : rows.get(bottom).datesAcross() ? 2 : 0;
        double taller = top == bottom ? 0 : rows.get(bottom).isUnits() ? 1.5 : 0.6;
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
                && rows.get(next).wordsOnly()
                && contrast(next, next) >= CLEAR_CONTRAST;
    }

    /** The share of cells in the last row of a header that are words or members of a sequence; -1 where it can be none. */
    private double named(int top, int bottom) {
        HeadRow row = rows.get(bottom);
        int words = 0;
        int members = 0;
        int years = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            if (row.text(column).length() > LONGEST_HEADER) {
                return -1;
            }
            if (row.isWord(column)) {
                words++;
            } else if (row.isMember(column)) {
                members++;
                years += row.isYear(column) ? 1 : 0;
            }
        }
        boolean runs = runsAcross(bottom);
        double weight = runs ? 1 : years == members ? 0.9 : 0.3;
        double named = (words + weight * members) / Math.max(1, row.filled());
        boolean known = row.known(hints) >= 0.5;
        // Years alone name columns below words that head several of them, or beside a corner left blank.
        boolean headed = years == members && (top < bottom || runs && isBlankCorner(bottom) || comparesYears(bottom));
        boolean none = words == 0 && !row.isUnits() && !headed && !known;
        boolean said = known || clues.headerRow(row.number());
        boolean record = top == bottom && around.isRecord(bottom) && !runsAcross(bottom);
        boolean other = !said && (labels.contains(bottom) || record);
        return none || other || named < 0.6 ? -1 : named;
    }

    /** True where the first columns have no name but hold words: what they are is plain from the rows. */
    private boolean isBlankCorner(int index) {
        HeadRow row = rows.get(index);
        int first = 0;
        while (first < row.width() && row.blank(first)) {
            first++;
        }
        int words = 0;
        int looked = 0;
        for (HeadRow below : rows.subList(index + 1, Math.min(rows.size(), index + 1 + RowsAround.NEAR))) {
            words += first > 0 && below.isWord(first - 1) ? 1 : 0;
            looked++;
        }
        return words > 0 && words * 2 > looked;
    }

    /** True for years beside a blank corner, each one before or behind the next, as over the columns of a statement. */
    private boolean comparesYears(int index) {
        HeadRow row = rows.get(index);
        int before = 0;
        int step = 0;
        int years = 0;
        for (int column = 0; column < row.width(); column++) {
            if (row.blank(column)) {
                continue;
            }
            int year = YEAR.matcher(row.text(column).strip()).matches()
                    ? Integer.parseInt(row.text(column).strip())
                    : 0;
            if (year == 0 || years > 0 && Math.abs(year - before) != 1 || step != 0 && year - before != step) {
                return false;
            }
            step = years > 0 ? year - before : 0;
            before = year;
            years++;
        }
        return years > 1 && isBlankCorner(index);
    }

    /** True for a row whose values head columns, unless it is a record of small numbers below a row of words. */
    private boolean runsAcross(int index) {
        HeadRow row = rows.get(index);
        if (!row.runsAcross()) {
            return false;
        }
        int words = 0;
        for (int c = 0; c < row.width(); c++) {
            boolean value = row.isValue(c);
            if (value && row.isYear(c)) {
                return true;
            }
            words += row.blank(c) || value ? 0 : 1;
        }
        for (int above = index - 1; words > 0 && above >= Math.max(0, index - MOST_ROWS * 2); above--) {
            if (rows.get(above).values() == 0 && rows.get(above).covers(row)) {
                return false;
            }
        }
        return true;
    }

    private double hintShare(int top, int bottom) {
        double best = 0;
        for (int i = top; i <= bottom; i++) {
            best = Math.max(best, rows.get(i).known(hints));
        }
        return best;
    }

    /** The share of columns below that hold mostly values where the header holds words. */
    private double contrast(int top, int bottom) {
        BitSet columns = joined(top, bottom);
        int valued = 0;
        for (int column = columns.nextSetBit(0); column >= 0; column = columns.nextSetBit(column + 1)) {
            int lowest = bottom;
            while (rows.get(lowest).blank(column)) {
                lowest--;
            }
            boolean names = !rows.get(lowest).isValue(column) || runsAcross(lowest) || comparesYears(lowest);
            valued += names && around.valuesBelow(bottom, column) ? 1 : 0;
        }
        return columns.isEmpty() ? 0 : valued / (double) columns.cardinality();
    }

    /** The same for a chosen header. */
    double contrast(Choice choice) {
        return contrast(choice.top(), choice.bottom());
    }
}
