package cuvee.audit;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.master.MasterFigures.Signed;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Amounts of which some sources say by a sign whether they are debits or credits, and others by a word beside them, {@code DR} or
 * {@code CR}: as they stand they cannot be added up.
 */
final class SignsByMark {
    /** What a column of such words is called: only those are looked at. */
    private static final Pattern CALLED = Pattern.compile(
            "(?i).*\\b(dr|cr|d|c|debit|credit|db|dc|crdr|drcr|sign|indicator|direction|soll|haben|s|h|sens|type)\\b.*");

    private static final Set<String> OUT = Set.of("dr", "d", "db", "debit", "dr.", "soll", "s", "d\u00e9bit", "-");
    private static final Set<String> IN = Set.of("cr", "c", "credit", "cr.", "haben", "h", "cr\u00e9dit", "+");
    /** What an account holds has a sign of its own. */
    private static final Pattern HELD = Pattern.compile("(?i).*(balance|saldo|solde|kontostand).*");

    private static final int FEWEST = 3;

    private SignsByMark() {}

    /** What there is to be said of each column of numbers beside such words. */
    static List<Finding> in(MasterPlan plan, MasterReader reader) {
        List<Integer> marks = IntStream.range(0, plan.columns().size())
                .filter(i -> plan.columns().get(i).type() == Type.TEXT
                        && plan.columns().get(i).part() == MasterPlan.Column.Part.VALUE
                        && CALLED.matcher(plan.columns().get(i).name()).matches())
                .boxed()
                .toList();
        List<Finding> findings = new ArrayList<>();
        for (int mark : marks) {
            for (int number = 0; number < plan.columns().size(); number++) {
                if (plan.addsUp(number)
                        && plan.columns().get(number).part() == MasterPlan.Column.Part.VALUE
                        && !HELD.matcher(plan.columns().get(number).name()).matches()
                        && isMarkedInSomeTables(plan, number, mark)
                        && !isChanged(plan, number)) {
                    look(plan, reader, number, mark, findings);
                }
            }
        }
        return findings;
    }

    private static boolean isMarkedInSomeTables(MasterPlan plan, int number, int mark) {
        boolean some = false;
        boolean others = false;
        for (MasterPlan.Table table : plan.tables()) {
            if (table.feeds().get(number) != null) {
                some |= table.feeds().get(mark) != null;
                others |= table.feeds().get(mark) == null;
            }
        }
        return some && others;
    }

    /** True where a formula changes the column already. */
    private static boolean isChanged(MasterPlan plan, int number) {
        return plan.makings().stream().anyMatch(making -> making.inPlace() && making.column() == number);
    }

    private static void look(MasterPlan plan, MasterReader reader, int number, int mark, List<Finding> findings) {
        Map<String, Signed> byMark = reader.figures().signed(number, mark);
        Signed plain = byMark.getOrDefault("", Signed.NONE);
        List<String> out = byMark.keySet().stream().filter(OUT::contains).toList();
        long marked = byMark.entrySet().stream()
                .filter(each -> !each.getKey().isEmpty())
                .mapToLong(each -> each.getValue().numbers())
                .sum();
        // A column with other words in it is of another sort.
        boolean onlyMarks =
                byMark.keySet().stream().allMatch(word -> word.isEmpty() || OUT.contains(word) || IN.contains(word));
        boolean below = byMark.entrySet().stream()
                .anyMatch(each -> !each.getKey().isEmpty() && each.getValue().below() > 0);
        if (!onlyMarks || out.size() != 1 || marked < FEWEST || below || plain.below() == 0) {
            return;
        }
        String amount = plan.columns().get(number).name();
        String says = out.get(0).length() <= 2 ? out.get(0).toUpperCase(Locale.ROOT) : out.get(0);
        String word = plan.columns().get(mark).name();
        findings.add(new Finding(
                Severity.WARNING,
                "signs-by-mark",
                Where.JOB,
                "In " + Says.count(marked, "row") + " " + Says.quoted(word) + " says whether " + Says.quoted(amount)
                        + " is a debit or a credit, and no number is below 0; in the other "
                        + Says.count(plain.numbers(), "row") + ", " + Says.number(plain.below())
                        + " of the numbers are below 0. Added up, they do not go together.",
                "They are taken as they stand.",
                "To have them alike, write in Rework as the formula of " + Says.quoted(amount) + ": 0 - " + amount
                        + " where " + word + " is " + says + ", else " + amount
                        + "; or, where the others have debits above 0, " + amount + " where " + word + " is " + says
                        + ", else 0 - " + amount + "."));
    }
}
