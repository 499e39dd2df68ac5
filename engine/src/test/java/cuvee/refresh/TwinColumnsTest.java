package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Two columns of one kind that go in pairs: none is ever taken for the other of its pair. */
class TwinColumnsTest extends BatchTest {
    private static final int DAYS = 12;

    /** A file of stays: each ends some days after it begins. */
    private void stays(String file, String header, boolean endFirst) {
        List<String> lines = new ArrayList<>(List.of(header));
        for (int i = 1; i <= DAYS; i++) {
            String begins = "2026-03-%02d".formatted(i * 5 % 17 + 1);
            String ends = "2026-04-%02d".formatted(i * 7 % 23 + 2);
            lines.add("%s%d,Berth %d,%s,%s"
                    .formatted(
                            file.substring(0, 1), 100 + i, i % 4, endFirst ? ends : begins, endFirst ? begins : ends));
        }
        batch.csv(file, lines.toArray(String[]::new));
    }

    @Test
    void theEarlierOfTwoDatesIsTheEarlierUnderAnyNameAndInAnyOrder() {
        stays("a.csv", "Stay,Berth,Moored,Cast off", false);
        stays("b.csv", "Stay,Berth,Moored,Cast off", false);
        stays("c.csv", "Stay,Berth,Leaves,Comes", true);
        Batch.Made made = batch.refresh();
        assertThat(made.column("Moored")).allMatch(day -> day.isEmpty() || day.startsWith("2026-03"));
        assertThat(made.column("Cast off")).allMatch(day -> day.isEmpty() || day.startsWith("2026-04"));
    }

    /** A file of visits with counts in its last columns. */
    private void visits(String file, String header, int rows, int columns) {
        List<String> lines = new ArrayList<>(List.of(header));
        for (int i = 1; i <= rows; i++) {
            StringBuilder line = new StringBuilder("%s%d,Site %d".formatted(file.substring(0, 1), 100 + i, i % 5));
            for (int c = 0; c < columns; c++) {
                line.append(',').append((i * 37 + c * 53 + file.charAt(0) * 11) % 300 + 20);
            }
            lines.add(line.toString());
        }
        batch.csv(file, lines.toArray(String[]::new));
    }

    @Test
    void twoHeadersThatAreOneAreAskedAboutWhereTheyAreTakenForAThirdByTheirValues() {
        visits("a.csv", "Ref,Site,Wanted", 18, 1);
        visits("d.csv", "Ref,Site,Wanted", 18, 1);
        visits("e.csv", "Ref,Site,Wanted", 18, 1);
        visits("b.csv", "Ref,Site,Quarx hours", 20, 1);
        visits("c.csv", "Ref,Site,Quarx", 19, 1);
        Batch.Made made = batch.refresh();
        long columns = made.columns().stream()
                .filter(name -> List.of("Wanted", "Quarx", "Quarx hours").contains(name))
                .count();
        assertThat(
                        columns == 1
                                ? made.outcome().questions().stream()
                                        .map(Question::text)
                                        .toList()
                                : List.of("Wanted"))
                .as("taken for one, and said so")
                .anyMatch(text -> text.contains("Quarx") || text.contains("Wanted"));
    }
}
