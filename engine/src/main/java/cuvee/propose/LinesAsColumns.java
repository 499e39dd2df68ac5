package cuvee.propose;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.detect.FoundTable;
import cuvee.detect.FoundTable.Aside;
import cuvee.detect.TableColumn;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.job.Names;
import cuvee.layout.Laying;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.LooseText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Lines that head the records below them become columns beside these. */
final class LinesAsColumns {
    private final Job job;
    private final List<PlacedTable> all;
    private final List<Decision> assumed = new ArrayList<>();

    LinesAsColumns(Job job, List<PlacedTable> tables) {
        this.job = job;
        this.all = tables;
    }

    Said said() {
        return new Said(List.of(), List.of(), assumed);
    }

    /** The names of the columns made from the lines of the tables of a layout; none where these are left out. */
    List<String> of(String signature, List<PlacedTable> same) {
        FoundTable first = same.get(0).table();
        if (first.sections().isEmpty()) {
            return List.of();
        }
        Optional<Decision> decision = job.decision(Kinds.SECTION_LINE, signature);
        if (decision.isPresent()) {
            return decision.get().answer().equals(TableChoice.LEAVE)
                    ? List.of()
                    : Names.splitTexts(decision.get().answer());
        }
        boolean two =
                same.stream().anyMatch(table -> Laying.levels(table.table()).contains(2));
        Set<String> taken = new HashSet<>();
        first.columns().forEach(column -> taken.add(LooseText.key(column.header())));
        List<String> names = new ArrayList<>();
        Optional<String> blank = two ? Optional.empty() : Laying.blankBesideLines(first);
        blank.ifPresent(names::add);
        for (int level = names.size() + 1; level <= (two ? 2 : 1); level++) {
            names.add(free(lineName(same, level), taken));
        }
        assumed.add(new Decision(
                Kinds.SECTION_LINE,
                signature,
                Names.joinTexts(names),
                "lines such as " + Says.quoted(first.sections().get(0).text()) + " head the rows below them",
                Says.count(
                        same.stream()
                                .mapToLong(table -> table.table().sections().size())
                                .sum(),
                        "line")));
        return names;
    }

    /** What a column of section lines is called: their label, else the header over the same words elsewhere. */
    private String lineName(List<PlacedTable> same, int level) {
        Set<String> labels = new LinkedHashSet<>();
        Set<String> texts = new HashSet<>();
        for (PlacedTable table : same) {
            List<Aside> sections = table.table().sections();
            List<Integer> levels = Laying.levels(table.table());
            for (int i = 0; i < sections.size(); i++) {
                if (levels.get(i) == level) {
                    labels.add(Laying.label(sections.get(i)));
                    texts.add(LooseText.key(Laying.text(sections.get(i))));
                }
            }
        }
        if (labels.size() == 1 && !labels.contains("")) {
            return labels.iterator().next();
        }
        for (PlacedTable table : all) {
            for (TableColumn column : table.table().columns()) {
                Set<String> words = column.evidence().oddities().keySet().stream()
                        .map(LooseText::key)
                        .collect(Collectors.toSet());
                long shared = texts.stream().filter(words::contains).count();
                if (shared >= 2 && shared * 2 >= texts.size() && column.named()) {
                    return column.header();
                }
            }
        }
        return level == 1 ? "Section" : "Subsection";
    }

    /** A name that no column has yet, by its loose key; it is taken then. */
    static String free(String name, Set<String> taken) {
        String free = name;
        for (int copy = 2; !taken.add(LooseText.key(free)); copy++) {
            free = name + " (" + copy + ")";
        }
        return free;
    }
}
