package cuvee.propose;

import cuvee.layout.PlacedTable;
import cuvee.tag.Home;
import cuvee.value.Convention;
import cuvee.value.Period;
import java.util.ArrayList;
import java.util.List;

/** Where tables come from. */
public interface Homes {
    Home of(PlacedTable table);

    /** The periods with a year that the names of a table's file, its sheet or folder, or titles say. */
    default List<Period> periods(PlacedTable table) {
        Home home = of(table);
        List<String> names = new ArrayList<>(home.titles());
        names.addAll(home.folders());
        names.add(home.fileName());
        names.add(home.sheet());
        return names.stream()
                .flatMap(text -> Period.in(text, Convention.Order.DAY_FIRST).stream())
                .map(Period.Found::period)
                .filter(period -> period.year() != 0)
                .toList();
    }
}
