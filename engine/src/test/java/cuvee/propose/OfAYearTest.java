package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.layout.LaidColumn;
import cuvee.layout.Origin;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.testing.Workbooks;
import cuvee.value.Type;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Months and days without a year, across and below each other, and whose year tells them. */
class OfAYearTest extends BatchTest {
    @Test
    void monthsByNameAreTheFirstDaysThatOtherFilesHold() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2021-10-01,Heron,5", "2021-11-01,Plover,6");
        batch.csv("Hollin.csv", "Month,Boat,Boxes", "Oct 2021,Heron,7", "November 2021,Plover,8", "n/a,Plover,9");
        batch.csv("Tarsk.csv", "Month,Boat,Boxes", "12/2021,Heron,10", "Jan-22,Plover,11");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Month")).isEqualTo(Type.DATE);
        assertThat(made.column("Month"))
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
        assertThat(made.column("Landed")).contains("2021-10-07", "2021-11-01");
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Hollin.csv holds months such as “Oct 2021”");
        Batch.Made kept = batch.settle(question, "as written").refresh();
        assertThat(kept.column("Landed")).contains("Oct 2021");
    }

    @Test
    void monthsByNameUnderAnotherHeaderAreLinedUpWithTheFirstDaysOfMonths() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2021-10-01,Heron,5", "2021-11-01,Plover,6", "2021-12-01,Plover,6");
        batch.csv("Hollin.csv", "Period,Boat,Boxes", "Oct 2021,Heron,7", "Nov 2021,Plover,8", "Dec 2021,Plover,8");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Period", "Boat", "Boxes").doesNotContain("Month");
        assertThat(made.column("Period")).doesNotContain("", "Oct 2021");
    }

    @Test
    void wordsWithDaysOfOneMonthAreNoMonths() {
        batch.csv("Skerry.csv", "Berth,Boat,Boxes", "Mar 21,Heron,5", "Mar 22,Plover,6", "Mar 23,Tern,7");
        assertThat(batch.refresh().column("Berth")).containsExactly("Mar 21", "Mar 22", "Mar 23");
    }

    @Test
    void monthsWithoutAYearAreOfTheYearThatTheNameOfTheirFileSays() {
        batch.csv("Returns 2025.csv", "Month,Boat,Boxes", "2025-01-01,Heron,5", "2025-02-01,Plover,6");
        batch.csv("Returns 2026.csv", "Month,Boat,Boxes", "January,Heron,7", "Feb.,Plover,8", "n/a,Plover,9");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Month")).isEqualTo(Type.DATE);
        assertThat(made.column("Month")).containsExactly("2025-01-01", "2025-02-01", "2026-01-01", "2026-02-01", "");
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
        assertThat(made.type("Day")).isEqualTo(Type.DATE);
        assertThat(made.column("Day"))
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
        assertThat(said.column("Day"))
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
                .containsExactly("months of 2025-12", "months of 2025", "months of 2026", "as written");
        assertThat(made.column("Month")).as("assumed").contains("2026-02-01");
        Batch.Made said = batch.settle(question, "months of 2026").refresh();
        assertThat(said.type("Month")).isEqualTo(Type.DATE);
        assertThat(said.column("Month"))
                .containsExactlyInAnyOrder("2025-12-01", "2026-01-01", "2026-01-01", "2026-02-01");
        assertThat(said.outcome().questions()).isEmpty();
    }

    @Test
    void monthsAcrossBesideMonthsOfOneYearAreOfThatYearAndAskedAbout() {
        batch.csv("Skerry.csv", "Account,2026-01,2026-02,2026-03", "Fuel,505,248,745", "Wages,610,611,640");
        batch.csv("Hollin.csv", "Account,Jan,Feb,Mar", "Fuel,50,24,74", "Wages,61,61,64");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Month")).isEqualTo(Type.DATE);
        assertThat(made.column("Month"))
                .containsOnly("2026-01-01", "2026-02-01", "2026-03-01")
                .hasSize(12);
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("Hollin.csv holds months without a year, such as “Jan”");
        assertThat(question.assumed()).isEqualTo("months of 2026");
        assertThat(made.findings("written-as")).as("no name says it").isEmpty();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void theYearThatWasAssumedOfAFileStaysWhenTheNextYearComes() {
        batch.csv("Skerry.csv", "Account,2026-01,2026-02,2026-03", "Fuel,505,248,745", "Wages,610,611,640");
        batch.csv("Hollin.csv", "Account,Jan,Feb,Mar", "Fuel,50,24,74", "Wages,61,61,64");
        batch.refresh();
        batch.csv("Tarsk.csv", "Account,2029-01,2029-02,2029-03", "Fuel,505,248,745", "Wages,610,611,640");
        Batch.Made later = batch.refresh();
        assertThat(later.column("Month")).contains("2029-01-01").doesNotContain("Jan", "");
        assertThat(later.question(Kinds.WRITTEN_AS).assumed()).isEqualTo("months of 2026");
        Batch.Made settled =
                batch.settle(later.question(Kinds.WRITTEN_AS), "months of 2025").refresh();
        assertThat(settled.column("Month")).contains("2025-01-01");
        assertThat(settled.outcome().questions()).isEmpty();
    }

    @Test
    void aLabelThatOnlyLooksLikeADayIsNone() {
        LaidColumn labels = LaidColumn.told(
                "Day", new Origin.Label(List.of("2026-02-28", "2026-02-30", "Mon")), List.of("2026-02-28"), 1);
        assertThat(labels.daysOfCellsOrLabels()).containsExactly(LocalDate.of(2026, 2, 28));
    }

    @Test
    void soDoesThatOfMonthsInCells() {
        batch.csv("Skerry.csv", "Month,Boat,Boxes", "2026-01-01,Heron,5", "2026-02-01,Plover,6");
        batch.csv("Hollin.csv", "Month,Boat,Boxes", "January,Heron,7", "February,Plover,8");
        batch.refresh();
        batch.csv("Tarsk.csv", "Month,Boat,Boxes", "2029-01-01,Heron,5", "2029-02-01,Plover,6");
        Batch.Made later = batch.refresh();
        assertThat(later.column("Month"))
                .containsExactlyInAnyOrder(
                        "2026-01-01", "2026-02-01", "2026-01-01", "2026-02-01", "2029-01-01", "2029-02-01");
        assertThat(later.question(Kinds.WRITTEN_AS).assumed()).isEqualTo("months of 2026");
    }

    @Test
    void monthsInCellsBesideMonthsAcrossAreOfTheirYear() {
        batch.csv("Skerry.csv", "Account,2026-01,2026-02,2026-03", "Fuel,505,248,745", "Wages,610,611,640");
        batch.csv("Hollin.csv", "Account,Month,Amount", "Fuel,Jan,50", "Fuel,Feb,24", "Wages,Jan,61", "Wages,Feb,64");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Month")).doesNotContain("Jan", "").contains("2026-02-01");
        assertThat(made.question(Kinds.WRITTEN_AS).assumed()).isEqualTo("months of 2026");
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
        assertThat(made.column("Month")).contains("2025-01-01", "2026-04-01").doesNotContain("Jan");
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
        assertThat(made.column("Month"))
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
        assertThat(batch.refresh().column("Month")).contains(first, last);
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
        assertThat(batch.refresh().column("Month")).contains("2025-11-01", "2025-12-01", "2026-01-01");
    }

    @Test
    void whereANameSaysOneOfTheTwoYearsItIsAskedWhich() {
        yearOfAccounts("Hollin 2025.csv", "Budget");
        Batch.Made assumed = batch.refresh();
        Question question = assumed.question(Kinds.WRITTEN_AS);
        assertThat(question.text()).contains("run from “Oct” to “Feb”", "say 2025");
        assertThat(assumed.column("Month")).contains("2025-10-01", "2026-02-01");
        batch.settle(question, "months of years named by their end");
        yearOfAccounts("Tarsk 2026.csv", "Budget");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Month")).contains("2024-10-01", "2025-02-01", "2025-10-01", "2026-02-01");
        assertThat(made.outcome().questions()).isEmpty();
    }

    @Test
    void theLastMonthInATitleTellsInWhichYearItsMonthsEnd() {
        yearOfAccounts("Hollin.csv", "Five months to 28 February 2026");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Month")).contains("2025-10-01", "2026-02-01").hasSize(10);
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
        assertThat(batch.refresh().column("Month"))
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
        assertThat(made.column("Month")).contains("2025-01-01", "2026-04-01");
        assertThat(made.findings("misfit")).isNotEmpty();
    }

    @Test
    void monthsAcrossStayWordsWhereOneFileDoesNotSayItsYearOrTheAnalystWantsThem() {
        acrossMonths("Hollin 2025.csv");
        acrossMonths("Tarsk.csv");
        assertThat(batch.refresh().column("Month")).contains("Jan", "Apr").doesNotContain("2025-01-01");
        batch.rename("Tarsk.csv", "Tarsk 2026.csv");
        assertThat(batch.refresh().column("Month"))
                .as("text it was, text it stays")
                .contains("Jan");
        batch.settle(Kinds.TYPE, "Month", Type.DATE.word());
        assertThat(batch.refresh().column("Month")).contains("2026-01-01");
        batch.settle(Kinds.WRITTEN_AS, "Month", "as written").settle(Kinds.TYPE, "Month", Type.TEXT.word());
        assertThat(batch.refresh().column("Month")).contains("Jan").doesNotContain("2026-01-01");
    }

    @Test
    void monthsInAColumnHaveTheYearThatTheNamesSayToo() {
        batch.csv("Hollin 2025.csv", "Account,Month,Amount", "Fuel,Jan,505", "Fuel,Feb,248", "Wages,Jan,610");
        batch.csv("Tarsk 2026.csv", "Account,Month,Amount", "Fuel,January,745", "Wages,March,640");
        Batch.Made made = batch.refresh();
        assertThat(made.column("Month")).contains("2025-01-01", "2026-03-01").doesNotContain("Jan");
        assertThat(made.findings("written-as"))
                .singleElement()
                .satisfies(said -> assertThat(said.text()).contains("2025 and 2026"));
        assertThat(made.outcome().questions()).isEmpty();
        batch.csv("Oska.csv", "Account,Month,Amount", "Fuel,February,99", "Wages,April,98");
        Batch.Made later = batch.refresh();
        assertThat(later.column("Month")).contains("2025-01-01", "2026-03-01");
        assertThat(later.question(Kinds.WRITTEN_AS).text()).contains("Oska.csv").contains("Of which year");
    }
}
