package cuvee.detect;

import cuvee.sheet.Row;
import cuvee.value.Convention;
import cuvee.value.DayNames;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;

/** Tells rows in which dates or numbers follow each other from column to column, as those of a header do. */
final class Sequence {
    static final int FEWEST = 3;
    /** Fewer times of day than these are a record's beginning and end. */
    static final int FEWEST_TIMES = 4;

    private static final int DAY = 24 * 60;
    private static final int FEWEST_WORKING_DAYS = 5;
    /** So many days without work follow each other at most. */
    private static final int MOST_DAYS_OFF = 6;

    private static final int FEWEST_MULTIPLES = 4;
    /** What heads a column is written without a sign: (5) and -5 are amounts. */
    private static final Pattern PLAIN_NUMBER = Pattern.compile("[0-9]{1,4}");

    private Sequence() {}

    /** True where the dates or whole numbers of a row go up as those of a header do, and nothing else in it is a value. */
    static boolean runsAcross(Row row) {
        List<LocalDate> dates = new ArrayList<>();
        List<Long> numbers = new ArrayList<>();
        List<Integer> minutes = new ArrayList<>();
        for (int c = 0; c < row.width(); c++) {
            if (row.blank(c)) {
                continue;
            }
            Form form = Forms.of(row, c);
            if (form == Form.CELL_DATE || form == Form.YEAR_FIRST_DATE) {
                String text = row.text(c).strip();
                if (text.length() != 10 || text.charAt(4) != '-' || text.charAt(7) != '-') {
                    return false;
                }
                dates.add(LocalDate.parse(text));
            } else if (form == Form.DIGITS || form == Form.NUMBER_WHOLE) {
                String text = row.text(c).strip();
                if (!PLAIN_NUMBER.matcher(text).matches()) {
                    return false;
                }
                numbers.add(Long.parseLong(text));
            } else if (form == Form.CLOCK || form == Form.CELL_CLOCK) {
                minutes.add(minutes(row.kind(c).mark() + row.text(c)));
            } else if (form.isValue()) {
                return false;
            }
        }
        if (!minutes.isEmpty()) {
            return dates.isEmpty() && numbers.isEmpty() && isThroughTheDay(minutes);
        }
        return numbers.isEmpty() && (steady(dates) || workingDays(dates))
                || dates.isEmpty() && (byOne(numbers) || multiples(numbers) || DayNames.areWorkingDays(numbers));
    }

    /** The minutes from midnight to a time of day, however it is written. */
    private static int minutes(String staged) {
        String time = ValueReader.read(staged, Type.TIME, Convention.DEFAULT);
        return time == null ? 0 : LocalTime.parse(time).toSecondOfDay() / 60;
    }

    /** True for several times of day that go up by the same step; they may go on past midnight. */
    static boolean isThroughTheDay(List<Integer> minutes) {
        for (int i = 1; i < minutes.size(); i++) {
            int step = Math.floorMod(minutes.get(i) - minutes.get(i - 1), DAY);
            if (step == 0 || step != Math.floorMod(minutes.get(1) - minutes.get(0), DAY)) {
                return false;
            }
        }
        return minutes.size() >= FEWEST_TIMES;
    }

    /** Dates that go up by as many months, or as many days, each. */
    private static boolean steady(List<LocalDate> dates) {
        Set<Long> months = new TreeSet<>();
        Set<Long> days = new TreeSet<>();
        Set<Integer> daysOfMonth = new TreeSet<>();
        for (int i = 1; i < dates.size(); i++) {
            months.add(ChronoUnit.MONTHS.between(dates.get(i - 1), dates.get(i)));
            days.add(ChronoUnit.DAYS.between(dates.get(i - 1), dates.get(i)));
            daysOfMonth.add(dates.get(i).getDayOfMonth());
        }
        boolean up = dates.size() >= FEWEST && days.stream().allMatch(step -> step > 0);
        return up && (days.size() == 1 || months.size() == 1 && daysOfMonth.size() == 1);
    }

    /** Days that follow each other but for weekends and holidays. */
    private static boolean workingDays(List<LocalDate> dates) {
        int next = 0;
        for (int i = 1; i < dates.size(); i++) {
            long step = ChronoUnit.DAYS.between(dates.get(i - 1), dates.get(i));
            if (step < 1 || step > MOST_DAYS_OFF + 1) {
                return false;
            }
            next += step == 1 ? 1 : 0;
        }
        return dates.size() >= FEWEST_WORKING_DAYS && next * 2 >= dates.size();
    }

    /** Numbers that go up by what the first of them is, or from nothing by the same step: {@code 12 24 36 48}. */
    private static boolean multiples(List<Long> numbers) {
        if (numbers.size() < FEWEST_MULTIPLES) {
            return false;
        }
        long step = numbers.get(1) - numbers.get(0);
        for (int i = 1; i < numbers.size(); i++) {
            if (numbers.get(i) - numbers.get(i - 1) != step) {
                return false;
            }
        }
        return step > 1 && (numbers.get(0) == step || numbers.get(0) == 0);
    }

    /** Numbers that go up by one, or years of which each may head several columns. */
    private static boolean byOne(List<Long> numbers) {
        boolean years = numbers.stream().allMatch(number -> number >= 1900 && number < 2100);
        for (int i = 1; i < numbers.size(); i++) {
            long step = numbers.get(i) - numbers.get(i - 1);
            if (step != 1 && !(years && step == 0)) {
                return false;
            }
        }
        return numbers.size() >= FEWEST;
    }
}
