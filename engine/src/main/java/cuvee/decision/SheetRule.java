package cuvee.decision;

import cuvee.collect.NamePattern;
import cuvee.place.Says;
import cuvee.sheet.CellRange;
import cuvee.sheet.NamedRange;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Which sheets of a workbook belong, where the analyst says so instead of leaving it to what they hold: by name, by
 * position, by a table or range that the workbook names, or by fixed cells.
 */
public sealed interface SheetRule {
    /** Decisions of this kind are about a source, or about all files. */
    String KIND = "sheets";

    /** A sheet, as far as rules ask for it. */
    interface Sheet {
        String source();

        String name();

        /** True where people do not see it. */
        boolean hidden();

        /** The rectangles that the workbook names on it. */
        List<NamedRange> named();
    }

    /** What the words of a rule may look like, for those who ask. */
    String EXAMPLES = "sheets named Returns*, sheet 2, last sheet, table Crews, or cells B4:F200";

    /** True where the rule takes the sheet at a place in the list of its workbook's sheets. */
    boolean takes(int at, List<? extends Sheet> sheets);

    /** The cells that the rule confines a sheet to; empty where it takes it whole. */
    default Optional<CellRange> cellsOf(List<NamedRange> named) {
        return Optional.empty();
    }

    /** Sheets with one of some names. */
    record Named(List<String> names) implements SheetRule {
        public Named {
            names = List.copyOf(names);
        }

        @Override
        public boolean takes(int at, List<? extends Sheet> sheets) {
            Sheet sheet = sheets.get(at);
            return !sheet.hidden() && names.stream().anyMatch(name -> fits(name, sheet.name()));
        }

        private static boolean fits(String pattern, String name) {
            boolean varies = pattern.indexOf('*') >= 0 || pattern.indexOf('?') >= 0;
            return varies ? new NamePattern(pattern).fits(name.replace('/', '_')) : pattern.equalsIgnoreCase(name);
        }
    }

    /** The sheet at a position among those that are not hidden, from 1; 0 stands for the last. */
    record At(int position) implements SheetRule {
        @Override
        public boolean takes(int at, List<? extends Sheet> sheets) {
            List<Integer> seen = new ArrayList<>();
            for (int i = 0; i < sheets.size(); i++) {
                if (!sheets.get(i).hidden()) {
                    seen.add(i);
                }
            }
            int wanted = position == 0 ? seen.size() : position;
            return wanted >= 1 && wanted <= seen.size() && seen.get(wanted - 1) == at;
        }
    }

    /** The table or range that the workbook calls so. */
    record Table(String name) implements SheetRule {
        @Override
        public boolean takes(int at, List<? extends Sheet> sheets) {
            return cellsOf(sheets.get(at).named()).isPresent();
        }

        @Override
        public Optional<CellRange> cellsOf(List<NamedRange> named) {
            return named.stream()
                    .filter(range -> range.name().equalsIgnoreCase(name))
                    .map(NamedRange::range)
                    .findFirst();
        }
    }

    /** The same cells in every sheet. */
    record Cells(CellRange range) implements SheetRule {
        @Override
        public boolean takes(int at, List<? extends Sheet> sheets) {
            return !sheets.get(at).hidden();
        }

        @Override
        public Optional<CellRange> cellsOf(List<NamedRange> named) {
            return Optional.of(range);
        }
    }

    /** Reads a rule in words; empty where they are none. */
    public static Optional<SheetRule> of(String words) {
        String text = words.strip();
        String lower = text.toLowerCase(Locale.ROOT);
        Matcher at = Pattern.compile("sheet (\\d{1,4})").matcher(lower);
        if (lower.startsWith("sheets named ")) {
            List<String> names = NamePattern.listOf(text.substring(13));
            return names.isEmpty() ? Optional.empty() : Optional.of(new Named(names));
        }
        if (at.matches() && Integer.parseInt(at.group(1)) > 0) {
            return Optional.of(new At(Integer.parseInt(at.group(1))));
        }
        if (lower.equals("last sheet")) {
            return Optional.of(new At(0));
        }
        if (lower.startsWith("table ") && text.length() > 6) {
            return Optional.of(new Table(text.substring(6).strip()));
        }
        return lower.startsWith("cells ") ? CellRange.of(text.substring(6)).map(Cells::new) : Optional.empty();
    }

    /** The places of the sheets of one source that the rule takes. */
    default List<Integer> takenOf(List<? extends Sheet> sheets) {
        List<Integer> taken = new ArrayList<>();
        for (int i = 0; i < sheets.size(); i++) {
            if (takes(i, sheets)) {
                taken.add(i);
            }
        }
        return taken;
    }

    /** What the rule finds in every source, in words; nothing is changed by it. */
    default String effect(List<? extends Sheet> all) {
        Map<String, List<Sheet>> bySource = new LinkedHashMap<>();
        all.forEach(sheet -> bySource.computeIfAbsent(sheet.source(), source -> new ArrayList<>())
                .add(sheet));
        int found = 0;
        int several = 0;
        List<String> without = new ArrayList<>();
        for (Map.Entry<String, List<Sheet>> source : bySource.entrySet()) {
            int taken = takenOf(source.getValue()).size();
            found += taken > 0 ? 1 : 0;
            several += taken > 1 ? 1 : 0;
            if (taken == 0) {
                without.add(source.getKey());
            }
        }
        return "Found in " + Says.number(found) + " of " + Says.count(bySource.size(), "file")
                + (several > 0 ? ", in " + Says.number(several) + " more than once" : "")
                + (without.isEmpty() ? "." : "; not in " + Says.list(without) + ".");
    }
}
