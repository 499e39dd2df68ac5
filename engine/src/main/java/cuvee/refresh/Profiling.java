package cuvee.refresh;

import cuvee.layout.LaidColumn;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.lineup.Profile;
import cuvee.value.Convention;
import cuvee.value.Conventions;
import cuvee.value.Evidence;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** What stands under the headers of layouts, from a sample of the rows of some of their tables. */
final class Profiling {
    private static final int MOST_TABLES = 4;
    private static final int MOST_ROWS = 120;

    private final Samples samples;
    private final Map<String, List<Profile>> ofLayout = new HashMap<>();

    /** The first records of a table, as they are staged. */
    interface Samples {
        List<List<@Nullable String>> rows(PlacedTable table, int most);
    }

    Profiling(Samples samples) {
        this.samples = samples;
    }

    /** The profiles of headers by their loose keys, each from all layouts that have it. */
    Map<String, Profile> of(List<Layout> layouts) {
        Map<String, Profile> profiles = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            List<Profile> columns = ofLayout.computeIfAbsent(layout.signature(), signature -> profiled(layout));
            Set<String> seen = new HashSet<>();
            for (int i = 0; i < layout.keys().size(); i++) {
                if (seen.add(layout.keys().get(i))) {
                    profiles.merge(layout.keys().get(i), columns.get(i), Profile::plus);
                }
            }
        }
        return profiles;
    }

    private List<Profile> profiled(Layout layout) {
        List<Profile> profiles = new ArrayList<>();
        List<PlacedTable> tables = layout.tables();
        int looked = Math.min(MOST_TABLES, tables.size());
        for (int t = 0; t < looked; t++) {
            PlacedTable table = tables.get(t * tables.size() / looked);
            List<List<@Nullable String>> rows = samples.rows(table, MOST_ROWS);
            Evidence all = new Evidence();
            table.columns().forEach(column -> all.add(column.evidence()));
            for (int i = 0; i < table.columns().size(); i++) {
                Profile profile = profile(table, table.columns().get(i), rows, all);
                if (t == 0) {
                    profiles.add(profile);
                } else {
                    profiles.set(i, profiles.get(i).plus(profile));
                }
            }
        }
        return profiles;
    }

    private static Profile profile(
            PlacedTable table, LaidColumn column, List<List<@Nullable String>> rows, Evidence all) {
        Conventions.Vote own = Conventions.mark(column.evidence());
        boolean told = own == Conventions.Vote.FIRST || own == Conventions.Vote.SECOND;
        Convention convention = new Convention(
                Conventions.markOf(told ? own : Conventions.mark(all)),
                Conventions.orderOf(Conventions.order(column.evidence())));
        return Profile.of(
                cells(column.origin(), rows), convention, table.currency(column).isPresent());
    }

    private static List<String> cells(Origin origin, List<List<@Nullable String>> rows) {
        return origin.match(new Origin.Match<>() {
            @Override
            public List<String> cell(Origin.Cell cell) {
                List<String> cells = new ArrayList<>();
                String above = "";
                for (List<@Nullable String> row : rows) {
                    String text = text(row, cell.index());
                    above = text.isBlank() ? above : text;
                    cells.add(cell.carried() ? above : text);
                }
                return cells;
            }

            @Override
            public List<String> line(Origin.Line line) {
                return List.of();
            }

            @Override
            public List<String> label(Origin.Label label) {
                return label.labels();
            }

            @Override
            public List<String> values(Origin.Values values) {
                List<String> cells = new ArrayList<>();
                for (List<@Nullable String> row : rows) {
                    values.columns().stream().filter(at -> at >= 0).forEach(at -> cells.add(text(row, at)));
                }
                return cells;
            }

            @Override
            public List<String> told(Origin.Told told) {
                return List.of();
            }

            @Override
            public List<String> at(Origin.At at) {
                return List.of();
            }
        });
    }

    private static String text(List<@Nullable String> row, int at) {
        String text = at < row.size() ? row.get(at) : null;
        return text == null ? "" : text;
    }
}
