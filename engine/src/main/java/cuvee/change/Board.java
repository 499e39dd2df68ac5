package cuvee.change;

import cuvee.decision.Choice;
import cuvee.decision.Choices;
import cuvee.decision.ColumnChoice;
import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.Origin;
import cuvee.layout.RunsAcross;
import cuvee.layout.Signatures;
import cuvee.lineup.LineUp;
import cuvee.master.MasterPlan;
import cuvee.propose.NewColumns;
import cuvee.propose.TagColumns;
import cuvee.rework.MadeColumns;
import cuvee.rework.Tidying;
import cuvee.rework.ValueRule;
import cuvee.tag.TagSource;
import cuvee.tell.Outcome;
import cuvee.value.LooseText;
import cuvee.value.YesNoWords;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;

/** What the analyst does with columns and headers on the board: each answers the job as it is then. */
public final class Board {

    private static final String BY_HAND = "put so by you";

    private Board() {}

    /**
     * Gives a column another name; what was decided about it goes with it. A name that another column has changes nothing.
     *
     * @param names the names of all columns, tags included
     */
    public static Job rename(Job job, Map<String, String> lineUp, Set<String> names, String name, String newName) {
        boolean taken = names.stream()
                .anyMatch(other -> !other.equals(name) && LooseText.key(other).equals(LooseText.key(newName)));
        if (newName.isBlank() || newName.equals(name) || taken) {
            return job;
        }
        List<String> columns = new ArrayList<>(job.columns());
        Collections.replaceAll(columns, name, newName);
        Job renamed = tags(headers(job, lineUp, name, newName), name, newName).withColumns(columns);
        Set<String> made = new HashSet<>(MadeColumns.names(job));
        made.removeAll(lineUp.values());
        made.removeAll(TagColumns.names(job));
        return Choices.renamed(renamed, new Choice.Renaming(names, made, name, newName));
    }

    /** Tags that fill a column fill another. */
    private static Job tags(Job job, String name, String other) {
        Job moved = job;
        for (TagSource source : TagColumns.sources(job)) {
            boolean fills = job.decision(Kinds.TAG, source.words())
                    .filter(decision -> decision.answer().equals(name))
                    .isPresent();
            moved = fills ? moved.withSettled(new Decision(Kinds.TAG, source.words(), other, BY_HAND, "")) : moved;
        }
        return moved;
    }

    /** All headers of a column feed another. */
    private static Job headers(Job job, Map<String, String> lineUp, String name, String other) {
        Job moved = job;
        for (Map.Entry<String, String> header : lineUp.entrySet()) {
            if (header.getValue().equals(name)) {
                moved = moved.withSettled(new Decision(LineUp.KIND, header.getKey(), other, BY_HAND, ""));
            }
        }
        return moved;
    }

    /**
     * Puts a column so many places to the right, or to the left where that is negative.
     *
     * @param shown the columns as they stand in the master, those of tags included; a tag that is moved or passed by a
     *     column keeps that place
     */
    public static Job move(Job job, List<String> shown, String name, int by) {
        List<String> columns = new ArrayList<>(shown);
        Set<String> guests = new HashSet<>(TagColumns.names(job));
        guests.addAll(MadeColumns.names(job));
        columns.removeIf(column -> !job.columns().contains(column) && !guests.contains(column));
        int at = columns.indexOf(name);
        int to = Math.max(0, Math.min(columns.size() - 1, at + by));
        if (at < 0 || to == at) {
            return job;
        }
        columns.remove(at);
        columns.add(to, name);
        for (int last = columns.size() - 1; last >= 0 && !columns.get(last).equals(name); last--) {
            String behind = columns.get(last);
            if (!guests.contains(behind)) {
                break;
            }
            if (!job.columns().contains(behind)) {
                columns.remove(last);
            }
        }
        withLeftOut(columns, job.columns());
        return job.withColumns(columns);
    }

    /** Columns that are left out keep their places behind the ones that they follow. */
    private static void withLeftOut(List<String> columns, List<String> before) {
        for (int i = 0; i < before.size(); i++) {
            if (!columns.contains(before.get(i))) {
                columns.add(i == 0 ? 0 : columns.indexOf(before.get(i - 1)) + 1, before.get(i));
            }
        }
    }

    /** Lets all headers of a column feed another one, which is then one with it. */
    public static Job unite(Job job, Map<String, String> lineUp, String name, String with) {
        List<String> columns = new ArrayList<>(job.columns());
        columns.remove(name);
        Job united = headers(job, lineUp, name, with).withColumns(columns);
        return ValueRule.moved(tags(united, name, with), name, with);
    }

    /**
     * Makes a tag no column; a place that it was moved to is given up.
     *
     * @param alone true where no header feeds the tag's column
     */
    public static Job leaveOutTag(Job job, String source, boolean alone) {
        Job next = job.withSettled(new Decision(Kinds.TAG, source, ColumnChoice.LEFT_OUT, BY_HAND, ""));
        List<String> columns = new ArrayList<>(job.columns());
        job.decision(Kinds.TAG, source).filter(tag -> alone).ifPresent(tag -> columns.remove(tag.answer()));
        return next.withColumns(columns);
    }

    /** Makes a header that feeds another column one of its own. */
    public static Job split(Job job, String key, String header) {
        return job.withSettled(new Decision(LineUp.KIND, key, header, BY_HAND, ""));
    }

    /**
     * Reads a header as another one in the tables of a file or of a layout only.
     *
     * @param key its loose key, as it is read so far
     * @param scope the path of the file, or the signature of the layout
     */
    public static Job readHeader(Job job, String scope, String key, String as) {
        return read(job, scope, written(job, scope, key), as);
    }

    /** Exchanges two headers in the tables of a file or of a layout only, each by its loose key and as it is read so far. */
    public static Job exchangeHeaders(Job job, String scope, String key, String header, String other, String its) {
        String mine = written(job, scope, key);
        String theirs = written(job, scope, other);
        return read(read(job, scope, mine, its), scope, theirs, header);
    }

    /** The key of the header as the sheets have it which is read as one with another key. */
    private static String written(Job job, String scope, String key) {
        return job.settled().stream()
                .flatMap(decision -> Stream.of(Choices.of(decision, job.columns())))
                .flatMap(choice -> choice instanceof TableChoice.HeaderRead read ? Stream.of(read) : Stream.empty())
                .filter(read -> read.on()
                        && read.scope().equals(scope)
                        && LooseText.key(read.as()).equals(key))
                .map(TableChoice.HeaderRead::key)
                .findFirst()
                .orElse(key);
    }

    private static Job read(Job job, String scope, String written, String as) {
        Choice.Words words = new TableChoice.HeaderRead(written, scope, as, true).words();
        return LooseText.key(as).equals(written)
                ? job.withoutSettled(words.kind(), words.subject())
                : job.withSettled(new Decision(words.kind(), words.subject(), words.answer(), BY_HAND, ""));
    }

    /** Leaves a column out of the master, or takes it in again. */
    public static Job leaveOut(Job job, String name, boolean out) {
        if (out) {
            return job.withSettled(new Decision(Kinds.COLUMN, name, ColumnChoice.LEFT_OUT, BY_HAND, ""));
        }
        Job back = job.withoutSettled(Kinds.COLUMN, name);
        return ColumnChoice.isLeftOut(back, name)
                ? back.withSettled(new Decision(Kinds.COLUMN, name, ColumnChoice.TAKEN_IN, BY_HAND, ""))
                : back;
    }

    /** Adds a column that no source has so far, behind the others. */
    public static Job add(Job job, String name) {
        List<String> columns = new ArrayList<>(job.columns());
        boolean there =
                columns.stream().anyMatch(column -> LooseText.key(column).equals(LooseText.key(name)));
        if (!there && !name.isBlank()) {
            columns.add(name);
        }
        return job.withColumns(columns);
    }

    /** Says what becomes of columns that appear later. */
    public static Job newColumns(Job job, NewColumns.Policy policy) {
        return job.withSettled(new Decision(Kinds.NEW_COLUMNS, ColumnChoice.ALL_COLUMNS, policy.words(), BY_HAND, ""));
    }

    /**
     * Says how numbers or dates of a column are written in some of the sources; empty words leave it to the evidence.
     *
     * @param kind {@link Kinds#DECIMAL_MARK} or {@link Kinds#DATE_ORDER}
     * @param scope a source, the signature of a layout, or the name of a place
     */
    public static Job convention(Job job, String kind, String column, String scope, String words) {
        return convention(job, kind, ColumnChoice.Scoped.words(column, scope), words);
    }

    /**
     * The job with what is said of the decimal sign in all columns of a file; empty words leave it to the values.
     *
     * @param source the path of a file, or {@link SourceChoice#ALL_FILES}
     */
    public static Job decimalSign(Job job, String source, String words) {
        return convention(job, Kinds.DECIMAL_MARK, signSubject(source), words);
    }

    /** What is said of the decimal sign in all columns of a file, or of all files; empty where nothing is. */
    public static Optional<String> decimalSign(Job job, String source) {
        return job.decision(Kinds.DECIMAL_MARK, signSubject(source)).map(Decision::answer);
    }

    private static String signSubject(String source) {
        return source.equals(SourceChoice.ALL_FILES)
                ? ColumnChoice.ALL_COLUMNS
                : ColumnChoice.Scoped.words(ColumnChoice.ALL_COLUMNS, source);
    }

    private static Job convention(Job job, String kind, String subject, String words) {
        return words.isEmpty()
                ? Choices.takenBack(job, kind, subject)
                : job.withSettled(new Decision(kind, subject, words, BY_HAND, ""));
    }

    /** The subject of a decision that carries values of a column down in tables like one of the master; empty where no cell feeds it. */
    public static Optional<String> carriable(Outcome outcome, int table, int column) {
        MasterPlan plan = outcome.proposal().plan();
        OptionalInt cell = plan.tables().stream()
                .filter(each -> each.id() == table && column < plan.columns().size())
                .map(each -> each.feeds().get(column))
                .filter(feed -> feed != null && feed.origin() instanceof Origin.Cell own && !own.carried())
                .mapToInt(feed -> feed.origin().column(0).orElse(-1))
                .findFirst();
        return cell.isEmpty()
                ? Optional.empty()
                : outcome.proposal().layouts().stream()
                        .flatMap(layout -> layout.tables().stream()
                                .filter(placed -> placed.id() == table)
                                .flatMap(placed -> placed.table().columns().stream())
                                .filter(found -> found.index() == cell.getAsInt())
                                .map(found -> RunsAcross.of(
                                                        layout.tables().get(0).table())
                                                .map(block -> Signatures.turned(
                                                        layout.tables().get(0).table(), block))
                                                .orElse(layout.signature())
                                        + " > " + LooseText.key(found.header())))
                        .findFirst();
    }

    /** Carries the values of a column down to the blank cells below them. */
    public static Job carryDown(Job job, String subject) {
        return job.withSettled(new Decision(Kinds.CARRY_DOWN, subject, TableChoice.CARRY, BY_HAND, ""));
    }

    /** Says how the texts of a column are spelled. */
    public static Job spelling(Job job, String column, MasterPlan.Spelling spelling) {
        Job before = job.withoutSettled(Tidying.KIND, column);
        Optional<Decision> assumed = before.decision(Tidying.KIND, column);
        return spelling == MasterPlan.Spelling.AS_WRITTEN
                ? assumed.map(each -> job.withSettled(
                                new Decision(Tidying.KIND, column, Decision.off(each.wanted()), BY_HAND, "")))
                        .orElse(before)
                : job.withSettled(new Decision(Tidying.KIND, column, spelling.words(), BY_HAND, ""));
    }

    /** Says how a column's yes and no are written. */
    public static Job yesNoWords(Job job, String column, YesNoWords words) {
        return job.withSettled(new ColumnChoice.YesNoWritten(column, words).decision(BY_HAND, ""));
    }

    /** Decides a column's type. */
    public static Job type(Job job, String name, String word) {
        return job.withSettled(new Decision(Kinds.TYPE, name, word, BY_HAND, ""));
    }
}
