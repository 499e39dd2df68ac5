package cuvee.audit;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Origin;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/** Tables that hold a day, a month and a year in columns of their own where the others hold a date: theirs is blank. */
public final class DatesInParts {
    private static final Set<String> DAY = Set.of("day", "tag", "jour", "dia", "giorno", "dag", "dd");
    private static final Set<String> MONTH = Set.of("month", "monat", "mois", "mes", "mese", "maand", "mm");
    private static final Set<String> YEAR =
            Set.of("year", "jahr", "annee", "ano", "anno", "jaar", "yyyy", "jjjj", "yy");

    private DatesInParts() {}

    /** A warning for each date column that such tables leave blank, with the words that fill it. */
    public static List<Finding> findings(MasterPlan plan) {
        Optional<Integer> day = column(plan, DAY);
        Optional<Integer> month = column(plan, MONTH);
        Optional<Integer> year = column(plan, YEAR);
        List<Finding> findings = new ArrayList<>();
        if (day.isEmpty() || month.isEmpty() || year.isEmpty()) {
            return findings;
        }
        List<MasterPlan.Table> inParts = plan.tables().stream()
                .filter(table -> fills(table, day.get()) && fills(table, month.get()) && fills(table, year.get()))
                .toList();
        for (int date = 0; date < plan.columns().size(); date++) {
            int at = date;
            List<MasterPlan.Table> blank =
                    inParts.stream().filter(table -> !fills(table, at)).toList();
            boolean othersFill = plan.tables().stream()
                    .filter(table -> !inParts.contains(table))
                    .allMatch(table -> fills(table, at));
            if (plan.columns().get(at).type().hasDay()
                    && !blank.isEmpty()
                    && blank.equals(inParts)
                    && othersFill
                    && inParts.size() < plan.tables().size()) {
                findings.add(finding(plan, at, blank, List.of(day.get(), month.get(), year.get())));
            }
        }
        return findings;
    }

    private static Finding finding(MasterPlan plan, int date, List<MasterPlan.Table> blank, List<Integer> parts) {
        String name = plan.columns().get(date).name();
        List<String> names =
                parts.stream().map(part -> plan.columns().get(part).name()).toList();
        return new Finding(
                Severity.WARNING,
                "date-in-parts",
                Where.sheet(blank.get(0).source(), blank.get(0).sheet()),
                Says.count(blank.size(), "table") + (blank.size() == 1 ? " has" : " have") + " no "
                        + Says.quoted(name) + " but "
                        + Says.list(names.stream().map(Says::quoted).toList()) + ".",
                Says.quoted(name) + " is blank there.",
                "Fill it in Rework: " + name + " where " + name + " is filled, else date in (" + names.get(2)
                        + " then \"-\" then " + names.get(1) + " then \"-\" then " + names.get(0) + ").");
    }

    private static Optional<Integer> column(MasterPlan plan, Set<String> words) {
        return IntStream.range(0, plan.columns().size())
                .filter(i -> words.contains(LooseText.key(plan.columns().get(i).name())))
                .boxed()
                .findFirst();
    }

    private static boolean fills(MasterPlan.Table table, int column) {
        MasterPlan.Feed feed = table.feeds().get(column);
        return feed != null && (feed.origin() instanceof Origin.Cell || feed.origin() instanceof Origin.At);
    }
}
