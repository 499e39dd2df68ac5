package cuvee.refresh;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.change.Board;
import cuvee.gather.Reread;
import cuvee.job.Decision;
import cuvee.refresh.Batch.Made;
import cuvee.rework.MadeColumns;
import cuvee.rework.RowRules;
import cuvee.value.Type;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Columns that the analyst makes from others, by formulas in words. */
class MadeColumnsTest {
    @TempDir
    private Path folder;

    private Batch batch;

    @BeforeEach
    void aBatchOfSailings() {
        batch = new Batch(folder)
                .csv(
                        "a.csv",
                        "Date,Route,Vessel,Pax,Fare revenue",
                        "2026-01-05,Hollin-Tarsk,Kestrel,10,250.50",
                        "2026-02-11,Tarsk-Hollin,Heron,0,99.99",
                        "2026-04-30,Brannock - Marsay,,4,")
                .csv("b.csv", "Date,Route,Vessel,Pax,Fare revenue", "2026-12-31,Eastray,Kestrel,3,10");
    }

    private Made make(String name, String words) {
        batch.job(MadeColumns.make(batch.job(), name, words));
        return batch.refresh();
    }

    private List<String> column(Made made, String name) {
        int at = made.columns().indexOf(name);
        return made.lines().stream().map(line -> line.split("\\|", -1)[at]).toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            value = {
                "Pax + 1 ~ 11,1,5,4",
                "Fare revenue / Pax rounded to 2 ~ 25.05,,,3.333333",
                "(Fare revenue / Pax) rounded to 2 ~ 25.05,,,3.33",
                "Fare revenue * 2 - Pax ~ 491,199.98,,17",
                "-Pax ~ -10,0,-4,-3",
                "Fare revenue * 10 % ~ 25.05,9.999,,1",
                "2 + 3 * 4 ~ 14,14,14,14",
                "1,000 + Pax ~ 1010,1000,1004,1003",
                "year of Date ~ 2026,2026,2026,2026",
                "quarter of Date ~ 1,1,2,4",
                "month of Date ~ 1,2,4,12",
                "weekday of Date ~ Monday,Wednesday,Thursday,Thursday",
                "start of month of Date ~ 2026-01-01,2026-02-01,2026-04-01,2026-12-01",
                "Date + 2 ~ 2026-01-07,2026-02-13,2026-05-02,2027-01-02",
                "Date - start of year of Date ~ 4,41,119,364",
                "part 1 of Route by \"-\" ~ Hollin,Tarsk,Brannock,Eastray",
                "part 2 of Route by \"-\" ~ Tarsk,Hollin,Marsay,",
                "last part of Route by \"-\" ~ Tarsk,Hollin,Marsay,Eastray",
                "first 3 of Route ~ Hol,Tar,Bra,Eas",
                "last 2 of Route ~ sk,in,ay,ay",
                "length of Vessel ~ 7,5,,7",
                "capitals of Vessel ~ KESTREL,HERON,,KESTREL",
                "Vessel without \"est\" ~ Krel,Heron,,Krel",
                "Vessel with \"H\" for \"K\" ~ Hestrel,Heron,,Hestrel",
                "Vessel then \" / \" then Pax ~ Kestrel / 10,Heron / 0, / 4,Kestrel / 3",
                "\"busy\" where Pax over 5, \"quiet\" where Pax is at least 1, else \"empty\" ~ busy,empty,quiet,quiet",
                "1 where Vessel is Kestrel and Pax over 5, else 0 ~ 1,0,0,0",
                "Vessel, else Route ~ Kestrel,Heron,Brannock - Marsay,Kestrel",
                "part 9 of Vessel by \"-\", else part 2 of Route by \"-\", else \"none\" ~ Tarsk,Hollin,Marsay,none",
                "\"none\" where Vessel is blank ~ ,,none,",
                "larger of Pax and 3 ~ 10,3,4,3",
                "size of (Pax - 5) ~ 5,5,1,2",
                "number in (\"No \" then Pax) ~ 10,0,4,3",
                "date in \"5 March 2026\" ~ 2026-03-05,2026-03-05,2026-03-05,2026-03-05",
                "Source file ~ a.csv,a.csv,a.csv,b.csv",
            })
    void saysWhatItIsMadeFrom(String words, String expected) {
        Made made = make("Made", words);
        assertThat(made.outcome().proposal().made())
                .extracting(MadeColumns.Stated::problem)
                .containsExactly("");
        assertThat(String.join(",", column(made, "Made"))).isEqualTo(expected == null ? "" : expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            value = {
                "Fair revenue * 2 ~ “Fair” is no column; texts stand in quotation marks",
                "Route + 1 ~ only numbers can be reckoned with, and one side is Text; “number in” takes the number out of a text",
                "year of Route ~ “year of” needs a date, and this is Text",
                "Pax * ~ a column, a number or a text in quotation marks is missing",
                "(Pax + 1 ~ a closing bracket is missing",
                "Pax Route ~ after a value comes + - * /, “then”, “where”, or the end",
                "1 where Pax is many ~ “many” is no Whole number, as Pax is",
                "1 where nothing ~ a condition, such as “Date is filled”",
                "1 where Pax over 5, 2 ~ “where” with a condition, or “else” before the value",
                "Pax where Pax over 5, else Date ~ its values are Whole number and Date; all must be of one type",
                "part 2 of Route ~ “by” is missing",
            })
    void whatCannotBeUnderstoodIsSaidWithItsPlaceAndTheColumnStaysEmpty(String words, String problem) {
        Made made = make("Made", words);
        assertThat(made.outcome().proposal().made())
                .extracting(MadeColumns.Stated::problem)
                .containsExactly(problem);
        assertThat(column(made, "Made")).containsOnly("");
        assertThat(made.findings("rule-lost")).hasSize(1);
    }

    @Test
    void rowsWithoutAResultAreCountedThoughAllThatIsNeededIsThere() {
        Made made = make("Per head", "Fare revenue / Pax");
        assertThat(made.findings("no-result"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text()).startsWith("In 1 row the formula of “Per head”"));
        assertThat(made.outcome().proposal().columns())
                .filteredOn(column -> column.name().equals("Per head"))
                .singleElement()
                .satisfies(column -> assertThat(column.filled()).isEqualTo(2));
    }

    @Test
    void oneMadeColumnMayNeedAnotherWhicheverWasPutFirst() {
        batch.job(MadeColumns.make(batch.job(), "Twice", "Half * 4"));
        Made made = make("Half", "Pax / 2");
        assertThat(column(made, "Twice")).containsExactly("20", "0", "8", "6");
        Made circle = make("Half", "Twice / 4");
        assertThat(circle.outcome().proposal().made())
                .allSatisfy(each -> assertThat(each.problem()).isNotEmpty());
    }

    @Test
    void rulesAboutRowsMayAskOfMadeColumns() {
        batch.job(RowRules.byPhrase(batch.job(), "From is Hollin", true));
        Made made = make("From", "part 1 of Route by \"-\"");
        assertThat(column(made, "Vessel")).containsExactly("Kestrel");
        assertThat(made.outcome().rowsRuledOut()).isEqualTo(3);
        // Other words of the formula, other rows.
        Made other = make("From", "part 2 of Route by \"-\"");
        assertThat(column(other, "Vessel")).containsExactly("Heron");
    }

    @Test
    void nextMonthIsMadeToo() {
        make("From", "part 1 of Route by \"-\"");
        batch.csv("c.csv", "Date,Route,Vessel,Pax,Fare revenue", "2027-01-01,Tarsk-Marsay,Heron,3,10");
        Made made = batch.refresh();
        assertThat(column(made, "From")).containsExactly("Hollin", "Tarsk", "Brannock", "Eastray", "Tarsk");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(made.lines());
    }

    @Test
    void formulasFollowColumnsThatAreCalledOtherwise() {
        make("Per head", "Fare revenue / Pax");
        Made made = make("Big", "\"yes\" where Pax over 5 and Vessel is \"Pax\", else Per head then \"Pax\"");
        Map<String, String> lineUp = made.outcome().proposal().lineUp();
        Set<String> names = Set.copyOf(made.columns());
        batch.job(Board.rename(batch.job(), lineUp, names, "Pax", "Passengers"));
        names = Set.copyOf(batch.refresh().columns());
        batch.job(Board.rename(batch.job(), lineUp, names, "Per head", "Each"));
        Made renamed = batch.refresh();
        assertThat(renamed.outcome().proposal().made())
                .extracting(each -> each.name() + " = " + each.words())
                .containsExactlyInAnyOrder(
                        "Each = Fare revenue / Passengers",
                        "Big = \"yes\" where Passengers over 5 and Vessel is \"Pax\", else Each then \"Pax\"");
        assertThat(renamed.lines()).isEqualTo(made.lines());
    }

    @Test
    void aMadeColumnCanStandAnywhere() {
        Made made = make("From", "first 2 of Route");
        assertThat(made.columns()).last().isEqualTo("From");
        batch.job(Board.move(batch.job(), made.columns(), "From", -3));
        Made moved = batch.refresh();
        assertThat(moved.columns()).containsExactly("Date", "Route", "From", "Vessel", "Pax", "Fare revenue");
        assertThat(column(moved, "From")).isEqualTo(column(made, "From"));
        assertThat(batch.refresh().columns()).isEqualTo(moved.columns());
    }

    @Test
    void theTypeOfAMadeColumnCanBeSaid() {
        batch.job(Board.type(batch.job(), "Digits", Type.WHOLE_NUMBER.word()));
        Made made = make("Digits", "last 2 of (\"0\" then Pax)");
        assertThat(column(made, "Digits")).containsExactly("10", "0", "4", "3");
    }

    @Test
    void aColumnOfTheSheetsIsChangedWhereItStands() {
        Made made = make("Vessel", "capitals of Vessel without \"E\"");
        assertThat(column(made, "Vessel")).containsExactly("KSTRL", "HRON", "", "KSTRL");
        assertThat(made.columns()).hasSize(5);
        Made again = batch.refresh();
        assertThat(again.lines()).isEqualTo(made.lines());
        batch.csv("c.csv", "Date,Route,Vessel,Pax,Fare revenue", "2027-01-01,Tarsk-Marsay,Heron,3,10");
        Made next = batch.refresh();
        assertThat(column(next, "Vessel")).containsExactly("KSTRL", "HRON", "", "KSTRL", "HRON");
        assertThat(batch.refresh(Reread.EVERYTHING).lines()).isEqualTo(next.lines());
        Made other = make("Vessel", "first 2 of Vessel");
        assertThat(column(other, "Vessel")).containsExactly("Ke", "He", "", "Ke", "He");
        batch.settle(MadeColumns.KIND, "Vessel", Decision.off("first 2 of Vessel"));
        assertThat(column(batch.refresh(), "Vessel")).containsExactly("Kestrel", "Heron", "", "Kestrel", "Heron");
    }

    @Test
    void anotherTypeNeedsAnotherName() {
        Made made = make("Date", "year of Date");
        assertThat(column(made, "Date")).startsWith("2026-01-05");
        assertThat(made.findings("rule-lost"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.text())
                        .contains("it makes Whole number of Date; make a column of another name from it"));
    }

    @Test
    void whatIsMadeFromAChangedColumnSeesTheChange() {
        make("Double", "Vessel then Vessel");
        Made made = make("Vessel", "first 1 of Vessel");
        assertThat(column(made, "Double")).containsExactly("KK", "HH", "", "KK");
    }

    @Test
    void switchedOffItIsNotThere() {
        Made before = batch.refresh();
        make("From", "first 2 of Route");
        batch.settle(MadeColumns.KIND, "From", Decision.off("first 2 of Route"));
        Made off = batch.refresh();
        assertThat(off.columns()).isEqualTo(before.columns());
        assertThat(off.lines()).isEqualTo(before.lines());
        assertThat(off.outcome().sentences())
                .filteredOn(sentence -> sentence.kind().equals(MadeColumns.KIND))
                .singleElement()
                .satisfies(sentence -> assertThat(sentence.on()).isFalse());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '~',
            value = {
                "Pax + 999999999999999999999 ~ “999999999999999999999” has too many digits to be reckoned with exactly",
                "Pax * 0.12345678901 ~ “0.12345678901” has too many digits to be reckoned with exactly",
                "first 99999 of Route ~ “first” is no column; texts stand in quotation marks",
                "Pax rounded to 100 ~ so many decimals there cannot be",
                "\"open ~ a text in quotation marks is missing",
                "larger of Pax ~ “and” is missing",
                "hour of Date ~ “hour of” needs a time, and this is Date",
                "capitals of Pax ~ “capitals of” needs a text, and this is Whole number",
                "Pax, else 2, 3 ~ “else” before what holds for the rows that are blank so far",
                "1 where Pax over 5, else 2 where Pax over 1 ~ what stands behind “else” holds for all other rows; leave “else” out",
            })
    void whatTheStoreCouldNotDoIsRefusedBeforeItIsAsked(String words, String problem) {
        assertThat(make("Made", words).outcome().proposal().made())
                .extracting(MadeColumns.Stated::problem)
                .containsExactly(problem);
    }

    @Test
    void aFormulaWithoutEndIsRefused() {
        Made made = make("Made", "(".repeat(3000) + "Pax");
        assertThat(made.outcome().proposal().made())
                .extracting(MadeColumns.Stated::problem)
                .containsExactly("it is longer than 2,000 characters");
    }

    @Test
    void numbersWithManyDecimalsAreReckonedWithToTwelve() {
        batch.csv("d.csv", "Rate,Share", "0.123456789012345,0.98765432109876", "12345.6789012345,1.5", "1,2");
        batch.delete("a.csv");
        batch.delete("b.csv");
        Made made = make("Product", "Rate * Share * 2");
        assertThat(column(made, "Product")).containsExactly("0.243865262274", "37037.0367037035", "4");
        assertThat(column(make("Sum", "Rate + Share"), "Sum")).startsWith("1.111111110111");
    }

    @Test
    void daysTooFarAwayAreBlankAndSaid() {
        Made made = make("Later", "Date + 99999999999");
        assertThat(column(made, "Later")).containsOnly("");
        assertThat(made.findings("no-result")).hasSize(1);
    }

    @Test
    void aChangeThatLeavesNothingOfValuesIsSaid() {
        Made made = make("Route", "part 2 of Route by \"-\"");
        assertThat(column(made, "Route")).containsExactly("Tarsk", "Hollin", "Marsay", "");
        assertThat(made.findings("no-result"))
                .singleElement()
                .satisfies(finding -> assertThat(finding.what())
                        .isEqualTo("In 1 row the formula of “Route” leaves nothing of the value that the sheet has."));
        assertThat(make("Route", "tidy Route").findings("no-result")).isEmpty();
    }

    @Test
    void amountsOfSeveralCurrenciesAreNeverBroughtTogether() {
        batch.csv("a.csv", "Day,Fare (EUR),Dues (GBP),Pax", "2026-01-01,5.50,1,3", "2026-01-02,6,2,4")
                .changed("a.csv", "2026-05-01T00:00:00Z");
        batch.delete("b.csv");
        for (String words : List.of(
                "Fare (EUR) + Dues (GBP)",
                "Fare (EUR) where Pax over 3, else Dues (GBP)",
                "larger of Fare (EUR) and Dues (GBP)")) {
            assertThat(make("Made", words).outcome().proposal().made())
                    .as(words)
                    .extracting(MadeColumns.Stated::problem)
                    .containsExactly("amounts of several currencies are not added up: EUR and GBP");
        }
        Made each = make("Made", "Fare (EUR) / Pax");
        assertThat(each.outcome().proposal().columns())
                .filteredOn(column -> column.name().equals("Made"))
                .extracting(column -> column.typeWords())
                .containsExactly("Money EUR");
        assertThat(make("Made", "Fare (EUR) / Dues (GBP)")
                        .outcome()
                        .proposal()
                        .made()
                        .get(0)
                        .problem())
                .isEmpty();
    }

    @Test
    void ofAColumnWithSeveralCurrenciesNothingIsMadeAndNothingIsAddedUp() {
        batch.csv("a.csv", "Day,Fare,Pax", "2026-01-01,EUR 5.50,3", "2026-01-02,GBP 6.00,4")
                .changed("a.csv", "2026-05-01T00:00:00Z");
        batch.delete("b.csv");
        Made made = make("Made", "Fare * 2");
        assertThat(made.outcome().proposal().made().get(0).problem())
                .isEqualTo("“Fare” holds amounts of several currencies, and what is made of it would too");
        assertThat(made.outcome().totals())
                .filteredOn(total -> total.column().equals("Fare"))
                .singleElement()
                .satisfies(total -> assertThat(total.sum()).isNull());
        batch.job(cuvee.rework.Shapings.toColumns(
                batch.job(), "Day", cuvee.master.Shaping.How.SUM, "Fare", List.of("Pax")));
        assertThat(batch.refresh().findings("rule-lost"))
                .anySatisfy(finding -> assertThat(finding.text())
                        .contains("“Fare” holds amounts of several currencies, which are not added up"));
    }
}
