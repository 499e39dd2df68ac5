package cuvee.lineup;

import cuvee.detect.TableColumn;
import cuvee.layout.HeaderWords;
import cuvee.layout.Layout;
import cuvee.layout.Origin;
import cuvee.place.Where;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.ToLongFunction;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Which header feeds which column, and what is known of both. */
final class Feeding {
    private static final int MOST_INITIALS = 4;
    /** Among equals words are clearer than letters. */
    private static final double SHORT = 0.9;

    /** Words of their own, as in {@code Trays back} beside {@code Traysback}. */
    private static final Pattern APART = Pattern.compile("\\p{L}[\\s_.-]+\\p{L}");

    private static final Pattern COLON = Pattern.compile("\\s*[:：]+$");
    private static final BitSet NONE = new BitSet();

    private final List<Layout> bySize;
    private final Map<String, Facts> facts;
    private final Map<String, Profile> profiles;
    private final Map<String, String> spelling;
    private final Map<String, String> ownNames = new LinkedHashMap<>();
    private final Map<String, String> nameOfKey = new LinkedHashMap<>();
    private final Map<String, Facts> factsByName = new HashMap<>();
    private final Map<String, Double> likeness = new HashMap<>();
    /** For each header the layouts that have it, by their place among {@link #bySize}. */
    private final Map<String, BitSet> layoutsOfKey = new HashMap<>();
    /** The same for each column, and the headers that feed it. */
    private final Map<String, BitSet> layoutsOfName = new HashMap<>();

    private final Map<String, Set<String>> keysOfName = new HashMap<>();
    /**
     * The sheets of headers into which columns that run across are turned, and of all headers on sheets with tables of
     * several layouts.
     */
    private final Map<String, Set<Where>> sheetsOf = new TreeMap<>();

    /**
     * @param profiles what stands under headers, by their keys; empty where that is not known
     */
    Feeding(List<Layout> layouts, Map<String, Profile> profiles) {
        this.profiles = profiles;
        this.bySize = layouts.stream()
                .sorted(Comparator.comparingLong(Layout::rows).reversed())
                .toList();
        this.facts = Facts.of(layouts);
        this.spelling = clearestSpellings(layouts);
        for (int i = 0; i < bySize.size(); i++) {
            for (String key : bySize.get(i).keys()) {
                layoutsOfKey.computeIfAbsent(key, each -> new BitSet()).set(i);
            }
        }
        layouts.stream()
                .flatMap(layout -> layout.tables().stream())
                .forEach(table -> table.columns().stream()
                        .filter(column -> column.origin() instanceof Origin.Values)
                        .forEach(column -> sheetsOf.computeIfAbsent(
                                        LooseText.key(column.header()), each -> new HashSet<>())
                                .add(Where.sheet(table.source(), table.sheet()))));
        sheetsOfSeveral(layouts)
                .forEach(sheet -> sheet.getValue()
                        .forEach(layout -> layout.keys()
                                .forEach(key -> sheetsOf.computeIfAbsent(key, each -> new HashSet<>())
                                        .add(sheet.getKey()))));
    }

    /** The sheets that hold tables of several layouts which have little in common, with these. */
    private static List<Map.Entry<Where, Set<Layout>>> sheetsOfSeveral(List<Layout> layouts) {
        Map<Where, Set<Layout>> onSheet = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            layout.tables()
                    .forEach(table -> onSheet.computeIfAbsent(
                                    Where.sheet(table.source(), table.sheet()), each -> new LinkedHashSet<>())
                            .add(layout));
        }
        List<Map.Entry<Where, Set<Layout>>> several = new ArrayList<>();
        onSheet.forEach((sheet, here) -> {
            Set<Layout> unlike = here.stream()
                    .filter(layout -> here.stream().anyMatch(other -> !other.equals(layout) && !isLike(layout, other)))
                    .collect(Collectors.toSet());
            if (!unlike.isEmpty()) {
                several.add(Map.entry(sheet, unlike));
            }
        });
        return several;
    }

    /** True for layouts that share most of their headers: where they differ, one calls the same thing otherwise. */
    private static boolean isLike(Layout one, Layout other) {
        long shared = one.keys().stream().filter(other.keys()::contains).count();
        return shared * 2 > Math.min(one.keys().size(), other.keys().size());
    }

    /** The layouts, the largest first. */
    List<Layout> layouts() {
        return bySize;
    }

    Map<String, Profile> profiles() {
        return profiles;
    }

    Profile profile(String key) {
        return profiles.getOrDefault(key, Profile.NONE);
    }

    /** How each header is written, by its key. */
    Map<String, String> spellings() {
        return spelling;
    }

    /** The column that each header feeds, by its key. */
    Map<String, String> all() {
        return Collections.unmodifiableMap(nameOfKey);
    }

    /** The name that a header would have as a column of its own. */
    String own(String key) {
        return ownNames.getOrDefault(key, key);
    }

    void setOwn(String key, String name) {
        ownNames.put(key, name);
    }

    /** The headers that feed a column. */
    Set<String> keysOf(String name) {
        return keysOfName.getOrDefault(name, Set.of());
    }

    /** The columns that headers feed, or have fed. */
    Set<String> names() {
        return keysOfName.keySet();
    }

    /** The headers of each column. */
    List<Set<String>> groups() {
        return List.copyOf(keysOfName.values()).stream()
                .filter(keys -> !keys.isEmpty())
                .toList();
    }

    /** The column that a header feeds. */
    String name(String key) {
        return nameOfKey.getOrDefault(key, key);
    }

    /** Lets a header feed a column. */
    void feed(String key, String name) {
        String before = nameOfKey.put(key, name);
        if (before != null) {
            keysOfName.getOrDefault(before, new HashSet<>()).remove(key);
            known(before);
        }
        keysOfName.computeIfAbsent(name, each -> new LinkedHashSet<>()).add(key);
        known(name);
    }

    private void known(String name) {
        BitSet with = new BitSet();
        keysOfName.getOrDefault(name, Set.of()).forEach(key -> with.or(layoutsOfKey.getOrDefault(key, NONE)));
        layoutsOfName.put(name, with);
        factsByName.remove(name);
    }

    /** The layouts that have a column, by their place among {@link #bySize}. */
    BitSet with(String name) {
        return layoutsOfName.getOrDefault(name, NONE);
    }

    /**
     * The header by which a column is called most clearly: the one in most tables, one that stands below the heading of
     * several columns counting half, one of a few capital letters a little less. The one that it is called by stays where no other is clearer.
     */
    Optional<String> clearest(String name) {
        List<String> keys = keysOf(name).stream()
                .filter(key -> !TableColumn.isUnnamed(own(key)))
                .toList();
        Optional<String> now =
                keys.stream().filter(key -> own(key).equals(name)).findFirst();
        return clearestOf(keys.stream()
                        .filter(key -> now.isEmpty() || clearness(key) > clearness(now.get()))
                        .toList())
                .or(() -> now);
    }

    /** The clearest of some headers. */
    Optional<String> clearestOf(List<String> keys) {
        return keys.stream().max(Comparator.comparingDouble(this::clearness).thenComparing(Comparator.reverseOrder()));
    }

    private double clearness(String key) {
        long tables = in(List.of(key), layout -> layout.tables().size());
        String name = own(key);
        return name.contains(HeaderWords.GROUP) ? tables / 2.0 : isShort(name) ? tables * SHORT : tables;
    }

    /** True for a few letters such as {@code NWP}, of which nobody need know what they stand for. */
    private static boolean isShort(String name) {
        return name.length() <= MOST_INITIALS && name.chars().allMatch(Character::isUpperCase);
    }

    /** True where so many values stand in a column that they can be weighed. */
    boolean tellsEnough(String keyOrName) {
        return values(keyOrName) >= LineUpWeights.ENOUGH_VALUES;
    }

    /** How many values stand in the columns of a header, or of all that feed a column. */
    int values(String keyOrName) {
        return keysOfName.getOrDefault(keyOrName, Set.of(keyOrName)).stream()
                .mapToInt(key -> profiles.getOrDefault(key, Profile.NONE).filled)
                .sum();
    }

    /**
     * True where more tables have one of some headers than one of others; among equals, where they have more rows, or come
     * first.
     */
    boolean outweighs(List<String> keys, List<String> others) {
        long tables = in(keys, layout -> layout.tables().size());
        long otherTables = in(others, layout -> layout.tables().size());
        long rows = in(keys, Layout::rows);
        long otherRows = in(others, Layout::rows);
        return tables != otherTables
                ? tables > otherTables
                : rows != otherRows ? rows > otherRows : firstOf(keys) < firstOf(others);
    }

    private int firstOf(List<String> keys) {
        return keys.stream()
                .mapToInt(key -> layoutsOfKey.getOrDefault(key, NONE).nextSetBit(0))
                .filter(at -> at >= 0)
                .min()
                .orElse(Integer.MAX_VALUE);
    }

    /** Something counted over the layouts that have one of some headers. */
    long in(List<String> keys, ToLongFunction<Layout> counted) {
        BitSet with = new BitSet();
        keys.forEach(key -> with.or(layoutsOfKey.getOrDefault(key, NONE)));
        return with.stream()
                .mapToLong(at -> counted.applyAsLong(bySize.get(at)))
                .sum();
    }

    Facts factsOf(String key) {
        return facts.getOrDefault(key, Facts.together(List.of()));
    }

    Facts factsOfColumn(String name) {
        return factsByName.computeIfAbsent(
                name,
                column -> Facts.together(keysOfName.getOrDefault(column, Set.of()).stream()
                        .map(this::factsOf)
                        .toList()));
    }

    private double likeness(String a, String b) {
        return likeness.computeIfAbsent(a + '\n' + b, both -> HeaderWords.likeness(a, b));
    }

    /** The spelling among a column's headers that is most like another header. */
    double words(String own, String name) {
        double most = likeness(own, name);
        for (String key : keysOfName.getOrDefault(name, Set.of())) {
            if (!own.equals(spelling.get(key))) {
                most = Math.max(most, likeness(own, spelling.getOrDefault(key, name)));
            }
        }
        return most;
    }

    /** True where no layout has both a header and a column, and no sheet turns columns into both. */
    boolean apart(String key, String name) {
        return !layoutsOfKey.getOrDefault(key, NONE).intersects(with(name))
                && keysOf(name).stream().noneMatch(other -> areOfOneSheet(key, other));
    }

    /** Pairs of headers that one sheet has in its tables: over columns that run across, or in tables of several layouts. */
    List<Set<String>> ofOneSheet() {
        List<String> keys = new ArrayList<>(sheetsOf.keySet());
        List<Set<String>> pairs = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (areOfOneSheet(keys.get(i), keys.get(j))) {
                    pairs.add(Set.of(keys.get(i), keys.get(j)));
                }
            }
        }
        return pairs;
    }

    /** Who calls the amounts of one table single and those of the next one married means two things, and so with places. */
    private boolean areOfOneSheet(String key, String other) {
        return !HeaderWords.meaningKey(spelling.getOrDefault(key, key))
                        .equals(HeaderWords.meaningKey(spelling.getOrDefault(other, other)))
                && !Collections.disjoint(sheetsOf.getOrDefault(key, Set.of()), sheetsOf.getOrDefault(other, Set.of()));
    }

    /** The largest layout that has a column; -1 where none has. */
    int firstWith(String name) {
        return with(name).nextSetBit(0);
    }

    /** The spelling that most tables use, one in words of their own counting double; among equals the first. */
    private static Map<String, String> clearestSpellings(List<Layout> layouts) {
        Map<String, Map<String, Integer>> counts = new LinkedHashMap<>();
        for (Layout layout : layouts) {
            for (var table : layout.tables()) {
                for (var column : table.columns()) {
                    counts.computeIfAbsent(LooseText.key(column.header()), key -> new LinkedHashMap<>())
                            .merge(column.header(), 1, Integer::sum);
                }
            }
        }
        Map<String, String> clearest = new LinkedHashMap<>();
        counts.forEach((key, spellings) -> clearest.put(
                key,
                withoutColon(spellings.entrySet().stream()
                        .max(Comparator.comparingInt(
                                each -> APART.matcher(each.getKey()).find() ? each.getValue() * 2 : each.getValue()))
                        .orElseThrow()
                        .getKey())));
        return clearest;
    }

    /** A colon behind a header points to the values below it and is no part of the name. */
    private static String withoutColon(String header) {
        String bare = COLON.matcher(header).replaceFirst("");
        return bare.isEmpty() ? header : bare;
    }
}
