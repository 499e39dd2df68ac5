package cuvee.desktop;

import static cuvee.desktop.Books.row;
import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.Stage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Whole jobs of the trade, from a folder of workbooks to what is delivered, and the next month. */
class WholeJobsWindowTest extends InAWindow {
    @BeforeEach
    void anEmptyFolder() throws IOException {
        Files.delete(folder.resolve("data/a.csv"));
        Files.delete(folder.resolve("data/b.csv"));
    }

    private Path data(String name) {
        return folder.resolve("data").resolve(name);
    }

    private long rows() {
        return model().outcomeProperty().get().orElseThrow().rows();
    }

    private boolean asks() {
        return !model().outcomeProperty().get().orElseThrow().questions().isEmpty();
    }

    private void settleAllByMouse() {
        if (asks()) {
            robot.clickOn("#questions-open");
            robot.clickOn("#questions-settle-all");
            waitFor("no question", () -> !asks());
            idle();
            robot.push(KeyCode.CONTROL, KeyCode.J);
        }
    }

    private void settleAllByKeys() {
        if (asks()) {
            robot.push(KeyCode.CONTROL, KeyCode.J);
            waitFor("the list", () -> robot.lookup("#questions").tryQuery().isPresent());
            waitFor(
                    "the keys on a question",
                    () -> robot.lookup(".question-row")
                            .tryQuery()
                            .filter(javafx.scene.Node::isFocused)
                            .isPresent());
            robot.push(KeyCode.A);
            waitFor("no question", () -> !asks());
            idle();
            robot.push(KeyCode.ESCAPE);
        }
    }

    /** Gives a column another name on the board, by keys. */
    private void rename(int column, String name) {
        goTo(KeyCode.DIGIT3);
        GridView board = grid("#line-up-grid");
        robot.interact(() -> board.select(0, column + 2));
        robot.push(KeyCode.F2).write(name).push(KeyCode.ENTER);
        waitFor("the new name", () -> columns().contains(name));
        idle();
    }

    private boolean says(String words) {
        return robot.lookup("#deliver .label").queryAllAs(Label.class).stream()
                .anyMatch(label -> label.getText().contains(words));
    }

    private String figure(int row, int column) {
        var model = grid("#summary-grid").model();
        return model == null || row >= model.rows() || column >= model.columns()
                ? ""
                : String.valueOf(model.text(row, column));
    }

    private void sales(String branch, int month) throws IOException {
        LocalDate first = LocalDate.of(2026, month, 3);
        Books.write(
                data(branch + " 2026-0" + month + ".xlsx"),
                "Sales",
                row(branch + " branch, sales of the month"),
                row(""),
                row("Date", "Product", "Qty", "Value"),
                row(first, "Lamp", 4, 120.5),
                row(first.plusDays(6), "Chair", 2, 310),
                row(first.plusDays(9), "Table", 1, 499.99 + month),
                row("Total", "", 7, 120.5 + 310 + 499.99 + month));
    }

    private void salesInOtherWords(String branch, int month) throws IOException {
        LocalDate first = LocalDate.of(2026, month, 4);
        Books.write(
                data(branch + " 2026-0" + month + ".xlsx"),
                "Report",
                row("Day", "Article", "Units", "Net value"),
                row(first, "Chair", 3, 465),
                row(first.plusDays(11), "Lamp", 5, 150.25 + month));
    }

    @Test
    void branchesWithHeadersOfTheirOwnBecomeATabThatGrowsByMouse() throws IOException {
        for (int month = 1; month <= 2; month++) {
            sales("Hollin", month);
            salesInOtherWords("Tarsk", month);
        }
        newJob();
        settleAllByMouse();
        assertThat(columns()).containsExactly("Date", "Product", "Qty", "Value", "File part 1");
        rename(4, "Branch");
        robot.clickOn("#stage-check");
        assertThat(words("#verdict")).startsWith("The numbers add up");
        chosen.target = Optional.of(folder.resolve("Board.xlsx"));
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-tab");
        waitFor("the card", () -> says("Board.xlsx, tab Master"));
        robot.clickOn("#deliver-write");
        waitFor("the tab", () -> words("#work-words").startsWith("Written: Board.xlsx, 10 rows"));
        chosen.target = Optional.of(folder.resolve("Sales.cuvee"));
        robot.push(KeyCode.CONTROL, KeyCode.S);
        waitFor("the job saved", () -> words("#job-name").equals("Sales"));
        sales("Hollin", 3);
        salesInOtherWords("Tarsk", 3);
        robot.clickOn("#refresh");
        waitFor("next month", () -> rows() == 15);
        idle();
        assertThat(asks()).as("what was settled holds").isFalse();
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-write");
        waitFor("the tab again", () -> words("#work-words").startsWith("Written: Board.xlsx, 15 rows"));
    }

    private void budget(String department, double factor) throws IOException {
        Books.write(
                data("Budget " + department + ".xlsx"),
                "2026",
                row("Budget 2026", department),
                row("Account", "Jan", "Feb", "Mar", "Apr", "May", "Jun", "Total"),
                row(
                        "Pay",
                        100 * factor,
                        100 * factor,
                        100 * factor,
                        110 * factor,
                        110 * factor,
                        110 * factor,
                        630 * factor),
                row("Rent", 40, 40, 40, 40, 40, 40, 240),
                row("Travel", 5, 0, 12, "", 7, 3, 27),
                row(
                        "Total",
                        145 + 100 * (factor - 1),
                        140 + 100 * (factor - 1),
                        152 + 100 * (factor - 1),
                        150 + 110 * (factor - 1),
                        157 + 110 * (factor - 1),
                        153 + 110 * (factor - 1),
                        897 + 630 * (factor - 1)));
    }

    @Test
    void budgetsWithMonthsAcrossBecomeOneListByKeys() throws IOException {
        budget("Works", 2);
        budget("Office", 1);
        newJob();
        settleAllByKeys();
        rename(3, "Department");
        assertThat(columns()).containsExactly("Account", "Month", "Amount", "Department");
        assertThat(rows()).isEqualTo(2 * 17);
        chosen.target = Optional.of(folder.resolve("budget.csv"));
        robot.push(KeyCode.CONTROL, KeyCode.D);
        waitFor("the list", () -> words("#work-words").startsWith("Written: budget.csv, 34 rows"));
        budget("Yard", 3);
        robot.push(KeyCode.F5);
        waitFor("the third department", () -> rows() == 3 * 17);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.D).push(KeyCode.CONTROL, KeyCode.ENTER);
        waitFor("the list again", () -> words("#work-words").contains("51 rows"));
        assertThat(Files.readAllLines(folder.resolve("budget.csv")))
                .hasSize(52)
                .anyMatch(line -> line.startsWith("Pay,2026-06-01,330,Yard"));
    }

    private void claim(String person, String place, double... amounts) throws IOException {
        Object[][] rows = new Object[7 + amounts.length][];
        rows[0] = row("Expense claim");
        rows[1] = row("Name", person);
        rows[2] = row("Cost centre", place);
        rows[3] = row("");
        rows[4] = row("Date", "What for", "Amount");
        double sum = 0;
        for (int i = 0; i < amounts.length; i++) {
            rows[5 + i] = row(LocalDate.of(2026, 3, 2 + 3 * i), i % 2 == 0 ? "Train" : "Hotel", amounts[i]);
            sum += amounts[i];
        }
        rows[5 + amounts.length] = row("", "To be paid", sum);
        rows[6 + amounts.length] = row("Signed", person);
        Books.write(data("claim " + person + ".xlsx"), "Claim", rows);
    }

    @Test
    void claimsWithTheirNamesAboveBecomeASummaryForTheBoardByMouse() throws IOException {
        claim("Ada Moss", "North", 12.5, 80, 14.2);
        claim("Ben Nairn", "South", 9.9, 120);
        claim("Cy Oakes", "North", 31, 75.5, 18, 99);
        newJob();
        settleAllByMouse();
        goTo(KeyCode.DIGIT6);
        robot.clickOn("#rows-face-summary");
        robot.clickOn("#summary-words")
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("total Amount: a line for each Cost centre");
        robot.push(KeyCode.ENTER).push(KeyCode.ENTER);
        waitFor("the totals", () -> "330.2".equals(figure(0, 1)));
        robot.clickOn("#summary-name").write("By cost centre").push(KeyCode.ENTER);
        idle();
        chosen.target = Optional.of(folder.resolve("Claims.xlsx"));
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-add");
        waitFor("the workbook", () -> words("#work-words").startsWith("Written: Claims.xlsx"));
        claim("Di Pryde", "South", 400);
        robot.clickOn("#refresh");
        waitFor("the next claim", () -> rows() == 10);
        idle();
        robot.clickOn("#stage-master");
        waitFor("the greatest now", () -> "529.9".equals(figure(1, 1)));
    }

    private void payroll(String month, Object[]... people) throws IOException {
        Object[][] rows = new Object[people.length + 1][];
        rows[0] = row("Staff No", "Name", "Department", "Status", "Gross", "Tax");
        System.arraycopy(people, 0, rows, 1, people.length);
        Books.write(data("Payroll " + month + ".xlsx"), "Pay", rows);
    }

    @Test
    void payWithoutLeaversIsAFileForEachDepartmentByKeys() throws IOException {
        payroll(
                "January 2026",
                row("0017", "Ada Moss", "Works", "active", 2100, 310.5),
                row("0021", "Ben Nairn", "Office", "leaver", 900, 80),
                row("0034", "Cy Oakes", "Works", "active", 2650.75, 420));
        payroll(
                "February 2026",
                row("0017", "Ada Moss", "Works", "active", 2100, 310.5),
                row("0034", "Cy Oakes", "Works", "active", 2650.75, 420),
                row("0040", "Di Pryde", "Office", "active", 1980, 275));
        newJob();
        settleAllByKeys();
        goTo(KeyCode.DIGIT4);
        robot.push(KeyCode.CONTROL, KeyCode.R);
        waitFor("the keys in the rule", () -> find("#new-rule-words").isFocused());
        robot.write("Status is leaver");
        waitFor("what it would do", () -> words("#new-rule-effect").startsWith("1 row would go"));
        robot.push(KeyCode.ENTER);
        waitFor("no leaver", () -> rows() == 5);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.M);
        waitFor("the keys in the formula", () -> find("#new-rule-words").isFocused());
        robot.write("Gross - Tax").push(KeyCode.SHIFT, KeyCode.TAB).write("Net").push(KeyCode.ENTER);
        waitFor("the column", () -> columns().contains("Net"));
        idle();
        goTo(KeyCode.DIGIT5);
        robot.push(KeyCode.CONTROL, KeyCode.R);
        waitFor("the keys in the check", () -> find("#own-check-words").isFocused());
        robot.write("Net between 0 and 5000").push(KeyCode.ENTER);
        waitFor(
                "the check",
                () -> robot.lookup("#own-checks")
                        .lookup("1 of 1 pass")
                        .tryQuery()
                        .isPresent());
        idle();
        assertThat(model().outcomeProperty().get().orElseThrow().checks()).allMatch(check -> check.passes());
        chosen.target = Optional.of(folder.resolve("Pay.csv"));
        goTo(KeyCode.DIGIT7);
        robot.push(KeyCode.INSERT);
        waitFor("the file", () -> words("#work-words").startsWith("Written: Pay.csv, 5 rows"));
        payroll(
                "March 2026",
                row("0017", "Ada Moss", "Works", "active", 2200, 330),
                row("0040", "Di Pryde", "Office", "leaver", 5980, 275));
        robot.push(KeyCode.F5);
        waitFor("next month without the leaver", () -> rows() == 6);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.D);
        waitFor("the deliveries", () -> app.frame().orElseThrow().stage() == Stage.DELIVER);
        robot.push(KeyCode.CONTROL, KeyCode.ENTER);
        waitFor("the file again", () -> words("#work-words").startsWith("Written: Pay.csv, 6 rows"));
        assertThat(Files.readAllLines(folder.resolve("Pay.csv")))
                .anyMatch(line -> line.startsWith("0017,Ada Moss,Works,active,2200,330,2026-03-01,1870"));
    }

    private void stock(String name, int... counts) throws IOException {
        Books.write(
                data(name),
                "Stock",
                row("Item", "Opening", "In", "Out", "Closing"),
                row("Bolt", counts[0], 40, 10, counts[0] + 30),
                row("Nut", counts[1], 5, 20, counts[1] - 15),
                row("Washer", counts[2], 0, 7, counts[2] - 7));
    }

    @Test
    void aFileThatWasSentAgainIsNotCountedTwice() throws IOException {
        for (int month = 1; month <= 3; month++) {
            stock("Hollin stock 2026-0" + month + ".xlsx", 100 + month, 80, 60);
            stock("Marsay stock 2026-0" + month + ".xlsx", 70, 35 + month, 19);
            stock("Tarsk stock 2026-0" + month + ".xlsx", 40, 25, 12 + month);
        }
        stock("Tarsk stock 2026-02 corrected.xlsx", 40, 25, 24);
        newJob();
        settleAllByMouse();
        assertThat(rows()).isEqualTo(9 * 3);
        robot.clickOn("#stage-check");
        assertThat(words("#verdict")).startsWith("The numbers add up");
        robot.clickOn("#stage-collect");
        robot.clickOn("#files-face-arrivals");
        GridView arrivals = find("#arrivals-grid");
        robot.interact(() -> arrivals.select(0, 1));
        waitFor("what came", () -> words("#arrival-about").startsWith("Hollin, January 2026"));
        robot.clickOn("#arrival-close");
        waitFor("January closed", () -> arrivals.model().subtitle(1).contains("closed"));
        idle();
        stock("Hollin stock 2026-01.xlsx", 200, 80, 60);
        robot.clickOn("#refresh");
        waitFor(
                "the change of a closed month to wait",
                () -> model().outcomeProperty().get().orElseThrow().findings().stream()
                        .anyMatch(finding -> finding.text().contains("closed")));
        idle();
        assertThat(rows()).as("the rows as they were closed").isEqualTo(9 * 3);
        assertThat(model().outcomeProperty().get().orElseThrow().findings())
                .filteredOn(finding -> finding.kind().equals("closed-changed"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text()).contains("“Opening” comes to 340 instead of 241"));
    }

    private void orders(String shop, int month, double... values) throws IOException {
        Object[][] rows = new Object[values.length + 1][];
        rows[0] = row("Order", "Ordered on", "Region", "Value");
        for (int i = 0; i < values.length; i++) {
            String region = i % 2 == 0 ? "North" : "South";
            rows[i + 1] = row(shop.charAt(0) + "" + month + i, LocalDate.of(2026, month, 2 + i), region, values[i]);
        }
        Books.write(data(shop + " orders " + month + "-2026.xlsx"), "Orders", rows);
    }

    @Test
    void ordersAreProvenAgainstTheBooksAndGoToEachRegionByMouse() throws IOException {
        orders("Hollin", 1, 100, 250.5, 49.5);
        orders("Tarsk", 1, 80, 19.99);
        write("books.csv", "Region,Value\nNorth,229.50\nSouth,270.49\n");
        newJob();
        chosen.target = Optional.of(folder.resolve("Orders.cuvee"));
        robot.push(KeyCode.CONTROL, KeyCode.S);
        waitFor("the job saved", () -> words("#job-name").equals("Orders"));
        robot.clickOn("#stage-check");
        robot.clickOn("#own-check-words")
                .write("total Value: a line for each Region equals books.csv")
                .push(KeyCode.ENTER);
        waitFor(
                "the check",
                () -> model().outcomeProperty().get().orElseThrow().checks().stream()
                        .anyMatch(check -> check.passes()));
        idle();
        robot.clickOn("#stage-deliver");
        Files.createDirectories(folder.resolve("out"));
        chosen.target = Optional.of(folder.resolve("out/Orders.csv"));
        robot.clickOn("#deliver-each");
        waitFor("the card", () -> says("Orders.csv, for each"));
        robot.clickOn("#deliver-where").write("out/Orders {Region}.csv").push(KeyCode.ENTER);
        idle();
        waitFor("a file for each region", () -> says("for each Region"));
        robot.clickOn("#deliver-write");
        waitFor("the files", () -> Files.exists(folder.resolve("out/Orders South.csv")));
        idle();
        orders("Hollin", 2, 10, 20);
        robot.clickOn("#refresh");
        waitFor("next month", () -> rows() == 7);
        idle();
        assertThat(model().outcomeProperty().get().orElseThrow().checks())
                .as("the books are those of January")
                .noneMatch(check -> check.passes());
        robot.clickOn("#stage-deliver");
        robot.clickOn("#deliver-write");
        waitFor(
                "the rows of both months",
                () -> Files.readAllLines(folder.resolve("out/Orders North.csv")).size() == 5);
    }

    private void inspection(int day, String site, Object passengers, String remark) throws IOException {
        Books.write(
                data("Inspection 2026-03-%02d.xlsx".formatted(day)),
                "Form",
                row("Inspection of a ship"),
                row(""),
                row("Site", site),
                row("Inspected on", LocalDate.of(2026, 3, day)),
                row("Inspector", day % 2 == 0 ? "A. Moss" : "B. Nairn"),
                row("Passengers", passengers),
                row("Life jackets", 200 + 3 * day),
                row("Remark", remark),
                row(""),
                row("Signed", "A. Moss"));
    }

    @Test
    void formsOfOneRecordEachBecomeAListWithACheckByKeys() throws IOException {
        inspection(2, "Hollin", 180, "none");
        inspection(5, "Tarsk", 95, "two jackets torn");
        inspection(9, "Marsay", 310, "none");
        inspection(12, "Hollin", 44, "rail loose");
        newJob();
        settleAllByKeys();
        assertThat(columns()).startsWith("Site", "Inspected on", "Inspector", "Passengers", "Life jackets");
        assertThat(rows()).isEqualTo(4);
        goTo(KeyCode.DIGIT5);
        robot.push(KeyCode.CONTROL, KeyCode.R);
        waitFor("the keys in the check", () -> find("#own-check-words").isFocused());
        robot.write("Passengers between 0 and 300").push(KeyCode.ENTER);
        waitFor(
                "a check that finds the ship that is too full",
                () -> model().outcomeProperty().get().orElseThrow().checks().stream()
                        .anyMatch(check -> !check.passes()));
        idle();
        chosen.target = Optional.of(folder.resolve("Inspections.csv"));
        goTo(KeyCode.DIGIT7);
        robot.push(KeyCode.INSERT);
        waitFor("the file", () -> words("#work-words").startsWith("Written: Inspections.csv, 4 rows"));
        inspection(16, "Tarsk", 120, "none");
        robot.push(KeyCode.F5);
        waitFor("the next form", () -> rows() == 5);
        idle();
        robot.push(KeyCode.CONTROL, KeyCode.D);
        waitFor("the deliveries", () -> app.frame().orElseThrow().stage() == Stage.DELIVER);
        robot.push(KeyCode.CONTROL, KeyCode.ENTER);
        waitFor("the file again", () -> words("#work-words").startsWith("Written: Inspections.csv, 5 rows"));
        assertThat(Files.readAllLines(folder.resolve("Inspections.csv")))
                .anyMatch(line -> line.startsWith("Tarsk,2026-03-16,A. Moss,120,248,none"));
    }

    /** A statement of a month: what went out and what came in in columns of their own, with a balance that runs on. */
    private void statement(String account, int month, double before, double... amounts) throws IOException {
        Object[][] rows = new Object[4 + amounts.length][];
        rows[0] = row("Account", account);
        rows[1] = row("");
        rows[2] = row("Date", "Details", "Paid out", "Paid in", "Balance");
        rows[3] = row(LocalDate.of(2026, month, 1), "Brought forward", "", "", before);
        double balance = before;
        for (int i = 0; i < amounts.length; i++) {
            balance += amounts[i];
            rows[4 + i] = row(
                    LocalDate.of(2026, month, 3 + 4 * i),
                    amounts[i] < 0 ? "Card" : "Transfer",
                    amounts[i] < 0 ? -amounts[i] : "",
                    amounts[i] < 0 ? "" : amounts[i],
                    Math.round(balance * 100) / 100.0);
        }
        Books.write(data(account + " 2026-0" + month + ".xlsx"), "Statement", rows);
    }

    @Test
    void statementsOfTwoAccountsBecomeASumOfEachMonthByMouse() throws IOException {
        statement("Current", 1, 500, -20.5, 300, -14.25, -80);
        statement("Current", 2, 685.25, -60, 41.75, -12);
        statement("Savings", 1, 9000, 100, -250, 30.5);
        statement("Savings", 2, 8880.5, 100, -75.5, 12.25);
        newJob();
        settleAllByMouse();
        assertThat(columns()).contains("Date", "Details", "Paid out", "Paid in");
        goTo(KeyCode.DIGIT4);
        robot.push(KeyCode.CONTROL, KeyCode.M);
        waitFor("the keys in the formula", () -> find("#new-rule-words").isFocused());
        robot.write("Paid in, else 0 - Paid out")
                .push(KeyCode.SHIFT, KeyCode.TAB)
                .write("Amount")
                .push(KeyCode.ENTER);
        waitFor("the column", () -> columns().contains("Amount"));
        idle();
        goTo(KeyCode.DIGIT6);
        robot.clickOn("#rows-face-summary");
        robot.clickOn("#summary-words")
                .push(KeyCode.CONTROL, KeyCode.A)
                .write("total Amount: a line for each month of Date");
        robot.push(KeyCode.ENTER).push(KeyCode.ENTER);
        waitFor("the sum of January", () -> "65.75".equals(figure(0, 1)));
        assertThat(figure(1, 1)).isEqualTo("6.50");
        statement("Current", 3, 655, -600);
        robot.clickOn("#refresh");
        waitFor("next month", () -> rows() == 14);
        idle();
        robot.clickOn("#stage-master");
        waitFor("a line for March", () -> figure(2, 1).endsWith("600.00"));
        assertThat(columns()).contains("Account");
    }
}
