package cuvee.model;

import cuvee.collect.Collector;
import cuvee.collect.Source;
import cuvee.finding.Question;
import cuvee.place.Says;
import cuvee.refresh.Outcome;
import cuvee.refresh.OwnDecisions;
import cuvee.refresh.Proposal;
import cuvee.refresh.ReadSheet;
import cuvee.refresh.SourceReport;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;

/**
 * The files of Collect, grouped by folder: what became of each, what its name says, how it is read. A part of the names can
 * be on trial: its column is shown for all files before it is one.
 */
public final class FilesGrid implements GridModel {
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

    private record Column(String title, String subtitle, double width, boolean numeric, Function<Line, String> text) {}

    private final Outcome outcome;
    private final List<Line> lines = new ArrayList<>();
    private final List<Column> columns = new ArrayList<>();
    private final Optional<Proposal.TagReport> trial;
    private final Map<String, String> forms = new HashMap<>();
    private final int found;
    private final int tried;

    /**
     * @param sources the files, in their order
     * @param trial the tag that is on trial
     */
    private FilesGrid(
            Outcome outcome,
            List<SourceReport> sources,
            Filter filter,
            Optional<Proposal.TagReport> trial,
            ZoneId zone) {
        this.outcome = outcome;
        this.trial = trial;
        for (ReadSheet sheet : outcome.sheets()) {
            if (!sheet.form().isEmpty()) {
                String sign = sheet.decimalSign();
                forms.put(sheet.source(), sheet.form() + (sign.isEmpty() ? "" : ", decimal " + sign));
            }
        }
        group(sources, filter);
        columns.add(
                new Column("File", "", 232, false, line -> line.source().isEmpty() ? folderWords(line) : line.name()));
        columns.add(
                new Column("State", "", 84, false, ofFile(file -> file.state().word())));
        found = columns.size();
        columns.add(
                new Column("Found", "tables and rows, or why it was set aside", 250, false, ofFile(this::foundOrWhy)));
        for (Proposal.TagReport tag : outcome.proposal().tags()) {
            if (tag.on()) {
                columns.add(new Column(
                        tag.column(),
                        "tag: " + tag.source().words(),
                        118,
                        false,
                        ofFile(file -> tag.texts().getOrDefault(file.path(), ""))));
            }
        }
        tried = trial.isPresent() ? columns.size() : -1;
        trial.ifPresent(tag -> columns.add(new Column(
                tag.column(), "on trial", 118, false, ofFile(file -> tag.texts().getOrDefault(file.path(), NONE)))));
        columns.add(
                new Column("Read as", "text files", 236, false, ofFile(file -> forms.getOrDefault(file.path(), ""))));
        columns.add(new Column("Size", "", 76, true, ofFile(file -> Says.size(file.size()))));
        columns.add(new Column("Changed", "on disk", 138, false, ofFile(file -> time(file.modified(), zone))));
    }

    /** The files as they are. */
    public static FilesGrid of(Outcome outcome, Filter filter, Optional<Proposal.TagReport> trial, ZoneId zone) {
        return new FilesGrid(outcome, outcome.sources(), filter, trial, zone);
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
        return new FilesGrid(outcome, sources, Filter.ALL, Optional.empty(), zone);
    }

    private void group(List<SourceReport> sources, Filter filter) {
        Map<String, List<SourceReport>> byFolder = new LinkedHashMap<>();
        for (SourceReport source : sources) {
            if (fits(source, filter)) {
                int slash = source.path().lastIndexOf('/');
                byFolder.computeIfAbsent(slash < 0 ? "" : source.path().substring(0, slash), any -> new ArrayList<>())
                        .add(source);
            }
        }
        byFolder.forEach((folder, files) -> {
            if (!folder.isEmpty()) {
                lines.add(new Line(folder, "", Optional.empty()));
            }
            files.forEach(file -> lines.add(
                    new Line(folder, file.path().substring(file.path().lastIndexOf('/') + 1), Optional.of(file))));
        });
    }

    private boolean fits(SourceReport source, Filter filter) {
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

    public Line item(long row) {
        return lines.get((int) row);
    }

    // ---- words ----

    private static Function<Line, String> ofFile(Function<SourceReport, String> text) {
        return line -> line.source().map(text).orElse("");
    }

    private String folderWords(Line folder) {
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

    private String foundOrWhy(SourceReport source) {
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
    public long rows() {
        return lines.size();
    }

    @Override
    public int columns() {
        return columns.size();
    }

    @Override
    public int pinned() {
        return 1;
    }

    @Override
    public String title(int column) {
        return columns.get(column).title();
    }

    @Override
    public String subtitle(int column) {
        return columns.get(column).subtitle();
    }

    @Override
    public double width(int column) {
        return columns.get(column).width();
    }

    @Override
    public boolean numeric(int column) {
        return columns.get(column).numeric();
    }

    @Override
    public String text(long row, int column) {
        return columns.get(column).text().apply(item(row));
    }

    @Override
    public Tone tone(long row, int column) {
        Optional<SourceReport> source = item(row).source();
        if (source.isEmpty()) {
            return Tone.HEADING;
        }
        if (column == tried) {
            return text(row, column).equals(NONE) ? Tone.MARKED : Tone.TRIAL;
        }
        boolean aside = source.get().state() != SourceReport.State.TAKEN;
        if (aside) {
            return column == 1 ? Tone.MARKED : column == found ? Tone.PLAIN : Tone.QUIET;
        }
        return column
                        > found
                                + outcome.proposal().tags().stream()
                                        .filter(Proposal.TagReport::on)
                                        .count()
                ? Tone.QUIET
                : Tone.PLAIN;
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
    public String hint(long row, int column) {
        return column == found ? Objects.requireNonNullElse(text(row, column), "") : "";
    }

    @Override
    public String rowLabel(long row) {
        return "";
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
