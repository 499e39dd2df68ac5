package cuvee.rework;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan;
import cuvee.master.RowRule;
import cuvee.tag.NameParts;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Files of which a later one amends an earlier: of their rows with one key those of the newest file stay, and all others
 * stay too. The rows that were amended are set aside before any rule of the analyst looks at them.
 */
public final class Amendments {
    /** The kind of the decisions; the subject is the paths of the files. */
    public static final String KIND = "sent-again";

    private static final String AMEND = "amend";

    private Amendments() {}

    /**
     * The words of an answer by which later files amend earlier ones.
     *
     * @param columns those that make up the key; all that are no numbers where none is named
     */
    public static String answer(List<String> columns) {
        List<String> parts = new ArrayList<>(List.of(AMEND));
        parts.addAll(columns);
        return Names.joinTexts(parts);
    }

    /** The columns of the key that an answer names; empty where it does not amend. */
    public static Optional<List<String>> columns(String answer) {
        List<String> parts = Names.splitTexts(answer);
        return parts.get(0).equals(AMEND) ? Optional.of(parts.subList(1, parts.size())) : Optional.empty();
    }

    /** What the job has decided, what is settled before what is assumed. */
    static List<Decision> decisions(Job job) {
        Map<String, Decision> bySubject = new LinkedHashMap<>();
        job.assumed().forEach(decision -> bySubject.put(decision.id(), decision));
        job.settled().forEach(decision -> bySubject.put(decision.id(), decision));
        return bySubject.values().stream()
                .filter(decision -> decision.kind().equals(KIND)
                        && columns(decision.answer()).isPresent())
                .toList();
    }

    /** The rule of a decision over the tables of a plan; empty where not two of its files are there, or the key is not. */
    static Optional<RowRule> rule(Decision decision, MasterPlan plan, Known known, Map<String, Long> modified) {
        Set<String> paths = new HashSet<>(Names.splitTexts(decision.subject()));
        List<MasterPlan.Table> tables = plan.tables().stream()
                .filter(table -> paths.contains(table.source()))
                .sorted(Comparator.comparingLong((MasterPlan.Table table) -> modified.getOrDefault(table.source(), 0L))
                        .thenComparing((MasterPlan.Table table) -> NameParts.marksVersion(table.source()))
                        .thenComparing(MasterPlan.Table::source)
                        .reversed())
                .toList();
        List<Integer> keys = keys(columns(decision.answer()).orElse(List.of()), plan, tables, known);
        if (tables.stream().map(MasterPlan.Table::source).distinct().count() < 2 || keys.isEmpty()) {
            return Optional.empty();
        }
        List<Integer> newest = tables.stream().map(MasterPlan.Table::id).toList();
        return Optional.of(new RowRule.Equal(keys, RowRule.Equal.Stays.OF_THE_NEWEST_FILE, newest, newest));
    }

    private static List<Integer> keys(List<String> names, MasterPlan plan, List<MasterPlan.Table> tables, Known known) {
        List<Integer> keys = new ArrayList<>();
        if (!names.isEmpty()) {
            names.forEach(name -> keys.add(known.at(name)));
            return keys.contains(-1) ? List.of() : keys;
        }
        for (int i = 0; i < plan.columns().size(); i++) {
            int column = i;
            boolean inAll = tables.stream()
                    .allMatch(table ->
                            column < table.feeds().size() && table.feeds().get(column) != null);
            if (inAll && !plan.columns().get(i).type().isNumber()) {
                keys.add(i);
            }
        }
        return keys;
    }
}
