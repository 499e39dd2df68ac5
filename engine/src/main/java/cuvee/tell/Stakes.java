package cuvee.tell;

import cuvee.check.Reconciled;
import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Delivery;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.LooseText;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * What is at stake in open questions: the rows of the tables that they are about, and the amounts of those rows in the
 * column by which the master is weighed. A question about a column puts amounts at stake where it is that column, or one
 * that a rule, a check, a summary, a made column or a delivery goes by; another answer would leave all amounts as they are
 * otherwise.
 */
public final class Stakes {
    private static final Set<String> OF_LAYOUTS = Set.of(Kinds.CARRY_DOWN, Kinds.ACROSS, Kinds.SECTION_LINE);
    private static final String HEADER = " > ";
    /** Kinds of decisions that say what a column is; none of them goes by it. */
    private static final Set<String> OF_THE_COLUMN = Set.of(
            Kinds.LINE_UP,
            Kinds.TYPE,
            Kinds.COLUMN,
            Kinds.DECIMAL_MARK,
            Kinds.DATE_ORDER,
            Kinds.WRITTEN_AS,
            Kinds.SIGN,
            Kinds.CURRENCY,
            Kinds.BLANK_SOURCE,
            Kinds.YES_NO_WORDS,
            Kinds.TAG,
            Kinds.WEIGHED_BY,
            Kinds.IN_VIEW);

    private final Outcome outcome;
    private final MasterPlan plan;
    private final OptionalInt weighing;
    private final Map<Integer, PlacedTable> placed = new HashMap<>();
    /** The sums of the master's columns by their places, and by table. */
    private final Map<Integer, Map<Integer, BigDecimal>> sums = new HashMap<>();

    private final Map<String, Boolean> used = new HashMap<>();

    /**
     * What is at stake.
     *
     * @param amount in the weighing column; 0 where no amount is
     * @param column the weighing column, with its currency; empty where the master has none
     */
    public record Stake(long rows, BigDecimal amount, String column) {
        public boolean hasAmount() {
            return amount.signum() != 0;
        }

        /** The amount with its column; "no amount" where there is none. */
        public String amountSaid() {
            return hasAmount() ? said(amount) + " " + column : "no amount";
        }

        /** All of it. */
        public String said() {
            String rowsSaid = rows > 0 ? Says.count(rows, "row") : "no row";
            return hasAmount() ? rowsSaid + " with " + amountSaid() : rowsSaid;
        }

        static String said(BigDecimal amount) {
            return String.format(Locale.ROOT, amount.scale() <= 0 ? "%,.0f" : "%,.2f", amount);
        }
    }

    private Stakes(Outcome outcome) {
        this.outcome = outcome;
        this.plan = outcome.proposal().plan();
        this.weighing = WeighingColumn.at(outcome.job(), outcome.proposal().columns());
        outcome.proposal().layouts().forEach(layout -> layout.tables().forEach(table -> placed.put(table.id(), table)));
        for (Reconciled.Line line : outcome.reconciled().lines()) {
            sums.computeIfAbsent(line.column(), column -> new HashMap<>())
                    .merge(line.table(), scaled(line), BigDecimal::add);
        }
    }

    /** The sum of a column with decimals, unless it holds whole numbers. */
    private BigDecimal scaled(Reconciled.Line line) {
        boolean whole = plan.columns().get(line.column()).type() == Type.WHOLE_NUMBER;
        return whole
                ? line.master()
                : line.master().setScale(Math.max(2, line.master().scale()));
    }

    /** The stakes of an outcome's questions. */
    public static Stakes of(Outcome outcome) {
        return new Stakes(outcome);
    }

    /** The column by which the master is weighed; empty where there is none. */
    public String column() {
        return weighing.isPresent()
                ? outcome.proposal().columns().get(weighing.getAsInt()).name()
                : "";
    }

    /** What is at stake in a question. */
    public Stake of(Question question) {
        return of(List.of(question));
    }

    /** What is at stake in several questions; what several are about counts once. */
    public Stake of(Collection<Question> questions) {
        Map<Integer, Set<Integer>> tables = new HashMap<>();
        long rows = 0;
        for (Question question : questions) {
            Set<Integer> about = tables(question);
            rows += question.stake();
            OptionalInt column = touched(question);
            if (column.isPresent() && question.stake() >= rows(about)) {
                tables.computeIfAbsent(column.getAsInt(), any -> new HashSet<>())
                        .addAll(about);
            }
        }
        BigDecimal amount = tables.entrySet().stream()
                .map(each -> amount(each.getKey(), each.getValue()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        return new Stake(rows, amount, columnSaid());
    }

    private String columnSaid() {
        return weighing.isEmpty()
                ? ""
                : Optional.of(outcome.proposal()
                                .columns()
                                .get(weighing.getAsInt())
                                .currency())
                        .filter(currency -> !currency.isEmpty())
                        .orElse(column());
    }

    private BigDecimal amount(int column, Set<Integer> tables) {
        Map<Integer, BigDecimal> byTable = sums.getOrDefault(column, Map.of());
        return tables.stream()
                .map(table -> byTable.getOrDefault(table, BigDecimal.ZERO))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
    }

    /** The amounts of tables in the weighing column. */
    BigDecimal amount(Set<Integer> tables) {
        return weighing.isPresent() ? amount(weighing.getAsInt(), tables) : BigDecimal.ZERO;
    }

    /** The amounts of all tables in the weighing column. */
    BigDecimal all() {
        return weighing.isPresent()
                ? amount(sums.getOrDefault(weighing.getAsInt(), Map.of()).keySet())
                : BigDecimal.ZERO;
    }

    /** How many rows of the master tables have. */
    long rows(Set<Integer> tables) {
        return tables.stream()
                .mapToLong(table -> {
                    Outcome.Made made = outcome.made().get(table);
                    return made == null ? 0 : made.rows() - outcome.ruledOut(table);
                })
                .sum();
    }

    // ---- which amounts ----

    /**
     * The column whose amounts another answer would move: the weighing column, or one that is that column under another
     * answer.
     */
    private OptionalInt touched(Question question) {
        Optional<String> about = about(question);
        if (weighing.isEmpty() || about.isEmpty() || about.get().equals(column()) || isUsed(about.get())) {
            return weighing;
        }
        boolean couldBe = question.kind().equals(LineUp.KIND)
                && question.answers().stream().anyMatch(answer -> answer.id().equals(column()));
        return couldBe
                ? IntStream.range(0, plan.columns().size())
                        .filter(at -> plan.columns().get(at).name().equals(about.get()))
                        .findFirst()
                : OptionalInt.empty();
    }

    /** The column that a question is about; empty where it is about tables, sheets or files. */
    private Optional<String> about(Question question) {
        String subject = question.subject();
        if (question.kind().equals(LineUp.KIND)) {
            return Optional.of(outcome.proposal().lineUp().getOrDefault(subject, subject));
        }
        if (question.kind().equals(Kinds.CARRY_DOWN)) {
            String header = LooseText.key(subject.substring(subject.lastIndexOf(HEADER) + HEADER.length()));
            return Optional.ofNullable(outcome.proposal().lineUp().get(header));
        }
        String named = Names.splitTexts(subject).get(0);
        return plan.columns().stream()
                .map(MasterPlan.Column::name)
                .filter(named::equals)
                .findFirst();
    }

    /** True where something that the analyst made goes by a column. */
    private boolean isUsed(String column) {
        return used.computeIfAbsent(column, this::goBy);
    }

    private boolean goBy(String column) {
        Job job = outcome.job();
        Set<String> names = new HashSet<>(job.columns());
        plan.columns().forEach(each -> names.add(each.name()));
        Choice.Renaming renaming = new Choice.Renaming(names, Set.of(), column, column + "\u0000");
        boolean decided = job.settled().stream()
                .filter(decision -> !OF_THE_COLUMN.contains(decision.kind()))
                .anyMatch(decision -> goesBy(decision, names, renaming));
        return decided || job.deliveries().stream().anyMatch(delivery -> goesBy(delivery.form(), column));
    }

    private static boolean goesBy(Decision decision, Set<String> names, Choice.Renaming renaming) {
        Choice choice = Choices.of(decision, names);
        return choice instanceof ColumnChoice.Made made && made.column().equals(renaming.from())
                || !choice.renamed(renaming).words().equals(choice.words());
    }

    private static boolean goesBy(Delivery.Form form, String column) {
        if (form instanceof Delivery.Prepared prepared) {
            return List.of(prepared.key(), prepared.item(), prepared.value()).contains(column);
        }
        if (form instanceof Delivery.Tab tab) {
            return tab.keys().contains(column);
        }
        if (form instanceof Delivery.Table table) {
            return table.keys().contains(column);
        }
        if (form instanceof Delivery.Copies copies) {
            return copies.changes().stream().anyMatch(change -> change.column().equals(column));
        }
        return form instanceof Delivery.Each each && each.columns().contains(column);
    }

    // ---- which tables ----

    /** The tables of the master that a question is about; none where it is about what is left out. */
    Set<Integer> tables(Question question) {
        Set<Integer> tables = new HashSet<>();
        String subject = question.subject();
        if (question.kind().equals(LineUp.KIND) || OF_LAYOUTS.contains(question.kind())) {
            int at = subject.lastIndexOf(HEADER);
            String layoutName = at < 0 ? subject : subject.substring(0, at);
            for (Layout layout : outcome.proposal().layouts()) {
                boolean about = question.kind().equals(LineUp.KIND)
                        ? layout.keys().contains(subject)
                        : layout.signature().equals(layoutName);
                if (about) {
                    layout.tables().forEach(table -> tables.add(table.id()));
                }
            }
            return tables;
        }
        String named = Names.splitTexts(subject).get(0);
        for (int i = 0; i < plan.columns().size(); i++) {
            if (plan.columns().get(i).name().equals(named)) {
                for (MasterPlan.Table table : plan.tables()) {
                    if (i < table.feeds().size() && table.feeds().get(i) != null) {
                        tables.add(table.id());
                    }
                }
                return tables;
            }
        }
        Where where = question.where();
        placed.forEach((id, table) -> {
            boolean here = table.source().equals(where.source())
                    && (where.sheet().isEmpty() || table.sheet().equals(where.sheet()));
            if (here && plan.tables().stream().anyMatch(each -> each.id() == id)) {
                tables.add(id);
            }
        });
        return tables;
    }
}
