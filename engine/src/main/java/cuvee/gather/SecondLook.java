package cuvee.gather;

import cuvee.detect.FoundTable;
import cuvee.detect.HeaderHints;
import cuvee.detect.Reading;
import cuvee.detect.TableFinder;
import cuvee.gather.SourceFacts.Plain;
import cuvee.gather.SourceFacts.SheetFacts;
import cuvee.job.Job;
import cuvee.layout.Signatures;
import cuvee.master.Store;
import cuvee.sheet.CellRange;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Finds tables anew in sheets where the other tables of the batch or the job have something to say. The rows come from
 * staging, so no file is read for it. What comes out depends on the batch and the job only, not on the order in which
 * sources came.
 */
public final class SecondLook {
    /** Stands for a sheet in whose reading nothing else had a say. */
    static final String PLAIN = "-";
    /** Stands for a sheet in which points part thousands. */
    private static final String THOUSANDS = " thousands";
    /** Stands for a sheet in which rows are called as the totals of others. */
    private static final String TOTALS = " totals ";

    private final Store store;
    private final Job job;
    private final SheetRules rules;
    private final AtomicInteger nextId;
    private final Forms forms;
    private final SidewaysTables sideways;
    private final HeaderHints hints;
    private final String hintsMark;
    /** What totals are called that do not say so. */
    private final Set<String> totalNames = new TreeSet<>();

    private final Map<Integer, Map<Integer, String>> aside = new TreeMap<>();

    public SecondLook(Store store, Job job, SheetRules rules, AtomicInteger nextId, Iterable<SourceFacts> batch) {
        this.rules = rules;
        this.store = store;
        this.job = job;
        this.nextId = nextId;
        this.forms = new Forms(store, batch);
        this.sideways = new SidewaysTables(store, batch);
        batch.forEach(source -> source.sheets().stream()
                .flatMap(sheet -> sheet.plain().stream())
                .forEach(table -> totalNames.addAll(table.totalNames().told())));
        Set<String> shared = shared(batch);
        this.hints = new HeaderHints(shared);
        this.hintsMark =
                Integer.toHexString(String.join("|", new TreeSet<>(shared)).hashCode());
    }

    /** Headers that more than one table of the batch has. */
    private static Set<String> shared(Iterable<SourceFacts> batch) {
        Map<String, Integer> tablesByKey = new HashMap<>();
        batch.forEach(source -> source.sheets().stream()
                .filter(sheet -> !sheet.hidden())
                .flatMap(sheet -> sheet.plain().stream())
                .forEach(table -> new HashSet<>(table.keys()).forEach(key -> tablesByKey.merge(key, 1, Integer::sum))));
        Set<String> shared = new HashSet<>();
        tablesByKey.forEach((key, tables) -> {
            if (tables > 1) {
                shared.add(key);
            }
        });
        return shared;
    }

    /** The rows that are no records, by the numbers of the tables found anew. */
    Map<Integer, Map<Integer, String>> aside() {
        return aside;
    }

    /** The facts of a source with every sheet read as the batch and the job say; empty where nothing changes by that. */
    Optional<SourceFacts> of(SourceFacts facts) {
        List<SheetFacts> sheets = new ArrayList<>();
        boolean changed = false;
        for (SheetFacts sheet : facts.sheets()) {
            Optional<SheetFacts> looked = look(facts.path(), sheet);
            changed |= looked.isPresent();
            sheets.add(looked.orElse(sheet));
        }
        return changed ? Optional.of(facts.withSheets(sheets)) : Optional.empty();
    }

    private Optional<SheetFacts> look(String source, SheetFacts sheet) {
        List<FoundTable> form = forms(source, sheet);
        if (!form.isEmpty()) {
            String under = Forms.mark(form);
            if (sheet.under().equals(under)) {
                return Optional.empty();
            }
            // What is said of a layout is said of the one that it has without that.
            List<String> made = isFormByHand(source, sheet)
                    ? sheet.signatures()
                    : form.stream().map(Signatures::of).toList();
            SheetFacts found = sheet.found(made, under, nextId.getAndAdd(form.size()), form);
            addAside(found, aside);
            return Optional.of(found);
        }
        boolean hinted = hinted(sheet);
        Set<String> totals = totalNames(sheet);
        String by = (hinted ? hintsMark : PLAIN)
                + (thousands(sheet) ? THOUSANDS : "")
                + (totals.isEmpty() ? "" : TOTALS + Integer.toHexString(totals.hashCode()));
        List<String> signatures = sheet.signatures();
        if (!sheet.under().startsWith(by)) {
            signatures = find(sheet, hinted, Reading.DEFAULT).stream()
                    .map(Signatures::of)
                    .toList();
        }
        Reading reading = rules.confine(
                ReadingDecisions.of(job, source, sheet.name(), signatures),
                source,
                signatures,
                sheet.clues().named());
        String under = by + "; " + reading.words();
        String before = sheet.under().equals(PLAIN) ? PLAIN + "; " : sheet.under();
        if (before.equals(under)) {
            return Optional.empty();
        }
        List<FoundTable> tables = find(sheet, hinted, reading);
        int first = nextId.getAndAdd(Math.max(1, tables.size()));
        SheetFacts found = sheet.found(signatures, under, first, tables);
        addAside(found, aside);
        return Optional.of(found);
    }

    /** The records of a sheet that is a form, by itself or as the analyst says; none where it is none. */
    private List<FoundTable> forms(String source, SheetFacts sheet) {
        List<FoundTable> found = forms.of(sheet);
        if (found.isEmpty()) {
            found = sideways.of(sheet);
        }
        boolean ours = !found.isEmpty() && isLeftToUs(source, sheet, found.get(0));
        return ours ? found : isFormByHand(source, sheet) ? byHand(sheet) : List.of();
    }

    /** The records of a sheet of which the analyst says that it is a form. */
    private List<FoundTable> byHand(SheetFacts sheet) {
        List<FoundTable> records = sideways.byHand(sheet);
        return records.isEmpty() ? forms.byHand(sheet) : records;
    }

    /** True where nothing has been decided about how a sheet, or sheets like it, are read. */
    private boolean isLeftToUs(String source, SheetFacts sheet, FoundTable form) {
        List<String> signatures = new ArrayList<>(sheet.signatures());
        signatures.add(Signatures.of(form));
        Reading reading = rules.confine(
                ReadingDecisions.of(job, source, sheet.name(), signatures),
                source,
                signatures,
                sheet.clues().named());
        return reading.equals(Reading.DEFAULT) || reading.equals(Reading.DEFAULT.withForm(Reading.Form.YES));
    }

    private boolean isFormByHand(String source, SheetFacts sheet) {
        return ReadingDecisions.of(job, source, sheet.name(), sheet.signatures())
                        .form()
                == Reading.Form.YES;
    }

    /** Adds the rows of a sheet's tables that are no records, by the numbers of the tables. */
    public static void addAside(SheetFacts sheet, Map<Integer, Map<Integer, String>> aside) {
        for (int i = 0; i < sheet.tables().size(); i++) {
            aside.put(sheet.firstTable() + i, sheet.aside(i));
        }
    }

    /** True where another row could be a header and its words are not what others have. */
    private boolean hinted(SheetFacts sheet) {
        return !hints.looseKeys().isEmpty() && sheet.plain().stream().anyMatch(table -> table.close() && !knows(table));
    }

    /** True where totals are told only once a point in numbers is known to part thousands. */
    private static boolean thousands(SheetFacts sheet) {
        return sheet.plain().stream().anyMatch(Plain::thousands);
    }

    /** What rows of a sheet are called that may be totals, where totals of other tables are called so. */
    private Set<String> totalNames(SheetFacts sheet) {
        Set<String> names = new TreeSet<>();
        sheet.plain().forEach(table -> names.addAll(table.totalNames().perhaps()));
        names.retainAll(totalNames);
        return names;
    }

    private boolean knows(Plain table) {
        long known = table.keys().stream().filter(hints.looseKeys()::contains).count();
        return known * 2 >= table.keys().size();
    }

    /** What would be found in a sheet under a reading; nothing is kept of it. */
    public List<FoundTable> tryOut(SheetFacts sheet, Reading reading) {
        List<FoundTable> form = reading.form() == Reading.Form.YES ? byHand(sheet) : List.of();
        return !form.isEmpty() ? form : find(sheet, hinted(sheet), reading);
    }

    private List<FoundTable> find(SheetFacts sheet, boolean hinted, Reading reading) {
        HeaderHints known = (hinted ? hints : HeaderHints.NONE)
                .withPointsPartingThousands(thousands(sheet))
                .withTotalNames(totalNames(sheet));
        TableFinder finder = new TableFinder(known, sheet.clues(), reading);
        if (reading.cells().isEmpty()) {
            store.replay(sheet.staged(), finder::row);
        } else {
            CellRange cells = reading.cells().get();
            store.replay(sheet.staged(), row -> {
                if (cells.holdsRow(row.number())) {
                    finder.row(row.part(cells.firstColumn(), cells.lastColumn() + 1));
                }
            });
        }
        return finder.end();
    }
}
