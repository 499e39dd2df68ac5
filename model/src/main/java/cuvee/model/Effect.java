package cuvee.model;

import cuvee.master.ColumnTotal;
import cuvee.place.Says;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** What an act changed in the master, told from its figures before and after. */
final class Effect {
    private static final int MOST_TOLD = 3;

    private Effect() {}

    /** In words; says so where no figure changed. */
    static String between(Outcome before, Outcome after) {
        List<String> told = new ArrayList<>();
        if (before.rows() != after.rows()) {
            told.add(difference(after.rows() - before.rows(), "row"));
        }
        Map<String, ColumnTotal> old = byColumn(before);
        Map<String, ColumnTotal> now = byColumn(after);
        now.forEach((column, total) -> {
            ColumnTotal was = old.get(column);
            if (was == null) {
                told.add(column + " is new, with " + Says.count(total.filled(), "value"));
            } else if (was.filled() != total.filled()) {
                told.add(difference(total.filled() - was.filled(), "value") + " in " + column);
            } else if (!Objects.equals(was.sum(), total.sum())) {
                told.add("the sum of " + column + " is " + sum(total) + ", was " + sum(was));
            }
        });
        old.forEach((column, total) -> {
            if (!now.containsKey(column)) {
                told.add(column + " is gone, with " + Says.count(total.filled(), "value"));
            }
        });
        if (told.isEmpty()) {
            return "no count and no sum of the master changed";
        }
        int more = told.size() - MOST_TOLD;
        return more <= 0
                ? String.join("; ", told)
                : String.join("; ", told.subList(0, MOST_TOLD)) + "; " + Says.number(more) + " more figures changed";
    }

    private static Map<String, ColumnTotal> byColumn(Outcome outcome) {
        Map<String, ColumnTotal> totals = new LinkedHashMap<>();
        outcome.totals().forEach(total -> totals.put(total.column(), total));
        return totals;
    }

    private static String sum(ColumnTotal total) {
        String sum = total.sum();
        return sum == null ? "none" : MasterGrid.groupedNumber(sum);
    }

    private static String difference(long by, String noun) {
        return Says.number(Math.abs(by)) + " " + noun + (Math.abs(by) == 1 ? "" : "s") + (by > 0 ? " more" : " fewer");
    }
}
