package cuvee.rework;

import cuvee.master.Formula;
import cuvee.master.Formula.Function;
import cuvee.master.Formula.Sign;
import cuvee.master.RowRule;
import cuvee.place.Says;
import cuvee.value.Type;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Reads what a made column is to hold, as people say it: {@code Fare revenue / Passengers rounded to 2}, {@code part 1 of
 * Route by "-"}, {@code "long" where Miles over 40, else "short"}. Columns are written as they are called; signs bind as in
 * arithmetic, {@code then} joins texts, cases are parted by commas.
 */
public final class FormulaReader {
    /** The decimals of quotients, and of numbers found in texts. */
    private static final int DECIMALS = 6;

    /** Longer words are no formula that a person writes. */
    private static final int LONGEST = 2000;

    private static final int MOST_DIGITS = 20;

    /** What stands before a value, with what it takes from it. */
    private static final Map<String, Function> BEFORE = before();

    private static final Set<Function> OF_MOMENTS = Set.of(
            Function.YEAR,
            Function.QUARTER,
            Function.MONTH,
            Function.WEEK,
            Function.DAY,
            Function.WEEKDAY,
            Function.START_OF_MONTH,
            Function.START_OF_QUARTER,
            Function.START_OF_YEAR);
    private static final List<String> COUNTED = List.of("first", "last", "part");

    private final String words;
    private final Known known;
    private final List<String> byLength;
    private int at;

    /**
     * What words say, or why they say nothing.
     *
     * @param problem what is wrong, in words; empty where nothing is
     * @param at where in the words it is wrong
     */
    public record Read(Optional<Formula> formula, String problem, int at) {}

    /** Words that say nothing. */
    private static final class Wrong extends RuntimeException {
        private static final long serialVersionUID = 1;
        private final int at;

        Wrong(int at, String problem) {
            super(problem, null, false, false);
            this.at = at;
        }
    }

    private FormulaReader(String words, Known known) {
        this.words = words;
        this.known = known;
        this.byLength = known.names().stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
    }

    private static Map<String, Function> before() {
        Map<String, Function> before = new LinkedHashMap<>();
        before.put("year of", Function.YEAR);
        before.put("quarter of", Function.QUARTER);
        before.put("month of", Function.MONTH);
        before.put("week of", Function.WEEK);
        before.put("day of", Function.DAY);
        before.put("weekday of", Function.WEEKDAY);
        before.put("hour of", Function.HOUR);
        before.put("minute of", Function.MINUTE);
        before.put("start of month of", Function.START_OF_MONTH);
        before.put("start of quarter of", Function.START_OF_QUARTER);
        before.put("start of year of", Function.START_OF_YEAR);
        before.put("length of", Function.LENGTH);
        before.put("capitals of", Function.CAPITALS);
        before.put("small letters of", Function.SMALL_LETTERS);
        before.put("first capitals of", Function.FIRST_CAPITALS);
        before.put("tidy", Function.TIDY);
        before.put("last part of", Function.LAST_PART);
        before.put("size of", Function.SIZE);
        before.put("larger of", Function.LARGER);
        before.put("smaller of", Function.SMALLER);
        before.put("number in", Function.NUMBER_IN);
        before.put("date in", Function.DATE_IN);
        return before;
    }

    /** What words ask of some columns. */
    public static Read read(String words, Known known) {
        if (words.length() > LONGEST) {
            return new Read(Optional.empty(), "it is longer than " + Says.number(LONGEST) + " characters", LONGEST);
        }
        FormulaReader reader = new FormulaReader(words, known);
        try {
            Formula formula = reader.choice();
            reader.skip();
            if (reader.at < words.length()) {
                throw new Wrong(reader.at, "after a value comes + - * /, “then”, “where”, or the end");
            }
            return new Read(Optional.of(formula), "", 0);
        } catch (Wrong wrong) {
            return new Read(Optional.empty(), String.valueOf(wrong.getMessage()), wrong.at);
        }
    }

    /** The words with a column called otherwise. */
    public static String renamed(String words, List<String> names, String name, String newName) {
        List<String> byLength = names.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .toList();
        StringBuilder renamed = new StringBuilder();
        int at = 0;
        while (at < words.length()) {
            int end = quoteEnd(words, at);
            if (end == at && startsWord(words, at)) {
                String found = nameAt(words, at, byLength);
                if (!found.isEmpty()) {
                    renamed.append(found.equals(name) ? newName : words.substring(at, at + found.length()));
                    at += found.length();
                    continue;
                }
            }
            end = Math.max(end, at + 1);
            renamed.append(words, at, end);
            at = end;
        }
        return renamed.toString();
    }

    /** Columns and words that formulas are made of. */
    public static List<String> vocabulary(Known known) {
        List<String> words = new ArrayList<>(known.names());
        words.addAll(BEFORE.keySet());
        words.addAll(List.of(
                "first 3 of", "last 3 of", "part 1 of", "rounded to 2", "without", "with", "then", "where", "else"));
        return words;
    }

    // ---- cases ----

    private Formula choice() {
        List<Formula.Case> cases = new ArrayList<>();
        Optional<Formula> otherwise = Optional.empty();
        int start = at;
        do {
            if (!cases.isEmpty() && word("else")) {
                Formula value = otherwise();
                while (symbol(",")) {
                    if (!word("else")) {
                        throw new Wrong(at, "“else” before what holds for the rows that are blank so far");
                    }
                    cases.add(new Formula.Case(value, List.of()));
                    value = otherwise();
                }
                otherwise = Optional.of(value);
                break;
            }
            Formula value = joined();
            if (word("where")) {
                cases.add(new Formula.Case(value, conditions()));
            } else if (peek(',')) {
                cases.add(new Formula.Case(value, List.of()));
            } else if (cases.isEmpty()) {
                return value;
            } else {
                throw new Wrong(at, "“where” with a condition, or “else” before the value");
            }
        } while (symbol(","));
        List<Formula> values = new ArrayList<>();
        cases.forEach(each -> values.add(each.value()));
        otherwise.ifPresent(values::add);
        oneCurrency(values, start);
        return new Formula.Choice(cases, otherwise, common(values, start), decimals(values));
    }

    private Formula otherwise() {
        Formula value = joined();
        if (word("where")) {
            throw new Wrong(at, "what stands behind “else” holds for all other rows; leave “else” out");
        }
        return value;
    }

    /** The conditions behind a "where", up to the comma or bracket that ends them. */
    private List<RowRule.Condition> conditions() {
        skip();
        int start = at;
        int end = at;
        while (end < words.length()) {
            int quoted = quoteEnd(words, end);
            String name = quoted == end && startsWord(words, end) ? nameAt(words, end, byLength) : "";
            char c = words.charAt(end);
            boolean within = c == ',' && end + 1 < words.length() && Character.isDigit(words.charAt(end + 1));
            if (quoted == end && name.isEmpty() && (c == ',' && !within || c == ')')) {
                break;
            }
            end = Math.max(Math.max(quoted, end + name.length()), end + 1);
        }
        String said = words.substring(start, end);
        Phrase phrase = Phrase.read(said, known.names())
                .orElseThrow(() -> new Wrong(start, "a condition, such as “" + example() + "”"));
        at = end;
        List<RowRule.Condition> conditions = new ArrayList<>();
        for (Phrase.Clause clause : phrase.clauses()) {
            conditions.add(known.condition(clause).orElseThrow(() -> new Wrong(start, known.problem(clause))));
        }
        return conditions;
    }

    private String example() {
        return (known.names().isEmpty() ? "Port" : known.names().get(0)) + " is filled";
    }

    private static Type common(List<Formula> values, int at) {
        Type common = values.get(0).type();
        for (Formula value : values) {
            Type other = value.type();
            if (other == common) {
                continue;
            }
            if (other.isNumber() && common.isNumber()) {
                common = Type.DECIMAL;
            } else if (other == Type.TEXT || common == Type.TEXT) {
                common = Type.TEXT;
            } else {
                throw new Wrong(
                        at, "its values are " + common.word() + " and " + other.word() + "; all must be of one type");
            }
        }
        return common;
    }

    private static int decimals(List<Formula> values) {
        return values.stream().mapToInt(Formula::decimals).max().orElse(0);
    }

    // ---- texts joined ----

    private Formula joined() {
        Formula first = sum();
        if (!word("then")) {
            return first;
        }
        List<Formula> parts = new ArrayList<>(List.of(first));
        do {
            parts.add(sum());
        } while (word("then"));
        return new Formula.Joined(parts);
    }

    // ---- arithmetic ----

    private Formula sum() {
        Formula left = product();
        while (true) {
            int sign = at;
            if (symbol("+")) {
                left = sum(Sign.PLUS, left, product(), sign);
            } else if (symbol("-", "−", "–")) {
                left = sum(Sign.MINUS, left, product(), sign);
            } else {
                return left;
            }
        }
    }

    private Formula sum(Sign sign, Formula left, Formula right, int place) {
        boolean day = left.type() == Type.DATE || left.type() == Type.DATE_AND_TIME;
        if (day && right.type() == Type.WHOLE_NUMBER) {
            return new Formula.Arithmetic(sign, left, right, Type.DATE, 0);
        }
        boolean days = right.type() == Type.DATE || right.type() == Type.DATE_AND_TIME;
        if (day && days && sign == Sign.MINUS) {
            return new Formula.Arithmetic(sign, left, right, Type.WHOLE_NUMBER, 0);
        }
        numbers(left, right, place);
        oneCurrency(List.of(left, right), place);
        Type type = left.type() == right.type()
                ? left.type()
                : left.type() == Type.MONEY || right.type() == Type.MONEY ? Type.MONEY : Type.DECIMAL;
        return new Formula.Arithmetic(sign, left, right, type, Math.max(left.decimals(), right.decimals()));
    }

    private Formula product() {
        Formula left = behind();
        while (true) {
            int sign = at;
            if (symbol("*", "×", "·")) {
                Formula right = behind();
                numbers(left, right, sign);
                boolean money = left.type() == Type.MONEY != (right.type() == Type.MONEY);
                boolean whole = left.type() == Type.WHOLE_NUMBER && right.type() == Type.WHOLE_NUMBER;
                left = new Formula.Arithmetic(
                        Sign.TIMES,
                        left,
                        right,
                        money ? Type.MONEY : whole ? Type.WHOLE_NUMBER : Type.DECIMAL,
                        Math.min(Formula.MOST_DECIMALS, left.decimals() + right.decimals()));
            } else if (symbol("/", "÷")) {
                Formula right = behind();
                numbers(left, right, sign);
                boolean money = left.type() == Type.MONEY && right.type() != Type.MONEY;
                left = new Formula.Arithmetic(
                        Sign.DIVIDED_BY, left, right, money ? Type.MONEY : Type.DECIMAL, DECIMALS);
            } else {
                return left;
            }
        }
    }

    private static void numbers(Formula left, Formula right, int place) {
        for (Formula each : List.of(left, right)) {
            if (!each.type().isNumber()) {
                throw new Wrong(
                        place,
                        "only numbers can be reckoned with, and one side is "
                                + each.type().word()
                                + (each.type() == Type.TEXT ? "; “number in” takes the number out of a text" : ""));
            }
        }
    }

    /** Amounts that are added up, compared or chosen from must be of one currency. */
    private void oneCurrency(List<Formula> amounts, int place) {
        Set<String> currencies = new LinkedHashSet<>();
        amounts.forEach(amount -> currencies(amount, known, currencies));
        if (currencies.size() > 1) {
            throw new Wrong(
                    place, "amounts of several currencies are not added up: " + Says.list(List.copyOf(currencies)));
        }
    }

    /** The currencies of the amounts that make up those of a formula. */
    private static void currencies(Formula formula, Known known, Set<String> found) {
        if (formula.type() != Type.MONEY) {
            return;
        }
        if (formula instanceof Formula.Column column
                && !known.currency(column.column()).isEmpty()) {
            found.add(known.currency(column.column()));
        } else if (formula instanceof Formula.Arithmetic both) {
            currencies(both.left(), known, found);
            currencies(both.right(), known, found);
        } else if (formula instanceof Formula.Applied applied) {
            applied.to().forEach(each -> currencies(each, known, found));
        } else if (formula instanceof Formula.Choice choice) {
            choice.cases().forEach(each -> currencies(each.value(), known, found));
            choice.otherwise().ifPresent(other -> currencies(other, known, found));
        }
    }

    /** The currency of a formula's amounts, where they have one. */
    static String currency(Formula formula, Known known) {
        Set<String> found = new LinkedHashSet<>();
        currencies(formula, known, found);
        return found.size() == 1 ? found.iterator().next() : "";
    }

    // ---- what stands behind a value ----

    private Formula behind() {
        Formula value = value();
        while (true) {
            int place = at;
            if (word("rounded to")) {
                numbers(value, value, place);
                Formula.Value decimals = number();
                int wanted = Integer.parseInt(decimals.canonical());
                value = new Formula.Applied(
                        Function.ROUNDED,
                        List.of(value, decimals),
                        wanted == 0 && value.type() != Type.MONEY ? Type.WHOLE_NUMBER : value.type(),
                        Math.min(wanted, value.decimals()));
            } else if (word("without")) {
                value = new Formula.Applied(Function.WITHOUT, List.of(value, quoted()), Type.TEXT, 0);
            } else if (word("with")) {
                Formula.Value stands = quoted();
                expect("for");
                value = new Formula.Applied(Function.REPLACED, List.of(value, quoted(), stands), Type.TEXT, 0);
            } else {
                return value;
            }
        }
    }

    // ---- values ----

    private Formula value() {
        skip();
        if (at >= words.length()) {
            throw new Wrong(at, "a column, a number or a text in quotation marks is missing");
        }
        int start = at;
        String name = nameAt(words, at, byLength);
        String function = functionAt();
        if (!name.isEmpty() && name.length() >= function.length()) {
            at += name.length();
            if (known.isMixed(known.at(name))) {
                throw new Wrong(
                        start,
                        Says.quoted(name) + " holds amounts of several currencies, and what is made of it would too");
            }
            return known.column(name);
        }
        if (!function.isEmpty()) {
            at += function.length();
            return function(function, start);
        }
        char c = words.charAt(at);
        if (c == '(') {
            at++;
            Formula inner = choice();
            if (!symbol(")")) {
                throw new Wrong(at, "a closing bracket is missing");
            }
            return inner;
        }
        if (c == '"' || c == '“') {
            return quoted();
        }
        if (Character.isDigit(c)) {
            return plainNumber();
        }
        if (c == '-' || c == '−') {
            at++;
            Formula inner = value();
            numbers(inner, inner, start);
            return new Formula.Arithmetic(
                    Sign.MINUS, new Formula.Value("0", Type.WHOLE_NUMBER, 0), inner, inner.type(), inner.decimals());
        }
        int end = start;
        while (end < words.length() && !Character.isWhitespace(words.charAt(end))) {
            end++;
        }
        throw new Wrong(
                start, Says.quoted(words.substring(start, end)) + " is no column; texts stand in quotation marks");
    }

    /** The words of a function that begin here, up to and with what must stand before its value. */
    private String functionAt() {
        String found = "";
        for (String before : BEFORE.keySet()) {
            if (isWordAt(before, at) && before.length() > found.length()) {
                found = before;
            }
        }
        for (String counted : COUNTED) {
            if (isWordAt(counted, at)) {
                java.util.regex.Matcher matcher = java.util.regex.Pattern.compile(
                                "(?i)" + counted + "\\s+\\d{1,4}\\s+of(?=\\s|$)")
                        .matcher(words);
                if (matcher.find(at) && matcher.start() == at) {
                    found = matcher.group();
                }
            }
        }
        return found;
    }

    private Formula function(String words, int start) {
        Function function = BEFORE.get(words.toLowerCase(Locale.ROOT));
        if (function == null) {
            return counted(words);
        }
        Formula of = behindless();
        if (OF_MOMENTS.contains(function)) {
            if (of.type() != Type.DATE && of.type() != Type.DATE_AND_TIME) {
                throw new Wrong(
                        start,
                        Says.quoted(words) + " needs a date, and this is "
                                + of.type().word());
            }
            boolean day = function.name().startsWith("START");
            return new Formula.Applied(
                    function,
                    List.of(of),
                    day ? Type.DATE : function == Function.WEEKDAY ? Type.TEXT : Type.WHOLE_NUMBER,
                    0);
        }
        return switch (function) {
            case HOUR, MINUTE -> {
                if (of.type() != Type.TIME && of.type() != Type.DATE_AND_TIME) {
                    throw new Wrong(
                            start,
                            Says.quoted(words) + " needs a time, and this is "
                                    + of.type().word());
                }
                yield new Formula.Applied(function, List.of(of), Type.WHOLE_NUMBER, 0);
            }
            case LENGTH -> new Formula.Applied(function, List.of(of), Type.WHOLE_NUMBER, 0);
            case LAST_PART -> {
                expect("by");
                yield new Formula.Applied(function, List.of(of, quoted()), Type.TEXT, 0);
            }
            case SIZE -> {
                numbers(of, of, start);
                yield new Formula.Applied(function, List.of(of), of.type(), of.decimals());
            }
            case LARGER, SMALLER -> {
                expect("and");
                Formula other = behindless();
                List<Formula> both = List.of(of, other);
                Type type = common(both, start);
                oneCurrency(both, start);
                yield new Formula.Applied(function, both, type, decimals(both));
            }
            case NUMBER_IN -> new Formula.Applied(function, List.of(of), Type.DECIMAL, DECIMALS);
            case DATE_IN -> new Formula.Applied(function, List.of(of), Type.DATE, 0);
            default -> {
                if (of.type() != Type.TEXT) {
                    throw new Wrong(
                            start,
                            Says.quoted(words) + " needs a text, and this is "
                                    + of.type().word());
                }
                yield new Formula.Applied(function, List.of(of), Type.TEXT, 0);
            }
        };
    }

    /** A value without what may stand behind it, which then belongs to the whole: {@code year of Date + 1}. */
    private Formula behindless() {
        return value();
    }

    private Formula counted(String said) {
        String lower = said.toLowerCase(Locale.ROOT);
        Formula.Value count = new Formula.Value(said.replaceAll("\\D", ""), Type.WHOLE_NUMBER, 0);
        Formula of = value();
        if (lower.startsWith("part")) {
            expect("by");
            return new Formula.Applied(Function.PART, List.of(of, quoted(), count), Type.TEXT, 0);
        }
        Function function = lower.startsWith("first") ? Function.FIRST : Function.LAST;
        return new Formula.Applied(function, List.of(of, count), Type.TEXT, 0);
    }

    private Formula.Value quoted() {
        skip();
        int end = quoteEnd(words, at);
        if (end <= at + 1) {
            throw new Wrong(at, "a text in quotation marks is missing");
        }
        String text = words.substring(at + 1, end - 1);
        at = end;
        return new Formula.Value(text, Type.TEXT, 0);
    }

    private Formula.Value number() {
        skip();
        if (at >= words.length() || !Character.isDigit(words.charAt(at))) {
            throw new Wrong(at, "a number is missing");
        }
        int start = at;
        while (at < words.length() && Character.isDigit(words.charAt(at))) {
            at++;
        }
        if (at - start > 2) {
            throw new Wrong(start, "so many decimals there cannot be");
        }
        return new Formula.Value(words.substring(start, at), Type.WHOLE_NUMBER, 0);
    }

    private Formula plainNumber() {
        int start = at;
        while (at < words.length()
                && (Character.isDigit(words.charAt(at)) || grouping(at) || words.charAt(at) == '.')) {
            at++;
        }
        String plain = words.substring(start, at).replace(",", "");
        java.math.BigDecimal number;
        try {
            number = new java.math.BigDecimal(plain);
        } catch (NumberFormatException none) {
            throw new Wrong(start, Says.quoted(plain) + " is no number");
        }
        if (number.precision() - number.scale() > MOST_DIGITS || number.scale() > Formula.MOST_DECIMALS - 2) {
            throw new Wrong(start, Says.quoted(plain) + " has too many digits to be reckoned with exactly");
        }
        boolean percent = symbol("%");
        number = percent ? number.movePointLeft(2) : number;
        int decimals = Math.max(0, number.scale());
        Type type = percent ? Type.PERCENT : decimals == 0 ? Type.WHOLE_NUMBER : Type.DECIMAL;
        return new Formula.Value(number.toPlainString(), type, decimals);
    }

    /** True for a comma that parts thousands. */
    private boolean grouping(int place) {
        return words.charAt(place) == ','
                && place + 3 < words.length()
                && words.substring(place + 1, place + 4).chars().allMatch(Character::isDigit)
                && (place + 4 >= words.length() || !Character.isDigit(words.charAt(place + 4)));
    }

    // ---- words and signs ----

    private void skip() {
        while (at < words.length() && Character.isWhitespace(words.charAt(at))) {
            at++;
        }
    }

    private boolean peek(char symbol) {
        skip();
        return at < words.length() && words.charAt(at) == symbol;
    }

    private boolean symbol(String... signs) {
        skip();
        for (String sign : signs) {
            if (words.startsWith(sign, at)) {
                at += sign.length();
                return true;
            }
        }
        return false;
    }

    private boolean word(String word) {
        skip();
        if (isWordAt(word, at)) {
            at += word.length();
            return true;
        }
        return false;
    }

    private void expect(String word) {
        if (!word(word)) {
            throw new Wrong(at, Says.quoted(word) + " is missing");
        }
    }

    private boolean isWordAt(String word, int place) {
        return words.regionMatches(true, place, word, 0, word.length()) && ends(words, place + word.length());
    }

    private static boolean ends(String words, int place) {
        return place >= words.length() || !Character.isLetterOrDigit(words.charAt(place));
    }

    private static boolean startsWord(String words, int place) {
        return place == 0
                || !Character.isLetterOrDigit(words.charAt(place - 1)) && words.charAt(place) != ' '
                || words.charAt(place) != ' ' && !Character.isLetterOrDigit(words.charAt(place));
    }

    /** The longest of some names that stands at a place; empty for none. */
    private static String nameAt(String words, int place, List<String> byLength) {
        for (String name : byLength) {
            if (words.regionMatches(true, place, name, 0, name.length()) && ends(words, place + name.length())) {
                return name;
            }
        }
        return "";
    }

    /** Where a text in quotation marks that begins at a place ends; the place itself where none begins. */
    private static int quoteEnd(String words, int place) {
        if (place >= words.length()) {
            return place;
        }
        char c = words.charAt(place);
        if (c != '"' && c != '“') {
            return place;
        }
        int end = words.indexOf(c == '"' ? '"' : '”', place + 1);
        return end < 0 ? place : end + 1;
    }
}
