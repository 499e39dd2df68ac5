package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.LooseText;
import cuvee.value.Units;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The names of columns from the one to three rows of a header: a word over several columns heads each of them ("Quarter 1
 * / Passengers"), a unit below stands behind its name ("Fare (EUR)"), a name broken over two cells is one again.
 */
final class HeaderNames {
    /** Between a word over several columns and the name of one. */
    static final String GROUP = " / ";

    private HeaderNames() {}

    /** One name for each of the sheet's columns; empty where no row names it. */
    static String[] of(List<Row> header, SheetClues clues) {
        int columns = header.stream().mapToInt(Row::width).max().orElse(0);
        String[] names = new String[columns];
        Row last = header.get(header.size() - 1);
        for (int c = 0; c < columns; c++) {
            names[c] = c < last.width() ? LooseText.tidy(last.text(c)) : "";
        }
        for (int i = header.size() - 2; i >= 0; i--) {
            names = under(header.get(i), names, clues);
        }
        return withUnitsOfNeighbours(names);
    }

    /** A unit that heads several columns is said of the name before it: {@code Reed | % | Marsh | %}. */
    private static String[] withUnitsOfNeighbours(String[] names) {
        Set<String> twice = twice(names);
        String[] clear = names.clone();
        for (int c = 1; c < names.length; c++) {
            boolean unit = twice.contains(key(names[c])) && isMark(names[c]);
            if (unit && !names[c - 1].isEmpty() && !isMark(names[c - 1])) {
                clear[c] = names[c - 1] + " " + names[c];
            }
        }
        return clear;
    }

    private static String[] under(Row upper, String[] lower, SheetClues clues) {
        String[] names = new String[lower.length];
        boolean groups = spans(upper, lower) || clues.joinedAcross(upper.number());
        boolean units = !groups && allUnits(upper, lower);
        Set<String> twice = twice(lower);
        String group = "";
        int end = -1;
        for (int c = 0; c < lower.length; c++) {
            String here = c < upper.width() ? LooseText.tidy(upper.text(c)) : "";
            if (!here.isEmpty()) {
                group = here;
                int merged = clues.spanEnd(upper.number(), c);
                end = clues.joinedAcross(upper.number()) ? merged : Integer.MAX_VALUE;
            }
            boolean inGroup = !group.isEmpty()
                    && c <= end
                    && (!here.isEmpty() || twice.isEmpty() || end < Integer.MAX_VALUE || twice.contains(key(lower[c])));
            names[c] = join(here, inGroup ? group : "", lower[c], groups, units);
        }
        return names;
    }

    private static String join(String here, String group, String own, boolean groups, boolean units) {
        if (own.isEmpty()) {
            return here;
        }
        String above = groups ? group : here;
        if (above.isEmpty() || key(above).equals(key(own))) {
            return own;
        }
        boolean enclosed = own.startsWith("(") || own.startsWith("[");
        if (isUnit(own) && (enclosed || units)) {
            return above + (enclosed ? " " + own : " (" + own + ")");
        }
        return above + (groups ? GROUP : " ") + own;
    }

    /** True for a unit without a word: {@code %} or {@code (€)}. */
    private static boolean isMark(String text) {
        return isUnit(text) && text.chars().noneMatch(Character::isLetter);
    }

    /** True for {@code (EUR)}, {@code [t]}, {@code %} and the commonest units by themselves. */
    static boolean isUnit(String text) {
        String tidy = LooseText.tidy(text).toLowerCase(Locale.ROOT);
        boolean enclosed = tidy.length() <= 24
                && (tidy.startsWith("(") && tidy.endsWith(")") || tidy.startsWith("[") && tidy.endsWith("]"));
        return enclosed || Units.isKnown(tidy);
    }

    /** True where all that stands below names are units: "number" below "Order" is the rest of the name otherwise. */
    private static boolean allUnits(Row upper, String[] lower) {
        for (int c = 0; c < lower.length; c++) {
            if (!lower[c].isEmpty() && !upper.blank(c) && !isUnit(lower[c])) {
                return false;
            }
        }
        return true;
    }

    /** True where some word of the upper row stands over more than one name of the lower. */
    private static boolean spans(Row upper, String[] lower) {
        boolean open = false;
        for (int c = 0; c < lower.length; c++) {
            boolean named = !lower[c].isEmpty();
            if (!upper.blank(c)) {
                open = named;
            } else if (open && named) {
                return true;
            }
        }
        return false;
    }

    private static Set<String> twice(String[] names) {
        Map<String, Integer> counts = new HashMap<>();
        Arrays.stream(names).filter(name -> !name.isEmpty()).forEach(name -> counts.merge(key(name), 1, Integer::sum));
        Set<String> twice = new HashSet<>();
        counts.forEach((key, count) -> {
            if (count > 1) {
                twice.add(key);
            }
        });
        return twice;
    }

    private static String key(String text) {
        return LooseText.key(text);
    }
}
