package cuvee.rework;

import cuvee.master.RowRule.Test;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What is asked of rows, as people say it: {@code Port is Hollin or Tarsk, Passengers over 500}. Clauses are parted by
 * commas or "and", values by "or"; quotation marks keep a value together.
 */
public record Phrase(List<Clause> clauses) {
    private static final Map<String, Test> WORDS = words();
    /** Other words for the same, which are read and not offered. */
    private static final Map<String, Test> ALSO = Map.of(
            "more than", Test.OVER,
            "greater than", Test.OVER,
            ">", Test.OVER,
            "less than", Test.UNDER,
            "<", Test.UNDER,
            ">=", Test.AT_LEAST,
            "<=", Test.AT_MOST,
            "=", Test.IS);
    /** All words that are read, the longest first. */
    private static final List<Map.Entry<String, Test>> READ = Stream.concat(
                    WORDS.entrySet().stream(), ALSO.entrySet().stream())
            .sorted(Comparator.comparingInt(
                            (Map.Entry<String, Test> entry) -> entry.getKey().length())
                    .reversed())
            .toList();

    private static final List<String> BETWEEN = List.of("is between", "between");
    private static final Pattern DAY = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    public Phrase {
        clauses = List.copyOf(clauses);
    }

    /** One thing asked of one column, its values as written. */
    public record Clause(String column, Test test, List<String> values) {
        public Clause {
            values = List.copyOf(values);
        }

        private String said() {
            return column + " " + word()
                    + (values.isEmpty()
                            ? ""
                            : " " + values.stream().map(Phrase::quoted).collect(Collectors.joining(" or ")));
        }

        private String word() {
            boolean days = !values.isEmpty()
                    && values.stream().allMatch(value -> DAY.matcher(value).lookingAt());
            return switch (test) {
                case OVER -> days ? "after" : "over";
                case UNDER -> days ? "before" : "under";
                case AT_LEAST -> "at least";
                case AT_MOST -> "at most";
                default ->
                    WORDS.entrySet().stream()
                            .filter(entry -> entry.getValue() == test)
                            .map(Map.Entry::getKey)
                            .findFirst()
                            .orElseThrow();
            };
        }
    }

    private static Map<String, Test> words() {
        Map<String, Test> words = new LinkedHashMap<>();
        words.put("is blank", Test.BLANK);
        words.put("is filled", Test.FILLED);
        words.put("is not blank", Test.FILLED);
        words.put("is not", Test.IS_NOT);
        words.put("is over", Test.OVER);
        words.put("is under", Test.UNDER);
        words.put("is at least", Test.AT_LEAST);
        words.put("is at most", Test.AT_MOST);
        words.put("is", Test.IS);
        words.put("does not contain", Test.DOES_NOT_CONTAIN);
        words.put("contains", Test.CONTAINS);
        words.put("begins with", Test.BEGINS_WITH);
        words.put("ends with", Test.ENDS_WITH);
        words.put("over", Test.OVER);
        words.put("after", Test.OVER);
        words.put("under", Test.UNDER);
        words.put("before", Test.UNDER);
        words.put("at least", Test.AT_LEAST);
        words.put("at most", Test.AT_MOST);
        return words;
    }

    /** A phrase of one clause. */
    public static Phrase of(String column, Test test, List<String> values) {
        return new Phrase(List.of(new Clause(column, test, values)));
    }

    /** The phrase in words that {@link #read} understands. */
    public String said() {
        return clauses.stream().map(Clause::said).collect(Collectors.joining(", "));
    }

    /** The same of a column that is called otherwise now. */
    public Phrase renamed(String column, String newName) {
        return new Phrase(clauses.stream()
                .map(clause ->
                        clause.column().equals(column) ? new Clause(newName, clause.test(), clause.values()) : clause)
                .toList());
    }

    /** The words that phrases are made of besides columns and values. */
    static List<String> allWords() {
        List<String> words = new ArrayList<>(WORDS.keySet());
        words.addAll(List.of("or", "and"));
        return words;
    }

    /**
     * A value that is being written.
     *
     * @param column the column that it is compared with
     * @param begun what has been written of it so far
     */
    public record Begun(String column, String begun) {}

    /** The value that is being written at the end of words; empty where none is. */
    public static Optional<Begun> begun(String words, List<String> columns) {
        List<String> byLength = columns.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
        List<String> parts = split(words, byLength, ",", " and ");
        String part = parts.get(parts.size() - 1).stripLeading();
        for (String column : byLength) {
            String rest = after(part, column).stripLeading();
            for (Map.Entry<String, Test> word : READ) {
                String values = after(rest, word.getKey());
                if (!values.isEmpty()) {
                    List<String> each = split(values, List.of(), " or ");
                    String last = each.get(each.size() - 1).stripLeading();
                    return Optional.of(new Begun(column, last));
                }
            }
        }
        return Optional.empty();
    }

    /** What follows a word and a space at the beginning of a text, the space included; empty where it begins otherwise. */
    private static String after(String text, String word) {
        return text.regionMatches(true, 0, word + " ", 0, word.length() + 1) ? text.substring(word.length()) : "";
    }

    /** What words ask of columns; empty where they cannot be understood. */
    public static Optional<Phrase> read(String words, List<String> columns) {
        List<String> byLength = columns.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
        List<Clause> clauses = new ArrayList<>();
        List<String> parts = split(words, byLength, ",", " and ");
        for (int i = 0; i < parts.size(); i++) {
            String part = parts.get(i).strip();
            boolean end = i + 1 < parts.size()
                    && clause(parts.get(i + 1).strip(), byLength).isEmpty();
            List<Clause> between = end ? between(part, parts.get(i + 1), byLength) : List.of();
            Optional<Clause> clause = between.isEmpty() ? clause(part, byLength) : Optional.empty();
            if (between.isEmpty() && clause.isEmpty()) {
                return Optional.empty();
            }
            clauses.addAll(between);
            clause.ifPresent(clauses::add);
            i += between.isEmpty() ? 0 : 1;
        }
        return clauses.isEmpty() ? Optional.empty() : Optional.of(new Phrase(clauses));
    }

    /** The two clauses of {@code Fare between 0 and 900}, of which {@code 900} is the next part; none where it is not said. */
    private static List<Clause> between(String part, String next, List<String> columns) {
        for (String column : columns) {
            String rest = behind(part, column);
            for (String word : BETWEEN) {
                String least = behind(rest, word);
                if (!least.isEmpty()) {
                    return List.of(
                            new Clause(column, Test.AT_LEAST, List.of(unquoted(least))),
                            new Clause(column, Test.AT_MOST, List.of(unquoted(next.strip()))));
                }
            }
        }
        return List.of();
    }

    private static Optional<Clause> clause(String part, List<String> columns) {
        for (String column : columns) {
            String rest = behind(part, column);
            if (rest.isEmpty()) {
                continue;
            }
            for (Map.Entry<String, Test> word : READ) {
                boolean alone = word.getValue() == Test.BLANK || word.getValue() == Test.FILLED;
                if (alone && rest.equalsIgnoreCase(word.getKey())) {
                    return Optional.of(new Clause(column, word.getValue(), List.of()));
                }
                String values = alone ? "" : behind(rest, word.getKey());
                if (!values.isEmpty()) {
                    List<String> each = split(values, List.of(), " or ").stream()
                            .map(value -> unquoted(value.strip()))
                            .filter(value -> !value.isEmpty())
                            .toList();
                    return each.isEmpty() ? Optional.empty() : Optional.of(new Clause(column, word.getValue(), each));
                }
            }
        }
        return Optional.empty();
    }

    /** What follows a word at the beginning of a text; empty where the text begins otherwise. */
    private static String behind(String text, String word) {
        boolean begins = text.length() > word.length()
                && text.regionMatches(true, 0, word, 0, word.length())
                && text.charAt(word.length()) == ' ';
        return begins ? text.substring(word.length()).strip() : "";
    }

    /**
     * A text's parts between separators that stand outside quotation marks.
     *
     * @param names what a part may begin with, separators included, the longest first: {@code Food and drink is blank}
     */
    private static List<String> split(String text, List<String> names, String... separators) {
        List<String> parts = new ArrayList<>();
        String lower = text.toLowerCase(Locale.ROOT);
        boolean quoted = false;
        int from = 0;
        for (int i = 0; i < text.length(); i++) {
            if (text.substring(from, i).isBlank()) {
                i += nameAt(text, i, names);
            }
            char c = text.charAt(i);
            quoted = c == '“' || c == '"' && !quoted || quoted && c != '”' && c != '"';
            for (String separator : separators) {
                // A comma within a number is none of ours: a space or a letter follows those between clauses.
                boolean comma = separator.equals(",") && i + 1 < text.length() && Character.isDigit(text.charAt(i + 1));
                if (!quoted && !comma && lower.startsWith(separator, i)) {
                    parts.add(text.substring(from, i));
                    from = i + separator.length();
                    i = from - 1;
                    break;
                }
            }
        }
        parts.add(text.substring(from));
        return parts;
    }

    /** The length of the name that a text has at a place, with a space behind it; 0 where it has none. */
    private static int nameAt(String text, int at, List<String> names) {
        return names.stream()
                .filter(name -> text.regionMatches(true, at, name + " ", 0, name.length() + 1))
                .mapToInt(String::length)
                .findFirst()
                .orElse(0);
    }

    /** A value as it is written in a phrase: in quotation marks where it would be read as something else without them. */
    public static String quoted(String value) {
        String lower = value.toLowerCase(Locale.ROOT);
        boolean plain = LooseText.tidy(value).equals(value)
                && !value.contains(",")
                && !value.contains("\"")
                && !value.contains("“")
                && !value.contains("”")
                && !lower.contains(" or ")
                && !lower.contains(" and ")
                && !lower.equals("blank")
                && !lower.startsWith("not ")
                && !lower.startsWith("at ")
                && !lower.startsWith("over ")
                && !lower.startsWith("under ")
                && !lower.startsWith("between ")
                && !lower.equals("filled");
        return plain ? value : "“" + value + "”";
    }

    private static String unquoted(String value) {
        boolean quoted = value.length() > 1
                && (value.charAt(0) == '“' || value.charAt(0) == '"')
                && (value.endsWith("”") || value.endsWith("\""));
        return quoted ? value.substring(1, value.length() - 1) : value;
    }
}
