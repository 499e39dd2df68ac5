package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Tables of a few rows: a handful of values has a say in what a column is too. */
class FewValuesTest extends BatchTest {
    /** A file of a show's takings: tickets are counted, takings have pence. */
    private void takings(String file, String header, int rows, boolean ticketsFirst) {
        List<String> lines = new ArrayList<>(List.of(header));
        for (int i = 0; i < rows; i++) {
            int shift = i * 37 % 61 + file.length();
            String tickets = (shift + 3) + "," + (shift * 2 + 15);
            String pence = i == 3 ? "" : "." + (10 + shift);
            String money = (shift + 4) + pence + "," + (shift * 2 + 9) + pence;
            String[] t = tickets.split(",");
            String[] m = money.split(",");
            lines.add("Film " + (char) ('A' + i % 5) + ","
                    + (ticketsFirst
                            ? t[0] + "," + m[0] + "," + m[1] + "," + t[1]
                            : t[0] + "," + m[0] + "," + t[1] + "," + m[1]));
        }
        batch.csv(file, lines.toArray(String[]::new));
    }

    @Test
    void fewCountsUnderAWordForTwoColumnsAreNotTakenForItsMoney() {
        takings("a.csv", "Film,Juniors,Child income,Seniors,Adult income", 14, false);
        takings("b.csv", "Film,Child tickets,Child income,Adult tickets,Adult income", 4, false);
        takings("c.csv", "Film,Kids,Half price income,Full price income,Grown-ups", 5, true);
        Batch.Made made = batch.refresh();
        assertThat(made.column("Child income").stream().filter(value -> value.matches("[0-9]+")))
                .as("amounts, of which each file has one without pence")
                .hasSizeLessThanOrEqualTo(3);
    }

    @Test
    void aFewWordsForYesAndNoDoNotMakeColumnsOne() {
        batch.csv("a.csv", "Date,Port,Crew,Lost", "2026-01-01,Hollin,4,no", "2026-01-02,Hollin,5,yes");
        batch.csv("b.csv", "Date,Port,Crew,Sunk", "2026-02-01,Tarsk,7,yes", "2026-02-02,Tarsk,8,no");
        assertThat(batch.refresh().outcome().questions())
                .anySatisfy(question -> assertThat(question.text()).contains("“Sunk”"));
    }

    @Test
    void norDoMany() {
        List<String> lost = new ArrayList<>(List.of("Date,Port,Crew,Lost"));
        List<String> sunk = new ArrayList<>(List.of("Date,Port,Crew,Sunk"));
        for (int day = 1; day <= 20; day++) {
            lost.add("2026-01-%02d,Hollin,%d,%s".formatted(day, day % 5 + 3, day % 3 == 0 ? "yes" : "no"));
            sunk.add("2026-02-%02d,Tarsk,%d,%s".formatted(day, day % 4 + 3, day % 4 == 0 ? "yes" : "no"));
        }
        batch.csv("a.csv", lost.toArray(String[]::new));
        batch.csv("b.csv", sunk.toArray(String[]::new));
        assertThat(batch.refresh().outcome().questions())
                .anySatisfy(question -> assertThat(question.text()).contains("“Sunk”"));
    }

    @Test
    void aHeaderOfASingleRowIsTakenForTheColumnInItsPlaceAndAsked() {
        batch.csv("a.csv", "Date,Port,Passengers", "2026-01-01,Hollin,5", "2026-01-02,Hollin,6");
        batch.csv("b.csv", "Date,Port,Heads", "2026-02-01,Tarsk,1204");
        batch.csv("c.csv", "Date,Port,Passengers", "2026-03-01,Hollin,15", "2026-03-02,Hollin,16");
        batch.csv("d.csv", "Date,Port,Souls", "2026-04-01,Tarsk,1204");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Passengers")).containsExactly("5", "6", "1204", "15", "16", "1204");
        assertThat(made.outcome().questions()).hasSize(2);
    }
}
