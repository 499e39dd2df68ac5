package cuvee.lineup;

import cuvee.layout.Nature;
import cuvee.lineup.JointLineUp.Unit;
import cuvee.value.LooseText;
import cuvee.value.VersionMarks;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Which tables of a batch are of one master. All are lined up on trial, by words and values; tables whose columns find
 * partners form groups, and the heaviest group is the core. A table belongs when its columns find partners in the core, its
 * file is named like the others, it has the core's key and about as many columns.
 */
public final class Belonging {
    /** Unions of the trial are at least so sure. */
    private static final double TRIAL = 0.9;
    /** Tables at least so alike are of one group. */
    private static final double RELATED = 0.33;

    private static final int MOST_UNITS = 150;
    /** How likely it is where the columns fit throughout. */
    private static final double FITS = 0.97;

    /** How likely it is at least where all columns match one for one: likely, but to be asked. */
    private static final double MATCHES = 0.6;

    private static final int FEWEST_MATCHED = 4;
    private static final double NAMED_ALIKE = 0.99;
    /** What a shared word says where the core has one name only: more than nothing known, less than the names of many. */
    private static final double WITH_THE_ONLY_NAME = 0.7;

    /** What a name without a word of the only other says, which may be the name of a place: less than nothing known. */
    private static final double UNLIKE_THE_ONLY_NAME = 0.3;

    /** What a key says that is made like the core's and called otherwise. */
    private static final double LIKE_THE_KEY = 0.8;

    private static final int SEVERAL_COLUMNS = 6;
    /** So many are enough where each has a partner, and the file has nothing else in the core. */
    private static final int FEW_COLUMNS = 5;

    private static final double STRENGTH = 5.2;
    private static final double NAME = 2.4;
    private static final double KEY = 2.9;
    private static final double WIDTH = -3.7;
    private static final double SHEET = 1.5;
    /** How alike two forms are that are built alike. */
    private static final double BUILT_ALIKE = 0.9;

    private static final double BIAS = -5.1;

    /** How much heavier a group is for each more file that it has a table from, and at most. */
    private static final double FOR_EACH_FILE = 0.25;

    private static final double MOST_FOR_FILES = 2;
    /** What sheets are called where nobody has called them anything. */
    private static final Pattern ANY_SHEET =
            Pattern.compile("|(sheet|tabelle|feuil|hoja|foglio|blad|ark|planilha)\\d*");

    private static final Pattern NO_WORD = Pattern.compile("[\\W_\\d]+");
    private static final Set<String> MONTHS = Set.of(
            "jan",
            "feb",
            "mar",
            "apr",
            "may",
            "jun",
            "jul",
            "aug",
            "sep",
            "oct",
            "nov",
            "dec",
            "january",
            "february",
            "march",
            "april",
            "june",
            "july",
            "august",
            "september",
            "october",
            "november",
            "december");

    /**
     * A layout as it is judged.
     *
     * @param id what it is called
     * @param keys the loose keys of its headers
     * @param rows the records of its tables
     * @param files the names of its tables' files, one for each table
     * @param sheets the names of their sheets, likewise
     * @param fields the natures of the fields in their order where the tables are forms; empty for others
     */
    public record Candidate(
            String id, List<String> keys, long rows, List<String> files, List<String> sheets, List<Nature> fields) {
        /** True for forms with the same kinds of values in the same order, whatever their labels are. */
        boolean isBuiltLike(Candidate other) {
            if (fields.size() < SEVERAL_COLUMNS - 1 || fields.size() != other.fields.size()) {
                return false;
            }
            long same = IntStream.range(0, fields.size())
                    .filter(i -> fields.get(i) == other.fields.get(i))
                    .count();
            return same * 5 >= fields.size() * 4L;
        }
    }

    private final List<Candidate> candidates;
    private final double[][] alike;
    private final List<Map<Integer, String>> columns = new ArrayList<>();
    private final Map<String, Profile> profiles;
    private final JointLineUp trial;
    private final Map<String, Double> strengths = new HashMap<>();

    /**
     * @param profiles of headers by their keys
     * @param heads how headers are spelled
     */
    public Belonging(List<Candidate> candidates, Map<String, Profile> profiles, Map<String, String> heads) {
        this.candidates = candidates;
        this.profiles = profiles;
        List<Unit> units = candidates.stream()
                .map(candidate -> new Unit(candidate.files().size(), candidate.keys()))
                .toList();
        this.trial = new JointLineUp(units, profiles, heads, List.of(), Set.of(), List.of());
        trial.unite(TRIAL);
        List<Set<String>> groups = trial.groups();
        Map<String, Integer> groupOf = new HashMap<>();
        for (int g = 0; g < groups.size(); g++) {
            for (String key : groups.get(g)) {
                groupOf.put(key, g);
            }
        }
        for (Candidate candidate : candidates) {
            Map<Integer, String> own = new HashMap<>();
            for (String key : candidate.keys()) {
                if (profile(key).runningShare() < 0.9) {
                    own.put(groupOf.getOrDefault(key, -1), key);
                }
            }
            columns.add(own);
        }
        int n = candidates.size();
        alike = new double[n][n];
        for (int i = 0; i < n; i++) {
            alike[i][i] = 1;
            for (int j = 0; j < i; j++) {
                boolean built = candidates.get(i).isBuiltLike(candidates.get(j));
                alike[i][j] = built ? Math.max(BUILT_ALIKE, affinity(i, j)) : affinity(i, j);
                alike[j][i] = alike[i][j];
            }
        }
    }

    /** True where so few layouts are to be judged that each can be weighed against each. */
    public static boolean isPossible(int layouts) {
        return layouts > 1 && layouts <= MOST_UNITS;
    }

    private Profile profile(String key) {
        return profiles.getOrDefault(key, Profile.NONE);
    }

    private double affinity(int i, int j) {
        double sum = 0;
        for (Map.Entry<Integer, String> column : columns.get(i).entrySet()) {
            String other = columns.get(j).get(column.getKey());
            if (other != null) {
                sum += strength(column.getValue(), other);
            }
        }
        return sum / Math.max(1, Math.max(columns.get(i).size(), columns.get(j).size()));
    }

    private double strength(String a, String b) {
        return strengths.computeIfAbsent(a.compareTo(b) < 0 ? a + "\n" + b : b + "\n" + a, k -> trial.strength(a, b));
    }

    /**
     * The ids of the heaviest group: rows count by their logarithm, so that one long table does not outweigh many, and a
     * group counts for more with each file that it comes from.
     */
    public Set<String> core() {
        List<List<Integer>> groups = new ArrayList<>();
        for (int i = 0; i < candidates.size(); i++) {
            groups.add(new ArrayList<>(List.of(i)));
        }
        boolean more = true;
        while (more && groups.size() > 1) {
            double best = 0;
            int one = 0;
            int other = 0;
            for (int x = 0; x < groups.size(); x++) {
                for (int y = 0; y < x; y++) {
                    double linked = linkage(groups.get(x), groups.get(y));
                    if (linked > best) {
                        best = linked;
                        one = x;
                        other = y;
                    }
                }
            }
            more = best >= RELATED;
            if (more) {
                groups.get(other).addAll(groups.get(one));
                groups.remove(one);
            }
        }
        Set<String> core = new HashSet<>();
        groups.stream()
                .max(Comparator.comparingDouble(this::weight))
                .orElse(List.of())
                .forEach(i -> core.add(candidates.get(i).id()));
        return core;
    }

    private double linkage(List<Integer> one, List<Integer> other) {
        double sum = 0;
        double weights = 0;
        for (int i : one) {
            for (int j : other) {
                double weight = (double) candidates.get(i).files().size()
                        * candidates.get(j).files().size();
                sum += weight * alike[i][j];
                weights += weight;
            }
        }
        return sum / weights;
    }

    private double weight(List<Integer> group) {
        double weight = 0;
        for (int i : group) {
            Candidate candidate = candidates.get(i);
            // A form holds in its one row what a table holds in many.
            double each = (double) candidate.rows()
                    * Math.max(1, candidate.fields().size())
                    / candidate.files().size();
            weight += candidate.files().size()
                    * (Math.log(1 + each) / Math.log(2))
                    * Math.min(4, columns.get(i).size());
        }
        // What several files have in common is what a master is for; one long list is none.
        long files = group.stream()
                .flatMap(i -> candidates.get(i).files().stream())
                .distinct()
                .count();
        return weight * Math.min(MOST_FOR_FILES, 1 + (files - 1) * FOR_EACH_FILE);
    }

    /** How likely it is that a layout belongs to a core, from 0 to 1. */
    public double likelihood(String id, Set<String> core) {
        int at = candidates.stream().map(Candidate::id).toList().indexOf(id);
        List<Integer> others = new ArrayList<>();
        for (int j = 0; j < candidates.size(); j++) {
            if (j != at && core.contains(candidates.get(j).id())) {
                others.add(j);
            }
        }
        if (others.isEmpty()) {
            return core.contains(id) ? 1 : 0;
        }
        List<Double> affinities = new ArrayList<>();
        List<Integer> widths = new ArrayList<>();
        List<String> files = new ArrayList<>();
        for (int j : others) {
            for (String file : candidates.get(j).files()) {
                affinities.add(alike[at][j]);
                widths.add(columns.get(j).size());
                files.add(file);
            }
        }
        affinities.sort(Comparator.reverseOrder());
        int half = Math.max(1, (affinities.size() + 1) / 2);
        double strength = affinities.subList(0, half).stream()
                .mapToDouble(Double::doubleValue)
                .average()
                .orElse(0);
        widths.sort(Comparator.naturalOrder());
        double width =
                Math.min(1, Math.abs(columns.get(at).size() / (double) Math.max(1, widths.get(widths.size() / 2)) - 1));
        double z = STRENGTH * strength
                + NAME * named(candidates.get(at).files(), files)
                + KEY * keyed(at, others)
                + WIDTH * width
                + SHEET * sheetAsTheirs(candidates.get(at), others)
                + BIAS;
        boolean throughout =
                named(candidates.get(at).files(), files) >= NAMED_ALIKE && keyed(at, others) >= 0.5 && fits(at, others);
        double least = throughout ? FITS : matchesOne(at, others) ? MATCHES : 0;
        return Math.max(least, LineUpWeights.logistic(z));
    }

    /** True where some layout of the core has a partner for each of several columns, and nothing else. */
    private boolean matchesOne(int at, List<Integer> others) {
        Set<Integer> own = columns.get(at).keySet();
        return own.size() >= FEWEST_MATCHED
                && others.stream().anyMatch(j -> columns.get(j).keySet().equals(own));
    }

    /** True where nearly all columns, of which there are several, have partners in a core that has few others. */
    private boolean fits(int at, List<Integer> others) {
        Set<Integer> own = columns.get(at).keySet();
        int all = 0;
        Map<Integer, Integer> having = new HashMap<>();
        for (int j : others) {
            int theirs = candidates.get(j).files().size();
            all += theirs;
            columns.get(j).keySet().forEach(column -> having.merge(column, theirs, Integer::sum));
        }
        long partners = own.stream()
                .filter(column -> column >= 0 && having.containsKey(column))
                .count();
        int tables = all;
        long usual =
                having.values().stream().filter(count -> count * 2 > tables).count();
        boolean several =
                own.size() >= SEVERAL_COLUMNS && partners * 10 >= own.size() * 9L && partners * 4 >= usual * 3;
        // A file that has nothing else in the core is no summary of what it has there.
        boolean whole = own.size() >= FEW_COLUMNS
                && partners == own.size()
                && partners * 3 >= usual * 2
                && others.stream()
                        .flatMap(j -> candidates.get(j).files().stream())
                        .noneMatch(candidates.get(at).files()::contains);
        return several || whole;
    }

    /**
     * The share of its tables that stand on a sheet named like one of the core in another file, while the core has nothing
     * on that sheet of their own file: where the others have their table, this is theirs.
     */
    private double sheetAsTheirs(Candidate own, List<Integer> others) {
        Map<String, Set<String>> filesOfSheet = new HashMap<>();
        Set<String> taken = new HashSet<>();
        for (int j : others) {
            Candidate other = candidates.get(j);
            for (int t = 0; t < other.files().size(); t++) {
                String sheet = LooseText.key(other.sheets().get(t));
                filesOfSheet
                        .computeIfAbsent(sheet, any -> new HashSet<>())
                        .add(other.files().get(t));
                taken.add(other.files().get(t) + "\n" + sheet);
            }
        }
        int theirs = 0;
        for (int t = 0; t < own.files().size(); t++) {
            String sheet = LooseText.key(own.sheets().get(t));
            String file = own.files().get(t);
            Set<String> there = filesOfSheet.getOrDefault(sheet, Set.of());
            boolean elsewhere =
                    !ANY_SHEET.matcher(sheet).matches() && there.stream().anyMatch(other -> !other.equals(file));
            theirs += elsewhere && !taken.contains(file + "\n" + sheet) ? 1 : 0;
        }
        return (double) theirs / own.files().size();
    }

    /** The share of the words that most files of the core have in their names that these have too. */
    private static double named(List<String> own, List<String> others) {
        Map<String, Integer> counts = new HashMap<>();
        // Copies and versions of a file have one say between them.
        Set<Set<String>> stems = new HashSet<>();
        others.forEach(file -> stems.add(stem(file)));
        stems.forEach(stem -> stem.forEach(word -> counts.merge(word, 1, Integer::sum)));
        Set<String> common = new HashSet<>();
        counts.forEach((word, count) -> {
            if (count >= 0.6 * stems.size()) {
                common.add(word);
            }
        });
        if (common.isEmpty()) {
            return 0.5;
        }
        // Of the only name there is nobody knows which words are its own.
        boolean one = stems.size() == 1;
        boolean shares = one && sharesAWord(own, stems.iterator().next());
        double most = shares ? WITH_THE_ONLY_NAME : one ? UNLIKE_THE_ONLY_NAME : 0;
        for (String file : own) {
            Set<String> shared = stem(file);
            shared.retainAll(common);
            most = Math.max(most, (double) shared.size() / common.size());
        }
        return most;
    }

    private static boolean sharesAWord(List<String> own, Set<String> only) {
        return own.stream().anyMatch(file -> !Collections.disjoint(stem(file), only));
    }

    private static Set<String> stem(String file) {
        String name = file.substring(file.lastIndexOf('/') + 1);
        int point = name.lastIndexOf('.');
        String plain = (point > 0 ? name.substring(0, point) : name).toLowerCase(java.util.Locale.ROOT);
        Set<String> words = new HashSet<>();
        NO_WORD.splitAsStream(plain)
                .filter(word -> word.length() > 2 && !MONTHS.contains(word) && !VersionMarks.isMark(word))
                .forEach(words::add);
        return words;
    }

    /**
     * 1 where it has the core's key, a code that is different in every row; 0 where not, a half where the core has none. A
     * key of its own that is made like the core's counts nearly as much, though it is called otherwise: no value of a key
     * is in two tables.
     */
    private double keyed(int at, List<Integer> others) {
        Map<Integer, Integer> having = new HashMap<>();
        int all = 0;
        for (int j : others) {
            int tables = candidates.get(j).files().size();
            all += tables;
            for (int column : columns.get(j).keySet()) {
                having.merge(column, tables, Integer::sum);
            }
        }
        double found = -1;
        for (Map.Entry<Integer, Integer> column : having.entrySet()) {
            if (column.getValue() < 0.6 * all || !isKey(column.getKey(), others)) {
                continue;
            }
            found = Math.max(found, hasKeyLike(column.getKey(), at, others) ? LIKE_THE_KEY : 0);
            String own = columns.get(at).get(column.getKey());
            if (own != null) {
                for (int j : others) {
                    String other = columns.get(j).get(column.getKey());
                    if (other != null && strength(own, other) >= 0.4) {
                        return 1;
                    }
                }
            }
        }
        return found < 0 ? 0.5 : found;
    }

    /** True where it has a key made like one of the core's, and no table of the core has both beside each other. */
    private boolean hasKeyLike(int column, int at, List<Integer> others) {
        List<Map<Integer, String>> having = others.stream()
                .map(columns::get)
                .filter(each -> each.containsKey(column))
                .toList();
        return columns.get(at).entrySet().stream()
                .filter(own -> isKey(profile(own.getValue())))
                .filter(own -> having.stream().noneMatch(each -> each.containsKey(own.getKey())))
                .anyMatch(own -> having.stream()
                        .anyMatch(each ->
                                profile(own.getValue()).numbersThingsLike(profile(each.getOrDefault(column, "")))));
    }

    private boolean isKey(int column, List<Integer> others) {
        for (int j : others) {
            String key = columns.get(j).get(column);
            if (key != null && isKey(profile(key))) {
                return true;
            }
        }
        return false;
    }

    private static boolean isKey(Profile profile) {
        return profile.allDifferent() && (profile.kind() == Profile.Kind.CODE || profile.mayNumberThings());
    }
}
