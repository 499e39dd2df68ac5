package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.decision.Turned;
import cuvee.detect.TableColumn;
import cuvee.detect.TotalWords;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Evidence;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Columns of some tables whose names are the values of a column in another: Peak and Off-peak, where another table has
 * these words below Register, beside one column of numbers. They say the same in two ways; as rows they can be one column.
 */
final class NamesAsValues {
    private static final int FEWEST = 2;

    private final List<Rows> tables;

    NamesAsValues(List<PlacedTable> all) {
        this.tables = all.stream().flatMap(table -> Rows.of(table).stream()).toList();
    }

    /**
     * A table that has the names as values.
     *
     * @param label the column that holds them
     * @param value the only column of numbers
     * @param others the keys of the other headers
     */
    private record Rows(PlacedTable table, TableColumn label, TableColumn value, Set<String> others) {
        static Optional<Rows> of(PlacedTable table) {
            List<TableColumn> columns = table.table().columns();
            List<TableColumn> numbers = columns.stream()
                    .filter(column -> Nature.of(column.evidence()) == Nature.NUMBERS)
                    .toList();
            if (numbers.size() != 1 || table.table().isForm()) {
                return Optional.empty();
            }
            return columns.stream()
                    .filter(column -> column.named()
                            && isOfFewWords(column.evidence(), table.table().kept()))
                    .reduce((one, other) -> other)
                    .map(label -> new Rows(
                            table,
                            label,
                            numbers.get(0),
                            columns.stream()
                                    .filter(column -> column.index() != label.index()
                                            && column.index() != numbers.get(0).index())
                                    .map(column -> LooseText.key(column.header()))
                                    .collect(Collectors.toSet())));
        }

        /** True for a column that is filled in every row, with a few words again and again. */
        private static boolean isOfFewWords(Evidence evidence, long rows) {
            Map<String, Long> words = evidence.oddities();
            long known = words.values().stream().mapToLong(times -> times).sum();
            return words.size() >= FEWEST
                    && words.size() * 2L <= rows
                    && known == rows
                    && evidence.oddValues() == known;
        }

        Set<String> names() {
            return label.evidence().oddities().keySet();
        }
    }

    /** The columns of a layout that are rows elsewhere, become rows: what is assumed, and asked. */
    record Proposal(Decision decision, Question question) {}

    /** What is proposed for the tables of a layout; empty where their columns are no values elsewhere. */
    Optional<Proposal> of(String signature, List<PlacedTable> same) {
        PlacedTable first = same.get(0);
        return first.table().isForm()
                ? Optional.empty()
                : tables.stream()
                        .filter(other -> !other.table().signature().equals(first.signature()))
                        .flatMap(other ->
                                stays(first, other).stream().map(stays -> propose(signature, same, other, stays)))
                        .findFirst();
    }

    /** The columns of a table that stay beside those that are values of another; empty where that is not all of them. */
    private static Optional<List<String>> stays(PlacedTable wide, Rows other) {
        Map<String, TableColumn> byKey = new HashMap<>();
        wide.table().columns().forEach(column -> byKey.put(LooseText.key(column.header()), column));
        Set<String> members = other.names().stream().map(LooseText::key).collect(Collectors.toSet());
        boolean numbers = members.stream()
                .allMatch(key ->
                        byKey.containsKey(key) && Nature.of(byKey.get(key).evidence()) == Nature.NUMBERS);
        if (!numbers
                || members.size() < FEWEST
                || byKey.containsKey(LooseText.key(other.label().header()))) {
            return Optional.empty();
        }
        List<String> stays = new ArrayList<>();
        boolean shared = false;
        for (TableColumn column : wide.table().columns()) {
            String key = LooseText.key(column.header());
            boolean total = TotalWords.of(column.header()) == TotalWords.Sureness.WHOLLY;
            if (members.contains(key) || total) {
                continue;
            }
            shared |= other.others().contains(key);
            if (Nature.of(column.evidence()) == Nature.NUMBERS
                    && !other.others().contains(key)) {
                return Optional.empty();
            }
            stays.add(column.header());
        }
        return shared ? Optional.of(stays) : Optional.empty();
    }

    private static Proposal propose(String signature, List<PlacedTable> same, Rows other, List<String> stays) {
        String answer = Turned.allBut(
                stays, List.of(other.label().header(), other.value().header()));
        String names = Says.list(other.names().stream().map(Says::quoted).toList());
        long rows = same.stream().mapToLong(table -> table.table().kept()).sum();
        return new Proposal(
                new Decision(
                        Kinds.ACROSS,
                        signature,
                        answer,
                        names + " are values of the column "
                                + Says.quoted(other.label().header()) + " in "
                                + other.table().source(),
                        Says.count(same.size(), "table")),
                Question.of(
                        Kinds.ACROSS,
                        signature,
                        same.get(0).where(),
                        names + " are columns in " + Says.count(same.size(), "table") + ", and values of the column "
                                + Says.quoted(other.label().header()) + " in "
                                + other.table().source() + ". Should each of these columns be a row there too?",
                        answer,
                        List.of(
                                new Answer(
                                        answer,
                                        "yes, a row for each, with its name in "
                                                + Says.quoted(other.label().header()) + " and its number in "
                                                + Says.quoted(other.value().header())),
                                new Answer(TableChoice.LEAVE, "no, they stay columns")),
                        rows));
    }
}
