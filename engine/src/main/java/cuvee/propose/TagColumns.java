package cuvee.propose;

import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.detect.TotalWords;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.tag.Home;
import cuvee.tag.TagSource;
import cuvee.tag.TagSource.From;
import cuvee.tag.Tags;
import cuvee.tag.Tags.Value;
import cuvee.value.LooseText;
import cuvee.value.Period;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Decides which tags become columns of the master: those that vary from source to source and say something that the rows
 * do not. A tag whose name is that of a column fills it in the tables that lack it.
 */
public final class TagColumns {

    private static final double MOST = 0.8;
    private static final double NEARLY_ALL = 0.9;
    private static final int EXAMPLES = 3;
    /** Tags say the same where they do of so many tables at least. */
    private static final int FEWEST_ALIKE = 9;
    /** Shorter numbers count the sheets. */
    private static final int FEWEST_DIGITS = 3;

    private static final Pattern OF_THE_PAPER =
            Pattern.compile("(ref|copy|kopie|form|formular|doc|document|dokument|report|sheet|blatt|rev|issue|serial).*"
                    + "|no|nr|number|nummer|id|count|anzahl|rows|records|lines");
    /** Labels that tell of the sheet itself rather than of its rows. */
    private static final Pattern NAME = Pattern.compile("[\\p{L} '.&-]*\\p{L}{3,}[\\p{L} '.&-]*");

    private final Job job;
    private final List<Decision> assumed = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Map<PlacedTable, Home> homes;
    private final Tags tags;
    private final List<Column> columns = new ArrayList<>();
    private final List<Map<PlacedTable, Value>> taken = new ArrayList<>();
    private final List<Proposal.TagReport> reports = new ArrayList<>();
    private final Set<List<String>> contradicted = new HashSet<>();

    /**
     * A column that a tag fills.
     *
     * @param texts what it says, for each table of which it says something
     */
    record Column(TagSource source, String name, Map<PlacedTable, String> texts) {
        Column {
            texts = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(texts));
        }

        Optional<LaidColumn> of(PlacedTable table) {
            return Optional.ofNullable(texts.get(table))
                    .map(text -> LaidColumn.told(
                            name,
                            new Origin.Told(text),
                            List.of(text),
                            (long) table.table().kept() * Math.max(1, table.turned())));
        }
    }

    private TagColumns(Job job, Map<PlacedTable, Home> homes) {
        this.job = job;
        this.homes = homes;
        this.tags = Tags.of(homes.values());
    }

    /**
     * Decides about the tags of the master: their columns stand behind the others, and a tag with the name of a column fills
     * it in tables that lack it.
     */
    static Draft.Step step(Job job, Homes homes) {
        return draft -> {
            Map<PlacedTable, Home> known = new LinkedHashMap<>();
            draft.membersInOrder().forEach(table -> known.put(table, homes.of(table)));
            TagColumns tags = new TagColumns(job, known);
            if (!known.isEmpty()) {
                tags.decide();
            }
            return draft.withColumns(tags.fill(draft))
                    .withTags(tags.reports)
                    .saying(new Said(List.of(), tags.findings, tags.assumed));
        };
    }

    private List<DraftColumn> fill(Draft draft) {
        List<DraftColumn> all = new ArrayList<>(draft.columns());
        List<PlacedTable> members = draft.members();
        for (Column tag : columns) {
            int at = 0;
            while (at < all.size() && !all.get(at).isCalled(tag.name())) {
                at++;
            }
            if (at == all.size()) {
                all.add(new DraftColumn(tag.name(), draft.layouts().size(), Map.of()));
            }
            all.set(at, all.get(at).filledUp(members, tag::of));
        }
        return all;
    }

    private void decide() {
        // What is a column already comes first: others may say the same. So may they with the year that a period lacks.
        Map<TagSource, Map<PlacedTable, Value>> said = new HashMap<>();
        List<TagSource> candidates = tags.candidates().stream()
                .sorted(Comparator.comparing((TagSource source) -> !isColumn(source))
                        .thenComparing(source -> lacksYears(said.computeIfAbsent(source, this::values))))
                .toList();
        Set<TagSource> inOrder = new LinkedHashSet<>(candidates);
        inOrder.addAll(sources(job));
        for (TagSource source : inOrder) {
            Map<PlacedTable, Value> values = said.computeIfAbsent(source, this::values);
            Optional<Decision> decision = job.decision(Kinds.TAG, source.words());
            if (decision.isPresent()) {
                if (!decision.get().answer().equals(ColumnChoice.LEFT_OUT)) {
                    if (tellsNothingOfOneSource(source, values)) {
                        continue;
                    }
                    add(source, decision.get().answer(), values);
                } else if (!job.isSettled(Kinds.TAG, source.words())) {
                    contradictions(tags.name(source), values);
                }
            } else if (candidates.contains(source) && !(source.from() == From.ANY_LABEL && labelDecided())) {
                propose(source, values);
            }
            report(source, values);
        }
    }

    /** True where a tag that Cuvee assumed of several sources says nothing of the only one that is left. */
    private boolean tellsNothingOfOneSource(TagSource source, Map<PlacedTable, Value> values) {
        return values.isEmpty()
                && !job.isSettled(Kinds.TAG, source.words())
                && homes.keySet().stream().map(PlacedTable::source).distinct().count() == 1;
    }

    private boolean isColumn(TagSource source) {
        return job.decision(Kinds.TAG, source.words())
                .filter(decision -> !decision.answer().equals(ColumnChoice.LEFT_OUT))
                .isPresent();
    }

    private static boolean lacksYears(Map<PlacedTable, Value> values) {
        return !values.isEmpty()
                && values.values().stream()
                        .allMatch(value -> value.period()
                                .filter(period -> period.year() == 0)
                                .isPresent());
    }

    /** True where a label of its own is a column already: one more for whatever label there is would say the same. */
    private boolean labelDecided() {
        return sources(job).stream()
                .filter(source -> source.from() == From.TITLE_LABEL)
                .flatMap(source -> job.decision(Kinds.TAG, source.words()).stream())
                .anyMatch(decision -> !decision.answer().equals(ColumnChoice.LEFT_OUT));
    }

    /** What the job's tags are taken from, whether they are columns or left out. */
    public static Set<TagSource> sources(Job job) {
        Set<TagSource> sources = new LinkedHashSet<>();
        List<Decision> decided = new ArrayList<>(job.settled());
        decided.addAll(job.assumed());
        decided.stream()
                .filter(decision -> decision.kind().equals(Kinds.TAG))
                .forEach(decision -> TagSource.read(decision.subject()).ifPresent(sources::add));
        return sources;
    }

    /** The names of the columns that the job's tags fill. */
    public static Set<String> names(Job job) {
        Set<String> names = new HashSet<>();
        for (TagSource source : sources(job)) {
            job.decision(Kinds.TAG, source.words())
                    .map(Decision::answer)
                    .filter(name -> !name.equals(ColumnChoice.LEFT_OUT))
                    .ifPresent(names::add);
        }
        return names;
    }

    private void report(TagSource source, Map<PlacedTable, Value> values) {
        Optional<Column> column =
                columns.stream().filter(each -> each.source().equals(source)).findFirst();
        Map<String, String> texts = new LinkedHashMap<>();
        values.forEach((table, value) -> texts.putIfAbsent(table.source(), value.text()));
        if (!texts.isEmpty()) {
            String reason = job.decision(Kinds.TAG, source.words())
                    .or(() -> assumed.stream()
                            .filter(each -> each.kind().equals(Kinds.TAG)
                                    && each.subject().equals(source.words()))
                            .findFirst())
                    .map(Decision::reason)
                    .orElse("it says nothing that differs from source to source");
            reports.add(new Proposal.TagReport(
                    source,
                    column.map(Column::name).orElseGet(() -> free(tags.name(source))),
                    column.isPresent(),
                    reason,
                    texts));
        }
    }

    private Map<PlacedTable, Value> values(TagSource source) {
        Map<PlacedTable, Value> values = new LinkedHashMap<>();
        homes.forEach((table, home) -> tags.value(source, home).ifPresent(value -> values.put(table, value)));
        return values;
    }

    private void add(TagSource source, String name, Map<PlacedTable, Value> values) {
        Map<PlacedTable, String> texts = new LinkedHashMap<>();
        values.forEach((table, value) -> texts.put(table, value.text()));
        columns.add(new Column(source, name, texts));
        taken.add(values);
        List<PlacedTable> without = without(source, name, values);
        guessed(source, name);
        bareMonths(source, name);
        if (everywhere(name)) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "tag-hidden",
                    Where.JOB,
                    "The tag " + Says.quoted(name) + " has the name of a column that every table has.",
                    "The column holds what the rows say; the tag fills nothing.",
                    "Give the tag another name in Rework."));
        }
        if (!without.isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "tag-not-found",
                    without.get(0).where(),
                    "The tag " + Says.quoted(name) + " finds nothing for " + Says.count(without.size(), "table") + ": "
                            + Says.list(without.stream()
                                    .map(table -> table.where().toString())
                                    .toList())
                            + ".",
                    "It is blank there.",
                    source.from() == From.TITLE_LABEL
                            ? "Write it above the table as the others do, or take the tag from something else."
                            : "Rename the file like the others, or take the tag from something else."));
        }
        if (source.from() != From.MODIFIED && source.from() != From.FIXED) {
            contradictions(name, values);
        }
    }

    /** The tables of which a tag says nothing; a label above some tables can be a column of the others. */
    private List<PlacedTable> without(TagSource source, String name, Map<PlacedTable, Value> values) {
        if (source.from() == From.CAPTION) {
            return List.of();
        }
        String key = LooseText.key(name);
        boolean column =
                source.from() == From.TITLE_LABEL && homes.keySet().stream().anyMatch(table -> hasColumn(table, key));
        return column
                ? List.of()
                : homes.keySet().stream()
                        .filter(table -> !values.containsKey(table))
                        .toList();
    }

    /** Says where what stands under another label was taken for the tag. */
    private void guessed(TagSource source, String name) {
        homes.forEach((table, home) -> tags.onlyOtherLabel(source, home)
                .ifPresent(other -> findings.add(new Finding(
                        Severity.WARNING,
                        "tag-under-other-label",
                        table.where(),
                        "No " + Says.quoted(source.what()) + " stands above the table, but "
                                + Says.quoted(other.getKey()) + " does, which the others lack.",
                        Says.quoted(other.getValue()) + " is taken for the tag " + Says.quoted(name) + ".",
                        "If it is something else, take the tag from another part in Rework, or ask the sender."))));
    }

    /** Says where bare numbers were taken for months, since the names of other files say theirs in full. */
    private void bareMonths(TagSource source, String name) {
        List<String> files = homes.entrySet().stream()
                .filter(entry -> tags.isBareMonth(source, entry.getValue()))
                .map(entry -> entry.getKey().source())
                .distinct()
                .toList();
        if (!files.isEmpty()) {
            findings.add(new Finding(
                    Severity.REMARK,
                    "bare-month",
                    Where.source(files.get(0)),
                    Says.list(files) + " end in a number alone; other files say their months in full.",
                    "The number is taken for the month, in the tag " + Says.quoted(name)
                            + ", with the year of the others.",
                    "If it is none, take the tag from something else in Rework."));
        }
    }

    // ---- what is worth a column ----

    private void propose(TagSource source, Map<PlacedTable, Value> values) {
        Set<String> distinct = new HashSet<>();
        values.values().forEach(value -> distinct.add(LooseText.key(value.text())));
        boolean label = source.from() == From.TITLE_LABEL;
        double least = source.from() == From.CAPTION ? 0 : label ? 0.5 : NEARLY_ALL;
        if (distinct.size() < 2
                || values.size() < homes.size() * least
                || label && (Tags.isOfTheSheet(source.what()) || TotalWords.of(source.what()) != TotalWords.Sureness.NO)
                || isCounter(values, distinct)
                        && source.from() != From.LINE_CELL
                        && !(label && isNumberOfAThing(source.what(), values))
                || label && isFigureOfAColumn(source.what(), values)
                || isWholeSheetName(source, values)
                || isWholeFileName(source, values)
                || saidBefore(source, values)) {
            return;
        }
        Optional<SaidByRows> said = saidByRows(values);
        boolean told = said.filter(SaidByRows::byAll).isPresent();
        String name =
                said.filter(found -> !found.byAll()).map(SaidByRows::header).orElseGet(() -> free(tags.name(source)));
        String examples = String.join(
                ", ",
                values.values().stream()
                        .map(Value::text)
                        .distinct()
                        .limit(EXAMPLES)
                        .map(Says::quoted)
                        .toList());
        assumed.add(new Decision(
                Kinds.TAG,
                source.words(),
                told ? ColumnChoice.LEFT_OUT : name,
                told
                        ? "the rows say it themselves in the column "
                                + Says.quoted(said.get().header())
                        : "it differs from source to source, and no column says it: " + examples,
                Says.count(values.size(), "table")));
        if (told) {
            contradictions(said.get().header(), values);
        } else {
            add(source, name, values);
        }
    }

    /** Numbers that are only there to tell files apart. */
    private static boolean isCounter(Map<PlacedTable, Value> values, Set<String> distinct) {
        boolean numbers = values.values().stream()
                .allMatch(value -> value.period().isEmpty() && value.text().matches("#?\\d{1,6}"));
        return numbers && distinct.size() * 2 > values.size();
    }

    /** A number under the name of a column of each table says something of that column: its sum, or that of another place. */
    private boolean isFigureOfAColumn(String label, Map<PlacedTable, Value> values) {
        return everywhere(label)
                && values.values().stream()
                        .allMatch(value ->
                                value.period().isEmpty() && value.text().matches("[-+]?\\d[\\d.,' ]*"));
    }

    /** A number of several digits under a label of its own names a thing, unless the label speaks of the paper. */
    private static boolean isNumberOfAThing(String label, Map<PlacedTable, Value> values) {
        return !OF_THE_PAPER.matcher(LooseText.key(label)).matches()
                && values.values().stream().allMatch(value -> value.text().length() >= FEWEST_DIGITS);
    }

    /** The sheet's whole name is a column of every master anyway. */
    private boolean isWholeSheetName(TagSource source, Map<PlacedTable, Value> values) {
        boolean sheet = source.from() == From.SHEET_PART
                || source.from() == From.SHEET_PERIOD
                || source.from() == From.TABLE_PART;
        return sheet
                && values.entrySet().stream()
                        .allMatch(entry -> LooseText.key(entry.getValue().text())
                                .equals(LooseText.key(
                                        homes.get(entry.getKey()) == null
                                                ? ""
                                                : entry.getKey().sheet())));
    }

    /** Names such as {@code a.csv} and {@code f03.xlsx} only tell files apart; {@code Hollin.xlsx} says more. */
    private boolean isWholeFileName(TagSource source, Map<PlacedTable, Value> values) {
        return source.from() == From.FILE_PART
                && values.entrySet().stream().anyMatch(entry -> {
                    Home home = homes.get(entry.getKey());
                    String text = entry.getValue().text();
                    return home != null
                            && home.fileName().equals(text)
                            && !NAME.matcher(text).matches();
                });
    }

    /**
     * True where another tag says the same of all tables, or says it more exactly. Where it says something else of very few,
     * the two contradict each other.
     */
    private boolean saidBefore(TagSource source, Map<PlacedTable, Value> values) {
        for (int i = 0; i < taken.size(); i++) {
            Map<PlacedTable, Value> other = taken.get(i);
            if (saysTheSameInMoreWords(other, values)) {
                return true;
            }
            List<PlacedTable> others = values.entrySet().stream()
                    .filter(entry -> {
                        Value before = other.get(entry.getKey());
                        return before == null || !says(before, entry.getValue());
                    })
                    .map(Map.Entry::getKey)
                    .toList();
            int same = values.size() - others.size();
            if (others.isEmpty()
                    || same >= FEWEST_ALIKE
                            && same >= values.size() * NEARLY_ALL
                            && other.keySet().containsAll(others)) {
                for (PlacedTable table : others) {
                    contradict(table, i, source, values);
                }
                return true;
            }
        }
        return false;
    }

    /** Says that two tags that say the same of nearly all tables do not of this one. */
    private void contradict(PlacedTable table, int at, TagSource source, Map<PlacedTable, Value> values) {
        Value tag = taken.get(at).get(table);
        Value said = values.get(table);
        if (tag != null && said != null) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "tag-contradiction",
                    table.where(),
                    Says.capital(columns.get(at).source().said()) + " says " + Says.quoted(text(tag)) + ", but "
                            + source.said() + " says " + Says.quoted(text(said)) + ".",
                    "Its rows are tagged with " + Says.quoted(text(tag)) + ".",
                    "Ask the sender which of the two is right."));
        }
    }

    private static String text(Value value) {
        return value.period()
                .filter(Period::isMonth)
                .flatMap(Period::first)
                .map(day -> YearMonth.from(day).toString())
                .orElse(value.text());
    }

    /** True where each value is that of another tag with more words or fewer: {@code North branch} beside {@code North}. */
    private static boolean saysTheSameInMoreWords(Map<PlacedTable, Value> other, Map<PlacedTable, Value> values) {
        Map<String, String> pairs = new HashMap<>();
        for (Map.Entry<PlacedTable, Value> entry : values.entrySet()) {
            Value before = other.get(entry.getKey());
            if (before == null
                    || before.period().isPresent()
                    || entry.getValue().period().isPresent()) {
                return false;
            }
            String one = " " + before.text().toLowerCase(Locale.ROOT) + " ";
            String two = " " + entry.getValue().text().toLowerCase(Locale.ROOT) + " ";
            String known = pairs.putIfAbsent(one, two);
            if (!one.contains(two) && !two.contains(one) || known != null && !known.equals(two)) {
                return false;
            }
        }
        return new HashSet<>(pairs.values()).size() == pairs.size();
    }

    private static boolean says(Value more, Value less) {
        if (more.period().isPresent() && less.period().isPresent()) {
            return more.period().get().says(less.period().get()) || more.text().equals(less.text());
        }
        Optional<Integer> bare = Period.bareMonth(less.text());
        if (bare.isPresent() && more.period().filter(Period::isMonth).isPresent()) {
            return bare.equals(more.period().map(Period::number));
        }
        String said = LooseText.key(more.text());
        String key = LooseText.key(less.text());
        // A running number behind what is said already says nothing of its own.
        return key.equals(said)
                || isNumber(key) && isNumber(said) && Long.parseLong(key) == Long.parseLong(said)
                || key.startsWith(said) && key.substring(said.length()).matches("\\d{1,4}");
    }

    private static boolean isNumber(String key) {
        return key.matches("\\d{1,6}");
    }

    private boolean everywhere(String header) {
        String key = LooseText.key(header);
        return homes.keySet().stream().allMatch(table -> hasColumn(table, key));
    }

    private static boolean hasColumn(PlacedTable table, String key) {
        return table.columns().stream()
                .anyMatch(column -> LooseText.key(column.header()).equals(key));
    }

    /** A name that no column of the rows has and no other tag. */
    private String free(String name) {
        String free = name;
        String key = LooseText.key(name);
        if (homes.keySet().stream().anyMatch(table -> hasColumn(table, key))) {
            free = name + " (source)";
        }
        for (int copy = 2; isTaken(free); copy++) {
            free = name + " (" + copy + ")";
        }
        return free;
    }

    private boolean isTaken(String name) {
        return columns.stream().anyMatch(column -> LooseText.key(column.name()).equals(LooseText.key(name)));
    }

    // ---- what the rows say ----

    /**
     * A column that says itself what a tag would say.
     *
     * @param byAll false where only some tables have it
     */
    private record SaidByRows(String header, boolean byAll) {}

    /** The header of the column by which nearly all tables say themselves what the tag would say of them. */
    private Optional<SaidByRows> saidByRows(Map<PlacedTable, Value> values) {
        Map<String, Integer> saying = new LinkedHashMap<>();
        Map<String, String> spelled = new LinkedHashMap<>();
        Map<String, Integer> having = new LinkedHashMap<>();
        Map<String, Integer> dated = new LinkedHashMap<>();
        for (Map.Entry<PlacedTable, Value> entry : values.entrySet()) {
            PlacedTable table = entry.getKey();
            for (LaidColumn column : table.columns()) {
                String key = LooseText.key(column.header());
                spelled.putIfAbsent(key, column.header());
                having.merge(key, 1, Integer::sum);
                if (says(column, entry.getValue())) {
                    saying.merge(key, 1, Integer::sum);
                }
            }
            entry.getValue()
                    .period()
                    .flatMap(period -> dated(table, period))
                    .ifPresent(header -> dated.merge(header, 1, Integer::sum));
        }
        int within = dated.values().stream().mapToInt(i -> i).sum();
        if (within >= values.size() * MOST) {
            return Optional.of(new SaidByRows(dated.keySet().iterator().next(), true));
        }
        return saying.entrySet().stream()
                .filter(entry -> entry.getValue() >= having.getOrDefault(entry.getKey(), 0) * MOST)
                .filter(entry -> entry.getValue() >= 2)
                .max(Map.Entry.comparingByValue())
                .map(entry -> spelled.getOrDefault(entry.getKey(), entry.getKey()))
                .map(header -> new SaidByRows(header, everywhere(header)));
    }

    /** True where a column holds nothing but what the tag says, or labels that lie within its period. */
    private static boolean says(LaidColumn column, Value value) {
        if (column.origin() instanceof Origin.Label label && value.period().isPresent()) {
            Period period = value.period().get();
            return label.labels().stream()
                    .allMatch(text -> Period.of(text)
                            .flatMap(Period::first)
                            .filter(period::holds)
                            .isPresent());
        }
        Set<String> words = column.evidence().oddities().keySet();
        boolean constant = words.size() == 1
                && column.evidence().oddValues() == column.evidence().filled();
        return constant && LooseText.key(words.iterator().next()).equals(LooseText.key(value.text()));
    }

    /** The header of a date column of a table whose dates lie in a period, as far as some of them tell. */
    private static Optional<String> dated(PlacedTable table, Period period) {
        for (LaidColumn column : table.columns()) {
            List<LocalDate> days = column.someDays();
            if (!days.isEmpty() && days.stream().allMatch(period::holds)) {
                return Optional.of(column.header());
            }
        }
        return Optional.empty();
    }

    /** Tables whose rows say something else than the tag says of them. */
    private void contradictions(String name, Map<PlacedTable, Value> values) {
        Optional<String> header = datedAlike(values);
        for (Map.Entry<PlacedTable, Value> entry : values.entrySet()) {
            PlacedTable table = entry.getKey();
            Value value = entry.getValue();
            for (LaidColumn column : table.columns()) {
                Set<String> words = column.evidence().oddities().keySet();
                boolean same = LooseText.key(column.header()).equals(LooseText.key(name));
                boolean constant = words.size() == 1
                        && column.evidence().oddValues() == column.evidence().filled();
                if (same && constant && !says(column, value)) {
                    contradiction(
                            table,
                            value.text(),
                            column.header(),
                            words.iterator().next());
                }
            }
            value.period().ifPresent(period -> header.ifPresent(dates -> otherDates(table, value, period, dates)));
        }
    }

    private void otherDates(PlacedTable table, Value value, Period period, String header) {
        for (LaidColumn column : table.columns()) {
            List<LocalDate> days = column.someDays();
            boolean same = LooseText.key(column.header()).equals(LooseText.key(header));
            if (same && !days.isEmpty() && days.stream().noneMatch(period::holds)) {
                contradiction(table, text(value), column.header(), days.get(0).toString());
            }
        }
    }

    /** The date column that says in half the tables at least what the tag says of them. */
    private static Optional<String> datedAlike(Map<PlacedTable, Value> values) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        values.forEach((table, value) -> value.period()
                .flatMap(period -> dated(table, period))
                .ifPresent(header -> counts.merge(header, 1, Integer::sum)));
        return counts.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .filter(entry -> entry.getValue() * 2 >= values.size())
                .map(Map.Entry::getKey);
    }

    private void contradiction(PlacedTable table, String tag, String header, String content) {
        if (!contradicted.add(List.of(table.where().toString(), tag, header))) {
            return;
        }
        findings.add(new Finding(
                Severity.WARNING,
                "tag-contradiction",
                table.where(),
                "Its name or title says " + Says.quoted(tag) + ", but its rows say " + Says.quoted(content)
                        + " in the column " + Says.quoted(header) + ".",
                "Its rows are taken as they are.",
                "Ask the sender which of the two is right."));
    }
}
