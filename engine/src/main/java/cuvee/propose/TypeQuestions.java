package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Measures;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What is asked and said of a column's type and of how its values are written. */
final class TypeQuestions {
    private TypeQuestions() {}

    /** Which of two ways the numbers or dates of a column are written in tables where nothing tells. */
    static Optional<Question> convention(Job job, List<PlacedTable> open, String name, String kind) {
        if (open.isEmpty() || job.isSettled(kind, name)) {
            return Optional.empty();
        }
        boolean mark = kind.equals(Kinds.DECIMAL_MARK);
        Where where = open.get(0).where();
        String text = mark
                ? "In the column " + Says.quoted(name) + ", numbers such as 1.204 or 1,204 can be read in two ways in "
                        + Says.count(open.size(), "table") + ", and no value decides. Which mark is decimal?"
                : "In the column " + Says.quoted(name) + ", dates such as 03/04/2026 can be read in two ways in "
                        + Says.count(open.size(), "table") + ", and no value decides. What comes first?";
        List<Answer> answers = mark
                ? List.of(
                        new Answer("point", "the point is decimal, the comma groups"),
                        new Answer("comma", "the comma is decimal, the point groups"))
                : List.of(new Answer("day", "the day comes first"), new Answer("month", "the month comes first"));
        String assumed = job.decision(kind, name).map(Decision::answer).orElse(mark ? "point" : "day");
        long stake = open.stream().mapToLong(table -> table.table().kept()).sum();
        return Optional.of(Question.of(kind, name, where, text, assumed, answers, stake));
    }

    /** Which type a column is, where its values do not settle it. */
    static Optional<Question> type(
            Job job,
            String name,
            Type type,
            Typing.Verdict verdict,
            Optional<KindsApart> kinds,
            Evidence all,
            long misfits) {
        if (job.isSettled(Kinds.TYPE, name)) {
            return Optional.empty();
        }
        Set<Type> types = new LinkedHashSet<>(List.of(type, verdict.type(), Type.TEXT));
        kinds.map(KindsApart::type).ifPresent(types::add);
        for (Type other : Type.values()) {
            if (Typing.fit(all, other) * 2 > all.filled()) {
                types.add(other);
            }
        }
        List<Answer> answers = types.stream()
                .map(t -> new Answer(
                        t.word(),
                        t.word() + ": " + Says.number(Typing.fit(all, t)) + " of " + Says.count(all.filled(), "value")
                                + " fit"))
                .toList();
        String text = misfits > 0
                ? "Which type is the column " + Says.quoted(name) + "? As " + type.word() + ", "
                        + Says.count(misfits, "value") + (misfits == 1 ? " does" : " do") + " not fit: "
                        + (misfitting(all, type).isEmpty() ? "see the list of values" : examples(all, type))
                        + "."
                : "Which type is the column " + Says.quoted(name) + "? As " + type.word() + ": " + verdict.reason()
                        + ".";
        long rows = Math.max(kinds.map(KindsApart::misfits).orElse(1L), misfits);
        return Optional.of(Question.of(Kinds.TYPE, name, Where.JOB, text, type.word(), answers, rows));
    }

    /** Of the odd values that are known of a column, those that do not fit a type. */
    private static List<String> misfitting(Evidence all, Type type) {
        return all.oddities().keySet().stream()
                .filter(text -> Typing.fit(Evidence.of(text, 1), type) == 0)
                .toList();
    }

    private static String examples(Evidence all, Type type) {
        return Says.list(misfitting(all, type).stream().map(Says::quoted).toList());
    }

    /** Says of amounts that stay text since they have several units of the same thing behind them. */
    static Optional<Finding> severalUnits(String name, Type type, Evidence all) {
        Set<String> units = type == Type.TEXT && Typing.fit(all, Type.DECIMAL) == 0
                ? Measures.unitsOf(all.oddities().keySet())
                : Set.of();
        return units.size() < 2
                ? Optional.empty()
                : Optional.of(new Finding(
                        Severity.REMARK,
                        "several-units",
                        Where.JOB,
                        "The amounts of the column " + Says.quoted(name) + " have several units behind them: "
                                + Says.list(units.stream().map(Says::quoted).toList()) + ".",
                        "They stay text and are not added up.",
                        "Bring them to one unit in the sources, or by a formula in Rework, to have numbers."));
    }

    /** Says of words for nothing that stand among codes: as text they would be one more code. */
    static Optional<Finding> wordsForNothing(String name, Type type, Evidence all) {
        long nothings = all.count(Form.NOTHING_WORD);
        boolean amongCodes = type == Type.TEXT && all.count(Form.WORDS) == 0 && nothings < all.filled();
        if (nothings == 0 || !amongCodes) {
            return Optional.empty();
        }
        List<String> words = all.oddities().keySet().stream()
                .filter(Forms::saysNothing)
                .map(Says::quoted)
                .toList();
        return Optional.of(new Finding(
                Severity.REMARK,
                "words-for-nothing",
                Where.JOB,
                "In the column " + Says.quoted(name) + ", " + Says.count(nothings, "cell")
                        + (nothings == 1 ? " says " : " say ")
                        + (words.isEmpty() ? "a word for nothing" : Says.list(words)) + " where all others hold codes.",
                "They stay in the master as they are written.",
                "Where they stand for nothing, select them in its column facts and let them count as blank."));
    }

    /** Says of values that do not fit the type of their column. */
    static Finding misfits(String name, Type type, long misfits, Evidence all) {
        boolean text = type == Type.TEXT;
        // Any text fits: what does not are errors, among all the words that are known.
        String what = text
                ? "In the column " + Says.quoted(name) + ", " + Says.count(misfits, "cell")
                        + (misfits == 1 ? " holds" : " hold") + " an error, or a formula without a stored result."
                : Says.count(misfits, "value") + " of the column " + Says.quoted(name)
                        + (misfits == 1 ? " does" : " do") + " not fit " + type.word()
                        + (misfitting(all, type).isEmpty() ? "." : ", such as " + examples(all, type) + ".");
        return new Finding(
                Severity.WARNING,
                "misfit",
                Where.JOB,
                what,
                "They are blank in the master; the first fifty are listed with their cells.",
                "Say in its column facts what is to stand in their place, "
                        + (text
                                ? "or correct them in the sources."
                                : "correct them in the sources, or make the column " + Type.TEXT.word() + "."));
    }
}
