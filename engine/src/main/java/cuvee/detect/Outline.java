package cuvee.detect;

import cuvee.detect.FoundTable.Doubt;
import cuvee.detect.FoundTable.StatedTotal;
import cuvee.sheet.Row;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Rows numbered as an outline, {@code 1} above {@code 1.1} and {@code 1.2}, or indented like one, by blanks or by columns: a
 * row that adds up those one level below it is their total. A row is held back until the rows below it have gone by.
 */
final class Outline {
    private static final Pattern CODE = Pattern.compile("((?:[A-Z]|[A-Z]?\\d{1,4})(?:\\.\\d{1,4})*)\\.?");
    /** After so many rows none of which adds up those under it there is no outline. */
    private static final int MOST_IN_VAIN = 60;

    private static final int MOST_ROWS_IN_VAIN = 600;
    private static final int FARTHEST_INDENT = 1000;
    private static final int FEWEST_COUNTED = 2;

    /** What stands under one row is held back up to so many rows. */
    private static final int MOST_HELD = 5000;

    private static final double SAYS_SOMETHING = 100;
    private static final double NEAR = 0.05;

    private final TableColumns columns;
    private final List<Held> held = new ArrayList<>();
    /** The texts of rows that add up others, by row number. */
    private final Map<Integer, String> heads = new HashMap<>();

    private final List<StatedTotal> stated = new ArrayList<>();
    /** Rows with others under them that they do not add up. */
    private final List<Integer> disagreeing = new ArrayList<>();

    /** True where one of these is not far from it. */
    private boolean near;

    private final Set<Integer> depthsOfRecords = new TreeSet<>();
    private int records;
    private int vain;
    private int vainRows;

    /**
     * A row that is held back.
     *
     * @param values its numbers, by column
     */
    private record Held(Row row, int blanks, Place place, Map<Integer, Double> values) {}

    /** A row that comes out, with the blank rows above it. */
    record Told(Row row, int blanks, boolean isTotal) {}

    /**
     * Where in an outline a row stands.
     *
     * @param code its number; empty where it has none
     * @param column the column of its first cell
     * @param indent how far its first cell is indented
     */
    private record Place(String code, int column, int indent) {
        boolean isOver(Place other) {
            if (!code.isEmpty()) {
                return column == other.column && other.code.startsWith(code + ".");
            }
            return other.code.isEmpty() && (column == other.column ? other.indent > indent : column < other.column);
        }

        int depth() {
            return code.isEmpty()
                    ? column * FARTHEST_INDENT + indent
                    : (int) code.chars().filter(c -> c == '.').count();
        }
    }

    Outline(TableColumns columns) {
        this.columns = columns;
    }

    boolean isEmpty() {
        return held.isEmpty();
    }

    /** True once rows have been met that add up others under them. */
    boolean isSeen() {
        return !heads.isEmpty();
    }

    /** True where a row that has been looked at stands under the first one held back. */
    boolean goesOn(Row row) {
        return !held.isEmpty() && held.size() < MOST_HELD && held.get(0).place().isOver(place(row));
    }

    /** True where a row that has been looked at may have others under it. */
    boolean mayBegin(Row row) {
        if (!isSeen() && (vain >= MOST_IN_VAIN || vainRows >= MOST_ROWS_IN_VAIN)) {
            return false;
        }
        int first = row.firstFilled();
        for (int column = first + 1; column < row.width(); column++) {
            if (columns.form(column).isNumber()) {
                return true;
            }
        }
        return false;
    }

    void hold(Row row, int blanks) {
        Map<Integer, Double> values = new TreeMap<>();
        for (int column = row.firstFilled() + 1; column < row.width(); column++) {
            double value = columns.value(row, column);
            if (!Double.isNaN(value)) {
                values.put(column, value);
            }
        }
        held.add(new Held(row.copy(), blanks, place(row), values));
    }

    private static Place place(Row row) {
        int column = row.firstFilled();
        String text = row.text(column);
        Matcher code = CODE.matcher(text.strip());
        int indent = 0;
        while (indent < text.length() && Character.isWhitespace(text.charAt(indent))) {
            indent++;
        }
        return new Place(code.matches() ? code.group(1) : "", column, indent);
    }

    /** The rows held back, each with what it is. */
    List<Told> release() {
        if (held.isEmpty()) {
            return List.of();
        }
        List<Told> told = new ArrayList<>();
        vain++;
        vainRows += held.size();
        for (int i = 0; i < held.size(); i++) {
            Held each = held.get(i);
            List<Held> under = under(i);
            boolean total = !under.isEmpty() && addsUp(each, under);
            if (total) {
                heads.put(each.row().number(), words(each.row()));
                state(each, under);
            } else if (!under.isEmpty() && says(each)) {
                disagreeing.add(each.row().number());
                near |= isNear(each, under);
            }
            if (!each.place().code().isEmpty() && (total || areCounted(under))) {
                columns.holdsCodes(each.place().column());
            }
            if (!total) {
                noteRecord(each, i > 0);
            }
            told.add(new Told(each.row(), each.blanks(), total));
        }
        held.clear();
        return told;
    }

    private void noteRecord(Held each, boolean under) {
        if (under) {
            depthsOfRecords.add(each.place().depth());
            records++;
        }
    }

    /** The rows one level below a row. */
    private List<Held> under(int index) {
        Place place = held.get(index).place();
        List<Held> under = new ArrayList<>();
        for (Held below : held.subList(index + 1, held.size())) {
            if (!place.isOver(below.place())) {
                break;
            }
            if (under.isEmpty() || !under.get(under.size() - 1).place().isOver(below.place())) {
                under.add(below);
            }
        }
        return under;
    }

    /** True where rows are counted from the first on: 0 and 0.15, or 3 and 3.25, are numbers below one another. */
    private static boolean areCounted(List<Held> under) {
        List<Integer> last = under.stream()
                .map(each -> each.place().code())
                .map(code -> Integer.parseInt(code.substring(code.lastIndexOf('.') + 1)))
                .toList();
        boolean counted = last.size() >= FEWEST_COUNTED && last.get(0) <= 1;
        for (int i = 1; counted && i < last.size(); i++) {
            counted = last.get(i) == last.get(i - 1) + 1;
        }
        return counted;
    }

    /** True where at least half of the numbers of a row are what those under it come to, and say something. */
    private boolean addsUp(Held head, List<Held> under) {
        int numbers = 0;
        int agreed = 0;
        double greatest = 0;
        for (Map.Entry<Integer, Double> number : head.values().entrySet()) {
            double value = number.getValue();
            numbers += value == 0 ? 0 : 1;
            if (value != 0 && Agreement.of(value, sum(under, number.getKey()), under.size())) {
                agreed++;
                greatest = Math.max(greatest, Math.abs(value));
            }
        }
        boolean enough = agreed > 1 || agreed == 1 && (under.size() > 1 || greatest >= SAYS_SOMETHING);
        boolean indentedOnly = head.place().code().isEmpty();
        return enough
                && agreed * 2 >= numbers
                && !(indentedOnly && under.size() == 1 && agreed == 1)
                && !isRecordLike(head, under);
    }

    /** True where all numbers of a head are about what those under it come to: a head with a wrong sum. */
    private static boolean isNear(Held head, List<Held> under) {
        return under.size() > 1
                && !isRecordLike(head, under)
                && head.values().entrySet().stream().allMatch(number -> {
                    double added = sum(under, number.getKey());
                    return Math.abs(number.getValue() - added) <= NEAR * Math.abs(added);
                });
    }

    /** True for a row that also has what the rows behind it begin with: the first of a group and not its head. */
    private static boolean isRecordLike(Held head, List<Held> under) {
        int column = under.get(0).place().column();
        return column != head.place().column() && !head.row().blank(column);
    }

    private static boolean says(Held head) {
        return head.values().values().stream().anyMatch(value -> value != 0);
    }

    private static double sum(List<Held> under, int column) {
        return under.stream()
                .mapToDouble(each -> each.values().getOrDefault(column, 0.0))
                .sum();
    }

    private void state(Held head, List<Held> under) {
        head.values()
                .forEach((column, value) -> stated.add(
                        new StatedTotal(head.row().number(), column, value, sum(under, column), under.size())));
    }

    /** The words of a row that are no number of an outline. */
    private static String words(Row row) {
        List<String> words = new ArrayList<>();
        for (int column = 0; column < row.width(); column++) {
            String text = row.blank(column) ? "" : LooseText.tidy(row.text(column));
            if (text.chars().anyMatch(Character::isLetter)
                    && !CODE.matcher(text).matches()) {
                words.add(text);
            }
        }
        return String.join(" | ", words);
    }

    /** What the rows state that add up others. */
    List<StatedTotal> stated() {
        return stated;
    }

    /**
     * The words of the rows that add up others, by row number, where every record of the table stands under such a row, all
     * at one level: then they are said of each record. Empty where not all do.
     *
     * @param all how many records the table has
     */
    Map<Integer, String> headings(int all) {
        boolean clean =
                records == all && depthsOfRecords.size() == 1 && disagreeing.isEmpty() && !heads.containsValue("");
        return clean ? heads : Map.of();
    }

    /** Rows that stand over others without adding them up, where most such rows do, or one of them nearly does. */
    List<Doubt> doubts() {
        if (disagreeing.size() > heads.size() && !near) {
            return List.of();
        }
        return disagreeing.stream()
                .map(row -> new Doubt(
                        "outline-sum",
                        row,
                        "Row " + row + " stands over the rows below it and does not add them up as a total would; it is"
                                + " kept as a record.",
                        1))
                .toList();
    }
}
