package cuvee.model;

import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Severity;
import cuvee.gather.ReadSheet;
import cuvee.layout.Layout;
import cuvee.place.Where;
import cuvee.propose.Proposal;
import cuvee.refresh.Summaries;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.SourceReport;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What can be gone to by its name: stages, columns and the headers that feed them, files, sheets, what Rework says, questions,
 * findings, summaries, deliveries; and any text in the rows of the master.
 */
public final class Finder {
    private static final int MOST = 12;

    private Finder() {}

    /**
     * Something that was found.
     *
     * @param name what it is called
     * @param what what it is, in words
     * @param column the column of the master to go to; empty for none
     * @param where the file or sheet to go to; the job where it is none
     */
    public record Found(String name, String what, Stage stage, String column, Where where) {
        /** A text to look for in the rows of the master. */
        static Found inRows(String text) {
            return new Found(text, IN_ROWS, Stage.MASTER, "", Where.JOB);
        }

        static Found ofDeed(Deed deed) {
            String where = deed.stage().map(stage -> ", " + stage.title()).orElse("");
            return new Found(deed.words(), deed.keys() + where, deed.stage().orElse(Stage.COLLECT), "", Where.JOB);
        }

        /** What is to be done, where it is no place to go to. */
        public Optional<Deed> deed() {
            return Deed.all().stream().filter(each -> equals(ofDeed(each))).findFirst();
        }

        /** True for a text that is looked for in the rows of the master. */
        public boolean isInRows() {
            return what.equals(IN_ROWS);
        }
    }

    private static final String IN_ROWS = "find it in the rows of the master";

    /** Whatever is called so, or in part; those that begin so stand first. */
    public static List<Found> of(Optional<Outcome> outcome, String words) {
        String asked = LooseText.key(words);
        if (asked.isEmpty()) {
            return List.of();
        }
        List<Found> all = new ArrayList<>();
        for (Stage stage : Stage.values()) {
            all.add(new Found(stage.title(), "stage", stage, "", Where.JOB));
        }
        outcome.ifPresent(made -> {
            columns(made, all);
            files(made, all);
            whatIsThere(made, all);
        });
        List<Found> found = new ArrayList<>();
        List<Found> within = new ArrayList<>();
        for (Found each : all) {
            String name = LooseText.key(each.name());
            if (name.startsWith(asked)) {
                found.add(each);
            } else if (name.contains(asked)) {
                within.add(each);
            }
        }
        found.addAll(within);
        Deed.all().stream()
                .filter(deed -> deed.isCalled(words))
                .map(Found::ofDeed)
                .forEach(found::add);
        List<Found> offered = new ArrayList<>(found.subList(0, Math.min(MOST - 1, found.size())));
        if (outcome.filter(made -> made.rows() > 0).isPresent()) {
            offered.add(Found.inRows(words.strip()));
        }
        return List.copyOf(offered);
    }

    private static void columns(Outcome made, List<Found> all) {
        for (Proposal.ColumnReport column : made.proposal().columns()) {
            all.add(new Found(column.name(), "column, " + column.typeWords(), Stage.LINE_UP, column.name(), Where.JOB));
        }
        Set<String> told = new HashSet<>();
        for (Layout layout : made.proposal().layouts()) {
            for (int at = 0; at < layout.keys().size(); at++) {
                String feeds =
                        made.proposal().lineUp().getOrDefault(layout.keys().get(at), "");
                String header = layout.headers().get(at);
                if (!feeds.isEmpty() && !header.equals(feeds) && told.add(header)) {
                    all.add(new Found(header, "header, feeds " + feeds, Stage.LINE_UP, feeds, Where.JOB));
                }
            }
        }
    }

    /** Rules, findings, questions, summaries and deliveries, each by what it says. */
    private static void whatIsThere(Outcome made, List<Found> all) {
        for (Sentence sentence : made.sentences()) {
            all.add(new Found(sentence.said(), "in Rework", Stage.REWORK, "", Where.JOB));
        }
        for (Question question : made.questions()) {
            all.add(new Found(Questions.title(made, question), "question", Questions.stage(question), "", Where.JOB));
        }
        for (Finding finding : made.findings()) {
            if (finding.atLeast(Severity.REMARK)) {
                boolean placed = !finding.where().source().isEmpty();
                all.add(new Found(finding.what(), "finding", placed ? Stage.READ : Stage.CHECK, "", finding.where()));
            }
        }
        Summaries.of(made.job())
                .forEach(summary -> all.add(new Found(summary.name(), "summary", Stage.MASTER, "", Where.JOB)));
        made.job()
                .deliveries()
                .forEach(delivery -> all.add(new Found(delivery.name(), "delivery", Stage.DELIVER, "", Where.JOB)));
    }

    private static void files(Outcome made, List<Found> all) {
        for (SourceReport source : made.sources()) {
            all.add(new Found(
                    source.path(), "file, " + source.state().word(), Stage.COLLECT, "", Where.source(source.path())));
        }
        for (ReadSheet sheet : made.sheets()) {
            if (!sheet.name().isEmpty()) {
                all.add(new Found(
                        sheet.name() + " in " + sheet.source(),
                        "sheet",
                        Stage.READ,
                        "",
                        Where.sheet(sheet.source(), sheet.name())));
            }
        }
    }
}
