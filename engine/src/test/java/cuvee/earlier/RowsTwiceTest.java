package cuvee.earlier;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Finding;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A few rows that stand in two files are pointed out, with what they come to; rows that are alike by chance are not. */
class RowsTwiceTest extends BatchTest {
    private static final int ROWS = 14;

    private static List<String> landings(int month, boolean withRef) {
        List<String> lines = new ArrayList<>(List.of((withRef ? "Ref," : "") + "Date,Boat,Boxes,Takings"));
        for (int i = 1; i <= ROWS; i++) {
            String ref = withRef ? "L%d,".formatted(month * 100 + i) : "";
            lines.add("%s2026-%02d-%02d,%s,%d,%d.%02d"
                    .formatted(
                            ref,
                            month,
                            i * 2,
                            List.of("Heron", "Plover", "Skua").get(i % 3),
                            i * 13 % 40 + 3,
                            i * 71 % 500 + 20 + month,
                            i * 17 % 90 + 10));
        }
        return lines;
    }

    private void file(int month, List<String> lines) {
        batch.csv("Landings 2026-%02d.csv".formatted(month), lines.toArray(String[]::new));
    }

    private void months(boolean withRef, int repeated) {
        file(1, landings(1, withRef));
        file(2, landings(2, withRef));
        List<String> march = landings(3, withRef);
        march.addAll(1, landings(2, withRef).subList(ROWS + 1 - repeated, ROWS + 1));
        file(3, march);
    }

    @Test
    void rowsOfLastMonthThatAreInThisOneTooAreFoundByTheirKey() {
        months(true, 2);
        Finding found = batch.refresh().findings("rows-twice").get(0);
        assertThat(found.text())
                .contains("2 rows of Landings 2026-03.csv have the same “Ref” as rows of Landings 2026-02.csv")
                .contains("say the same throughout")
                .containsPattern("They come to [\\d,]+\\.\\d{1,2} in “Takings”");
        assertThat(found.where().toString()).contains("Landings 2026-03.csv").contains("line 2");
    }

    @Test
    void oneRowIsEnoughForAKey() {
        months(true, 1);
        assertThat(batch.refresh().findings("rows-twice"))
                .singleElement()
                .satisfies(
                        found -> assertThat(found.text()).contains("1 row of Landings 2026-03.csv has the same “Ref”"));
    }

    @Test
    void withoutAKeyTheyAreFoundByAllThatTheySay() {
        months(false, 3);
        assertThat(batch.refresh().findings("rows-twice"))
                .singleElement()
                .satisfies(found -> assertThat(found.text())
                        .contains("3 rows of Landings 2026-03.csv say all that rows of Landings 2026-02.csv say"));
    }

    @Test
    void countsThatAreAlikeByChanceAreNoKeys() {
        batch.csv("a.csv", "Boat,Port,Boxes", "Heron,Oska,120", "Skua,Oska,340", "Tern,Oska,155");
        batch.csv("b.csv", "Boat,Port,Boxes", "Heron,Tarsk,220", "Skua,Tarsk,340", "Tern,Tarsk,165");
        batch.csv("c.csv", "Boat,Port,Boxes", "Heron,Marsay,320", "Skua,Marsay,440", "Tern,Marsay,175");
        assertThat(batch.refresh().findings("rows-twice")).isEmpty();
    }

    @Test
    void aKeyThatSaysSomethingElseInAnotherFileIsPointedOutAsThat() {
        months(true, 0);
        batch.csv("late.csv", "Ref,Date,Boat,Boxes,Takings", "L203,2026-02-06,Heron,99,1234.50");
        assertThat(batch.refresh().findings("rows-twice"))
                .singleElement()
                .satisfies(found -> assertThat(found.text()).contains("something else besides"));
    }

    @Test
    void whatIsNeverTwiceOrTwiceInOneFileTooIsLeftInPeace() {
        months(true, 0);
        assertThat(batch.refresh().findings("rows-twice")).isEmpty();
        List<String> april = landings(4, true);
        april.add(april.get(3).replace("Heron", "Tern"));
        april.add(landings(3, true).get(4));
        file(4, april);
        assertThat(batch.refresh().findings("rows-twice"))
                .as("keys stand several times")
                .isEmpty();
    }

    @Test
    void aRowThatOneFileHoldsTwiceIsFoundToo() {
        List<String> january = landings(1, true);
        january.add(january.get(3));
        file(1, january);
        file(2, landings(2, true));
        assertThat(batch.refresh().findings("rows-twice")).singleElement().satisfies(found -> {
            assertThat(found.text())
                    .contains("1 row of Landings 2026-01.csv has the same “Ref” as another row of its own");
            assertThat(found.where().toString()).contains("line 16");
        });
    }

    @Test
    void equalRowsThatARuleSetsAsideAreNoLongerTwice() {
        months(true, 2);
        batch.refresh();
        batch.settle(Kinds.EQUAL_ROWS, "Ref", "keep the first");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(3 * ROWS);
        assertThat(made.findings("rows-twice")).isEmpty();
    }

    @Test
    void correctionsOfSomeRowsAreKnownByTheNameOfTheirFile() {
        months(true, 0);
        batch.csv(
                "Landings 2026-02 corrections.csv",
                "Ref,Date,Boat,Boxes,Takings",
                "L203,2026-02-06,Heron,99,1234.50",
                "L204,2026-02-08,Plover,15,400.00");
        batch.changed("Landings 2026-02 corrections.csv", "2027-03-01T10:00:00Z");
        Batch.Made made = batch.refresh();
        assertThat(made.question(Kinds.SENT_AGAIN).assumed()).contains("Ref");
        assertThat(made.lines()).hasSize(3 * ROWS).anyMatch(line -> line.contains("|99|1234.5"));
        assertThat(made.findings("rows-twice")).isEmpty();
    }
}
