package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Meaning;
import cuvee.value.Period;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Months without a year over columns that became rows: {@code Jan}, {@code Feb}. They have the one year that the names of
 * their source say, where those of all sources say one.
 */
final class LabelMonths implements Draft.Step {
    private final Job job;
    private final Homes homes;
    private final List<Finding> findings = new ArrayList<>();

    LabelMonths(Job job, Homes homes) {
        this.job = job;
        this.homes = homes;
    }

    @Override
    public Draft on(Draft draft) {
        List<DraftColumn> columns =
                draft.columns().stream().map(this::withYears).toList();
        return draft.withColumns(columns).saying(Said.found(findings));
    }

    /** A column whose labels have their years. */
    private DraftColumn withYears(DraftColumn column) {
        String name = column.name();
        Map<PlacedTable, Integer> years = staysAsWritten(name) ? Map.of() : years(column, isOfDates(name));
        if (years.isEmpty()) {
            return column;
        }
        Map<PlacedTable, LaidColumn> dated = new HashMap<>();
        years.forEach((table, year) -> column.in(table).ifPresent(fed -> dated.put(table, dated(fed, year))));
        say(name, years);
        return column.with(dated);
    }

    private boolean isOfDates(String name) {
        return job.decision(Kinds.TYPE, name)
                .filter(decision -> decision.answer().equals(Type.DATE.word()))
                .isPresent();
    }

    /** True for a column that the analyst wants as it is written, or that is text since an earlier refresh. */
    private boolean staysAsWritten(String name) {
        return job.decision(Kinds.TYPE, name)
                        .filter(decision -> decision.answer().equals(Type.TEXT.word()))
                        .isPresent()
                || job.decision(Kinds.WRITTEN_AS, name)
                        .map(Decision::answer)
                        .filter(Meaning.AS_WRITTEN.words()::equals)
                        .isPresent();
    }

    /**
     * The years of the tables with labels that are months without one; empty where not all of them have a year, unless the
     * column has held dates before: it goes on to do so, and those without a year are misfits.
     */
    private Map<PlacedTable, Integer> years(DraftColumn column, boolean dates) {
        Map<PlacedTable, Integer> years = new LinkedHashMap<>();
        for (Map.Entry<PlacedTable, LaidColumn> feed : column.fed().entrySet()) {
            if (!holdsBareMonths(feed.getValue())) {
                continue;
            }
            Set<Integer> said = homes.years(feed.getKey());
            if (said.size() == 1) {
                years.put(feed.getKey(), said.iterator().next());
            } else if (!dates) {
                return Map.of();
            }
        }
        return years;
    }

    private static boolean holdsBareMonths(LaidColumn column) {
        return column.origin() instanceof Origin.Label label
                && label.labels().stream()
                        .allMatch(text -> Period.bareMonth(text).isPresent());
    }

    private static LaidColumn dated(LaidColumn column, int year) {
        List<String> labels = ((Origin.Label) column.origin())
                .labels().stream()
                        .map(text -> Period.monthOf(text, String.valueOf(year))
                                .orElseThrow()
                                .toString())
                        .toList();
        long times = column.evidence().filled() / labels.size();
        return LaidColumn.told(column.header(), new Origin.Label(labels), labels, times);
    }

    private void say(String name, Map<PlacedTable, Integer> years) {
        findings.add(new Finding(
                Severity.REMARK,
                "written-as",
                WrittenEvidence.where(years.keySet()),
                "In the column " + Says.quoted(name) + ", " + WrittenEvidence.files(years.keySet())
                        + (years.size() == 1 ? " names" : " name")
                        + " months without a year; the names around them say "
                        + Says.list(new TreeSet<>(years.values())
                                .stream().map(String::valueOf).toList()) + ".",
                "They are the first days of these months.",
                "Say in the column's facts that they stay as written, where that is wrong."));
    }
}
