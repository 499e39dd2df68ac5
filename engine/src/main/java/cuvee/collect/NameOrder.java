package cuvee.collect;

import cuvee.value.MonthNames;
import java.util.Comparator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.greypanther.natsort.CaseInsensitiveSimpleNaturalComparator;

/** The order in which people put names: numbers as numbers, and months as months. */
final class NameOrder implements Comparator<String> {
    static final NameOrder PEOPLES = new NameOrder();
    private static final Comparator<CharSequence> NATURAL = CaseInsensitiveSimpleNaturalComparator.getInstance();
    private static final Pattern WORD = Pattern.compile("\\p{L}{3,}");
    private static final Pattern YEAR = Pattern.compile("(?<!\\d)(19|20)\\d\\d(?!\\d)");

    private NameOrder() {}

    @Override
    public int compare(String a, String b) {
        int order = NATURAL.compare(counted(stem(a)), counted(stem(b)));
        return order == 0 ? a.compareTo(b) : order;
    }

    /** A name without its ending, so that {@code report.xlsx} comes before {@code report 2.xlsx}. */
    private static String stem(String name) {
        int point = name.lastIndexOf('.');
        return point > 0 && name.length() - point <= 6 ? name.substring(0, point) : name;
    }

    /** A name with its month as a number, behind the year where it has one: {@code Hollin Apr 2026} as Hollin 2026-04. */
    private static String counted(String name) {
        Matcher words = WORD.matcher(name);
        while (words.find()) {
            Integer month = MonthNames.of(words.group()).orElse(null);
            if (month != null) {
                String before = name.substring(0, words.start());
                String after = name.substring(words.end());
                String number = String.format("%02d", month);
                Matcher year = YEAR.matcher(after);
                if (year.find()) {
                    return before + year.group() + "-" + number + after.substring(0, year.start())
                            + after.substring(year.end());
                }
                return before + number + after;
            }
        }
        return name;
    }
}
