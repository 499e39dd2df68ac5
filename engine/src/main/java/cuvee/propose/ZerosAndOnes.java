package cuvee.propose;

import cuvee.layout.LaidColumn;
import cuvee.layout.PlacedTable;
import cuvee.value.Convention;
import cuvee.value.Evidence;
import cuvee.value.Form;
import cuvee.value.Meaning;
import cuvee.value.Type;
import cuvee.value.Typing;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Ones and noughts that are yes and no where all other tables say that in words. */
final class ZerosAndOnes {
    private static final double NEARLY_ALL = 0.95;

    private final WrittenEvidence seen;

    ZerosAndOnes(WrittenEvidence seen) {
        this.seen = seen;
    }

    /** The tables whose numbers are yes and no. */
    Map<PlacedTable, Meant> of(String name, Map<PlacedTable, LaidColumn> fed) {
        Map<PlacedTable, LaidColumn> numbers = new LinkedHashMap<>();
        boolean words = false;
        for (Map.Entry<PlacedTable, LaidColumn> entry : fed.entrySet()) {
            Evidence e = entry.getValue().evidence();
            long said = e.filled() - e.count(Form.NOTHING_WORD, Form.CELL_ERROR);
            if (said > 0 && e.count(Form.NUMBER_WHOLE, Form.DIGITS) == said && e.belowZero() == 0) {
                numbers.put(entry.getKey(), entry.getValue());
            } else if (said > 0 && Typing.fit(e, Type.YES_NO) < said * NEARLY_ALL) {
                return Map.of();
            } else {
                words |= said > 0;
            }
        }
        if (numbers.isEmpty() || !words && !seen.isSettled(name)) {
            return Map.of();
        }
        Map<PlacedTable, Meant> meant = new LinkedHashMap<>();
        seen.looked(numbers, Convention.DEFAULT).forEach((table, range) -> {
            Optional<Meaning> told = seen.said(name, table);
            boolean ones = range.greatest() <= 1 && range.least() >= 0;
            if (told.map(meaning -> meaning == Meaning.ONE_FOR_YES).orElse(ones)) {
                meant.put(table, new Meant(Meaning.ONE_FOR_YES, "", 0, 0));
            }
        });
        if (meant.size() < numbers.size()) {
            return Map.of();
        }
        seen.tell(
                name,
                meant.keySet(),
                List.of(),
                Meaning.ONE_FOR_YES,
                "1 and 0 where the others say yes and no",
                "yes and no");
        return meant;
    }
}
