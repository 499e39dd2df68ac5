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
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Days without a year: 5 Jan, Jan 5. They have the one that the names of their source say; where these say none, or several,
 * it is asked beside dates. Where no table has dates, they are days of their years if the names of all sources say which.
 */
final class WrittenDays {
    /** Any leap year, by which it is told that a text is a day. */
    private static final String LEAP_YEAR = "2024";

    private final WrittenEvidence seen;
    private final OfAYear ofAYear;

    WrittenDays(WrittenEvidence seen) {
        this.seen = seen;
        this.ofAYear = new OfAYear(seen, Meaning.DATES, "days");
    }

    /** The tables of a column that hold such days, with their year. */
    Map<PlacedTable, String> of(DraftColumn all, Map<PlacedTable, LaidColumn> fed) {
        String name = all.name();
        if (ofAYear.isRuledOut(name)) {
            return Map.of();
        }
        Map<PlacedTable, LaidColumn> bare = ofAYear.candidates(name, fed, WrittenDays::holdsDays);
        List<LocalDate> days = all.fed().values().stream()
                .flatMap(column -> column.daysOfCellsOrLabels().stream())
                .toList();
        boolean asDates = !days.isEmpty()
                || seen.type(name).isPresent()
                || seen.isSettled(name)
                || bare.size() == fed.size()
                        && fed.keySet().stream()
                                .noneMatch(table -> ofAYear.year(name, table).isEmpty());
        if (bare.isEmpty() || !asDates) {
            return Map.of();
        }
        Map<PlacedTable, String> read = ofAYear.read(name, bare, days);
        if (!read.isEmpty()) {
            String example = OfAYear.texts(read.keySet(), fed)
                    .filter(text -> !Forms.saysNothing(text))
                    .findFirst()
                    .orElse("");
            seen.tell(
                    name,
                    read.keySet(),
                    List.of(),
                    Meaning.DATES,
                    "days without a year, such as " + Says.quoted(example) + ": their sources are of "
                            + Says.list(List.copyOf(new LinkedHashSet<>(read.values()))),
                    "days of that year");
        }
        return read;
    }

    private static boolean holdsDays(Evidence evidence) {
        Set<String> words = evidence.oddities().keySet().stream()
                .filter(text -> !Forms.saysNothing(text))
                .collect(Collectors.toSet());
        // Jan 26 may be a month of a year, too; Jan 5 is none.
        return !words.isEmpty()
                && words.stream().allMatch(text -> Period.dayOf(text, LEAP_YEAR).isPresent())
                && words.stream().anyMatch(text -> Period.monthOf(text).isEmpty())
                && evidence.count(Form.WORDS_AND_DIGITS) == evidence.filled() - OfAYear.nothings(evidence);
    }
}
