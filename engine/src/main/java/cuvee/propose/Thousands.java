package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.layout.PlacedTable;
import cuvee.place.Says;
import cuvee.value.Meaning;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Numbers in thousands beside others in full. */
final class Thousands {

    private final WrittenEvidence seen;

    Thousands(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** The tables whose numbers are thousands. */
    Map<PlacedTable, Meant> of(DraftColumn of) {
        String name = of.name();
        Map<PlacedTable, LaidColumn> fed = new LinkedHashMap<>(of.fed());
        fed.values()
                .removeIf(each -> !(each.origin() instanceof Origin.Cell || each.origin() instanceof Origin.Values));
        boolean money = fed.entrySet().stream()
                .anyMatch(each -> each.getKey().currency(each.getValue()).isPresent()
                        || !each.getValue().evidence().currencies().isEmpty());
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        List<PlacedTable> doubtful = new ArrayList<>();
        List<PlacedTable> byNumbers = new ArrayList<>();
        Map<PlacedTable, Scales.Speaks> found = Scales.thousands(fed, money);
        fed.forEach((table, column) -> {
            Optional<Meaning> said = seen.said(name, table);
            Scales.Speaks speaks = found.get(table);
            boolean words = speaks == Scales.Speaks.SURELY || speaks == Scales.Speaks.WORDS_ONLY;
            if (said.map(meaning -> meaning == Meaning.THOUSANDS).orElse(words)) {
                meant.put(table, new Meant(Meaning.THOUSANDS, "", 0, 0));
            }
            if (said.isEmpty() && speaks == Scales.Speaks.WORDS_ONLY) {
                doubtful.add(table);
            }
            if (said.isEmpty() && speaks == Scales.Speaks.NUMBERS_ONLY) {
                byNumbers.add(table);
            }
        });
        if (!meant.isEmpty()) {
            seen.tellOfThese(
                    name,
                    meant.keySet(),
                    doubtful,
                    Meaning.THOUSANDS,
                    "numbers in thousands, as they say",
                    "thousands");
        } else if (!byNumbers.isEmpty() && !seen.isSettledThroughout(name)) {
            seen.askOfThese(
                    name,
                    byNumbers,
                    "In the column " + Says.quoted(name) + ", the numbers of " + WrittenEvidence.files(byNumbers)
                            + " are about a thousand times smaller than those of the others. Are they thousands?",
                    Meaning.THOUSANDS,
                    "thousands",
                    Meaning.AS_WRITTEN);
        }
        return meant;
    }
}
