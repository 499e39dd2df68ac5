package cuvee.model;

import cuvee.place.Says;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Columns that what is selected suggests to make.
 *
 * @param words what would be done, for people
 * @param columns the columns that it makes, each with its formula
 */
public record MadeFrom(String words, Map<String, String> columns) {
    /** What stands between the parts of codes and names. */
    private static final List<String> SEPARATORS = List.of(" - ", " / ", "-", "/", "_", ";", ", ", ",", ":", "|", " ");

    private static final int MOST_PARTS = 6;

    public MadeFrom {
        columns = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(columns));
    }

    /**
     * A selected column.
     *
     * @param sample the value of the cell that was selected first
     */
    public record Selected(String name, Type type, @Nullable String sample) {}

    /** What may be made from columns that stand side by side. */
    public static List<MadeFrom> of(List<Selected> selected) {
        List<MadeFrom> found = new ArrayList<>();
        if (selected.size() == 1) {
            one(selected.get(0), found);
        } else if (!selected.isEmpty()) {
            Selected first = selected.get(0);
            Selected second = selected.get(1);
            if (selected.size() == 2 && first.type().isNumber() && second.type().isNumber()) {
                for (String sign : List.of(" / ", " - ", " * ", " + ")) {
                    String formula = first.name() + sign + second.name();
                    found.add(single(formula, formula, formula));
                }
            }
            String joined = selected.stream().map(Selected::name).collect(Collectors.joining(" then \" \" then "));
            String names = selected.stream().map(Selected::name).collect(Collectors.joining(" "));
            found.add(single(Says.list(selected.stream().map(Selected::name).toList()) + " in one", names, joined));
        }
        return found;
    }

    private static void one(Selected column, List<MadeFrom> found) {
        String name = column.name();
        if (column.type() == Type.DATE || column.type() == Type.DATE_AND_TIME) {
            found.add(single("the year of " + name, "Year of " + name, "year of " + name));
            found.add(single("the start of month of " + name, "Month of " + name, "start of month of " + name));
            found.add(single("the weekday of " + name, "Weekday of " + name, "weekday of " + name));
        } else if (column.type().isNumber() && column.type() != Type.WHOLE_NUMBER) {
            found.add(single(name + " rounded", name + " rounded", name + " rounded to 0"));
        } else if (column.type() == Type.TEXT && column.sample() != null) {
            String sample = column.sample();
            for (String separator : SEPARATORS) {
                int parts = sample.split(java.util.regex.Pattern.quote(separator), -1).length;
                boolean within = SEPARATORS.stream()
                        .anyMatch(other -> other.length() > separator.length()
                                && other.contains(separator)
                                && sample.contains(other));
                if (parts > 1 && parts <= MOST_PARTS && !within) {
                    Map<String, String> made = new LinkedHashMap<>();
                    for (int part = 1; part <= parts; part++) {
                        made.put(name + " " + part, "part " + part + " of " + name + " by \"" + separator + "\"");
                    }
                    found.add(new MadeFrom(
                            "the " + Says.count(parts, "part") + " of " + name + " by " + Says.quoted(separator),
                            made));
                }
            }
            if (sample.chars().anyMatch(Character::isDigit) && sample.chars().anyMatch(Character::isLetter)) {
                found.add(single("the number in " + name, "Number in " + name, "number in " + name));
            }
            found.add(single("the first 3 characters of " + name, "Begin of " + name, "first 3 of " + name));
        }
    }

    private static MadeFrom single(String words, String name, String formula) {
        return new MadeFrom(words, Map.of(name, formula));
    }
}
