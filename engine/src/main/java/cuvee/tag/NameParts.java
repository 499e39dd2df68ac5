package cuvee.tag;

import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.MonthNames;
import cuvee.value.Period;
import cuvee.value.VersionMarks;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
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

/**
 * The parts of many names of one kind: the period that each speaks of, and what else differs between them. Words that
 * nearly all names share are no parts, nor are marks of a version. A part is found by what it is, so that one more
 * separator in a name does not shift the others: names that are not built like most are searched for the values that the
 * part has elsewhere.
 */
public final class NameParts {
    /** A word that this share of the names has says nothing. */
    private static final double NEARLY_ALL = 0.9;
    /** So many names must be built alike for their parts to be told by their position. */
    private static final double MOST = 0.6;

    /** Marks of a version that take more than a word. */
    private static final Pattern NUMBERED_VERSION = Pattern.compile(
            "(?i)^\\s*((copy|kopie|copie|copia|kopia)\\s+(of|von|de|di)\\s+)+|\\s*\\(\\d{1,2}\\)|(?<![\\p{L}\\p{N}])(v|ver|version|rev|revision)[. _-]?\\d{1,3}(?!\\p{N})"
                    + "|(?<![\\p{L}\\p{N}])(ver|version|rev|revision|issue)[. _-]?[a-h](?![\\p{L}\\p{N}])");

    private static final Pattern HARD = Pattern.compile("\\s*_+\\s*|\\s+[-–—]+\\s+|\\s*[,;+&()\\[\\]]+\\s*");
    private static final Pattern MIDDLE = Pattern.compile("\\s*[-–—.]+\\s*");
    private static final Pattern HARD_AND_MIDDLE = Pattern.compile(HARD.pattern() + "|" + MIDDLE.pattern());
    private static final Pattern ANY = Pattern.compile(HARD_AND_MIDDLE.pattern() + "|\\s+");
    private static final Pattern IN_BRACKETS = Pattern.compile("\\s*[(\\[]([^()\\[\\]]+)[)\\]]");
    private static final char CUT = '\u0001';
    /** Between the first and the last of several months or days, which no separator parts. */
    private static final char TO = '\u0002';

    private static final Pattern DAYS =
            Pattern.compile("(?<![\\p{L}\\p{N}])(\\d{1,2}) ?[-–] ?(\\d{1,2})(?=\\s*_" + CUT + ")");
    /** A value has so many words at most. */
    private static final int LONGEST_VALUE = 5;

    private final Map<String, Parts> byName = new LinkedHashMap<>();
    private final int count;
    private final boolean shared;
    private boolean mixed;
    private boolean recurs;

    private final Map<String, String> bare = new HashMap<>();
    private final Set<String> bareMonths = new HashSet<>();

    /** What one name says. */
    private record Parts(Optional<Period> period, String written, List<String> values) {}

    private NameParts(int count, boolean shared) {
        this.count = count;
        this.shared = shared;
    }

    /** Takes the names of files apart, among which a bare number may be a month. */
    public static NameParts ofFiles(Collection<String> names) {
        return of(names, true);
    }

    /** Takes names apart. */
    public static NameParts of(Collection<String> names) {
        return of(names, false);
    }

    private static NameParts of(Collection<String> names, boolean files) {
        Set<String> distinct = new LinkedHashSet<>(names);
        if (distinct.isEmpty()) {
            return new NameParts(0, false);
        }
        Convention.Order order = distinct.stream().anyMatch(Period::monthFirst)
                ? Convention.Order.MONTH_FIRST
                : Convention.Order.DAY_FIRST;
        Map<String, Cut> cuts = new LinkedHashMap<>();
        distinct.forEach(name -> cuts.put(name, Cut.of(withoutMarks(name), order)));
        Set<String> bareMonths = new HashSet<>();
        if (files) {
            bareMonths(cuts).forEach((name, month) -> {
                cuts.computeIfPresent(name, (any, cut) -> cut.at(month));
                bareMonths.add(name);
            });
        }
        Pattern separators = separators(cuts.values());
        Map<String, List<String>> chunks = new LinkedHashMap<>();
        cuts.forEach((name, cut) -> chunks.put(name, chunks(cut.rest(), separators)));
        Set<String> shared = shared(chunks.values());
        Map<String, List<Run>> runs = new LinkedHashMap<>();
        Usual usual = Usual.of(chunks.values(), shared);
        chunks.forEach((name, parts) -> runs.put(name, runs(parts, usual)));
        NameParts parts = aligned(cuts, runs, separators != ANY, !shared.isEmpty());
        runs.forEach((name, own) -> parts.bare.put(
                name,
                own.stream()
                        .flatMap(run -> run.words().stream())
                        .flatMap(words -> ANY.splitAsStream(words))
                        .filter(word -> !VersionMarks.isMark(word))
                        .map(LooseText::key)
                        .sorted()
                        .collect(Collectors.joining("|"))));
        parts.recurs = recurs(names);
        parts.bareMonths.addAll(bareMonths);
        parts.mixed = cuts.values().stream()
                        .flatMap(cut -> cut.period().stream())
                        .map(period -> period.kind() + (period.year() == 0 ? "-" : "+"))
                        .distinct()
                        .count()
                > 1;
        return parts;
    }

    private static Map<String, BareMonths.Month> bareMonths(Map<String, Cut> cuts) {
        List<Period> said = new ArrayList<>();
        Map<String, String> unsaid = new LinkedHashMap<>();
        cuts.forEach((name, cut) -> {
            cut.period().ifPresentOrElse(said::add, () -> unsaid.put(name, cut.rest()));
        });
        return BareMonths.of(said, unsaid);
    }

    private static boolean recurs(Collection<String> names) {
        Map<String, Integer> times = new HashMap<>();
        names.forEach(name -> times.merge(LooseText.key(name), 1, Integer::sum));
        return times.size() > 1 && times.values().stream().allMatch(count -> count > 1);
    }

    /** A name without what says which version it is; a mark in brackets is no separator of its words. */
    private static String withoutMarks(String name) {
        String plain = NUMBERED_VERSION.matcher(name).replaceAll(" ").strip();
        return IN_BRACKETS
                .matcher(plain)
                .replaceAll(found -> ANY.splitAsStream(found.group(1).toLowerCase(Locale.ROOT))
                                .allMatch(VersionMarks::isMark)
                        ? " "
                        : Matcher.quoteReplacement(found.group()))
                .strip();
    }

    /** A name with its period cut out. */
    private record Cut(Optional<Period> period, String written, String rest) {
        static Cut of(String name, Convention.Order order) {
            return Period.in(name, order)
                    .map(found -> new Cut(
                            Optional.of(found.period()),
                            name.substring(found.from(), found.to()),
                            together(name.substring(0, found.from()) + "_" + CUT + "_" + name.substring(found.to()))))
                    .orElse(new Cut(Optional.empty(), "", together(name)));
        }

        /** A rest in which several months, or the days of a month, are one word: {@code Jan-Mar}, {@code 02-08 _}. */
        private static String together(String rest) {
            return MonthNames.SEVERAL
                    .matcher(DAYS.matcher(rest).replaceAll("$1" + TO + "$2"))
                    .replaceAll("$1" + TO + "$2");
        }

        /** The name with the month that its last word is. */
        Cut at(BareMonths.Month month) {
            return new Cut(
                    Optional.of(month.period()), month.written(), month.before() + "_" + CUT + "_" + month.after());
        }
    }

    /** Neighbouring words that differ from name to name, and what stands before them. */
    private record Run(String anchor, List<String> words) {}

    /** What parts the words of names: the strongest separators that most of them use. */
    private static Pattern separators(Collection<Cut> cuts) {
        for (Pattern pattern : List.of(HARD, MIDDLE)) {
            long with = cuts.stream()
                    .filter(cut -> pattern.matcher(
                                    cut.rest().replace("_" + CUT + "_", "").strip())
                            .find())
                    .count();
            if (with > cuts.size() * MOST) {
                return pattern == HARD ? HARD : HARD_AND_MIDDLE;
            }
        }
        return ANY;
    }

    private static List<String> chunks(String rest, Pattern separators) {
        List<String> chunks = new ArrayList<>();
        for (String chunk : separators.splitAsStream(rest).toList()) {
            String tidy = withoutVersion(chunk.strip());
            if (!tidy.isEmpty() && !VersionMarks.isMark(tidy)) {
                chunks.add(tidy);
            }
        }
        return chunks;
    }

    /** A chunk without marks of a version behind its other words, as in {@code Hollin FINAL}. */
    private static String withoutVersion(String chunk) {
        String plain = chunk;
        int space = plain.lastIndexOf(' ');
        while (space > 0 && VersionMarks.isMark(plain.substring(space + 1))) {
            plain = plain.substring(0, space).strip();
            space = plain.lastIndexOf(' ');
        }
        return plain;
    }

    private static Set<String> shared(Collection<List<String>> names) {
        Map<String, Integer> counts = new HashMap<>();
        names.forEach(name -> {
            Set<String> keys = new HashSet<>();
            name.forEach(chunk -> keys.add(LooseText.key(chunk)));
            keys.forEach(key -> counts.merge(key, 1, Integer::sum));
        });
        Set<String> shared = new HashSet<>();
        counts.forEach((key, count) -> {
            if (count >= names.size() * NEARLY_ALL) {
                shared.add(key);
            }
        });
        return shared;
    }

    /**
     * The words that nearly all names share, each with how often it stands in most of them and what stands before and behind it there. Of a
     * word that stands in a name more often, as in {@code Harwick Dome Dome sheet}, only so many are the shared ones.
     */
    private record Usual(Map<String, Integer> times, Map<String, String> leaders, Map<String, String> followers) {
        static Usual of(Collection<List<String>> names, Set<String> shared) {
            Map<String, Integer> times = new HashMap<>();
            Map<String, String> leaders = new HashMap<>();
            Map<String, String> followers = new HashMap<>();
            for (String word : shared) {
                Map<Integer, Integer> counted = new HashMap<>();
                Map<String, Integer> before = new HashMap<>();
                Map<String, Integer> behind = new HashMap<>();
                for (List<String> name : names) {
                    List<String> keys = name.stream().map(LooseText::key).toList();
                    int count = (int) keys.stream().filter(word::equals).count();
                    if (count > 0) {
                        counted.merge(count, 1, Integer::sum);
                        before.merge(at(keys, keys.indexOf(word) - 1), 1, Integer::sum);
                        behind.merge(at(keys, keys.lastIndexOf(word) + 1), 1, Integer::sum);
                    }
                }
                times.put(word, most(counted));
                usual(before).ifPresent(leader -> leaders.put(word, leader));
                usual(behind).ifPresent(follower -> followers.put(word, follower));
            }
            return new Usual(times, leaders, followers);
        }

        /** What stands beside a word in more than half of the names. */
        private static Optional<String> usual(Map<String, Integer> beside) {
            int all = beside.values().stream().mapToInt(count -> count).sum();
            return Optional.of(most(beside)).filter(word -> beside.getOrDefault(word, 0) * 2 > all);
        }

        private static String at(List<String> keys, int place) {
            return place >= 0 && place < keys.size() ? keys.get(place) : "";
        }

        private int fit(List<String> keys, int place) {
            String word = keys.get(place);
            return (at(keys, place - 1).equals(leaders.get(word)) ? 1 : 0)
                    + (at(keys, place + 1).equals(followers.get(word)) ? 1 : 0);
        }

        /** The places of a name at which its shared words stand. */
        Set<Integer> places(List<String> chunks) {
            List<String> keys = chunks.stream().map(LooseText::key).toList();
            Map<String, List<Integer>> found = new LinkedHashMap<>();
            for (int i = 0; i < keys.size(); i++) {
                if (times.containsKey(keys.get(i))) {
                    found.computeIfAbsent(keys.get(i), any -> new ArrayList<>()).add(i);
                }
            }
            Set<Integer> places = new HashSet<>();
            found.forEach((word, at) -> {
                List<Integer> likely = new ArrayList<>(at);
                likely.sort(Comparator.comparingInt((Integer place) -> -fit(keys, place))
                        .thenComparing(Comparator.reverseOrder()));
                places.addAll(likely.subList(0, Math.min(likely.size(), times.getOrDefault(word, 1))));
            });
            return places;
        }
    }

    private static List<Run> runs(List<String> chunks, Usual usual) {
        Set<Integer> shared = usual.places(chunks);
        List<Run> runs = new ArrayList<>();
        List<String> words = new ArrayList<>();
        String anchor = "";
        for (int i = 0; i < chunks.size(); i++) {
            String chunk = chunks.get(i);
            boolean cut = chunk.indexOf(CUT) >= 0;
            if (cut || shared.contains(i)) {
                if (!words.isEmpty()) {
                    runs.add(new Run(anchor, List.copyOf(words)));
                    words.clear();
                }
                anchor = cut ? anchor : anchor + "|" + LooseText.key(chunk);
                anchor = cut && runs.isEmpty() && anchor.isEmpty() ? "date" : anchor;
            } else {
                words.add(chunk);
            }
        }
        if (!words.isEmpty()) {
            runs.add(new Run(anchor, List.copyOf(words)));
        }
        return runs;
    }

    private static NameParts aligned(Map<String, Cut> cuts, Map<String, List<Run>> runs, boolean hard, boolean shared) {
        Map<List<Integer>, Integer> shapes = new HashMap<>();
        Map<Integer, Integer> lengths = new HashMap<>();
        runs.values().forEach(name -> {
            shapes.merge(shape(name), 1, Integer::sum);
            lengths.merge(name.size(), 1, Integer::sum);
        });
        List<Integer> usual = most(shapes);
        boolean byWord = shapes.getOrDefault(usual, 0) >= cuts.size() * (hard ? MOST : NEARLY_ALL)
                && (hard || crossed(runs.values(), usual));
        int length = most(lengths);
        boolean byRun = lengths.getOrDefault(length, 0) >= cuts.size() * MOST;
        int count = byWord ? usual.stream().mapToInt(i -> i).sum() : byRun ? length : 0;
        NameParts parts = new NameParts(count, shared);
        List<Map<String, String>> known = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            known.add(new LinkedHashMap<>());
        }
        cuts.forEach((name, cut) -> {
            List<Run> own = runs.getOrDefault(name, List.of());
            boolean fits = byWord ? shape(own).equals(usual) : own.size() == count;
            List<String> values = new ArrayList<>();
            if (fits) {
                own.forEach(run -> values.addAll(byWord ? run.words() : List.of(String.join(" ", run.words()))));
                for (int i = 0; i < count; i++) {
                    known.get(i).putIfAbsent(LooseText.key(values.get(i)), values.get(i));
                }
            }
            parts.byName.put(name, new Parts(cut.period(), cut.written(), values));
        });
        parts.byName.replaceAll((name, found) -> found.values().size() == count ? found : searched(name, found, known));
        return parts;
    }

    private static List<Integer> shape(List<Run> name) {
        return name.stream().map(run -> run.words().size()).toList();
    }

    /** True where words beside each other come in several combinations: then each says something of its own. */
    private static boolean crossed(Collection<List<Run>> names, List<Integer> shape) {
        for (int at = 0; at < shape.size(); at++) {
            Set<List<String>> whole = new HashSet<>();
            List<Set<String>> single = new ArrayList<>();
            for (List<Run> name : names) {
                if (shape(name).equals(shape)) {
                    List<String> words = name.get(at).words();
                    whole.add(words);
                    for (int i = 0; i < words.size(); i++) {
                        if (single.size() <= i) {
                            single.add(new HashSet<>());
                        }
                        single.get(i).add(words.get(i));
                    }
                }
            }
            if (single.size() > 1 && single.stream().anyMatch(words -> words.size() == whole.size())) {
                return false;
            }
        }
        return true;
    }

    private static <T> T most(Map<T, Integer> counts) {
        return counts.entrySet().stream()
                .max(Comparator.comparingInt(Map.Entry::getValue))
                .orElseThrow()
                .getKey();
    }

    /** A name that is built otherwise: for each part the longest value it has elsewhere that occurs here as words. */
    private static Parts searched(String name, Parts found, List<Map<String, String>> known) {
        List<String> words =
                ANY.splitAsStream(name).filter(word -> !word.isEmpty()).toList();
        List<String> values = new ArrayList<>();
        for (Map<String, String> elsewhere : known) {
            String longest = "";
            for (int from = 0; from < words.size(); from++) {
                StringBuilder some = new StringBuilder();
                for (int to = from; to < Math.min(words.size(), from + LONGEST_VALUE); to++) {
                    String value = elsewhere.getOrDefault(
                            LooseText.key(some.append(words.get(to)).toString()), "");
                    longest = value.length() > longest.length() ? value : longest;
                }
            }
            values.add(longest);
        }
        return new Parts(found.period(), found.written(), values);
    }

    /** The words of a name that tell it from others, apart from its period and marks of a version. */
    public String words(String name) {
        return bare.getOrDefault(name, name);
    }

    /** True where two names speak of the same thing, apart from marks of a version. */
    public boolean same(String name, String other) {
        boolean words = bare.getOrDefault(name, name).equals(bare.getOrDefault(other, other));
        Optional<Period> period = period(name);
        Optional<Period> otherPeriod = period(other);
        if (period.isEmpty() || otherPeriod.isEmpty()) {
            return words && period.isEmpty() == otherPeriod.isEmpty();
        }
        Period one = period.get();
        Period two = otherPeriod.get();
        return words
                && one.kind() == two.kind()
                && one.number() == two.number()
                && one.day() == two.day()
                && (one.year() == two.year() || one.year() == 0 || two.year() == 0);
    }

    /** True where a name bears a mark of a version, such as "v2" or "corrected". */
    public static boolean marksVersion(String name) {
        return NUMBERED_VERSION.matcher(name).find()
                || ANY.splitAsStream(name).anyMatch(word -> VersionMarks.isMark(word.strip()));
    }

    /** How many parts the names have besides the period. */
    public int count() {
        return count;
    }

    /** True where nearly all names share some words, so that they are built alike. */
    boolean builtAlike() {
        return shared;
    }

    /** True where a few names stand again and again, such as {@code Sales} and {@code Returns} above the tables of each file. */
    boolean recurs() {
        return recurs;
    }

    /** A part of a name, from 0; empty where it is not found. */
    public Optional<String> part(String name, int part) {
        Parts parts = byName.get(name);
        return parts == null || part >= parts.values().size()
                ? Optional.empty()
                : Optional.of(parts.values().get(part).replace(TO, '-')).filter(value -> !value.isEmpty());
    }

    /** True where the periods of the names are of several sorts, or only some of them say the year. */
    boolean mixed() {
        return mixed;
    }

    /** True for a name whose month is a bare number, understood by the months that other names say in full. */
    boolean isBareMonth(String name) {
        return bareMonths.contains(name);
    }

    /** The period that a name speaks of. */
    public Optional<Period> period(String name) {
        Parts parts = byName.get(name);
        return parts == null ? Optional.empty() : parts.period();
    }

    /** The period of a name as it is written there. */
    public String written(String name) {
        Parts parts = byName.get(name);
        return parts == null ? "" : parts.written();
    }
}
