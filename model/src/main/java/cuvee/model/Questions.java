package cuvee.model;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.job.Decision;
import cuvee.job.Names;
import cuvee.layout.Layout;
import cuvee.layout.PlacedTable;
import cuvee.lineup.LineUp;
import cuvee.master.SheetReader;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.refresh.JobSession;
import cuvee.tell.Card;
import cuvee.tell.Outcome;
import cuvee.tell.Stakes;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The open questions as the window shows them: to which stage they belong, and what was seen on both sides. */
public final class Questions {
    private static final String ASK_AGAIN = "Ask again";
    private static final int MOST_VALUES = 5;
    /** A question of fewer letters does not say what it is about. */
    private static final int LEAST_TELLING = 32;

    private Questions() {}

    /** The stage at which the subject of a question stands. */
    public static Stage stage(Question question) {
        return switch (question.kind()) {
            case Kinds.FILE,
                    Kinds.SENT_AGAIN,
                    Kinds.YEAR_TO_DATE,
                    Kinds.GONE,
                    Kinds.UNREADABLE,
                    Kinds.TEXT_FORM,
                    Kinds.TAG,
                    Kinds.SOURCE_NAME -> Stage.COLLECT;
            case Kinds.HEADER_ROW,
                    Kinds.TOTAL_ROW,
                    Kinds.READING,
                    Kinds.SHEET,
                    Kinds.SHEETS,
                    Kinds.ANOTHER_JOB,
                    Kinds.ACROSS,
                    Kinds.CARRY_DOWN,
                    Kinds.SECTION_LINE,
                    Kinds.REPEATED_ROWS -> Stage.READ;
            case Kinds.LINE_UP,
                    Kinds.HEADER,
                    Kinds.TYPE,
                    Kinds.COLUMN,
                    Kinds.NEW_COLUMNS,
                    Kinds.CURRENCY,
                    Kinds.SIGN,
                    Kinds.DECIMAL_MARK,
                    Kinds.DATE_ORDER,
                    Kinds.WRITTEN_AS,
                    Kinds.BLANK_SOURCE -> Stage.LINE_UP;
            default -> Stage.CHECK;
        };
    }

    /** The question itself, in one sentence that names what it is about. */
    public static String title(Outcome outcome, Question question) {
        List<String> headers = headers(question);
        if (headers.size() > 1) {
            return "Are "
                    + Says.list(headers.stream()
                            .map(key -> Says.quoted(headerOf(outcome, key)))
                            .toList())
                    + " the column " + question.assumed() + "?";
        }
        if (question.kind().equals(LineUp.KIND)) {
            String column = outcome.proposal().lineUp().getOrDefault(question.subject(), "");
            String header = headerOf(outcome, question.subject());
            boolean own = LooseText.key(column).equals(question.subject());
            return own || column.isEmpty()
                    ? "Is " + Says.quoted(header) + " a column of its own?"
                    : "Is " + Says.quoted(header) + " the column " + column + "?";
        }
        String asked = lastSentence(question.text());
        return asked.length() < LEAST_TELLING ? question.text() : asked;
    }

    /** The headers that a question is about, by their keys; none where it is about something else. */
    private static List<String> headers(Question question) {
        return question.kind().equals(LineUp.KIND) ? Names.splitTexts(question.subject()) : List.of();
    }

    /** How many cards are open at a stage. */
    public static long open(Outcome outcome, Stage stage) {
        return Card.of(outcome).stream()
                .filter(card -> stage(card.question()) == stage)
                .count();
    }

    /** What leads to the question; empty where its title says it all. */
    public static String body(Outcome outcome, Question question) {
        String asked = lastSentence(question.text());
        if (question.kind().equals(LineUp.KIND) || !title(outcome, question).equals(question.text())) {
            return question.text()
                    .substring(0, question.text().length() - asked.length())
                    .strip();
        }
        return "";
    }

    private static String headerOf(Outcome outcome, String key) {
        for (Layout layout : outcome.proposal().layouts()) {
            int at = layout.keys().indexOf(key);
            if (at >= 0) {
                return layout.headers().get(at);
            }
        }
        return key;
    }

    private static String lastSentence(String text) {
        if (!text.endsWith("?")) {
            return text;
        }
        int from = Math.max(text.lastIndexOf(". "), text.lastIndexOf("; "));
        return from < 0 ? text : text.substring(from + 2);
    }

    /** How many rows rest on an answer, in words. */
    public static String rows(Stakes.Stake stake) {
        return stake.rows() > 0 ? Says.count(stake.rows(), "row") : "no row";
    }

    /** Where its subject stands, in words. */
    public static String place(Question question) {
        return stage(question).title() + (question.where().equals(Where.JOB) ? "" : ", " + question.where());
    }

    /** What the analyst has settled, the last first; the last column asks again. */
    public static ListGrid<Decision> settled(Outcome outcome) {
        List<Decision> settled = new ArrayList<>(outcome.job().settled());
        Collections.reverse(settled);
        Called called = Called.in(Optional.of(outcome));
        return new ListGrid<>(
                settled,
                List.of(
                        ListGrid.Column.of("Settled", 330, decision -> Acts.said(decision, outcome.job(), called)),
                        ListGrid.Column.of("How", 150, Decision::reason),
                        ListGrid.Column.of("", 90, decision -> ASK_AGAIN)),
                (decision, column) ->
                        column == 2 ? GridModel.Tone.LINK : column == 1 ? GridModel.Tone.QUIET : GridModel.Tone.PLAIN);
    }

    /** The open questions of a stage. */
    public static List<Question> of(Outcome outcome, Stage stage) {
        return outcome.questions().stream()
                .filter(question -> stage(question) == stage)
                .toList();
    }

    /** The column of the master that a question is about; empty where it is about none, or about several. */
    public static Optional<String> column(Outcome outcome, Question question) {
        if (question.kind().equals(LineUp.KIND)) {
            return Optional.ofNullable(
                    outcome.proposal().lineUp().get(headers(question).get(0)));
        }
        String named = question.subject().replaceFirst(" \\| .*$", "");
        return stage(question) == Stage.LINE_UP
                ? outcome.proposal().columns().stream()
                        .map(column -> column.name())
                        .filter(name -> name.equals(named))
                        .findFirst()
                : Optional.empty();
    }

    /**
     * What stands under one header, seen beside another.
     *
     * @param title the header and how many tables have it
     * @param values some of its values as they are written
     */
    public record Seen(String title, List<String> values) {
        public Seen {
            values = List.copyOf(values);
        }
    }

    /** What was seen on the sides of a question about a header, its own first; nothing for other questions. */
    public static List<Seen> seen(Outcome outcome, Question question) {
        return seen(outcome, question, Questions::add);
    }

    /** The same with values of any kind, numbers too, read from the store; not to be asked on the interface thread. */
    public static List<Seen> seenInSheets(JobSession session, Outcome outcome, Question question) {
        Map<Integer, SheetReader.Staged> staged = new HashMap<>();
        outcome.sheets().forEach(sheet -> staged.put(sheet.staged().id(), sheet.staged()));
        try (SheetReader reader = session.sheetReader()) {
            return seen(outcome, question, (values, layout, at) -> {
                PlacedTable table = layout.tables().get(0);
                SheetReader.Staged sheet = staged.get(table.staged());
                if (sheet != null) {
                    BoardGrid.someValues(reader, sheet, table, table.columns().get(at), MOST_VALUES)
                            .forEach(value -> addOnce(values, value));
                }
            });
        }
    }

    /** Adds some values of a column of a layout to those of its header. */
    private interface Values {
        void add(List<String> values, Layout layout, int column);
    }

    private static List<Seen> seen(Outcome outcome, Question question, Values some) {
        if (!question.kind().equals(LineUp.KIND)) {
            return List.of();
        }
        Map<String, List<String>> values = new LinkedHashMap<>();
        Map<String, Integer> tables = new LinkedHashMap<>();
        Set<String> headers = Set.copyOf(headers(question));
        String column = column(outcome, question).orElse("");
        // Several headers are held against what they were taken for.
        for (boolean own : headers.size() > 1 ? new boolean[] {false, true} : new boolean[] {true, false}) {
            for (Layout layout : outcome.proposal().layouts()) {
                for (int at = 0; at < layout.keys().size(); at++) {
                    String key = layout.keys().get(at);
                    boolean same = headers.contains(key);
                    if (same == own
                            && (same
                                    || column.equals(outcome.proposal().lineUp().get(key)))) {
                        String header = layout.headers().get(at);
                        tables.merge(header, layout.tables().size(), Integer::sum);
                        some.add(values.computeIfAbsent(header, any -> new ArrayList<>()), layout, at);
                    }
                }
            }
        }
        List<Seen> seen = new ArrayList<>();
        values.forEach((header, found) -> seen.add(
                new Seen(Says.quoted(header) + " in " + Says.count(tables.getOrDefault(header, 0), "table"), found)));
        return seen;
    }

    private static void add(List<String> values, Layout layout, int at) {
        for (var table : layout.tables()) {
            var evidence = table.columns().get(at).evidence();
            for (String value : evidence.oddities().keySet()) {
                addOnce(values, value);
            }
            evidence.someDates().forEach(value -> addOnce(values, value));
            if (values.size() >= MOST_VALUES) {
                return;
            }
        }
    }

    private static void addOnce(List<String> values, String value) {
        if (values.size() < MOST_VALUES && !values.contains(value)) {
            values.add(value);
        }
    }
}
