package cuvee.check;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Who is expected to send for which months, and by when, as a list says that people keep.
 *
 * @param senders by their names, in the order of the list
 */
public record Expected(Map<String, Span> senders) {
    /** Nobody keeps a list. */
    public static final Expected NOBODY = new Expected(Map.of());

    /**
     * What is expected from a sender.
     *
     * @param from the first month; empty for all
     * @param until the last month; empty for all
     * @param due how many days behind the end of a month its rows are due; empty where no day is said
     */
    public record Span(Optional<YearMonth> from, Optional<YearMonth> until, Optional<Integer> due) {
        /** True for a month that something is expected for. */
        boolean holds(YearMonth month) {
            return from.map(first -> !month.isBefore(first)).orElse(true)
                    && until.map(last -> !month.isAfter(last)).orElse(true);
        }
    }

    public Expected {
        senders = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(senders));
    }

    public boolean isEmpty() {
        return senders.isEmpty();
    }

    /** True for a sender that the list names. */
    public boolean names(String sender) {
        return senders.containsKey(sender);
    }

    /** True where the list expects rows of a sender for a month. */
    boolean holds(String sender, YearMonth month) {
        Span span = senders.get(sender);
        return span != null && span.holds(month);
    }

    /** The day by which a sender's rows for a month are due; empty where none is said. */
    public Optional<LocalDate> due(String sender, YearMonth month) {
        return Optional.ofNullable(senders.get(sender))
                .filter(span -> span.holds(month))
                .flatMap(Span::due)
                .map(days -> month.atEndOfMonth().plusDays(days));
    }

    /** The months behind a last one for which something is due by a day. */
    List<YearMonth> dueBehind(YearMonth last, LocalDate today) {
        List<YearMonth> months = new ArrayList<>();
        for (YearMonth month = last.plusMonths(1); month.isBefore(YearMonth.from(today)); month = month.plusMonths(1)) {
            YearMonth each = month;
            if (senders.keySet().stream()
                    .anyMatch(sender ->
                            due(sender, each).filter(day -> day.isBefore(today)).isPresent())) {
                months.add(month);
            }
        }
        return months;
    }
}
