package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.SheetClues;
import cuvee.detect.TableFinder;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.Belonging;
import cuvee.testing.Rows;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Tables are looked at once, since what is staged under a number stays as it is. */
class ProfilingTest {
    private final List<Integer> looked = new ArrayList<>();
    private final Profiling profiling = new Profiling((tables, most) -> {
        Map<Integer, List<List<@Nullable String>>> rows = new HashMap<>();
        for (PlacedTable table : tables) {
            looked.add(table.id());
            rows.put(table.id(), List.of(List.of("Arran", "\u00025"), List.of("Mull", "\u00027")));
        }
        return rows;
    });

    private static PlacedTable table(int id, String headers) {
        TableFinder finder = new TableFinder(HeaderHints.NONE);
        finder.row(Rows.row(1, (Object[]) headers.split(",")));
        finder.row(Rows.row(2, "Arran", 5));
        finder.row(Rows.row(3, "Mull", 7));
        FoundTable found = finder.end().get(0);
        return PlacedTable.of(id, id, 8, "t" + id + ".csv", "", SheetClues.NONE, found);
    }

    @Test
    void aTableIsReadOnceHoweverOftenAllIsProposed() {
        List<PlacedTable> tables = List.of(table(1, "Port,Cars"), table(2, "Harbour,Vehicles"));
        assertThat(profiling.of(Layout.of(tables))).containsOnlyKeys("port", "cars", "harbour", "vehicles");
        assertThat(profiling.of(Layout.of(tables))).hasSize(4);
        assertThat(profiling.of(Layout.of(tables.subList(0, 1)))).containsOnlyKeys("port", "cars");
        assertThat(profiling.of(Layout.of(tables))).hasSize(4);
        assertThat(looked).containsExactlyInAnyOrder(1, 2);
    }

    private Belonging belonging(PlacedTable... tables) {
        List<Layout> layouts = Layout.of(List.of(tables));
        List<Belonging.Candidate> candidates = layouts.stream()
                .map(layout -> new Belonging.Candidate(
                        layout.signature(), layout.keys(), layout.rows(), List.of("a.csv"), List.of(""), List.of()))
                .toList();
        return profiling.belonging(layouts, candidates, Map.of());
    }

    @Test
    void whatBelongsTogetherIsJudgedAnewOnlyWhereSomethingHasChanged() {
        Belonging first = belonging(table(1, "Port,Cars"), table(2, "Harbour,Vehicles"));
        assertThat(belonging(table(1, "Port,Cars"), table(2, "Harbour,Vehicles")))
                .isSameAs(first);
        assertThat(belonging(table(1, "Port,Cars"), table(3, "Harbour,Vehicles")))
                .isNotSameAs(first);
    }

    @Test
    void aTableThatIsReadAnewOrUnderOtherHeadersIsLookedAtAgain() {
        profiling.of(Layout.of(List.of(table(1, "Port,Cars"))));
        profiling.of(Layout.of(List.of(table(1, "Port,Lorries"))));
        profiling.of(Layout.of(List.of(table(2, "Port,Cars"))));
        assertThat(looked).containsExactly(1, 1, 2);
    }
}
