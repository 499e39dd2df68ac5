package cuvee.gather;

import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.deliver.OwnMark;
import cuvee.deliver.WrittenFiles;
import cuvee.finding.Finding;
import cuvee.finding.Question;
import cuvee.finding.Question.Answer;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.master.Store;
import cuvee.place.Where;
import cuvee.tag.DefaultTags;
import cuvee.tag.Home;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Masters that Cuvee wrote and that lie among the sources: read back they would count every row twice. They are recognised
 * by the register of what was written, by the mark in the file, and where both are lost by their column of source files,
 * whose values name files of this batch. They are set aside, and asked about.
 */
public final class OwnMasters {
    /** Why a file that Cuvee wrote is set aside. */
    public static final String KIND = "own-master";

    /** So many of its values are looked at, and at least half of them have to name files of the batch. */
    private static final int MOST_VALUES = 500;

    private final List<WrittenFiles.Entry> written;
    private final Job job;

    /** For the files that a job has delivered, by the register of them. */
    public OwnMasters(WrittenFiles register, Job job) {
        this.written = register.read();
        this.job = job;
    }

    /** Whether the analyst takes a file whatever it is. */
    private boolean taken(String path) {
        return job.decision(Kinds.FILE, path)
                .filter(decision -> decision.answer().equals(TableChoice.TAKE))
                .isPresent();
    }

    private static boolean isPlace(String home, String inner) {
        return home.replace('\\', '/').endsWith("/" + inner) || home.equals(inner);
    }

    /** What stands beside how a file is read in what is remembered of it: a file that is taken is read otherwise. */
    String words(String path) {
        return taken(path) ? "; taken" : "";
    }

    /** Why a file is no source: it is a master, as the register or its mark says. One that is a place itself was meant. */
    Optional<Finding> recognise(Source source) {
        if (taken(source.path()) || isPlace(source.home(), source.inner())) {
            return Optional.empty();
        }
        boolean registered = WrittenFiles.sameContent(written, source.file()).isPresent();
        return registered || OwnMark.isIn(source.file())
                ? Optional.of(new Finding(
                        Severity.NOTICE,
                        KIND,
                        Where.source(source.path()),
                        registered
                                ? "It is a master that Cuvee wrote on this machine."
                                : "It is a master that Cuvee wrote, as its mark says.",
                        "It is set aside.",
                        "Put it back if it is to be a source all the same."))
                : Optional.empty();
    }

    /** Tables that are masters, by their column of source files, whose values name files of the batch. */
    public Map<PlacedTable, String> amongTables(List<PlacedTable> tables, Store store) {
        Set<String> names = new HashSet<>();
        tables.forEach(table -> {
            names.add(table.source());
            names.add(Home.fileName(table.source()));
        });
        Map<PlacedTable, String> found = new HashMap<>();
        for (PlacedTable table : tables) {
            if (!taken(table.source()) && namesFiles(table, names, store)) {
                found.put(
                        table,
                        "it is a master that Cuvee wrote: its column " + DefaultTags.SOURCE_FILE
                                + " names files of this batch");
            }
        }
        return found;
    }

    private static boolean namesFiles(PlacedTable table, Set<String> names, Store store) {
        String wanted = LooseText.key(DefaultTags.SOURCE_FILE);
        return table.table().columns().stream()
                .filter(column -> LooseText.key(column.header()).startsWith(wanted))
                .anyMatch(column -> {
                    List<String> values = store.rows()
                            .values(
                                    table.staged(),
                                    table.width(),
                                    column.index(),
                                    table.table().firstRow() + 1,
                                    table.table().lastRow(),
                                    MOST_VALUES);
                    long named = values.stream()
                            .filter(value -> !value.equals(table.source()))
                            .filter(value -> names.contains(value) || names.contains(Home.fileName(value)))
                            .count();
                    return named > 0 && named * 2 >= values.size() - 1;
                });
    }

    /** One question for each file that was recognised. */
    public static List<Question> questions(Job job, Map<String, SourceFacts> facts, Map<PlacedTable, String> masters) {
        Map<String, Long> rows = new HashMap<>();
        facts.values().stream()
                .filter(found -> found.problem().stream()
                        .anyMatch(problem -> problem.kind().equals(KIND)))
                .forEach(found -> rows.put(found.path(), 1L));
        masters.keySet()
                .forEach(
                        table -> rows.merge(table.source(), (long) table.table().kept(), Long::sum));
        List<Question> questions = new ArrayList<>();
        rows.keySet().stream()
                .sorted()
                .filter(path -> !job.isSettled(Kinds.FILE, path))
                .forEach(path -> questions.add(Question.of(
                        Kinds.FILE,
                        path,
                        Where.source(path),
                        "It is a master that Cuvee wrote, and is left out meanwhile, since its rows would count twice. Is"
                                + " it a source of this job all the same?",
                        job.decision(Kinds.FILE, path).map(Decision::answer).orElse(TableChoice.ASIDE),
                        List.of(
                                new Answer(TableChoice.ASIDE, "no, leave it out"),
                                new Answer(TableChoice.TAKE, "yes, take its rows in")),
                        rows.getOrDefault(path, 1L))));
        return questions;
    }
}
