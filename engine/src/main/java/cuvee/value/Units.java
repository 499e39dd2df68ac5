package cuvee.value;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;

/** The units that stand behind or below the names of columns: currencies, measures, and what a value is a number of. */
public final class Units {
    private static final Map<String, Optional<String>> BY_HEADER = new ConcurrentHashMap<>();
    private static final Set<String> KNOWN = Set.of(
            "eur",
            "usd",
            "gbp",
            "chf",
            "sek",
            "nok",
            "dkk",
            "pln",
            "czk",
            "huf",
            "t",
            "kg",
            "g",
            "l",
            "km",
            "m",
            "nm",
            "h",
            "min",
            "pcs",
            "no",
            "text",
            "date",
            "yyyy-mm-dd",
            "dd.mm.yyyy",
            "dd/mm/yyyy",
            "litres",
            "liter",
            "tonnes",
            "hours",
            "minutes",
            "days",
            "persons",
            "number",
            "thousand",
            "tsd");

    private static final Pattern SIGN_OR_WORDS = Pattern.compile("[%€$£°#‰]|in [a-z€$£%]{1,8}");

    /** Codes of currencies that stand before {@code 000} where amounts are in thousands. */
    private static final String CODES = "EUR|USD|GBP|CHF|SEK|NOK|DKK|PLN|CZK|HUF|CAD|AUD";

    private static final String THOUSANDS =
            "(?:thousands?|tausend|t(?:sd|ds)\\.?|milliers|['’]000s?|000['’]?s|(?<=[(\\[] ?)000(?= ?[)\\]])|(?<=[(\\[](?:[€£$]|[A-Z]{3}) ?)000(?= ?[)\\]])|(?<=(?:[€£$]|"
                    + CODES + ") ?)000" + "|[kt][ ]?[€£$]|[€£$] ?k|[kt](?:eur|usd|gbp|chf|sek|nok|dkk|pln))";
    /** A unit that says thousands, wherever it stands in a header. */
    private static final Pattern IN_HEADER =
            Pattern.compile("(?i)(?<![\\p{L}\\p{N}.,])(?:[€£$] ?)?" + THOUSANDS + "(?![\\p{L}\\p{N}])");
    /** A line that says of the numbers below it that they are in thousands, and does not merely have the word. */
    private static final Pattern IN_LINE =
            Pattern.compile("(?i)(?:(?<!\\p{L})(?:in|en|units?:?|einheit:?)\\s+(?:[€£$]\\s*|\\p{L}{1,9}\\s+)?"
                    + "|[(\\[]\\s*(?:[€£$]\\s*|\\p{L}{1,9}\\s+)?)" + THOUSANDS + "(?![\\p{L}\\p{N}])"
                    + "|(?<!\\p{L})[kt](?:eur|usd|gbp|chf)(?!\\p{L})|^(?:[€£$]|[A-Z]{3}) ?['’]?000['’]?s?$");

    private static final Map<String, Integer> SCALES = Map.ofEntries(
            Map.entry("k", 3),
            Map.entry("K", 3),
            Map.entry("tsd", 3),
            Map.entry("Tsd", 3),
            Map.entry("thousand", 3),
            Map.entry("M", 6),
            Map.entry("Mio", 6),
            Map.entry("mio", 6),
            Map.entry("mn", 6),
            Map.entry("million", 6),
            Map.entry("bn", 9),
            Map.entry("Mrd", 9),
            Map.entry("billion", 9));

    private Units() {}

    /** By how many places a word behind numbers moves their point: 3 for {@code k}, 6 for {@code Mio.}; 0 for any other unit. */
    public static int scale(String unit) {
        return SCALES.getOrDefault(unit.endsWith(".") ? unit.substring(0, unit.length() - 1) : unit, 0);
    }

    /** True where a header names thousands as its unit, as {@code Sales (k€)}, {@code Umsatz TEUR} and {@code £'000} do. */
    public static boolean isInThousands(String header) {
        return IN_HEADER.matcher(header).find();
    }

    /** True where a line above a table says that its numbers are in thousands. */
    public static boolean saysInThousands(String line) {
        return IN_LINE.matcher(line).find();
    }

    /**
     * The code of the currency that a header names as its unit: that of {@code Fare (EUR)} is EUR, and so is that of
     * {@code Fare EUR}.
     */
    public static Optional<String> currency(String header) {
        return BY_HEADER.computeIfAbsent(
                header, named -> Currencies.ofUnit(LooseText.unit(named)).or(() -> Currencies.behind(named)));
    }

    /** A header without the currency that it names: {@code Fare} of {@code Fare (EUR)}; itself where nothing else is left. */
    public static String withoutCurrency(String header) {
        if (currency(header).isEmpty()) {
            return header;
        }
        String tidy = LooseText.tidy(header);
        int cut = LooseText.unit(tidy).isEmpty()
                ? tidy.lastIndexOf(' ')
                : Math.max(tidy.lastIndexOf('('), tidy.lastIndexOf('['));
        String bare = cut < 0 ? "" : tidy.substring(0, cut).strip();
        return bare.isEmpty() ? header : bare;
    }

    /** The code of the currency with a mark such as {@code €} or {@code EUR}. */
    public static Optional<String> ofMark(String mark) {
        return Currencies.ofUnit(mark);
    }

    /** True for {@code EUR}, {@code t}, {@code %}, {@code in km} and the like. */
    public static boolean isKnown(String text) {
        String unit = LooseText.tidy(text).toLowerCase(Locale.ROOT);
        return KNOWN.contains(unit)
                || Measures.isUnmistakable(unit)
                || SIGN_OR_WORDS.matcher(unit).matches();
    }
}
