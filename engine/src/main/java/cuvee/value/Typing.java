package cuvee.value;

import cuvee.place.Says;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/**
 * Decides the type of a column from all its values. Text wins whenever another type would lose something: leading zeros,
 * codes mixed with numbers, long rows of digits.
 */
public final class Typing {
    private static final Form[] WHOLE_FORMS = {Form.DIGITS, Form.NUMBER_WHOLE, Form.SPACED};
    /** Words among numbers are misfits, not a sign of text, up to this share. */
    private static final double FEW = 0.05;
    /** Words beside values of another type speak against the type from this share on. */
    private static final double MOST_WORDS = 0.2;
    /** So many different words are said of single rows; more are values of their own. */
    private static final int FEW_DIFFERENT = 4;

    private static final int EXACT_DIGITS = 38;

    /** Hours that no time of day has. */
    private static final Pattern BEYOND_A_DAY = Pattern.compile("(2[4-9]|[3-9]\\d|\\d{3,5}):[0-5]\\d(:[0-5]\\d)?");

    private static final Pattern BOUND = Pattern.compile("[<>≤≥]=? ?-?\\d[\\d.,]*( ?[\\p{L}%°/]{1,6})?");

    /** So many of so many: {@code 8/10}, {@code 8 out of 10}. */
    private static final Pattern SCORE = Pattern.compile("\\d+([.,]\\d+)? ?(/|of|out of|von|sur|de) ?\\d+");

    private Typing() {}

    /**
     * A type with its reason.
     *
     * @param misfits how many values do not fit
     * @param sure false where the analyst should be asked
     */
    public record Verdict(Type type, String reason, long misfits, boolean sure) {}

    /** The type that all the values of a column speak for. */
    public static Verdict decide(Evidence e, boolean conventionsClear) {
        long filled = e.filled();
        if (filled == 0) {
            return new Verdict(Type.TEXT, "there are no values to tell by", 0, true);
        }
        Type best = Type.TEXT;
        long fits = 0;
        for (Type type : candidates(e)) {
            long fit = fit(e, type);
            if (fit > fits) {
                best = type;
                fits = fit;
            }
        }
        if (best == Type.TEXT) {
            return new Verdict(Type.TEXT, "its values are words", 0, true);
        }
        long misfits = filled - fits;
        if (best.isNumber() && !conventionsClear) {
            return new Verdict(Type.TEXT, "its numbers are written in ways that contradict each other", 0, false);
        }
        if (best.isMoment() && !conventionsClear) {
            return new Verdict(Type.TEXT, "its dates are written in ways that contradict each other", 0, false);
        }
        if (misfits == 0) {
            return new Verdict(best, "all " + Says.count(filled, "value") + " fit", 0, true);
        }
        long nothings = e.count(Form.NOTHING_WORD, Form.CELL_ERROR);
        // Words for nothing and failed formulas say nothing against a type; words that mean something do.
        long words = e.count(Form.WORDS);
        boolean wordsOnly = words + nothings == misfits;
        if (wordsOnly && words <= Math.max(1, filled * FEW) && fits > nothings) {
            String reason = Says.number(fits) + " of " + Says.count(filled, "value") + " fit";
            return new Verdict(best, reason, misfits, misfits == nothings);
        }
        if (misfits == nothings && fits > 0 && nothings < filled) {
            return new Verdict(best, "all values but words for nothing fit", misfits, true);
        }
        if (best == Type.TIME
                && e.oddities().keySet().stream()
                        .anyMatch(text -> BEYOND_A_DAY.matcher(text).matches())) {
            return new Verdict(Type.TEXT, "it counts hours, more of them than a day has", 0, true);
        }
        boolean mostFit = misfits - nothings <= (filled - nothings) * MOST_WORDS;
        long different = e.oddities().keySet().stream()
                .filter(text -> !Forms.saysNothing(text))
                .count();
        boolean fewWords = wordsOnly && mostFit && different <= FEW_DIFFERENT;
        if (fewWords) {
            // A word or two among many values is said of the single row; the type loses nothing but them, and they are
            // asked about.
            String reason = Says.number(fits) + " of " + Says.count(filled, "value") + " fit";
            return new Verdict(best, reason, misfits, false);
        }
        return new Verdict(
                Type.TEXT,
                Says.number(misfits) + " of " + Says.count(filled, "value") + " would not fit " + best.word(),
                0,
                !mostFit && !isMeasured(e, different) && !areAmounts(e));
    }

    /** True where many values are numbers with decimals and all others few words: readings with {@code <0.05} among them. */
    private static boolean isMeasured(Evidence e, long different) {
        long fractions = e.count(Form.NUMBER_FRACTION, Form.POINT, Form.COMMA);
        return different <= FEW_DIFFERENT && fractions >= e.filled() * MOST_WORDS;
    }

    /** True where what is no number is one with a unit behind it, a bound or a score: {@code 120 cm}, {@code <50}, {@code 8/10}. */
    private static boolean areAmounts(Evidence e) {
        List<String> odd = e.oddities().keySet().stream()
                .filter(text -> !Forms.saysNothing(text))
                .toList();
        return !odd.isEmpty()
                && e.count(WHOLE_FORMS) + e.count(Form.NUMBER_FRACTION, Form.POINT, Form.COMMA) > 0
                && (odd.stream().allMatch(text -> BOUND.matcher(text.strip()).matches())
                        || odd.stream()
                                .allMatch(text -> SCORE.matcher(text.strip()).matches())
                        || !Measures.unitsOf(odd).isEmpty());
    }

    private static List<Type> candidates(Evidence e) {
        List<Type> types = new ArrayList<>();
        boolean codes = e.count(Form.ZERO_LED, Form.LONG_DIGITS) > 0
                || (e.count(Form.NUMBER_HUGE) > 0)
                || e.wholeDigits() + e.decimals() > EXACT_DIGITS;
        if (!codes) {
            types.add(fit(e, Type.DECIMAL) == e.count(WHOLE_FORMS) ? Type.WHOLE_NUMBER : numberType(e));
        }
        types.add(
                e.count(Form.CELL_MOMENT, Form.YEAR_FIRST_MOMENT, Form.OTHER_MOMENT) > e.zeroTimes()
                        ? Type.DATE_AND_TIME
                        : Type.DATE);
        types.add(Type.TIME);
        // No alone can be a number's abbreviation, or anything: both must be said.
        if (e.yesNoWords() == 0 || e.bothYesAndNo()) {
            types.add(Type.YES_NO);
        }
        return types;
    }

    private static Type numberType(Evidence e) {
        if (e.count(Form.MONEY_TEXT) > 0) {
            return Type.MONEY;
        }
        long percents = e.count(Form.PERCENT_TEXT, Form.NUMBER_PERCENT);
        return percents > 0 && percents == fit(e, Type.DECIMAL) ? Type.PERCENT : Type.DECIMAL;
    }

    /** How many values fit a type. */
    public static long fit(Evidence e, Type type) {
        long fits = 0;
        for (Form form : Form.FORMS) {
            if (fits(form, type)) {
                fits += e.count(form);
            }
        }
        return switch (type) {
            case DATE -> fits + e.zeroTimes();
            case YES_NO -> fits + e.yesNoWords();
            default -> fits;
        };
    }

    private static boolean fits(Form form, Type type) {
        return switch (type) {
            case TEXT -> form != Form.BLANK && form != Form.CELL_ERROR;
            case WHOLE_NUMBER -> form == Form.DIGITS || form == Form.NUMBER_WHOLE || form == Form.SPACED;
            case DECIMAL, MONEY, PERCENT -> form.isNumber();
            case DATE -> form.isDate();
            case DATE_AND_TIME -> form.isDate() || form.isMoment();
            case TIME -> form == Form.CLOCK || form == Form.CELL_CLOCK;
            case YES_NO -> form == Form.TRUE_FALSE || form == Form.CELL_TRUE_FALSE;
        };
    }
}
