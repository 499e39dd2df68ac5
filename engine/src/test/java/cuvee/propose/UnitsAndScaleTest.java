package cuvee.propose;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.decision.Kinds;
import cuvee.finding.Question;
import cuvee.refresh.Batch;
import cuvee.refresh.BatchTest;
import cuvee.value.Type;
import cuvee.value.Units;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Units behind numbers, thousands, currencies, and marks for credit and debit. */
class UnitsAndScaleTest extends BatchTest {
    @Test
    void codesWithALetterBehindThemStayText() {
        batch.csv("a.csv", "Bay,Fare", "12,4", "13,5", "14b,6", "15,7", "16 north,8", "17,9");
        assertThat(batch.refresh().type("Bay")).isEqualTo(Type.TEXT);
    }

    @Test
    void numbersWithOneUnitBehindThemAreNumbers() {
        batch.csv("a.csv", "Boat,Weight", "Heron,247 kg", "Plover,1.5 kg", "Dunlin,30 kg");
        batch.csv("b.csv", "Boat,Weight", "Heron,12", "Plover,13");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Weight")).isEqualTo(Type.DECIMAL);
        assertThat(made.column("Weight")).containsExactly("247", "1.5", "30", "12", "13");
        assertThat(made.findings("written-as").get(0).what()).contains("say “kg” behind their numbers in a.csv");
        assertThat(made.findings("not-conserved")).isEmpty();
        batch.settle(Kinds.WRITTEN_AS, "Weight", "as written");
        assertThat(batch.refresh().column("Weight")).doesNotContain("247");
    }

    @Test
    void wordsForNothingAmongNumbersWithAUnitSayNothingAgainstIt() {
        batch.csv("a.csv", "Port,Weight", "Hollin,1088 kg", "Tarsk,.", "Oska,501 kg", "Ryde,.", "Quay,1 138 kg");
        batch.csv("b.csv", "Port,Weight", "Hollin,912", "Tarsk,1480", "Oska,—", "Ryde,44");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Weight").isNumber()).isTrue();
        assertThat(made.column("Weight")).contains("1088", "501", "1138", "1480", "44");
    }

    @Test
    void codesThatEndInALetterAreNoNumbersWithUnits() {
        batch.csv("a.csv", "Boat,Berth", "Heron,12A", "Plover,14A", "Dunlin,7A");
        assertThat(batch.refresh().column("Berth")).containsExactly("12A", "14A", "7A");
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
        assertThat(made.column("Fares (EUR)")).contains("187250", "92500", "98720.25");
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
        assertThat(batch.refresh().column("Fares (EUR)")).contains("187250", "92500", "98720.25");
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
        assertThat(made.column("Fares (EUR)")).contains("1870.25");
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
        assertThat(made.column("Fares (EUR)")).contains("159.5");
        batch.settle(question, "thousands");
        Batch.Made said = batch.refresh();
        assertThat(said.column("Fares (EUR)")).contains("159500", "98720.25").doesNotContain("159.5");
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
        assertThat(made.column("Fares (EUR)")).contains("187250");
        assertThat(made.column("Trips")).contains("21", "18");
    }

    @Test
    void amountsWithSeveralUnitsStayTextAndThatIsSaid() {
        batch.csv("a.csv", "Parcel,Weight", "P1,800 g", "P2,2.5 kg", "P3,1 kg", "P0,n/a");
        Batch.Made made = batch.refresh();
        assertThat(made.type("Weight")).isEqualTo(Type.TEXT);
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
}
