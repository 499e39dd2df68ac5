package cuvee.gather;

import cuvee.collect.Source;
import cuvee.decision.Kinds;
import cuvee.decision.SheetRule;
import cuvee.decision.SourceChoice;
import cuvee.decision.TableChoice;
import cuvee.detect.Reading;
import cuvee.finding.Finding;
import cuvee.finding.Severity;
import cuvee.job.Decision;
import cuvee.job.Job;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.place.Where;
import cuvee.sheet.NamedRange;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * Which of the analyst's rules about sheets holds where: what is said of a file goes before what is said of the layout of
 * its tables, of the folders it lies in from the innermost on, of its place, and of all files.
 */
public final class SheetRules {
    /** Why hidden sheets are set aside. */
    public static final String HIDDEN_SHEET = "the sheet is hidden";

    private final Job job;
    private final Function<String, String> placeOf;

    /**
     * The rules of a job.
     *
     * @param placeOf what the place of a source is called, by the path of the source; empty where that is not known
     */
    public SheetRules(Job job, Function<String, String> placeOf) {
        this.job = job;
        this.placeOf = placeOf;
    }

    /** The rules of a job over sources of its places. */
    public static SheetRules of(Job job, Collection<Source> sources) {
        Map<String, String> places = new HashMap<>();
        sources.forEach(source -> places.put(source.path(), source.place()));
        return new SheetRules(job, path -> places.getOrDefault(path, ""));
    }

    /** What the place of a source is called; empty where that is not known. */
    public String place(String source) {
        return placeOf.apply(source);
    }

    /** The rule for a sheet with tables of some layouts; empty where it is left to what the sheet holds. */
    Optional<SheetRule> rule(String source, List<String> signatures) {
        return said(source)
                .or(() -> signatures.stream()
                        .flatMap(layout -> said(layout).stream())
                        .findFirst())
                .or(() -> ofFolder(source))
                .or(() -> said(place(source)))
                .or(() -> said(SourceChoice.ALL_FILES))
                .flatMap(decision -> SheetRule.of(decision.answer()));
    }

    /** A reading confined to the cells that the rule for the sheet says, where it says any. */
    Reading confine(Reading reading, String source, List<String> signatures, List<NamedRange> named) {
        return rule(source, signatures)
                .flatMap(rule -> rule.cellsOf(named))
                .map(reading::withCells)
                .orElse(reading);
    }

    private Optional<Decision> said(String subject) {
        return subject.isEmpty() ? Optional.empty() : job.decision(SheetRule.KIND, subject);
    }

    /** What is said of the innermost folder that holds a source and of which something is said. */
    private Optional<Decision> ofFolder(String source) {
        for (int slash = source.lastIndexOf('/'); slash > 0; slash = source.lastIndexOf('/', slash - 1)) {
            Optional<Decision> said = said(source.substring(0, slash + 1));
            if (said.isPresent()) {
                return said;
            }
        }
        return Optional.empty();
    }

    /**
     * The tables of one source whose sheets the rules do not take, with the reason; where they take none of it, that is a
     * finding.
     */
    Map<PlacedTable, String> leftOut(List<ReadSheet> sheets, List<Finding> findings) {
        Map<PlacedTable, String> out = new HashMap<>();
        List<ReadSheet> left = new ArrayList<>();
        for (int i = 0; i < sheets.size(); i++) {
            ReadSheet sheet = sheets.get(i);
            Optional<SheetRule> rule = rule(sheet.source(), sheet.signatures());
            if (rule.isPresent() && !rule.get().takes(i, sheets)) {
                left.add(sheet);
                sheet.tables().forEach(table -> out.put(table, "it is none of the sheets that your rule takes"));
            }
        }
        if (!left.isEmpty() && left.size() == sheets.size()) {
            findings.add(new Finding(
                    Severity.WARNING,
                    "no-sheet",
                    Where.source(sheets.get(0).source()),
                    "Your rule finds no sheet in it. It has "
                            + Says.list(left.stream()
                                    .map(sheet -> Says.quoted(sheet.name()))
                                    .toList()) + ".",
                    "Nothing was taken from it.",
                    "Change the rule in Read, or say for this file alone which sheets belong."));
        }
        return out;
    }

    /** The tables of sheets that the analyst's rules do not take, or that are hidden, with the reason. */
    public Map<PlacedTable, String> ruledOut(List<SourceFacts> sources, List<Finding> findings) {
        Map<PlacedTable, String> out = new HashMap<>();
        for (SourceFacts source : sources) {
            if (source.readable() || source.isKept()) {
                List<ReadSheet> sheets = ReadSheet.of(List.of(source), this::place, Map.of());
                out.putAll(leftOut(sheets, findings));
                sheets.stream()
                        .filter(ReadSheet::hidden)
                        .forEach(sheet -> sheet.tables().forEach(table -> {
                            if (takes(sheet)) {
                                out.remove(table);
                            } else {
                                out.put(table, HIDDEN_SHEET);
                            }
                        }));
            }
        }
        return out;
    }

    private boolean takes(ReadSheet sheet) {
        return job.decision(Kinds.SHEET, sheet.subject())
                .filter(decision -> decision.answer().equals(TableChoice.TAKE))
                .isPresent();
    }
}
