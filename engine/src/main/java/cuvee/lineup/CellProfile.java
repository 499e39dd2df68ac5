package cuvee.lineup;

import cuvee.lineup.Profile.Kind;
import cuvee.sheet.CellKind;
import cuvee.value.Convention;
import cuvee.value.Form;
import cuvee.value.Forms;
import cuvee.value.LooseText;
import cuvee.value.Period;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** Reads the cells of a column, one after the other, for what its {@link Profile} tells of them. */
public final class CellProfile {
    private static final int LONGEST_CODE = 20;
    private static final int LONG_TEXT = 40;
    private static final int MANY_SPACES = 4;
    private static final Pattern DIGITS = Pattern.compile("\\d+");
    private static final Pattern LETTERS = Pattern.compile("\\p{L}+");

    private final Convention convention;
    private final boolean money;
    private final Map<Kind, Integer> kinds = new EnumMap<>(Kind.class);
    private final List<Double> numbers = new ArrayList<>();
    private final Map<String, Integer> texts = new HashMap<>();
    private final Map<String, Integer> patterns = new HashMap<>();
    private final int[] decimals = new int[Profile.MOST_DECIMALS];
    private final Map<String, Integer> months = new HashMap<>();
    private int filled;

    private CellProfile(Convention convention, boolean money) {
        this.convention = convention;
        this.money = money;
    }

    /**
     * The profile of a column of one table.
     *
     * @param staged some of its cells in their order, as they are staged; blank ones are empty
     * @param money true where its numbers are amounts, as its header or its format says
     */
    public static Profile of(List<String> staged, Convention convention, boolean money) {
        CellProfile cells = new CellProfile(convention, money);
        staged.forEach(cells::add);
        return cells.profile(staged.size());
    }

    /** Takes one more cell as it is staged; blank ones, words for nothing and errors say nothing. */
    private void add(String cell) {
        Form form = Forms.ofStaged(cell);
        if (form == Form.BLANK || form == Form.NOTHING_WORD || form == Form.CELL_ERROR) {
            return;
        }
        String text = CellKind.textOf(cell).strip();
        Optional<LocalDate> month = form == Form.WORDS_AND_DIGITS ? Period.monthOf(text) : Optional.empty();
        if (month.isPresent()) {
            month(month.get());
            return;
        }
        Kind kind = kind(form, text);
        switch (kind) {
            case DATE -> day(cell, text);
            case WHOLE, DECIMAL, MONEY, PERCENT -> number(cell, text, kind);
            default -> value(kind, LooseText.key(text), text);
        }
    }

    private void month(LocalDate month) {
        numbers.add((double) month.toEpochDay());
        months.merge(month.toString(), 1, Integer::sum);
        value(Kind.DATE, month.toString(), "");
    }

    private void day(String cell, String text) {
        String read = ValueReader.read(cell, Type.DATE_AND_TIME, convention);
        if (read == null || read.length() < 10) {
            value(Kind.CODE, text, text);
            return;
        }
        numbers.add((double) LocalDate.parse(read.substring(0, 10)).toEpochDay());
        months.merge(read.substring(0, 7), 1, Integer::sum);
        value(Kind.DATE, read.substring(0, 10), "");
    }

    private void number(String cell, String text, Kind kind) {
        String read = ValueReader.read(cell, Type.DECIMAL, convention);
        if (read == null) {
            value(Kind.CODE, text, text);
            return;
        }
        BigDecimal number = new BigDecimal(read).stripTrailingZeros();
        int places = Math.max(0, number.scale());
        numbers.add(number.doubleValue());
        decimals[Math.min(places, decimals.length - 1)]++;
        boolean plain = kind == Kind.WHOLE || kind == Kind.DECIMAL;
        value(plain ? places == 0 ? Kind.WHOLE : Kind.DECIMAL : kind, read, "");
    }

    /** Counts a value under what it is read as; codes and words by their pattern, others by their kind. */
    private void value(Kind kind, String read, String text) {
        filled++;
        kinds.merge(kind, 1, Integer::sum);
        texts.merge(read, 1, Integer::sum);
        patterns.merge(kind == Kind.CODE || kind == Kind.WORD ? pattern(text) : kind.name(), 1, Integer::sum);
    }

    /** What the cells so far tell. */
    private Profile profile(int cells) {
        fractions();
        return new Profile(
                cells,
                filled,
                kinds,
                numbers.stream()
                        .limit(Profile.MOST_NUMBERS)
                        .mapToDouble(Double::doubleValue)
                        .toArray(),
                texts,
                patterns,
                decimals,
                texts.size(),
                filled,
                List.of(isRunning() ? 1.0 : 0.0),
                monthShares(),
                WorkedOut.UNKNOWN);
    }

    /** The share of the dates that lie in the month of most of them; empty where they are too few. */
    private List<Double> monthShares() {
        if (kinds.getOrDefault(Kind.DATE, 0) < Profile.FEW) {
            return List.of();
        }
        int all = months.values().stream().mapToInt(Integer::intValue).sum();
        int most = months.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        return List.of((double) most / Math.max(1, all));
    }

    private Kind kind(Form form, String text) {
        if (form.isDate() || form.isMoment()) {
            return Kind.DATE;
        }
        return switch (form) {
            case NUMBER_PERCENT, PERCENT_TEXT -> Kind.PERCENT;
            case MONEY_TEXT -> Kind.MONEY;
            case ZERO_LED, LONG_DIGITS, NUMBER_HUGE, CLOCK, CELL_CLOCK -> Kind.CODE;
            case TRUE_FALSE, CELL_TRUE_FALSE -> Kind.WORD;
            default ->
                form.isNumber()
                        ? money
                                ? Kind.MONEY
                                : form == Form.DIGITS || form == Form.NUMBER_WHOLE ? Kind.WHOLE : Kind.DECIMAL
                        : ofText(form, text);
        };
    }

    private static Kind ofText(Form form, String text) {
        long spaces = text.chars().filter(c -> c == ' ').count();
        if (form == Form.WORDS_AND_DIGITS && text.length() <= LONGEST_CODE && spaces <= 1) {
            return Kind.CODE;
        }
        return text.length() > LONG_TEXT || spaces >= MANY_SPACES ? Kind.FREE : Kind.WORD;
    }

    /** Decimals that all lie between 0 and a little over 1 are shares of something. */
    private void fractions() {
        int decimal = kinds.getOrDefault(Kind.DECIMAL, 0);
        int most = 0;
        for (int i = 0; i < decimals.length; i++) {
            most = decimals[i] > 0 ? i : most;
        }
        boolean shares = numbers.stream().allMatch(number -> number >= 0 && number <= Profile.GREATEST_FRACTION);
        if (decimal >= 3 && decimal * 2 >= filled && shares && most >= 2) {
            kinds.put(Kind.FRACTION, decimal + kinds.getOrDefault(Kind.WHOLE, 0));
            kinds.remove(Kind.DECIMAL);
            kinds.remove(Kind.WHOLE);
        }
    }

    private boolean isRunning() {
        if (filled < Profile.FEW || kinds.getOrDefault(Kind.WHOLE, 0) != filled || numbers.get(0) > 1) {
            return false;
        }
        for (int i = 1; i < numbers.size(); i++) {
            if (numbers.get(i) - numbers.get(i - 1) != 1) {
                return false;
            }
        }
        return true;
    }

    private static String pattern(String text) {
        return LETTERS.matcher(DIGITS.matcher(text).replaceAll("9")).replaceAll(Profile.LETTER);
    }
}
