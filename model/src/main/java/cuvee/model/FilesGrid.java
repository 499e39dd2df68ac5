package cuvee.model;

import cuvee.change.OwnDecisions;
import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.finding.Question;
import cuvee.gather.ReadSheet;
import cuvee.place.Says;
import cuvee.propose.Proposal;
import cuvee.tell.Outcome;
import cuvee.tell.SourceReport;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * The files of Collect, grouped by folder: what became of each, what its name says, how it is read. A part of the names can
 * be on trial: its column is shown for all files before it is one.
 */
public final class FilesGrid extends ListGrid<FilesGrid.Line> {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");
    private static final String NONE = "none";

    /** Which files are shown. */
    public enum Filter {
        ALL("all"),
        TAKEN("taken"),
        ASIDE("set aside"),
        ASKED("asked about");

        private final String words;

        Filter(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A line: a folder, or a file in it. */
    public record Line(String folder, String name, Optional<SourceReport> source) {}

    /** Where it stands what was found; the tags come behind it. */
    private static final int FOUND = 2;

    private final Outcome outcome;
    private final Optional<Proposal.TagReport> trial;
    private final int tags;

    private FilesGrid(
            Outcome outcome, List<Line> lines, List<Column<Line>> columns, Optional<Proposal.TagReport> trial) {
        super(lines, columns, (line, column) -> Tone.PLAIN);
        this.outcome = outcome;
        this.trial = trial;
        this.tags = (int) outcome.proposal().tags().stream()
                .filter(Proposal.TagReport::on)
                .count();
    }

    /**
     * @param sources the files, in their order
     * @param trial the tag that is on trial
     */
    private static FilesGrid of(
            Outcome outcome,
            List<SourceReport> sources,
            Filter filter,
            Optional<Proposal.TagReport> trial,
            ZoneId zone) {
        Map<String, String> forms = new HashMap<>();
        for (ReadSheet sheet : outcome.sheets()) {
            if (!sheet.form().isEmpty()) {
                String sign = sheet.decimalSign();
                forms.put(sheet.source(), sheet.form() + (sign.isEmpty() ? "" : ", decimal " + sign));
            }
        }
        List<Column<Line>> columns = new ArrayList<>();
        columns.add(Column.of("File", 232, line -> line.source().isEmpty() ? folderWords(outcome, line) : line.name()));
        columns.add(Column.of("State", 84, ofFile(file -> file.state().word())));
        columns.add(new Column<>(
                "Found",
                "tables and rows, or why it was set aside",
                250,
                false,
                ofFile(file -> foundOrWhy(outcome, file))));
        for (Proposal.TagReport tag : outcome.proposal().tags()) {
            if (tag.on()) {
                columns.add(tagColumn(tag, "tag: " + tag.source().words(), ""));
            }
        }
        trial.ifPresent(tag -> columns.add(tagColumn(tag, "on trial", NONE)));
        columns.add(
                new Column<>("Read as", "text files", 236, false, ofFile(file -> forms.getOrDefault(file.path(), ""))));
        columns.add(Column.number("Size", 76, ofFile(file -> Says.size(file.size()))));
        columns.add(new Column<>("Changed", "on disk", 138, false, ofFile(file -> time(file.modified(), zone))));
        return new FilesGrid(outcome, lines(outcome, sources, filter), columns, trial);
    }

    private static Column<Line> tagColumn(Proposal.TagReport tag, String subtitle, String none) {
        return new Column<>(
                tag.column(), subtitle, 118, false, ofFile(file -> tag.texts().getOrDefault(file.path(), none)));
    }

    /** The files as they are. */
    public static FilesGrid of(Outcome outcome, Filter filter, Optional<Proposal.TagReport> trial, ZoneId zone) {
        return of(outcome, outcome.sources(), filter, trial, zone);
    }

    /** The files as they would be under places that are tried out: what is known of them, and what is not read yet. */
    public static FilesGrid tried(Outcome outcome, Collector.Collected tried, ZoneId zone) {
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
        return of(outcome, sources, Filter.ALL, Optional.empty(), zone);
    }

    private static List<Line> lines(Outcome outcome, List<SourceReport> sources, Filter filter) {
        Map<String, List<SourceReport>> byFolder = new LinkedHashMap<>();
        for (SourceReport source : sources) {
            if (fits(outcome, source, filter)) {
                int slash = source.path().lastIndexOf('/');
                byFolder.computeIfAbsent(slash < 0 ? "" : source.path().substring(0, slash), any -> new ArrayList<>())
                        .add(source);
            }
        }
        List<Line> lines = new ArrayList<>();
        byFolder.forEach((folder, files) -> {
            if (!folder.isEmpty()) {
                lines.add(new Line(folder, "", Optional.empty()));
            }
            files.forEach(file -> lines.add(
                    new Line(folder, file.path().substring(file.path().lastIndexOf('/') + 1), Optional.of(file))));
        });
        return lines;
    }

    private static boolean fits(Outcome outcome, SourceReport source, Filter filter) {
        return switch (filter) {
            case ALL -> true;
            case TAKEN -> source.state() != SourceReport.State.SET_ASIDE;
            case ASIDE -> source.state() == SourceReport.State.SET_ASIDE;
            case ASKED -> question(outcome, source).isPresent();
        };
    }

    /** How many files fit a filter. */
    public static long count(Outcome outcome, Filter filter) {
        return switch (filter) {
            case ALL -> outcome.sources().size();
            case TAKEN -> outcome.taken();
            case ASIDE -> outcome.sources().size() - outcome.taken();
            case ASKED ->
                outcome.sources().stream()
                        .filter(source -> question(outcome, source).isPresent())
                        .count();
        };
    }

    private static Optional<Question> question(Outcome outcome, SourceReport source) {
        return outcome.questions().stream()
                .filter(question -> Questions.stage(question) == Stage.COLLECT
                        && question.where().source().equals(source.path()))
                .findFirst();
    }

    /** The open question that stands at a line; empty where there is none. */
    public Optional<Question> question(long row) {
        return item(row).source().flatMap(source -> question(outcome, source));
    }

    // ---- words ----

    private static Function<Line, String> ofFile(Function<SourceReport, String> text) {
        return line -> line.source().map(text).orElse("");
    }

    private static String folderWords(Outcome outcome, Line folder) {
        long taken = 0;
        long aside = 0;
        for (SourceReport source : outcome.sources()) {
            int slash = source.path().lastIndexOf('/');
            if (slash == folder.folder().length() && source.path().startsWith(folder.folder())) {
                boolean out = source.state() == SourceReport.State.SET_ASIDE;
                aside += out ? 1 : 0;
                taken += out ? 0 : 1;
            }
        }
        return folder.folder() + "     " + Says.count(taken, "file") + " taken"
                + (aside == 0 ? "" : ", " + Says.number(aside) + " set aside");
    }

    private static String foundOrWhy(Outcome outcome, SourceReport source) {
        String why = why(source);
        int own = OwnDecisions.of(outcome.job(), source.path()).size();
        String rules = own == 0 ? "" : "; " + Says.count(own, "rule") + " of its own";
        if (source.tables().isEmpty()) {
            return why + rules;
        }
        return Says.count(source.tables().size(), "table") + ", " + Says.count(source.rows(), "row")
                + (why.isEmpty() ? "" : "; " + why) + rules;
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

    private static String time(long millis, ZoneId zone) {
        return millis < 0 ? "" : DAY.format(Instant.ofEpochMilli(millis).atZone(zone));
    }

    // ---- the grid ----

    @Override
    public int pinned() {
        return 1;
    }

    @Override
    public Tone tone(long row, int column) {
        Optional<SourceReport> source = item(row).source();
        if (source.isEmpty()) {
            return Tone.HEADING;
        }
        if (trial.isPresent() && column == FOUND + tags + 1) {
            return text(row, column).equals(NONE) ? Tone.MARKED : Tone.TRIAL;
        }
        boolean aside = source.get().state() != SourceReport.State.TAKEN;
        if (aside) {
            return column == 1 ? Tone.MARKED : column == FOUND ? Tone.PLAIN : Tone.QUIET;
        }
        return column > FOUND + tags ? Tone.QUIET : Tone.PLAIN;
    }

    @Override
    public boolean runsOn(long row) {
        return item(row)
                .source()
                .filter(source -> source.state() != SourceReport.State.TAKEN)
                .isPresent();
    }

    @Override
    public Mark mark(long row, int column) {
        return column == 0 && question(row).isPresent() ? Mark.QUESTION : Mark.NONE;
    }

    @Override
    public String trail(long row, int column) {
        return item(row)
                .source()
                .map(file -> file.path() + ": " + file.state().word() + ", " + foundOrWhy(outcome, file))
                .orElse("");
    }

    @Override
    public String hint(long row, int column) {
        return column == FOUND ? text(row, column) : "";
    }

    /** The tag on trial, and how many of the files that are taken it says something of. */
    public String trialWords() {
        return trial.map(tag -> {
                    long said = outcome.sources().stream()
                            .filter(source -> source.state() == SourceReport.State.TAKEN)
                            .filter(source -> tag.texts().containsKey(source.path()))
                            .count();
                    return "On trial: " + tag.column() + " from " + tag.source().said() + ": "
                            + Says.number(said) + " of " + Says.count(outcome.taken(), "file")
                            + (said == 1 ? " says one." : " say one.");
                })
                .orElse("");
    }
}
