package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.gather.ReadingDecisions;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.CellKind;
import cuvee.tag.Home;
import cuvee.tag.NameParts;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * Tables that would count rows twice: a sheet that adds up the other sheets of its workbook or has a line for each of them,
 * and a table that holds the same records as another. They are set aside and asked about.
 */
public final class Doubles {
    private static final Pattern EARLIER =
            Pattern.compile("(?i)(?<!\\p{L})(old|prev|previous|backup|bak|draft|copy|kopie"
                    + "|superseded|obsolete|do not use|entwurf|ancien|veraltet)(?!\\p{L})");

    private static final int FEWEST_FIELDS = 5;
    private static final int FEWEST_RECORDS = 3;
    private static final int FEWEST_NAMED = 2;
    /** A sheet that is the same in so many workbooks is part of a form. */
    private static final int FEWEST_PAGES = 3;

    private final Job job;
    private final Map<PlacedTable, String> reasons = new LinkedHashMap<>();
    private final List<Question> questions = new ArrayList<>();
    private final List<Decision> decisions = new ArrayList<>();
    private final Map<PlacedTable, String> outside = new LinkedHashMap<>();
    /** The table whose records a table repeats. */
    private final Map<PlacedTable, PlacedTable> originals = new HashMap<>();

    /** Those above which stands that they are of something else. */
    private final Set<PlacedTable> ofTheirOwn = new HashSet<>();

    private final List<Finding> findings = new ArrayList<>();
    private final Contents contents;
    private final NameParts names;

    private Doubles(Job job, List<PlacedTable> tables, Contents contents) {
        this.job = job;
        this.contents = contents;
        this.names = NameParts.of(
                tables.stream().map(table -> Home.fileName(table.source())).toList());
    }

    /** Looks for tables that count rows twice among those of the master. */
    static Draft.Step step(Job job, Contents contents) {
        return draft -> {
            // As their sheets have them; the master has them as they are laid out.
            Set<PlacedTable> members = new HashSet<>(draft.members());
            List<PlacedTable> found =
                    draft.tables().stream().filter(members::contains).toList();
            Doubles doubles = new Doubles(job, found, contents);
            doubles.copies(found);
            doubles.samePages(found);
            doubles.earlierSheets(found);
            doubles.summaries(found);
            doubles.decide(found);
            return doubles.apart(draft, members);
        };
    }

    private Draft apart(Draft draft, Set<PlacedTable> members) {
        Draft without = draft.without(outside).saying(new Said(questions, findings, decisions));
        return outside.isEmpty()
                ? without
                : without.withLayouts(Layout.of(
                        without.laid().stream().filter(members::contains).toList()));
    }

    /** The sums of a table's number columns by loose header. */
    private static Map<String, Double> sums(PlacedTable table) {
        Map<String, Double> sums = new HashMap<>();
        for (LaidColumn column : table.columns()) {
            if (Nature.of(column.evidence()) == Nature.NUMBERS) {
                sums.put(LooseText.key(column.header()), column.sum());
            }
        }
        return sums;
    }

    /**
     * The same layout, as many records, the same sums, and evidence that is the same in every column. The one whose file
     * has the shortest name stays, which copies rarely have.
     */
    private void copies(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> first = new HashMap<>();
        List<PlacedTable> shortestFirst = tables.stream()
                .sorted(Comparator.comparingInt(table -> table.source().length()))
                .toList();
        for (PlacedTable table : shortestFirst) {
            Map<String, Double> sums = sums(table);
            if (isTakenByYou(job, table.source())
                    || table.table().kept() < FEWEST_RECORDS && !isLongForm(table)
                    || sums.values().stream().allMatch(sum -> sum == 0)) {
                continue;
            }
            StringBuilder content = new StringBuilder(table.signature());
            for (LaidColumn column : table.columns()) {
                content.append('|')
                        .append(column.evidence().counts())
                        .append(new TreeMap<>(column.evidence().oddities()))
                        .append(column.evidence().someDates().stream().sorted().toList())
                        .append(Math.round(column.sum() * 1000));
            }
            List<PlacedTable> alike = first.computeIfAbsent(content.toString(), any -> new ArrayList<>());
            Optional<PlacedTable> original =
                    alike.stream().filter(other -> isSame(table, other)).findFirst();
            if (original.isPresent()) {
                String where = original.get().source().equals(table.source())
                        ? "the sheet " + Says.quoted(original.get().sheet())
                        : original.get().where().toString();
                Optional<String> otherwise = OtherTitles.between(table, original.get());
                otherwise.ifPresent(said -> ofTheirOwn.add(table));
                reasons.put(
                        table,
                        "it holds the same records as " + where
                                + otherwise
                                        .map(said -> ", though " + Says.quoted(said) + " stands above them")
                                        .orElse(""));
                originals.put(table, original.get());
            } else {
                alike.add(table);
            }
        }
    }

    /**
     * A sheet that is the same in every workbook, beside others that are not, is a part of the form that they are filled in
     * on: none of them belongs to the master.
     */
    private void samePages(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySheet = new LinkedHashMap<>();
        Set<String> withRowsOfTheirOwn = new HashSet<>();
        for (PlacedTable table : tables) {
            bySheet.computeIfAbsent(table.sheet() + "\n" + table.signature(), sheet -> new ArrayList<>())
                    .add(table);
        }
        for (List<PlacedTable> pages : bySheet.values()) {
            boolean copied = pages.stream().anyMatch(reasons::containsKey);
            pages.stream().filter(page -> !copied).forEach(page -> withRowsOfTheirOwn.add(page.source()));
        }
        for (List<PlacedTable> pages : bySheet.values()) {
            List<PlacedTable> originals =
                    pages.stream().filter(page -> !reasons.containsKey(page)).toList();
            boolean same = pages.size() >= FEWEST_PAGES
                    && originals.size() == 1
                    && !originals.get(0).sheet().isEmpty()
                    && pages.stream().noneMatch(ofTheirOwn::contains)
                    && pages.stream().map(PlacedTable::source).distinct().count() == pages.size()
                    && pages.stream().map(PlacedTable::source).allMatch(withRowsOfTheirOwn::contains);
            if (same) {
                String reason = "the sheet " + Says.quoted(originals.get(0).sheet()) + " is the same in all "
                        + Says.count(pages.size(), "workbook");
                pages.forEach(page -> reasons.put(page, reason));
            }
        }
    }

    /** What is alike in numbers of few rows can be so by chance; rows are then compared one by one. */
    private boolean isSame(PlacedTable table, PlacedTable other) {
        return table.table().kept() > Profiling.MOST_COMPARED || contents.sameRows(table, other);
    }

    /** True for a form of so many fields that two do not say the same by chance. */
    private static boolean isLongForm(PlacedTable table) {
        return table.table().isForm()
                && table.columns().stream()
                                .filter(column -> column.evidence().filled() > 0)
                                .count()
                        >= FEWEST_FIELDS;
    }

    /** Sheets that are called like another of their workbook and layout, but for a mark of an earlier version. */
    private void earlierSheets(List<PlacedTable> tables) {
        Map<String, PlacedTable> byName = new HashMap<>();
        tables.forEach(table -> byName.putIfAbsent(sheetName(table, table.sheet()), table));
        for (PlacedTable table : tables) {
            String bare = EARLIER.matcher(table.sheet()).replaceAll("");
            PlacedTable now = byName.get(sheetName(table, bare));
            if (now != null
                    && !bare.equals(table.sheet())
                    && !reasons.containsKey(table)
                    && !isTakenByYou(job, table.source())) {
                reasons.put(
                        table,
                        "its sheet is called like " + Says.quoted(now.sheet()) + ", with a mark of an earlier version");
            }
        }
    }

    private static String sheetName(PlacedTable table, String sheet) {
        return table.source() + "\n" + LooseText.key(sheet) + "\n" + table.signature();
    }

    /** True for a file that the analyst takes in: what has been said of it is not asked once more of its tables. */
    public static boolean isTakenByYou(Job job, String source) {
        return job.isSettled(Kinds.FILE, source)
                && job.decision(Kinds.FILE, source)
                        .map(Decision::answer)
                        .filter(TableChoice.TAKE::equals)
                        .isPresent();
    }

    private void summaries(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySource = new LinkedHashMap<>();
        for (PlacedTable table : tables) {
            if (!reasons.containsKey(table)) {
                bySource.computeIfAbsent(table.source(), source -> new ArrayList<>())
                        .add(table);
            }
        }
        for (List<PlacedTable> workbook : bySource.values()) {
            for (PlacedTable table : workbook) {
                List<PlacedTable> others =
                        workbook.stream().filter(other -> !other.equals(table)).toList();
                if (!others.isEmpty() && addsUp(table, others)) {
                    reasons.put(table, "it adds up the other tables of its workbook");
                } else {
                    namesTheOthers(table, others)
                            .ifPresent(column -> reasons.put(
                                    table,
                                    "its column " + Says.quoted(column) + " names the other sheets of its workbook, as"
                                            + " a summary of them does"));
                }
            }
        }
    }

    /** The column of a short table that names the other sheets of its workbook, which hold more. */
    private Optional<String> namesTheOthers(PlacedTable table, List<PlacedTable> others) {
        Set<String> sheets = new HashSet<>();
        long records = 0;
        for (PlacedTable other : others) {
            if (!other.sheet().equals(table.sheet()) && !reasons.containsKey(other)) {
                sheets.add(LooseText.key(other.sheet()));
                records += other.table().kept();
            }
        }
        int kept = table.table().kept();
        if (sheets.size() < FEWEST_NAMED
                || kept > sheets.size() + 1
                || kept >= records
                || table.table().isForm()) {
            return Optional.empty();
        }
        List<List<String>> columns = contents.columns(table, kept);
        for (int i = 0; i < columns.size(); i++) {
            Set<String> named = new HashSet<>();
            columns.get(i).forEach(cell -> named.add(LooseText.key(CellKind.textOf(cell))));
            long known = named.stream().filter(sheets::contains).count();
            if (known >= FEWEST_NAMED && named.size() == columns.get(i).size() && known + 1 >= named.size()) {
                return Optional.of(table.columns().get(i).header());
            }
        }
        return Optional.empty();
    }

    private static boolean addsUp(PlacedTable table, List<PlacedTable> others) {
        long records = others.stream().mapToLong(other -> other.table().kept()).sum();
        boolean fewer = table.table().kept() < records
                && table.columns().size() <= others.get(0).columns().size();
        Map<String, Double> sums = sums(table);
        int shared = 0;
        for (Map.Entry<String, Double> sum : sums.entrySet()) {
            List<Double> there = others.stream()
                    .map(other -> sums(other).get(sum.getKey()))
                    .filter(Objects::nonNull)
                    .toList();
            if (there.isEmpty()) {
                continue;
            }
            double all = there.stream().mapToDouble(value -> value).sum();
            if (Math.abs(all - sum.getValue()) > 1e-6 * Math.abs(all) + 0.005) {
                return false;
            }
            shared += all == 0 ? 0 : 1;
        }
        // The one number of a record is the sum of its neighbours' by chance.
        return fewer && shared > (table.table().isForm() ? 1 : 0);
    }

    /** Tables of one layout that are all alike are one question. */
    private void decide(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySubject = new LinkedHashMap<>();
        Map<String, Long> inLayout = new HashMap<>();
        tables.forEach(table -> inLayout.merge(table.signature(), 1L, Long::sum));
        Set<String> savedAgain = savedAgain(tables);
        reasons.keySet().stream()
                .filter(table -> !savedAgain.contains(table.source()))
                .forEach(table -> {
                    String signature = table.signature();
                    long same = reasons.keySet().stream()
                            .filter(other -> other.signature().equals(signature))
                            .count();
                    boolean whole = same == inLayout.getOrDefault(signature, 0L);
                    String subject = whole ? signature : ReadingDecisions.subject(table.source(), table.sheet());
                    bySubject.computeIfAbsent(subject, s -> new ArrayList<>()).add(table);
                });
        bySubject.forEach(this::decide);
    }

    /** The files of several tables that repeat those of one other file: each is one question. */
    private Set<String> savedAgain(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySource = new LinkedHashMap<>();
        tables.forEach(table -> bySource.computeIfAbsent(table.source(), source -> new ArrayList<>())
                .add(table));
        Set<String> again = new LinkedHashSet<>();
        bySource.forEach((source, own) -> {
            Set<String> of = new HashSet<>();
            own.forEach(table -> of.add(originals.getOrDefault(table, table).source()));
            boolean one = own.size() > 1 && of.size() == 1 && !of.contains(source);
            if (one && own.stream().noneMatch(table -> isSettled(table) || ofTheirOwn.contains(table))) {
                again.add(source);
                own.forEach(table -> outside.put(table, Objects.requireNonNullElse(reasons.get(table), "")));
                askOfFile(source, of.iterator().next(), own);
            }
        });
        return again;
    }

    private boolean isSettled(PlacedTable table) {
        return job.isSettled(Kinds.SHEET, table.signature())
                || job.isSettled(Kinds.SHEET, ReadingDecisions.subject(table.source(), table.sheet()));
    }

    private void askOfFile(String source, String original, List<PlacedTable> tables) {
        if (job.isSettled(Kinds.FILE, source)) {
            return;
        }
        long rows = tables.stream().mapToLong(table -> table.table().kept()).sum();
        if (tables.stream().allMatch(this::isCopy)) {
            tell(source, original, rows);
            return;
        }
        questions.add(Question.of(
                Kinds.FILE,
                source,
                Where.source(source),
                "Its " + Says.count(tables.size(), "table") + " hold the same records as those of " + original
                        + ", as if it were saved again. Do they belong to the master?",
                TableChoice.ASIDE,
                List.of(
                        new Answer(
                                TableChoice.ASIDE,
                                "no, leave the file out; its " + Says.count(rows, "row") + " would count twice"),
                        new Answer(TableChoice.TAKE, "yes, take its rows in as well")),
                rows));
    }

    /** True for a table that holds in every row what another does whose file is called the same but for a version. */
    private boolean isCopy(PlacedTable table) {
        PlacedTable original = originals.get(table);
        return original != null
                && !ofTheirOwn.contains(table)
                && isVersionOf(names, table.source(), original.source())
                && contents.sameRows(table, original);
    }

    /**
     * True for two files that lie beside each other and are called the same but for marks of a version. Of another folder
     * the same rows may have come by mistake, whatever the file is called.
     */
    public static boolean isVersionOf(NameParts names, String source, String other) {
        String folder = source.substring(0, source.lastIndexOf('/') + 1);
        return !source.equals(other)
                && folder.equals(other.substring(0, other.lastIndexOf('/') + 1))
                && names.same(Home.fileName(source), Home.fileName(other));
    }

    private void tell(String source, String original, long rows) {
        findings.add(copy(source, original, rows));
    }

    /** Says that a file was set aside without a question. */
    public static Finding copy(String source, String original, long rows) {
        return new Finding(
                Severity.NOTICE,
                "copy",
                Where.source(source),
                "It holds the same records as " + original
                        + ", and its name says the same but for a mark of a version.",
                "It is set aside; its " + Says.count(rows, "row") + " would count twice.",
                "Take it in, in Collect, if its rows are its own.");
    }

    private void decide(String subject, List<PlacedTable> same) {
        PlacedTable first = same.get(0);
        String reason = Objects.requireNonNullElse(reasons.get(first), "");
        String assumed = ofTheirOwn.containsAll(same) ? TableChoice.TAKE : TableChoice.ASIDE;
        String answer = job.decision(Kinds.SHEET, subject).map(Decision::answer).orElse(assumed);
        long rows = same.stream().mapToLong(table -> table.table().kept()).sum();
        if (answer.equals(TableChoice.ASIDE)) {
            same.forEach(table -> outside.put(table, Objects.requireNonNullElse(reasons.get(table), reason)));
        }
        if (job.decision(Kinds.SHEET, subject).isEmpty()) {
            decisions.add(new Decision(Kinds.SHEET, subject, assumed, reason, Says.count(rows, "row")));
        }
        if (answer.equals(TableChoice.ASIDE)
                && !job.isSettled(Kinds.SHEET, subject)
                && same.stream().allMatch(this::isCopy)) {
            same.forEach(table -> tell(
                    table.source(),
                    originals.getOrDefault(table, table).source(),
                    table.table().kept()));
        } else if (!job.isSettled(Kinds.SHEET, subject)) {
            String which = same.size() == 1
                    ? "This table looks as if it counted rows twice: " + reason + "."
                    : Says.count(same.size(), "table") + " like this one look as if they counted rows twice: " + reason
                            + ".";
            questions.add(Question.of(
                    Kinds.SHEET,
                    subject,
                    first.where(),
                    which + " Does it belong to the master?",
                    answer,
                    List.of(
                            new Answer(
                                    TableChoice.ASIDE,
                                    "no, leave it out; its " + Says.count(rows, "row") + " would count twice"),
                            new Answer(TableChoice.TAKE, "yes, take its rows in")),
                    rows));
        }
    }
}
