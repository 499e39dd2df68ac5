package cuvee.model;

import cuvee.master.MasterPlan;
import cuvee.master.ValueList;
import cuvee.place.Says;
import cuvee.rework.Asked;
import cuvee.rework.Completing;
import cuvee.rework.Known;
import cuvee.rework.Phrase;
import cuvee.tell.Outcome;
import cuvee.value.Spellings;
import cuvee.value.Type;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Helps to write what has to hold of the rows that are shown; values are offered from all that a column holds. */
public final class LookWords implements Wording {
    private static final int MOST_OFFERED = 8;
    private final JobModel model;
    private final Outcome outcome;
    private final Known known;
    private final Map<Phrase.Begun, List<String>> values = new HashMap<>();
    private Runnable more = () -> {};

    public LookWords(JobModel model, Outcome outcome) {
        this.model = model;
        this.outcome = outcome;
        this.known = Known.of(outcome.plan());
    }

    @Override
    public String problem(String words) {
        if (words.isBlank()) {
            return "";
        }
        Asked asked = Asked.of(words, known);
        return asked.understood() ? "" : Says.capital(asked.problem()) + ".";
    }

    @Override
    public String example() {
        List<MasterPlan.Column> columns = outcome.plan().columns();
        String text = first(columns, column -> column.type() == Type.TEXT)
                .map(name -> name + " contains …")
                .orElse("");
        String number = first(columns, column -> column.type().isNumber())
                .map(name -> name + " over 100")
                .orElse("");
        return "such as: " + text + (text.isEmpty() || number.isEmpty() ? "" : ", ") + number + "   Ctrl+Shift+F";
    }

    private static Optional<String> first(List<MasterPlan.Column> columns, Predicate<MasterPlan.Column> such) {
        return columns.stream().filter(such).map(MasterPlan.Column::name).findFirst();
    }

    @Override
    public List<String> completions(String words, int place) {
        Optional<Phrase.Begun> begun = Phrase.begun(words.substring(0, place), known.names());
        if (begun.isPresent()) {
            List<String> offered = values(begun.get());
            if (!offered.isEmpty()) {
                return offered;
            }
        }
        List<String> found = Completing.of(words, place, known.vocabulary());
        return found.subList(0, Math.min(MOST_OFFERED, found.size()));
    }

    @Override
    public void onMore(Runnable listener) {
        more = listener;
    }

    /** The most frequent values that begin so; none until the store has been asked for them. */
    private List<String> values(Phrase.Begun begun) {
        List<String> found = values.get(begun);
        if (found != null) {
            return found;
        }
        values.put(begun, List.of());
        int column = outcome.before(known.names().indexOf(begun.column()));
        if (column >= 0) {
            model.apart(() -> counted(column, begun.begun()), counted -> {
                values.put(begun, counted);
                if (!counted.isEmpty()) {
                    more.run();
                }
            });
        }
        return List.of();
    }

    private List<String> counted(int column, String begun) {
        String small = begun.toLowerCase(Locale.ROOT);
        try (ValueList list = model.session().values(outcome, column)) {
            list.search(begun);
            List<String> fitting = list.page(0, MOST_OFFERED * 8).stream()
                    .map(Spellings.Counted::text)
                    .filter(text ->
                            !text.isBlank() && text.toLowerCase(Locale.ROOT).startsWith(small))
                    .map(Phrase::quoted)
                    .filter(text -> begun.isEmpty() || !text.startsWith("“"))
                    .distinct()
                    .limit(MOST_OFFERED)
                    .toList();
            return fitting.size() == 1 && fitting.get(0).equalsIgnoreCase(begun) ? List.of() : fitting;
        }
    }
}
