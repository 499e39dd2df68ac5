package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Range;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** Numbers up to 100 that are percents where others hold shares of 1. */
final class PercentPoints {
    private static final Pattern PERCENT_WORD =
            Pattern.compile("(?i)%|(?<!\\p{L})(pct|percent|per cent|prozent)(?!\\p{L})");
    private static final double MOST_POINTS = 1000;
    private static final double MORE_THAN_ALL = 1.5;
    /** How many times greater than shares percent points are at least; they are a hundred times greater by nature. */
    private static final double CLEARLY_GREATER = 10;
    /** From so many times on they may be. */
    private static final double GREATER = 3;
    /** Where no word speaks of percents, they are between so many times greater. */
    private static final double ABOUT_A_HUNDRED_FROM = 40;

    private static final double ABOUT_A_HUNDRED_TO = 250;
    private static final double ALL = 100;

    private final WrittenEvidence seen;

    PercentPoints(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** True for a header that says that its numbers are percents. */
    static boolean namesPercents(String header) {
        return PERCENT_WORD.matcher(header).find();
    }

    /** The tables whose numbers are percent points. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> plain = new LinkedHashMap<>();
        Map<PlacedTable, LaidColumn> shownAsPercents = new LinkedHashMap<>();
        boolean percents = false;
        boolean named = namesPercents(name);
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            long shown = e.count(Form.NUMBER_PERCENT, Form.PERCENT_TEXT);
            long numbers = e.count(WrittenEvidence.NUMBERS);
            percents |= shown > 0 && shown * 2 > e.filled();
            if (shown > 0) {
                shownAsPercents.put(entry.getKey(), entry.getValue());
            }
            named |= namesPercents(entry.getValue().header());
            if (numbers > 0 && shown == 0 && numbers + e.count(Form.NOTHING_WORD, Form.CELL_ERROR) == e.filled()) {
                plain.put(entry.getKey(), entry.getValue());
            }
        }
        boolean told = percents || named || seen.isSettled(name);
        if (plain.isEmpty() || !told && !someAreAHundredTimesTheOthers(plain.values())) {
            return Map.of();
        }
        Map<PlacedTable, Range> looked = seen.looked(plain, Convention.DEFAULT);
        Map<PlacedTable, LaidColumn> sharesOfOne = new LinkedHashMap<>(percents ? shownAsPercents : Map.of());
        looked.forEach((table, range) -> {
            LaidColumn column = plain.get(table);
            if (column != null && range.least() >= -1 && range.greatest() <= 1 && range.decimals() > 0) {
                sharesOfOne.put(table, column);
            }
        });
        Map<PlacedTable, Double> typical = sharesOfOne.isEmpty() ? Map.of() : seen.typical(fed);
        double share = sharesOfOne.keySet().stream()
                .mapToDouble(table -> typical.getOrDefault(table, 0.0))
                .max()
                .orElse(0);
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        List<PlacedTable> open = new ArrayList<>();
        for (Map.Entry<PlacedTable, Range> entry : looked.entrySet()) {
            Range range = entry.getValue();
            LaidColumn column = plain.get(entry.getKey());
            Optional<Meaning> words = seen.said(name, entry.getKey());
            boolean large = range.greatest() > MORE_THAN_ALL && Math.abs(range.greatest()) <= MOST_POINTS;
            double median = typical.getOrDefault(entry.getKey(), 0.0);
            // Where most are nought, the others tell.
            double size = median == 0 ? range.greatest() / 2 : median;
            boolean likely = large
                    && !sharesOfOne.isEmpty()
                    && size >= share * CLEARLY_GREATER
                    && (told || range.greatest() <= ALL);
            if (large && !likely && words.isEmpty() && !sharesOfOne.isEmpty() && size >= share * GREATER) {
                open.add(entry.getKey());
            }
            if (words.isPresent() ? words.get() == Meaning.PERCENT_POINTS : likely) {
                meant.put(entry.getKey(), new Meant(Meaning.PERCENT_POINTS, "", 0, 0));
                boolean sure = column != null && namesPercents(column.header());
                if (words.isEmpty() && !sure) {
                    doubtful.add(entry.getKey());
                }
            }
        }
        if (!open.isEmpty() && !seen.isSettledThroughout(name)) {
            seen.askOfThese(
                    name,
                    open,
                    "In the column " + Says.quoted(name) + ", " + WrittenEvidence.files(open)
                            + (open.size() == 1 ? " holds" : " hold")
                            + " numbers that are greater than the shares of the others, but not a hundred times. Are they"
                            + " percent points?",
                    Meaning.PERCENT_POINTS,
                    "percent points",
                    Meaning.AS_WRITTEN);
        }
        if (!meant.isEmpty()) {
            Range first = looked.get(meant.keySet().iterator().next());
            seen.tellOfThese(
                    name,
                    meant.keySet(),
                    doubtful,
                    Meaning.PERCENT_POINTS,
                    "numbers up to " + (first == null ? "" : Says.number(first.greatest()))
                            + " where the others hold shares of 1",
                    "percent points");
        }
        return meant;
    }

    /** True for fractions of one beside numbers that are a hundred times greater on average, and no others. */
    private static boolean someAreAHundredTimesTheOthers(Collection<LaidColumn> columns) {
        double[] sums = new double[2];
        long[] counts = new long[2];
        for (LaidColumn column : columns) {
            Evidence e = column.evidence();
            long numbers = e.count(WrittenEvidence.NUMBERS);
            if (e.belowZero() > 0) {
                return false;
            }
            boolean fractions = e.count(Form.NUMBER_FRACTION, Form.POINT, Form.COMMA) > 0;
            int greater = fractions && column.sum() < numbers ? 0 : 1;
            sums[greater] += column.sum();
            counts[greater] += numbers;
        }
        double times = sums[1] / Math.max(1, counts[1]) / (sums[0] / Math.max(1, counts[0]));
        return counts[0] > 0 && counts[1] > 0 && times >= ABOUT_A_HUNDRED_FROM && times <= ABOUT_A_HUNDRED_TO;
    }
}
