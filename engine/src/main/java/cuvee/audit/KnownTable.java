package cuvee.audit;

import cuvee.check.CheckResult;
import cuvee.gather.SmallTable;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.master.MasterText;
import cuvee.place.Says;
import cuvee.value.Convention;
import cuvee.value.LooseText;
import cuvee.value.Type;
import cuvee.value.ValueReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Compares a master with a table that somebody knows to be right, in the columns that both have: row by row where keys match
 * them, else as two heaps of whole rows. Texts are compared without outer spaces and capitals, other values as the master's
 * types read them.
 */
final class KnownTable {
    private static final int NAMED = 5;

    private final SmallTable table;
    private final List<String> keys;
    /** The master's columns that the table has too, and where. */
    private final List<Column> columns = new ArrayList<>();

    private final List<String> details = new ArrayList<>();
    private long fails;

    private record Column(String name, Type type, int here, int there) {}

    KnownTable(MasterPlan plan, SmallTable table, List<String> keys) {
        this.table = table;
        this.keys = keys;
        List<String> headers = table.headers().stream().map(LooseText::key).toList();
        int at = 0;
        for (MasterPlan.Column column : plan.columns()) {
            int there = headers.indexOf(LooseText.key(column.name()));
            if (there >= 0) {
                columns.add(new Column(column.name(), column.type(), at, there));
            }
            at++;
        }
        for (MasterPlan.Tag tag : plan.tags()) {
            int there = headers.indexOf(LooseText.key(tag.name()));
            if (there >= 0) {
                columns.add(new Column(tag.name(), Type.TEXT, at, there));
            }
            at++;
        }
    }

    /** Compares; cases are rows that are missing or more, and cells that differ. */
    CheckResult compare(String words, MasterReader reader) {
        for (String key : keys) {
            if (columns.stream().noneMatch(column -> column.name().equals(key))) {
                return lost(words, "it has no column " + Says.quoted(key));
            }
        }
        if (columns.isEmpty()) {
            return lost(
                    words,
                    "it has none of the master's columns; it has "
                            + Says.list(
                                    table.headers().stream().map(Says::quoted).toList()));
        }
        List<List<@Nullable String>> there = new ArrayList<>();
        for (List<String> row : table.rows()) {
            List<@Nullable String> values = new ArrayList<>();
            columns.forEach(column -> values.add(read(row.get(column.there()), column.type())));
            there.add(values);
        }
        List<List<@Nullable String>> here = new ArrayList<>();
        reader.each(values -> {
            List<@Nullable String> row = new ArrayList<>();
            columns.forEach(column -> row.add(tidy(values[column.here()], column.type())));
            here.add(row);
        });
        if (keys.isEmpty()) {
            asHeaps(here, there);
        } else {
            byKey(here, there);
        }
        return new CheckResult(words, fails, List.of(), details, "");
    }

    private static CheckResult lost(String words, String problem) {
        return new CheckResult(words, 0, List.of(), List.of(), problem);
    }

    private static @Nullable String read(String text, Type type) {
        if (text.isBlank()) {
            return null;
        }
        String read = type == Type.TEXT ? text : ValueReader.read(text, type, Convention.DEFAULT);
        return read == null ? text : type.isNumber() ? MasterText.shortest(read) : tidy(read, type);
    }

    private static @Nullable String tidy(@Nullable String value, Type type) {
        return value == null || value.isBlank() ? null : type == Type.TEXT ? value.strip() : value;
    }

    private void fail(String said) {
        fails++;
        if (details.size() < NAMED) {
            details.add(said);
        }
    }

    private void asHeaps(List<List<@Nullable String>> here, List<List<@Nullable String>> there) {
        Map<List<String>, Long> heap = new LinkedHashMap<>();
        there.forEach(row -> heap.merge(whole(row), 1L, Long::sum));
        List<List<String>> more = new ArrayList<>();
        for (List<@Nullable String> row : here) {
            List<String> whole = whole(row);
            if (heap.merge(whole, -1L, Long::sum) < 0) {
                more.add(whole);
            }
        }
        heap.forEach((row, count) -> {
            for (long i = 0; i < count; i++) {
                fail("not in the master: " + said(row));
            }
        });
        more.forEach(row -> fail("only in the master: " + said(row)));
    }

    private List<String> whole(List<@Nullable String> row) {
        return row.stream()
                .map(value ->
                        LooseText.tidy(Objects.requireNonNullElse(value, "")).toLowerCase(Locale.ROOT))
                .toList();
    }

    private static String said(List<String> row) {
        return String.join(" | ", row);
    }

    private void byKey(List<List<@Nullable String>> here, List<List<@Nullable String>> there) {
        Map<List<String>, List<@Nullable String>> known = new LinkedHashMap<>();
        for (List<@Nullable String> row : there) {
            if (known.putIfAbsent(key(row), row) != null) {
                fail("twice in the table: " + said(key(row)));
            }
        }
        Set<List<String>> met = new HashSet<>();
        Map<List<String>, Integer> more = new HashMap<>();
        for (List<@Nullable String> row : here) {
            List<String> key = key(row);
            List<@Nullable String> right = known.get(key);
            if (right == null) {
                fail("only in the master: " + said(key));
            } else if (!met.add(key)) {
                if (more.merge(key, 1, Integer::sum) == 1) {
                    fail("twice in the master: " + said(key));
                }
            } else {
                cells(key, row, right);
            }
        }
        known.keySet().stream()
                .filter(key -> !met.contains(key))
                .forEach(key -> fail("not in the master: " + said(key)));
    }

    private void cells(List<String> key, List<@Nullable String> row, List<@Nullable String> right) {
        for (int i = 0; i < columns.size(); i++) {
            String ours = Objects.requireNonNullElse(row.get(i), "");
            String theirs = Objects.requireNonNullElse(right.get(i), "");
            if (!ours.equalsIgnoreCase(theirs)) {
                fail(said(key) + ", " + columns.get(i).name() + ": " + (ours.isEmpty() ? "blank" : ours) + " here, "
                        + (theirs.isEmpty() ? "blank" : theirs) + " there");
            }
        }
    }

    private List<String> key(List<@Nullable String> row) {
        List<String> key = new ArrayList<>();
        for (String name : keys) {
            for (int i = 0; i < columns.size(); i++) {
                if (columns.get(i).name().equals(name)) {
                    key.add(LooseText.tidy(Objects.requireNonNullElse(row.get(i), ""))
                            .toLowerCase(Locale.ROOT));
                }
            }
        }
        return key;
    }
}
