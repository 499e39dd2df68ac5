package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.UglySheet;
import cuvee.testing.UglySheet.Trait;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Whatever people put around a table, the same records come out; shares as the product promises them. */
class UglySheetsTest {
    private static final int SHEETS = 200;

    @ParameterizedTest(name = "{0}: {1} % right")
    @CsvSource({
        "'', 100",
        "SHIFTED, 100",
        "TITLES, 100",
        "NOTES, 98",
        "TITLES NOTES SHIFTED, 97",
        "BLANKS, 100",
        "TOTALS, 100",
        "SUBTOTALS, 99",
        "REPEATS, 98",
        "SECTIONS, 98",
        "TITLES REPEATS TOTALS SECTIONS NOTES BLANKS, 98",
        "TWO_ROW_HEADER, 95",
        "TITLES TWO_ROW_HEADER TOTALS, 95",
        "UNITS_BELOW TITLES, 95",
        "STACKED, 95",
        "STACKED TITLES TOTALS, 95",
        "SIDE_BY_SIDE, 95",
        "SIDE_BY_SIDE TITLES TOTALS, 95",
        "TEXT_ONLY, 98",
        "TEXT_ONLY TITLES, 95",
        "TEXT_ONLY TITLES NOTES SECTIONS REPEATS, 90",
    })
    void sheetsWithTheseTraitsAreReadRight(String traits, int share) {
        Set<Trait> wanted = EnumSet.noneOf(Trait.class);
        for (String trait : traits.split(" ")) {
            if (!trait.isEmpty()) {
                wanted.add(Trait.valueOf(trait));
            }
        }
        List<String> wrong = new ArrayList<>();
        Random seeds = new Random(traits.hashCode());
        for (int i = 0; i < SHEETS; i++) {
            UglySheet sheet = UglySheet.of(seeds.nextLong(), wanted);
            List<FoundTable> found = sheet.find(new TableFinder(HeaderHints.NONE));
            found.forEach(UglySheetsTest::tallyCloses);
            Map<String, String> differences = sheet.differences(found);
            if (!differences.isEmpty()) {
                wrong.add(differences + "\n" + sheet.text());
            }
        }
        assertThat(wrong.size())
                .as(() -> wrong.size() + " of " + SHEETS + " are wrong, such as " + wrong.get(0))
                .isLessThanOrEqualTo(SHEETS * (100 - share) / 100);
    }

    private static void tallyCloses(FoundTable table) {
        assertThat(table.seen()).isEqualTo(table.lastRow() - table.firstRow() + 1);
        assertThat(table.seen())
                .isEqualTo(table.kept()
                        + table.setAside().values().stream().mapToInt(n -> n).sum());
    }
}
