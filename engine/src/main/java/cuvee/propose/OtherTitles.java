package cuvee.propose;

import cuvee.layout.PlacedTable;
import cuvee.tag.Tags;
import cuvee.value.LooseText;
import cuvee.value.Period;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** Tables with the same records above which stands that they are of something else: {@code Loan: L-101}, {@code Loan: L-102}. */
public final class OtherTitles {
    private static final Pattern CELLS = Pattern.compile(" \\| ");
    /** When a sheet was printed or exported differs between copies too. */
    private static final Pattern MOMENT = Pattern.compile(".*\\d[./:-]\\d.*");

    private OtherTitles() {}

    /** What a table says of itself where another says something else under the same label; empty where it does not. */
    public static Optional<String> between(PlacedTable table, PlacedTable other) {
        Map<String, String> there = new HashMap<>();
        labels(other).forEach((label, text) -> there.putIfAbsent(LooseText.key(label), text));
        return labels(table).entrySet().stream()
                .filter(label -> {
                    String text = there.get(LooseText.key(label.getKey()));
                    return text != null && isAnother(label.getKey(), label.getValue(), text);
                })
                .map(label -> label.getKey() + ": " + label.getValue())
                .findFirst();
    }

    private static boolean isAnother(String label, String here, String there) {
        return !Tags.isOfTheSheet(label)
                && !LooseText.key(here).equals(LooseText.key(there))
                && !MOMENT.matcher(here).matches()
                && !MOMENT.matcher(there).matches()
                && Period.of(here).isEmpty()
                && Period.of(there).isEmpty();
    }

    /** What stands above a table under labels, by these in the order of the titles. */
    private static Map<String, String> labels(PlacedTable table) {
        Map<String, String> labels = new LinkedHashMap<>();
        for (String title : table.table().titles()) {
            List<String> cells = CELLS.splitAsStream(title).toList();
            int colon = title.indexOf(':');
            if (cells.size() == 2) {
                labels.putIfAbsent(
                        cells.get(0).strip().replaceFirst(":$", ""),
                        cells.get(1).strip());
            } else if (cells.size() == 1 && colon > 0 && colon < title.length() - 1) {
                labels.putIfAbsent(
                        title.substring(0, colon).strip(),
                        title.substring(colon + 1).strip());
            }
        }
        return labels;
    }
}
