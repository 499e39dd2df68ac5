package cuvee.layout;

import cuvee.value.LooseText;
import cuvee.value.Measures;
import cuvee.value.Words;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * How alike two headers are, word by word: the same words, abbreviations of each other, words of the same meaning,
 * slips of the keyboard, initials. Words that say the opposite of each other keep two headers apart whatever else they
 * share.
 */
public final class HeaderWords {
    private static final Pattern BREAKS = Pattern.compile("[^\\p{L}\\p{N}%#€$£]+");
    private static final Pattern CAMEL =
            Pattern.compile("(?<=\\p{Ll})(?=\\p{Lu})|(?<=\\p{L})(?=\\p{N})|(?<=\\p{N})(?=\\p{L})");
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Set<String> FILLERS = Set.of(
            "of", "the", "a", "an", "on", "per", "for", "der", "die", "das", "des", "de", "du", "la", "le", "les", "el",
            "di", "and", "und", "et", "y", "e");
    /** Words that many headers have and that tell little by themselves. */
    private static final Set<String> GENERAL = Set.of(
            "number",
            "quantity",
            "name",
            "amount",
            "value",
            "total",
            "date",
            "code",
            "type",
            "id",
            "percent",
            "in",
            "eur",
            "usd",
            "gbp",
            "chf",
            "kg",
            "t",
            "tonne",
            "km",
            "litre",
            "hour",
            "minute",
            "thousand");

    /** Units that many different columns have. */
    private static final Set<String> CURRENCIES =
            Set.of("eur", "euro", "€", "usd", "dollar", "$", "gbp", "pound", "£", "chf", "percent", "thousand");

    /** So many letters of a word are compared first. */
    private static final int BEGINNING = 3;

    private static final double LIKE_ITS_UNIT = 0.6;
    private static final double WEIGHT_OF_GENERAL = 0.2;
    private static final double WEIGHT_OF_GROUP = 0.4;
    /** Between what heads several columns and the name of one. */
    public static final String GROUP = " / ";
    /** A date said in one word with what happens on it, as in {@code dateread}. */
    private static final Pattern WITH_DATE = Pattern.compile("(date)(\\p{L}{3,})|(\\p{L}{4,})(date)");

    /** What a rate is for: any word behind "per", a unit of time or measure behind a slash or before a word for a rate. */
    private static final Pattern PER = Pattern.compile("(?i)\\b(?:per|pro|par)\\s+(\\p{L}+)|\\p{L}\\s*/\\s*"
            + "(day|tag|jour|hour|hr|h|week|month|year|km|mile|kg|t|tonne|litre|kwh|unit|piece|pc|person|night)\\b|"
            + "\\b(day|dai|hour|night|week|month|year|tag|jour)(?:ly)?[\\s_-]*"
            + "(?:rate|price|fee|charge|tariff|cost|wage|rent)s?\\b");

    /** Sets of which two headers may each say another word; what is said so is never the same thing. */
    private static final Pattern HYPHENED = Pattern.compile("(\\p{L}+)-(\\p{L}+)");

    /** Headers of several words that are one in the language of others. */
    private static final Map<String, String> PHRASES = Map.of(
            "money out",
            "debit",
            "paid out",
            "debit",
            "money in",
            "credit",
            "paid in",
            "credit",
            "not due",
            "current",
            "not yet due",
            "current");

    /** Several words within a header for which there is one. */
    private static final Map<Pattern, String> SAID_IN_ONE_WORD = Map.of(
            Pattern.compile("(?i)\\b(?:brought\\s+(?:forward|fwd|over)|b\\s*/\\s*f(?:wd)?|bfwd)\\b"),
            "opening",
            Pattern.compile("(?i)\\b(?:carried\\s+(?:forward|fwd|over)|c\\s*/\\s*f(?:wd)?|cfwd)\\b"),
            "closing",
            Pattern.compile("(?i)\\b(?:first|given|christian)\\s+name\\b"),
            "forename",
            Pattern.compile("(?i)\\b(?:last|family)\\s+name\\b"),
            "surname",
            Pattern.compile("(?i)\\bexcl(?:\\.|uding|usive(?:\\s+of)?)?\\s+(?:vat|tax)\\b"),
            "net",
            Pattern.compile("(?i)\\bincl(?:\\.|uding|usive(?:\\s+of)?)?\\s+(?:vat|tax)\\b"),
            "gross");

    /** Between two words "in" says of what the numbers are, or where something is; it is no opposite of "out" there. */
    private static final Pattern IN_BETWEEN = Pattern.compile("(?i)(?<=[\\p{L}\\p{N}]\\s)in(?=\\s+[\\p{L}\\p{N}€$£])");

    private static final List<Set<String>> STRICT_SETS = opposites("opposites.txt");

    private static final Opposites STRICT_OPPOSITES = new Opposites(STRICT_SETS);
    /** The same with milder differences, which the values may outweigh. */
    private static final Opposites OPPOSITES =
            new Opposites(Stream.concat(STRICT_SETS.stream(), opposites("mild-opposites.txt").stream())
                    .toList());

    /** Words for money, for what is measured, for shares and so on: each sort by itself. */
    private static final List<Set<String>> SORTS = opposites("sorts.txt");

    private static final Pattern RATE = Pattern.compile(
            "(?i)%|\\b(price|rate|share|ratio|percent|average|avg|mean|per|preis|satz|anteil|quote|prix|taux)\\b");

    private static final Pattern OF = Pattern.compile("(?i)[\\s_]of[\\s_]");
    private static final Pattern BY_EACH = Pattern.compile("(?i)[\\s_]per[\\s_]|/");

    private static final Map<String, String> UNITS = new ConcurrentHashMap<>();
    private static final Map<String, String> BARE_KEYS = new ConcurrentHashMap<>();
    private static final Map<String, BitSet> SORTS_OF = new ConcurrentHashMap<>();
    private static final Map<String, List<String>> WORDS = new ConcurrentHashMap<>();
    private static final Map<String, Set<String>> MEASURES = new ConcurrentHashMap<>();
    private static final Map<String, List<Weighed>> WEIGHED = new ConcurrentHashMap<>();

    private HeaderWords() {}

    private static List<Set<String>> opposites(String resource) {
        return Words.of(HeaderWords.class, resource).stream()
                .map(line -> Set.copyOf(Words.in(line)))
                .toList();
    }

    /** How the words of a header begin, what they mean and what their first letters make: headers that are alike share one. */
    public static Set<String> beginnings(String header) {
        Set<String> beginnings = new HashSet<>();
        StringBuilder initials = new StringBuilder();
        for (String word : words(header)) {
            initials.append(word, 0, 1);
            for (String each : List.of(word, WordSense.meaning(word))) {
                beginnings.add(each.substring(0, Math.min(BEGINNING, each.length())));
            }
        }
        beginnings.add(initials.length() > BEGINNING ? initials.substring(0, BEGINNING) : initials.toString());
        return beginnings;
    }

    /** How alike two headers are, from 0 to 1; units in brackets are left out of it. */
    public static double likeness(String a, String b) {
        if (LooseText.key(a).equals(LooseText.key(b))) {
            return 1;
        }
        List<String> left = words(a);
        List<String> right = words(b);
        if (left.isEmpty() || right.isEmpty() || opposed(a, b)) {
            return 0;
        }
        if (initials(left, right) || initials(right, left)) {
            return 0.75;
        }
        double shared = 0;
        List<String> open = new ArrayList<>(right);
        double weights = 0;
        for (String word : left) {
            String best = "";
            double most = 0;
            for (String other : open) {
                double same = WordSense.alike(word, other);
                if (same > most) {
                    most = same;
                    best = other;
                }
            }
            double weight = weight(word);
            weights += weight;
            if (most > 0) {
                open.remove(best);
                shared += most * Math.max(weight, weight(best));
                weights += Math.max(0, weight(best) - weight);
            }
        }
        for (String other : open) {
            weights += weight(other);
        }
        return weights == 0 ? 0 : Math.min(1, shared / weights);
    }

    /**
     * What the words of two headers say of each other, piece by piece.
     *
     * @param same 1 where they are equal but for spaces, capitals and marks
     * @param like how alike their words are, from 0 to 1
     * @param contained true where all telling words of one are among those of the other
     * @param general true where they share general words only, such as number or date
     * @param nothing true where they share nothing
     * @param initials true where one is made of the first letters of the other
     * @param leftOver true where they share telling words and each has others besides
     * @param modifier true where they share words, but one alone says a word that makes another thing of it
     * @param unitsDiffer true where they name different units
     * @param opposed true where they speak of different things of one sort, such as minimum and maximum
     */
    public record Compared(
            boolean same,
            double like,
            boolean contained,
            boolean general,
            boolean nothing,
            boolean initials,
            boolean leftOver,
            boolean modifier,
            boolean unitsDiffer,
            boolean opposed) {
        private static final double LITTLE = 0.3;

        /** True where a word that tells something stands in both, and is no small part of them. */
        public boolean sharesTellingWord() {
            return !nothing && !general && like >= LITTLE;
        }
    }

    /** Words that make another thing of what stands beside them. */
    private static final Set<String> MODIFIERS = modifiers();

    private static Set<String> modifiers() {
        Set<String> words = new java.util.HashSet<>(Set.of(
                "next",
                "again",
                "repeat",
                "repeated",
                "prior",
                "return",
                "budget",
                "due",
                "invoice",
                "delivery",
                "order",
                "ship",
                "shipping",
                "paid",
                "booked",
                "birth",
                "start",
                "end",
                "hire",
                "tax",
                "vat",
                "excl",
                "incl",
                "before",
                "after",
                "last",
                "previous",
                "year",
                "ytd",
                "cumulative",
                "target",
                "limit",
                "estimated",
                "expected",
                "revised",
                "corrected",
                "final",
                "provisional"));
        STRICT_SETS.stream()
                .filter(set -> !set.contains("kg") && !set.contains("hour") && !set.contains("customer"))
                .filter(set -> !set.contains("type") && !set.contains("kind"))
                .forEach(words::addAll);
        return words;
    }

    /** Words of what is still to come: the day of the next visit, not of this one. */
    private static final Set<String> TO_COME = Set.of(
            "next",
            "again",
            "due",
            "deadline",
            "until",
            "expiry",
            "expires",
            "upcoming",
            "followup",
            "faellig",
            "bis",
            "naechste",
            "naechster",
            "prochain",
            "prochaine",
            "proximo",
            "proxima");

    /** True for a header of prices, shares or averages, which nobody adds up. */
    public static boolean isRate(String header) {
        return RATE.matcher(header).find();
    }

    /** True for a header that speaks of what is still to come. */
    public static boolean isToCome(String header) {
        return words(header).stream().anyMatch(TO_COME::contains);
    }

    private static boolean strictlyOpposed(List<String> left, List<String> right) {
        return STRICT_OPPOSITES.tellApart(left, right);
    }

    private static String unit(String header) {
        return UNITS.computeIfAbsent(header, LooseText::unit);
    }

    private static String bareKey(String header) {
        return BARE_KEYS.computeIfAbsent(header, HeaderWords::withoutUnit);
    }

    private static String withoutUnit(String header) {
        String unit = unit(header);
        String bare = unit.isEmpty()
                ? header
                : header.substring(0, Math.max(header.lastIndexOf('('), header.lastIndexOf('[')));
        return LooseText.key(bare);
    }

    /** What the words of two headers say of each other. */
    public static Compared compare(String a, String b) {
        String unitA = unit(a);
        String unitB = unit(b);
        boolean units =
                !unitA.isEmpty() && !unitB.isEmpty() && !LooseText.key(unitA).equals(LooseText.key(unitB));
        boolean measuredOtherwise = measuredOtherwise(a, b) || NumberRange.differ(a, b);
        if (bareKey(a).equals(bareKey(b)) && !bareKey(a).isEmpty() || NumberRange.same(a, b)) {
            return new Compared(true, 1, false, false, false, false, false, false, units, measuredOtherwise);
        }
        List<String> left = words(a);
        List<String> right = words(b);
        boolean opposed = measuredOtherwise
                || strictlyOpposed(withUnit(a, b), withUnit(b, a))
                || isMeasureOf(a, b)
                || isMeasureOf(b, a);
        if (left.isEmpty() || right.isEmpty()) {
            return new Compared(false, 0, false, false, true, false, false, false, units, opposed);
        }
        List<Weighed> mine = weighed(a);
        List<Weighed> open = new ArrayList<>(weighed(b));
        double shared = 0;
        double weights = 0;
        double telling = 0;
        double leftOver = 0;
        double rightOver = 0;
        boolean general = false;
        for (Weighed word : mine) {
            Weighed best = null;
            double most = 0;
            for (Weighed other : open) {
                double same = WordSense.alike(word.word(), other.word());
                if (same > most) {
                    most = same;
                    best = other;
                }
            }
            weights += word.weight();
            if (best != null) {
                open.remove(best);
                double heavier = Math.max(word.weight(), best.weight());
                // A word that heads several columns of one side says little of which of them is meant.
                boolean grouping = word.groups() != best.groups();
                shared += most * (grouping ? WEIGHT_OF_GROUP : heavier);
                weights += Math.max(0, best.weight() - word.weight());
                telling += heavier >= 1 && !grouping ? most : 0;
                general |= heavier < 1 || grouping;
            } else {
                leftOver += word.weight();
            }
        }
        for (Weighed other : open) {
            weights += other.weight();
            rightOver += other.weight();
        }
        if (telling == 0 && (isUnitOf(a, b) || isUnitOf(b, a))) {
            return new Compared(false, LIKE_ITS_UNIT, true, false, false, false, false, false, false, opposed);
        }
        boolean initials = initials(left, right) || initials(right, left);
        double like = weights == 0 ? 0 : Math.min(1, shared / weights);
        return new Compared(
                false,
                like,
                telling > 0 && Math.min(leftOver, rightOver) == 0,
                telling == 0 && general,
                telling == 0 && !general && !initials,
                initials,
                telling > 0 && Math.min(leftOver, rightOver) >= 1,
                like > 0 && modified(left, right),
                units,
                opposed);
    }

    /**
     * A word of a header, and how much it tells.
     *
     * @param groups true where it heads several columns, as {@code Fares} in {@code Fares / Cars}
     */
    private record Weighed(String word, double weight, boolean groups) {}

    /** The words of a header with their weights; what its group says again is said once. */
    private static List<Weighed> weighed(String header) {
        return WEIGHED.computeIfAbsent(header, HeaderWords::weigh);
    }

    private static List<Weighed> weigh(String header) {
        int at = header.lastIndexOf(GROUP);
        List<String> own = at < 0 ? words(header) : words(header.substring(at + GROUP.length()));
        List<Weighed> weighed = new ArrayList<>();
        if (at >= 0 && !own.isEmpty()) {
            words(header.substring(0, at)).stream()
                    .filter(word -> own.stream().noneMatch(other -> WordSense.alike(word, other) >= 1))
                    .forEach(word -> weighed.add(new Weighed(word, Math.min(weight(word), WEIGHT_OF_GROUP), true)));
        }
        (own.isEmpty() ? words(header) : own).forEach(word -> weighed.add(new Weighed(word, weight(word), false)));
        return List.copyOf(weighed);
    }

    /** True where one header alone says a word that makes another thing of what both say. */
    private static boolean modified(List<String> left, List<String> right) {
        Set<String> here =
                new java.util.HashSet<>(left.stream().map(WordSense::meaning).toList());
        Set<String> there =
                new java.util.HashSet<>(right.stream().map(WordSense::meaning).toList());
        Set<String> alone = new java.util.HashSet<>(here);
        alone.removeAll(there);
        there.removeAll(here);
        alone.addAll(there);
        return alone.stream().anyMatch(MODIFIERS::contains);
    }

    /** What headers that mean the same by their words have alike; a rough key for telling related tables. */
    public static String meaningKey(String header) {
        List<String> meanings = words(header).stream().map(WordSense::meaning).toList();
        List<String> telling =
                meanings.stream().filter(word -> !GENERAL.contains(word)).toList();
        return String.join(" ", telling.isEmpty() ? meanings : telling);
    }

    private static double weight(String word) {
        return GENERAL.contains(WordSense.meaning(word)) ? WEIGHT_OF_GENERAL : 1;
    }

    /** The words of a header without fillers, in small letters and without accents. */
    static List<String> words(String header) {
        return WORDS.computeIfAbsent(header, HeaderWords::split);
    }

    /**
     * A header in which hyphens between the halves of a known word are left out: {@code E-mail}, {@code Grown-ups}; several
     * words for one say the one.
     */
    private static String joined(String header) {
        String whole = PHRASES.get(LooseText.tidy(header).toLowerCase(Locale.ROOT));
        if (whole != null) {
            return whole;
        }
        String said = IN_BETWEEN.matcher(header).replaceAll(" ");
        for (Map.Entry<Pattern, String> phrase : SAID_IN_ONE_WORD.entrySet()) {
            said = phrase.getKey().matcher(said).replaceAll(phrase.getValue());
        }
        return HYPHENED.matcher(said).replaceAll(halves -> {
            String word = halves.group(1) + halves.group(2);
            return Matcher.quoteReplacement(WordSense.isKnown(word.toLowerCase(Locale.ROOT)) ? word : halves.group());
        });
    }

    private static List<String> split(String header) {
        String unit = unit(header);
        String bare = unit.isEmpty()
                ? header
                : header.substring(0, Math.max(header.lastIndexOf('('), header.lastIndexOf('[')));
        List<String> words = new ArrayList<>();
        BREAKS.splitAsStream(joined(bare).replace(".", " "))
                .flatMap(CAMEL::splitAsStream)
                .forEach(word -> {
                    String plain = MARKS.matcher(Normalizer.normalize(word, Normalizer.Form.NFKD))
                            .replaceAll("")
                            .toLowerCase(Locale.ROOT)
                            .replace("ß", "ss");
                    Matcher dated = WITH_DATE.matcher(plain);
                    if (dated.matches()) {
                        boolean first = dated.group(1) != null;
                        words.add(first ? dated.group(1) : dated.group(3));
                        words.add(first ? dated.group(2) : dated.group(4));
                    } else if (!plain.isEmpty() && !FILLERS.contains(plain)) {
                        words.addAll(
                                plain.equals("#")
                                        ? List.of("number")
                                        : plain.equals("%") ? List.of("percent") : WordSense.knownWordsIn(plain));
                    }
                });
        return List.copyOf(words);
    }

    /** True where one header says a word and the other its opposite. */
    static boolean opposed(List<String> left, List<String> right) {
        return OPPOSITES.tellApart(left, right);
    }

    /** True where two headers speak of different things of one sort, such as origin and destination. */
    public static boolean opposed(String a, String b) {
        return opposed(withUnit(a, b), withUnit(b, a))
                || measuredOtherwise(a, b)
                || NumberRange.differ(a, b)
                || isMeasureOf(a, b)
                || isMeasureOf(b, a);
    }

    /** True where both name a unit in brackets, of which one is never the other: kilograms are no pounds. */
    private static boolean measuredOtherwise(String a, String b) {
        return strictlyOpposed(unitWords(a), unitWords(b)) || Measures.differ(unit(a), unit(b));
    }

    /** The words of a unit in brackets, where "min" are minutes and no minimum. */
    private static List<String> unitWords(String header) {
        String unit = unit(header);
        return unit.equalsIgnoreCase("min") ? List.of("minute") : words(unit);
    }

    /**
     * The words of a header with those of its unit, where the other names none in brackets: "Miles (km)" are kilometres
     * like "Distance km", and "Distance (miles)" are not. Two units in brackets are compared by themselves.
     */
    private static List<String> withUnit(String header, String other) {
        String unit = unit(header);
        if (unit.isEmpty() || !unit(other).isEmpty()) {
            return words(header);
        }
        List<String> all = new ArrayList<>(words(header));
        all.addAll(words(unit));
        return all;
    }

    /** True where a header says nothing but the unit that the other has in brackets: days are a duration in days. */
    private static boolean isUnitOf(String unit, String header) {
        Set<String> units = words(unit(header)).stream()
                .map(WordSense::meaning)
                .filter(word -> !CURRENCIES.contains(word))
                .collect(Collectors.toSet());
        return !units.isEmpty()
                && !words(unit).isEmpty()
                && unit(unit).isEmpty()
                && words(unit).stream().allMatch(word -> units.contains(WordSense.meaning(word)));
    }

    /** True where one header says nothing but what another is a rate for: days are no price per day. */
    private static boolean isMeasureOf(String rate, String measure) {
        Set<String> measures = MEASURES.computeIfAbsent(rate, HeaderWords::measures);
        return !measures.isEmpty()
                && !words(measure).isEmpty()
                && words(measure).stream().allMatch(word -> measures.contains(WordSense.meaning(word)));
    }

    /** What a header is a rate for, in words that stand for a meaning; nothing where it is none. */
    private static Set<String> measures(String header) {
        return PER.matcher(header)
                .results()
                .map(per -> Stream.of(per.group(1), per.group(2), per.group(3))
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElse(""))
                // Daily is the only one of them that "ly" alone does not make of its word.
                .flatMap(measure -> words(measure.equalsIgnoreCase("dai") ? "day" : measure).stream())
                .map(WordSense::meaning)
                .collect(Collectors.toUnmodifiableSet());
    }

    /**
     * True where headers speak of values of different sorts, one of money and the other of weights, people or bags; or where
     * one states a range of numbers, and the other no number.
     */
    public static boolean otherSort(String a, String b) {
        if (NumberRange.ofOneOnly(a, b)) {
            return true;
        }
        BitSet one = sorts(a);
        BitSet other = sorts(b);
        return !one.isEmpty() && !other.isEmpty() && !one.intersects(other);
    }

    /** Which of the sorts a header speaks of; not to be changed. */
    private static BitSet sorts(String header) {
        BitSet known = SORTS_OF.get(header);
        if (known == null) {
            known = sortsIn(header);
            SORTS_OF.put(header, known);
        }
        return known;
    }

    /** By its last word, which says what the others are about, and by its unit. */
    private static BitSet sortsIn(String header) {
        String plain = withoutPer(ownPart(header));
        String[] parts = OF.split(plain, 2);
        BitSet before = parts.length == 2 ? sorts(parts[0]) : new BitSet();
        if (!before.isEmpty()) {
            return before;
        }
        List<String> words = words(plain).stream()
                .map(WordSense::meaning)
                .filter(word -> !CURRENCIES.contains(word))
                .toList();
        Set<String> meant =
                words(unit(plain)).stream().map(WordSense::meaning).collect(Collectors.toCollection(HashSet::new));
        if (!words.isEmpty()) {
            meant.add(words.get(words.size() - 1));
        }
        BitSet sorts = new BitSet();
        for (int i = 0; i < SORTS.size(); i++) {
            sorts.set(i, SORTS.get(i).stream().anyMatch(meant::contains));
        }
        return sorts;
    }

    /** A price per kilogram is a price. */
    private static String withoutPer(String header) {
        String before = BY_EACH.split(header, 2)[0];
        return before.isBlank() ? header : before;
    }

    /** A header without what heads several columns. */
    public static String ownPart(String header) {
        int at = header.lastIndexOf(GROUP);
        return at < 0 ? header : header.substring(at + GROUP.length());
    }

    /** True where it is known of both headers what they mean, and it is not the same. */
    public static boolean differ(String a, String b) {
        return known(a) && known(b) && !meaningKey(a).equals(meaningKey(b));
    }

    private static boolean known(String header) {
        return words(header).stream().allMatch(WordSense::isKnown);
    }

    /** True where all words of one header are among those of the other, as in {@code Date} and {@code Sailing date}. */
    public static boolean contained(String a, String b) {
        List<String> left = words(a);
        List<String> right = words(b);
        List<String> fewer = left.size() <= right.size() ? left : right;
        List<String> more = left.size() <= right.size() ? right : left;
        return !fewer.isEmpty()
                && !opposed(a, b)
                && fewer.stream()
                        .allMatch(word -> more.stream().anyMatch(other -> WordSense.alike(word, other) >= 0.7));
    }

    /** True where a word is made of the first letters of the others. */
    private static boolean initials(List<String> one, List<String> many) {
        if (one.size() != 1 || many.size() < 2) {
            return false;
        }
        StringBuilder letters = new StringBuilder();
        many.forEach(word -> letters.append(word.charAt(0)));
        return one.get(0).contentEquals(letters);
    }
}
