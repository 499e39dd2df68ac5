package cuvee.propose;

import cuvee.layout.Layout;
import cuvee.layout.Nature;
import cuvee.value.LooseText;
import cuvee.value.Period;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Layouts that share headers with the main one and hold other things all the same: each of their tables stands on a sheet
 * beside one of the main layout, which has a sheet of one name in several files, and each side has columns that can be none
 * of the other's. {@code Starters} beside {@code Headcount} is such a one; the sheet of another region is not.
 */
final class SheetsBeside {
    private static final int SEVERAL_FILES = 2;

    private SheetsBeside() {}

    /** Those among the layouts of a family. */
    static List<Layout> in(List<Layout> family) {
        List<Layout> beside = new ArrayList<>();
        for (Layout main : family) {
            Map<String, String> sheetOfFile = new HashMap<>();
            main.tables().forEach(table -> sheetOfFile.put(table.source(), LooseText.key(table.sheet())));
            boolean named = main.tables().size() >= SEVERAL_FILES
                    && sheetOfFile.size() == main.tables().size()
                    && new HashSet<>(sheetOfFile.values()).size() == 1
                    && isName(main.tables().get(0).sheet());
            if (named) {
                family.stream()
                        .filter(other -> other.rows() < main.rows() && !beside.contains(other))
                        .filter(other -> other.tables().stream()
                                .allMatch(table -> isName(table.sheet())
                                        && sheetOfFile.containsKey(table.source())
                                        && !LooseText.key(table.sheet()).equals(sheetOfFile.get(table.source()))))
                        .filter(other -> holdsOtherThings(main, other))
                        .forEach(beside::add);
            }
        }
        return beside;
    }

    /** True for what a sheet is called by what it holds: one for each month holds the same. */
    private static boolean isName(String sheet) {
        return !sheet.isEmpty() && Period.of(sheet).isEmpty();
    }

    /** True where each of two layouts has a column that the other lacks and has nothing of its nature for. */
    private static boolean holdsOtherThings(Layout one, Layout other) {
        List<Nature> left = without(one, other);
        List<Nature> right = without(other, one);
        return !left.isEmpty() && !right.isEmpty() && !fits(left, right) && !fits(right, left);
    }

    /** The natures of the columns of a layout that another one has no header for. */
    private static List<Nature> without(Layout layout, Layout other) {
        Set<String> keys = new HashSet<>(other.keys());
        List<Nature> shape = layout.shape();
        List<Nature> left = new ArrayList<>();
        for (int i = 0; i < shape.size(); i++) {
            if (!keys.contains(layout.keys().get(i)) && shape.get(i) != Nature.NOTHING) {
                left.add(shape.get(i));
            }
        }
        return left;
    }

    private static boolean fits(List<Nature> some, List<Nature> others) {
        List<Nature> left = new ArrayList<>(others);
        return some.stream().allMatch(left::remove);
    }
}
