package cuvee.decision;

import cuvee.decision.ColumnChoice.Scoped;
import cuvee.decision.ColumnChoice.Sign;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan.Spelling;
import cuvee.rework.Amendments;
import cuvee.rework.Codes;
import cuvee.rework.Correction;
import cuvee.rework.RowRules;
import cuvee.rework.ValueRule;
import cuvee.tag.TagSource;
import cuvee.value.Type;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Reads decisions from the words of a job, those of older versions too. */
public final class Choices {
    /** Between a column and a scope, in jobs of older versions. */
    private static final String IN = " in ";

    private Choices() {}

    /**
     * What a decision says.
     *
     * @param columns the columns that are known, by which older words are told apart
     */
    public static Choice of(Decision decision, Collection<String> columns) {
        String subject = decision.subject();
        boolean on = decision.on();
        String answer = decision.wanted();
        Optional<? extends Choice> choice = switch (decision.kind()) {
            case Kinds.TYPE -> Type.ofWord(answer).map(type -> new ColumnChoice.OfType(subject, type));
            case Kinds.DECIMAL_MARK ->
                either(answer, "comma", "point")
                        .map(comma -> new ColumnChoice.DecimalMark(scoped(subject, columns), comma));
            case Kinds.DATE_ORDER ->
                either(answer, "month", "day")
                        .map(month -> new ColumnChoice.DateOrder(scoped(subject, columns), month));
            case Kinds.BLANK_SOURCE ->
                either(answer, "waiting", "so")
                        .map(waiting -> new ColumnChoice.BlankIn(scoped(subject, columns), waiting));
            case Kinds.WRITTEN_AS -> ColumnChoice.WrittenAs.read(scoped(subject, columns), answer);
            case Kinds.CURRENCY ->
                either(answer, "apart", "text").map(apart -> new ColumnChoice.Currencies(subject, apart));
            case Kinds.SIGN ->
                named(Sign.values(), Sign::words, answer).map(sign -> new ColumnChoice.OfSign(subject, sign));
            case Kinds.COLUMN ->
                either(answer, ColumnChoice.TAKEN_IN, ColumnChoice.LEFT_OUT)
                        .map(taken -> new ColumnChoice.Taken(subject, taken));
            case Kinds.SPELLING ->
                named(Spelling.values(), Spelling::words, answer)
                        .map(spelling -> new ColumnChoice.Spelled(subject, spelling, on));
            case Kinds.YES_NO_WORDS -> ColumnChoice.YesNoWritten.read(subject, answer);
            case Kinds.VALUE -> ValueRule.read(decision).map(ColumnChoice.Rewritten::new);
            case Kinds.CODES -> Codes.read(decision).map(ColumnChoice.Coded::new);
            case Kinds.MADE -> Optional.of(new ColumnChoice.Made(subject, answer, on));
            case Kinds.TAG ->
                TagSource.read(subject)
                        .map(tag -> new ColumnChoice.Tagged(
                                tag, Optional.of(answer).filter(name -> !name.equals(ColumnChoice.LEFT_OUT))));
            case Kinds.LINE_UP -> Optional.of(new ColumnChoice.Fed(subject, answer));
            case Kinds.HEADER ->
                Optional.of(Names.splitTexts(subject))
                        .filter(parts -> parts.size() == 2 && !answer.isBlank())
                        .map(parts -> new TableChoice.HeaderRead(parts.get(0), parts.get(1), answer, on));
            case Kinds.WEIGHED_BY -> Optional.of(new ColumnChoice.WeighedBy(answer));
            default -> aboutRows(decision, subject, answer, on);
        };
        return choice.isPresent()
                ? choice.get()
                : new Choice.Unclear(new Choice.Words(decision.kind(), subject, decision.answer()));
    }

    private static Optional<? extends Choice> aboutRows(Decision decision, String subject, String answer, boolean on) {
        List<String> parts = Names.splitTexts(answer);
        return switch (decision.kind()) {
            case Kinds.ROWS ->
                either(answer, RowRules.KEEP, RowRules.ASIDE).map(keep -> new RowChoice.ByPhrase(subject, keep, on));
            case Kinds.EQUAL_ROWS ->
                Optional.of(new RowChoice.Equal(Names.splitTexts(subject), answer, on))
                        .filter(equal -> RowRules.EQUAL_VERBS.contains(equal.verb()));
            case Kinds.PUT_BACK -> RowRules.row(decision).map(RowChoice.PutBack::new);
            case Kinds.TO_COLUMNS ->
                parts.size() < 3
                        ? Optional.empty()
                        : Optional.of(new RowChoice.ToColumns(
                                parts.get(0), parts.get(1), parts.get(2), parts.subList(3, parts.size()), on));
            case Kinds.SORTED ->
                Optional.of(new RowChoice.Sorted(
                        parts.stream().map(RowChoice.Sorted.By::of).toList(), on));
            case Kinds.NUMBERED -> Optional.of(new RowChoice.Numbered(parts.get(0), on));
            case Kinds.CHECK ->
                Optional.of(new RowChoice.Checked(subject, on))
                        .filter(check -> answer.equals(RowChoice.Checked.WANTED));
            case Kinds.SUMMARY -> Optional.of(new RowChoice.Summarised(subject, answer, on));
            case Kinds.IN_VIEW -> RowChoice.InView.of(decision.answer());
            case Kinds.CLOSED -> ProofChoice.Closed.of(subject, decision.answer());
            case Kinds.KEPT_MASTERS -> ProofChoice.KeptMasters.of(subject, decision.answer());
            case Kinds.FINDING -> Optional.ofNullable(ProofChoice.Accepted.of(subject, decision.answer()));
            default -> aboutTables(decision.kind(), subject, decision.answer());
        };
    }

    private static Optional<? extends Choice> aboutTables(String kind, String subject, String answer) {
        return switch (kind) {
            case Kinds.ACROSS ->
                Turned.of(answer)
                        .map(Optional::of)
                        .or(() -> answer.equals(TableChoice.LEAVE) ? Optional.of(Optional.empty()) : Optional.empty())
                        .map(turned -> new TableChoice.Across(subject, turned));
            case Kinds.CARRY_DOWN ->
                either(answer, TableChoice.CARRY, TableChoice.LEAVE)
                        .map(carry -> new TableChoice.Carried(subject, carry));
            case Kinds.SECTION_LINE ->
                Optional.of(new TableChoice.SectionLines(
                        subject, answer.equals(TableChoice.LEAVE) ? List.of() : Names.splitTexts(answer)));
            case Kinds.ANOTHER_JOB ->
                either(answer, TableChoice.TAKE, TableChoice.ASIDE)
                        .map(take -> new TableChoice.OfAnotherJob(subject, take));
            case Kinds.SHEET ->
                either(answer, TableChoice.TAKE, TableChoice.ASIDE).map(take -> new TableChoice.OfSheet(subject, take));
            case Kinds.REPEATED_ROWS ->
                either(answer, TableChoice.TAKE, TableChoice.ASIDE)
                        .map(take -> new TableChoice.Repeating(subject, take));
            case Kinds.READING, Kinds.HEADER_ROW, Kinds.TOTAL_ROW ->
                Optional.of(new TableChoice.Read(kind, subject, answer.equals(TableChoice.AS_FOUND) ? "" : answer));
            default -> aboutSources(kind, subject, answer);
        };
    }

    private static Optional<? extends Choice> aboutSources(String kind, String subject, String answer) {
        return switch (kind) {
            case Kinds.FILE ->
                either(answer, TableChoice.TAKE, TableChoice.ASIDE).map(take -> new SourceChoice.OfFile(subject, take));
            case Kinds.TEXT_FORM -> Optional.of(new SourceChoice.TextForm(subject, answer));
            case Kinds.SHEETS -> Optional.of(new SourceChoice.WhichSheets(subject, answer));
            case Kinds.ORDER ->
                Optional.of(new SourceChoice.InOrder(answer.lines().toList()));
            case Kinds.GONE, Kinds.UNREADABLE ->
                either(answer, SourceChoice.KEEP, SourceChoice.REMOVE)
                        .map(keep -> new SourceChoice.Lost(kind, subject, keep));
            case Kinds.SENT_AGAIN -> sentAgain(Names.splitTexts(subject), answer);
            case Kinds.YEAR_TO_DATE ->
                Optional.of(Names.splitTexts(subject))
                        .filter(parts -> parts.size() <= 2)
                        .map(parts -> new SourceChoice.YearToDate(
                                parts.get(0), parts.size() < 2 ? "" : parts.get(1), answer));
            case Kinds.SOURCE_NAME -> Optional.of(new SourceChoice.Called(subject, answer));
            case Kinds.CORRECTION ->
                Correction.read(new Decision(kind, subject, answer, "", "")).map(SourceChoice.Corrected::new);
            case Kinds.PLACES_FROM ->
                Optional.of(Names.splitTexts(answer))
                        .filter(parts -> parts.size() <= 2 && !parts.get(0).isEmpty())
                        .map(parts ->
                                new SourceChoice.Listed(subject, parts.get(0), parts.size() < 2 ? "" : parts.get(1)));
            case Kinds.EXPECTED_FROM ->
                Optional.of(answer)
                        .filter(header -> !header.isBlank())
                        .map(header -> new SourceChoice.ExpectedFrom(subject, header));
            case Kinds.NEW_COLUMNS -> Optional.of(new SourceChoice.NewColumns(answer));
            case Kinds.NIL_RETURN ->
                Optional.of(Names.splitTexts(subject))
                        .filter(parts -> parts.size() == 2 && answer.equals(SourceChoice.NilReturn.NIL))
                        .map(parts -> new SourceChoice.NilReturn(parts.get(0), parts.get(1)));
            default -> Optional.empty();
        };
    }

    private static Optional<SourceChoice.SentAgain> sentAgain(List<String> paths, String answer) {
        if (answer.equals(SourceChoice.ALL)) {
            return Optional.of(new SourceChoice.SentAgain(paths, Optional.empty(), Optional.empty()));
        }
        return paths.contains(answer)
                ? Optional.of(new SourceChoice.SentAgain(paths, Optional.of(answer), Optional.empty()))
                : Amendments.columns(answer)
                        .map(columns -> new SourceChoice.SentAgain(paths, Optional.empty(), Optional.of(columns)));
    }

    /** True for one word, false for the other; empty for anything else. */
    private static Optional<Boolean> either(String word, String yes, String no) {
        return word.equals(yes) || word.equals(no) ? Optional.of(word.equals(yes)) : Optional.empty();
    }

    private static <T> Optional<T> named(T[] values, Function<T, String> words, String wanted) {
        return Arrays.stream(values)
                .filter(value -> words.apply(value).equals(wanted))
                .findFirst();
    }

    /** A column, and where it is spoken of; older versions wrote {@code Fare in a.csv}. */
    private static Scoped scoped(String subject, Collection<String> columns) {
        if (columns.contains(subject)) {
            return new Scoped(subject, "");
        }
        List<String> parts = Names.splitTexts(subject);
        if (parts.size() == 2) {
            return new Scoped(parts.get(0), parts.get(1));
        }
        Optional<String> known = Stream.concat(columns.stream(), Stream.of(ColumnChoice.ALL_COLUMNS))
                .filter(column -> subject.startsWith(column + IN))
                .max(Comparator.comparingInt(String::length));
        int end = known.map(String::length).orElse(subject.indexOf(IN));
        return end < 0
                ? new Scoped(subject, "")
                : new Scoped(subject.substring(0, end), subject.substring(end + IN.length()));
    }

    // ---- over a job ----

    /** The job with its decisions in the words of this version. */
    public static Job inNewWords(Job job) {
        return changed(job, job.columns(), UnaryOperator.identity());
    }

    /** The job with all that is said of a column said of its new name. */
    public static Job renamed(Job job, Choice.Renaming renaming) {
        Set<String> known = new HashSet<>(renaming.columns());
        known.addAll(job.columns());
        return changed(job, known, choice -> choice.renamed(renaming))
                .withDeliveries(job.deliveries().stream()
                        .map(delivery -> delivery.renamed(renaming.from(), renaming.to()))
                        .toList());
    }

    /**
     * The job without a decision of the analyst's, which is left to the evidence again; the type of a column that Cuvee
     * assumed while the values were read as the decision said is left to it too.
     */
    public static Job takenBack(Job job, String kind, String subject) {
        Job without = job.withoutSettled(kind, subject);
        return saysHowValuesAreRead(kind)
                ? without.withoutAssumed(
                        Kinds.TYPE, scoped(subject, job.columns()).column())
                : without;
    }

    private static boolean saysHowValuesAreRead(String kind) {
        return kind.equals(Kinds.WRITTEN_AS)
                || kind.equals(Kinds.DECIMAL_MARK)
                || kind.equals(Kinds.DATE_ORDER)
                || kind.equals(Kinds.CURRENCY);
    }

    /** The job with its decisions as they are said from another folder. */
    public static Job moved(Job job, Choice.Move move) {
        return changed(job, job.columns(), choice -> choice.moved(move));
    }

    private static Job changed(Job job, Collection<String> columns, UnaryOperator<Choice> change) {
        UnaryOperator<Decision> each =
                decision -> change.apply(of(decision, columns)).as(decision);
        return job.withAssumed(job.columns(), job.assumed().stream().map(each).toList())
                .withSettled(job.settled().stream().map(each).toList());
    }
}
