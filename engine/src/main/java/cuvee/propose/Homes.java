package cuvee.propose;

import cuvee.layout.PlacedTable;
import cuvee.tag.Home;
import cuvee.value.Convention;
import cuvee.value.Period;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Where tables come from. */
public interface Homes {
    Home of(PlacedTable table);

    /**
     * The years that the names and titles around a table say. A day, such as that on which a sheet was printed, says one
     * only where it stands in the file's name and nothing else does; so does a year that ends in the next, which says both.
     */
    default Set<Integer> years(PlacedTable table) {
        List<Period> periods = periods(table);
        Set<Integer> years = periods.stream()
                .filter(period -> period.kind() != Period.Kind.DAY && period.kind() != Period.Kind.YEARS)
                .map(Period::year)
                .collect(Collectors.toSet());
        if (years.isEmpty()) {
            periods.stream()
                    .filter(period -> period.kind() == Period.Kind.YEARS)
                    .forEach(period -> years.addAll(List.of(period.year(), period.year() + 1)));
        }
        return years.isEmpty()
                ? Period.in(of(table).fileName(), Convention.Order.DAY_FIRST).stream()
                        .map(found -> found.period().year())
                        .filter(year -> year != 0)
                        .collect(Collectors.toSet())
                : years;
    }

    /** The periods with a year that the names of a table's file, its sheet or folder, or titles say. */
    default List<Period> periods(PlacedTable table) {
        Home home = of(table);
        List<String> names = new ArrayList<>(home.folders());
        names.add(home.fileName());
        names.add(home.sheet());
        return Stream.concat(
                        home.titles().stream()
                                .flatMap(text -> Period.in(text, Convention.Order.DAY_FIRST).stream())
                                .filter(found -> !found.mayBeANumber()),
                        names.stream().flatMap(text -> Period.in(text, Convention.Order.DAY_FIRST).stream()))
                .map(Period.Found::period)
                .filter(period -> period.year() != 0)
                .toList();
    }
}
