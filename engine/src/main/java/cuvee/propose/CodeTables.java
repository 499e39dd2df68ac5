package cuvee.propose;

import cuvee.finding.CuveeException;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.gather.SmallTable;
import cuvee.job.Job;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.rework.Codes;
import cuvee.value.LooseText;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The tables by which codes are written as names: read from their files at each refresh, or held by the job. */
public final class CodeTables {
    private final Map<String, Loaded> byColumn;

    /**
     * A table as it was read.
     *
     * @param names by code
     * @param problem why it cannot be used; empty where it can
     */
    public record Loaded(Codes codes, Map<String, String> names, String problem) {
        public Loaded {
            names = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(names));
        }
    }

    private CodeTables(Map<String, Loaded> byColumn) {
        this.byColumn = byColumn;
    }

    /** The tables of names for codes that a job uses; what is wrong with them is added to the findings. */
    public static CodeTables of(Job job, Path jobFolder, List<Finding> findings) {
        Map<String, Loaded> byColumn = new LinkedHashMap<>();
        for (Codes codes : Codes.of(job)) {
            Loaded loaded = codes.file().isEmpty()
                    ? new Loaded(codes, codes.held(), codes.held().isEmpty() ? "it holds no codes with names" : "")
                    : load(codes, jobFolder.resolve(codes.file()).normalize(), findings);
            byColumn.put(codes.column(), loaded);
            if (codes.on() && !loaded.problem().isEmpty()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "rule-lost",
                        Where.source(codes.file()),
                        "The names for the codes of " + Says.quoted(codes.column()) + " cannot be read: "
                                + loaded.problem() + ".",
                        "The codes stay as they are.",
                        "Put the file back, or change the rule in Rework."));
            }
        }
        return new CodeTables(byColumn);
    }

    private static Loaded load(Codes codes, Path file, List<Finding> findings) {
        if (!Files.isRegularFile(file)) {
            return new Loaded(codes, Map.of(), "there is no such file");
        }
        try {
            SmallTable table = SmallTable.read(file);
            int code = column(table, codes.code());
            int name = column(table, codes.name());
            if (code < 0 || name < 0) {
                return new Loaded(
                        codes,
                        Map.of(),
                        "it has no column " + Says.quoted(code < 0 ? codes.code() : codes.name()) + "; it has "
                                + Says.list(table.headers().stream()
                                        .map(Says::quoted)
                                        .toList()));
            }
            Map<String, String> names = new LinkedHashMap<>();
            Set<String> several = new HashSet<>();
            for (List<String> row : table.rows()) {
                String key = row.get(code);
                String said = row.get(name);
                if (!key.isEmpty() && !said.isEmpty()) {
                    String before = names.putIfAbsent(key, said);
                    if (before != null && !before.equals(said)) {
                        several.add(key);
                    }
                }
            }
            if (!several.isEmpty()) {
                findings.add(new Finding(
                        Severity.WARNING,
                        "codes-twice",
                        Where.source(codes.file()),
                        Says.count(several.size(), "code") + (several.size() == 1 ? " has" : " have")
                                + " several names there, such as "
                                + Says.quoted(
                                        several.stream().sorted().findFirst().orElse("")) + ".",
                        "The first name of each is taken.",
                        "Correct the file."));
            }
            return new Loaded(codes, names, names.isEmpty() ? "it holds no codes with names" : "");
        } catch (CuveeException unreadable) {
            return new Loaded(codes, Map.of(), unreadable.finding().what().replaceFirst("[.]$", ""));
        }
    }

    private static int column(SmallTable table, String header) {
        return table.headers().stream().map(LooseText::key).toList().indexOf(LooseText.key(header));
    }

    /** Names by code for a column; empty where no rule in force has any. */
    Map<String, String> names(String column) {
        return loaded(column)
                .filter(loaded -> loaded.codes().on())
                .map(Loaded::names)
                .orElse(Map.of());
    }

    /** The table for a column. */
    public Optional<Loaded> loaded(String column) {
        return Optional.ofNullable(byColumn.get(column));
    }

    /** All of them, those that could not be read too. */
    public Collection<Loaded> all() {
        return byColumn.values();
    }

    /** The columns of a table that hold codes and names: the codes are the column that most values are in. */
    public static Optional<Codes> guess(String column, String path, SmallTable table, Collection<String> values) {
        Set<String> wanted = new HashSet<>(values);
        List<Long> shared = new ArrayList<>();
        for (int i = 0; i < table.headers().size(); i++) {
            int at = i;
            shared.add(table.rows().stream()
                    .map(row -> row.get(at))
                    .distinct()
                    .filter(wanted::contains)
                    .count());
        }
        int code = 0;
        for (int i = 1; i < shared.size(); i++) {
            code = shared.get(i) > shared.get(code) ? i : code;
        }
        if (table.headers().size() < 2 || shared.get(code) == 0) {
            return Optional.empty();
        }
        // Where the values hold codes here and names there, the names are the other column that some of them are in.
        int name = code == 0 ? 1 : 0;
        for (int i = 0; i < shared.size(); i++) {
            name = i != code && shared.get(i) > shared.get(name) ? i : name;
        }
        boolean otherWay = shared.get(name) > 0 && longer(table, code, name);
        return Optional.of(Codes.from(
                column,
                path,
                table.headers().get(otherWay ? name : code),
                table.headers().get(otherWay ? code : name)));
    }

    /** True where one column holds longer texts than the other, as names do. */
    private static boolean longer(SmallTable table, int column, int other) {
        return table.rows().stream().mapToInt(row -> row.get(column).length()).sum()
                > table.rows().stream().mapToInt(row -> row.get(other).length()).sum();
    }
}
