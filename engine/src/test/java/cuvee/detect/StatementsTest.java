package cuvee.detect;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.testing.DrawnSheet;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Statements of accounts: lines down, years across. */
class StatementsTest {
    private static FoundTable readAsDrawn(String drawing) {
        DrawnSheet sheet = new DrawnSheet(drawing);
        List<FoundTable> tables = sheet.find();
        assertThat(sheet.found(tables)).isEqualTo(sheet.meant());
        return tables.get(0);
    }

    @Test
    void twoYearsBesideABlankCornerAreAHeader() {
        FoundTable found = readAsDrawn("""
                t| Hollin Stores
                t| Income statement
                h| | 2025 | 2024
                r| Revenue | 1277 | 1705
                r| Cost of sales | -459 | -761
                r| Wages | -199 | -183
                r| Rent | -120 | -118
                """);
        assertThat(found.columns()).extracting(TableColumn::header).contains("2025", "2024");
    }

    @Test
    void twoNumbersThatAreNoYearsAreARecord() {
        readAsDrawn("""
                h| Line | Now | Before
                r| | 1277 | 1705
                r| Cost of sales | -459 | -761
                r| Wages | -199 | -183
                r| Rent | -120 | -118
                """);
    }
}
