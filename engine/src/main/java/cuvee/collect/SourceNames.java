package cuvee.collect;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What sources are called. The path in the place is enough for most; where two places hold a file of the same path, the
 * later one is called after its place as well, and stays so: the name is kept in the job, whatever becomes of the other
 * file.
 */
final class SourceNames {
    private final Map<String, String> kept;
    private final Map<String, String> made = new LinkedHashMap<>();

    /** @param kept the names that the job keeps, by {@link #key} */
    SourceNames(Map<String, String> kept) {
        this.kept = kept;
    }

    /** A source's place and the path in it. */
    static String key(String home, String inner) {
        return home + " : " + inner;
    }

    /** Names that were made beyond those kept, by {@link #key}. */
    Map<String, String> made() {
        return made;
    }

    /**
     * The sources under names that are all different.
     *
     * @throws IllegalStateException where two got the same, which cannot be
     */
    Map<Source, String> of(List<Source> sources) {
        Set<String> taken = new HashSet<>(kept.values());
        Map<Source, String> names = new HashMap<>();
        for (Source source : sources) {
            String key = key(source.home(), source.inner());
            String name = kept.get(key);
            if (name == null) {
                name = free(source, taken);
                if (!name.equals(source.inner())) {
                    made.put(key, name);
                }
                taken.add(name);
            }
            names.put(source, name);
        }
        if (new HashSet<>(names.values()).size() != sources.size()) {
            throw new IllegalStateException("two sources have one name");
        }
        return names;
    }

    private static String free(Source source, Set<String> taken) {
        String plain = source.inner();
        String folder = source.home().replace('\\', '/').replaceFirst("/+$", "");
        String named = folder.substring(folder.lastIndexOf('/') + 1) + "/" + plain;
        String longer = folder.replaceFirst("^(\\.\\.?/)+", "").replaceFirst("^/+", "") + "/" + plain;
        for (String name : List.of(plain, named, longer)) {
            if (!taken.contains(name)) {
                return name;
            }
        }
        int copy = 2;
        while (taken.contains(longer + " (" + copy + ")")) {
            copy++;
        }
        return longer + " (" + copy + ")";
    }
}
