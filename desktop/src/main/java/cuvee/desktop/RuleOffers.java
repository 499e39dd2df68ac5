package cuvee.desktop;

import cuvee.model.CheckModel;
import cuvee.model.JobModel;
import cuvee.model.MadeFrom;
import cuvee.model.MasterGrid;
import cuvee.place.Says;
import cuvee.rework.RowRules;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** The rules that selected cells of the master suggest: about rows, about columns, about the whole, about the cell. */
final class RuleOffers {
    private final JobModel model;
    private final MasterGrid grid;
    private final long[] rows;
    private final int[] columns;
    private final Runnable seeRules;
    private final List<MenuItem> items = new ArrayList<>();

    /**
     * Offers for a selection.
     *
     * @param rows the first and the last row
     * @param columns the columns of the master, as they stand beside each other
     * @param seeRules goes to where the words of a new rule can be changed
     */
    RuleOffers(JobModel model, MasterGrid grid, long[] rows, int[] columns, Runnable seeRules) {
        this.model = model;
        this.grid = grid;
        this.rows = rows;
        this.columns = columns;
        this.seeRules = seeRules;
    }

    List<MenuItem> items(Runnable correct) {
        List<String> names = Arrays.stream(columns).mapToObj(grid::title).toList();
        boolean ruled = Arrays.stream(columns).allMatch(column -> grid.before(column) >= 0);
        if (ruled) {
            aboutRows(names);
            items.add(new SeparatorMenuItem());
            aboutColumns(names.get(0));
            items.add(new SeparatorMenuItem());
        }
        aboutTheWhole(names, ruled);
        items.add(new SeparatorMenuItem());
        checks(names);
        items.add(new SeparatorMenuItem());
        offer("Correct this cell (C)", correct);
        return items;
    }

    private void aboutRows(List<String> names) {
        for (String phrase : grid.phrases(rows[0], rows[1], columns[0])) {
            offer("Set aside rows where " + phrase, () -> model.rules().ruleByPhrase(phrase, false));
            offer("Keep only rows where " + phrase, () -> model.rules().ruleByPhrase(phrase, true));
        }
        String equal = "Of rows equal in " + Says.list(names);
        offer(equal + " keep the first", () -> model.rules().ruleEqual(names, RowRules.KEEP_FIRST));
        offer(equal + " keep that of the newest file", () -> model.rules().ruleEqual(names, RowRules.KEEP_NEWEST));
    }

    /** Checks that what is selected suggests; they are made at each refresh, and stand under Check. */
    private void checks(List<String> names) {
        CheckModel checks = new CheckModel(model);
        String all = Says.list(names);
        String are = names.size() == 1 ? " is" : " are";
        offer("Check at each refresh that " + all + are + " unique", () -> checks.add(all + are + " unique"));
        offer("Check at each refresh that " + all + are + " never blank", () -> checks.add(all + are + " never blank"));
        for (String phrase : grid.phrases(rows[0], rows[1], columns[0])) {
            offer("Check at each refresh that never " + phrase, () -> checks.add("never " + phrase));
        }
    }

    private void aboutColumns(String first) {
        for (MadeFrom making : grid.makings(rows[0], columns)) {
            offer("Make " + (making.columns().size() == 1 ? "a column: " : "columns: ") + making.words(), () -> {
                model.rules().makeColumns(making);
                seeRules.run();
            });
        }
        if (columns.length == 1 && grid.isText(columns[0])) {
            offer("Change the texts of " + first + " where they stand", () -> {
                model.rules().changeColumn(first, "tidy " + first);
                seeRules.run();
            });
        }
        grid.carriable(rows[0], columns[0])
                .ifPresent(subject -> offer(
                        "Fill blank cells of " + first + " from the cell above, in tables like this one",
                        () -> model.rules().carryDown(subject)));
    }

    private void aboutTheWhole(List<String> names, boolean ruled) {
        String first = names.get(0);
        if (ruled && names.size() == 2) {
            String second = names.get(1);
            boolean numbers = grid.numeric(columns[1]);
            String words = "Make columns of the values of " + first + ", holding the "
                    + (numbers ? "sum of " : "first of ") + second;
            offer(words, () -> {
                model.rules().makeColumnsOf(first, second, numbers, grid.keysBeside(columns[0], columns[1]));
                seeRules.run();
            });
        } else if (names.size() == 1) {
            offer("Order the rows by " + first, () -> model.rules().sortBy(first, false));
            offer(
                    "Order the rows by " + first + ", the greatest first",
                    () -> model.rules().sortBy(first, true));
            offer("Number the rows", model.rules()::numberRows);
        }
    }

    private void offer(String words, Runnable action) {
        MenuItem item = new MenuItem(words);
        item.setMnemonicParsing(false);
        item.setOnAction(e -> action.run());
        items.add(item);
    }
}
