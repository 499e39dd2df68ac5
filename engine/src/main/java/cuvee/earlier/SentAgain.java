package cuvee.earlier;

import cuvee.decision.Kinds;
import cuvee.decision.SourceChoice;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.LaidColumn;
import cuvee.layout.Nature;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.SameRows;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.propose.Doubles;
import cuvee.propose.Proposal;
import cuvee.rework.Amendments;
import cuvee.tag.Home;
import cuvee.tag.NameParts;
import cuvee.value.Type;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Files sent again: their names say the same but for a mark of a version, and their rows have keys in common. Where the
 * newest holds nearly all that there was it is taken, and the others are set aside; where it holds some of it only, it
 * amends those rows, and the others stay. The analyst is asked, with the sums of each.
 */
public final class SentAgain {

    private static final double ENOUGH = 0.8;
    /** So many of the fewer rows have to be there before, where a column tells every row apart. */
    private static final double SOME = 0.3;

    private static final long FEW = 2;
    /** So many where the column holds numbers. */
    private static final long FEW_NUMBERS = 3;

    private static final int MOST_COMPARED_ROW_BY_ROW = 8;

    /** One file of those that say the same. */
    private record Version(String path, long modified, List<PlacedTable> tables) {
        long rows() {
            return tables.stream().mapToLong(table -> table.table().kept()).sum();
        }
    }

    /** A file that amends some rows of those before it, by the columns of a key. */
    private record Amended(List<String> names, SameRows.Meeting meeting) {}

    private SentAgain() {}

    /** The tables of files that were sent again, with the reason, as the job has decided. */
    public static Map<PlacedTable, String> aside(Job job, List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySource = bySource(tables);
        Map<PlacedTable, String> aside = new HashMap<>();
        decisions(job).forEach(decision -> {
            List<String> paths = Names.splitTexts(decision.subject());
            if (bySource.keySet().containsAll(paths) && paths.contains(decision.answer())) {
                for (String path : paths) {
                    if (!path.equals(decision.answer())) {
                        bySource.getOrDefault(path, List.of())
                                .forEach(table -> aside.put(
                                        table, "it was sent again as " + decision.answer() + ", which is taken"));
                    }
                }
            }
        });
        return aside;
    }

    /** True for a file in whose place the job takes another that was sent later. */
    public static boolean isAside(Job job, String path) {
        return decisions(job).stream().anyMatch(decision -> {
            List<String> paths = Names.splitTexts(decision.subject());
            return paths.contains(decision.answer()) && !decision.answer().equals(path) && paths.contains(path);
        });
    }

    /** What the job has decided, each subject once. */
    public static List<Decision> decisions(Job job) {
        Map<String, Decision> bySubject = new LinkedHashMap<>();
        job.assumed().forEach(decision -> bySubject.put(decision.id(), decision));
        job.settled().forEach(decision -> bySubject.put(decision.id(), decision));
        return bySubject.values().stream()
                .filter(decision -> decision.kind().equals(Kinds.SENT_AGAIN))
                .toList();
    }

    private static Map<String, List<PlacedTable>> bySource(List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySource = new LinkedHashMap<>();
        tables.forEach(table -> bySource.computeIfAbsent(table.source(), source -> new ArrayList<>())
                .add(table));
        return bySource;
    }

    /**
     * New decisions about files of a master that look as if they had been sent again.
     *
     * @param modified when each source was changed last
     */
    public static List<Decision> found(Job job, Proposal proposal, MasterReader reader, Map<String, Long> modified) {
        List<PlacedTable> tables = proposal.layouts().stream()
                .flatMap(layout -> layout.tables().stream())
                .sorted(Comparator.comparingInt(PlacedTable::id))
                .toList();
        Map<String, List<PlacedTable>> bySource = bySource(tables);
        List<List<String>> groups = sameNames(bySource);
        Map<Integer, MasterPlan.Table> planned = new HashMap<>();
        proposal.plan().tables().forEach(table -> planned.put(table.id(), table));
        List<Decision> found = new ArrayList<>();
        for (List<String> group : groups) {
            List<Version> versions = group.stream()
                    .filter(path -> !Doubles.isTakenByYou(job, path))
                    .map(path ->
                            new Version(path, modified.getOrDefault(path, 0L), bySource.getOrDefault(path, List.of())))
                    .toList();
            Overlaps overlaps = new Overlaps(versions, proposal.plan(), planned, reader);
            Map<String, Version> left = new LinkedHashMap<>();
            versions.forEach(version -> left.put(version.path(), version));
            for (Version first : versions) {
                if (left.remove(first.path()) == null) {
                    continue;
                }
                List<Version> same = new ArrayList<>(List.of(first));
                for (int i = 0; i < same.size(); i++) {
                    Version known = same.get(i);
                    overlaps.possible(known, left).forEach(other -> {
                        if (overlaps.of(known, other)) {
                            left.remove(other.path());
                            same.add(other);
                        }
                    });
                }
                String subject = Names.joinTexts(
                        same.stream().map(Version::path).sorted().toList());
                if (same.size() > 1 && job.decision(Kinds.SENT_AGAIN, subject).isEmpty()) {
                    found.add(decision(subject, same, overlaps));
                }
            }
        }
        return found;
    }

    private static Decision decision(String subject, List<Version> same, Overlaps overlaps) {
        Version newest = same.stream()
                .max(Comparator.comparingLong(Version::modified)
                        .thenComparing((Version version) -> NameParts.marksVersion(version.path()))
                        .thenComparing(Version::path))
                .orElseThrow();
        String evidence = same.stream().map(SentAgain::sums).collect(Collectors.joining("; "));
        List<Version> earlier =
                same.stream().filter(version -> !version.equals(newest)).toList();
        Optional<Amended> amended = overlaps.amended(earlier, newest);
        return amended.isPresent()
                ? new Decision(
                        Kinds.SENT_AGAIN,
                        subject,
                        Amendments.answer(amended.get().names()),
                        "their names say the same; the newest holds "
                                + Says.number(amended.get().meeting().both()) + " of the "
                                + Says.count(amended.get().meeting().earlier(), "key")
                                + " before it, so that it amends those rows and the others stay",
                        evidence)
                : new Decision(
                        Kinds.SENT_AGAIN,
                        subject,
                        newest.path(),
                        "their names say the same and their rows have keys in common; the newest is taken",
                        evidence);
    }

    /** Sources whose names speak of the same thing. */
    private static List<List<String>> sameNames(Map<String, List<PlacedTable>> bySource) {
        Map<String, String> names = new LinkedHashMap<>();
        bySource.keySet().forEach(path -> names.put(path, Home.fileName(path)));
        NameParts parts = NameParts.of(names.values());
        Map<String, List<String>> byWords = new LinkedHashMap<>();
        names.forEach((path, name) -> byWords.computeIfAbsent(parts.words(name), words -> new ArrayList<>())
                .add(path));
        List<List<String>> groups = new ArrayList<>();
        for (List<String> alike : byWords.values()) {
            List<String> left = new ArrayList<>(alike);
            while (!left.isEmpty()) {
                String first = left.remove(0);
                List<String> group = new ArrayList<>(List.of(first));
                left.removeIf(other -> parts.same(Home.fileName(first), Home.fileName(other)) && group.add(other));
                if (group.size() > 1) {
                    groups.add(group);
                }
            }
        }
        return groups;
    }

    /** Which files of a group have keys in common; all tables of the group are compared at once. */
    private static final class Overlaps {
        private final MasterPlan plan;
        private final Map<Integer, MasterPlan.Table> planned;
        private final MasterReader reader;
        private final List<Integer> tables;
        private final Map<List<Integer>, Map<SameRows.Pair, Double>> byKeys = new HashMap<>();
        /** For each file, what tags say of its tables, as numbers that stand for it. */
        private final Map<String, Set<Integer>> told = new HashMap<>();
        /** The files of which tags say what a number stands for. */
        private final Map<Integer, Set<String>> saying = new HashMap<>();

        private final boolean comparable;
        /** False for so many versions that only their keys as a whole are compared. */
        private final boolean few;

        private @Nullable Set<Integer> rowNumbers;

        Overlaps(List<Version> versions, MasterPlan plan, Map<Integer, MasterPlan.Table> planned, MasterReader reader) {
            this.plan = plan;
            this.planned = planned;
            this.reader = reader;
            this.few = versions.size() <= MOST_COMPARED_ROW_BY_ROW;
            this.tables = versions.stream()
                    .flatMap(version -> version.tables().stream())
                    .map(PlacedTable::id)
                    .toList();
            Set<List<Integer>> columns = new HashSet<>();
            Map<Map<Integer, Origin>, Integer> numbers = new HashMap<>();
            for (Version version : versions) {
                Set<Integer> ofVersion = new HashSet<>();
                for (PlacedTable table : version.tables()) {
                    MasterPlan.Table there = planned.get(table.id());
                    if (there != null) {
                        Map<Integer, Origin> ofTable = told(there);
                        columns.add(List.copyOf(ofTable.keySet()));
                        ofVersion.add(numbers.computeIfAbsent(ofTable, next -> numbers.size()));
                    }
                }
                told.put(version.path(), ofVersion);
                ofVersion.forEach(number -> saying.computeIfAbsent(number, next -> new LinkedHashSet<>())
                        .add(version.path()));
            }
            comparable = columns.size() == 1;
        }

        /** What tags say of a table, by column. */
        private static Map<Integer, Origin> told(MasterPlan.Table table) {
            Map<Integer, Origin> told = new TreeMap<>();
            for (int i = 0; i < table.feeds().size(); i++) {
                MasterPlan.Feed feed = table.feeds().get(i);
                if (feed != null && feed.origin() instanceof Origin.Told) {
                    told.put(i, feed.origin());
                }
            }
            return told;
        }

        /** Those of some files that may overlap another; where tags fill the same columns of all, few say the same. */
        List<Version> possible(Version version, Map<String, Version> among) {
            if (!comparable) {
                return List.copyOf(among.values());
            }
            return told.getOrDefault(version.path(), Set.of()).stream()
                    .flatMap(number -> saying.getOrDefault(number, Set.of()).stream())
                    .distinct()
                    .flatMap(path -> Optional.ofNullable(among.get(path)).stream())
                    .toList();
        }

        boolean of(Version one, Version two) {
            for (PlacedTable table : one.tables()) {
                for (PlacedTable other : two.tables()) {
                    MasterPlan.Table a = planned.get(table.id());
                    MasterPlan.Table b = planned.get(other.id());
                    if (a != null && b != null && sameTold(a, b) && sameDays(table, other)) {
                        List<Integer> keys = keys(plan, a, b);
                        if (!keys.isEmpty() && share(a.id(), b.id(), keys) >= ENOUGH
                                || few && ownKey(List.of(a), List.of(b)).isPresent()) {
                            return true;
                        }
                    }
                }
            }
            return false;
        }

        /**
         * The first column that tells every row of some tables apart, of whose values enough stand on both sides. Numbers
         * may be alike by chance, so that one of them is not enough.
         */
        private Optional<Key> ownKey(List<MasterPlan.Table> earlier, List<MasterPlan.Table> later) {
            for (int i = 0; i < plan.columns().size(); i++) {
                Type type = plan.columns().get(i).type();
                boolean names = type == Type.TEXT
                        || type == Type.WHOLE_NUMBER && !rowNumbers().contains(i);
                if (names && isCell(i, earlier) && isCell(i, later)) {
                    SameRows.Meeting meeting = reader.sameRows().meeting(ids(earlier), ids(later), List.of(i));
                    long fewer = Math.min(meeting.earlier(), meeting.later());
                    long least = type == Type.TEXT ? Math.min(FEW, fewer) : FEW_NUMBERS;
                    if (meeting.unique() && meeting.both() >= least && meeting.both() >= SOME * fewer) {
                        return Optional.of(new Key(List.of(i), meeting));
                    }
                }
            }
            return Optional.empty();
        }

        private Set<Integer> rowNumbers() {
            if (rowNumbers == null) {
                rowNumbers = reader.figures().rowNumbers();
            }
            return rowNumbers;
        }

        private static boolean isCell(int column, List<MasterPlan.Table> tables) {
            return tables.stream().allMatch(table -> {
                MasterPlan.Feed feed = table.feeds().get(column);
                return feed != null && feed.origin() instanceof Origin.Cell;
            });
        }

        private static List<Integer> ids(List<MasterPlan.Table> tables) {
            return tables.stream().map(MasterPlan.Table::id).toList();
        }

        private List<MasterPlan.Table> planned(Version version) {
            return version.tables().stream()
                    .map(table -> planned.get(table.id()))
                    .filter(Objects::nonNull)
                    .toList();
        }

        /** By which columns a file amends others; empty where it holds nearly all that they do, so that it replaces them. */
        Optional<Amended> amended(List<Version> earlier, Version newest) {
            List<MasterPlan.Table> before = earlier.stream()
                    .flatMap(version -> planned(version).stream())
                    .toList();
            List<MasterPlan.Table> after = planned(newest);
            if (before.isEmpty() || after.isEmpty()) {
                return Optional.empty();
            }
            Key key = ownKey(before, after).orElseGet(() -> {
                List<Integer> columns = keys(plan, before.get(0), after.get(0));
                return new Key(columns, reader.sameRows().meeting(ids(before), ids(after), columns));
            });
            boolean replaces = key.meeting().both() >= ENOUGH * key.meeting().earlier();
            return replaces
                    ? Optional.empty()
                    : Optional.of(new Amended(
                            key.columns().stream()
                                    .map(column -> plan.columns().get(column).name())
                                    .toList(),
                            key.meeting()));
        }

        private record Key(List<Integer> columns, SameRows.Meeting meeting) {}

        private double share(int table, int other, List<Integer> keys) {
            return byKeys.computeIfAbsent(keys, each -> reader.sameRows().overlaps(tables, each))
                    .getOrDefault(SameRows.Pair.of(table, other), 0.0);
        }
    }

    /** False where the days of two tables lie apart, as far as some of them tell: no need to compare their keys. */
    private static boolean sameDays(PlacedTable table, PlacedTable other) {
        NavigableSet<LocalDate> days = days(table);
        NavigableSet<LocalDate> others = days(other);
        return days.isEmpty()
                || others.isEmpty()
                || !days.first().isAfter(others.last()) && !others.first().isAfter(days.last());
    }

    private static NavigableSet<LocalDate> days(PlacedTable table) {
        NavigableSet<LocalDate> days = new TreeSet<>();
        table.columns().forEach(column -> days.addAll(column.someDays()));
        return days;
    }

    /** True where all tags say the same of both. */
    private static boolean sameTold(MasterPlan.Table a, MasterPlan.Table b) {
        for (int i = 0; i < a.feeds().size(); i++) {
            MasterPlan.Feed one = a.feeds().get(i);
            MasterPlan.Feed two = b.feeds().get(i);
            if (one != null
                    && two != null
                    && one.origin() instanceof Origin.Told
                    && two.origin() instanceof Origin.Told
                    && !one.origin().equals(two.origin())) {
                return false;
            }
        }
        return true;
    }

    /** The columns of both tables that hold words or dates; all that both have where there are none. */
    private static List<Integer> keys(MasterPlan plan, MasterPlan.Table a, MasterPlan.Table b) {
        List<Integer> both = new ArrayList<>();
        List<Integer> keys = new ArrayList<>();
        for (int i = 0; i < plan.columns().size(); i++) {
            if (a.feeds().get(i) != null && b.feeds().get(i) != null) {
                both.add(i);
                if (!plan.columns().get(i).type().isNumber()) {
                    keys.add(i);
                }
            }
        }
        return keys.isEmpty() ? both : keys;
    }

    /** Asks about every group of files that the analyst has not settled. */
    public static List<Question> questions(Job job, List<PlacedTable> tables) {
        Map<String, List<PlacedTable>> bySource = bySource(tables);
        List<Question> questions = new ArrayList<>();
        for (Decision decision : decisions(job)) {
            List<String> paths = Names.splitTexts(decision.subject());
            if (job.isSettled(Kinds.SENT_AGAIN, decision.subject())
                    || !bySource.keySet().containsAll(paths)) {
                continue;
            }
            List<Version> versions = paths.stream()
                    .map(path -> new Version(path, 0, bySource.getOrDefault(path, List.of())))
                    .toList();
            List<Answer> answers = new ArrayList<>();
            versions.forEach(version -> answers.add(new Answer(version.path(), "take " + sums(version))));
            Optional<List<String>> amendedBy = Amendments.columns(decision.answer());
            answers.add(new Answer(
                    amendedBy.isPresent() ? decision.answer() : Amendments.answer(List.of()),
                    "take all rows, and of those with the same "
                            + amendedBy
                                    .filter(columns -> !columns.isEmpty())
                                    .map(Says::list)
                                    .orElse("words and dates")
                            + " those of the newest file"));
            answers.add(new Answer(SourceChoice.ALL, "take all of them; they are different things"));
            questions.add(Question.of(
                    Kinds.SENT_AGAIN,
                    decision.subject(),
                    Where.source(amendedBy.isPresent() ? paths.get(0) : decision.answer()),
                    (amendedBy.isPresent()
                                    ? "Of " + Says.list(paths) + " the newest seems to amend some rows of the others: "
                                    : "It looks like "
                                            + Says.list(paths.stream()
                                                    .filter(path -> !path.equals(decision.answer()))
                                                    .toList())
                                            + " sent again: ")
                            + versions.stream().map(SentAgain::sums).collect(Collectors.joining("; "))
                            + ". Which belongs to the master?",
                    decision.answer(),
                    answers,
                    versions.stream().mapToLong(Version::rows).sum()));
        }
        return questions;
    }

    /** A file with its rows and the sum of its last number column. */
    private static String sums(Version version) {
        Optional<LaidColumn> number = version.tables().stream()
                .flatMap(table -> table.columns().stream())
                .filter(column -> Nature.of(column.evidence()) == Nature.NUMBERS)
                .reduce((a, b) -> b);
        double sum = number.isEmpty()
                ? 0
                : version.tables().stream()
                        .flatMap(table -> table.columns().stream())
                        .filter(column -> column.header().equals(number.get().header()))
                        .mapToDouble(LaidColumn::sum)
                        .sum();
        return version.path() + " with " + Says.count(version.rows(), "row")
                + number.map(column -> ", " + Says.quoted(column.header()) + " " + Says.number(sum))
                        .orElse("");
    }
}
