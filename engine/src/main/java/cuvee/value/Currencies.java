package cuvee.value;

import cuvee.sheet.Row;
import java.util.Currency;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Currency marks beside an amount: {@code € 12}, {@code 12 EUR}, {@code -$12}. */
final class Currencies {
    private static final Map<Character, String> SIGNS = Map.of('€', "EUR", '$', "USD", '£', "GBP", '¥', "JPY");
    private static final Set<String> CODES = Currency.getAvailableCurrencies().stream()
            .map(Currency::getCurrencyCode)
            .collect(Collectors.toUnmodifiableSet());

    private static final Pattern SHORT = Pattern.compile("([-(]?\\d{1,6})([.,]\\d{1,3})? ?([kKmM]|[bmBM][nN]|mio)\\.?");

    private static final Set<String> COMMON = Set.of(
            "EUR", "USD", "GBP", "CHF", "SEK", "NOK", "DKK", "ISK", "PLN", "CZK", "HUF", "RON", "TRY", "JPY", "CNY",
            "INR", "AUD", "CAD", "NZD", "ZAR", "BRL", "MXN", "SGD", "HKD", "KRW");

    private Currencies() {}

    /** The code of a currency that a unit names: {@code EUR}, {@code €}, {@code in EUR}; empty for any other unit. */
    static Optional<String> ofUnit(String unit) {
        String bare = unit.strip().startsWith("in ") ? unit.strip().substring(3).strip() : unit.strip();
        if (bare.length() == 1 && SIGNS.containsKey(bare.charAt(0))) {
            return Optional.ofNullable(SIGNS.get(bare.charAt(0)));
        }
        return CODES.contains(bare) ? Optional.of(bare) : Optional.empty();
    }

    /** The currency that stands behind the words of a header; a rare code may as well be a word, such as ALL. */
    static Optional<String> behind(String header) {
        int space = header.strip().lastIndexOf(' ');
        String last = space < 0 ? "" : header.strip().substring(space + 1);
        return COMMON.contains(last) || last.length() == 1 ? ofUnit(last) : Optional.empty();
    }

    /** An amount without its mark, and the currency. */
    record Amount(String number, String currency) {}

    /** What stands beside a currency mark, be it a number or not; null where there is no such mark. */
    static @Nullable Amount strip(char[] chars, int start, int end) {
        if (endsWithoutCents(chars, start, end)) {
            int mark = end - 1;
            while (isDash(chars[mark])) {
                mark--;
            }
            char[] written = (new String(chars, start, mark + 1 - start) + "00").toCharArray();
            Amount amount = strip(written, 0, written.length);
            return amount == null ? amount(new String(written), "") : amount;
        }
        char first = chars[start];
        char last = chars[end - 1];
        if (!couldBe(chars, start, end)) {
            return null;
        }
        boolean sign = first == '-' || first == '(';
        int from = sign ? start + 1 : start;
        if (from < end && SIGNS.containsKey(chars[from])) {
            return amount(
                    (sign ? String.valueOf(first) : "") + new String(chars, from + 1, end - from - 1).strip(),
                    SIGNS.get(chars[from]));
        }
        if (SIGNS.containsKey(last)) {
            return amount(new String(chars, start, end - start - 1), SIGNS.get(last));
        }
        if (end - start > 3 && isLetter(first) && isDigitOrSign(last)) {
            return code(new String(chars, start, 3), new String(chars, start + 3, end - start - 3));
        }
        if (end - start > 3 && isLetter(last) && isDigitOrSign(first)) {
            return code(new String(chars, end - 3, 3), new String(chars, start, end - start - 3));
        }
        return null;
    }

    /** True for {@code 50,-} and {@code 12.--}: a dash behind the decimal mark stands for no cents and is no sign. */
    static boolean endsWithoutCents(char[] chars, int start, int end) {
        int at = end - 1;
        while (at > start && isDash(chars[at])) {
            at--;
        }
        return at < end - 1
                && at > start
                && (chars[at] == ',' || chars[at] == '.')
                && chars[at - 1] >= '0'
                && chars[at - 1] <= '9';
    }

    private static boolean isDash(char c) {
        return c == '-' || c == '\u2013' || c == '\u2014';
    }

    /** A first look that spares most words the rest: a sign somewhere at the ends, or three capitals. */
    private static boolean couldBe(char[] chars, int start, int end) {
        char last = chars[end - 1];
        for (int i = start; i < Math.min(end, start + 2); i++) {
            if (isSign(chars[i])) {
                return true;
            }
        }
        if (isSign(last)) {
            return true;
        }
        return end - start > 3
                && (isLetter(chars[start]) && isLetter(chars[start + 1]) && isLetter(chars[start + 2])
                        || isLetter(last) && isLetter(chars[end - 2]) && isLetter(chars[end - 3]));
    }

    private static boolean isSign(char c) {
        return c == '€' || c == '$' || c == '£' || c == '¥';
    }

    private static boolean isLetter(char c) {
        return c >= 'A' && c <= 'Z';
    }

    private static boolean isDigitOrSign(char c) {
        return (c >= '0' && c <= '9') || c == '-' || c == '(' || c == ')';
    }

    private static @Nullable Amount code(String code, String rest) {
        return CODES.contains(code) ? amount(rest, code) : null;
    }

    private static @Nullable Amount amount(String text, @Nullable String currency) {
        char[] chars = text.toCharArray();
        int start = 0;
        while (start < chars.length && Row.isSpace(chars[start])) {
            start++;
        }
        if (start == chars.length || currency == null) {
            return null;
        }
        return new Amount(writtenOut(text.strip()), currency);
    }

    /**
     * An amount in thousands, millions or billions, as in {@code £350k} and {@code €1.2m}, with all its digits; any other as
     * it stands. Where three digits stand behind the mark before a {@code k}, nothing tells decimals from a group.
     */
    private static String writtenOut(String number) {
        Matcher parts = SHORT.matcher(number);
        if (!parts.matches()) {
            return number;
        }
        String letters = parts.group(3).toLowerCase(Locale.ROOT);
        int zeros = letters.equals("k") ? 3 : letters.startsWith("m") ? 6 : 9;
        String fraction = parts.group(2) == null ? "" : parts.group(2).substring(1);
        return fraction.length() == 3 && zeros == 3
                ? number
                : parts.group(1) + fraction + "0".repeat(zeros - fraction.length());
    }
}
