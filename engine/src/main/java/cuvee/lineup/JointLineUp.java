package cuvee.lineup;

import cuvee.layout.HeaderWords;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * One line-up for a whole batch: columns of tables that share no table are weighed against each other by all that speaks
 * for and against, the surest pair first, and everything is weighed again with what has been united. A column of its own is
 * a rival of every other. At the end each union is looked at once more with all others final.
 */
final class JointLineUp {
    private static final double[] LEVELS = {0.999, 0.997, 0.99, 0.98, 0.95, 0.9, 0.8, 0.7, 0.6, 0.5};
    private static final double MOST_MARGIN = 6;
    private static final double NEVER = ColumnEvidence.Weighed.NEVER.score();
    private static final int MOST_PLACES = 6;
    private static final double LEAST_TRUST = 0.05;
    private static final int ENOUGH_TO_RUN = 5;
    private static final double MOSTLY_RUNNING = 0.9;
    private static final String SHARES = "shares";
    private static final BitSet NOWHERE = new BitSet();
    /** From here on a union needs no question, where something telling speaks for it. */
    private static final double SURE = 0.98;

    /**
     * Tables with the same headers.
     *
     * @param tables how many they are
     * @param keys the loose keys of their headers, in order
     */
    record Unit(int tables, List<String> keys) {}

    /** A union of two parts: their headers' keys, how sure it is, and why. */
    record Union(List<String> part, List<String> rest, double sureness, boolean silent, String reason) {}

    /** Columns that are taken for one. */
    private static final class Cluster {
        final Set<String> keys;
        final String id;
        final BitSet units;
        final Map<Integer, Integer> places;
        final int tables;
        /** The units in which it stands, in their order. */
        final int[] at;

        private final Supplier<Profile> together;
        private @Nullable Profile profile;

        Cluster(Set<String> keys, Supplier<Profile> together, BitSet units, Map<Integer, Integer> places, int tables) {
            this.keys = keys;
            this.id = String.join("|", keys);
            this.together = together;
            this.units = units;
            this.places = places;
            this.tables = tables;
            this.at = places.keySet().stream().mapToInt(Integer::intValue).toArray();
        }

        /** Put together once it is asked for: many unions are ruled out by where they stand. */
        Profile profile() {
            if (profile == null) {
                profile = together.get();
            }
            return profile;
        }
    }

    /**
     * Two columns that could be one.
     *
     * @param one the one that came later
     * @param base what speaks for and against it but for their places
     */
    private record Link(Cluster one, Cluster other, double base) {}

    private final List<Unit> units;
    private final int allTables;
    private final Map<String, Profile> profiles;
    private final ColumnEvidence evidence;
    private final Map<String, Cluster> single = new TreeMap<>();
    private final List<Cluster> clusters = new ArrayList<>();
    private final List<Link> links = new ArrayList<>();
    private boolean linked;
    private final Map<String, String> heads;
    private final Map<Cluster, Set<String>> beginnings = new HashMap<>();
    private final Map<String, Cluster> clusterOf = new HashMap<>();
    private final Map<String, ColumnEvidence.Weighed> cache = new HashMap<>();
    /** What was united, in its order: the keys of both sides. */
    private final List<List<Set<String>>> events = new ArrayList<>();

    /** The units in which the keys of headers stand as values. */
    private final Map<String, BitSet> valueIn = new HashMap<>();

    private final Set<String> fixed;
    private final List<Set<String>> apart;
    /** By the keys of headers whose columns are factors of others. */
    private final Map<String, Set<WorkedOut.Factor>> factors = new HashMap<>();
    /** By the keys of headers whose columns are always somewhat less than others of their tables: the keys of these. */
    private final Map<String, Set<String>> above = new HashMap<>();

    private final Map<String, Set<String>> below = new HashMap<>();
    /** By two units; anew after each round. */
    private final Map<Long, Order> orders = new HashMap<>();

    /**
     * @param profiles of headers by their keys, each for all tables
     * @param heads how headers are spelled, by their keys
     * @param together keys that are one column already, each group at most once in a unit
     * @param fixed keys of columns that stay as they are beside each other; others may still join them
     * @param apart pairs of keys that are never one column
     */
    JointLineUp(
            List<Unit> units,
            Map<String, Profile> profiles,
            Map<String, String> heads,
            List<Set<String>> together,
            Set<String> fixed,
            List<Set<String>> apart) {
        this.units = units;
        this.allTables = units.stream().mapToInt(Unit::tables).sum();
        this.profiles = profiles;
        this.heads = heads;
        this.fixed = fixed;
        this.apart = apart;
        profiles.forEach((key, profile) -> {
            if (!profile.workedOut.factors().isEmpty()) {
                factors.put(key, profile.workedOut.factors());
            }
            if (!profile.workedOut.above().isEmpty()) {
                above.put(key, profile.workedOut.above());
            }
            if (!profile.workedOut.below().isEmpty()) {
                below.put(key, profile.workedOut.below());
            }
        });
        for (int u = 0; u < units.size(); u++) {
            List<String> keys = units.get(u).keys();
            for (int at = 0; at < keys.size(); at++) {
                String key = keys.get(at);
                Cluster known = single.get(key);
                BitSet in = known == null ? new BitSet() : known.units;
                Map<Integer, Integer> places = known == null ? new TreeMap<>() : known.places;
                if (!in.get(u)) {
                    in.set(u);
                    places.put(u, at);
                    int tables =
                            (known == null ? 0 : known.tables) + units.get(u).tables();
                    single.put(key, new Cluster(new TreeSet<>(Set.of(key)), () -> profile(key), in, places, tables));
                }
            }
        }
        Map<String, List<Cluster>> having = columnsHaving(single, profiles);
        this.evidence = new ColumnEvidence(heads, columnsHolding(having));
        single.keySet()
                .forEach(key -> having.getOrDefault(key, List.of())
                        .forEach(column -> valueIn.computeIfAbsent(key, any -> new BitSet())
                                .or(column.units)));
        Set<String> grouped = new HashSet<>();
        for (Set<String> group : together) {
            List<Cluster> parts = group.stream()
                    .map(single::get)
                    .filter(java.util.Objects::nonNull)
                    .toList();
            if (!parts.isEmpty()) {
                add(parts.stream().reduce(JointLineUp::united).orElseThrow());
                grouped.addAll(group);
            }
        }
        single.forEach((key, cluster) -> {
            if (!grouped.contains(key)) {
                add(cluster);
            }
        });
    }

    /** The columns in which texts stand, by the text. */
    private static Map<String, List<Cluster>> columnsHaving(
            Map<String, Cluster> single, Map<String, Profile> profiles) {
        Map<String, List<Cluster>> having = new HashMap<>();
        single.forEach((key, cluster) -> {
            Profile profile = profiles.getOrDefault(key, Profile.NONE);
            if (ColumnEvidence.mayShareValues(profile)) {
                profile.texts
                        .keySet()
                        .forEach(text -> having.computeIfAbsent(text, any -> new ArrayList<>(1))
                                .add(cluster));
            }
        });
        return having;
    }

    /** In how many columns of one unit a text stands at most, of those that stand in several. */
    private static Map<String, Integer> columnsHolding(Map<String, List<Cluster>> having) {
        Map<String, Integer> holding = new HashMap<>();
        having.forEach((text, columns) -> {
            if (columns.size() > 1) {
                Map<Integer, Integer> inUnit = new HashMap<>();
                columns.forEach(column -> Arrays.stream(column.at).forEach(u -> inUnit.merge(u, 1, Integer::sum)));
                holding.put(text, Collections.max(inUnit.values()));
            }
        });
        return holding;
    }

    private Profile profile(String key) {
        return profiles.getOrDefault(key, Profile.NONE);
    }

    private void add(Cluster cluster) {
        clusters.add(cluster);
        cluster.keys.forEach(key -> clusterOf.put(key, cluster));
    }

    private static Cluster united(Cluster one, Cluster other) {
        Set<String> keys = new TreeSet<>(one.keys);
        keys.addAll(other.keys);
        BitSet units = (BitSet) one.units.clone();
        units.or(other.units);
        Map<Integer, Integer> places = new TreeMap<>(one.places);
        other.places.forEach(places::putIfAbsent);
        return new Cluster(keys, () -> one.profile().plus(other.profile()), units, places, one.tables + other.tables);
    }

    /** The groups of keys that are one column. */
    List<Set<String>> groups() {
        return clusters.stream().map(cluster -> cluster.keys).toList();
    }

    /** Unites what is as sure as a level or surer. */
    JointLineUp unite(double least) {
        for (int level = 0; level < LEVELS.length && LEVELS[level] >= least; ) {
            if (!round(LEVELS[level])) {
                level++;
            }
        }
        orders.clear();
        return this;
    }

    /** What was united, in its order, weighed again with all else as it is now. */
    List<Union> unions() {
        return events.stream()
                .map(event -> secondLook(event.get(0), event.get(1)))
                .toList();
    }

    /** All pairs that could be one column, with their scores, and for each column its rivals. */
    private static final class Standing {
        private final List<Scored> scored = new ArrayList<>();
        /** The best first. */
        private final Map<Cluster, List<Map.Entry<Cluster, Double>>> rivals = new HashMap<>();

        record Scored(Link link, double score) {}

        void add(Link link, double score) {
            scored.add(new Scored(link, score));
            rivals.computeIfAbsent(link.one(), c -> new ArrayList<>()).add(Map.entry(link.other(), score));
            rivals.computeIfAbsent(link.other(), c -> new ArrayList<>()).add(Map.entry(link.one(), score));
        }

        /** How sure a pair is beside its rivals. */
        double sureness(Scored pair) {
            double m1 = margin(pair.score(), pair.link().one(), pair.link().other());
            double m2 = margin(pair.score(), pair.link().other(), pair.link().one());
            return LineUpWeights.logistic(1.3 * Math.min(m1, m2) + 0.1 * Math.max(m1, m2) + 1.34);
        }

        /** How far a pair lies before the best rival, which is a column that shares a table with the other side, or none. */
        private double margin(double score, Cluster of, Cluster against) {
            double best = LineUpWeights.ITS_OWN;
            for (Map.Entry<Cluster, Double> rival : rivals.getOrDefault(of, List.of())) {
                if (rival.getValue() <= best) {
                    break;
                }
                if (rival.getKey() != against && rival.getKey().units.intersects(against.units)) {
                    best = rival.getValue();
                }
            }
            return Math.max(-MOST_MARGIN, Math.min(MOST_MARGIN, score - best));
        }
    }

    /** Links a column to the older ones that it could be one with, so that no round has to look at all others again. */
    private void link(Cluster newer, List<Cluster> older) {
        for (Cluster each : older) {
            if (linkable(newer, each) && (single.size() <= LineUp.MOST_COMPARED || haveWordsAlike(newer, each))) {
                double base = evidence.weigh(newer.keys, newer.profile(), each.keys, each.profile())
                        .score();
                if (base > NEVER) {
                    links.add(new Link(newer, each, base));
                }
            }
        }
    }

    private boolean haveWordsAlike(Cluster one, Cluster other) {
        return !Collections.disjoint(beginnings(one), beginnings(other));
    }

    private Set<String> beginnings(Cluster cluster) {
        return beginnings.computeIfAbsent(cluster, any -> {
            Set<String> all = new HashSet<>();
            cluster.keys.forEach(key -> all.addAll(HeaderWords.beginnings(heads.getOrDefault(key, key))));
            return all;
        });
    }

    private Standing standing() {
        if (!linked) {
            for (int i = 0; i < clusters.size(); i++) {
                link(clusters.get(i), clusters.subList(0, i));
            }
            linked = true;
        }
        orders.clear();
        Standing standing = new Standing();
        for (Link link : links) {
            double score = score(link.one(), link.other(), link.base());
            if (score > -MOST_MARGIN) {
                standing.add(link, score);
            }
        }
        standing.rivals
                .values()
                .forEach(rivals -> rivals.sort(
                        Map.Entry.<Cluster, Double>comparingByValue().reversed()));
        return standing;
    }

    private boolean round(double level) {
        record Likely(Link link, double sureness, double score) {}
        Standing now = standing();
        List<Likely> likely = new ArrayList<>();
        now.scored.forEach(each -> {
            double sureness = now.sureness(each);
            if (sureness >= level && mayUnite(each.link().one(), each.link().other())) {
                likely.add(new Likely(each.link(), sureness, each.score()));
            }
        });
        likely.sort(Comparator.comparingDouble((Likely c) -> -c.sureness())
                .thenComparingDouble(c -> -c.score())
                .thenComparing(c -> c.link().one().id)
                .thenComparing(c -> c.link().other().id));
        Set<Cluster> gone = new HashSet<>();
        List<Cluster> come = new ArrayList<>();
        for (Likely each : likely) {
            Cluster one = each.link().one();
            Cluster other = each.link().other();
            if (!gone.contains(one) && !gone.contains(other)) {
                gone.add(one);
                gone.add(other);
                events.add(List.of(one.keys, other.keys));
                come.add(united(one, other));
            }
        }
        if (!gone.isEmpty()) {
            clusters.removeIf(gone::contains);
            links.removeIf(link -> gone.contains(link.one()) || gone.contains(link.other()));
            for (Cluster cluster : come) {
                link(cluster, clusters);
                add(cluster);
            }
        }
        return !gone.isEmpty();
    }

    private boolean mayUnite(Cluster x, Cluster y) {
        boolean settled =
                x.keys.stream().anyMatch(fixed::contains) && y.keys.stream().anyMatch(fixed::contains);
        return !settled && areNotKeptApart(x, y);
    }

    private boolean areNotKeptApart(Cluster x, Cluster y) {
        return apart.stream()
                .noneMatch(pair -> pair.stream().anyMatch(x.keys::contains)
                        && pair.stream().anyMatch(y.keys::contains)
                        && pair.stream().noneMatch(key -> x.keys.contains(key) && y.keys.contains(key)));
    }

    private static boolean linkable(Cluster x, Cluster y) {
        return !x.units.intersects(y.units);
    }

    /** All that speaks for and against two columns being one, in log-odds. */
    private double score(Cluster x, Cluster y) {
        double base = base(x, y).score();
        return base <= NEVER ? NEVER : score(x, y, base);
    }

    private double score(Cluster x, Cluster y, double base) {
        double presence = (double) (x.tables + y.tables) / allTables;
        return base
                + LineUpWeights.PRESENCE * Math.min(1, presence)
                + (x.tables + y.tables >= allTables ? LineUpWeights.FULL_COVER : 0)
                + (areTheSameFactor(x, y) ? LineUpWeights.SAME_FACTOR : 0)
                + (areCrossed(x, y) || areCrossed(y, x) ? LineUpWeights.CROSSED : 0)
                + (isAValueBeside(x, y) || isAValueBeside(y, x) ? LineUpWeights.A_VALUE_BESIDE : 0)
                + placing(x, y);
    }

    /**
     * True where one is called as a value that stands in the tables of the other, and they have no word in common: amounts
     * under {@code Peak} are not all amounts of tables with a line for each of Peak and Off-peak.
     */
    private boolean isAValueBeside(Cluster named, Cluster other) {
        return !valueIn.isEmpty()
                && named.keys.stream()
                        .anyMatch(key -> valueIn.getOrDefault(key, NOWHERE).intersects(other.units))
                && !haveWordsAlike(named, other);
    }

    /** True where both are multiplied by one column to what is one column too: then they are what is left. */
    private boolean areTheSameFactor(Cluster x, Cluster y) {
        return !factors.isEmpty()
                && factors(x)
                        .anyMatch(here -> factors(y)
                                .anyMatch(there ->
                                        areOne(here.by(), there.by()) && areOne(here.product(), there.product())));
    }

    /**
     * True where one is always somewhat less than another column of its table and the other always somewhat more than one of
     * its own, and these could be one column in turn: a net amount is not the gross of another sender.
     */
    private boolean areCrossed(Cluster lesser, Cluster greater) {
        if (above.isEmpty() || below.isEmpty()) {
            return false;
        }
        for (String key : lesser.keys) {
            for (String more : above.getOrDefault(key, Set.of())) {
                for (String other : greater.keys) {
                    for (String less : below.getOrDefault(other, Set.of())) {
                        if (couldBeOne(more, less)) {
                            return true;
                        }
                    }
                }
            }
        }
        return false;
    }

    private boolean couldBeOne(String key, String other) {
        Cluster one = clusterOf.get(key);
        Cluster two = clusterOf.get(other);
        return one != null
                && two != null
                && (one == two || linkable(one, two) && base(one, two).score() > NEVER);
    }

    private Stream<WorkedOut.Factor> factors(Cluster cluster) {
        return cluster.keys.stream().flatMap(key -> factors.getOrDefault(key, Set.of()).stream());
    }

    private boolean areOne(String one, String other) {
        return one.equals(other) || clusterOf.containsKey(one) && clusterOf.get(one) == clusterOf.get(other);
    }

    private ColumnEvidence.Weighed base(Cluster x, Cluster y) {
        return cache.computeIfAbsent(
                x.id.compareTo(y.id) < 0 ? x.id + "\n" + y.id : y.id + "\n" + x.id,
                both -> evidence.weigh(x.keys, x.profile(), y.keys, y.profile()));
    }

    /** Agreement of the places, weighted by how well the order of the columns that both have agrees. */
    private double placing(Cluster x, Cluster y) {
        int all = x.at.length * y.at.length;
        int step = Math.max(1, all / MOST_PLACES);
        double agreed = 0;
        int looked = 0;
        for (int i = 0; i < all && looked < MOST_PLACES; i += step, looked++) {
            int u = x.at[i / y.at.length];
            int v = y.at[i % y.at.length];
            Order order = order(u, v);
            if (order.trust() > 0) {
                agreed += placing(x, y, u, v, order);
            }
        }
        return looked == 0 ? 0 : agreed / looked;
    }

    /**
     * How the columns that two units have in common stand in them.
     *
     * @param common where each stands, here and there
     * @param trust how well the two orders agree, and how many columns say so, from 0 to 1
     */
    private record Order(List<int[]> common, double trust) {
        static final Order NONE = new Order(List.of(), 0);
    }

    /** Columns that might be one stand in one of the units only, so that they are never among what both have. */
    private Order order(int u, int v) {
        return orders.computeIfAbsent((long) u * units.size() + v, both -> {
            List<int[]> common = new ArrayList<>();
            for (String key : units.get(u).keys()) {
                Cluster cluster = clusterOf.get(key);
                Integer there = cluster == null ? null : cluster.places.get(v);
                Integer here = cluster == null ? null : cluster.places.get(u);
                if (there != null && here != null) {
                    common.add(new int[] {here, there});
                }
            }
            double trust = common.size() < 2 ? 0 : trust(common);
            return trust <= LEAST_TRUST ? Order.NONE : new Order(common, trust);
        });
    }

    private static double trust(List<int[]> common) {
        int with = 0;
        int against = 0;
        for (int i = 0; i < common.size(); i++) {
            for (int j = 0; j < i; j++) {
                long sign = (long) (common.get(i)[0] - common.get(j)[0]) * (common.get(i)[1] - common.get(j)[1]);
                with += sign > 0 ? 1 : 0;
                against += sign > 0 ? 0 : 1;
            }
        }
        double tau = Math.max(0, (double) (with - against) / Math.max(1, with + against));
        return tau * tau * Math.min(1, common.size() / 4.0);
    }

    /** How two columns stand to those that both units have, and whether they stand in the same gap between these. */
    private double placing(Cluster x, Cluster y, int u, int v, Order order) {
        Integer px = x.places.get(u);
        Integer py = y.places.get(v);
        if (px == null || py == null) {
            return 0;
        }
        List<int[]> common = order.common();
        double trust = order.trust();
        int same = 0;
        int leftHere = -1;
        int rightHere = units.get(u).keys().size();
        int leftThere = -1;
        int rightThere = units.get(v).keys().size();
        for (int[] at : common) {
            same += at[0] < px == at[1] < py ? 1 : 0;
            leftHere = at[0] < px ? Math.max(leftHere, at[0]) : leftHere;
            rightHere = at[0] < px ? rightHere : Math.min(rightHere, at[0]);
            leftThere = at[1] < py ? Math.max(leftThere, at[1]) : leftThere;
            rightThere = at[1] < py ? rightThere : Math.min(rightThere, at[1]);
        }
        boolean gap = same == common.size();
        // Where as many columns stand in the gap here and there, the first is the first.
        boolean rank = gap && rightHere - leftHere == rightThere - leftThere && px - leftHere == py - leftThere;
        return trust
                * (LineUpWeights.PLACE * (2.0 * same / common.size() - 1)
                        + (gap ? LineUpWeights.SAME_GAP : 0)
                        + (rank ? LineUpWeights.SAME_RANK : 0));
    }

    // ---- the second look ----

    private Cluster of(Set<String> keys) {
        Cluster whole = clusterOf.get(keys.iterator().next());
        return whole != null && whole.keys.equals(keys)
                ? whole
                : keys.stream()
                        .map(single::get)
                        .filter(java.util.Objects::nonNull)
                        .reduce(JointLineUp::united)
                        .orElseThrow();
    }

    /** A union weighed again with everything else final: against other columns, and against an exchange of halves. */
    private Union secondLook(Set<String> left, Set<String> right) {
        Set<String> part = right.size() <= left.size() ? right : left;
        Set<String> rest = part == right ? left : right;
        Cluster x = of(part);
        Cluster y = of(rest);
        double own = linkable(x, y) ? score(x, y) : NEVER;
        double alternative = Math.min(MOST_MARGIN, own - LineUpWeights.ITS_OWN);
        double exchange = MOST_MARGIN;
        Cluster whole = clusterOf.get(part.iterator().next());
        for (Cluster cluster : clusters) {
            if (cluster == whole) {
                continue;
            }
            Set<String> here = new TreeSet<>();
            Set<String> others = new TreeSet<>();
            for (String key : cluster.keys) {
                Cluster of = single.get(key);
                (of != null && of.units.intersects(x.units) ? here : others).add(key);
            }
            boolean beside = others.stream()
                    .anyMatch(key -> single.getOrDefault(key, x).units.intersects(y.units));
            if (!beside && !here.isEmpty()) {
                Cluster z = of(here);
                if (linkable(z, y)) {
                    alternative = Math.min(alternative, own - score(z, y));
                }
            } else if (beside && here.isEmpty()) {
                Cluster z = of(others);
                if (linkable(x, z)) {
                    alternative = Math.min(alternative, own - score(x, z));
                }
            } else if (beside) {
                Cluster z = of(others);
                Cluster h = of(here);
                if (linkable(h, z) && linkable(h, y) && linkable(x, z)) {
                    exchange = Math.min(exchange, (own + score(h, z) - score(x, z) - score(h, y)) / 2);
                }
            }
        }
        double low = Math.max(-MOST_MARGIN, Math.min(alternative, exchange));
        double high = Math.max(-MOST_MARGIN, Math.max(alternative, exchange));
        double sureness = LineUpWeights.logistic(1.8 * low + 0.12 * high);
        ColumnEvidence.Weighed base = base(x, y);
        boolean telling = base.words() || base.values() && alternative >= 2 && exchange >= 2 || onlyOfItsKind(x, y);
        return new Union(
                List.copyOf(part),
                List.copyOf(rest),
                sureness,
                sureness >= SURE && telling,
                evidence.reason(x.keys, x.profile(), y.keys, y.profile(), areTheSameFactor(x, y)));
    }

    /** True where each is the only column of dates, of shares, of codes all different, or of row numbers in its tables. */
    private boolean onlyOfItsKind(Cluster x, Cluster y) {
        if (x.profile().filled < ENOUGH_TO_RUN || y.profile().filled < ENOUGH_TO_RUN) {
            return false;
        }
        String sort = sort(x.profile());
        return !sort.isEmpty() && sort.equals(sort(y.profile())) && alone(x, sort) && alone(y, sort);
    }

    private static String sort(Profile profile) {
        return switch (profile.kind()) {
            case DATE -> "dates";
            case PERCENT, FRACTION -> SHARES;
            case CODE -> profile.allDifferent() ? "codes" : "";
            case WHOLE -> profile.runningShare() > MOSTLY_RUNNING ? "row numbers" : "";
            default -> "";
        };
    }

    private boolean alone(Cluster cluster, String sort) {
        for (int u : cluster.places.keySet()) {
            for (String key : units.get(u).keys()) {
                boolean shares = sort.equals(SHARES) && profile(key).couldBeShares();
                if (!cluster.keys.contains(key) && (shares || sort(profile(key)).equals(sort))) {
                    return false;
                }
            }
        }
        return true;
    }

    /** Another column that a header could be meant by, by one of its keys, and how likely that is. */
    record Candidate(String key, double likelihood) {}

    /** What else a column could be, for each of its keys: other columns that may be it, the likeliest first. */
    Map<String, List<Candidate>> candidates() {
        Standing now = standing();
        Map<String, List<Candidate>> found = new HashMap<>();
        now.scored.forEach(scored -> {
            Link pair = scored.link();
            // What was kept apart by an answer that nobody has confirmed is asked about for as long as that is so.
            if (areNotKeptApart(pair.one(), pair.other())) {
                double likelihood = now.sureness(scored);
                String one = pair.one().keys.iterator().next();
                String other = pair.other().keys.iterator().next();
                pair.one()
                        .keys
                        .forEach(key -> found.computeIfAbsent(key, k -> new ArrayList<>())
                                .add(new Candidate(other, likelihood)));
                pair.other()
                        .keys
                        .forEach(key -> found.computeIfAbsent(key, k -> new ArrayList<>())
                                .add(new Candidate(one, likelihood)));
            }
        });
        found.values()
                .forEach(list -> list.sort(Comparator.comparingDouble((Candidate c) -> -c.likelihood())
                        .thenComparing(Candidate::key)));
        return found;
    }

    /** How strongly two headers stand for one column, from 0 to 1, whatever tables they share; for telling related tables. */
    double strength(String a, String b) {
        if (a.equals(b)) {
            return 1;
        }
        Cluster x = single.get(a);
        Cluster y = single.get(b);
        return x == null || y == null ? 0 : evidence.strength(a, x.profile(), b, y.profile());
    }
}
