package cuvee.tag;

import cuvee.tag.TagSource.From;
import cuvee.value.LooseText;
import cuvee.value.MonthYear;
import cuvee.value.Period;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** What the names, folders and titles around the tables of a batch say, and how it is found. */
public final class Tags {
    private static final int MOST_TITLE_LINES = 4;
    private static final Pattern CELLS = Pattern.compile(" \\| ");
    private static final Pattern BEFORE_NUMBER = Pattern.compile("(\\p{L}{3,20})\\b\\D*\\d.*");
    private static final Pattern LAST_WORD = Pattern.compile(".*[\\p{L}\\d][ _-](\\p{L}{3,20})");
    /** What says nothing without the word before it. */
    private static final Pattern CODE = Pattern.compile("\\p{L}|\\d{1,4}|\\p{L}\\d{1,2}|[IVX]{1,4}");

    private static final Pattern DAY_OF_MONTH =
            Pattern.compile("(?i)(?:day|tag|jour|dag)?[ _.-]*(0?[1-9]|[12]\\d|3[01])\\.?(?:st|nd|rd|th)?");
    private static final int FEWEST_DAYS = 3;
    private static final int LONGEST_CAPTION = 60;
    /** So many homes tell what word stands before a part. */
    private static final int ENOUGH_HOMES = 300;

    /** A word of some length, with one for a number behind it. */
    private static final String WORD_BEFORE = "\\b\\p{L}{3,20}(?:[\\s_.-]+(?:[Nn]o|[Nn]r|[Nn]umber|[Nn]ummer)\\b\\.?)?";

    /** What may be a number as well as a month: {@code 1707}. */
    private static final Pattern BARE_NUMBER = Pattern.compile("\\s*\\d{4}\\s*");

    private static final Pattern PERIOD_LABEL =
            Pattern.compile("(?iu)month|period|\\bdate\\b|monat|zeitraum|datum|mois|p\u00e9riode|\\bmes\\b|periodo");

    private final NameParts files;
    private final NameParts sheets;
    private final NameParts tables;
    private static final Pattern SHORT_WORDS = Pattern.compile("\\p{L}[\\p{L}'.&-]*(?: [\\p{L}'.&-]+){0,2}");
    private static final int FEWEST_COPIES = 3;

    private final List<NameParts> titles = new ArrayList<>();
    private final Map<Integer, NameParts> folders = new HashMap<>();
    private final List<Home> homes;
    private final TitleLabels labels;
    private final Map<TagSource, Boolean> canBeDated = new HashMap<>();

    private final boolean sheetsAreDays;
    private final int lineCells;
    private final Map<Home, String> captions;

    /** Labels that nearly all homes have are of a kind of their own. */
    private static final double NEARLY_ALL = 0.9;
    /** Periods that do not say the year of a month. */
    private static final Set<Period.Kind> UNDATED = EnumSet.of(Period.Kind.DAY, Period.Kind.WEEK, Period.Kind.YEARS);

    private Tags(Collection<Home> homes) {
        this.homes = List.copyOf(homes);
        sheetsAreDays = sheetsAreDays();
        labels = new TitleLabels(this.homes);
        lineCells = lineCells();
        captions = captions();
        files = NameParts.ofFiles(homes.stream().map(Home::fileName).toList());
        sheets = NameParts.of(homes.stream().map(Home::sheet).toList());
        tables = NameParts.of(homes.stream().map(Home::table).toList());
        for (int line = 0; line < MOST_TITLE_LINES; line++) {
            int at = line;
            titles.add(NameParts.of(
                    homes.stream().map(home -> plainTitle(home, at)).toList()));
        }
        int deepest =
                homes.stream().mapToInt(home -> home.folders().size()).max().orElse(0);
        for (int level = 0; level < deepest; level++) {
            int at = level;
            folders.put(
                    level,
                    NameParts.of(homes.stream().map(home -> folder(home, at)).toList()));
        }
    }

    /** True for labels that say something of the sheet as a paper, rather than of its rows. */
    public static boolean isOfTheSheet(String label) {
        return TitleLabels.isOfTheSheet(label);
    }

    /** True for labels that say how the paper came to be, such as who signed it. */
    public static boolean isOfThePaper(String label) {
        return TitleLabels.isOfThePaper(label);
    }

    public static Tags of(Collection<Home> homes) {
        return new Tags(homes);
    }

    /** What a tag says of a table, and the period where it is one. */
    public record Value(String text, Optional<Period> period) {
        static Optional<Value> of(String text) {
            return text.isBlank() ? Optional.empty() : Optional.of(new Value(LooseText.tidy(text), Optional.empty()));
        }

        static Value of(Period period, String written) {
            return new Value(period.value().orElse(LooseText.tidy(written)), Optional.of(period));
        }
    }

    /** Everything that could be a tag, the best first. */
    public List<TagSource> candidates() {
        Set<TagSource> candidates = new LinkedHashSet<>();
        if (labels.eachHasAnother()) {
            candidates.add(TagSource.of(From.ANY_LABEL));
        }
        homes.forEach(home ->
                labels.of(home).keySet().forEach(label -> candidates.add(new TagSource(From.TITLE_LABEL, label))));
        candidates.add(TagSource.of(From.PLACE));
        for (int level = 1; level <= folders.size(); level++) {
            candidates.add(new TagSource(From.FOLDER_PERIOD, String.valueOf(level)));
            candidates.add(new TagSource(From.FOLDER, String.valueOf(level)));
        }
        candidates.add(TagSource.of(From.FILE_PERIOD));
        for (int part = 1; part <= files.count(); part++) {
            candidates.add(new TagSource(From.FILE_PART, String.valueOf(part)));
        }
        candidates.add(TagSource.of(From.SHEET_PERIOD));
        for (int part = 1; part <= sheets.count(); part++) {
            candidates.add(new TagSource(From.SHEET_PART, String.valueOf(part)));
        }
        candidates.add(TagSource.of(From.TABLE_PERIOD));
        for (int part = 1; part <= tables.count(); part++) {
            candidates.add(new TagSource(From.TABLE_PART, String.valueOf(part)));
        }
        candidates.add(TagSource.of(From.TITLE_PERIOD));
        int titleParts = 0;
        for (int at = 0; at < titles.size(); at++) {
            NameParts line = titles.get(at);
            for (int part = 0; part < line.count(); part++) {
                titleParts++;
                // Titles that share no word are different lines rather than one line that varies.
                if (line.builtAlike() || line.recurs() || tellsTablesApart(at) || standsAmongShared(at)) {
                    candidates.add(new TagSource(From.TITLE_PART, String.valueOf(titleParts)));
                }
            }
        }
        for (int cell = 1; cell <= lineCells; cell++) {
            candidates.add(new TagSource(From.LINE_CELL, String.valueOf(cell)));
        }
        if (!captions.isEmpty()) {
            candidates.add(TagSource.of(From.CAPTION));
        }
        return List.copyOf(candidates);
    }

    /**
     * What a tag says of the rows from a home; empty where it says nothing. A month without a year has the year that the
     * other names around its table say, where they do so for most.
     */
    public Optional<Value> value(TagSource source, Home home) {
        Optional<Value> written = written(source, home);
        return written.filter(Tags::lacksAYear).isPresent() && canBeDated(source)
                ? written.map(value -> dated(source, value, home).orElse(value))
                : written;
    }

    private static boolean lacksAYear(Value value) {
        return value.period()
                .filter(period -> period.kind() == Period.Kind.MONTH && period.year() == 0)
                .isPresent();
    }

    private boolean canBeDated(TagSource source) {
        return canBeDated.computeIfAbsent(source, asked -> {
            List<Boolean> found = homes.stream()
                    .flatMap(home -> written(asked, home).stream()
                            .filter(Tags::lacksAYear)
                            .map(value -> dated(asked, value, home).isPresent()))
                    .toList();
            // One more file that says no year must not take it from all others.
            return Collections.frequency(found, true) * 2 > found.size();
        });
    }

    /**
     * A month with the one year of the periods around its table that hold it; that of 2025/26 is told by the order of the
     * sheets of its file, where these go on past December.
     */
    private Optional<Value> dated(TagSource source, Value value, Home home) {
        int month = value.period().map(Period::number).orElse(0);
        Set<Integer> years = periodsAround(home)
                .filter(period -> period.year() > 0
                        && !UNDATED.contains(period.kind())
                        && period.holds(LocalDate.of(period.year(), month, 1)))
                .map(Period::year)
                .collect(Collectors.toSet());
        if (years.isEmpty()) {
            List<Integer> months = monthsOfItsFile(source, home);
            periodsAround(home)
                    .filter(period -> period.kind() == Period.Kind.YEARS)
                    .flatMap(period -> MonthYear.ofTwo(period.year(), months).stream())
                    .forEach(year -> years.add(year.yearOf(month)));
        }
        return years.size() == 1
                ? Optional.of(
                        Value.of(new Period(Period.Kind.MONTH, years.iterator().next(), month, 0), value.text()))
                : Optional.empty();
    }

    /** The months that a tag says of the tables of a file, in their order. */
    private List<Integer> monthsOfItsFile(TagSource source, Home home) {
        return homes.stream()
                .filter(other -> other.path().equals(home.path()))
                .flatMap(other -> written(source, other).flatMap(Value::period).stream())
                .filter(period -> period.kind() == Period.Kind.MONTH)
                .map(Period::number)
                .toList();
    }

    /** The periods that the names and titles around a table say. */
    private Stream<Period> periodsAround(Home home) {
        Stream<Period> names = Stream.of(
                        files.period(home.fileName()), sheets.period(home.sheet()), tables.period(home.table()))
                .flatMap(Optional::stream);
        Stream<Period> inFolders = folders.entrySet().stream()
                .flatMap(level -> level.getValue().period(folder(home, level.getKey())).stream());
        Stream<Period> inTitles = titlePeriod(home).flatMap(Value::period).stream();
        return Stream.of(names, inFolders, inTitles).flatMap(each -> each);
    }

    private Optional<Value> written(TagSource source, Home home) {
        return switch (source.from()) {
            case TITLE_LABEL ->
                labels.text(source.what(), home)
                        .or(() -> onlyOtherLabel(source, home).map(Map.Entry::getValue))
                        .map(text -> labelled(text, source));
            case ANY_LABEL -> labels.textOfAny(home).map(text -> labelled(text, source));
            case PLACE -> Value.of(home.place());
            case FOLDER -> Value.of(folder(home, source.index()));
            case FOLDER_PERIOD ->
                Optional.ofNullable(folders.get(source.index()))
                        .flatMap(parts -> period(parts, folder(home, source.index())));
            case FILE_PERIOD -> period(files, home.fileName());
            case FILE_PART -> files.part(home.fileName(), source.index()).flatMap(Value::of);
            case FILE_NAME -> Value.of(home.fileName());
            case FILE_AFTER -> after(home.fileName(), source.what()).flatMap(Value::of);
            case FILE_BEFORE -> before(home.fileName(), source.what()).flatMap(Value::of);
            case SHEET_PERIOD -> period(sheets, home.sheet()).or(() -> dayOfMonth(home));
            case SHEET_PART -> sheets.part(home.sheet(), source.index()).flatMap(Value::of);
            case SHEET_NAME -> Value.of(home.sheet());
            case TABLE_PERIOD -> period(tables, home.table());
            case TABLE_PART -> tables.part(home.table(), source.index()).flatMap(Value::of);
            case TABLE_NAME -> Value.of(home.table());
            case TITLE_PERIOD -> titlePeriod(home);
            case TITLE_PART -> titlePart(home, source.index());
            case LINE_CELL -> lineCell(home, source.index());
            case CAPTION -> Optional.ofNullable(captions.get(home)).flatMap(Tags::periodOrText);
            case MODIFIED -> Value.of(home.modified());
            case FIXED -> Value.of(source.what());
        };
    }

    /**
     * The one label above a table that could be another name of a tag's own, with its text, which no other table has: it is
     * a guess.
     */
    public Optional<Map.Entry<String, String>> onlyOtherLabel(TagSource source, Home home) {
        return source.from() == From.TITLE_LABEL ? labels.onlyOther(source.what(), home) : Optional.empty();
    }

    /** What a column of a tag is called when nothing better is known: by the period it holds, else by where it stands. */
    public String name(TagSource source) {
        Map<Period.Kind, Integer> kinds = new EnumMap<>(Period.Kind.class);
        int values = 0;
        for (Home home : homes) {
            Optional<Value> value = value(source, home);
            values += value.isPresent() ? 1 : 0;
            value.flatMap(Value::period).ifPresent(period -> kinds.merge(period.kind(), 1, Integer::sum));
        }
        boolean label = source.from() == From.TITLE_LABEL;
        for (Map.Entry<Period.Kind, Integer> kind : kinds.entrySet()) {
            if (kind.getValue() == values && !label) {
                return kind.getKey().column();
            }
        }
        if (source.from() == From.TITLE_PART && homes.stream().allMatch(home -> isWholeTitle(source, home))) {
            return "Title";
        }
        if (source.from() == From.LINE_CELL) {
            return firstWord(source).orElse(source.name());
        }
        return source.from() == From.ANY_LABEL
                ? labels.usual().orElse(source.name())
                : wordBefore(source).or(() -> lastWord(source)).orElse(source.name());
    }

    /** The word with which all that a tag says ends: {@code Depot} of {@code Hull depot} and {@code Leith depot}. */
    private Optional<String> lastWord(TagSource source) {
        Set<String> values = homes.stream()
                .flatMap(home -> value(source, home).stream())
                .map(Value::text)
                .collect(Collectors.toSet());
        Set<String> words = values.stream()
                .map(LAST_WORD::matcher)
                .map(word -> word.matches() ? word.group(1).toLowerCase(Locale.ROOT) : "")
                .collect(Collectors.toSet());
        return values.size() > 1 && words.size() == 1
                ? words.stream()
                        .findFirst()
                        .filter(word -> !word.isEmpty())
                        .map(word -> word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1))
                : Optional.empty();
    }

    /** The word with which all that a tag says begins: {@code Order} of {@code Order 1001}. */
    private Optional<String> firstWord(TagSource source) {
        Set<String> words = homes.stream()
                .flatMap(home -> value(source, home).stream())
                .map(value -> BEFORE_NUMBER.matcher(value.text()))
                .map(word -> word.matches() ? word.group(1) : "")
                .collect(Collectors.toSet());
        return words.size() == 1 ? words.stream().findFirst().filter(word -> !word.isEmpty()) : Optional.empty();
    }

    /** True where a tag says a month by a bare number only, as other names say their months in full. */
    public boolean isBareMonth(TagSource source, Home home) {
        return source.from() == From.FILE_PERIOD && files.isBareMonth(home.fileName());
    }

    private boolean isWholeTitle(TagSource source, Home home) {
        return value(source, home)
                .map(Value::text)
                .filter(home.titles()::contains)
                .isPresent();
    }

    /** The word that stands before a code or a number in nearly all names or titles: {@code Ward} of {@code Ward A}. */
    private Optional<String> wordBefore(TagSource source) {
        Map<String, Integer> words = new LinkedHashMap<>();
        int values = 0;
        for (Home home : homes.subList(0, Math.min(homes.size(), ENOUGH_HOMES))) {
            Optional<String> value = value(source, home).map(Value::text);
            if (value.isPresent() && !CODE.matcher(value.get()).matches()) {
                return Optional.empty();
            }
            values += value.isPresent() ? 1 : 0;
            value.flatMap(text -> whole(source, home).flatMap(name -> wordBefore(name, text)))
                    .ifPresent(word -> words.merge(word, 1, Integer::sum));
        }
        int all = values;
        return words.entrySet().stream()
                .filter(word -> word.getValue() >= all * NEARLY_ALL)
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private static Optional<String> wordBefore(String name, String value) {
        Matcher before = Pattern.compile("(?U)(" + WORD_BEFORE + ")[\\s_.#-]*\\b" + Pattern.quote(value) + "\\b")
                .matcher(name);
        return before.find()
                ? Optional.of(LooseText.tidy(before.group(1).replace('_', ' ')))
                        .map(word -> word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1))
                : Optional.empty();
    }

    /** The whole of what a part is a part of; empty for what is none. */
    private static Optional<String> whole(TagSource source, Home home) {
        return switch (source.from()) {
            case FILE_PART -> Optional.of(home.fileName());
            case SHEET_PART -> Optional.of(home.sheet());
            case TABLE_PART -> Optional.of(home.table());
            case TITLE_PART -> Optional.of(String.join(" | ", home.titles()));
            default -> Optional.empty();
        };
    }

    /** What stands beside a label; four digits alone are a month only where the label says that it is one. */
    private static Value labelled(String text, TagSource source) {
        boolean number = BARE_NUMBER.matcher(text).matches()
                && !PERIOD_LABEL.matcher(source.what()).find();
        Optional<Period> period = Period.of(text)
                .filter(found -> found.value().isPresent())
                .filter(found -> !number || found.kind() != Period.Kind.MONTH);
        boolean month = period.isPresent() && period.get().kind() == Period.Kind.MONTH;
        return month ? Value.of(period.get(), text) : new Value(text, period);
    }

    private static Optional<Value> period(NameParts parts, String name) {
        // Months beside quarters, or with a year beside those without, are told as they are written.
        return parts.period(name)
                .map(period -> parts.mixed()
                        ? new Value(LooseText.tidy(parts.written(name)), Optional.of(period))
                        : Value.of(period, parts.written(name)));
    }

    /** The day of a sheet whose name is one of the month that its file speaks of: {@code 1} to {@code 31}. */
    private Optional<Value> dayOfMonth(Home home) {
        Matcher day = DAY_OF_MONTH.matcher(home.sheet().strip());
        if (!sheetsAreDays || !day.matches()) {
            return Optional.empty();
        }
        return month(home).flatMap(month -> {
            Period period = new Period(Period.Kind.DAY, month.year(), month.number(), Integer.parseInt(day.group(1)));
            return period.value().isPresent() ? Optional.of(Value.of(period, home.sheet())) : Optional.empty();
        });
    }

    /** The month, with its year, that a file, its innermost folder or the titles of a sheet speak of. */
    private Optional<Period> month(Home home) {
        return files.period(home.fileName())
                .or(() -> Optional.ofNullable(folders.get(home.folders().size() - 1))
                        .flatMap(parts ->
                                parts.period(folder(home, home.folders().size() - 1))))
                .or(() -> titlePeriod(home).flatMap(Value::period))
                .filter(period -> period.kind() == Period.Kind.MONTH && period.year() > 0);
    }

    /** True where all sheets have the numbers of days for names, and some file several of them. */
    private boolean sheetsAreDays() {
        Map<String, Set<String>> namesOfFile = new HashMap<>();
        for (Home home : homes) {
            if (!DAY_OF_MONTH.matcher(home.sheet().strip()).matches()) {
                return false;
            }
            namesOfFile
                    .computeIfAbsent(home.path(), path -> new HashSet<>())
                    .add(home.sheet().strip());
        }
        return namesOfFile.values().stream().anyMatch(names -> names.size() >= FEWEST_DAYS);
    }

    private static String folder(Home home, int level) {
        return level < home.folders().size() ? home.folders().get(level) : "";
    }

    private static Optional<String> after(String name, String mark) {
        int at = name.indexOf(mark);
        return at < 0 || mark.isEmpty() ? Optional.empty() : Optional.of(trimmed(name.substring(at + mark.length())));
    }

    private static Optional<String> before(String name, String mark) {
        int at = name.indexOf(mark);
        return at < 0 || mark.isEmpty() ? Optional.empty() : Optional.of(trimmed(name.substring(0, at)));
    }

    private static String trimmed(String text) {
        return text.replaceAll("^[\\s_\\-–.]+|[\\s_\\-–.]+$", "");
    }

    // ---- titles ----

    /** A title line without labels; empty where it is none. */
    private static String plainTitle(Home home, int line) {
        int at = 0;
        for (String title : home.titles()) {
            if (!title.contains(" | ") && title.indexOf(':') < 0 && at++ == line) {
                return title;
            }
        }
        return "";
    }

    /** The cells of the line right above a table; none where it has no title. */
    private static List<String> lineAbove(Home home) {
        return home.titles().isEmpty()
                ? List.of()
                : CELLS.splitAsStream(home.titles().get(home.titles().size() - 1))
                        .map(String::strip)
                        .toList();
    }

    private static Optional<Value> lineCell(Home home, int index) {
        List<String> cells = lineAbove(home);
        return index < cells.size() ? periodOrText(cells.get(index)) : Optional.empty();
    }

    private static Optional<Value> periodOrText(String text) {
        return Period.of(text)
                .map(period -> Optional.of(Value.of(period, text)))
                .orElseGet(() -> Value.of(text));
    }

    /**
     * What stands in one cell right above each of several tables of a sheet, another above each, and above tables that are
     * alone on theirs where it is one of the same.
     */
    private Map<Home, String> captions() {
        Map<String, List<Home>> ofSheets = new LinkedHashMap<>();
        homes.forEach(home -> ofSheets.computeIfAbsent(home.path() + "\n" + home.sheet(), sheet -> new ArrayList<>())
                .add(home));
        Map<Home, String> captions = new LinkedHashMap<>();
        for (List<Home> sheet : ofSheets.values()) {
            Map<Home, String> here = new LinkedHashMap<>();
            sheet.forEach(home -> caption(home).ifPresent(caption -> here.put(home, caption)));
            long different =
                    here.values().stream().map(LooseText::key).distinct().count();
            if (here.size() > 1 && here.size() == sheet.size() && different == here.size()) {
                captions.putAll(here);
            }
        }
        Set<String> known = captions.values().stream().map(LooseText::key).collect(Collectors.toSet());
        homes.forEach(home -> caption(home)
                .filter(caption -> known.contains(LooseText.key(caption)))
                .ifPresent(caption -> captions.putIfAbsent(home, caption)));
        return captions;
    }

    private Optional<String> caption(Home home) {
        List<String> cells = lineAbove(home);
        return cells.size() == 1
                        && cells.get(0).length() <= LONGEST_CAPTION
                        && cells.get(0).indexOf(':') < 0
                        && !labels.isBesideOthers(cells.get(0))
                ? Optional.of(cells.get(0))
                : Optional.empty();
    }

    /**
     * How many cells the line above each table has, where it tells tables of one sheet apart: as many above each, more than
     * one, and none that is a label. 0 where there is no such line.
     */
    private int lineCells() {
        Set<Integer> widths = new HashSet<>();
        Map<String, List<String>> ofSheets = new HashMap<>();
        for (Home home : homes) {
            List<String> cells = lineAbove(home);
            widths.add(cells.size());
            if (cells.stream().anyMatch(cell -> cell.indexOf(':') > 0 || labels.isBesideOthers(cell))) {
                return 0;
            }
            ofSheets.computeIfAbsent(home.path() + "\n" + home.sheet(), sheet -> new ArrayList<>())
                    .add(LooseText.key(String.join(" ", cells)));
        }
        boolean apart = ofSheets.values().stream().anyMatch(each -> each.size() > 1)
                && ofSheets.values().stream().allMatch(each -> new HashSet<>(each).size() == each.size());
        int width = widths.size() == 1 ? widths.iterator().next() : 0;
        return apart && width > 1 ? width : 0;
    }

    /** True where each table has a title of its own in a line, and those of one sheet differ in it. */
    private boolean tellsTablesApart(int line) {
        Map<String, List<String>> ofSheets = new HashMap<>();
        for (Home home : homes) {
            String title = plainTitle(home, line);
            if (title.isBlank()) {
                return false;
            }
            ofSheets.computeIfAbsent(home.path() + "\n" + home.sheet(), sheet -> new ArrayList<>())
                    .add(LooseText.key(title));
        }
        return ofSheets.values().stream().anyMatch(each -> each.size() > 1)
                && ofSheets.values().stream().allMatch(each -> new LinkedHashSet<>(each).size() == each.size());
    }

    /**
     * True for a line of a word or three that differs among sheets whose other titles are all the same: they are filled-in
     * copies of one sheet, and the line says which.
     */
    private boolean standsAmongShared(int line) {
        Set<String> here = new LinkedHashSet<>();
        for (Home home : homes) {
            String title = plainTitle(home, line);
            if (!SHORT_WORDS.matcher(title).matches()) {
                return false;
            }
            here.add(LooseText.key(title));
        }
        List<Set<String>> others = IntStream.range(0, titles.size())
                .filter(other -> other != line)
                .mapToObj(other -> homes.stream()
                        .map(home -> LooseText.codePattern(plainTitle(home, other)))
                        .collect(Collectors.toSet()))
                .toList();
        boolean same = others.stream().allMatch(texts -> texts.size() == 1)
                && others.stream().anyMatch(texts -> !texts.contains(""));
        return same && here.size() > 1 && homes.size() >= FEWEST_COPIES;
    }

    private Optional<Value> titlePeriod(Home home) {
        for (int line = 0; line < titles.size(); line++) {
            Optional<Value> found = period(titles.get(line), plainTitle(home, line));
            if (found.isPresent()) {
                return found;
            }
        }
        return home.titles().stream()
                .filter(title -> title.contains(" | ") && title.indexOf(':') < 0)
                .map(title -> Period.in(title, cuvee.value.Convention.Order.DAY_FIRST)
                        .filter(found -> !found.mayBeANumber())
                        .map(found -> Value.of(found.period(), title.substring(found.from(), found.to()))))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private Optional<Value> titlePart(Home home, int index) {
        int before = 0;
        for (int line = 0; line < titles.size(); line++) {
            NameParts parts = titles.get(line);
            if (index < before + parts.count()) {
                return parts.part(plainTitle(home, line), index - before).flatMap(Value::of);
            }
            before += parts.count();
        }
        return Optional.empty();
    }
}
