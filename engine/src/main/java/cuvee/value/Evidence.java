package cuvee.value;

import cuvee.sheet.CellKind;
import cuvee.sheet.PackedCell;
import cuvee.sheet.RowBlock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What a column of one table holds: how many values of each form, and how large its numbers are. Counts add up, so the
 * evidence of many tables is one evidence.
 */
public final class Evidence {
    private static final Pattern SHORT_YEAR = Pattern.compile("\\d{1,2}([-/.])\\d{1,2}\\1\\d{2}");
    /** So many years apart lie few dates that were written with two digits of their year. */
    private static final int FAR_APART = 8;

    private static final int EXAMPLES = 12;
    private static final int MOST_DATES = 60;
    private static final int ODD_LOOKED_AT = 200;
    private static final int MOST_DIGITS_BEFORE_UNITS = 12;
    private static final int DIGITS_OF_A_THOUSAND = 3;
    private static final int FEWEST_GROUPED = 3;
    private static final int FEWEST_BELOW_A_THOUSAND = 2;
    private static final int UNKNOWN_DIGITS = 38;
    private final long[] counts = new long[Form.FORMS.length];
    private final Map<String, Long> oddities = new LinkedHashMap<>();
    private final Map<String, Long> currencies = new LinkedHashMap<>();
    private long manyOddities;
    private int oddSeen;
    private int wholeDigits;
    /** The most digits before the mark, if any, of numbers that can be read in one way only. */
    private int plainDigits;

    private int decimals;
    private long dayFirstMoments;
    private long monthFirstMoments;
    private long zeroTimes;
    /** How many moments name a time zone, and how many minutes these are ahead of UTC at least and at most. */
    private long zoned;

    private long leastAhead;
    private long mostAhead;
    private long insidePoint;
    private long insideComma;
    private long insideOpen;
    private long oddlySigned;
    private long oddlyDated;
    private long belowZero;
    private long yesWords;
    private long noWords;
    private long dates;
    /** Some of the dates, as written: the first, the second, the fourth, and so on. */
    private final List<String> someDates = new ArrayList<>();

    /** Takes in the cell of a record, of which the form is known, and its size where a {@link Look} found one. */
    public void add(char[] chars, int start, int end, Form form, int size) {
        counts[form.ordinal()]++;
        if (size == Look.NO_SIZE) {
            look(chars, start, end, form);
        } else {
            wholeDigits = Math.max(wholeDigits, Look.wholeDigits(size));
            plainDigits = Math.max(plainDigits, Look.wholeDigits(size));
            decimals = Math.max(decimals, Look.decimals(size));
            belowZero += Look.belowZero(size) ? 1 : 0;
        }
    }

    /** Takes in the cells of a column in a block of records. */
    public void add(ColumnTally tally, RowBlock block, int column) {
        for (long left = tally.seen(); left != 0; left &= left - 1) {
            int form = Long.numberOfTrailingZeros(left);
            counts[form] += tally.counts[form];
        }
        counts[Form.BLANK.ordinal()] -= behindLast(tally, block, column);
        wholeDigits = Math.max(wholeDigits, tally.wholeDigits);
        plainDigits = Math.max(plainDigits, tally.wholeDigits);
        decimals = Math.max(decimals, tally.decimals);
        belowZero += tally.belowZero;
        manyOddities += tally.calmWords();
        int calmDates = tally.calmDates.cardinality();
        boolean sampled = Long.numberOfLeadingZeros(dates) != Long.numberOfLeadingZeros(dates + calmDates);
        if (tally.looked == 0 && !sampled) {
            dates += calmDates;
            return;
        }
        int at = 0;
        for (int row = 0; row < block.rows(); row++) {
            long cell = block.cell(column, row);
            if (at < tally.looked && tally.looks[at] == row) {
                look(block.chars(), PackedCell.start(cell), PackedCell.end(cell), tally.lookForms[at]);
                at++;
            } else if (tally.calmDates.get(row)) {
                sampleDay(block.chars(), PackedCell.start(cell), PackedCell.end(cell));
            }
        }
    }

    /** How many cells are blank because a row ends before them; what is not there is not counted. */
    private static int behindLast(ColumnTally tally, RowBlock block, int column) {
        int behind = 0;
        for (int row = 0; tally.counts[Form.BLANK.ordinal()] > 0 && row < block.rows(); row++) {
            behind += tally.blank(row) && column >= block.width(row) ? 1 : 0;
        }
        return behind;
    }

    /** True for words that change nothing but how many there are. */
    public boolean isCalm(char[] chars, int start, int end, Form form) {
        return oddSeen >= ODD_LOOKED_AT
                && (form == Form.WORDS_AND_DIGITS || form == Form.WORDS && !YesNo.possible(chars, start, end));
    }

    private void look(char[] chars, int start, int end, Form form) {
        switch (form.nature()) {
            case TEXT_NUMBER, CELL_NUMBER -> {
                measure(chars, start, end, form);
                if (form == Form.MONEY_TEXT || form == Form.PERCENT_TEXT) {
                    inside(text(chars, start, end), form);
                }
            }
            case DATE -> {
                sampleDay(chars, start, end);
                if (form == Form.YEAR_FIRST_DATE) {
                    oddlyDated += isIsoDate(chars, start, end) ? 0 : 1;
                }
            }
            case MOMENT -> {
                sampleDay(chars, start, end);
                moment(text(chars, start, end), form);
            }
            case WORDS -> {
                odd(chars, start, end);
                if (form == Form.WORDS && YesNo.possible(chars, start, end)) {
                    yesOrNo(text(chars, start, end).strip());
                }
            }
            case OTHER -> {}
        }
    }

    private static String text(char[] chars, int start, int end) {
        return new String(chars, start, end - start);
    }

    private void sampleDay(char[] chars, int start, int end) {
        if (Long.bitCount(++dates) == 1) {
            someDates.add(text(chars, start, end));
        }
    }

    /** The number within a percent or an amount of money decides about the decimal mark like any other. */
    private void inside(String text, Form form) {
        if (form == Form.MONEY_TEXT) {
            String currency = ValueReader.currency(text);
            currencies.merge(currency == null ? "" : currency, 1L, Long::sum);
        }
        switch (ValueReader.inside(text, form)) {
            case POINT, GROUPED_POINT, SPACED_POINT -> insidePoint++;
            case COMMA, GROUPED_COMMA, SPACED_COMMA -> insideComma++;
            case POINT_OR_GROUP, COMMA_OR_GROUP -> insideOpen++;
            default -> {}
        }
    }

    private void moment(String text, Form form) {
        if (form == Form.OTHER_MOMENT) {
            Convention.Order forced = Dates.forcedOrder(text);
            dayFirstMoments += forced == Convention.Order.DAY_FIRST ? 1 : 0;
            monthFirstMoments += forced == Convention.Order.MONTH_FIRST ? 1 : 0;
        }
        Dates.minutesAhead(text).ifPresent(this::zone);
        zeroTimes += Dates.isMidnight(ValueReader.trim(text)) ? 1 : 0;
    }

    private void zone(int ahead) {
        leastAhead = zoned == 0 ? ahead : Math.min(leastAhead, ahead);
        mostAhead = zoned == 0 ? ahead : Math.max(mostAhead, ahead);
        zoned++;
    }

    /** True where its moments are written for several time zones, or only some of them name one. */
    public boolean hasSeveralZones() {
        long moments = count(Form.YEAR_FIRST_MOMENT, Form.OTHER_MOMENT, Form.CELL_MOMENT);
        return zoned > 0 && (leastAhead != mostAhead || zoned < moments);
    }

    private void yesOrNo(String text) {
        Optional<Boolean> said = YesNo.of(text);
        if (said.isPresent()) {
            yesWords += said.get() ? 1 : 0;
            noWords += said.get() ? 0 : 1;
        }
    }

    private void odd(char[] chars, int start, int end) {
        // Words are worth looking at one by one only while they are rare.
        if (oddSeen >= ODD_LOOKED_AT) {
            manyOddities++;
            return;
        }
        oddSeen++;
        String text = text(chars, start, end);
        if (oddities.size() < EXAMPLES || oddities.containsKey(text)) {
            oddities.merge(text, 1L, Long::sum);
        } else {
            manyOddities++;
        }
    }

    private void measure(char[] chars, int start, int end, Form form) {
        int digits = 0;
        int sinceMark = -1;
        boolean odd = false;
        for (int i = start; i < end; i++) {
            char c = chars[i];
            if (c >= '0' && c <= '9') {
                digits++;
                if (sinceMark >= 0) {
                    sinceMark++;
                }
            } else if (c == '.' || c == ',') {
                sinceMark = 0;
            } else {
                odd |= c != '-' || i > start;
            }
        }
        oddlySigned += odd ? 1 : 0;
        belowZero += end > start && (chars[start] == '-' || chars[start] == '(' || chars[end - 1] == '-') ? 1 : 0;
        // Where the mark may be grouping or decimal, room is kept for both readings.
        if (form == Form.EXPONENT || form == Form.PERCENT_TEXT) {
            wholeDigits = Math.max(wholeDigits, form == Form.EXPONENT ? 15 : digits);
            decimals = Math.max(decimals, form == Form.EXPONENT ? 15 : Math.max(sinceMark, 0) + 2);
        } else if (form == Form.DIGITS
                || form == Form.LONG_DIGITS
                || form == Form.NUMBER_WHOLE
                || form == Form.SPACED) {
            wholeDigits = Math.max(wholeDigits, digits);
            plainDigits = Math.max(plainDigits, digits);
        } else {
            boolean open = form == Form.POINT_OR_GROUP || form == Form.COMMA_OR_GROUP || form == Form.MONEY_TEXT;
            wholeDigits = Math.max(wholeDigits, open || sinceMark < 0 ? digits : digits - sinceMark);
            if (form != Form.POINT_OR_GROUP && form != Form.COMMA_OR_GROUP) {
                decimals = Math.max(decimals, Math.max(sinceMark, 0));
            }
        }
    }

    private static boolean isIsoDate(char[] chars, int start, int end) {
        return end - start == 10 && chars[start + 4] == '-' && chars[start + 7] == '-';
    }

    /** Adds the evidence of another table's column. */
    public void add(Evidence other) {
        for (int i = 0; i < counts.length; i++) {
            counts[i] += other.counts[i];
        }
        if (someDates.size() < MOST_DATES) {
            someDates.addAll(other.someDates);
        }
        other.oddities.forEach((text, count) -> oddities.merge(text, count, Long::sum));
        other.currencies.forEach((text, count) -> currencies.merge(text, count, Long::sum));
        manyOddities += other.manyOddities;
        wholeDigits = Math.max(wholeDigits, other.wholeDigits);
        plainDigits = Math.max(plainDigits, other.plainDigits);
        decimals = Math.max(decimals, other.decimals);
        dayFirstMoments += other.dayFirstMoments;
        monthFirstMoments += other.monthFirstMoments;
        zeroTimes += other.zeroTimes;
        if (other.zoned > 0) {
            leastAhead = zoned == 0 ? other.leastAhead : Math.min(leastAhead, other.leastAhead);
            mostAhead = zoned == 0 ? other.mostAhead : Math.max(mostAhead, other.mostAhead);
            zoned += other.zoned;
        }
        insidePoint += other.insidePoint;
        insideComma += other.insideComma;
        insideOpen += other.insideOpen;
        oddlySigned += other.oddlySigned;
        oddlyDated += other.oddlyDated;
        belowZero += other.belowZero;
        yesWords += other.yesWords;
        noWords += other.noWords;
    }

    /** The same evidence seen so many times. */
    public Evidence times(long times) {
        Evidence more = new Evidence();
        more.add(this);
        for (int i = 0; i < counts.length; i++) {
            more.counts[i] = counts[i] * times;
        }
        more.oddities.replaceAll((text, count) -> count * times);
        more.currencies.replaceAll((text, count) -> count * times);
        more.manyOddities *= times;
        more.dayFirstMoments *= times;
        more.monthFirstMoments *= times;
        more.zeroTimes *= times;
        more.zoned *= times;
        more.insidePoint *= times;
        more.insideComma *= times;
        more.insideOpen *= times;
        more.oddlySigned *= times;
        more.oddlyDated *= times;
        more.belowZero *= times;
        more.yesWords *= times;
        more.noWords *= times;
        return more;
    }

    /** The evidence of a text that stands in so many cells. */
    public static Evidence of(String text, long times) {
        return of(CellKind.TEXT, text, times);
    }

    /** The evidence of one staged cell. */
    public static Evidence ofStaged(String staged) {
        return of(CellKind.ofStaged(staged), CellKind.textOf(staged), 1);
    }

    private static Evidence of(CellKind kind, String text, long times) {
        Evidence one = new Evidence();
        char[] chars = text.toCharArray();
        one.add(chars, 0, chars.length, Forms.of(kind, chars, 0, chars.length), Look.NO_SIZE);
        return one.times(times);
    }

    /** The evidence once so many cells that say something odd say something else, or nothing where that is empty. */
    public Evidence replaced(String text, String other, long times) {
        Evidence changed = new Evidence();
        changed.add(this);
        Form form = Forms.ofStaged(text);
        if (count(form) < times && count(Form.CELL_ERROR) >= times) {
            form = Form.CELL_ERROR;
        }
        changed.counts[form.ordinal()] = Math.max(0, count(form) - times);
        Long listed = changed.oddities.remove(text);
        changed.manyOddities = Math.max(0, manyOddities - (times - (listed == null ? 0 : Math.min(times, listed))));
        YesNo.of(text.strip()).ifPresent(said -> {
            changed.yesWords = Math.max(0, yesWords - (said ? times : 0));
            changed.noWords = Math.max(0, noWords - (said ? 0 : times));
        });
        changed.add(of(CellKind.ofStaged(other), CellKind.textOf(other), times));
        return changed;
    }

    public long count(Form form) {
        return counts[form.ordinal()];
    }

    public long count(Form... forms) {
        long sum = 0;
        for (Form form : forms) {
            sum += count(form);
        }
        return sum;
    }

    /** How many cells are not blank. */
    public long filled() {
        long sum = 0;
        for (long count : counts) {
            sum += count;
        }
        return sum - count(Form.BLANK);
    }

    public long total() {
        return filled() + count(Form.BLANK);
    }

    /** True where the column holds values of these forms and blanks only. */
    public boolean only(Form... forms) {
        return filled() == count(forms);
    }

    /** Examples of words among the values, with their counts; complete where {@link #oddValues()} is no more than these. */
    public Map<String, Long> oddities() {
        return oddities;
    }

    public long oddValues() {
        return manyOddities
                + oddities.values().stream().mapToLong(Long::longValue).sum();
    }

    /** Some of the dates among the values, as written. */
    public List<String> someDates() {
        return someDates;
    }

    /** True where all dates have years of two digits, as codes in three parts have, and lie many years apart. */
    public boolean hasShortYearsFarApart() {
        List<Integer> years = someDates.stream()
                .filter(text -> SHORT_YEAR.matcher(text).matches())
                .map(text -> Integer.parseInt(text.substring(text.length() - 2)))
                .sorted()
                .toList();
        return !years.isEmpty()
                && years.size() == someDates.size()
                && years.get(years.size() - 1) - years.get(0) >= FAR_APART;
    }

    /** Some of the days among the values, read with their parts in an order. */
    public List<LocalDate> someDays(Convention.Order order) {
        List<LocalDate> days = new ArrayList<>();
        for (String text : someDates) {
            String iso = Dates.iso(text, order);
            if (iso != null) {
                days.add(LocalDate.parse(iso.substring(0, 10)));
            }
        }
        return days;
    }

    public Map<String, Long> currencies() {
        return currencies;
    }

    /** The most digits before the decimal mark. */
    public int wholeDigits() {
        return wholeDigits;
    }

    /** The most digits behind the decimal mark. */
    public int decimals() {
        return decimals;
    }

    /** True where every number is digits and marks with at most a minus in front: no other sign, no space. */
    public boolean plainSigns() {
        return oddlySigned == 0;
    }

    /** True where every date with its year first is written as ISO has it. */
    public boolean isoDates() {
        return oddlyDated == 0;
    }

    /** How many values are words for yes or no. */
    public long yesNoWords() {
        return yesWords + noWords;
    }

    /** The words for yes and no that it is written by; true and false where they differ, or most of its cells are no words. */
    public YesNoWords yesNoWording() {
        return yesNoWords() * 2 <= filled()
                ? YesNoWords.TRUE_FALSE
                : YesNoWords.shared(oddities).orElse(YesNoWords.TRUE_FALSE);
    }

    /** True where words for yes and words for no occur. */
    boolean bothYesAndNo() {
        return yesWords > 0 && noWords > 0;
    }

    /** Moments whose time of day is midnight. */
    public long zeroTimes() {
        return zeroTimes;
    }

    /** Numbers that a point parts from their decimals, those within amounts and percents included. */
    public long pointMarks() {
        return count(Form.POINT, Form.GROUPED_POINT, Form.SPACED_POINT) + insidePoint;
    }

    /** Numbers that a comma parts from their decimals, those within amounts and percents included. */
    public long commaMarks() {
        return count(Form.COMMA, Form.GROUPED_COMMA, Form.SPACED_COMMA) + insideComma;
    }

    /**
     * True where a point only ever parts thousands, as it seems: no number has it otherwise, and those below a thousand
     * have none, be they ever so many.
     */
    public boolean groupsByPoint() {
        return groups(Form.POINT_OR_GROUP, Form.COMMA_OR_GROUP) && pointMarks() == 0;
    }

    /** The same of a comma. */
    public boolean groupsByComma() {
        return groups(Form.COMMA_OR_GROUP, Form.POINT_OR_GROUP) && commaMarks() == 0;
    }

    private boolean groups(Form mark, Form other) {
        return count(mark) >= FEWEST_GROUPED
                && count(other) == 0
                && count(Form.DIGITS) >= FEWEST_BELOW_A_THOUSAND
                && plainDigits <= 3;
    }

    /**
     * True where all numbers but those that can be read in two ways are whole, and some have more than three digits without
     * a mark.
     */
    boolean isWholeFromAThousandOn() {
        return count(Form.NUMBER_FRACTION, Form.POINT, Form.COMMA) == 0
                && count(Form.NUMBER_WHOLE, Form.DIGITS) > 0
                && plainDigits > 3;
    }

    /** True where one mark stands before three digits in some numbers, and no number without it has more than three. */
    boolean couldGroup() {
        return count(Form.POINT_OR_GROUP) > 0 != count(Form.COMMA_OR_GROUP) > 0
                && count(Form.NUMBER_FRACTION) == 0
                && plainDigits <= 3;
    }

    long openMarks() {
        return count(Form.POINT_OR_GROUP, Form.COMMA_OR_GROUP) + insideOpen;
    }

    long dayFirst() {
        return count(Form.DAY_FIRST_DATE, Form.POINTED_DATE) + dayFirstMoments;
    }

    long monthFirst() {
        return count(Form.MONTH_FIRST_DATE) + monthFirstMoments;
    }

    /**
     * The same evidence once the decimal mark is known: numbers that could be read in two ways are counted as what they
     * are, grouped whole numbers or decimals.
     */
    public Evidence under(Convention.Mark mark) {
        Evidence sure = new Evidence();
        sure.add(this);
        Form grouped = mark == Convention.Mark.POINT ? Form.COMMA_OR_GROUP : Form.POINT_OR_GROUP;
        Form decimal = mark == Convention.Mark.POINT ? Form.POINT_OR_GROUP : Form.COMMA_OR_GROUP;
        sure.move(grouped, Form.SPACED);
        if (sure.count(decimal) > 0) {
            sure.decimals = Math.max(sure.decimals, 3);
        }
        sure.move(decimal, mark == Convention.Mark.POINT ? Form.POINT : Form.COMMA);
        return sure;
    }

    /** The same evidence once it is known what the numbers stand for, {@code fits} of which have a unit behind them. */
    public Evidence meant(Convention convention, long fits, int newDecimals) {
        if (convention.isPlain()) {
            return this;
        }
        Evidence meant = new Evidence();
        meant.add(this);
        if (convention.meaning() == Meaning.DATES) {
            meant.move(Form.WORDS_AND_DIGITS, Form.CELL_DATE);
            meant.oddities
                    .keySet()
                    .removeIf(text -> Period.dayOf(text, convention.unit()).isPresent());
            meant.manyOddities = meant.count(Form.WORDS);
            return meant;
        }
        if (convention.meaning() == Meaning.MONTHS) {
            meant.move(Form.WORDS_AND_DIGITS, Form.CELL_DATE);
            if (!convention.unit().isEmpty()) {
                meant.move(Form.WORDS, Form.CELL_DATE);
            }
            meant.oddities
                    .keySet()
                    .removeIf(text -> Period.monthOf(text, convention.unit()).isPresent());
            meant.manyOddities = meant.count(Form.WORDS);
            return meant;
        }
        if (convention.meaning() == Meaning.CODES) {
            meant.move(Form.NUMBER_WHOLE, Form.ZERO_LED);
            meant.move(Form.DIGITS, Form.ZERO_LED);
            return meant;
        }
        if (!convention.unit().isEmpty()) {
            for (Form worded : List.of(Form.WORDS_AND_DIGITS, Form.WORDS)) {
                long moved = Math.min(meant.count(worded), fits);
                meant.counts[worded.ordinal()] -= moved;
                meant.counts[(newDecimals > 0 ? Form.POINT : Form.DIGITS).ordinal()] += moved;
            }
            meant.oddities.clear();
            meant.manyOddities = meant.count(Form.WORDS_AND_DIGITS, Form.WORDS);
            meant.wholeDigits = Math.max(meant.wholeDigits, MOST_DIGITS_BEFORE_UNITS);
            meant.decimals = Math.max(meant.decimals, newDecimals);
        }
        Form other = switch (convention.meaning()) {
            case AS_WRITTEN, THOUSANDS, MONTHS, DATES, CODES -> null;
            case DAYS, DIGITS_OF_DAYS -> Form.CELL_DATE;
            case PERCENT_POINTS -> Form.NUMBER_PERCENT;
            case ONE_FOR_YES -> Form.CELL_TRUE_FALSE;
        };
        if (convention.meaning() == Meaning.THOUSANDS) {
            meant.decimals = Math.max(0, meant.decimals - DIGITS_OF_A_THOUSAND);
            meant.wholeDigits += DIGITS_OF_A_THOUSAND;
        }
        if (other != null) {
            for (Form number : List.of(
                    Form.NUMBER_WHOLE, Form.NUMBER_FRACTION, Form.DIGITS, Form.SPACED, Form.POINT, Form.COMMA)) {
                meant.move(number, other);
            }
            boolean number = other == Form.NUMBER_PERCENT;
            meant.decimals = number ? meant.decimals + 2 : 0;
            meant.wholeDigits = number ? meant.wholeDigits : 0;
        }
        return meant;
    }

    private void move(Form from, Form to) {
        counts[to.ordinal()] += counts[from.ordinal()];
        counts[from.ordinal()] = 0;
    }

    /** The first of its texts that has white space before or behind it, as far as texts are kept. */
    public Optional<String> spaced() {
        return oddities.keySet().stream()
                .filter(text -> !text.isBlank() && !text.equals(ValueReader.trim(text)))
                .findFirst();
    }

    /** Counts by form as a plain map, for keeping. */
    public Map<Form, Long> counts() {
        Map<Form, Long> byForm = new EnumMap<>(Form.class);
        for (Form form : Form.FORMS) {
            if (count(form) > 0) {
                byForm.put(form, count(form));
            }
        }
        return byForm;
    }

    /** What cannot be told from the counts, for keeping: see {@link #restore}. */
    public List<Long> measures() {
        return List.of(
                (long) wholeDigits,
                (long) decimals,
                dayFirstMoments,
                monthFirstMoments,
                zeroTimes,
                manyOddities,
                insidePoint,
                insideComma,
                insideOpen,
                oddlySigned,
                oddlyDated,
                yesWords,
                noWords,
                belowZero,
                (long) plainDigits,
                zoned,
                leastAhead,
                mostAhead);
    }

    /** How many of its numbers are written with a sign that puts them below zero. */
    public long belowZero() {
        return belowZero;
    }

    /** Evidence as it was kept. */
    public static Evidence restore(
            Map<Form, Long> counts,
            List<Long> measures,
            Map<String, Long> oddities,
            Map<String, Long> currencies,
            List<String> someDates) {
        Evidence evidence = new Evidence();
        counts.forEach((form, count) -> evidence.counts[form.ordinal()] = count);
        List<Long> kept = new ArrayList<>(measures);
        evidence.wholeDigits = kept.get(0).intValue();
        evidence.decimals = kept.get(1).intValue();
        evidence.dayFirstMoments = kept.get(2);
        evidence.monthFirstMoments = kept.get(3);
        evidence.zeroTimes = kept.get(4);
        evidence.manyOddities = kept.get(5);
        evidence.insidePoint = kept.get(6);
        evidence.insideComma = kept.get(7);
        evidence.insideOpen = kept.get(8);
        evidence.oddlySigned = kept.get(9);
        evidence.oddlyDated = kept.get(10);
        evidence.yesWords = kept.get(11);
        evidence.noWords = kept.get(12);
        evidence.belowZero = kept.get(13);
        evidence.plainDigits = kept.size() > 14 ? kept.get(14).intValue() : UNKNOWN_DIGITS;
        evidence.zoned = kept.size() > 15 ? kept.get(15) : 0;
        evidence.leastAhead = kept.size() > 16 ? kept.get(16) : 0;
        evidence.mostAhead = kept.size() > 17 ? kept.get(17) : 0;
        evidence.oddities.putAll(oddities);
        evidence.currencies.putAll(currencies);
        evidence.someDates.addAll(someDates);
        return evidence;
    }
}
