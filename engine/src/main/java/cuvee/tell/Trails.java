package cuvee.tell;

import cuvee.detect.TableColumn;
import cuvee.gather.SourceFacts;
import cuvee.layout.Origin;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.RuleRows;
import cuvee.master.SheetReader;
import cuvee.master.Store;
import cuvee.place.Where;
import cuvee.sheet.CellKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/** Leads from rows and cells of the master back to the sheets that they came from. */
public final class Trails {
    /** More cells than these are not counted. */
    private static final int MOST_MET = 10_000;

    private final Store store;
    private final Map<String, SourceFacts> known;

    /** For what is known of the sources and the cells that the store holds. */
    public Trails(Store store, Map<String, SourceFacts> known) {
        this.store = store;
        this.known = known;
    }

    /** The trail of a cell of the master: its line and its column, tags behind the others. */
    public Trail trail(Outcome outcome, MasterLine line, int shown) {
        int before = outcome.before(shown);
        boolean met = shown < outcome.plan().columns().size()
                && outcome.proposal().plan().shaping().gathering().isPresent()
                && outcome.shaped().isPresent()
                && shown >= outcome.keys();
        if (!met) {
            return of(outcome, line, before);
        }
        try (RuleRows rows = store.ruleRows(outcome.proposal().plan())) {
            List<MasterLine> lines =
                    rows.gathered(line, outcome.plan().columns().get(shown).name(), MOST_MET);
            return lines.isEmpty()
                    ? of(outcome, line, -1)
                    : of(outcome, lines.get(0), before).withMet(lines.size());
        }
    }

    private Trail of(Outcome outcome, MasterLine line, int column) {
        MasterPlan plan = outcome.proposal().plan();
        MasterPlan.Table table = plan.tables().stream()
                .filter(t -> t.id() == line.table())
                .findFirst()
                .orElseThrow();
        Where sheet = Where.sheet(table.source(), table.sheet());
        MasterPlan.Feed feed =
                column >= 0 && column < plan.columns().size() ? table.feeds().get(column) : null;
        if (feed == null) {
            return new Trail(sheet.row(line.row()), "", "");
        }
        OptionalInt fed = feed.origin().column(Math.max(0, line.turned()));
        if (fed.isEmpty()) {
            return told(table, feed, line, sheet);
        }
        int cell = fed.getAsInt();
        int row = feed.origin() instanceof Origin.Cell own && own.carried()
                ? store.rows().filled(table.staged(), table.width(), line.row(), own, headAbove(table, line.row()))
                : feed.origin().row() > 0 ? feed.origin().row() : line.row();
        List<@Nullable String> cells = store.rows().row(table.staged(), table.width(), row);
        String staged = cell < cells.size() ? cells.get(cell) : null;
        return new Trail(
                sheet.cell(row, cell + 1),
                headerOf(table, cell, feed.origin().row()),
                staged == null ? "" : CellKind.textOf(staged),
                table.corrected().stream()
                        .filter(each -> each.row() == row && each.column() == cell)
                        .map(each -> CellKind.textOf(each.to()))
                        .findFirst()
                        .orElse(null),
                1);
    }

    /** The row that stands for a row below it; the first of the table where none does. */
    private static int headAbove(MasterPlan.Table table, int row) {
        return table.heads().stream()
                .filter(head -> head < row)
                .reduce((a, b) -> b)
                .orElse(table.firstRow());
    }

    /** The trail of a value that stands in no cell of its row: a section line, a header that ran across, a tag. */
    private static Trail told(MasterPlan.Table table, MasterPlan.Feed feed, MasterLine line, Where sheet) {
        if (feed.origin() instanceof Origin.Line section) {
            return table.lines().stream()
                    .filter(each -> each.level() == section.level() && each.row() <= line.row())
                    .reduce((a, b) -> b)
                    .map(each -> new Trail(
                            sheet.row(each.row() + (each.level() == Origin.Line.BELOW ? 1 : 0)), "", each.text()))
                    .orElse(new Trail(sheet.row(line.row()), "", ""));
        }
        if (feed.origin() instanceof Origin.Label label) {
            return new Trail(sheet.row(line.row()), "", label.labels().get(Math.max(0, line.turned())));
        }
        String text = feed.origin() instanceof Origin.Told told ? told.text() : "";
        return new Trail(sheet, "", text);
    }

    private String headerOf(MasterPlan.Table table, int column, int row) {
        SourceFacts facts = known.get(table.source());
        if (facts == null) {
            return "";
        }
        return facts.sheets().stream()
                .flatMap(sheet -> sheet.placed(facts.path()).stream())
                .filter(placed -> placed.id() == table.id())
                .flatMap(placed -> placed.table().columns().stream())
                .filter(found -> found.index() == column && found.row() == row)
                .map(TableColumn::header)
                .findFirst()
                .orElse("");
    }

    /** What became of the first rows of a table of the master; empty where it is not in it. */
    public Optional<BeforeAndAfter> beforeAndAfter(Outcome outcome, int table, int rows) {
        MasterPlan plan = outcome.proposal().plan();
        return plan.tables().stream()
                .filter(each -> each.id() == table)
                .findFirst()
                .map(each -> {
                    int header = outcome.proposal().layouts().stream()
                            .flatMap(layout -> layout.tables().stream())
                            .filter(placed -> placed.id() == table)
                            .flatMap(placed -> placed.table().headerRows().stream())
                            .reduce(Math::max)
                            .orElse(each.firstRow());
                    List<SheetReader.Line> before;
                    try (SheetReader reader = store.sheetReader()) {
                        before = reader.page(
                                new SheetReader.Staged(each.staged(), each.width(), false), header, header + rows);
                    }
                    List<Integer> fed = new ArrayList<>();
                    for (int i = 0; i < plan.columns().size(); i++) {
                        if (each.feeds().get(i) != null || outcome.proposal().isMade(i)) {
                            fed.add(i);
                        }
                    }
                    List<List<String>> after = new ArrayList<>();
                    try (MasterReader reader = store.reader(plan)) {
                        reader.firstOf(table, rows + 1)
                                .forEach(line -> after.add(fed.stream()
                                        .map(i -> Objects.requireNonNullElse(
                                                line.values().get(i), ""))
                                        .toList()));
                    }
                    List<String> names =
                            fed.stream().map(i -> plan.columns().get(i).name()).toList();
                    return new BeforeAndAfter(Where.sheet(each.source(), each.sheet()), before, names, after);
                });
    }
}
