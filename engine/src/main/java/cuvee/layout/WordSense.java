package cuvee.layout;

import cuvee.value.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Single words of headers: what they mean, and how surely two of them are the same. */
final class WordSense {
    private static final Map<String, String> MEANINGS = meanings();
    private static final Set<String> KNOWN = known();
    /** Words that have an opposite of which it is told apart from all else. */
    private static final Set<String> OPPOSED = Words.of(WordSense.class, "opposites.txt").stream()
            .flatMap(line -> Words.in(line).stream())
            .collect(Collectors.toUnmodifiableSet());

    private static final Map<String, String> MEANT = new ConcurrentHashMap<>();
    /** As in {@code boxes}, {@code dishes} and {@code passes}. */
    private static final Pattern WITH_ES = Pattern.compile(".*(?:x|sh|ss)es");
    /** As in {@code inspected}, {@code inspection} and {@code inspecting}. */
    private static final Pattern DONE = Pattern.compile("(\\p{L}+?)(?:ed|ing|ion|ment)s?");

    /** What makes another form of a word, as in {@code hourly}, {@code returned} and {@code dating}. */
    private static final Pattern ENDING = Pattern.compile("e?s|e?d|e?rs?|ing|ings|ly|y|al|age");

    private static final int SHORTEST_STEM = 4;
    private static final int LONG_WORD = 6;
    private static final int LONG_COMPOUND = 8;
    private static final int SHORTEST_PART = 3;
    /** So many letters before another word are a word themselves, and no syllable that turns its meaning round. */
    private static final int FEWEST_BEFORE = 4;

    private static final Set<String> TURNS_ROUND = Set.of("over", "under", "super", "inter", "counter", "multi");

    private WordSense() {}

    private static Map<String, String> meanings() {
        Map<String, String> meanings = new HashMap<>();
        for (String line : Words.of(WordSense.class, "words.txt")) {
            List<String> same = Words.in(line);
            same.forEach(word -> meanings.putIfAbsent(word, same.get(0)));
        }
        return meanings;
    }

    /** All words that mean something here by themselves, those that have an opposite too. */
    private static Set<String> known() {
        return Stream.of("words.txt", "opposites.txt", "mild-opposites.txt")
                .flatMap(resource -> Words.of(WordSense.class, resource).stream())
                .flatMap(line -> Words.in(line).stream())
                .filter(word -> word.length() >= SHORTEST_PART)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** The known words that a long one is put together from, as in {@code halfpriceincome}; itself where it is not. */
    static List<String> knownWordsIn(String word) {
        if (word.length() < LONG_COMPOUND || KNOWN.contains(word)) {
            return List.of(word);
        }
        List<String> parts = partsFrom(word, 0);
        return parts.isEmpty() ? withoutOpposite(word) : parts;
    }

    /** A word that has lost the space before one that has an opposite, as in {@code trayssent}. */
    private static List<String> withoutOpposite(String word) {
        for (int at = word.length() - FEWEST_BEFORE; at >= FEWEST_BEFORE; at--) {
            String before = word.substring(0, at);
            if (OPPOSED.contains(word.substring(at)) && !TURNS_ROUND.contains(before)) {
                return List.of(before, word.substring(at));
            }
        }
        return List.of(word);
    }

    private static List<String> partsFrom(String word, int from) {
        for (int to = word.length(); to >= from + SHORTEST_PART; to--) {
            String part = word.substring(from, to);
            if (KNOWN.contains(part)) {
                List<String> rest = to == word.length() ? List.of() : partsFrom(word, to);
                if (to == word.length() || !rest.isEmpty()) {
                    List<String> parts = new ArrayList<>(List.of(part));
                    parts.addAll(rest);
                    return parts;
                }
            }
        }
        return List.of();
    }

    /** The word that stands for all that mean the same; its singular where none is known. */
    static String meaning(String word) {
        return MEANT.computeIfAbsent(word, WordSense::lookUp);
    }

    private static String lookUp(String word) {
        String single = singular(word);
        String said = MEANINGS.getOrDefault(word, MEANINGS.get(single));
        if (said != null || word.length() < LONG_WORD) {
            return Objects.requireNonNullElse(said, single);
        }
        // A slip of the keyboard in a long word does not hide what it means.
        return MEANINGS.keySet().stream()
                .filter(known -> known.length() >= LONG_WORD && known.charAt(0) == word.charAt(0))
                .filter(known -> slips(known, word) == 1)
                .map(known -> MEANINGS.getOrDefault(known, single))
                .findFirst()
                .orElse(single);
    }

    static String singular(String word) {
        if (word.length() <= 3 || !word.endsWith("s") || word.endsWith("ss")) {
            return word;
        }
        return word.substring(0, word.length() - (WITH_ES.matcher(word).matches() ? 2 : 1));
    }

    /** How surely two words are the same, from 0 to 1. */
    static double alike(String a, String b) {
        if (a.equals(b) || singular(a).equals(singular(b))) {
            return 1;
        }
        if (meaning(a).equals(meaning(b))) {
            return 0.95;
        }
        if (stem(a).length() >= SHORTEST_STEM && stem(a).equals(stem(b))) {
            return 0.9;
        }
        String shorter = a.length() <= b.length() ? a : b;
        String longer = a.length() <= b.length() ? b : a;
        if (shorter.length() >= 3 && longer.startsWith(shorter) && !isAWordWithMoreBehind(shorter, longer)) {
            return 0.85;
        }
        if (slipped(shorter, longer)) {
            return 0.9;
        }
        if (isCompound(longer, shorter)) {
            return 0.75;
        }
        if (shorter.length() >= 3 && shorter.equals(consonants(longer))) {
            return 0.85;
        }
        // A word of its own abbreviates no other: cost is not consumption.
        boolean may = shorter.length() * 2 <= longer.length() && !isKnown(shorter);
        return may && abbreviates(shorter, longer) ? 0.7 : 0;
    }

    /** True for a word of its own that another one only begins with: out is no outturn, and a sale no salesman. */
    private static boolean isAWordWithMoreBehind(String word, String longer) {
        return (isKnown(word) || OPPOSED.contains(word))
                && !ENDING.matcher(longer.substring(word.length())).matches();
    }

    /** What is done, without the ending that says whether it has been or is being done, or is a thing. */
    private static String stem(String word) {
        Matcher ending = DONE.matcher(word);
        return ending.matches() ? ending.group(1) : word;
    }

    /** True where a word is another one with a word before it, as {@code bodyweight} and {@code Rechnungsbetrag} are. */
    private static boolean isCompound(String word, String head) {
        String before = word.endsWith(head) ? word.substring(0, word.length() - head.length()) : "";
        return head.length() >= LONG_WORD && before.length() >= FEWEST_BEFORE && !TURNS_ROUND.contains(before);
    }

    /**
     * True where one word is the other with a slip of the keyboard. Short words that begin otherwise, as lost and cost
     * do, are words of their own, and so are two that both mean something.
     */
    private static boolean slipped(String shorter, String longer) {
        int most = shorter.length() >= LONG_COMPOUND ? 2 : 1;
        if (shorter.length() < SHORTEST_STEM || longer.length() - shorter.length() > most) {
            return false;
        }
        boolean begins = shorter.charAt(0) == longer.charAt(0);
        boolean swapped = shorter.charAt(0) == longer.charAt(1) && shorter.charAt(1) == longer.charAt(0);
        // What costs little is asked first: most words are none of each other's.
        if (!begins && !swapped && shorter.length() < LONG_WORD || slips(shorter, longer) > most) {
            return false;
        }
        return !(MEANINGS.containsKey(singular(shorter)) && MEANINGS.containsKey(singular(longer)));
    }

    /** A word without its vowels behind the first letter, doubled letters as one: how many abbreviate. */
    private static String consonants(String word) {
        StringBuilder left = new StringBuilder(word.substring(0, 1));
        for (int i = 1; i < word.length(); i++) {
            char c = word.charAt(i);
            if ("aeiou".indexOf(c) < 0 && left.charAt(left.length() - 1) != c) {
                left.append(c);
            }
        }
        return left.toString();
    }

    /** True where the letters of a short word occur in the long one in order, from its first on. */
    private static boolean abbreviates(String shorter, String longer) {
        if (shorter.charAt(0) != longer.charAt(0) || !shorter.chars().allMatch(Character::isLetter)) {
            return false;
        }
        int at = 0;
        for (int i = 0; i < longer.length() && at < shorter.length(); i++) {
            at += longer.charAt(i) == shorter.charAt(at) ? 1 : 0;
        }
        return at == shorter.length() && shorter.length() >= 3;
    }

    /** How many letters must be changed, put in, left out or swapped with their neighbour (Damerau, 1964). */
    static int slips(String a, String b) {
        int[][] cost = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            cost[i][0] = i;
        }
        for (int j = 0; j <= b.length(); j++) {
            cost[0][j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            for (int j = 1; j <= b.length(); j++) {
                int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                cost[i][j] = Math.min(Math.min(cost[i - 1][j] + 1, cost[i][j - 1] + 1), cost[i - 1][j - 1] + change);
                boolean swapped =
                        i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1);
                if (swapped) {
                    cost[i][j] = Math.min(cost[i][j], cost[i - 2][j - 2] + 1);
                }
            }
        }
        return cost[a.length()][b.length()];
    }

    /** True for a word whose meaning is known. */
    static boolean isKnown(String word) {
        return MEANINGS.containsKey(word) || MEANINGS.containsKey(singular(word));
    }
}
