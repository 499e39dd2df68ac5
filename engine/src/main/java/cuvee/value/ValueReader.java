package cuvee.value;

import cuvee.sheet.CellKind;
import cuvee.sheet.NumberFormats;
import cuvee.sheet.NumberText;
import cuvee.sheet.ReadLimits;
import cuvee.sheet.Row;
import cuvee.value.Convention.Mark;
import java.math.BigDecimal;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * Reads a staged cell as a value of a type. The answer is canonical text: plain decimals, ISO dates, {@code true} or
 * {@code false}; it depends on the cell, the type and the convention only.
 */
public final class ValueReader {
    private ValueReader() {}

    /**
     * The value of a staged cell.
     *
     * @return canonical text; null where the cell is blank or its value does not fit the type
     */
    public static @Nullable String read(String staged, Type type, Convention convention) {
        CellKind kind = CellKind.ofStaged(staged);
        String text = CellKind.textOf(staged);
        if (type == Type.TEXT) {
            return kind == CellKind.ERROR
                    ? null
                    : convention.meaning() == Meaning.CODES ? code(text, convention) : text;
        }
        if (kind == CellKind.ERROR) {
            return null;
        }
        if (!convention.isPlain() && convention.meaning() != Meaning.CODES) {
            String meant = meant(staged, kind, text, convention);
            return meant == null
                    ? null
                    : read(
                            meant,
                            type,
                            convention.withMeaning(Meaning.AS_WRITTEN).withUnit(""));
        }
        Form form = Forms.ofStaged(staged);
        return switch (type) {
            case WHOLE_NUMBER -> whole(number(trim(text), form, convention));
            case DECIMAL, MONEY, PERCENT -> plain(number(trim(text), form, convention));
            case DATE -> date(trim(text), form, convention);
            case DATE_AND_TIME -> moment(trim(text), form, convention);
            case TIME -> form == Form.CELL_CLOCK ? text : form == Form.CLOCK ? Dates.clock(trim(text)) : null;
            case YES_NO ->
                form == Form.CELL_TRUE_FALSE || form == Form.TRUE_FALSE
                        ? trim(text).toLowerCase(Locale.ROOT)
                        : YesNo.of(trim(text)).map(String::valueOf).orElse(null);
            default -> null;
        };
    }

    /** A staged cell that says plainly what another means under a convention; null where that is nothing. */
    private static @Nullable String meant(String staged, CellKind kind, String text, Convention convention) {
        String unit = convention.unit();
        String bare = trim(text);
        if (convention.meaning() == Meaning.MONTHS || convention.meaning() == Meaning.DATES) {
            boolean months = convention.meaning() == Meaning.MONTHS;
            return kind != CellKind.TEXT
                    ? staged
                    : (months ? Period.monthOf(bare, unit) : Period.dayOf(bare, unit))
                            .map(day -> CellKind.DATE.mark() + day.toString())
                            .orElse(staged);
        }
        if (unit.equals(Convention.NOTES) && kind == CellKind.TEXT) {
            return NoteMarks.numberIn(bare).orElse(staged);
        }
        if ((unit.equals(Convention.CREDIT_OR_DEBIT) || unit.equals(Convention.CREDITS)) && kind == CellKind.TEXT) {
            return marked(bare, unit.equals(Convention.CREDITS) ? "CR" : "DR");
        }
        if (!unit.isEmpty() && kind == CellKind.TEXT && (bare.endsWith(unit) || bare.startsWith(unit))) {
            String number = trim(
                    bare.endsWith(unit)
                            ? bare.substring(0, bare.length() - unit.length())
                            : bare.substring(unit.length()));
            return !Forms.ofStaged(number).isNumber()
                    ? null
                    : Units.scale(unit) == 0 ? number : scaled(number, unit, convention);
        }
        if (convention.meaning() == Meaning.THOUSANDS) {
            String said = read(staged, Type.DECIMAL, convention.withMeaning(Meaning.AS_WRITTEN));
            return said == null
                    ? staged
                    : CellKind.NUMBER.mark()
                            + new BigDecimal(said).movePointRight(3).toPlainString();
        }
        BigDecimal number = switch (Forms.ofStaged(staged)) {
            case NUMBER_WHOLE, NUMBER_FRACTION -> decimal(bare);
            case DIGITS, SPACED, POINT, COMMA, POINT_OR_GROUP, COMMA_OR_GROUP ->
                number(bare, Forms.ofStaged(staged), convention);
            default -> null;
        };
        if (number == null) {
            return staged;
        }
        return switch (convention.meaning()) {
            case AS_WRITTEN, THOUSANDS, MONTHS, DATES, CODES -> staged;
            case DAYS -> {
                String iso = NumberFormats.isoDate(number.doubleValue(), NumberFormats.DayCount.FROM_1900);
                yield iso == null ? null : CellKind.DATE.mark() + iso;
            }
            case DIGITS_OF_DAYS -> {
                String iso = Dates.ofDigits(bare);
                yield iso == null ? null : CellKind.DATE.mark() + iso;
            }
            case ONE_FOR_YES ->
                number.signum() == 0
                        ? CellKind.YES_NO.mark() + "false"
                        : number.compareTo(BigDecimal.ONE) == 0 ? CellKind.YES_NO.mark() + "true" : staged;
            case PERCENT_POINTS ->
                CellKind.NUMBER.mark() + number.movePointLeft(2).toPlainString();
        };
    }

    /** A code with the leading zeros that it lost; what is not digits only stays. */
    private static String code(String text, Convention convention) {
        String bare = trim(text);
        boolean digits = !bare.isEmpty() && bare.chars().allMatch(c -> c >= '0' && c <= '9');
        return digits ? "0".repeat(Math.max(0, Integer.parseInt(convention.unit()) - bare.length())) + bare : text;
    }

    /** The currency written beside an amount, or null. */
    public static @Nullable String currency(String staged) {
        char[] chars = trim(CellKind.textOf(staged)).toCharArray();
        Currencies.Amount amount = chars.length == 0 ? null : Forms.amount(chars, 0, chars.length);
        return amount == null ? null : amount.currency();
    }

    private static @Nullable String scaled(String number, String unit, Convention convention) {
        String said = read(number, Type.DECIMAL, convention.withUnit(""));
        return said == null
                ? null
                : CellKind.NUMBER.mark()
                        + new BigDecimal(said).movePointRight(Units.scale(unit)).toPlainString();
    }

    /** An amount with its sign behind it as a word, {@code 12.50 DR}, with the sign before it where it is below zero. */
    private static @Nullable String marked(String text, String below) {
        String plain = text.endsWith(".") ? text.substring(0, text.length() - 1) : text;
        String word = plain.substring(Math.max(0, plain.length() - 2)).toUpperCase(Locale.ROOT);
        if (!word.equals("CR") && !word.equals("DR")) {
            return text;
        }
        String number = trim(plain.substring(0, plain.length() - 2));
        boolean amount = Forms.ofStaged(number).isNumber() && !number.startsWith("-") && !number.startsWith("(");
        return !amount ? null : word.equals(below) ? "-" + number : number;
    }

    /** The form of the number within a percent or an amount of money. */
    static Form inside(String staged, Form form) {
        String text = trim(CellKind.textOf(staged));
        if (form == Form.PERCENT_TEXT) {
            return Forms.ofStaged(text.substring(0, text.length() - 1));
        }
        Currencies.Amount amount = Forms.amount(text.toCharArray(), 0, text.length());
        return amount == null ? Form.WORDS : Forms.ofStaged(amount.number());
    }

    /** The text without white space of any kind at both ends. */
    public static String trim(String text) {
        int start = 0;
        int end = text.length();
        while (start < end && Row.isSpace(text.charAt(start))) {
            start++;
        }
        while (end > start && Row.isSpace(text.charAt(end - 1))) {
            end--;
        }
        return text.substring(start, end);
    }

    private static @Nullable String whole(@Nullable BigDecimal number) {
        if (number == null || number.stripTrailingZeros().scale() > 0) {
            return null;
        }
        return number.stripTrailingZeros().toPlainString();
    }

    private static @Nullable String plain(@Nullable BigDecimal number) {
        return number == null ? null : number.toPlainString();
    }

    private static @Nullable String date(String text, Form form, Convention convention) {
        if (form == Form.CELL_DATE) {
            return text;
        }
        if (form.isDate()) {
            return Dates.iso(text, convention.order());
        }
        if (!form.isMoment()) {
            return null;
        }
        String moment = moment(text, form, convention);
        return moment != null && moment.endsWith("T00:00:00") ? moment.substring(0, 10) : null;
    }

    private static @Nullable String moment(String text, Form form, Convention convention) {
        if (form == Form.CELL_MOMENT) {
            return text;
        }
        if (form.isMoment()) {
            return Dates.iso(text, convention.order());
        }
        String date = form.isDate() ? date(text, form, convention) : null;
        return date == null ? null : date + "T00:00:00";
    }

    private static @Nullable BigDecimal number(String text, Form form, Convention convention) {
        return switch (form) {
            case NUMBER_WHOLE, NUMBER_FRACTION, NUMBER_PERCENT -> decimal(text);
            case DIGITS, ZERO_LED, LONG_DIGITS, POINT -> signed(text, "");
            case SPACED, SPACED_POINT -> signed(text, " ");
            case GROUPED_POINT -> signed(text, ",");
            case COMMA, GROUPED_COMMA, SPACED_COMMA -> signed(text.replace(".", ""), ",");
            case POINT_OR_GROUP -> signed(convention.mark() == Mark.POINT ? text : text.replace(".", ""), "");
            case COMMA_OR_GROUP -> signed(text.replace(convention.mark() == Mark.COMMA ? "." : ",", ""), ",");
            case EXPONENT -> exponent(text);
            case PERCENT_TEXT -> percent(text, convention);
            case MONEY_TEXT -> money(text, convention);
            default -> null;
        };
    }

    private static @Nullable BigDecimal exponent(String text) {
        BigDecimal number = decimal(text.replace(',', '.'));
        return number == null ? null : decimal(NumberText.plain(number));
    }

    private static @Nullable BigDecimal percent(String text, Convention convention) {
        String rest = trim(text.substring(0, text.length() - 1));
        BigDecimal number = number(rest, Forms.ofStaged(rest), convention);
        return number == null ? null : number.movePointLeft(2);
    }

    private static @Nullable BigDecimal money(String text, Convention convention) {
        Currencies.Amount amount = Forms.amount(text.toCharArray(), 0, text.length());
        return amount == null ? null : number(amount.number(), Forms.ofStaged(amount.number()), convention);
    }

    /** Takes sign and grouping away; a comma that stays is the decimal mark. */
    private static @Nullable BigDecimal signed(String text, String groups) {
        StringBuilder plain = new StringBuilder(text.length() + 1);
        boolean negative = false;
        boolean commaGroups = groups.equals(",") && text.indexOf('.') >= 0 || isGroupedByCommas(text);
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9' || c == '.') {
                plain.append(c);
            } else if (c == ',') {
                if (!commaGroups) {
                    plain.append('.');
                }
            } else if (c == '-' || c == '\u2212' || c == '(') {
                negative = true;
            }
        }
        BigDecimal number = decimal(plain.toString());
        return number == null || !negative ? number : number.negate();
    }

    private static boolean isGroupedByCommas(String text) {
        return text.indexOf(',') != text.lastIndexOf(',');
    }

    private static @Nullable BigDecimal decimal(String text) {
        if (text.length() > ReadLimits.NUMBER_LENGTH) {
            return null;
        }
        try {
            BigDecimal number = new BigDecimal(text);
            // Numbers with such exponents would fill the memory when they are written out, and no workbook has them.
            boolean absurd = Math.abs((long) number.precision() - number.scale()) > ReadLimits.NUMBER_LENGTH;
            return absurd ? null : number;
        } catch (NumberFormatException noNumber) {
            return null;
        }
    }
}
