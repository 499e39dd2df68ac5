package cuvee.check;

import cuvee.place.Says;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.summary.SummaryWords;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A check of the analyst's own, in words: {@code Port is never blank}, {@code Trip is unique}, {@code Fare between 0 and
 * 9,000}, {@code Route is in Hollin or Tarsk}, {@code always Fare over 0}, {@code never Cancelled is yes, Passengers over 0},
 * {@code Sailing date lies in its file's month}, {@code total Fare: a line for each Port equals budget.xlsx}.
 */
public sealed interface OwnCheck {
    String UNIQUE = " unique";
    String NEVER_BLANK = " never blank";
    String ALWAYS = "always ";
    String NEVER = "never ";
    String BETWEEN = " between ";
    String IS_IN = " is in ";
    String EQUALS = " equals ";
    String SAME_ROWS = "the rows are those of ";
    String BY = " by ";

    /** The ends by which a check about the period of a file is known. */
    List<String> IN_PERIOD = List.of(
            " lies in its file's month",
            " lies in the file's month",
            " lies in its file's period",
            " lies in the file's period");

    /** No two rows are equal in these columns. */
    record Unique(List<String> columns) implements OwnCheck {
        public Unique {
            columns = List.copyOf(columns);
        }

        @Override
        public String said() {
            return Says.list(columns) + (columns.size() == 1 ? " is" : " are") + UNIQUE;
        }
    }

    /** Every row has a value in each of these columns. */
    record NeverBlank(List<String> columns) implements OwnCheck {
        public NeverBlank {
            columns = List.copyOf(columns);
        }

        @Override
        public String said() {
            return Says.list(columns) + (columns.size() == 1 ? " is" : " are") + NEVER_BLANK;
        }
    }

    /**
     * A phrase is true of every row, or of none.
     *
     * @param filled a column of which only filled cells are asked; empty where every row is
     * @param said how it was said
     */
    record OfRows(String phrase, boolean never, String filled, String said) implements OwnCheck {}

    /** A date lies in the period that its file's name says. */
    record InPeriod(String column) implements OwnCheck {
        @Override
        public String said() {
            return column + IN_PERIOD.get(0);
        }
    }

    /**
     * The rows are those of a table that somebody knows to be right, cell by cell in the columns that both have.
     *
     * @param keys the columns by which rows are matched; none where only whole rows are compared
     */
    record SameRows(String file, List<String> keys) implements OwnCheck {
        public SameRows {
            keys = List.copyOf(keys);
        }

        @Override
        public String said() {
            return SAME_ROWS + file + (keys.isEmpty() ? "" : BY + Says.list(keys));
        }
    }

    /** A summary comes to what a table in a file says. */
    record EqualsTable(String summary, String file) implements OwnCheck {
        @Override
        public String said() {
            return summary + EQUALS + file;
        }
    }

    /** The check in words. */
    String said();

    /**
     * What words come to.
     *
     * @param problem why they are no check; empty where they are
     */
    record Read(Optional<OwnCheck> check, String problem) {
        private static Read of(OwnCheck check) {
            return new Read(Optional.of(check), "");
        }

        private static Read failed(String problem) {
            return new Read(Optional.empty(), problem);
        }
    }

    /** Reads words over the columns of a master. */
    static Read read(String given, Known known) {
        String words = given.strip();
        String small = words.toLowerCase(Locale.ROOT);
        if (small.startsWith(SAME_ROWS)) {
            return sameRows(words.substring(SAME_ROWS.length()), known);
        }
        int equals = small.lastIndexOf(EQUALS);
        if (equals > 0 && words.substring(equals).contains(".")) {
            String summary = words.substring(0, equals).strip();
            SummaryWords.Read read = SummaryWords.read(summary, known);
            return read.summary().isEmpty()
                    ? Read.failed(read.problem())
                    : Read.of(new EqualsTable(
                            summary, words.substring(equals + EQUALS.length()).strip()));
        }
        if (small.endsWith(UNIQUE)) {
            return named(words.substring(0, words.length() - UNIQUE.length()), known, Unique::new);
        }
        if (small.endsWith(NEVER_BLANK)) {
            return named(words.substring(0, words.length() - NEVER_BLANK.length()), known, NeverBlank::new);
        }
        for (String end : IN_PERIOD) {
            if (small.endsWith(end)) {
                String column =
                        words.substring(0, words.length() - end.length()).strip();
                Optional<String> name = name(column, known);
                return name.filter(known::isDate).isEmpty()
                        ? Read.failed(Says.quoted(column) + " is no column of dates")
                        : Read.of(new InPeriod(name.get()));
            }
        }
        if (small.startsWith(ALWAYS)) {
            return phrase(words.substring(ALWAYS.length()), false, "", words, known);
        }
        if (small.startsWith(NEVER)) {
            return phrase(words.substring(NEVER.length()), true, "", words, known);
        }
        return ofColumn(words, known);
    }

    private static Read sameRows(String rest, Known known) {
        int by = rest.toLowerCase(Locale.ROOT).lastIndexOf(BY);
        Read keys =
                by < 0 ? Read.of(new Unique(List.of())) : named(rest.substring(by + BY.length()), known, Unique::new);
        return keys.check().isEmpty()
                ? keys
                : Read.of(new SameRows(
                        (by < 0 ? rest : rest.substring(0, by)).strip(),
                        ((Unique) keys.check().get()).columns()));
    }

    /** What is said of one column, whose blanks it does not ask. */
    private static Read ofColumn(String words, Known known) {
        List<String> byLength = known.names().stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
        for (String name : byLength) {
            if (words.regionMatches(true, 0, name, 0, name.length())) {
                String rest = words.substring(name.length()).replaceFirst("(?i)^ is between ", BETWEEN);
                if (rest.regionMatches(true, 0, BETWEEN, 0, BETWEEN.length())) {
                    String[] ends = rest.substring(BETWEEN.length()).split("(?i) and ", -1);
                    return ends.length != 2
                            ? Read.failed("between two values, parted by “and”: " + name + " between 0 and 9,000")
                            : phrase(
                                    name + " at least " + ends[0].strip() + ", " + name + " at most " + ends[1].strip(),
                                    false,
                                    name,
                                    words,
                                    known);
                }
                if (rest.regionMatches(true, 0, IS_IN, 0, IS_IN.length())) {
                    return phrase(name + " is " + rest.substring(IS_IN.length()), false, name, words, known);
                }
            }
        }
        return Read.failed("it is no check that Cuvee knows: “… is unique”, “… is never blank”, “… between … and …”,"
                + " “… is in … or …”, “always …”, “never …”, “… lies in its file's month”, “total … equals FILE”");
    }

    private static Read phrase(String phrase, boolean never, String filled, String said, Known known) {
        Asked asked = Asked.of(phrase, known);
        return asked.understood()
                ? Read.of(new OfRows(phrase.strip(), never, filled, said))
                : Read.failed(asked.problem());
    }

    /** What is made of the names of columns. */
    interface OfNames {
        OwnCheck of(List<String> names);
    }

    private static Read named(String words, Known known, OfNames made) {
        String list = words.strip().replaceFirst("(?i)\\s+(is|are)$", "");
        Optional<String> whole = name(list, known);
        if (whole.isPresent()) {
            return Read.of(made.of(List.of(whole.get())));
        }
        List<String> names = new ArrayList<>();
        for (String each : list.split("(?i),\\s*| and ", -1)) {
            Optional<String> name = name(each.strip(), known);
            if (name.isEmpty()) {
                return Read.failed(Says.quoted(each.strip()) + " is no column of the master");
            }
            names.add(name.get());
        }
        return Read.of(made.of(names));
    }

    private static Optional<String> name(String word, Known known) {
        return known.names().stream()
                .filter(name -> name.equalsIgnoreCase(word))
                .findFirst();
    }

    /** The same words of a column that is called otherwise now; as they are where they are not understood. */
    static String renamed(String words, List<String> columns, String from, String to) {
        String small = words.toLowerCase(Locale.ROOT);
        if (small.startsWith(SAME_ROWS)) {
            int by = small.lastIndexOf(BY);
            return by < 0
                    ? words
                    : words.substring(0, by) + BY + names(words.substring(by + BY.length()), columns, from, to);
        }
        int equals = small.lastIndexOf(EQUALS);
        if (equals > 0 && words.substring(equals).contains(".")) {
            return SummaryWords.renamed(words.substring(0, equals), columns, from, to) + words.substring(equals);
        }
        for (String start : List.of(ALWAYS, NEVER)) {
            if (small.startsWith(start)) {
                String phrase = words.substring(start.length());
                return words.substring(0, start.length())
                        + Phrase.read(phrase, columns)
                                .map(read -> read.renamed(from, to).said())
                                .orElse(phrase);
            }
        }
        for (String end : List.of(UNIQUE, NEVER_BLANK)) {
            if (small.endsWith(end)) {
                String list = words.substring(0, words.length() - end.length()).replaceFirst("(?i)\\s+(is|are)$", "");
                String names = names(list, columns, from, to);
                boolean one = columns.stream().anyMatch(list::equalsIgnoreCase);
                return names + (one ? " is" : " are") + end;
            }
        }
        boolean about = small.startsWith(from.toLowerCase(Locale.ROOT) + " ");
        boolean longer = columns.stream()
                .anyMatch(
                        name -> name.length() > from.length() && small.startsWith(name.toLowerCase(Locale.ROOT) + " "));
        return about && !longer ? to + words.substring(from.length()) : words;
    }

    private static String names(String list, List<String> columns, String from, String to) {
        List<String> parts = columns.stream().anyMatch(list::equalsIgnoreCase)
                ? List.of(list)
                : List.of(list.split("(?i),\\s*| and ", -1));
        return Says.list(parts.stream()
                .map(name -> name.strip().equalsIgnoreCase(from) ? to : name.strip())
                .toList());
    }

    /** Words that checks are made of. */
    static List<String> vocabulary(Known known) {
        List<String> vocabulary = new ArrayList<>(known.names());
        vocabulary.addAll(List.of(
                "is unique",
                "are unique",
                "is never blank",
                "between",
                "is in",
                "always",
                "never",
                "lies in its file's month",
                "equals",
                "the rows are those of",
                "by",
                "a line for each"));
        SummaryWords.vocabulary(known).stream()
                .filter(word -> !vocabulary.contains(word))
                .forEach(vocabulary::add);
        return vocabulary;
    }
}
