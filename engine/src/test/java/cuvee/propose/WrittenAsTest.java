package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.change.Deciding;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.master.MasterPlan;
import cuvee.refresh.Batch;
import cuvee.tell.Card;
import cuvee.testing.Workbooks;
import cuvee.value.Type;
import cuvee.value.Units;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Numbers that stand for something else: days since 1899, percent points, and those with a unit behind them. */
class WrittenAsTest {
    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void folder() {
        batch = new Batch(folder);
    }

    private static Object[] row(Object... cells) {
        return cells;
    }

    private static Type type(Batch.Made made, String column) {
        return made.outcome().plan().columns().stream()
                .filter(each -> each.name().equals(column))
                .map(MasterPlan.Column::type)
                .findFirst()
                .orElseThrow();
    }

    private static List<String> column(Batch.Made made, String name) {
        int at = made.columns().indexOf(name);
        return made.lines().stream().map(line -> line.split("\\|", -1)[at]).toList();
    }

    @Test
    void daysThatLostTheirFormatAreDatesWhereTheHeaderAndThePeriodSaySo() {
        batch.sheet(
                "Catch Feb 2021.xlsx",
                row("Landing date", "Boat", "Boxes"),
                row(44229, "Heron", 40000),
                row(44235, "Plover", 41000));
        batch.sheet("Catch Mar 2021.xlsx", row("Landing date", "Boat", "Boxes"), row(44257, "Heron", 42000));
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Landing date")).isEqualTo(Type.DATE);
        assertThat(column(made, "Landing date")).containsExactly("2021-02-02", "2021-02-08", "2021-03-02");
        assertThat(column(made, "Boxes")).containsExactly("40000", "41000", "42000");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("written-as").get(0).what()).contains("44229 is 2021-02-02");
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void anAnswerThatIsTakenBackLeavesTheTypeToTheEvidenceAgain() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6");
        batch.sheet("b.xlsx", row("Visited", "Boat", "Boxes"), row(44240, "Heron", 7), row(44241, "Plover", 8));
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Visited")).isEqualTo(Type.DATE);
        batch.settle(made.question(Kinds.WRITTEN_AS), "as written");
        Batch.Made answered = batch.refresh();
        assertThat(type(answered, "Visited")).isEqualTo(Type.TEXT);
        String id = batch.job().settled().get(0).id();
        batch.job(new Deciding(answered.outcome(), "Ines, 2021-03-05").undo(id));
        Batch.Made back = batch.refresh();
        assertThat(type(back, "Visited")).isEqualTo(Type.DATE);
        assertThat(back.lines()).isEqualTo(made.lines());
        assertThat(back.question(Kinds.WRITTEN_AS)).isEqualTo(made.question(Kinds.WRITTEN_AS));
    }

    @Test
    void daysBesideDatesAreDatesAndWhereOnlyTheHeaderSaysSoItIsAsked() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6");
        batch.sheet("b.xlsx", row("Visited", "Boat", "Boxes"), row(44240, "Heron", 7), row(44241, "Plover", 8));
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Visited")).containsExactly("2021-02-01", "2021-02-03", "2021-02-13", "2021-02-14");
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text())
                .contains("b.xlsx holds numbers such as 44240")
                .contains("Are they dates?");
        Batch.Made numbers = batch.settle(question, "as written").refresh();
        assertThat(type(numbers, "Visited")).isNotEqualTo(Type.DATE);
        batch.settle(question, "days");
        assertThat(batch.refresh().lines()).isEqualTo(made.lines());
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void daysThatLostTheirFormatUnderAnotherHeaderAreLinedUpWithDates() {
        batch.csv(
                "Skerry 2021-02.csv",
                "Landed on,Boat,Boxes",
                "2021-02-01,Heron,5",
                "2021-02-03,Plover,6",
                "2021-02-05,Heron,7",
                "2021-02-08,Dunlin,8",
                "2021-02-10,Plover,9",
                "2021-02-16,Heron,4");
        batch.sheet(
                "Marsay 2021-02.xlsx",
                row("Landing date", "Boat", "Boxes"),
                row(44229, "Heron", 7),
                row(44231, "Plover", 8),
                row(44232, "Heron", 3),
                row(44236, "Dunlin", 6),
                row(44240, "Heron", 9),
                row(44241, "Plover", 5));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Landing date", "Boat", "Boxes", "File part 1");
        assertThat(column(made, "Landing date")).contains("2021-02-01", "2021-02-02", "2021-02-14");
    }

    @Test
    void daysOfTheirFilesPeriodAreDatesThoughNothingElseSaysSoAndAreAskedAbout() {
        batch.sheet("Catch 2021-02.xlsx", row("Landing", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.sheet("Catch 2021-03.xlsx", row("Landing", "Boat"), row(44257, "Heron"), row(44260, "Dunlin"));
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Landing")).containsExactly("2021-02-02", "2021-02-08", "2021-03-02", "2021-03-05");
        assertThat(made.question(Kinds.WRITTEN_AS).text()).contains("Are they dates?");
    }

    @Test
    void numbersOfFiveDigitsThatRunOutOfTheirFilesPeriodAreNoDates() {
        batch.sheet("Catch 2021-02.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.sheet("Catch 2021-03.xlsx", row("Ticket", "Boat"), row(44257, "Heron"), row(47260, "Dunlin"));
        assertThat(type(batch.refresh(), "Ticket")).isEqualTo(Type.WHOLE_NUMBER);
    }

    @Test
    void numbersOfFiveDigitsAreNoDatesWithoutAWordForIt() {
        batch.sheet("a.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        assertThat(type(batch.refresh(), "Ticket")).isEqualTo(Type.WHOLE_NUMBER);
    }

    @Test
    void settingDateOnDaysConvertsThem() {
        batch.sheet("a.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.refresh();
        batch.job(Board.type(batch.job(), "Ticket", Type.DATE.word()));
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Ticket")).containsExactly("2021-02-02", "2021-02-08");
        assertThat(made.findings("unfit-values")).isEmpty();
    }

    @Test
    void percentPointsBesideSharesAreBroughtTogether() {
        batch.csv("a.csv", "Boat,Rebate (%)", "Heron,12.5", "Plover,20", "Dunlin,7.5");
        batch.csv("b.csv", "Boat,Rebate", "Heron,0.11", "Plover,0.205");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Rebate (%)")).containsExactly("0.125", "0.2", "0.075", "0.11", "0.205");
        assertThat(made.findings("written-as").get(0).what()).contains("numbers up to 20 where the others hold shares");
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void whatIsSettledOfSomeNumbersHoldsForThoseAlone() {
        batch.csv("a.csv", "Boat,Rebate,Crew", "Heron,12.5,4", "Plover,20,5", "Dunlin,7.5,4");
        batch.csv("a 2.csv", "Boat,Rebate,Crew", "Heron,11.5,3", "Plover,21,5");
        batch.csv("b.csv", "Boat,Rebate (%),Crew", "Heron,0.11,4", "Plover,0.205,6");
        batch.csv("c.csv", "Boat,Crew,Rebate", "Heron,4,15", "Plover,5,17.5");
        Batch.Made made = batch.refresh();
        List<String> values = column(made, "Rebate");
        assertThat(values).contains("0.125", "0.115", "0.11", "0.15");
        List<Question> asked = made.outcome().questions().stream()
                .filter(question -> question.kind().equals(Kinds.WRITTEN_AS))
                .toList();
        assertThat(asked).hasSize(2);
        assertThat(Card.of(made.outcome())).as("one card").hasSize(1);
        asked.forEach(question -> batch.settle(question, question.assumed()));
        batch.csv("a 3.csv", "Boat,Rebate,Crew", "Heron,0.5,3", "Plover,0.75,5");
        Batch.Made after = batch.refresh();
        assertThat(column(after, "Rebate")).containsAll(values).contains("0.005", "0.0075");
        assertThat(after.outcome().questions()).isEmpty();
    }

    @Test
    void aFewLargeChangesAmongSharesMakeNoPercentPoints() {
        batch.csv("a.csv", "Line,Change %", "Output,0.016", "Scrap,0.564", "Energy,0.239");
        batch.csv("b.csv", "Line,Change %", "Output,-0.272", "Scrap,0.31", "Energy,5.933");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Change %")).contains("-0.272", "0.31", "5.933");
        assertThat(made.outcome().questions()).isEmpty();
        batch.csv("c.csv", "Line,Change %", "Output,-0.7", "Scrap,1.2", "Energy,5.9");
        Batch.Made asked = batch.refresh();
        assertThat(column(asked, "Change %")).contains("-0.272", "5.9");
        Question question = asked.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("c.csv holds numbers that are greater than the shares of the others");
        batch.settle(question, "percent points");
        assertThat(column(batch.refresh(), "Change %")).contains("5.933", "-0.007", "0.012", "0.059");
    }

    @Test
    void percentPointsThroughoutStayWhatTheyAre() {
        batch.csv("a.csv", "Boat,Rebate %", "Heron,12.5", "Plover,20");
        batch.csv("b.csv", "Boat,Rebate %", "Heron,11", "Plover,21.5");
        assertThat(column(batch.refresh(), "Rebate %")).containsExactly("12.5", "20", "11", "21.5");
    }

    @Test
    void marksThatPointToANoteAreNoPartOfANumber() {
        batch.csv(
                "a.csv",
                "Berth,Visitors,Dues",
                "North,\"3,516\",12.50",
                "South,\"4,511*\",9.75 (e)",
                "East,980 (e),n/a",
                "West,\"1,784\",8.25",
                "Quay,\"2,100\",7.10",
                "Pier,\"1,020\",6.00",
                "",
                "* provisional");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Visitors")).isEqualTo(Type.WHOLE_NUMBER);
        assertThat(column(made, "Visitors")).containsExactly("3516", "4511", "980", "1784", "2100", "1020");
        assertThat(column(made, "Dues")).containsExactly("12.5", "9.75", "", "8.25", "7.1", "6");
        assertThat(made.findings("written-as"))
                .anySatisfy(finding -> assertThat(finding.what())
                        .isEqualTo("Behind some numbers of the column “Visitors” stand “(e)” and “*”, in a.csv."));
    }

    @Test
    void codesWithALetterBehindThemStayText() {
        batch.csv("a.csv", "Bay,Fare", "12,4", "13,5", "14b,6", "15,7", "16 north,8", "17,9");
        assertThat(type(batch.refresh(), "Bay")).isEqualTo(Type.TEXT);
    }

    @Test
    void numbersWithOneUnitBehindThemAreNumbers() {
        batch.csv("a.csv", "Boat,Weight", "Heron,247 kg", "Plover,1.5 kg", "Dunlin,30 kg");
        batch.csv("b.csv", "Boat,Weight", "Heron,12", "Plover,13");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Weight")).isEqualTo(Type.DECIMAL);
        assertThat(column(made, "Weight")).containsExactly("247", "1.5", "30", "12", "13");
        assertThat(made.findings("written-as").get(0).what()).contains("say “kg” behind their numbers in a.csv");
        assertThat(made.findings("not-conserved")).isEmpty();
        batch.settle(Kinds.WRITTEN_AS, "Weight", "as written");
        assertThat(column(batch.refresh(), "Weight")).doesNotContain("247");
    }

    @Test
    void codesThatEndInALetterAreNoNumbersWithUnits() {
        batch.csv("a.csv", "Boat,Berth", "Heron,12A", "Plover,14A", "Dunlin,7A");
        assertThat(column(batch.refresh(), "Berth")).containsExactly("12A", "14A", "7A");
    }

    /** Two ports whose fares are in euros, and one that the test says differently. */
    private void fares() {
        batch.csv("Hollin.csv", "Route,Month,Fares (EUR)", "Inner,2026-01-01,204310.50", "Outer,2026-01-01,98720.25");
        batch.csv("Orm.csv", "Route,Month,Fares (EUR)", "Inner,2026-01-01,310220.75", "Outer,2026-01-01,120000.00");
    }

    @Test
    void thousandsThatTheHeaderNamesAreBroughtToTheScaleOfTheOthers() {
        fares();
        batch.csv("Tarsk.csv", "Route,Month,Fares (TEUR)", "Inner,2026-01-01,187.25", "Outer,2026-01-01,92.5");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Fares (EUR)")).contains("187250", "92500", "98720.25");
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.WRITTEN_AS));
        assertThat(made.findings("written-as").get(0).what()).contains("Tarsk.csv holds numbers in thousands");
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(made.findings("sum-not-conserved")).isEmpty();
    }

    @Test
    void thousandsThatALineAboveTheTableNamesAreToo() {
        fares();
        batch.csv(
                "Tarsk.csv",
                "Fares of the quarter, all amounts in thousands of EUR",
                "Route,Month,Fares (EUR)",
                "Inner,2026-01-01,187.25",
                "Outer,2026-01-01,92.5");
        assertThat(column(batch.refresh(), "Fares (EUR)")).contains("187250", "92500", "98720.25");
    }

    @Test
    void aPlaceCalledForAThousandIslesSaysNothing() {
        fares();
        batch.csv(
                "Tarsk.csv",
                "Thousand Isles Ferries, Tarsk",
                "Route,Month,Fares (EUR)",
                "Inner,2026-01-01,1870.25",
                "Outer,2026-01-01,920.5");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Fares (EUR)")).contains("1870.25");
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.WRITTEN_AS));
    }

    @Test
    void amountsAThousandTimesSmallerAreAskedAbout() {
        fares();
        StringBuilder lines = new StringBuilder("Route,Month,Fares (EUR)");
        for (int i = 1; i <= 9; i++) {
            lines.append("\nRoute ")
                    .append(i)
                    .append(",2026-01-01,")
                    .append(150 + i * 9)
                    .append(".5");
        }
        batch.csv("Tarsk.csv", lines.toString());
        Batch.Made made = batch.refresh();
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Tarsk.csv").contains("a thousand times smaller");
        assertThat(question.assumed()).isEqualTo("as written");
        assertThat(column(made, "Fares (EUR)")).contains("159.5");
        batch.settle(question, "thousands");
        Batch.Made said = batch.refresh();
        assertThat(column(said, "Fares (EUR)")).contains("159500", "98720.25").doesNotContain("159.5");
    }

    private void counts(String port, int about) {
        StringBuilder lines = new StringBuilder("Route,Month,Kilos");
        for (int i = 1; i <= 9; i++) {
            lines.append("\nRoute ")
                    .append(i)
                    .append(",2026-01-0")
                    .append(i)
                    .append(",")
                    .append(about + i * about / 20);
        }
        batch.csv(port + ".csv", lines.toString());
    }

    @Test
    void otherNumbersAThousandTimesSmallerAreAskedAboutWhereAllOthersAreOfOneSize() {
        counts("Hollin", 204_000);
        counts("Marsay", 180_000);
        counts("Oska", 390_000);
        counts("Tarsk", 240);
        Question question = batch.refresh().question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Tarsk.csv").contains("a thousand times smaller");
        assertThat(question.assumed()).isEqualTo("as written");
    }

    @Test
    void numbersOfAllSizesAreNotAskedAbout() {
        counts("Hollin", 204_000);
        counts("Marsay", 9_000);
        counts("Oska", 390_000);
        counts("Tarsk", 240);
        assertThat(batch.refresh().outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.WRITTEN_AS));
    }

    @Test
    void aLineAboutAmountsLeavesCountsAsTheyAre() {
        batch.csv(
                "Hollin.csv",
                "Route,Month,Fares (EUR),Trips",
                "Inner,2026-01-01,204310.50,4100",
                "Outer,2026-01-01,98720.25,3900");
        batch.csv(
                "Tarsk.csv",
                "Fares of the quarter, all amounts in thousands of EUR",
                "Route,Month,Fares (EUR),Trips",
                "Inner,2026-01-01,187.25,21",
                "Outer,2026-01-01,92.5,18");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Fares (EUR)")).contains("187250");
        assertThat(column(made, "Trips")).contains("21", "18");
    }

    @Test
    void monthsByNameAreTheFirstDaysThatOtherFilesHold() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2021-10-01,Heron,5", "2021-11-01,Plover,6");
        batch.csv("Hollin.csv", "Month,Boat,Boxes", "Oct 2021,Heron,7", "November 2021,Plover,8", "n/a,Plover,9");
        batch.csv("Tarsk.csv", "Month,Boat,Boxes", "12/2021,Heron,10", "Jan-22,Plover,11");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Month")).isEqualTo(Type.DATE);
        assertThat(column(made, "Month"))
                .containsExactlyInAnyOrder(
                        "2021-10-01", "2021-11-01", "", "2021-10-01", "2021-11-01", "2021-12-01", "2022-01-01");
        assertThat(made.findings("written-as").get(0).what())
                .contains("2 files")
                .contains("months such as");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void monthsByNameBesideDaysOfAnyKindAreAskedAbout() {
        batch.csv("Skerry.csv", "Landed,Boat,Boxes", "2021-10-07,Heron,5", "2021-11-19,Plover,6");
        batch.csv("Hollin.csv", "Landed,Boat,Boxes", "Oct 2021,Heron,7", "Nov 2021,Plover,8");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Landed")).contains("2021-10-07", "2021-11-01");
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Hollin.csv holds months such as “Oct 2021”");
        Batch.Made kept = batch.settle(question, "as written").refresh();
        assertThat(column(kept, "Landed")).contains("Oct 2021");
    }

    @Test
    void monthsByNameUnderAnotherHeaderAreLinedUpWithTheFirstDaysOfMonths() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2021-10-01,Heron,5", "2021-11-01,Plover,6", "2021-12-01,Plover,6");
        batch.csv("Hollin.csv", "Period,Boat,Boxes", "Oct 2021,Heron,7", "Nov 2021,Plover,8", "Dec 2021,Plover,8");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Period", "Boat", "Boxes").doesNotContain("Month");
        assertThat(column(made, "Period")).doesNotContain("", "Oct 2021");
    }

    @Test
    void wordsWithDaysOfOneMonthAreNoMonths() {
        batch.csv("Skerry.csv", "Berth,Boat,Boxes", "Mar 21,Heron,5", "Mar 22,Plover,6", "Mar 23,Tern,7");
        assertThat(column(batch.refresh(), "Berth")).containsExactly("Mar 21", "Mar 22", "Mar 23");
    }

    @Test
    void monthsWithoutAYearAreOfTheYearThatTheNameOfTheirFileSays() {
        batch.csv("Returns 2025.csv", "Month,Boat,Boxes", "2025-01-01,Heron,5", "2025-02-01,Plover,6");
        batch.csv("Returns 2026.csv", "Month,Boat,Boxes", "January,Heron,7", "Feb.,Plover,8", "n/a,Plover,9");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Month")).isEqualTo(Type.DATE);
        assertThat(column(made, "Month")).containsExactly("2025-01-01", "2025-02-01", "2026-01-01", "2026-02-01", "");
        assertThat(made.findings("written-as").get(0).what())
                .contains("Returns 2026.csv holds months")
                .contains("without a year: their sources are of 2026");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void daysWithoutAYearAreOfTheYearThatTheNameOfTheirFileSays() {
        batch.csv("Statement Jan 2026.csv", "Day,Details,Paid", "2 Jan,Fee,5.10", "5 Jan,Rope,6.20", "n/a,Buoy,7.30");
        batch.csv("Statement Feb 2026.csv", "Day,Details,Paid", "Feb 2,Fee,5.40", "Feb 27th,Rope,6.50");
        batch.csv("Statement Mar 2026.csv", "Day,Details,Paid", "Mon 2 Mar,Fee,8.40", "05.03.,Rope,9.50");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Day")).isEqualTo(Type.DATE);
        assertThat(column(made, "Day"))
                .containsExactlyInAnyOrder(
                        "2026-01-02", "2026-01-05", "", "2026-02-02", "2026-02-27", "2026-03-02", "2026-03-05");
        assertThat(made.findings("written-as").get(0).what())
                .contains("3 files hold days without a year")
                .contains("their sources are of 2026");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("not-conserved")).isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void theYearOfDaysIsAskedWhereNothingSaysIt() {
        batch.csv("Skerry.csv", "Day,Boat,Boxes", "2025-12-07,Heron,5", "2026-01-09,Plover,6");
        batch.csv("Hollin.csv", "Day,Boat,Boxes", "5 Jan,Heron,7", "6 Feb,Plover,8");
        Batch.Made made = batch.refresh();
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Hollin.csv holds days without a year, such as “5 Jan”");
        Batch.Made said = batch.settle(question, "dates of 2026").refresh();
        assertThat(column(said, "Day"))
                .containsExactlyInAnyOrder("2025-12-07", "2026-01-09", "2026-01-05", "2026-02-06");
    }

    @Test
    void theYearOfMonthsIsAskedWhereNothingSaysIt() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2025-12-01,Heron,5", "2026-01-01,Plover,6");
        batch.csv("Hollin.csv", "Month,Boat,Boxes", "January,Heron,7", "February,Plover,8");
        Batch.Made made = batch.refresh();
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Hollin.csv holds months without a year, such as “January”");
        assertThat(question.answers())
                .extracting(Question.Answer::id)
                .containsExactly("as written", "months of 2025", "months of 2026");
        Batch.Made said = batch.settle(question, "months of 2026").refresh();
        assertThat(type(said, "Month")).isEqualTo(Type.DATE);
        assertThat(column(said, "Month"))
                .containsExactlyInAnyOrder("2025-12-01", "2026-01-01", "2026-01-01", "2026-02-01");
        assertThat(said.outcome().questions()).isEmpty();
    }

    @Test
    void timesBesideMinutesAreAskedAbout() {
        batch.csv("a.csv", "Shift,Break", "A1,0:30", "A2,0:45", "A3,1:00");
        batch.csv("b.csv", "Shift,Break", "B1,30 min", "B2,45 min", "B3,60 min");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Break")).isEqualTo(Type.TEXT);
        assertThat(made.question(Kinds.TYPE).text()).contains("“Break”", "fit Time, none of 3 of b.csv does");
    }

    @Test
    void outlineNumbersAreCodesAndNoDecimals() {
        batch.csv("a.csv", "Code,Item,Budget", "1.1,Pay,10.5", "1.2,Rent,20", "1.10,Heat,30.25");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Code")).containsExactly("1.1", "1.2", "1.10");
        assertThat(type(made, "Budget")).isEqualTo(Type.DECIMAL);
        assertThat(made.question(Kinds.TYPE).text()).contains("“Code”", "called like codes");
    }

    @Test
    void amountsWithSeveralUnitsStayTextAndThatIsSaid() {
        batch.csv("a.csv", "Parcel,Weight", "P1,800 g", "P2,2.5 kg", "P3,1 kg");
        Batch.Made made = batch.refresh();
        assertThat(type(made, "Weight")).isEqualTo(Type.TEXT);
        assertThat(made.outcome().findings())
                .anyMatch(finding -> finding.text().contains("“Weight” have several units behind them: “g” and “kg”"));
        batch.csv("b.csv", "Parcel,Weight", "P4,800", "P5,250", "P6,1000");
        assertThat(batch.refresh().question(Kinds.TYPE).text()).contains("“Weight”");
    }

    @Test
    void wordsForThousandsAndMillionsAreReadInFullWhereTheyCanMeanNothingElse() {
        batch.csv("a.csv", "Firm,Turnover,Staff,Term", "Reed,1.2M,3.4k,12M", "Marsh,0.5M,12k,24M", "Fenn,12M,0.25k,6M");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly("Reed|1200000|3400|12M", "Marsh|500000|12000|24M", "Fenn|12000000|250|6M");
    }

    @Test
    void aWordForACurrencyOfSeveralCountriesMayStandBeforeTheAmount() {
        batch.csv("a.csv", "Item,Price", "Rope,Fr. 12.50", "Buoy,Fr. 1200.00", "Sail,Fr. 7.00");
        assertThat(batch.refresh().lines()).contains("Rope|12.5", "Buoy|1200");
    }

    @Test
    void aDashForNoCentsIsNoSign() {
        batch.csv("a.csv", "Item;Price;Deposit", "Rope;€ 1.234,-;50,-", "Buoy;€ 50,--;7,50", "Sail;€ -12,-;999,-");
        assertThat(batch.refresh().lines()).containsExactly("Rope|1234|50", "Buoy|50|7.5", "Sail|-12|999");
    }

    @Test
    void timesWithTheirZoneAreTimesAndSeveralZonesAreSaid() {
        batch.csv("a.csv", "Id,At", "1,2026-03-01T10:15:00Z", "2,2026-03-02T11:15:00Z");
        Batch.Made one = batch.refresh();
        assertThat(one.lines()).containsExactly("1|2026-03-01T10:15:00", "2|2026-03-02T11:15:00");
        assertThat(one.outcome().findings()).noneMatch(finding -> finding.kind().equals("time-zones"));
        batch.csv("b.csv", "Id,At", "3,2026-03-03T10:15:00+02:00", "4,2026-03-04 11:15:00.250+0200");
        Batch.Made several = batch.refresh();
        assertThat(several.lines()).contains("4|2026-03-04T11:15:00.25");
        assertThat(several.outcome().findings())
                .anyMatch(finding -> finding.kind().equals("time-zones"));
        assertThat(batch.refresh().outcome().findings())
                .as("as it was kept")
                .anyMatch(finding -> finding.kind().equals("time-zones"));
    }

    @Test
    void daysInEightDigitsAreDatesAndLinedUpWithThem() {
        batch.csv(
                "a.csv",
                "Order,Shipped,Account",
                "A1,20260105,20269901",
                "A2,20260106,10000001",
                "A3,20260207,30000000");
        batch.csv(
                "b.csv",
                "Order,Sent on,Account",
                "B1,2026-01-08,20269902",
                "B2,2026-01-09,10000002",
                "B3,2026-02-10,30000003");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).contains("A1|2026-01-05|20269901", "B3|2026-02-10|30000003");
        assertThat(made.outcome().findings())
                .anyMatch(finding ->
                        finding.kind().equals("written-as") && finding.text().contains("eight digits"));
        assertThat(batch.refresh().lines()).isEqualTo(made.lines());
    }

    @Test
    void creditAndDebitBehindAmountsAreTheirSigns() {
        batch.csv(
                "statement.csv",
                "Date,Details,Amount",
                "2026-03-01,Dues,\"2,328.00 CR\"",
                "2026-03-02,Fuel,688.50 DR",
                "2026-03-03,Fuel,99.00 Dr.");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly("2026-03-01|Dues|2328", "2026-03-02|Fuel|-688.5", "2026-03-03|Fuel|-99");
        assertThat(made.outcome().findings())
                .anyMatch(finding ->
                        finding.kind().equals("written-as") && finding.text().contains("DR"));
    }

    @Test
    void creditsAmongAmountsThatSayNothingAreBelowZero() {
        batch.csv(
                "card.csv",
                "Date,Details,Amount",
                "2026-03-01,Rope,328.00",
                "2026-03-02,Refund,88.50 CR",
                "2026-03-03,Fuel,99.00");
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .containsExactly("2026-03-01|Rope|328", "2026-03-02|Refund|-88.5", "2026-03-03|Fuel|99");
        assertThat(made.findings("written-as").get(0).text()).contains("those with “CR” as below zero");
    }

    @Test
    void aColumnOfLinesThatHeadOthersIsCarriedDownUnderItsOwnHeader() {
        batch.csv(
                "costs.csv",
                "Cost centre,Account,Amount",
                "Yard,,1566",
                ",Wages,834",
                ",Rent,494",
                ",Fuel,238",
                "Office,,900",
                ",Wages,645",
                ",Rent,255");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Cost centre", "Account", "Amount");
        assertThat(made.lines())
                .startsWith("Yard|Wages|834")
                .endsWith("Office|Rent|255")
                .hasSize(5);
        assertThat(batch.refresh().columns()).isEqualTo(made.columns());
    }

    @Test
    void pricesOfSendersInSeveralCurrenciesAreOneColumnWithTheCurrencyBeside() {
        prices("Nord", "Price (EUR)", 1);
        prices("Bright", "Price GBP", 2);
        prices("Lake", "Unit price USD", 3);
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Item", "Pieces", "Price", "Price currency", "File part 1");
        assertThat(made.lines()).anyMatch(line -> line.contains("|GBP|")).anyMatch(line -> line.contains("|USD|"));
        assertThat(made.outcome().questions())
                .as("never without a word")
                .anyMatch(question -> question.text().contains("holds amounts of several currencies"));
        List<String> lines = made.lines();
        assertThat(batch.refresh().lines()).as("next time too").isEqualTo(lines);
    }

    private void prices(String sender, String header, int times) {
        batch.csv(
                sender + "_prices.csv",
                "Item,Pieces," + header,
                "Rope,1," + times * 12.5,
                "Fender,10," + times * 99.75,
                "Buoy,10," + times * 47.25,
                "Lamp,100," + times * 8.5,
                "Anchor,1," + times * 310.4);
    }

    @Test
    void aCurrencyBehindTheWordsOfAHeaderIsItsUnit() {
        assertThat(Units.currency("Unit price USD")).contains("USD");
        assertThat(Units.currency("Fare €")).contains("EUR");
        assertThat(Units.currency("Sum ALL")).as("a word").isEmpty();
        assertThat(Units.currency("EUR")).as("nothing else").isEmpty();
        assertThat(Units.withoutCurrency("Unit price USD")).isEqualTo("Unit price");
        assertThat(Units.withoutCurrency("Fare (EUR)")).isEqualTo("Fare");
        assertThat(Units.withoutCurrency("Fare (t)")).isEqualTo("Fare (t)");
    }

    private void acrossMonths(String name) {
        batch.csv(name, "Account,Jan,Feb,Mar,Apr", "Fuel,505,248,745,7" + name.length(), "Wages,610,611,640,655");
    }

    @Test
    void monthsAcrossHaveTheYearThatTheNamesSay() {
        acrossMonths("Hollin 2025.csv");
        acrossMonths("Tarsk 2026.csv");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().plan().columns().get(1).type()).isEqualTo(Type.DATE);
        assertThat(column(made, "Month")).contains("2025-01-01", "2026-04-01").doesNotContain("Jan");
        assertThat(made.findings("written-as"))
                .singleElement()
                .satisfies(said ->
                        assertThat(said.text()).contains("2 files name months without a year", "2025 and 2026"));
        assertThat(made.outcome().questions()).isEmpty();
    }

    private void yearOfAccounts(String name, String title) {
        batch.csv(
                name,
                title,
                "Account,Oct,Nov,Dec,Jan,Feb",
                "Fuel,505,248,745,7" + name.length() + ",80",
                "Wages,610,611,640,655,9");
    }

    @Test
    void monthsThatGoOnPastDecemberAreOfTwoYears() {
        yearOfAccounts("Hollin.csv", "Budget 2025/26");
        yearOfAccounts("Tarsk.csv", "Budget FY24-25");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Month"))
                .contains("2025-10-01", "2026-01-01", "2024-10-01", "2025-02-01")
                .doesNotContain("2024-01-01", "2024-02-01");
        assertThat(made.findings("written-as"))
                .singleElement()
                .satisfies(
                        said -> assertThat(said.text()).contains("2024/25 and 2025/26", "from 2024-10 and 2025-10 on"));
        assertThat(made.outcome().questions()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"Apr|May|Dec, 2025-04-01, 2025-12-01", "Jan|Feb|Mar, 2026-01-01, 2026-03-01", "May|Jun|Jul, May, Jul"})
    void decemberIsOfTheFirstOfTwoYearsAndJanuaryOfTheSecond(String months, String first, String last) {
        batch.csv(
                "Budget 2025-26.csv",
                "Account," + months.replace('|', ','),
                "Fuel,505,248,745",
                "Wages,610,611,640",
                "Rent,90,91,92");
        assertThat(column(batch.refresh(), "Month")).contains(first, last);
    }

    @Test
    void sheetsThatGoOnPastDecemberAreOfTheTwoYearsOfTheirFile() {
        Workbooks book = Workbooks.workbook();
        for (String month : List.of("Nov", "Dec", "Jan")) {
            book.sheet(month, new Object[] {"Item", "Qty"}, new Object[] {"Rope", 100 + month.charAt(0)}, new Object[] {
                "Buoy", 300 + month.charAt(1)
            });
        }
        book.save(batch.file("Stores 2025-26.xlsx"));
        assertThat(column(batch.refresh(), "Month")).contains("2025-11-01", "2025-12-01", "2026-01-01");
    }

    @Test
    void whereANameSaysOneOfTheTwoYearsItIsAskedWhich() {
        yearOfAccounts("Hollin 2025.csv", "Budget");
        Batch.Made assumed = batch.refresh();
        Question question = assumed.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("run from “Oct” to “Feb”", "say 2025");
        assertThat(column(assumed, "Month")).contains("2025-10-01", "2026-02-01");
        batch.settle(question, "months of years named by their end");
        yearOfAccounts("Tarsk 2026.csv", "Budget");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Month")).contains("2024-10-01", "2025-02-01", "2025-10-01", "2026-02-01");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void theLastMonthInATitleTellsInWhichYearItsMonthsEnd() {
        yearOfAccounts("Hollin.csv", "Five months to 28 February 2026");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Month")).contains("2025-10-01", "2026-02-01").hasSize(10);
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void aDayOnWhichASheetWasPrintedIsNotTheYearOfItsMonths() {
        acrossMonths("Hollin 2025.csv");
        batch.csv(
                "Tarsk 2025.csv",
                "Fares by month",
                "Printed 05/02/2026 09:18",
                "",
                "Account,Jan,Feb,Mar,Apr",
                "Fuel,505,248,745,71",
                "Wages,610,611,640,655");
        assertThat(column(batch.refresh(), "Month"))
                .contains("2025-01-01", "2025-04-01")
                .doesNotContain("Jan", "2026-01-01");
    }

    @Test
    void aLaterFileWithoutAYearLeavesTheMonthsOfTheOthersAsTheyAre() {
        acrossMonths("Hollin 2025.csv");
        acrossMonths("Tarsk 2026.csv");
        batch.refresh();
        acrossMonths("Oska.csv");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Month")).contains("2025-01-01", "2026-04-01");
        assertThat(made.findings("misfit")).isNotEmpty();
    }

    @Test
    void monthsAcrossStayWordsWhereOneFileDoesNotSayItsYearOrTheAnalystWantsThem() {
        acrossMonths("Hollin 2025.csv");
        acrossMonths("Tarsk.csv");
        assertThat(column(batch.refresh(), "Month")).contains("Jan", "Apr").doesNotContain("2025-01-01");
        batch.rename("Tarsk.csv", "Tarsk 2026.csv");
        assertThat(column(batch.refresh(), "Month"))
                .as("text it was, text it stays")
                .contains("Jan");
        batch.settle(Kinds.TYPE, "Month", Type.DATE.word());
        assertThat(column(batch.refresh(), "Month")).contains("2026-01-01");
        batch.settle(Kinds.WRITTEN_AS, "Month", "as written").settle(Kinds.TYPE, "Month", Type.TEXT.word());
        assertThat(column(batch.refresh(), "Month")).contains("Jan").doesNotContain("2026-01-01");
    }

    @Test
    void monthsInAColumnHaveTheYearThatTheNamesSayToo() {
        batch.csv("Hollin 2025.csv", "Account,Month,Amount", "Fuel,Jan,505", "Fuel,Feb,248", "Wages,Jan,610");
        batch.csv("Tarsk 2026.csv", "Account,Month,Amount", "Fuel,January,745", "Wages,March,640");
        Batch.Made made = batch.refresh();
        assertThat(column(made, "Month")).contains("2025-01-01", "2026-03-01").doesNotContain("Jan");
        assertThat(made.findings("written-as"))
                .singleElement()
                .satisfies(said -> assertThat(said.text()).contains("2025 and 2026"));
        assertThat(made.outcome().questions()).isEmpty();
        batch.csv("Oska.csv", "Account,Month,Amount", "Fuel,February,99", "Wages,April,98");
        Batch.Made later = batch.refresh();
        assertThat(column(later, "Month")).contains("2025-01-01", "2026-03-01");
        assertThat(later.question(Kinds.WRITTEN_AS).text()).contains("Oska.csv").contains("Of which year");
    }

    @Test
    void codesInThreePartsAreNoDatesOfManyYears() {
        batch.csv(
                "stock.csv",
                "Bin,Item,Qty",
                "03-11-07,Rope,4",
                "04-02-21,Buoy,3",
                "03-12-13,Pump,9",
                "01-01-28,Flare,2",
                "12-05-02,Chain,1");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).anyMatch(line -> line.startsWith("03-11-07|Rope"));
        assertThat(made.question("type").assumed()).isEqualTo("Text");
    }

    @Test
    void daysOfManyYearsAreDays() {
        batch.csv(
                "born.csv",
                "Member,Born,Qty",
                "A1,03-11-07,4",
                "A2,04-02-21,3",
                "A3,03-12-63,9",
                "A4,01-01-88,2",
                "A5,25-05-02,1");
        assertThat(batch.refresh().lines()).anyMatch(line -> line.contains("2007-11-03"));
    }

    @Test
    void onesAndNoughtsAreYesAndNoWhereOthersSayThatInWords() {
        batch.csv("a.csv", "Id,Active,Score", "a1,Yes,4", "a2,No,7", "a3,Yes,2");
        batch.csv("b.csv", "Id,Active,Score", "b1,1,4", "b2,0,7", "b3,1,2");
        batch.csv("c.csv", "Id,Active,Score", "c1,Y,4", "c2,N,7", "c3,Y,2");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().plan().columns().get(1).type()).isEqualTo(Type.YES_NO);
        assertThat(made.lines())
                .anyMatch(line -> line.startsWith("b1|true"))
                .anyMatch(line -> line.startsWith("b2|false"))
                .anyMatch(line -> line.startsWith("c3|true"));
        assertThat(made.findings("written-as")).singleElement().asString().contains("1 and 0 where the others say");
        batch.settle("written-as", "Active", "as written");
        assertThat(batch.refresh().outcome().plan().columns().get(1).type()).isNotEqualTo(Type.YES_NO);
    }

    @Test
    void countsBesideWordsAreNoYes() {
        batch.csv("a.csv", "Id,Spare,Score", "a1,Yes,4", "a2,No,7", "a3,Yes,2");
        batch.csv("b.csv", "Id,Spare,Score", "b1,1,4", "b2,0,7", "b3,4,2");
        assertThat(batch.refresh().findings("written-as")).isEmpty();
    }

    @Test
    void numbersAmongTheDaysOfTheOthersAreDaysToo() {
        batch.sheet(
                "a.xlsx", row("Tip date", "Load", "Tonnes"), row(44988, 7, 1.5), row(44990, 8, 2.5), row(44991, 9, 3));
        batch.sheet(
                "b.xlsx", row("Tip date", "Load", "Tonnes"), row(44989, 4, 1.5), row(44992, 8, 2.5), row(44994, 9, 3));
        batch.sheet(
                "c.xlsx", row("Weighed", "Load", "Tonnes"), row(44987, 5, 1.5), row(44993, 8, 2.5), row(44995, 9, 3));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().plan().columns().get(0).type()).isEqualTo(Type.DATE);
        assertThat(made.lines()).anyMatch(line -> line.startsWith("2023-03-02|5|1.5"));
    }
}
