package cuvee.summary;

import cuvee.master.Grouped.Span;
import cuvee.place.Says;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.summary.Summary.By;
import cuvee.summary.Summary.Drawn;
import cuvee.summary.Summary.Figure;
import cuvee.summary.Summary.Kind;
import cuvee.summary.Summary.Order;
import cuvee.summary.Summary.Shown;
import cuvee.summary.Summary.Unit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Reads the words of a summary over the columns that are there. */
public final class SummaryWords {
    /** What people say as well for a figure; it is written down in Cuvee's words. */
    private static final Map<String, Kind> ALSO = Map.of(
            "sum",
            Kind.TOTAL,
            "mean",
            Kind.AVERAGE,
            "max",
            Kind.GREATEST,
            "maximum",
            Kind.GREATEST,
            "highest",
            Kind.GREATEST,
            "min",
            Kind.LEAST,
            "minimum",
            Kind.LEAST,
            "lowest",
            Kind.LEAST);

    private static final String LINE = "a line for each ";
    private static final String COLUMN = "a column for each ";
    private static final String WHERE = "only where ";
    private static final String AGAINST = "compared with ";
    private static final int MOST_DECIMALS = 10;

    private final String words;
    private final List<String> names;
    private int at;
    private String problem = "";

    private SummaryWords(String words, List<String> names) {
        this.words = words;
        this.names = names.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
    }

    /**
     * What words come to.
     *
     * @param summary empty where they are not understood
     * @param problem why not; empty where they are
     */
    public record Read(Optional<Summary> summary, String problem) {
        private static Read failed(String problem) {
            return new Read(Optional.empty(), problem);
        }
    }

    /** Reads words over the columns of a master. */
    public static Read read(String words, Known known) {
        Read read = parse(words, known.names());
        if (read.summary().isEmpty()) {
            return read;
        }
        Summary summary = read.summary().get();
        for (Figure figure : summary.figures()) {
            if (figure.kind().ofNumbers() && !known.addsUp(figure.column())) {
                return Read.failed(
                        figure.column() + " holds no numbers that can be added up; ask for the number of different "
                                + figure.column() + ", or the least or greatest");
            }
        }
        for (By by : summary.keys()) {
            if (by.span() != Span.VALUE && !known.isDate(by.column())) {
                return Read.failed(by.column() + " holds no dates, so it has no "
                        + by.span().name().toLowerCase(Locale.ROOT) + "s");
            }
        }
        for (String phrase : List.of(summary.where(), summary.against())) {
            Asked asked = phrase.isEmpty() ? new Asked(List.of(), "") : Asked.of(phrase, known);
            if (!asked.understood()) {
                return Read.failed(asked.problem());
            }
        }
        return read;
    }

    /** The same words of a column that is called otherwise now; as they are where they are not understood. */
    public static String renamed(String words, List<String> columns, String from, String to) {
        return parse(words, columns)
                .summary()
                .map(summary -> summary.with(
                                name -> name.equals(from) ? to : name,
                                phrase -> Phrase.read(phrase, columns)
                                        .map(read -> read.renamed(from, to).said())
                                        .orElse(phrase))
                        .said())
                .orElse(words);
    }

    /** Columns and words that summaries are made of. */
    public static List<String> vocabulary(Known known) {
        List<String> vocabulary = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            vocabulary.add(kind.words());
        }
        vocabulary.addAll(known.names());
        vocabulary.addAll(List.of(LINE.strip(), COLUMN.strip(), WHERE.strip(), AGAINST.strip()));
        for (Span span : Span.values()) {
            if (span != Span.VALUE) {
                vocabulary.add(span.name().toLowerCase(Locale.ROOT) + " of");
            }
        }
        vocabulary.addAll(List.of(
                "in thousands",
                "in millions",
                "with 1 decimal",
                "with 2 decimals",
                "without totals",
                "greatest first",
                "drawn as stacked bars",
                "drawn as a heat map"));
        known.vocabulary().stream().filter(word -> !vocabulary.contains(word)).forEach(vocabulary::add);
        return vocabulary;
    }

    /** Where the phrase begins that is being written at the end of words; below zero where none is. */
    public static int phraseAt(String words) {
        String small = words.toLowerCase(Locale.ROOT);
        int where = small.lastIndexOf(WHERE);
        int against = small.lastIndexOf(AGAINST);
        int at = Math.max(where < 0 ? -1 : where + WHERE.length(), against < 0 ? -1 : against + AGAINST.length());
        return at >= 0 && words.indexOf(';', at) < 0 ? at : -1;
    }

    // ---- reading ----

    private static Read parse(String words, List<String> names) {
        SummaryWords reading = new SummaryWords(words.strip(), names);
        Optional<Summary> summary = reading.summary();
        return new Read(summary, reading.problem);
    }

    private Optional<Summary> summary() {
        List<Figure> figures = new ArrayList<>();
        do {
            Optional<Figure> figure = figure();
            if (figure.isEmpty()) {
                return Optional.empty();
            }
            figures.add(figure.get());
        } while (take(" and ") || take(", ") && !startsSection());
        List<By> lines = new ArrayList<>();
        Optional<By> columns = Optional.empty();
        String where = "";
        if (take(" by ")) {
            do {
                Optional<By> by = by();
                if (by.isEmpty()) {
                    return Optional.empty();
                }
                lines.add(by.get());
            } while (take(" and ") || take(", "));
        }
        if (take(":")) {
            do {
                skip();
                if (take(LINE)) {
                    do {
                        Optional<By> by = by();
                        if (by.isEmpty()) {
                            return Optional.empty();
                        }
                        lines.add(by.get());
                    } while (take(" and "));
                } else if (take(COLUMN)) {
                    columns = by();
                    if (columns.isEmpty()) {
                        return Optional.empty();
                    }
                } else if (take(WHERE)) {
                    where = rest();
                } else {
                    return failed("“" + shortened() + "” is neither “a line for each …”, “a column for each …” nor"
                            + " “only where …”");
                }
            } while (take(","));
        }
        return shown(figures, lines, columns, where);
    }

    private Optional<Summary> shown(List<Figure> figures, List<By> lines, Optional<By> columns, String where) {
        Shown shown = Shown.DEFAULT;
        String against = "";
        while (take(";")) {
            skip();
            if (take(AGAINST)) {
                against = rest();
                continue;
            }
            String how = rest();
            Optional<Shown> more = shown(shown, how.toLowerCase(Locale.ROOT));
            if (more.isEmpty()) {
                return failed(Says.quoted(how) + " says nothing of how figures are shown: “in thousands”, “with 1"
                        + " decimal”, “without totals”, “greatest first”, “drawn as bars”");
            }
            shown = more.get();
        }
        skip();
        if (at < words.length()) {
            return failed("“" + shortened() + "” is not understood");
        }
        if (!against.isEmpty() && columns.isPresent()) {
            return failed(
                    "rows are compared with others line by line, so there is no column for each of anything then");
        }
        return Optional.of(new Summary(figures, lines, columns, where, against, shown));
    }

    private static Optional<Shown> shown(Shown so, String how) {
        for (Unit unit : Unit.values()) {
            if (unit != Unit.ONE && how.equals("in " + unit.words())) {
                return Optional.of(so.with(unit));
            }
        }
        for (Order order : Order.values()) {
            if (order != Order.BY_NAME && how.equals(order.words())) {
                return Optional.of(so.with(order));
            }
        }
        for (Drawn drawn : Drawn.values()) {
            if (drawn != Drawn.AS_FITS && how.equals(drawn.words())) {
                return Optional.of(so.with(drawn));
            }
        }
        if (how.equals("without totals") || how.equals("with totals")) {
            return Optional.of(so.withTotals(how.equals("with totals")));
        }
        if (how.matches("with \\d{1,2} decimals?")) {
            int decimals = Integer.parseInt(how.replaceAll("\\D", ""));
            return decimals > MOST_DECIMALS ? Optional.empty() : Optional.of(so.withDecimals(decimals));
        }
        return Optional.empty();
    }

    private Optional<Figure> figure() {
        skip();
        if (take("count of different ")) {
            return name().map(column -> new Figure(Kind.DIFFERENT, column));
        }
        if (takeWord("count")) {
            take(" of rows");
            return Optional.of(new Figure(Kind.NUMBER_OF_ROWS, ""));
        }
        for (Map.Entry<String, Kind> also : ALSO.entrySet()) {
            if (take(also.getKey() + " ")) {
                take("of ");
                return name().map(column -> new Figure(also.getValue(), column));
            }
        }
        for (Kind kind : Kind.values()) {
            if (kind == Kind.NUMBER_OF_ROWS ? takeWord(kind.words()) : take(kind.words() + " ")) {
                if (kind == Kind.NUMBER_OF_ROWS) {
                    return Optional.of(new Figure(kind, ""));
                }
                take("of ");
                return name().map(column -> new Figure(kind, column));
            }
        }
        return failed(
                words.isEmpty()
                        ? "it begins with a figure, such as “total …” or “number of rows”"
                        : "“" + shortened() + "” is no figure: “total …”, “number of rows”, “average …”, “median …”,"
                                + " “least …”, “greatest …”, “number of different …”, “share of …”, “running total of …”");
    }

    private Optional<By> by() {
        skip();
        for (Span span : Span.values()) {
            if (span != Span.VALUE && take(span.name().toLowerCase(Locale.ROOT) + " of ")) {
                return name().map(column -> new By(column, span));
            }
        }
        return name().map(column -> new By(column, Span.VALUE));
    }

    private Optional<String> name() {
        skip();
        for (String name : names) {
            if (takeWord(name)) {
                return Optional.of(name);
            }
        }
        return failed(
                at >= words.length()
                        ? "the name of a column is missing at its end"
                        : "“" + shortened() + "” begins with no column of the master");
    }

    /** What stands up to the next semicolon outside of quotation marks. */
    private String rest() {
        boolean quoted = false;
        int from = at;
        while (at < words.length() && (quoted || words.charAt(at) != ';')) {
            char c = words.charAt(at);
            quoted = c == '“' || c == '"' && !quoted || quoted && c != '”' && c != '"';
            at++;
        }
        return words.substring(from, at).strip();
    }

    private boolean startsSection() {
        return words.regionMatches(true, at, LINE, 0, LINE.length());
    }

    private boolean take(String word) {
        if (words.regionMatches(true, at, word, 0, word.length())) {
            at += word.length();
            return true;
        }
        return false;
    }

    /** Takes a word that goes no further in the text. */
    private boolean takeWord(String word) {
        int end = at + word.length();
        boolean whole = end >= words.length() || !Character.isLetterOrDigit(words.charAt(end));
        return whole && take(word);
    }

    private void skip() {
        while (at < words.length() && words.charAt(at) == ' ') {
            at++;
        }
    }

    private String shortened() {
        String rest = words.substring(Math.min(at, words.length()));
        return rest.length() <= 30 ? rest : rest.substring(0, 30) + "…";
    }

    private <T> Optional<T> failed(String why) {
        if (problem.isEmpty()) {
            problem = why;
        }
        return Optional.empty();
    }
}
