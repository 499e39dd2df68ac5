package cuvee.tag;

import cuvee.value.LooseText;
import cuvee.value.Period;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Names that end in the bare number of a month, such as {@code Tilley 01}, {@code Tilley 02}, among others that say their
 * months in full: the numbers are months of the one year that the others speak of. Or in a month and a year of two digits,
 * {@code Tilley 01-26}, {@code 2.26 Tilley}, where many names together show which of the two is the month.
 */
final class BareMonths {
    private static final Pattern NUMBERED = Pattern.compile("(.*\\p{L}.*?)[\\s_.-]+(0[1-9]|1[0-2])");

    private static final Pattern MONTH_AND_YEAR =
            Pattern.compile("(|.*[\\s_.-])((0?[1-9]|1[0-2])[-_./](\\d\\d))(|[\\s_.-]+\\p{L}.*)");
    /** A version looks like a month of one digit with a year; so many different ones are none. */
    private static final int FEWEST_OF_ONE_DIGIT = 3;

    private static final int FIRST_YEAR = 2015;
    private static final int LAST_YEAR = 2039;

    private BareMonths() {}

    /**
     * A month in a name.
     *
     * @param before what stands before it
     * @param written as it stands there
     * @param after what stands behind it
     */
    record Month(String before, String written, String after, Period period) {}

    /**
     * The months of names that end in bare numbers.
     *
     * @param said the periods that other names say
     * @param unsaid what the names say that speak of no period, by the names
     */
    static Map<String, Month> of(Collection<Period> said, Map<String, String> unsaid) {
        Map<String, Month> dated = withShortYears(unsaid);
        if (!dated.isEmpty()) {
            return dated;
        }
        Set<Integer> years = said.stream().map(Period::year).collect(Collectors.toSet());
        Set<Integer> months = said.stream().map(Period::number).collect(Collectors.toSet());
        boolean alike = said.stream().allMatch(period -> period.kind() == Period.Kind.MONTH && period.year() > 0);
        if (!alike || years.size() != 1 || months.size() < 2) {
            return Map.of();
        }
        int year = years.iterator().next();
        Map<String, Map<String, Month>> groups = new LinkedHashMap<>();
        unsaid.forEach((name, text) -> {
            Matcher numbered = NUMBERED.matcher(text);
            if (numbered.matches()) {
                Period month = new Period(Period.Kind.MONTH, year, Integer.parseInt(numbered.group(2)), 0);
                groups.computeIfAbsent(LooseText.key(numbered.group(1)), words -> new LinkedHashMap<>())
                        .put(name, new Month(numbered.group(1), numbered.group(2), "", month));
            }
        });
        Map<String, Month> found = new HashMap<>();
        groups.values().stream()
                .filter(group -> areMonths(group.values(), months))
                .forEach(found::putAll);
        return found;
    }

    /** Several months of one year, or of one and the next: what varies is the month, and what hardly does the year. */
    private static Map<String, Month> withShortYears(Map<String, String> unsaid) {
        Map<String, Month> found = new LinkedHashMap<>();
        unsaid.forEach((name, text) -> {
            Matcher dated = MONTH_AND_YEAR.matcher(text);
            if (dated.matches()) {
                int year = 2000 + Integer.parseInt(dated.group(4));
                Period month = new Period(Period.Kind.MONTH, year, Integer.parseInt(dated.group(3)), 0);
                found.put(name, new Month(dated.group(1), dated.group(2), dated.group(5), month));
            }
        });
        SortedSet<Integer> years = new TreeSet<>();
        Set<Period> months = new HashSet<>();
        found.values().forEach(month -> {
            years.add(month.period().year());
            months.add(month.period());
        });
        boolean oneDigit = found.values().stream()
                .anyMatch(month -> !Character.isDigit(month.written().charAt(1)));
        boolean clear = months.size() >= (oneDigit ? FEWEST_OF_ONE_DIGIT : 2)
                && years.first() >= FIRST_YEAR
                && years.last() <= LAST_YEAR
                && years.last() - years.first() < Math.min(2, months.size() - 1);
        return clear ? found : Map.of();
    }

    /** Several numbers, each once, half of them months that the other names say. */
    private static boolean areMonths(Collection<Month> group, Set<Integer> months) {
        List<Integer> numbers = new ArrayList<>();
        group.forEach(month -> numbers.add(month.period().number()));
        long known = numbers.stream().filter(months::contains).count();
        return numbers.size() > 1 && new HashSet<>(numbers).size() == numbers.size() && known * 2 >= numbers.size();
    }
}
