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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Names that end in the bare number of a month, such as {@code Tilley 01}, {@code Tilley 02}, among others that say their
 * months in full: the numbers are months of the one year that the others speak of.
 */
final class BareMonths {
    private static final Pattern NUMBERED = Pattern.compile("(.*\\p{L}.*?)[\\s_.-]+(0[1-9]|1[0-2])");

    private BareMonths() {}

    /**
     * A month at the end of a name.
     *
     * @param before what stands before it
     * @param written as it stands there
     */
    record Month(String before, String written, Period period) {}

    /**
     * The months of names that end in bare numbers.
     *
     * @param said the periods that other names say
     * @param unsaid what the names say that speak of no period, by the names
     */
    static Map<String, Month> of(Collection<Period> said, Map<String, String> unsaid) {
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
                        .put(name, new Month(numbered.group(1), numbered.group(2), month));
            }
        });
        Map<String, Month> found = new HashMap<>();
        groups.values().stream()
                .filter(group -> areMonths(group.values(), months))
                .forEach(found::putAll);
        return found;
    }

    /** Several numbers, each once, half of them months that the other names say. */
    private static boolean areMonths(Collection<Month> group, Set<Integer> months) {
        List<Integer> numbers = new ArrayList<>();
        group.forEach(month -> numbers.add(month.period().number()));
        long known = numbers.stream().filter(months::contains).count();
        return numbers.size() > 1 && new HashSet<>(numbers).size() == numbers.size() && known * 2 >= numbers.size();
    }
}
