package cuvee.model;

import cuvee.decision.Kinds;
import cuvee.master.Grouped.Span;
import cuvee.master.MasterPlan;
import cuvee.place.Says;
import cuvee.refresh.Summaries;
import cuvee.rework.Completing;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.summary.Summary;
import cuvee.summary.Summary.By;
import cuvee.summary.Summary.Figure;
import cuvee.summary.Summary.Kind;
import cuvee.summary.SummaryTable;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** Summaries of the master of a job: what can be asked for, what it comes to, and those that are kept. */
public final class SummaryModel {
    private static final int MOST_OFFERED = 10;
    private final JobModel model;

    public SummaryModel(JobModel model) {
        this.model = model;
    }

    /** Those that the job keeps. */
    public List<Summaries.Named> kept() {
        return Summaries.of(model.now());
    }

    /** Keeps a summary in the job under a name, in place of one that has it. */
    public void keep(String name, Summary summary) {
        model.answers().decide(Kinds.SUMMARY, name.strip(), summary.said());
    }

    /** Takes a summary out of the job. */
    public void remove(String name) {
        model.answers().decide(Kinds.SUMMARY, name, "");
    }

    /** Sums up; told on the interface thread. */
    public void make(Summary summary, Consumer<SummaryTable> told) {
        model.ask(outcome -> model.session().summary(outcome, summary), told);
    }

    /** What is summed up at first: the amounts by which the master is weighed, by what tells its senders and months apart. */
    public static Summary proposed(Outcome outcome) {
        MasterPlan plan = outcome.plan();
        List<Figure> figures = new ArrayList<>();
        Weighing.of(outcome).ifPresent(weighing -> figures.add(new Figure(Kind.TOTAL, weighing.column())));
        if (figures.isEmpty()) {
            figures.add(new Figure(Kind.NUMBER_OF_ROWS, ""));
        }
        List<By> lines = new ArrayList<>();
        plan.columns().stream()
                .filter(column -> column.type() == Type.TEXT)
                .filter(column -> outcome.proposal().isTag(column.name()))
                .findFirst()
                .or(() -> plan.columns().stream()
                        .filter(column -> column.type() == Type.TEXT)
                        .findFirst())
                .ifPresent(column -> lines.add(new By(column.name(), Span.VALUE)));
        Optional<By> columns = plan.columns().stream()
                .filter(column -> isDate(column.type()))
                .findFirst()
                .map(column -> new By(column.name(), Span.MONTH));
        return new Summary(figures, lines, columns, "", "", Summary.Shown.DEFAULT);
    }

    /** A column whose values tell the parts of a master apart: what tells senders, else its first text, else its first column. */
    public static String tellsApart(Outcome outcome) {
        return proposed(outcome).lines().stream()
                .map(By::column)
                .findFirst()
                .orElse(outcome.plan().columns().get(0).name());
    }

    private static boolean isDate(Type type) {
        return type == Type.DATE || type == Type.DATE_AND_TIME;
    }

    /** The figures that can be asked for: of each column of numbers its total, and others of any. */
    public static List<Figure> figures(Outcome outcome, Kind kind) {
        if (kind == Kind.NUMBER_OF_ROWS) {
            return List.of(new Figure(kind, ""));
        }
        Known known = Known.of(outcome.plan());
        return known.names().stream()
                .filter(name -> !kind.ofNumbers() || known.addsUp(name))
                .map(name -> new Figure(kind, name))
                .toList();
    }

    /** What there can be a line or a column for each of: every column, and the spans of those of dates. */
    public static List<By> keys(Outcome outcome) {
        Known known = Known.of(outcome.plan());
        List<By> keys = new ArrayList<>();
        for (String name : known.names()) {
            if (known.isDate(name)) {
                for (Span span : List.of(Span.MONTH, Span.QUARTER, Span.YEAR, Span.WEEK, Span.DAY)) {
                    keys.add(new By(name, span));
                }
            } else {
                keys.add(new By(name, Span.VALUE));
            }
        }
        return keys;
    }

    /** Reads the words of a summary. */
    public static SummaryWords.Read read(Outcome outcome, String words) {
        return SummaryWords.read(words, Known.of(outcome.plan()));
    }

    /** Helps to write a summary in words. */
    public Wording wording(Outcome outcome) {
        return new Words(outcome, new LookWords(model, outcome));
    }

    private record Words(Outcome outcome, LookWords phrases) implements Wording {
        @Override
        public String problem(String words) {
            String problem = read(outcome, words).problem();
            return problem.isEmpty() ? "" : Says.capital(problem) + ".";
        }

        @Override
        public String example() {
            return proposed(outcome).said();
        }

        @Override
        public List<String> completions(String words, int place) {
            Known known = Known.of(outcome.plan());
            int phrase = SummaryWords.phraseAt(words.substring(0, place));
            if (phrase >= 0
                    && Phrase.begun(words.substring(phrase, place), known.names())
                            .isPresent()) {
                List<String> values = phrases.completions(words.substring(phrase), place - phrase);
                if (!values.isEmpty()) {
                    return values;
                }
            }
            List<String> found = Completing.of(words, place, SummaryWords.vocabulary(known));
            return found.subList(0, Math.min(MOST_OFFERED, found.size()));
        }

        @Override
        public void onMore(Runnable listener) {
            phrases.onMore(listener);
        }
    }
}
