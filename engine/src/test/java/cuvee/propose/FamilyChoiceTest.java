package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.refresh.Batch;
import cuvee.testing.Workbooks;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Which tables belong to the master, where their headers say little of it. */
class FamilyChoiceTest {
    private static final List<String> STREAMS = List.of("Glass", "Cans", "Garden", "Food waste", "Paper");
    private static final List<String> ROUNDS = List.of("Blue 1", "Blue 2", "Market", "Green North", "Green South");

    @TempDir
    Path folder;

    private Batch batch;

    @BeforeEach
    void folder() {
        batch = new Batch(folder);
    }

    /** Rounds of a month with some of their columns: r is the route, t the ticket, and so on, in the order of the header. */
    private void rounds(String name, String header, String columns, int firstTicket, int rows, Random random) {
        String[] lines = new String[rows + 1];
        lines[0] = header;
        for (int i = 1; i < lines.length; i++) {
            int ticket = firstTicket + 3 * i;
            lines[i] = columns.chars()
                    .mapToObj(column -> cell((char) column, ticket, random))
                    .collect(Collectors.joining(","));
        }
        batch.csv(name, lines);
    }

    private static String cell(char column, int ticket, Random random) {
        return switch (column) {
            case 'r' -> ROUNDS.get(random.nextInt(5));
            case 's' -> STREAMS.get(random.nextInt(5));
            case 't' -> String.valueOf(ticket);
            case 'l' -> String.valueOf(80 + random.nextInt(1200));
            case 'w' -> String.valueOf((300 + random.nextInt(12_000)) / 1000.0);
            case 'f' -> String.valueOf((random.nextInt(180_000) - 30_000) / 100.0);
            case 'v' -> "RCV " + random.nextInt(9);
            case 'd' -> String.valueOf((100 + random.nextInt(890)) / 10.0);
            default -> String.valueOf((10 + random.nextInt(290)) / 1000.0);
        };
    }

    private void core(Random random) {
        rounds(
                "rounds Carrow 11.csv",
                "Route,Load / Lifts,Load / Tonnes,Stream,Diesel l,Gate / Gate Fee,Gate / Spoilt,Ticket No",
                "rlwsdfct",
                10_180,
                7,
                random);
        rounds(
                "rounds Leven 10.csv",
                "Route,Load / Lifts,Load / Tonnes,Gate / Gate Fee,Gate / Spoilt,Stream,TicketNo",
                "rlwfcst",
                10_130,
                8,
                random);
        rounds(
                "rounds Leven 11.csv",
                "Route,Grade,Gate / Gate Fee,Ticket No,Load / Lifts,Load / Tonnes",
                "rsftlw",
                10_235,
                9,
                random);
        rounds(
                "rounds Moor 10.csv",
                "crew round,Ticket,Stream,Load / Lifts,Load / Tonnes,Gate / gate fee,Fuel Litres",
                "rtslwfd",
                10_108,
                9,
                random);
    }

    @ParameterizedTest(name = "seed {0}")
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void tablesWithAKeyMadeLikeTheirsBelongThoughTheyCallNearlyAllOtherwise(int seed) {
        Random random = new Random(seed);
        core(random);
        rounds(
                "rounds Carrow 10.csv",
                "Tonnes,Diesell,material,Disposal cost,Weighbridge ref,Route,No.oflifts,lorry",
                "wdsftrlv",
                10_060,
                9,
                random);
        rounds(
                "rounds Moor 11.csv",
                "Fuel Litres,Material,Weighbridge ref,Round,Bins lifted,Weight T,Spoilt,Fee paid",
                "dstrlwcf",
                10_205,
                5,
                random);
        assertThat(batch.refresh().outcome().rows()).isEqualTo(47);
    }

    @Test
    void twoFilesOneOfWhichSaysItsHeadersInTwoLanguagesAreOfOneMaster() {
        batch.csv(
                "Hollin.csv",
                "Date / Datum,Port / Hafen,Passengers / Passagiere,Fare / Fahrpreis",
                "2026-01-02,Hollin,13,474.72",
                "2026-01-03,Hollin,25,688.24",
                "2026-01-04,Hollin,62,425.82",
                "2026-01-05,Hollin,31,323.93");
        batch.csv(
                "Tarsk.csv",
                "Date,Port,Passengers,Fare",
                "2026-01-02,Tarsk,40,512.5",
                "2026-01-03,Tarsk,17,210.2",
                "2026-01-04,Tarsk,55,699.1",
                "2026-01-05,Tarsk,28,301.75");
        Batch.Made made = batch.refresh();
        assertThat(made.outcome().rows()).isEqualTo(8);
        assertThat(made.columns()).startsWith("Date", "Port", "Passengers", "Fare");
    }

    @Test
    void whatOneSheetCallsOtherwiseInATableOfAnotherLayoutIsAnotherThing() {
        for (String who : List.of("Hall", "Moss")) {
            double plus = who.length() + who.charAt(0) % 7;
            LocalDate day = LocalDate.of(2026, 3, 2);
            batch.sheet("claim " + who + ".xlsx", new Object[][] {
                {"Expense claim", null, null, who},
                {},
                {"Date", "Category", "Description", "Amount"},
                {day, "Travel", "lunch", 54.35 + plus},
                {day.plusDays(1), "Travel", "taxi", 70.61},
                {day.plusDays(2), "Travel", "taxi", 7.86 + plus},
                {null, null, "Subtotal Travel", 132.82 + 2 * plus},
                {day, "Meals", "train", 50.02},
                {day.plusDays(1), "Meals", "taxi", 38.18 + plus},
                {day.plusDays(2), "Meals", "lunch", 47.59},
                {null, null, "Subtotal Meals", 135.79 + plus},
                {null, null, "Grand total", 268.61 + 3 * plus},
                {},
                {"Mileage"},
                {"Date", "From", "To", "Miles", "Rate", "Amount"},
                {day.plusDays(7), "Hollin", "Tarsk", 83 + plus, 0.45, (83 + plus) * 0.45},
                {day.plusDays(8), "Hollin", "Tarsk", 22, 0.45, 9.9},
                {day.plusDays(9), "Hollin", "Tarsk", 49 + plus, 0.45, (49 + plus) * 0.45}
            });
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).contains("Category", "Description", "From", "To");
        assertThat(made.outcome().questions())
                .noneMatch(question -> question.kind().equals(Kinds.LINE_UP));
    }

    @Test
    void aListOfOtherThingsIsAskedAboutThoughItHasNumbersOfItsOwn() {
        core(new Random(7));
        batch.csv(
                "staff.csv",
                "Name,Round,Staff no,Born,Hours,Wage",
                "Ann Hall,Blue 1,10212,1971-03-02,38,2100",
                "Bo Moss,Blue 2,10217,1980-11-30,20,1150",
                "Cy Reed,Market,10231,1992-07-14,38,2040",
                "Di Sand,Green North,10244,1966-01-09,38,2390");
        Batch.Made made = batch.refresh();
        Question question = made.question(Kinds.ANOTHER_JOB);
        assertThat(question.where().toString()).startsWith("staff.csv");
        assertThat(question.assumed()).isEqualTo("aside");
        assertThat(made.outcome().rows()).isEqualTo(33);
    }

    @Test
    void whatStandsOnASheetOfItsOwnBesideTheOthersIsAskedAboutThoughItSharesHeaders() {
        for (int month = 1; month <= 3; month++) {
            List<Object[]> staff = new ArrayList<>();
            staff.add(new Object[] {"ID", "Name", "Dept", "FTE"});
            for (int i = 0; i < 10 + month; i++) {
                staff.add(
                        new Object[] {"E" + (100 + i), "Person " + (char) ('A' + i), i % 3 == 0 ? "Ops" : "Sales", 1});
            }
            book(
                    "HC 0" + month + "-2026.xlsx",
                    Map.of("Headcount", staff.toArray(Object[][]::new), "Starters", new Object[][] {
                        {"ID", "Name", "Start date"},
                        {"E" + (109 + month), "Person " + (char) ('J' + month), "2026-0" + month + "-03"}
                    }));
        }
        Batch.Made made = batch.refresh();
        assertThat(made.columns().subList(0, 4)).containsExactly("ID", "Name", "Dept", "FTE");
        assertThat(made.lines()).as("each month as it stood").hasSize(11 + 12 + 13);
        assertThat(made.outcome().questions())
                .singleElement()
                .asString()
                .contains("another-job")
                .contains("3 tables with 3 rows")
                .contains("stand on sheets beside the other 3 tables and hold other things");
    }

    @Test
    void theSheetsOfRegionsBesideEachOtherAreOfOneMaster() {
        for (int month = 1; month <= 2; month++) {
            book(
                    "sales 2026-0" + month + ".xlsx",
                    Map.of(
                            "North",
                                    new Object[][] {
                                        {"Date", "Item", "Qty", "Value"},
                                        {"2026-0" + month + "-01", "Rope", 3, 10.5},
                                        {"2026-0" + month + "-02", "Buoy", 4, 12.5 + month},
                                        {"2026-0" + month + "-03", "Pump", 4, 11}
                                    },
                            "South",
                                    new Object[][] {
                                        {"Date", "Product", "Qty"},
                                        {"2026-0" + month + "-01", "Rope", 3 + month},
                                        {"2026-0" + month + "-02", "Buoy", 4}
                                    }));
        }
        assertThat(batch.refresh().lines()).hasSize(10);
    }

    private void takings(String port, int first, int rows) {
        String[] lines = new String[rows + 1];
        lines[0] = "Docket,Port,Article,Pieces,Taken,Paid";
        for (int i = 1; i < lines.length; i++) {
            lines[i] = "D-" + (first + i) + "," + port + ","
                    + List.of("Rope", "Lamp", "Buoy").get(i % 3) + "," + (3 + i) + "," + (12.5 * i + first / 7.0) + ","
                    + (i % 4 == 0 ? "no" : "yes");
        }
        batch.csv(port + ".csv", lines);
    }

    @Test
    void aListWithSomeOfTheHeadersAndNoneOfTheirRecordsIsAskedAboutAndLeftOut() {
        takings("Hollin", 100, 9);
        takings("Tarsk", 300, 14);
        takings("Fenn", 500, 8);
        batch.csv(
                "stock.csv",
                "Article,Port,In store,Order at",
                "Rope,Hollin,40,10",
                "Lamp,Tarsk,3,5",
                "Buoy,Fenn,12,4",
                "Rope,Fenn,9,10",
                "Lamp,Hollin,0,5");
        Batch.Made made = batch.refresh();
        assertThat(made.columns()).doesNotContain("In store", "Order at");
        assertThat(made.lines()).hasSize(31);
        assertThat(made.question(Kinds.ANOTHER_JOB).text())
                .contains("“Article”, “Port”, “In store” and “Order at”")
                .contains("shares headers with the other 3 tables and holds none of their records");
        assertThat(batch.refresh().lines()).as("and so it stays").hasSize(31);
    }

    @Test
    void aShortListWithSomeOfTheHeadersIsAskedAboutToo() {
        takings("Hollin", 100, 30);
        takings("Tarsk", 300, 40);
        takings("Fenn", 500, 35);
        batch.csv("prices.csv", "Article,Unit,Taken", "Rope,each,4.5", "Lamp,box,30", "Buoy,each,12");
        Batch.Made made = batch.refresh();
        assertThat(made.lines()).hasSize(105);
        assertThat(made.question(Kinds.ANOTHER_JOB).text()).contains("“Unit”");
    }

    @Test
    void severalFilesOutweighOneLongListOfOtherThings() {
        takings("Hollin", 100, 2);
        takings("Tarsk", 300, 5);
        takings("Fenn", 500, 3);
        String[] lines = new String[200];
        lines[0] = "Supplier,Town,Contact,Terms";
        for (int i = 1; i < lines.length; i++) {
            lines[i] = "Firm " + i + "," + ROUNDS.get(i % 5) + "," + STREAMS.get(i % 4) + " desk,30 days";
        }
        batch.csv("suppliers.csv", lines);
        assertThat(batch.refresh().lines()).hasSize(10);
    }

    private void book(String name, Map<String, Object[][]> sheets) {
        Workbooks book = Workbooks.workbook();
        new TreeMap<>(sheets).forEach(book::sheet);
        book.save(batch.file(name));
    }
}
