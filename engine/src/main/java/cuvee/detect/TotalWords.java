package cuvee.detect;

import cuvee.value.LooseText;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** The words by which people mark lines of totals, and of other figures over the rows above, in several languages. */
public final class TotalWords {
    private static final List<String> WORDS = List.of(
            "total",
            "totals",
            "sum",
            "summe",
            "gesamt",
            "gesamtsumme",
            "gesamtbetrag",
            "endsumme",
            "zwischensumme",
            "teilsumme",
            "insgesamt",
            "somme",
            "totale",
            "totales",
            "totaux",
            "totaal",
            "subtotaal",
            "sous-total",
            "suma",
            "summa",
            "razem",
            "celkem",
            "totalt",
            "yhteensä",
            "összesen",
            "ukupno",
            "skupaj",
            "toplam",
            "итого",
            "всего",
            "разом",
            "σύνολο",
            "σ",
            "∑",
            "合計",
            "小計",
            "总计",
            "合计",
            "小计",
            "총계",
            "합계");
    private static final List<String> BEFORE =
            List.of("grand ", "sub", "sub-", "sub ", "running ", "overall ", "genel ");
    private static final String WORD = "(" + String.join("|", BEFORE) + ")?(" + String.join("|", WORDS) + ")";
    private static final Pattern ANY_WORD = Pattern.compile("(?<![\\p{L}\\p{N}])" + WORD + "(?![\\p{L}\\p{N}])");
    private static final Pattern EXACT = Pattern.compile(WORD + "( général| general| generale)?[:.]?");
    private static final Pattern LEADS = Pattern.compile(WORD + "[:.,]?[ :(\\-–].*");
    private static final Pattern ENDS = Pattern.compile(".*[ \\-–]" + WORD + "[:.]?");
    /** What all periods so far come to. */
    private static final Pattern SO_FAR = Pattern.compile(
            "(year|month|quarter|season) to date|[ymq]td|full year|whole year|gesamtjahr|ganzes jahr|kumuliert"
                    + "|cumulative|ann\u00e9e compl\u00e8te");
    /** What the lines of a claim or an invoice come to. */
    private static final Pattern DUE = Pattern.compile(
            "(amount|balance|net|now) (due|payable|to pay|to be paid)|(amount )?(to be paid|to pay|to be reimbursed|payable)"
                    + "|zahlbetrag|zu zahlen|(auszahlungs|rechnungs)betrag|(net |reste |montant )?[àa] (payer|rembourser)"
                    + "|(importe |total )?a pagar|da pagare|te betalen");
    /** Words over everything, where no total word is used. */
    private static final Pattern WHOLE =
            Pattern.compile("(all|whole|entire|overall|alle|tous|todos|todas|tutti)( .*)?");

    private static final Map<Figure, Set<String>> FIGURES = Map.of(
            Figure.MEAN,
            Set.of(
                    "average",
                    "avg",
                    "avg.",
                    "mean",
                    "ø",
                    "durchschnitt",
                    "mittelwert",
                    "moyenne",
                    "media",
                    "promedio",
                    "gemiddelde",
                    "średnia",
                    "genomsnitt",
                    "keskiarvo",
                    "average value",
                    "arithmetic mean"),
            Figure.MOST,
            Set.of("max", "max.", "maximum", "highest", "máximo", "massimo", "höchstwert"),
            Figure.LEAST,
            Set.of("min", "min.", "minimum", "lowest", "mínimo", "minimo", "tiefstwert"),
            Figure.MIDDLE,
            Set.of("median", "médiane", "mediana"),
            Figure.COUNT,
            Set.of("count", "anzahl", "number of records", "number of rows", "no. of records"),
            Figure.SPREAD,
            Set.of("standard deviation", "std dev", "std. dev.", "stdev", "standardabweichung", "variance"));

    /** What an account held before its first line, or holds behind its last. */
    private static final Pattern BALANCE = Pattern.compile(
            "((opening|closing|starting|ending|beginning|previous|new) balance|balance (brought|carried) (forward|down|over)"
                    + "|balance [bc]/[fd]|(brought|carried) forward|[bc]/f"
                    + "|anfangsbestand|anfangssaldo|endbestand|endsaldo|schlusssaldo|saldovortrag|übertrag"
                    + "|solde (initial|final|d'ouverture|de clôture)|report à nouveau"
                    + "|saldo (inicial|final|iniziale|finale|anterior)|beginsaldo|eindsaldo)([ :(,].{0,20})?");

    private static final Pattern SHARE =
            Pattern.compile("(%|in %|percent|percentage|per cent|share|proportion|anteil|part|quota|aandeel)"
                    + "( (of|am|an|de|du|des|van|del|sul)( the| der| la)?)? .*");

    /** What sets a total against something else. */
    private static final Pattern COMPARED = Pattern.compile(
            "(% |percent|per cent|share of|anteil|in %|previous|prior|last year|vorjahr|ann[ée]e pr[ée]c[ée]dente|year before"
                    + "|change|ver[äa]nderung|abweichung|variance|difference|differenz|diff|écart|growth|wachstum|index).*"
                    + "|(vs\\.?|against|gegen) .*|(budget|plan|target|goal|soll|ziel|forecast)( \\d{4}| total)?");

    private static final int LONGEST = 60;
    private static final Set<String> FIRST_WORDS = firstWords();
    private static final int LETTERS = 26;
    private static final boolean[] PAIRS = letterPairs();

    private TotalWords() {}

    /** What a text says besides its word for a total: {@code North} of {@code Total North}, which is what it adds up. */
    static String rest(String text) {
        String small = LooseText.tidy(text).toLowerCase(Locale.ROOT);
        return LooseText.tidy(ANY_WORD.matcher(small).replaceAll(" ").replaceAll("^[\\s:,.()–-]+|[\\s:,.()–-]+$", ""));
    }

    /** How surely a text names a total. */
    public enum Sureness {
        NO,
        /** A total word beside others: {@code Total North}, or a firm of that name. */
        PARTLY,
        /** Nothing but a total word. */
        WHOLLY
    }

    /** A figure over the rows above that is no total. */
    enum Figure {
        MEAN,
        MOST,
        LEAST,
        MIDDLE,
        COUNT,
        SPREAD;

        /** True where the word is the name of a person or a thing as well. */
        boolean ambiguous() {
            return this == MOST || this == LEAST || this == COUNT;
        }
    }

    /** A word of all that is looked for, mostly the first, and else one that is rarer; with what may stand right before it. */
    private static Set<String> firstWords() {
        Set<String> first = new HashSet<>(Set.of(
                "all",
                "whole",
                "entire",
                "alle",
                "tous",
                "todos",
                "todas",
                "tutti",
                "year",
                "month",
                "quarter",
                "season",
                "ytd",
                "mtd",
                "qtd",
                "full",
                "gesamtjahr",
                "ganzes",
                "kumuliert",
                "due",
                "payable",
                "paid",
                "pay",
                "reimbursed",
                "zahlbetrag",
                "zahlen",
                "auszahlungsbetrag",
                "rechnungsbetrag",
                "payer",
                "rembourser",
                "pagar",
                "pagare",
                "betalen",
                "cumulative",
                "ann\u00e9e"));
        Stream.of(WORDS.stream(), BEFORE.stream(), FIGURES.values().stream().flatMap(Set::stream))
                .flatMap(words -> words)
                .forEach(word -> first.add(word.split("[ .-]", -1)[0]));
        BEFORE.stream()
                .filter(before -> !before.endsWith(" "))
                .forEach(before -> WORDS.forEach(word -> first.add(before + word)));
        return first;
    }

    /** For each two small letters whether such a word begins with them. */
    private static boolean[] letterPairs() {
        boolean[] pairs = new boolean[LETTERS * LETTERS];
        for (String word : FIRST_WORDS) {
            if (word.length() > 1 && isPlain(word.charAt(0)) && isPlain(word.charAt(1))) {
                pairs[(word.charAt(0) - 'a') * LETTERS + word.charAt(1) - 'a'] = true;
            }
        }
        return pairs;
    }

    private static boolean isPlain(int letter) {
        return letter >= 'a' && letter <= 'z';
    }

    /** True where some word of a text is one of these: a cheap first look, since most cells have none. */
    static boolean possible(char[] chars, int start, int end) {
        if (end - start > LONGEST) {
            return false;
        }
        boolean wordStart = true;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            boolean letter = c < 128 ? isPlain(c | 0x20) : c == '∑' || Character.isLetter(c);
            if (letter && wordStart && begins(chars, i, end)) {
                return true;
            }
            wordStart = !letter;
        }
        return false;
    }

    private static boolean begins(char[] chars, int at, int end) {
        int first = chars[at] | 0x20;
        int second = at + 1 < end ? chars[at + 1] | 0x20 : ' ';
        boolean plain = chars[at] < 128 && second < 128;
        if (plain && (!isPlain(second) || !PAIRS[(first - 'a') * LETTERS + second - 'a'])) {
            return false;
        }
        int wordEnd = at + 1;
        while (wordEnd < end && Character.isLetter(chars[wordEnd])) {
            wordEnd++;
        }
        return FIRST_WORDS.contains(new String(chars, at, wordEnd - at).toLowerCase(Locale.ROOT));
    }

    /** How surely a text names a total. */
    public static Sureness of(String text) {
        if (text.length() > LONGEST) {
            return Sureness.NO;
        }
        String lower = lower(text);
        if (EXACT.matcher(lower).matches()) {
            return Sureness.WHOLLY;
        }
        boolean partly = LEADS.matcher(lower).matches()
                || ENDS.matcher(lower).matches()
                || SO_FAR.matcher(lower).matches()
                || namesDue(text);
        return partly ? Sureness.PARTLY : Sureness.NO;
    }

    /** True for {@code To be paid} and {@code Amount due}: what lines come to, or what is left of it. */
    static boolean namesDue(String text) {
        String lower = lower(text);
        return text.length() <= LONGEST
                && DUE.matcher(lower.endsWith(":") ? lower.substring(0, lower.length() - 1) : lower)
                        .matches();
    }

    /** The figure that a text names, and nothing else. */
    static Optional<Figure> figure(String text) {
        String lower = lower(text);
        String bare = lower.endsWith(":") ? lower.substring(0, lower.length() - 1) : lower;
        return FIGURES.entrySet().stream()
                .filter(figure -> figure.getValue().contains(bare))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** True for a text that is a word for the average. */
    public static boolean namesMean(String text) {
        return figure(text).filter(figure -> figure == Figure.MEAN).isPresent();
    }

    /** The figure that one word of a text names, where it can hardly be a name: {@code Class average}. */
    static Optional<Figure> figureWithin(String text) {
        return text.length() > LONGEST
                ? Optional.empty()
                : Stream.of(lower(text).split("[ :]+", -1))
                        .flatMap(word -> figure(word).stream())
                        .filter(figure -> !figure.ambiguous())
                        .findFirst();
    }

    /** True for {@code % of total} and {@code Previous year}: what is said of a total right above. */
    static boolean compares(String text) {
        return text.length() <= LONGEST && COMPARED.matcher(lower(text)).matches();
    }

    /** True for {@code % of total}: a part of one, and no total. */
    static boolean isShareOfTotal(String text) {
        return text.length() <= LONGEST && SHARE.matcher(lower(text)).matches();
    }

    /** True for {@code Opening balance}: what an account held, and no movement of it. */
    static boolean namesBalance(String text) {
        return text.length() <= LONGEST && BALANCE.matcher(lower(text)).matches();
    }

    /** True for {@code All regions}: what may add up the rows below it. */
    static boolean namesWhole(String text) {
        return of(text) != Sureness.NO
                || text.length() <= LONGEST && WHOLE.matcher(lower(text)).matches();
    }

    private static String lower(String text) {
        return LooseText.tidy(text).toLowerCase(Locale.ROOT);
    }
}
