package cuvee.tell;

import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.decision.Turned;
import cuvee.detect.FoundTable;
import cuvee.detect.TableColumn;
import cuvee.earlier.SentAgain;
import cuvee.gather.ReadSheet;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Across;
import cuvee.layout.Laying;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.layout.RunsAcross;
import cuvee.layout.Signatures;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Corrections;
import cuvee.propose.Layings;
import cuvee.propose.Proposal;
import cuvee.propose.ValueCells;
import cuvee.rework.Amendments;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.rework.Shapings;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.value.Ditto;
import cuvee.value.LooseText;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The decisions behind a master as sentences, each with what it touches. */
public final class Sentences {
    private final Outcome outcome;
    private final Job job;
    private final List<Sentence> sentences = new ArrayList<>();

    private Sentences(Outcome outcome) {
        this.outcome = outcome;
        this.job = outcome.job();
    }

    /** All sentences about a master, paragraph by paragraph. */
    public static List<Sentence> of(Outcome outcome) {
        Sentences all = new Sentences(outcome);
        outcome.proposal().layouts().forEach(all::shape);
        all.headers();
        outcome.proposal().tags().forEach(all::tag);
        all.made();
        all.spellings();
        all.codes();
        all.values();
        all.corrections();
        all.rows();
        all.putBack();
        all.shapings();
        all.sentAgain();
        all.doubles();
        all.sentences.sort(Comparator.comparing(Sentence::paragraph));
        return List.copyOf(all.sentences);
    }

    private Optional<Decision> decision(String kind, String subject) {
        return job.decision(kind, subject);
    }

    private void shape(Layout layout) {
        PlacedTable first = layout.tables().get(0);
        across(layout, first);
        carried(layout, first);
        lines(layout, first);
    }

    private static List<Integer> numbers(List<PlacedTable> tables) {
        return tables.stream().map(PlacedTable::id).toList();
    }

    private static long records(List<PlacedTable> tables) {
        return tables.stream().mapToLong(table -> table.table().kept()).sum();
    }

    private void across(Layout layout, PlacedTable first) {
        Optional<Across> found = RunsAcross.of(first.table());
        String subject =
                found.map(block -> Signatures.turned(first.table(), block)).orElse(layout.signature());
        Optional<Decision> decision = decision(Kinds.ACROSS, subject);
        if (first.turned() > 0 && decision.isEmpty()) {
            Layings.byStays(job, first).ifPresent(by -> allBut(layout, by));
            return;
        }
        if (first.turned() > 0 && found.isEmpty()) {
            decision.ifPresent(by -> allBut(layout, by));
            return;
        }
        if (found.isEmpty() || decision.isEmpty()) {
            return;
        }
        Across block = found.get();
        boolean on = first.turned() > 0;
        List<String> names = decision.flatMap(it -> Turned.of(it.answer()))
                .map(Turned::names)
                .orElseGet(() -> Layings.names(first, block, Layings.AMOUNT));
        long made = 0;
        long blanks = 0;
        for (PlacedTable table : layout.tables()) {
            Outcome.Made part = outcome.made().get(table.id());
            made += part == null ? 0 : part.rows();
            blanks += part == null ? 0 : part.blanks();
        }
        boolean keeping = decision.flatMap(it -> Turned.of(it.answer()))
                .filter(Turned::blanks)
                .isPresent();
        long records = records(layout.tables());
        String totals = block.totals().isEmpty()
                ? ""
                : "; left out as totals: "
                        + Says.list(block.totals().stream()
                                .map(total -> Says.quoted(total.column().header()))
                                .toList());
        sentences.add(new Sentence(
                Kinds.ACROSS,
                subject,
                Sentence.Paragraph.SHAPE,
                "Turn the " + Says.count(block.labels().size(), "column") + " "
                        + Says.quoted(block.labels().get(0)) + " to "
                        + Says.quoted(block.labels().get(block.labels().size() - 1)) + " into rows:",
                on
                        ? Says.count(records, "row") + " became " + Says.number(made) + " in "
                                + Says.count(layout.tables().size(), "table")
                                + (keeping ? "; blank cells are rows too" : "")
                                + (blanks > 0 ? "; " + Says.count(blanks, "blank cell") + " left out" : "") + totals
                        : Says.count(records, "row") + " in "
                                + Says.count(layout.tables().size(), "table") + " stay as they are",
                on,
                job.isSettled(Kinds.ACROSS, subject),
                decision.map(Decision::reason).orElse(""),
                new Turned(List.of(), names, keeping).lead(),
                names,
                TableChoice.LEAVE,
                numbers(layout.tables())));
    }

    /** Columns that the analyst turned by saying which ones stay. */
    private void allBut(Layout layout, Decision decision) {
        Turned turned = Turned.of(decision.answer()).orElseThrow();
        long made = layout.tables().stream()
                .mapToLong(table -> outcome.made()
                        .getOrDefault(table.id(), new Outcome.Made(0, 0))
                        .rows())
                .sum();
        sentences.add(new Sentence(
                Kinds.ACROSS,
                decision.subject(),
                Sentence.Paragraph.SHAPE,
                "Turn all but " + String.join(", ", turned.stays()) + " into rows:",
                Says.count(records(layout.tables()), "row") + " became " + Says.number(made) + " in "
                        + Says.count(layout.tables().size(), "table"),
                true,
                true,
                decision.reason(),
                turned.lead(),
                turned.names(),
                TableChoice.LEAVE,
                numbers(layout.tables())));
    }

    private void carried(Layout layout, PlacedTable first) {
        String signature = RunsAcross.of(first.table())
                .map(block -> Signatures.turned(first.table(), block))
                .orElse(layout.signature());
        for (TableColumn column : first.table().columns()) {
            String subject = signature + " > " + LooseText.key(column.header());
            Optional<Decision> decision = decision(Kinds.CARRY_DOWN, subject);
            if (decision.isPresent()) {
                boolean on = decision.get().answer().equals(TableChoice.CARRY);
                long blank = 0;
                long marks = 0;
                for (PlacedTable table : layout.tables()) {
                    for (TableColumn each : table.table().columns()) {
                        if (LooseText.key(each.header()).equals(LooseText.key(column.header()))) {
                            marks += Ditto.marks(each.evidence());
                            blank += table.table().kept()
                                    - (each.gaps().ofHeads()
                                            ? 0
                                            : each.evidence().filled());
                        }
                    }
                }
                sentences.add(new Sentence(
                        Kinds.CARRY_DOWN,
                        subject,
                        Sentence.Paragraph.SHAPE,
                        "Carry " + Says.quoted(column.header()) + " down to the "
                                + (marks > 0 ? "ditto marks" : "blank cells") + " below each value.",
                        Says.count(marks > 0 ? marks : blank, marks > 0 ? "ditto mark" : "blank cell")
                                + (on ? " filled in " : " left blank in ")
                                + Says.count(layout.tables().size(), "table"),
                        on,
                        job.isSettled(Kinds.CARRY_DOWN, subject),
                        decision.get().reason(),
                        TableChoice.CARRY,
                        List.of(),
                        TableChoice.LEAVE,
                        numbers(layout.tables())));
            }
        }
    }

    private void lines(Layout layout, PlacedTable first) {
        FoundTable found = first.table();
        String signature = RunsAcross.of(found)
                .map(block -> Signatures.turned(found, block))
                .orElse(layout.signature());
        Optional<Decision> decision = decision(Kinds.SECTION_LINE, signature);
        if (decision.isEmpty() || found.sections().isEmpty()) {
            return;
        }
        boolean on = !decision.get().answer().equals(TableChoice.LEAVE);
        long lines = layout.tables().stream()
                .mapToLong(table -> table.table().sections().size())
                .sum();
        List<String> names = on ? Names.splitTexts(decision.get().answer()) : List.of("Section");
        sentences.add(new Sentence(
                Kinds.SECTION_LINE,
                signature,
                Sentence.Paragraph.SHAPE,
                "Write lines such as "
                        + Says.quoted(Laying.text(found.sections().get(0)))
                        + " beside each row that they head, in a column named:",
                Says.count(lines, "line") + " over " + Says.count(records(layout.tables()), "row") + " in "
                        + Says.count(layout.tables().size(), "table"),
                on,
                job.isSettled(Kinds.SECTION_LINE, signature),
                decision.get().reason(),
                "",
                names,
                TableChoice.LEAVE,
                numbers(layout.tables())));
    }

    private void tag(Proposal.TagReport tag) {
        Optional<Decision> decision = decision(Kinds.TAG, tag.source().words());
        if (decision.isEmpty()) {
            return;
        }
        Set<String> values = new HashSet<>(tag.texts().values());
        List<Integer> tables = outcome.proposal().layouts().stream()
                .flatMap(layout -> layout.tables().stream())
                .filter(table -> tag.texts().containsKey(table.source()))
                .map(PlacedTable::id)
                .toList();
        sentences.add(new Sentence(
                Kinds.TAG,
                tag.source().words(),
                Sentence.Paragraph.TAGS,
                "Tag each row with " + tag.source().said() + ", in a column named:",
                Says.count(values.size(), "value") + " from "
                        + Says.count(tag.texts().size(), "file") + ", such as "
                        + Says.list(values.stream()
                                .sorted()
                                .limit(3)
                                .map(Says::quoted)
                                .toList()),
                tag.on(),
                job.isSettled(Kinds.TAG, tag.source().words()),
                tag.reason(),
                "",
                List.of(tag.column()),
                ColumnChoice.LEFT_OUT,
                tables));
    }

    /** Headers that are read as others in some files or layouts. */
    private void headers() {
        for (Decision decision : job.settled()) {
            if (Choices.of(decision, job.columns()) instanceof TableChoice.HeaderRead read) {
                List<PlacedTable> tables = outcome.proposal().layouts().stream()
                        .flatMap(layout -> layout.tables().stream())
                        .filter(table -> table.source().equals(read.scope())
                                || Signatures.of(table.table()).equals(read.scope())
                                || Signatures.plain(table.table()).equals(read.scope()))
                        .toList();
                boolean file = tables.stream().anyMatch(table -> table.source().equals(read.scope()));
                sentences.add(new Sentence(
                        Kinds.HEADER,
                        decision.subject(),
                        Sentence.Paragraph.SHAPE,
                        "Read the header " + Says.quoted(header(read.key(), tables)) + " as " + Says.quoted(read.as())
                                + " in " + (file ? read.scope() : layout(tables)) + ".",
                        read.on() && !tables.isEmpty() && tables.stream().noneMatch(table -> isReadSo(table, read))
                                ? "Without effect: another column is called so"
                                : Says.count(tables.size(), "table"),
                        read.on(),
                        true,
                        "",
                        read.as(),
                        List.of(),
                        Decision.off(read.as()),
                        numbers(tables)));
            }
        }
    }

    /** False where the table stays as it is, since two of its columns would be called the same. */
    private static boolean isReadSo(PlacedTable table, TableChoice.HeaderRead read) {
        return table.table().columns().stream()
                .filter(column -> LooseText.key(column.header()).equals(read.key()))
                .anyMatch(column -> table.columns().stream()
                        .anyMatch(laid -> laid.origin().column(0).orElse(-1) == column.index()
                                && LooseText.key(laid.header()).equals(LooseText.key(read.as()))));
    }

    private static String layout(List<PlacedTable> tables) {
        return tables.isEmpty()
                ? "a layout that is not there"
                : tables.get(0).source() + (tables.size() > 1 ? " and all others of its layout" : "");
    }

    private static String header(String key, List<PlacedTable> tables) {
        return tables.stream()
                .flatMap(table -> table.table().columns().stream())
                .map(TableColumn::header)
                .filter(header -> LooseText.key(header).equals(key))
                .findFirst()
                .orElse(key);
    }

    private void spellings() {
        List<Decision> all = new ArrayList<>(job.settled());
        outcome.proposal().columns().stream()
                .filter(column -> column.type() == Type.TEXT && !job.isSettled(Tidying.KIND, column.name()))
                .flatMap(column -> decision(Tidying.KIND, column.name()).stream())
                .forEach(all::add);
        for (Decision decision : all) {
            if (decision.kind().equals(Tidying.KIND)
                    && Choices.of(decision, job.columns()).understood()) {
                String wanted = decision.wanted();
                long cells = outcome.proposal().columns().stream()
                        .filter(column -> column.name().equals(decision.subject()))
                        .mapToLong(Proposal.ColumnReport::filled)
                        .sum();
                sentences.add(new Sentence(
                        Tidying.KIND,
                        decision.subject(),
                        Sentence.Paragraph.VALUES,
                        "Write all texts of " + Says.quoted(decision.subject()) + " with " + wanted + ".",
                        cells == 0
                                ? "It needs a column " + Says.quoted(decision.subject()) + " that holds texts."
                                : "All " + Says.count(cells, "filled cell"),
                        decision.answer().equals(wanted),
                        job.isSettled(Tidying.KIND, decision.subject()),
                        job.isSettled(Tidying.KIND, decision.subject()) ? "" : decision.reason(),
                        wanted,
                        List.of(),
                        Decision.off(wanted),
                        List.of()));
            }
        }
    }

    private void values() {
        for (ValueRule rule : ValueRule.of(job)) {
            String texts = Says.list(rule.texts().stream().map(Says::quoted).toList());
            long cells = outcome.proposal().valueCells().getOrDefault(rule.subject(), 0L);
            boolean there = outcome.proposal().columns().stream()
                    .anyMatch(column -> column.name().equals(rule.column()));
            sentences.add(new Sentence(
                    ValueRule.KIND,
                    rule.subject(),
                    Sentence.Paragraph.VALUES,
                    "In " + Says.quoted(rule.column())
                            + (rule.scope().isEmpty() ? "" : " of " + scope(rule.scope())) + ", "
                            + (rule.to().isEmpty()
                                    ? "take " + texts + " for blank."
                                    : "write " + Says.quoted(rule.to()) + " for " + texts + "."),
                    !there
                            ? "There is no such column now; it needs " + rule.column() + "."
                            : outcome.proposal().isMadeNamed(rule.column())
                                    ? "In a column that is made"
                                    : Says.count(cells, "cell"),
                    rule.on(),
                    true,
                    "",
                    rule.switched(true).answer(),
                    List.of(),
                    rule.switched(false).answer(),
                    List.of()));
        }
    }

    /** A part of the sources, in words: a layout by the first of its tables. */
    private String scope(String scope) {
        return outcome.proposal().layouts().stream()
                .filter(layout -> layout.signature().equals(scope))
                .findFirst()
                .map(layout -> "tables with headers like those of "
                        + layout.tables().get(0).where())
                .orElse(scope);
    }

    /** Columns that are made from others. */
    private void made() {
        for (MadeColumns.Stated made : outcome.proposal().made()) {
            long filled = outcome.proposal().columns().stream()
                    .filter(column -> column.name().equals(made.name()))
                    .mapToLong(Proposal.ColumnReport::filled)
                    .sum();
            sentences.add(new Sentence(
                    MadeColumns.KIND,
                    made.name(),
                    Sentence.Paragraph.COLUMNS,
                    outcome.proposal().isMadeNamed(made.name())
                                    || outcome.proposal().columns().stream()
                                            .noneMatch(column -> column.name().equals(made.name()))
                            ? "Make the column " + Says.quoted(made.name()) + " from"
                            : "Change " + Says.quoted(made.name()) + " to",
                    !made.on()
                            ? "Switched off."
                            : made.problem().isEmpty()
                                    ? Says.count(filled, "row") + " of " + Says.number(outcome.rowsBefore()) + " filled"
                                    : "It cannot be made: " + made.problem() + ".",
                    made.on(),
                    true,
                    "",
                    "",
                    List.of(made.words()),
                    Decision.off(made.words()),
                    made.formula().isPresent()
                            ? outcome.proposal().plan().tables().stream()
                                    .map(MasterPlan.Table::id)
                                    .toList()
                            : List.of()));
        }
    }

    /** Names that are written for codes. */
    private void codes() {
        for (Codes codes : Codes.of(job)) {
            long cells = outcome.proposal().valueCells().getOrDefault(ValueCells.CODED + codes.column(), 0L);
            boolean there = outcome.proposal().columns().stream()
                    .anyMatch(column -> column.name().equals(codes.column()));
            boolean held = codes.file().isEmpty();
            String some = Says.list(codes.held().entrySet().stream()
                    .limit(3)
                    .map(each -> Says.quoted(each.getValue()) + " for " + Says.quoted(each.getKey()))
                    .toList());
            sentences.add(new Sentence(
                    Codes.KIND,
                    codes.column(),
                    Sentence.Paragraph.VALUES,
                    "In " + Says.quoted(codes.column()) + ", write "
                            + (held
                                    ? some
                                            + (codes.held().size() > 3
                                                    ? " and so on for "
                                                            + Says.count(
                                                                    codes.held().size(), "code")
                                                    : "")
                                            + "."
                                    : "for codes the names in " + codes.file() + "; codes and names stand there under"),
                    !there
                            ? "There is no such column now; it needs " + codes.column() + "."
                            : outcome.proposal().isMadeNamed(codes.column())
                                    ? "In a column that is made"
                                    : Says.count(cells, "cell"),
                    codes.on(),
                    true,
                    "",
                    held ? codes.answer(true) : codes.lead(),
                    held ? List.of() : List.of(codes.code(), codes.name()),
                    codes.answer(false),
                    List.of()));
        }
    }

    /** Single cells that are read as something else. */
    private void corrections() {
        for (Proposal.Corrected corrected : outcome.proposal().corrected()) {
            Correction correction = corrected.correction();
            sentences.add(new Sentence(
                    Correction.KIND,
                    correction.subject(),
                    Sentence.Paragraph.VALUES,
                    "Read " + correction.where()
                            + (corrected.column().isEmpty() ? "" : ", column " + Says.quoted(corrected.column()))
                            + ", as " + Corrections.said(correction.to()) + ", not "
                            + Corrections.said(correction.from()) + ".",
                    (corrected.problem().isEmpty() ? "1 cell" : "Not in force: " + corrected.problem())
                            + (correction.why().isEmpty() ? "" : "; because " + correction.why())
                            + (correction.by().isEmpty() ? "" : "; " + correction.by()) + ".",
                    correction.on(),
                    true,
                    "",
                    correction.answer(true),
                    List.of(),
                    correction.answer(false),
                    List.of()));
        }
    }

    /** Rules about rows, each with what it sets aside. */
    private void rows() {
        for (RowRules.Stated rule : RowRules.of(job, outcome.proposal().plan())) {
            if (rule.decision().kind().equals(Kinds.SENT_AGAIN)) {
                continue;
            }
            boolean byPhrase = rule.decision().kind().equals(RowRules.ROWS);
            String text = byPhrase
                    ? rule.verb().equals(RowRules.KEEP) ? "Keep only rows where" : "Set aside rows where"
                    : "Of rows that are equal in "
                            + Says.list(Names.splitTexts(rule.decision().subject())) + " " + rule.verb() + ".";
            List<Integer> tables = List.of();
            String touched =
                    rule.problem().isEmpty() ? "Switched off." : "It cannot be followed: " + rule.problem() + ".";
            if (rule.number() >= 0 && rule.number() < outcome.ruledOut().size()) {
                Map<Integer, Long> byTable = outcome.ruledOut().get(rule.number());
                tables = List.copyOf(byTable.keySet());
                long rows = byTable.values().stream().mapToLong(Long::longValue).sum();
                touched = Says.count(rows, "row") + " set aside"
                        + (rows == 0 ? "" : " from " + Says.count(byTable.size(), "table"));
            }
            sentences.add(new Sentence(
                    rule.decision().kind(),
                    rule.decision().subject(),
                    Sentence.Paragraph.ROWS,
                    text,
                    touched,
                    rule.on(),
                    true,
                    "",
                    rule.verb(),
                    byPhrase ? List.of(rule.decision().subject()) : List.of(),
                    Decision.off(rule.verb()),
                    tables));
        }
    }

    /** Rows that are kept whatever rules say. */
    private void putBack() {
        for (Decision decision : job.settled()) {
            boolean ours = decision.kind().equals(RowRules.PUT_BACK);
            (ours ? RowRules.row(decision) : Optional.<Where>empty())
                    .ifPresent(row -> sentences.add(new Sentence(
                            RowRules.PUT_BACK,
                            decision.subject(),
                            Sentence.Paragraph.ROWS,
                            "Keep " + row + " whatever the rules say.",
                            "1 record",
                            decision.answer().equals(RowRules.KEEP),
                            true,
                            "",
                            RowRules.KEEP,
                            List.of(),
                            Decision.off(RowRules.KEEP),
                            List.of())));
        }
    }

    /** Values that become columns, the order of the rows, their numbers. */
    private void shapings() {
        for (Shapings.Stated stated : outcome.proposal().shaped()) {
            String kind = stated.decision().kind();
            boolean gathers = kind.equals(Shapings.TO_COLUMNS);
            List<String> words = stated.words();
            String text = gathers && words.size() > 2
                    ? "Make columns of the values of " + words.get(0) + ", holding the " + words.get(1) + " of "
                            + words.get(2)
                            + (words.size() > 3
                                    ? ", with one row for each " + Says.list(words.subList(3, words.size()))
                                    : "")
                            + "."
                    : kind.equals(Shapings.SORTED)
                            ? "Order the rows by " + String.join(", then by ", words) + "."
                            : "Number the rows in a column named";
            String touched = stated.problem().isEmpty()
                    ? gathers
                            ? outcome.shaped()
                                    .map(shaped -> Says.count(shaped.before(), "row") + " gathered in "
                                            + Says.number(shaped.rows()) + ", "
                                            + Says.count(shaped.plan().columns().size() - outcome.keys(), "column")
                                            + " made")
                                    .orElse("")
                            : Says.count(outcome.rows(), "row")
                    : "It cannot be followed: " + stated.problem() + ".";
            sentences.add(new Sentence(
                    kind,
                    stated.decision().subject(),
                    Sentence.Paragraph.MASTER,
                    text,
                    stated.on() ? touched : "Switched off.",
                    stated.on(),
                    true,
                    "",
                    "",
                    stated.words(),
                    Shapings.off(stated.words()),
                    List.of()));
        }
    }

    private void sentAgain() {
        Set<String> there = new HashSet<>();
        outcome.sources().forEach(source -> there.add(source.path()));
        for (Decision decision : SentAgain.decisions(job)) {
            List<String> paths = Names.splitTexts(decision.subject());
            if (!there.containsAll(paths)) {
                continue;
            }
            boolean on = !decision.answer().equals(SourceChoice.ALL);
            sentences.add(new Sentence(
                    Kinds.SENT_AGAIN,
                    decision.subject(),
                    Sentence.Paragraph.ROWS,
                    sentAgain(paths, decision),
                    decision.evidence(),
                    on,
                    job.isSettled(Kinds.SENT_AGAIN, decision.subject()),
                    decision.reason(),
                    on ? decision.answer() : paths.get(0),
                    List.of(),
                    SourceChoice.ALL,
                    List.of()));
        }
    }

    private static String sentAgain(List<String> paths, Decision decision) {
        return Amendments.columns(decision.answer())
                .map(columns -> "Of rows of " + Says.list(paths) + " that are equal in "
                        + (columns.isEmpty() ? "all words and dates" : Says.list(columns))
                        + " keep that of the newest file.")
                .orElseGet(() -> decision.answer().equals(SourceChoice.ALL)
                        ? "Take all of " + Says.list(paths) + "."
                        : "Of " + Says.list(paths) + " take " + decision.answer() + " only.");
    }

    /** Sheets that would count rows twice, by what was decided about them: a sheet, or all of a layout. */
    private void doubles() {
        Map<String, List<String>> bySubject = new LinkedHashMap<>();
        for (ReadSheet sheet : outcome.sheets()) {
            bySubject
                    .computeIfAbsent(sheet.subject(), subject -> new ArrayList<>())
                    .add(sheet.subject());
            sheet.tables()
                    .forEach(table -> bySubject
                            .computeIfAbsent(table.signature(), subject -> new ArrayList<>())
                            .add(sheet.subject()));
        }
        for (Decision decision : job.assumed()) {
            List<String> sheets = bySubject.getOrDefault(decision.subject(), List.of());
            if (decision.kind().equals(Kinds.SHEET) && !sheets.isEmpty()) {
                Decision inForce = decision(Kinds.SHEET, decision.subject()).orElse(decision);
                sentences.add(new Sentence(
                        Kinds.SHEET,
                        decision.subject(),
                        Sentence.Paragraph.ROWS,
                        "Leave out " + Says.list(sheets) + ".",
                        decision.evidence(),
                        inForce.answer().equals(TableChoice.ASIDE),
                        job.isSettled(Kinds.SHEET, decision.subject()),
                        decision.reason(),
                        TableChoice.ASIDE,
                        List.of(),
                        TableChoice.TAKE,
                        List.of()));
            }
        }
    }
}
