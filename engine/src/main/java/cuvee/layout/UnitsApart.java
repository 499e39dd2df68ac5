package cuvee.layout;

import cuvee.value.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Units of which one is never the other, though they measure the same: degrees Celsius and Fahrenheit, millimetres and inches. */
public final class UnitsApart {
    /**
     * A unit.
     *
     * @param thing what it measures, by the place of its line
     * @param number which of the units of that thing it is
     */
    private record Unit(int thing, int number) {}

    private static final Map<String, Unit> UNITS = units();

    private UnitsApart() {}

    private static Map<String, Unit> units() {
        Map<String, Unit> units = new HashMap<>();
        List<String> lines = Words.of(UnitsApart.class, "units.txt");
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

    /** True for two units that measure the same thing otherwise. */
    public static boolean areApart(String one, String other) {
        Unit a = UNITS.get(plain(one));
        Unit b = UNITS.get(plain(other));
        return a != null && b != null && a.thing() == b.thing() && a.number() != b.number();
    }

    private static String plain(String unit) {
        return unit.toLowerCase(Locale.ROOT).replaceAll("[ ._]|^in (?=.)", "");
    }
}
