package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.place.Says;
import cuvee.sheet.Row;
import cuvee.sheet.RowBlock;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Tells totals from records, by word and by arithmetic, and keeps what they state. Word and arithmetic together, or a
 * word where a record would have its keys, make a total; arithmetic alone makes a record to be asked about.
 */
final class TotalRows {
    private static final Pattern DURATION = Pattern.compile("\\d{1,5}:[0-5]\\d(:[0-5]\\d)?");

    /** Fewer records than these add up by chance. */
    private static final int ENOUGH = 3;

    /** So many sums without a name are a total, though another one beside them is wrong. */
    private static final int ENOUGH_SUMS = 3;

    /** So many sums that agree are no accident. */
    private static final int SEVERAL = 2;

    /** The numbers of a single column add up by chance where there are fewer. */
    private static final int MANY = 8;

    private static final int MOST_PERHAPS = 5;

    private static final double MANY_DIGITS = 1000;
    private static final double SOME_DIGITS = 100;

    private final TableColumns columns;
    private final SheetClues clues;
    private final Reading reading;
    private final HeaderHints hints;
    private final List<Doubt> doubts;
    private final List<StatedTotal> stated = new ArrayList<>();
    private final RunningSums sums = new RunningSums();
    private final RowSums rowSums;
    private final TotalAbove above;
    private final BehindTotals behind;
    private final FigureRows figures;
    private final GroupTotals groups;
    private final ChargeRows charges;
    private final CountRows counts;

    private final Set<String> heads = new HashSet<>();
    /** The rows of totals under names that say nothing of it, by what they are called. */
    private final Map<String, Integer> called = new HashMap<>();

    private final List<String> perhaps = new ArrayList<>();

    /** True where the last total says nothing but that it is one, and adds up all records. */
    private boolean grandTotal;

    private int lastTotal;

    TotalRows(TableColumns columns, SheetClues clues, Reading reading, HeaderHints hints, List<Doubt> doubts) {
        this.hints = hints;
        this.columns = columns;
        this.clues = clues;
        this.reading = reading;
        this.doubts = doubts;
        this.rowSums = new RowSums(columns, sums);
        this.above = new TotalAbove(columns, sums, reading, doubts);
        this.behind = new BehindTotals(columns, sums, stated, doubts);
        this.figures = new FigureRows(columns, sums, doubts);
        this.charges = new ChargeRows(columns);
        this.counts = new CountRows(columns, sums, doubts);
        this.groups = new GroupTotals(columns, sums, rowSums, doubts);
    }

    RunningSums sums() {
        return sums;
    }

    List<StatedTotal> stated() {
        return stated;
    }

    /** What totals under names of their own are called here, and what may be one. */
    TotalNames names() {
        return new TotalNames(
                called.keySet().stream()
                        .map(TotalRows::bare)
                        .distinct()
                        .sorted()
                        .toList(),
                perhaps.stream().distinct().toList());
    }

    /** A name without its column. */
    private static String bare(String name) {
        return name.substring(name.indexOf(' ') + 1);
    }

    /** Takes in a record that has been looked at. */
    void keep(Row row) {
        above.keep(row);
        charges.forget();
        sums.add(row, columns);
    }

    /** True where a row of a block that has been looked at may add up those above it. */
    boolean mayAddUp(RowBlock block) {
        return sums.recordsSinceTotal() == 0 || columns.mayAddUp(block, sums);
    }

    /** Takes in a block of records that has been looked at, behind the first record. */
    void keep(RowBlock block) {
        charges.forget();
        sums.add(block, columns);
    }

    /** What is told of a first row that may add up those below it. */
    TotalAbove above() {
        return above;
    }

    /** True where a row that was held back, and has been looked at again, is the total of all rows behind it; it is taken in. */
    boolean isTotalOfBelow(Row row) {
        boolean total = above.isTotal(row);
        if (total) {
            note(row);
        }
        return total;
    }

    /** True where no record has come since the last total. */
    boolean isJustBehindATotal() {
        return behind.isThere();
    }

    /** Takes in a row as a total, whatever it looks like. */
    void take(Row row) {
        note(row);
        if (sums.recordsSinceTotal() > 0) {
            rowSums.group(row);
        }
        sums.restart();
    }

    /** True where some cell of a row is a word for a total. */
    boolean named(Row row) {
        for (int column = 0; column < row.width(); column++) {
            if (!row.blank(column)
                    && TotalWords.possible(row.chars(), row.start(column), row.end(column))
                    && TotalWords.of(row.text(column)) != TotalWords.Sureness.NO) {
                return true;
            }
        }
        return false;
    }

    /** True where a row that has been looked at is a total; it is taken in. */
    boolean isTotal(Row row) {
        RowWords said = RowWords.of(row, columns);
        if (isTotal(row, said)) {
            return true;
        }
        figures.doubt(row, said);
        return false;
    }

    private boolean isTotal(Row row, RowWords said) {
        if (charges.isOne(row, said)) {
            doubts.add(new Doubt(
                    "charge-row",
                    row.number(),
                    "Row " + row.number() + " says "
                            + Says.quoted(ChargeRows.label(row, columns).strip())
                            + ", which is added to the subtotal above it; it is set aside with the totals.",
                    1));
            return true;
        }
        if (said.texts() <= 1 && isTotalWithCharges(row)) {
            return true;
        }
        if (behind.isShare(row, said)
                || figures.isOne(row, said)
                || (!said.namesTotal() || TotalWords.namesDue(said.label()))
                        && said.texts() <= 1
                        && grandTotal
                        && (behind.comparesTotal(row, said) || behind.isOfTotalsShape(row, said))) {
            return true;
        }
        if (counts.isOne(row, said) || behind.isOfTwoTotals(row, said)) {
            return true;
        }
        boolean told = clues.totalRow(row.number());
        if (!said.namesTotal() && said.texts() > 0 && !told) {
            doubtMean(row, said);
            boolean named = said.numbers() > 0 && (isCalledLikeATotal(row) || isTotalOfAnyName(row, said.texts()));
            boolean total = named || said.numbers() > 0 && groups.isOne(row);
            if (named) {
                called.putIfAbsent(name(row), row.number());
            } else if (!total && said.numbers() > 0 && said.texts() == 1) {
                rememberPerhaps(row);
            }
            if (total) {
                take(row);
                charges.behind(row);
            }
            return total;
        }
        boolean wholly = said.word() == TotalWords.Sureness.WHOLLY;
        boolean total = told
                || (said.numbers() == 0
                        ? wholly && said.texts() == 1 + durations(row)
                        : !isNameOfARecord(row, said) && byNumbers(row, said));
        if (total) {
            grandTotal = wholly && rowSums.numbersThatSay(row) > 0 && rowSums.allAgreeWithAll(row);
            lastTotal = row.number();
            behind.total(said.labelColumn());
            take(row);
            charges.behind(row);
        }
        return total;
    }

    /** What a row is called, with the column in which that stands. */
    private String name(Row row) {
        int column = row.firstFilled();
        while (column < row.width()
                && (row.blank(column) || columns.form(column).isNumber())) {
            column++;
        }
        return column < row.width() ? column + " " + LooseText.key(row.text(column)) : "";
    }

    /** Remembers the name of a row that may be the total of all above, for a second look with what others show. */
    private void rememberPerhaps(Row row) {
        if (perhaps.size() < MOST_PERHAPS && sums.records() > 0 && rowSums.areSumsAndMeansOfAll(row) && isNew(row)) {
            perhaps.add(bare(name(row)));
        }
    }

    /**
     * True for a row that adds up those above it and is called as another total was, here or in another table; one that
     * does not, and is called as one here, is told.
     */
    private boolean isCalledLikeATotal(Row row) {
        if (called.isEmpty() && hints.totalNames().isEmpty() || !isNew(row)) {
            return false;
        }
        Integer other = called.get(name(row));
        if (other == null) {
            return hints.totalNames().contains(bare(name(row)))
                    && sums.records() > 0
                    && rowSums.areSumsAndMeansOfAll(row);
        }
        if (rowSums.areSumsAndMeans(row)) {
            return true;
        }
        doubts.add(new Doubt(
                "total-word",
                row.number(),
                "Row " + row.number() + " is called as the total in row " + other
                        + " is, but does not add up the rows above it; it is kept as a record.",
                1));
        return false;
    }

    /** How many cells of a row hold hours and minutes, which a total may have more of than a day has. */
    private int durations(Row row) {
        int durations = 0;
        for (int column = 0; column < row.width(); column++) {
            durations += !row.blank(column)
                            && DURATION.matcher(row.text(column).strip()).matches()
                    ? 1
                    : 0;
        }
        return durations;
    }

    /** True for the total of a subtotal and the charges below it, which agrees with these. */
    private boolean isTotalWithCharges(Row row) {
        boolean total = charges.isTotal(row);
        for (int column = 0; total && column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                stated.add(new StatedTotal(row.number(), column, value, charges.reached(column), sums.records()));
            }
        }
        return total;
    }

    /** Says of the last rows that they stand behind the total of all others, where they have none of their own. */
    void doubtRowsBehind() {
        behind.tell();
        int behind = sums.recordsSinceTotal();
        if (grandTotal && behind > 0 && behind <= ENOUGH && sums.records() - behind > behind) {
            doubts.add(new Doubt(
                    "behind-total",
                    lastTotal,
                    Says.count(behind, "row") + (behind == 1 ? " stands" : " stand")
                            + " behind the total of all others in row " + lastTotal + "; kept as "
                            + (behind == 1 ? "a record." : "records."),
                    behind));
        }
    }

    /**
     * True where a row adds up those above it under a name that says nothing of it, such as a region's: more than one sum
     * agrees, or one of many digits, under texts that no record has, and there are fewer of them than records have, or the
     * numbers are too large for an accident. A number that is the only one above once more adds up nothing. What could be
     * one is asked about.
     */
    private boolean isTotalOfAnyName(Row row, int texts) {
        boolean whole = TotalAbove.namesWhole(row, columns) && rowSums.mostAgree(row);
        boolean agrees = whole
                || rowSums.areSumsAndMeans(row)
                || rowSums.agreeing(row) >= SEVERAL && rowSums.othersAreNotBeyond(row);
        if (!agrees || !isNew(row)) {
            return false;
        }
        if (whole || isNamedAmongNumbers(row, texts) && rowSums.allAgreeWithAll(row)) {
            return true;
        }
        int numbers = rowSums.numbersThatSay(row);
        boolean bare = texts < columns.keyColumns();
        double greatest = rowSums.greatestNumber(row);
        boolean ofAll = rowSums.adding(row) > 0 && rowSums.areSumsAndMeansOfAll(row) && sums.records() > 1;
        double possible = rowSums.couldHaveBeen(row);
        boolean rare = ofAll && possible >= MANY_DIGITS;
        if (bare && (rare || ofAll && sums.recordsSinceTotal() == 0)) {
            return true;
        }
        if (sums.recordsSinceTotal() < ENOUGH && sums.records() < ENOUGH) {
            // Two rows and their sum: told by several sums of some digits each, or a rare one, and asked about.
            boolean told = sums.records() == 2
                    && (numbers >= SEVERAL && rowSums.leastNumber(row) >= SOME_DIGITS
                            || ofAll && bare && (possible >= SOME_DIGITS || greatest >= MANY_DIGITS));
            if (told && !reading.unnamedTotals()) {
                doubtUnnamed(row);
            }
            return told && reading.unnamedTotals();
        }
        // A record may well have the numbers of the one before it, or by accident those of two together.
        boolean enough =
                sums.recordsSinceTotal() >= ENOUGH || sums.recordsSinceTotal() == 0 || rowSums.allAgreeWithAll(row);
        int adding = rowSums.adding(row);
        boolean one = numbers == 1 && adding == 1 && greatest >= MANY_DIGITS && sums.records() >= MANY
                || rare
                || ofAll && bare && possible >= SOME_DIGITS
                || ofAll && columns.fullKeysBlankIn(row) > 0 && possible >= MANY;
        boolean several = numbers >= SEVERAL && (bare ? adding > 0 : adding >= SEVERAL && greatest >= SOME_DIGITS);
        if (enough && (several || one && bare && sums.records() >= MANY)
                || (enough || bare) && (one || numbers >= SEVERAL) && reading.unnamedTotals()) {
            return true;
        }
        if (enough && (one || numbers >= SEVERAL) || bare && several) {
            doubtUnnamed(row);
        }
        return false;
    }

    /** True where the one text of a row stands where all records have numbers, and nothing where they have words. */
    private boolean isNamedAmongNumbers(Row row, int texts) {
        return texts == 1 && columns.keyColumns() > 0 && columns.holdsNoKey(row);
    }

    private void doubtUnnamed(Row row) {
        doubts.add(new Doubt(
                "total-row",
                row.number(),
                "Row " + row.number() + " adds up the rows above it under another name; it is kept as a record.",
                1));
    }

    /** True where no text of a row stands in a record above it. */
    private boolean isNew(Row row) {
        for (int column = 0; column < row.width(); column++) {
            boolean text = !row.blank(column) && !columns.form(column).isNumber();
            if (text && columns.holds(column, row.text(column))) {
                return false;
            }
        }
        return true;
    }

    /**
     * True for words such as {@code Total mixed glass} that a record above has for its name, where all that there is to add
     * up is the one record right above: it is another record with the same numbers.
     */
    private boolean isNameOfARecord(Row row, RowWords said) {
        boolean named = said.word() == TotalWords.Sureness.PARTLY
                && sums.recordsSinceTotal() == 1
                && columns.holds(said.labelColumn(), said.label());
        if (named && rowSums.allAgree(row)) {
            doubts.add(new Doubt(
                    "total-word",
                    row.number(),
                    "Row " + row.number() + " says " + Says.quoted(said.label().strip())
                            + " and has the numbers of the row above it; it is kept as a record, as a record above is"
                            + " called so too.",
                    1));
        }
        return named;
    }

    private boolean byNumbers(Row row, RowWords said) {
        TotalWords.Sureness word = said.word();
        String label = said.label();
        int texts = said.texts();
        boolean added = sums.records() > 0
                && (rowSums.allAgree(row)
                        || word != TotalWords.Sureness.NO && sums.records() >= ENOUGH && rowSums.mostAgree(row));
        boolean bareKeys = texts <= 1 && columns.keyColumns() > 1;
        if (word == TotalWords.Sureness.NO) {
            boolean nearly = texts == 0
                    && sums.records() >= ENOUGH
                    && rowSums.agreeing(row) >= ENOUGH_SUMS
                    && rowSums.mostAgree(row)
                    && rowSums.isNoAccident(row);
            boolean means = texts == 0 && rowSums.areSumsAndMeans(row);
            boolean behindOthers = sums.recordsSinceTotal() == 0 && sums.records() > 0;
            boolean unnamed =
                    (added || nearly || means) && (sums.records() > 1 || behindOthers) && columns.keyColumns() > 0;
            if (texts == 0 && (unnamed && (rowSums.isNoAccident(row) || isSumWithoutKeys(row)) || groups.isOne(row))) {
                return true;
            }
            if (unnamed && !reading.unnamedTotals()) {
                doubts.add(new Doubt(
                        "total-row",
                        row.number(),
                        "Row " + row.number() + " adds up the rows above it but names nothing; it is kept as a record.",
                        1));
            }
            if (!unnamed && texts == 0) {
                doubtKeyless(row);
            }
            return unnamed && reading.unnamedTotals();
        }
        boolean wholly = word == TotalWords.Sureness.WHOLLY;
        // A total of something names what it adds up; other words beside a total word may be a name of its own.
        boolean ofAGroup = bareKeys
                && (sums.records() == 0 || rowSums.numbersThatSay(row) == 0 || isKnown(TotalWords.rest(label)));
        if ((texts <= 1 && (wholly || ofAGroup || added)) || (added && wholly)) {
            return true;
        }
        if (texts <= 1 || wholly) {
            doubts.add(new Doubt(
                    "total-word",
                    row.number(),
                    "Row " + row.number() + " says " + Says.quoted(label.strip())
                            + " but does not add up the rows above it; it is kept as a record.",
                    1));
        }
        return false;
    }

    /** True for sums in a row without any of the words that all records have, or of which there could have been many. */
    private boolean isSumWithoutKeys(Row row) {
        double possible = rowSums.couldHaveBeen(row);
        boolean keyless = columns.fullKeysBlankIn(row) > 0;
        boolean adding = rowSums.adding(row) > 0;
        return keyless && sums.recordsSinceTotal() == 0
                || adding && keyless && (possible >= SOME_DIGITS || sums.records() >= ENOUGH)
                || adding && possible >= MANY_DIGITS;
    }

    /** Says of a row under a name of its own that it has the mean of all rows above. */
    private void doubtMean(Row row, RowWords said) {
        if (said.texts() == 1
                && said.numbers() > 0
                && sums.records() >= ENOUGH
                && rowSums.areMeans(row)
                && isNew(row)) {
            doubts.add(new Doubt(
                    "figure-row",
                    row.number(),
                    "Row " + row.number() + " has the mean of the rows above it under another name; it is kept as a"
                            + " record.",
                    1));
        }
    }

    /** Says of a row that it has none of the words, codes and dates that all records above have. */
    private void doubtKeyless(Row row) {
        if (columns.fullColumnsBlankIn(row) > 0 && columns.lacksKeys(row)) {
            doubts.add(new Doubt(
                    "bare-row",
                    row.number(),
                    "Row " + row.number()
                            + " has numbers, but none of the words, codes or dates that all records above it"
                            + " have; it is kept as a record.",
                    1));
        }
    }

    /** True for a text that a record above holds, or that heads some. */
    private boolean isKnown(String text) {
        String key = LooseText.key(text);
        if (heads.stream().anyMatch(head -> head.contains(key)) && !key.isEmpty()) {
            return true;
        }
        for (int column = 0; column < columns.width(); column++) {
            if (columns.holds(column, text)) {
                return true;
            }
        }
        // Nothing is left of a plain word for a total; what holds digits is not kept word by word.
        return key.isEmpty() || text.chars().anyMatch(Character::isDigit);
    }

    /** Takes in a line that heads the records below it. */
    void headed(String text) {
        counts.headed();
        heads.add(LooseText.key(text));
    }

    private void note(Row row) {
        for (int column = 0; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (Double.isNaN(value)) {
                continue;
            }
            boolean grand = sums.recordsSinceTotal() == 0 || Agreement.of(value, sums.all(column), sums.records());
            stated.add(new StatedTotal(
                    row.number(),
                    column,
                    value,
                    grand ? sums.all(column) : sums.sinceTotal().sum(column),
                    grand ? sums.records() : sums.recordsSinceTotal()));
        }
    }
}
