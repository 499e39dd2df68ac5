package cuvee.propose;

import cuvee.layout.Across;
import cuvee.layout.PlacedTable;
import cuvee.value.Convention;
import cuvee.value.Form;
import cuvee.value.LooseText;
import cuvee.value.Period;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/**
 * What the values of columns that run across are called where no header above them says it: what stands over the months
 * of other tables, or over the only number of a table that has the same columns and one record for each month; else the
 * words that the dated titles of all their tables share, else those that the names of their sheets share. Periods, and
 * words that differ from table to table, say which table it is and not what it holds.
 */
final class ValueName {
    private static final int MOST_WORDS = 3;
    private static final int MOST_WORDS_OF_ONE_TABLE = 2;
    private static final int FEWEST_LETTERS = 4;
    private static final Pattern LETTERS = Pattern.compile("[\\p{L}&'’]+");
    private static final Pattern WORDS = Pattern.compile("[\\s_]+");
    private static final Pattern DASH = Pattern.compile("\\s+[-–—]+\\s+");
    /** What stands behind one of these is an aside: a unit, a place, a remark. */
    private static final Pattern BREAK = Pattern.compile("[,;(\\[|_].*");

    private static final Set<String> LINKS = Set.of(
            "of", "for", "in", "per", "by", "the", "from", "to", "and", "fur", "für", "der", "die", "das", "des", "von",
            "pro", "je", "und", "de", "du", "la", "le", "pour", "par");
    /** Names that programs and habits give to any sheet or title. */
    private static final Set<String> SAY_NOTHING = Set.of(
            "sheet",
            "tabelle",
            "blatt",
            "feuil",
            "feuille",
            "hoja",
            "data",
            "daten",
            "table",
            "page",
            "plan",
            "report",
            "summary",
            "overview",
            "export",
            "main",
            "year",
            "total",
            "draft",
            "final");

    private ValueName() {}

    /** The name of the values in all tables that run across, from the whole batch; empty where nothing gives one. */
    static Optional<String> in(List<PlacedTable> batch, Map<PlacedTable, Across> across) {
        return overOthersMonths(across)
                .or(() -> most(new RecordsOfMonths().measures(batch, across)))
                .or(() -> shared(List.copyOf(across.keySet())));
    }

    /**
     * What stands over the months of other tables of the batch, where those of some have no name: the name that most
     * tables say, as long as all of them hold whole numbers, or all of them others.
     */
    private static Optional<String> overOthersMonths(Map<PlacedTable, Across> across) {
        Map<String, Integer> tables = new LinkedHashMap<>();
        Set<Boolean> fractions = new HashSet<>();
        Set<String> labels = new HashSet<>();
        across.forEach((table, block) -> {
            if (block.groups().size() == 1) {
                String name = block.groups().keySet().iterator().next();
                fractions.add(hasFractions(table, block));
                labels.add(block.label());
                if (!name.isEmpty()) {
                    tables.merge(name, 1, Integer::sum);
                }
            }
        });
        return fractions.size() == 1 && labels.size() == 1 ? most(tables) : Optional.empty();
    }

    private static boolean hasFractions(PlacedTable table, Across block) {
        return table.table().columns().stream()
                .filter(column -> block.columns().contains(column.index()))
                .anyMatch(column ->
                        column.evidence().pointMarks() + column.evidence().commaMarks() > 0
                                || column.evidence().count(Form.NUMBER_FRACTION) > 0);
    }

    private static Optional<String> most(Map<String, Integer> tables) {
        return tables.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
    }

    /** The name that all of these tables give to their values in their titles or by their sheets. */
    private static Optional<String> shared(List<PlacedTable> tables) {
        return shared(tables, table -> dated(table.table().titles()))
                .or(() -> shared(tables, table -> List.of(table.sheet())));
    }

    /** Titles that speak of a period, as those of plans do; other lines name an office, a program or a form. */
    private static List<String> dated(List<String> titles) {
        return titles.stream()
                .filter(line -> Period.in(line, Convention.Order.DAY_FIRST).isPresent())
                .toList();
    }

    private static Optional<String> shared(List<PlacedTable> tables, Function<PlacedTable, List<String>> said) {
        List<String> lines = new ArrayList<>(said.apply(tables.get(0)));
        Collections.reverse(lines);
        return lines.stream()
                .filter(line -> line.indexOf(':') < 0 && line.indexOf('|') < 0)
                .flatMap(DASH::splitAsStream)
                .map(line -> name(line, tables, said))
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Optional<String> name(
            String line, List<PlacedTable> tables, Function<PlacedTable, List<String>> said) {
        String text = Period.in(line, Convention.Order.DAY_FIRST)
                .map(found -> line.substring(0, found.from()) + " " + line.substring(found.to()))
                .orElse(line);
        List<String> words = new ArrayList<>();
        for (String word : WORDS.splitAsStream(BREAK.matcher(text.strip()).replaceFirst(""))
                .toList()) {
            String key = LooseText.key(word);
            boolean everywhere = tables.stream()
                    .allMatch(table -> said.apply(table).stream()
                            .flatMap(WORDS::splitAsStream)
                            .anyMatch(other -> LooseText.key(other).equals(key)));
            if (everywhere && LETTERS.matcher(word).matches()) {
                words.add(word);
            }
        }
        while (!words.isEmpty() && isLink(words.get(words.size() - 1))) {
            words.remove(words.size() - 1);
        }
        while (!words.isEmpty() && isLink(words.get(0))) {
            words.remove(0);
        }
        String name = capital(String.join(" ", words));
        boolean brief = words.size() <= (tables.size() == 1 ? MOST_WORDS_OF_ONE_TABLE : MOST_WORDS);
        boolean says = words.stream().anyMatch(word -> !SAY_NOTHING.contains(LooseText.key(word)));
        return brief && says && name.length() >= FEWEST_LETTERS ? Optional.of(name) : Optional.empty();
    }

    private static String capital(String name) {
        return name.isEmpty() ? name : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }

    private static boolean isLink(String word) {
        return LINKS.contains(LooseText.key(word));
    }
}
