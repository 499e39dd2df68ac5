package cuvee.value;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Units of measurement. Of those that measure the same thing one is never the other: degrees Celsius and Fahrenheit,
 * millimetres and inches.
 */
public final class Measures {
    /**
     * A unit.
     *
     * @param thing what it measures, by the place of its line
     * @param number which of the units of that thing it is
     */
    private record Unit(int thing, int number) {}

    private static final Map<String, Unit> UNITS = units();
    /** Spellings that are words, sizes or abbreviations of other things where no number stands before them. */
    private static final Set<String> ALSO_WORDS = Set.of("in", "st", "pt", "ms", "ps", "mi", "kn", "ac", "hp");

    private static final Pattern AMOUNT =
            Pattern.compile("[-+]?\\d[\\d.,'\u00a0 ]*?[\u00a0 ]*(\\p{L}{1,6}[²³]?|°[CF]?)\\.?");

    private Measures() {}

    private static Map<String, Unit> units() {
        Map<String, Unit> units = new HashMap<>();
        List<String> lines = Words.of("measures.txt");
        for (int thing = 0; thing < lines.size(); thing++) {
            String[] all = lines.get(thing).split(" ", -1);
            for (int number = 0; number < all.length; number++) {
                for (String spelling : all[number].split("=", -1)) {
                    units.put(spelling, new Unit(thing, number));
                }
            }
        }
        return units;
    }

    /** True for a unit that is known. */
    public static boolean isOne(String unit) {
        return UNITS.containsKey(plain(unit));
    }

    /** True for two spellings of one unit. */
    public static boolean areSame(String one, String other) {
        Unit a = UNITS.get(plain(one));
        return a != null && a.equals(UNITS.get(plain(other)));
    }

    /** True for two units that measure the same thing otherwise. */
    public static boolean areApart(String one, String other) {
        Unit a = UNITS.get(plain(one));
        Unit b = UNITS.get(plain(other));
        return a != null && b != null && a.thing() == b.thing() && a.number() != b.number();
    }

    /** True for two units of which one is never the other, be it that they measure different things. */
    public static boolean differ(String one, String other) {
        Unit a = UNITS.get(plain(one));
        Unit b = UNITS.get(plain(other));
        return a != null && b != null && !a.equals(b);
    }

    /**
     * The units that stand behind some amounts, as they are written: {@code g, kg}; words for nothing have none. Empty where one of the texts is no
     * amount with a unit, or where they measure different things.
     */
    public static Set<String> unitsOf(Collection<String> amounts) {
        Set<String> found = new TreeSet<>();
        Set<Integer> things = new HashSet<>();
        for (String amount : amounts) {
            if (Forms.saysNothing(amount)) {
                continue;
            }
            Matcher matcher = AMOUNT.matcher(amount.strip());
            Unit unit = matcher.matches() ? UNITS.get(plain(matcher.group(1))) : null;
            if (unit == null) {
                return Set.of();
            }
            found.add(matcher.group(1));
            things.add(unit.thing());
        }
        return things.size() == 1 ? found : Set.of();
    }

    /** True for a spelling that is a unit wherever it stands alone. */
    static boolean isUnmistakable(String unit) {
        return unit.length() > 1 && !ALSO_WORDS.contains(unit) && UNITS.containsKey(unit);
    }

    private static String plain(String unit) {
        return unit.toLowerCase(Locale.ROOT).replaceAll("[ ._]|^in (?=.)", "");
    }
}
