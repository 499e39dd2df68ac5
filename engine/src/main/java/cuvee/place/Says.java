package cuvee.place;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;

/** How counts and lists are worded for people: 1 row, 2 rows, 1,204 rows. */
public final class Says {
    private static final MathContext KEPT = new MathContext(15, RoundingMode.HALF_UP);

    private Says() {}

    public static String number(long value) {
        return String.format(Locale.ROOT, "%,d", value);
    }

    /** A count with its noun, the plural made by adding an s. */
    public static String count(long value, String noun) {
        return number(value) + " " + (value == 1 ? noun : noun + "s");
    }

    /** A list as people read it: {@code a, b and c}; beyond five the rest is counted. */
    public static String list(List<String> items) {
        int shown = items.size() > 6 ? 5 : items.size();
        if (shown == 0) {
            return "nothing";
        }
        if (shown == 1) {
            return items.get(0);
        }
        if (shown < items.size()) {
            return String.join(", ", items.subList(0, shown)) + " and " + number(items.size() - shown) + " more";
        }
        return String.join(", ", items.subList(0, shown - 1)) + " and " + items.get(shown - 1);
    }

    /** A name set apart from the sentence around it. */
    public static String quoted(String name) {
        return "“" + name + "”";
    }

    /** Bytes in the unit a person expects. */
    public static String size(long bytes) {
        if (bytes < 1000) {
            return count(bytes, "byte");
        }
        if (bytes < 1_000_000) {
            return String.format(Locale.ROOT, "%.0f KB", bytes / 1e3);
        }
        if (bytes < 1_000_000_000) {
            return String.format(Locale.ROOT, "%.1f MB", bytes / 1e6);
        }
        return String.format(Locale.ROOT, "%.1f GB", bytes / 1e9);
    }

    /** A number with its thousands parted and no more decimals than it has: {@code −1,204.5}. */
    public static String number(BigDecimal number) {
        return decimals(number.signum() == 0 ? BigDecimal.ZERO : number.stripTrailingZeros());
    }

    /** A number that was worked out, rounded to six decimals and to the digits that a workbook keeps. */
    public static String number(double number) {
        return number(new BigDecimal(number).setScale(6, RoundingMode.HALF_UP).round(KEPT));
    }

    /** A number with its thousands parted and all the decimals that it is given with: {@code 1,204.50}. */
    public static String decimals(BigDecimal number) {
        String digits = number.abs().toPlainString();
        int point = digits.indexOf('.');
        String whole = point < 0 ? digits : digits.substring(0, point);
        StringBuilder grouped = new StringBuilder(whole);
        for (int at = whole.length() - 3; at > 0; at -= 3) {
            grouped.insert(at, ',');
        }
        return (number.signum() < 0 ? "\u2212" : "") + grouped + (point < 0 ? "" : digits.substring(point));
    }

    /** Words as a sentence begins: with a capital letter. */
    public static String capital(String words) {
        return words.isEmpty() ? words : words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
