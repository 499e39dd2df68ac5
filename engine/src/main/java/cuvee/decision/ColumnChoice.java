package cuvee.decision;

import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.master.MasterPlan.Spelling;
import cuvee.rework.Codes;
import cuvee.rework.FormulaReader;
import cuvee.rework.ValueRule;
import cuvee.tag.TagSource;
import cuvee.value.Meaning;
import cuvee.value.Type;
import cuvee.value.YesNoWords;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Decisions about a column of the master. */
public sealed interface ColumnChoice extends Choice {
    /** What is said of all columns is said of this one. */
    String ALL_COLUMNS = "all columns";

    String LEFT_OUT = "left out";
    String TAKEN_IN = "taken in";

    /** True where a column is not to be in the master. */
    static boolean isLeftOut(Job job, String column) {
        return job.decision(Kinds.COLUMN, column)
                .filter(decision -> decision.answer().equals(LEFT_OUT))
                .isPresent();
    }

    /** The column that it is about. */
    String column();

    /** The same of another column. */
    ColumnChoice withColumn(String column);

    @Override
    default Choice renamed(Renaming renaming) {
        return column().equals(renaming.from()) ? withColumn(renaming.to()) : this;
    }

    /** A column where a scope says: a source, the signature of a layout, the name of a place; empty for everywhere. */
    record Scoped(String column, String scope) {
        /** A column and a scope in the words of a job. */
        public static String words(String column, String scope) {
            return new Scoped(column, scope).words();
        }

        /** It in the words of a job; what a column is called cannot be taken for a scope. */
        public String words() {
            return scope.isEmpty() ? column : Names.joinTexts(List.of(column, scope));
        }
    }

    /** It is the one whose amounts say how much is at stake. */
    record WeighedBy(String column) implements ColumnChoice {
        /** What the decision is about. */
        public static final String SUBJECT = "master";

        @Override
        public Words words() {
            return new Words(Kinds.WEIGHED_BY, SUBJECT, column);
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new WeighedBy(other);
        }
    }

    /** Its type. */
    record OfType(String column, Type type) implements ColumnChoice {
        @Override
        public Words words() {
            return new Words(Kinds.TYPE, column, type.word());
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new OfType(other, type);
        }
    }

    /** How its numbers are written. */
    record DecimalMark(Scoped where, boolean comma) implements ColumnChoice {
        @Override
        public String column() {
            return where.column();
        }

        @Override
        public Words words() {
            return new Words(Kinds.DECIMAL_MARK, where.words(), comma ? "comma" : "point");
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new DecimalMark(new Scoped(other, where.scope()), comma);
        }

        @Override
        public boolean isAbout(String source) {
            return where.scope().equals(source);
        }
    }

    /** How its dates are written. */
    record DateOrder(Scoped where, boolean monthFirst) implements ColumnChoice {
        @Override
        public String column() {
            return where.column();
        }

        @Override
        public Words words() {
            return new Words(Kinds.DATE_ORDER, where.words(), monthFirst ? "month" : "day");
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new DateOrder(new Scoped(other, where.scope()), monthFirst);
        }

        @Override
        public boolean isAbout(String source) {
            return where.scope().equals(source);
        }
    }

    /**
     * What its cells stand for.
     *
     * @param of the number of digits of codes; the year of months or days that do not say it, as
     *     {@link cuvee.value.MonthYear} has it, or by what the years are named that the names of their sources say; empty
     *     for the year that these say
     */
    record WrittenAs(Scoped where, Meaning meaning, String of) implements ColumnChoice {
        /** The years that names say are those in which twelve months begin. */
        public static final String BY_THEIR_START = "years named by their start";
        /** The years that names say are those in which twelve months end. */
        public static final String BY_THEIR_END = "years named by their end";

        private static final Pattern OF_A_YEAR = Pattern.compile("(" + Meaning.MONTHS.words() + "|"
                + Meaning.DATES.words() + ") of (\\d{4}(?:-(?:0[1-9]|1[0-2]))?|" + BY_THEIR_START + "|" + BY_THEIR_END
                + ")");

        private static final Pattern OF_DIGITS = Pattern.compile(Meaning.CODES.words() + " of (\\d{1,2}) digits");

        /** It, from its answer; empty where that says nothing of the kind. */
        static Optional<WrittenAs> read(Scoped where, String answer) {
            Matcher ofDigits = OF_DIGITS.matcher(answer);
            if (ofDigits.matches()) {
                return Optional.of(new WrittenAs(where, Meaning.CODES, ofDigits.group(1)));
            }
            Matcher ofYear = OF_A_YEAR.matcher(answer);
            String words = ofYear.matches() ? ofYear.group(1) : answer;
            String year = ofYear.matches() ? ofYear.group(2) : "";
            return Meaning.ofWords(words)
                    .filter(meaning -> meaning != Meaning.CODES)
                    .map(meaning -> new WrittenAs(where, meaning, year));
        }

        @Override
        public String column() {
            return where.column();
        }

        @Override
        public Words words() {
            return new Words(
                    Kinds.WRITTEN_AS,
                    where.words(),
                    meaning.words() + (of.isEmpty() ? "" : " of " + of + (meaning == Meaning.CODES ? " digits" : "")));
        }

        /** The year of months or days; empty where none is said. */
        public String year() {
            return meaning == Meaning.CODES ? "" : of;
        }

        /** How many digits codes have; 0 for all else. */
        public int digits() {
            return meaning == Meaning.CODES ? Integer.parseInt(of) : 0;
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new WrittenAs(new Scoped(other, where.scope()), meaning, of);
        }

        @Override
        public boolean isAbout(String source) {
            return where.scope().equals(source);
        }
    }

    /** What becomes of amounts in several currencies: kept apart, or as text. */
    record Currencies(String column, boolean apart) implements ColumnChoice {
        @Override
        public Words words() {
            return new Words(Kinds.CURRENCY, column, apart ? "apart" : "text");
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Currencies(other, apart);
        }
    }

    /** What becomes of numbers whose sign differs between files. */
    record OfSign(String column, Sign sign) implements ColumnChoice {
        @Override
        public Words words() {
            return new Words(Kinds.SIGN, column, sign.words());
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new OfSign(other, sign);
        }
    }

    /** What can be done with signs. */
    enum Sign {
        AS_THEY_ARE("as they are"),
        TURN_BELOW("turn those below 0"),
        TURN_ABOVE("turn those above 0");

        private final String words;

        Sign(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** That it is blank throughout a source: so it is, or the sender has to fill it. */
    record BlankIn(Scoped where, boolean waiting) implements ColumnChoice {
        @Override
        public String column() {
            return where.column();
        }

        @Override
        public Words words() {
            return new Words(Kinds.BLANK_SOURCE, where.words(), waiting ? "waiting" : "so");
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new BlankIn(new Scoped(other, where.scope()), waiting);
        }
    }

    /** Whether it belongs to the master. */
    record Taken(String column, boolean taken) implements ColumnChoice {
        @Override
        public Words words() {
            return new Words(Kinds.COLUMN, column, taken ? TAKEN_IN : LEFT_OUT);
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Taken(other, taken);
        }
    }

    /** How its texts are spelled. */
    record Spelled(String column, Spelling spelling, boolean on) implements ColumnChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.SPELLING, column, spelling.words(), on);
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Spelled(other, spelling, on);
        }
    }

    /** How yes and no are written where it is delivered as text. */
    record YesNoWritten(String column, YesNoWords written) implements ColumnChoice {
        /** What is decided of a column; empty where nothing is. */
        public static Optional<YesNoWords> of(Job job, String column) {
            return job.decision(Kinds.YES_NO_WORDS, column)
                    .flatMap(decision -> read(column, decision.answer()))
                    .map(YesNoWritten::written);
        }

        /** It, from its answer; empty where that is not two different words. */
        static Optional<YesNoWritten> read(String column, String answer) {
            List<String> words = Names.splitTexts(answer);
            return words.size() == 2 && !words.contains("") && !words.get(0).equals(words.get(1))
                    ? Optional.of(new YesNoWritten(column, new YesNoWords(words.get(0), words.get(1))))
                    : Optional.empty();
        }

        /** It, decided. */
        public Decision decision(String reason, String evidence) {
            Words said = words();
            return new Decision(said.kind(), said.subject(), said.answer(), reason, evidence);
        }

        @Override
        public Words words() {
            return new Words(Kinds.YES_NO_WORDS, column, Names.joinTexts(List.of(written.yes(), written.no())));
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new YesNoWritten(other, written);
        }
    }

    /** Texts that are written as another one. */
    record Rewritten(ValueRule rule) implements ColumnChoice {
        @Override
        public String column() {
            return rule.column();
        }

        @Override
        public Words words() {
            return new Words(Kinds.VALUE, rule.subject(), rule.answer());
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Rewritten(new ValueRule(other, rule.to(), rule.texts(), rule.on(), rule.scope()));
        }

        @Override
        public boolean isAbout(String source) {
            return rule.scope().equals(source);
        }
    }

    /** Names for its codes. */
    record Coded(Codes codes) implements ColumnChoice {
        @Override
        public String column() {
            return codes.column();
        }

        @Override
        public Words words() {
            return new Words(Kinds.CODES, codes.column(), codes.answer(codes.on()));
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Coded(new Codes(other, codes.file(), codes.code(), codes.name(), codes.held(), codes.on()));
        }

        @Override
        public Choice moved(Move move) {
            return codes.file().isEmpty()
                    ? this
                    : new Coded(new Codes(
                            codes.column(),
                            move.path(codes.file()),
                            codes.code(),
                            codes.name(),
                            codes.held(),
                            codes.on()));
        }
    }

    /** The formula by which it is made, or changed where it stands. */
    record Made(String column, String formula, boolean on) implements ColumnChoice {
        @Override
        public Words words() {
            return Words.of(Kinds.MADE, column, formula, on);
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Made(other, formula, on);
        }

        @Override
        public Choice renamed(Renaming renaming) {
            List<String> known = renaming.columns().stream()
                    .filter(name -> !name.equals(column) || !renaming.made().contains(column))
                    .toList();
            String words = FormulaReader.renamed(formula, known, renaming.from(), renaming.to());
            return new Made(renaming.of(column), words, on);
        }
    }

    /** The column that a tag fills; empty where the tag is left out. */
    record Tagged(TagSource tag, Optional<String> fills) implements ColumnChoice {
        @Override
        public String column() {
            return fills.orElse("");
        }

        @Override
        public Words words() {
            return new Words(Kinds.TAG, tag.words(), fills.orElse(LEFT_OUT));
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Tagged(tag, fills.map(any -> other));
        }
    }

    /**
     * The column that a header feeds.
     *
     * @param header the header's key
     */
    record Fed(String header, String column) implements ColumnChoice {
        @Override
        public Words words() {
            return new Words(Kinds.LINE_UP, header, column);
        }

        @Override
        public ColumnChoice withColumn(String other) {
            return new Fed(header, other);
        }
    }
}
