package cuvee.model;

import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.decision.SheetRule;
import cuvee.detect.FoundTable;
import cuvee.detect.RowClass;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.master.MasterPlan;
import cuvee.model.GridModel.Tone;
import cuvee.model.ListGrid.Column;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import cuvee.refresh.OwnDecisions;
import cuvee.refresh.Proposal;
import cuvee.refresh.ReadSheet;
import cuvee.refresh.SourceReport;
import cuvee.value.LooseText;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
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

/** What the views show of an outcome, as grids. */
public final class Grids {
    /** Stands where a tag fills a column. */
    private static final String TAGGED = "tag";
    /** Stands in a column that says the currencies of the one before it. */
    private static final String BESIDE = "currency";
    /** Stands in a column that a rule makes from others. */
    private static final String MADE = "made";
    /** A layout with more folders or files than these is called by the first. */
    private static final int MOST_NAMED = 3;

    private static final DateTimeFormatter SHORT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    private static final String ASSUMED = ", assumed";

    private Grids() {}

    // ---- Collect ----

    /** A line of the list of files: a folder, or a file in it. */
    public record FileLine(String folder, String name, Optional<SourceReport> source) {}

    /** The files, grouped by folder. */
    public static ListGrid<FileLine> files(Outcome outcome, ZoneId zone) {
        return files(outcome, outcome.sources(), zone);
    }

    /** The files as they would be under places that are tried out: what is known of them, and what is not read yet. */
    public static ListGrid<FileLine> filesTried(Outcome outcome, Collector.Collected tried, ZoneId zone) {
        Map<String, SourceReport> known = new HashMap<>();
        outcome.sources().forEach(source -> known.put(source.path(), source));
        List<SourceReport> sources = new ArrayList<>();
        for (Source source : tried.sources()) {
            SourceReport before = known.get(source.path());
            boolean read = before != null && !Collector.KINDS.contains(before.kind());
            if (source.taken() && before != null && read) {
                sources.add(before);
            } else {
                sources.add(new SourceReport(
                        source.path(),
                        source.size(),
                        source.modified(),
                        source.taken() ? SourceReport.State.TAKEN : SourceReport.State.SET_ASIDE,
                        source.asideKind(),
                        source.taken() ? "it would be read" : source.aside(),
                        List.of(),
                        List.of()));
            }
        }
        return files(outcome, sources, zone);
    }

    private static Map<String, String> forms(Outcome outcome) {
        Map<String, String> forms = new HashMap<>();
        outcome.sheets().forEach(sheet -> forms.put(sheet.source(), sheet.form()));
        return forms;
    }

    private static ListGrid<FileLine> files(Outcome outcome, List<SourceReport> sources, ZoneId zone) {
        Map<String, String> forms = forms(outcome);
        List<FileLine> lines = new ArrayList<>();
        String folder = "";
        for (SourceReport source : sources) {
            int slash = source.path().lastIndexOf('/');
            String here = slash < 0 ? "" : source.path().substring(0, slash);
            if (!here.equals(folder)) {
                lines.add(new FileLine(here, "", Optional.empty()));
                folder = here;
            }
            lines.add(new FileLine(here, source.path().substring(slash + 1), Optional.of(source)));
        }
        List<Column<FileLine>> columns = new ArrayList<>(List.of(
                Column.of("File", 196, line -> line.source().isEmpty() ? line.folder() : line.name()),
                Column.of(
                        "State",
                        76,
                        line -> line.source().map(s -> s.state().word()).orElse("")),
                Column.of(
                        "What was found, or why it was set aside",
                        340,
                        line -> line.source()
                                .map(s -> foundOrWhy(s, forms) + own(outcome, s))
                                .orElse("")),
                Column.number(
                        "Size",
                        70,
                        line -> line.source().map(s -> Says.size(s.size())).orElse("")),
                Column.of(
                        "Modified",
                        132,
                        line -> line.source().map(s -> time(s.modified(), zone)).orElse(""))));
        int at = 2;
        for (Proposal.TagReport tag : outcome.proposal().tags()) {
            if (tag.on()) {
                columns.add(
                        at++,
                        Column.of(
                                tag.column(),
                                96,
                                line -> line.source()
                                        .map(s -> tag.texts().getOrDefault(s.path(), ""))
                                        .orElse("")));
            }
        }
        int tags = at - 2;
        return new ListGrid<>(
                lines, columns, (line, column) -> toneOf(line, column < 2 ? column : Math.max(2, column - tags)));
    }

    private static Tone toneOf(FileLine line, int column) {
        if (line.source().isEmpty()) {
            return Tone.HEADING;
        }
        boolean aside = line.source().get().state() != SourceReport.State.TAKEN;
        if (aside) {
            return column == 1 ? Tone.MARKED : column == 2 ? Tone.PLAIN : Tone.QUIET;
        }
        return column == 3 || column == 4 ? Tone.QUIET : Tone.PLAIN;
    }

    private static String time(long millis, ZoneId zone) {
        return millis < 0 ? "" : SHORT.format(Instant.ofEpochMilli(millis).atZone(zone));
    }

    private static String foundOrWhy(SourceReport source, Map<String, String> forms) {
        if (source.tables().isEmpty()) {
            return why(source);
        }
        String found = Says.count(source.rows(), "row") + " in "
                + Says.count(source.tables().size(), "table");
        String form = forms.getOrDefault(source.path(), "");
        String why = why(source);
        return found + (form.isEmpty() ? "" : "; " + form) + (why.isEmpty() ? "" : "; " + why);
    }

    /** How much is said of a source alone. */
    private static String own(Outcome outcome, SourceReport source) {
        int own = OwnDecisions.of(outcome.job(), source.path()).size();
        return own == 0 ? "" : "; " + Says.count(own, "rule") + " of its own";
    }

    private static String why(SourceReport source) {
        if (!source.reason().isEmpty()) {
            return source.reason();
        }
        if (source.outside().isEmpty()) {
            return "";
        }
        return "not taken: "
                + Says.list(source.outside().stream()
                        .map(out -> (out.sheet().isEmpty() ? "a table" : "sheet " + out.sheet()) + ", " + out.reason())
                        .toList());
    }

    // ---- Read ----

    /** A line of the list of what was read: a layout, or a sheet with its tables. */
    public record ReadLine(String heading, Optional<ReadSheet> sheet, String figure) {}

    /** The layouts with their sheets, then the sheets that are not in the master, each with the reason. */
    public static ListGrid<ReadLine> read(Outcome outcome) {
        Map<Integer, ReadSheet> bySheet = new LinkedHashMap<>();
        Map<String, Set<String>> files = new HashMap<>();
        outcome.sheets().forEach(sheet -> {
            bySheet.put(sheet.staged().id(), sheet);
            files.computeIfAbsent(fileName(sheet.source()), name -> new HashSet<>())
                    .add(sheet.source());
        });
        List<ReadLine> lines = new ArrayList<>();
        int number = 0;
        for (Layout layout : outcome.proposal().layouts()) {
            number++;
            lines.add(new ReadLine(
                    "Layout " + number + ", " + Says.count(layout.headers().size(), "column") + ": "
                            + String.join(", ", layout.headers()),
                    Optional.empty(),
                    Says.count(layout.tables().size(), "table")));
            for (PlacedTable table : layout.tables()) {
                lines.add(new ReadLine(
                        "",
                        Optional.ofNullable(bySheet.get(table.staged())),
                        Says.number(table.table().kept())));
            }
        }
        List<ReadSheet> outside = outcome.sheets().stream()
                .filter(sheet -> !sheet.reason().isEmpty())
                .toList();
        if (!outside.isEmpty()) {
            lines.add(new ReadLine("Not in the master", Optional.empty(), Says.count(outside.size(), "sheet")));
            outside.forEach(sheet -> lines.add(new ReadLine("", Optional.of(sheet), "0")));
        }
        List<Column<ReadLine>> columns = List.of(
                Column.of("Layout, file and sheet", 262, line -> readName(line, files)),
                Column.number("Kept", 58, line -> line.sheet().isEmpty() ? "" : line.figure()));
        return new ListGrid<>(
                lines,
                columns,
                (line, column) -> line.sheet().isEmpty() ? Tone.HEADING : column == 1 ? Tone.QUIET : Tone.PLAIN);
    }

    /** What a rule about sheets that is tried out finds in each of the files that it would be said of. */
    public static ListGrid<ReadLine> readUnder(Outcome outcome, SheetRule rule, SheetScope scope) {
        Map<String, List<ReadSheet>> bySource = new LinkedHashMap<>();
        scope.files(outcome)
                .forEach(sheet -> bySource.computeIfAbsent(sheet.source(), source -> new ArrayList<>())
                        .add(sheet));
        List<ReadLine> lines = new ArrayList<>();
        for (List<ReadSheet> sheets : bySource.values()) {
            List<ReadSheet> taken =
                    rule.takenOf(sheets).stream().map(sheets::get).toList();
            String found = taken.isEmpty()
                    ? NOT_FOUND
                    : taken.get(0).name().isEmpty()
                            ? "found"
                            : Says.list(taken.stream().map(ReadSheet::name).toList());
            lines.add(new ReadLine("", Optional.of(taken.isEmpty() ? sheets.get(0) : taken.get(0)), found));
        }
        List<Column<ReadLine>> columns = List.of(
                Column.of(
                        "File",
                        176,
                        line -> line.sheet()
                                .map(ReadSheet::source)
                                .map(Grids::fileName)
                                .orElse("")),
                Column.of("Sheets found", 144, ReadLine::figure));
        return new ListGrid<>(
                lines,
                columns,
                (line, column) -> column == 1 && line.figure().equals(NOT_FOUND) ? Tone.MARKED : Tone.PLAIN);
    }

    private static final String NOT_FOUND = "not found";

    private static String fileName(String path) {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    private static String readName(ReadLine line, Map<String, Set<String>> files) {
        return line.sheet()
                .map(sheet -> {
                    String file = fileName(sheet.source());
                    boolean alone = files.getOrDefault(file, Set.of()).size() < 2;
                    return (alone ? file : sheet.source()) + (sheet.name().isEmpty() ? "" : ", " + sheet.name());
                })
                .orElseGet(() -> line.figure() + "  " + line.heading());
    }

    /** The rows of a table that are no records, counted by what they are. */
    public static String aside(FoundTable table) {
        return table.setAside().entrySet().stream()
                .map(entry -> Says.count(entry.getValue(), noun(entry.getKey())))
                .collect(Collectors.joining(", "));
    }

    private static String noun(RowClass what) {
        return switch (what) {
            case BLANK -> "blank row";
            case REPEAT -> "repeated header";
            case OUTSIDE -> "row outside";
            case TITLE, HEADER, TOTAL, SECTION, NOTE, FIELD -> what.word();
        };
    }

    // ---- Line up ----

    /** Which columns the board shows. */
    public enum BoardFilter {
        ALL("all columns"),
        DIFFERENT("not spelled the same everywhere"),
        ABSENT("absent somewhere"),
        ASSUMED("assumed");

        private final String words;

        BoardFilter(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The columns of the master that the board shows under a filter, by their position. */
    public static List<Integer> boardColumns(Outcome outcome, BoardFilter filter) {
        List<Integer> shown = new ArrayList<>();
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        for (int at = 0; at < columns.size(); at++) {
            String name = columns.get(at).name();
            boolean wanted = filter == BoardFilter.ALL
                    || outcome.proposal().hasCells(at)
                            && !outcome.proposal().isTag(name)
                            && outcome.proposal().layouts().stream()
                                    .map(layout -> spelled(outcome, layout, name))
                                    .anyMatch(cell -> matches(cell, filter));
            if (wanted) {
                shown.add(at);
            }
        }
        return shown;
    }

    private static boolean matches(String cell, BoardFilter filter) {
        return switch (filter) {
            case ALL -> true;
            case DIFFERENT -> !cell.isEmpty() && !cell.equals("=");
            case ABSENT -> cell.isEmpty();
            case ASSUMED -> cell.endsWith(ASSUMED);
        };
    }

    /** The board: layouts down, master columns across, each cell the header as the layout spells it. */
    public static ListGrid<Layout> lineUp(Outcome outcome, List<Integer> shown) {
        List<Column<Layout>> columns = new ArrayList<>();
        columns.add(Column.of("Layout", 180, Grids::layoutName));
        columns.add(Column.number(
                "Tables", 66, layout -> Says.number(layout.tables().size())));
        for (int at : shown) {
            Proposal.ColumnReport column = outcome.proposal().columns().get(at);
            double width = Math.max(118, column.name().length() * 7.6 + 26);
            String subtitle = column.typeWords() + ", " + MasterGrid.fullness(column.filled(), outcome.rowsBefore());
            columns.add(new Column<>(
                    column.name(),
                    subtitle,
                    Math.max(width, subtitle.length() * 6.6 + 24),
                    false,
                    layout -> onBoard(outcome, layout, at)));
        }
        return new ListGrid<>(outcome.proposal().layouts(), columns, (layout, column) -> {
                    if (column < 2) {
                        return Tone.PLAIN;
                    }
                    String cell = onBoard(outcome, layout, shown.get(column - 2));
                    return cell.isEmpty()
                            ? Tone.ABSENT
                            : cell.equals("=") || cell.equals(TAGGED) || cell.equals(BESIDE) || cell.equals(MADE)
                                    ? Tone.QUIET
                                    : cell.endsWith(ASSUMED) ? Tone.MARKED : Tone.PLAIN;
                })
                .withHints((layout, column) -> column < 2 ? "" : samples(outcome, layout, shown.get(column - 2)));
    }

    /** What a header holds, for a look at it in passing. */
    private static String samples(Outcome outcome, Layout layout, int column) {
        return header(outcome, layout, outcome.proposal().columns().get(column).name())
                .filter(header -> !header.samples().isEmpty())
                .map(header -> header.header() + ": "
                        + Says.list(header.samples().stream().map(Says::quoted).toList()))
                .orElse("");
    }

    private static String onBoard(Outcome outcome, Layout layout, int column) {
        Proposal proposal = outcome.proposal();
        return proposal.isMade(column)
                ? MADE
                : proposal.hasCells(column)
                        ? spelled(
                                outcome, layout, proposal.columns().get(column).name())
                        : BESIDE;
    }

    /** A layout as the people of its folders call it. */
    public static String layoutName(Layout layout) {
        Set<String> folders = new LinkedHashSet<>();
        layout.tables().forEach(table -> {
            int slash = table.source().indexOf('/');
            folders.add(slash < 0 ? table.source() : table.source().substring(0, slash));
        });
        List<String> names = List.copyOf(folders);
        return names.size() <= MOST_NAMED
                ? Says.list(names)
                : names.get(0) + " and " + Says.number(names.size() - 1) + " more";
    }

    /** The header that feeds a column in a layout: "=" where it is spelled the same, empty where there is none. */
    private static String spelled(Outcome outcome, Layout layout, String name) {
        for (int i = 0; i < layout.keys().size(); i++) {
            String key = layout.keys().get(i);
            if (name.equals(outcome.proposal().lineUp().get(key))) {
                String header = layout.headers().get(i);
                return header.equals(name) ? "=" : header + how(outcome, key, name);
            }
        }
        return outcome.proposal().isTag(name) ? TAGGED : "";
    }

    /** How a header that is spelled otherwise came to its column; nothing where it differs in signs only. */
    private static String how(Outcome outcome, String key, String name) {
        if (outcome.questions().stream()
                .anyMatch(question -> question.kind().equals(LineUp.KIND)
                        && question.subject().equals(key))) {
            return ASSUMED;
        }
        boolean yours = outcome.job().isSettled(LineUp.KIND, key);
        return yours ? ", yours" : LooseText.key(name).equals(key) ? "" : ", similar";
    }

    /**
     * A header on the board.
     *
     * @param key its loose key
     * @param own true where it would be called so by itself
     */
    public record BoardHeader(String key, String header, boolean own, List<String> samples) {}

    /** The header that feeds a column in a layout, with some of its values. */
    public static Optional<BoardHeader> header(Outcome outcome, Layout layout, String name) {
        for (int i = 0; i < layout.keys().size(); i++) {
            String key = layout.keys().get(i);
            if (name.equals(outcome.proposal().lineUp().get(key))) {
                Set<String> samples = new LinkedHashSet<>();
                for (var table : layout.tables()) {
                    var evidence = table.columns().get(i).evidence();
                    samples.addAll(evidence.oddities().keySet());
                    samples.addAll(evidence.someDates());
                }
                return Optional.of(new BoardHeader(
                        key,
                        layout.headers().get(i),
                        LooseText.key(name).equals(key),
                        samples.stream().limit(5).toList()));
            }
        }
        return Optional.empty();
    }

    // ---- Check ----

    /** The findings, the gravest first. */
    public static ListGrid<Finding> findings(Outcome outcome) {
        List<Finding> findings = outcome.findings().stream()
                .filter(finding -> finding.atLeast(Severity.REMARK))
                .sorted((a, b) -> b.severity().compareTo(a.severity()))
                .toList();
        List<Column<Finding>> columns = List.of(
                Column.of("Weight", 80, finding -> finding.severity().word()),
                Column.of("Where", 270, finding -> finding.where().toString()),
                Column.of("What happened", 560, Finding::what),
                Column.of("What Cuvee did", 280, Finding::done),
                Column.of("What you can do", 400, Finding::canDo));
        return new ListGrid<>(
                findings,
                columns,
                (finding, column) -> column == 0 && finding.atLeast(Severity.WARNING) ? Tone.MARKED : Tone.PLAIN);
    }

    /** The reconciliation: for each source the lines seen, kept and set aside, which always add up. */
    public static ListGrid<SourceReport> reconciliation(Outcome outcome) {
        List<SourceReport> sources = outcome.sources().stream()
                .filter(source -> !source.tables().isEmpty())
                .toList();
        Map<String, Fed> fed = fed(outcome);
        List<Column<SourceReport>> columns = new ArrayList<>(List.of(
                Column.of("File", 300, SourceReport::path),
                Column.number("Lines seen", 100, source -> Says.number(source.seen())),
                Column.number("Set aside", 90, source -> Says.number(source.seen() - source.rows())),
                Column.number("Kept", 90, source -> Says.number(source.rows()))));
        boolean ruled = outcome.rowsRuledOut() > 0;
        if (outcome.rowsBefore() + outcome.rowsRuledOut() != outcome.kept()) {
            columns.add(Column.number(
                    "Became rows",
                    100,
                    source -> Says.number(
                            fed.getOrDefault(source.path(), Fed.NONE).rows())));
        }
        if (ruled) {
            columns.add(Column.number(
                    "Aside by rules",
                    110,
                    source -> Says.number(
                            fed.getOrDefault(source.path(), Fed.NONE).ruledOut())));
            columns.add(Column.number("In the master", 110, source -> {
                Fed made = fed.getOrDefault(source.path(), Fed.NONE);
                return Says.number(made.rows() - made.ruledOut());
            }));
        }
        columns.add(Column.number(
                "Columns matched",
                130,
                source -> Says.number(
                        fed.getOrDefault(source.path(), Fed.NONE).matched().size())));
        columns.add(Column.of(
                "Missing",
                280,
                source -> names(fed.getOrDefault(source.path(), Fed.NONE).missing())));
        columns.add(Column.of(
                "Only here",
                240,
                source -> names(fed.getOrDefault(source.path(), Fed.NONE).extra())));
        int quiet = columns.size() - 2;
        return new ListGrid<>(sources, columns, (source, column) -> column >= quiet ? Tone.QUIET : Tone.PLAIN);
    }

    /** What stands over the reconciliation: that it closes, and what was corrected. */
    public static String reconciliationSays(Outcome outcome) {
        List<Proposal.Corrected> corrected = outcome.proposal().corrected().stream()
                .filter(Proposal.Corrected::inForce)
                .toList();
        String all = "Every line seen is kept or set aside, file by file.";
        all += outcome.shaped()
                .filter(shaped -> shaped.before() != shaped.rows())
                .map(shaped -> " In the end " + Says.count(shaped.before(), "row") + " are gathered in "
                        + Says.number(shaped.rows()) + ".")
                .orElse("");
        if (corrected.isEmpty()) {
            return all;
        }
        Map<String, Long> byColumn = corrected.stream()
                .collect(Collectors.groupingBy(Proposal.Corrected::column, LinkedHashMap::new, Collectors.counting()));
        return all + " You corrected "
                + Says.list(byColumn.entrySet().stream()
                        .map(entry -> Says.count(entry.getValue(), "cell") + " of " + entry.getKey())
                        .toList())
                + "; the sources say otherwise.";
    }

    private static String names(Set<String> names) {
        return names.isEmpty() ? "" : Says.list(List.copyOf(names));
    }

    /**
     * What a source gives the master.
     *
     * @param missing columns that none of its tables has
     * @param extra columns that no other layout has
     * @param rows what its records came to
     * @param ruledOut how many of those rules set aside
     */
    private record Fed(Set<String> matched, Set<String> missing, Set<String> extra, long rows, long ruledOut) {
        static final Fed NONE = new Fed(Set.of(), Set.of(), Set.of(), 0, 0);
    }

    private static Map<String, Fed> fed(Outcome outcome) {
        Map<String, Fed> bySource = new HashMap<>();
        List<Proposal.ColumnReport> columns = outcome.proposal().columns();
        int layouts = outcome.proposal().layouts().size();
        for (MasterPlan.Table table : outcome.proposal().plan().tables()) {
            Fed before = bySource.getOrDefault(table.source(), Fed.NONE);
            Set<String> matched = new LinkedHashSet<>(before.matched());
            Set<String> extra = new LinkedHashSet<>(before.extra());
            Set<String> missing = new LinkedHashSet<>();
            for (int i = 0; i < columns.size(); i++) {
                String name = columns.get(i).name();
                if (table.feeds().get(i) != null) {
                    matched.add(name);
                    if (layouts > 1 && columns.get(i).layouts() == 1) {
                        extra.add(name);
                    }
                }
            }
            for (int i = 0; i < columns.size(); i++) {
                if (outcome.proposal().hasCells(i)) {
                    missing.add(columns.get(i).name());
                }
            }
            missing.removeAll(matched);
            Outcome.Made made = outcome.made().get(table.id());
            bySource.put(
                    table.source(),
                    new Fed(
                            matched,
                            missing,
                            extra,
                            before.rows() + (made == null ? 0 : made.rows()),
                            before.ruledOut() + outcome.ruledOut(table.id())));
        }
        return bySource;
    }
}
