package cuvee.model;

import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.ProofChoice;
import cuvee.decision.RowChoice;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.place.Says;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** Names what the analyst did between two states of a job, so that it can be taken back by name. */
final class Acts {
    private static final int MOST_LETTERS = 60;

    private Acts() {}

    /** A few words for it, such as {@code left out hollin-0326.csv}. */
    static String between(Job before, Job after, Called called) {
        List<String> acts = new ArrayList<>();
        places(before, after, acts);
        deliveries(before, after, acts);
        columns(before, after, acts);
        decisions(before, after, called, acts);
        if (acts.isEmpty()) {
            return "a change";
        }
        String first = acts.get(0);
        String words =
                first.length() > MOST_LETTERS ? first.substring(0, MOST_LETTERS).strip() + "…" : first;
        return acts.size() == 1 ? words : words + " and " + Says.number(acts.size() - 1) + " more";
    }

    private static void places(Job before, Job after, List<String> acts) {
        after.places().stream()
                .filter(place ->
                        before.places().stream().noneMatch(old -> old.path().equals(place.path())))
                .forEach(place -> acts.add("added " + place.path()));
        before.places().stream()
                .filter(place ->
                        after.places().stream().noneMatch(now -> now.path().equals(place.path())))
                .forEach(place -> acts.add("took " + place.path() + " out"));
        if (acts.isEmpty() && !before.places().equals(after.places())) {
            acts.add("changed which files belong");
        }
    }

    private static void deliveries(Job before, Job after, List<String> acts) {
        after.deliveries().stream()
                .filter(delivery -> before.deliveries().stream()
                        .noneMatch(old -> old.target().equals(delivery.target())))
                .forEach(delivery -> acts.add("added the delivery " + delivery.name()));
        before.deliveries().stream()
                .filter(delivery -> after.deliveries().stream()
                        .noneMatch(now -> now.target().equals(delivery.target())))
                .forEach(delivery -> acts.add("took the delivery " + delivery.name() + " out"));
        if (acts.isEmpty() && !before.deliveries().equals(after.deliveries())) {
            acts.add("changed a delivery");
        }
    }

    private static void columns(Job before, Job after, List<String> acts) {
        Set<String> gone = new HashSet<>(before.columns());
        after.columns().forEach(gone::remove);
        Set<String> come = new HashSet<>(after.columns());
        before.columns().forEach(come::remove);
        if (gone.size() == 1 && come.size() == 1) {
            acts.add("renamed " + gone.iterator().next() + " to "
                    + come.iterator().next());
        } else if (gone.isEmpty() && come.isEmpty() && !before.columns().equals(after.columns())) {
            acts.add("moved a column");
        } else if (gone.isEmpty() && come.size() == 1) {
            acts.add("added the column " + come.iterator().next());
        }
    }

    private static void decisions(Job before, Job after, Called called, List<String> acts) {
        if (!acts.isEmpty()) {
            return;
        }
        Set<Decision> known = new HashSet<>(before.settled());
        for (Decision decision : after.settled()) {
            if (!known.contains(decision)) {
                acts.add(renamedTag(decision, before, after).orElseGet(() -> said(decision, after, called)));
            }
        }
        for (Decision decision : before.settled()) {
            boolean stays = after.settled().stream()
                    .anyMatch(now ->
                            now.kind().equals(decision.kind()) && now.subject().equals(decision.subject()));
            if (!stays) {
                acts.add("no longer: " + said(decision, before, called));
            }
        }
    }

    /** The act of giving another name to the column that a tag filled before. */
    private static Optional<String> renamedTag(Decision decision, Job before, Job after) {
        return Choices.of(decision, after.columns()) instanceof ColumnChoice.Tagged now
                ? before.decision(decision.kind(), decision.subject())
                        .flatMap(old -> Choices.of(old, before.columns()) instanceof ColumnChoice.Tagged was
                                ? was.fills()
                                : Optional.empty())
                        .flatMap(old -> now.fills().map(name -> "renamed " + old + " to " + name))
                : Optional.empty();
    }

    /** What a decision says, in a few words. */
    static String said(Decision decision, Job job, Called called) {
        Choice choice = Choices.of(decision, job.columns());
        String off = decision.on() ? "" : "switched off: ";
        if (choice instanceof ColumnChoice about) {
            return off + column(about, called);
        }
        if (choice instanceof RowChoice about) {
            return off + row(about);
        }
        if (choice instanceof SourceChoice about) {
            return off + source(about);
        }
        if (choice instanceof ProofChoice about) {
            return proof(about);
        }
        return choice instanceof TableChoice about ? off + table(about, called) : "a decision";
    }

    private static String column(ColumnChoice about, Called called) {
        if (about instanceof ColumnChoice.Fed fed) {
            return called.header(fed.header()) + " feeds " + fed.column();
        }
        if (about instanceof ColumnChoice.OfType type) {
            return type.column() + " is " + type.type().word();
        }
        if (about instanceof ColumnChoice.Taken taken) {
            return (taken.taken() ? "put back " : "left out ") + taken.column();
        }
        if (about instanceof ColumnChoice.Tagged tagged) {
            return tagged.fills()
                    .map(name -> tagged.tag().said() + " fills " + name)
                    .orElse("left out the tag of " + tagged.tag().said());
        }
        if (about instanceof ColumnChoice.Made made) {
            return "made the column " + made.column();
        }
        if (about instanceof ColumnChoice.Spelled || about instanceof ColumnChoice.Rewritten) {
            return "rewrote values of " + about.column();
        }
        if (about instanceof ColumnChoice.YesNoWritten yesNo) {
            return about.column() + " is written " + yesNo.written().yes() + " or "
                    + yesNo.written().no();
        }
        if (about instanceof ColumnChoice.WeighedBy) {
            return "weighed by " + about.column();
        }
        return "decided about " + about.column();
    }

    private static String row(RowChoice about) {
        if (about instanceof RowChoice.ByPhrase phrase) {
            return (phrase.keep() ? "only rows where " : "set aside rows where ") + phrase.phrase();
        }
        if (about instanceof RowChoice.Sorted) {
            return "sorted the master";
        }
        if (about instanceof RowChoice.Checked check) {
            return "added the check " + check.said();
        }
        if (about instanceof RowChoice.InView) {
            return "arranged the columns in the window";
        }
        if (about instanceof RowChoice.Summarised summary) {
            return "kept the summary " + summary.name();
        }
        return about instanceof RowChoice.ToColumns
                ? "turned values into columns"
                : about instanceof RowChoice.Equal ? "equal rows" : "a rule about rows";
    }

    private static String source(SourceChoice about) {
        if (about instanceof SourceChoice.OfFile file) {
            return (file.take() ? "put back " : "left out ") + name(file.path());
        }
        if (about instanceof SourceChoice.TextForm form) {
            return "how " + (form.path().isEmpty() ? "text files are" : name(form.path()) + " is") + " read";
        }
        if (about instanceof SourceChoice.InOrder) {
            return "the order of the files";
        }
        if (about instanceof SourceChoice.Listed listed) {
            return "took places from " + name(listed.list());
        }
        if (about instanceof SourceChoice.ExpectedFrom expected) {
            return "took who is expected from " + name(expected.list());
        }
        if (about instanceof SourceChoice.YearToDate returns) {
            return returns.counts().equals(SourceChoice.ALL)
                    ? "took all returns for the year to date"
                    : "took the newest return for the year to date";
        }
        if (about instanceof SourceChoice.NilReturn nil) {
            return "nothing to report from " + nil.sender() + " for " + nil.month();
        }
        return about instanceof SourceChoice.Corrected ? "corrected a cell" : "decided about files";
    }

    private static String table(TableChoice about, Called called) {
        if (about instanceof TableChoice.HeaderRead read) {
            return called.header(read.key()) + " is read as " + read.as();
        }
        if (about instanceof TableChoice.OfSheet sheet) {
            return (sheet.take() ? "put back " : "left out ") + name(sheet.subject());
        }
        if (about instanceof TableChoice.Across across) {
            return across.turned().isPresent() ? "turned columns into rows" : "left columns as they stand";
        }
        if (about instanceof TableChoice.OfAnotherJob job) {
            return (job.take() ? "took in " : "set aside ") + called.layout(job.layout());
        }
        return about instanceof TableChoice.Read ? "read a sheet otherwise" : "decided about a table";
    }

    private static String proof(ProofChoice about) {
        if (about instanceof ProofChoice.KeptMasters kept) {
            return "kept " + Says.count(kept.count(), "earlier master");
        }
        return about instanceof ProofChoice.Closed closed ? "closed " + closed.value() : "settled a finding";
    }

    private static String name(String path) {
        String last = path.substring(path.lastIndexOf('/') + 1);
        return Objects.equals(last, "") ? path : last;
    }
}
