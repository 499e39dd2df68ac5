package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.decision.TableChoice;
import cuvee.gather.Progress;
import cuvee.gather.Reread;
import cuvee.master.MasterLine;
import cuvee.master.MasterReader;
import cuvee.tell.Outcome;
import cuvee.tell.Sentence;
import cuvee.tell.Sentences;
import cuvee.tell.Trail;
import cuvee.testing.Workbooks;
import cuvee.value.Type;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Plans run months across; the master has a row for each. */
class TurnedTest extends BatchTest {
    @Test
    void datesBelowTheDaysOfTheWeekAreTheHeader() {
        batch.csv(
                "rota.csv",
                "Name,Mon,Tue,Wed,Thu",
                ",2026-03-02,2026-03-03,2026-03-04,2026-03-05",
                "Ann,Early,Late,Off,Early",
                "Bo,Late,Late,Early,Off");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(8).contains("Ann|2026-03-03|Late", "Bo|2026-03-05|Off");
    }

    @Test
    void theWorkingDaysOfAMonthAreTheHeaderBelowTheLettersOfTheirWeeks() {
        batch.csv(
                "register 7A September 2025.csv",
                ",M,T,W,T,F,M,T,W,T,F,M,",
                "Pupil,1,2,3,4,5,8,9,10,11,12,15,Absences",
                "Ann,/,/,A,/,/,/,/,L,/,/,/,1",
                "Bo,/,A,A,/,/,/,/,/,/,L,/,2");
        batch.csv(
                "register 7B October 2025.csv",
                "Pupil,1,2,3,6,7,8,9,10,13,14,Absences",
                "Cy,/,L,/,/,/,A,/,/,/,/,1",
                "Di,A,/,/,/,/,/,/,/,/,A,2");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Pupil", "Absences", "Day").doesNotContain("12");
        assertThat(made.lines())
                .hasSize(2 * 11 + 2 * 10)
                .anyMatch(line -> line.startsWith("Bo|2|12|L"))
                .anyMatch(line -> line.startsWith("Cy|1|8|A"));
    }

    @Test
    void theDaysOfAWeekBecomeRowsHoweverTheyAreNamed() {
        batch.csv("Skerry.csv", "Name,Mon,Tue,Wed,Thu,Fri,Total", "Ann,8,7.5,,8,6,29.5", "Bo,4,4,4,4,4,20");
        batch.csv("Hollin.csv", "Name,Sunday,Monday,Tuesday,Wednesday,Thursday,Friday", "Cy,1,2,3,4,5,6");
        batch.csv("Tarsk.csv", "Name,Day,Amount", "Di,Mon,7", "Di,Tue,8", "Di,Wed,3");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Name", "Day", "Amount").doesNotContain("Mon", "Total", "Sunday");
        assertThat(made.lines())
                .hasSize(9 + 6 + 3)
                .anyMatch(line -> line.startsWith("Ann|Fri|6"))
                .anyMatch(line -> line.startsWith("Cy|Sunday|1"))
                .anyMatch(line -> line.startsWith("Di|Tue|8"));
    }

    @Test
    void questionsOfASurveyAreNoQuarters() {
        batch.csv(
                "Skerry.csv",
                "Response,Q1. How satisfied are you?,Q2. How likely are you to come again?,Q3. What could we do better?,Q4. Which did you use?",
                "101,Satisfied,8,Shorter queues,Website",
                "102,Neither,4,,Phone",
                "103,Satisfied,9,More staff,Branch");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(3).contains("101|Satisfied|8|Shorter queues|Website");
        assertThat(made.findings("block-across")).isEmpty();
        batch.csv("Skerry.csv", "Response,Q1,Q2,Q3,Q4,Q5,Q6", "101,4,5,3,1,2,2", "102,3,3,1,2,5,4");
        assertThat(batch.refresh().columns()).contains("Q1", "Q4", "Q6");
        batch.csv("Skerry.csv", "Response,Q1a,Q1b,Q2a,Q2b,Q3a,Q3b", "101,4,5,3,1,2,2", "102,3,3,1,2,5,4");
        assertThat(batch.refresh().columns()).contains("Q1a", "Q3b");
    }

    @Test
    void quartersWithAWordOnTheirStateAreTurned() {
        batch.csv("Skerry.csv", "Region,Q1A,Q2A,Q3F,Q4F", "North,410,520,330,190", "South,310,320,130,290");
        assertThat(batch.refresh().columns()).contains("Quarter").doesNotContain("Q1A");
    }

    @Test
    void quartersAboveWordsAreTurned() {
        batch.csv("Works.csv", "Milestone,Q1,Q2,Q3,Q4", "Roof,green,green,amber,red", "Walls,red,amber,amber,green");
        assertThat(batch.refresh().lines()).hasSize(8).anyMatch(line -> line.startsWith("Walls|Q2|amber"));
    }

    @Test
    void severalValuesForEachDayOfAWeekAreSeveralColumns() {
        batch.csv(
                "Skerry.csv",
                "Name,Mon in,Mon out,Tue in,Tue out,Wed in,Wed out,Thu in,Thu out,Fri in,Fri out",
                "Ann,8,17,9,17,8,16,8,18,9,12",
                "Bo,8,17,9,17,8,16,8,18,9,13");
        assertThat(batch.refresh().lines())
                .hasSize(10)
                .anyMatch(line -> line.startsWith("Ann|Mon|8|17"))
                .anyMatch(line -> line.startsWith("Bo|Fri|9|13"));
    }

    @Test
    void someDaysOfAWeekStayColumnsAndSoDoThoseThatTheMasterHas() {
        batch.csv("Skerry.csv", "Name,Mon,Wed,Fri", "Ann,8,7.5,6", "Bo,4,4,4");
        assertThat(batch.refresh().columns()).contains("Mon", "Wed", "Fri");
        batch.csv("Skerry.csv", "Name,Mon,Tue,Wed,Thu,Fri", "Ann,8,7,7.5,8,6", "Bo,4,4,4,4,4");
        assertThat(batch.refresh().columns()).as("new days").contains("Day");
    }

    @Test
    void daysWithoutAYearGoOverItsTurn() {
        for (String port : List.of("Hollin", "Tarsk")) {
            batch.sheet(
                    port + ".xlsx",
                    row(port + ": rooms sold, 30 December 2025 to 2 January 2026"),
                    row(),
                    row("Room type", "30/12", "31/12", "01/01", "02/01"),
                    row("Single", 10, 13, 13, port.length()),
                    row("Double", 1, 3, 2, 4));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.lines())
                .hasSize(16)
                .anyMatch(line -> line.startsWith("Single|2025-12-31|13|Hollin"))
                .anyMatch(line -> line.startsWith("Double|2026-01-02|4|Tarsk"));
    }

    @Test
    void whatStandsOverMonthsIsNoPartOfThem() {
        Workbooks.workbook()
                .sheet(
                        "Hire",
                        row("", "", "Days out"),
                        row("Item", "Customer", "2025-01", "2025-02", "2025-03"),
                        row("Hoist", "Council", 10, 1, 27),
                        row("Sander", "Retail", 1, 2, 11),
                        row("Digger", "Trade", 3, 0, 6))
                .merged("Hire", "C1:E1")
                .save(batch.file("hire.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9).contains("Hoist|Council|2025-01-01|10", "Digger|Trade|2025-03-01|6");
    }

    @Test
    void theAverageOfTheMonthsIsNoFigureOfEachMonth() {
        batch.sheet(
                "csat.xlsx",
                row("CSAT 2026"),
                row("Department", "Jan", "Feb", "Mar", "Average"),
                row("Ops", 0.81, 0.9, 0.72, 0.81),
                row("Sales", 0.5, 0.75, 0.7, 0.65));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).doesNotContain("Average");
        assertThat(made.lines()).hasSize(6).anyMatch(line -> line.startsWith("Ops|2026-02-01|0.9"));
    }

    @Test
    void hoursOfTheDayBecomeRowsHoweverTheyAreWritten() {
        batch.sheet(
                "visits.xlsx",
                row("Date", "9am", "10 am", "11am", "12pm", "1pm"),
                row("2026-03-01", 4, 7, 9, 3, 1),
                row("2026-03-02", 5, 6, 8, 2, 0));
        assertThat(batch.refresh().lines())
                .hasSize(10)
                .anyMatch(line -> line.startsWith("2026-03-01|10:00:00|7"))
                .anyMatch(line -> line.startsWith("2026-03-02|13:00:00|0"));
    }

    @Test
    void timesInAColumnOfAListAreTimes() {
        batch.sheet(
                "schedule.xlsx",
                row("Date", "Time", "Room", "Course", "Places"),
                row("2026-03-01", "9am", "R1", "Boats", 12),
                row("2026-03-01", "11:30am", "R1", "First aid", 6),
                row("2026-03-01", "10 am", "R1", "Fire", 6),
                row("2026-03-02", "2pm", "R2", "Fire", 5));
        assertThat(batch.refresh().lines()).hasSize(4).anyMatch(line -> line.startsWith("2026-03-02|14:00:00|R2"));
    }

    @Test
    void twoQuartersStayColumnsAndThatIsSaidForTheRightReason() {
        batch.sheet(
                "north.xlsx",
                row("Account", "Q1 Budget", "Q1 Actual", "Q2 Budget", "Q2 Actual"),
                row("4000", 10, 20, 30, 40),
                row("4001", 11, 21, 31, 41));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(2);
        assertThat(made.findings("block-across"))
                .singleElement()
                .asString()
                .contains("it has too few members to be sure of that");
    }

    @Test
    void whatIsSaidOfTheFiguresOfAPeriodIsNoOtherFigure() {
        batch.sheet(
                "north.xlsx",
                row("Measure", "Jan 2026 (actual)", "Feb 2026 (actual)", "Mar 2026", "Apr 2026 (forecast)"),
                row("Revenue", 1844, 1545, 1928, 1671),
                row("Tonnes", 310, 290, 305, 300));
        Batch.Made made = batch.refresh();
        assertThat(made.columns().subList(0, 3)).containsExactly("Measure", "Month", "Month status");
        assertThat(made.lines())
                .hasSize(8)
                .anyMatch(line -> line.startsWith("Revenue|2026-02-01|actual|1545"))
                .anyMatch(line -> line.startsWith("Revenue|2026-03-01||1928"))
                .anyMatch(line -> line.startsWith("Tonnes|2026-04-01|forecast|300"));
    }

    @Test
    void monthsAcrossBecomeRowsAndTotalsAreLeftOut() {
        batch.sheet(
                "plan.xlsx",
                row("Fuel plan 2026, litres"),
                row(),
                row("Depot", "Fuel", "Jan", "Feb", "Mar", "Total"),
                row("Hollin", "diesel", 10, 20, 30, 60),
                row("Hollin", "oil", 1, 2, 3, 6),
                row("Total Hollin", null, 11, 22, 33, 66),
                row("Tarsk", "diesel", 5, null, 7, 12),
                row("Total Tarsk", null, 5, null, 7, 12),
                row("Grand total", null, 16, 22, 40, 78));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Fuel", "Month", "Fuel plan");
        assertThat(made.lines())
                .containsExactly(
                        "Hollin|diesel|2026-01-01|10",
                        "Hollin|diesel|2026-02-01|20",
                        "Hollin|diesel|2026-03-01|30",
                        "Hollin|oil|2026-01-01|1",
                        "Hollin|oil|2026-02-01|2",
                        "Hollin|oil|2026-03-01|3",
                        "Tarsk|diesel|2026-01-01|5",
                        "Tarsk|diesel|2026-03-01|7");
        assertThat(made.outcome().needsALook()).isFalse();
        assertThat(made.outcome().rows()).isEqualTo(8);
    }

    @Test
    void aMonthWithAYearIsADate() {
        batch.sheet(
                "a.xlsx",
                row("Depot", LocalDate.of(2026, 1, 1), LocalDate.of(2026, 2, 1), LocalDate.of(2026, 3, 1)),
                row("Hollin", 1, 2, 3),
                row("Tarsk", 4, 5, 6));
        batch.csv("b.csv", "Depot,Apr 2026,May 2026,Jun 2026", "Hollin,7,8,9");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Month", "Amount");
        assertThat(made.lines())
                .contains("Tarsk|2026-03-01|6", "Hollin|2026-05-01|8")
                .hasSize(9);
        assertThat(made.outcome().proposal().columns().get(1).type().word()).isEqualTo("Date");
    }

    @Test
    void workingDaysUnderTheirWeekdaysAreTheHeader() {
        List<Object[]> rows = new ArrayList<>();
        Object[] weekdays = new Object[9];
        Object[] days = new Object[9];
        days[0] = "Meal";
        for (int i = 1; i < days.length; i++) {
            LocalDate day = LocalDate.of(2026, 1, 1).plusDays(i + (i > 5 ? 4 : i > 1 ? 2 : 0));
            days[i] = day;
            weekdays[i] = day.getDayOfWeek().name().charAt(0)
                    + day.getDayOfWeek().name().substring(1, 3).toLowerCase(java.util.Locale.ROOT);
        }
        rows.add(row("Meals served in January 2026"));
        rows.add(weekdays);
        rows.add(days);
        for (String meal : List.of("Hot", "Vegetarian", "Packed")) {
            Object[] cells = new Object[9];
            cells[0] = meal;
            for (int i = 1; i < cells.length; i++) {
                cells[i] = meal.length() * 7 + i * 3 % 11;
            }
            rows.add(cells);
        }
        batch.sheet("meals.xlsx", rows.toArray(new Object[0][]));
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Meal", "Date");
        assertThat(made.lines()).hasSize(24).anyMatch(line -> line.startsWith("Hot|2026-01-02|"));
    }

    @Test
    void monthsOfAgeThatGoUpByTwelveBecomeRows() {
        batch.sheet(
                "motor.xlsx",
                row("Paid claims triangle: Motor"),
                row("EUR 000"),
                row(),
                row("Accident year", "12", "24", "36", "48"),
                row(2022, 363, 953, 1718, 2391),
                row(2023, 793, 931, 1508, null),
                row(2024, 847, 1624, null, null));
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(9).anyMatch(line -> line.startsWith("2023|36|1508"));
        assertThat(made.outcome().proposal().columns()).allMatch(column -> column.filled() == 9);
    }

    @Test
    void nextMonthsColumnJoinsByItself() {
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar", "Hollin,1,2,3", "Tarsk,4,5,6");
        batch.refresh();
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar,Apr", "Hollin,1,2,3,30", "Tarsk,4,5,6,60");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(8).contains("Hollin|Apr|30", "Tarsk|Apr|60");
        assertThat(made.outcome().needsALook()).isFalse();
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void aFileWithItsFirstMonthOnlyIsReadLikeTheOthers() {
        batch.csv("north.csv", "Depot,Jan,Feb,Mar", "Hollin,1,2,3");
        batch.csv("south.csv", "Depot,Jan", "Tarsk,4");
        assertThat(batch.refresh().lines())
                .containsExactly("Hollin|Jan|1|north", "Hollin|Feb|2|north", "Hollin|Mar|3|north", "Tarsk|Jan|4|south");
    }

    @Test
    void aHeaderOfMonthsUnderMeasuresThatIsRepeatedLowerIsOneHeader() {
        String measures = "Depot,Round,Catch,,,Worth,,";
        String months = ",,Jan 2026,Feb 2026,Mar 2026,Jan 2026,Feb 2026,Mar 2026";
        batch.csv(
                "plan.csv",
                measures,
                months,
                "Hollin,North,1.5,2.5,3.5,10,20,30",
                "Hollin,South,1.25,2,3,11,21,31",
                "Tarsk,North,1,2.75,3.25,12,22,32",
                "",
                measures,
                months,
                "Tarsk,South,4.5,5.5,6.5,13,23,33",
                "Marsay,North,4,5,6,14,24,34",
                "Marsay,South,4.25,5.75,6,15,25,35");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Round", "Month", "Catch", "Worth");
        assertThat(made.lines()).hasSize(18).contains("Hollin|North|2026-01-01|1.5|10", "Marsay|South|2026-03-01|6|35");
    }

    @Test
    void oneMeasureOverTheMonthsThatIsRepeatedBelowATotalBeginsNoOtherTable() {
        Workbooks workbook = Workbooks.workbook();
        workbook.sheet(
                        "All",
                        row(null, null, "Tickets", null, null),
                        row("Feature", "House", "Jan 2026", "Feb 2026", "Mar 2026"),
                        row("Comets", "Hollin", 69, 9, 12),
                        row(null, "Tarsk", 163, 80, 107),
                        row(null, "Oska", 141, 62, 13),
                        row(null, "Total Comets", 373, 151, 132),
                        row(),
                        row(null, null, "Tickets", null, null),
                        row("Feature", "House", "Jan 2026", "Feb 2026", "Mar 2026"),
                        row("Moons", "Hollin", 125, 82, 33),
                        row(null, "Tarsk", 5, 47, 8),
                        row(null, "Subtotal", 130, 129, 41),
                        row(null, "Total for return", 503, 280, 173))
                .merged("All", "C1:E1", "C8:E8")
                .save(batch.file("shows.xlsx"));
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().sources().get(0).tables()).hasSize(1);
        assertThat(made.lines()).hasSize(15).noneMatch(line -> line.contains("otal"));
    }

    @Test
    void amountsThatOneSheetHasUnderTwoNamesAreTwoThings() {
        Batch.Made made = blocks("Single", "Married");
        assertThat(made.columns()).containsExactlyInAnyOrder("Income", "Year", "Single", "Married");
        assertThat(made.lines()).hasSize(32);
    }

    @Test
    void namesThatMeanTheSameAreOneThingOnOneSheetToo() {
        Batch.Made made = blocks("Passengers", "Passenger");
        assertThat(made.columns()).containsExactlyInAnyOrder("Income", "Year", "Passengers");
        assertThat(made.lines()).hasSize(32);
    }

    /** Two blocks of years on a sheet, each under a name of its own. */
    private Batch.Made blocks(String one, String other) {
        Workbooks workbook = Workbooks.workbook();
        workbook.sheet(
                        "Rates",
                        row(null, one, null, null, null),
                        row("Income", 2021, 2022, 2023, 2024),
                        row(6000, 0.061, 0.052, 0.043, 0.034),
                        row(15000, 0.231, 0.222, 0.213, 0.204),
                        row(20000, 0.285, 0.276, 0.267, 0.258),
                        row(25000, 0.337, 0.328, 0.319, 0.311),
                        row(),
                        row(),
                        row(null, other, null, null, null),
                        row("Income", 2021, 2022, 2023, 2024),
                        row(6000, 0.053, 0.041, 0.032, 0.021),
                        row(15000, 0.151, 0.142, 0.133, 0.124),
                        row(20000, 0.207, 0.198, 0.189, 0.181),
                        row(25000, 0.271, 0.262, 0.253, 0.244))
                .merged("Rates", "B1:E1", "B9:E9")
                .save(batch.file("rates.xlsx"));
        return batch.refresh();
    }

    @Test
    void severalValuesForEachMonthAreSeveralColumns() {
        batch.csv(
                "plan.csv",
                "Depot,Jan Planned,Jan Actual,Feb Planned,Feb Actual,Mar Planned,Mar Actual",
                "Hollin,1,2,3,4,5,6",
                "Tarsk,7,8,9,10,11,");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Month", "Planned", "Actual");
        assertThat(made.lines())
                .containsExactly(
                        "Hollin|Jan|1|2",
                        "Hollin|Feb|3|4",
                        "Hollin|Mar|5|6",
                        "Tarsk|Jan|7|8",
                        "Tarsk|Feb|9|10",
                        "Tarsk|Mar|11|");
    }

    @Test
    void monthsOfAYearThatTheMasterHasStayColumnsInAnotherLayoutToo() {
        batch.csv("plan.csv", "Depot,2026-01,2026-02,2026-03", "Hollin,1,2,3", "Tarsk,4,5,6");
        batch.refresh();
        String subject = batch.job().assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .findFirst()
                .orElseThrow()
                .subject();
        batch.settle(Kinds.ACROSS, subject, TableChoice.LEAVE).refresh();
        batch.csv("other.csv", "Depot,Head,2026-01,2026-02,2026-03", "Oska,Ann,7,8,9");
        assertThat(batch.refresh().lines()).anyMatch(line -> line.contains("|7|8|9"));
    }

    @Test
    void theyStayColumnsWhereTheAnalystSaysSo() {
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar", "Hollin,1,2,3", "Tarsk,4,5,6");
        batch.refresh();
        String subject = batch.job().assumed().stream()
                .filter(decision -> decision.kind().equals(Kinds.ACROSS))
                .findFirst()
                .orElseThrow()
                .subject();
        Batch.Made made = batch.settle(Kinds.ACROSS, subject, TableChoice.LEAVE).refresh();
        assertThat(made.columns()).containsExactly("Depot", "Jan", "Feb", "Mar");
        assertThat(made.lines()).containsExactly("Hollin|1|2|3", "Tarsk|4|5|6");
        batch.csv("other.csv", "Depot,Head,Jan,Feb,Mar", "Oska,Ann,7,8,9");
        Batch.Made later = batch.refresh();
        assertThat(later.lines())
                .as("columns of the master, in another layout too")
                .anyMatch(line -> line.contains("|7|8|9"));
        assertThat(later.columns()).doesNotContain("Month");
    }

    @Test
    void namingWhatStaysTurnsAllOthersThisMonthAndNext() {
        batch.csv("prices.csv", "Depot,Diesel,Oil", "Hollin,1,2", "Tarsk,3,4");
        batch.refresh();
        batch.settle(Kinds.ACROSS, "depot|diesel|oil", "turn all but Depot into Fuel | Price");
        assertThat(batch.refresh().lines())
                .containsExactly("Hollin|Diesel|1", "Hollin|Oil|2", "Tarsk|Diesel|3", "Tarsk|Oil|4");
        batch.csv("prices.csv", "Depot,Diesel,Oil,Gas", "Hollin,1,2,9", "Tarsk,3,4,");
        assertThat(batch.refresh().lines())
                .containsExactly("Hollin|Diesel|1", "Hollin|Oil|2", "Hollin|Gas|9", "Tarsk|Diesel|3", "Tarsk|Oil|4");
    }

    @Test
    void numberedThingsAreAskedAbout() {
        batch.csv("a.csv", "Depot,Pump 1,Pump 2,Pump 3,Pump 4", "Hollin,1,2,3,4", "Tarsk,4,5,6,7");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Pump", "Amount");
        assertThat(made.question(Kinds.ACROSS).text()).contains("“Pump 1” to “Pump 4”");
        Batch.Made left =
                batch.settle(made.question(Kinds.ACROSS), TableChoice.LEAVE).refresh();
        assertThat(left.columns()).containsExactly("Depot", "Pump 1", "Pump 2", "Pump 3", "Pump 4");
        assertThat(left.outcome().questions()).isEmpty();
    }

    @Test
    void aTotalColumnThatDoesNotAddUpIsPointedOut() {
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar,Total", "Hollin,1,2,3,6", "Tarsk,4,5,6,25");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(6);
        assertThat(made.findings("stated-total").get(0).what())
                .contains("“Total” adds up to 31")
                .contains("come to 21");
    }

    @Test
    void everyTurnedRowKnowsItsCell() {
        batch.csv("plan.csv", "Depot,Jan,Feb,Mar", "Hollin,1,,3", "Tarsk,4,5,6");
        batch.refresh();
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                List<MasterLine> page = reader.page(1, 3);
                assertThat(page).extracting(line -> line.values().get(1)).containsExactly("Mar", "Jan", "Feb");
                Trail trail = session.trail(outcome, page.get(0), 2);
                assertThat(trail.where().toString()).contains("plan.csv").contains("line 2");
                assertThat(trail.header()).isEqualTo("Mar");
                assertThat(trail.raw()).isEqualTo("3");
                assertThat(session.trail(outcome, page.get(0), 1).raw()).isEqualTo("Mar");
            }
        }
    }

    /** Whatever stands around a plan, the same rows come out, page by page as in one go. */
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void aPlanIsTurnedWhateverStandsAroundIt(int seed) {
        Random random = new Random(seed);
        List<String> truth = new ArrayList<>();
        int months = 3 + random.nextInt(9);
        for (String port : List.of("Hollin", "Tarsk", "Marsay")) {
            batch.sheet("plan " + port + ".xlsx", plan(random, port, months, truth));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns())
                .as("" + batch.job().assumed() + made.outcome().sources())
                .containsExactly("Depot", "Fuel", "Month", "Amount", "File part 1");
        assertThat(made.lines()).containsExactlyInAnyOrderElementsOf(truth);
        try (JobSession session = batch.open()) {
            Outcome outcome = session.refresh(batch.job(), Reread.CHANGED_ONLY, Progress.NONE);
            try (MasterReader reader = session.reader(outcome)) {
                List<String> paged = new ArrayList<>();
                for (long at = 0; at < reader.rows(); at += 7) {
                    reader.page(at, 7)
                            .forEach(line ->
                                    paged.add(String.join("|", line.values().subList(0, 5))));
                }
                assertThat(paged).isEqualTo(made.lines());
            }
        }
    }

    private static Object[][] plan(Random random, String port, int months, List<String> truth) {
        List<Object[]> rows = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            rows.add(row("Planning office " + i));
        }
        Object[] header = new Object[months + 2];
        header[0] = "Depot";
        header[1] = "Fuel";
        for (int m = 0; m < months; m++) {
            header[m + 2] = LocalDate.of(2026, m + 1, 1);
        }
        rows.add(header);
        for (String depot : List.of("North " + port, "South " + port)) {
            long[] sums = new long[months];
            for (String fuel : List.of("diesel", "oil", "gas")) {
                Object[] cells = new Object[months + 2];
                cells[0] = depot;
                cells[1] = fuel;
                for (int m = 0; m < months; m++) {
                    if (random.nextInt(12) > 0) {
                        int litres = 100 * (1 + random.nextInt(90));
                        cells[m + 2] = litres;
                        sums[m] += litres;
                        truth.add(depot + "|" + fuel + "|" + LocalDate.of(2026, m + 1, 1) + "|" + litres + "|" + port);
                    }
                }
                rows.add(cells);
            }
            Object[] total = new Object[months + 2];
            total[0] = "Total " + depot;
            for (int m = 0; m < months; m++) {
                total[m + 2] = sums[m];
            }
            rows.add(total);
        }
        if (random.nextBoolean()) {
            rows.add(row());
            rows.add(row("Note: preliminary figures"));
        }
        return rows.toArray(Object[][]::new);
    }

    @Test
    void smallNumbersThatHappenToGoUpByOneAreRecords() {
        batch.csv("a.csv", "Depot,Jan,Feb,Mar", "North,1,,3", "South,4,5,6", "Mid,7,8,9");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Month", "Amount");
        assertThat(made.lines()).hasSize(8).contains("South|Feb|5");
    }

    @Test
    void blankCellsAreRowsTooWhereTheAnalystSaysSo() {
        batch.csv("a.csv", "Depot,Jan,Feb,Mar", "North,10,,3", "South,40,5,61", "Mid,7,8,");
        Sentence turn = Sentences.of(batch.refresh().outcome()).stream()
                .filter(Sentence::turns)
                .findFirst()
                .orElseThrow();
        assertThat(turn.keepsBlanks()).isFalse();
        batch.settle(turn.kind(), turn.subject(), turn.keepingBlanks(true));
        Batch.Made kept = batch.refresh();
        assertThat(kept.lines()).hasSize(9).contains("North|Feb|", "Mid|Mar|");
        Sentence keeping = Sentences.of(kept.outcome()).stream()
                .filter(Sentence::turns)
                .findFirst()
                .orElseThrow();
        assertThat(keeping.keepsBlanks()).isTrue();
        assertThat(keeping.names()).containsExactly("Month", "Amount");
        assertThat(keeping.touched()).contains("blank cells are rows too");
        batch.settle(turn.kind(), turn.subject(), keeping.keepingBlanks(false));
        assertThat(batch.refresh().lines()).hasSize(7);
    }

    @Test
    void aSequenceOverValuesOfSeveralKindsStaysAndIsPointedOut() {
        batch.csv(
                "a.csv",
                "Depot,Jan,Feb,Mar",
                "North,10,open,2026-03-01",
                "South,40,shut,2026-03-02",
                "Mid,7,open,2026-03-03");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).containsExactly("Depot", "Jan", "Feb", "Mar");
        assertThat(made.findings("block-across"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what())
                        .isEqualTo(
                                "The columns “Jan”, “Feb” and “Mar” run across like one sequence, but not all of them hold the"
                                        + " same kind of value."));
    }

    @Test
    void quartersAndYearsAcrossBecomeRowsToo() {
        batch.csv("a.csv", "Depot,Q1 2025,Q2 2025,Q3 2025,Q4 2025", "North,10,20,30,40", "South,11,21,31,41");
        assertThat(batch.refresh().columns()).containsExactly("Depot", "Quarter", "Amount");
        assertThat(batch.refresh().lines()).hasSize(8).contains("South|Q3 2025|31");
        batch.delete("a.csv");
        batch.csv("b.csv", "Depot,Item,2023,2024,2025", "North,oil,1,2,3", "South,oil,4,5,6");
        Batch other = new Batch(folder.resolve("other"));
        other.csv("b.csv", "Depot,Item,2023,2024,2025", "North,oil,1,2,3", "South,oil,4,5,6");
        Batch.Made years = other.refresh();
        assertThat(years.columns()).containsExactly("Depot", "Item", "Year", "Amount");
        assertThat(years.lines()).hasSize(6).contains("South|oil|2024|5");
    }

    @Test
    void theWholeYearBehindItsQuartersIsATotalWhateverYearItIs() {
        for (int year : List.of(2025, 2026)) {
            batch.csv(
                    "P " + year + ".csv",
                    "Account,Q1,Q2,Q3,Q4,FY " + year,
                    "Tickets,10,20,30,40,100",
                    "Freight,1,2,3," + year % 10 + "," + (6 + year % 10),
                    "Margin,0.5,0.25,0.125,0.5,");
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).doesNotContain("FY 2025", "FY 2026");
        assertThat(made.lines()).hasSize(24);
        assertThat(made.findings("stated-total"))
                .as("what it does not add up is said")
                .hasSize(2);
    }

    @Test
    void thePlanOfAnotherYearBehindTheQuartersIsNoTotal() {
        batch.csv(
                "a.csv",
                "Account,Q1,Q2,Q3,Q4,FY 2027",
                "Tickets,10,20,30,40,180",
                "Freight,1,2,3,4,25",
                "Fuel,5,5,5,6,40");
        assertThat(batch.refresh().columns()).contains("FY 2027");
    }

    @Test
    void timesOfTheDayThatRunAcrossBecomeRows() {
        batch.csv(
                "load A.csv",
                "Date,00:00,06:00,12:00,18:00",
                "2026-02-01,5.12,0.96,3.71,7.5",
                "2026-02-02,5.48,4.88,1.67,0.03");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).startsWith("Date", "Time");
        assertThat(made.outcome().plan().columns().get(1).type()).isEqualTo(Type.TIME);
        assertThat(made.lines()).hasSize(8).contains("2026-02-01|06:00:00|0.96");
    }
}
