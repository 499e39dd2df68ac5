package cuvee.layout;

import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalWords;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** The columns beside those that run across that add them up, or average them. */
final class MemberTotals {
    private static final double NEAR = 0.05;
    /** How far off an average that was rounded to one decimal lies at most. */
    private static final double ROUNDED = 0.051;
    /** What stands over a whole year behind its parts: {@code FY 2026}, {@code Full year}, {@code YTD}. */
    private static final Pattern OVER_ALL = Pattern.compile(
            "(?i)(fy|full[ -]?year|ytd|year to date|gesamtjahr|ganzes jahr|ann\u00e9e|annual)([ _/-]*\\d{2,4})*");

    private MemberTotals() {}

    /** Columns of totals among or behind the members: by their word, or by what they come to. */
    static List<Across.TotalColumn> of(FoundTable table, Across across) {
        Set<Integer> members = across.columns();
        members.remove(-1);
        int first = members.stream().mapToInt(i -> i).min().orElse(0);
        List<Across.TotalColumn> totals = new ArrayList<>();
        for (TableColumn column : table.columns()) {
            boolean number = Nature.of(column.evidence()) == Nature.NUMBERS;
            if (members.contains(column.index()) || !number) {
                continue;
            }
            boolean wholly = TotalWords.of(column.header()) == TotalWords.Sureness.WHOLLY
                    || OVER_ALL.matcher(column.header().strip()).matches() && isNear(column.sum(), sum(table, members));
            boolean word = wholly || TotalWords.of(column.header()) != TotalWords.Sureness.NO;
            boolean within = column.index() > first;
            Optional<Double> sum = within || word ? addedUp(table, across, totals, column) : Optional.empty();
            if (sum.isPresent()) {
                totals.add(new Across.TotalColumn(column, column.sum(), sum.get()));
            } else if (within && isMeanOf(table, members, column)) {
                totals.add(new Across.TotalColumn(column, column.sum(), column.sum()));
            } else if (within && wholly) {
                totals.add(new Across.TotalColumn(column, column.sum(), sum(table, members)));
            }
        }
        return totals;
    }

    /** True for a column that is called the average and is that of the members, where each has a number in each row. */
    private static boolean isMeanOf(FoundTable table, Set<Integer> members, TableColumn column) {
        double mean = sum(table, members) / Math.max(1, members.size());
        return TotalWords.namesMean(column.header())
                && Math.abs(column.sum() - mean)
                        <= ROUNDED * Math.max(1, column.evidence().filled());
    }

    /** True for what the members come to but for a few rows: the plan of another year is no total of this one. */
    private static boolean isNear(double stated, double added) {
        return Math.abs(stated - added) <= NEAR * Math.abs(added);
    }

    /** What a column adds up: all members, those of a group, or those since the total before it. */
    private static Optional<Double> addedUp(
            FoundTable table, Across across, List<Across.TotalColumn> before, TableColumn column) {
        List<Set<Integer>> candidates = new ArrayList<>();
        Set<Integer> all = across.columns();
        all.remove(-1);
        int since =
                before.stream().mapToInt(total -> total.column().index()).max().orElse(-1);
        List<Set<Integer>> sets = new ArrayList<>();
        sets.add(all);
        across.groups().values().forEach(group -> {
            Set<Integer> own = new HashSet<>(group);
            own.remove(-1);
            sets.add(own);
        });
        for (Set<Integer> set : sets) {
            candidates.add(set);
            candidates.add(filter(set, i -> i < column.index()));
            candidates.add(filter(set, i -> i < column.index() && i > since));
        }
        for (Set<Integer> candidate : candidates) {
            double sum = sum(table, candidate);
            if (candidate.size() >= 2 && sum != 0 && new Across.TotalColumn(column, column.sum(), sum).agrees()) {
                return Optional.of(sum);
            }
        }
        return Optional.empty();
    }

    private static Set<Integer> filter(Set<Integer> columns, java.util.function.IntPredicate which) {
        Set<Integer> some = new HashSet<>();
        columns.stream().filter(which::test).forEach(some::add);
        return some;
    }

    /** What some columns come to. */
    static double sum(FoundTable table, Set<Integer> columns) {
        return table.columns().stream()
                .filter(column -> columns.contains(column.index()))
                .mapToDouble(TableColumn::sum)
                .sum();
    }
}
