package cuvee.refresh;

import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Doubt;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Job;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import java.util.ArrayList;
import java.util.List;

/** What is in doubt about the reading of tables: a question for each layout where an answer helps, else a finding. */
final class ReadingQuestions {
    private final Job job;
    private final List<Question> questions;
    private final List<Finding> findings;

    ReadingQuestions(Job job, List<Question> questions, List<Finding> findings) {
        this.job = job;
        this.questions = questions;
        this.findings = findings;
    }

    void ask(Layout layout) {
        ask(
                layout,
                "total-row",
                ReadingDecisions.TOTAL_ROW,
                "adds up the rows above but names nothing",
                "add up the rows above but name nothing",
                "a record",
                "sums are totals",
                "totals; set them aside");
        ask(
                layout,
                "sparse-row",
                ReadingDecisions.SINGLE_WORD,
                "holds next to nothing",
                "hold next to nothing",
                "a record",
                "single words are records",
                "");
        askHeader(layout);
        for (PlacedTable table : layout.tables()) {
            for (Doubt doubt : table.table().doubts()) {
                if (!doubt.kind().equals("total-row") && !doubt.kind().equals("sparse-row")) {
                    findings.add(new Finding(
                            doubt.kind().equals("section") || doubt.kind().equals("total-column")
                                    ? Severity.REMARK
                                    : Severity.WARNING,
                            doubt.kind(),
                            table.where().row(doubt.row()),
                            doubt.text(),
                            "",
                            "Look at it there; correct how the sheet is read if it is wrong."));
                }
            }
        }
    }

    private void ask(
            Layout layout,
            String doubtKind,
            String kind,
            String one,
            String many,
            String assumed,
            String otherAnswer,
            String otherWords) {
        List<Where> places = new ArrayList<>();
        long rows = 0;
        for (PlacedTable table : layout.tables()) {
            for (Doubt doubt : table.table().doubts()) {
                if (doubt.kind().equals(doubtKind)) {
                    places.add(table.where().row(doubt.row()));
                    rows += doubt.rows();
                }
            }
        }
        if (places.isEmpty() || job.isSettled(kind, layout.signature())) {
            return;
        }
        if (otherWords.isEmpty()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    doubtKind,
                    places.get(0),
                    Says.count(rows, "row") + (rows == 1 ? " " + one : " " + many) + ", the first here.",
                    "Kept as " + (rows == 1 ? assumed : "records") + ".",
                    "Look at it there; set the rows aside if they are none."));
            return;
        }
        questions.add(Question.of(
                kind,
                layout.signature(),
                places.get(0),
                (rows == 1 ? "1 row " + one : Says.number(rows) + " rows " + many) + ". "
                        + (rows == 1 ? "Is it a record or a total?" : "Are they records or totals?"),
                ReadingDecisions.AS_FOUND,
                List.of(
                        new Answer(ReadingDecisions.AS_FOUND, "records; keep them"),
                        new Answer(otherAnswer, otherWords)),
                rows));
    }

    private void askHeader(Layout layout) {
        List<PlacedTable> close = layout.tables().stream()
                .filter(table -> table.table().header() == FoundTable.Sureness.CLOSE
                        && table.table().rival() > 0
                        && !table.table().headerRows().isEmpty())
                .toList();
        // Headers that several files have alike are sure by that.
        boolean alone = layout.tables().size() == 1;
        if (close.isEmpty() || !alone || job.isSettled(ReadingDecisions.HEADER_ROW, layout.signature())) {
            return;
        }
        FoundTable table = close.get(0).table();
        List<Integer> header = table.headerRows();
        int found = header.get(header.size() - 1);
        int by = table.rival() - found;
        String other = "header " + Math.abs(by) + (by > 0 ? " lower" : " higher");
        questions.add(Question.of(
                ReadingDecisions.HEADER_ROW,
                layout.signature(),
                close.get(0).where().row(found),
                "Row " + found + " is taken for the header, but row " + table.rival()
                        + " would do nearly as well. Which is it?",
                ReadingDecisions.AS_FOUND,
                List.of(
                        new Answer(
                                ReadingDecisions.AS_FOUND,
                                "row " + found + ": "
                                        + Says.list(layout.headers().stream()
                                                .map(Says::quoted)
                                                .toList())),
                        new Answer(other, "row " + table.rival())),
                table.kept()));
    }
}
