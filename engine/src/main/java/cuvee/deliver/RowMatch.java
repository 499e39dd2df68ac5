package cuvee.deliver;

import cuvee.finding.CuveeException;
import cuvee.job.Delivery.How;
import cuvee.job.Delivery.Tab;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Matches the rows that stand in a tab with those of the master by their keys. */
final class RowMatch {
    private final String[] names;
    private final Tab tab;
    private final Refusing refusing;

    /** Makes the message with which a delivery is refused. */
    interface Refusing {
        CuveeException refused(String kind, String why, String canDo);
    }

    RowMatch(String[] names, Tab tab, Refusing refusing) {
        this.names = names.clone();
        this.tab = tab;
        this.refusing = refusing;
    }

    /**
     * The rows as they will stand in the tab.
     *
     * @param before those that stand there
     * @param master those of the master
     * @throws CuveeException where the key is no column, or not unique in the master
     */
    TabRows of(List<List<@Nullable String>> before, List<List<@Nullable String>> master) {
        int[] keys = tab.keys().stream()
                .mapToInt(key -> {
                    int at = Arrays.asList(names).indexOf(key);
                    if (at < 0) {
                        throw refusing.refused(
                                "no-key", "the master has no column " + Says.quoted(key), "Name the keys anew.");
                    }
                    return at;
                })
                .toArray();
        if (keys.length == 0) {
            throw refusing.refused(
                    "no-key", "it says by no column how rows are matched", "Name the columns of the key.");
        }
        Map<List<String>, List<@Nullable String>> now = new LinkedHashMap<>();
        for (List<@Nullable String> row : master) {
            if (now.put(key(row, keys), row) != null) {
                throw refusing.refused(
                        "key-repeats",
                        "the key " + Says.list(tab.keys()) + " is not unique in the master: "
                                + Says.quoted(written(row, keys)) + " stands in several rows",
                        "Name more columns of the key, or set the repeated rows aside.");
            }
        }
        List<List<@Nullable String>> all = new ArrayList<>();
        Set<List<String>> met = new HashSet<>();
        long changed = 0;
        long removed = 0;
        long kept = 0;
        for (List<@Nullable String> row : before) {
            List<String> key = key(row, keys);
            List<@Nullable String> fresh = now.get(key);
            if (fresh == null) {
                removed += tab.how() == How.MIRROR ? 1 : 0;
                kept += tab.how() == How.MIRROR ? 0 : 1;
                if (tab.how() != How.MIRROR) {
                    all.add(row);
                }
            } else {
                met.add(key);
                boolean same = tab.how() == How.NEW || same(row, fresh);
                changed += same ? 0 : 1;
                kept += same ? 1 : 0;
                all.add(same ? row : fresh);
            }
        }
        long added = 0;
        for (Map.Entry<List<String>, List<@Nullable String>> each : now.entrySet()) {
            if (!met.contains(each.getKey())) {
                all.add(each.getValue());
                added++;
            }
        }
        return new TabRows(all, false, added, changed, removed, kept);
    }

    private static boolean same(List<@Nullable String> one, List<@Nullable String> other) {
        for (int i = 0; i < one.size(); i++) {
            String a = one.get(i);
            String b = other.get(i);
            if (!Objects.requireNonNullElse(a, "").equals(Objects.requireNonNullElse(b, ""))) {
                return false;
            }
        }
        return true;
    }

    /** The key of a row as it is written. */
    private static String written(List<@Nullable String> row, int[] keys) {
        return Arrays.stream(keys)
                .mapToObj(at -> Objects.toString(row.get(at), ""))
                .collect(Collectors.joining(", "));
    }

    private static List<String> key(List<@Nullable String> row, int[] keys) {
        List<String> key = new ArrayList<>();
        for (int at : keys) {
            String value = row.get(at);
            key.add(value == null ? "" : LooseText.tidy(value).toLowerCase(Locale.ROOT));
        }
        return key;
    }
}
