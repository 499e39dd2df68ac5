package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.finding.Question;
import cuvee.testing.UglySheet;
import cuvee.testing.UglySheet.Trait;
import cuvee.testing.Workbooks;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An answer that is the one in force is only recorded, and what one double brings about stays with it. */
class SettlingAsAssumedTest {
    @TempDir
    Path folder;

    private static Object[] row(Object... cells) {
        return cells;
    }

    /** A plan with months across and a category that is carried down. */
    private static Object[][] plan(Random random, String region) {
        List<Object[]> rows = new ArrayList<>();
        rows.add(row("Region", "Depot", "Jan", "Feb", "Mar"));
        for (int depot = 0; depot < 4; depot++) {
            rows.add(row(
                    depot == 0 ? region : null,
                    "Depot " + depot,
                    100 + random.nextInt(900),
                    100 + random.nextInt(900),
                    100 + random.nextInt(900)));
        }
        return rows.toArray(Object[][]::new);
    }

    @Test
    void aDoubleUndoesNoLayingOut() {
        Random random = new Random(7);
        Batch batch = new Batch(folder);
        Object[][] north = plan(random, "North");
        batch.sheet("north.xlsx", north);
        batch.sheet("south.xlsx", plan(random, "South"));
        batch.sheet("west.xlsx", plan(random, "West"));
        List<String> without = batch.refresh().lines();
        assertThat(without)
                .hasSize(36)
                .allMatch(line -> line.contains("Jan") || line.contains("Feb") || line.contains("Mar"));
        Workbooks.workbook().sheet("Saved again", north).save(batch.file("zz other.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).containsExactlyInAnyOrderElementsOf(without);
        assertThat(made.outcome().questions()).isNotEmpty();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void nothingChangesByIt(long seed) {
        Random random = new Random(seed);
        Batch batch = new Batch(folder);
        int subject = random.nextInt(100);
        Object[][] first = {};
        for (int file = 0; file < 3 + random.nextInt(3); file++) {
            Set<Trait> traits = EnumSet.noneOf(Trait.class);
            Stream.of(Trait.TITLES, Trait.REPEATS, Trait.TOTALS, Trait.SECTIONS, Trait.NOTES)
                    .filter(trait -> random.nextInt(100) < 35)
                    .forEach(traits::add);
            Object[][] rows = UglySheet.about(subject, random.nextLong(), traits).rows().stream()
                    .map(cells -> Stream.of(cells)
                            .map(cell -> "".equals(cell) ? null : cell)
                            .toArray())
                    .toArray(Object[][]::new);
            first = file == 0 ? rows : first;
            batch.sheet("file " + file + ".xlsx", rows);
        }
        if (random.nextBoolean()) {
            Workbooks.workbook().sheet("Again", first).save(batch.file("copied.xlsx"));
        }
        if (random.nextBoolean()) {
            batch.sheet("plan.xlsx", plan(random, "North"));
            batch.sheet("plan 2.xlsx", plan(random, "South"));
        }
        batch.csv(
                "odd.csv",
                "Datum;Wert;Ort",
                "01.02.2026;1.204,5;Tarsk",
                "02.02.2026;7,25;Hollin",
                "30.02.2026;8,5;Tarsk");
        Batch.Made before = batch.refresh();
        assertThat(before.findings("not-conserved")).isEmpty();
        Batch.Made after = settledAsAssumed(batch, before);
        assertThat(after.lines()).as("the master of seed " + seed).isEqualTo(before.lines());
        assertThat(after.columns()).isEqualTo(before.columns());
        assertThat(after.outcome().questions()).as("questions of seed " + seed).isEmpty();
    }

    private static Batch.Made settledAsAssumed(Batch batch, Batch.Made before) {
        for (Question question : before.outcome().questions()) {
            batch.settle(question, question.assumed());
        }
        return batch.refresh();
    }

    /** Repairs of a contractor with headers of its own: number, estate, day, trade, hours, labour, parts, both together. */
    private static Object[][] repairs(Random random, String code, int rows, Object... header) {
        List<Object[]> lines = new ArrayList<>();
        lines.add(header);
        for (int i = 1; i <= rows; i++) {
            double hours = (1 + random.nextInt(8)) / 2.0;
            double parts = (500 + random.nextInt(20_000)) / 100.0;
            lines.add(row(
                    code + (1000 + i),
                    List.of("Alder Court", "Beech Rise", "Cedar Yard").get(random.nextInt(3)),
                    LocalDate.of(2026, 1 + random.nextInt(3), 1 + random.nextInt(28)),
                    List.of("Plumbing", "Joinery", "Glazing").get(random.nextInt(3)),
                    hours,
                    hours * 34,
                    parts,
                    hours * 34 + parts));
        }
        return lines.toArray(Object[][]::new);
    }

    @Test
    void whoseTablesHadTheMostRowsIsNotAskedAboutOnceTheOthersAreSettled() {
        Random random = new Random(11);
        Batch batch = new Batch(folder);
        batch.sheet(
                "Harrow.xlsx",
                repairs(
                        random,
                        "H",
                        26,
                        "Job no",
                        "Estate",
                        "Completed",
                        "Trade",
                        "Hours",
                        "Labour £",
                        "Materials £",
                        "Total £"));
        batch.sheet(
                "Tilley.xlsx",
                repairs(
                        random,
                        "T",
                        30,
                        "Ref.",
                        "Site",
                        "Done on",
                        "Work",
                        "Hrs",
                        "Labour cost",
                        "Parts",
                        "Invoice total"));
        batch.sheet(
                "vale.xlsx",
                repairs(
                        random,
                        "V",
                        18,
                        "job_id",
                        "estate",
                        "date",
                        "category",
                        "hours",
                        "labour",
                        "materials",
                        "total"));
        Batch.Made before = batch.refresh();
        assertThat(before.lines()).hasSize(74);
        assertThat(before.outcome().questions()).isNotEmpty();
        Batch.Made after = settledAsAssumed(batch, before);
        assertThat(after.lines()).isEqualTo(before.lines());
        assertThat(after.outcome().questions()).isEmpty();
    }
}
