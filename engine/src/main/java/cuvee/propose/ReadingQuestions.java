package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.Reading;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.gather.FormSheets;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.layout.Signatures;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What is in doubt about the reading of tables: a question for each layout where an answer helps, else a finding. */
final class ReadingQuestions implements Draft.Step {
    /** Kinds of doubts that are told as remarks. */
    private static final Set<String> TOLD = Set.of(
            "section",
            "head-row",
            "total-column",
            "balance-row",
            "charge-row",
            "count-row",
            "group-of-one",
            "total-above",
            "total-compared",
            "limit-row",
            "words-below-header",
            "words-below-records",
            "line-below",
            "note-between");

    /** Blanks in fewer rows may be chance. */
    private static final int FEWEST_ROWS = 6;

    private final Job job;
    private final List<Question> questions = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();

    ReadingQuestions(Job job) {
        this.job = job;
    }

    @Override
    public Draft on(Draft draft) {
        draft.layouts().forEach(this::ask);
        return draft.saying(Said.of(questions, findings));
    }

    /** Asks, or says, what is in doubt about how the tables of a layout were read. */
    private void ask(Layout layout) {
        askTotals(layout);
        sayOfSparseRows(layout);
        askHeader(layout);
        layout.tables().forEach(this::sayOfEverySecondRow);
        for (PlacedTable table : layout.tables()) {
            for (Doubt doubt : table.table().doubts()) {
                boolean turned = doubt.kind().equals("total-column") && table.turned() > 0;
                boolean called = doubt.kind().equals("no-header") && HeadersOfOthers.isCalledAsOthers(table);
                if (!turned
                        && !called
                        && !doubt.kind().equals("total-row")
                        && !doubt.kind().equals(FormSheets.OF_THE_SHEET)
                        && !doubt.kind().equals("sparse-row")) {
                    findings.add(new Finding(
                            TOLD.contains(doubt.kind()) ? Severity.REMARK : Severity.WARNING,
                            doubt.kind(),
                            table.where().row(doubt.row()),
                            doubt.text(),
                            "",
                            "Look at it there; correct how the sheet is read if it is wrong."));
                }
            }
        }
    }

    /** Doubts of one kind in the tables of a layout: the first place, and the rows. */
    private record Doubtful(List<Where> places, long rows) {
        static Doubtful of(Layout layout, String kind) {
            List<Where> places = new ArrayList<>();
            long rows = 0;
            for (PlacedTable table : layout.tables()) {
                for (Doubt doubt : table.table().doubts()) {
                    if (doubt.kind().equals(kind)) {
                        places.add(table.where().row(doubt.row()));
                        rows += doubt.rows();
                    }
                }
            }
            return new Doubtful(places, rows);
        }
    }

    /** What decisions about reading call a layout: readings come before anything is decided about it. */
    private static String signature(Layout layout) {
        return Signatures.of(layout.tables().get(0).table());
    }

    private void askTotals(Layout layout) {
        Doubtful doubtful = Doubtful.of(layout, "total-row");
        if (doubtful.places().isEmpty() || job.isSettled(Kinds.TOTAL_ROW, signature(layout))) {
            return;
        }
        boolean one = doubtful.rows() == 1;
        questions.add(Question.of(
                Kinds.TOTAL_ROW,
                signature(layout),
                doubtful.places().get(0),
                Says.count(doubtful.rows(), "row")
                        + (one
                                ? " adds up other rows but names nothing. Is it a record or a total?"
                                : " add up other rows but name nothing. Are they records or totals?"),
                TableChoice.AS_FOUND,
                List.of(
                        new Answer(TableChoice.AS_FOUND, "records; keep them"),
                        new Answer(Reading.DEFAULT.withUnnamedTotals(true).words(), "totals; set them aside")),
                doubtful.rows()));
    }

    private void sayOfSparseRows(Layout layout) {
        Doubtful doubtful = Doubtful.of(layout, "sparse-row");
        if (!doubtful.places().isEmpty()) {
            boolean one = doubtful.rows() == 1;
            findings.add(new Finding(
                    Severity.WARNING,
                    "sparse-row",
                    doubtful.places().get(0),
                    Says.count(doubtful.rows(), "row") + (one ? " holds" : " hold")
                            + " next to nothing, the first here.",
                    one ? "It is kept as a record." : "They are kept as records.",
                    "Look at it there; set the rows aside if they are none."));
        }
    }

    /** Columns that every second row leaves blank: each record may take two rows, below a header of two. */
    private void sayOfEverySecondRow(PlacedTable table) {
        FoundTable found = table.table();
        List<String> every = found.columns().stream()
                .filter(column -> column.named() && !column.gaps().ofHeads())
                .filter(column -> column.gaps().firstFilled()
                        && column.gaps().adjacent() == 0
                        && column.evidence().filled() == (found.kept() + 1) / 2)
                .map(column -> Says.quoted(column.header()))
                .toList();
        boolean carried = table.columns().stream()
                .anyMatch(column -> column.origin() instanceof Origin.Cell cell && cell.carried());
        if (!every.isEmpty() && found.kept() >= FEWEST_ROWS && !carried && table.turned() == 0) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "every-second-row",
                    table.where(),
                    "Every second row leaves " + Says.list(every) + " blank, as if each record took two rows.",
                    "Each row is kept as a record of its own.",
                    "Look at it in Read. Where a record takes two rows, ask the sender for one row each; their columns"
                            + " hold two things."));
        }
    }

    private void askHeader(Layout layout) {
        List<PlacedTable> close = layout.tables().stream()
                .filter(table -> table.table().header() == FoundTable.Sureness.CLOSE
                        && table.table().rival() > 0
                        && !table.table().headerRows().isEmpty())
                .toList();
        // Headers that several files have alike are sure by that.
        boolean alone = layout.tables().size() == 1;
        if (close.isEmpty() || !alone || job.isSettled(Kinds.HEADER_ROW, signature(layout))) {
            return;
        }
        FoundTable table = close.get(0).table();
        List<Integer> header = table.headerRows();
        int found = header.get(header.size() - 1);
        int by = table.rival() - found;
        String other = Reading.DEFAULT.withShift(by).words();
        questions.add(Question.of(
                Kinds.HEADER_ROW,
                signature(layout),
                close.get(0).where().row(found),
                "Row " + found + " is taken for the header, but row " + table.rival()
                        + " would do nearly as well. Which is it?",
                TableChoice.AS_FOUND,
                List.of(
                        new Answer(
                                TableChoice.AS_FOUND,
                                "row " + found + ": "
                                        + Says.list(layout.headers().stream()
                                                .map(Says::quoted)
                                                .toList())),
                        new Answer(other, "row " + table.rival())),
                table.kept()));
    }
}
