package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.change.Deciding;
import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.gather.Reread;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.value.Type;
import org.junit.jupiter.api.Test;

/** Numbers that are days: counted since 1899, or eight digits of year, month and day. */
class DayNumbersTest extends BatchTest {
    @Test
    void daysThatLostTheirFormatAreDatesWhereTheHeaderAndThePeriodSaySo() {
        batch.sheet(
                "Catch Feb 2021.xlsx",
                row("Landing date", "Boat", "Boxes"),
                row(44229, "Heron", 40000),
                row(44235, "Plover", 41000));
        batch.sheet("Catch Mar 2021.xlsx", row("Landing date", "Boat", "Boxes"), row(44257, "Heron", 42000));
        Batch.Made made = batch.refresh();
        assertThat(made.type("Landing date")).isEqualTo(Type.DATE);
        assertThat(made.column("Landing date")).containsExactly("2021-02-02", "2021-02-08", "2021-03-02");
        assertThat(made.column("Boxes")).containsExactly("40000", "41000", "42000");
        assertThat(made.outcome().questions()).isEmpty();
        assertThat(made.findings("written-as").get(0).what()).contains("44229 is 2021-02-02");
        assertThat(made.findings("not-conserved")).isEmpty();
    }

    @Test
    void anAnswerThatIsTakenBackLeavesTheTypeToTheEvidenceAgain() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6");
        batch.sheet("b.xlsx", row("Visited", "Boat", "Boxes"), row(44240, "Heron", 7), row(44241, "Plover", 8));
        Batch.Made made = batch.refresh();
        assertThat(made.type("Visited")).isEqualTo(Type.DATE);
        batch.settle(made.question(Kinds.WRITTEN_AS), "as written");
        Batch.Made answered = batch.refresh();
        assertThat(answered.type("Visited")).isEqualTo(Type.TEXT);
        String id = batch.job().settled().get(0).id();
        batch.job(new Deciding(answered.outcome(), "Ines, 2021-03-05").undo(id));
        Batch.Made back = batch.refresh();
        assertThat(back.type("Visited")).isEqualTo(Type.DATE);
        assertThat(back.lines()).isEqualTo(made.lines());
        assertThat(back.question(Kinds.WRITTEN_AS)).isEqualTo(made.question(Kinds.WRITTEN_AS));
    }

    @Test
    void daysBesideDatesAreDatesAndWhereOnlyTheHeaderSaysSoItIsAsked() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6");
        batch.sheet("b.xlsx", row("Visited", "Boat", "Boxes"), row(44240, "Heron", 7), row(44241, "Plover", 8));
        Batch.Made made = batch.refresh();
        assertThat(made.column("Visited")).containsExactly("2021-02-01", "2021-02-03", "2021-02-13", "2021-02-14");
        Question question = made.question(Kinds.WRITTEN_AS);
        assertThat(question.text())
                .contains("b.xlsx holds numbers such as 44240")
                .contains("Are they dates?");
        Batch.Made numbers = batch.settle(question, "as written").refresh();
        assertThat(numbers.type("Visited")).isNotEqualTo(Type.DATE);
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
        assertThat(made.column("Landing date")).contains("2021-02-01", "2021-02-02", "2021-02-14");
    }

    @Test
    void daysOfTheirFilesPeriodAreDatesThoughNothingElseSaysSoAndAreAskedAbout() {
        batch.sheet("Catch 2021-02.xlsx", row("Landing", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.sheet("Catch 2021-03.xlsx", row("Landing", "Boat"), row(44257, "Heron"), row(44260, "Dunlin"));
        Batch.Made made = batch.refresh();
        assertThat(made.column("Landing")).containsExactly("2021-02-02", "2021-02-08", "2021-03-02", "2021-03-05");
        assertThat(made.question(Kinds.WRITTEN_AS).text()).contains("Are they dates?");
    }

    @Test
    void numbersOfFiveDigitsThatRunOutOfTheirFilesPeriodAreNoDates() {
        batch.sheet("Catch 2021-02.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.sheet("Catch 2021-03.xlsx", row("Ticket", "Boat"), row(44257, "Heron"), row(47260, "Dunlin"));
        assertThat(batch.refresh().type("Ticket")).isEqualTo(Type.WHOLE_NUMBER);
    }

    @Test
    void numbersOfFiveDigitsAreNoDatesWithoutAWordForIt() {
        batch.sheet("a.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        assertThat(batch.refresh().type("Ticket")).isEqualTo(Type.WHOLE_NUMBER);
    }

    @Test
    void settingDateOnDaysConvertsThem() {
        batch.sheet("a.xlsx", row("Ticket", "Boat"), row(44229, "Heron"), row(44235, "Plover"));
        batch.refresh();
        batch.job(Board.type(batch.job(), "Ticket", Type.DATE.word()));
        Batch.Made made = batch.refresh();
        assertThat(made.column("Ticket")).containsExactly("2021-02-02", "2021-02-08");
        assertThat(made.findings("unfit-values")).isEmpty();
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

    @Test
    void wordsForNothingAmongNumbersThatCountDaysSayNothingAgainstThem() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6", "n/a,Dunlin,7");
        batch.sheet(
                "b.xlsx",
                row("Visited", "Boat", "Boxes"),
                row(44240, "Heron", 7),
                row("n/a", "Dunlin", 3),
                row(44241, "Plover", 8));
        Batch.Made made = batch.refresh();
        assertThat(made.type("Visited")).isEqualTo(Type.DATE);
        assertThat(made.column("Visited")).contains("2021-02-13", "2021-02-14");
    }

    @Test
    void eachSenderMayHaveItsOwnWay() {
        batch.csv("a.csv", "Visited,Boat,Boxes", "2021-02-01,Heron,5", "2021-02-03,Plover,6", "2021-02-04,Dunlin,7");
        batch.csv("b.csv", "Visited,Boat,Boxes", "44240,Heron,7", "44241,Plover,3");
        batch.csv("c.csv", "Visited,Boat,Boxes", "20210216,Heron,7", "20210217,Plover,3", "20210218,Dunlin,9");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Visited")).isEqualTo(Type.DATE);
        assertThat(made.column("Visited")).contains("2021-02-13", "2021-02-16", "2021-02-04");
    }
}
