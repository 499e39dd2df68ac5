package cuvee.collect;

import cuvee.value.MonthNames;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.greypanther.natsort.CaseInsensitiveSimpleNaturalComparator;

/**
 * The order in which people put paths: files of a folder before its inner folders, numbers within names as numbers, and
 * months as months. What was made of a name is kept, since sorting asks for it many times.
 */
final class NameOrder implements Comparator<String> {
    private static final Comparator<CharSequence> NATURAL = CaseInsensitiveSimpleNaturalComparator.getInstance();
    private static final Pattern WORD = Pattern.compile("\\p{L}{3,}");
    private static final Pattern YEAR = Pattern.compile("(?<!\\d)(19|20)\\d\\d(?!\\d)");

    private final Map<String, String> keys = new HashMap<>();

    @Override
    public int compare(String left, String right) {
        String[] a = left.split("/", -1);
        String[] b = right.split("/", -1);
        for (int i = 0; i < Math.min(a.length, b.length); i++) {
            boolean fileA = i == a.length - 1;
            boolean fileB = i == b.length - 1;
            if (fileA != fileB) {
                return fileA ? -1 : 1;
            }
            int order = a[i].equals(b[i]) ? 0 : compareNames(a[i], b[i]);
            if (order != 0) {
                return order;
            }
        }
        return Integer.compare(a.length, b.length);
    }

    private int compareNames(String a, String b) {
        int order = NATURAL.compare(key(a), key(b));
        return order == 0 ? a.compareTo(b) : order;
    }

    private String key(String name) {
        return keys.computeIfAbsent(name, any -> counted(stem(any)));
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
