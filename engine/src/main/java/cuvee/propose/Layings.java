package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.decision.Turned;
import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Aside;
import cuvee.detect.TableColumn;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Across;
import cuvee.layout.Laying;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.layout.Signatures;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Decides how tables are laid out for the master: columns that run across become rows, blank cells stand for the one
 * above, section lines become columns. Tables of one layout are decided together.
 */
public final class Layings implements Draft.Step {

    /** What a column of turned amounts is called where nothing names it. */
    public static final String AMOUNT = "Amount";
    /** What values that are words are called. */
    static final String VALUE = "Value";

    /** Blanks in a column that is filled more than this are its habit. */
    private static final double MOSTLY_FILLED = 0.9;

    private final Job job;
    private final List<Decision> assumed = new ArrayList<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Set<String> replaced = new HashSet<>();
    private String amount = AMOUNT;

    /** By the words of columns that have blanks, whatever these are called. */
    private final Map<String, Carriers> carriers = new HashMap<>();

    /** In how many tables a word stands. */
    private final Map<String, Integer> tablesOfWord = new HashMap<>();

    Layings(Job job) {
        this.job = job;
    }

    @Override
    public Draft on(Draft draft) {
        List<PlacedTable> laid = lay(draft.laid());
        return draft.withLaid(laid, replaced).saying(new Said(questions, findings, assumed));
    }

    /** The tables as they go into the master, in the same order. */
    private List<PlacedTable> lay(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> layouts = new LinkedHashMap<>();
        Map<PlacedTable, Across> across = new LinkedHashMap<>();
        for (PlacedTable table : tables) {
            Optional<Across> found = Across.of(table.table());
            found.ifPresent(block -> across.put(table, block));
            String signature =
                    found.map(block -> Signatures.turned(table.table(), block)).orElse(table.signature());
            layouts.computeIfAbsent(signature, s -> new ArrayList<>()).add(table);
        }
        if (!across.isEmpty()) {
            amount = amountSoFar().or(() -> ValueName.in(tables, across)).orElse(holdWords(across) ? VALUE : AMOUNT);
        }
        siblings(tables);
        Map<PlacedTable, PlacedTable> laid = new LinkedHashMap<>();
        layouts.forEach((signature, same) -> {
            Optional<Turned> turn = turn(signature, same, across);
            Map<PlacedTable, Set<String>> carried = carried(signature, same);
            List<String> lines = lines(signature, same, tables);
            for (PlacedTable table : same) {
                Laying laying = new Laying(
                        turn.flatMap(decided -> of(decided, table, across.get(table))),
                        carried.getOrDefault(table, Set.of()),
                        lines);
                laid.put(table, laying.of(table));
                replaced.addAll(otherwise(signature, table, across.get(table), turn.isPresent()));
                laying.turn().ifPresent(it -> compareTotals(table, it.across()));
            }
        });
        return tables.stream().map(table -> laid.getOrDefault(table, table)).toList();
    }

    /** What the values are called in what has been decided, so that a new layout calls them the same. */
    private Optional<String> amountSoFar() {
        return job.assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .map(decision -> job.decision(Kinds.ACROSS, decision.subject()).orElse(decision))
                .flatMap(decision -> Turned.of(decision.answer()).stream())
                .filter(turn -> turn.values().size() == 1)
                .map(turn -> turn.values().get(0))
                .findFirst();
    }

    /** The keys of a table's columns if it were laid out otherwise. */
    private Set<String> otherwise(String signature, PlacedTable table, @Nullable Across across, boolean turned) {
        Set<String> keys = new HashSet<>();
        if (turned) {
            table.columns().forEach(column -> keys.add(LooseText.key(column.header())));
        } else if (across != null) {
            names(table, across, amount).forEach(name -> keys.add(LooseText.key(name)));
        }
        job.assumed().stream()
                .filter(decision -> decision.subject().equals(signature))
                .filter(decision -> decision.kind().equals(Kinds.SECTION_LINE)
                        || decision.kind().equals(Kinds.ACROSS))
                .flatMap(
                        decision -> Turned.of(decision.answer())
                                .map(Turned::names)
                                .orElseGet(() -> Names.splitTexts(decision.answer()))
                                .stream())
                .forEach(name -> keys.add(LooseText.key(name)));
        return keys;
    }

    // ---- columns that run across ----

    /** How a table is turned; empty where its columns are no sequence, and none were named. */
    private static Optional<Laying.Turn> of(Turned turned, PlacedTable table, @Nullable Across found) {
        Optional<Across> across = turned.stays().isEmpty()
                ? Optional.ofNullable(found)
                : Across.allBut(table.table(), stays(turned), turned.label());
        return across.map(block -> new Laying.Turn(block, turned.label(), names(turned, block), turned.blanks()));
    }

    /** True where most of the columns that run across hold words, such as who was present. */
    private static boolean holdWords(Map<PlacedTable, Across> across) {
        int words = 0;
        int all = 0;
        for (Map.Entry<PlacedTable, Across> each : across.entrySet()) {
            Set<Integer> members = each.getValue().columns();
            for (TableColumn column : each.getKey().table().columns()) {
                if (members.contains(column.index())) {
                    all++;
                    words += Nature.of(column.evidence()) == Nature.WORDS ? 1 : 0;
                }
            }
        }
        return words * 2 > all;
    }

    /** The keys of the columns that stay, where the analyst named those. */
    private static Set<String> stays(Turned turned) {
        return turned.stays().stream().map(LooseText::key).collect(Collectors.toSet());
    }

    private static List<String> names(Turned turned, Across block) {
        List<String> groups = List.copyOf(block.groups().keySet());
        List<String> names = new ArrayList<>(turned.values());
        for (int i = names.size(); i < groups.size(); i++) {
            names.add(groups.get(i).isEmpty() ? AMOUNT : groups.get(i));
        }
        return names;
    }

    private Optional<Turned> turn(String signature, List<PlacedTable> same, Map<PlacedTable, Across> across) {
        Optional<Decision> decision = job.decision(Kinds.ACROSS, signature).or(() -> byStays(job, same.get(0)));
        PlacedTable first = same.get(0);
        Across block = across.get(first);
        if (decision.isPresent()) {
            if (block != null && !job.isSettled(Kinds.ACROSS, signature)) {
                askNumbered(signature, same, across, decision.get().answer());
            }
            return Turned.of(decision.get().answer());
        }
        boolean known = same.stream()
                .anyMatch(
                        table -> across.get(table) != null && across.get(table).sure() != Across.Sureness.FEW);
        if (block == null || !known) {
            pointOut(first, block != null);
            return Optional.empty();
        }
        String answer = Turned.into(names(first, block, amount));
        assumed.add(new Decision(
                Kinds.ACROSS,
                signature,
                answer,
                "the columns " + Says.quoted(block.labels().get(0)) + " to "
                        + Says.quoted(block.labels().get(block.labels().size() - 1))
                        + " are members of one sequence over values of one type"
                        + (block.totals().isEmpty()
                                ? ""
                                : "; "
                                        + Says.quoted(
                                                block.totals().get(0).column().header())
                                        + " says what all of them come to"),
                Says.count(same.size(), "table")));
        askNumbered(signature, same, across, answer);
        return Turned.of(answer);
    }

    /** Headers that run across over values of several kinds, or over too few members, stay columns, which is said. */
    private void pointOut(PlacedTable table, boolean few) {
        List<String> members = Across.sequence(table.table());
        if (!members.isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "block-across",
                    table.where(),
                    "The columns "
                            + Says.list(members.stream().map(Says::quoted).toList())
                            + " run across like one sequence, but "
                            + (few
                                    ? "it has too few members to be sure of that."
                                    : "not all of them hold the same kind of value."),
                    "They stay columns, one for each.",
                    "Look at it in Read; there the columns behind a selected one can be turned into rows."));
        }
    }

    /** A decision of the analyst that names the columns that stay holds for every layout that has them. */
    public static Optional<Decision> byStays(Job job, PlacedTable table) {
        Set<String> keys = table.table().columns().stream()
                .map(column -> LooseText.key(column.header()))
                .collect(Collectors.toSet());
        return job.settled().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .filter(decision -> Turned.of(decision.answer())
                        .filter(turn -> !turn.stays().isEmpty() && keys.containsAll(stays(turn)))
                        .isPresent())
                .findFirst();
    }

    /** The names that turned columns get where nothing has been decided. */
    public static List<String> names(PlacedTable table, Across block, String amount) {
        Set<String> taken = new HashSet<>();
        Set<Integer> across = block.columns();
        table.table().columns().stream()
                .filter(column -> !across.contains(column.index()))
                .forEach(column -> taken.add(LooseText.key(column.header())));
        List<String> names = new ArrayList<>();
        names.add(free(block.label(), taken));
        block.groups().keySet().forEach(group -> names.add(free(group.isEmpty() ? amount : group, taken)));
        return names;
    }

    private static String free(String name, Set<String> taken) {
        String free = name;
        for (int copy = 2; !taken.add(LooseText.key(free)); copy++) {
            free = name + " (" + copy + ")";
        }
        return free;
    }

    /** Numbered columns can be a sequence or things of their own: taken for a sequence, and asked about. */
    private void askNumbered(String signature, List<PlacedTable> same, Map<PlacedTable, Across> across, String answer) {
        Across block = across.get(same.get(0));
        if (block == null || block.sure() != Across.Sureness.NUMBERED || job.isSettled(Kinds.ACROSS, signature)) {
            return;
        }
        String members = Says.quoted(block.labels().get(0)) + " to "
                + Says.quoted(block.labels().get(block.labels().size() - 1));
        long rows = same.stream().mapToLong(table -> table.table().kept()).sum();
        String turn = answer.equals(TableChoice.LEAVE) ? Turned.into(names(same.get(0), block, amount)) : answer;
        questions.add(Question.of(
                Kinds.ACROSS,
                signature,
                same.get(0).where(),
                "The columns " + members + " run across in " + Says.count(same.size(), "table")
                        + ". Should each be a row?",
                answer,
                List.of(
                        new Answer(turn, "yes, a row for each of them"),
                        new Answer(TableChoice.LEAVE, "no, they stay columns")),
                rows));
    }

    /** Columns of totals among those that run across are left out, and compared with what they add up. */
    private void compareTotals(PlacedTable table, Across across) {
        for (Across.TotalColumn total : across.totals()) {
            if (!total.agrees()) {
                int header = table.table().headerRows().stream().reduce(0, Math::max);
                findings.add(new Finding(
                        Severity.WARNING,
                        "stated-total",
                        table.where().cell(header, total.column().index() + 1),
                        "The column " + Says.quoted(total.column().header()) + " adds up to "
                                + Says.number(total.stated()) + ", but the columns that it should add up come to "
                                + Says.number(total.added()) + ", a difference of "
                                + Says.number(total.stated() - total.added()) + ".",
                        "It is left out as a total; the other columns are kept as they are.",
                        "Ask the sender which of the two is right."));
            }
        }
    }

    // ---- carried down ----

    /**
     * The keys of the headers whose cells are carried down in each table of a layout. What Cuvee assumes holds only for
     * tables that look like it; what the analyst says holds for all.
     */
    private Map<PlacedTable, Set<String>> carried(String signature, List<PlacedTable> same) {
        Map<PlacedTable, Map<String, Laying.Carried>> found = new LinkedHashMap<>();
        for (PlacedTable table : same) {
            Map<String, Laying.Carried> byKey = new LinkedHashMap<>();
            Laying.carried(table)
                    .forEach(each -> byKey.put(LooseText.key(each.column().header()), each));
            found.put(table, byKey);
        }
        Map<PlacedTable, Set<String>> carried = new LinkedHashMap<>();
        same.forEach(table -> carried.put(table, new LinkedHashSet<>()));
        for (TableColumn column : same.get(0).table().columns()) {
            String key = LooseText.key(column.header());
            String subject = signature + " > " + key;
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
            List<PlacedTable> carrying = same.stream()
                    .filter(table ->
                            alike.contains(table) || likeSiblings.contains(table) || categories.contains(table))
                    .toList();
            boolean assume = decision.isEmpty() && !carrying.isEmpty();
            if (assume) {
                assumed.add(assumption(subject, key, alike, likeSiblings.size(), categories.size(), found));
            }
            if (assume
                    || decision.filter(each -> each.answer().equals(TableChoice.CARRY))
                            .isPresent()) {
                boolean said = job.isSettled(Kinds.CARRY_DOWN, subject);
                List<PlacedTable> held = said || mostly(carrying, same, key) ? same : carrying;
                held.forEach(
                        table -> carried.getOrDefault(table, new HashSet<>()).add(key));
                if (!said) {
                    List<PlacedTable> blank = held == carrying
                            ? carrying
                            : same.stream()
                                    .filter(table -> carrying.contains(table) || blanks(table, key) > 0)
                                    .toList();
                    doubtful(subject, column, blank, likeSiblings, !categories.isEmpty(), same, found);
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
        carriers.clear();
        tablesOfWord.clear();
        for (PlacedTable table : tables) {
            table.table().columns().stream()
                    .filter(column -> Nature.of(column.evidence()) == Nature.WORDS)
                    .flatMap(column -> words(column).stream())
                    .distinct()
                    .forEach(word -> tablesOfWord.merge(word, 1, Integer::sum));
            Set<TableColumn> carry = new HashSet<>();
            Laying.carried(table).forEach(each -> carry.add(each.column()));
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
        return table.table().columns().stream()
                .filter(column -> LooseText.key(column.header()).equals(key))
                .filter(column -> column.named()
                        && column.gaps().firstFilled()
                        && column.evidence().filled() < table.table().kept()
                        && Nature.of(column.evidence()) == Nature.WORDS)
                .map(Layings::words)
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
        return table.table().columns().stream()
                .filter(column -> LooseText.key(column.header()).equals(key))
                .map(Layings::words)
                .anyMatch(words -> {
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
                .flatMap(table -> table.table().columns().stream())
                .filter(column -> LooseText.key(column.header()).equals(key))
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
            for (TableColumn column : table.table().columns()) {
                if (LooseText.key(column.header()).equals(key)) {
                    boolean otherwise = words(column).stream()
                            .anyMatch(word -> carriers.getOrDefault(word, new Carriers()).another > 0);
                    if (otherwise) {
                        return false;
                    }
                    totals &= Laying.endsAtTotals(table.table(), column);
                }
            }
        }
        return shared || totals;
    }

    private static long blanks(PlacedTable table, String key) {
        return table.table().columns().stream()
                .filter(column -> LooseText.key(column.header()).equals(key))
                .mapToLong(column -> table.table().kept() - column.evidence().filled())
                .sum();
    }

    // ---- section lines ----

    private List<String> lines(String signature, List<PlacedTable> same, List<PlacedTable> all) {
        FoundTable first = same.get(0).table();
        if (first.sections().isEmpty()) {
            return List.of();
        }
        Optional<Decision> decision = job.decision(Kinds.SECTION_LINE, signature);
        if (decision.isPresent()) {
            return decision.get().answer().equals(TableChoice.LEAVE)
                    ? List.of()
                    : Names.splitTexts(decision.get().answer());
        }
        boolean two =
                same.stream().anyMatch(table -> Laying.levels(table.table()).contains(2));
        Set<String> taken = new HashSet<>();
        first.columns().forEach(column -> taken.add(LooseText.key(column.header())));
        List<String> names = new ArrayList<>();
        Optional<String> blank = two ? Optional.empty() : Laying.blankBesideLines(first);
        blank.ifPresent(names::add);
        for (int level = names.size() + 1; level <= (two ? 2 : 1); level++) {
            names.add(free(lineName(same, level, all), taken));
        }
        assumed.add(new Decision(
                Kinds.SECTION_LINE,
                signature,
                Names.joinTexts(names),
                "lines such as " + Says.quoted(first.sections().get(0).text()) + " head the rows below them",
                Says.count(
                        same.stream()
                                .mapToLong(table -> table.table().sections().size())
                                .sum(),
                        "line")));
        return names;
    }

    /** What a column of section lines is called: their label, else the header over the same words elsewhere. */
    private static String lineName(List<PlacedTable> same, int level, List<PlacedTable> all) {
        Set<String> labels = new LinkedHashSet<>();
        Set<String> texts = new HashSet<>();
        for (PlacedTable table : same) {
            List<Aside> sections = table.table().sections();
            List<Integer> levels = Laying.levels(table.table());
            for (int i = 0; i < sections.size(); i++) {
                if (levels.get(i) == level) {
                    labels.add(Laying.label(sections.get(i)));
                    texts.add(LooseText.key(Laying.text(sections.get(i))));
                }
            }
        }
        if (labels.size() == 1 && !labels.contains("")) {
            return labels.iterator().next();
        }
        for (PlacedTable table : all) {
            for (TableColumn column : table.table().columns()) {
                Set<String> words = column.evidence().oddities().keySet().stream()
                        .map(LooseText::key)
                        .collect(Collectors.toSet());
                long shared = texts.stream().filter(words::contains).count();
                if (shared >= 2 && shared * 2 >= texts.size() && column.named()) {
                    return column.header();
                }
            }
        }
        return level == 1 ? "Section" : "Subsection";
    }
}
