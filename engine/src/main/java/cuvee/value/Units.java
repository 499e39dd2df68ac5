package cuvee.value;

import java.util.Locale;
import java.util.Set;

/** The units that stand behind or below the names of columns: currencies, measures, and what a value is a number of. */
public final class Units {
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

    private Units() {}

    /** True for {@code EUR}, {@code t}, {@code %}, {@code in km} and the like. */
    public static boolean isKnown(String text) {
        String unit = LooseText.tidy(text).toLowerCase(Locale.ROOT);
        return KNOWN.contains(unit) || unit.matches("[%€$£°#‰]|in [a-z€$£%]{1,8}");
    }
}
