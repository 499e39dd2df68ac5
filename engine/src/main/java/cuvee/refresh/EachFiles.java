package cuvee.refresh;

import cuvee.deliver.Content;
import cuvee.deliver.EachValue;
import cuvee.deliver.MasterFiles;
import cuvee.deliver.TargetGuard;
import cuvee.deliver.TargetGuard.Existing;
import cuvee.deliver.TargetName;
import cuvee.deliver.WrittenFiles;
import cuvee.finding.CuveeException;
import cuvee.gather.SmallTable;
import cuvee.job.Delivery;
import cuvee.master.Grouped;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.Store;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Known;
import cuvee.value.LooseText;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * The files of a delivery that writes one for each value of a column, or of several together: which there are, how they are called, and which
 * were written for values that are gone.
 *
 * @param columns where the columns stand in the master
 * @param files each file with the keys of its values in the store; null for rows without a value
 * @param unnamed values that the table of names does not have
 * @param gone files that this delivery wrote before for values that are gone, as they were written
 */
record EachFiles(
        Delivery.Each each,
        List<Integer> columns,
        Path folder,
        Map<Path, List<@Nullable String>> files,
        List<String> unnamed,
        List<Path> gone) {
    private static final int MOST_FILES = 2_000;
    private static final int NAMED = 5;
    private static final Comparator<@Nullable String> NULLS_LAST = Comparator.nullsLast(Comparator.naturalOrder());

    /**
     * The files of a delivery.
     *
     * @param target its target on the day
     * @throws CuveeException where a column is not there, they have too many values, or their names cannot be read
     */
    static EachFiles of(
            Store store, MasterPlan plan, Path target, Delivery.Each each, @Nullable Path names, List<Path> written) {
        List<Integer> columns = columns(plan, each);
        Map<List<@Nullable String>, List<@Nullable String>> keys = keys(store, plan, columns);
        if (keys.size() > MOST_FILES) {
            throw failure(
                    "too-many-files",
                    each.said() + (columns.size() == 1 ? " has " : " together have ") + Says.number(keys.size())
                            + " different values; a file for each would be more than " + Says.number(MOST_FILES) + ".",
                    "Name a column with fewer values.");
        }
        Map<String, String> called =
                names == null ? Map.of() : called(names, each.columns().get(0));
        Set<String> unnamed = new LinkedHashSet<>();
        for (List<@Nullable String> values : keys.keySet()) {
            String value = values.get(0);
            if (names != null && value != null && !called.containsKey(LooseText.key(value))) {
                unnamed.add(value);
            }
        }
        Map<Path, List<@Nullable String>> files = EachValue.files(
                target,
                each.columns(),
                List.copyOf(keys.keySet()),
                value -> value == null ? null : called.getOrDefault(LooseText.key(value), value));
        files.replaceAll((file, said) -> keys.getOrDefault(said, said));
        List<Path> gone = written.stream()
                .filter(file -> !files.containsKey(file))
                .filter(file -> EachValue.isOf(target, each.columns(), file))
                .toList();
        return new EachFiles(each, columns, TargetName.standing(target), files, List.copyOf(unnamed), gone);
    }

    private static List<Integer> columns(MasterPlan plan, Delivery.Each each) {
        if (each.columns().size() > 1 && !each.names().isEmpty()) {
            throw failure(
                    "no-names",
                    "What files are called can be said by a table for one column, not for " + each.said()
                            + " together.",
                    "Leave the table out; the files are called by their values then.");
        }
        if (each.columns().isEmpty()) {
            throw failure("no-column", "No column is named to write files for.", "Name a column of the master.");
        }
        List<Integer> columns = new ArrayList<>();
        for (String name : each.columns()) {
            int column = Known.of(plan).at(name);
            if (column < 0) {
                throw failure(
                        "no-column",
                        "There is no column " + Says.quoted(name) + " to write a file for each value of.",
                        "Name another column of the master.");
            }
            columns.add(column);
        }
        return columns;
    }

    /** The values that stand together in rows, in their order, with their keys in the store. */
    private static Map<List<@Nullable String>, List<@Nullable String>> keys(
            Store store, MasterPlan plan, List<Integer> columns) {
        Grouped.Asked asked = new Grouped.Asked(
                List.of(new Grouped.Value(Grouped.Measure.ROWS, 0)),
                columns.stream()
                        .map(column -> new Grouped.Key(column, Grouped.Span.VALUE))
                        .toList(),
                List.of(IntStream.range(0, columns.size()).boxed().toList()),
                List.of());
        Map<List<@Nullable String>, List<@Nullable String>> keys = new TreeMap<>(EachFiles::inOrder);
        store.grouped(plan, asked).get(0).forEach(group -> keys.put(group.said(), group.keys()));
        return keys;
    }

    private static int inOrder(List<@Nullable String> one, List<@Nullable String> other) {
        int order = 0;
        for (int i = 0; i < one.size() && order == 0; i++) {
            order = NULLS_LAST.compare(one.get(i), other.get(i));
        }
        return order;
    }

    /** What the files of values are called: beside the column that is called as the master's, else the first, the next. */
    private static Map<String, String> called(Path file, String column) {
        SmallTable table = SmallTable.read(file);
        int value = Math.max(0, table.at(column));
        int name = value == 0 ? 1 : 0;
        if (table.headers().size() < 2) {
            throw failure(
                    "no-names",
                    "The table in " + file.getFileName() + " has one column only, so that no value has a name.",
                    "Give it two: values of " + Says.quoted(column) + ", and what their files are called.");
        }
        Map<String, String> called = new HashMap<>();
        for (List<String> row : table.rows()) {
            if (!row.get(value).isEmpty() && !row.get(name).isEmpty()) {
                called.putIfAbsent(LooseText.key(row.get(value)), row.get(name));
            }
        }
        return called;
    }

    private static CuveeException failure(String kind, String what, String canDo) {
        return CuveeException.failure(kind, Where.JOB, what, "Nothing was written; the master itself is kept.", canDo);
    }

    /** Refuses all of them where one cannot be written or is not ours. */
    void check(TargetGuard guard, Existing existing, Path standing) {
        files.keySet().forEach(file -> {
            MasterFiles.check(file, standing);
            guard.check(file, existing);
        });
    }

    /** Writes each file; answers how many bytes they have. */
    long write(Store store, MasterPlan plan, MasterFiles.Register register, Folders folders) {
        long bytes = 0;
        for (Map.Entry<Path, List<@Nullable String>> file : files.entrySet()) {
            folders.make(file.getKey());
            try (MasterReader reader = store.readerOf(plan, columns, file.getValue())) {
                bytes += MasterFiles.write(new Content(reader, plan, List.of()), file.getKey(), register);
            }
        }
        return bytes;
    }

    /** Makes the folder of a file where it is to be made. */
    interface Folders {
        void make(Path file);
    }

    /** Removes the files of values that are gone where the delivery says so, each still as it was written; says which. */
    String afterwards(WrittenFiles written) {
        if (!each.removesGone()) {
            return unnamedSaid() + goneSaid("stayed", gone);
        }
        List<Path> removed = new ArrayList<>();
        List<Path> stayed = new ArrayList<>();
        for (Path file : gone) {
            (isRemoved(file, written) ? removed : stayed).add(file);
        }
        return unnamedSaid()
                + goneSaid(removed.size() == 1 ? "was removed" : "were removed", removed)
                + goneSaid("stayed", stayed);
    }

    private boolean isRemoved(Path file, WrittenFiles written) {
        try {
            return written.standing(file) == WrittenFiles.Standing.AS_WRITTEN
                    && !isOneOfThese(file)
                    && Files.deleteIfExists(file);
        } catch (IOException held) {
            return false;
        }
    }

    /** True for one of the files that were just written, by another way of writing its name. */
    private boolean isOneOfThese(Path file) throws IOException {
        for (Path each : files.keySet()) {
            if (Files.exists(each) && Files.exists(file) && Files.isSameFile(each, file)) {
                return true;
            }
        }
        return false;
    }

    /** What would be done, with nothing written. */
    String look(long rows) {
        long there = files.keySet().stream().filter(Files::exists).count();
        return Says.count(files.size(), "file") + ", " + Says.number(there) + " of which there are already; "
                + Says.count(rows, "row") + "." + unnamedSaid()
                + goneSaid(each.removesGone() ? "would be removed" : "stayed", gone);
    }

    private String unnamedSaid() {
        return unnamed.isEmpty()
                ? ""
                : " " + Says.count(unnamed.size(), "value") + (unnamed.size() == 1 ? " is" : " are") + " not in "
                        + each.names() + " and give" + (unnamed.size() == 1 ? "s its" : " their") + " own name"
                        + (unnamed.size() == 1 ? "" : "s") + ": " + named(unnamed) + ".";
    }

    private String goneSaid(String what, List<Path> files) {
        return files.isEmpty()
                ? ""
                : " Of values that are gone or called otherwise, " + Says.count(files.size(), "file") + " " + what
                        + ": "
                        + named(files.stream()
                                .map(file -> folder.relativize(file).toString())
                                .toList())
                        + ".";
    }

    private static String named(List<String> texts) {
        int more = texts.size() - NAMED;
        return Says.list(texts.stream().limit(NAMED).map(Says::quoted).toList())
                + (more > 0 ? " and " + Says.number(more) + " more" : "");
    }
}
