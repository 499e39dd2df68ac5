package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Laying;
import cuvee.layout.Nature;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Which cells stand for the one above: those with ditto marks, and blank ones, told by the pattern of the blanks, by joined
 * cells, and by what other tables of the batch do with the same words.
 */
final class CarryingDown {
    /** Blanks in a column that is filled more than this are its habit. */
    private static final double MOSTLY_FILLED = 0.9;

    private final Job job;
    private final List<Decision> assumed = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    /** Between a layout and one of its columns, in what a decision is about. */
    static final String OF_A_LAYOUT = " > ";

    /** By the words of columns that have blanks, whatever these are called. */
    private final Map<String, Carriers> carriers = new HashMap<>();

    private final Map<PlacedTable, Map<String, List<TableColumn>>> byKey = new HashMap<>();

    /** In how many tables a word stands. */
    private final Map<String, Integer> tablesOfWord = new HashMap<>();

    /** For the tables of a batch, which have a say in each other. */
    CarryingDown(Job job, List<PlacedTable> tables) {
        this.job = job;
        siblings(tables);
    }

    Said said() {
        return new Said(questions, findings, assumed);
    }

    /**
     * Which cells of each table of a layout stand for those above, by the keys of headers. What Cuvee assumes holds only for
     * tables that look like it; what the analyst says holds for all.
     */
    Map<PlacedTable, Map<String, Origin.Carrying>> of(String signature, List<PlacedTable> same) {
        Map<PlacedTable, Map<String, Laying.Carried>> found = new LinkedHashMap<>();
        for (PlacedTable table : same) {
            Map<String, Laying.Carried> byKey = new LinkedHashMap<>();
            Laying.carried(table)
                    .forEach(each -> byKey.put(LooseText.key(each.column().header()), each));
            found.put(table, byKey);
        }
        Map<PlacedTable, Map<String, Origin.Carrying>> carried = new LinkedHashMap<>();
        same.forEach(table -> carried.put(table, new LinkedHashMap<>()));
        for (TableColumn column : same.get(0).table().columns()) {
            String key = LooseText.key(column.header());
            String subject = signature + OF_A_LAYOUT + key;
            Optional<Decision> decision = job.decision(Kinds.CARRY_DOWN, subject);
            List<PlacedTable> alike = same.stream()
                    .filter(table -> found.getOrDefault(table, Map.of()).containsKey(key))
                    .toList();
            List<PlacedTable> likeSiblings = same.stream()
                    .filter(table -> !alike.contains(table) && siblingsCarry(table, key))
                    .toList();
            List<PlacedTable> once = same.stream()
                    .filter(table -> !alike.contains(table) && !likeSiblings.contains(table) && hasOnce(table, key))
                    .toList();
            List<PlacedTable> categories =
                    once.stream().filter(table -> standElsewhere(table, key)).toList();
            List<PlacedTable> likely = same.stream()
                    .filter(table ->
                            alike.contains(table) || likeSiblings.contains(table) || categories.contains(table))
                    .toList();
            boolean assume = decision.isEmpty() && !likely.isEmpty();
            List<PlacedTable> marked =
                    alike.stream().filter(table -> hasMarks(table, key, found)).toList();
            List<PlacedTable> alikeInBlanks =
                    alike.stream().filter(table -> !marked.contains(table)).toList();
            boolean onlyMarks = !marked.isEmpty() && marked.size() == likely.size();
            if (assume) {
                assumed.add(
                        onlyMarks
                                ? ofMarks(subject, marked.size())
                                : assumption(
                                        subject, key, alikeInBlanks, likeSiblings.size(), categories.size(), found));
            }
            if (assume
                    || decision.filter(each -> each.answer().equals(TableChoice.CARRY))
                            .isPresent()) {
                boolean said = job.isSettled(Kinds.CARRY_DOWN, subject);
                List<PlacedTable> held = said || mostly(likely, same, key) ? same : likely;
                // Whoever writes marks leaves blank what is blank; another sender of the layout may leave it blank
                // instead.
                held.forEach(table -> carried.getOrDefault(table, new LinkedHashMap<>())
                        .put(
                                key,
                                onlyMarks || marked.contains(table) ? Origin.Carrying.MARKS : Origin.Carrying.BLANKS));
                if (!said && !onlyMarks) {
                    List<PlacedTable> blank = same.stream()
                            .filter(table -> !marked.contains(table)
                                    && (likely.contains(table) || held != likely && blanks(table, key) > 0))
                            .toList();
                    List<PlacedTable> unmarked = same.stream()
                            .filter(table -> !marked.contains(table))
                            .toList();
                    doubtful(subject, column, blank, likeSiblings, !categories.isEmpty(), unmarked, found);
                }
            } else if (decision.isEmpty()) {
                once.forEach(table -> findings.add(new Finding(
                        Severity.WARNING,
                        "blank-among-words",
                        table.where(),
                        Says.count(blanks(table, key), "cell") + " of the column " + Says.quoted(column.header())
                                + " are blank, and each of its words stands once.",
                        "They are left blank.",
                        "Where they stand for the cell above, carry the column down in Rework.")));
            }
        }
        return carried;
    }

    /** What the tables of the whole batch do with columns that have blanks, whatever these are called. */
    private void siblings(List<PlacedTable> tables) {
        for (PlacedTable table : tables) {
            table.table().columns().stream()
                    .filter(column -> Nature.of(column.evidence()) == Nature.WORDS)
                    .flatMap(column -> words(column).stream())
                    .distinct()
                    .forEach(word -> tablesOfWord.merge(word, 1, Integer::sum));
            Set<TableColumn> carry = new HashSet<>();
            Laying.carried(table).stream().filter(each -> !each.marks()).forEach(each -> carry.add(each.column()));
            for (TableColumn column : table.table().columns()) {
                long filled = column.evidence().filled();
                if (filled > 0 && table.table().kept() > filled) {
                    boolean another = !column.gaps().firstFilled()
                            || filled > table.table().kept() * MOSTLY_FILLED;
                    for (String word : words(column)) {
                        Carriers all = carriers.computeIfAbsent(word, any -> new Carriers());
                        all.carry += carry.contains(column) ? 1 : 0;
                        all.another += another && !carry.contains(column) ? 1 : 0;
                    }
                }
            }
        }
    }

    /** The columns of a table by the keys of their headers. */
    private List<TableColumn> columns(PlacedTable table, String key) {
        return byKey.computeIfAbsent(
                        table,
                        any -> table.table().columns().stream()
                                .collect(Collectors.groupingBy(column -> LooseText.key(column.header()))))
                .getOrDefault(key, List.of());
    }

    /** In how many tables a word is carried down, and in how many it stands in a column whose blanks say otherwise. */
    private static final class Carriers {
        private int carry;
        private int another;
    }

    private static Set<String> words(TableColumn column) {
        Set<String> words = new HashSet<>();
        column.evidence().oddities().keySet().forEach(word -> words.add(LooseText.key(word)));
        return words;
    }

    /**
     * True where a column begins filled, has blanks, and its words are those that other tables of the batch carry down,
     * under whatever header; few blocks of one row each show no pattern of their own.
     */
    private boolean siblingsCarry(PlacedTable table, String key) {
        return columns(table, key).stream()
                .filter(column -> column.named()
                        && column.gaps().firstFilled()
                        && column.evidence().filled() < table.table().kept()
                        && Nature.of(column.evidence()) == Nature.WORDS)
                .map(CarryingDown::words)
                .anyMatch(words -> {
                    long known =
                            words.stream().filter(word -> carries(word) > 0).count();
                    int carry = words.stream().mapToInt(this::carries).sum();
                    int another = words.stream()
                            .mapToInt(word -> carriers.getOrDefault(word, new Carriers()).another)
                            .sum();
                    return known > 0 && known * 2 >= words.size() && carry > another;
                });
    }

    private static boolean hasOnce(PlacedTable table, String key) {
        return Laying.wordsOnce(table).stream()
                .anyMatch(column -> LooseText.key(column.header()).equals(key));
    }

    /** True where half of a column's words stand in another table too: then they are categories, and no names of rows. */
    private boolean standElsewhere(PlacedTable table, String key) {
        return columns(table, key).stream().map(CarryingDown::words).anyMatch(words -> {
            long shared = words.stream()
                    .filter(word -> tablesOfWord.getOrDefault(word, 0) > 1)
                    .count();
            return shared * 2 >= words.size();
        });
    }

    private int carries(String word) {
        return carriers.getOrDefault(word, new Carriers()).carry;
    }

    /** True where most tables of a layout that have blanks in a column carry it down: what they do holds for the others. */
    private boolean mostly(List<PlacedTable> alike, List<PlacedTable> same, String key) {
        List<PlacedTable> blank = same.stream()
                .filter(table -> !alike.contains(table) && blanks(table, key) > 0)
                .toList();
        boolean begin = blank.stream()
                .flatMap(table -> columns(table, key).stream())
                .allMatch(column -> column.gaps().firstFilled());
        return !blank.isEmpty() && begin && alike.size() > blank.size();
    }

    private static Decision assumption(
            String subject,
            String key,
            List<PlacedTable> alike,
            int likeSiblings,
            int categories,
            Map<PlacedTable, Map<String, Laying.Carried>> found) {
        String reason = categories > 0 && alike.isEmpty() && likeSiblings == 0
                ? "each of its words stands once, and the same words stand in other tables"
                : alike.isEmpty()
                        ? "other tables carry the same words down"
                        : ofHeads(key, alike, found)
                                ? "its cells stand in rows that fill nothing that the rows below them fill"
                                : merged(key, alike, found)
                                        ? "its cells are joined over the rows that they stand for"
                                        : "it is filled in the first row of each block only, the other columns throughout";
        return new Decision(
                Kinds.CARRY_DOWN,
                subject,
                TableChoice.CARRY,
                reason,
                Says.count(alike.size() + likeSiblings + categories, "table"));
    }

    private static boolean ofHeads(
            String key, List<PlacedTable> alike, Map<PlacedTable, Map<String, Laying.Carried>> found) {
        return alike.stream()
                .map(table -> found.getOrDefault(table, Map.of()).get(key))
                .allMatch(each -> each != null && each.column().gaps().ofHeads());
    }

    private static Decision ofMarks(String subject, int tables) {
        return new Decision(
                Kinds.CARRY_DOWN, subject, TableChoice.CARRY, "ditto marks stand in it", Says.count(tables, "table"));
    }

    private static boolean hasMarks(
            PlacedTable table, String key, Map<PlacedTable, Map<String, Laying.Carried>> found) {
        Laying.Carried carried = found.getOrDefault(table, Map.of()).get(key);
        return carried != null && carried.marks();
    }

    private static boolean merged(
            String key, List<PlacedTable> alike, Map<PlacedTable, Map<String, Laying.Carried>> found) {
        return alike.stream()
                .map(table -> found.getOrDefault(table, Map.of()).get(key))
                .allMatch(each -> each != null && each.merged());
    }

    /** Asks where only the pattern of the blanks speaks for it; says which tables have blanks of another pattern. */
    private void doubtful(
            String subject,
            TableColumn column,
            List<PlacedTable> alike,
            List<PlacedTable> likeSiblings,
            boolean once,
            List<PlacedTable> same,
            Map<PlacedTable, Map<String, Laying.Carried>> found) {
        String key = LooseText.key(column.header());
        boolean pattern = alike.stream().anyMatch(table -> !likeSiblings.contains(table));
        if (pattern && !merged(key, alike, found) && (once || !blocks(key, alike))) {
            long blanks = alike.stream().mapToLong(table -> blanks(table, key)).sum();
            questions.add(Question.of(
                    Kinds.CARRY_DOWN,
                    subject,
                    alike.get(0).where(),
                    "The column " + Says.quoted(column.header())
                            + " is filled in some rows only, as if in the first of each block. Do the "
                            + Says.count(blanks, "blank cell") + " below stand for the value above them?",
                    TableChoice.CARRY,
                    List.of(
                            new Answer(TableChoice.CARRY, "yes, carry each value down to the next"),
                            new Answer(TableChoice.LEAVE, "no, they are blank")),
                    blanks));
        }
        for (PlacedTable table : same) {
            if (!alike.contains(table) && blanks(table, key) > 0) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "not-carried",
                        table.where(),
                        Says.count(blanks(table, key), "cell") + " of the column " + Says.quoted(column.header())
                                + " are blank here in another way than in the other tables of its layout.",
                        "They are left blank.",
                        "Settle it in Rework for all tables of the layout."));
            }
        }
    }

    /**
     * True where totals stand between the blocks, or other tables have the same words, whatever their layout, and none
     * leaves them out in another way: then they are categories.
     */
    private boolean blocks(String key, List<PlacedTable> alike) {
        boolean shared = false;
        boolean totals = true;
        for (PlacedTable table : alike) {
            shared |= standElsewhere(table, key);
            for (TableColumn column : columns(table, key)) {
                boolean otherwise = words(column).stream()
                        .anyMatch(word -> carriers.getOrDefault(word, new Carriers()).another > 0);
                if (otherwise) {
                    return false;
                }
                totals &= Laying.endsAtTotals(table.table(), column);
            }
        }
        return shared || totals;
    }

    private long blanks(PlacedTable table, String key) {
        return columns(table, key).stream()
                .mapToLong(column -> table.table().kept() - column.evidence().filled())
                .sum();
    }
}
