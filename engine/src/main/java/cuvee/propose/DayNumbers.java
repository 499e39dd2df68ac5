package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Range;
import cuvee.sheet.NumberFormats;
import cuvee.sheet.NumberText;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Type;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Whole numbers that are days: counted from 1899 as spreadsheets do, or eight digits of year, month and day. */
final class DayNumbers {
    private static final Pattern DATE_WORD = Pattern.compile("(?i)(?<!\\p{L})(date|datum|day|tag|fecha|dato|data|dt|on"
            + "|due|until|expires|expiry|deadline|fällig|bis)(?!\\p{L})|datum$");
    /** Days from 1950 to 2099. */
    private static final double FIRST_DAY = 18_264;

    private static final double LAST_DAY = 73_050;
    private static final int DIGITS_OF_DAYS = 5;
    private static final int LENGTH_OF_DIGITS = 8;
    /** So many numbers that are all days are none by chance. */
    private static final int FEWEST_DIGITS_OF_DAYS = 3;

    private static final long DAYS_OF_A_YEAR = 366;
    private static final int NEIGHBOURING_DAYS = 31;

    private final WrittenEvidence seen;

    DayNumbers(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** True where a header names a date. */
    static boolean namesDays(String header) {
        return DATE_WORD.matcher(header).find();
    }

    /** The tables whose numbers are days, be they counted or in eight digits: each sender has its own way. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>(counted(name, fed));
        meant.putAll(inDigits(name, fed));
        return meant;
    }

    /** Days counted from 1899, in each table whose numbers are such. */
    private Map<PlacedTable, Meant> counted(String name, Map<PlacedTable, LaidColumn> fed) {
        Optional<Type> decided = seen.type(name);
        boolean settled =
                seen.isTypeSettled(name) && decided.filter(Type::isMoment).isPresent();
        boolean open = seen.isSettled(name) && !seen.isTypeSettled(name);
        if (!open && decided.filter(type -> !type.isMoment()).isPresent()) {
            return Map.of();
        }
        List<LocalDate> known = fed.values().stream()
                .flatMap(column -> column.someDays().stream())
                .sorted()
                .toList();
        boolean told = settled || !known.isEmpty();
        Map<PlacedTable, LaidColumn> candidates = candidates(fed, told);
        Map<PlacedTable, Range> looked = candidates.isEmpty() ? Map.of() : seen.looked(candidates, Convention.DEFAULT);
        boolean named = told || candidates.values().stream().anyMatch(column -> namesDays(column.header()));
        if (!named && !areDaysOfTheirPeriods(looked)) {
            // Without a word for it, only numbers that are days of their file's period throughout are days.
            return Map.of();
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        looked.forEach((table, range) -> {
            Optional<Meaning> said = seen.said(name, table);
            if (!isWithinDays(range)
                    || said.filter(meaning -> meaning != Meaning.DAYS).isPresent()) {
                return;
            }
            int evidence = evidence(table, candidates.get(table), range, known);
            if (evidence > 0 || settled || said.isPresent()) {
                meant.put(table, new Meant(Meaning.DAYS, "", 0, 0));
                if (evidence < 2 && !settled && said.isEmpty()) {
                    doubtful.add(table);
                }
            }
        });
        if (!meant.isEmpty()) {
            Range first = looked.get(meant.keySet().iterator().next());
            asTheOthers(name, fed, meant, looked).forEach(table -> {
                meant.put(table, new Meant(Meaning.DAYS, "", 0, 0));
                doubtful.add(table);
            });
            tell(name, meant, doubtful, first);
        }
        return meant;
    }

    /** Tables of which nothing tells that their numbers are days but those of the others, which they lie among. */
    private List<PlacedTable> asTheOthers(
            String name,
            Map<PlacedTable, LaidColumn> fed,
            Map<PlacedTable, Meant> meant,
            Map<PlacedTable, Range> looked) {
        Map<PlacedTable, LaidColumn> left = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            if (!meant.containsKey(table)
                    && couldCountDays(column.evidence())
                    && seen.said(name, table).isEmpty()) {
                left.put(table, column);
            }
        });
        if (left.isEmpty()) {
            return List.of();
        }
        List<LocalDate> days = looked.entrySet().stream()
                .filter(each -> meant.containsKey(each.getKey()))
                .flatMap(each -> Stream.of(
                        day(each.getValue().least()), day(each.getValue().greatest())))
                .sorted()
                .toList();
        return seen.looked(left, Convention.DEFAULT).entrySet().stream()
                .filter(each -> isWithinDays(each.getValue())
                        && near(
                                days,
                                day(each.getValue().least()),
                                day(each.getValue().greatest())))
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The tables whose numbers could count days; where nothing tells of days, their header or their names have to. */
    private Map<PlacedTable, LaidColumn> candidates(Map<PlacedTable, LaidColumn> fed, boolean told) {
        Map<PlacedTable, LaidColumn> candidates = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            if (couldCountDays(column.evidence())
                    && (told
                            || namesDays(column.header())
                            || !seen.periods(table).isEmpty())) {
                candidates.put(table, column);
            }
        });
        return candidates;
    }

    private boolean areDaysOfTheirPeriods(Map<PlacedTable, Range> looked) {
        return looked.entrySet().stream().allMatch(each -> {
            Range range = each.getValue();
            return isWithinDays(range) && inPeriod(each.getKey(), day(range.least()), day(range.greatest()));
        });
    }

    private static boolean isWithinDays(Range range) {
        return range.least() >= FIRST_DAY && range.greatest() <= LAST_DAY;
    }

    /** How many things say that the numbers of a table are days: days of the others, the header, the names around. */
    private int evidence(PlacedTable table, @Nullable LaidColumn column, Range range, List<LocalDate> known) {
        LocalDate first = day(range.least());
        LocalDate last = day(range.greatest());
        int evidence = near(known, first, last) ? 1 : 0;
        evidence += column != null && namesDays(column.header()) ? 1 : 0;
        evidence += inPeriod(table, first, last) ? 1 : 0;
        return evidence;
    }

    private void tell(String name, Map<PlacedTable, Meant> meant, List<PlacedTable> doubtful, @Nullable Range first) {
        String example = example(first);
        seen.tell(
                name,
                meant.keySet(),
                doubtful,
                Meaning.DAYS,
                "numbers such as " + example + ", which count days: " + example + " is "
                        + day(first == null ? FIRST_DAY : first.least()),
                "dates");
    }

    /** Days written without anything between year, month and day, throughout a column. */
    private Map<PlacedTable, Meant> inDigits(String name, Map<PlacedTable, LaidColumn> fed) {
        boolean open = seen.isSettled(name) && !seen.isTypeSettled(name);
        if (!open && seen.type(name).filter(type -> !type.isMoment()).isPresent()) {
            return Map.of();
        }
        Map<PlacedTable, LaidColumn> candidates = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            Evidence evidence = column.evidence();
            long numbers = evidence.count(Form.NUMBER_WHOLE, Form.DIGITS);
            boolean enough = numbers >= FEWEST_DIGITS_OF_DAYS || numbers > 0 && namesDays(column.header());
            if (enough && evidence.wholeDigits() == LENGTH_OF_DIGITS && isNothingElse(evidence, numbers)) {
                candidates.put(table, column);
            }
        });
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        seen.looked(candidates, Convention.DEFAULT.withMeaning(Meaning.DIGITS_OF_DAYS))
                .forEach((table, range) -> {
                    LaidColumn column = candidates.get(table);
                    boolean all =
                            column != null && range.fits() == column.evidence().count(Form.NUMBER_WHOLE, Form.DIGITS);
                    boolean otherwise = seen.said(name, table)
                            .filter(meaning -> meaning != Meaning.DIGITS_OF_DAYS)
                            .isPresent();
                    if (all && !otherwise) {
                        meant.put(table, new Meant(Meaning.DIGITS_OF_DAYS, "", 0, 0));
                    }
                });
        if (!meant.isEmpty()) {
            seen.tell(
                    name,
                    meant.keySet(),
                    List.of(),
                    Meaning.DIGITS_OF_DAYS,
                    "numbers of eight digits, each a year, a month and a day",
                    "dates");
        }
        return meant;
    }

    private static boolean isNothingElse(Evidence evidence, long numbers) {
        return evidence.belowZero() == 0
                && numbers == evidence.filled() - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
    }

    /** True where all values are whole numbers of five digits, or dates beside them, and perhaps words for nothing. */
    private static boolean couldCountDays(Evidence evidence) {
        long numbers = evidence.count(Form.NUMBER_WHOLE, Form.DIGITS);
        return numbers > 0
                && evidence.wholeDigits() == DIGITS_OF_DAYS
                && evidence.belowZero() == 0
                && evidence.count(Form.CELL_DATE) + numbers
                        == evidence.filled() - evidence.count(Form.NOTHING_WORD, Form.CELL_ERROR);
    }

    private static String example(@Nullable Range range) {
        return range == null ? "" : NumberText.plain(range.least());
    }

    private static LocalDate day(double number) {
        String iso = NumberFormats.isoDate(Math.floor(number), NumberFormats.DayCount.FROM_1900);
        return iso == null ? LocalDate.EPOCH : LocalDate.parse(iso.substring(0, 10));
    }

    private static boolean near(List<LocalDate> known, LocalDate first, LocalDate last) {
        return !known.isEmpty()
                && ChronoUnit.DAYS.between(known.get(known.size() - 1), first) <= DAYS_OF_A_YEAR
                && ChronoUnit.DAYS.between(last, known.get(0)) <= DAYS_OF_A_YEAR;
    }

    /** True where the name of the file, its sheet or folder, or a title names a period that holds the days. */
    private boolean inPeriod(PlacedTable table, LocalDate first, LocalDate last) {
        return seen.periods(table).stream()
                .anyMatch(period -> Stream.of(first, last)
                        .allMatch(day -> period.holds(day)
                                || period.holds(day.plusDays(NEIGHBOURING_DAYS))
                                || period.holds(day.minusDays(NEIGHBOURING_DAYS))));
    }
}
