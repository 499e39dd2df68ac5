package cuvee.propose;

import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.layout.HeaderWords;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.SourceCells.Range;
import cuvee.place.Says;
import cuvee.sheet.NumberFormats;
import cuvee.sheet.NumberText;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Type;
import cuvee.value.Units;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What the cells of a column stand for in each table where they alone do not tell: days counted from 1899, months by name,
 * percent points, or numbers with a unit behind them. What the siblings hold, what the header says and what the file's name says
 * are evidence; two of them are enough, with one it is assumed and asked.
 */
final class WrittenAs {

    private static final Form[] NUMBERS = {
        Form.NUMBER_WHOLE,
        Form.NUMBER_FRACTION,
        Form.DIGITS,
        Form.SPACED,
        Form.POINT,
        Form.COMMA,
        Form.POINT_OR_GROUP,
        Form.COMMA_OR_GROUP
    };
    private static final Form[] WORDED = {Form.WORDS, Form.WORDS_AND_DIGITS};
    private static final Pattern FRACTION = Pattern.compile("\\d[.,]\\d{1,2}(?!\\d)");
    /** What stands behind amounts instead of a sign. */
    private static final Set<String> SIGNS = Set.of("cr", "dr", "cr.", "dr.");

    private static final Pattern WITH_UNIT =
            Pattern.compile("[-+]?\\d[\\d.,'\u00a0 ]*?[\u00a0 ]*(\\p{L}{1,6}[²³]?|°[CF]?)\\.?");
    /** Words for currencies that stand before amounts and are those of several countries. */
    private static final Pattern WORD_BEFORE =
            Pattern.compile("((?i:s?fr\\.?|kr\\.?|rs\\.?|r\\$|zł|kč|ft|lei))[\u00a0 ]?[-+]?\\d[\\d.,'\u00a0 ]*");

    private static final Set<String> UNITS = Set.of(
            "g", "kg", "t", "lb", "lbs", "mm", "cm", "m", "km", "mi", "m²", "m³", "l", "ml", "cl", "hl", "h", "hr",
            "hrs", "min", "mins", "s", "°", "°c", "°f", "kw", "kwh", "mwh", "pcs", "days", "nm", "kn");
    private static final Pattern DATE_WORD = Pattern.compile("(?i)(?<!\\p{L})(date|datum|day|tag|fecha|dato|data|dt|on"
            + "|due|until|expires|expiry|deadline|fällig|bis)(?!\\p{L})|datum$");
    private static final Pattern PERCENT_WORD =
            Pattern.compile("(?i)%|(?<!\\p{L})(pct|percent|per cent|prozent)(?!\\p{L})");
    /** Days from 1950 to 2099. */
    private static final double FIRST_DAY = 18_264;

    private static final double LAST_DAY = 73_050;
    private static final int DIGITS_OF_DAYS = 5;
    private static final int LENGTH_OF_DIGITS = 8;
    /** So many numbers that are all days are none by chance. */
    private static final int FEWEST_DIGITS_OF_DAYS = 3;

    private static final long DAYS_OF_A_YEAR = 366;
    private static final double MOST_POINTS = 1000;
    private static final double MORE_THAN_ALL = 1.5;
    private static final int NEIGHBOURING_DAYS = 31;

    private final WrittenEvidence seen;
    private final WrittenMonths months;
    private final WrittenDays bareDays;

    /**
     * What numbers of a table stand for.
     *
     * @param unit what stands behind them
     * @param fits how many of them have it
     */
    record Meant(Meaning meaning, String unit, long fits, int decimals) {
        static final Meant AS_WRITTEN = new Meant(Meaning.AS_WRITTEN, "", 0, 0);

        Convention of(Convention convention) {
            return convention.withMeaning(meaning).withUnit(unit);
        }
    }

    WrittenAs(WrittenEvidence seen) {
        this.seen = seen;
        this.months = new WrittenMonths(seen);
        this.bareDays = new WrittenDays(seen);
    }

    /** What the numbers of a column stand for in each of its tables; those that are not named mean what they say. */
    Map<PlacedTable, Meant> of(DraftColumn column) {
        String name = column.name();
        Map<PlacedTable, LaidColumn> fed = new LinkedHashMap<>(column.fed());
        fed.values().removeIf(each -> !(each.origin() instanceof Origin.Cell));
        Map<PlacedTable, Meant> meant = new HashMap<>(days(name, fed));
        if (meant.isEmpty()) {
            meant.putAll(digits(name, fed));
        }
        if (meant.isEmpty()) {
            bareDays.of(column, fed).forEach((table, year) -> meant.put(table, new Meant(Meaning.DATES, year, 0, 0)));
        }
        if (meant.isEmpty()) {
            months.of(column, fed).forEach((table, year) -> meant.put(table, new Meant(Meaning.MONTHS, year, 0, 0)));
        }
        if (meant.isEmpty()) {
            meant.putAll(points(name, fed));
        }
        if (meant.isEmpty()) {
            meant.putAll(units(name, fed));
        }
        if (meant.isEmpty()) {
            meant.putAll(thousands(column));
        }
        return meant;
    }

    // ---- days ----

    /** True where a header names a date. */
    static boolean namesDays(String header) {
        return DATE_WORD.matcher(header).find();
    }

    private Map<PlacedTable, Meant> days(String name, Map<PlacedTable, LaidColumn> fed) {
        Optional<Type> decided = seen.type(name);
        boolean settledAsDays =
                seen.isTypeSettled(name) && decided.filter(Type::isMoment).isPresent();
        boolean open = seen.isSettled(name) && !seen.isTypeSettled(name);
        if (!open && decided.filter(type -> !type.isMoment()).isPresent()) {
            return Map.of();
        }
        Map<PlacedTable, LaidColumn> candidates = new LinkedHashMap<>();
        fed.forEach((table, column) -> {
            if (couldCountDays(column.evidence())) {
                candidates.put(table, column);
            }
        });
        if (candidates.isEmpty()) {
            return Map.of();
        }
        List<LocalDate> known = fed.values().stream()
                .flatMap(column -> column.someDays().stream())
                .sorted()
                .toList();
        if (known.isEmpty() && !settledAsDays) {
            candidates
                    .entrySet()
                    .removeIf(each -> !namesDays(each.getValue().header())
                            && seen.periods(each.getKey()).isEmpty());
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        Map<PlacedTable, Range> looked = seen.looked(candidates, Convention.DEFAULT);
        boolean unnamed = known.isEmpty()
                && !settledAsDays
                && candidates.values().stream().noneMatch(column -> namesDays(column.header()));
        if (unnamed
                && !looked.entrySet().stream().allMatch(each -> {
                    Range range = each.getValue();
                    return range.least() >= FIRST_DAY
                            && range.greatest() <= LAST_DAY
                            && inPeriod(each.getKey(), day(range.least()), day(range.greatest()));
                })) {
            // Without a word for it, only numbers that are days of their file's period throughout are days.
            return Map.of();
        }
        looked.forEach((table, range) -> {
            Optional<Meaning> said = seen.said(name, table);
            boolean within = range.least() >= FIRST_DAY && range.greatest() <= LAST_DAY;
            if (!within || said.filter(meaning -> meaning != Meaning.DAYS).isPresent()) {
                return;
            }
            LocalDate first = day(range.least());
            LocalDate last = day(range.greatest());
            int evidence = 0;
            evidence += near(known, first, last) ? 1 : 0;
            LaidColumn column = candidates.get(table);
            evidence += column != null && namesDays(column.header()) ? 1 : 0;
            evidence += inPeriod(table, first, last) ? 1 : 0;
            if (evidence > 0 || settledAsDays || said.isPresent()) {
                meant.put(table, new Meant(Meaning.DAYS, "", 0, 0));
                if (evidence < 2 && !settledAsDays && said.isEmpty()) {
                    doubtful.add(table);
                }
            }
        });
        if (!meant.isEmpty()) {
            Range first = looked.get(meant.keySet().iterator().next());
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
        return meant;
    }

    /** Days written without anything between year, month and day, throughout a column. */
    private Map<PlacedTable, Meant> digits(String name, Map<PlacedTable, LaidColumn> fed) {
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

    /** True where all values are whole numbers of five digits, or dates beside them. */
    private static boolean couldCountDays(Evidence evidence) {
        long numbers = evidence.count(Form.NUMBER_WHOLE, Form.DIGITS);
        return numbers > 0
                && evidence.wholeDigits() == DIGITS_OF_DAYS
                && evidence.belowZero() == 0
                && evidence.count(Form.CELL_DATE) + numbers == evidence.filled() - evidence.count(Form.CELL_ERROR);
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

    // ---- percent points ----

    /** True for a header that says that its numbers are percents. */
    static boolean namesPercents(String header) {
        return PERCENT_WORD.matcher(header).find();
    }

    private Map<PlacedTable, Meant> points(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> plain = new LinkedHashMap<>();
        boolean percents = false;
        boolean named = namesPercents(name);
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            long shown = e.count(Form.NUMBER_PERCENT, Form.PERCENT_TEXT);
            long numbers = e.count(NUMBERS);
            percents |= shown > 0 && shown * 2 > e.filled();
            named |= namesPercents(entry.getValue().header());
            if (numbers > 0 && shown == 0 && numbers + e.count(Form.NOTHING_WORD, Form.CELL_ERROR) == e.filled()) {
                plain.put(entry.getKey(), entry.getValue());
            }
        }
        if (plain.isEmpty() || !percents && !named && !seen.isSettled(name)) {
            return Map.of();
        }
        Map<PlacedTable, Range> looked = seen.looked(plain, Convention.DEFAULT);
        boolean shares = looked.values().stream()
                .anyMatch(range -> range.least() >= -1 && range.greatest() <= 1 && range.decimals() > 0);
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        for (Map.Entry<PlacedTable, Range> entry : looked.entrySet()) {
            Range range = entry.getValue();
            LaidColumn column = plain.get(entry.getKey());
            Optional<Meaning> words = seen.said(name, entry.getKey());
            boolean large = range.greatest() > MORE_THAN_ALL && Math.abs(range.greatest()) <= MOST_POINTS;
            boolean likely = large && (percents || shares);
            if (words.isPresent() ? words.get() == Meaning.PERCENT_POINTS : likely) {
                meant.put(entry.getKey(), new Meant(Meaning.PERCENT_POINTS, "", 0, 0));
                boolean sure = column != null && namesPercents(column.header());
                if (words.isEmpty() && !sure) {
                    doubtful.add(entry.getKey());
                }
            }
        }
        if (!meant.isEmpty()) {
            Range first = looked.get(meant.keySet().iterator().next());
            seen.tell(
                    name,
                    meant.keySet(),
                    doubtful,
                    Meaning.PERCENT_POINTS,
                    "numbers up to " + (first == null ? "" : Says.number(first.greatest()))
                            + " where the others hold shares of 1",
                    "percent points");
        }
        return meant;
    }

    // ---- thousands ----

    private Map<PlacedTable, Meant> thousands(DraftColumn of) {
        String name = of.name();
        Map<PlacedTable, LaidColumn> fed = new LinkedHashMap<>(of.fed());
        fed.values()
                .removeIf(each -> !(each.origin() instanceof Origin.Cell || each.origin() instanceof Origin.Values));
        boolean money = fed.entrySet().stream()
                .anyMatch(each -> each.getKey().currency(each.getValue()).isPresent()
                        || !each.getValue().evidence().currencies().isEmpty());
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        List<PlacedTable> byNumbers = new ArrayList<>();
        Map<PlacedTable, Scales.Speaks> found = Scales.thousands(fed, money);
        fed.forEach((table, column) -> {
            Optional<Meaning> said = seen.said(name, table);
            Scales.Speaks speaks = found.get(table);
            boolean words = speaks == Scales.Speaks.SURELY || speaks == Scales.Speaks.WORDS_ONLY;
            if (said.map(meaning -> meaning == Meaning.THOUSANDS).orElse(words)) {
                meant.put(table, new Meant(Meaning.THOUSANDS, "", 0, 0));
            }
            if (said.isEmpty() && speaks == Scales.Speaks.WORDS_ONLY) {
                doubtful.add(table);
            }
            if (said.isEmpty() && speaks == Scales.Speaks.NUMBERS_ONLY) {
                byNumbers.add(table);
            }
        });
        if (!meant.isEmpty()) {
            seen.tell(
                    name,
                    meant.keySet(),
                    doubtful,
                    Meaning.THOUSANDS,
                    "numbers in thousands, as they say",
                    "thousands");
        } else if (!byNumbers.isEmpty() && !seen.isSettledThroughout(name)) {
            seen.ask(WrittenEvidence.question(
                    name,
                    byNumbers,
                    "In the column " + Says.quoted(name) + ", the numbers of " + WrittenEvidence.files(byNumbers)
                            + " are about a thousand times smaller than those of the others. Are they thousands?",
                    Meaning.THOUSANDS,
                    "thousands",
                    Meaning.AS_WRITTEN));
        }
        return meant;
    }

    // ---- units ----

    private Map<PlacedTable, Meant> units(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<String, Map<PlacedTable, LaidColumn>> byUnit = new LinkedHashMap<>();
        boolean numbers = false;
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            numbers |= e.count(NUMBERS) * 2 > e.filled();
            String unit = e.count(WORDED) > 0
                            && e.count(WORDED) + e.count(NUMBERS) + e.count(Form.NOTHING_WORD, Form.CELL_ERROR)
                                    == e.filled()
                    ? unit(e.oddities().keySet())
                    : "";
            if (!unit.isEmpty()
                    && seen.said(name, entry.getKey())
                            .filter(meaning -> meaning == Meaning.AS_WRITTEN)
                            .isEmpty()) {
                byUnit.computeIfAbsent(unit, any -> new LinkedHashMap<>()).put(entry.getKey(), entry.getValue());
            }
        }
        // Two units in one column are two scales: they stay as they are written, and the column is text.
        if (byUnit.size() != 1) {
            return Map.of();
        }
        String found = byUnit.keySet().iterator().next();
        Map<PlacedTable, LaidColumn> tables = byUnit.get(found);
        boolean signs = found.equals(Convention.CREDIT_OR_DEBIT);
        String unit = signs && tables != null && isOfCredits(tables) ? Convention.CREDITS : found;
        boolean confirmed = numbers
                || signs
                || Units.scale(unit) > 0
                || WORD_BEFORE.matcher(unit + "1").matches()
                || UNITS.contains(unit.toLowerCase(Locale.ROOT))
                || fed.values().stream().anyMatch(column -> HeaderWords.contained(unit, column.header()));
        if (!confirmed || tables == null) {
            return Map.of();
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        seen.looked(tables, Convention.DEFAULT.withUnit(unit)).forEach((table, range) -> {
            LaidColumn column = tables.get(table);
            long worded = column == null ? 0 : column.evidence().count(WORDED);
            long plain = column == null ? 0 : column.evidence().count(NUMBERS);
            if (range.fits() - plain >= worded) {
                meant.put(table, new Meant(Meaning.AS_WRITTEN, unit, worded, range.decimals()));
            }
        });
        if (!meant.isEmpty()) {
            seen.find(new Finding(
                    Severity.REMARK,
                    "written-as",
                    WrittenEvidence.where(meant.keySet()),
                    "The cells of the column " + Says.quoted(name) + " say "
                            + (unit.equals(Convention.CREDIT_OR_DEBIT) ? "“CR” or “DR”" : Says.quoted(unit))
                            + " behind their numbers in "
                            + WrittenEvidence.files(meant.keySet()) + ".",
                    signs
                            ? "They are read as numbers, those with “" + (unit.equals(Convention.CREDITS) ? "CR" : "DR")
                                    + "” as below zero."
                            : Units.scale(unit) > 0 ? "They are read as numbers in full." : "They are read as numbers.",
                    ""));
        }
        return meant;
    }

    /** True where some amounts say CR, none DR, and others nothing: then CR turns them round. */
    private static boolean isOfCredits(Map<PlacedTable, LaidColumn> tables) {
        boolean debits = tables.values().stream()
                .flatMap(column -> column.evidence().oddities().keySet().stream())
                .map(text -> text.toLowerCase(Locale.ROOT))
                .anyMatch(text -> text.contains("dr"));
        return !debits
                && tables.values().stream().anyMatch(column -> column.evidence().count(NUMBERS) > 0);
    }

    /** What stands behind the number in all of some texts; empty where that is not one and the same. */
    private static String unit(Set<String> texts) {
        List<String> units = new ArrayList<>();
        for (String text : texts) {
            Matcher matcher = WITH_UNIT.matcher(text.strip());
            Matcher before = WORD_BEFORE.matcher(text.strip());
            units.add(
                    matcher.matches()
                            ? text.strip().substring(matcher.start(1))
                            : before.matches() ? before.group(1) : "");
        }
        // A letter behind whole numbers may be months or a size: 12M.
        boolean fractions =
                texts.stream().anyMatch(text -> FRACTION.matcher(text).find());
        units.replaceAll(unit -> unit.length() == 1 && Units.scale(unit) > 0 && !fractions ? "" : unit);
        boolean signs = units.stream().allMatch(unit -> SIGNS.contains(unit.toLowerCase(Locale.ROOT)));
        return signs && !units.isEmpty()
                ? Convention.CREDIT_OR_DEBIT
                : Set.copyOf(units).size() == 1 ? units.get(0) : "";
    }
}
