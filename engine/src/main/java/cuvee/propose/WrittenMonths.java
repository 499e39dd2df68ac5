package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Meaning;
import cuvee.value.Period;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Words that name months. Beside dates that are first days of months, and beside months that are written otherwise, they
 * can only be the same months; where dates beside them are days of any kind, it is asked. Months without a year have the
 * one that the names of their source say; where these say none, or several, it is asked beside dates. Where no table has
 * dates, they are months of their years if the names of all sources say which.
 */
final class WrittenMonths {
    private final WrittenEvidence seen;
    private final OfAYear ofAYear;

    WrittenMonths(WrittenEvidence seen) {
        this.seen = seen;
        this.ofAYear = new OfAYear(seen, Meaning.MONTHS, "months");
    }

    /**
     * The tables of a column whose words name months, with the year of those that do not say it, or nothing.
     *
     * @param fed the tables whose cells the column holds
     */
    Map<PlacedTable, String> of(DraftColumn all, Map<PlacedTable, LaidColumn> fed) {
        String name = all.name();
        if (ofAYear.isRuledOut(name)) {
            return Map.of();
        }
        Map<PlacedTable, String> months = withYear(name, fed);
        List<LocalDate> days = all.fed().values().stream()
                .flatMap(column -> column.daysOfCellsOrLabels().stream())
                .toList();
        Map<PlacedTable, LaidColumn> bare = ofAYear.candidates(name, fed, WrittenMonths::holdsBareMonths);
        boolean asDates = !months.isEmpty()
                || !days.isEmpty()
                || seen.type(name).isPresent()
                || seen.isSettled(name)
                || bare.size() == fed.size()
                        && fed.keySet().stream()
                                .noneMatch(table -> ofAYear.year(name, table).isEmpty());
        if (!bare.isEmpty() && asDates) {
            months.putAll(ofAYear.read(name, bare, withMonths(days, months.keySet(), fed)));
        }
        if (months.isEmpty()) {
            return Map.of();
        }
        boolean firstDays = days.stream().allMatch(day -> day.getDayOfMonth() == 1);
        String example = OfAYear.texts(months.keySet(), fed)
                .filter(text -> !Forms.saysNothing(text))
                .findFirst()
                .orElse("");
        Set<String> years = new LinkedHashSet<>(months.values());
        years.remove("");
        seen.tell(
                name,
                months.keySet(),
                firstDays ? List.of() : List.copyOf(months.keySet()),
                Meaning.MONTHS,
                "months such as " + Says.quoted(example)
                        + (years.isEmpty()
                                ? ""
                                : ", some without a year: their sources are of " + Says.list(List.copyOf(years))),
                firstDays ? "their first days" : "the first days of these months");
        return months;
    }

    private Map<PlacedTable, String> withYear(String name, Map<PlacedTable, LaidColumn> fed) {
        return ofAYear.readAs(ofAYear.candidates(name, fed, WrittenMonths::holdsMonths), "");
    }

    /** The dates and the months of a year beside those that have none. */
    private static List<LocalDate> withMonths(
            List<LocalDate> days, Collection<PlacedTable> withYear, Map<PlacedTable, LaidColumn> fed) {
        Stream<LocalDate> months = OfAYear.texts(withYear, fed).flatMap(text -> Period.monthOf(text).stream());
        return Stream.concat(days.stream(), months).toList();
    }

    private static boolean holdsMonths(Evidence evidence) {
        Set<LocalDate> months = new LinkedHashSet<>();
        for (String text : evidence.oddities().keySet()) {
            Optional<LocalDate> month = Period.monthOf(text);
            if (month.isEmpty() && !Forms.saysNothing(text)) {
                return false;
            }
            month.ifPresent(months::add);
        }
        long years = months.stream().map(LocalDate::getYear).distinct().count();
        // One month in year after year is rather its days: Oct 21, Oct 22, Oct 23.
        boolean days =
                years > 2 && months.stream().map(LocalDate::getMonth).distinct().count() == 1;
        return !months.isEmpty()
                && !days
                && evidence.count(Form.WORDS_AND_DIGITS) == evidence.filled() - OfAYear.nothings(evidence);
    }

    private static boolean holdsBareMonths(Evidence evidence) {
        Set<String> words = evidence.oddities().keySet().stream()
                .filter(text -> !Forms.saysNothing(text))
                .collect(Collectors.toSet());
        return !words.isEmpty()
                && words.stream().allMatch(text -> Period.bareMonth(text).isPresent())
                && evidence.count(Form.WORDS) == evidence.filled() - OfAYear.nothings(evidence);
    }
}
