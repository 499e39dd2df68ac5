package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.RowView;
import cuvee.rework.Asked;
import cuvee.rework.Known;
import cuvee.summary.SummaryTable;
import cuvee.summary.SummaryWords;
import cuvee.tell.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The master summed up by what an analyst says. */
class SummariesTest extends BatchTest {
    @BeforeEach
    void sailings() {
        batch.csv(
                "a.csv",
                "Port,Sailing date,Fare,Heads,Cancelled",
                "Hollin,2026-01-05,100.10,10,no",
                "Hollin,2026-01-06,200.20,20,no",
                "Hollin,2026-02-07,50.05,5,yes");
        batch.csv(
                "b.csv",
                "Port,Sailing date,Fare,Heads,Cancelled",
                "Tarsk,2026-01-08,33.30,4,no",
                "Tarsk,2026-02-09,,7,no",
                ",2026-02-10,1.05,1,no");
    }

    private interface Looking {
        void at(SummaryTable table);
    }

    private void sum(String words, Looking looking) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            SummaryWords.Read read = SummaryWords.read(words, Known.of(outcome.plan()));
            assertThat(read.problem()).isEmpty();
            looking.at(session.summary(outcome, read.summary().orElseThrow()));
        }
    }

    private static List<String> drawn(SummaryTable table) {
        List<String> lines = new ArrayList<>();
        for (SummaryTable.Line line : table.lines()) {
            List<String> cells = new ArrayList<>();
            for (int i = 0; i < table.keyTitles().size(); i++) {
                cells.add(line.key(i));
            }
            cells.addAll(line.written());
            lines.add(String.join(" | ", cells));
        }
        return lines;
    }

    private static String heads(SummaryTable table) {
        return table.keyTitles().stream().collect(Collectors.joining(" | ")) + " || "
                + table.columns().stream().map(SummaryTable.Column::title).collect(Collectors.joining(" | "));
    }

    @Test
    void aTotalForEachPortAndMonthWithTotalsBothWays() {
        sum("total Fare: a line for each Port, a column for each month of Sailing date", table -> {
            assertThat(heads(table)).isEqualTo("Port || 2026-01 | 2026-02 | All");
            assertThat(drawn(table))
                    .containsExactly(
                            "Hollin | 300.30 | 50.05 | 350.35",
                            "Tarsk | 33.30 |  | 33.30",
                            "blank |  | 1.05 | 1.05",
                            "All | 333.60 | 51.10 | 384.70");
            assertThat(table.rows()).isEqualTo(6);
            assertThat(table.rounded()).isFalse();
        });
    }

    @Test
    void severalFiguresOverSomeRows() {
        sum(
                "number of rows, average Heads and median Heads, least Sailing date, greatest Fare: a line for each"
                        + " Cancelled, only where Port is Hollin or Tarsk",
                table -> {
                    assertThat(drawn(table))
                            .containsExactly(
                                    "no | 4 | 10.25 | 8.50 | 2026-01-05 | 200.20",
                                    "yes | 1 | 5.00 | 5.00 | 2026-02-07 | 50.05",
                                    "All | 5 | 9.20 | 7.00 | 2026-01-05 | 200.20");
                    assertThat(table.otherRows()).isEqualTo(1);
                });
    }

    @Test
    void theAverageOfAllIsThatOfItsRowsAndDifferentValuesAreCountedOnce() {
        sum(
                "average Fare, number of different Port, number of filled Fare",
                table -> assertThat(drawn(table)).containsExactly("76.94 | 2 | 5"));
    }

    @Test
    void sharesRunningTotalsAndTheGreatestFirst() {
        sum("total Heads, share of Heads, running total of Heads: a line for each Port; greatest first", table -> {
            assertThat(drawn(table))
                    .containsExactly(
                            "Hollin | 35 | 74.5 % | 35",
                            "Tarsk | 11 | 23.4 % | 46", "blank | 1 | 2.1 % | 47", "All | 47 | 100.0 % | 47");
            assertThat(table.rounded()).isTrue();
        });
    }

    @Test
    void whatIsRoundedSaysSoAndWhereTheWrittenLinesDoNotAddUp() {
        sum("total Fare: a line for each Port; with 0 decimals", table -> {
            assertThat(drawn(table)).containsExactly("Hollin | 350", "Tarsk | 33", "blank | 1", "All | 385");
            assertThat(table.rounded()).isTrue();
            assertThat(table.unmatched()).isTrue();
        });
        sum(
                "total Fare: a line for each Port; in thousands; with 1 decimal; without totals",
                table -> assertThat(drawn(table)).containsExactly("Hollin | 0.4", "Tarsk | 0.0", "blank | 0.0"));
    }

    @Test
    void twoSlicesSideBySideWithTheirDifference() {
        sum(
                "total Heads: a line for each month of Sailing date, only where Port is Hollin; compared with Port is Tarsk",
                table -> {
                    assertThat(heads(table))
                            .isEqualTo(
                                    "Month of Sailing date || Total Heads, Port is Hollin | Total Heads, Port is Tarsk | Difference");
                    assertThat(drawn(table))
                            .containsExactly(
                                    "2026-01 | 30 | 4 | 26", "2026-02 | 5 | 7 | \u22122", "All | 35 | 11 | 24");
                });
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            quarter; 2026 Q1
            year; 2026
            """)
    void datesByQuarterAndYear(String span, String key) {
        sum(
                "number of rows: a line for each " + span + " of Sailing date",
                table -> assertThat(drawn(table)).containsExactly(key + " | 6"));
    }

    @Test
    void aFigureOpensIntoItsRows() {
        for (String words : List.of(
                "number of rows: a line for each Port, a column for each month of Sailing date",
                "number of rows: a line for each week of Sailing date and Cancelled, only where Heads over 1",
                "number of rows: a line for each quarter of Sailing date, a column for each Fare",
                "number of rows: a line for each day of Sailing date; without totals")) {
            try (JobSession session = batch.open()) {
                Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
                Known known = Known.of(outcome.plan());
                SummaryTable table = session.summary(
                        outcome, SummaryWords.read(words, known).summary().orElseThrow());
                for (int line = 0; line < table.lines().size(); line++) {
                    for (int column = 0; column < table.columns().size(); column++) {
                        String phrase = table.behind(line, column);
                        Asked asked = phrase.isEmpty() ? new Asked(List.of(), "") : Asked.of(phrase, known);
                        assertThat(asked.problem()).as(phrase).isEmpty();
                        try (RowView rows = session.view(outcome, asked.conditions(), List.of())) {
                            String figure = table.lines().get(line).values().get(column);
                            assertThat(rows.rows()).as(phrase).isEqualTo(figure == null ? 0 : Long.parseLong(figure));
                        }
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "total Fare",
                "number of rows: a line for each Port and year of Sailing date",
                "total Fare and average Heads: a column for each Port, only where Fare over 3, Port is not Tarsk",
                "total Fare: a line for each Port; compared with Port is Tarsk; in millions; with 1 decimal; without totals; least first",
                "total Fare: a line for each Port; greatest first; drawn as a heat map"
            })
    void whatIsSaidIsReadAgain(String words) {
        Known known = Known.of(batch.refresh().outcome().plan());
        SummaryWords.Read read = SummaryWords.read(words, known);
        assertThat(read.problem()).isEmpty();
        assertThat(read.summary().orElseThrow().said()).isEqualTo(words);
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            ''; it begins with a figure
            tally Fare; is no figure
            total Fares; begins with no column
            total Port; holds no numbers that can be added up
            total Fare: a line for each month of Port; Port holds no dates
            total Fare: a row for each Port; neither
            total Fare: only where Fare over much; is no
            total Fare: a line for each; neither
            """)
    void wordsThatSayNothingSayWhy(String words, String problem) {
        SummaryWords.Read read =
                SummaryWords.read(words, Known.of(batch.refresh().outcome().plan()));
        assertThat(read.summary()).isEmpty();
        assertThat(read.problem()).contains(problem);
    }

    @Test
    void oneOfTheJobFollowsAColumnThatIsRenamedAndSaysWhenItCannotBeMade() {
        batch.refresh();
        batch.job(batch.job().withSettled(new Summaries.Named("Board", "total Fare: a line for each Port").decision()));
        assertThat(batch.refresh().findings("summary-lost")).isEmpty();
        batch.job(
                batch.job().withSettled(new Summaries.Named("Board", "total Price: a line for each Port").decision()));
        assertThat(batch.refresh().findings("summary-lost"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text()).contains("“Board”", "begins with no column"));
        assertThat(SummaryWords.renamed(
                        "total Fare: a line for each Port, only where Fare over 3",
                        List.of("Fare", "Port"),
                        "Fare",
                        "Fare revenue"))
                .isEqualTo("total Fare revenue: a line for each Port, only where Fare revenue over 3");
    }

    @Test
    void yesAndNoAreSaidInTheWordsOfTheSources() {
        batch.delete("b.csv");
        batch.csv(
                "a.csv",
                "Port,Sailing date,Fare,Heads,Cancelled",
                "Hollin,2026-01-05,100.10,10,nein",
                "Hollin,2026-02-07,50.05,5,ja");
        sum(
                "total Fare: a line for each Cancelled",
                table -> assertThat(drawn(table)).containsExactly("nein | 100.10", "ja | 50.05", "All | 150.15"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "sum of Fare by Port | total Fare: a line for each Port",
                "sum Fare, count by month of Sailing date | total Fare and number of rows: a line for each month of Sailing date",
                "max Heads by Port and Cancelled: only where Fare is at least 5 | greatest Heads: a line for each Port and"
                        + " Cancelled, only where Fare is at least 5",
                "count of different Port | number of different Port"
            })
    void whatPeopleSayAsWellIsWrittenDownInOneWay(String said, String written) {
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            SummaryWords.Read read = SummaryWords.read(said, Known.of(outcome.plan()));
            assertThat(read.problem()).isEmpty();
            assertThat(read.summary().orElseThrow().said()).isEqualTo(written);
        }
    }
}
